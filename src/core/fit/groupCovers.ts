import type { Random } from '../shared';
import { coverByOne, coverGroup, type Coverer } from './coverGroup';
import type { FloorRow } from './floorRows';
import type { FitContainer, FitGroup, FitRequest } from './model';
import type { Filled } from './piles';
import { maxStackOf, type Chosen } from './selectContainers';
import { clearOf, findBayFault, groupMassG, suits, type FitQuestion } from './suitability';

/** How many times its base the price of floor may be. */
export const MOST_FLOOR_PRICE = 300;
/** What a bought piece counts where reuse comes first, in prices of a usual container, at most. */
const MOST_BOUGHT = 40;

/** What is known of a container once and for all. */
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
export interface Suited extends Measured {
  /** Overloaded at the group's usual density: wants more of it than its litres say. */
  readonly isHeavy: boolean;
}

interface CoverWish {
  /** What the floor counts, a mm². */
  readonly floorPrice: number;
  /** Prices are shaken by up to half of this share, up or down. */
  readonly shake: number;
  /** Those that come into question, of the ones that suit; all where it is not given. */
  readonly among?: readonly Suited[];
  /** Whether each leaves some containers out by chance, so that second and third choices get their turn. */
  readonly isVaried: boolean;
  /** What is left to hold where some of the group stands; all of it where it is not given. */
  readonly litres?: number;
  /** Whether money alone counts, whatever comes first. */
  readonly isForMoney?: boolean;
}

/** Chooses containers that hold a group, at the least of money and floor. */
export class GroupCovers {
  readonly measures: ReadonlyMap<FitContainer, Measured>;
  readonly groups: readonly FitGroup[];
  /** The floor of the bay at this counts as two usual containers. */
  readonly baseFloorPrice: number;
  /** Of a usual container that is bought. */
  readonly usualMinor: number;
  private readonly suited: ReadonlyMap<FitGroup, readonly Suited[]>;

  constructor(
    private readonly request: FitQuestion,
    private readonly floorRows: readonly FloorRow[],
    private readonly random: Random,
  ) {
    this.groups = request.groups.filter(({ litres }) => litres > 0);
    const standing = request.containers.filter(
      (container) => container.innerLitres > 0 && findBayFault(request, container) === undefined,
    );
    const measured = standing.map((container) => ({
      container,
      areaMm2: floorRows[0]?.of(container) ?? 0,
      high: maxStackOf(request, container),
      stripMm2: stripMm2Of(request, container),
      shares: floorRows.map((row) => row.of(container)),
    }));
    this.measures = new Map(measured.map((entry) => [entry.container, entry]));
    this.suited = new Map(
      this.groups.map((group) => [
        group,
        measured
          .filter(({ container }) => suits(request, container, group))
          .map((entry) => ({
            ...entry,
            isHeavy:
              (groupMassG(group) / group.litres) * entry.container.innerLitres >
              (entry.container.maxLoadG ?? Infinity) + 1e-9,
          })),
      ]),
    );
    const prices = standing.map((container) => container.priceMinor).filter((price) => price > 0);
    this.usualMinor = prices.length > 0 ? prices.reduce((a, b) => a + b, 0) / prices.length : 100;
    this.baseFloorPrice = (this.usualMinor * 2) / Math.max(1, floorRows[0]?.most ?? 1);
  }

  suitedTo(group: FitGroup): readonly Suited[] {
    return this.suited.get(group) ?? [];
  }

  /**
   * At the least weight, by litres alone: what the load of a container asks for more weighs more.
   * Undefined where all of them do not hold enough.
   */
  lightest(
    group: FitGroup,
    weight: (container: FitContainer) => number,
  ):
    | { readonly parts: readonly Pick<Chosen, 'container' | 'count'>[]; readonly weight: number }
    | undefined {
    const parts = coverGroup(
      group,
      this.suitedTo(group).map(({ container }) => ({
        container,
        available: container.available ?? Infinity,
        weight: weight(container) + 1e-6,
      })),
    );
    return (
      parts && {
        parts,
        weight: parts.reduce((sum, { container, count }) => sum + weight(container) * count, 0),
      }
    );
  }

  /** With what is not `used` yet; undefined where that does not hold enough. */
  cover(
    group: FitGroup,
    used: ReadonlyMap<FitContainer, number>,
    { floorPrice, shake, among, isVaried, isForMoney = false, litres }: CoverWish,
  ): readonly Chosen[] | undefined {
    const left = isVaried ? this.random() * 0.7 : 0;
    // What is too heavy to stand before another group needs a strip of its own.
    const isByStrip = !this.request.bay.pullOut && this.random() < 0.5;
    const coverers: Coverer[] = [];
    const heavy: Coverer[] = [];
    const boughtMinor = this.drawBoughtMinor();
    for (const { container, areaMm2, stripMm2, high, isHeavy } of among ??
      this.suited.get(group) ??
      []) {
      if (left > 0 && this.random() < left) continue;
      const levels = high === 1 || this.random() < 0.4 ? 1 : high;
      const money =
        (isForMoney ? container.priceMinor : this.moneyOf(container, used, boughtMinor)) *
        (1 + shake * (this.random() - 0.5));
      const coverer = {
        container,
        available: (container.available ?? Infinity) - (used.get(container) ?? 0),
        weight: money + (floorPrice * (isByStrip ? stripMm2 : areaMm2)) / levels + 1e-6,
      };
      if (coverer.available > 0) (isHeavy ? heavy : coverers).push(coverer);
    }
    // What is left is spread thinner over what is there than the litres that a heavy one is counted by.
    if (litres !== undefined)
      return dropSpare(
        coverGroup({ ...group, litres }, coverers)?.map((part) => ({ ...part, group })),
        litres,
      );
    const alone =
      heavy.length > 0 && this.random() < 0.3
        ? heavy[Math.floor(this.random() * heavy.length)]
        : undefined;
    const parts =
      (alone && coverByOne(group, alone)) ??
      coverGroup(group, coverers) ??
      heavy.map((coverer) => coverByOne(group, coverer)).find((cover) => cover !== undefined);
    return dropSpare(
      parts?.map((part) => ({ ...part, group })),
      group.litres,
    );
  }

