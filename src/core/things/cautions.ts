import { cautionCodes, LIFTING_LIMIT_G, type CautionCode, type GoesTo } from './codes';
import { anyOf, anyWord } from './patterns';
import type { Family, Kind } from './readVocabulary';

/** What is said of a thing that makes it dangerous, whatever it is. */
const SAID: readonly (readonly [CautionCode, RegExp])[] = [
  [
    'mould_pest',
    anyWord(`mou?ld(?:y|s)?|mildew(?:ed)?|moths?|moth[- ]?(?:eaten|holes?)|wood ?worms?|droppings|
      infested|bed ?bugs?|silverfish|weevils?|cockroach(?:es)?|rotten|sewage|mice|rats?|fleas|lice|maggots`),
  ],
  ['sharps', anyWord(`syringes?|hypodermic|(?:used|dirty|injection|insulin) needles?|lancets?`)],
  ['battery', anyWord('battery[- ](?:operated|powered)|rechargeable|batter(?:y|ies)|cordless')],
  ['electrical', anyWord('electric|electrical|electronic|usb|mains|plug-in')],
  [
    'chemical',
    anyWord(`poison(?:ous)?|caustic|corrosive|toxic|acid|ammonia|bleach|pesticides?|insecticides?|
      weed ?killer|chemicals?|chlorine|lye`),
  ],
  [
    'hazardous_waste',
    anyWord(`flammable|inflammable|solvents?|petrol|gasoline|kerosene|paraffin|turpentine|turps|
      white spirit|thinners?|varnish|aerosols?|mercury|waste oil|engine oil`),
  ],
  [
    'gas',
    anyWord(
      `butane|propane|gas (?:bottle|cylinder|canister|cartridge)s?|pressuri[sz]ed|helium|oxygen`,
    ),
  ],
  [
    'licensed',
    anyWord(`asbestos|lead paint|ammunition|explosives?|fireworks?|firearms?|live rounds?|grenade`),
  ],
  [
    'paper_private',
    anyWord(`passwords?|pin (?:codes?|numbers?)|confidential|bank details|
      tax (?:returns?|papers?|letters?)|payslips?|medical (?:records?|letters?|papers?)|
      birth certificates?|passports?|bank (?:letters?|statements?|cards?)`),
  ],
  [
    'medicine',
    anyWord(
      `prescription|antibiotics?|medicines?|medication|painkillers?|sleeping (?:pills?|tablets?)`,
    ),
  ],
];
const ANY_SAID = anyOf(SAID.map(([, pattern]) => pattern));
const BROKEN = anyWord('broken|cracked|smashed|shattered|splintered|chipped|shards?|splinters?');
/** Of these broken pieces are sharp; the others may be of anything, where the kind is known. */
const GLASS = anyWord('glass(?:es)?|mirrors?|windows?|panes?|porcelain');
const GLASSY = anyWord(
  'glass(?:es)?|mirrors?|windows?|panes?|bulbs?|jars?|bottles?|vases?|porcelain',
);
const SPOILT =
  anyWord(`out of date|past its date|expired|bulging|swollen|blown|leaking|rotten|gone off|
  mou?ldy|best before|use by|open(?:ed)?|weevils?`);
/** Without its batteries, without its plug. */
const WITHOUT = /\b(?:without|no|not|empty of|minus)\s+(?:its\s+|the\s+|any\s+)?\p{L}+/giu;

interface Facts {
  /** The whole line. */
  readonly text: string;
  readonly kind: Kind | undefined;
  readonly family: Family | undefined;
  /** Grams of what is lifted at once. */
  readonly liftG: number;
}

/** The cautions a thing calls for, by its kind, by what is said of it and by its weight, in the codes' order. */
export function cautionsOf({ text, kind, family, liftG }: Facts): CautionCode[] {
  const usual = kind?.cautions ?? family?.cautions ?? [];
  const known = new Set<CautionCode>(usual.filter((code) => code !== 'heavy'));
  const material = kind?.material ?? family?.material;
  if (ANY_SAID.test(text)) {
    const said = withoutOwnWords(text, kind).replace(WITHOUT, ' ');
    for (const [code, pattern] of SAID) if (pattern.test(said)) known.add(code);
  }
  if (BROKEN.test(text) && (material === 'glass' || (kind ? GLASS : GLASSY).test(text)))
    known.add('glass');
  if (isFood(kind, family) && SPOILT.test(text)) known.add('food_safety');
  if (liftG > LIFTING_LIMIT_G) known.add('heavy');
  return cautionCodes.filter((code) => known.has(code));
}

