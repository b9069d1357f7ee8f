import { amountOf, type Amount } from './amount';
import type { CountUnit, FigureSource } from './codes';
import type { Named } from './findKind';
import { holderLitres, type Holder } from './holders';
import { roomFor } from './packing';
import { UNKNOWN_DENSITY, usualPiece, withSize, type OwnKind, type Piece } from './piece';
import { exactly, scaled, shifted, spreadBy } from './ranges';
import type { Measures, Told } from './readMeasures';
import type { ReadLine } from './readLine';
import type { Range } from './readVocabulary';

export interface Figure extends Range {
  readonly from: FigureSource;
}
export interface Sized {
  readonly count: number;
  readonly unit: CountUnit;
  readonly litres: Figure;
  readonly massG: Figure;
  /** Of one piece as it is stored. */
  readonly uprightMm: number | undefined;
  readonly longestMm: number | undefined;
  /** Grams of the heaviest thing that is lifted at once: a piece, or a full holder. */
  readonly liftG: number;
}

export const MOST_COUNT = 10_000;
/** What a box adds to so many things in it that its own size does not matter. */
const WRAPPING_SHARE = 0.25;
/** Grams a litre of liquids in what they are sold in. */
const LIQUID_G_A_LITRE = 1050;
const SOLD_BY_VOLUME = new Set(['plastic', 'glass', 'metal', 'food']);
/** Of a heap one lifts so much at once. */
const ARMFUL_G = 5000;

/** How much room it takes and what it weighs, all pieces together. */
export function sizeThing(line: ReadLine, named: Named<OwnKind>): Sized {
  const { quantity, measures } = line;
  const piece = withSize(usualPiece(named), measures);
  const amount = amountOf(line, named, piece);
  const told = withTold(roomOf(line, piece, amount), { measures, piece, amount });
  const { litres, massG } = withFill(told, line, piece, quantity.holder);
  return {
    count: Math.min(MOST_COUNT, Math.max(1, Math.round(amount.count))),
    unit: amount.unit,
    litres,
    massG,
    uprightMm: piece.uprightMm,
    longestMm: piece.longestMm,
    liftG: massG.value / Math.max(1, liftsOf(amount, massG.value)),
  };
}

/** Into how many lifts it falls by itself. */
function liftsOf({ holders, unit, pieces }: Amount, massG: number): number {
  if (holders !== undefined) return holders;
  return unit === 'heap' ? massG / ARMFUL_G : pieces;
}

interface Room {
  readonly litres: Figure;
  readonly massG: Figure;
}

function roomOf(line: ReadLine, piece: Piece, amount: Amount): Room {
  const { holder, per, isFull } = line.quantity;
  if (holder && amount.holders !== undefined) {
    const limit = scaled(
      holderLitres(holder, piece.from === 'unknown' ? undefined : piece.litres.value),
      amount.holders,
    );
    const tare = holder.tareG * amount.holders;
    if (per === undefined || piece.from === 'unknown')
      return { litres: { ...limit, from: 'holder' }, massG: heldMass(limit, piece, tare) };
    const counted = countedRoom(piece, amount);
    const massG = {
      ...counted.massG,
      ...shifted(counted.massG, Math.min(tare, counted.massG.value * WRAPPING_SHARE)),
    };
    const wrapped = { ...counted.litres, ...scaled(counted.litres, 1 + WRAPPING_SHARE) };
    // Of both the smaller, unless it says that the holder is full.
    if (isFull || (limit.value < wrapped.value && piece.from !== 'typed'))
      return { litres: { ...limit, from: 'holder' }, massG };
    return { litres: wrapped, massG };
  }
  return countedRoom(piece, amount);
}
/** A holder is full to nine tenths. */
function heldMass(limit: Range, piece: Piece, tareG: number): Figure {
  const density = densityOf(piece);
  return {
    value: limit.value * density.value * 0.9 + tareG,
    low: limit.low * density.low + tareG,
    high: limit.high * density.high + tareG,
    from: 'holder',
  };
}

const densityOf = ({ litres, massG, from }: Piece): Range =>
  from === 'unknown'
    ? UNKNOWN_DENSITY
    : spreadBy(Math.min(2000, Math.max(20, massG.value / litres.value)), 1.5);

