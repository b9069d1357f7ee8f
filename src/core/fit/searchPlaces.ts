import { type Random, pickByShare } from '../shared';
import { scoreOf, type FoundFit } from './bestFit';
import {
  Floor,
  type Corner,
  type Packing,
  type Place,
  type PlaceRule,
  type SnugPlace,
  type Spot,
} from './floor';
import { gather, MOST_FLOOR_PRICE, type GroupCovers, type Suited } from './groupCovers';
import type { FitContainer, FitGroup } from './model';
import {
  areBorne,
  buildPiles,
  canStack,
  fillContainers,
  isStack,
  type Filled,
  type Pile,
} from './piles';
import type { Chosen } from './selectContainers';
import { groupMassG, type FitQuestion } from './suitability';

/** What stands, the groups that have no containers yet, and how bad that is. */
interface Layout {
  readonly packing: Packing;
  readonly missing: ReadonlySet<FitGroup>;
  readonly chosen: readonly Chosen[];
  readonly energy: number;
}

interface Means {
  readonly covers: GroupCovers;
  readonly random: Random;
  readonly hasTime: () => boolean;
  /** The containers of each group where they are chosen already and only places are looked for. */
  readonly partsOf?: ReadonlyMap<FitGroup, readonly Chosen[]>;
  /** Told of everything better than all before in which every group is held. */
  readonly onBetter: (found: FoundFit) => boolean;
}

/** Steps until boldness starts anew: few at first, then so many times more, at most so many. */
const PERIOD = { first: 150, growth: 1.5, most: 1500 } as const;
/**
 * A step so much worse, in prices of a usual container, is taken with chance 1/e at the start of a
 * period.
 */
const BOLDNESS = 0.4;
/**
 * What a kind, a bought piece and a kilogram in the way count, in prices of a usual container,
 * where the aim is to have few of them.
 */
const AIM_WEIGHT = 6;
/**
 * What a group without containers counts, in prices of a usual container, and for each of its
 * litres' usual price.
 */
const MISSING = { usual: 1, litres: 2 } as const;
/** So often a group's containers are chosen one by one, by the room that is left. */
const FILLED = 0.5;
const MOST_FILLED = 40;
/** Of the strip that is left beside a container so much counts as lost. */
const STRIP_LOST = 0.5;
const TRIES_A_GROUP = 4;
/**
 * So often a group in at least so many places keeps some of its containers; so many places are left
 * at most.
 */
const PARTLY = 0.35;
const LEAST_PARTS = 2;
const MOST_PARTS = 3;
const MOST_HIGH = 12;
const RULES: readonly PlaceRule[] = ['left', 'front', 'snug', 'snug'];

/** How many more groups are taken out at once, by the share of rolls. */
const TAKEN_SHARES = [0.35, 0.75, 0.95] as const;

/**
 * Betters what stands by taking out one, two or three groups, most often neighbours, and finding them other
 * containers in the room that is left: what is chosen fits what stands. Groups that find no room
 * wait, at a price.
 * Slightly worse is taken at first. Source: slack induction by string removals, Christiaens and
 * Vanden Berghe, 2020.
 * Deterministic unless the time cuts it.
 */
export class PlaceSearch {
  private current: Layout;
  private best: Layout;
  private floorPrice: number;
  /** Steps in all, and the one that bettered something last. */
  private taken = 0;
  private bettered = 0;
  /** Where the period of boldness began, and how long it is. */
  private periodFrom = 0;
  private period: number = PERIOD.first;
  private readonly litrePrice: number;
  private readonly leastMm: number;
  /**
   * Where not everything is held at first, money alone counts: what suits the aim comes once
   * something stands.
   */
  private readonly isFinding: boolean;
  /** Of each group, were there any room. */
  private readonly leastCost: ReadonlyMap<FitGroup, number>;

