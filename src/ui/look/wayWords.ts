import {
  METRES_IN_ROOM,
  METRES_NOT_JOINED,
  type Passage,
  type WayBetween,
  type WayGap,
} from '@/core/look';
import { assertNever, formatCount, formatLength, type LengthUnit } from '@/core/shared';

interface Names {
  readonly rooms: readonly { readonly id: string; readonly name: string }[];
  readonly passages: readonly { readonly id: string; readonly name: string }[];
}

/** From one room to another, with the shortest and the longest it may be. */
export interface WayLine extends WayBetween {
  readonly from: string;
  readonly to: string;
  readonly lowMetres: number;
  readonly highMetres: number;
}

const nameIn = (list: Names['rooms'], id: string): string =>
  list.find((each) => each.id === id)?.name ?? '';

/** A hall, stairs or opening in a line: what it is, how long, what it joins. */
export function passageWords(
  { kind, name, length, steps, roomIds, passageIds }: Passage,
  { rooms, passages, doorsFrom = [] }: Names & { readonly doorsFrom?: readonly string[] },
  unit: LengthUnit,
): string {
  const ends = [
    ...doorsFrom,
    ...roomIds.map((id) => nameIn(rooms, id)),
    ...passageIds.map((id) => nameIn(passages, id)),
  ];
  if (kind === 'opening')
    return `${ends.join(' and ')} are joined${length ? `, ${formatLength(length.mm, unit)} between` : ''}`;
  return [
    name,
    length === null ? '' : formatLength(length.mm, unit),
    steps === null ? '' : formatCount(steps, 'step'),
    ends.length === 0 ? '' : `joins ${ends.join(', ')}`,
  ]
    .filter((part) => part !== '')
    .join(', ');
}

/** What is guessed, between which, and what sets it right. */
export function wayGapWords(gap: WayGap, { rooms, passages }: Names): string {
  switch (gap.code) {
    case 'not_joined':
      return (
        `${nameIn(rooms, gap.roomId)} is not joined to any room: ${METRES_NOT_JOINED.likely} m to each are ` +
        `assumed (${METRES_NOT_JOINED.low} to ${METRES_NOT_JOINED.high} m).`
      );
    case 'no_plan':
      return (
        `${nameIn(rooms, gap.roomId)} has no plan: ${METRES_IN_ROOM.likely} m from the way in to a place ` +
        `are assumed (${METRES_IN_ROOM.low} to ${METRES_IN_ROOM.high} m).`
      );
    case 'no_length':
      return `How long ${nameIn(passages, gap.passageId)} is, is assumed.`;
    case 'no_steps':
      return `How many steps ${nameIn(passages, gap.passageId)} has, is assumed: 15 (12 to 18).`;
    default:
      return assertNever(gap);
  }
}

/** "Kitchen to Garage: 9 m, by the hall"; a span where it is not known to the metre. */
export function wayWords({
  from,
  to,
  metres,
  lowMetres,
  highMetres,
  isJoined,
  via,
}: WayLine): string {
  const [low, likely, high] = [lowMetres, metres, highMetres].map(Math.round) as [
    number,
    number,
    number,
  ];
  const span = low === high ? '' : ` (${low} to ${high})`;
  if (!isJoined)
    return `${from} to ${to}: about ${likely} m${span}, assumed: nothing joins them yet`;
  return `${from} to ${to}: ${likely} m${span}${via.length > 0 ? `, by ${via.join(' and ')}` : ''}`;
}

/** What a proposal for the whole home rests on, in a sentence. */
export function waysNote({
  joined: joinedCount,
  all: pairCount,
}: {
  readonly joined: number;
  readonly all: number;
}): string {
  if (pairCount === 0) return '';
  if (joinedCount === pairCount) return 'From room to room the metres on foot count, by the doors.';
  const guess = `${METRES_NOT_JOINED.likely} m (${METRES_NOT_JOINED.low} to ${METRES_NOT_JOINED.high})`;
  return joinedCount === 0
    ? `No two rooms are joined yet: ${guess} from room to room are assumed. Look at the home to say how they are joined.`
    : `${joinedCount} of ${pairCount} ways from room to room are known by their doors; for the others ${guess} are assumed.`;
}
