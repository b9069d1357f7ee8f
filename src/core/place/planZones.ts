import { checkFigures, createRandom, type Clock, type Random, type Solver } from '../shared';
import { boundByBays, rewardsOf } from './boundByBays';
import { boundByColumns } from './boundByColumns';
import { boundZones, leanPairs } from './boundZones';
import { exchangeZones } from './exchangeZones';
import { explainZones, findZoneFaults, totalsOfZones } from './explainZones';
import { findCrowd, nameClash } from './nameClash';
import { solveZonesCore } from './solveZonesCore';
import { standGreedily, standZones } from './standZones';
import { costOfZones, createZonesProblem, type ZonesProblem } from './zonesProblem';
import type { ZonesAnswer, ZonesReason } from './zonesAnswer';
import type { ZonesRequest } from './zonesModel';

/** What is known while it still runs. */
export interface ZonesProgress {
  readonly objective: number;
  readonly bound: number;
  readonly assignment: ZonesAnswer['assignment'];
}
interface ZonesMeans {
  readonly solver: Solver;
  readonly clock: Clock;
  /** Told of each better arrangement and each better bound. */
  readonly onProgress?: (progress: ZonesProgress) => void;
}

const RELATIVE_GAP = 1e-6;
/**
 * Anything is looked for until so much of the time is gone, then the exact model is asked whether there is any for a
 * share of what is left; the first turns only where the home is small.
 */
const TURNS = [
  { standUntil: 0.08, exactShare: 0.09, isForSmall: true },
  { standUntil: 0.32, exactShare: 0.15, isForSmall: true },
  { standUntil: 0.6, exactShare: 0.6, isForSmall: false },
] as const;
/** So many pairs of group and bay are given to the exact model before it is looked for long. */
const SMALL_HOME = 3000;
/** Prices are bettered until so much of the time is gone. */
const PRICES_UNTIL = 0.55;
/** The first searches end there; the steps of one at most, and how hot it begins: from anything, near, again. */
const SEARCH_UNTIL_WITH_PAIRS = [0.38, 0.48] as const;
const MOST_STEPS = 2_000_000;
const HEAT = { first: 2, near: 0.1, again: 0.4 } as const;
/** Where pairs keep the exact model from ending, what is known is bettered again until then. */
const AGAIN_UNTIL = [0.95] as const;
/** What bounds point to is made to keep the rules in so many steps, and in so much of the search's time. */
const MOST_REPAIR_STEPS = 3000;
const REPAIR_SHARE = 0.3;
/** The solver comes back so much later than it is told to: more with the flows of pairs, which make its models large. */
const SOLVER_LATE_MS = { least: 8, aFlow: 0.015, most: 140 } as const;
/** The exact model is not begun with less time than this for each pair of group and bay. */
const EXACT_LEAST_MS_A_PAIR = 0.05;
/**
 * So many pairs of group and bay are given to the exact model at once; with more, parts of the home
 * are mended first.
 */
const EXACT_FROM = 1200;
/** So few are given to it before any rewards are tried. */
const EXACT_AT_ONCE = 400;
/** Bays and groups of a part that is worked through exactly, and the most such parts. */
const PART = { bays: 12, groups: 18, mostMs: 250 } as const;
/** The same where contents of bays are the columns. */
const PART_BY_CONTENTS = { bays: 14, groups: 22 } as const;
const MOST_PARTS = 600;
/** Rounds of rewards at most; two that raise nothing end them. */
const MOST_ROUNDS = 12;
/** Steps of rewards before the model of contents, and how many of them it begins with. */
const MEETING_STEPS = 100;
const MET_STEPS = 30;
/** Below so many ms for each pair of group and bay the time does not reach for the model of contents: searching counts. */
const HURRIED_MS_A_PAIR = 0.1;
/**
 * Without pairs, the shares of the time until which the first search goes on, rewards are bettered and the bound of
 * the model of contents is raised, and for how much of it what the model points to, and what a dive comes to, is
 * bettered.
 */
