import {
  traitsOf,
  wayOutOf,
  type Carry,
  type DoorBox,
  type LeavingSums,
  type Thing,
  type VerdictTraits,
  type WayOut,
  type Verdict,
  type Opinion,
  type OpinionRule,
  methodNames,
  cautionsOfAll,
  sayableCostMinor,
  type MethodName,
  type SessionProgress,
} from '@/core/sort';
import { formatLitres, formatMass, formatDate } from '@/core/shared';
import type { CautionCode, FigureSource, GoesTo, Reason } from '@/core/things';
import { formatMoney, type Currency } from '@/core/shared';
import { addMinutes } from 'date-fns';
import { schoolChoiceWords } from '../agree/agreeWords';

export const verdictWords: Readonly<Record<Verdict, string>> = {
  keep: 'Keep',
  donate: 'Donate',
  discard: 'Discard',
  elsewhere: 'Elsewhere',
  give: 'Give to',
  sell: 'Sell',
  recycle: 'Recycle',
  ask: 'Ask',
  later: 'Later',
};
export const verdictPast: Readonly<Record<Verdict, string>> = {
  keep: 'kept',
  donate: 'donated',
  discard: 'discarded',
  elsewhere: 'belongs elsewhere',
  give: 'given',
  sell: 'to sell',
  recycle: 'recycled',
  ask: 'ask the client',
  later: 'decide later',
};
/** As one tells a client where things went. */
export const verdictTold: Readonly<Record<Verdict, string>> = {
  keep: 'Kept',
  donate: 'Donated',
  discard: 'Thrown away',
  elsewhere: 'To another room',
  give: 'Given',
  sell: 'To be sold',
  recycle: 'Recycled',
  ask: 'Waiting for your word',
  later: 'To decide later',
};
export const reasonWords: Readonly<Record<Reason, string>> = {
  in_use: 'in use',
  sentimental: 'sentimental',
  heirloom: 'heirloom',
  worn_out: 'worn out',
  broken: 'broken',
  incomplete: 'incomplete',
  out_of_date: 'out of date',
  more_than_enough: 'more than enough',
  outgrown: 'outgrown',
  never_used: 'never used',
  fails_its_job: 'does not do its job',
  forgotten: 'forgotten',
};
export const wayOutWords: Readonly<Record<WayOut, string>> = {
  recycle: 'recycle',
  textile: 'textile bank',
  shred: 'shred',
  pharmacy: 'pharmacy',
  batteries: 'battery collection',
  electricals: 'electricals',
  hazardous: 'hazardous-waste site',
  licensed: 'licensed people',
  special_disposal: 'special disposal',
};
/** As one tells a client how things left. */
export const wayOutTold: Readonly<Record<WayOut, string>> = {
  recycle: 'Recycled',
  textile: 'To the textile bank',
  shred: 'Shredded',
  pharmacy: 'Back to the pharmacy',
  batteries: 'To the battery collection',
  electricals: 'Electricals, recycled',
  hazardous: 'To the hazardous-waste site',
  licensed: 'Handed to licensed people',
  special_disposal: 'To the proper place for special waste',
};
/** The first way out of a thing, as the bench says it beside the verdicts. */
export const goesToWords: Readonly<Record<GoesTo, string>> = {
  give: 'can be given',
  recycle: 'is recycled',
  textile: 'goes to the textile bank',
  shred: 'is shredded',
  pharmacy: 'goes back to a pharmacy',
  hazardous: 'goes to the hazardous-waste site',
  batteries: 'goes to a battery collection',
  electricals: 'goes to the electricals',
  bin: 'goes into the bin',
  licensed: 'is handed to licensed people',
};

/** What the bench asks once a verdict wants a destination. */
export const destinationQuestions: Readonly<Record<NonNullable<VerdictTraits['asks']>, string>> = {
  room: 'Which room does it belong to?',
  person: 'To whom?',
  way_out: 'How does it leave?',
  day: 'When is it decided?',
};

/** Where a thing goes, in words; what was said where it is no way out. */
export function sayTo({ verdict, to }: { readonly verdict: Verdict; readonly to: string }): string {
  const way = traitsOf(verdict).asks === 'way_out' ? wayOutOf(to) : undefined;
  return way ? wayOutWords[way] : to;
}

