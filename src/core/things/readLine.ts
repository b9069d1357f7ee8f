import { findDay } from '../shared';
import { anyWord } from './patterns';
import { readMeasures, withPlainSigns, type LengthUnit, type Measures } from './readMeasures';
import { readQuantity, type Quantity } from './readQuantity';

/** A line as it was called out, taken apart; nothing is known yet of what the thing is. */
export interface ReadLine {
  /** The words without their number, as they are shown. */
  readonly name: string;
  /** What is counted, without number, holder, size and weight. */
  readonly thing: string;
  readonly measures: Measures;
  readonly quantity: Quantity;
  /** How full, 0..1; undefined where nothing is said. */
  readonly fillRatio: number | undefined;
  readonly expiresOn: string | undefined;
}

/** Small numbers, in digits and words. */
const N = String.raw`(?:\d+|two|three|four|five|six|eight|ten|twelve)`;
const DECIMAL = String.raw`\d+(?:[.,]\d+)?`;
/** Units that also begin a thing's name: "6 bar stools", "2 day beds". */
const BAR = String.raw`bar(?!\s+(?:of|stool|cart|clamp|tool|mat|light|magnet|towel|trolley|snack|spoon|set))`;
const DAYS = String.raw`days?(?!\s+(?:bed|sack|pack|bag|cream|curtain|dress))`;
/** Numbers that say what a thing is, and not how many: sizes of shoes, watts, parts of a jigsaw. */
const ATTRIBUTES: readonly RegExp[] = [
  // 2009 to 2015, 1998-2004, 2019/20
  /\b(?:19|20)\d\d\s*(?:-|to|until|till|through|\/)\s*(?:(?:19|20)?\d\d|today|now)\b/gi,
  // size 12, aged 3 to 6, no. 5, part 2, vol 3, UK 8, SPF 30
  anyWord(
    String.raw`(?:sizes?|aged?|ages|no\.?|nr\.?|number|vol\.?|parts?|uk|eu|us|type|series|class|year|
      grade|factor|spf|chapter|level|model|mark|page|room|din|iso|version|id|tel|from|since|circa|dated)
      \s*:?\s*#?\d+(?:\.\d+)?(?:\s*(?:-|to|\/)\s*\d+)?`,
    'gi',
  ),
  // 0-6 months, 3 to 4 years, 12 years old
  anyWord(
    String.raw`\d+\s*(?:-|to)\s*\d+\s*(?:-\s*)?(?:months?|mths?|m|years?|yrs?)(?:\s+old)?`,
    'gi',
  ),
  anyWord(
    String.raw`${DECIMAL}\s*-?\s*(?:togs?|watts?|w|kw|kwh|volts?|v|mah|ah|amps?|gb|tb|mb|hp|bhp|btu|denier|
      den|ply|mp|megapixels?|rpm|${BAR}|psi|[kmg]?hz|lumens?|lm|kelvin|mg|mcg|iu|gsm|dpi|cc|carats?|ct|proof|
      abv|months?|mths?|years?(?!\s*book)|yrs?|yo|weeks?(?!\s*end)|${DAYS}|hours?|hrs?|minutes?|mins?)(?:\s+old)?`,
    'gi',
  ),
  // 1000-piece jigsaw, four-drawer chest, 3-in-1
  anyWord(
    String.raw`${N}\s*-\s*(?:in\s*-\s*(?:1|one)|(?:piece|pc|drawer|door|seater|seat|tier|slice|slot|person|
      people|man|berth|string|speed|gear|ring|hole|way|gang|shelf|step|rung|part|burner|light|arm|cup|
      plate|wheel|pin|note|key|octave|inch screen|player|pocket|compartment|bulb|lane|branch|candle|fold|
      sided|pronged|blade|strand|stage|level|foot|stroke|storey|leaf|page|sheet|hour|minute|day|month|year)s?)`,
    'gi',
  ),
  /\b[23]\s+in\s+(?:1|one)\b/gi,
  // 3D printer
  /\b[23]\s*-?\s*d\b/gi,
  anyWord(
    String.raw`${N}\s+(?:piece|seater|tier|slice|slot|person|man|berth|speed|burner|gang|octave|player|
      compartment|(?:drawer|door)(?=\s+(?:chest|cabinet|unit|dresser|filing|wardrobe|tower|desk|bedside|
      fridge)))\s+(?=\p{L})`,
    'giu',
  ),
  // Prices and shares
  /[£€$]\s*\d+(?:[.,]\d+)?|\b\d+(?:[.,]\d+)?\s*(?:%|percent|per cent|euros?|£|€)/gi,
];
/** Most lines have neither; they are spared the patterns. */
const MAY_COUNT = /\d|(?:two|three|four|five|six|eight|ten|twelve)[\s-]/i;
const MAY_FILL = /full|half|empty|used|gone|finished/i;
const PIECES_OF_A_SET =
  /\b(\d{1,3})\s*-?\s*(?:pieces?|pcs?|parts?)\s+(?=(?:\p{L}+\s+){0,3}(?:set|service|cutlery|canteen|flatware|crockery)\b)/iu;