const SHARES = {
  hurried: { searchUntil: 0.2, meetUntil: 0.3, climbUntil: 0.5, first: 1, dive: 1 },
  calm: { searchUntil: 0.1, meetUntil: 0.2, climbUntil: 0.65, first: 0.02, dive: 0.03 },
} as const;
/** Arrangements are looked for in that model until then. */
const COLUMNS_UNTIL = 0.95;

/**
 * Assigns groups to bays at the least seconds a week: (1) anything that keeps the rules is found (`standZones`) and
 * bettered without leaving them (`exchangeZones`); (2) prices on room and rewards for
 * groups bound it from below, point to better ones, and tell which bays cannot hold a group in any
 * better one; (3) without pairs
 * a model of what bays may hold bounds it best and leads to better ones, with pairs annealing goes on;
 * (4) the exact model decides among what is left.
 * Ensures: no hard rule of docs/engines.md is broken; `bound` is proven. Deterministic unless the
 * time limit cuts it.
 */
export function planZones(request: ZonesRequest, means: ZonesMeans): ZonesAnswer {
  const startMs = means.clock();
  const faults = findZoneFaults(request);
  if (faults.length > 0) return createEmpty('infeasible', faults, means.clock() - startMs);
  const run = new ZonesRun(request, means, startMs);
  const crowd = findCrowd(request, run.problem);
  if (crowd) return createEmpty('infeasible', [crowd], means.clock() - startMs);
  const outcome = run.solve();
  const elapsedMs = means.clock() - startMs;
  if (outcome === 'impossible') {
    const reason = nameClash(request, { solver: means.solver, leftMs: () => run.leftMs() });
    return createEmpty('infeasible', [reason], means.clock() - startMs);
  }
  if (outcome === 'unknown' || !run.bayOf)
    return { ...createEmpty('unknown', [timeRanOut], elapsedMs), bound: run.bound };
  const isOptimal = run.isClosed();
  checkFigures({ objective: run.best, bound: run.bound });
  return {
    status: isOptimal ? 'optimal' : 'feasible',
    objective: run.best,
    bound: isOptimal ? run.best : run.bound,
    elapsedMs,
    assignment: run.toAssignment(),
    ...totalsOfZones(request, run.bayOf),
    why: explainZones(request, run.problem, run.bayOf),
    reasons: [],
  };
}

/**
 * One run with what it knows so far: the best arrangement, the bound, and the bays still open to
 * each group.
 */
class ZonesRun {
  readonly problem: ZonesProblem;
  bayOf: Int32Array | undefined;
  best = Infinity;
  bound = 0;
  /** Bound on what goes through each pair, the better of all that were worked out. */
  private readonly through: Float64Array;
  private readonly random: Random;
  private readonly shares: (typeof SHARES)['hurried' | 'calm'];

  constructor(
    private readonly request: ZonesRequest,
    private readonly means: ZonesMeans,
    private readonly startMs: number,
  ) {
    this.problem = createZonesProblem(request);
    this.through = new Float64Array(this.problem.groupCount * this.problem.bayCount).fill(
      -Infinity,
    );
    this.random = createRandom(request.seed);
    const leastMs = HURRIED_MS_A_PAIR * this.problem.groupCount * this.problem.bayCount;
    this.shares = SHARES[request.timeLimitMs < leastMs ? 'hurried' : 'calm'];
  }

