import type { Random } from '../shared';
import { costOfZones, SUM_TOLERANCE, type ZonesProblem } from './zonesProblem';

// In hot loops a lookup of the global object costs more than the arithmetic.
const { exp, floor, log, max, min } = Math;

/** Where everything stands, and how much of each bay that takes. */
interface Standing {
  readonly bayOf: Int32Array;
  readonly litres: Float64Array;
  readonly massG: Float64Array;
}

interface ZonesSearch {
  /** The cheapest arrangement that breaks no rule; undefined where none was met. */
  readonly bayOf: Int32Array | undefined;
  readonly cost: number;
}

interface SearchOptions {
  readonly random: Random;
  /** Steps to take; the same number gives the same answer. */
  readonly steps: number;
  /** Begins here instead of from nothing, and less hot. */
  readonly from?: Int32Array | undefined;
  /**
   * Bays to try for each group, the most promising first; all allowed ones by their cost where none
   * are given.
   */
  readonly lists?: readonly Int32Array[] | undefined;
  /** Cuts it short. */
  readonly isOver: () => boolean;
  readonly onBetter?: ((bayOf: Int32Array, cost: number) => void) | undefined;
}

/**
 * Looks for a cheap arrangement by simulated annealing: groups move and change places; bays may be
 * overfilled and foes
 * meet on the way, at a price that rises while it happens. Repeatable for a source of chance,
 * unless it is cut short.
 * Source: Kirkpatrick, Gelatt, Vecchi (1983); the price of broken rules adapts as in Gendreau et al. (1994).
 * Ensures: what is returned breaks no rule. Requires: every group may stand somewhere.
 */
export function searchZones(
  problem: ZonesProblem,
  { random, steps, from, lists, isOver, onBetter }: SearchOptions,
): ZonesSearch {
  const {
    groupCount,
    bayCount,
    allowed,
    cost,
    litres,
    massG,
    bayLitres,
    bayMassG,
    partners,
    metres,
    foes,
  } = problem;
  if (groupCount === 0) return { bayOf: new Int32Array(0), cost: 0 };
  const standing = from ? standAt(problem, from) : standGreedily(problem);
  const { bayOf } = standing;
  const scale = typicalStep(problem, random);
  let price = scale * 4;
  let now = costOfZones(problem, bayOf);
  let broken = brokenOf(problem, standing);
  let best: Int32Array | undefined;
  let bestCost = Infinity;
  const keepIfBetter = () => {
    if (broken > SUM_TOLERANCE || now >= bestCost - 1e-9) return;
    best = Int32Array.from(bayOf);
    bestCost = now;
    onBetter?.(best, bestCost);
  };
  keepIfBetter();

  /** Share of a bay's room that is used beyond it, litres and load together. */
  const overfill = (b: number, l: number, m: number): number => {
    const overL = l - bayLitres[b]!;
    const overM = m - bayMassG[b]!;
    return (
      (overL > SUM_TOLERANCE ? 0.05 + overL / (bayLitres[b]! + 1) : 0) +
      (overM > SUM_TOLERANCE ? 0.05 + overM / (bayMassG[b]! + 300) : 0)
    );
  };
  const meetings = (g: number, b: number, except: number): number => {
    let count = 0;
    for (const foe of foes[g] ?? []) if (foe !== except && bayOf[foe] === b) count += 1;
    return count;
  };
  const pairCost = (g: number, b: number, except: number): number => {
    let sum = 0;
    for (const { other, weight } of partners[g] ?? [])
      if (other !== except) sum += weight * metres[b * bayCount + bayOf[other]!]!;
    return sum;
  };

  let heat = 0;
  /** Whether a change is taken: what is better always, what is worse the rarer the colder it is. */
  const isTaken = (dCost: number, dBroken: number): boolean => {
    const delta = dCost + price * dBroken;
    return delta <= 0 || random() < exp(-delta / heat);
  };
  /** Puts so much more into a bay; less where it is negative. */
  const put = (b: number, l: number, m: number): void => {
    standing.litres[b] = standing.litres[b]! + l;
    standing.massG[b] = standing.massG[b]! + m;
  };
  /** How much more is broken in a bay once it holds so much more. */
  const overfillBy = (b: number, l: number, m: number): number =>
    overfill(b, standing.litres[b]! + l, standing.massG[b]! + m) -
    overfill(b, standing.litres[b]!, standing.massG[b]!);
  /** A group moves to one of its bays, the promising ones more often. */
  const moveOne = (g: number): void => {
    const choices = (lists ?? allowed)[g]!;
    if (choices.length < 2) return;
    const r = random();
    const a = bayOf[g]!;
    const b = choices[floor(r * r * choices.length)]!;
    if (b === a) return;
    const l = litres[g]!;
    const m = massG[g]!;
    const dBroken =
      overfillBy(a, -l, -m) + overfillBy(b, l, m) + meetings(g, b, -1) - meetings(g, a, -1);
    const dCost =
      cost[g * bayCount + b]! - cost[g * bayCount + a]! + pairCost(g, b, -1) - pairCost(g, a, -1);
    if (!isTaken(dCost, dBroken)) return;
    bayOf[g] = b;
    put(a, -l, -m);
    put(b, l, m);
    now += dCost;
    broken += dBroken;
  };
  /** Two groups change places. */
  const swapTwo = (g: number, h: number): void => {
    const a = bayOf[g]!;
    const b = bayOf[h]!;
    if (h === g || a === b) return;
    const dOwn =
      cost[g * bayCount + b]! -
      cost[g * bayCount + a]! +
      cost[h * bayCount + a]! -
      cost[h * bayCount + b]!;
    // One of them must not stand there.
    if (dOwn === Infinity) return;
    const l = litres[g]! - litres[h]!;
    const m = massG[g]! - massG[h]!;
    const dBroken =
      overfillBy(a, -l, -m) +
      overfillBy(b, l, m) +
      meetings(g, b, h) -
      meetings(g, a, h) +
      meetings(h, a, g) -
      meetings(h, b, g);
    const dCost =
      dOwn + pairCost(g, b, h) - pairCost(g, a, h) + pairCost(h, a, g) - pairCost(h, b, g);
    if (!isTaken(dCost, dBroken)) return;
    bayOf[g] = b;
    bayOf[h] = a;
    put(a, -l, -m);
    put(b, l, m);
    now += dCost;
    broken += dBroken;
  };

  const hot = scale * (from ? 0.12 : 1.5);
  const cold = scale * 0.002;
  const cooling = log(cold / hot);
  for (let step = 0; step < steps; step += 1) {
    if ((step & 1023) === 0) {
      if (isOver()) break;
      // Long in the wrong the price rises, long in the right it falls: the border is where the good ones are.
      price =
        broken > SUM_TOLERANCE ? min(price * 1.35, scale * 1e6) : max(price * 0.8, scale * 0.5);
    }
    heat = hot * exp((cooling * step) / steps);
    const g = floor(random() * groupCount);
    if (random() < 0.55) moveOne(g);
    else swapTwo(g, floor(random() * groupCount));
    if (broken < 0.02 && now < bestCost - 1e-9) {
      // Sums of many small changes drift: before an arrangement is believed it is added up anew.
      Object.assign(standing, standAt(problem, bayOf, standing));
      broken = brokenOf(problem, standing);
      now = costOfZones(problem, bayOf);
      keepIfBetter();
    }
  }
  return { bayOf: best, cost: bestCost };
}

