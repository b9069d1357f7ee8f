import pluralize from 'pluralize';

import type { Thing } from '../sort';
import type { HaulDestination, Position } from './model';
import type { Stream } from './streams';

/** Why a destination does not take something. */
export type Refusal =
  | { readonly code: 'other_stream' }
  | { readonly code: 'words'; readonly words: string }
  | { readonly code: 'too_long'; readonly words: string; readonly mostMm: number }
  | { readonly code: 'too_heavy'; readonly words: string; readonly mostG: number };

/** What is asked of a destination: a thing as far as it is known. */
export type Asked = Pick<Thing, 'name' | 'count' | 'massG' | 'longestMm'>;

const hasWords = (name: string, words: string): boolean => {
  const stem = (word: string) => pluralize.singular(word.toLowerCase());
  const said = name
    .toLowerCase()
    .split(/[^\p{L}\p{N}]+/u)
    .map(stem);
  return words
    .split(/\s+/)
    .filter((word) => word !== '')
    .every((word) => said.includes(stem(word)));
};

/** Whether things of a stream go there without anybody choosing it; another address is only chosen by hand. */
export const takesByItself = (
  { streams }: Pick<HaulDestination, 'streams'>,
  stream: Stream,
): boolean => streams.includes(stream);

/** Why it is not taken there; undefined where nothing that is known speaks against it. */
export function refusalOf(
  destination: Pick<HaulDestination, 'streams' | 'refuses'>,
  { stream, asked }: { readonly stream: Stream; readonly asked: Asked },
): Refusal | undefined {
  if (!takesByItself(destination, stream) && !destination.streams.includes('address'))
    return { code: 'other_stream' };
  for (const { words, longerThanMm, heavierThanG } of destination.refuses) {
    if (words !== '' && !hasWords(asked.name, words)) continue;
    if (longerThanMm === null && heavierThanG === null)
      // A line without words or sizes says nothing.
      if (words === '') continue;
      else return { code: 'words', words };
    if (longerThanMm !== null && (asked.longestMm ?? 0) > longerThanMm)
      return { code: 'too_long', words, mostMm: longerThanMm };
    if (heavierThanG !== null && asked.massG / asked.count > heavierThanG)
      return { code: 'too_heavy', words, mostG: heavierThanG };
  }
  return undefined;
}

/** One way in minutes, with how it is known: typed for this home, the usual, by position, or not at all. */
export interface Way {
  readonly low: number;
  readonly likely: number;
  readonly high: number;
  readonly from: 'typed' | 'usual' | 'position' | 'unknown';
}
const EARTH_KM = 6371;
/** Streets are longer than straight lines, and towns are slow: assumed between these. */
const DETOUR = { low: 1.15, likely: 1.3, high: 1.6 } as const;
const KM_PER_MINUTE = { low: 45 / 60, likely: 32 / 60, high: 22 / 60 } as const;
/** Where nothing is known at all. */
const UNKNOWN_WAY: Way = { low: 5, likely: 20, high: 45, from: 'unknown' };

/** By the straight distance on the globe (haversine). */
export function straightKm(a: Position, b: Position): number {
  const rad = (degrees: number) => (degrees * Math.PI) / 180;
  const half =
    Math.sin(rad(b.latitude - a.latitude) / 2) ** 2 +
    Math.cos(rad(a.latitude)) *
      Math.cos(rad(b.latitude)) *
      Math.sin(rad(b.longitude - a.longitude) / 2) ** 2;
  return 2 * EARTH_KM * Math.asin(Math.min(1, Math.sqrt(half)));
}
const wayByPosition = (a: Position, b: Position): Way => {
  const km = straightKm(a, b);
  return {
    low: (km * DETOUR.low) / KM_PER_MINUTE.low,
    likely: (km * DETOUR.likely) / KM_PER_MINUTE.likely,
    high: (km * DETOUR.high) / KM_PER_MINUTE.high,
    from: 'position',
  };
};
const typedWay = (minutes: number, from: 'typed' | 'usual'): Way => ({
  low: minutes,
  likely: minutes,
  high: minutes,
  from,
});

interface HomeWays {
  readonly position: Position | null;
  readonly minutes: readonly { readonly destinationId: string; readonly minutes: number }[];
}
export function wayFromHome(
  home: HomeWays,
  destination: Pick<HaulDestination, 'id' | 'minutes' | 'position'>,
): Way {
  const own = home.minutes.find(({ destinationId }) => destinationId === destination.id);
  if (own) return typedWay(own.minutes, 'typed');
  if (home.position && destination.position)
    return wayByPosition(home.position, destination.position);
  return destination.minutes === null ? UNKNOWN_WAY : typedWay(destination.minutes, 'usual');
}
/** Between two destinations; where nothing is known as far as by the home, which is never too short. */
export function wayBetween(home: HomeWays, a: HaulDestination, b: HaulDestination): Way {
  const typed = a.between.find(({ id }) => id === b.id) ?? b.between.find(({ id }) => id === a.id);
  if (typed) return typedWay(typed.minutes, 'typed');
  if (a.position && b.position) return wayByPosition(a.position, b.position);
  const [first, second] = [wayFromHome(home, a), wayFromHome(home, b)];
  return {
    low: 0,
    likely: first.likely + second.likely,
    high: first.high + second.high,
    from: 'unknown',
  };
}

export interface Place {
  readonly destination: HaulDestination;
  readonly way: Way;
  readonly refusal: Refusal | undefined;
}

/**
 * Every destination of a thing's stream, those that take it first, the nearest first; what they do not
 * take behind, with the reason.
 */
export function placesFor(
  destinations: readonly HaulDestination[],
  home: HomeWays,
  { stream, asked }: { readonly stream: Stream; readonly asked: Asked },
): Place[] {
  return destinations
    .filter(({ streams }) => streams.includes(stream) || streams.includes('address'))
    .map((destination) => ({
      destination,
      way: wayFromHome(home, destination),
      refusal: refusalOf(destination, { stream, asked }),
    }))
    .sort(
      (x, y) =>
        Number(x.refusal !== undefined) - Number(y.refusal !== undefined) ||
        Number(takesByItself(y.destination, stream)) -
          Number(takesByItself(x.destination, stream)) ||
        x.way.likely - y.way.likely ||
        x.destination.name.localeCompare(y.destination.name),
    );
}