/** Pieces as people store them; that all are of one size that is only assumed adds straight. */
function countedRoom(piece: Piece, { pieces, piecesRange }: Amount): Room {
  return {
    litres: {
      value: piece.litres.value * roomFor(pieces, piece),
      low: piece.litres.low * roomFor(piecesRange.low, piece),
      high: piece.litres.high * roomFor(piecesRange.high, piece),
      from: piece.from,
    },
    massG: {
      value: piece.massG.value * pieces,
      low: piece.massG.low * piecesRange.low,
      high: piece.massG.high * piecesRange.high,
      from: piece.massFrom,
    },
  };
}

/** A weight and a volume that were told win; what was not told goes with them. */
function withTold(
  room: Room,
  {
    measures,
    piece,
    amount,
  }: { readonly measures: Measures; readonly piece: Piece; readonly amount: Amount },
): Room {
  const volume = piece.isMachine ? undefined : measures.volume;
  const mass = measures.mass && isOfMachine(piece, measures.mass) ? undefined : measures.mass;
  const massG = mass && totalOf(mass, amount, room.massG.value / Math.max(1, amount.count));
  const litres =
    volume && piece.from !== 'typed'
      ? totalOf(volume, amount, room.litres.value / Math.max(1, amount.count))
      : undefined;
  let next = room;
  if (litres !== undefined) {
    const isLiquid =
      piece.isPacked &&
      SOLD_BY_VOLUME.has(piece.material) &&
      piece.massG.value / piece.litres.value > 500;
    const factor = litres / room.litres.value;
    const grams = isLiquid
      ? spreadBy(litres * LIQUID_G_A_LITRE, 1.25)
      : scaled(room.massG, piece.isPacked ? factor : factor ** 0.7);
    next = {
      litres: { value: litres, low: litres, high: isLiquid ? litres * 1.5 : litres, from: 'typed' },
      massG: { ...grams, from: room.massG.from },
    };
  }
  if (massG !== undefined) {
    const isStuff = piece.isPacked || amount.unit === 'heap' || amount.holders !== undefined;
    const factor = (massG / next.massG.value) ** (isStuff ? 1 : 0.6);
    const isFixed = ['typed', 'holder'].includes(next.litres.from) && !isStuff;
    next = {
      litres:
        next.litres.from === 'typed' || isFixed
          ? next.litres
          : { ...next.litres, ...litresFor(massG, next, piece, factor) },
      massG: { ...exactly(massG), from: 'typed' },
    };
  }
  return next;
}

function litresFor(massG: number, room: Room, piece: Piece, factor: number): Range {
  if (piece.from !== 'unknown') return scaled(room.litres, factor);
  const { value, low, high } = UNKNOWN_DENSITY;
  return { value: massG / value, low: massG / high, high: massG / low };
}

/** A washing machine of 7 kg takes that in. */
const isOfMachine = (piece: Piece, mass: Told): boolean =>
  piece.isMachine && mass.each < piece.massG.value * 0.4;

/**
 * "2 jugs of oil 5 l" says what one holds: for all it is only where that is plainly likelier, by a
 * logarithm. Our own stated assumption; of two, a figure is never for both.
 */
const EACH_IS_USUAL = Math.log(2.1);

/** Whether a figure is for each of several or for all, by what a piece usually is. */
function totalOf(told: Told, amount: Amount, usualEach: number): number {
  if (told.times !== undefined) return told.each * told.times;
  const count = amount.unit === 'pair' ? amount.pieces : amount.count;
  if (count <= 1) return told.each;
  if (told.isEach) return told.each * count;
  const far = (figure: number) => Math.abs(Math.log(figure / usualEach));
  return far(told.each) < far(told.each / count) + EACH_IS_USUAL ? told.each * count : told.each;
}

/** Half a bag takes half the room; half a bottle takes all of it and weighs less. */
function withFill(room: Room, line: ReadLine, piece: Piece, holder: Holder | undefined): Room {
  const ratio = line.fillRatio;
  if (ratio === undefined) return room;
  const isSoft = holder ? holder.isSoft || !holder.isPack : !piece.isPacked;
  const scale = (figure: Figure, factor: number): Figure =>
    figure.from === 'typed' ? figure : { ...figure, ...scaled(figure, factor) };
  return {
    litres: isSoft ? scale(room.litres, ratio) : room.litres,
    massG: scale(room.massG, 0.1 + 0.9 * ratio),
  };
}
