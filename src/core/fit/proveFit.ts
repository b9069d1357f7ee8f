import type { Solver } from '../shared';
import { coverGroup } from './coverGroup';
import { CoverChoice, type Choice } from './coverChoice';
import { decideChoice, isRefutedByLines, type Verdict } from './decideChoice';
import type { Packing } from './floor';
import type { FloorRow } from './floorRows';
import type { GroupCovers } from './groupCovers';
import { CoverList, type Cover } from './listCovers';
import type { FitGroup } from './model';
import { NoGoods } from './noGoods';
import type { Chosen } from './selectContainers';
import type { FitQuestion } from './suitability';

interface Means {
  readonly solver: Solver;
  readonly covers: GroupCovers;
  readonly floorRows: readonly FloorRow[];
  readonly worth: (container: Chosen['container']) => number;
  readonly leftMs: () => number;
  /** Tries to stand a choice; whether it does. */
  readonly stand: (chosen: readonly Chosen[]) => boolean;
  /** Told of a choice and where it stands. */
  readonly take: (found: { readonly chosen: readonly Chosen[]; readonly packing: Packing }) => void;
}

/** Where nothing that stands is known: so much above what the groups cost were there any room. */
const GUESS = 1.3;
/** Of the way from what the groups cost to the best known. */
const SHARES: readonly number[] = [1, 0.6, 0.35, 0.2, 0.1];
/** The worths between the bound and the best are gone through in so many steps at first. */
const FIRST_STEPS = 8;
const MOST_AT_ONCE = 1500;
const FINEST = 2e-5;
/** With so many open choices it goes no further before some are settled. */
const MOST_OPEN = 200;
/** Steps of the search through places before a choice is tried to be stood, where it did not stand, and to find out which groups are to blame. */
const QUICK_STEPS = 2500;
const THOROUGH_STEPS = 8000;
const BLAME_STEPS = 800;
/** What listing choices, and what standing one or asking the lines, takes as long as. */
const LIST_STEPS = 100;
const STAND_STEPS = 1000;
/** Each look at what is open takes so many times the steps of the one before, until it is so many times the first. */
const EFFORT_GROWTH = 4;
const MOST_EFFORT = 20;

/**
 * Goes through the choices of one cover a group that count less than the best known, the cheapest first: each is refuted, or stood, or
 * left open. The first that stands is the best there is where none before it is open. What is refuted teaches which
 * covers cannot stand together.
 */
export class FitProof {
  /** Neither stood nor refuted, cheapest first. */
  open: readonly Choice[] = [];
  private readonly choice: CoverChoice;
  private readonly noGoods: NoGoods;
  private step: number;
  private stepsLeft = 0;
  /** There are too many choices in the finest step. */
  private isStuck = false;
  /** Of what is open: which one is next, and how much harder than at first. */
  private turn = 0;
  private effort = EFFORT_GROWTH;

  /** Undefined where the covers of a group are too many to list. `limit` is what the best known counts. */
  static begin(request: FitQuestion, limit: number | undefined, means: Means): FitProof | undefined {
    const { covers, worth } = means;
    const list = new CoverList(request, means.floorRows, worth, () => means.leftMs() > 0);
    const leastOf: number[] = [];
    for (const group of covers.groups) {
      // By litres alone it is nearly the least; the list up to it holds the least.
      const parts = coverGroup(group, covers.suitedTo(group).map(({ container }) => ({ container, available: container.available ?? Infinity, weight: worth(container) + 1e-6 })));
      const nearly = parts?.reduce((sum, { container, count }) => sum + worth(container) * count, 0) ?? 0;
      const listed = parts && list.of(group, nearly + 1e-6);
      if (!listed) return undefined;
      // Where none of them bears the group, what does counts more.
      leastOf.push(Math.min(nearly, ...listed.map((cover) => cover.worth)));
    }
    const leastSum = leastOf.reduce((a, b) => a + b, 0);
    const most = limit ?? leastSum * GUESS;
    // Where there are too many below the best known, as far as they can be listed.
    for (const share of SHARES) {
      const below = share === 1 ? most : leastSum + (most - leastSum) * share;
      const coversOf = listAll(list, covers.groups.map((group, g) => ({ group, limit: below - leastSum + (leastOf[g] ?? 0) })));
      if (coversOf) return new FitProof(request, means, { coversOf, from: coversOf.some(({ length }) => length === 0) ? below : leastSum, below, isWhole: share === 1 && limit !== undefined });
    }
    return undefined;
  }

