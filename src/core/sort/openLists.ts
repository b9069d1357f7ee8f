import type { RoomId } from '../shared';
import type { Thing } from './model';
import { dayOf, goesToRoom, personOf } from './destination';
import { leavingStatesOf } from './leaving';
import type { Carry } from './sessionModel';
import { movesRoom, waitsForClient, waitsForDay } from './verdicts';

/**
 * What waits for somebody: another room, the client, a later day. Each in the order in which it was
 * decided.
 */
export interface OpenLists {
  /** Belongs to this room, or to any, and is still in another. */
  readonly comingIn: readonly Thing[];
  /** Belongs elsewhere, and nobody knows where: one list for the whole home. */
  readonly noHome: readonly Thing[];
  readonly ask: readonly Thing[];
  readonly later: readonly Thing[];
  /** What somebody is to get and has not left yet, a list each, of the whole home. */
  readonly forPeople: readonly { readonly name: string; readonly things: readonly Thing[] }[];
  /** To be sold, and still here. */
  readonly forSale: readonly Thing[];
}

interface NamedRoom {
  readonly id: RoomId;
  readonly name: string;
}

/** The room that a thing belongs to and is not in. */
export const targetRoomOf = <R extends NamedRoom>(
  thing: Thing,
  rooms: readonly R[],
): R | undefined =>
  movesRoom(thing)
    ? rooms.find((room) => room.id !== thing.roomId && goesToRoom(thing, room))
    : undefined;

/** Gathers the lists of some rooms from all things of the home: of one room, or of all for the home. */
export function openListsOf(
  things: readonly Thing[],
  { rooms }: { readonly rooms: readonly NamedRoom[] },
  carries: readonly Carry[] = [],
): OpenLists {
  const states = leavingStatesOf(things, carries);
  const here = things.filter(({ id }) => states.get(id) !== 'gone');
  const byDay = (a: Thing, b: Thing) =>
    (dayOf(a) ?? '9999').localeCompare(dayOf(b) ?? '9999') ||
    a.decidedAt.localeCompare(b.decidedAt);
  return {
    comingIn: things.filter((thing) => targetRoomOf(thing, rooms) !== undefined),
    noHome: things.filter((thing) => movesRoom(thing) && thing.to.trim() === ''),
    ask: things.filter(waitsForClient),
    later: things.filter(waitsForDay).sort(byDay),
    forPeople: byPerson(here),
    forSale: here.filter(({ verdict }) => verdict === 'sell'),
  };
}

function byPerson(things: readonly Thing[]): OpenLists['forPeople'] {
  const lists = new Map<string, Thing[]>();
  for (const thing of things) {
    const name = personOf(thing);
    if (name !== undefined) lists.set(name, [...(lists.get(name) ?? []), thing]);
  }
  return [...lists]
    .map(([name, own]) => ({ name, things: own }))
    .sort((a, b) => a.name.localeCompare(b.name));
}

/** So much goes into a box that waits. */
export const LATER_BOX_LITRES = 45;

/**
 * Which box of its room each thing that was put off lies in, counted from 1: filled one after the
 * other as they were put off.
 */
export function laterBoxesOf(things: readonly Thing[]): ReadonlyMap<string, number> {
  const boxes = new Map<string, number>();
  const filled = new Map<string, { box: number; litres: number }>();
  for (const thing of [...things]
    .filter(waitsForDay)
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
