import { brokenRules, type ZoneGroup, type ZonesRequest } from '../place';
import type { Unit } from '../look';
import type { BayId, GroupId, RoomId } from '../shared';
import type { Group } from '../sort';
import type { SoughtIn } from './soughtIn';

interface Asked {
  readonly groupId: string;
  readonly sought: readonly SoughtIn[];
  /** Where every group of the request lives now; those without a place are left out. */
  readonly places: Readonly<Record<string, string | null>>;
  /** Groups of these bays may go elsewhere too; all others stay. */
  readonly freeBayIds: ReadonlySet<string>;
}

/**
 * Asks `zones` where a group should live with what was seen of where it is looked for, everything else staying where
 * it is. What breaks a rule where it is today stays too: it is taken out, and its room with it. Undefined where the
 * group has no place today.
 */
export function toSoughtRequest(
  request: ZonesRequest,
  { groupId, sought, places, freeBayIds }: Asked,
): ZonesRequest | undefined {
  const bayOf = (id: string) => request.bays.find((bay) => bay.id === places[id]);
  if (!bayOf(groupId)) return undefined;
  const known = new Set(request.bays.map(({ id }) => id));
  const isStuck = (group: ZoneGroup) => {
    const bay = bayOf(group.id);
    return group.id !== groupId && bay !== undefined && brokenRules(request, group, bay).length > 0;
  };
  const stuck = request.groups.filter(isStuck);
  const settled = request.groups.filter((group) => bayOf(group.id) && !isStuck(group));
  const isFree = (id: string) => id === groupId || freeBayIds.has(places[id] ?? '');
  const stays = settled.filter(({ id }) => !isFree(id));
  const staying = new Set(stays.map(({ id }) => id));
  const groups = settled.map((group) => {
    if (group.id === groupId)
      return { ...group, sought: sought.filter(({ bayId }) => known.has(bayId)) };
    return staying.has(group.id) ? { ...group, fixedBayId: places[group.id] ?? '' } : group;
  });
  const asked = new Set(groups.map(({ id }) => id));
  const litresIn = (bayId: string, list: readonly { id: string; litres: number }[]) =>
    list.reduce((sum, { id, litres }) => sum + (places[id] === bayId ? litres : 0), 0);
  return {
    ...request,
    groups,
    // A place that is too full today stays so; nothing is added to it.
    bays: request.bays.map((bay) => ({
      ...bay,
      litres: Math.max(litresIn(bay.id, stays), bay.litres - litresIn(bay.id, stuck)),
    })),
    together: request.together.filter(({ a, b }) => asked.has(a) && asked.has(b)),
    apart: request.apart.filter(({ a, b }) => asked.has(a) && asked.has(b)),
  };
}

/** The one room of some groups and places; null where there are several: then it is the home that is arranged. */
export function scopeOfPlaces(
  {
    groupIds,
    bayIds,
  }: { readonly groupIds: readonly GroupId[]; readonly bayIds: readonly BayId[] },
  { groups, units }: { readonly groups: readonly Group[]; readonly units: readonly Unit[] },
): RoomId | null {
  const roomIds = new Set([
    ...groups.filter(({ id }) => groupIds.includes(id)).map(({ roomId }) => roomId),
    ...bayIds.map((id) => units.find(({ bays }) => bays.some((bay) => bay.id === id))?.roomId),
  ]);
  const [roomId] = roomIds;
  return roomIds.size === 1 && roomId !== undefined ? roomId : null;
}
