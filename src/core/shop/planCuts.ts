import {
  checkFigures,
  createRandom,
  LinearModel,
  isSolved,
  type Clock,
  type Solver,
} from '../shared';
import { leastMix } from './boardMix';
import { cutExactly } from './cutExactly';
import type { CutAnswer, CutReason, CutRequest } from './cutModel';
import {
  cutFullest,
  cutLongestFirst,
  findBestPattern,
  LENGTH_TOLERANCE_MM,
  type BestPattern,
  type CutProblem,
  type Pattern,
} from './cutPatterns';
import { listCuts } from './listCuts';
import { tablePatterns } from './patternTable';

interface CutMeans {
  readonly solver: Solver;
  readonly clock: Clock;
}

/**
 * More boards than this are not listed one by one while rounding; the pieces come from the linear
 * answer then.
 */
const MOST_BOARDS = 200_000;
/** Patterns that are learnt in a round beside the one that pays most. */
const MORE_PATTERNS = 5;
/**
 * Fillings at most, the share of the time that they leave for what comes after them, and up to how
 * many boards they are tried for the whole.
 */
const MOST_FILLINGS = 60;
const FILLINGS_LEAVE = 0.6;
const FIRST_LEAVE = 0.9;
const FEW_BOARDS = 300;
/** Of the time, for filling boards to the end where they are hardly enough. */
const EXACT_SHARE = 0.7;
/**
 * Of the time, for filling boards that are just long enough; how often some are emptied again, up to how many boards; and by which share of
 * the pieces they are longer, in turn.
 */
const MIX_SHARE = 0.75;
const MIX_EMPTIED = { few: 8, many: 400, then: 1000 } as const;
const FEW_KINDS = 60;
const MIX_BOARDS = 5000;
const MIX_MORE = [0, 0.002, 0.005, 0.01, 0.02] as const;
/** A model may end so much of the time late. */
const LATE_SHARE = 0.05;
/** With less than this no choice among all patterns is begun. */
const LEAST_CHOICE_MS = 40;
/** Boards times kinds of piece that are still worked through board by board. */
const MOST_EXACT = 900;

/**
 * Cuts pieces from boards at the least cost: patterns are made as the linear relaxation asks for
 * them; whole boards are then chosen
 * among them, and more patterns are made for what the rounding leaves over.
 * Source: Gilmore and Gomory (1961, 1963), column generation; Farley (1990), the bound while it still runs.
 * Ensures: exactly the quantities wanted; n pieces of a board lose n - 1 kerfs; no more of a board
 * than is available; `bound` is proven.
 * Deterministic unless the time limit cuts it.
 */
export function planCuts(request: CutRequest, { solver, clock }: CutMeans): CutAnswer {
  const startMs = clock();
  const leftMs = () => request.timeLimitMs * (1 - LATE_SHARE) - (clock() - startMs);
  const pieces = request.pieces.filter(({ qty }) => qty > 0);
  const stock = request.stock.filter(({ available }) => available !== 0);
  const tooLong = pieces.filter(({ lengthMm }) =>
    stock.every((board) => board.lengthMm < lengthMm - LENGTH_TOLERANCE_MM),
  );
  const refuse = (
    reasons: readonly CutReason[],
    status: 'infeasible' | 'unknown' = 'infeasible',
  ): CutAnswer => ({
    status,
    objective: null,
    bound: null,
    elapsedMs: clock() - startMs,
    patterns: [],
    costMinor: 0,
    reasons,
  });
  if (tooLong.length > 0) return refuse(tooLong.map((piece) => tooLongReason(piece, stock)));
  const problem: CutProblem = {
    pieceMm: Float64Array.from(pieces, ({ lengthMm }) => lengthMm + request.kerfMm),
    quantities: Int32Array.from(pieces, ({ qty }) => qty),
    stockMm: Float64Array.from(stock, ({ lengthMm }) => lengthMm + request.kerfMm),
    priceMinor: Float64Array.from(stock, ({ priceMinor }) => priceMinor),
    available: Float64Array.from(stock, ({ available }) => available ?? Infinity),
  };
  const run = new CutRun(problem, { solver, seed: request.seed, leftMs });
  if (pieces.length > 0 && !run.solve()) {
    const needMm = pieces.reduce((sum, { lengthMm, qty }) => sum + lengthMm * qty, 0);
    const haveMm = stock.reduce(
      (sum, { lengthMm, available }) => sum + lengthMm * (available ?? 0),
      0,
    );
    if (!run.isImpossible)
      return { ...refuse([{ code: 'time_ran_out', subject: '' }], 'unknown'), bound: run.bound };
    return refuse([{ code: 'not_enough_stock', subject: '', needMm, haveMm }]);
  }
  const patterns = listCuts(run.best, {
    problem,
    stockIds: stock.map(({ id }) => id),
    pieceIds: pieces.map(({ id }) => id),
  });
  // A board from which everything was too much is not bought after all.
  const costMinor = patterns.reduce(
    (sum, { stockId, count }) =>
      sum + count * (stock.find(({ id }) => id === stockId)?.priceMinor ?? 0),
    0,
  );
  checkFigures({ costMinor, bound: run.bound });
  const isOptimal = costMinor - run.bound <= 1e-6 * Math.max(1, costMinor);
  return {
    status: isOptimal ? 'optimal' : 'feasible',
    objective: costMinor,
    bound: isOptimal ? costMinor : run.bound,
    elapsedMs: clock() - startMs,
    patterns,
    costMinor,
    reasons: [],
  };
}