  constructor(
    private readonly request: FitQuestion,
    private readonly means: Means,
    start: readonly Spot[],
  ) {
    this.floorPrice = means.covers.baseFloorPrice;
    const rates = [...means.covers.measures.keys()]
      .map(({ priceMinor, innerLitres }) => priceMinor / innerLitres)
      .sort((a, b) => a - b);
    // No container at all: nothing is priced.
    this.litrePrice = rates[Math.floor(rates.length / 2)] ?? 0;
    this.leastMm = Math.min(
      ...[...means.covers.measures.keys()].map(({ outer }) => Math.min(outer.width, outer.depth)),
    );
    this.leastCost = new Map(
      means.covers.groups.map((group) => [
        group,
        means.covers.lightest(group, ({ priceMinor }) => priceMinor)?.weight ?? 0,
      ]),
    );
    const held = new Set(start.flatMap(({ pile }) => pile.levels.map(({ group }) => group)));
    const missing = new Set(means.covers.groups.filter((group) => !held.has(group)));
    this.isFinding = missing.size > 0;
    const floor = new Floor(request, this.leastMm);
    for (const { pile, place } of start) floor.standAt(pile, place);
    this.current = this.toLayout(floor, missing);
    this.best = this.current;
  }

  /**
   * Until it is done, the time is up, so many `steps` are taken, or so many have bettered nothing
   * in which every group is held.
   */
  run(isDone: () => boolean, steps = Infinity, idle = Infinity): void {
    for (
      const end = this.taken + steps;
      this.taken < end && this.idle <= idle && this.means.hasTime() && !isDone();
      this.taken += 1
    ) {
      const n = this.taken;
      if (n - this.periodFrom >= this.period) {
        this.periodFrom = n;
        this.period = Math.min(PERIOD.most, Math.round(this.period * PERIOD.growth));
        this.current = this.best;
      }
      const cold = (n - this.periodFrom) / this.period;
      const heat = BOLDNESS * this.means.covers.usualMinor * (1 - cold) ** 2;
      const before = this.best;
      this.step(heat);
      if (this.best !== before || this.best.missing.size > 0) this.bettered = n;
    }
  }

  /** Steps since something was bettered. */
  get idle(): number {
    return this.taken - this.bettered;
  }

  private step(heat: number): void {
    const { random } = this.means;
    const limit = this.current.energy - heat * Math.log(random() + 1e-12) + 1e-9;
    const partly = random() < PARTLY ? this.pickPart() : undefined;
    const renewed = partly && random() < 0.6 ? new Set(this.current.missing) : this.pickGroups();
    if (partly) renewed.delete(partly.group);
    const kept = this.current.packing.spots.flatMap(({ pile, place }): Spot[] => {
      const levels = pile.levels.filter(
        ({ group }) => !renewed.has(group) && !(group === partly?.group && partly.near.has(place)),
      );
      return levels.length > 0 ? [{ pile: { container: pile.container, levels }, place }] : [];
    });
    const missing = new Set<FitGroup>();
    const rank = new Map(
      [...renewed].map((group) => [
        group,
        (group.front ? random() * 2 : random()) * (random() < 0.5 ? group.litres : 1),
      ]),
    );
    const used = new Map<FitContainer, number>();
    for (const { pile } of kept)
      used.set(pile.container, (used.get(pile.container) ?? 0) + pile.levels.length);
    const floorPrice =
      random() < 0.5
        ? this.floorPrice * Math.exp((random() - 0.5) * 2)
        : this.means.covers.baseFloorPrice * Math.exp(random() * Math.log(MOST_FLOOR_PRICE) - 1);
    const kinds =
      this.request.prefer === 'uniform' && random() < 0.6 ? this.fewKinds(used) : undefined;
    let floor = partly
      ? this.renewPart(kept, partly.group, { used, floorPrice, kinds })
      : this.standAll(kept);
    if (!floor) return;
    let energy =
      floor.spots.reduce(
        (sum, { pile }) => sum + pile.container.priceMinor * pile.levels.length,
        0,
      ) + [...renewed].reduce((sum, group) => sum + (this.leastCost.get(group) ?? 0), 0);
    for (const group of [...renewed].sort((a, b) => (rank.get(b) ?? 0) - (rank.get(a) ?? 0))) {
      if (energy > limit) return;
      const next = this.addGroup(floor, group, { used, floorPrice, kinds });
      if (next) floor = next.floor;
      else missing.add(group);
      energy += (next?.costMinor ?? this.waitingCost(group)) - (this.leastCost.get(group) ?? 0);
    }
    const layout = this.toLayout(floor, missing);
    if (layout.energy > limit || !this.means.covers.isBearable(layout.chosen)) return;
    if (layout.energy < this.current.energy - 1e-9) this.floorPrice = floorPrice;
    this.current = layout;
    if (layout.energy < this.best.energy - 1e-9) this.best = layout;
    if (missing.size === 0) {
      this.means.onBetter({
        chosen: layout.chosen,
        packing: layout.packing,
        score: scoreOf(this.request.prefer, layout.chosen, layout.packing),
      });
    }
  }

