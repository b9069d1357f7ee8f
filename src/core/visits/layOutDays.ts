import { handsShareOf } from '../agree';
import {
  Diary,
  findStretch,
  hoursOf,
  isHomeDay,
  MINUTES_A_DAY,
  MOST_DAYS,
  type Busy,
  type DaysFacts,
  type HomeFacts,
  type JobFacts,
} from './daysFacts';

/** A visit shorter than this is not worth the way, unless nothing more is left. */
const LEAST_VISIT_MINUTES = 60;
/** A section is begun where so much of it gets done, and gone on with from so little. */
const LEAST_BEGUN_MINUTES = 60;
const LEAST_GONE_ON_MINUTES = 30;
/** Ends of visits are told in quarters of an hour. */
const STEP_MINUTES = 15;
const EPSILON = 1e-6;

/** What one layout does differently from taking each day as it comes. */
export interface Policy {
  /** Days by which a home is taken for more urgent than it is. */
  readonly urgency: readonly number[];
  /** `home day`: not then; `home day person`: without that helper. */
  readonly left: ReadonlySet<string>;
  /** Homes whose papers and keepsakes begin every visit, whatever stands before them in the order. */
  readonly hardAhead: ReadonlySet<number>;
}

export interface LaidVisit extends Busy {
  readonly parts: readonly { readonly job: number; readonly minutes: number }[];
}
export interface Layout {
  readonly visits: readonly LaidVisit[];
  /** By home; undefined where work is left over. */
  readonly ends: readonly (number | undefined)[];
  readonly leftMinutes: readonly number[];
}

/** What is left of a home while it is laid out. */
interface Progress {
  readonly left: number[];
  readonly begun: boolean[];
  /** Minute since the first midnight at which each job was done. */
  readonly doneAt: (number | undefined)[];
}

/**
 * Lays visits out day by day: each day the more urgent home chooses first. Within a visit papers and
 * keepsakes come first and end in time, then the order of the work; a long section goes on another day.
 * `minutesOf` is in minutes of one pair of hands; `isHardLimited` false lets papers go on.
 */
export function layOutDays(
  facts: DaysFacts,
  {
    policy,
    minutesOf,
    isHardLimited = () => true,
  }: {
    readonly policy: Policy;
    readonly minutesOf: 'likelyMinutes' | 'highMinutes';
    readonly isHardLimited?: (h: number) => boolean;
  },
): Layout {
  const diary = new Diary(facts);
  const progress = facts.homes.map(({ home }): Progress => ({
    left: home.jobs.map((job) => job[minutesOf]),
    begun: home.jobs.map(() => false),
    doneAt: home.jobs.map((job) => (job[minutesOf] > EPSILON ? undefined : 0)),
  }));
  const visits: LaidVisit[] = [];
  const ends = facts.homes.map(({ home }): number | undefined =>
    home.jobs.some((job) => job[minutesOf] > EPSILON) ? undefined : 0,
  );
  const sumLeft = (h: number) => progress[h]!.left.reduce((sum, minutes) => sum + minutes, 0);
  const slackOf = (h: number): number => {
    const { home, readyDay } = facts.homes[h]!;
    const needed = (sumLeft(h) / home.visitMinutes) * (7 / home.visitsPerWeek);
    return (readyDay ?? MOST_DAYS) - needed - (policy.urgency[h] ?? 0);
  };
  for (let day = 1; day <= MOST_DAYS; day++) {
    const open = facts.homes
      .map((_, h) => h)
      .filter((h) => ends[h] === undefined && isHomeDay(facts, h, day));
    if (ends.every((end) => end !== undefined)) break;
    for (const h of open
      .map((home) => [slackOf(home), home] as const)
      .sort((a, b) => a[0] - b[0] || a[1] - b[1])
      .map(([, home]) => home)) {
      const visit = layOutVisit(diary, progress[h]!, {
        h,
        day,
        policy,
        isHardLimited: isHardLimited(h),
      });
      if (!visit) continue;
      diary.add(visit);
      visits.push(visit);
      if (sumLeft(h) <= EPSILON) ends[h] = day;
    }
  }
  return { visits, ends, leftMinutes: facts.homes.map((_, h) => sumLeft(h)) };
}

