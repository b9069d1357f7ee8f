/** What numbers with units say, and the text without them. */
export interface Measures {
  /** The text with what was read taken out, blanks in its place. */
  readonly rest: string;
  /** Outside, mm: three sides in the order told, or two of something flat. */
  readonly sidesMm: readonly number[];
  /** One length or diameter, mm. */
  readonly lengthMm: number | undefined;
  readonly mass: Told | undefined;
  readonly volume: Told | undefined;
}
/** A weight (g) or volume (l) as it was told. */
export interface Told {
  readonly each: number;
  /** "3 x 500 g": so many of them. Undefined where one figure was told. */
  readonly times: number | undefined;
  /** "2 kg of flour": the figure goes before what it measures; "flour, 2 kg" it follows. */
  readonly isBefore: boolean;
  /** "2 kg each". */
  readonly isEach: boolean;
  /** Where "3 x" stands in the text: from, to. */
  readonly timesAt: readonly [number, number] | undefined;
}
export type LengthUnit = 'cm' | 'mm' | 'in';

const NUMBER = String.raw`\d+(?:[.,]\d+)?(?:\s+\d/\d+)?|\d+/\d+`;
const MM: Readonly<Record<string, number>> = {
  mm: 1,
  cm: 10,
  dm: 100,
  m: 1000,
  metre: 1000,
  meter: 1000,
  in: 25.4,
  inch: 25.4,
  inche: 25.4,
  '"': 25.4,
  "''": 25.4,
  ft: 304.8,
  foot: 304.8,
  feet: 304.8,
  "'": 304.8,
  yd: 914.4,
  yard: 914.4,
};
/** "5 in the box" is no length, "5 in" is. */
const INCH = String.raw`in\b(?!-[a-z])(?!\s*(?:an?|the|one|my|his|her|its|their|our|each|total|all|use|good|\d)\b)`;
/** Units that begin a thing's own name: "6 pint glasses" are glasses, "2 foot rests" no lengths. */
const FOOT = String.raw`foot(?!\s+(?:rest|stool|spa|bath|pump|file|cream|warm|muff|massag|print|scrub|powder|board|well|lotion|mask))`;
const YARD = String.raw`yards?(?!\s+(?:broom|brush|stick))`;
const PINT = String.raw`pints?(?!\s+(?:glass|mug|pot|tankard))`;
const LENGTH = String.raw`mm|cm|dm|metres?|meters?|inche?s?|${INCH}|feet|${FOOT}|ft|${YARD}|yd|m\b|''|"|'(?!\w)`;
const GRAMS: Readonly<Record<string, number>> = {
  kg: 1000,
  kilo: 1000,
  kilogram: 1000,
  kilogramme: 1000,
  g: 1,
  gr: 1,
  gram: 1,
  gramme: 1,
  lb: 453.6,
  pound: 453.6,
  oz: 28.35,
  ounce: 28.35,
};
const MASS = String.raw`kilogram(?:me)?s?|kilos?|kgs?|gram(?:me)?s?|grs?|g\b(?!-)|lbs?|pounds?|ounces?|oz`;
const LITRES: Readonly<Record<string, number>> = {
  l: 1,
  lt: 1,
  ltr: 1,
  litre: 1,
  liter: 1,
  dl: 0.1,
  cl: 0.01,
  ml: 0.001,
  pint: 0.568,
  pt: 0.568,
  quart: 1.137,
  qt: 0.946,
  gallon: 4.546,
  gal: 4.546,
  'fl oz': 0.0284,
  'fluid ounce': 0.0284,
};
const VOLUME = String.raw`fl\.?\s?oz|fluid ounces?|litres?|liters?|ltrs?|lt\b|l\b|dl|cl|ml|${PINT}|pt|quarts?|qt|gallons?|gal`;

const FRACTIONS: Readonly<Record<string, string>> = {
  '½': ' 1/2',
  '¼': ' 1/4',
  '¾': ' 3/4',
  '⅓': ' 1/3',
  '⅔': ' 2/3',
  '⅛': ' 1/8',
  '⅜': ' 3/8',
  '⅝': ' 5/8',
  '⅞': ' 7/8',
};

/** One spelling of signs: quotes, the sign of multiplication, fractions, blanks. */
export const withPlainSigns = (text: string): string =>
  text
    .replace(/[½¼¾⅓⅔⅛⅜⅝⅞]/g, (sign) => FRACTIONS[sign] ?? sign)
    .replace(/[×✕✖*]/g, 'x')
    .replace(/[’‘´]/g, "'")
    .replace(/[“”″]/g, '"')
    .replace(/′/g, "'")
    .replace(/[‐‑–—]/g, '-')
    .replace(/(\d),(?=\d{3}(?!\d))/g, '$1')
    .replace(/\s+/g, ' ')
    .trim();