  /** Those in use, and mostly one more of all. */
  private fewKinds(used: ReadonlyMap<FitContainer, number>): ReadonlySet<FitContainer> {
    const { random, covers } = this.means;
    const kinds = new Set(used.keys());
    const all = [...(kinds.size > 0 && random() < 0.3 ? kinds : covers.measures.keys())];
    const extra = all[Math.floor(random() * all.length)];
    if (extra) kinds.add(extra);
    return kinds;
  }

  /** The waiting ones and some that stand: neighbours, or any. */
  private pickGroups(): Set<FitGroup> {
    const { random, covers } = this.means;
    const picked = new Set(this.current.missing);
    const roll = random();
    const most = this.request.prefer === 'uniform' ? covers.groups.length : 4;
    const more = pickByShare(roll, TAKEN_SHARES) ?? most;
    const count = Math.min(covers.groups.length, picked.size + more);
    const { spots } = this.current.packing;
    const centre = spots[Math.floor(random() * spots.length)];
    if (centre && random() < 0.65) {
      const near = spots
        .map((spot) => ({
          spot,
          far:
            Math.hypot(
              spot.place.x + spot.place.width / 2 - centre.place.x - centre.place.width / 2,
              spot.place.y + spot.place.depth / 2 - centre.place.y - centre.place.depth / 2,
            ) *
            (0.7 + random() * 0.6),
        }))
        .sort((a, b) => a.far - b.far);
      for (const { spot } of near)
        for (const { group } of spot.pile.levels) if (picked.size < count) picked.add(group);
    }
    while (picked.size < count) {
      const group = covers.groups[Math.floor(random() * covers.groups.length)];
      if (group) picked.add(group);
    }
    return picked;
  }

  /** A group in several containers, and the places around one of them, of which some are to be left. */
  private pickPart(): { readonly group: FitGroup; readonly near: ReadonlySet<Place> } | undefined {
    const { random, covers } = this.means;
    const group = covers.groups[Math.floor(random() * covers.groups.length)];
    const own = this.current.packing.spots.filter(({ pile }) =>
      pile.levels.some((level) => level.group === group),
    );
    const centre = own[Math.floor(random() * own.length)];
    if (!group || !centre || own.length < LEAST_PARTS) return undefined;
    const farOf = ({ x, y }: Place): number =>
      Math.hypot(x - centre.place.x, y - centre.place.y) * (0.7 + random() * 0.6);
    const near = own
      .map(({ place }) => ({ place, far: farOf(place) }))
      .sort((a, b) => a.far - b.far);
    return {
      group,
      near: new Set(
        near
          .slice(0, 1 + Math.floor(random() * Math.min(MOST_PARTS, own.length - 1)))
          .map(({ place }) => place),
      ),
    };
  }

  /**
   * A floor on which what is kept stands and the rest of a group finds other containers; undefined
   * where they found no room. Counts in `used` what it took.
   */
  private renewPart(kept: readonly Spot[], group: FitGroup, wish: Wish): Floor | undefined {
    const { request } = this;
    const standing = levelsOf(kept).filter((level) => level.group === group);
    const litres =
      group.litres - standing.reduce((sum, { container }) => sum + container.innerLitres, 0);
    const bare = this.standAll(kept);
    if (!bare) return undefined;
    const { open, shut } = this.openFor(bare, group, wish);
    for (let attempt = 0; attempt < TRIES_A_GROUP; attempt += 1) {
      const more = litres <= 1e-9 ? [] : this.coverBy(group, open, shut, wish, litres);
      if (!more) continue;
      const coming = more.flatMap(({ container, count }) =>
        Array.from({ length: count }, () => ({ container, group })),
      );
      // The content is spread anew over what stands and what comes.
      const filled = fillContainers(gather([...standing, ...coming]));
      if (!areBorne(filled)) continue;
      const filledOf = new Map(filled.map((each) => [each.container, each]));
      const spots = refill(bare.spots, group, filledOf);
      if (!spots.every(({ pile }) => isStack(request, pile.levels))) continue;
      const again = this.standAgain(spots);
      const floor =
        again &&
        this.addPiles(
          again,
          buildPiles(
            request,
            coming.flatMap(({ container }) => filledOf.get(container) ?? []),
            this.pickHigh(),
          ),
          shut,
        );
      if (!floor) continue;
      countIn(wish.used, more);
      return floor;
    }
    return undefined;
  }

