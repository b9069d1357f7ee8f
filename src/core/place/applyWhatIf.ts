import type { ZonesRequest } from './zonesModel';

/** Something that could be different in the room or the household. */
export type WhatIf =
  | { readonly kind: 'bay_lost'; readonly bayId: string }
  /** The shelf under a bay goes up (or, negative, down); the bay below it grows or shrinks by as much. */
  | {
      readonly kind: 'shelf_moved';
      readonly bayId: string;
      readonly belowBayId: string;
      readonly byMm: number;
      readonly heightMm: number;
      readonly belowHeightMm: number;
    }
  | { readonly kind: 'person_height'; readonly personId: string; readonly heightMm: number };

/**
 * A request as it would be. Litres of a bay go with its height; a pin to a lost bay is let go.
 * Requires: a moved shelf leaves both bays some height; changes that do not are left out.
 */
export function applyWhatIf(request: ZonesRequest, changes: readonly WhatIf[]): ZonesRequest {
  return changes.reduce((before, change): ZonesRequest => {
    if (change.kind === 'bay_lost') {
      return {
        ...before,
        bays: before.bays.filter(({ id }) => id !== change.bayId),
        groups: before.groups.map(({ fixedBayId, ...group }) =>
          fixedBayId === undefined || fixedBayId === change.bayId
            ? group
            : { ...group, fixedBayId },
        ),
      };
    }
    if (change.kind === 'person_height')
      return {
        ...before,
        people: before.people.map((person) =>
          person.id === change.personId ? { ...person, heightMm: change.heightMm } : person,
        ),
      };
    const { byMm, heightMm, belowHeightMm } = change;
    if (heightMm - byMm <= 0 || belowHeightMm + byMm <= 0) return before;
    return {
      ...before,
      bays: before.bays.map((bay) => {
        if (bay.id === change.bayId)
          return {
            ...bay,
            z: Math.max(0, bay.z + byMm),
            litres: (bay.litres * (heightMm - byMm)) / heightMm,
          };
        return bay.id === change.belowBayId
          ? { ...bay, litres: (bay.litres * (belowHeightMm + byMm)) / belowHeightMm }
          : bay;
      }),
    };
  }, request);
}
