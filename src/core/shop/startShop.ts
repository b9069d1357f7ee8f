import { createRandom, type Random } from '../shared';
import { WISH_WEIGHT } from './codes';
import type { ShopRequest } from './model';
import {
  afterMove,
  jointPieces,
  MOST_JOINT_PACKS,
  rateOf,
  splitsOf,
  type Joint,
  type JointMove,
} from './jointPacks';
import { hullOf, listPacks, tracePacks, type PackTable, type WishStep } from './packTables';
import { pickWishes } from './pickWishes';

/** Something that can be bought within the budget, as packs; never proven to be the best. */
export interface ShopStart {
  /** Packs of each offer, in the order of the offers. */
  readonly packs: readonly number[];
  /** Of offers that serve several needs: pieces that go to each need, by its place among the needs. */
  readonly given: readonly ReadonlyMap<number, number>[];
  /** Pieces that each need gets, at most what it lacks. */
  readonly met: readonly number[];
  readonly value: number;
  readonly payMinor: number;
}

/**
 * How a shop is looked at: not at all, as it is, or as if its goods cost less, so that a fee falls away there or a
 * card is spent.
 */
const LOOKS = [0, 1, 0.92, 0.84] as const;
/** So many shops are looked at anew after nothing betters any more. */
const SHAKEN_SHOPS = 3;
const MOST_SHAKES = 400;
/** What is worth less than this share of the best is not looked at more closely. */
const NEAR = 0.95;

/**
 * Buys every must and, with what is left, the wishes that are worth most for their money: each need by a small
 * knapsack over its packs, then shops are closed, opened and favoured one by one as long as that betters anything.
 * Undefined where no way to pay every must was met; that proves nothing.
 * Source: greedy multiple-choice knapsack on the hull of each need, Sinha and Zoltners, 1979; local search over shops.
 */
export function startShop(
  request: ShopRequest,
  lacking: ReadonlyMap<string, number>,
  isOver: () => boolean,
): ShopStart | undefined {
  const search = new ShopSearch(request, lacking);
  const random = createRandom(request.seed);
  const looks = request.shops.map(() => 1);
  let best = search.tryOut(looks);
  let bestLooks = [...looks];
  for (let shake = 0; shake <= MOST_SHAKES && !isOver(); shake += 1) {
    const from = [...bestLooks];
    if (shake > 0)
      for (let n = 0; n < Math.min(SHAKEN_SHOPS, request.shops.length); n += 1)
        from[Math.floor(random() * from.length)] = Math.floor(random() * LOOKS.length);
    const found = climb(search, from, { random, isOver });
    const isNear = !best || (found.tried?.value ?? 0) >= best.value * NEAR;
    const settled =
      found.tried && isNear ? search.settle(found.tried, found.looks, isOver) : found.tried;
    if (isBetter(settled, best)) {
      best = settled;
      bestLooks = found.looks;
    }
  }
  return best && best.overMinor <= 0 ? search.toStart(best) : undefined;
}

/** Looks at one shop after the other in another way, as long as that betters anything. */
function climb(
  search: ShopSearch,
  from: readonly number[],
  { random, isOver }: { readonly random: Random; readonly isOver: () => boolean },
): { readonly looks: number[]; readonly tried: Tried | undefined } {
  const looks = [...from];
  let tried = search.tryOut(looks);
  for (let since = 0; since < looks.length && !isOver();) {
    const s = Math.floor(random() * looks.length);
    const before = looks[s]!;
    let kept = before;
    for (let look = 0; look < LOOKS.length; look += 1) {
      if (look === before) continue;
      looks[s] = look;
      const next = search.tryOut(looks);
      if (!isBetter(next, tried)) continue;
      tried = next;
      kept = look;
    }
    looks[s] = kept;
    since = kept === before ? since + 1 : 0;
  }
  return { looks, tried };
}

/** How often money that fees and cards leave over is spent anew. */
const SETTLE_ROUNDS = 3;
/** So many other ways to buy for several needs are tried before it is left. */
const MOST_RETRIES = 24;

/** What comes of one way to look at the shops. */
interface Tried {
  /** What the musts cost above the budget; 0 where they can be paid. */
  readonly overMinor: number;
  readonly value: number;
  readonly payMinor: number;
  readonly tables: readonly PackTable[];
  /** Pieces that each need gets besides those of `joints`. */
  readonly counts: readonly number[];
  readonly joints: readonly Joint[];
}