function tooLongReason(
  { id, lengthMm }: CutRequest['pieces'][number],
  stock: CutRequest['stock'],
): CutReason {
  if (stock.length === 0) return { code: 'no_stock', subject: id };
  const longestMm = Math.max(...stock.map((board) => board.lengthMm));
  return { code: 'piece_longer_than_stock', subject: id, lengthMm, longestMm };
}

/** One run: the patterns known so far, the best whole answer, the proven bound. */
class CutRun {
  best: readonly { readonly pattern: Pattern; readonly count: number }[] = [];
  bestCost = Infinity;
  bound = 0;
  isImpossible = false;
  private readonly patterns: Pattern[] = [];
  private readonly known = new Set<string>();

  constructor(
    private readonly problem: CutProblem,
    private readonly means: {
      readonly solver: Solver;
      readonly seed: number;
      readonly leftMs: () => number;
    },
  ) {}

  /** False where no way to cut them was found; `isImpossible` where it is proven that there is none. */
  solve(): boolean {
    this.fillBoards();
    return this.isClosed() || this.chooseAmongPatterns();
  }

  /** Boards filled one after the other, before anything is relaxed. */
  private fillBoards(): void {
    const { problem } = this;
    const greedy = cutLongestFirst(
      problem,
      problem.quantities,
      new Float64Array(problem.stockMm.length),
    );
    if (greedy && greedy.length <= MOST_BOARDS) this.takeList(greedy);
    for (const pattern of greedy ?? []) this.learn(pattern);
    problem.pieceMm.forEach((_, i) =>
      problem.stockMm.forEach((_mm, stock) => this.learn(this.alone(i, stock))),
    );
    const { few, many } = MIX_EMPTIED;
    this.fillMixes(problem.pieceMm.length <= FEW_KINDS ? few : many);
    if (this.isClosed()) return;
    if (greedy && greedy.length <= FEW_BOARDS) this.fillAnew([], problem.quantities, FIRST_LEAVE);
    // Of many boards a way is looked for before anything is proven; few are decided.
    if (this.bestCost === Infinity && !this.listBoards()) this.fillExactly();
  }

