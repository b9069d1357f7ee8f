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

const sameName = (a: string, b: string): boolean =>
  a.trim().toLowerCase() === b.trim().toLowerCase();

/** Gathers the lists of a room from all things of the home. What is put off carries its day in `to`. */
export function openListsOf(
  things: readonly Thing[],
  room: { readonly id: RoomId; readonly name: string },
): OpenLists {
  const byDay = (a: Thing, b: Thing) =>
    (a.to || '9999').localeCompare(b.to || '9999') || a.decidedAt.localeCompare(b.decidedAt);
  return {
    comingIn: things.filter(
      (thing) =>
        thing.verdict === 'elsewhere' && thing.roomId !== room.id && sameName(thing.to, room.name),
    ),
    noHome: things.filter((thing) => thing.verdict === 'elsewhere' && thing.to.trim() === ''),
    ask: things.filter((thing) => thing.verdict === 'ask'),
    later: things.filter((thing) => thing.verdict === 'later').sort(byDay),
  };
}

/** So much goes into a box that waits. */
export const LATER_BOX_LITRES = 45;

/** Which box of its room each thing that was put off lies in, counted from 1: filled one after the other as they were put off. */
export function laterBoxesOf(things: readonly Thing[]): ReadonlyMap<string, number> {
  const boxes = new Map<string, number>();
  const filled = new Map<string, { box: number; litres: number }>();
  for (const thing of [...things]
    .filter(({ verdict }) => verdict === 'later')
    .sort((a, b) => a.decidedAt.localeCompare(b.decidedAt) || a.id.localeCompare(b.id))) {
    const last = filled.get(thing.roomId) ?? { box: 1, litres: 0 };
    const isFull = last.litres > 0 && last.litres + thing.litres > LATER_BOX_LITRES;
    const now = isFull
      ? { box: last.box + 1, litres: thing.litres }
      : { box: last.box, litres: last.litres + thing.litres };
    filled.set(thing.roomId, now);
    boxes.set(thing.id, now.box);
  }
  return boxes;
}

/** Whether a thing that was put off has a day, `2026-12-12`. */
export const hasDay = (thing: Pick<Thing, 'to'>): boolean => /^\d{4}-\d{2}-\d{2}$/.test(thing.to);
