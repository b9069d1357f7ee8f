import type { RoomId } from '../shared';
import type { Thing } from './model';

/** What waits for somebody: another room, the client, a later day. Each in the order in which it was decided. */
export interface OpenLists {
  /** Belongs to this room and is still in another. */
  readonly comingIn: readonly Thing[];
  /** Belongs elsewhere, and nobody knows where: one list for the whole home. */
  readonly noHome: readonly Thing[];
  readonly ask: readonly Thing[];
  readonly later: readonly Thing[];
}

const sameName = (a: string, b: string): boolean => a.trim().toLowerCase() === b.trim().toLowerCase();

/** Gathers the lists of a room from all things of the home. What is put off carries its day in `to`. */
export function openListsOf(things: readonly Thing[], room: { readonly id: RoomId; readonly name: string }): OpenLists {
  const byDay = (a: Thing, b: Thing) => (a.to || '9999').localeCompare(b.to || '9999') || a.decidedAt.localeCompare(b.decidedAt);
  return {
    comingIn: things.filter((thing) => thing.verdict === 'elsewhere' && thing.roomId !== room.id && sameName(thing.to, room.name)),
    noHome: things.filter((thing) => thing.verdict === 'elsewhere' && thing.to.trim() === ''),
    ask: things.filter((thing) => thing.verdict === 'ask'),
    later: things.filter((thing) => thing.verdict === 'later').sort(byDay),
  };
}

/** Whether a thing that was put off has a day, `2026-12-12`. */
export const hasDay = (thing: Pick<Thing, 'to'>): boolean => /^\d{4}-\d{2}-\d{2}$/.test(thing.to);
