import type { Unit } from '../look';
import { usableLitresOf } from '../look';
import { seasonOf } from '../place';
import type { Routine, SetUp } from '../setUp';
import { isKept, keptLitresOf, waitsForDay, dayOf, type Group, type Thing } from '../sort';

/** One thing that keeps a room as it is, with what it is about; the screen words it. */
export type KeepUp =
  /** Back stock refills the open one. */
  | { readonly code: 'refill'; readonly groupName: string; readonly bayName: string }
  /** A bin of a routine, and when it is emptied. */
  | { readonly code: 'empty'; readonly bin: string; readonly who: string; readonly when: string }
  /** Comes to the front when its season begins. */
  | { readonly code: 'season'; readonly groupName: string; readonly month: number }
  /** So full that something goes when something comes. */
  | { readonly code: 'one_in_one_out'; readonly bayName: string; readonly fullPercent: number }
  | { readonly code: 'liner'; readonly bayName: string }
  /** What runs out next of what is kept. */
  | { readonly code: 'dates'; readonly name: string; readonly day: string }
  | { readonly code: 'later'; readonly count: number; readonly day: string }
  /** Used daily: put back first. */
  | { readonly code: 'front'; readonly groupName: string };

export interface KeepUpFacts {
  readonly units: readonly Unit[];
  readonly groups: readonly Group[];
  readonly things: readonly Thing[];
  readonly routines: readonly Routine[];
  readonly setUp: Pick<SetUp, 'liners'> | undefined;
  /** What ran out, or was to be decided, before this day is no advice for the time to come. */
  readonly today: string;
}

export const KEEP_UP_LINES = 5;
/** From so full on, a place keeps only where something goes for what comes; an assumption. */
const FULL_SHARE = 0.85;

/**
 * How a room is kept up, five lines at most, derived from what was chosen for it: one of each kind first, the
 * fullest places and the nearest days first, so that no kind takes all the lines. O(groups × things).
 */
export function keepUpOf(facts: KeepUpFacts): KeepUp[] {
  const kinds = [
    refills(facts),
    empties(facts),
    seasons(facts),
    fullPlaces(facts),
    liners(facts),
    dates(facts),
    laters(facts),
    fronts(facts),
  ];
  const longest = Math.max(...kinds.map(({ length }) => length));
  const inTurn = Array.from({ length: longest }, (_, i) => kinds.flatMap((kind) => kind[i] ?? []));
  return inTurn.flat().slice(0, KEEP_UP_LINES);
}

const baysOf = ({ units }: KeepUpFacts) =>
  units.flatMap((unit) => unit.bays.map((bay) => ({ bay, name: `${unit.name}, ${bay.name}` })));
const bayNameOf = (facts: KeepUpFacts, bayId: string | null): string | undefined =>
  baysOf(facts).find(({ bay }) => bay.id === bayId)?.name;

function refills(facts: KeepUpFacts): KeepUp[] {
  return facts.groups.flatMap((group) => {
    const bayName = bayNameOf(facts, group.bayId);
    return group.placing.isBackStock && bayName !== undefined
      ? [{ code: 'refill' as const, groupName: group.name, bayName }]
      : [];
  });
}

const empties = ({ routines }: KeepUpFacts): KeepUp[] =>
  routines.flatMap(({ steps }) =>
    steps.flatMap(({ bin, who, when }) =>
      bin === '' || when === '' ? [] : [{ code: 'empty' as const, bin, who, when }],
    ),
  );

const seasons = ({ groups }: KeepUpFacts): KeepUp[] =>
  groups.flatMap((group) => {
    const season = seasonOf(group);
    return season ? [{ code: 'season' as const, groupName: group.name, month: season.from }] : [];
  });

function fullPlaces(facts: KeepUpFacts): KeepUp[] {
  return baysOf(facts)
    .map(({ bay, name }) => {
      const litres = facts.groups
        .filter(({ bayId }) => bayId === bay.id)
        .reduce((sum, group) => sum + keptLitresOf(group, facts.things), 0);
      return { name, share: litres / usableLitresOf(bay) };
    })
    .filter(({ share }) => share >= FULL_SHARE && Number.isFinite(share))
    .sort((a, b) => b.share - a.share)
    .map(({ name, share }) => ({
      code: 'one_in_one_out' as const,
      bayName: name,
      fullPercent: Math.round(share * 100),
    }));
}

const liners = (facts: KeepUpFacts): KeepUp[] =>
  (facts.setUp?.liners ?? []).flatMap(({ bayId }) => {
    const bayName = bayNameOf(facts, bayId);
    return bayName === undefined ? [] : [{ code: 'liner' as const, bayName }];
  });

const dates = ({ things, today }: KeepUpFacts): KeepUp[] =>
  things
    .flatMap((thing) =>
      thing.expiresOn !== undefined && thing.expiresOn >= today && isKept(thing)
        ? [{ code: 'dates' as const, name: thing.name, day: thing.expiresOn }]
        : [],
    )
    .sort((a, b) => a.day.localeCompare(b.day));

function laters({ things, today }: KeepUpFacts): KeepUp[] {
  const byDay = new Map<string, number>();
  for (const thing of things) {
    const day = waitsForDay(thing) ? dayOf(thing) : undefined;
    if (day !== undefined && day >= today) byDay.set(day, (byDay.get(day) ?? 0) + thing.count);
  }
  return [...byDay]
    .sort(([a], [b]) => a.localeCompare(b))
    .map(([day, count]) => ({ code: 'later' as const, day, count }));
}

const fronts = ({ groups }: KeepUpFacts): KeepUp[] =>
  groups
    .filter(({ front, bayId }) => front && bayId !== null)
    .map(({ name }) => ({ code: 'front' as const, groupName: name }));
