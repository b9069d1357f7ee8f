import { createRandom, type Random } from '../shared';
import { coverByOne, coverGroup, type Coverer } from './coverGroup';
import type { FitContainer, FitGroup, FitRequest } from './model';
import type { DensePacking } from './packDense';
import { packPiles, type Packing } from './packPiles';
import type { FloorRow } from './floorRows';
import { maxStackOf, type Chosen } from './selectContainers';
import { clearOf, findBayFault, groupMassG, suits, type FitQuestion } from './suitability';

/** Containers that were found a place, with what they score: less is better, first aim first. */
export interface FoundFit {
  readonly chosen: readonly Chosen[];
  readonly packing: Packing;
  readonly score: Score;
}
export type Score = readonly [aim: number, costMinor: number];

export const isLess = (a: Score, b: Score): boolean => a[0] < b[0] - 1e-9 || (a[0] <= b[0] + 1e-9 && a[1] < b[1] - 1e-9);

/** How many times its base the price of floor may be. */
const MOST_FLOOR_PRICE = 300;
interface Measured {
  readonly container: FitContainer;
  readonly areaMm2: number;
  /** Highest stack. */
  readonly high: number;
  /** Floor of its share of a strip from front to back, where nothing else stands in it. */
  readonly stripMm2: number;
  /** Of each floor row. */
  readonly shares: readonly number[];
}
interface Suited extends Measured {
  /** Overloaded at the group's usual density: wants more of it than its litres say. */
  readonly isHeavy: boolean;
}

const FIRST_TRIES = 48;
const LOOK_TRIES = 8;
const HARD_TRIES = 120;
const HARD_NODES = 3000;
/** Selections that found no place, kept to be tried harder. */
const MOST_KEPT = 24;
/** What a bought piece counts in money where reuse comes first; more than any selection costs. */
const BOUGHT_MINOR = 1e7;

/**
 * Searches containers and their places together: covers each group at the least of money and floor,
 * stands everything, then covers one or two groups anew and keeps what is better and still stands.
 * The price of floor starts low and rises until everything stands. Source: ruin and recreate,
 * Schrimpf et al., 2000. Deterministic unless the time cuts it.
 */
export class FitSearch {
  best: FoundFit | undefined;
  /** The densest filling that was found where not everything stands, by the litres in it. */
  densest: DensePacking | undefined;
  private readonly random: Random;
  private readonly suited: ReadonlyMap<FitGroup, readonly Suited[]>;
  private readonly measures: ReadonlyMap<FitContainer, Measured>;
  private readonly groups: readonly FitGroup[];
  private readonly seen = new Set<string>();
  private failed: { readonly chosen: readonly Chosen[]; readonly score: Score }[] = [];
  /** The floor of the bay at this counts as two usual containers. */
  private readonly basePrice: number;
  /** At which something stood last. */
  private standingPrice: number;

  constructor(private readonly request: FitQuestion, private readonly floorRows: readonly FloorRow[], private readonly leftMs: () => number) {
    this.random = createRandom(request.seed);
    this.groups = request.groups.filter(({ litres }) => litres > 0);
    const standing = request.containers.filter((container) => container.innerLitres > 0 && findBayFault(request, container) === undefined);
    const measured = standing.map((container) => ({ container, areaMm2: floorRows[0]?.of(container) ?? 0, high: maxStackOf(request, container), stripMm2: stripMm2Of(request, container), shares: floorRows.map((row) => row.of(container)) }));
    this.measures = new Map(measured.map((entry) => [entry.container, entry]));
    this.suited = new Map(
      this.groups.map((group) => [
        group,
        measured
          .filter(({ container }) => suits(request, container, group))
          .map((entry) => ({ ...entry, isHeavy: (groupMassG(group) / group.litres) * entry.container.innerLitres > (entry.container.maxLoadG ?? Infinity) + 1e-9 })),
      ]),
    );
    const prices = standing.map((container) => container.priceMinor).filter((price) => price > 0);
    const usualMinor = prices.length > 0 ? prices.reduce((a, b) => a + b, 0) / prices.length : 100;
    this.basePrice = (usualMinor * 2) / Math.max(1, floorRows[0]?.most ?? 1);
    this.standingPrice = this.basePrice;
  }