/** What a bay of groups takes; into the arrays of `reuse` where it is given. */
function standAt(
  { litres, massG, bayCount }: ZonesProblem,
  bayOf: Int32Array,
  reuse?: Standing,
): Standing {
  const standing = reuse ?? {
    bayOf: Int32Array.from(bayOf),
    litres: new Float64Array(bayCount),
    massG: new Float64Array(bayCount),
  };
  standing.litres.fill(0);
  standing.massG.fill(0);
  for (let g = 0; g < bayOf.length; g += 1) {
    const b = bayOf[g]!;
    standing.litres[b] = standing.litres[b]! + litres[g]!;
    standing.massG[b] = standing.massG[b]! + massG[g]!;
  }
  return standing;
}

/**
 * The costliest to misplace first, each into the cheapest bay that still takes it, or into its
 * cheapest of all.
 */
function standGreedily(problem: ZonesProblem): Standing {
  const { groupCount, bayCount, allowed, cost, litres, massG, bayLitres, bayMassG, foes } = problem;
  const bayOf = new Int32Array(groupCount).fill(-1);
  const standing: Standing = {
    bayOf,
    litres: new Float64Array(bayCount),
    massG: new Float64Array(bayCount),
  };
  const regret = (g: number) => {
    const list = allowed[g] as Int32Array;
    return list.length < 2
      ? Infinity
      : cost[g * bayCount + list[min(list.length - 1, 3)]!]! - cost[g * bayCount + list[0]!]!;
  };
  const order = Array.from({ length: groupCount }, (_, g) => g).sort(
    (g, h) => regret(h) - regret(g) || litres[h]! - litres[g]! || g - h,
  );
  for (const g of order) {
    const list = allowed[g] as Int32Array;
    const takes = (b: number) =>
      standing.litres[b]! + litres[g]! <= bayLitres[b]! + SUM_TOLERANCE &&
      standing.massG[b]! + massG[g]! <= bayMassG[b]! + SUM_TOLERANCE &&
      (foes[g] ?? []).every((foe) => bayOf[foe] !== b);
    const b = list.find(takes) ?? list[0] ?? 0;
    bayOf[g] = b;
    standing.litres[b] = standing.litres[b]! + litres[g]!;
    standing.massG[b] = standing.massG[b]! + massG[g]!;
  }
  return standing;
}

/** How far an arrangement breaks rules; 0 where it breaks none. */
function brokenOf(
  { bayCount, bayLitres, bayMassG, foes }: ZonesProblem,
  { bayOf, litres, massG }: Standing,
): number {
  let sum = 0;
  for (let b = 0; b < bayCount; b += 1) {
    const overL = litres[b]! - bayLitres[b]!;
    const overM = massG[b]! - bayMassG[b]!;
    sum +=
      (overL > SUM_TOLERANCE ? 0.05 + overL / (bayLitres[b]! + 1) : 0) +
      (overM > SUM_TOLERANCE ? 0.05 + overM / (bayMassG[b]! + 300) : 0);
  }
  for (let g = 0; g < bayOf.length; g += 1)
    for (const foe of foes[g] ?? []) if (foe > g && bayOf[foe] === bayOf[g]) sum += 1;
  return sum;
}

/** What moving a group by one place in its list of bays typically changes: the measure of heat and price. */
function typicalStep(
  { groupCount, bayCount, allowed, cost, pairs, metres }: ZonesProblem,
  random: Random,
): number {
  let sum = 0;
  let count = 0;
  for (let g = 0; g < groupCount; g += 1) {
    const list = allowed[g] as Int32Array;
    if (list.length < 2) continue;
    sum += cost[g * bayCount + list[floor(list.length / 3)]!]! - cost[g * bayCount + list[0]!]!;
    count += 1;
  }
  for (const { weight } of pairs) {
    sum += weight * metres[floor(random() * bayCount) * bayCount + floor(random() * bayCount)]!;
    count += 1;
  }
  return max(1e-6, count > 0 ? sum / count : 1);
}
