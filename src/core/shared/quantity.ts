import { formatNumber } from './locale';

/** Cubic millimetres in a litre. */
export const MM3_PER_LITRE = 1_000_000;

/** Litres as people say them: one decimal below ten, whole above, never `-0`. */
export function formatLitres(litres: number): string {
  const rounded = Math.abs(litres) < 9.95 ? Math.round(litres * 10) / 10 : Math.round(litres);
  return `${formatNumber(rounded === 0 ? 0 : rounded)} l`;
}

/** Grams below a kilogram, kilograms with one decimal above. */
export function formatMass(massG: number): string {
  if (massG < 995) return `${Math.round(massG)} g`;
  return `${formatNumber(Math.round(massG / 100) / 10)} kg`;
}

/** A share 0..1 as whole per cent; never says 100 or 0 where it is not quite. */
export function formatShare(share: number): string {
  const percent = Math.round(share * 100);
  if (percent === 100 && share < 1) return '99 %';
  if (percent === 0 && share > 0) return '1 %';
  return `${percent} %`;
}
