import { parseISO } from 'date-fns';

import {
  capital,
  assertNever,
  formatLength,
  formatMass,
  formatMoney,
  type Currency,
  type LengthUnit,
  formatDate,
} from '@/core/shared';
import type { Thing } from '@/core/sort';
import type {
  HandoverLine,
  LongWay,
  Refusal,
  Rule,
  SaleState,
  Stream,
  TextFault,
  Way,
} from '@/core/takeAway';
import { visitDayWords } from '../visits/visitWords';

/** By which way something leaves, as a heading says it. */
export const streamWords: Readonly<Record<Stream, string>> = {
  give: 'Give away',
  sell: 'Sell',
  person: 'To a person',
  recycle: 'Recycling',
  textile: 'Textiles',
  electricals: 'Electricals',
  batteries: 'Batteries',
  pharmacy: 'Medicine',
  hazardous: 'Hazardous',
  licensed: 'Licensed people',
  shred: 'Shredding',
  bin: 'Bin',
  shop: 'Back to the shop',
  address: 'Another address',
};

/** What must not go in the bin, with its caution. */
export const ruleWords: Readonly<Record<Rule, string>> = {
  medicine:
    'Medicine goes back to a pharmacy or a take-back scheme, never into the bin or the drain.',
  battery:
    'Batteries: tape the ends of loose ones; damaged or swollen ones apart, in sand or a metal tin, and soon.',
  hazardous_waste:
    'Paint, solvent, oil, lamps and aerosols go upright and closed, in the packs they came in.',
  gas: 'Gas canisters travel upright, closed, with the window open, and never in the sun.',
  electrical: 'Anything with a plug or a battery inside is collected apart; take batteries out.',
  sharps: 'Needles go into a sharps box, closed. Do not reach into a bag that may hold some.',
  chemical: 'Chemicals stay in their own packs and are never poured together.',
  data_device: 'Wipe what is stored on it, or take the drive out, before it leaves.',
  paper_private: 'Papers with names and numbers are shredded.',
  licensed: 'Stop: licensed people take this away.',
  cooking_oil: 'Cooking oil is collected in a closed bottle, never poured down the drain.',
};
/** What a share of the page is called: its destination, or its way where it needs none. */
export function shareName(destination: string | undefined, stream: Stream): string {
  if (destination !== undefined) return destination;
  const needsNone = stream === 'person' || stream === 'bin' || stream === 'shop';
  return needsNone ? streamWords[stream] : `${streamWords[stream]}: no destination takes it`;
}
export const LOCAL_RULES =
  'What is taken where differs from place to place: your local site decides.';

export const meetWords: Readonly<Record<string, string>> = {
  bleach_acid: 'bleach and acids or ammonia give off poisonous gas together',
  oxidiser_fuel: 'what feeds a fire beside what burns',
  battery_fuel: 'damaged batteries beside what burns',
};

export function refusalWords(refusal: Refusal, unit: LengthUnit): string {
  switch (refusal.code) {
    case 'other_stream':
      return 'does not take this';
    case 'words':
      return `takes no ${refusal.words}`;
    case 'too_long':
      return `takes ${refusal.words || 'things'} up to ${formatLength(refusal.mostMm, unit)}`;
    case 'too_heavy':
      return `takes ${refusal.words || 'things'} up to ${formatMass(refusal.mostG)} each`;
    default:
      return assertNever(refusal);
  }
}

/** Where a way is not typed, between what it may take. */
export function wayWords({ low, likely, high, from }: Way): string {
  switch (from) {
    case 'typed':
    case 'usual':
      return `${Math.round(likely)} min`;
    case 'position':
      return `${Math.round(low)} to ${Math.round(high)} min, by straight distance`;
    case 'unknown':
      return `${low} to ${high} min assumed: nobody has said`;
    default:
      return assertNever(from);
  }
}