  solve(): 'found' | 'impossible' | 'unknown' {
    if (this.problem.groupCount === 0) {
      this.take(new Int32Array(0), 0);
      return 'found';
    }
    const outcome = this.findAny();
    if (outcome !== 'found') return outcome;
    const hasPairs = this.problem.pairs.length > 0;
    const searches = hasPairs ? SEARCH_UNTIL_WITH_PAIRS : [this.shares.searchUntil];
    for (const [i, untilShare] of searches.entries())
      this.search(untilShare, undefined, i === 0 ? HEAT.first : HEAT.again);
    const priced = this.boundByPrices();
    if (!this.isClosed()) {
      if (this.problem.pairs.length === 0) this.boundByContents(priced);
      else this.boundByRewards(priced);
    }
    if (!this.isClosed() && this.countLeft() > EXACT_FROM) {
      // Parts say little of pairs that go from one to the other.
      if (hasPairs)
        for (const untilShare of AGAIN_UNTIL) this.search(untilShare, undefined, HEAT.again);
      else this.mendParts();
    }
    return this.decide();
  }

  toAssignment(): ZonesAnswer['assignment'] {
    return this.request.groups.map(({ id }, g) => ({
      groupId: id,
      bayId: this.request.bays[this.bayOf?.[g] ?? 0]?.id ?? '',
    }));
  }

  isClosed(): boolean {
    return (
      Number.isFinite(this.best) &&
      this.best - this.bound <= RELATIVE_GAP * Math.max(1, Math.abs(this.best)) * 0.5
    );
  }

  private spentShare(): number {
    return (this.means.clock() - this.startMs) / Math.max(1, this.request.timeLimitMs);
  }

  /** Asked anew: what `take` was given meanwhile counts. */
  private hasFound(): boolean {
    return this.bayOf !== undefined;
  }

  private take(found: Int32Array | undefined, cost: number): void {
    if (!found || cost >= this.best - 1e-9) return;
    this.bayOf = Int32Array.from(found);
    this.best = cost;
    this.tell();
  }

  private raise(bound: number): void {
    if (bound <= this.bound) return;
    this.bound = Math.min(bound, this.best);
    this.tell();
  }

  private tell(): void {
    if (this.bayOf)
      this.means.onProgress?.({
        objective: this.best,
        bound: this.bound,
        assignment: this.toAssignment(),
      });
  }

  /** Anything that keeps the rules, where what is put down greedily does not. */
  private standFirst(untilShare: number): void {
    const { problem } = this;
    const found = standZones(problem, {
      random: this.random,
      from: standGreedily(problem),
      isOver: () => this.spentShare() > untilShare,
    });
    if (found) this.take(found, costOfZones(problem, found));
  }

  /**
   * Betters what is known, or what `from` becomes where it is made to keep the rules; until so much of the time is
   * gone, in as many steps as the home is large.
   */
  private search(
    untilShare: number,
    from?: Int32Array,
    heat: number = from ? HEAT.near : HEAT.first,
  ): void {
    const { problem, random } = this;
    const { groupCount, bayCount, pairs } = problem;
    const begunAt = this.spentShare();
    const spent = () => (this.spentShare() - begunAt) / Math.max(1e-9, untilShare - begunAt);
    const stood =
      from &&
      standZones(problem, {
        ...{ random, from, mostSteps: MOST_REPAIR_STEPS },
        isOver: () => spent() > REPAIR_SHARE,
      });
    const start = stood ?? this.bayOf;
    if (!start) return;
    if (stood) this.take(stood, costOfZones(problem, stood));
    const size = groupCount * bayCount;
    const steps =
      12_000 + 400 * groupCount + size * (20 + 10 * pairs.length) + 12_000 * pairs.length;
    exchangeZones(problem, {
      ...{ random, spent, from: start },
      lists: from ? this.leftLists(true) : problem.allowed,
      steps: Math.min(MOST_STEPS, steps),
      heat,
      onBetter: (bayOf, cost) => this.take(bayOf, cost),
    });
  }

  private boundByPrices(): Float64Array {
    const { bound, through, priced } = boundZones(this.problem, {
      best: this.best,
      bayOf: this.bayOf,
      steps: this.problem.pairs.length > 0 ? 250 : 150,
      isOver: () => this.spentShare() > PRICES_UNTIL,
    });
    this.raise(bound);
    this.tighten(through);
    return priced;
  }

