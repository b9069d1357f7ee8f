import { reachOf, reachSeconds } from '../look';
import { areasOf, type ZoneRule } from './zonesAnswer';
import type { ZoneBay, ZoneGroup, ZonePerson, ZonesRequest } from './zonesModel';

/** A request as arrays: groups and bays by their place in it, a pair (g, b) at `g * bayCount + b`. */
export interface ZonesProblem {
  readonly groupCount: number;
  readonly bayCount: number;
  /** Seconds a week of a group in a bay; Infinity where it must not stand. */
  readonly cost: Float64Array;
  /** Bays in which a group may stand, the cheapest first. */
  readonly allowed: readonly Int32Array[];
  readonly litres: Float64Array;
  readonly massG: Float64Array;
  readonly bayLitres: Float64Array;
  readonly bayMassG: Float64Array;
  /** Metres in plan between two bays, at `b * bayCount + c`. */
  readonly metres: Float64Array;
  readonly partners: readonly (readonly { readonly other: number; readonly weight: number }[])[];
  /** Each pair once, its weights added up. */
  readonly pairs: readonly { readonly a: number; readonly b: number; readonly weight: number }[];
  /** Groups that never share a bay with this one. */
  readonly foes: readonly (readonly number[])[];
}

const WALK_M_PER_S = 1.2;
export const BACK_ROW_S = 3;
/** From here on a child does not reach what is dangerous, mm. */
export const HIGH_MM = 1500;
/** Litres and grams are added up in any order; sums that differ by less than this are the same. */
export const SUM_TOLERANCE = 1e-9;

export const massOf = (group: Pick<ZoneGroup, 'massG' | 'litres'>): number =>
  group.massG ?? group.litres * 300;

/** A bay or a station. */
interface Spot {
  readonly x: number;
  readonly y: number;
  readonly areaId?: string | undefined;
}
type Distances = NonNullable<ZonesRequest['distances']>;
const metresByAreas = new WeakMap<Distances, ReadonlyMap<string, number>>();
const keyOf = (from: string, to: string): string => JSON.stringify([from, to]);

/** Metres by both areas, whichever way they are told. */
function readDistances(
  request: Pick<ZonesRequest, 'bays' | 'stations'>,
  distances: Distances,
): ReadonlyMap<string, number> {
  const known = metresByAreas.get(distances);
  if (known) return known;
  const metres = new Map<string, number>();
  const say = (from: string, to: string, value: number) => {
    metres.set(keyOf(from, to), value);
    metres.set(keyOf(to, from), value);
  };
  const areas = areasOf(request);
  distances.forEach((row, i) => {
    if (typeof row[0] === 'string') say(row[0], String(row[1]), Number(row[2]));
    else
      row.forEach((value, j) => {
        if (i !== j) say(areas[i] ?? '', areas[j] ?? '', Number(value));
      });
  });
  metresByAreas.set(distances, metres);
  return metres;
}

/**
 * Metres on foot from one to the other: by `distances` between their two areas, straight in plan
 * within an area and where nothing is said.
 */
export function metresBetween(
  request: Pick<ZonesRequest, 'bays' | 'stations' | 'distances'>,
  a: Spot,
  b: Spot,
): number {
  const said =
    request.distances && a.areaId !== undefined && b.areaId !== undefined && a.areaId !== b.areaId
      ? readDistances(request, request.distances).get(keyOf(a.areaId, b.areaId))
      : undefined;
  return said ?? Math.hypot(a.x - b.x, a.y - b.y) / 1000;
}

type People = ZonesRequest['people'];
/** What is asked once a pair of group and bay, and is the same for all bays: worked out once. */
const usersOfGroups = new WeakMap<People, WeakMap<object, readonly ZonePerson[]>>();
const children = new WeakMap<People, boolean>();
const stationsById = new WeakMap<
  ZonesRequest['stations'],
  ReadonlyMap<string, ZonesRequest['stations'][number]>
>();

/** What is known of `key`, or what `make` makes of it, kept as long as the key is. */
function once<K extends object, V>(known: WeakMap<K, V>, key: K, make: () => V): V {
  const before = known.get(key);
  if (before !== undefined) return before;
  const made = make();
  known.set(key, made);
  return made;
}

