import { SUM_TOLERANCE, sumOf, type ZonesProblem } from './zonesProblem';

const { max, min } = Math;

/** A proven bound by rewards, what it says of each pair, and what each bay would then choose. */
interface BayBound {
  readonly bound: number;
  /** Bound on every arrangement that has group g in bay b, at `g * bayCount + b`. */
  readonly through: Float64Array;
  /** A first arrangement to mend: each group in the cheapest of the bays that chose it, or -1. */
  readonly chosen: Int32Array;
  /** The best rewards, to go on from. */
  readonly rewards: Float64Array;
}

interface BayBoundOptions {
  readonly best: number;
  readonly steps: number;
  readonly isOver: () => boolean;
  /** Rewards to begin with, one a group. */
  readonly rewards: Float64Array;
  /** Costs of pairs (g, b); those of the problem, or less where something was taken off for pairs. */
  readonly cost: Float64Array;
  /** Bays still open to each group. */
  readonly open: readonly (readonly number[])[];
  /** Told what a bay takes at some rewards. */
  readonly onChoice?: (b: number, groups: readonly number[]) => void;
}

/**
 * Bounds the cost from below the other way round: each group carries a reward, every bay takes what
 * pays best within its room
 * and load, foes apart, and the rewards are paid back. A bay's choice is a small knapsack, worked
 * through exactly, so that
 * the bound sees that groups are whole: it is far tighter than prices where bays hold few groups each.
 * Source: Fisher, Jaikumar and Van Wassenhove (1986), a multiplier adjustment for generalized
 * assignment; subgradient by Polyak.
 */
export function boundByBays(
  problem: ZonesProblem,
  { best, steps, isOver, rewards: from, cost, open, onChoice }: BayBoundOptions,
): BayBound {
  const { groupCount, bayCount } = problem;
  const rewards = Float64Array.from(from);
  let bestRewards = Float64Array.from(from);
  let bound = -Infinity;
  let eagerness = 1;
  let sinceBetter = 0;
  const bays = openOf(problem, open);
  const times = new Int32Array(groupCount);
  const chosen = new Int32Array(groupCount).fill(-1);
  const knapsack = createKnapsack(problem);
  for (let step = 0; step < steps; step += 1) {
    if ((step & 3) === 0 && isOver()) break;
    times.fill(0);
    let now = sumOf(rewards);
    for (let b = 0; b < bayCount; b += 1) {
      now -= knapsack.fill(b, bays[b] ?? [], rewards, cost);
      for (let k = 0; k < knapsack.count(); k += 1) {
        const g = knapsack.at(k);
        times[g] = times[g]! + 1;
      }
      onChoice?.(b, knapsack.taken());
    }
    if (now > bound + 1e-9) {
      bound = now;
      bestRewards = Float64Array.from(rewards);
      sinceBetter = 0;
    } else if ((sinceBetter += 1) > 10) {
      eagerness *= 0.6;
      sinceBetter = 0;
      rewards.set(bestRewards);
      if (eagerness < 2e-3) break;
      continue;
    }
    const length = lengthSqOf(times);
    // Every group was taken once: the bays' choices are an arrangement, and the best one.
    if (length === 0) break;
    const stride = (eagerness * max(goalOf(best, bound) - now, 1e-7)) / length;
    for (let g = 0; g < groupCount; g += 1) rewards[g] = rewards[g]! + stride * (1 - times[g]!);
  }
  const through = new Float64Array(groupCount * bayCount).fill(Infinity);
  const isCheaper = (g: number, b: number): boolean =>
    chosen[g]! < 0 || cost[g * bayCount + b]! < cost[g * bayCount + chosen[g]!]!;
  for (let b = 0; b < bayCount; b += 1) {
    const value = knapsack.fill(b, bays[b] ?? [], bestRewards, cost);
    for (let k = 0; k < knapsack.count(); k += 1) {
      const g = knapsack.at(k);
      if (isCheaper(g, b)) chosen[g] = b;
    }
    for (const g of bays[b] ?? []) through[g * bayCount + b] = bound + value - knapsack.mostWith(g);
  }
  return { bound: max(bound, 0), through, chosen, rewards: bestRewards };
}

/** What the bound is drawn to: the best arrangement, or a little more than itself. */
const goalOf = (best: number, bound: number): number =>
  Number.isFinite(best) ? best : bound + Math.abs(bound) * 0.03 + 1;

// A plain loop: what is called for every element costs a tenth of the proof.
/** How far each group is from being taken once, squared and added up. */
function lengthSqOf(times: Int32Array): number {
  let sum = 0;
  for (let g = 0; g < times.length; g += 1) sum += (1 - times[g]!) ** 2;
  return sum;
}

function openOf({ bayCount }: ZonesProblem, open: readonly (readonly number[])[]): number[][] {
  const bays: number[][] = Array.from({ length: bayCount }, () => []);
  open.forEach((list, g) => list.forEach((b) => bays[b]?.push(g)));
  return bays;
}

