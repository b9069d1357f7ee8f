import { addDays, createRandom, type Clock } from '../shared';
import type { HomeOutlook, HomesAnswer, HomesQuestion, ProposedVisit } from './homesModel';
import {
  Diary,
  findStretch,
  isHomeDay,
  MOST_DAYS,
  mostHandsOn,
  toDaysFacts,
  type DaysFacts,
} from './daysFacts';
import { layOutDays, type Layout, type Policy } from './layOutDays';

const TIME_LIMIT_MS = 400;
/** A home that finds no end is later than any that does. */
const NEVER = 10_000;

/**
 * Proposes visits for what is to be done in several homes: fewest days late of all together, then the
 * earliest ends, then fewest visits. Nobody is in two homes at once, travel between them counted; each
 * works on their own days and hours; what dries or is delivered is waited for.
 * Lays days out by urgency, then tries homes more or less urgent, days left out and helpers sent
 * elsewhere. Bound: each home alone with all its people, the best days of each week first.
 */
export function planHomes(
  question: HomesQuestion,
  { clock }: { readonly clock: Clock },
): HomesAnswer {
  const began = clock();
  const facts = toDaysFacts(question);
  const least = facts.homes.map((_, h) => leastDayOf(facts, h));
  const found = searchPolicy(facts, {
    least,
    until: began + (question.timeLimitMs ?? TIME_LIMIT_MS),
    seed: question.seed ?? 1,
    clock,
  });
  const { policy, layout } = found;
  const high = layOutDays(facts, { policy, minutesOf: 'highMinutes' });
  const bound = costOfEnds(facts, least);
  const cost = costOf(facts, layout, policy);
  const dayAt = (day: number | undefined) =>
    day === undefined ? null : addDays(question.today, day);
  const nameOf = namesOf(question, facts);
  return {
    status: cost.late === bound.late && cost.ends === bound.ends ? 'optimal' : 'feasible',
    lateDays: cost.late,
    boundLateDays: bound.late,
    elapsedMs: clock() - began,
    visits: layout.visits.map((visit): ProposedVisit => {
      const { home } = facts.homes[visit.home]!;
      return {
        homeId: home.id,
        day: addDays(question.today, visit.day),
        fromMinute: visit.from,
        toMinute: visit.to,
        people: visit.people.map(nameOf),
        parts: visit.parts.map(({ job, minutes }) => ({
          sectionId: home.jobs[job]!.sectionId,
          stage: home.jobs[job]!.stage,
          minutes,
        })),
      };
    }),
    homes: facts.homes.map(({ home, readyDay }, h): HomeOutlook => {
      const end = layout.ends[h];
      const without = home.jobs.some(({ isHard }) => isHard)
        ? layOutDays(facts, {
            policy,
            minutesOf: 'likelyMinutes',
            isHardLimited: (other) => other !== h,
          }).ends[h]
        : undefined;
      return {
        homeId: home.id,
        likelyDay: home.jobs.length === 0 ? null : dayAt(end),
        highDay: home.jobs.length === 0 ? null : dayAt(high.ends[h]),
        leastDay: home.jobs.length === 0 ? null : dayAt(least[h]),
        lateDays: lateOf(readyDay, end),
        unplannedMinutes: layout.leftMinutes[h]!,
        withoutHardLimitDay:
          without !== undefined && without < (end ?? MOST_DAYS + 1) ? dayAt(without) : null,
        inOrderDay: policy.hardAhead.has(h)
          ? dayAt(
              layOutDays(facts, {
                policy: { ...policy, hardAhead: new Set() },
                minutesOf: 'likelyMinutes',
              }).ends[h],
            )
          : null,
        isNeverFree: home.jobs.length > 0 && least[h] === undefined && isNeverFree(facts, h),
      };
    }),
  };
}

const namesOf = (question: HomesQuestion, facts: DaysFacts) => {
  const names = new Map<number, string>();
  for (const { home, people } of facts.homes)
    people.forEach((person, i) => names.set(person, names.get(person) ?? home.people[i]!));
  return (person: number): string => names.get(person) ?? '';
};

const lateOf = (readyDay: number | undefined, end: number | undefined): number =>
  readyDay === undefined ? 0 : Math.max(0, (end ?? NEVER) - readyDay);

interface Cost {
  readonly late: number;
  readonly ends: number;
  readonly visits: number;
  /** Days left out, helpers sent away, papers taken before their turn: none without a gain. */
  readonly changes: number;
}
const costOfEnds = (facts: DaysFacts, ends: readonly (number | undefined)[]): Cost => ({
  late: facts.homes.reduce((sum, { readyDay }, h) => sum + lateOf(readyDay, ends[h]), 0),
  ends: ends.reduce<number>((sum, end) => sum + (end ?? NEVER), 0),
  visits: 0,
  changes: 0,
});
const costOf = (facts: DaysFacts, layout: Layout, policy: Policy): Cost => ({
  ...costOfEnds(facts, layout.ends),
  visits: layout.visits.length,
  changes: policy.left.size + policy.hardAhead.size,
});
const compare = (a: Cost, b: Cost): number =>
  a.late - b.late || a.ends - b.ends || a.visits - b.visits || a.changes - b.changes;

