import type { Picture, Room, VantagePoint } from '../look';
import { pairPictures } from '../show';

interface PictureFacts {
  readonly rooms: readonly Pick<Room, 'id'>[];
  readonly vantagePoints: readonly VantagePoint[];
  readonly pictures: readonly Picture[];
}

/** The day on which a room was done: its last picture after, where no spot is without one. */
export function roomDoneOn(
  roomId: string,
  { vantagePoints, pictures }: Omit<PictureFacts, 'rooms'>,
): string | undefined {
  const spots = vantagePoints.filter((spot) => spot.roomId === roomId);
  const first = pairPictures(
    spots,
    // A picture of a later look does not make it done anew.
    pictures.filter(({ moment }) => moment !== 'later'),
  ).map(({ after }) => after?.takenAt);
  const days = first.flatMap((at) => at?.slice(0, 10) ?? []);
  return spots.length > 0 && days.length === spots.length ? days.sort().at(-1) : undefined;
}

/** The day on which the whole home was done: that of its last room, where none is open. */
export function homeDoneOn(facts: PictureFacts): string | undefined {
  const days = facts.rooms.map(({ id }) => roomDoneOn(id, facts));
  return days.length > 0 && days.every((day) => day !== undefined) ? days.sort().at(-1) : undefined;
}
