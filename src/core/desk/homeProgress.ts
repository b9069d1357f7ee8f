import { workSteps, type NextStep, type RoomProgress, type Step } from './roomProgress';

/** A room of the home with how far it has come. */
export interface RoomStanding<Room> {
  readonly room: Room;
  readonly progress: RoomProgress;
}

/** What is next somewhere in the home, and in which room. */
export interface NextInRoom<Room> {
  readonly room: Room;
  readonly next: NextStep;
}

/**
 * What cannot be made up for later comes first, then what others wait for, then the order of the work.
 * A plan of the walls helps and hinders nothing.
 */
const urgency: readonly NextStep['code'][] = [
  'take_before',
  'measure_again',
  'get_agreement',
  'ask_client',
  'take_after',
  'add_vantage_point',
  'add_unit',
  'set_room_budget',
  'make_sections',
  'measure_usual',
  'start_sorting',
  'place_groups',
  'fit_bays',
  'groups_left_out',
  'buy',
  'anchor',
  'set_up',
  'take_away',
  'decide_later',
  'measure_walls',
];

/** What is missing in all rooms, the most urgent first; what is as urgent keeps the order of the rooms. */
export const rankNext = <Room>(rooms: readonly RoomStanding<Room>[]): NextInRoom<Room>[] =>
  rooms
    .flatMap(({ room, progress }) => progress.next.map((next) => ({ room, next })))
    .sort((a, b) => urgency.indexOf(a.next.code) - urgency.indexOf(b.next.code));

/** How a step stands in the whole home. */
export interface HomeStanding {
  /** Rooms in which something of the step is missing. */
  readonly openCount: number;
  /** What is missing, summed over the rooms, where it is the same everywhere and can be summed. */
  readonly gap: NextStep | undefined;
  readonly isDone: boolean;
}

/** A step over all rooms: done where it is done in each of them. */
export function standingOf(
  step: Step,
  rooms: readonly { readonly progress: RoomProgress }[],
): HomeStanding {
  const gaps = rooms.flatMap(({ progress }) => {
    const gap = progress.next.find((next) => next.step === step);
    return gap ? [gap] : [];
  });
  return {
    openCount: gaps.length,
    gap: gaps.reduce<NextStep | undefined>(
      (sum, gap, i) => (i === 0 ? gap : sum && addGaps(sum, gap)),
      undefined,
    ),
    isDone: rooms.length > 0 && rooms.every(({ progress }) => progress.doneSteps.includes(step)),
  };
}

/** Of two rooms' gaps one, where both miss the same and say how many; undefined where they do not. */
function addGaps(a: NextStep, b: NextStep): NextStep | undefined {
  if (a.code !== b.code) return undefined;
  if ('count' in a && 'count' in b) return { ...a, count: a.count + b.count };
  if ('lines' in a && 'lines' in b) return { ...a, lines: a.lines + b.lines };
  return undefined;
}

/** 0..1: how much of the home's work is done, every room and step counting the same. */
export const homeDoneRatio = (rooms: readonly { readonly progress: RoomProgress }[]): number =>
  rooms.length === 0
    ? 0
    : rooms.reduce((sum, { progress }) => sum + progress.doneSteps.length, 0) /
      (rooms.length * workSteps.length);