  /** Looks whether a selection stands, and keeps it where it is the best so far. */
  offer(chosen: readonly Chosen[], tries: number, tightNodes = 0): boolean {
    const score = this.scoreOf(chosen, 0);
    if (this.best && !isLess(score, this.best.score)) return false;
    const packing = packPiles(this.request, chosen, { tries, tightNodes, random: this.random, aim: this.request.prefer === 'easy' ? 'easy' : 'first', hasTime: () => this.leftMs() > 0, onPartial: (part) => this.keepDensest(part) });
    if (!packing) {
      this.keepFailed(chosen, score);
      return false;
    }
    const found = this.scoreOf(chosen, packing.blockingG);
    if (!this.best || isLess(found, this.best.score)) this.best = { chosen, packing, score: found };
    return true;
  }

  private keepDensest(part: DensePacking): void {
    const litresOf = ({ stood }: DensePacking): number => stood.reduce((sum, { container, levels }) => sum + container.innerLitres * levels.length, 0);
    if (!this.densest || litresOf(part) > litresOf(this.densest)) this.densest = part;
  }

  /** Raises the price of floor until a selection stands; false where none did in the time. */
  findFirst(): boolean {
    for (let round = 0; round < 60 && (this.leftMs() > 0 || round === 0); round += 1) {
      this.standingPrice = this.basePrice * (round === 0 ? 0.1 : MOST_FLOOR_PRICE ** ((round % 15) / 15));
      const chosen = this.coverAll(round === 0 ? 0 : round < 15 ? 0.1 : 0.3, this.standingPrice);
      if (chosen && this.mayStand(chosen) && this.isNew(chosen) && this.offer(chosen, FIRST_TRIES)) return true;
    }
    return this.best !== undefined;
  }

  /** Betters what was found until `isDone` or the time is up. */
  improve(isDone: (found: FoundFit) => boolean): void {
    let idle = 0;
    while (this.leftMs() > 0 && !(this.best && isDone(this.best)) && idle < 20_000) {
      idle += 1;
      if (idle % 40 === 0 && this.retryFailed()) continue;
      const chosen = this.best ? this.change(this.best.chosen) : this.coverAll(0.3);
      if (!chosen || !this.mayStand(chosen) || !this.isNew(chosen)) continue;
      if (this.best && !isLess(this.scoreOf(chosen, 0), this.best.score)) continue;
      if (this.offer(chosen, LOOK_TRIES)) idle = 0;
    }
  }

  /** Tries the most promising selection that found no place once more, harder. */
  private retryFailed(): boolean {
    const next = this.failed.shift();
    if (!next) return false;
    if (this.best && !isLess(next.score, this.best.score)) return false;
    return this.offer(next.chosen, HARD_TRIES, HARD_NODES);
  }

  private keepFailed(chosen: readonly Chosen[], score: Score): void {
    this.failed = [...this.failed, { chosen, score }].sort((a, b) => a.score[0] - b.score[0] || a.score[1] - b.score[1]).slice(0, MOST_KEPT);
  }

  /** Covers one, two or all groups anew, at another price of floor and with shaken prices. */
  private change(chosen: readonly Chosen[]): readonly Chosen[] | undefined {
    const roll = this.random();
    const count = roll < 0.45 ? 1 : roll < 0.8 ? 2 : roll < 0.92 ? 3 : this.groups.length;
    const renewed = new Set(shuffle(this.groups, this.random).slice(0, count));
    const kept = chosen.filter(({ group }) => !renewed.has(group));
    const only = this.request.prefer === 'uniform' ? this.fewerKinds(chosen) : undefined;
    if (only) return this.cover(this.groups, [], 0.05, { only });
    return this.cover([...renewed], kept, 0.1 + this.random() * 0.3);
  }

