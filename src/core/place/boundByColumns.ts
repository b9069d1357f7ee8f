import {
  GrowingModel,
  isSolved,
  LinearModel,
  type CoverSolution,
  type Random,
  type Solver,
} from '../shared';
import { createKnapsack } from './boundByBays';
import { contentsOf, ContentPool, type Content } from './contentPool';
import { costOfZones, type ZonesProblem } from './zonesProblem';

const { max, min } = Math;

interface ColumnOptions {
  readonly solver: Solver;
  readonly random: Random;
  readonly leftMs: () => number;
  /** The best known. */
  readonly bayOf: Int32Array;
  /** Rewards to begin with, one a group, and what single bays took on the way to them. */
  readonly rewards: Float64Array;
  readonly met: readonly (readonly [b: number, groups: readonly number[]])[];
  readonly open: readonly (readonly number[])[];
  /** Until so much time is left the bound is raised. */
  readonly climbLeftMs: () => number;
  /**
   * Told of the bound, its rewards, and where each group mostly stands in the model, before
   * arrangements are looked for; gives the best then known.
   */
  readonly onBound: (bound: number, rewards: Float64Array, mostly: Int32Array) => Int32Array;
  /** What a dive came to, in which not everything may stand or keep the rules: the best that is then known. */
  readonly mend: (bayOf: Int32Array) => Int32Array;
  /** Told of a bound that holds for every arrangement. */
  readonly onProof: (bound: number) => void;
  /** Told of every arrangement that is better than all before. */
  readonly onBetter: (bayOf: Int32Array, cost: number) => void;
  /** Whether parts need not be arranged anew any more. */
  readonly isDone: () => boolean;
  /** Some bays whose groups are to be arranged anew while all else stays. */
  readonly pickBays: (bayOf: Int32Array) => ReadonlySet<number>;
}

/** Groups that are to be arranged, and the bays for them. */
interface Part {
  readonly groups: readonly number[];
  readonly bays: readonly number[];
}

/**
 * The rewards in use lie between the best ones and those of the last run: it keeps them from
 * jumping about.
 */
const CALM = 0.7;
const CALM_LATE = 0.4;
const LATE_FROM = 60;
const MOST_RUNS = 400;
/** Contents of a bay that the model begins with. */
const MOST_MET = 12;
/** Where a bay's knapsack is given up, the bound stays below what the contents say. */
const MOST_DIGS = 20_000;
/**
 * A dive keeps contents that are nearly whole, some at a time, and looks for new contents after
 * each step.
 */
const STEP = { nearly: 0.9, keptAtOnce: 6, runs: 6 } as const;
/** Where half of the time is over, it hurries. */
const HASTY_STEP = { nearly: 0.6, keptAtOnce: 12, runs: 2 } as const;
/** How much chance has a say in what the later dives keep. */
const NOISE = 0.35;
/** So long at most the contents that were met are combined, over everything and in a part. */
const COMBINE_MS = 2500;
const COMBINE_PART_MS = 250;
/** So many contents at most are worked through, one after the other. */
const MOST_ALL = [2000, 8000] as const;
/** Where there are more, only those are that lack so much less, and so on down to this share of the gap. */
const LESS_SLACK = 0.6;
const LEAST_SLACK = 0.15;
/** So much of the time that is left is given to it. */
const ALL_SHARE = 0.7;

/**
 * The tightest bound that contents of single bays give: contents are the columns of a linear model, new ones
 * come from each bay's knapsack at the model's rewards, until none would better it. Good arrangements come out
 * of the same model: a dive keeps the fullest contents, one after the other, and is mended; all contents that
 * could be part of anything better are chosen among exactly, which raises the bound as well; then parts of the
 * home are arranged anew in the same way while the time lasts.
 * Source: Savelsbergh (1997), branch and price for generalized assignment; stabilised as by Wentges
 * (1997); diving as by Sadykov et al. (2019).
 * Ensures: the bound lies below every arrangement that keeps to `open` and breaks no rule; pairs
 * are not counted. Every arrangement breaks no rule.
 */
