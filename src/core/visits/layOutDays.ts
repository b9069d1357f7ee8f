import { handsShareOf } from '../agree';
import { daysBetween } from '../shared';
import { type HomesQuestion, type PlannedHome, type Worker } from './homesModel';
import { isSamePerson } from './visitTime';

/** So far ahead days are looked at; a home takes weeks, not years. */
export const MOST_DAYS = 370;
/** A visit shorter than this is not worth the way, unless nothing more is left. */
const LEAST_VISIT_MINUTES = 60;
/** A section is begun where so much of it gets done, and gone on with from so little. */
const LEAST_BEGUN_MINUTES = 60;
const LEAST_GONE_ON_MINUTES = 30;
/** What is moved later in the day ends in the evening. */
const EVENING = 20 * 60;
/** Somebody whose hours nobody has said is in homes for so long a day at most. */
const USUAL_DAY_MINUTES = 8 * 60;
const STEP_MINUTES = 15;
const MINUTES_A_DAY = 1440;
const EPSILON = 1e-6;

/** A question in numbers: days from today, people by index. */
export interface DaysFacts {
  readonly homes: readonly HomeFacts[];
  readonly people: readonly PersonFacts[];
  /** Of the Monday on or before today; weeks are counted from it. */
  readonly weekOffset: number;
  readonly kept: readonly Busy[];
}
interface HomeFacts {
  readonly home: PlannedHome;
  readonly people: readonly number[];
  readonly away: ReadonlySet<number>;
  readonly readyDay: number | undefined;
  readonly jobs: readonly JobFacts[];
}
interface JobFacts {
  readonly notBefore: number;
  readonly after: readonly { readonly job: number; readonly lagMinutes: number }[];
}
interface PersonFacts {
  readonly worker: Worker | undefined;
  readonly away: ReadonlySet<number>;
}
interface Busy {
  readonly home: number;
  readonly day: number;
  readonly from: number;
  readonly to: number;
  readonly people: readonly number[];
  readonly travel: number;
}

/** What one layout does differently from taking each day as it comes. */
export interface Policy {
  /** Days by which a home is taken for more urgent than it is. */
  readonly urgency: readonly number[];
  /** `home day`: not then; `home day person`: without that helper. */
  readonly left: ReadonlySet<string>;
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

const weekdayOf = (facts: DaysFacts, day: number): number => ((facts.weekOffset + day) % 7) + 1;
const weekOf = (facts: DaysFacts, day: number): number => Math.floor((facts.weekOffset + day) / 7);

export function toDaysFacts({ today, homes, workers, kept }: HomesQuestion): DaysFacts {
  const names: string[] = [];
  const personOf = (name: string): number => {
    const known = names.findIndex((each) => isSamePerson(each, name));
    return known >= 0 ? known : names.push(name) - 1;
  };
  const dayOf = (day: string) => daysBetween(today, day);
  const homeFacts = homes.map((home): HomeFacts => ({
    home,
    people: home.people.map(personOf),
    away: new Set(home.awayDays.map(dayOf)),
    readyDay: home.readyBy === null ? undefined : dayOf(home.readyBy),
    jobs: home.jobs.map(({ notBefore, after }) => ({
      notBefore: notBefore === null ? 0 : dayOf(notBefore),
      after: after.flatMap(({ jobId, lagHours }) => {
        const job = home.jobs.findIndex(({ id }) => id === jobId);
        return job < 0 ? [] : [{ job, lagMinutes: lagHours * 60 }];
      }),
    })),
  }));
  const keptFacts = kept.map((visit): Busy => {
    const home = homes.findIndex(({ id }) => id === visit.homeId);
    return {
      home,
      day: dayOf(visit.day),
      from: visit.fromMinute,
      to: visit.toMinute,
      people: visit.people.map(personOf),
      travel: homes[home]?.travelMinutes ?? 0,
    };
  });
  return {
    homes: homeFacts,
    kept: keptFacts,
    people: names.map((name): PersonFacts => {
      const worker = workers.find((each) => isSamePerson(each.name, name));
      return { worker, away: new Set((worker?.awayDays ?? []).map(dayOf)) };
    }),
    weekOffset: ((daysBetween('2024-01-01', today) % 7) + 7) % 7,
  };
}

/** What of each week and day is taken, while a plan is laid out. */
export class Diary {
  readonly #busy = new Map<number, Busy[]>();
  readonly #visits = new Map<string, number>();
  readonly #worked = new Map<string, number>();

  constructor(readonly facts: DaysFacts) {
    for (const visit of facts.kept) this.add(visit);
  }