function isBetter(a: Tried | undefined, b: Tried | undefined): boolean {
  if (!a || !b) return a !== undefined;
  if (a.overMinor !== b.overMinor) return a.overMinor < b.overMinor;
  if (Math.abs(a.value - b.value) > 1e-9) return a.value > b.value;
  return a.payMinor < b.payMinor;
}

interface Basket extends Pick<Tried, 'tables'> {
  readonly counts: number[];
  readonly goods: Float64Array;
  /** Packs of each offer that are still there. */
  readonly left: number[];
  readonly joints: Joint[];
}

class ShopSearch {
  private readonly lack: readonly number[];
  private readonly weight: readonly number[];
  /** Offers of each need, by their place in the request. */
  private readonly offersOf: readonly (readonly number[])[];
  private readonly shopOf: readonly number[];
  private readonly creditOf: readonly number[];
  /** The offers of several needs. */
  private readonly joining: readonly { readonly i: number; readonly needs: readonly number[] }[];

  constructor(
    private readonly request: ShopRequest,
    lacking: ReadonlyMap<string, number>,
  ) {
    this.lack = request.needs.map(({ id }) => lacking.get(id) ?? 0);
    this.weight = request.needs.map(({ priority, value }) => WISH_WEIGHT[priority] * value);
    const needAt = new Map(request.needs.map(({ id }, n) => [id, n]));
    const offersOf: number[][] = request.needs.map(() => []);
    request.offers.forEach(({ needId, needIds }, i) => {
      for (const id of needIds ?? [needId]) offersOf[needAt.get(id ?? '') ?? -1]?.push(i);
    });
    this.offersOf = offersOf;
    this.joining = request.offers.flatMap(({ needIds }, i) =>
      needIds && needIds.length > 1
        ? [{ i, needs: needIds.flatMap((id) => needAt.get(id) ?? []) }]
        : [],
    );
    const shopAt = new Map(request.shops.map(({ id }, s) => [id, s]));
    this.shopOf = request.offers.map(({ shopId }) => shopAt.get(shopId) ?? 0);
    this.creditOf = request.shops.map(
      ({ id }) => request.credits.find(({ shopId }) => shopId === id)?.amountMinor ?? 0,
    );
  }

  /** The best purchase, looking at the shops like this; undefined where a must cannot be had. */
  tryOut(looks: readonly number[]): Tried | undefined {
    const { request, lack } = this;
    const left = request.offers.map(({ maxPacks }) => maxPacks ?? Infinity);
    const goods = new Float64Array(request.shops.length);
    const counts = lack.map(() => 0);
    const tables: PackTable[] = [];
    // Musts come first, also at what there is little of.
    const order = [...lack.keys()].sort(
      (n, m) => Number(this.isMust(m)) - Number(this.isMust(n)) || n - m,
    );
    for (const n of order) {
      const table = this.listWays(n, looks, left);
      tables[n] = table;
      if (!this.isMust(n)) continue;
      if (table.cost[table.cost.length - 1] === Infinity) return undefined;
      counts[n] = lack[n]!;
      this.addGoods(table, lack[n]!, goods, 1);
      this.takeShared(table, lack[n]!, left);
    }
    const joints: Joint[] = [];
    const basket = { tables, counts, goods, left, joints };
    const offered = this.listJoints(basket, looks);
    // What spares money is bought at once, what costs some is weighed among the wishes.
    for (const joint of offered)
      if (joint.extra <= 0) this.buyJoint(joint, basket, this.payFor(goods));
    const mustMinor = this.payFor(goods);
    const overMinor = Math.max(0, mustMinor - request.budgetMinor);
    if (overMinor > 0) return { overMinor, value: 0, payMinor: mustMinor, tables, counts, joints };
    this.addWishes(basket, offered);
    const value = lack.reduce(
      (sum, _, n) => sum + this.weight[n]! * (counts[n]! + jointPieces(joints, n)),
      0,
    );
    return { overMinor: 0, value, payMinor: this.payFor(goods), tables, counts, joints };
  }

