import type { Range } from './readVocabulary';

export const scaled = (range: Range, factor: number): Range => ({
  value: range.value * factor,
  low: range.low * factor,
  high: range.high * factor,
});
export const spreadBy = (value: number, spread: number): Range => ({
  value,
  low: value / spread,
  high: value * spread,
});
export const exactly = (value: number): Range => ({ value, low: value, high: value });
export const shifted = (range: Range, by: number): Range => ({
  value: range.value + by,
  low: range.low + by,
  high: range.high + by,
});