/** Who is meant by a group's users; the schema made sure that they are there. */
export const usersOf = (
  { people }: Pick<ZonesRequest, 'people'>,
  group: Pick<ZoneGroup, 'userIds'>,
): readonly ZonePerson[] =>
  once(
    once(usersOfGroups, people, () => new WeakMap()),
    group,
    () => people.filter(({ id }) => group.userIds.includes(id)),
  );

const hasChildIn = ({ people }: Pick<ZonesRequest, 'people'>): boolean =>
  once(children, people, () => people.some(({ child }) => child));

const stationOf = ({ stations }: Pick<ZonesRequest, 'stations'>, id: string) =>
  once(stationsById, stations, () => new Map(stations.map((each) => [each.id, each]))).get(id);

const meanOf = (values: readonly number[]): number =>
  values.reduce((sum, value) => sum + value, 0) / Math.max(1, values.length);

/** From here on a group is lifted with care: the grams, and the seconds a kilogram where it is low or high. */
const HEAVY_G = 5000;
const LIFT_S_PER_KG = 0.2;
/** Lower than the first and higher than the second share of body height a lift is hard on the back. */
const LOW_LIFT_RATIO = 0.25;
const HIGH_LIFT_RATIO = 0.82;
/** What breaks never stands above this share of its tallest user's height. */
const BREAKS_BELOW_RATIO = 1.05;

/** Seconds by which one use is harder since something heavy is lifted low or high; 0 if not counted. */
function liftSeconds(request: ZonesRequest, group: ZoneGroup, bay: ZoneBay): number {
  const grams = massOf(group);
  if (!request.lifts || grams <= HEAVY_G) return 0;
  const hard = usersOf(request, group).map(({ heightMm }) => {
    const ratio = bay.z / heightMm;
    return ratio < LOW_LIFT_RATIO || ratio > HIGH_LIFT_RATIO ? 1 : 0;
  });
  return meanOf(hard) * (grams / 1000) * LIFT_S_PER_KG;
}

/** Seconds that one use is longer since some look for it in another bay first. */
const soughtSeconds = ({ sought = [] }: ZoneGroup, bay: ZoneBay): number =>
  sought.reduce(
    (sum, { bayId, share, seconds }) => sum + (bayId === bay.id ? 0 : share * seconds),
    0,
  );

/**
 * Seconds that one use of a group in a bay takes: there and back, a reach by whoever uses it, the lift of
 * something heavy where the request counts it, and the looking elsewhere first where that is known.
 */
export function secondsOfUse(request: ZonesRequest, group: ZoneGroup, bay: ZoneBay): number {
  const station = stationOf(request, group.stationId);
  const metres = station ? metresBetween(request, station, bay) : 0;
  return (
    (2 * metres) / WALK_M_PER_S +
    meanOf(usersOf(request, group).map(({ heightMm }) => reachSeconds(reachOf(bay.z, heightMm)))) +
    (bay.row === 'back' ? BACK_ROW_S : 0) +
    liftSeconds(request, group, bay) +
    soughtSeconds(group, bay)
  );
}

/**
 * The hard rules, of one group in one bay, that would be broken; what depends on others is not
 * among them.
 */
export function brokenRules(request: ZonesRequest, group: ZoneGroup, bay: ZoneBay): ZoneRule[] {
  const users = usersOf(request, group);
  const needsStep = ({ heightMm }: ZonePerson) => reachOf(bay.z, heightMm) === 'step';
  const broken: ZoneRule[] = [];
  if (group.litres > bay.litres + SUM_TOLERANCE) broken.push('litres');
  if (bay.maxLoadG !== undefined && massOf(group) > bay.maxLoadG + SUM_TOLERANCE)
    broken.push('load');
  if (group.hazard !== undefined && hasChildIn(request) && !bay.locked && bay.z < HIGH_MM)
    broken.push('hazard');
  if (group.avoid.some((trait) => bay[trait])) broken.push('avoid');
  if (group.selfServe && users.some(needsStep)) broken.push('self_serve');
  if (users.some((user) => (user.noStep || user.child) && needsStep(user))) broken.push('step');
  if (
    group.breaks &&
    bay.z > BREAKS_BELOW_RATIO * Math.max(0, ...users.map(({ heightMm }) => heightMm))
  )
    broken.push('breaks');
  if (group.fixedBayId !== undefined && group.fixedBayId !== bay.id) broken.push('pin');
  if (group.onlyBayIds && !group.onlyBayIds.includes(bay.id)) broken.push('kept_in');
  return broken;
}