function layOutVisit(
  diary: Diary,
  progress: Progress,
  {
    h,
    day,
    policy,
    isHardLimited,
  }: { h: number; day: number; policy: Policy; isHardLimited: boolean },
): LaidVisit | undefined {
  const { home, people } = diary.facts.homes[h]!;
  if (policy.left.has(`${h} ${day}`) || diary.isVisited(h, day)) return undefined;
  if (diary.visitsOf(h, day) >= home.visitsPerWeek) return undefined;
  const stretch = findStretch(diary, h, day);
  if (!stretch) return undefined;
  const helpers = helpersFor(diary, { h, day, ...stretch }, policy.left);
  const come = people.length === 0 ? [] : [people[0]!, ...helpers];
  const hands = handsShareOf(come.length);
  const length = stretch.to - stretch.from;
  const chosen = fillVisit(diary.facts.homes[h]!, progress, {
    start: day * MINUTES_A_DAY + stretch.from,
    length,
    hands,
    mostHard: isHardLimited ? home.mostHardMinutes : length,
    isHardAhead: policy.hardAhead.has(h),
  });
  const used = chosen.reduce((sum, { minutes }) => sum + minutes, 0);
  const leastVisit = Math.min(LEAST_VISIT_MINUTES, home.visitMinutes);
  const rest = progress.left.reduce((sum, minutes) => sum + minutes, 0) - used * hands;
  if (used <= EPSILON || (used < leastVisit && length < leastVisit && rest > EPSILON))
    return undefined;
  const to = Math.min(
    stretch.to,
    stretch.from + Math.ceil((used - EPSILON) / STEP_MINUTES) * STEP_MINUTES,
  );
  for (const { job, minutes } of chosen) {
    const after = progress.left[job]! - minutes * hands;
    progress.left[job] = after <= EPSILON ? 0 : after;
    progress.begun[job] = true;
    if (progress.left[job] === 0) progress.doneAt[job] = day * MINUTES_A_DAY + to;
  }
  return {
    home: h,
    day,
    from: stretch.from,
    to,
    people: come,
    travel: home.travelMinutes,
    parts: chosen,
  };
}

/** What of the work goes into a visit, in the order in which it is done; minutes by the clock. */
function fillVisit(
  { home, jobs }: HomeFacts,
  { left, begun, doneAt }: Progress,
  {
    start,
    length,
    hands,
    mostHard,
    isHardAhead,
  }: { start: number; length: number; hands: number; mostHard: number; isHardAhead: boolean },
): { job: number; minutes: number }[] {
  const hard: { job: number; minutes: number }[] = [];
  const rest: { job: number; minutes: number }[] = [];
  let free = length;
  let hardFree = Math.min(mostHard, length);
  const order = jobs.map((_, job) => job);
  const isHardJob = (job: number) => home.jobs[job]!.isHard;
  for (const job of isHardAhead
    ? [...order.filter(isHardJob), ...order.filter((each) => !isHardJob(each))]
    : order) {
    if (free <= EPSILON) break;
    if (left[job]! <= EPSILON || !isReady(jobs[job]!, doneAt, start)) continue;
    const { isHard } = home.jobs[job]!;
    const most = isHard ? Math.min(free, hardFree) : free;
    const wanted = left[job]! / hands;
    // Papers in equal parts: no visit for the last quarter of an hour of them.
    const equal = isHard ? wanted / Math.ceil(wanted / mostHard - EPSILON) : home.visitMinutes;
    const least = isHard || begun[job] ? LEAST_GONE_ON_MINUTES : LEAST_BEGUN_MINUTES;
    const part = Math.min(most, equal);
    // Where less than that is all that was chosen, it is enough.
    const goesOn = part >= Math.min(least, equal) ? part : 0;
    const minutes = wanted <= most + EPSILON ? wanted : goesOn;
    if (minutes > EPSILON) {
      (isHard ? hard : rest).push({ job, minutes });
      free -= minutes;
      if (isHard) hardFree -= minutes;
    }
    // The order is the household's: what comes after a section that goes on waits with it.
    if (!isHard && minutes < wanted - EPSILON) break;
  }
  return [...hard, ...rest];
}

const isReady = (
  { notBefore, after }: JobFacts,
  doneAt: readonly (number | undefined)[],
  start: number,
): boolean =>
  start >= notBefore * MINUTES_A_DAY &&
  after.every(({ job, lagMinutes }) => {
    const done = doneAt[job];
    return done !== undefined && done + lagMinutes <= start;
  });

/** Whoever else of the home's people can come for the whole of a stretch. */
function helpersFor(
  diary: Diary,
  { h, day, from, to }: { h: number; day: number; from: number; to: number },
  left: ReadonlySet<string>,
): number[] {
  const { home, people } = diary.facts.homes[h]!;
  return people.slice(1).filter((person) => {
    if (left.has(`${h} ${day} ${person}`)) return false;
    const hours = hoursOf(diary.facts, person, day);
    if (!hours || hours[0] > from || hours[1] < to) return false;
    if (diary.leftOf(person, day) < to - from) return false;
    return diary.busyOf(person, day).every((other) => {
      const gap = Math.max(home.travelMinutes, other.travel);
      return from >= other.to + gap || to + gap <= other.from;
    });
  });
}
