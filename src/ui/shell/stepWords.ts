import { differenceInCalendarDays, format, parseISO } from 'date-fns';

import type { Project } from '@/core/agree';
import { standingOf, type NextStep, type RoomProgress, type Step } from '@/core/desk';
import { assertNever, formatCount } from '@/core/shared';
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

function gapStatus(gap: NextStep): StepStatus {
  switch (gap.code) {
    case 'add_unit':
      return { word: 'to measure', isMissing: false };
    case 'add_vantage_point':
      return { word: 'no pictures', isMissing: true };
    case 'take_before':
      return { word: 'no “before”', isMissing: true };
    case 'measure_again':
      return { word: 'measure again', isMissing: true };
    case 'measure_usual':
      return { word: `${gap.count} to measure`, isMissing: true };
    case 'measure_walls':
      return { word: 'no plan', isMissing: false };
    case 'set_room_budget':
      return { word: 'no budget', isMissing: true };
    case 'make_sections':
      return { word: 'no sections', isMissing: false };
    case 'get_agreement':
      return { word: 'not agreed', isMissing: false };
    case 'start_sorting':
      return { word: 'not begun', isMissing: false };
    case 'ask_client':
      return { word: `${gap.count} to ask`, isMissing: true };
    case 'decide_later':
      return { word: `${gap.count} for later`, isMissing: false };
    case 'place_groups':
      return { word: `${gap.count} unplaced`, isMissing: true };
    case 'fit_bays':
      return { word: `${gap.count} open`, isMissing: false };
    case 'groups_left_out':
      return { word: `${gap.count} left out`, isMissing: true };
    case 'buy':
      return { word: `${gap.lines} to buy`, isMissing: false };
    case 'anchor':
      return { word: 'not anchored', isMissing: true };
    case 'set_up':
      return { word: `${gap.count} to do`, isMissing: false };
    case 'take_away':
      return { word: `${gap.count} to leave`, isMissing: false };
    case 'take_after':
      return { word: 'no “after”', isMissing: false };
    default:
      return assertNever(gap);
  }
}

/** "ready by 12 Dec · 18 days", counted from today. */
export function readyWords(
  { readyBy, status }: Pick<Project, 'readyBy' | 'status'>,
  today = new Date(),
): string {
  if (status === 'finished') return 'finished';
  if (readyBy === null) return 'no date set';
  const days = differenceInCalendarDays(parseISO(readyBy), today);
  return `ready by ${format(parseISO(readyBy), 'd MMM')} · ${daysLeftWords(days)}`;
}

function daysLeftWords(days: number): string {
  if (days > 1) return `${days} days`;
  if (days === 1) return 'tomorrow';
  return days === 0 ? 'today' : `${formatCount(-days, 'day')} over`;
}
