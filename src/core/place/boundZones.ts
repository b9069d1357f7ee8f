import { SUM_TOLERANCE, type ZonesProblem } from './zonesProblem';

const { max, min } = Math;

/** A proven bound, and what it says of each group in each bay. */
interface ZonesBound {
  readonly bound: number;
  /** Bound on every arrangement that has group g in bay b, at `g * bayCount + b`. */
  readonly through: Float64Array;
  /** Cost of each pair with the best prices of room on it. */
  readonly priced: Float64Array;
}

interface BoundOptions {
  /** What the search found; Infinity where it found nothing. */
  readonly best: number;
  /** Where it stands in that; guides what the bound gives up for pairs on circles. */
  readonly bayOf: Int32Array | undefined;
  readonly steps: number;
  readonly isOver: () => boolean;
}

/** Bays at the same place in plan: `together` sees no difference between them. */
interface Places {
  readonly count: number;
  readonly of: Int32Array;
  readonly metres: Float64Array;
}

/** The pairs in a shape that can be worked through from the leaves to the roots and back. */
interface Forest {
  /** Groups, every parent before its children. */
  readonly order: readonly number[];
  readonly parent: Int32Array;
  readonly weight: Float64Array;
  /** Pairs that would close a circle. */
  readonly circles: ZonesProblem['pairs'];
}

/**
 * Bounds the cost from below: bays have a price for their room, every group then stands where it
 * likes, and what the prices
 * bring in is given back. Pairs are worked through exactly along trees; those that would close a
 * circle are replaced by what
 * each of the two contributes near where they stand now, which never exceeds their distance. Prices
 * follow the subgradient.
 * Source: Fisher (1981), Lagrangian relaxation; step by Polyak (1969).
 * Ensures: `bound` <= every arrangement that breaks no rule; so is `through[g, b]` for those with g in b.
 */
export function boundZones(
  problem: ZonesProblem,
  { best, bayOf, steps, isOver }: BoundOptions,
): ZonesBound {
  const { groupCount, bayCount, cost, litres, massG, bayLitres, bayMassG } = problem;
  const places = placesOf(problem);
  const forest = plantForest(problem);
  const base = Float64Array.from(cost);
  if (bayOf) leanPairs(problem, forest.circles, bayOf, base);
  const isLoaded = Uint8Array.from(bayMassG, (most) => (Number.isFinite(most) ? 1 : 0));
  // Prices are for the whole of a bay, so that one step fits them all.
  const prices = new Float64Array(2 * bayCount);
  let bestPrices = Float64Array.from(prices);
  let bound = -Infinity;
  const theta = new Float64Array(groupCount * bayCount);
  const used = new Float64Array(2 * bayCount);
  let eagerness = 1.2;
  let sinceBetter = 0;
  const setTheta = (from: Float64Array) => {
    for (let b = 0; b < bayCount; b += 1) {
      const perLitre = from[b]! / max(bayLitres[b]!, SUM_TOLERANCE);
      const perGram = isLoaded[b] ? from[bayCount + b]! / max(bayMassG[b]!, SUM_TOLERANCE) : 0;
      for (let g = 0, at = b; g < groupCount; g += 1, at += bayCount)
        theta[at] = (base[at] ?? Infinity) + perLitre * litres[g]! + perGram * massG[g]!;
    }
  };
  for (let step = 0; step < steps; step += 1) {
    if ((step & 7) === 0 && isOver()) break;
    setTheta(prices);
    const { value, choice } = passUp({ problem, places, forest, theta });
    const now = value - prices.reduce((sum, price) => sum + price, 0);
    if (now > bound + 1e-9) {
      bound = now;
      bestPrices = Float64Array.from(prices);
      sinceBetter = 0;
    } else if ((sinceBetter += 1) > 12) {
      eagerness *= 0.6;
      sinceBetter = 0;
      prices.set(bestPrices);
      if (eagerness < 1e-4) break;
      continue;
    }
    if (!Number.isFinite(now)) break;
    used.fill(0);
    for (let g = 0; g < groupCount; g += 1) {
      const b = choice[g]!;
      used[b] = used[b]! + litres[g]! / max(bayLitres[b]!, SUM_TOLERANCE);
      if (isLoaded[b])
        used[bayCount + b] = used[bayCount + b]! + massG[g]! / max(bayMassG[b]!, SUM_TOLERANCE);
    }
    const length = toSlopes(used, prices, isLoaded);
    if (length < 1e-12) break;
    const goal = Number.isFinite(best) ? best : bound + Math.abs(bound) * 0.05 + 1;
    const stride = (eagerness * max(goal - now, 1e-6)) / length;
    for (let k = 0; k < 2 * bayCount; k += 1) prices[k] = max(0, prices[k]! + stride * used[k]!);
  }
  setTheta(bestPrices);
  const through = passBoth({ problem, places, forest, theta });
  const given = bestPrices.reduce((sum, price) => sum + price, 0);
  for (let k = 0; k < through.length; k += 1) through[k] = (through[k] ?? Infinity) - given;
  return { bound: max(bound, 0), through, priced: theta };
}