/** What a caution is about, in a word or two, where there is no room for its sentence. */
export const cautionNames: Readonly<Record<CautionCode, string>> = {
  chemical: 'chemicals',
  medicine: 'medicine',
  sharps: 'needles',
  blade: 'blades',
  glass: 'glass',
  battery: 'batteries',
  hazardous_waste: 'hazardous waste',
  gas: 'gas',
  electrical: 'electricals',
  data_device: 'somebody’s data',
  paper_private: 'private papers',
  food_safety: 'food that may be off',
  mould_pest: 'mould or pests',
  licensed: 'for licensed people',
  heavy: 'heavy',
};

/** Read aloud at the step where it can hurt someone; local rules and licensed trades come first. */
export const cautionWords: Readonly<Record<CautionCode, string>> = {
  chemical:
    'Chemicals stay in their original packs, locked or out of a child’s reach, never beside ' +
    'food; nothing acid and no ammonia beside bleach.',
  medicine:
    'Medicine goes back to a pharmacy or a take-back scheme, not into the bin or the drain.',
  sharps:
    'Needles go into a sharps box and back to a pharmacy. One that is found: do not touch it, call licensed people.',
  blade: 'Wrap blades and mark the parcel before it leaves.',
  glass: 'Wrap broken glass and mark it; a large pane is carried upright, by two, with gloves.',
  battery:
    'Batteries and rechargeable cells never go in the bin: take them to a collection point, terminals taped.',
  hazardous_waste:
    'Paint, solvents, canisters and lamps go to the hazardous-waste site; ask the local one what it takes.',
  gas: 'Gas under pressure stays upright and away from heat; it never goes in the bin, full or empty.',
  electrical: 'Electricals go to their collection, not in the bin; say what no longer works.',
  data_device:
    'It holds somebody’s data: the client saves what matters and wipes it before it leaves.',
  food_safety:
    'Food that bulges, leaks or has mould stays shut and goes into the bin; what is given away is in date and closed.',
  licensed: 'Stop: this is handled by licensed people only. Leave it where it is and ask who.',
  paper_private: 'Papers with names and numbers are shredded, not recycled whole.',
  mould_pest:
    'Bag what leaves; wash hot or freeze what stays. Mould in walls or vermin: stop, and call licensed people.',
  heavy: 'More than 15 kg in one lift: two people, or two boxes.',
};
interface OpinionWords {
  readonly keep: string;
  readonly letGo: string;
  readonly question: string;
}
const PLAIN: Readonly<
  Record<
    Exclude<
      OpinionRule,
      | 'more_than_enough'
      | 'fits'
      | 'does_not_fit'
      | 'elsewhere_too'
      | 'sentimental'
      | 'costs_to_replace'
      | 'cheap_to_replace'
    >,
    OpinionWords
  >