  /** All that count less than `from` are refuted or open; no choice is listed that counts `below` or more. */
  private constructor(private readonly request: FitQuestion, private readonly means: Means, private readonly at: { readonly coversOf: readonly (readonly Cover[])[]; from: number; below: number; readonly isWhole: boolean }) {
    this.choice = new CoverChoice(at.coversOf.map((covers, g) => ({ kind: kindOf(request, means.covers.groups[g]), covers })), means.floorRows.length, at.below);
    if (at.from < at.below) at.from = Math.min(at.below, Math.max(at.from, this.choice.bound - 1e-6));
    this.step = Math.max((at.below - at.from) / FIRST_STEPS, at.below * FINEST);
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

  /** Whether all is gone through, and what is open is not worth more. */
  get isThrough(): boolean {
    const isGoneThrough = this.isStuck || this.open.length >= MOST_OPEN || this.at.from >= this.at.below - 1e-9;
    return isGoneThrough && (this.open.length === 0 || this.effort > MOST_EFFORT);
  }

  /**
   * Goes on below what the best known counts, for about so many steps of the searches through places and while there is time; what is open when all has been
   * gone through is looked at again, each time harder.
   */
  advance(limit: number | undefined, steps: number): void {
    const { at, hasTime } = this;
    at.below = Math.min(at.below, limit ?? Infinity);
    this.stepsLeft = steps;
    this.goThrough();
    while (this.stepsLeft > 0 && hasTime() && this.open.length > 0 && this.effort <= MOST_EFFORT) {
      const next = this.open[this.turn];
      if (!next) {
        this.turn = 0;
        this.effort *= EFFORT_GROWTH;
        continue;
      }
      const verdict = this.decide(next.covers, THOROUGH_STEPS * this.effort);
      if (verdict === 'open') this.turn += 1;
      else this.settle(next, verdict);
    }
  }

  private goThrough(): void {
    const { at, hasTime, means: { covers } } = this;
    this.open = this.open.filter(({ worth }) => worth < at.below - 1e-9);
    const isPossible = (taken: readonly Cover[]): boolean => covers.mayStand(taken.flatMap(({ parts }) => parts));
    while (at.from < at.below - 1e-9 && !this.isStuck && this.open.length < MOST_OPEN && this.stepsLeft > 0 && hasTime()) {
      const to = Math.min(at.below, at.from + this.step);
      const found = this.choice.between(at.from, to, { most: MOST_AT_ONCE, hasTime, noGoods: this.noGoods, isPossible });
      this.stepsLeft -= LIST_STEPS;
      if (!found) {
        if (!hasTime()) return;
        this.step /= 4;
        this.isStuck = this.step < at.below * FINEST;
        continue;
      }
      for (const next of found) {
        // What counts as much as the one before it may have to be gone through once more.
        if (this.stepsLeft <= 0 || !hasTime() || this.open.length >= MOST_OPEN) {
          at.from = next.worth;
          return;
        }
        if (this.open.some((known) => known.covers.every((cover, g) => cover === next.covers[g])) || this.noGoods.hold(next.covers)) continue;
        const verdict = this.judge(next);
        if (verdict === 'open') this.open = [...this.open, next];
        else this.settle(next, verdict);
        if (next.worth >= at.below) break;
      }
      at.from = to;
      this.step *= 2;
    }
  }

  /** Takes a choice from what is open. */
  private settle(choice: Choice, verdict: Exclude<Verdict, 'open'> | 'stood'): void {
    if (verdict === 'refuted') this.noGoods.add(this.blame(choice.covers));
    else this.at.below = choice.worth;
    if (typeof verdict === 'object') this.means.take({ chosen: choice.covers.flatMap(({ parts }) => parts), packing: verdict });
    this.open = this.open.filter((other) => other !== choice && other.worth < this.at.below - 1e-9);
  }

  private judge({ covers }: Choice): Verdict | 'stood' {
    const { request, means: { solver, leftMs, stand } } = this;
    const chosen = covers.flatMap(({ parts }) => parts);
    let verdict = this.decide(covers, QUICK_STEPS);
    if (verdict !== 'open') return verdict;
    this.stepsLeft -= STAND_STEPS;
    if (stand(chosen)) return 'stood';
    verdict = this.decide(covers, THOROUGH_STEPS);
    if (verdict !== 'open' || leftMs() <= 0) return verdict;
    this.stepsLeft -= STAND_STEPS;
    return isRefutedByLines(request, chosen, { solver, seed: request.seed, leftMs: leftMs() }) ? 'refuted' : 'open';
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
    return decideChoice(this.request, covers.flatMap(({ parts }) => parts), { steps, hasTime: this.hasTime, onSteps });
  }
}

function listAll(list: CoverList, wishes: readonly { readonly group: FitGroup; readonly limit: number }[]): (readonly Cover[])[] | undefined {
  const all: (readonly Cover[])[] = [];
  for (const { group, limit } of wishes) {
    const listed = list.of(group, limit);
    if (!listed) return undefined;
    all.push(listed);
  }
  return all;
}

/** Groups of one kind want the same of their containers, and are as heavy. */
function kindOf({ pins = [] }: FitQuestion, group: FitGroup | undefined): string {
  const own = pins.filter(({ groupId }) => groupId === group?.id).map(({ containerId }) => containerId).sort();
  return JSON.stringify([{ ...group, id: '', name: '' }, own]);
}
