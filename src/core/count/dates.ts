import { daysBetween } from '../shared';
import { type Thing, type Verdict, type WayOut, isKept } from '../sort';
import type { GoesTo } from '../things';
import { likenessOf } from './findRepeats';

/** Within so many days a pack is to be used soon. */
const SOON_DAYS = 30;

type DateState = 'out' | 'soon' | 'good';

/** How a use-by day stands on a day. */
export function judgeDay(expiresOn: string, today: string): DateState {
  const days = daysBetween(today, expiresOn);
  if (days < 0) return 'out';
  return days <= SOON_DAYS ? 'soon' : 'good';
}

export interface DatedThing {
  readonly thing: Thing;
  readonly expiresOn: string;
  readonly daysLeft: number;
  /** Of several of its kind in the same room, the one that runs out first. */
  readonly useFirst: boolean;
}

interface DatesCard {
  readonly out: readonly DatedThing[];
  readonly soon: readonly DatedThing[];
  readonly good: readonly DatedThing[];
  /** Kept, of a kind that carries a date, and nobody read it. */
  readonly undated: readonly Thing[];
}

/** What carries a date on its pack; patterns of whole words. */
const DATED_WORDS = [
  'spices?',
  'flour',
  'sugar',
  'oil',
  'rice',
  'pasta',
  'lentils?',
  'beans',
  'tins? of',
  'packets? of',
  'sauce',
  'stock cubes?',
  'tea bags',
  'coffee',
  'cereal',
  'yeast',
  'baking powder',
  'medicines?',
  'tablets?',
  'pills?',
  'syrup',
  'ointment',
  'plasters',
  'drops',
  'sun ?cream',
  'lotion',
  'make-?up',
  'mascara',
  'batter(?:y|ies)',
  'seeds?',
  'formula',
  'pet food',
  'first aid kit',
];
const DATED = new RegExp(String.raw`\b(?:${DATED_WORDS.join('|')})\b`, 'i');

/** The kept things by the day on which they run out, the nearest first. `today` is a calendar day. */
export function datesCardOf(things: readonly Thing[], today: string): DatesCard {
  const kept = things.filter(isKept);
  const dated = kept
    .flatMap((thing) =>
      thing.expiresOn === undefined ? [] : [{ thing, expiresOn: thing.expiresOn }],
    )
    .sort(
      (a, b) => a.expiresOn.localeCompare(b.expiresOn) || a.thing.name.localeCompare(b.thing.name),
    );
  const counts = new Map<string, number>();
  const keyOf = (thing: Thing) =>
    `${thing.roomId}|${likenessOf(thing.name)}|${thing.name.toLowerCase()}`;
  for (const { thing } of dated) counts.set(keyOf(thing), (counts.get(keyOf(thing)) ?? 0) + 1);
  const begun = new Set<string>();
  const lines = dated.map(({ thing, expiresOn }): DatedThing => {
    const key = keyOf(thing);
    const isOut = judgeDay(expiresOn, today) === 'out';
    const useFirst = !isOut && (counts.get(key) ?? 0) > 1 && !begun.has(key);
    // What is out is thrown away, so that the next one is the first to use.
    if (!isOut) begun.add(key);
    return { thing, expiresOn, daysLeft: daysBetween(today, expiresOn), useFirst };
  });
  const of = (state: DateState) =>
    lines.filter(({ expiresOn }) => judgeDay(expiresOn, today) === state);
  return {
    out: of('out'),
    soon: of('soon'),
    good: of('good'),
    undated: kept.filter((thing) => thing.expiresOn === undefined && DATED.test(thing.name)),
  };
}

/**
 * Where a pack goes by its date: in date it stays; out of date it leaves, the way its kind must: medicine
 * to a pharmacy, cells and chemicals to their place, food into the bin.
 */
export function outcomeByDate(
  goesTo: readonly GoesTo[],
  expiresOn: string,
  today: string,
): { readonly verdict: Verdict; readonly to: string; readonly isOut: boolean } {
  if (judgeDay(expiresOn, today) !== 'out') return { verdict: 'keep', to: '', isOut: false };
  const way = properWay(goesTo);
  return way === undefined
    ? { verdict: 'discard', to: '', isOut: true }
    : { verdict: 'recycle', to: way, isOut: true };
}

/** A way that out-of-date things have to go; what could be given or recycled is binned by now. */
const properWay = (goesTo: readonly GoesTo[]): WayOut | undefined =>
  goesTo.find(
    (way) =>
      way === 'pharmacy' ||
      way === 'batteries' ||
      way === 'electricals' ||
      way === 'hazardous' ||
      way === 'licensed',
  );
