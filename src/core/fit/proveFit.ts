import type { Solver } from '../shared';
import { climbPrices, CoverChoice, GUESS, type Choice } from './coverChoice';
import { decideChoice, isRefutedByLines, type Verdict } from './decideChoice';
import type { Packing } from './floor';
import type { FloorRow } from './floorRows';
import type { GroupCovers } from './groupCovers';
import { CoverList, type Cover } from './listCovers';
import type { FitContainer, FitGroup } from './model';
import { NoGoods } from './noGoods';
import type { Chosen } from './selectContainers';
import type { FitQuestion } from './suitability';

interface Means {
  readonly solver: Solver;
  readonly covers: GroupCovers;
  readonly floorRows: readonly FloorRow[];
  readonly worth: (container: Chosen['container']) => number;
  readonly leftMs: () => number;
  /** Tries to stand a choice, with so many times the usual effort; whether it does. */
  readonly stand: (chosen: readonly Chosen[], effort: number) => boolean;
  /** Told of a choice and where it stands. */
  readonly take: (found: { readonly chosen: readonly Chosen[]; readonly packing: Packing }) => void;
}

/** With so many open choices it goes no further before some are settled. */
const MOST_OPEN = 200;
/**
 * Steps of the search through places before a choice is tried to be stood, where it did not stand,
 * and to find out which groups are to blame.
 */
const QUICK_STEPS = 2500;
const THOROUGH_STEPS = 8000;
const BLAME_STEPS = 800;
/**
 * So many steps of listing, and beginnings of choices, take as long as a step; what standing one or
 * asking the lines takes as long as.
 */
const LISTED_A_STEP = 40;
const BEGUN_A_STEP = 20;
const STAND_STEPS = 1000;
/**
 * Each look at what is open takes so many times the steps of the one before, until it is so many
 * times the first.
 */
const EFFORT_GROWTH = 4;
const MOST_EFFORT = 20;

/**
 * Goes through the choices of one cover a group that count less than the best known, the cheapest
 * first: each is refuted, or stood, or
 * left open. The first that stands is the best there is where none before it is open. What is
 * refuted teaches which
 * covers cannot stand together.
 */
export class FitProof {
  /** Neither stood nor refuted, cheapest first. */
  open: readonly Choice[] = [];
  private readonly choice: CoverChoice;
  private readonly noGoods: NoGoods;
  private stepsLeft = 0;
  /** Of what is open: which one is next, and how much harder than at first. */
  private turn = 0;
  private effort = EFFORT_GROWTH;

  /** Undefined where the covers of a group are too many to list. `limit` is what the best known counts. */
  static begin(
    request: FitQuestion,
    { limit, effort }: { readonly limit: number | undefined; readonly effort: number },
    means: Means,
  ): FitProof | undefined {
    const { covers } = means;
    const list = new CoverList(
      request,
      means.floorRows,
      means.worth,
      () => means.leftMs() > 0,
      effort,
    );
    const kinds = covers.groups.map((group) => ({ group, kind: kindOf(request, group) }));
    const { prices, weight } = priceFloor(kinds, limit, { list, covers });
    const leastOf = new Map<string, number>();
    for (const { group, kind } of kinds) {
      if (leastOf.has(kind)) continue;
      // By litres alone it is nearly the least; the list up to it holds the least.
      const nearly = covers.lightest(group, weight)?.weight;
      const listed =
        nearly === undefined
          ? undefined
          : list.of(group, { least: nearly + 1e-6, limit: nearly + 1e-6 }, weight);
      if (nearly === undefined || !listed) return undefined;
      // Where none of them bears the group, what does counts more.
      leastOf.set(kind, Math.min(nearly, ...listed.covers.map((cover) => weightOf(cover, weight))));
    }
    const least =
      kinds.reduce((sum, { kind }) => sum + (leastOf.get(kind) ?? 0), 0) -
      prices.reduce((a, b) => a + b, 0);
    const most = limit ?? least * GUESS;
    const { coversOf, slack } =
      listAll(
        list,
        kinds.map(({ group, kind }) => ({ group, kind, least: leastOf.get(kind) ?? 0 })),
        most - least,
        weight,
      ) ?? {};
    if (!coversOf || slack === undefined || (slack <= 0 && most > least)) return undefined;
    return new FitProof(request, means, {
      coversOf,
      kinds: kinds.map(({ kind }) => kind),
      prices,
      from: coversOf.some(({ length }) => length === 0) ? least + slack : least,
      below: least + slack,
      isWhole: slack === most - least && limit !== undefined,
      owedSteps: list.taken / LISTED_A_STEP,
    });
  }