  /** Mostly where they stand, sometimes pushed together. */
  private standAll(spots: readonly Spot[]): Floor | undefined {
    return (
      (this.means.random() < 0.25 ? this.standAnew(spots) : undefined) ?? this.standAgain(spots)
    );
  }

  private standAgain(spots: readonly Spot[]): Floor | undefined {
    const floor = new Floor(this.request, this.leastMm);
    return spots.every(({ pile, place }) => floor.standAt(pile, place)) ? floor : undefined;
  }

  /** Pushed together, in the order in which they stand. */
  private standAnew(spots: readonly Spot[]): Floor | undefined {
    const { random } = this.means;
    const floor = new Floor(this.request, this.leastMm);
    const rule: PlaceRule = random() < 0.5 ? 'left' : 'front';
    const corner: Corner = { isRight: random() < 0.3, isBack: random() < 0.3 };
    const [right, back] = [corner.isRight ? -1 : 1, corner.isBack ? -1 : 1];
    const order = [...spots].sort(({ place: a }, { place: b }) =>
      rule === 'left'
        ? right * (a.x - b.x) || back * (a.y - b.y)
        : back * (a.y - b.y) || right * (a.x - b.x),
    );
    return order.every(({ pile }) => floor.stand(pile, rule, corner)) ? floor : undefined;
  }

  /**
   * A floor on which the group stands too; undefined where it found no room. Counts in `used` what
   * it took.
   */
  private addGroup(
    before: Floor,
    group: FitGroup,
    wish: Wish,
  ): { readonly floor: Floor; readonly costMinor: number } | undefined {
    const { partsOf } = this.means;
    const fixed = partsOf?.get(group);
    const { open, shut } = fixed
      ? { open: [], shut: new Set<FitContainer>() }
      : this.openFor(before, group, wish);
    if (!fixed && this.means.random() < FILLED) {
      const filled = this.fillGroup(before, group, open, wish);
      if (filled) return filled;
    }
    for (let attempt = 0; attempt < TRIES_A_GROUP; attempt += 1) {
      const parts = fixed ?? this.coverBy(group, open, shut, wish);
      if (!parts) {
        if (attempt > 1) return undefined;
        continue;
      }
      const floor = this.addPiles(
        before.copy(),
        buildPiles(this.request, fillContainers(parts), this.pickHigh()),
        shut,
      );
      if (!floor) continue;
      countIn(wish.used, parts);
      return {
        floor,
        costMinor: parts.reduce(
          (sum, { container, count }) => sum + container.priceMinor * count,
          0,
        ),
      };
    }
    return undefined;
  }