const FILLS: readonly (readonly [RegExp, number])[] = [
  [/\b(?:three quarters?|3\/4)\s*-?\s*full\b/i, 0.75],
  [/\b(?:two thirds?|2\/3)\s*-?\s*full\b/i, 0.67],
  [/\bhalf\s*-?\s*(?:full|empty|used|finished|burnt)\b/i, 0.5],
  [/\b(?:a )?(?:quarter|1\/4)\s*-?\s*full\b/i, 0.25],
  [/\b(?:a )?(?:third|1\/3)\s*-?\s*full\b/i, 0.33],
  [/\b(?:almost|nearly|mostly)\s+full\b/i, 0.9],
  [/\b(?:almost|nearly|mostly)\s+(?:empty|finished|gone)\b/i, 0.15],
  [/\b(?:part|partly|partially)\s*-?\s*(?:used|full)\b/i, 0.5],
  [/\bhalf\s+(?:an?|the)\s+(?!dozen)(?=\p{L})/iu, 0.5],
  [
    /^\s*half\s+(?=(?:box|bag|sack|crate|jar|tin|tub|bottle|drawer|shelf|bucket|packet|roll|pack)\b)/i,
    0.5,
  ],
];

const blanked = (text: string, pattern: RegExp): string =>
  text.replace(pattern, (found) => ' '.repeat(found.length));

/**
 * Takes a line apart: `two boxes of 24 plasters, 10/26` → 48 of "plasters", in boxes, until the end of
 * October 2026. `isDated` says whether a bare month and year at the end is a date for such a thing.
 * Returns undefined where the line has no letter.
 */
export function readLine(
  typed: string,
  {
    bareUnit = 'cm',
    isDated,
  }: { readonly bareUnit?: LengthUnit; readonly isDated: (thing: string) => boolean },
): ReadLine | undefined {
  const text = withPlainSigns(typed);
  if (!/\p{L}/u.test(text)) return undefined;
  const dated = takeDay(text, isDated);
  const plain = dated.rest;
  // "24 piece dinner set" counts its pieces; "1000 piece jigsaw" does not.
  const setOf = PIECES_OF_A_SET.exec(plain);
  let rest = setOf ? blanked(plain, PIECES_OF_A_SET) : plain;
  if (MAY_COUNT.test(rest)) for (const pattern of ATTRIBUTES) rest = blanked(rest, pattern);
  let fillRatio: number | undefined;
  for (const [pattern, ratio] of MAY_FILL.test(rest) ? FILLS : []) {
    if (fillRatio !== undefined || !pattern.test(rest)) continue;
    fillRatio = ratio;
    rest = blanked(rest, pattern);
  }
  const measures = readMeasures(rest, bareUnit);
  const quantity = withPieces(readQuantity(measures.rest), setOf?.[1]);
  const spans = [...quantity.numberSpans];
  const times = measures.mass?.timesAt ?? measures.volume?.timesAt;
  if (times) spans.push(times);
  return {
    name: nameWithout(plain, spans, quantity.packing),
    thing: quantity.thing,
    measures,
    quantity,
    fillRatio,
    expiresOn: dated.day,
  };
}

