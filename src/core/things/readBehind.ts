import { findHolder, findHolderAt } from './holders';
import { BEFORE_NUMBER, isCut, type QuantityFound } from './quantityFound';
import { numberAt, numberOfWord } from './readNumber';
import { isOneOf, isWordAt, isYearAt, setOf, textAt, wholeAt, type Token } from './tokens';

const SEPARATORS = setOf(', ( : ; -');
const CLOSING = setOf(') , ; .');

/** `mugs, set of 6`; `plasters (box of 24)`; `shirts, pack of 3`. */
export function readPackBehind(tokens: readonly Token[], found: QuantityFound): void {
  if (found.per !== undefined) return;
  for (let i = 1; i < tokens.length - 2; i += 1) {
    const isSet = /^sets?$/.test(textAt(tokens, i));
    const holder = findHolder(textAt(tokens, i));
    if (textAt(tokens, i + 1) !== 'of' || (!isSet && !holder) || isCut(found, i)) continue;
    const per = numberAt(tokens, i + 2);
    if (!per || isWordAt(tokens, per.next)) continue;
    const before = textAt(tokens, i - 1) === 'a' ? undefined : numberAt(tokens, i - 1);
    const hasNumber = before?.next === i;
    if (hasNumber) found.count ??= before.value;
    found.per = per.value;
    if (isSet) found.unit = 'set';
    else if (holder) found.holder = holder;
    found.cut.push([hasNumber ? i - 1 : i, per.next]);
    return;
  }
}

const BEHIND_HOLDER = setOf('each and on from under');
/** `24 plasters in a box`, `screws in 2 jars`: all of them are in the holders together. */
export function readInHolder(tokens: readonly Token[], found: QuantityFound): void {
  const at = tokens.findIndex((token, i) => i > 0 && token.text === 'in');
  if (found.holder || at < 0) return;
  const number = numberAt(tokens, at + 1);
  let i = number?.next ?? at + 1;
  while (i < at + 5 && isWordAt(tokens, i) && !findHolder(textAt(tokens, i))) i += 1;
  const holder = findHolderAt(textAt(tokens, i - 1), textAt(tokens, i));
  const isEnd = !isWordAt(tokens, i + 1) || isOneOf(tokens, i + 1, BEHIND_HOLDER);
  if (!holder || !isEnd) return;
  const holders = number?.value ?? 1;
  found.holder = holder;
  if (found.count !== undefined) found.per = found.count / holders;
  found.count = holders;
  found.cut.push([at, i + 1]);
}

/** `jam, 6 jars`; `rice (2 bags)`; `photographs, shoe box full`. */
export function readHolderBehind(tokens: readonly Token[], found: QuantityFound): void {
  for (let i = 1; i < tokens.length && found.count === undefined; i += 1) {
    if (!isOneOf(tokens, i - 1, SEPARATORS)) continue;
    const number = numberAt(tokens, i);
    let at = number?.next ?? i;
    while (at < i + 3 && isWordAt(tokens, at) && !findHolder(textAt(tokens, at))) at += 1;
    const holder = findHolderAt(textAt(tokens, at - 1), textAt(tokens, at));
    const isFull = textAt(tokens, at + 1) === 'full';
    const end = isFull ? at + 2 : at + 1;
    const isAlone = at === i && end === tokens.length;
    const isEnd = end >= tokens.length || isOneOf(tokens, end, CLOSING);
    if (!holder || !isEnd || !(number ?? (isFull || isAlone))) continue;
    found.count = number?.value ?? 1;
    found.isFull = isFull;
    found.holder = holder;
    found.holderWord = textAt(tokens, at);
    found.cut.push([i - 1, end]);
    if (number) found.numbers.push([i - 1, end]);
  }
}

/** "40 sheets", "24 volumes": behind a number they are pieces of what was named. */
const PIECES = setOf(
  'pc pcs piece pieces item items off x unit units sheet sheets volume volumes vol vols roll rolls copies ' +
    'issues pages skein skeins reel reels ball balls pair pairs',
);
const SIZES = setOf('large small big medium new old full empty');
const BEFORE = setOf('x , : ( - qty quantity ; =');

/** `shirts x12`, `shirts, 12`, `shirts: 12`, `shirts (12)`, `shirts 12`, `shirts 12 pcs`. */
export function readNumberBehind(tokens: readonly Token[], found: QuantityFound): void {
  const last = lastOf(tokens);
  for (let i = 1; i <= last && found.count === undefined; i += 1) {
    if (isCut(found, i)) continue;
    const glued = /^x(\d{1,5})$/.exec(textAt(tokens, i));
    if (glued) setBehind(found, Number(glued[1]), [i, i + 1]);
    else readPlainBehind(tokens, i, last, found);
  }
  const word = numberOfWord(textAt(tokens, last));
  if (found.count === undefined && word !== undefined && isOneOf(tokens, last - 1, SEPARATORS))
    setBehind(found, word, [last - 1, last + 1]);
}

function lastOf(tokens: readonly Token[]): number {
  let last = tokens.length - 1;
  while (last > 0 && ['.', ')', 'each'].includes(textAt(tokens, last))) last -= 1;
  return last;
}

function readPlainBehind(
  tokens: readonly Token[],
  at: number,
  last: number,
  found: QuantityFound,
): void {
  const value = wholeAt(tokens, at);
  if (value === undefined) return;
  let start = at;
  while (start > 1 && isOneOf(tokens, start - 1, BEFORE_NUMBER)) start -= 1;
  if (isYearAt(tokens, at) && textAt(tokens, start - 1) !== 'x') return;
  const next = textAt(tokens, at + 1);
  const isPieces = PIECES.has(next);
  const isSized = at === last - 1 && (isPieces || SIZES.has(next));
  const isEnd = at === last || isSized || CLOSING.has(next) || next === '(';
  const isApart = isOneOf(tokens, start - 1, BEFORE);
  if (!isPieces && !(isEnd && (isApart || isWordAt(tokens, start - 1)))) return;
  if (/^pairs?$/.test(next)) found.unit = 'pair';
  found.isPieces = /^(?:pcs?|pieces?)$/.test(next);
  setBehind(found, value, [isApart ? start - 1 : start, isPieces ? at + 2 : at + 1]);
}

function setBehind(found: QuantityFound, count: number, span: [number, number]): void {
  found.count = count;
  found.cut.push(span);
  found.numbers.push(span);
}
