import type { Correction } from '../things';
import type { ParsedThing } from './parseThing';

type Sized = Pick<ParsedThing, 'litres' | 'massG' | 'ranges' | 'uprightMm' | 'longestMm'>;

const typed = (value: number) => ({ low: value, high: value, from: 'typed' as const });

/** A thing with what was typed over it; the rest stays as it was read. */
export function withCorrection<S extends Sized>(thing: S, correction: Correction): S {
  const { litres, massG, uprightMm, longestMm } = correction;
  return {
    ...thing,
    ...(litres === undefined ? {} : { litres }),
    ...(massG === undefined ? {} : { massG }),
    ...(uprightMm === undefined ? {} : { uprightMm }),
    ...(longestMm === undefined ? {} : { longestMm }),
    ranges: {
      litres: litres === undefined ? thing.ranges.litres : typed(litres),
      massG: massG === undefined ? thing.ranges.massG : typed(massG),
    },
  };
}

/** The same thing in another number of pieces: figures go in proportion, what was typed too. */
export function withCount<S extends Sized & { readonly count: number }>(
  thing: S,
  count: number,
): S {
  const ratio = count / Math.max(1, thing.count);
  const scale = ({ low, high, from }: Sized['ranges']['litres']) => ({
    low: low * ratio,
    high: high * ratio,
    from,
  });
  return {
    ...thing,
    count,
    litres: thing.litres * ratio,
    massG: thing.massG * ratio,
    ranges: { litres: scale(thing.ranges.litres), massG: scale(thing.ranges.massG) },
  };
}