  /**
   * Rewards bound far better where bays hold few groups; what the bays choose is the start of
   * another search, and so again.
   */
  private boundByRewards(priced: Float64Array): void {
    const { problem } = this;
    let rewards = rewardsOf(problem, priced);
    let [stalled, steps] = [0, 100];
    for (let round = 0; round < MOST_ROUNDS && stalled < 2; round += 1) {
      const untilShare = round === 0 ? 0.5 : 0.65;
      // What is left is soon few enough for the exact model; only large homes go on.
      if (
        this.spentShare() > untilShare ||
        this.countLeft() <= (round >= 2 ? EXACT_FROM : EXACT_AT_ONCE)
      )
        return;
      const before = this.bound;
      const cost = Float64Array.from(problem.cost);
      if (this.bayOf) leanPairs(problem, problem.pairs, this.bayOf, cost);
      if (problem.pairs.length > 0) rewards = rewardsOf(problem, priced);
      const bounded = boundByBays(problem, {
        best: this.best,
        steps,
        isOver: () => this.spentShare() > untilShare,
        rewards,
        cost,
        open: this.leftLists(false).map((list) => [...list]),
      });
      this.raise(bounded.bound);
      this.tighten(bounded.through);
      rewards = bounded.rewards;
      if (this.isClosed()) return;
      const lists = this.leftLists(true);
      const from = Int32Array.from(bounded.chosen, (b, g) =>
        b >= 0 ? b : (lists[g]?.[0] ?? problem.allowed[g]?.[0] ?? 0),
      );
      this.search(untilShare + 0.1, problem.pairs.length > 0 ? this.bayOf : from);
      if (this.isClosed()) return;
      stalled = round > 0 && this.bound - before <= 1e-5 * Math.abs(this.bound) ? stalled + 1 : 0;
      steps = 150;
    }
  }

  /**
   * Without pairs the contents of bays are columns of a model: its bound is the tightest, and
   * diving in it finds good arrangements.
   */
  private boundByContents(priced: Float64Array): void {
    const { problem } = this;
    const { cost } = problem;
    const met: (readonly [number, readonly number[]])[] = [];
    const bounded = boundByBays(problem, {
      best: this.best,
      steps: MEETING_STEPS,
      isOver: () => this.spentShare() > this.shares.meetUntil,
      rewards: rewardsOf(problem, priced),
      cost,
      open: this.openLists(),
      onChoice: (b, groups) => met.push([b, groups]),
    });
    this.raise(bounded.bound);
    this.tighten(bounded.through);
    const { bayOf: known } = this;
    if (!known || this.isClosed() || this.countLeft() <= EXACT_FROM / 4) return;
    boundByColumns(problem, {
      solver: this.means.solver,
      random: this.random,
      bayOf: known,
      rewards: bounded.rewards,
      met: met.slice(-MET_STEPS * problem.bayCount),
      open: this.openLists(),
      leftMs: () => this.request.timeLimitMs * (COLUMNS_UNTIL - this.spentShare()),
      climbLeftMs: () => this.request.timeLimitMs * (this.shares.climbUntil - this.spentShare()),
      onBound: (bound, rewards, mostly) => {
        this.raise(bound);
        this.tighten(
          boundByBays(problem, {
            best: this.best,
            steps: 1,
            isOver: () => false,
            rewards,
            cost,
            open: this.openLists(),
          }).through,
        );
        this.search(this.untilAfter(this.shares.first), mostly);
        return this.bayOf ?? known;
      },
      mend: (bayOf) => {
        this.search(this.untilAfter(this.shares.dive), bayOf);
        return this.bayOf ?? known;
      },
      onProof: (bound) => this.raise(bound),
      onBetter: (bayOf, found) => this.take(bayOf, found),
      // What is left is then for the exact model.
      isDone: () => this.isClosed() || this.countLeft() <= EXACT_FROM,
      pickBays: (bayOf) => this.pickBays(this.leftLists(true), bayOf, PART_BY_CONTENTS),
    });
  }