> = {
  out_of_date: {
    keep: 'nothing, once it can harm',
    letGo: 'its date has passed',
    question: 'Is there one in date already?',
  },
  broken: {
    keep: 'it can be mended within the month',
    letGo: 'it has waited for mending so far',
    question: 'Who mends it, and by when?',
  },
  incomplete: {
    keep: 'the missing part may turn up in this very sort',
    letGo: 'without it, it does nothing',
    question: 'Where would the rest be?',
  },
  worn_out: {
    keep: 'there is no better one',
    letGo: 'there are better ones',
    question: 'Would you hand this to a guest?',
  },
  outgrown: {
    keep: 'somebody smaller follows',
    letGo: 'nobody here fits it any more',
    question: 'For whom, and when?',
  },
  not_used: {
    keep: 'the occasion is named and near',
    letGo: 'it has had its chance',
    question: 'When would it be used next?',
  },
  forgotten: {
    keep: 'it is what was looked for',
    letGo: 'it was not missed',
    question: 'Would you have bought another?',
  },
  does_not_do_its_job: {
    keep: 'there is nothing else for the job',
    letGo: 'it fails at the one thing it is for',
    question: 'What is used instead?',
  },
  heirloom: {
    keep: 'somebody wants it after you',
    letGo: 'nobody asked for it',
    question: 'Who should have it, now or later?',
  },
  in_use: {
    keep: 'it is used',
    letGo: 'nothing, as long as it has a place',
    question: 'How often, and where?',
  },
};
const SCHOOLS: Readonly<Record<string, string>> = {
  'while-space': 'it may stay while its space holds',
  limit: 'it counts against the limit that was set',
  photograph: 'a photograph keeps the memory',
};
/** An opinion in words: one line for, one against, one question. */
export function opinionWords({ rule, facts }: Opinion, currency: Currency): OpinionWords {
  switch (rule) {
    case 'more_than_enough':
      return facts.enough === undefined
        ? {
            keep: 'all of them are in use at once',
            letGo: 'more than are ever used together',
            question: 'How many are in use on the busiest day?',
          }
        : {
            keep: `a busy day takes more than ${facts.enough}`,
            letGo: `it would make ${facts.wouldBe}, and ${facts.enough} are enough`,
            question: 'Which ones would you not miss?',
          };
    case 'fits':
      return {
        keep:
          Number(facts.count) === 1
            ? 'there is room for it'
            : `there is room for all ${facts.count}`,
        letGo: 'room alone is no reason',
        question: 'What would you rather have in that space?',
      };
    case 'does_not_fit':
      return {
        keep: 'something else gives way',
        letGo: `${facts.fitting} of ${facts.count} fit where they are to live`,
        question: `Which ${facts.fitting} are the best?`,
      };
    case 'elsewhere_too':
      return {
        keep: 'each is used where it is',
        letGo: `there are ${facts.count} more in ${facts.rooms}`,
        question: 'Do they do the same job?',
      };
    case 'costs_to_replace':
      return {
        keep: `a plain new one costs about ${sayCost(Number(facts.eachMinor), currency)}, as we assume`,
        letGo: 'it costs nothing as long as nobody needs it',
        question: 'Would you buy it again at that price?',
      };
    case 'cheap_to_replace':
      return {
        keep: 'one less thing to buy',
        letGo: `a new one is had for about ${sayCost(Number(facts.eachMinor), currency)}, as we assume, when it is needed`,
        question: 'Would you look for it here, or buy one?',
      };
    case 'sentimental':
      return {
        keep: 'it means something that nothing else does',
        letGo:
          facts.school === undefined
            ? 'the memory stays without it'
            : (SCHOOLS[String(facts.school)] ?? ''),
        question: 'What would you tell of it, and is one of them enough to tell it?',
      };
    default:
      return PLAIN[rule];
  }
}
/** A shipped method by its words, an own one by its name. */
export const methodWords = (method: string): string =>
  methodNames.includes(method as MethodName) ? (schoolChoiceWords[method] ?? method) : method;
/** The pace and what follows from it, in sentences a person would say. */
export function progressWords(
  { pace, decisionCount, decisionsLeft, forecast, skipCount, stepPerMinute }: SessionProgress,
  now: Date | undefined,
): string {
  const parts: string[] = [];
  if (decisionCount === 0) parts.push('No decision yet in this session');
  else
    parts.push(
      `${decisionCount} decisions, ${(pace.nowPerMinute ?? pace.decisionsPerMinute).toFixed(1)} a ` +
        `minute${stepPerMinute > 0 ? `, ${stepPerMinute.toFixed(1)} in this step` : ''}`,
    );
  if (decisionsLeft !== undefined && forecast && now) {
    const at = (minutes: number) => formatDate(addMinutes(now, minutes), 'HH:mm');
    parts.push(
      `about ${decisionsLeft} to go: likely done by ${at(forecast.likelyMinutes)}, ` +
        `by ${at(forecast.highMinutes)} at the latest in four of five (from ${forecast.restsOn} intervals)`,
    );
  } else if (decisionsLeft !== undefined) parts.push('too little to go on for a forecast');
  if (skipCount > 0)
    parts.push(
      `to be ready in time leave ${skipCount} of them for another visit, the small things first`,
    );
  if (pace.breakBecause === 'putting_off') parts.push('many are put off: a break is due');
  if (pace.breakBecause === 'slowing') parts.push('the pace is falling: a break is due');
  return `${parts.join('; ')}.`;
}

