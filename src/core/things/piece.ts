import type { FigureSource, StoringWay } from './codes';
import { effectOf } from './describing';
import type { Named } from './findKind';
import { exactly, scaled, spreadBy } from './ranges';
import type { Measures } from './readMeasures';
import type { Range } from './readVocabulary';

/** A kind of the organizer's own, with litres and grams of one piece. */
export interface OwnKind {
  readonly words: readonly string[];
  /** Of one piece; undefined where only the other is known, and the shipped one stands. */
  readonly litres: Range | undefined;
  readonly massG: Range | undefined;
  readonly uprightMm: number | undefined;
  readonly longestMm: number | undefined;
  /** What the shipped litres are multiplied by, learnt from sizes that were typed; where `litres` says nothing. */
  readonly learnt?: Range | undefined;
}

/** One piece of what is in hand, before it is counted. */
export interface Piece {
  readonly litres: Range;
  readonly massG: Range;
  /** Where litres and grams come from. */
  readonly from: FigureSource;
  readonly massFrom: FigureSource;
  readonly storing: StoringWay;
  readonly material: string;
  readonly sizeMm: readonly [number, number, number] | undefined;
  readonly uprightMm: number | undefined;
  readonly longestMm: number | undefined;
  readonly isPacked: boolean;
  readonly isPair: boolean;
  readonly isMachine: boolean;
  /** See `Kind`. */
  readonly eachPack: number | undefined;
  readonly areaM2: number | undefined;
}

/** Nothing is known: between what a hand holds and what two arms hold. */
const UNKNOWN_LITRES: Range = { value: 4, low: 0.5, high: 30 };
const UNKNOWN_MASS: Range = { value: 1000, low: 100, high: 8000 };
/** Grams a litre of which nothing is known. */
export const UNKNOWN_DENSITY: Range = { value: 300, low: 80, high: 900 };

const PLAIN: Omit<Piece, 'litres' | 'massG' | 'from' | 'massFrom'> = {
  storing: 'alone',
  material: 'mixed',
  sizeMm: undefined,
  uprightMm: undefined,
  longestMm: undefined,
  isPacked: false,
  isPair: false,
  isMachine: false,
  eachPack: undefined,
  areaM2: undefined,
};
/** What an adjective says of a size is itself a guess. */
const DESCRIBED_SPREAD = 1.15;

/** The usual piece of what was named, with what its adjectives make of it. */
export function usualPiece(named: Named<OwnKind>): Piece {
  const { own, kind, family, others } = named;
  if (own) return ownPiece(own, named);
  if (kind) {
    const effect = effectOf(others, kind.material);
    const isPlain = effect.litres === 1 && effect.massG === 1;
    const spread = isPlain ? kind.spread : kind.spread * DESCRIBED_SPREAD;
    const side = Math.cbrt(effect.litres);
    const sizeMm = kind.sizeMm && toSides(kind.sizeMm.map((mm) => mm * side));
    return {
      storing: kind.storing,
      material: kind.material,
      isPacked: kind.isPacked,
      isPair: kind.isPair,
      isMachine: kind.isMachine,
      eachPack: kind.eachPack,
      areaM2: kind.areaM2,
      litres: spreadBy(kind.litres * effect.litres, spread),
      massG: spreadBy(kind.massG * effect.massG, spread),
      sizeMm,
      ...reachOf(sizeMm, kind.material),
      from: 'kind',
      massFrom: 'kind',
    };
  }
  const effect = effectOf(others, family?.material ?? 'mixed');
  return {
    ...PLAIN,
    storing: family?.storing ?? PLAIN.storing,
    material: family?.material ?? PLAIN.material,
    litres: scaled(family?.litres ?? UNKNOWN_LITRES, effect.litres),
    massG: scaled(family?.massG ?? UNKNOWN_MASS, effect.massG),
    from: family ? 'family' : 'unknown',
    massFrom: family ? 'family' : 'unknown',
  };
}

const massBeside = (litres: Range | undefined, usual: Piece): Range =>
  litres && usual.from === 'unknown' ? scaled(UNKNOWN_DENSITY, litres.value) : usual.massG;

/** A corrected kind keeps what was not corrected; of one's own kind what is not said is not known. */
function ownPiece(own: OwnKind, { kind, ...named }: Named<OwnKind>): Piece {
  const usual = usualPiece({ ...named, kind, own: undefined });
  const { learnt } = own;
  const isLearnt = own.litres === undefined && learnt !== undefined && usual.from === 'kind';
  const litres = isLearnt ? times(usual.litres.value, learnt) : usual.litres;
  const from = isLearnt ? 'learnt' : usual.from;
  return {
    ...usual,
    litres: own.litres ?? litres,
    massG: own.massG ?? massBeside(own.litres, usual),
    from: own.litres ? 'own' : from,
    massFrom: own.massG ? 'own' : usual.massFrom,
    uprightMm: own.uprightMm ?? (own.litres ? undefined : usual.uprightMm),
    longestMm: own.longestMm ?? (own.litres ? undefined : usual.longestMm),
    sizeMm: own.litres ? undefined : usual.sizeMm,
  };
}