  add(visit: Busy): void {
    const { day, home } = visit;
    const week = weekOf(this.facts, day);
    // Two visits to a home on one day are one day of its week.
    if (!this.isVisited(home, day)) raise(this.#visits, `${home} ${week}`, 1);
    for (const person of visit.people)
      raise(this.#worked, `${person} ${week}`, visit.to - visit.from);
    const list = this.#busy.get(day);
    if (list) list.push(visit);
    else this.#busy.set(day, [visit]);
  }

  isVisited = (home: number, day: number): boolean =>
    (this.#busy.get(day) ?? []).some((visit) => visit.home === home);

  visitsOf = (home: number, day: number): number =>
    this.#visits.get(`${home} ${weekOf(this.facts, day)}`) ?? 0;

  busyOf = (person: number, day: number): Busy[] =>
    (this.#busy.get(day) ?? []).filter(({ people }) => people.includes(person));

  /** Minutes that somebody still works on a day, as their week and their day have it. */
  leftOf(person: number, day: number): number {
    const worker = this.facts.people[person]?.worker;
    if (!worker) {
      const today = this.busyOf(person, day);
      return USUAL_DAY_MINUTES - today.reduce((sum, { from, to }) => sum + to - from, 0);
    }
    if (worker.weekMinutes === null) return Infinity;
    return worker.weekMinutes - (this.#worked.get(`${person} ${weekOf(this.facts, day)}`) ?? 0);
  }
}
const raise = (map: Map<string, number>, key: string, by: number) =>
  map.set(key, (map.get(key) ?? 0) + by);

/** Whether the home can be visited on a day, its week not counted. */
export const isHomeDay = (facts: DaysFacts, h: number, day: number): boolean => {
  const each = facts.homes[h]!;
  return each.home.weekdays.includes(weekdayOf(facts, day)) && !each.away.has(day);
};

/** From when until when somebody works on a day; undefined: not at all. */
function hoursOf(
  facts: DaysFacts,
  person: number,
  day: number,
): readonly [number, number] | undefined {
  const { worker, away } = facts.people[person]!;
  if (away.has(day)) return undefined;
  if (!worker) return [0, MINUTES_A_DAY];
  return worker.weekdays.includes(weekdayOf(facts, day))
    ? [worker.fromMinute, worker.toMinute]
    : undefined;
}

/**
 * The stretch of a day on which whoever leads can be in a home: the first as long as a visit, else the
 * longest that is worth the way. Travel from and to other homes is kept free.
 */
export function findStretch(
  diary: Diary,
  h: number,
  day: number,
): { readonly from: number; readonly to: number } | undefined {
  const { home, people } = diary.facts.homes[h]!;
  const lead = people[0];
  const hours =
    lead === undefined ? ([0, MINUTES_A_DAY] as const) : hoursOf(diary.facts, lead, day);
  if (!hours) return undefined;
  const busy = lead === undefined ? [] : diary.busyOf(lead, day);
  const most = Math.min(home.visitMinutes, lead === undefined ? Infinity : diary.leftOf(lead, day));
  const gapOf = (other: Busy) => Math.max(home.travelMinutes, other.travel);
  const latest = Math.min(
    hours[1],
    Math.max(EVENING, Math.min(MINUTES_A_DAY, home.fromMinute + home.visitMinutes)),
  );
  const starts = [home.fromMinute, hours[0], ...busy.map((other) => other.to + gapOf(other))]
    .filter((start) => start >= home.fromMinute && start >= hours[0])
    .sort((a, b) => a - b);
  let best: { readonly from: number; readonly to: number } | undefined;
  for (const from of starts) {
    if (
      busy.some((other) => from < other.to + gapOf(other) && from > other.from - gapOf(other) - 1)
    )
      continue;
    const end = busy.reduce(
      (least, other) => (other.from >= from ? Math.min(least, other.from - gapOf(other)) : least),
      latest,
    );
    const to = Math.min(end, from + most);
    if (to - from > (best ? best.to - best.from : 0)) best = { from, to };
    if (to - from >= home.visitMinutes) break;
  }
  return best && best.to > best.from ? best : undefined;
}

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

/** The most hands that can be there on a day, whatever else is planned. */
export const mostHandsOn = (facts: DaysFacts, h: number, day: number): number => {
  const { people } = facts.homes[h]!;
  const helpers = people.slice(1).filter((person) => hoursOf(facts, person, day)).length;
  return handsShareOf(1 + helpers);
};

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
        left: policy.left,
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
    left,
    isHardLimited,
  }: { h: number; day: number; left: ReadonlySet<string>; isHardLimited: boolean },
): LaidVisit | undefined {
  const { home, people } = diary.facts.homes[h]!;
  if (left.has(`${h} ${day}`) || diary.isVisited(h, day)) return undefined;
  if (diary.visitsOf(h, day) >= home.visitsPerWeek) return undefined;
  const stretch = findStretch(diary, h, day);
  if (!stretch) return undefined;
  const helpers = helpersFor(diary, { h, day, ...stretch }, left);
  const come = people.length === 0 ? [] : [people[0]!, ...helpers];
  const hands = handsShareOf(come.length);
  const length = stretch.to - stretch.from;
  const chosen = fillVisit(diary.facts.homes[h]!, progress, {
    start: day * MINUTES_A_DAY + stretch.from,
    length,
    hands,
    mostHard: isHardLimited ? home.mostHardMinutes : length,
  });
  const used = chosen.reduce((sum, { minutes }) => sum + minutes, 0);
  const rest = progress.left.reduce((sum, minutes) => sum + minutes, 0) - used * hands;
  if (
    used <= EPSILON ||
    (used < LEAST_VISIT_MINUTES && length < LEAST_VISIT_MINUTES && rest > EPSILON)
  )
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
  }: { start: number; length: number; hands: number; mostHard: number },
): { job: number; minutes: number }[] {
  const hard: { job: number; minutes: number }[] = [];
  const rest: { job: number; minutes: number }[] = [];
  let free = length;
  let hardFree = Math.min(mostHard, length);
  for (let job = 0; job < jobs.length && free > EPSILON; job++) {
    if (left[job]! <= EPSILON || !isReady(jobs[job]!, doneAt, start)) continue;
    const { isHard } = home.jobs[job]!;
    const most = isHard ? Math.min(free, hardFree) : free;
    const wanted = left[job]! / hands;
    const least = isHard || begun[job] ? LEAST_GONE_ON_MINUTES : LEAST_BEGUN_MINUTES;
    // Papers in equal parts: no visit for the last quarter of an hour of them.
    const part = isHard ? Math.min(most, wanted / Math.ceil(wanted / mostHard - EPSILON)) : most;
    const goesOn = part >= least ? part : 0;
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