/**
 * Makes of the shares that are used the slopes along which the prices go: none where a price would
 * fall below nothing, or a bay bears anything. Returns their length, squared.
 */
function toSlopes(used: Float64Array, prices: Float64Array, isLoaded: Uint8Array): number {
  const bayCount = isLoaded.length;
  let lengthSq = 0;
  for (let k = 0; k < used.length; k += 1) {
    const slope = k >= bayCount && !isLoaded[k - bayCount] ? 0 : used[k]! - 1;
    used[k] = slope < 0 && prices[k]! <= 0 ? 0 : slope;
    lengthSq += used[k]! ** 2;
  }
  return lengthSq;
}

function placesOf({ bayCount, metres }: ZonesProblem): Places {
  const of = new Int32Array(bayCount).fill(-1);
  const first: number[] = [];
  for (let b = 0; b < bayCount; b += 1) {
    const known = first.findIndex((c) => metres[b * bayCount + c]! === 0);
    of[b] = known >= 0 ? known : first.push(b) - 1;
  }
  const count = first.length;
  const between = new Float64Array(count * count);
  first.forEach((b, p) =>
    first.forEach((c, q) => {
      between[p * count + q] = metres[b * bayCount + c]!;
    }),
  );
  return { count, of, metres: between };
}

/** A spanning forest of the pairs, heaviest first: what is left out of it costs the least of the bound. */
function plantForest({ groupCount, pairs }: ZonesProblem): Forest {
  const root = Int32Array.from({ length: groupCount }, (_, g) => g);
  const find = (g: number): number => {
    let at = g;
    while (root[at] !== at) at = root[at] ?? at;
    return at;
  };
  const edges: { a: number; b: number; weight: number }[][] = Array.from(
    { length: groupCount },
    () => [],
  );
  const circles: { a: number; b: number; weight: number }[] = [];
  for (const pair of [...pairs].sort((x, y) => y.weight - x.weight)) {
    const [ra, rb] = [find(pair.a), find(pair.b)];
    if (ra === rb) circles.push(pair);
    else {
      root[ra] = rb;
      edges[pair.a]?.push(pair);
      edges[pair.b]?.push(pair);
    }
  }
  const parent = new Int32Array(groupCount).fill(-1);
  const weight = new Float64Array(groupCount);
  const order: number[] = [];
  const seen = new Uint8Array(groupCount);
  for (let start = 0; start < groupCount; start += 1) {
    if (seen[start]) continue;
    seen[start] = 1;
    order.push(start);
    for (let at = order.length - 1; at < order.length; at += 1) {
      const g = order[at]!;
      for (const edge of edges[g] ?? []) {
        const other = edge.a === g ? edge.b : edge.a;
        if (seen[other]) continue;
        seen[other] = 1;
        parent[other] = g;
        weight[other] = edge.weight;
        order.push(other);
      }
    }
  }
  return { order, parent, weight, circles };
}

/**
 * Replaces w·d(x, y) by u(x) + v(y) <= w·d(x, y), equal where the two stand now at p and q:
 * u(x) = w(d(x, q) - d(x, p)) / 2 and v(y) = w(d(y, p) - d(y, q)) / 2, by the triangle inequality twice.
 */
export function leanPairs(
  { metres: between, bayCount }: ZonesProblem,
  pairs: ZonesProblem['pairs'],
  bayOf: Int32Array,
  base: Float64Array,
): void {
  const metres = (p: number, q: number) => between[p * bayCount + q]!;
  for (const { a, b, weight } of pairs) {
    const [p, q] = [bayOf[a]!, bayOf[b]!];
    for (let x = 0; x < bayCount; x += 1) {
      const bay = x;
      base[a * bayCount + bay] =
        base[a * bayCount + bay]! + (weight * (metres(x, q) - metres(x, p))) / 2;
      base[b * bayCount + bay] =
        base[b * bayCount + bay]! + (weight * (metres(x, p) - metres(x, q))) / 2;
    }
  }
}

interface Pass {
  readonly problem: ZonesProblem;
  readonly places: Places;
  readonly forest: Forest;
  readonly theta: Float64Array;
}

