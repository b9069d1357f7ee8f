import { findHolder, findHolderAt, isPieceWord, type Holder } from './holders';
import { BEFORE_NUMBER, type QuantityFound } from './quantityFound';
import { readHolderBehind, readInHolder, readNumberBehind, readPackBehind } from './readBehind';
import { numberAt, type ReadNumber } from './readNumber';
import { stemOf } from './readWords';
import { isOneOf, isWordAt, isYearAt, setOf, textAt, tokensOf, type Token } from './tokens';

/** How many are in hand, and in what, as it was told. */
export interface Quantity {
  /** "12 shirts", "two boxes of …": the number told. Undefined where none was. */
  readonly count: number | undefined;
  readonly holder: Holder | undefined;
  /** The holder as it was called: "shoe box". */
  readonly holderWord: string | undefined;
  /** "boxes of 24": so many in each. */
  readonly per: number | undefined;
  readonly unit: 'pair' | 'set' | undefined;
  /** "21 pieces" of a set. */
  readonly isPieces: boolean;
  /** Whether the text says that the holder is full. */
  readonly isFull: boolean;
  /** What is counted, without number and holder. */
  readonly thing: string;
  /** Parts of the text that are number and not name: from, to. */
  readonly numberSpans: readonly (readonly [number, number])[];
  /** How the packing is said behind the name: "case of 24". */
  readonly packing: string | undefined;
}

/**
 * Reads number and holder wherever people put them: `12 shirts`, `shirts x12`, `shirts, 12`, `two boxes of
 * 24 plasters`, `24 plasters in a box`, `6-pack of beer`, `mugs, set of 6`, `a pair of boots`. What units
 * and sizes were told is blanked out before. Deterministic. O(tokens).
 */
export function readQuantity(text: string): Quantity {
  const tokens = tokensOf(text);
  const found: QuantityFound = { cut: [], numbers: [] };
  readFront(tokens, found);
  readPackBehind(tokens, found);
  readInHolder(tokens, found);
  readHolderBehind(tokens, found);
  readNumberBehind(tokens, found);
  return {
    count: found.count,
    holder: found.holder,
    holderWord: found.holderWord,
    per: found.per,
    unit: found.unit,
    isPieces: found.isPieces ?? false,
    isFull: found.isFull ?? false,
    thing: without(text, tokens, found.cut),
    numberSpans: found.numbers.map((span) => spanOf(tokens, span)),
    packing: found.packing,
  };
}

const spanOf = (tokens: readonly Token[], [from, to]: [number, number]): [number, number] => [
  tokens[from]?.from ?? 0,
  tokens[to - 1]?.to ?? 0,
];
function without(
  text: string,
  tokens: readonly Token[],
  cuts: readonly [number, number][],
): string {
  let left = text;
  for (const cut of cuts) {
    const [from, to] = spanOf(tokens, cut);
    left = left.slice(0, from) + ' '.repeat(to - from) + left.slice(to);
  }
  return left;
}

const BEHIND_NUMBER = setOf('pcs pc pieces piece of off nr');

/** Number, holder and number within it at the beginning. */
function readFront(tokens: readonly Token[], found: QuantityFound): void {
  let start = 0;
  while (isOneOf(tokens, start, BEFORE_NUMBER)) start += 1;
  const number = numberAt(tokens, start);
  if (number && readPartOf(tokens, start, number, found)) return;
  let at = number?.next ?? start;
  if (number) {
    if (textAt(tokens, at) === 'x') at += 1;
    while (isOneOf(tokens, at, BEHIND_NUMBER)) at += 1;
    if (readPackSize(tokens, { at, start, number }, found)) return;
  }
  const held = holderAt(tokens, at);
  if (held) return readHeld(tokens, { at, start, number, held }, found);
  // A year in front is a name: "2015 diary".
  if (!number || isYearAt(tokens, start)) return;
  found.count = number.value;
  found.cut.push([start, at]);
  found.numbers.push([start, at]);
}

/** "5 of 6 bowls": so many are here. */
function readPartOf(
  tokens: readonly Token[],
  start: number,
  number: ReadNumber,
  found: QuantityFound,
): boolean {
  if (textAt(tokens, number.next) !== 'of') return false;
  const whole = numberAt(tokens, number.next + 1);
  if (!whole || whole.value < number.value || !isWordAt(tokens, whole.next)) return false;
  found.count = number.value;
  found.cut.push([start, whole.next]);
  found.numbers.push([start, whole.next]);
  found.packing = `${number.value} of ${whole.value}`;
  return true;
}