  /** The relaxation makes patterns; whole boards are chosen among them. False as of `solve`. */
  private chooseAmongPatterns(): boolean {
    const { problem } = this;
    const relaxed = this.relax(problem.quantities, problem.available);
    if (!relaxed) this.isImpossible = this.bestCost === Infinity;
    if (!relaxed) return this.bestCost < Infinity;
    this.bound = Math.max(this.bound, roundUp(relaxed.bound, problem.priceMinor));
    this.roundDown(relaxed.values);
    if (this.bestCost === Infinity) this.decideBoardByBoard();
    if (this.isImpossible) return false;
    if (!this.isClosed() && this.means.leftMs() > LEAST_CHOICE_MS) this.fillMixes(MIX_EMPTIED.then);
    // Choosing among the patterns closes most; what it leaves open gets patterns for its rest, and
    // is chosen again.
    for (
      let round = 0;
      round < 4 && !this.isClosed() && this.means.leftMs() > LEAST_CHOICE_MS;
      round += 1
    ) {
      this.choose();
      if (this.isClosed() || !this.learnForRest(relaxed.values, round)) break;
    }
    if (!this.isClosed()) this.decideBoardByBoard();
    return this.bestCost < Infinity;
  }

  /** The boards that may be wanted, by their kind; undefined where they are too many to be worked through. */
  private listBoards(): number[] | undefined {
    const { problem } = this;
    const enough =
      this.bestCost < Infinity
        ? this.best.reduce((sum, { count }) => sum + count, 0)
        : problem.quantities.reduce((sum, n) => sum + n, 0);
    const boards = [...problem.stockMm.keys()].flatMap((stock) =>
      Array.from({ length: Math.min(enough, problem.available[stock]!) }, () => stock),
    );
    return boards.length * problem.pieceMm.length > MOST_EXACT ? undefined : boards;
  }

  /**
   * Few boards are worked through one by one: exact, also where limited boards leave no answer
   * among the known patterns.
   */
  private decideBoardByBoard(): void {
    const { problem, means } = this;
    const boards = this.listBoards();
    if (!boards) return;
    const model = new LinearModel();
    const isUsed = boards.map(() => model.addVariable({ most: 1, whole: true }));
    const counts = boards.map(() =>
      [...problem.quantities].map((most) => model.addVariable({ most, whole: true })),
    );
    problem.quantities.forEach((quantity, i) =>
      model.addRow(
        counts.map((row) => [row[i]!, 1] as const),
        { least: quantity, most: quantity },
      ),
    );
    boards.forEach((stock, b) => {
      model.addRow(
        [
          ...(counts[b] ?? []).map((variable, i) => [variable, problem.pieceMm[i]!] as const),
          [isUsed[b]!, -(problem.stockMm[stock]! + LENGTH_TOLERANCE_MM / 2)],
        ],
        { most: 0 },
      );
      // Boards of a kind are taken in their order.
      if (boards[b - 1] === stock)
        model.addRow(
          [
            [isUsed[b - 1]!, 1],
            [isUsed[b]!, -1],
          ],
          { least: 0 },
        );
    });
    const solution = model.minimise(
      means.solver,
      boards.map((stock, b) => [isUsed[b]!, problem.priceMinor[stock]!]),
      {
        timeLimitMs: Math.max(20, means.leftMs()),
        seed: means.seed,
      },
    );
    if (isSolved(solution))
      this.takeList(
        boards.flatMap((stock, b) =>
          solution.values[isUsed[b]!]! > 0.5
            ? [
                {
                  stock,
                  counts: Int32Array.from(
                    counts[b] ?? [],
                    (variable) => solution.values[variable]!,
                  ),
                },
              ]
            : [],
        ),
      );
    if (solution.status === 'infeasible') this.isImpossible = this.bestCost === Infinity;
    else
      this.bound = Math.max(
        this.bound,
        Math.min(this.bestCost, roundUp(solution.bound, problem.priceMinor)),
      );
  }

  /** Where boards are hardly enough, every one of them has to be full. */
  private fillExactly(): void {
    const { problem, means } = this;
    if (!problem.available.every(Number.isFinite)) return;
    const untilMs = means.leftMs() * (1 - EXACT_SHARE);
    const full = cutExactly(problem, createRandom(means.seed), {
      isOver: () => means.leftMs() < untilMs,
    });
    for (const pattern of full ?? []) this.learn(pattern);
    if (full) this.takeList(full);
  }

