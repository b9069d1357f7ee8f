import type { Car, FairValue } from './model';

/** A small car, until one is measured: an assumption, and called so on screen. */
export const USUAL_CAR: Car = {
  name: 'A small car (not measured)',
  widthMm: 1000,
  heightMm: 750,
  lengthMm: 700,
  downLengthMm: 1400,
  maxG: 350_000,
  trailer: null,
};

/**
 * What the app ships with, in whole units of whatever money the home has, each piece: wide, because
 * condition and place decide. An assumption of ours, to be typed over; never an appraisal.
 */
const rows: readonly (readonly [words: string, low: number, high: number])[] = [
  ['coat', 5, 40],
  ['jumper', 2, 12],
  ['scarf', 1, 6],
  ['shirt', 1, 8],
  ['dress', 3, 25],
  ['boot', 4, 30],
  ['shoe', 2, 20],
  ['book', 0, 3],
  ['plate', 0, 3],
  ['cup', 0, 2],
  ['glass', 0, 2],
  ['pan', 2, 15],
  ['toy', 1, 8],
  ['puzzle', 1, 4],
  ['game', 2, 10],
  ['lamp', 3, 20],
  ['chair', 5, 40],
  ['table', 10, 80],
  ['bag', 2, 20],
  ['towel', 1, 4],
  ['curtain', 2, 20],
];
export const USUAL_VALUES: readonly FairValue[] = rows.map(([words, low, high]) => ({
  words,
  lowMinor: low * 100,
  highMinor: high * 100,
}));