export function boundByColumns(problem: ZonesProblem, options: ColumnOptions): void {
  const { groupCount, bayCount } = problem;
  const pool = new ContentPool(problem);
  let [bayOf, best] = [options.bayOf, costOfZones(problem, options.bayOf)];
  pool.meetArrangement(bayOf);
  const take = (found: Int32Array | undefined): void => {
    const cost = found ? costOfZones(problem, found) : Infinity;
    if (!found || cost >= best - 1e-9) return;
    [bayOf, best] = [found, cost];
    pool.meetArrangement(found);
    options.onBetter(found, cost);
  };
  const whole: Part = {
    groups: Array.from({ length: groupCount }, (_, g) => g),
    bays: Array.from({ length: bayCount }, (_, b) => b),
  };
  const workThrough = (run: ColumnRun): void => {
    for (const most of MOST_ALL) {
      if (options.isDone() || options.leftMs() <= 0) return;
      const all = run.workThrough(bayOf, { mostMs: options.leftMs() * ALL_SHARE, most });
      take(all.found);
      options.onProof(all.bound);
    }
  };
  meetBest(pool, options);
  let { rewards } = options;
  ColumnRun.run({ ...options, problem, pool, part: whole }, (run) => {
    take(options.onBound(run.climb(options.climbLeftMs), run.rewards, run.mostly()));
    const beforeMs = options.leftMs();
    take(options.mend(run.dive(0).bayOf));
    const diveMs = beforeMs - options.leftMs();
    workThrough(run);
    // Another dive, which chance has a say in, where there is the time for it.
    if (!options.isDone() && options.leftMs() > diveMs) take(options.mend(run.dive(NOISE).bayOf));
    if (!options.isDone()) take(run.combine(bayOf, COMBINE_MS));
    rewards = run.rewards;
  });
  while (!options.isDone() && options.leftMs() > 0) {
    const bays = options.pickBays(bayOf);
    const part: Part = {
      groups: whole.groups.filter((g) => bays.has(bayOf[g] ?? -1)),
      bays: [...bays].sort((a, b) => a - b),
    };
    ColumnRun.run({ ...options, problem, pool, part, bayOf, rewards }, (run) => {
      run.climb(options.leftMs);
      // Only what stands in the part as a whole: elsewhere nothing may make room for it.
      take(run.dive(NOISE).whole);
      take(run.combine(bayOf, COMBINE_PART_MS));
      rewards = run.rewards;
    });
  }
}

/** Of what each bay took on the way, what pays best at the rewards; more would only make the model slow. */
function meetBest(
  pool: ContentPool,
  { met, rewards }: Pick<ColumnOptions, 'met' | 'rewards'>,
): void {
  const byBay = new Map<number, Map<string, readonly number[]>>();
  for (const [b, groups] of met)
    byBay.set(
      b,
      (byBay.get(b) ?? new Map<string, readonly number[]>()).set(groups.join(' '), groups),
    );
  for (const [b, contents] of byBay) {
    const gainOf = (groups: readonly number[]) =>
      groups.reduce((sum, g) => sum + rewards[g]!, 0) - pool.costOf(b, groups);
    for (const groups of [...contents.values()]
      .sort((a, c) => gainOf(c) - gainOf(a))
      .slice(0, MOST_MET))
      pool.meet(b, groups);
  }
}

interface RunOptions {
  readonly problem: ZonesProblem;
  readonly pool: ContentPool;
  readonly part: Part;
  /** Where what is not in the part stands. */
  readonly bayOf: Int32Array;
  readonly rewards: Float64Array;
  readonly open: readonly (readonly number[])[];
  readonly solver: Solver;
  readonly random: Random;
  readonly leftMs: () => number;
}

/** The model of a part of the home, or of all of it. */
class ColumnRun {
  rewards: Float64Array;
  private bound = -Infinity;
  private last: CoverSolution | undefined;
  private readonly rowOfGroup: Int32Array;
  private readonly rowOfBay: Int32Array;
  /** By bay, the groups of the part that may stand there. */
  private readonly groupsOf: readonly number[][];
  private readonly knapsack;
  private readonly columns: (Content | undefined)[] = [];
  private readonly fresh = new Set<Content>();
  private readonly inModel = new Set<Content>();

