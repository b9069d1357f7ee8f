/**
 * Groups that move, by number; bays by number. What leaves the home is gone already, what comes in
 * comes last.
 */
export interface Knot {
  readonly litres: Float64Array;
  readonly from: Int32Array;
  readonly to: Int32Array;
  /** What each bay holds when this knot is begun, and what it can hold. */
  readonly load: Float64Array;
  readonly room: Float64Array;
}

export const LITRE_TOLERANCE = 1e-9;

/**
 * Parts of the moves that wait for each other in circles: bays that reach each other by moves, and
 * the moves among them. A move
 * between two such parts is never in the way: what lies downstream is settled first, and then takes it in.
 * Source: Tarjan (1972), strongly connected components. Returns for each bay its part; parts
 * downstream come first.
 */
export function findParts(
  bayCount: number,
  moves: readonly { readonly from: number; readonly to: number }[],
): Int32Array {
  const next: number[][] = Array.from({ length: bayCount }, () => []);
  for (const { from, to } of moves) next[from]?.push(to);
  const index = new Int32Array(bayCount).fill(-1);
  const low = new Int32Array(bayCount);
  const part = new Int32Array(bayCount).fill(-1);
  const stack: number[] = [];
  let counter = 0;
  let parts = 0;
  for (let root = 0; root < bayCount; root += 1) {
    if ((index[root] ?? -1) >= 0) continue;
    // By hand instead of by recursion: a chain may be as long as there are bays.
    const work: { bay: number; at: number }[] = [{ bay: root, at: 0 }];
    while (work.length > 0) {
      const frame = work[work.length - 1] as { bay: number; at: number };
      const { bay } = frame;
      if (frame.at === 0) {
        index[bay] = low[bay] = counter++;
        stack.push(bay);
      }
      const target = next[bay]?.[frame.at];
      if (target !== undefined) {
        frame.at += 1;
        if ((index[target] ?? -1) < 0) work.push({ bay: target, at: 0 });
        else if ((part[target] ?? -1) < 0) low[bay] = Math.min(low[bay]!, index[target]!);
        continue;
      }
      work.pop();
      const above = work[work.length - 1];
      if (above) low[above.bay] = Math.min(low[above.bay]!, low[bay]!);
      if (low[bay] === index[bay]) {
        for (let other = stack.pop(); other !== undefined; other = stack.pop()) {
          part[other] = parts;
          if (other === bay) break;
        }
        parts += 1;
      }
    }
  }
  return part;
}

/**
 * An order in which all groups that are not staged go straight to their bay, staged ones being out
 * of the way; undefined where none was found.
 */
type Ordering =
  | { readonly code: 'order'; readonly order: readonly number[] }
  | {
      readonly code: 'none';
      /** One of these has to be staged. */ readonly stuck: readonly number[];
    }
  | { readonly code: 'unknown'; readonly stuck: readonly number[] };

/**
 * Orders the direct moves of a knot. Moves into a bay that takes in all that still comes are safe
 * and done at once; the
 * others are tried one after the other, failed states remembered. Exact unless more than
 * `mostTries` states are met.
 */
export function orderDirect(
  knot: Knot,
  staged: ReadonlySet<number>,
  mostTries: number,
  isOver: () => boolean = () => false,
): Ordering {
  const { litres, from, to, room } = knot;
  const count = litres.length;
  const load = Float64Array.from(knot.load);
  const coming = new Float64Array(load.length);
  const isPending = new Uint8Array(count).fill(1);
  for (let g = 0; g < count; g += 1) {
    if (staged.has(g)) {
      isPending[g] = 0;
      load[from[g]!] = load[from[g]!]! - litres[g]!;
    } else coming[to[g]!] = coming[to[g]!]! + litres[g]!;
  }
  const order: number[] = [];
  const failed = new Set<string>();
  let tries = 0;
  const fits = (g: number) => load[to[g]!]! + litres[g]! <= room[to[g]!]! + LITRE_TOLERANCE;
  const isSafe = (g: number) => load[to[g]!]! + coming[to[g]!]! <= room[to[g]!]! + LITRE_TOLERANCE;
  const shift = (g: number, sign: 1 | -1) => {
    const amount = sign * litres[g]!;
    load[from[g]!] = load[from[g]!]! - amount;
    load[to[g]!] = load[to[g]!]! + amount;
    coming[to[g]!] = coming[to[g]!]! - amount;
    isPending[g] = sign > 0 ? 0 : 1;
    if (sign > 0) order.push(g);
    else order.pop();
  };
  const settle = () => {
    for (let isMoving = true; isMoving;) {
      isMoving = false;
      for (let g = 0; g < count; g += 1) {
        if (!isPending[g] || !isSafe(g)) continue;
        shift(g, 1);
        isMoving = true;
      }
    }
  };
  const pending = () => {
    const list: number[] = [];
    for (let g = 0; g < count; g += 1) if (isPending[g]) list.push(g);
    return list;
  };
  let firstStuck: readonly number[] | undefined;
  const search = (): 'order' | 'none' | 'unknown' => {
    const mark = order.length;
    settle();
    const left = pending();
    firstStuck ??= left;
    if (left.length === 0) return 'order';
    const key = left.join(' ');
    if (failed.has(key)) {
      while (order.length > mark) shift(order[order.length - 1]!, -1);
      return 'none';
    }
    if ((tries += 1) > mostTries || ((tries & 31) === 0 && isOver())) return 'unknown';
    let outcome: 'none' | 'unknown' = 'none';
    for (const g of left) {
      if (!fits(g)) continue;
      shift(g, 1);
      const below = search();
      if (below === 'order') return 'order';
      shift(g, -1);
      if (below === 'unknown') {
        outcome = 'unknown';
        break;
      }
    }
    if (outcome === 'none') failed.add(key);
    while (order.length > mark) shift(order[order.length - 1]!, -1);
    return outcome;
  };
  const code = search();
  if (code === 'order') return { code, order };
  return { code, stuck: firstStuck ?? [] };
}
