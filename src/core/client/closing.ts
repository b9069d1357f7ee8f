import { z } from 'zod';

import { pictureIdSchema, projectIdSchema, roomIdSchema, vantagePointIdSchema } from '../shared';

/** Figures of a room that a report may tell. */
export const figureCodes = [
  'left',
  'amount',
  'waiting',
  'landfill',
  'spent',
  'containers',
] as const;
export type FigureCode = (typeof figureCodes)[number];

const words = (most: number) => z.string().trim().max(most);

/** How a room is told in the closing report. */
export const closingRoomSchema = z.object({
  roomId: roomIdSchema,
  isShown: z.boolean(),
  /** Pairs that are shown, in their order. */
  vantagePointIds: z.array(vantagePointIdSchema).max(60),
  figures: z.array(z.enum(figureCodes)).max(figureCodes.length),
  /** What the client said of it, in their words. */
  said: words(600),
  /** How it is kept up, a line each; null: as it follows from the choices. */
  keepUp: z.array(words(200)).max(5).nullable(),
});
export type ClosingRoom = Readonly<z.infer<typeof closingRoomSchema>>;

/** The closing report of a home, as it was put together; its own id is the home's. */
export const closingSchema = z.object({
  id: projectIdSchema,
  tone: z.enum(['short', 'full']),
  /** In the order in which they are told; rooms that are not named follow. */
  rooms: z.array(closingRoomSchema).max(200),
  /** Above everything, in the organizer's words. */
  opening: words(1200),
  /** Who agreed that pictures without names may be shown elsewhere, and to which; null: nobody. */
  consent: z
    .object({
      by: z.string().trim().min(1).max(60),
      at: z.iso.datetime(),
      pictureIds: z.array(pictureIdSchema).max(500),
    })
    .nullable(),
});
export type Closing = Readonly<z.infer<typeof closingSchema>>;

interface RoomFacts {
  readonly id: ClosingRoom['roomId'];
  readonly vantagePointIds: ClosingRoom['vantagePointIds'];
}

/** A report that nobody has changed: every room, every pair, every figure. */
export const startClosing = (id: Closing['id']): Closing => ({
  id,
  tone: 'full',
  rooms: [],
  opening: '',
  consent: null,
});

/** A room as it is told; one that was not composed is told whole. Pairs that are gone are left out. */
export function roomInClosing(closing: Closing, room: RoomFacts): ClosingRoom {
  const known = closing.rooms.find(({ roomId }) => roomId === room.id);
  if (!known)
    return {
      roomId: room.id,
      isShown: true,
      vantagePointIds: room.vantagePointIds,
      figures: [...figureCodes],
      said: '',
      keepUp: null,
    };
  return {
    ...known,
    vantagePointIds: known.vantagePointIds.filter((id) => room.vantagePointIds.includes(id)),
  };
}

/** Rooms in the order of the report; such as it does not name stay behind, in their own order. */
export const inClosingOrder = <R extends { readonly id: string }>(
  closing: Closing,
  rooms: readonly R[],
): readonly R[] => {
  const named = closing.rooms.flatMap(({ roomId }) => rooms.find(({ id }) => id === roomId) ?? []);
  return [...named, ...rooms.filter((room) => !named.includes(room))];
};