  private constructor(
    private readonly options: RunOptions,
    private readonly model: GrowingModel,
  ) {
    const { problem, part, pool, open, rewards, bayOf } = options;
    this.rewards = Float64Array.from(rewards);
    this.knapsack = createKnapsack(problem, MOST_DIGS);
    this.rowOfGroup = new Int32Array(problem.groupCount).fill(-1);
    this.rowOfBay = new Int32Array(problem.bayCount).fill(-1);
    part.groups.forEach((g, i) => {
      this.rowOfGroup[g] = i;
    });
    part.bays.forEach((b, i) => {
      this.rowOfBay[b] = part.groups.length + i;
    });
    const groupsOf: number[][] = Array.from({ length: problem.bayCount }, () => []);
    for (const g of part.groups)
      for (const b of open[g] ?? []) if ((this.rowOfBay[b] ?? -1) >= 0) groupsOf[b]?.push(g);
    this.groupsOf = groupsOf;
    // What stands nowhere costs as much as all of the part does now.
    const nowhere =
      1 + part.groups.reduce((sum, g) => sum + problem.cost[g * problem.bayCount + bayOf[g]!]!, 0);
    model.add(part.groups.map((_, i) => ({ cost: nowhere, rows: [i] })));
    for (let i = 0; i < part.groups.length; i += 1) this.columns.push(undefined);
    for (const b of part.bays) for (const content of pool.byBay[b] ?? []) this.note(content);
  }

  static run(options: RunOptions, work: (run: ColumnRun) => void): void {
    const { groups, bays } = options.part;
    const rows = [
      ...groups.map(() => ({ least: 1, most: 1 })),
      ...bays.map(() => ({ least: -Infinity, most: 1 })),
    ];
    GrowingModel.run(options.solver, rows, (model) => work(new ColumnRun(options, model)));
  }

  /** Runs the model until no content of any bay would better it; the proven bound of the part. */
  climb(leftMs: () => number): number {
    this.value(this.rewards);
    for (let run = 0; run < MOST_RUNS && leftMs() > 0; run += 1) {
      const solution = this.minimise(leftMs());
      if (!solution) break;
      this.last = solution;
      const said = this.rewardsOf(solution);
      const calm = run < LATE_FROM ? CALM : CALM_LATE;
      this.value(said.map((reward, g) => calm * this.rewards[g]! + (1 - calm) * reward));
      if (this.fresh.size === 0) this.value(said);
      if (
        this.fresh.size === 0 ||
        solution.objective - this.bound <= 1e-6 * max(1, solution.objective)
      )
        break;
    }
    return this.bound;
  }

  /** Where each group has the largest share in the last run; it may break rules. */
  mostly(): Int32Array {
    const { problem, part } = this.options;
    const bayOf = Int32Array.from(this.options.bayOf);
    const most = new Float64Array(problem.groupCount);
    for (const g of part.groups) most[g] = 1e-6;
    this.last?.values.forEach((share, column) => {
      for (const g of this.columns[column]?.groups ?? []) {
        if (share <= most[g]!) continue;
        most[g] = share;
        bayOf[g] = this.columns[column]?.bay ?? 0;
      }
    });
    return bayOf;
  }

  /**
   * Where what the dive kept stands; what found no place, or no time, is where it mostly stood or stands now.
   * `whole` where everything found its place.
   */
  dive(noise: number): { readonly bayOf: Int32Array; readonly whole: Int32Array | undefined } {
    const { problem, part } = this.options;
    const elsewhere = this.mostly();
    const bayOf = Int32Array.from(this.options.bayOf);
    for (const g of part.groups) bayOf[g] = -1;
    const isTaken = new Uint8Array(problem.bayCount);
    let left = part.groups.length;
    const startLeftMs = this.options.leftMs();
    try {
      while (left > 0 && this.options.leftMs() > 0) {
        const step = this.options.leftMs() > startLeftMs / 2 ? STEP : HASTY_STEP;
        const solution = this.settle(bayOf, { isTaken, runs: step.runs });
        const kept = solution ? this.pick(solution, { isTaken, noise, ...step }) : [];
        if (kept.length === 0) break;
        for (const column of kept) {
          const content = this.columns[column];
          if (!content || content.groups.some((g) => (bayOf[g] ?? -1) >= 0)) continue;
          for (const g of content.groups) bayOf[g] = content.bay;
          left -= content.groups.length;
          isTaken[content.bay] = 1;
          this.model.fix(column);
        }
      }
    } finally {
      this.model.release();
    }
    if (left === 0) return { bayOf, whole: bayOf };
    return { bayOf: bayOf.map((b, g) => (b >= 0 ? b : elsewhere[g]!)), whole: undefined };
  }

