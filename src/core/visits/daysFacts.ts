import { handsShareOf } from '../agree';
import { daysBetween, weekdayOf } from '../shared';
import { type HomesQuestion, type PlannedHome, type Worker } from './homesModel';
import { isSamePerson } from './visitTime';

/** So far ahead days are looked at; a home takes weeks, not years. */
export const MOST_DAYS = 370;
/** What is moved later in the day ends in the evening. */
const EVENING = 20 * 60;
/** Somebody whose hours nobody has said is in homes for so long a day at most. */
const USUAL_DAY_MINUTES = 8 * 60;
export const MINUTES_A_DAY = 1440;

/** A question in numbers: days from today, people by index. */
export interface DaysFacts {
  readonly homes: readonly HomeFacts[];
  readonly people: readonly PersonFacts[];
  /** Of the Monday on or before today; weeks are counted from it. */
  readonly weekOffset: number;
  readonly kept: readonly Busy[];
}
export interface HomeFacts {
  readonly home: PlannedHome;
  readonly people: readonly number[];
  readonly away: ReadonlySet<number>;
  readonly readyDay: number | undefined;
  readonly jobs: readonly JobFacts[];
}
export interface JobFacts {
  readonly notBefore: number;
  readonly after: readonly { readonly job: number; readonly lagMinutes: number }[];
}
interface PersonFacts {
  readonly worker: Worker | undefined;
  readonly away: ReadonlySet<number>;
}
export interface Busy {
  readonly home: number;
  readonly day: number;
  readonly from: number;
  readonly to: number;
  readonly people: readonly number[];
  readonly travel: number;
}

const weekdayAt = (facts: DaysFacts, day: number): number => ((facts.weekOffset + day) % 7) + 1;
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
    weekOffset: weekdayOf(today) - 1,
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
  return each.home.weekdays.includes(weekdayAt(facts, day)) && !each.away.has(day);
};

/** From when until when somebody works on a day; undefined: not at all. */
export function hoursOf(
  facts: DaysFacts,
  person: number,
  day: number,
): readonly [number, number] | undefined {
  const { worker, away } = facts.people[person]!;
  if (away.has(day)) return undefined;
  if (!worker) return [0, MINUTES_A_DAY];
  return worker.weekdays.includes(weekdayAt(facts, day))
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

/** The most hands that can be there on a day, whatever else is planned. */
export const mostHandsOn = (facts: DaysFacts, h: number, day: number): number => {
  const { people } = facts.homes[h]!;
  const helpers = people.slice(1).filter((person) => hoursOf(facts, person, day)).length;
  return handsShareOf(1 + helpers);
};