export const minutesWords = (minutes: number): string => {
  const whole = Math.round(minutes);
  if (whole < 60) return `${whole} min`;
  const rest = whole % 60;
  return rest === 0 ? `${Math.floor(whole / 60)} h` : `${Math.floor(whole / 60)} h ${rest} min`;
};
/** One figure where low and high round to the same. */
export const rangeOfMinutes = (low: number, high: number): string =>
  Math.round(low) === Math.round(high)
    ? minutesWords(high)
    : `${minutesWords(low)} to ${minutesWords(high)}`;

export { visitDayWords as dayWords };
export const momentWords = (at: string): string => formatDate(parseISO(at), 'd MMM, HH:mm');

export function longWords(way: LongWay, unit: LengthUnit): string {
  switch (way.way) {
    case 'straight':
      return 'lies straight';
    case 'diagonal':
      return `lies across, turned ${way.angleDeg}°`;
    case 'trailer':
      return 'on the trailer';
    case 'too_long':
      return `too long for the car: up to ${formatLength(way.longestMm, unit)} goes in`;
    default:
      return assertNever(way);
  }
}

export const conditionWords: Readonly<Record<HandoverLine['condition'], string>> = {
  as_new: 'as new',
  good: 'good',
  worn: 'worn',
  unknown: 'not said',
};

export const saleWords: Readonly<Record<SaleState, string>> = {
  to_offer: 'to be offered',
  asked: 'offered',
  reserved: 'reserved',
  sold: 'sold',
  overdue: 'not sold by its day',
};

export const valueWords = (low: number, high: number, currency: Currency): string =>
  low === high
    ? wholeMoney(high, currency)
    : `${wholeMoney(low, currency)} to ${wholeMoney(high, currency)}`;
/** What is assumed carries no pence. */
export const wholeMoney = (minor: number, currency: Currency): string =>
  formatMoney(Math.round(minor / 100) * 100, currency).replace(/[.,]00(?=\D|$)/, '');
export const TAX_NOTE =
  'Assumed second-hand values, never an appraisal: ask whoever advises you on tax.';

export function textFaultWords({ code, found }: TextFault): string {
  switch (code) {
    case 'hours':
      return `“${found}” makes no sense here, or overlaps; write it like Mon-Fri 9:00-12:00, 14:00-17:30`;
    case 'exceptions':
      return `“${found}” makes no sense here; write it like 2026-12-24 closed`;
    case 'refuses':
      return `“${found}” makes no sense here; write it like mattresses, or wardrobes longer than 180 cm`;
    default:
      return assertNever(code);
  }
}

/** A text to offer something with, from what is known of it; nothing is posted anywhere. */
export function listingText(
  thing: Pick<Thing, 'name' | 'count' | 'reasons' | 'longestMm' | 'uprightMm'>,
  {
    asking,
    unit,
    condition,
  }: {
    readonly asking: string | undefined;
    readonly unit: LengthUnit;
    readonly condition: HandoverLine['condition'];
  },
): string {
  const sizes = [
    thing.longestMm === undefined ? '' : `${formatLength(thing.longestMm, unit)} long`,
    thing.uprightMm === undefined ? '' : `${formatLength(thing.uprightMm, unit)} high`,
  ].filter((part) => part !== '');
  const name = capital(thing.name);
  return [
    thing.count > 1 ? `${name}, ${thing.count} of them` : name,
    condition === 'unknown' ? '' : `Condition: ${conditionWords[condition]}.`,
    sizes.length === 0 ? '' : `${sizes.join(', ')}.`,
    asking === undefined ? '' : `Asking ${asking}.`,
    'To be fetched. From a tidy household.',
  ]
    .filter((line) => line !== '')
    .join('\n');
}

/** What is printed or sent to somebody for whom something waits. */
export const fetchText = (person: string, names: readonly string[], byDay: string | null): string =>
  [
    `Dear ${person},`,
    `this waits here for you: ${names.join(', ')}.`,
    byDay === null
      ? 'Please say when you would like to fetch it.'
      : `Please fetch it by ${visitDayWords(byDay)}; after that it goes another way.`,
  ].join('\n');