  /** For each offer of several needs the packs of it that spare most, or are worth most for their money. */
  private listJoints({ tables, left, counts }: Basket, looks: readonly number[]): Joint[] {
    const { offers } = this.request;
    return this.joining.flatMap(({ i, needs }) => {
      const look = looks[this.shopOf[i]!]!;
      if (look === 0) return [];
      const open = needs.filter((n) => this.lack[n]! > 0 && tables[n]!.only === undefined);
      if (open.length < 2) return [];
      const price = offers[i]!.priceMinor * LOOKS[look]!;
      let best: Joint | undefined;
      const most = Math.min(MOST_JOINT_PACKS, left[i]!);
      for (let packs = 1; packs <= most; packs += 1)
        for (const to of splitsOf(packs * offers[i]!.packSize, open, this.lack)) {
          let extra = packs * price;
          let value = 0;
          for (const { n, pieces } of to) {
            const { cost } = tables[n]!;
            if (this.isMust(n)) extra -= cost[counts[n]!]! - cost[counts[n]! - pieces]!;
            else value += this.weight[n]! * pieces;
          }
          const joint = { i, packs, to, extra, value };
          if (!best || rateOf(joint) > rateOf(best)) best = joint;
        }
      return best && (best.extra < 0 || best.value > 0) ? [best] : [];
    });
  }

  /** Buys it if that stays within `mostMinor` and each of its needs still lacks so much. */
  private buyJoint(joint: Joint, basket: Basket, mostMinor: number): void {
    const { tables, counts, goods, left, joints } = basket;
    const isOpen = joint.to.every(
      ({ n, pieces }) =>
        jointPieces(joints, n) === 0 &&
        (this.isMust(n) ? counts[n]! >= pieces : counts[n]! + pieces <= this.lack[n]!),
    );
    if (!isOpen) return;
    const musts = joint.to.filter(({ n }) => this.isMust(n));
    const swap = (sign: 1 | -1) => {
      for (const { n, pieces } of musts) {
        this.addGoods(tables[n]!, counts[n]!, goods, sign === 1 ? -1 : 1);
        this.addGoods(tables[n]!, counts[n]! - pieces, goods, sign);
      }
      const s = this.shopOf[joint.i]!;
      goods[s] = goods[s]! + sign * joint.packs * this.request.offers[joint.i]!.priceMinor;
    };
    // With fewer pieces a must may be bought in other packs: what is limited has to be there for those.
    const taken: [number, number][] = [[joint.i, joint.packs]];
    for (const { n, pieces } of musts) {
      this.trace(tables[n]!, counts[n]!, (i, times) => taken.push([i, -times]));
      this.trace(tables[n]!, counts[n]! - pieces, (i, times) => taken.push([i, times]));
    }
    const shared = taken.filter(([i]) => this.request.offers[i]!.needIds);
    for (const [i, times] of shared) left[i] = left[i]! - times;
    swap(1);
    if (shared.some(([i]) => left[i]! < 0) || this.payFor(goods) > mostMinor) {
      swap(-1);
      for (const [i, times] of shared) left[i] = left[i]! + times;
      return;
    }
    for (const { n, pieces } of musts) counts[n] = counts[n]! - pieces;
    joints.push(joint);
  }

  toStart({ tables, counts, joints, value, payMinor }: Tried): ShopStart {
    const { request } = this;
    const packs = request.offers.map(() => 0);
    const given = request.offers.map(() => new Map<number, number>());
    counts.forEach((count, n) => {
      let owed = count;
      this.trace(tables[n]!, count, (i, times) => {
        packs[i] = packs[i]! + times;
        if (!request.offers[i]!.needIds) return;
        const units = Math.min(owed, times * request.offers[i]!.packSize);
        given[i]!.set(n, (given[i]!.get(n) ?? 0) + units);
        owed -= units;
      });
    });
    for (const { i, packs: bought, to } of joints) {
      packs[i] = packs[i]! + bought;
      for (const { n, pieces } of to) given[i]!.set(n, (given[i]!.get(n) ?? 0) + pieces);
    }
    const met = counts.map((count, n) => count + jointPieces(joints, n));
    return { packs, given, met, value, payMinor };
  }

  private listWays(n: number, looks: readonly number[], left: readonly number[]): PackTable {
    const { offers } = this.request;
    const open = this.offersOf[n]!.filter((i) => looks[this.shopOf[i]!]! > 0 && left[i]! > 0);
    const priceOf = (i: number): number =>
      offers[i]!.priceMinor * LOOKS[looks[this.shopOf[i]!]!]! + 1e-3;
    return listPacks(this.lack[n]!, open, { priceOf, left, offers });
  }

  private trace(
    table: PackTable,
    count: number,
    tell: (offer: number, packs: number) => void,
  ): void {
    tracePacks(table, count, this.request.offers, tell);
  }

  private isMust(n: number): boolean {
    return this.request.needs[n]!.priority === 'must';
  }

