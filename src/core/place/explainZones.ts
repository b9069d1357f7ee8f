import { reachOf, reachSeconds } from '../look';
import type {
  BrokenRule,
  GroupReason,
  PinsReason,
  ZoneRule,
  ZonesReason,
  ZoneWhy,
} from './zonesAnswer';
import type { ZoneBay, ZoneGroup, ZonesRequest } from './zonesModel';
import {
  brokenRules,
  HIGH_MM,
  massOf,
  metresBetween,
  secondsOfUse,
  SUM_TOLERANCE,
  usersOf,
  type ZonesProblem,
} from './zonesProblem';

/** What an arrangement asks of the household in a week, without the `together` terms. */
interface ZonesTotals {
  readonly secondsPerWeek: number;
  readonly walkedMetresPerWeek: number;
  readonly bendsPerWeek: number;
  readonly stretchesPerWeek: number;
}

const bayAt = (request: ZonesRequest, bayOf: ArrayLike<number>, g: number): ZoneBay =>
  request.bays[bayOf[g] ?? 0] as ZoneBay;
const stationOf = (request: ZonesRequest, group: ZoneGroup) =>
  request.stations.find(({ id }) => id === group.stationId) ?? { name: '', x: 0, y: 0 };

/**
 * Adds up seconds, metres, bends and stretches; metres there and back, the others as means over the
 * users.
 */
export function totalsOfZones(request: ZonesRequest, bayOf: ArrayLike<number>): ZonesTotals {
  const totals = {
    secondsPerWeek: 0,
    walkedMetresPerWeek: 0,
    bendsPerWeek: 0,
    stretchesPerWeek: 0,
  };
  request.groups.forEach((group, g) => {
    const week = weekOfUse(request, group, bayAt(request, bayOf, g));
    for (const key of Object.keys(totals) as (keyof ZonesTotals)[]) totals[key] += week[key];
  });
  return totals;
}

/** What a group in a bay asks of the household in a week. */
export function weekOfUse(request: ZonesRequest, group: ZoneGroup, bay: ZoneBay): ZonesTotals {
  const reaches = usersOf(request, group).map(({ heightMm }) => reachOf(bay.z, heightMm));
  const share = (...names: readonly string[]) =>
    reaches.filter((reach) => names.includes(reach)).length / Math.max(1, reaches.length);
  return {
    secondsPerWeek: group.usesPerWeek * secondsOfUse(request, group, bay),
    walkedMetresPerWeek:
      group.usesPerWeek * 2 * metresBetween(request, stationOf(request, group), bay),
    bendsPerWeek: group.usesPerWeek * share('squat', 'bend'),
    stretchesPerWeek: group.usesPerWeek * share('stretch'),
  };
}

/** For each group the one thing that put it where it is. */
export function explainZones(
  request: ZonesRequest,
  problem: ZonesProblem,
  bayOf: ArrayLike<number>,
): ZoneWhy[] {
  const { cost, allowed, bayCount } = problem;
  return request.groups.map((group, g): ZoneWhy => {
    const b = bayOf[g] ?? 0;
    const bay = bayAt(request, bayOf, g);
    const list = allowed[g] as Int32Array;
    const own = (at: number) => cost[g * bayCount + at] ?? Infinity;
    const station = stationOf(request, group);
    const stationMetres = round(metresBetween(request, station, bay));
    const facts = { metres: stationMetres, seconds: round(own(b)) };
    if (group.fixedBayId !== undefined) return { groupId: group.id, code: 'pinned', facts };
    if (list.length === 1) return { groupId: group.id, code: 'only_place', facts };
    const cheapest = list[0] ?? b;
    if (own(b) > own(cheapest) + 1e-9)
      return whyNotCheapest(request, problem, { g, bayOf, cheapest, facts });
    // Where it would be but for its being dangerous.
    const free = { ...group, hazard: undefined };
    const isKeptSafe =
      group.hazard !== undefined &&
      request.bays.some(
        (other) =>
          brokenRules(request, free as ZoneGroup, other).length === 0 &&
          group.usesPerWeek * secondsOfUse(request, group, other) < own(b) - 1e-9,
      );
    if (isKeptSafe)
      return {
        groupId: group.id,
        code: 'kept_safe',
        facts: { ...facts, heightMm: bay.z, locked: bay.locked ? 'yes' : 'no' },
      };
    const reach =
      usersOf(request, group).reduce(
        (sum, { heightMm }) => sum + reachSeconds(reachOf(bay.z, heightMm)),
        0,
      ) / Math.max(1, group.userIds.length);
    const isNearer = [...list].some(
      (other) =>
        metresBetween(request, station, request.bays[other] as ZoneBay) <
        metresBetween(request, station, bay) - 1e-9,
    );
    return {
      groupId: group.id,
      code: isNearer ? 'in_reach' : 'near_station',
      facts: { ...facts, reachSeconds: round(reach), station: station.name },
    };
  });
}

