import { keptMassGOf, type Group, type Thing } from '../sort';
import { isFragileGroup } from './groupFacts';

/** The schools that change where things live. */
export interface PlacingSchools {
  readonly grouping?: 'kind' | 'person' | 'task' | 'frequency';
  readonly living?: 'nearest' | 'together';
  /** Whether what is heavy and what breaks is placed with care; so it is where nobody chose. */
  readonly weight?: 'careful' | 'by-use';
}

/**
 * Seconds a week that a metre between two groups counts: said to belong together; of one person, or
 * of one task.
 */
const PAIR_WEIGHTS = { said: 6, school: 3 } as const;
/** To those who would rather have it all together, a metre between counts so many times as much. */
const TOGETHER_FACTOR = 3;
/** By frequency: daily things count more than their steps, rare ones less. */
const FREQUENCY = { daily: 7, dailyFactor: 2, rare: 1, rareFactor: 0.5 } as const;

/** What weighs more than this would crush what breaks, if both shared a place, in grams. */
const CRUSHING_G = 5000;
/** Why what is heavy and what breaks stand apart: the one reason that a row of their own settles. */
export const WOULD_CRUSH = 'one would crush the other';
export const isCareful = ({ weight }: PlacingSchools): boolean => weight !== 'by-use';

/** What breaks, apart from what is heavy and does not: neither stands on the other. */
export function partHeavyFromFragile(
  groups: readonly Group[],
  things: readonly Thing[],
  schools: PlacingSchools,
): { a: string; b: string; why: string }[] {
  if (!isCareful(schools)) return [];
  const fragile = groups.filter(isFragileGroup);
  const heavy = groups.filter(
    (group) => !isFragileGroup(group) && keptMassGOf(group, things) > CRUSHING_G,
  );
  return fragile.flatMap((group) =>
    heavy.map(({ id }) => ({ a: group.id, b: id, why: WOULD_CRUSH })),
  );
}

/** Seconds a week that a metre between two groups of one person or one task counts. */
export const schoolWeightOf = ({ living }: PlacingSchools): number =>
  PAIR_WEIGHTS.school * factorOf(living);
const factorOf = (living: PlacingSchools['living']): number =>
  living === 'together' ? TOGETHER_FACTOR : 1;

/** Uses as they count to a school. */
export function scaleUses(usesPerWeek: number, { grouping }: PlacingSchools): number {
  if (grouping !== 'frequency') return usesPerWeek;
  if (usesPerWeek >= FREQUENCY.daily) return usesPerWeek * FREQUENCY.dailyFactor;
  return usesPerWeek < FREQUENCY.rare ? usesPerWeek * FREQUENCY.rareFactor : usesPerWeek;
}

/**
 * Groups that should live near each other, and how much: those said to belong together, and by the
 * school one person's or one task's.
 */
export function pairBySchool(
  groups: readonly Group[],
  { grouping, living }: PlacingSchools,
): { a: string; b: string; weight: number }[] {
  const factor = factorOf(living);
  const weights = new Map<string, { a: string; b: string; weight: number }>();
  const pair = (a: string, b: string, weight: number) => {
    const [first, second] = a < b ? [a, b] : [b, a];
    const known = weights.get(`${first} ${second}`);
    if (!known || known.weight < weight * factor)
      weights.set(`${first} ${second}`, { a: first, b: second, weight: weight * factor });
  };
  const ids = new Set(groups.map(({ id }) => id));
  for (const group of groups)
    for (const id of group.placing.withIds)
      if (id !== group.id && ids.has(id)) pair(group.id, id, PAIR_WEIGHTS.said);
  const keyOf = (group: Group): string | undefined => {
    if (grouping === 'person')
      return group.placing.userIds.length === 1 ? group.placing.userIds[0] : undefined;
    return grouping === 'task' ? (group.placing.stationId ?? undefined) : undefined;
  };
  groups.forEach((group, i) =>
    groups.slice(i + 1).forEach((other) => {
      const key = keyOf(group);
      if (key !== undefined && key === keyOf(other)) pair(group.id, other.id, PAIR_WEIGHTS.school);
    }),
  );
  return [...weights.values()];
}