/** The least of a forest of pairs, and where everybody then stands. O(groups × bays + pairs × places²). */
function passUp({ problem, places, forest, theta }: Pass): {
  readonly value: number;
  readonly choice: Int32Array;
} {
  const { groupCount, bayCount } = problem;
  const { order, parent, weight } = forest;
  const up = sumUp({ problem, places, forest, theta });
  const choice = new Int32Array(groupCount);
  let value = 0;
  for (const g of order) {
    const p = parent[g] ?? -1;
    const from = p < 0 ? -1 : places.of[choice[p]!]!;
    let least = Infinity;
    for (let b = 0; b < bayCount; b += 1) {
      const here =
        (up.total[g * bayCount + b] ?? Infinity) +
        (from < 0 ? 0 : weight[g]! * places.metres[places.of[b]! * places.count + from]!);
      if (here < least) {
        least = here;
        choice[g] = b;
      }
    }
    if (p < 0) value += least;
  }
  return { value, choice };
}

/**
 * From the leaves up: what a group and everything below it cost, by its bay; and what that means at
 * each place of its parent.
 */
function sumUp({ problem, places, forest, theta }: Pass): {
  readonly total: Float64Array;
  readonly message: Float64Array;
} {
  const { groupCount, bayCount } = problem;
  const { count, of } = places;
  const { order, parent, weight } = forest;
  const total = Float64Array.from(theta);
  const message = new Float64Array(forest.parent.some((p) => p >= 0) ? groupCount * count : 0);
  const byPlace = new Float64Array(count);
  for (let k = order.length - 1; k >= 0; k -= 1) {
    const g = order[k]!;
    const p = parent[g] ?? -1;
    if (p < 0) continue;
    leastByPlace(total, g * bayCount, { bayCount, of, byPlace });
    spread({ byPlace, weight: weight[g]!, places, into: message, at: g * count });
    for (let b = 0; b < bayCount; b += 1)
      total[p * bayCount + b] =
        (total[p * bayCount + b] ?? Infinity) + message[g * count + of[b]!]!;
  }
  return { total, message };
}

function leastByPlace(
  values: Float64Array,
  from: number,
  {
    bayCount,
    of,
    byPlace,
  }: { readonly bayCount: number; readonly of: Int32Array; readonly byPlace: Float64Array },
): void {
  byPlace.fill(Infinity);
  for (let b = 0; b < bayCount; b += 1) {
    const q = of[b]!;
    byPlace[q] = min(byPlace[q] ?? Infinity, values[from + b] ?? Infinity);
  }
}

/** into[q] = min over p of byPlace[p] + weight · d(p, q). */
function spread({
  byPlace,
  weight,
  places,
  into,
  at,
}: {
  readonly byPlace: Float64Array;
  readonly weight: number;
  readonly places: Places;
  readonly into: Float64Array;
  readonly at: number;
}): void {
  const { count, metres } = places;
  for (let q = 0; q < count; q += 1) {
    let least = Infinity;
    for (let p = 0; p < count; p += 1) {
      const here = (byPlace[p] ?? Infinity) + weight * metres[p * count + q]!;
      if (here < least) least = here;
    }
    into[at + q] = least;
  }
}

/** The least of the whole for each group in each bay: up, then down again. */
function passBoth({ problem, places, forest, theta }: Pass): Float64Array {
  const { groupCount, bayCount } = problem;
  const { count, of } = places;
  const { order, parent, weight } = forest;
  const { total, message } = sumUp({ problem, places, forest, theta });
  const through = Float64Array.from(total);
  const byPlace = new Float64Array(count);
  const rest = new Float64Array(bayCount);
  const down = new Float64Array(count);
  const treeLeast = new Float64Array(groupCount);
  let all = 0;
  for (const g of order) {
    const p = parent[g] ?? -1;
    if (p >= 0) {
      for (let b = 0; b < bayCount; b += 1)
        rest[b] = (through[p * bayCount + b] ?? Infinity) - message[g * count + of[b]!]!;
      leastByPlace(rest, 0, { bayCount, of, byPlace });
      spread({ byPlace, weight: weight[g]!, places, into: down, at: 0 });
      for (let b = 0; b < bayCount; b += 1)
        through[g * bayCount + b] = (total[g * bayCount + b] ?? Infinity) + down[of[b]!]!;
    }
    let least = Infinity;
    for (let b = 0; b < bayCount; b += 1) least = min(least, through[g * bayCount + b] ?? Infinity);
    treeLeast[g] = least;
    if (p < 0) all += least;
  }
  for (let g = 0; g < groupCount; g += 1)
    for (let b = 0; b < bayCount; b += 1)
      through[g * bayCount + b] = (through[g * bayCount + b] ?? Infinity) + all - treeLeast[g]!;
  return through;
}
