import type { Cover } from './listCovers';
import type { NoGoods } from './noGoods';

/** One cover a group. */
export interface Choice {
  readonly covers: readonly Cover[];
  readonly worth: number;
}

interface Priced {
  readonly cover: Cover;
  readonly sum: number;
}

const EPS = 1e-9;
const ROUNDS = 80;
/** Steps after which a search through the choices is given up. */
const MOST_STEPS = 300_000;

/**
 * Chooses one cover a group so that every row is kept: all choices below a limit, cheapest first. The rows are priced
 * (subgradients, Held and Karp, 1971); what is left of a cover's worth at those prices tells early which
 * covers cannot be in any choice below the limit. Of choices that differ only in which of two groups of one kind has which cover, one is looked at.
 */
export class CoverChoice {
  /** No choice counts less than this. */
  readonly bound: number;
  /** Worth and price of each cover of each group, least first. */
  private readonly priced: readonly (readonly Priced[])[];
  private readonly leastOf: readonly number[];
  /** What all rows are worth at their prices. */
  private readonly offset: number;

  /** For each group, whether the one before it is of the same kind: its cover is then no earlier in the list. */
  private readonly isTwin: readonly boolean[];

  /** Groups of one kind have the same covers, in the same order. */
  constructor(groups: readonly { readonly kind: string; readonly covers: readonly Cover[] }[], private readonly rowCount: number, limit: number) {
    const { prices, bound } = priceRows(groups.map(({ covers }) => covers), rowCount, limit);
    this.bound = bound;
    const ordered = [...groups].sort((a, b) => a.covers.length - b.covers.length || (a.kind < b.kind ? -1 : a.kind > b.kind ? 1 : 0));
    this.isTwin = ordered.map(({ kind }, g) => kind === ordered[g - 1]?.kind);
    this.priced = ordered.map(({ covers }) => covers.map((cover) => ({ cover, sum: pricedSum(cover, prices) })).sort((a, b) => a.sum - b.sum));
    this.leastOf = this.priced.map((covers) => covers[0]?.sum ?? Infinity);
    this.offset = prices.reduce((a, b) => a + b, 0);
  }

  /** All choices that count at least `from` and less than `below`, are `isPossible` and hold nothing refuted, cheapest first; undefined where there are too many, or the time is up. */
  between(from: number, below: number, { most, hasTime, noGoods, isPossible }: { readonly most: number; readonly hasTime: () => boolean; readonly noGoods: NoGoods; readonly isPossible: (covers: readonly Cover[]) => boolean }): readonly Choice[] | undefined {
    const found: Choice[] = [];
    const used = new Float64Array(this.rowCount);
    const taken: Cover[] = [];
    let steps = 0;
    const visit = (g: number, bound: number, worth: number, before: number): boolean => {
      steps += 1;
      if (steps > MOST_STEPS || found.length > most || (steps % 1024 === 0 && !hasTime())) return false;
      if (g === this.priced.length) {
        if (worth >= from - EPS && worth < below - EPS && isPossible(taken)) found.push({ covers: [...taken], worth });
        return true;
      }
      const least = this.leastOf[g] ?? 0;
      const priced = this.priced[g] ?? [];
      for (let c = this.isTwin[g] ? before : 0; c < priced.length; c += 1) {
        const next = priced[c];
        if (!next) break;
        const { cover, sum } = next;
        if (bound - least + sum >= below - EPS) break;
        let isKept = true;
        for (let r = 0; r < this.rowCount && isKept; r += 1) isKept = (used[r] ?? 0) + (cover.shares[r] ?? 0) <= 1 + EPS;
        if (!isKept) continue;
        for (let r = 0; r < this.rowCount; r += 1) used[r] = (used[r] ?? 0) + (cover.shares[r] ?? 0);
        taken.push(cover);
        const goesOn = !noGoods.enter(cover) || visit(g + 1, bound - least + sum, worth + cover.worth, c);
        taken.pop();
        noGoods.leave(cover);
        for (let r = 0; r < this.rowCount; r += 1) used[r] = (used[r] ?? 0) - (cover.shares[r] ?? 0);
        if (!goesOn) return false;
      }
      return true;
    };
    const start = this.leastOf.reduce((a, b) => a + b, 0) - this.offset;
    return visit(0, start, 0, 0) ? found.sort((a, b) => a.worth - b.worth) : undefined;
  }
}

const pricedSum = (cover: Cover, prices: Float64Array): number => {
  let sum = cover.worth;
  for (let r = 0; r < prices.length; r += 1) sum += (prices[r] ?? 0) * (cover.shares[r] ?? 0);
  return sum;
};

/** Prices at which what is left of the worth is highest, and how high. */
function priceRows(coversOf: readonly (readonly Cover[])[], rowCount: number, limit: number): { readonly prices: Float64Array; readonly bound: number } {
  let prices = new Float64Array(rowCount);
  let best = { prices, bound: -Infinity };
  let step = 1;
  for (let round = 0; round < ROUNDS; round += 1) {
    const used = new Float64Array(rowCount).fill(-1);
    let bound = -prices.reduce((a, b) => a + b, 0);
    for (const covers of coversOf) {
      let least = Infinity;
      let at: Cover | undefined;
      for (const cover of covers) {
        const sum = pricedSum(cover, prices);
        if (sum >= least) continue;
        least = sum;
        at = cover;
      }
      bound += least;
      at?.shares.forEach((share, r) => { used[r] = (used[r] ?? 0) + share; });
    }
    if (bound > best.bound + EPS) best = { prices, bound };
    else if (round % 5 === 4) step *= 0.8;
    const norm = used.reduce((sum, over) => sum + over * over, 0);
    if (norm < EPS || bound >= limit) break;
    const move = (step * (limit - bound)) / norm;
    prices = prices.map((price, r) => Math.max(0, price + move * (used[r] ?? 0)));
  }
  return best;
}