  /** All that count less than `from` are refuted or open; no choice is listed that counts `below` or more. */
  private constructor(
    private readonly request: FitQuestion,
    private readonly means: Means,
    private readonly at: {
      readonly coversOf: readonly (readonly Cover[])[];
      readonly kinds: readonly string[];
      readonly prices: Float64Array;
      from: number;
      below: number;
      owedSteps: number;
      readonly isWhole: boolean;
    },
  ) {
    this.choice = new CoverChoice(
      at.coversOf.map((covers, g) => ({ kind: at.kinds[g] ?? '', covers })),
      at.prices,
      at.below,
    );
    if (at.from < at.below)
      at.from = Math.min(at.below, Math.max(at.from, this.choice.reached - 1e-6));
    this.noGoods = new NoGoods(request, at.coversOf);
  }

  private readonly hasTime = (): boolean => this.means.leftMs() > 0;

  /** No choice that stands counts less. */
  get bound(): number {
    return Math.min(this.open[0]?.worth ?? Infinity, this.at.from, this.at.below);
  }

  /** Whether every choice below the best that was known at the beginning is among those gone through. */
  get isWhole(): boolean {
    return this.at.isWhole;
  }

  /** Whether all that was listed is refuted, and more could be. */
  get isShort(): boolean {
    return !this.at.isWhole && this.open.length === 0 && this.at.from >= this.at.below - 1e-9;
  }

  /** Whether all is gone through, and what is open is not worth more. */
  get isThrough(): boolean {
    const isGoneThrough =
      this.choice.isFull || this.open.length >= MOST_OPEN || this.at.from >= this.at.below - 1e-9;
    return isGoneThrough && (this.open.length === 0 || this.effort > MOST_EFFORT);
  }

  /**
   * Goes on below what the best known counts, for about so many steps of the searches through
   * places and while there is time; what is open when all has been
   * gone through is looked at again, each time harder.
   */
  advance(limit: number | undefined, steps: number): void {
    const { at, hasTime } = this;
    at.below = Math.min(at.below, limit ?? Infinity);
    this.stepsLeft = steps - at.owedSteps;
    at.owedSteps = Math.max(0, -this.stepsLeft);
    this.goThrough();
    while (this.stepsLeft > 0 && hasTime() && this.open.length > 0 && this.effort <= MOST_EFFORT) {
      const next = this.open[this.turn];
      if (!next) {
        this.turn = 0;
        this.effort *= EFFORT_GROWTH;
        continue;
      }
      const verdict = this.lookAgain(next);
      if (verdict === 'open') this.turn += 1;
      else this.settle(next, verdict);
    }
  }

  private goThrough(): void {
    const {
      at,
      hasTime,
      means: { covers },
    } = this;
    this.open = this.open.filter(({ worth }) => worth < at.below - 1e-9);
    const isPossible = (taken: readonly Cover[]): boolean =>
      covers.mayStand(taken.flatMap(({ parts }) => parts));
    while (
      at.from < at.below - 1e-9 &&
      !this.choice.isFull &&
      this.open.length < MOST_OPEN &&
      this.stepsLeft > 0 &&
      hasTime()
    ) {
      const { looked } = this.choice;
      const next = this.choice.next(at.below, {
        most: this.stepsLeft * BEGUN_A_STEP,
        hasTime,
        noGoods: this.noGoods,
        isPossible,
      });
      this.stepsLeft -= (this.choice.looked - looked) / BEGUN_A_STEP;
      at.from = Math.min(at.below, Math.max(at.from, this.choice.reached - 1e-6));
      if (next === undefined) at.from = at.below;
      if (next === undefined || next === 'later') return;
      const verdict = this.judge(next);
      if (verdict === 'open') this.open = [...this.open, next];
      else this.settle(next, verdict);
    }
  }

  /** Takes a choice from what is open. */
  private settle(choice: Choice, verdict: Exclude<Verdict, 'open'> | 'stood'): void {
    if (verdict === 'refuted') this.noGoods.add(this.blame(choice.covers));
    else this.at.below = choice.worth;
    if (typeof verdict === 'object')
      this.means.take({ chosen: choice.covers.flatMap(({ parts }) => parts), packing: verdict });
    this.open = this.open.filter((other) => other !== choice && other.worth < this.at.below - 1e-9);
  }

  private judge({ covers }: Choice): Verdict | 'stood' {
    const {
      request,
      means: { solver, leftMs, stand },
    } = this;
    const chosen = covers.flatMap(({ parts }) => parts);
    let verdict = this.decide(covers, QUICK_STEPS);
    if (verdict !== 'open') return verdict;
    this.stepsLeft -= STAND_STEPS;
    if (stand(chosen, 1)) return 'stood';
    verdict = this.decide(covers, THOROUGH_STEPS);
    if (verdict !== 'open' || leftMs() <= 0) return verdict;
    this.stepsLeft -= STAND_STEPS;
    return isRefutedByLines(request, chosen, { solver, seed: request.seed, leftMs: leftMs() })
      ? 'refuted'
      : 'open';
  }