  /**
   * As `addGroup`, container by container: each time the one that counts least a litre, with its floor and the strip
   * that is lost beside it, stands where it is snuggest.
   */
  private fillGroup(
    before: Floor,
    group: FitGroup,
    open: readonly Suited[],
    { used, floorPrice }: Wish,
  ): { readonly floor: Floor; readonly costMinor: number } | undefined {
    const { random, covers } = this.means;
    const gramsALitre = groupMassG(group) / group.litres;
    const moneyOf = covers.moneyWith(used, 0.2 + random() * 0.4);
    const choice = open
      .filter(({ isHeavy }) => !isHeavy)
      .map((suited) => ({
        ...suited,
        money: moneyOf(suited.container),
        left: (suited.container.available ?? Infinity) - (used.get(suited.container) ?? 0),
      }))
      .filter(({ left }) => left > 0);
    let floor: Floor = before.copy();
    const coming: FitContainer[] = [];
    let litres = group.litres;
    while (litres > 1e-9) {
      const lower = floor.lowerThan((container) => this.highOf(container));
      let best: (typeof choice)[number] | undefined;
      let bestSpot: SnugPlace | undefined;
      let leastRate = Infinity;
      for (const each of choice) {
        if (each.left <= 0) continue;
        const { container, areaMm2, money } = each;
        const holds = Math.min(container.innerLitres, litres);
        // Even on no floor it would count more.
        if (money >= leastRate * holds) continue;
        const spot = lower.has(container) ? undefined : floor.snugFor(container);
        if (!spot && !lower.has(container)) continue;
        const floorMm2 = spot
          ? areaMm2 +
            STRIP_LOST * spot.spareMm * Math.max(container.outer.width, container.outer.depth)
          : 0;
        const rate = (money + floorPrice * floorMm2) / holds;
        if (rate >= leastRate) continue;
        [best, bestSpot, leastRate] = [each, spot, rate];
      }
      if (!best || coming.length >= MOST_FILLED) return undefined;
      const { container } = best;
      const massG = (container.tareG ?? 0) + gramsALitre * container.innerLitres;
      const pile: Pile = { container, levels: [{ container, group, massG, kind: '' }] };
      const next: Floor | undefined = bestSpot
        ? standsAt(floor, pile, bestSpot.place)
        : this.addOnto(floor, pile);
      if (!next) {
        // In the way where it is snuggest: another one then.
        best.left = 0;
        continue;
      }
      floor = next;
      coming.push(container);
      best.left -= 1;
      litres -= container.innerLitres;
    }
    return this.fillAnew(floor, group, coming, used);
  }

  /** With what the group's containers really weigh, once all of them are known. */
  private fillAnew(
    floor: Floor,
    group: FitGroup,
    coming: readonly FitContainer[],
    used: Map<FitContainer, number>,
  ): { readonly floor: Floor; readonly costMinor: number } | undefined {
    const parts = gather(coming.map((container) => ({ container, group })));
    const filledOf = new Map(fillContainers(parts).map((each) => [each.container, each]));
    const again = this.standAgain(refill(floor.spots, group, filledOf));
    if (!again) return undefined;
    countIn(used, parts);
    return {
      floor: again,
      costMinor: parts.reduce((sum, { container, count }) => sum + container.priceMinor * count, 0),
    };
  }

  /** The containers that suit a group and find room, and those that did not when it was tried. */
  private openFor(
    floor: Floor,
    group: FitGroup,
    { kinds }: Wish,
  ): { readonly open: readonly Suited[]; readonly shut: Set<FitContainer> } {
    const lower = floor.lowerThan((container) => this.highOf(container));
    return {
      open: this.means.covers
        .suitedTo(group)
        .filter(
          ({ container }) =>
            (!kinds || kinds.has(container)) &&
            (lower.has(container) || floor.hasRoomFor(container)),
        ),
      shut: new Set(),
    };
  }

  private coverBy(
    group: FitGroup,
    open: readonly Suited[],
    shut: ReadonlySet<FitContainer>,
    { used, floorPrice }: Wish,
    litres?: number,
  ): readonly Chosen[] | undefined {
    const { random, covers } = this.means;
    return covers.cover(group, used, {
      floorPrice,
      shake: 0.1 + random() * 0.3,
      among: shut.size === 0 ? open : open.filter(({ container }) => !shut.has(container)),
      isVaried: random() < 0.7,
      isForMoney: this.isFinding && random() < 0.5,
      ...(litres !== undefined && { litres }),
    });
  }

  /** The floor with all of them, the largest first; undefined where one finds no room. */
  private addPiles(
    start: Floor,
    piles: readonly Pile[],
    shut: Set<FitContainer>,
  ): Floor | undefined {
    const { random } = this.means;
    const rule = RULES[Math.floor(random() * RULES.length)] ?? 'left';
    const corner: Corner = { isRight: random() < 0.25, isBack: random() < 0.25 };
    let floor: Floor | undefined = start;
    for (const pile of [...piles].sort(
      (a, b) =>
        b.container.outer.width * b.container.outer.depth -
        a.container.outer.width * a.container.outer.depth,
    )) {
      const next: Floor | undefined = this.addPile(floor, pile, {
        rule,
        corner,
        isOntoFirst: random() < 0.6,
      });
      if (!next) shut.add(pile.container);
      floor = next;
      if (!floor) return undefined;
    }
    return floor;
  }

