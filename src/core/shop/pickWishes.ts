/** A wish: what each number of its pieces costs, from none on, and what one piece is worth. */
export interface Wish {
  /** Minor units, by the number of pieces; infinite where so many are not to be had. */
  readonly cost: ArrayLike<number>;
  /** Pieces at most. */
  readonly most: number;
  readonly weight: number;
}

/** Values are added up in so many steps at most; where they are whole and fewer, exactly. */
const MOST_STEPS = 8000;
const HALVINGS = 40;
const TOLERANCE = 1e-9;

interface Option {
  readonly count: number;
  readonly cost: number;
  readonly value: number;
}
/**
 * How many pieces of each wish are worth most in all within `spareMinor`, and `rate`, the value that a minor unit more
 * is worth about. Money gets a price at which wishes would just spend all of it; a sum that is short of that by more
 * than the best known one is let go, the others are added up wish by wish.
 * Source: the knapsack with classes and its core; Pisinger, 1995.
 * Ensures: within `spareMinor`; no other choice is worth more, where values are whole and add up to `MOST_STEPS` at most.
 */
export function pickWishes(
  wishes: readonly Wish[],
  spareMinor: number,
): { readonly counts: readonly number[]; readonly rate: number } {
  const options = wishes.map((wish) => listOptions(wish, spareMinor));
  const rate = priceOfMoney(options, spareMinor);
  const priced = options.map((list) => bestAt(list, rate));
  const known = fillUp(options, priced, spareMinor);
  const counts = betterThan(known, { options, priced, rate, spareMinor });
  return { counts: counts ?? known.map(({ count }) => count), rate };
}

/** The choice that is worth most; undefined where none is worth more than `known`. */
function betterThan(
  known: readonly Option[],
  {
    options,
    priced,
    rate,
    spareMinor,
  }: {
    readonly options: readonly (readonly Option[])[];
    readonly priced: readonly Option[];
    readonly rate: number;
    readonly spareMinor: number;
  },
): number[] | undefined {
  const top = (option: Option) => option.value - rate * option.cost;
  const knownValue = sumOf(known, ({ value }) => value);
  const gap = sumOf(priced, top) + rate * spareMinor - knownValue - TOLERANCE;
  if (gap < 0) return undefined;
  const step = Math.max(1, sumOf(options, (list) => list[0]?.value ?? 0) / MOST_STEPS);
  const stepsOf = ({ value }: Option) => Math.floor(value / step + TOLERANCE);
  /** The least that every value from `low` on costs, over the wishes so far. */
  let least = Float64Array.of(0);
  let [low, topSoFar] = [0, 0];
  const picks = options.map((list, k) => {
    const near = list.filter((option) => top(priced[k]!) - top(option) <= gap);
    topSoFar += top(priced[k]!);
    const [fewest, most] = [stepsOf(near[near.length - 1]!), stepsOf(near[0]!)];
    const nextLow = low + fewest;
    const next = new Float64Array(least.length + most - fewest).fill(Infinity);
    const pick = new Int32Array(next.length).fill(-1);
    // Rounded values are short of the true ones by a step a wish at most.
    const short = step > 1 ? (k + 1) * step : 0;
    let [from, to] = [next.length, -1];
    for (const option of near) {
      const shift = stepsOf(option) - fewest;
      for (let v = 0; v < least.length; v += 1) {
        const cost = least[v]! + option.cost;
        const at = v + shift;
        if (cost >= next[at]! || cost > spareMinor) continue;
        if (topSoFar - ((nextLow + at) * step + short - rate * cost) > gap) continue;
        next[at] = cost;
        pick[at] = option.count;
        if (at < from) from = at;
        if (at > to) to = at;
      }
    }
    least = next.slice(from, to + 1);
    low = nextLow + from;
    return { pick, low: nextLow };
  });
  const high = low + least.length - 1;
  if (least.length === 0 || high * step <= knownValue + TOLERANCE) return undefined;
  let v = high;
  const counts = options.map(() => 0);
  for (let k = options.length - 1; k >= 0; k -= 1) {
    const { pick, low: first } = picks[k]!;
    const count = pick[v - first]!;
    counts[k] = count;
    v -= stepsOf(options[k]!.find((option) => option.count === count)!);
  }
  return counts;
}

const sumOf = <T>(list: readonly T[], of: (item: T) => number): number =>
  list.reduce((sum, item) => sum + of(item), 0);

/** Numbers of pieces that can be paid, without those for which more pieces cost no more. */
function listOptions({ cost, most, weight }: Wish, spareMinor: number): Option[] {
  const options: Option[] = [];
  let least = Infinity;
  for (let count = most; count >= 0; count -= 1) {
    if (cost[count]! > spareMinor || cost[count]! >= least) continue;
    least = cost[count]!;
    options.push({ count, cost: least, value: count * weight });
  }
  return options;
}

/** Of several as good the one that costs least. */
function bestAt(options: readonly Option[], rate: number): Option {
  let best = options[options.length - 1] ?? { count: 0, cost: 0, value: 0 };
  for (const option of options) {
    const more = option.value - rate * option.cost - (best.value - rate * best.cost);
    if (more > TOLERANCE || (more > -TOLERANCE && option.cost < best.cost)) best = option;
  }
  return best;
}

/** The lowest price of money at which what is worth most goes into it. */
function priceOfMoney(options: readonly (readonly Option[])[], spareMinor: number): number {
  const costAt = (rate: number) => options.reduce((sum, list) => sum + bestAt(list, rate).cost, 0);
  if (costAt(0) <= spareMinor) return 0;
  let low = 0;
  let high = 1;
  for (const list of options)
    for (const { cost, value } of list) if (cost > 0) high = Math.max(high, value / cost);
  // Above what any piece is worth for its money nothing is bought.
  high *= 1.01;
  for (let n = 0; n < HALVINGS && high - low > TOLERANCE * high; n += 1) {
    const rate = (low + high) / 2;
    if (costAt(rate) <= spareMinor) high = rate;
    else low = rate;
  }
  return high;
}

/** With the money that these leave, the most valuable step that still goes in, again and again. */
function fillUp(
  options: readonly (readonly Option[])[],
  from: readonly Option[],
  spareMinor: number,
): readonly Option[] {
  const chosen = [...from];
  let left = spareMinor - chosen.reduce((sum, { cost }) => sum + cost, 0);
  for (;;) {
    let best: { readonly k: number; readonly option: Option; readonly more: number } | undefined;
    options.forEach((list, k) => {
      for (const option of list) {
        const more = option.value - chosen[k]!.value;
        if (option.cost - chosen[k]!.cost <= left && more > (best?.more ?? TOLERANCE))
          best = { k, option, more };
      }
    });
    if (!best) return chosen;
    left -= best.option.cost - chosen[best.k]!.cost;
    chosen[best.k] = best.option;
  }
}