/** `6-pack of beer`, `2 6-packs of beer`, `four-pack`: the number belongs to the pack. */
function readPackSize(
  tokens: readonly Token[],
  {
    at,
    start,
    number,
  }: { readonly at: number; readonly start: number; readonly number: ReadNumber },
  found: QuantityFound,
): boolean {
  const packEnd = (i: number): number | undefined => {
    const word = textAt(tokens, i) === '-' ? i + 1 : i;
    if (!/^(?:er)?-?packs?$/.test(textAt(tokens, word))) return undefined;
    return textAt(tokens, word + 1) === 'of' ? word + 2 : word + 1;
  };
  const second = numberAt(tokens, at);
  const behindSecond = second && packEnd(second.next);
  const isHyphen = textAt(tokens, at) === '-';
  const end = behindSecond ?? (isHyphen ? packEnd(at) : undefined);
  if (end === undefined) return false;
  const count = behindSecond === undefined ? 1 : number.value;
  const per = behindSecond === undefined ? number.value : (second?.value ?? 1);
  const pack = findHolder('pack');
  if (pack) found.holder = pack;
  found.count = count;
  found.per = per;
  found.cut.push([start, end]);
  found.numbers.push([start, end]);
  found.packing = count === 1 ? `pack of ${per}` : `${count} packs of ${per}`;
  return true;
}

interface Held {
  readonly word: string;
  readonly wordAt: number;
  /** Index of the first token behind "of". */
  readonly next: number;
  readonly isFull: boolean;
}

/** Adjectives that stand between a number and a holder: "2 large cardboard boxes of". */
const MOST_ADJECTIVES = 3;
const OF = setOf('of with containing');

/** A holder with "of" behind it, some adjectives on. "Tubs with lids" are no tubs of lids. */
function holderAt(tokens: readonly Token[], at: number): Held | undefined {
  for (let i = at; i <= at + MOST_ADJECTIVES && isWordAt(tokens, i); i += 1) {
    const word = textAt(tokens, i);
    if (OF.has(word)) return undefined;
    if (!findHolder(word) && !isPieceWord(word) && !/^(?:pairs?|sets?)$/.test(word)) continue;
    const isFullBehind = textAt(tokens, i + 1) === 'full';
    const of = isFullBehind ? i + 2 : i + 1;
    const isOf = textAt(tokens, of) === 'of';
    if (!isOf && !(isOneOf(tokens, of, OF) && numberAt(tokens, of + 1))) continue;
    const isFullBefore = tokens.slice(at, i).some(({ text }) => text === 'full');
    return { word, wordAt: i, next: of + 1, isFull: isFullBehind || isFullBefore };
  }
  return undefined;
}

interface HeldPlace {
  readonly at: number;
  readonly start: number;
  readonly number: ReadNumber | undefined;
  readonly held: Held;
}

function readHeld(
  tokens: readonly Token[],
  { at, start, number, held }: HeldPlace,
  found: QuantityFound,
): void {
  const stem = stemOf(held.word);
  const inner = textAt(tokens, held.next) === 'a' ? undefined : numberAt(tokens, held.next);
  const end = inner?.next ?? held.next;
  // "packets of seeds, 15": the number may stand behind.
  if (number) found.count = number.value;
  found.isFull = held.isFull;
  found.cut.push([start, end]);
  if (stem === 'pair' || stem === 'set') found.unit = stem;
  else setHolder(tokens, held, found);
  if (inner) {
    const packs = (number?.value ?? 1) === 1 ? held.word : `${found.count} ${held.word}`;
    found.per = inner.value;
    found.packing = `${packs} of ${inner.value}`;
    found.numbers.push([start, end]);
  } else if (stem === 'pair' && number?.value === 1) found.numbers.push([start, end]);
  else if (number) found.numbers.push([start, at]);
}

/** "rolls of tape" are pieces of what follows, and no holder. */
function setHolder(tokens: readonly Token[], { word, wordAt }: Held, found: QuantityFound): void {
  const holder = findHolderAt(textAt(tokens, wordAt - 1), word);
  // "sheets of music" may be known as a whole.
  found.holderWord = word;
  if (!holder) return;
  found.holder = holder;
  found.holderWord = holder.id.includes(' ') ? holder.id : word;
}