  private addPile(
    floor: Floor,
    pile: Pile,
    {
      rule,
      corner,
      isOntoFirst,
    }: { readonly rule: PlaceRule; readonly corner: Corner; readonly isOntoFirst: boolean },
  ): Floor | undefined {
    if (this.highOf(pile.container) > 1 && isOntoFirst) {
      const stacked = this.addOnto(floor, pile);
      if (stacked) return stacked;
    }
    if (floor.stand(pile, rule, corner)) return floor;
    return this.highOf(pile.container) > 1 && !isOntoFirst ? this.addOnto(floor, pile) : undefined;
  }

  /** Onto one of the same that stands already. */
  private addOnto(floor: Floor, pile: Pile): Floor | undefined {
    const high = this.highOf(pile.container);
    const { spots } = floor;
    for (const [i, spot] of spots.entries()) {
      if (
        spot.pile.container !== pile.container ||
        spot.pile.levels.length + pile.levels.length > high
      )
        continue;
      const levels = [...spot.pile.levels];
      const fits = pile.levels.every((level) => {
        if (!canStack(this.request, levels, level)) return false;
        levels.push(level);
        return true;
      });
      if (!fits) continue;
      const next = new Floor(this.request, this.leastMm);
      if (
        spots.every((other, j) =>
          next.standIfFree(
            i === j ? { container: pile.container, levels } : other.pile,
            other.place,
          ),
        )
      )
        return next;
    }
    return undefined;
  }

  /** How high is stacked at most: mostly as it goes; on levels of different height any number. */
  private pickHigh(): number {
    const { random } = this.means;
    if (random() < 0.3) return 1;
    return this.request.zones && random() < 0.6 ? 1 + Math.floor(random() * 4) : MOST_HIGH;
  }

  private highOf(container: FitContainer): number {
    return this.means.covers.measures.get(container)?.high ?? 1;
  }

  private waitingCost({ litres }: FitGroup): number {
    return MISSING.usual * this.means.covers.usualMinor + MISSING.litres * litres * this.litrePrice;
  }

  private toLayout(floor: Floor, missing: ReadonlySet<FitGroup>): Layout {
    const { covers } = this.means;
    const { packing } = floor;
    const chosen = gather(levelsOf(packing.spots));
    const [aim, costMinor] = scoreOf(this.request.prefer, chosen, packing);
    const first =
      this.request.prefer === 'cost' || this.isFinding
        ? 0
        : (this.request.prefer === 'easy' ? aim / 1000 : aim) * covers.usualMinor * AIM_WEIGHT;
    const waiting = [...missing].reduce((sum, group) => sum + this.waitingCost(group), 0);
    return { packing, missing, chosen, energy: costMinor + first + waiting };
  }
}

/**
 * What groups may be given: how many are used already, what the floor counts, and the kinds that
 * come into question where not all do.
 */
interface Wish {
  readonly used: Map<FitContainer, number>;
  readonly floorPrice: number;
  readonly kinds: ReadonlySet<FitContainer> | undefined;
}

function countIn(used: Map<FitContainer, number>, parts: readonly Chosen[]): void {
  for (const { container, count } of parts) used.set(container, (used.get(container) ?? 0) + count);
}

/** The same places, a group's containers with what they hold now. */
const refill = (
  spots: readonly Spot[],
  group: FitGroup,
  filledOf: ReadonlyMap<FitContainer, Filled>,
): Spot[] =>
  spots.map(({ pile, place }) => ({
    pile: {
      container: pile.container,
      levels: pile.levels.map((level) =>
        level.group === group ? (filledOf.get(level.container) ?? level) : level,
      ),
    },
    place,
  }));

/** The floor with the pile there; undefined where it would be in the way. */
const standsAt = (floor: Floor, pile: Pile, place: Place): Floor | undefined =>
  floor.standAt(pile, place) ? floor : undefined;

const levelsOf = (spots: readonly Spot[]): Filled[] => spots.flatMap(({ pile }) => pile.levels);
