import { isValid, parseISO } from 'date-fns';
import type { RoomId } from '../shared';
import { wayOutOf, type WayOut } from './codes';
import { traitsOf, type Verdict } from './verdicts';

export type Destination =
  | { readonly kind: 'room'; readonly roomId: RoomId }
  | { readonly kind: 'person'; readonly name: string }
  | { readonly kind: 'way_out'; readonly way: WayOut }
  | { readonly kind: 'day'; readonly on: string };

interface Going {
  readonly verdict: Verdict;
  readonly to: string;
  readonly destination?: Destination | undefined;
}

interface NamedRoom {
  readonly id: RoomId;
  readonly name: string;
}

const sameName = (a: string, b: string): boolean =>
  a.trim().toLowerCase() === b.trim().toLowerCase();

/** Whether it is a day that there is, as `2026-12-12`. */
const isDay = (said: string): boolean =>
  /^\d{4}-\d{2}-\d{2}$/.test(said) && isValid(parseISO(said));

/**
 * Reads what was said as a destination, as the verdict asks for it; undefined where nothing was said,
 * or what was said names nothing that is here.
 */
export function readDestination(
  { verdict, to }: Pick<Going, 'verdict' | 'to'>,
  rooms: readonly NamedRoom[],
): Destination | undefined {
  if (to.trim() === '') return undefined;
  switch (traitsOf(verdict).asks) {
    case 'room': {
      const room = rooms.find(({ name }) => sameName(name, to));
      return room && { kind: 'room', roomId: room.id };
    }
    case 'person':
      return { kind: 'person', name: to.trim() };
    case 'way_out': {
      const way = wayOutOf(to);
      return way && { kind: 'way_out', way };
    }
    case 'day':
      return isDay(to) ? { kind: 'day', on: to } : undefined;
    case undefined:
      return undefined;
  }
}

/**
 * What a thing's destination becomes when it is decided anew: it stays only where the same is said
 * again; what was said otherwise is read anew from its words.
 */
export const keptDestination = (
  before: Going,
  { verdict, to }: Pick<Going, 'verdict' | 'to'>,
): Destination | undefined =>
  before.verdict === verdict && before.to === to ? before.destination : undefined;

/** Where a thing goes: as it was kept, or for older events as its words say. */
export const destinationOf = (going: Going, rooms: readonly NamedRoom[]): Destination | undefined =>
  going.destination ?? readDestination(going, rooms);

/** Whether a thing that moves belongs in this room, even where the room was renamed since. */
export const goesToRoom = (going: Going, room: NamedRoom): boolean => {
  const destination = destinationOf(going, [room]);
  return destination?.kind === 'room' && destination.roomId === room.id;
};

/** The day on which something put off is due, `2026-12-12`. */
export const dayOf = (going: Going): string | undefined => {
  const destination = destinationOf(going, []);
  return destination?.kind === 'day' ? destination.on : undefined;
};

/** To whom it is given. */
export const personOf = (going: Going): string | undefined => {
  const destination = destinationOf(going, []);
  return destination?.kind === 'person' ? destination.name : undefined;
};