  private lookAgain({ covers }: Choice): Verdict | 'stood' {
    const verdict = this.decide(covers, THOROUGH_STEPS * this.effort);
    if (verdict !== 'open' || !this.hasTime()) return verdict;
    this.stepsLeft -= STAND_STEPS * this.effort;
    return this.means.stand(
      covers.flatMap(({ parts }) => parts),
      this.effort,
    )
      ? 'stood'
      : 'open';
  }

  /** Of covers that cannot stand together as few as still cannot. */
  private blame(covers: readonly Cover[]): readonly Cover[] {
    let core = covers;
    for (const cover of covers) {
      const fewer = core.filter((other) => other !== cover);
      if (this.decide(fewer, BLAME_STEPS) === 'refuted') core = fewer;
    }
    return core;
  }

  private decide(covers: readonly Cover[], steps: number): Verdict {
    const onSteps = (taken: number): void => void (this.stepsLeft -= taken);
    return decideChoice(
      this.request,
      covers.flatMap(({ parts }) => parts),
      { steps, hasTime: this.hasTime, onSteps },
    );
  }
}

interface Wish {
  readonly group: FitGroup;
  readonly kind: string;
  readonly least: number;
}

/**
 * The covers of each group that weigh at most so much more than its least; all less than wished for
 * where they are too many. Groups of one kind have the same covers, in the same order.
 */
function listAll(
  list: CoverList,
  wishes: readonly Wish[],
  wished: number,
  weight: Weight,
): { readonly coversOf: (readonly Cover[])[]; readonly slack: number } | undefined {
  const ofKind = new Map<string, readonly Cover[]>();
  let slack = wished;
  for (const { group, kind, least } of wishes) {
    if (ofKind.has(kind)) continue;
    const listed = list.of(group, { least, limit: least + slack }, weight);
    if (!listed) return undefined;
    ofKind.set(kind, listed.covers);
    slack = listed.limit === least + slack ? slack : listed.limit - least;
  }
  const leastOf = new Map(wishes.map(({ kind, least }) => [kind, least]));
  for (const [kind, covers] of ofKind)
    ofKind.set(
      kind,
      covers.filter((cover) => weightOf(cover, weight) <= (leastOf.get(kind) ?? 0) + slack + 1e-9),
    );
  const coversOf = wishes.map(({ group, kind }) =>
    (ofKind.get(kind) ?? []).map((cover) =>
      cover.parts[0]?.group === group
        ? cover
        : { ...cover, twin: cover, parts: cover.parts.map((part) => ({ ...part, group })) },
    ),
  );
  return { coversOf, slack };
}

type Weight = (container: FitContainer) => number;

const weightOf = ({ parts }: Cover, weight: Weight): number =>
  parts.reduce((sum, { container, count }) => sum + weight(container) * count, 0);

/**
 * What the floor counts where it is scarce, by row, and what a container then counts with its
 * floor: what is free does not go on for ever.
 */
function priceFloor(
  kinds: readonly { readonly group: FitGroup; readonly kind: string }[],
  limit: number | undefined,
  { list, covers }: { readonly list: CoverList; readonly covers: GroupCovers },
): { readonly prices: Float64Array; readonly weight: Weight } {
  const oneOfEach = kinds.filter(
    ({ kind }, i) => kinds.findIndex((other) => other.kind === kind) === i,
  );
  const weightAt =
    (prices: Float64Array): Weight =>
    (container) =>
      list
        .sharesOf(container)
        .reduce((sum, share, r) => sum + share * prices[r]!, list.worth(container));
  const { prices, bound } = climbPrices(
    new Float64Array(list.rowCount),
    FLOOR_ROUNDS,
    limit ?? Infinity,
    (at) => {
      const weight = weightAt(at);
      const used = new Float64Array(at.length);
      let sum = 0;
      for (const { group, kind } of oneOfEach) {
        const count = kinds.filter((other) => other.kind === kind).length;
        const lightest = covers.lightest(group, weight);
        sum += count * (lightest?.weight ?? 0);
        for (const part of lightest?.parts ?? []) {
          list.sharesOf(part.container).forEach((share, r) => {
            used[r] = used[r]! + count * part.count * share;
          });
        }
      }
      return { sum, used };
    },
  );
  // Any price will do: with one for what is free, there is an end to it also where there is room enough.
  const isFree = covers.groups.some((group) =>
    covers.suitedTo(group).some(({ container }) => list.worth(container) <= 0),
  );
  if (isFree) prices[0] = Math.max(prices[0]!, LEAST_PRICE * ((limit ?? bound * GUESS) - bound));
  return { prices, weight: weightAt(prices) };
}
const FLOOR_ROUNDS = 60;
/** Of the floor where there are free containers, of what lies between the bound and the best. */
const LEAST_PRICE = 0.2;

/** Groups of one kind want the same of their containers, and are as heavy. */
function kindOf({ pins = [] }: FitQuestion, group: FitGroup): string {
  const own = pins
    .filter(({ groupId }) => groupId === group.id)
    .map(({ containerId }) => containerId)
    .sort();
  return JSON.stringify([{ ...group, id: '', name: '' }, own]);
}