  /** What one more of a container counts, as the aim has it, each shaken by up to half of `shake`. */
  moneyWith(
    used: ReadonlyMap<FitContainer, number>,
    shake: number,
  ): (container: FitContainer) => number {
    const boughtMinor = this.drawBoughtMinor();
    return (container) =>
      this.moneyOf(container, used, boughtMinor) * (1 + shake * (this.random() - 0.5));
  }

  /** Sometimes little, so that a large bought one may take the place of many small ones that are here. */
  private drawBoughtMinor(): number {
    return this.request.prefer === 'reuse' ? this.usualMinor * MOST_BOUGHT ** this.random() : 0;
  }

  /**
   * Whether nothing that counts over all of them rules them out: whole stacks on the floor, what
   * there is of each, and what the bay bears.
   */
  mayStand(chosen: readonly Chosen[]): boolean {
    const used = new Float64Array(this.floorRows.length);
    for (const [container, count] of countUsed(chosen)) {
      const measured = this.measures.get(container);
      if (!measured || count > (container.available ?? Infinity)) return false;
      const stacks = Math.ceil(count / measured.high);
      for (let r = 0; r < used.length; r += 1) used[r] = used[r]! + measured.shares[r]! * stacks;
    }
    return (
      this.floorRows.every((row, r) => used[r]! <= row.most * (1 + 1e-9) + 1e-9) &&
      this.isBearable(chosen)
    );
  }

  isBearable(chosen: readonly Chosen[]): boolean {
    const limit = this.request.bay.maxLoadG;
    if (limit === undefined) return true;
    const contentG = this.groups.reduce((sum, group) => sum + groupMassG(group), 0);
    return (
      contentG +
        chosen.reduce((sum, { container, count }) => sum + (container.tareG ?? 0) * count, 0) <=
      limit
    );
  }

  /** What one more of a container counts before its floor does. */
  private moneyOf(
    container: FitContainer,
    used: ReadonlyMap<FitContainer, number>,
    boughtMinor: number,
  ): number {
    const isBought = container.priceMinor > 0;
    if (this.request.prefer === 'reuse') return container.priceMinor + (isBought ? boughtMinor : 0);
    if (this.request.prefer === 'uniform')
      return container.priceMinor * (used.has(container) ? 0.5 : 1);
    return container.priceMinor;
  }
}

/**
 * Width of a strip of this container, the better way round, by the depth of the bay, over the
 * stacks in it.
 */
function stripMm2Of(request: FitRequest, { outer, turnable, shape }: FitContainer): number {
  const { x0, x1, y0, y1 } = clearOf(request);
  const gap = request.clearances.between;
  const share = (width: number, depth: number): number => {
    const stacks = Math.floor((y1 - y0 + gap + 1e-6) / (depth + gap));
    return stacks < 1 || width > x1 - x0 ? Infinity : ((width + gap) * (y1 - y0 + gap)) / stacks;
  };
  const least = Math.min(
    share(outer.width, outer.depth),
    (turnable ?? true) && shape !== 'round' ? share(outer.depth, outer.width) : Infinity,
  );
  return Number.isFinite(least) ? least : (outer.width + gap) * (y1 - y0 + gap);
}

export function countUsed(chosen: readonly Chosen[]): Map<FitContainer, number> {
  const used = new Map<FitContainer, number>();
  for (const { container, count } of chosen)
    used.set(container, (used.get(container) ?? 0) + count);
  return used;
}

/** How many of each container hold each group. */
export function gather(held: readonly Pick<Filled, 'container' | 'group'>[]): Chosen[] {
  const counts = new Map<FitGroup, Map<FitContainer, number>>();
  for (const { container, group } of held) {
    const own = counts.get(group) ?? new Map<FitContainer, number>();
    counts.set(group, own.set(container, (own.get(container) ?? 0) + 1));
  }
  return [...counts].flatMap(([group, own]) =>
    [...own].map(([container, count]): Chosen => ({ group, container, count })),
  );
}

/**
 * Takes out pieces of one group that it does not need, the dearest first: rounded litres may have
 * bought one too many.
 */
function dropSpare(
  chosen: readonly Chosen[] | undefined,
  litres: number,
): readonly Chosen[] | undefined {
  let spare =
    chosen?.reduce((sum, { container, count }) => sum + container.innerLitres * count, -litres) ??
    0;
  if (!chosen || spare <= 0) return chosen;
  return [...chosen]
    .sort((a, b) => b.container.priceMinor - a.container.priceMinor)
    .map((part) => {
      // Fewer containers hold more each, which a weak one may not bear.
      if (part.container.maxLoadG !== undefined) return part;
      const drop = Math.min(part.count, Math.floor(spare / part.container.innerLitres + 1e-12));
      if (drop <= 0) return part;
      spare -= drop * part.container.innerLitres;
      return { ...part, count: part.count - drop };
    })
    .filter(({ count }) => count > 0);
}
