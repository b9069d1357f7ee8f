import type { CountUnit } from './codes';
import { isTwoLegged } from './describing';
import type { Named } from './findKind';
import { holderLitres, type Holder } from './holders';
import type { OwnKind, Piece } from './piece';
import { exactly, scaled } from './ranges';
import type { ReadLine } from './readLine';
import type { Measures } from './readMeasures';
import { stemOf } from './readWords';
import type { Range } from './readVocabulary';

/** How many pieces of a kind are in hand, and how that is said. */
export interface Amount {
  /** As it is said: pieces, pairs, holders. */
  readonly count: number;
  readonly unit: CountUnit;
  /** Of the kind's piece; half a pair is a half. */
  readonly pieces: number;
  readonly piecesRange: Range;
  /** Holders that go with it; undefined where it is in none, or where the piece is one. */
  readonly holders: number | undefined;
}

/** A "set of" without a number. */
const SET: Range = { value: 4, low: 2, high: 12 };
const HEAP_LITRES = 0.25;
/** "books" without a number: a few of what is large, a small heap of what is small. */
function someOf(pieceLitres: number): Range {
  const value = Math.min(60, Math.max(pieceLitres > 50 ? 2 : 4, HEAP_LITRES / pieceLitres));
  return { value, low: Math.max(2, value / 5), high: value * 5 };
}

const amount = (count: number, unit: CountUnit, pieces: Range, holders?: number): Amount => ({
  count,
  unit,
  pieces: pieces.value,
  piecesRange: pieces,
  holders,
});

/** Pieces, pairs, sets, holders or a heap, by what was told and what the thing is. */
export function amountOf(line: ReadLine, named: Named<OwnKind>, piece: Piece): Amount {
  const { quantity, measures } = line;
  const { per, unit, holder } = quantity;
  const told = quantity.count ?? timesOf(measures);
  // "tea set, 21 pieces": the set is what takes the room.
  if (quantity.isPieces && told !== undefined && isSet(named))
    return amount(told, 'piece', exactly(1));
  if (unit === 'pair') {
    const pairs = told ?? 1;
    const isOne = piece.isPair || isTwoLegged(named.lastWord);
    return amount(pairs, 'pair', exactly(isOne ? pairs : pairs * 2));
  }
  if (per !== undefined) return amountOfPacks(line, { told: told ?? 1, per }, named, piece);
  if (unit === 'set') return amount(told ?? 1, 'set', scaled(SET, told ?? 1));
  if (holder) return heldAmount(holder, told ?? 1, piece);
  if (told !== undefined) return amount(told, 'piece', piecesOf(told, piece));
  return uncounted(line, named, piece);
}

/** So many may be packs or single ones. */
const FEW = 4;
/** Of what is sold in packs and called by what is in them, a number counts those. */
function piecesOf(told: number, piece: Piece): Range {
  if (piece.eachPack === undefined) return exactly(piece.isPair ? told / 2 : told);
  const packs = told / piece.eachPack;
  return { value: packs, low: packs, high: told > FEW ? packs : told };
}

/** "3 x 500 g". */
const timesOf = ({ mass, volume }: Measures): number | undefined => mass?.times ?? volume?.times;

/** `boxes of 24`; "24 piece dinner set" is one set. */
function amountOfPacks(
  { quantity: { unit, holder } }: ReadLine,
  { told, per }: { readonly told: number; readonly per: number },
  named: Named<OwnKind>,
  piece: Piece,
): Amount {
  const all = told * per;
  if (unit === 'set' && isSet(named)) return amount(all, 'piece', exactly(told));
  const holders = holder && !holder.isHeap ? told : undefined;
  const pieces =
    piece.eachPack === undefined
      ? exactly(piece.isPair ? all / 2 : all)
      : exactly(all / piece.eachPack);
  return amount(all, 'piece', pieces, holders);
}

/** No number: one, or several where the word is a plural. */
function uncounted({ measures }: ReadLine, named: Named<OwnKind>, piece: Piece): Amount {
  const isSeveral = isPlural(named) && !isTwoLegged(named.lastWord);
  if (piece.isPair) return amount(1, isSeveral ? 'pair' : 'piece', exactly(isSeveral ? 1 : 0.5));
  if (!isSeveral || piece.isPacked) return amount(1, 'piece', exactly(1));
  const isMeasured = measures.mass !== undefined || measures.volume !== undefined;
  if (isMeasured && measures.mass?.isEach !== true) return amount(1, 'heap', exactly(1));
  const isKnown = piece.from !== 'unknown' && piece.from !== 'typed' && !isNamedSo(named);
  return isKnown ? amount(1, 'heap', someOf(piece.litres.value)) : amount(1, 'piece', exactly(1));
}

/** "shirts", "cutlery" and "clothes" are several; "tool" is one. */
function isPlural({ kind, family, lastWord }: Named<OwnKind>): boolean {
  const word = lastWord.toLowerCase();
  if (stemOf(word) !== word && !/ss$/.test(word)) return true;
  const names = kind === undefined ? (family?.words ?? []) : [];
  const ends = names.map((phrase) => phrase.split(' ').at(-1));
  return ends.includes(word) && !ends.includes(`${word}s`);
}

/** Kinds whose name is a plural: "scales", "fairy lights". */
const isNamedSo = ({ kind, own, lastWord }: Named<OwnKind>): boolean =>
  [...(own?.words ?? []), ...(kind?.words ?? [])].some(
    (phrase) => phrase.split(' ').at(-1)?.toLowerCase() === lastWord.toLowerCase(),
  );

const isSet = ({ kind }: Named<OwnKind>): boolean =>
  kind?.words.some((words) => /\b(?:set|service|canteen)\b/.test(words)) ?? false;

/** So large a holder holds several of what is sold in packs. */
const LARGE_HOLDER_LITRES = 12;
/** So much smaller than what a kind is sold in is a part of it. */
const PART_OF_PACK = 0.15;

/** `2 boxes of decorations`: as many as go in; `2 jars of jam`: two of it. */
function heldAmount(holder: Holder, holders: number, piece: Piece): Amount {
  const each = piece.litres.value;
  if (piece.isPacked && holder.isPack && holder.litres[0] < LARGE_HOLDER_LITRES) {
    // A sachet of sugar is no bag of it.
    const share = holderLitres(holder, each).value / each;
    const isPart = piece.from === 'kind' && share < PART_OF_PACK;
    return amount(holders, 'holder', exactly(isPart ? holders * share : holders));
  }
  const room = holderLitres(holder, piece.from === 'unknown' ? undefined : each);
  const into = (litres: number) => Math.max(1, litres / each) * holders;
  const pieces = { value: into(room.value), low: into(room.low), high: into(room.high) };
  return amount(holders, holder.isHeap ? 'heap' : 'holder', pieces, holders);
}