  /**
   * What boards cost that are just long enough together bounds; then such boards are filled to the end, with a little
   * more length each time that they cannot be.
   */
  private fillMixes(mostEmptied: number): void {
    const { problem, means } = this;
    const fromMs = means.leftMs();
    const untilMs = fromMs * (1 - MIX_SHARE);
    const needMm = problem.quantities.reduce((sum, n, i) => sum + n * problem.pieceMm[i]!, 0);
    const random = createRandom(means.seed);
    for (const share of MIX_MORE) {
      const mix = leastMix(problem, share * needMm, {
        ...{ solver: means.solver, seed: means.seed },
        timeLimitMs: Math.max(20, means.leftMs() - untilMs),
      });
      if (!mix) return;
      if (share === 0) this.bound = Math.max(this.bound, roundUp(mix.bound, problem.priceMinor));
      if (this.bestCost === Infinity || mix.counts.reduce((a, b) => a + b, 0) > MIX_BOARDS) return;
      if (this.isClosed() || mix.costMinor >= this.bestCost) return;
      // Less than what is proven is not tried for.
      if (mix.costMinor < this.bound - 1e-6) continue;
      // The least has three quarters of the time, each other as much of what is left.
      const endMs = means.leftMs() - (means.leftMs() - untilMs) * 0.75;
      const full = cutExactly({ ...problem, available: Float64Array.from(mix.counts) }, random, {
        isOver: () => means.leftMs() < endMs,
        mostEmptied,
      });
      for (const pattern of full ?? []) this.learn(pattern);
      if (full) return this.takeList(full);
    }
  }

  private isClosed(): boolean {
    return (
      this.bestCost < Infinity && this.bestCost - this.bound <= 1e-6 * Math.max(1, this.bestCost)
    );
  }

  private learn(pattern: Pattern | undefined): boolean {
    if (!pattern) return false;
    const key = `${pattern.stock}:${pattern.counts.join()}`;
    if (this.known.has(key)) return false;
    this.known.add(key);
    this.patterns.push(pattern);
    return true;
  }

  private alone(i: number, stock: number): Pattern | undefined {
    const { pieceMm, stockMm, quantities } = this.problem;
    const n = Math.min(
      quantities[i]!,
      Math.floor((stockMm[stock]! + LENGTH_TOLERANCE_MM) / (pieceMm[i] ?? 1)),
    );
    if (n === 0) return undefined;
    const counts = new Int32Array(pieceMm.length);
    counts[i] = n;
    return { stock, counts };
  }

