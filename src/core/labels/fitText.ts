import { formsOf, partsOfWord } from './forms';
import {
  readableFromMm,
  readableSizeMm,
  textHeightMm,
  textWidthMm,
  LINE_RATIO,
  TOP_RATIO,
} from './letters';

/** What a text has to go into, in mm, and from how far it is read. */
export interface TextPlace {
  readonly widthMm: number;
  readonly heightMm: number;
  readonly distanceMm: number;
}

/** A text as it is set: its lines, from the fullest form that is read from where one stands. */
export interface SetText {
  readonly text: string;
  readonly lines: readonly string[];
  readonly sizeMm: number;
  readonly isReadable: boolean;
  /** From how far it is read without effort. */
  readonly readableFromMm: number;
}

/** Smaller letters do not print cleanly. */
const LEAST_SIZE_MM = 1.6;
/** Fewer lines are read faster: one more has to make the letters larger by so much. */
const LINE_GAIN = 1.2;
/** Larger than twice what is read from there only shouts. */
const MOST_OVER_READABLE = 2;

/**
 * All ways in which a name can be set in a place, the best first: the fullest form that is read from
 * its distance, on as few lines as can be; then what is read only from nearer, the largest first. Empty where
 * nothing goes in at any size. Ensures: no line is wider than the place, all lines are not higher.
 */
export function waysToSet(
  name: string,
  place: TextPlace,
  forms: readonly string[] = formsOf(name),
): readonly SetText[] {
  const all = forms.flatMap((form) => {
    const atSpaces = setLines(form, place, breaksAtSpaces(form));
    if (atSpaces?.isReadable) return [atSpaces];
    const atJoints = setLines(form, place, breaksAtJoints(form));
    return [atSpaces, atJoints].filter((way) => way !== undefined);
  });
  const readable = all.filter(({ isReadable }) => isReadable);
  const others = all
    .filter(({ isReadable }) => !isReadable)
    .sort((a, b) => b.sizeMm - a.sizeMm || b.text.length - a.text.length);
  return [...readable, ...others];
}

/** Where lines may end: what stands before, with a hyphen where a word is broken. */
interface Piece {
  readonly text: string;
  /** Between it and the next on one line. */
  readonly gap: '' | ' ';
}
const breaksAtSpaces = (form: string): Piece[] =>
  form.split(' ').map((text) => ({ text, gap: ' ' }));
const breaksAtJoints = (form: string): Piece[] =>
  form.split(' ').flatMap((word) => {
    const parts = partsOfWord(word);
    return parts.map((text, i): Piece => ({ text, gap: i < parts.length - 1 ? '' : ' ' }));
  });

function setLines(
  form: string,
  { widthMm, heightMm, distanceMm }: TextPlace,
  pieces: readonly Piece[],
): SetText | undefined {
  const needed = readableSizeMm(distanceMm);
  let best: SetText | undefined;
  for (const lines of waysToBreak(pieces)) {
    const widest = Math.max(...lines.map((line) => textWidthMm(line, 1)));
    const sizeMm = Math.min(
      widthMm / widest,
      heightMm / textHeightMm(lines.length, 1),
      Math.max(needed, LEAST_SIZE_MM) * MOST_OVER_READABLE,
    );
    // Down to a hundredth, so that rounding never makes it wider.
    const size = Math.floor(sizeMm * 100) / 100;
    if (size < LEAST_SIZE_MM) continue;
    const isReadable = size >= needed;
    // Another line only where the letters gain by it.
    const gain = best && lines.length > best.lines.length ? LINE_GAIN : 1;
    if (!best || size > best.sizeMm * gain)
      best = { text: form, lines, sizeMm: size, isReadable, readableFromMm: readableFromMm(size) };
  }
  return best;
}

/** Every way to make one to three lines of the pieces, fewer lines first. */
function* waysToBreak(pieces: readonly Piece[]): Generator<readonly string[]> {
  const count = pieces.length;
  yield [lineOf(pieces)];
  for (let i = 1; i < count; i++) yield [lineOf(pieces.slice(0, i)), lineOf(pieces.slice(i))];
  for (let i = 1; i < count - 1; i++)
    for (let j = i + 1; j < count; j++)
      yield [lineOf(pieces.slice(0, i)), lineOf(pieces.slice(i, j)), lineOf(pieces.slice(j))];
}

function lineOf(pieces: readonly Piece[]): string {
  const text = pieces
    .map((piece, i) => piece.text + (i < pieces.length - 1 ? piece.gap : ''))
    .join('');
  return pieces.at(-1)?.gap === '' ? `${text}-` : text;
}

/** Where each line's letters stand: mm from the top of a block of `heightMm`, in its middle. */
export function baselinesOf({ lines, sizeMm }: SetText, heightMm: number): readonly number[] {
  const block = textHeightMm(lines.length, sizeMm);
  const top = (heightMm - block) / 2 + TOP_RATIO * sizeMm;
  return lines.map((_, i) => top + i * LINE_RATIO * sizeMm);
}