  private untilAfter(share: number): number {
    return Math.min(COLUMNS_UNTIL, this.spentShare() + share);
  }

  private openLists(): number[][] {
    return this.leftLists(false).map((list) => [...list]);
  }

  private tighten(through: Float64Array): void {
    for (let k = 0; k < through.length; k += 1)
      this.through[k] = Math.max(this.through[k] ?? -Infinity, through[k] ?? -Infinity);
  }

  /**
   * Bays in which a group may stand in an arrangement that is better than the best known; the most
   * promising first where asked.
   */
  private leftLists(isSorted: boolean): Int32Array[] {
    const { allowed, bayCount } = this.problem;
    const most = this.best + 1e-7 * Math.max(1, Math.abs(this.best));
    return allowed.map((list, g) => {
      const left = list.filter((b) => this.through[g * bayCount + b]! <= most);
      return isSorted
        ? left.sort(
            (a, b) => this.through[g * bayCount + a]! - this.through[g * bayCount + b]! || a - b,
          )
        : left;
    });
  }

  private countLeft(): number {
    return this.leftLists(false).reduce((sum, list) => sum + list.length, 0);
  }

  /**
   * Takes some bays that want each other's groups, and arranges what stands in them anew, exactly;
   * the rest stays.
   */
  private mendParts(): void {
    const { problem } = this;
    const { groupCount } = problem;
    for (
      let part = 0;
      part < MOST_PARTS && this.bayOf && this.spentShare() < 0.85 && !this.isClosed();
      part += 1
    ) {
      const lists = this.leftLists(true);
      const bayOf = this.bayOf;
      const bays = this.pickBays(lists, bayOf);
      const left = Array.from({ length: groupCount }, (_, g) =>
        bays.has(bayOf[g]!) ? [...(lists[g] ?? [])].filter((b) => bays.has(b)) : [bayOf[g]!],
      );
      for (let g = 0; g < groupCount; g += 1)
        if (!left[g]?.includes(bayOf[g]!)) left[g]?.push(bayOf[g]!);
      const outcome = solveZonesCore(problem, {
        solver: this.means.solver,
        leftMs: () => Math.min(PART.mostMs, this.request.timeLimitMs * (0.95 - this.spentShare())),
        seed: this.request.seed,
        left,
      });
      if (outcome.code === 'solved' && outcome.bayOf)
        this.take(outcome.bayOf, costOfZones(problem, outcome.bayOf));
    }
  }

  /**
   * A group that stands far from where it would like to, the bays it would like, and so on from the
   * groups in those.
   */
  private pickBays(
    lists: readonly Int32Array[],
    bayOf: Int32Array,
    part: { readonly bays: number; readonly groups: number } = PART,
  ): ReadonlySet<number> {
    const { groupCount, bayCount } = this.problem;
    const regret = (g: number) =>
      this.through[g * bayCount + bayOf[g]!]! - this.through[g * bayCount + (lists[g]?.[0] ?? 0)]!;
    let seed = Math.floor(this.random() * groupCount);
    for (let i = 0; i < 2; i += 1) {
      const other = Math.floor(this.random() * groupCount);
      if (regret(other) > regret(seed)) seed = other;
    }
    const bays = new Set<number>();
    const queue: number[] = [];
    const open = (b: number) => {
      if (bays.has(b)) return;
      bays.add(b);
      for (let h = 0; h < groupCount; h += 1) if (bayOf[h] === b) queue.push(h);
    };
    const isFull = () => bays.size >= part.bays || queue.length >= part.groups;
    open(bayOf[seed]!);
    for (let at = 0; at < queue.length && !isFull(); at += 1) {
      const g = queue[at]!;
      for (const b of [...(lists[g] ?? [])].slice(0, 5)) {
        if (isFull()) break;
        if (this.random() >= 0.25) open(b);
      }
      // A part whose groups are content with their bays takes in another corner of the home.
      if (at === queue.length - 1 && !isFull())
        open(bayOf[Math.floor(this.random() * groupCount)]!);
    }
    return bays;
  }