  /** The relaxation by column generation. Undefined where even it cannot be met. */
  private relax(
    wanted: Int32Array,
    available: Float64Array,
  ): { readonly bound: number; readonly values: readonly number[] } | undefined {
    const { problem, means } = this;
    const missing = Math.max(1, ...problem.priceMinor) * 1000;
    let bound = 0;
    let before: { readonly atMs: number; readonly values: readonly number[] } | undefined;
    for (;;) {
      // A round takes as long as the one before it, and no time but what is left.
      const atMs = means.leftMs();
      if (before && atMs < before.atMs - atMs) return { bound, values: before.values };
      const { model, aim, pieceRows, stockRows } = this.master(wanted, available, {
        isWhole: false,
        missing,
      });
      const solution = model.minimise(means.solver, aim, {
        timeLimitMs: Math.max(20, means.leftMs()),
        seed: means.seed,
      });
      if (!isSolved(solution)) return { bound, values: before?.values ?? [] };
      before = { atMs, values: solution.values };
      const worth = Float64Array.from(pieceRows, (row) => Math.max(0, solution.rowDuals[row]!));
      const rent = stockRows.map((row) =>
        row === undefined ? 0 : Math.max(0, -solution.rowDuals[row]!),
      );
      // No pattern may be worth more than its board costs; where one is, all worths shrink until
      // none is, and that bounds.
      let [shrink, isNew, isSure] = [1, false, true];
      const pays = (value: number, stock: number): boolean => {
        const costs = problem.priceMinor[stock]! + rent[stock]!;
        return value > costs + 1e-7 * Math.max(1, costs);
      };
      const pricedFromMs = means.leftMs();
      const found = this.findPatterns(wanted, worth);
      const pricedMs = pricedFromMs - means.leftMs();
      found.forEach(({ counts, value, most }, stock) => {
        const costs = problem.priceMinor[stock]! + rent[stock]!;
        const freeShrink = most > 1e-9 ? Infinity : 1;
        shrink = Math.max(shrink, costs > 0 ? most / costs : freeShrink);
        if (pays(most, stock)) isSure = false;
        if (pays(value, stock)) isNew = this.learn({ stock, counts }) || isNew;
      });
      // Others that pay as well, of the pieces that these leave out: fewer rounds.
      const leaner = Float64Array.from(worth);
      let last = found.filter(({ value }, stock) => pays(value, stock));
      for (let more = 0; more < MORE_PATTERNS && last.length > 0; more += 1) {
        if (means.leftMs() < pricedMs) break;
        leaner.forEach((value, i) => {
          if (last.some(({ counts }) => counts[i]! > 0)) leaner[i] = value * 0.7;
        });
        last = this.findPatterns(wanted, leaner).filter(({ counts }, stock) => {
          const value = counts.reduce((sum, n, i) => sum + n * worth[i]!, 0);
          return pays(value, stock) && this.learn({ stock, counts });
        });
      }
      const rents = rent.reduce(
        (sum, value, stock) => sum + (value > 0 ? value * available[stock]! : 0),
        0,
      );
      bound = Math.max(
        bound,
        worth.reduce((sum, value, i) => sum + value * wanted[i]!, 0) / shrink - rents,
      );
      if (!isNew || means.leftMs() <= 0) {
        const isShort = solution.values
          .slice(this.patternCountAt(solution.values))
          .some((value) => value > 1e-6);
        // Only where no pattern could help is it proven that the boards do not do.
        if (isShort && !isNew && isSure) return undefined;
        return { bound, values: solution.values };
      }
    }
  }

  /** For each kind of board what is worth most on it. */
  private findPatterns(wanted: Int32Array, worth: Float64Array): BestPattern[] {
    const problem = { ...this.problem, quantities: wanted };
    const table = tablePatterns(problem, worth);
    return [...problem.stockMm.keys()].map((stock) => {
      if (!table) return findBestPattern(problem, stock, worth);
      const best = table.best(stock);
      return { ...best, most: best.value };
    });
  }

  /** The variables after the patterns are what is missing of each piece. */
  private patternCountAt(values: readonly number[]): number {
    return values.length - this.problem.pieceMm.length;
  }

  private master(
    wanted: Int32Array,
    available: Float64Array,
    { isWhole, missing }: { readonly isWhole: boolean; readonly missing: number | undefined },
  ) {
    const model = new LinearModel();
    const aim: [number, number][] = this.patterns.map(({ stock }) => [
      model.addVariable({ whole: isWhole }),
      this.problem.priceMinor[stock]!,
    ]);
    const short = missing === undefined ? [] : [...wanted].map(() => model.addVariable());
    for (const variable of short) aim.push([variable, missing ?? 0]);
    let row = 0;
    const pieceRows = [...wanted].map((quantity, i) => {
      const terms = this.patterns.flatMap(({ counts }, p): [number, number][] =>
        counts[i]! > 0 ? [[p, counts[i]!]] : [],
      );
      model.addRow(short[i] === undefined ? terms : [...terms, [short[i], 1]], { least: quantity });
      return row++;
    });
    const stockRows = [...available].map((most, stock) => {
      if (!Number.isFinite(most)) return undefined;
      model.addRow(
        this.patterns.flatMap((pattern, p): [number, number][] =>
          pattern.stock === stock ? [[p, 1]] : [],
        ),
        { most },
      );
      return row++;
    });
    return { model, aim, pieceRows, stockRows };
  }

  /** Whole boards among the known patterns; what is cut too much of is left on its board. */
  private choose(): void {
    const { problem, means } = this;
    const { model, aim } = this.master(problem.quantities, problem.available, {
      isWhole: true,
      missing: undefined,
    });
    const solution = model.minimise(means.solver, aim, {
      timeLimitMs: Math.max(20, means.leftMs()),
      seed: means.seed,
    });
    if (isSolved(solution))
      this.take(
        solution.values.map((count, p) => ({ pattern: this.patterns[p] as Pattern, count })),
      );
  }