export const isFood = (kind: Kind | undefined, family: Family | undefined): boolean =>
  kind?.material === 'food' ||
  family?.material === 'food' ||
  (kind?.family ?? '').startsWith('jars');

/** A word of the kind's own name says nothing more: a cake mould is not mouldy, a mouse mat has no mice. */
function withoutOwnWords(text: string, kind: Kind | undefined): string {
  const lower = text.toLowerCase();
  return (kind?.words ?? [])
    .filter((phrase) => lower.includes(phrase))
    .reduce((rest, phrase) => rest.replace(phrase, ' '), lower);
}

const WORN = anyWord('worn|torn|holes?|stained|threadbare|ripped|frayed|faded|moth');
const USELESS = anyWord(`broken|cracked|smashed|chipped|dead|rusty|rusted|leaks?|leaking|faulty|
  does not work|not working|incomplete|missing|odd|dirty`);

/** Where it goes if it leaves, the likeliest first. Medicine, batteries and the like have one way only. */
export function waysOutOf(facts: Facts, cautions: readonly CautionCode[]): GoesTo[] {
  const { text, kind, family } = facts;
  const usual: readonly GoesTo[] = kind?.goesTo ?? family?.goesTo ?? ['give', 'bin'];
  const only = onlyWayOf(facts, cautions, usual);
  if (only) return only;
  const ways = withKnownWays(usual, cautions);
  if (WORN.test(text) && ways.includes('textile')) return giftLast(first(['textile'], ways));
  if (!USELESS.test(text) && !WORN.test(text)) return ways;
  return giftLast(ways.every((way) => way === 'give') ? ['bin', ...ways] : ways);
}

function onlyWayOf(
  { text, kind, family }: Facts,
  cautions: readonly CautionCode[],
  usual: readonly GoesTo[],
): GoesTo[] | undefined {
  const has = (code: CautionCode) => cautions.includes(code);
  if (has('licensed')) return ['licensed'];
  const isMedicine = has('medicine') && (usual.includes('pharmacy') || kind === undefined);
  if (has('sharps') || isMedicine)
    return first(
      ['pharmacy'],
      usual.filter((way) => way === 'licensed'),
    );
  const isSpoilt = isFood(kind, family) && SPOILT.test(text);
  const isBrokenGlass = has('glass') && BROKEN.test(text);
  return has('mould_pest') || isSpoilt || isBrokenGlass ? ['bin'] : undefined;
}

const PROPER_WAYS: readonly GoesTo[] = ['hazardous', 'electricals', 'batteries', 'licensed'];
function withKnownWays(usual: readonly GoesTo[], cautions: readonly CautionCode[]): GoesTo[] {
  if (cautions.includes('electrical') && !usual.some((way) => PROPER_WAYS.includes(way)))
    return [...usual.filter((way) => way === 'give'), 'electricals'];
  const isHazard = cautions.includes('hazardous_waste') || cautions.includes('gas');
  const needsPlace = isHazard && !usual.some((way) => PROPER_WAYS.includes(way));
  const isBinOnly = cautions.includes('chemical') && usual.every((way) => way === 'bin');
  return first(
    [
      ...(cautions.includes('paper_private') ? (['shred'] as const) : []),
      ...(needsPlace || isBinOnly ? (['hazardous'] as const) : []),
    ],
    usual,
  );
}

const first = (ways: readonly GoesTo[], others: readonly GoesTo[]): GoesTo[] => [
  ...new Set([...ways, ...others]),
];
const giftLast = (ways: readonly GoesTo[]): GoesTo[] =>
  ways.includes('give') ? [...ways.filter((way) => way !== 'give'), 'give'] : [...ways];
