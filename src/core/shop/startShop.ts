import { createRandom, type Random } from '../shared';
import { WISH_WEIGHT, type ShopRequest } from './model';

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
/** More pieces than this of one need are bought of one offer. */
const MOST_COUNTED = 300;
/** So many shops are looked at anew after nothing betters any more. */
const SHAKEN_SHOPS = 3;
const MOST_SHAKES = 400;

/** For every number of pieces of a need the packs that count least. */
interface Table {
  readonly cost: Float64Array;
  /** The offer of the last pack, of those that there is enough of. */
  readonly last: Int32Array;
  /** Of each limited offer how many packs are bought before those. */
  readonly limited: readonly { readonly i: number; readonly packs: Uint16Array }[];
  /** Where one offer alone is bought, for needs of very many pieces. */
  readonly only?: number;
}

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
      for (let n = 0; n < SHAKEN_SHOPS; n += 1)
        from[Math.floor(random() * from.length)] = Math.floor(random() * LOOKS.length);
    const found = climb(search, from, { random, isOver });
    if (isBetter(found.tried, best)) {
      best = found.tried;
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

/** Packs of an offer that serves several needs, bought for more than one of them at once. */
interface Joint {
  readonly i: number;
  readonly packs: number;
  /** Pieces to each need, by its place. */
  readonly to: readonly { readonly n: number; readonly pieces: number }[];
  /** What it costs beyond what its musts would have cost one by one, as the shops are looked at. */
  readonly extra: number;
  /** What the wishes in it are worth. */
  readonly value: number;
}
/** More packs than this of one offer are not bought together. */
const MOST_JOINT_PACKS = 4;

/** What comes of one way to look at the shops. */
interface Tried {
  /** What the musts cost above the budget; 0 where they can be paid. */
  readonly overMinor: number;
  readonly value: number;
  readonly payMinor: number;
  readonly tables: readonly Table[];
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

/** What a joint purchase is worth for its money; what spares money comes before all that costs some. */
const rateOf = ({ extra, value }: Joint): number =>
  extra < 0 ? 1e9 - extra : value / Math.max(1e-9, extra);

const jointPieces = (joints: readonly Joint[], n: number): number =>
  joints.reduce((sum, { to }) => sum + (to.find((part) => part.n === n)?.pieces ?? 0), 0);

/** Ways to share pieces out between the first two needs of an offer, the rest to the others in turn. */
function* splitsOf(
  pieces: number,
  [first = -1, ...others]: readonly number[],
  lack: readonly number[],
): Generator<Joint['to']> {
  for (let own = 1; own <= Math.min(pieces - 1, lack[first]!); own += 1) {
    let left = pieces - own;
    const to = [{ n: first, pieces: own }];
    for (const n of others) {
      const given = Math.min(left, lack[n]!);
      if (given > 0) to.push({ n, pieces: given });
      left -= given;
    }
    yield to;
  }
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
    const tables: Table[] = [];
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
      this.addGoods(table, n, lack[n]!, goods, 1);
      this.takeShared(table, n, lack[n]!, left);
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
        this.addGoods(tables[n]!, n, counts[n]!, goods, sign === 1 ? -1 : 1);
        this.addGoods(tables[n]!, n, counts[n]! - pieces, goods, sign);
      }
      const s = this.shopOf[joint.i]!;
      goods[s] = goods[s]! + sign * joint.packs * this.request.offers[joint.i]!.priceMinor;
    };
    // With fewer pieces a must may be bought in other packs: what is limited has to be there for those.
    const taken: [number, number][] = [[joint.i, joint.packs]];
    for (const { n, pieces } of musts) {
      this.trace(tables[n]!, n, counts[n]!, (i, times) => taken.push([i, -times]));
      this.trace(tables[n]!, n, counts[n]! - pieces, (i, times) => taken.push([i, times]));
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
      this.trace(tables[n]!, n, count, (i, times) => {
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

  private isMust(n: number): boolean {
    return this.request.needs[n]!.priority === 'must';
  }

  /** The wishes that are worth most for their money, as far as the budget goes. */
  private addWishes(basket: Basket, offered: readonly Joint[]): void {
    const { tables, counts, goods, left, joints } = basket;
    const { request, weight } = this;
    const steps: (Step & { readonly joint?: Joint })[] = [
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
        this.addGoods(table, n, from, goods, -1);
        this.addGoods(table, n, count, goods, 1);
        if (this.payFor(goods) <= request.budgetMinor && this.isThere(table, n, count, left)) {
          counts[n] = count;
          break;
        }
        this.addGoods(table, n, count, goods, -1);
        this.addGoods(table, n, from, goods, 1);
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

  private addGoods(
    table: Table,
    n: number,
    count: number,
    goods: Float64Array,
    sign: 1 | -1,
  ): void {
    this.trace(table, n, count, (i, times) => {
      const s = this.shopOf[i]!;
      goods[s] = goods[s]! + sign * times * this.request.offers[i]!.priceMinor;
    });
  }

  /** Whether what is limited and serves others too is still there. */
  private isThere(table: Table, n: number, count: number, left: number[]): boolean {
    const used = new Map<number, number>();
    this.trace(table, n, count, (i, times) => used.set(i, (used.get(i) ?? 0) + times));
    for (const [i, times] of used) if (times > left[i]!) return false;
    for (const [i, times] of used) if (this.request.offers[i]!.needIds) left[i] = left[i]! - times;
    return true;
  }

  private takeShared(table: Table, n: number, count: number, left: number[]): void {
    this.trace(table, n, count, (i, times) => {
      if (this.request.offers[i]!.needIds) left[i] = left[i]! - times;
    });
  }

  /** For every number of pieces the packs that count least, prices as the shops are looked at. */
  private listWays(n: number, looks: readonly number[], left: readonly number[]): Table {
    const { offers } = this.request;
    const lack = this.lack[n]!;
    const open = this.offersOf[n]!.filter((i) => looks[this.shopOf[i]!]! > 0 && left[i]! > 0);
    const priceOf = (i: number): number =>
      offers[i]!.priceMinor * LOOKS[looks[this.shopOf[i]!]!]! + 1e-3;
    if (lack > MOST_COUNTED) return onlyOf(open, lack, { priceOf, left, offers });
    const cost = new Float64Array(lack + 1).fill(Infinity);
    const last = new Int32Array(lack + 1).fill(-1);
    cost[0] = 0;
    // What there is enough of first, then what is limited, each with what was best before it.
    for (const i of open) {
      const { packSize } = offers[i]!;
      if (left[i]! * packSize < lack) continue;
      const price = priceOf(i);
      for (let q = 1; q <= lack; q += 1) {
        const next = cost[q > packSize ? q - packSize : 0]! + price;
        if (next < cost[q]!) {
          cost[q] = next;
          last[q] = i;
        }
      }
    }
    const limited = open
      .filter((i) => left[i]! * offers[i]!.packSize < lack)
      .map((i) => {
        const { packSize } = offers[i]!;
        const price = priceOf(i);
        const packs = new Uint16Array(lack + 1);
        for (let q = lack; q > 0; q -= 1)
          for (let times = 1; times <= left[i]! && (times - 1) * packSize < q; times += 1) {
            const next = cost[Math.max(0, q - times * packSize)]! + times * price;
            if (next >= cost[q]!) continue;
            cost[q] = next;
            packs[q] = times;
          }
        return { i, packs };
      });
    return { cost, last, limited };
  }

  /** Tells each offer and how many packs of it these pieces are bought as. */
  private trace(
    table: Table,
    n: number,
    count: number,
    tell: (offer: number, packs: number) => void,
  ): void {
    const { offers } = this.request;
    if (table.only !== undefined) {
      if (count > 0) tell(table.only, Math.ceil(count / offers[table.only]!.packSize));
      return;
    }
    let q = count;
    for (let l = table.limited.length - 1; l >= 0 && q > 0; l -= 1) {
      const { i, packs } = table.limited[l]!;
      const times = packs[q]!;
      if (times === 0) continue;
      tell(i, times);
      q = Math.max(0, q - times * offers[i]!.packSize);
    }
    while (q > 0 && table.last[q]! >= 0) {
      const i = table.last[q]!;
      tell(i, 1);
      q = Math.max(0, q - offers[i]!.packSize);
    }
  }
}

/** Very many pieces: of one offer, or none. */
function onlyOf(
  open: readonly number[],
  lack: number,
  {
    priceOf,
    left,
    offers,
  }: {
    readonly priceOf: (i: number) => number;
    readonly left: readonly number[];
    readonly offers: ShopRequest['offers'];
  },
): Table {
  const cost = Float64Array.from([0, Infinity]);
  let only = -1;
  for (const i of open) {
    const packs = Math.ceil(lack / offers[i]!.packSize);
    if (packs > left[i]! || packs * priceOf(i) >= cost[1]!) continue;
    cost[1] = packs * priceOf(i);
    only = i;
  }
  return { cost, last: new Int32Array(2).fill(-1), limited: [], only: Math.max(0, only) };
}

/** So many pieces of a wish, and what the last of them are worth for their money. */
interface Step {
  readonly n: number;
  readonly to: number;
  readonly rate: number;
}

/** The steps by which a wish is worth its money: from one corner of its hull to the next. */
function hullOf({ cost, only }: Table, n: number, weight: number): Step[] {
  const steps: Step[] = [];
  if (only !== undefined) return steps;
  for (let from = 0; from < cost.length - 1;) {
    let best = -1;
    let rate = 0;
    for (let to = from + 1; to < cost.length; to += 1) {
      const next = ((to - from) * weight) / Math.max(1e-9, cost[to]! - cost[from]!);
      if (cost[to]! < Infinity && next > rate) [best, rate] = [to, next];
    }
    if (best < 0) break;
    steps.push({ n, to: best, rate });
    from = best;
  }
  return steps;
}
