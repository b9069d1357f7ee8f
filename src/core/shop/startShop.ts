import { createRandom, type Random } from '../shared';
import type { ShopRequest } from './model';
import { WISH_WEIGHT } from './planRooms';

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
const MOST_SHAKES = 60;

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

/** What comes of one way to look at the shops. */
interface Tried {
  /** What the musts cost above the budget; 0 where they can be paid. */
  readonly overMinor: number;
  readonly value: number;
  readonly payMinor: number;
  readonly tables: readonly Table[];
  /** Pieces that each need gets. */
  readonly counts: readonly number[];
}

function isBetter(a: Tried | undefined, b: Tried | undefined): boolean {
  if (!a || !b) return a !== undefined;
  if (a.overMinor !== b.overMinor) return a.overMinor < b.overMinor;
  if (Math.abs(a.value - b.value) > 1e-9) return a.value > b.value;
  return a.payMinor < b.payMinor;
}

class ShopSearch {
  private readonly lack: readonly number[];
  private readonly weight: readonly number[];
  /** Offers of each need, by their place in the request. */
  private readonly offersOf: readonly (readonly number[])[];
  private readonly shopOf: readonly number[];
  private readonly creditOf: readonly number[];

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
    const mustMinor = this.payFor(goods);
    const overMinor = Math.max(0, mustMinor - request.budgetMinor);
    if (overMinor > 0) return { overMinor, value: 0, payMinor: mustMinor, tables, counts };
    const value = this.addWishes({ tables, counts, goods, left });
    return { overMinor: 0, value, payMinor: this.payFor(goods), tables, counts };
  }

  toStart({ tables, counts, value, payMinor }: Tried): ShopStart {
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
    return { packs, given, met: counts, value, payMinor };
  }

  private isMust(n: number): boolean {
    return this.request.needs[n]!.priority === 'must';
  }

  /** The wishes that are worth most for their money, as far as the budget goes. */
  private addWishes({
    tables,
    counts,
    goods,
    left,
  }: {
    readonly tables: readonly Table[];
    readonly counts: number[];
    readonly goods: Float64Array;
    readonly left: number[];
  }): number {
    const { request, weight } = this;
    const steps = tables
      .flatMap((table, n) =>
        this.isMust(n) || weight[n]! <= 0 ? [] : hullOf(table, n, weight[n]!),
      )
      .sort((a, b) => b.rate - a.rate);
    let value = 0;
    for (const { n, to } of steps) {
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
          value += (count - from) * weight[n]!;
          break;
        }
        this.addGoods(table, n, count, goods, -1);
        this.addGoods(table, n, from, goods, 1);
      }
    }
    return value;
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

/** The steps by which a wish is worth its money: from one corner of its hull to the next. */
function hullOf(
  { cost, only }: Table,
  n: number,
  weight: number,
): { readonly n: number; readonly to: number; readonly rate: number }[] {
  const steps: { n: number; to: number; rate: number }[] = [];
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
