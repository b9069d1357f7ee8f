/** A source of numbers in [0, 1). */
export type Random = () => number;

/** Looked up once: the loops that draw are the hottest there are. */
const { imul } = Math;

/**
 * The same seed gives the same sequence.
 * Source: mulberry32 (T. Ettinger, public domain), 32-bit state, period 2^32.
 */
export function createRandom(seed: number): Random {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = imul(t ^ (t >>> 15), t | 1);
    t ^= t + imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}