interface Dearer {
  readonly g: number;
  readonly bayOf: ArrayLike<number>;
  readonly cheapest: number;
  readonly facts: ZoneWhy['facts'];
}

/** What keeps a group from the bay that would be its cheapest. */
function whyNotCheapest(
  request: ZonesRequest,
  { cost, bayCount, partners, metres, foes }: ZonesProblem,
  { g, bayOf, cheapest, facts }: Dearer,
): ZoneWhy {
  const b = bayOf[g] ?? 0;
  const groupId = request.groups[g]?.id ?? '';
  const idOf = (other: number) => request.groups[other]?.id ?? '';
  const metresTo = (from: number, other: number) =>
    metres[from * bayCount + (bayOf[other] ?? 0)] ?? 0;
  const more = (cost[g * bayCount + b] ?? 0) - (cost[g * bayCount + cheapest] ?? 0);
  const own = partners[g] ?? [];
  const saved = own.reduce(
    (sum, { other, weight }) => sum + weight * (metresTo(cheapest, other) - metresTo(b, other)),
    0,
  );
  const nearest = [...own].sort((x, y) => y.weight - x.weight)[0];
  if (nearest && saved >= more - 1e-9)
    return {
      groupId,
      code: 'with_partner',
      facts: {
        ...facts,
        partnerId: idOf(nearest.other),
        partnerMetres: round(metresTo(b, nearest.other)),
      },
    };
  const wouldBe = {
    ...facts,
    moreSeconds: round(more),
    wouldBeBayId: request.bays[cheapest]?.id ?? '',
  };
  const foe = (foes[g] ?? []).find((other) => bayOf[other] === cheapest);
  return foe === undefined
    ? { groupId, code: 'made_room', facts: wouldBe }
    : { groupId, code: 'kept_apart', facts: { ...wouldBe, fromId: idOf(foe) } };
}

const round = (value: number): number => Math.round(value * 100) / 100;

/**
 * What makes it impossible, as far as it can be seen group by group and in sums; empty where
 * nothing is seen.
 */
export function findZoneFaults(request: ZonesRequest): ZonesReason[] {
  const { groups, bays } = request;
  if (groups.length > 0 && bays.length === 0) return [{ code: 'no_bays', subject: '' }];
  const single = groups.flatMap((group) => findGroupFault(request, group) ?? []);
  if (single.length > 0) return single;
  const pins = bays.flatMap((bay) => findPinFaults(request, bay));
  return pins.length > 0 ? pins : findSumFault(request);
}

/** What is pinned to a bay and does not go there together. */
function findPinFaults(request: ZonesRequest, bay: ZoneBay): PinsReason[] {
  const subject = bay.id;
  const pinned = request.groups.filter(({ fixedBayId }) => fixedBayId === bay.id);
  const faults: PinsReason[] = [];
  const needLitres = litresOf(pinned);
  const massG = massOfAll(pinned);
  if (needLitres > bay.litres + SUM_TOLERANCE)
    faults.push({ code: 'pins_overfill_bay', subject, needLitres, hasLitres: bay.litres });
  else if (bay.maxLoadG !== undefined && massG > bay.maxLoadG + SUM_TOLERANCE)
    faults.push({ code: 'pins_overload_bay', subject, massG, bearsG: bay.maxLoadG });
  const isPinned = (id: string) => pinned.some((group) => group.id === id);
  for (const { a, b, why } of request.apart)
    if (isPinned(a) && isPinned(b))
      faults.push({ code: 'pins_clash', subject, groupIds: [a, b], why });
  const chemical = pinned.find(({ hazard }) => hazard === 'chemical');
  const food = pinned.find((group) => group.food);
  if (chemical && food)
    faults.push({
      code: 'pins_clash',
      subject,
      groupIds: [chemical.id, food.id],
      why: undefined,
    });
  return faults;
}

