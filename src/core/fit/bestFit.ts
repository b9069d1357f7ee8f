import { type Random, pickByShare } from '../shared';
import type { Packing } from './floor';
import { countUsed, MOST_FLOOR_PRICE, type GroupCovers } from './groupCovers';
import type { FitAim } from './codes';
import type { FitContainer, FitGroup } from './model';
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
type Score = readonly [aim: number, costMinor: number];

const isLess = (a: Score, b: Score): boolean =>
  a[0] < b[0] - 1e-9 || (a[0] <= b[0] + 1e-9 && a[1] < b[1] - 1e-9);

export function scoreOf(
  prefer: FitAim,
  chosen: readonly Chosen[],
  { blockingG, movements = 0 }: Pick<Packing, 'blockingG' | 'movements'>,
): Score {
  let costMinor = 0;
  let bought = 0;
  for (const { container, count } of chosen) {
    costMinor += container.priceMinor * count;
    if (container.priceMinor > 0) bought += count;
  }
  switch (prefer) {
    case 'cost':
      return [costMinor, costMinor];
    case 'reuse':
      return [bought, costMinor];
    case 'uniform':
      return [new Set(chosen.map(({ container }) => container)).size, costMinor];
    case 'easy':
      return [blockingG, costMinor];
    case 'daily':
      return [movements, costMinor];
  }
}

/** Lids to lift for what is used daily: no packing spares them. */
const lidsOf = (chosen: readonly Chosen[]): number =>
  chosen.reduce(
    (sum, { container, group, count }) => sum + (group.front && container.lid ? count : 0),
    0,
  );

const FIRST_TRIES = 48;
const FIRST_ROUNDS = 8;
const LOOK_TRIES = 8;

/** How many groups are renewed at once, by the share of rolls; beyond the last all of them. */
const RENEWED_SHARES = [0.45, 0.8, 0.92] as const;

/** The best that stands so far. */
export class BestFit {
  found: FoundFit | undefined;
  /** The densest filling that was found where not everything stands, by the litres in it. */
  densest: DensePacking | undefined;
  /** Selections that were looked at anew. */
  private readonly seen = new Set<string>();

  constructor(
    private readonly request: FitQuestion,
    private readonly means: {
      readonly covers: GroupCovers;
      readonly random: Random;
      readonly hasTime: () => boolean;
      readonly onFirst: (found: FoundFit) => void;
    },
  ) {}

  /** Keeps it where it is the best so far. */
  take(found: FoundFit): boolean {
    if (this.found && !isLess(found.score, this.found.score)) return false;
    const isFirst = this.found === undefined;
    this.found = found;
    if (isFirst) this.means.onFirst(found);
    return true;
  }

  /**
   * Looks whether a selection stands, and keeps it where it is the best so far; whether it stands.
   * One that would not be better is not looked at.
   */
  offer(chosen: readonly Chosen[], tries: number, tightNodes = 0): boolean {
    const { prefer } = this.request;
    if (
      this.found &&
      !isLess(
        scoreOf(prefer, chosen, { blockingG: 0, movements: lidsOf(chosen) }),
        this.found.score,
      )
    )
      return false;
    const packing = packPiles(this.request, chosen, {
      ...this.means,
      tries,
      tightNodes,
      aim: prefer === 'easy' || prefer === 'daily' ? 'easy' : 'first',
      onPartial: (part) => this.keepDensest(part),
    });
    if (!packing) return false;
    this.take({ chosen, packing, score: scoreOf(prefer, chosen, packing) });
    return true;
  }

  /** Covers the groups at a price of floor that rises until a selection stands. */
  findFirst(): void {
    const { covers, hasTime } = this.means;
    for (
      let round = 0;
      round < FIRST_ROUNDS && !this.found && (round === 0 || hasTime());
      round += 1
    ) {
      const floorPrice =
        covers.baseFloorPrice * (round === 0 ? 0.1 : MOST_FLOOR_PRICE ** (round / FIRST_ROUNDS));
      const chosen = this.coverAll(floorPrice, round === 0 ? 0 : 0.2);
      if (chosen && covers.mayStand(chosen)) this.offer(chosen, FIRST_TRIES);
    }
  }

