import { reachOf, reachSeconds } from '../look';
import type { ZoneBay, ZoneGroup, ZonesReason, ZonesRequest, ZoneWhy } from './zonesModel';
import {
  brokenRules,
  massOf,
  metresBetween,
  secondsOfUse,
  SUM_TOLERANCE,
  usersOf,
  type ZonesProblem,
} from './zonesProblem';
import { formatNumber } from '../shared';

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
    walkedMetresPerWeek: group.usesPerWeek * 2 * metresBetween(stationOf(request, group), bay),
    bendsPerWeek: group.usesPerWeek * share('squat', 'bend'),
    stretchesPerWeek: group.usesPerWeek * share('stretch'),
  };
}

/** For each group the one thing that put it where it is. */
export function explainZones(
  request: ZonesRequest,
  { cost, allowed, bayCount, partners, metres }: ZonesProblem,
  bayOf: ArrayLike<number>,
): ZoneWhy[] {
  return request.groups.map((group, g): ZoneWhy => {
    const b = bayOf[g] ?? 0;
    const bay = bayAt(request, bayOf, g);
    const list = allowed[g] as Int32Array;
    const own = (at: number) => cost[g * bayCount + at] ?? Infinity;
    const station = stationOf(request, group);
    const stationMetres = round(metresBetween(station, bay));
    const facts = { metres: stationMetres, seconds: round(own(b)) };
    if (group.fixedBayId !== undefined) return { groupId: group.id, code: 'pinned', facts };
    if (list.length === 1) return { groupId: group.id, code: 'only_place', facts };
    const cheapest = list[0] ?? b;
    if (own(b) > own(cheapest) + 1e-9) {
      const more = own(b) - own(cheapest);
      const saved = (partners[g] ?? []).reduce(
        (sum, { other, weight }) =>
          sum +
          weight *
            ((metres[cheapest * bayCount + (bayOf[other] ?? 0)] ?? 0) -
              (metres[b * bayCount + (bayOf[other] ?? 0)] ?? 0)),
        0,
      );
      const nearest = [...(partners[g] ?? [])].sort((x, y) => y.weight - x.weight)[0];
      if (nearest && saved >= more - 1e-9)
        return {
          groupId: group.id,
          code: 'with_partner',
          facts: {
            ...facts,
            partnerId: request.groups[nearest.other]?.id ?? '',
            partnerMetres: round(metres[b * bayCount + (bayOf[nearest.other] ?? 0)] ?? 0),
          },
        };
      return {
        groupId: group.id,
        code: 'made_room',
        facts: {
          ...facts,
          moreSeconds: round(more),
          wouldBeBayId: request.bays[cheapest]?.id ?? '',
        },
      };
    }
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
        metresBetween(station, request.bays[other] as ZoneBay) < metresBetween(station, bay) - 1e-9,
    );
    return {
      groupId: group.id,
      code: isNearer ? 'in_reach' : 'near_station',
      facts: { ...facts, reachSeconds: round(reach), station: station.name },
    };
  });
}

const round = (value: number): number => Math.round(value * 100) / 100;

/**
 * What makes it impossible, as far as it can be seen group by group and in sums; empty where
 * nothing is seen.
 */
export function findZoneFaults(request: ZonesRequest): ZonesReason[] {
  const { groups, bays } = request;
  if (groups.length > 0 && bays.length === 0)
    return [{ code: 'no_bays', message: 'There is no bay to put anything in.', subject: '' }];
  const single = groups.flatMap((group) => findGroupFault(request, group) ?? []);
  if (single.length > 0) return single;
  const faults: ZonesReason[] = [];
  for (const bay of bays) {
    const pinned = groups.filter(({ fixedBayId }) => fixedBayId === bay.id);
    const litres = pinned.reduce((sum, group) => sum + group.litres, 0);
    const massG = pinned.reduce((sum, group) => sum + massOf(group), 0);
    if (litres > bay.litres + SUM_TOLERANCE)
      faults.push({
        code: 'pins_overfill_bay',
        subject: bay.id,
        message: `What is pinned to ${bay.id} needs ${say(litres)} l, it holds ${say(bay.litres)} l.`,
      });
    else if (bay.maxLoadG !== undefined && massG > bay.maxLoadG + SUM_TOLERANCE)
      faults.push({
        code: 'pins_overfill_bay',
        subject: bay.id,
        message: `What is pinned to ${bay.id} weighs ${say(massG / 1000)} kg, it bears ${say(bay.maxLoadG / 1000)} kg.`,
      });
    const isPinned = (id: string) => pinned.some((group) => group.id === id);
    for (const { a, b, why } of request.apart)
      if (isPinned(a) && isPinned(b))
        faults.push({
          code: 'pins_clash',
          subject: bay.id,
          message: `${nameOf(request, a)} and ${nameOf(request, b)} are pinned to ${bay.id} and must be apart: ${why}.`,
        });
    const [chemical, food] = [
      pinned.find(({ hazard }) => hazard === 'chemical'),
      pinned.find((group) => group.food),
    ];
    if (chemical && food)
      faults.push({
        code: 'pins_clash',
        subject: bay.id,
        message: `${chemical.name} are chemicals and ${food.name} is food: they are pinned to the same bay ${bay.id}.`,
      });
  }
  if (faults.length > 0) return faults;
  const [needL, haveL] = [
    groups.reduce((sum, group) => sum + group.litres, 0),
    bays.reduce((sum, bay) => sum + bay.litres, 0),
  ];
  if (needL > haveL + SUM_TOLERANCE)
    return [
      {
        code: 'not_enough_litres',
        subject: '',
        message: `Everything together needs ${say(needL)} l, the bays hold ${say(haveL)} l: ${say(needL - haveL)} l are missing.`,
      },
    ];
  const [needG, haveG] = [
    groups.reduce((sum, group) => sum + massOf(group), 0),
    bays.reduce((sum, bay) => sum + (bay.maxLoadG ?? Infinity), 0),
  ];
  if (needG > haveG + SUM_TOLERANCE)
    return [
      {
        code: 'not_enough_load',
        subject: '',
        message: `Everything together weighs ${say(needG / 1000)} kg, the bays bear ${say(haveG / 1000)} kg.`,
      },
    ];
  return [];
}