  /** Betters what several needs share, one offer after the other, with all wishes weighed anew each time. */
  settle(tried: Tried, looks: readonly number[], isOver: () => boolean): Tried {
    if (tried.overMinor > 0) return tried;
    let best = tried;
    let rate = 0;
    const offer = (joints: readonly Joint[]): boolean => {
      const next = this.settleWishes({ tables: best.tables, joints }, this.openTo(best, looks));
      if (!next) return false;
      ({ rate } = next);
      if (!isBetter(next.tried, best)) return false;
      best = next.tried;
      return true;
    };
    offer(tried.joints);
    for (let isBettered = true; isBettered && !isOver();) {
      isBettered = false;
      for (const move of this.otherJoints(best, looks, rate)) {
        if (isOver()) break;
        isBettered = offer(afterMove(best.joints, move)) || isBettered;
      }
    }
    return best;
  }

  /** The shops that are visited anyway, or cost nothing to visit. */
  private openTo({ tables, counts, joints }: Tried, looks: readonly number[]): readonly number[] {
    const goods = new Float64Array(looks.length);
    counts.forEach((count, n) => this.addGoods(tables[n]!, count, goods, 1));
    for (const { i } of joints) goods[this.shopOf[i]!] = Infinity;
    return looks.map((look, s) =>
      look > 0 && (goods[s]! > 0 || this.request.shops[s]!.deliveryMinor === 0) ? 1 : 0,
    );
  }

  /**
   * What else could be bought for several needs at once: what is likely to better most first, at a value of `rate` a
   * minor unit.
   */
  private otherJoints(
    { joints, tables, counts }: Tried,
    looks: readonly number[],
    rate: number,
  ): JointMove[] {
    const { offers } = this.request;
    const ranked: (JointMove & { readonly gain: number })[] = [];
    const owned = (n: number) => counts[n]! + jointPieces(joints, n);
    for (const { i, needs } of this.joining) {
      if (looks[this.shopOf[i]!] === 0) continue;
      const open = needs.filter((n) => this.lack[n]! > 0 && tables[n]!.only === undefined);
      if (joints.some((joint) => joint.i === i)) ranked.push({ i, gain: 0 });
      if (open.length < 2) continue;
      const most = Math.min(MOST_JOINT_PACKS, offers[i]!.maxPacks ?? Infinity);
      for (let packs = 1; packs <= most; packs += 1)
        for (const to of splitsOf(packs * offers[i]!.packSize, open, this.lack)) {
          let extra = packs * offers[i]!.priceMinor;
          let value = 0;
          for (const { n, pieces } of to) {
            const { cost } = tables[n]!;
            const had = this.isMust(n) ? this.lack[n]! : owned(n);
            const kept = Math.min(had, this.lack[n]! - pieces);
            if (kept < 0) extra = Infinity;
            else extra -= cost[had]! - cost[kept]!;
            value += this.weight[n]! * (kept + pieces - had);
          }
          const gain = value - rate * extra;
          if (!(gain > 0)) continue;
          ranked.push({ i, joint: { i, packs, to, extra, value }, gain });
        }
    }
    return ranked.sort((a, b) => b.gain - a.gain).slice(0, MOST_RETRIES);
  }

  /**
   * The musts as they are, beside what is bought for several needs, and all wishes weighed anew and exactly, where the
   * steps of their hulls left money over. Undefined where that cannot be paid or had.
   */
  private settleWishes(
    { tables: known, joints }: Pick<Tried, 'tables' | 'joints'>,
    open: readonly number[],
  ): { readonly tried: Tried; readonly rate: number } | undefined {
    const { request, lack, weight } = this;
    const counts = lack.map((all, n) => (this.isMust(n) ? all - jointPieces(joints, n) : 0));
    const goods = new Float64Array(request.shops.length);
    const left = request.offers.map(({ maxPacks }) => maxPacks ?? Infinity);
    const taken: [number, number][] = joints.map(({ i, packs }) => [i, packs]);
    counts.forEach((count, n) => {
      if (count === 0) return;
      this.addGoods(known[n]!, count, goods, 1);
      this.trace(known[n]!, count, (i, times) => taken.push([i, times]));
    });
    for (const [i, times] of taken) left[i] = left[i]! - times;
    for (const { i, packs } of joints) {
      const s = this.shopOf[i]!;
      goods[s] = goods[s]! + packs * request.offers[i]!.priceMinor;
    }
    const spare = request.budgetMinor - this.payFor(goods);
    if (spare < 0 || taken.some(([i]) => left[i]! < 0)) return undefined;
    const wishes = [...lack.keys()].filter(
      (n) => !this.isMust(n) && weight[n]! > 0 && lack[n]! > jointPieces(joints, n),
    );
    const tables = [...known];
    for (const n of wishes) tables[n] = this.listWays(n, open, left);
    let best: Tried | undefined;
    let rate = 0;
    for (let slack = 0, round = 0; round < SETTLE_ROUNDS; round += 1) {
      const picked = pickWishes(
        wishes.map((n) => ({
          cost: tables[n]!.cost,
          most: tables[n]!.only === undefined ? lack[n]! - jointPieces(joints, n) : 0,
          weight: weight[n]!,
        })),
        spare + slack,
      );
      rate = picked.rate;
      const bought = [...counts];
      const stock = [...left];
      const paid = Float64Array.from(goods);
      wishes.forEach((n, k) => {
        if (!this.isThere(tables[n]!, picked.counts[k]!, stock)) return;
        bought[n] = picked.counts[k]!;
        this.addGoods(tables[n]!, picked.counts[k]!, paid, 1);
      });
      const payMinor = this.payFor(paid);
      const value = lack.reduce(
        (sum, _, n) => sum + weight[n]! * (bought[n]! + jointPieces(joints, n)),
        0,
      );
      const next = { overMinor: 0, value, payMinor, tables, counts: bought, joints };
      const isPaid = payMinor <= request.budgetMinor;
      if (isPaid && isBetter(next, best)) best = next;
      // Fees that fell away and cards leave more than was counted with.
      const more = request.budgetMinor - payMinor;
      if (!isPaid || more < 1) break;
      slack += more;
    }
    return best && { tried: best, rate };
  }