  /**
   * Covers some groups anew, or all, and stands everything in other places: finds what no step from
   * what stands would. So many rounds.
   */
  lookAnew(rounds: number): void {
    const { covers, random, hasTime } = this.means;
    for (let round = 0; round < rounds && hasTime(); round += 1) {
      const floorPrice =
        covers.baseFloorPrice * Math.exp(random() * Math.log(MOST_FLOOR_PRICE) - 1);
      const chosen = this.found
        ? this.change(this.found.chosen, floorPrice)
        : this.coverAll(floorPrice, 0.3);
      if (chosen && covers.mayStand(chosen) && this.isNew(chosen))
        this.offer(chosen, this.found ? LOOK_TRIES : FIRST_TRIES);
    }
  }

  private change(chosen: readonly Chosen[], floorPrice: number): readonly Chosen[] | undefined {
    const { covers, random } = this.means;
    const kinds = this.request.prefer === 'uniform' ? this.fewerKinds(chosen) : undefined;
    if (kinds)
      return this.cover(shuffle(covers.groups, random), [], { floorPrice, shake: 0.05, kinds });
    const roll = random();
    const renewed = shuffle(covers.groups, random).slice(
      0,
      pickByShare(roll, RENEWED_SHARES) ?? covers.groups.length,
    );
    return this.cover(
      renewed,
      chosen.filter(({ group }) => !renewed.includes(group)),
      { floorPrice, shake: 0.1 + random() * 0.3 },
    );
  }

  /** The kinds in use less one or two, mostly with another one. */
  private fewerKinds(chosen: readonly Chosen[]): ReadonlySet<FitContainer> | undefined {
    const { covers, random } = this.means;
    if (random() < 0.2) return undefined;
    const kept = new Set(
      shuffle([...new Set(chosen.map(({ container }) => container))], random).slice(
        1 + Math.floor(random() * 2),
      ),
    );
    const more = covers.suitedTo(
      covers.groups[Math.floor(random() * covers.groups.length)] as FitGroup,
    );
    const extra = more[Math.floor(random() * more.length)]?.container;
    if (extra && (kept.size === 0 || random() < 0.8)) kept.add(extra);
    return kept;
  }

  private coverAll(floorPrice: number, shake: number): readonly Chosen[] | undefined {
    return this.cover(shuffle(this.means.covers.groups, this.means.random), [], {
      floorPrice,
      shake,
    });
  }

  /** Covers these groups one after the other with what `kept` leaves; undefined where one cannot be. */
  private cover(
    groups: readonly FitGroup[],
    kept: readonly Chosen[],
    {
      floorPrice,
      shake,
      kinds,
    }: {
      readonly floorPrice: number;
      readonly shake: number;
      readonly kinds?: ReadonlySet<FitContainer>;
    },
  ): readonly Chosen[] | undefined {
    const { covers, random } = this.means;
    const chosen = [...kept];
    for (const group of groups) {
      const among = kinds && covers.suitedTo(group).filter(({ container }) => kinds.has(container));
      const parts = covers.cover(group, countUsed(chosen), {
        floorPrice,
        shake,
        isVaried: !kinds && shake >= 0.1,
        isForMoney: !this.found && random() < 0.5,
        ...(among && { among }),
      });
      if (!parts) return undefined;
      chosen.push(...parts);
    }
    return chosen;
  }

  private isNew(chosen: readonly Chosen[]): boolean {
    const key = chosen
      .map(({ container, group, count }) => `${group.id}\u0000${container.id}\u0000${count}`)
      .sort()
      .join('\u0001');
    if (this.seen.has(key)) return false;
    this.seen.add(key);
    return true;
  }

  private keepDensest(part: DensePacking): void {
    const litresOf = ({ stood }: DensePacking): number =>
      stood.reduce((sum, { container, levels }) => sum + container.innerLitres * levels.length, 0);
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
