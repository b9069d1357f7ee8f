import { findGroupFault } from './explainZones';
import type { GroupReason, Places } from './zonesAnswer';
import type { ZoneBay, ZoneGroup, ZonesRequest } from './zonesModel';
import { massOf } from './zonesProblem';

interface SetAside {
  /** The same request without what can stand nowhere. */
  readonly request: ZonesRequest;
  /** Why each of the others is left where it is. */
  readonly reasons: readonly GroupReason[];
}

/**
 * Leaves out the groups that no bay may hold, whatever else moves, so that one of them does not
 * keep the rest from being
 * placed. Where such a group stands (`places`), its litres and grams are taken off the bay, and
 * nothing comes to it that must
 * be kept from it.
 */
export function setAside(request: ZonesRequest, places: Places): SetAside {
  const faults = request.groups.flatMap((group) => {
    const reason = request.bays.length > 0 ? findGroupFault(request, group) : undefined;
    return reason ? [{ group, reason }] : [];
  });
  if (faults.length === 0) return { request, reasons: [] };
  const aside = faults.map(({ group }) => group);
  const isAside = (id: string) => aside.some((group) => group.id === id);
  const standing = (bay: ZoneBay) => aside.filter(({ id }) => places[id] === bay.id);
  const isFoe = (a: ZoneGroup, b: ZoneGroup) =>
    (a.hazard === 'chemical' && b.food) ||
    (b.hazard === 'chemical' && a.food) ||
    request.apart.some(
      (pair) => (pair.a === a.id && pair.b === b.id) || (pair.a === b.id && pair.b === a.id),
    );
  const sum = (groups: readonly ZoneGroup[], of: (group: ZoneGroup) => number) =>
    groups.reduce((total, group) => total + of(group), 0);
  const bays = request.bays.map((bay) => ({
    ...bay,
    litres: Math.max(0, bay.litres - sum(standing(bay), ({ litres }) => litres)),
    ...(bay.maxLoadG === undefined
      ? {}
      : { maxLoadG: Math.max(0, bay.maxLoadG - sum(standing(bay), massOf)) }),
  }));
  const groups = request.groups
    .filter(({ id }) => !isAside(id))
    .map((group) => {
      const shut = request.bays
        .filter((bay) => standing(bay).some((other) => isFoe(group, other)))
        .map(({ id }) => id);
      return shut.length === 0
        ? group
        : {
            ...group,
            onlyBayIds: (group.onlyBayIds ?? request.bays.map(({ id }) => id)).filter(
              (id) => !shut.includes(id),
            ),
          };
    });
  const keeps = ({ a, b }: { readonly a: string; readonly b: string }) =>
    !isAside(a) && !isAside(b);
  return {
    request: {
      ...request,
      bays,
      groups,
      together: request.together.filter(keeps),
      apart: request.apart.filter(keeps),
    },
    reasons: faults.map(({ reason }) => reason),
  };
}