  /** For the fewest kinds: the kinds in use less one or with one swapped, all groups covered by them. */
  private fewerKinds(chosen: readonly Chosen[]): ReadonlySet<FitContainer> | undefined {
    if (this.random() < 0.2) return undefined;
    const kinds = shuffle([...new Set(chosen.map(({ container }) => container))], this.random);
    const kept = new Set(kinds.slice(1 + Math.floor(this.random() * 2)));
    const group = this.groups[Math.floor(this.random() * this.groups.length)];
    const more = group && this.suited.get(group);
    if (more && (kept.size === 0 || this.random() < 0.8)) {
      const extra = more[Math.floor(this.random() * more.length)]?.container;
      if (extra) kept.add(extra);
    }
    return kept;
  }

  private coverAll(shake: number, floorPrice?: number): readonly Chosen[] | undefined {
    return this.cover(shuffle(this.groups, this.random), [], shake, floorPrice === undefined ? {} : { floorPrice });
  }

  /** Half of the draws stay near the price at which something stood last, the others go anywhere. */
  private drawFloorPrice(): number {
    const isNear = this.random() < 0.5;
    return isNear ? this.standingPrice * Math.exp((this.random() - 0.6) * 2) : this.basePrice * Math.exp(this.random() * Math.log(MOST_FLOOR_PRICE) - 1);
  }

  /** Covers these groups one after the other with what `kept` leaves; undefined where one cannot be. */
  private cover(groups: readonly FitGroup[], kept: readonly Chosen[], shake: number, { only, floorPrice }: { readonly only?: ReadonlySet<FitContainer>; readonly floorPrice?: number } = {}): readonly Chosen[] | undefined {
    const chosen = [...kept];
    const price = floorPrice ?? this.drawFloorPrice();
    for (const group of groups) {
      const used = new Map<FitContainer, number>();
      for (const { container, count } of chosen) used.set(container, (used.get(container) ?? 0) + count);
      // Without some of them each time, second and third choices get their turn.
      const left = only || shake < 0.1 ? 0 : this.random() * 0.7;
      // What is too heavy to stand before another group needs a strip of its own.
      const isByStrip = !this.request.bay.pullOut && this.random() < 0.5;
      const coverers: Coverer[] = [];
      const heavy: Coverer[] = [];
      for (const { container, areaMm2, stripMm2, high, isHeavy } of this.suited.get(group) ?? []) {
        if (only ? !only.has(container) : left > 0 && this.random() < left) continue;
        const levels = high === 1 || this.random() < 0.4 ? 1 : high;
        const money = this.moneyOf(container, used) * (1 + shake * (this.random() - 0.5));
        const coverer = { container, available: (container.available ?? Infinity) - (used.get(container) ?? 0), weight: money + (price * (isByStrip ? stripMm2 : areaMm2)) / levels + 1e-6 };
        if (coverer.available > 0) (isHeavy ? heavy : coverers).push(coverer);
      }
      const alone = heavy.length > 0 && this.random() < 0.3 ? heavy[Math.floor(this.random() * heavy.length)] : undefined;
      const parts = (alone && coverByOne(group, alone)) ?? coverGroup(group, coverers) ?? heavy.map((coverer) => coverByOne(group, coverer)).find((cover) => cover !== undefined);
      if (!parts) return undefined;
      for (const part of parts) chosen.push({ ...part, group });
    }
    return this.isBearable(chosen) ? dropSpare(chosen) : undefined;
  }

  /** What one more of a container counts before its floor does. */
  private moneyOf(container: FitContainer, used: ReadonlyMap<FitContainer, number>): number {
    const isBought = container.priceMinor > 0;
    if (this.request.prefer === 'reuse') return container.priceMinor + (isBought ? BOUGHT_MINOR / 1e3 : 0);
    if (this.request.prefer === 'uniform') return container.priceMinor * (used.has(container) ? 0.5 : 1);
    return container.priceMinor;
  }