/** "1 1/2", "2,5", "3/4". */
export function numberOf(text: string): number {
  return text
    .trim()
    .split(/\s+/)
    .reduce((sum, part) => {
      const [over = '', under] = part.split('/');
      const figure = Number(over.replace(',', '.'));
      return sum + (under === undefined ? figure : figure / Number(under));
    }, 0);
}

const unitOf = (table: Readonly<Record<string, number>>, unit: string): number => {
  const plain = unit
    .toLowerCase()
    .replace(/\./g, '')
    .replace(/fl\s*oz/, 'fl oz');
  return table[plain] ?? table[plain.replace(/s$/, '')] ?? 1;
};

const NO_MEASURES: Omit<Measures, 'rest'> = {
  sidesMm: [],
  lengthMm: undefined,
  mass: undefined,
  volume: undefined,
};
/** Reads sizes, weights and volumes wherever they stand. Units of bare sizes as given. */
export function readMeasures(text: string, bareUnit: LengthUnit): Measures {
  if (!/\d/.test(text)) return { ...NO_MEASURES, rest: text };
  const sides = takeSides(text, bareUnit);
  const mass = takeTold(sides.rest, MASS_TOLD, GRAMS);
  const volume = takeTold(mass.rest, VOLUME_TOLD, LITRES);
  const length = takeLength(volume.rest);
  return {
    rest: length.rest,
    sidesMm: sides.sidesMm,
    lengthMm: length.lengthMm,
    mass: mass.told,
    volume: volume.told,
  };
}

const blank = (text: string, from: number, length: number): string =>
  text.slice(0, from) + ' '.repeat(length) + text.slice(from + length);

const SIDE = String.raw`(${NUMBER})\s*(${LENGTH})?\s*(?:[wdh]\b)?`;
const BY = String.raw`\s*(?:x|by)\s*`;
const SIDES = new RegExp(
  String.raw`(?<![\w.,/])${SIDE}${BY}${SIDE}(?:${BY}${SIDE})?(?!\s*(?:${MASS}|${VOLUME}))(?![\w/]|[.,]\d)`,
  'i',
);

/** `60 x 80 x 20 cm`, `2.4 m x 15 cm x 2 cm`, `60 by 80 cm`; the last unit holds for those before it. */
function takeSides(text: string, bareUnit: LengthUnit) {
  const match = SIDES.exec(text);
  if (!match) return { rest: text, sidesMm: [] };
  const sides = [1, 3, 5].flatMap((at) => {
    const figure = match[at];
    return figure === undefined ? [] : [{ figure: numberOf(figure), unit: match[at + 1] }];
  });
  const units = sides.flatMap(({ unit }) => unit ?? []);
  const last = units.at(-1);
  const scale = (unit: string | undefined) => unitOf(MM, unit ?? last ?? bareUnit);
  return {
    rest: blank(text, match.index, match[0].length),
    sidesMm: sides.map(({ figure, unit }) => figure * scale(unit)),
  };
}

const toldPattern = (units: string): RegExp =>
  new RegExp(
    String.raw`(?<![\w.,/])(?:(\d{1,4})\s*x\s*)?(${NUMBER})\s*-?\s*(${units})(?![\w])\.?(\s*(?:each|apiece|per piece|a piece))?`,
    'i',
  );
const MASS_TOLD = toldPattern(MASS);
const VOLUME_TOLD = toldPattern(VOLUME);

/** `22 kg`, `3 x 500 g`, `5 kg each`; of several the first. Milligrams and what is no whole figure stay. */
function takeTold(text: string, pattern: RegExp, table: Readonly<Record<string, number>>) {
  const match = pattern.exec(text);
  if (!match) return { rest: text, told: undefined };
  const [whole, times, figure = '', unit = '', each] = match;
  const each1 = numberOf(figure) * unitOf(table, unit);
  if (!(each1 > 0)) return { rest: text, told: undefined };
  const after = text.slice(match.index + whole.length);
  const told: Told = {
    each: each1,
    times: times === undefined ? undefined : Number(times),
    isBefore: /^\s*(?:of\s+)?\p{L}/u.test(after),
    isEach: each !== undefined,
    timesAt:
      times === undefined
        ? undefined
        : [match.index, match.index + whole.search(new RegExp(`x\\s*`, 'i')) + 1],
  };
  return { rest: blank(text, match.index, whole.length), told };
}

const LENGTH_TOLD = new RegExp(
  String.raw`(?<![\w.,/])(${NUMBER})\s*-?\s*(${LENGTH})(?![\w])(?:\s*(?:long|wide|high|tall|deep|diameter|across|ø))?`,
  'i',
);

function takeLength(text: string) {
  const match = LENGTH_TOLD.exec(text);
  if (!match) return { rest: text, lengthMm: undefined };
  const lengthMm = numberOf(match[1] ?? '') * unitOf(MM, match[2] ?? '');
  return {
    rest: blank(text, match.index, match[0].length),
    lengthMm: lengthMm > 0 ? lengthMm : undefined,
  };
}