/**
 * The first day on which a home, all alone, can be done: of each week its best days, with as many hands
 * as can come, and no more papers and keepsakes on a day than was chosen. Undefined where the days run out.
 */
function leastDayOf(facts: DaysFacts, h: number): number | undefined {
  const { home, jobs } = facts.homes[h]!;
  const minutesOf = (list: typeof home.jobs) =>
    list.reduce((all, { likelyMinutes }) => all + likelyMinutes, 0);
  const total = minutesOf(home.jobs);
  const hardTotal = minutesOf(home.jobs.filter(({ isHard }) => isHard));
  if (total <= 0) return 0;
  const diary = new Diary(facts);
  const latest = Math.max(0, ...jobs.map(({ notBefore }) => notBefore));
  const work = new BestOfWeeks();
  const hardWork = new BestOfWeeks();
  for (let day = 1; day <= MOST_DAYS; day++) {
    if ((facts.weekOffset + day) % 7 === 0) for (const each of [work, hardWork]) each.endWeek();
    if (isHomeDay(facts, h, day) && !diary.isVisited(h, day)) {
      const stretch = findStretch(diary, h, day);
      const most = Math.max(0, home.visitsPerWeek - diary.visitsOf(h, day));
      const length = stretch ? stretch.to - stretch.from : 0;
      const hands = mostHandsOn(facts, h, day);
      work.add(length * hands, most);
      hardWork.add(Math.min(length, home.mostHardMinutes) * hands, most);
    }
    if (work.sum >= total - 1e-6 && hardWork.sum >= hardTotal - 1e-6 && day >= latest) return day;
  }
  return undefined;
}

/** The most that so many days of each week hold, while the days go by. */
class BestOfWeeks {
  #before = 0;
  #week: number[] = [];

  add(minutes: number, mostDays: number): void {
    this.#week = [...this.#week, minutes].sort((a, b) => b - a).slice(0, mostDays);
  }

  endWeek(): void {
    this.#before = this.sum;
    this.#week = [];
  }

  get sum(): number {
    return this.#week.reduce((all, each) => all + each, this.#before);
  }
}

const isNeverFree = (facts: DaysFacts, h: number): boolean => {
  const diary = new Diary(facts);
  return Array.from({ length: MOST_DAYS }, (_, i) => i + 1).every(
    (day) => !isHomeDay(facts, h, day) || findStretch(diary, h, day) === undefined,
  );
};

/** Begins with each home by its own urgency, then changes one thing at a time and keeps what is no worse. */
function searchPolicy(
  facts: DaysFacts,
  {
    least,
    until,
    seed,
    clock,
  }: {
    readonly least: readonly (number | undefined)[];
    readonly until: number;
    readonly seed: number;
    readonly clock: Clock;
  },
): { readonly policy: Policy; readonly layout: Layout } {
  const random = createRandom(seed);
  const pick = (count: number) => Math.floor(random() * count);
  const lay = (policy: Policy) => layOutDays(facts, { policy, minutesOf: 'likelyMinutes' });
  let policy: Policy = { urgency: facts.homes.map(() => 0), left: new Set(), hardAhead: new Set() };
  let layout = lay(policy);
  let cost = costOf(facts, layout, policy);
  const bound = costOfEnds(facts, least);
  const isProven = () => cost.late === bound.late && cost.ends === bound.ends;
  // Shorter than any limit: with a clock that stands still it ends all the same.
  for (let round = 0; round < 3000 && !isProven() && clock() < until; round++) {
    const next = changed(facts, { policy, layout }, pick);
    if (!next) break;
    const tried = lay(next);
    const triedCost = costOf(facts, tried, next);
    if (compare(triedCost, cost) > 0) continue;
    policy = next;
    layout = tried;
    cost = triedCost;
  }
  return { policy, layout };
}

function changed(
  facts: DaysFacts,
  { policy, layout }: { readonly policy: Policy; readonly layout: Layout },
  pick: (count: number) => number,
): Policy | undefined {
  const visit = layout.visits[pick(layout.visits.length)];
  if (!visit) return undefined;
  const kind = pick(5);
  if (kind === 4) {
    const hardAhead = new Set(policy.hardAhead);
    if (!hardAhead.delete(visit.home)) hardAhead.add(visit.home);
    return { ...policy, hardAhead };
  }
  if (kind === 0 && facts.homes.length > 1) {
    const h = pick(facts.homes.length);
    const by = [-30, -10, -3, 3, 10, 30][pick(6)]!;
    return {
      ...policy,
      urgency: policy.urgency.map((days, other) => (other === h ? days + by : days)),
    };
  }
  const left = new Set(policy.left);
  if (kind === 1 && left.size > 0) left.delete([...left][pick(left.size)]!);
  else if (kind === 2 && visit.people.length > 1)
    left.add(`${visit.home} ${visit.day} ${visit.people[1 + pick(visit.people.length - 1)]}`);
  else left.add(`${visit.home} ${visit.day}`);
  return { ...policy, left };
}