  /**
   * The best arrangement of the contents that were met, as far as the time goes; none where `bayOf`
   * is as good.
   */
  combine(bayOf: Int32Array, mostMs: number): Int32Array | undefined {
    if (this.options.leftMs() <= 0) return undefined;
    const now = this.costNow(bayOf);
    const standing = contentsOf(this.options.problem, bayOf);
    for (const b of this.options.part.bays) this.noteGroups(b, standing[b] ?? []);
    const gains = new Map(this.options.part.bays.map((b) => [b, this.fill(b)]));
    // A content whose use would cost more than what stands now is in nothing better.
    const kept = [...this.inModel, ...this.fresh].filter(
      ({ bay, groups, cost }) =>
        this.bound + cost - this.sumOf(groups) + (gains.get(bay) ?? 0) <= now + 1e-6,
    );
    return this.choose(kept, bayOf, mostMs).found;
  }

  /**
   * As `combine`, of all contents, met or not, whose use alone would not cost more than what stands now; where the
   * model would not bear so many, of those that lack the least. Whatever uses another content costs at least the
   * bound and what that content lacks: so the bound may rise.
   */
  workThrough(
    bayOf: Int32Array,
    { mostMs, most }: { readonly mostMs: number; readonly most: number },
  ): { readonly found: Int32Array | undefined; readonly bound: number } {
    const gap = this.costNow(bayOf) - this.bound;
    let slack = gap;
    let within = this.allWithin(slack, most);
    while (!within && slack > LEAST_SLACK * gap && this.options.leftMs() > 0)
      within = this.allWithin((slack *= LESS_SLACK), most);
    if (!within) return { found: undefined, bound: this.bound };
    const { problem, pool } = this.options;
    const standing = contentsOf(problem, bayOf).flatMap((own, b) => pool.meet(b, own) ?? []);
    const contents = [...new Set([...within.contents, ...standing])];
    const { found, bound } = this.choose(contents, bayOf, mostMs);
    return { found, bound: max(this.bound, min(bound, within.base + slack)) };
  }

  /**
   * All contents that lack at most so much, and the bound by the same gains of the bays; undefined where they are
   * more than the model bears.
   */
  private allWithin(
    slack: number,
    most: number,
  ): { readonly contents: readonly Content[]; readonly base: number } | undefined {
    const contents: Content[] = [];
    let base = this.sumOf(this.options.part.groups);
    for (const b of this.options.part.bays) {
      const gain = this.fill(b);
      base -= gain;
      const found = this.knapsack.allFrom(gain - slack - 1e-6, most - contents.length);
      if (!found) return undefined;
      for (const groups of found) contents.push(this.options.pool.meet(b, groups)!);
    }
    return { contents, base };
  }

  private fill(b: number, rewards: Float64Array = this.rewards): number {
    return this.knapsack.fill(b, this.groupsOf[b] ?? [], rewards, this.options.problem.cost);
  }

  private costNow(bayOf: Int32Array): number {
    const { problem, part } = this.options;
    return part.groups.reduce((sum, g) => sum + problem.cost[g * problem.bayCount + bayOf[g]!]!, 0);
  }

  /** The best choice of contents, one a bay and each group in one of them, and its bound; nothing where `bayOf` is as good. */
  private choose(
    contents: readonly Content[],
    bayOf: Int32Array,
    mostMs: number,
  ): { readonly found: Int32Array | undefined; readonly bound: number } {
    const { problem, part, solver, leftMs } = this.options;
    const standing = contentsOf(problem, bayOf);
    const model = new LinearModel();
    const inRow: (readonly [number, number])[][] = [...part.groups, ...part.bays].map(() => []);
    const aim = contents.map((content) => {
      const variable = model.addVariable({ most: 1, whole: true });
      for (const row of this.rowsOf(content)) inRow[row]?.push([variable, 1]);
      return [variable, content.cost] as const;
    });
    inRow.forEach((terms, row) =>
      model.addRow(terms, { most: 1, ...(row < part.groups.length ? { least: 1 } : {}) }),
    );
    const start = contents.map(({ bay, groups }) =>
      standing[bay]?.length === groups.length && groups.every((g) => bayOf[g] === bay) ? 1 : 0,
    );
    const solution = model.minimise(solver, aim, {
      timeLimitMs: min(leftMs(), mostMs),
      seed: 1,
      start,
    });
    const { bound } = solution;
    if (!isSolved(solution) || solution.objective >= this.costNow(bayOf) - 1e-9)
      return { found: undefined, bound };
    const found = Int32Array.from(bayOf);
    contents.forEach(({ bay, groups }, k) => {
      if (solution.values[k] === 1) for (const g of groups) found[g] = bay;
    });
    return { found, bound };
  }