  scoreOf(chosen: readonly Chosen[], blockingG: number): Score {
    let costMinor = 0;
    let bought = 0;
    for (const { container, count } of chosen) {
      costMinor += container.priceMinor * count;
      if (container.priceMinor > 0) bought += count;
    }
    switch (this.request.prefer) {
      case 'cost': return [costMinor, costMinor];
      case 'reuse': return [bought, costMinor];
      case 'uniform': return [new Set(chosen.map(({ container }) => container)).size, costMinor];
      case 'easy': return [blockingG, costMinor];
    }
  }

  /** Whether, at the tightest stacking, no floor row rules it out. */
  private mayStand(chosen: readonly Chosen[]): boolean {
    const counts = new Map<FitContainer, number>();
    for (const { container, count } of chosen) counts.set(container, (counts.get(container) ?? 0) + count);
    const stacks = [...counts].flatMap(([container, count]) => {
      const measured = this.measures.get(container);
      return measured ? [{ shares: measured.shares, count: Math.ceil(count / measured.high) }] : [];
    });
    return this.floorRows.every((row, r) => stacks.reduce((sum, { shares, count }) => sum + count * (shares[r] ?? 0), 0) <= row.most * (1 + 1e-9));
  }

  private isBearable(chosen: readonly Chosen[]): boolean {
    const limit = this.request.bay.maxLoadG;
    if (limit === undefined) return true;
    const contentG = this.groups.reduce((sum, group) => sum + groupMassG(group), 0);
    return contentG + chosen.reduce((sum, { container, count }) => sum + (container.tareG ?? 0) * count, 0) <= limit;
  }

  private isNew(chosen: readonly Chosen[]): boolean {
    const key = chosen.map(({ container, group, count }) => `${group.id}\u0000${container.id}\u0000${count}`).sort().join('\u0001');
    if (this.seen.has(key)) return false;
    this.seen.add(key);
    return true;
  }
}

/** Width of a strip of this container, the better way round, by the depth of the bay, over the stacks in it. */
function stripMm2Of(request: FitRequest, { outer, turnable, shape }: FitContainer): number {
  const { x0, x1, y0, y1 } = clearOf(request);
  const gap = request.clearances.between;
  const share = (width: number, depth: number): number => {
    const stacks = Math.floor((y1 - y0 + gap + 1e-6) / (depth + gap));
    return stacks < 1 || width > x1 - x0 ? Infinity : ((width + gap) * (y1 - y0 + gap)) / stacks;
  };
  const least = Math.min(share(outer.width, outer.depth), (turnable ?? true) && shape !== 'round' ? share(outer.depth, outer.width) : Infinity);
  return Number.isFinite(least) ? least : (outer.width + gap) * (y1 - y0 + gap);
}

/** Takes out pieces that a group does not need, the dearest first: rounded litres may have bought one too many. */
function dropSpare(chosen: readonly Chosen[]): readonly Chosen[] {
  const spare = new Map<FitGroup, number>();
  for (const { container, group, count } of chosen) spare.set(group, (spare.get(group) ?? -group.litres) + container.innerLitres * count);
  if ([...spare.values()].every((litres) => litres <= 0)) return chosen;
  return [...chosen]
    .sort((a, b) => b.container.priceMinor - a.container.priceMinor)
    .map((part) => {
      // Fewer containers hold more each, which a weak one may not bear.
      if (part.container.maxLoadG !== undefined) return part;
      const over = spare.get(part.group) ?? 0;
      const drop = Math.min(part.count, Math.floor(over / part.container.innerLitres + 1e-12));
      if (drop <= 0) return part;
      spare.set(part.group, over - drop * part.container.innerLitres);
      return { ...part, count: part.count - drop };
    })
    .filter(({ count }) => count > 0);
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