/** Where a figure comes from, as the bench says it. */
export const figureWords: Readonly<Record<FigureSource, string>> = {
  typed: 'as you said',
  own: 'as you know it',
  learnt: 'learnt from sizes you typed',
  kind: 'usual for its kind',
  family: 'from kinds alike',
  holder: 'from what it is in',
  unknown: 'not known',
};

type Range = { readonly low: number; readonly high: number; readonly from: FigureSource };
interface Figured {
  readonly litres: number;
  readonly massG: number;
  readonly ranges: { readonly litres: Range; readonly massG: Range };
}
const isSaid = ({ from }: Range): boolean => from === 'typed' || from === 'own';

/** What a thing takes and weighs, and how sure that is: what is not known is no figure. */
export function sayFigures({ litres, massG, ranges }: Figured): string {
  const { litres: room, massG: mass } = ranges;
  const size =
    room.from === 'unknown'
      ? `size not known; between ${withoutUnit(formatLitres(room.low))} and ${formatLitres(room.high)}`
      : sayRange(litres, room, formatLitres);
  const weight =
    mass.from === 'unknown'
      ? `weight not known; up to ${formatMass(mass.high)}`
      : sayRange(massG, mass, formatMass);
  return `${size} · ${weight}`;
}

/** Said figures as they are; assumed ones with two digits and their range: they carry no more. */
function sayRange(value: number, range: Range, format: (value: number) => string): string {
  if (isSaid(range)) return format(value);
  const [low, high] = [format(twoDigits(range.low)), format(twoDigits(range.high))];
  const isOneUnit = unitOf(low) === unitOf(high);
  return `about ${format(twoDigits(value))} (${isOneUnit ? withoutUnit(low) : low} to ${high})`;
}
const twoDigits = (value: number): number => Number(value.toPrecision(2));
const withoutUnit = (figure: string): string => figure.replace(/\s\S+$/, '');
const unitOf = (figure: string): string => figure.split(' ').at(-1) ?? '';

/** A box by its verdict and where it goes: "Recycle, pharmacy". */
export function sayBox({ verdict, toward }: DoorBox): string {
  const where = sayTo({ verdict, to: toward });
  return where === '' ? verdictWords[verdict] : `${verdictWords[verdict]}, ${where}`;
}

/** How far what leaves has come: what is out, what stands by the door, what is only decided. */
export function sayLeaving({ decided, byTheDoor, gone }: LeavingSums): string {
  const parts = [
    `${gone.count} gone`,
    byTheDoor.count > 0 ? `${byTheDoor.count} by the door` : '',
    decided.count > 0 ? `${decided.count} still in the room` : '',
  ];
  return parts.filter((part) => part !== '').join(', ');
}

/** Whether the kilograms of some things were read on a scale or are estimated. */
export function sayHowSure(things: readonly Pick<Thing, 'massG' | 'ranges'>[]): string {
  const all = things.reduce((sum, { massG }) => sum + massG, 0);
  const weighed = things
    .filter(({ ranges }) => ranges?.massG.from === 'typed')
    .reduce((sum, { massG }) => sum + massG, 0);
  if (all === 0 || weighed / all < 0.05) return 'estimated';
  return weighed / all > 0.95 ? 'weighed' : `${Math.round((100 * weighed) / all)} % weighed`;
}

/** A box that went out, with what is in it. */
export interface WentOut {
  readonly carry: Carry;
  readonly names: readonly string[];
  readonly cautions: readonly CautionCode[];
}

/** What went out of a room, the latest first, each box with the names of what is in it. */
export function wentOutOf(carries: readonly Carry[], things: readonly Thing[]): WentOut[] {
  const byId = new Map(things.map((thing) => [thing.id, thing]));
  return carries
    .filter(({ verdict }) => verdict !== null)
    .map((carry) => ({
      carry,
      names: carry.thingIds.map((id) => {
        const thing = byId.get(id);
        return thing ? `${thing.count} ${thing.name}` : 'a thing that is no longer decided';
      }),
      cautions: cautionsOfAll(carry.thingIds.flatMap((id) => byId.get(id) ?? [])),
    }))
    .reverse();
}

const sayCost = (pence: number, currency: Currency): string =>
  formatMoney(sayableCostMinor(pence, currency), currency).replace(/[.,]00(?=\D|$)/, '');
