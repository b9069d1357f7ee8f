import { differenceInCalendarDays, parseISO } from 'date-fns';

import type { Project } from '@/core/agree';
import { standingOf, type NextStep, type RoomProgress, type Step } from '@/core/desk';
import { formatCount, formatDate } from '@/core/shared';
import { fromWords } from '../look/lookWords';

type Told = { readonly [C in NextStep['code']]: (next: Extract<NextStep, { code: C }>) => string };

/** Codes from core become sentences here and nowhere else. */
const told: Told = {
  add_unit: () => 'Measure the first cupboard or shelf',
  add_vantage_point: () => 'Name a spot to photograph from, before anything moves',
  take_before: (next) => `Photograph “before” ${fromWords(next.vantagePointName)}`,
  measure_again: (next) => `Measure ${next.bayName} again: the readings differ by more than 5 mm`,
  measure_usual: (next) =>
    next.count === 1
      ? `Measure ${next.firstName}: its sizes are only the usual ones`
      : `Measure ${next.firstName} and ${formatCount(next.count - 1, 'other place')}: usual sizes so far`,
  measure_walls: () => 'Measure the walls, so that the room can be drawn from above',
  set_room_budget: () => 'Set this room’s share of the budget',
  make_sections: () => 'Divide the room into sections, each for one visit',
  get_agreement: () => 'Agree on the work: who agreed, and to what',
  start_sorting: () => 'Sort the first thing',
  ask_client: (next) => `Put ${formatCount(next.count, 'question')} to the client`,
  decide_later: (next) => `Decide ${formatCount(next.count, 'thing')} left for later`,
  place_groups: (next) =>
    next.count === 1
      ? `Find a place for ${next.firstName}`
      : `Find places for ${next.firstName} and ${formatCount(next.count - 1, 'other group')}`,
  fit_bays: (next) =>
    next.count === 1
      ? `Choose containers for ${next.firstBayName}`
      : `Choose containers for ${next.firstBayName} and ${formatCount(next.count - 1, 'other place')}`,
  groups_left_out: (next) =>
    next.count === 1
      ? `Find room for ${next.firstName}, which has no container`
      : `Find room for ${next.firstName} and ${formatCount(next.count - 1, 'other group')} without a container`,
  buy: (next) => `Buy what is on the list, ${formatCount(next.lines, 'line')}`,
  anchor: (next) => `Anchor ${next.unitName} to the wall`,
  set_up: (next) => `Set the room up: ${formatCount(next.count, 'task')}`,
  take_away: (next) => `Take away what leaves: ${formatCount(next.count, 'pile')}`,
  take_after: (next) => `Photograph “after” ${fromWords(next.vantagePointName)}`,
};

export const nextStepWords = (next: NextStep): string =>
  (told[next.code] as (next: NextStep) => string)(next);

interface StepStatus {
  readonly word: string;
  readonly isMissing: boolean;
}

/** The word under a divider: what is missing in that step, or that it is done. */
export function stepStatus(step: Step, progress: RoomProgress): StepStatus {
  const gap = progress.next.find((next) => next.step === step);
  if (!gap) return { word: progress.doneSteps.includes(step) ? 'done' : '', isMissing: false };
  return gapStatus(gap);
}

/** The same over all rooms of a home. */
export function homeStepStatus(
  step: Step,
  rooms: readonly { readonly progress: RoomProgress }[],
): StepStatus {
  const { openCount, gap, isDone } = standingOf(step, rooms);
  if (gap) return gapStatus(gap);
  if (openCount > 0) return { word: `${formatCount(openCount, 'room')} open`, isMissing: false };
  return { word: isDone ? 'done' : '', isMissing: false };
}

/** What the rail says of each gap, and whether it is marked as missing. */
const gapStatuses: {
  readonly [Code in NextStep['code']]: readonly [
    word: string | ((gap: Extract<NextStep, { code: Code }>) => string),
    isMissing: boolean,
  ];
} = {
  add_unit: ['to measure', false],
  add_vantage_point: ['no pictures', true],
  take_before: ['no “before”', true],
  measure_again: ['measure again', true],
  measure_usual: [(gap) => `${gap.count} to measure`, true],
  measure_walls: ['no plan', false],
  set_room_budget: ['no budget', true],
  make_sections: ['no sections', false],
  get_agreement: ['not agreed', false],
  start_sorting: ['not begun', false],
  ask_client: [(gap) => `${gap.count} to ask`, true],
  decide_later: [(gap) => `${gap.count} for later`, false],
  place_groups: [(gap) => `${gap.count} unplaced`, true],
  fit_bays: [(gap) => `${gap.count} open`, false],
  groups_left_out: [(gap) => `${gap.count} left out`, true],
  buy: [(gap) => `${gap.lines} to buy`, false],
  anchor: ['not anchored', true],
  set_up: [(gap) => `${gap.count} to do`, false],
  take_away: [(gap) => `${gap.count} to leave`, false],
  take_after: ['no “after”', false],
};

function gapStatus(gap: NextStep): StepStatus {
  const [word, isMissing] = gapStatuses[gap.code];
  return { word: typeof word === 'string' ? word : word(gap as never), isMissing };
}

/** "ready by 12 Dec · 18 days", counted from today. */
export function readyWords(
  { readyBy, status }: Pick<Project, 'readyBy' | 'status'>,
  today = new Date(),
): string {
  if (status === 'finished') return 'finished';
  if (readyBy === null) return 'no date set';
  const days = differenceInCalendarDays(parseISO(readyBy), today);
  return `ready by ${formatDate(parseISO(readyBy), 'd MMM')} · ${daysLeftWords(days)}`;
}

function daysLeftWords(days: number): string {
  if (days > 1) return `${days} days`;
  if (days === 1) return 'tomorrow';
  return days === 0 ? 'today' : `${formatCount(-days, 'day')} over`;
}
