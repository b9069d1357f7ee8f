import { LITRE_TOLERANCE, type Knot } from './moveKnots';

/** One handling within a knot: straight, into a basket, or out of it. */
interface KnotStep {
  readonly group: number;
  readonly kind: 'direct' | 'out' | 'back';
}
export interface KnotSequence {
  readonly steps: readonly KnotStep[];
  /** Litres that wait in baskets at the fullest moment. */
  readonly peakLitres: number;
}

/**
 * Carries an ordering out so that baskets stand full for as short as possible: a staged group goes
 * out when its bay is needed,
 * and back as soon as its place takes in all that still comes.
 * Requires: `order` works once all of `staged` are out of the way.
 */
export function sequenceLazily(
  knot: Knot,
  { staged, order }: { readonly staged: ReadonlySet<number>; readonly order: readonly number[] },
): KnotSequence {
  const { litres, from, to, room } = knot;
  const load = Float64Array.from(knot.load);
  const coming = new Float64Array(load.length);
  for (let g = 0; g < litres.length; g += 1) coming[to[g]!] = coming[to[g]!]! + litres[g]!;
  const home = new Set(staged);
  const waiting = new Set<number>();
  const steps: KnotStep[] = [];
  let inBaskets = 0;
  let peakLitres = 0;
  const fits = (g: number) => load[to[g]!]! + litres[g]! <= room[to[g]!]! + LITRE_TOLERANCE;
  const isSafe = (g: number) => load[to[g]!]! + coming[to[g]!]! <= room[to[g]!]! + LITRE_TOLERANCE;
  const leave = (g: number) => {
    load[from[g]!] = load[from[g]!]! - litres[g]!;
  };
  const arrive = (g: number) => {
    load[to[g]!] = load[to[g]!]! + litres[g]!;
    coming[to[g]!] = coming[to[g]!]! - litres[g]!;
  };
  const goDirect = (g: number) => {
    leave(g);
    arrive(g);
    home.delete(g);
    steps.push({ group: g, kind: 'direct' });
  };
  const goOut = (g: number) => {
    leave(g);
    home.delete(g);
    waiting.add(g);
    inBaskets += litres[g]!;
    peakLitres = Math.max(peakLitres, inBaskets);
    steps.push({ group: g, kind: 'out' });
  };
  const goBack = (g: number) => {
    arrive(g);
    waiting.delete(g);
    inBaskets -= litres[g]!;
    steps.push({ group: g, kind: 'back' });
  };
  const settle = () => {
    for (let isMoving = true; isMoving;) {
      isMoving = false;
      for (const g of waiting)
        if (isSafe(g)) {
          goBack(g);
          isMoving = true;
        }
      for (const g of home)
        if (isSafe(g)) {
          goDirect(g);
          isMoving = true;
        }
    }
  };
  settle();
  for (const g of order) {
    while (!fits(g)) {
      const inTheWay = [...home].filter((h) => from[h] === to[g]);
      const lacking = load[to[g]!]! + litres[g]! - room[to[g]!]!;
      const enough = inTheWay
        .filter((h) => litres[h]! >= lacking - LITRE_TOLERANCE)
        .sort((a, b) => litres[a]! - litres[b]!)[0];
      const next = enough ?? inTheWay.sort((a, b) => litres[b]! - litres[a]!)[0];
      if (next === undefined)
        throw new Error('invariant: an ordering works once all staged groups are out');
      goOut(next);
    }
    goDirect(g);
    settle();
  }
  while (home.size + waiting.size > 0) {
    const straight = [...home].find(fits);
    if (straight !== undefined) goDirect(straight);
    else {
      const back = [...waiting].find(fits);
      if (back !== undefined) goBack(back);
      else goOut([...home].sort((a, b) => litres[a]! - litres[b]!)[0] ?? -1);
    }
  }
  return { steps, peakLitres };
}

/** Groups of a knot up to which every way of going about it is looked at for the fewest baskets. */
export const MOST_EXACT = 12;
const MOST_STATES = 300_000;

/**
 * Looks for a way with at most so many litres staged in all and waiting at once, over every state
 * of every group: at home,
 * waiting, there. Undefined where there is none, or none was found among the states that may be met.
 */
export function sequenceWithin(
  knot: Knot,
  {
    stagedLitres,
    peakLitres,
    mostStates = MOST_STATES,
    isOver = () => false,
  }: {
    readonly stagedLitres: number;
    readonly peakLitres: number;
    readonly mostStates?: number;
    readonly isOver?: () => boolean;
  },
): KnotSequence | undefined {
  const { litres, from, to, room } = knot;
  const count = litres.length;
  const load = Float64Array.from(knot.load);
  const state = new Uint8Array(count);
  const seen = new Set<number>();
  const steps: KnotStep[] = [];
  let [inBaskets, stagedSoFar, peak, met] = [0, 0, 0, 0];
  const keyOf = () => state.reduce((key, value) => key * 3 + value, 0);
  const fits = (g: number) => load[to[g]!]! + litres[g]! <= room[to[g]!]! + LITRE_TOLERANCE;
  const add = (bay: number, amount: number) => {
    load[bay] = load[bay]! + amount;
  };
  const search = (left: number): boolean => {
    if (left === 0) return true;
    const key = keyOf();
    if (seen.has(key) || (met += 1) > mostStates) return false;
    // Once the time is gone no state is gone into any more.
    if ((met & 63) === 0 && isOver()) met = mostStates;
    seen.add(key);
    for (let g = 0; g < count; g += 1) {
      const amount = litres[g]!;
      if (state[g] === 1 && fits(g)) {
        state[g] = 2;
        add(to[g]!, amount);
        inBaskets -= amount;
        steps.push({ group: g, kind: 'back' });
        if (search(left - 1)) return true;
        steps.pop();
        inBaskets += amount;
        add(to[g]!, -amount);
        state[g] = 1;
      } else if (state[g] === 0) {
        if (fits(g)) {
          state[g] = 2;
          add(from[g]!, -amount);
          add(to[g]!, amount);
          steps.push({ group: g, kind: 'direct' });
          if (search(left - 1)) return true;
          steps.pop();
          add(to[g]!, -amount);
          add(from[g]!, amount);
          state[g] = 0;
        }
        if (
          stagedSoFar + amount <= stagedLitres + LITRE_TOLERANCE &&
          inBaskets + amount <= peakLitres + LITRE_TOLERANCE
        ) {
          const before = peak;
          state[g] = 1;
          add(from[g]!, -amount);
          inBaskets += amount;
          stagedSoFar += amount;
          peak = Math.max(peak, inBaskets);
          steps.push({ group: g, kind: 'out' });
          if (search(left)) return true;
          steps.pop();
          peak = before;
          stagedSoFar -= amount;
          inBaskets -= amount;
          add(from[g]!, amount);
          state[g] = 0;
        }
      }
    }
    return false;
  };
  return search(count) ? { steps: [...steps], peakLitres: peak } : undefined;
}