  /** The model with new contents for what is not kept yet. */
  private settle(
    bayOf: Int32Array,
    { isTaken, runs }: { readonly isTaken: Uint8Array; readonly runs: number },
  ): CoverSolution | undefined {
    const { problem, part } = this.options;
    let solution: CoverSolution | undefined;
    for (let run = 0; run < runs && this.options.leftMs() > 0; run += 1) {
      solution = this.minimise();
      if (!solution) return undefined;
      const rewards = this.rewardsOf(solution);
      for (const b of part.bays) {
        if (isTaken[b]) continue;
        const gain = this.knapsack.fill(
          b,
          (this.groupsOf[b] ?? []).filter((g) => (bayOf[g] ?? -1) < 0),
          rewards,
          problem.cost,
        );
        if (gain > -solution.rowDuals[this.rowOfBay[b]!]! + 1e-6)
          this.noteGroups(b, this.knapsack.taken());
      }
      if (this.fresh.size === 0) break;
    }
    return solution;
  }

  /** The fullest content, and some more that are nearly whole. */
  private pick(
    solution: CoverSolution,
    {
      isTaken,
      noise,
      nearly,
      keptAtOnce,
    }: Omit<typeof STEP | typeof HASTY_STEP, 'runs'> & {
      readonly isTaken: Uint8Array;
      readonly noise: number;
    },
  ): number[] {
    const parts: { readonly column: number; readonly share: number; readonly order: number }[] = [];
    solution.values.forEach((share, column) => {
      const content = this.columns[column];
      if (content && share > 1e-6 && !isTaken[content.bay])
        parts.push({ column, share, order: share + noise * this.options.random() });
    });
    return parts
      .sort((a, b) => b.order - a.order || a.column - b.column)
      .filter(({ share }, i) => i === 0 || (i < keptAtOnce && share > nearly))
      .map(({ column }) => column);
  }

  private minimise(leftMs = this.options.leftMs()): CoverSolution | undefined {
    const fresh = [...this.fresh];
    this.fresh.clear();
    this.model.add(fresh.map((content) => ({ cost: content.cost, rows: this.rowsOf(content) })));
    for (const content of fresh) {
      this.columns.push(content);
      this.inModel.add(content);
    }
    return this.model.minimise(leftMs);
  }

  private rowsOf = ({ bay, groups }: Content): number[] => [
    ...groups.map((g) => this.rowOfGroup[g]!),
    this.rowOfBay[bay]!,
  ];
  private sumOf = (groups: readonly number[]): number =>
    groups.reduce((sum, g) => sum + this.rewards[g]!, 0);

  /** The rewards of a run; those outside the part stay. */
  private rewardsOf({ rowDuals }: CoverSolution): Float64Array {
    return this.rewards.map((reward, g) =>
      (this.rowOfGroup[g] ?? -1) >= 0 ? rowDuals[this.rowOfGroup[g]!]! : reward,
    );
  }

  /** The bound of the part at some rewards; what the bays take at them is met. Keeps the best ones. */
  private value(rewards: Float64Array): void {
    const { part } = this.options;
    let bound = part.groups.reduce((sum, g) => sum + rewards[g]!, 0);
    for (const b of part.bays) {
      bound -= this.fill(b, rewards);
      this.noteGroups(b, this.knapsack.taken());
    }
    if (bound <= this.bound) return;
    this.bound = bound;
    this.rewards = Float64Array.from(rewards);
  }

  private noteGroups(bay: number, groups: readonly number[]): void {
    const content = this.options.pool.meet(bay, groups);
    if (content) this.note(content);
  }

  private note(content: Content): void {
    if (!this.inModel.has(content) && content.groups.every((g) => (this.rowOfGroup[g] ?? -1) >= 0))
      this.fresh.add(content);
  }
}
