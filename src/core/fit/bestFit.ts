import type { Random } from '../shared';
import type { Packing } from './floor';
import { countUsed, MOST_FLOOR_PRICE, type GroupCovers } from './groupCovers';
import type { FitAim } from './model';
import type { DensePacking } from './packDense';
import { packPiles } from './packPiles';
import type { Chosen } from './selectContainers';
import type { FitQuestion } from './suitability';

/** Containers that were found a place, with what they score: less is better, first aim first. */
export interface FoundFit {
  readonly chosen: readonly Chosen[];
  readonly packing: Packing;
  readonly score: Score;
}
export type Score = readonly [aim: number, costMinor: number];

export const isLess = (a: Score, b: Score): boolean => a[0] < b[0] - 1e-9 || (a[0] <= b[0] + 1e-9 && a[1] < b[1] - 1e-9);

export function scoreOf(prefer: FitAim, chosen: readonly Chosen[], blockingG: number): Score {
  let costMinor = 0;
  let bought = 0;
  for (const { container, count } of chosen) {
    costMinor += container.priceMinor * count;
    if (container.priceMinor > 0) bought += count;
  }
  switch (prefer) {
    case 'cost': return [costMinor, costMinor];
    case 'reuse': return [bought, costMinor];
    case 'uniform': return [new Set(chosen.map(({ container }) => container)).size, costMinor];
    case 'easy': return [blockingG, costMinor];
  }
}

const FIRST_TRIES = 48;
const FIRST_ROUNDS = 8;

/** The best that stands so far. */
export class BestFit {
  found: FoundFit | undefined;
  /** The densest filling that was found where not everything stands, by the litres in it. */
  densest: DensePacking | undefined;

  constructor(private readonly request: FitQuestion, private readonly means: { readonly covers: GroupCovers; readonly random: Random; readonly hasTime: () => boolean; readonly onFirst: (found: FoundFit) => void }) {}

  /** Keeps it where it is the best so far. */
  take(found: FoundFit): boolean {
    if (this.found && !isLess(found.score, this.found.score)) return false;
    const isFirst = this.found === undefined;
    this.found = found;
    if (isFirst) this.means.onFirst(found);
    return true;
  }

  /** Looks whether a selection stands, and keeps it where it is the best so far; whether it stands. One that would not be better is not looked at. */
  offer(chosen: readonly Chosen[], tries: number, tightNodes = 0): boolean {
    const { prefer } = this.request;
    if (this.found && !isLess(scoreOf(prefer, chosen, 0), this.found.score)) return false;
    const packing = packPiles(this.request, chosen, { ...this.means, tries, tightNodes, aim: prefer === 'easy' ? 'easy' : 'first', onPartial: (part) => this.keepDensest(part) });
    if (!packing) return false;
    this.take({ chosen, packing, score: scoreOf(prefer, chosen, packing.blockingG) });
    return true;
  }

  /** Covers the groups at a price of floor that rises until a selection stands. */
  findFirst(): void {
    const { covers, hasTime } = this.means;
    for (let round = 0; round < FIRST_ROUNDS && !this.found && (round === 0 || hasTime()); round += 1) {
      const floorPrice = covers.baseFloorPrice * (round === 0 ? 0.1 : MOST_FLOOR_PRICE ** (round / FIRST_ROUNDS));
      const chosen = this.coverAll(floorPrice, round === 0 ? 0 : 0.2);
      if (chosen && covers.mayStand(chosen)) this.offer(chosen, FIRST_TRIES);
    }
  }

  private coverAll(floorPrice: number, shake: number): readonly Chosen[] | undefined {
    const { covers, random } = this.means;
    const chosen: Chosen[] = [];
    for (const group of shuffle(covers.groups, random)) {
      const parts = covers.cover(group, countUsed(chosen), { floorPrice, shake, isVaried: shake >= 0.1 });
      if (!parts) return undefined;
      chosen.push(...parts);
    }
    return chosen;
  }

  private keepDensest(part: DensePacking): void {
    const litresOf = ({ stood }: DensePacking): number => stood.reduce((sum, { container, levels }) => sum + container.innerLitres * levels.length, 0);
    if (!this.densest || litresOf(part) > litresOf(this.densest)) this.densest = part;
  }
}

function shuffle<T>(items: readonly T[], random: Random): T[] {
  const shuffled = [...items];
  for (let i = shuffled.length - 1; i > 0; i -= 1) {
    const j = Math.floor(random() * (i + 1));
    const [a, b] = [shuffled[i], shuffled[j]];
    if (a !== undefined && b !== undefined) {
      shuffled[i] = b;
      shuffled[j] = a;
    }
  }
  return shuffled;
}