  /** The whole part of the relaxation, and the rest longest first. */
  private roundDown(values: readonly number[]): void {
    const whole = this.patterns
      .map((pattern, p) => ({ pattern, count: Math.floor(values[p]! + 1e-9) }))
      .filter(({ count }) => count > 0);
    const rest = this.restAfter(whole);
    const used = new Float64Array(this.problem.stockMm.length);
    for (const { pattern, count } of whole) used[pattern.stock] = used[pattern.stock]! + count;
    const more = cutLongestFirst(this.problem, rest, used);
    if (more) this.take([...whole, ...more.map((pattern) => ({ pattern, count: 1 }))]);
    // The rest is small: many ways to fill boards with it are tried in the time that one choice
    // among all patterns takes.
    this.fillAnew(whole, rest, FILLINGS_LEAVE);
  }

  /**
   * Fills boards with the rest again and again, each time otherwise; `leave` is the share of the
   * time left for what comes after.
   */
  private fillAnew(whole: CutRun['best'], rest: Int32Array, leave: number): void {
    const used = new Float64Array(this.problem.stockMm.length);
    for (const { pattern, count } of whole) used[pattern.stock] = used[pattern.stock]! + count;
    const random = createRandom(this.means.seed);
    const fromMs = this.means.leftMs();
    const isOver = () => this.means.leftMs() <= fromMs * leave;
    for (let n = 0; n < MOST_FILLINGS && !this.isClosed() && !isOver(); n += 1) {
      const full = cutFullest(this.problem, rest, used, { random, isOver });
      for (const pattern of full ?? []) this.learn(pattern);
      if (full) this.take([...whole, ...full.map((pattern) => ({ pattern, count: 1 }))]);
    }
  }

  private restAfter(
    whole: readonly { readonly pattern: Pattern; readonly count: number }[],
  ): Int32Array {
    const rest = Int32Array.from(this.problem.quantities);
    for (const { pattern, count } of whole)
      pattern.counts.forEach((n, i) => {
        rest[i] = Math.max(0, rest[i]! - n * count);
      });
    return rest;
  }

  /** Patterns that the rest asks for once the whole part is cut, a little less of it every round. */
  private learnForRest(values: readonly number[], round: number): boolean {
    const whole = this.patterns
      .slice(0, values.length)
      .map((pattern, p) => ({
        pattern,
        count: Math.max(0, Math.floor(values[p]! + 1e-9) - round),
      }))
      .filter(({ count }) => count > 0);
    const rest = this.restAfter(whole);
    const left = Float64Array.from(this.problem.available);
    for (const { pattern, count } of whole) left[pattern.stock] = left[pattern.stock]! - count;
    const before = this.patterns.length;
    if (rest.some((n) => n > 0)) this.relax(rest, left);
    return this.patterns.length > before;
  }

  private takeList(list: readonly Pattern[]): void {
    const counts = new Map<Pattern, number>();
    for (const pattern of list) counts.set(pattern, (counts.get(pattern) ?? 0) + 1);
    this.take([...counts].map(([pattern, count]) => ({ pattern, count })));
  }

  private take(list: readonly { readonly pattern: Pattern; readonly count: number }[]): void {
    const used = list.filter(({ count }) => count > 0);
    const cost = used.reduce(
      (sum, { pattern, count }) => sum + count * this.problem.priceMinor[pattern.stock]!,
      0,
    );
    if (cost >= this.bestCost) return;
    this.best = used;
    this.bestCost = cost;
  }
}

/**
 * Costs are sums of the boards' prices: a bound between two such sums rises to the next multiple of
 * what all prices share.
 */
function roundUp(bound: number, prices: Float64Array): number {
  const shared = [...prices].reduce((a, b) => greatestShared(a, b), 0);
  if (shared === 0) return 0;
  return Math.max(0, Math.ceil(bound / shared - 1e-6)) * shared;
}
const greatestShared = (a: number, b: number): number => (b === 0 ? a : greatestShared(b, a % b));