/** Works a request out into arrays. O(groups × bays × users + bays²). */
export function createZonesProblem(request: ZonesRequest): ZonesProblem {
  const { groups, bays } = request;
  const [groupCount, bayCount] = [groups.length, bays.length];
  const cost = new Float64Array(groupCount * bayCount).fill(Infinity);
  const allowed = groups.map((group, g) => {
    const list = bays.flatMap((bay, b) => {
      if (brokenRules(request, group, bay).length > 0) return [];
      cost[g * bayCount + b] = group.usesPerWeek * secondsOfUse(request, group, bay);
      return [b];
    });
    return Int32Array.from(
      list.sort((a, b) => cost[g * bayCount + a]! - cost[g * bayCount + b]! || a - b),
    );
  });
  const metres = new Float64Array(bayCount * bayCount);
  bays.forEach((bay, b) =>
    bays.forEach((other, c) => {
      metres[b * bayCount + c] = metresBetween(request, bay, other);
    }),
  );
  const indexOf = new Map(groups.map(({ id }, g) => [id, g]));
  const pairs = mergePairs(request, indexOf);
  const partners: { other: number; weight: number }[][] = groups.map(() => []);
  for (const { a, b, weight } of pairs) {
    partners[a]?.push({ other: b, weight });
    partners[b]?.push({ other: a, weight });
  }
  return {
    groupCount,
    bayCount,
    cost,
    allowed,
    metres,
    pairs,
    partners,
    foes: findFoes(request, indexOf),
    litres: Float64Array.from(groups, ({ litres }) => litres),
    massG: Float64Array.from(groups, massOf),
    bayLitres: Float64Array.from(bays, ({ litres }) => litres),
    bayMassG: Float64Array.from(bays, ({ maxLoadG }) => maxLoadG ?? Infinity),
  };
}

function mergePairs(
  request: ZonesRequest,
  indexOf: ReadonlyMap<string, number>,
): ZonesProblem['pairs'] {
  const weights = new Map<string, { a: number; b: number; weight: number }>();
  for (const { a, b, weight } of request.together) {
    const [first, second] = [indexOf.get(a) ?? 0, indexOf.get(b) ?? 0].sort((x, y) => x - y) as [
      number,
      number,
    ];
    const known = weights.get(`${first} ${second}`);
    if (known) known.weight += weight;
    else weights.set(`${first} ${second}`, { a: first, b: second, weight });
  }
  return [...weights.values()].filter(({ weight }) => weight > 0);
}

/** Groups that are kept apart, and chemicals from food. */
function findFoes(request: ZonesRequest, indexOf: ReadonlyMap<string, number>): number[][] {
  const foes = request.groups.map(() => new Set<number>());
  const part = (a: number, b: number) => {
    foes[a]?.add(b);
    foes[b]?.add(a);
  };
  for (const { a, b } of request.apart) part(indexOf.get(a) ?? 0, indexOf.get(b) ?? 0);
  request.groups.forEach((chemical, a) =>
    request.groups.forEach((food, b) => {
      if (chemical.hazard === 'chemical' && food.food && a !== b) part(a, b);
    }),
  );
  return foes.map((set) => [...set]);
}

/** A plain loop: it is called in every step of the bounds. */
export function sumOf(values: Float64Array): number {
  let sum = 0;
  for (let i = 0; i < values.length; i += 1) sum += values[i]!;
  return sum;
}

/** The objective of a whole assignment. */
export function costOfZones(
  { cost, bayCount, pairs, metres }: ZonesProblem,
  bayOf: ArrayLike<number>,
): number {
  let sum = 0;
  for (let g = 0; g < bayOf.length; g += 1) sum += cost[g * bayCount + (bayOf[g] ?? 0)] ?? Infinity;
  for (const { a, b, weight } of pairs)
    sum += weight * metres[(bayOf[a] ?? 0) * bayCount + (bayOf[b] ?? 0)]!;
  return sum;
}