const withPieces = (quantity: Quantity, pieces: string | undefined): Quantity =>
  pieces === undefined
    ? quantity
    : { ...quantity, per: Number(pieces), unit: 'set', count: quantity.count ?? 1 };

function nameWithout(
  text: string,
  spans: readonly (readonly [number, number])[],
  packing: string | undefined,
): string {
  if (spans.length === 0 && packing === undefined && !/[,;:(=-]\s*$/.test(text)) return text;
  let name = text;
  for (const [from, to] of spans)
    name = name.slice(0, from) + '\u0000'.repeat(Math.max(0, to - from)) + name.slice(to);
  const tidy = name
    .replace(/\u0000+/g, ' ')
    .replace(/\(\s*\)/g, ' ')
    .replace(/\s+/g, ' ')
    .replace(/\s+([,;:.])/g, '$1')
    .replace(/^[\s,;:x=)-]+(?=[\s\p{L}\d])/u, (lead) =>
      /x/.test(lead) && !/x\s/.test(lead) ? lead : '',
    )
    .replace(/[\s,;:(=-]+$/, '')
    .trim();
  if (packing === undefined) return tidy === '' ? text : tidy;
  const [head = '', ...tail] = tidy.split(', ');
  return [head, packing, ...tail].filter((part) => part !== '').join(', ');
}

/** Month and year as packs carry them, whatever is in the pack: `10/26`, `0824`. */
const MONTH_AND_YEAR = /(^|[\s,;(])(0?[1-9]|1[0-2])\s?\/\s?(?:20)?([2-4]\d)(?=$|[\s,;)])/;
const BARE_MONTH = /([\s,;(])(0[1-9]|1[0-2])([2-4]\d)(?=\s*$|[,;)])/;

const MONTHS = '(?:jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec)';
/** "aspirin Dec 26", "milk, 12 March". */
const MONTH_BEHIND = new RegExp(
  String.raw`[\s,;(](?=${MONTHS}[a-z]*\.?\s*\d|\d{1,2}\.?\s*${MONTHS})`,
  'i',
);

function takeDay(text: string, isDated: (thing: string) => boolean) {
  const plain = findDay(text);
  if (plain) return { day: plain.day, rest: plain.rest };
  for (const pattern of [MONTH_AND_YEAR, BARE_MONTH]) {
    const match = pattern.exec(text);
    if (!match) continue;
    // "1026" may be a number of screws; "0824" is none.
    const isNumber = pattern === BARE_MONTH && match[2]?.startsWith('1');
    if (isNumber && !isDated(text.slice(0, match.index))) continue;
    const found = findDay(`until ${match[2]}/20${match[3]}`);
    if (!found) continue;
    return { day: found.day, rest: tidied(text, match.index, match[0].length) };
  }
  const behind = MONTH_BEHIND.exec(text);
  if (behind && isDated(text.slice(0, behind.index))) {
    const found = findDay(text.slice(behind.index), { isDateExpected: true });
    if (found)
      return {
        day: found.day,
        rest: `${text.slice(0, behind.index)} ${found.rest}`.replace(/[\s,;(]+$/, '').trim(),
      };
  }
  return { day: undefined, rest: text };
}

const tidied = (text: string, from: number, length: number): string =>
  `${text.slice(0, from)}${text.slice(from + length)}`
    .replace(/\s+/g, ' ')
    .replace(/,\s*,/g, ',')
    .replace(/\(\s*\)/g, '')
    .replace(/[\s,;(]+$|^[\s,;]+/g, '')
    .trim();
