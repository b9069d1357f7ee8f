import type { ShopOffer } from './model';

/** More pieces than this of one need are bought of one offer. */
const MOST_COUNTED = 300;

/** For every number of pieces of a need the packs that count least. */
export interface PackTable {
  readonly cost: Float64Array;
  /** The offer of the last pack, of those that there is enough of. */
  readonly last: Int32Array;
  /** Of each limited offer how many packs are bought before those. */
  readonly limited: readonly { readonly i: number; readonly packs: Uint16Array }[];
  /** Where one offer alone is bought, for needs of very many pieces. */
  readonly only?: number;
}

interface PackMeans {
  /** What a pack of an offer counts, by its place. */
  readonly priceOf: (offer: number) => number;
  /** Packs of each offer that are there. */
  readonly left: readonly number[];
  readonly offers: readonly ShopOffer[];
}

/** For every number of pieces up to what a need lacks the packs of these offers that count least: a small knapsack. */
export function listPacks(lack: number, open: readonly number[], means: PackMeans): PackTable {
  const { priceOf, left, offers } = means;
  if (lack > MOST_COUNTED) return onlyOf(open, lack, means);
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

/** Tells each offer and how many packs of it so many pieces are bought as. */
export function tracePacks(
  table: PackTable,
  count: number,
  offers: readonly ShopOffer[],
  tell: (offer: number, packs: number) => void,
): void {
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

/** Very many pieces: of one offer, or none. */
function onlyOf(
  open: readonly number[],
  lack: number,
  { priceOf, left, offers }: PackMeans,
): PackTable {
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
export interface WishStep {
  readonly n: number;
  readonly to: number;
  readonly rate: number;
}

/** The steps by which a wish is worth its money: from one corner of its hull to the next. */
export function hullOf({ cost, only }: PackTable, n: number, weight: number): WishStep[] {
  const steps: WishStep[] = [];
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
