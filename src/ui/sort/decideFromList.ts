import { correctThing, type Thing } from '@/core/sort';
import { createMeans } from './eventMeans';
import { sendDecisions } from './sendDecisions';

/** Decides a thing anew from one of the lists; it waits in the outbox like any decision. */
export function decideFromList(
  projectId: string,
  thing: Thing,
  change: Parameters<typeof correctThing>[1] & { readonly roomId?: Thing['roomId'] },
): void {
  const { roomId, ...facts } = change;
  const events = [
    correctThing(roomId === undefined ? thing : { ...thing, roomId }, facts, createMeans()),
  ];
  sendDecisions(projectId, events);
}