const times = (value: number, { low, high, value: factor }: Range): Range => ({
  value: value * factor,
  low: value * low,
  high: value * high,
});

type Sides = readonly [number, number, number];
const toSides = ([a = 0, b = 0, c = 0]: readonly number[]): Sides => [a, b, c];
/** What gives way lies down: it wants no height of its own. */
const SOFT = new Set(['textile', 'leather']);
const reachOf = (sizeMm: readonly number[] | undefined, material = 'mixed') => {
  if (sizeMm === undefined) return { uprightMm: undefined, longestMm: undefined };
  const upright = SOFT.has(material) ? Math.min(...sizeMm) : (sizeMm[2] ?? 0);
  return {
    uprightMm: Math.max(1, Math.round(upright)),
    longestMm: Math.round(Math.max(...sizeMm)),
  };
};

/** A size that was told replaces the usual one; grams go with the litres. */
export function withSize(piece: Piece, { sidesMm, lengthMm }: Measures): Piece {
  if (sidesMm.length === 3) {
    const litres = sidesMm.reduce((product, mm) => product * mm, 1) / 1e6;
    const sizeMm = toSides(sidesMm);
    return {
      ...piece,
      litres: exactly(litres),
      massG: massFor(piece, litres),
      sizeMm,
      ...reachOf(sizeMm),
      storing: 'alone',
      isPair: false,
      from: 'typed',
    };
  }
  if (sidesMm.length === 2) return withArea(piece, sidesMm[0] ?? 0, sidesMm[1] ?? 0);
  if (lengthMm !== undefined) return withLength(piece, lengthMm);
  return piece;
}

function massFor(piece: Piece, litres: number): Range {
  if (piece.from === 'unknown') return scaled(UNKNOWN_DENSITY, litres);
  return scaled(piece.massG, litres / piece.litres.value);
}

/** Two sides: of what is folded the area, of the rest a footprint or a face; the third side is usual. */
function withArea(piece: Piece, aMm: number, bMm: number): Piece {
  const longestMm = Math.round(Math.max(aMm, bMm));
  if (piece.areaM2 !== undefined || piece.storing === 'folds' || piece.storing === 'rolls') {
    if (piece.areaM2 === undefined) return piece;
    const factor = (aMm * bMm) / 1e6 / piece.areaM2;
    return { ...piece, litres: scaled(piece.litres, factor), massG: scaled(piece.massG, factor) };
  }
  if (piece.sizeMm === undefined) {
    const litres = (aMm * bMm * Math.min(aMm, bMm) * 0.3) / 1e6;
    return {
      ...piece,
      litres: spreadBy(litres, 3),
      massG: massFor({ ...piece }, litres),
      longestMm,
    };
  }
  const third = thirdSideOf(piece.sizeMm, aMm, bMm);
  const litres = (aMm * bMm * third) / 1e6;
  return {
    ...piece,
    litres: spreadBy(litres, 1.4),
    massG: scaled(piece.massG, litres / piece.litres.value),
    uprightMm: third === piece.sizeMm[2] ? Math.round(third) : longestMm,
    longestMm: Math.max(longestMm, Math.round(third)),
  };
}

/** The side that the two told are least like. */
function thirdSideOf(size: Sides, aMm: number, bMm: number): number {
  const far = (a: number, b: number) => Math.abs(Math.log(a / b));
  const [x, y, z] = size;
  const choices = [
    { left: x, cost: Math.min(far(y, aMm) + far(z, bMm), far(z, aMm) + far(y, bMm)) },
    { left: y, cost: Math.min(far(x, aMm) + far(z, bMm), far(z, aMm) + far(x, bMm)) },
    { left: z, cost: Math.min(far(x, aMm) + far(y, bMm), far(y, aMm) + far(x, bMm)) },
  ];
  return choices.reduce((best, next) => (next.cost < best.cost ? next : best)).left;
}

/** One length, or a diameter: the side it is most like; the rest grows with it. */
function withLength(piece: Piece, lengthMm: number): Piece {
  if (piece.sizeMm === undefined)
    return piece.from === 'unknown' || piece.from === 'family'
      ? { ...piece, longestMm: Math.round(lengthMm) }
      : piece;
  const like = piece.sizeMm.reduce((best, mm) =>
    Math.abs(Math.log(mm / lengthMm)) < Math.abs(Math.log(best / lengthMm)) ? mm : best,
  );
  const ratio = lengthMm / like;
  if (ratio < 0.25 || ratio > 4) return piece;
  const [thin = 1, middle = 1, long = 1] = [...piece.sizeMm].sort((a, b) => a - b);
  const isLong = long > 4 * middle;
  const isFlat = thin < 0.35 * middle;
  const factor = ratio ** exponentOf(isLong, isFlat);
  return {
    ...piece,
    litres: scaled(piece.litres, factor),
    massG: scaled(piece.massG, factor),
    uprightMm: piece.uprightMm === like ? Math.round(lengthMm) : piece.uprightMm,
    longestMm: Math.round(Math.max(lengthMm, isLong ? 0 : long * ratio)),
  };
}
function exponentOf(isLong: boolean, isFlat: boolean): number {
  if (isLong) return 1;
  return isFlat ? 2 : 2.5;
}