/** Why no bay may hold a group, whatever else stands where; undefined where one may. */
export function findGroupFault(request: ZonesRequest, group: ZoneGroup): ZonesReason | undefined {
  const { bays } = request;
  const broken = bays.map((bay) => brokenRules(request, group, bay));
  if (broken.some((rules) => rules.length === 0)) return undefined;
  const subject = group.id;
  const pinned = bays.find(({ id }) => id === group.fixedBayId);
  if (pinned)
    return {
      code: 'pin_breaks_rule',
      subject,
      message: `${group.name} is pinned to ${pinned.id}, but ${wordRules(brokenRules(request, group, pinned), group, pinned)}.`,
    };
  const widest = bays.reduce((most, bay) => (bay.litres > most.litres ? bay : most));
  if (group.onlyBayIds?.length === 0)
    return {
      code: 'no_fit_place',
      subject,
      message: `${group.name} is kept to bays that are not there.`,
    };
  const kept = group.onlyBayIds && bays.filter(({ id }) => group.onlyBayIds?.includes(id));
  // Where it is kept to some bays, the others say nothing of why.
  if (kept && kept.length < bays.length) {
    const fault = findGroupFault({ ...request, bays: kept }, group);
    return (
      fault && { ...fault, message: `${fault.message} It is kept to ${kept.length} of the bays.` }
    );
  }
  if (broken.every((rules) => rules.includes('litres')))
    return {
      code: 'larger_than_every_bay',
      subject,
      message: `${group.name} needs ${say(group.litres)} l, the largest bay, ${widest.id}, holds ${say(widest.litres)} l.`,
    };
  if (broken.every((rules) => rules.includes('litres') || rules.includes('load')))
    return {
      code: 'heavier_than_every_bay',
      subject,
      message: `${group.name} weighs ${say(massOf(group) / 1000)} kg: no bay that is large enough bears that.`,
    };
  const lacksOnly = (...codes: readonly string[]) =>
    broken.some((rules) => rules.length > 0 && rules.every((rule) => codes.includes(rule)));
  if (lacksOnly('self_serve', 'step'))
    return {
      code: 'nobody_reaches',
      subject,
      message: `${group.name} has no bay that all its users reach without a step.`,
    };
  if (lacksOnly('hazard'))
    return {
      code: 'no_safe_place',
      subject,
      message: `${group.name} is dangerous and a child lives here: no bay is locked or at least 1500 mm high and fits it.`,
    };
  return {
    code: 'no_fit_place',
    subject,
    message: `${group.name} fits no bay: ${wordRules(broken[0] ?? [], group, bays[0] as ZoneBay)} in ${bays[0]?.id ?? ''}, and so on.`,
  };
}

function wordRules(rules: readonly string[], group: ZoneGroup, bay: ZoneBay): string {
  const words: Readonly<Record<string, string>> = {
    litres: `it needs ${say(group.litres)} l and there are ${say(bay.litres)} l`,
    load: `it weighs ${say(massOf(group) / 1000)} kg and the bay bears ${say((bay.maxLoadG ?? 0) / 1000)} kg`,
    hazard: 'it is dangerous, a child lives here, and the bay is neither locked nor 1500 mm high',
    avoid: `it must be kept from what is ${group.avoid.join(' or ')}`,
    self_serve: 'not everyone who serves themselves reaches it',
    step: 'someone who must not climb would need a step',
    pin: 'it is pinned elsewhere',
    kept_in: 'it is kept to other bays',
  };
  return rules.map((rule) => words[rule] ?? rule).join(', and ');
}

const say = (value: number): string => formatNumber(Math.round(value * 100) / 100);
const nameOf = (request: ZonesRequest, id: string): string =>
  request.groups.find((group) => group.id === id)?.name ?? id;