  /** The wishes that are worth most for their money, as far as the budget goes. */
  private addWishes(basket: Basket, offered: readonly Joint[]): void {
    const { tables, counts, goods, left, joints } = basket;
    const { request, weight } = this;
    const steps: (WishStep & { readonly joint?: Joint })[] = [
      ...tables.flatMap((table, n) =>
        this.isMust(n) || weight[n]! <= 0 ? [] : hullOf(table, n, weight[n]!),
      ),
      ...offered
        .filter(({ extra }) => extra > 0)
        .map((joint) => ({ n: -1, to: 0, rate: rateOf(joint), joint })),
    ].sort((a, b) => b.rate - a.rate);
    for (const step of steps) {
      if (step.joint) {
        this.buyJoint(step.joint, basket, request.budgetMinor);
        continue;
      }
      const { n } = step;
      const to = Math.min(step.to, this.lack[n]! - jointPieces(joints, n));
      const from = counts[n]!;
      if (to <= from) continue;
      const table = tables[n]!;
      // The next step of the hull, or as much of it as the budget reaches for.
      for (let count = to; count > from; count -= 1) {
        if (table.cost[count] === Infinity) continue;
        this.addGoods(table, from, goods, -1);
        this.addGoods(table, count, goods, 1);
        if (this.payFor(goods) <= request.budgetMinor && this.isThere(table, count, left)) {
          counts[n] = count;
          break;
        }
        this.addGoods(table, count, goods, -1);
        this.addGoods(table, from, goods, 1);
      }
    }
  }

  /** What to pay for goods of so much at each shop. */
  private payFor(goods: Float64Array): number {
    const { shops } = this.request;
    let pay = 0;
    for (let s = 0; s < goods.length; s += 1) {
      const minor = goods[s]!;
      if (minor <= 0.5) continue;
      const { deliveryMinor, freeOverMinor } = shops[s]!;
      const fee = freeOverMinor !== undefined && minor >= freeOverMinor ? 0 : deliveryMinor;
      pay += minor + fee - Math.min(this.creditOf[s]!, minor);
    }
    return pay;
  }

  private addGoods(table: PackTable, count: number, goods: Float64Array, sign: 1 | -1): void {
    this.trace(table, count, (i, times) => {
      const s = this.shopOf[i]!;
      goods[s] = goods[s]! + sign * times * this.request.offers[i]!.priceMinor;
    });
  }

  /** Whether what is limited and serves others too is still there. */
  private isThere(table: PackTable, count: number, left: number[]): boolean {
    const used = new Map<number, number>();
    this.trace(table, count, (i, times) => used.set(i, (used.get(i) ?? 0) + times));
    for (const [i, times] of used) if (times > left[i]!) return false;
    for (const [i, times] of used) if (this.request.offers[i]!.needIds) left[i] = left[i]! - times;
    return true;
  }

  private takeShared(table: PackTable, count: number, left: number[]): void {
    this.trace(table, count, (i, times) => {
      if (this.request.offers[i]!.needIds) left[i] = left[i]! - times;
    });
  }
}