  /** The exact model over what is left; without an arrangement, whether there is any. */
  private decide(): 'found' | 'impossible' | 'unknown' {
    const { problem } = this;
    if (this.isClosed()) return 'found';
    // Too little time to work through so much: what was found stands.
    const leftMs = this.leftMs();
    const isLarge = this.countLeft() > EXACT_FROM;
    if (leftMs < this.exactLeastMs() || (isLarge && leftMs < this.request.timeLimitMs * 0.1))
      return 'found';
    const outcome = solveZonesCore(problem, {
      solver: this.means.solver,
      leftMs: () => this.leftMs() - this.solverLateMs(),
      seed: this.request.seed,
      left: this.openLists(),
    });
    // Among what could be better there is nothing: what was found is the best.
    if (outcome.code === 'impossible') this.raise(this.best);
    else if (outcome.code === 'solved') {
      if (outcome.bayOf) this.take(outcome.bayOf, costOfZones(problem, outcome.bayOf));
      this.raise(outcome.bound);
    }
    return 'found';
  }

  /**
   * Whether there is any arrangement at all: by looking, then by the exact model where the home is small, then in turns
   * until the time is gone.
   */
  private findAny(): 'found' | 'impossible' | 'unknown' {
    const isSmall = this.countLeft() <= SMALL_HOME;
    for (const { standUntil, exactShare, isForSmall } of TURNS) {
      if (isForSmall && !isSmall) continue;
      this.standFirst(standUntil);
      if (this.hasFound()) return 'found';
      if (this.isImpossible(exactShare)) return 'impossible';
      if (this.hasFound()) return 'found';
    }
    this.standFirst(1);
    return this.hasFound() ? 'found' : 'unknown';
  }

  /** Asks the exact model for any arrangement, in a share of what is left; whether there is proven to be none. */
  private isImpossible(share: number): boolean {
    const { problem } = this;
    if (this.leftMs() * share >= this.exactLeastMs()) {
      const any = solveZonesCore(problem, {
        solver: this.means.solver,
        leftMs: () => this.leftMs() * share,
        seed: this.request.seed,
        left: problem.allowed.map((list) => [...list]),
        anyWill: true,
      });
      if (any.code === 'impossible') return true;
      if (any.code === 'solved' && any.bayOf) this.take(any.bayOf, costOfZones(problem, any.bayOf));
    }
    return false;
  }

  leftMs(): number {
    return this.request.timeLimitMs - (this.means.clock() - this.startMs);
  }

  private solverLateMs(): number {
    const lists = this.leftLists(false);
    const flows = this.problem.pairs.reduce(
      (sum, { a, b }) => sum + lists[a]!.length * lists[b]!.length,
      0,
    );
    return SOLVER_LATE_MS.least + Math.min(SOLVER_LATE_MS.most, SOLVER_LATE_MS.aFlow * flows);
  }

  /** Less than it takes to write the exact model down and to begin with it. */
  private exactLeastMs(): number {
    return 2 * this.solverLateMs() + EXACT_LEAST_MS_A_PAIR * this.countLeft();
  }
}

const timeRanOut: ZonesReason = { code: 'time_ran_out', subject: '' };

/** Nothing stands: `infeasible` where that is proven, `unknown` where the time ran out first. */
function createEmpty(
  status: 'infeasible' | 'unknown',
  reasons: readonly ZonesReason[],
  elapsedMs: number,
): ZonesAnswer {
  return {
    status,
    objective: null,
    bound: null,
    elapsedMs,
    assignment: [],
    secondsPerWeek: 0,
    walkedMetresPerWeek: 0,
    bendsPerWeek: 0,
    stretchesPerWeek: 0,
    why: [],
    reasons,
  };
}