/** Branches that are dug into for one bay; beyond them shares bound the rest. */
const MOST_DIGS = 2500;
/** The same where everything above a gain is listed; beyond them the list is too long. */
const MOST_DIGS_FOR_ALL = 200_000;

interface Knapsack {
  /**
   * The most that a bay gains; what it takes is told by `count` and `at`. The list of groups is put in the
   * order of their gains, by which the next time is the faster.
   */
  readonly fill: (b: number, groups: number[], rewards: Float64Array, cost: Float64Array) => number;
  readonly count: () => number;
  readonly at: (k: number) => number;
  readonly taken: () => number[];
  /**
   * At most so much is gained with group g in the bay that was filled last: the rest of the room filled by
   * shares.
   */
  readonly mostWith: (g: number) => number;
  /**
   * All that the bay that was filled last may hold and that gains at least so much, groups that pay nothing
   * among them; undefined where that is more than `most` of them.
   */
  readonly allFrom: (least: number, most: number) => number[][] | undefined;
}

/** One worked-through bay after the other, in arrays that are used again. */
export function createKnapsack(
  { groupCount, bayCount, litres, massG, bayLitres, bayMassG, foes }: ZonesProblem,
  mostDigs: number = MOST_DIGS,
): Knapsack {
  const item = new Int32Array(groupCount);
  const gain = new Float64Array(groupCount);
  const order = new Float64Array(groupCount);
  const size = new Float64Array(groupCount);
  /** Those that pay nothing, and the least litres of all from a place in the list on. */
  const idle = new Int32Array(groupCount);
  let idleCount = 0;
  const leastFrom = new Float64Array(groupCount + 1);
  /** Litres and gains of all before a place in the list. */
  const litresTo = new Float64Array(groupCount + 1);
  const gainTo = new Float64Array(groupCount + 1);
  const isIn = new Uint8Array(groupCount);
  const taken = new Uint8Array(groupCount);
  const bestIn = new Int32Array(groupCount);
  const hasFoes = Uint8Array.from(foes, (list) => (list.length > 0 ? 1 : 0));
  let bestCount = 0;
  let bestGain = 0;
  let count = 0;
  /** Grams that a litre of the lightest collected group weighs, and of the next: load bounds litres through it. */
  let leastDensity = 0;
  let nextDensity = 0;
  let lightest = -1;
  /** Where a group stands among those that pay, or -1, and what it pays, in the bay that was filled last. */
  const placeOf = new Int32Array(groupCount);
  const paysOf = new Float64Array(groupCount);
  let filled = 0;
  /** What is left of the digging, and the most that a branch which was given up could have gained. */
  let digs = 0;
  let givenUp = 0;

  const collect = (
    b: number,
    groups: number[],
    rewards: Float64Array,
    cost: Float64Array,
  ): void => {
    count = 0;
    idleCount = 0;
    leastDensity = Infinity;
    nextDensity = Infinity;
    for (const g of groups) {
      const pays = rewards[g]! - cost[g * bayCount + b]!;
      paysOf[g] = pays;
      placeOf[g] = -1;
      if (pays <= 1e-12) {
        idle[idleCount++] = g;
        continue;
      }
      const perLitre = pays / max(litres[g]!, 1e-6);
      // Inserted by gain a litre: the list is nearly in that order from the time before.
      let k = count;
      while (k > 0 && order[k - 1]! < perLitre) {
        order[k] = order[k - 1]!;
        item[k] = item[k - 1]!;
        gain[k] = gain[k - 1]!;
        size[k] = size[k - 1]!;
        k -= 1;
      }
      order[k] = perLitre;
      item[k] = g;
      gain[k] = pays;
      size[k] = litres[g]!;
      count += 1;
      const density = massG[g]! / max(litres[g]!, 1e-9);
      if (density < leastDensity) {
        nextDensity = leastDensity;
        leastDensity = density;
        lightest = g;
      } else nextDensity = min(nextDensity, density);
    }
    for (let k = 0; k < idleCount; k += 1) groups[count + k] = idle[k]!;
    leastFrom[count] = Infinity;
    for (let k = count - 1; k >= 0; k -= 1) leastFrom[k] = min(leastFrom[k + 1]!, size[k]!);
    for (let k = 0; k < count; k += 1) {
      groups[k] = item[k]!;
      placeOf[item[k]!] = k;
      litresTo[k + 1] = litresTo[k]! + litres[item[k]!]!;
      gainTo[k + 1] = gainTo[k]! + gain[k]!;
    }
  };
  const shares = (from: number, roomL: number): number => {
    const end = litresTo[from]! + roomL;
    // The last one that goes in whole, by halving.
    let low = from;
    let high = count;
    while (low < high) {
      const middle = (low + high + 1) >> 1;
      if (litresTo[middle]! <= end) low = middle;
      else high = middle - 1;
    }
    const whole = gainTo[low]! - gainTo[from]!;
    if (low >= count) return whole;
    return whole + (gain[low]! * max(0, end - litresTo[low]!)) / max(litres[item[low]!]!, 1e-9);
  };
  const litresWithin = (roomL: number, roomM: number, density = leastDensity): number =>
    density > 0 && roomM < Infinity ? min(roomL, roomM / density + SUM_TOLERANCE) : roomL;
  const clashes = (g: number): boolean => {
    for (const foe of foes[g] ?? []) if (isIn[foe]) return true;
    return false;
  };
  /** Depth first, the denser first; a branch ends where even shares would not beat the best. */
  const dig = (from: number, roomL: number, roomM: number, sum: number): void => {
    if (sum > bestGain + 1e-12) {
      bestGain = sum;
      bestCount = 0;
      for (let j = 0; j < from; j += 1) if (taken[j]) bestIn[bestCount++] = item[j]!;
    }
    const mostL = roomL + SUM_TOLERANCE;
    for (let k = from; k < count; k += 1) {
      if (leastFrom[k]! > mostL) return;
      if (size[k]! > mostL) continue;
      const most = sum + shares(k, litresWithin(roomL, roomM));
      if (most <= bestGain + 1e-12) return;
      if ((digs -= 1) < 0) {
        givenUp = max(givenUp, most);
        return;
      }
      const g = item[k]!;
      if (massG[g]! > roomM + SUM_TOLERANCE || (hasFoes[g] && clashes(g))) continue;
      taken[k] = 1;
      isIn[g] = 1;
      dig(k + 1, roomL - size[k]!, roomM - massG[g]!, sum + gain[k]!);
      isIn[g] = 0;
      taken[k] = 0;
    }
  };
  /** What `digAll` has in the bay. */
  const stack: number[] = [];
  /** As `dig`, but all that gain `least`; `false` where the list is full. */
  const digAll = (
    from: number,
    { roomL, roomM, sum }: { roomL: number; roomM: number; sum: number },
    list: { readonly least: number; readonly most: number; readonly found: number[][] },
  ): boolean => {
    for (let k = from; k < count + idleCount; k += 1) {
      const isPaying = k < count;
      const g = isPaying ? item[k]! : idle[k - count]!;
      const pays = paysOf[g]!;
      const most = sum + (isPaying ? shares(k, litresWithin(roomL, roomM)) : pays);
      if (most < list.least) return true;
      if (litres[g]! > roomL + SUM_TOLERANCE || massG[g]! > roomM + SUM_TOLERANCE) continue;
      if (hasFoes[g] && clashes(g)) continue;
      const next = { roomL: roomL - litres[g]!, roomM: roomM - massG[g]!, sum: sum + pays };
      isIn[g] = 1;
      stack.push(g);
      if (next.sum >= list.least) list.found.push([...stack]);
      const goesOn = list.found.length <= list.most && (digs -= 1) > 0 && digAll(k + 1, next, list);
      stack.pop();
      isIn[g] = 0;
      if (!goesOn) return false;
    }
    return true;
  };
  return {
    fill: (b, groups, rewards, cost) => {
      filled = b;
      collect(b, groups, rewards, cost);
      bestGain = 0;
      bestCount = 0;
      digs = mostDigs;
      givenUp = 0;
      dig(0, bayLitres[b]!, bayMassG[b] ?? Infinity, 0);
      // Never less than the true most: the bound stays proven.
      return max(bestGain, givenUp);
    },
    count: () => bestCount,
    at: (k) => bestIn[k]!,
    taken: () => [...bestIn.subarray(0, bestCount)],
    mostWith: (g) => {
      const place = placeOf[g]!;
      const room = max(
        0,
        litresWithin(
          bayLitres[filled]! - litres[g]!,
          (bayMassG[filled] ?? Infinity) - massG[g]!,
          g === lightest ? nextDensity : leastDensity,
        ),
      );
      // Without the group itself: where the shares reach it, the room goes on behind it.
      const isReached = place >= 0 && litresTo[place]! < room;
      const beside = isReached ? shares(0, room + litres[g]!) - gain[place]! : shares(0, room);
      return paysOf[g]! + beside;
    },
    allFrom: (least, most) => {
      digs = MOST_DIGS_FOR_ALL;
      const found: number[][] = [];
      idle.subarray(0, idleCount).sort((a, b) => paysOf[b]! - paysOf[a]! || a - b);
      const room = { roomL: bayLitres[filled]!, roomM: bayMassG[filled] ?? Infinity, sum: 0 };
      return digAll(0, room, { least, most, found }) ? found : undefined;
    },
  };
}

/** Rewards to begin with: what a group's cheapest bay costs at the prices of room. */
export const rewardsOf = (
  { groupCount, bayCount }: ZonesProblem,
  priced: Float64Array,
): Float64Array =>
  Float64Array.from({ length: groupCount }, (_, g) => {
    let least = Infinity;
    for (let b = 0; b < bayCount; b += 1) least = min(least, priced[g * bayCount + b] ?? Infinity);
    return least;
  });