/** More of everything than all bays together take. */
function findSumFault({ groups, bays }: ZonesRequest): ZonesReason[] {
  const needLitres = litresOf(groups);
  const haveLitres = litresOf(bays);
  if (needLitres > haveLitres + SUM_TOLERANCE)
    return [{ code: 'not_enough_litres', subject: '', needLitres, haveLitres }];
  const massG = massOfAll(groups);
  const bearG = bays.reduce((sum, bay) => sum + (bay.maxLoadG ?? Infinity), 0);
  if (massG > bearG + SUM_TOLERANCE)
    return [{ code: 'not_enough_load', subject: '', massG, bearG }];
  return [];
}

/** Why no bay may hold a group, whatever else stands where; undefined where one may. */
export function findGroupFault(request: ZonesRequest, group: ZoneGroup): GroupReason | undefined {
  const { bays } = request;
  if (bays.some((bay) => brokenRules(request, group, bay).length === 0)) return undefined;
  const subject = group.id;
  const brokenIn = bays.map((bay) => ({ bay, rules: brokenRules(request, group, bay) }));
  const withFacts = ({ bay, rules }: (typeof brokenIn)[number]) => ({
    bayId: bay.id,
    broken: rules.map((rule) => factsOf(rule, group, bay)),
  });
  const pinned = brokenIn.find(({ bay }) => bay.id === group.fixedBayId);
  if (pinned) return { code: 'pin_breaks_rule', subject, ...withFacts(pinned) };
  const kept = group.onlyBayIds && bays.filter(({ id }) => group.onlyBayIds?.includes(id));
  const [first] = brokenIn;
  if (kept?.length === 0 || !first) return { code: 'kept_to_no_bay', subject };
  // Where it is kept to some bays, the others say nothing of why.
  if (kept && kept.length < bays.length) {
    const fault = findGroupFault({ ...request, bays: kept }, group);
    return fault && { ...fault, keptToBays: kept.length };
  }
  const areAll = (...codes: readonly ZoneRule[]) =>
    brokenIn.every(({ rules }) => rules.some((rule) => codes.includes(rule)));
  if (areAll('litres')) {
    const largest = bays.reduce((most, bay) => (bay.litres > most.litres ? bay : most));
    return {
      code: 'larger_than_every_bay',
      subject,
      litres: group.litres,
      largestBayId: largest.id,
      largestLitres: largest.litres,
    };
  }
  if (areAll('litres', 'load'))
    return { code: 'heavier_than_every_bay', subject, massG: massOf(group) };
  const lacksOnly = (...codes: readonly ZoneRule[]) =>
    brokenIn.some(({ rules }) => rules.every((rule) => codes.includes(rule)));
  if (lacksOnly('self_serve', 'step')) return { code: 'nobody_reaches', subject };
  if (lacksOnly('hazard')) return { code: 'no_safe_place', subject, safeFromMm: HIGH_MM };
  return { code: 'no_fit_place', subject, ...withFacts(first) };
}

function factsOf(rule: ZoneRule, group: ZoneGroup, bay: ZoneBay): BrokenRule {
  switch (rule) {
    case 'litres':
      return { rule, needLitres: group.litres, hasLitres: bay.litres };
    case 'load':
      return { rule, massG: massOf(group), bearsG: bay.maxLoadG ?? Infinity };
    case 'hazard':
      return { rule, safeFromMm: HIGH_MM };
    case 'avoid':
      return { rule, traits: group.avoid };
    default:
      return { rule };
  }
}

const litresOf = (list: readonly { readonly litres: number }[]): number =>
  list.reduce((sum, { litres }) => sum + litres, 0);
const massOfAll = (groups: readonly ZoneGroup[]): number =>
  groups.reduce((sum, group) => sum + massOf(group), 0);
