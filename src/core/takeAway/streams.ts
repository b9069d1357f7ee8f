import { z } from 'zod';

import { anyWord, type CautionCode } from '../things';
import { leavesHome, traitsOf, wayOutOf, type Thing } from '../sort';

/** By which way something leaves for good. */
export const streams = [
  'give',
  'sell',
  'person',
  'recycle',
  'textile',
  'electricals',
  'batteries',
  'pharmacy',
  'hazardous',
  'licensed',
  'shred',
  'bin',
  'shop',
  'address',
] as const;
export type Stream = (typeof streams)[number];
export const streamSchema = z.enum(streams);

/** The stream that its verdict puts a thing into; undefined where it stays, or is not decided. */
export function streamOf(thing: Thing): Stream | undefined {
  if (!leavesHome(thing)) return undefined;
  const { asks, isLandfill } = traitsOf(thing.verdict);
  if (isLandfill) return 'bin';
  if (asks === 'person') return 'person';
  if (asks === 'way_out') {
    const way = wayOutOf(thing.to);
    return way === undefined || way === 'special_disposal' ? properStreamOf(thing) : way;
  }
  return thing.verdict === 'sell' ? 'sell' : 'give';
}
/** "Special disposal" and ways that nobody named: as the thing itself says, else the hazardous site. */
const properStreamOf = ({ goesTo = [] }: Thing): Stream =>
  goesTo.find((code) => code !== 'give' && code !== 'bin') ?? 'hazardous';

/** What is dangerous on its way, by its kind: kinds share no box with each other, nor with other things. */
export type Hazard = 'batteries' | 'medicine' | 'licensed' | 'gas' | 'chemical' | 'hazardous';
export function hazardOnWay(stream: Stream, cautions: readonly CautionCode[]): Hazard | undefined {
  if (stream === 'licensed' || cautions.includes('licensed')) return 'licensed';
  if (stream === 'batteries' || cautions.includes('battery')) return 'batteries';
  if (stream === 'pharmacy' || cautions.includes('medicine')) return 'medicine';
  if (cautions.includes('gas')) return 'gas';
  if (cautions.includes('chemical')) return 'chemical';
  return stream === 'hazardous' || cautions.includes('hazardous_waste') ? 'hazardous' : undefined;
}

/** What must not go in the bin, by what it calls for; the rule that says why. */
export const RULES = [
  'medicine',
  'battery',
  'hazardous_waste',
  'gas',
  'electrical',
  'sharps',
  'chemical',
  'data_device',
  'paper_private',
  'licensed',
] as const satisfies readonly CautionCode[];
const COOKING_OIL = anyWord('(?:cooking|frying|deep.fryer|rapeseed|sunflower) (?:oil|fat)');
export type Rule = (typeof RULES)[number] | 'cooking_oil';
export const rulesOf = (name: string, cautions: readonly CautionCode[]): Rule[] => [
  ...RULES.filter((rule) => cautions.includes(rule)),
  ...(COOKING_OIL.test(name) ? (['cooking_oil'] as const) : []),
];

/** Never in one box nor on one trip. Source: usual safety data: what gives off gas or heat together. */
const NEVER_MEET: readonly (readonly [string, RegExp, RegExp])[] = [
  [
    'bleach_acid',
    anyWord('bleach(?:es)?|chlorine|pool tablets?|hypochlorite'),
    anyWord(
      'acids?|descalers?|limescale removers?|ammonia|vinegar|toilet cleaners?|drain cleaners?',
    ),
  ],
  [
    'oxidiser_fuel',
    anyWord('pool tablets?|chlorine|fertili[sz]ers?|hydrogen peroxide'),
    anyWord('petrol|fuel|solvents?|turps|white spirit|thinners?|lighter fluid|engine oil'),
  ],
  [
    'battery_fuel',
    anyWord('damaged batter(?:y|ies)'),
    anyWord('petrol|fuel|solvents?|gas|aerosols?'),
  ],
];
export const meetsBadly = (a: string, b: string): string | undefined =>
  NEVER_MEET.find(
    ([, one, other]) => (one.test(a) && other.test(b)) || (one.test(b) && other.test(a)),
  )?.[0];

const FLUID = anyWord(
  'paints?|varnish(?:es)?|oils?|bleach|cleaners?|solvents?|turps|white spirit|thinners?|petrol|fuel|shampoos?|syrups?|acids?',
);
/** Stands upright in its box. */
export const isFluid = (name: string): boolean => FLUID.test(name);
const FRAGILE = anyWord(
  'glass(?:es)?|vases?|china|porcelain|crystal|mirrors?|lamps?|bulbs?|plates?|cups?|mugs?|bowls?|picture frames?|ornaments?',
);
export const isFragileThing = ({
  name,
  cautions = [],
}: Pick<Thing, 'name' | 'cautions'>): boolean => FRAGILE.test(name) || cautions.includes('glass');
