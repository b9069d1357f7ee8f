import { addDays, daysBetween, type Clock } from '../shared';
import { planSchedule } from './planSchedule';
import { scheduleRequestSchema, type ScheduleReason } from './scheduleModel';

/** A section of the work that is still to be done. */
export interface OpenSection {
  readonly id: string;
  readonly likelyMinutes: number;
  readonly highMinutes: number;
}
/** Days in the order of the calendar: when work can be done, in minutes of the day. */
export interface OpenDay {
  readonly day: string;
  readonly fromMinute: number;
  readonly toMinute: number;
}
export interface DaysQuestion {
  readonly today: string;
  /** In the order of the work. */
  readonly sections: readonly OpenSection[];
  readonly days: readonly OpenDay[];
  readonly visitsPerWeek: number;
  /** Days of visits that stay as they are: they count against the week. */
  readonly keptDays: readonly string[];
}
export interface ProposedVisit {
  readonly day: string;
  readonly fromMinute: number;
  readonly toMinute: number;
  readonly sectionIds: readonly string[];
}
export interface DaysAnswer {
  readonly status: 'optimal' | 'feasible' | 'infeasible' | 'unknown';
  readonly visits: readonly ProposedVisit[];
  /** The last day, as likely and as four fifths of cases have it; undefined where the days run out. */
  readonly likelyDay: string | undefined;
  readonly highDay: string | undefined;
  readonly reasons: readonly ScheduleReason[];
}

const MINUTES_A_DAY = 1440;
/** A section is left off and gone on with in parts no shorter than this. */
const LEAST_PART_MINUTES = 30;
/** Ends of visits are told in quarters of an hour. */
const STEP_MINUTES = 15;
const TIME_LIMIT_MS = 400;

/**
 * Proposes visits for what is to be done, as early as the days allow: sections in the order of the
 * work, one that is longer than a visit in parts, no more visits a week than agreed.
 * Uses `schedule` with the parts as tasks and the days as windows; all who come work on one thing.
 * Ensures: no visit outside a day that is open; the parts of a section add up to its minutes.
 */
export function proposeDays(
  question: DaysQuestion,
  { clock }: { readonly clock: Clock },
): DaysAnswer {
  const days = daysOfWeeks(question);
  const likely = layOut(question, { days, minutesOf: ({ likelyMinutes }) => likelyMinutes, clock });
  const high = layOut(question, { days, minutesOf: ({ highMinutes }) => highMinutes, clock });
  return {
    status: likely.status,
    visits: likely.visits,
    likelyDay: likely.visits.at(-1)?.day,
    highDay: high.visits.at(-1)?.day,
    reasons: likely.reasons,
  };
}

/** The first days of each week, as many as are left of its visits. */
function daysOfWeeks({ days, visitsPerWeek, keptDays }: DaysQuestion): OpenDay[] {
  const used = new Map<string, number>();
  const count = (week: string) => used.set(week, (used.get(week) ?? 0) + 1);
  for (const day of new Set(keptDays)) count(mondayOf(day));
  return days.filter(({ day }) => {
    const week = mondayOf(day);
    if ((used.get(week) ?? 0) >= visitsPerWeek) return false;
    count(week);
    return true;
  });
}

/** The Monday on or before a day; 2024-01-01 was one. */
function mondayOf(day: string): string {
  const back = ((daysBetween('2024-01-01', day) % 7) + 7) % 7;
  return addDays(day, -back);
}

function layOut(
  { today, sections }: DaysQuestion,
  {
    days,
    minutesOf,
    clock,
  }: {
    readonly days: readonly OpenDay[];
    readonly minutesOf: (section: OpenSection) => number;
    readonly clock: Clock;
  },
): Pick<DaysAnswer, 'status' | 'visits' | 'reasons'> {
  const longest = Math.max(0, ...days.map(({ fromMinute, toMinute }) => toMinute - fromMinute));
  const parts = sections.flatMap((section) =>
    partsOf(minutesOf(section), longest).map((minutes, k) => ({
      id: `${section.id} ${k}`,
      sectionId: section.id,
      minutes,
    })),
  );
  if (parts.length === 0) return { status: 'optimal', visits: [], reasons: [] };
  const startOf = (day: OpenDay) => daysBetween(today, day.day) * MINUTES_A_DAY;
  const answer = planSchedule(
    scheduleRequestSchema.parse({
      // The order is the household's: what comes later waits for what comes before.
      tasks: parts.map(({ id, minutes }, i) => {
        const before = parts[i - 1];
        return { id, minutes, after: before ? [{ task: before.id }] : [] };
      }),
      crew: [{ id: 'crew' }],
      windows: days.map((day) => ({
        start: startOf(day) + day.fromMinute,
        end: startOf(day) + day.toMinute,
      })),
      timeLimitMs: TIME_LIMIT_MS,
    }),
    { clock },
  );
  const visits = days.flatMap((day): ProposedVisit[] => {
    const here = answer.starts.flatMap(({ taskId, start }) => {
      const part = parts.find(({ id }) => id === taskId);
      const at = start - startOf(day);
      return part && at >= day.fromMinute && at < day.toMinute ? [{ ...part, at }] : [];
    });
    const end = Math.max(0, ...here.map(({ at, minutes }) => at + minutes));
    return here.length === 0
      ? []
      : [
          {
            day: day.day,
            fromMinute: day.fromMinute,
            toMinute: Math.min(day.toMinute, Math.ceil(end / STEP_MINUTES) * STEP_MINUTES),
            sectionIds: [...new Set(here.map(({ sectionId }) => sectionId))],
          },
        ];
  });
  return { status: answer.status, visits, reasons: answer.reasons };
}

/** A section in parts: whole where it goes into a visit; else halves of an hour that fill visits. */
function partsOf(minutes: number, longest: number): number[] {
  const whole = Math.max(1, Math.round(minutes));
  if (whole <= longest || longest < LEAST_PART_MINUTES) return [whole];
  const count = Math.ceil(whole / LEAST_PART_MINUTES);
  return Array.from(
    { length: count },
    (_, k) => Math.floor((whole * (k + 1)) / count) - Math.floor((whole * k) / count),
  );
}
