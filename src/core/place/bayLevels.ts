import { usableLitresOf, type Bay, type Unit } from '../look';
import { keptLitresOf, keptMassGOf, type Group, type Thing } from '../sort';
import { LIFTING_LIMIT_G } from '../things';
import { type Person, reachLinesOf } from '../agree';

export type PlaceWarning =
  | { readonly code: 'bay_overfull'; readonly overLitres: number }
  | { readonly code: 'bay_overloaded'; readonly overG: number }
  | { readonly code: 'bay_out_of_scope' }
  | { readonly code: 'heavy_high'; readonly massG: number }
  | { readonly code: 'out_of_reach'; readonly personNames: readonly string[] };

/** How full the groups that live in a bay make it. */
export interface BayLevel {
  readonly bayId: Bay['id'];
  readonly usableLitres: number;
  readonly keptLitres: number;
  /** 0..1 and beyond where it is overfull. */
  readonly fillRatio: number;
  readonly warnings: readonly PlaceWarning[];
}

/** Heavy things above this height strain whoever lifts them down. */
const HEAVY_ABOVE_MM = 1400;

/**
 * The level of one bay and what speaks against what is in it.
 * `reachMm` is the height above the room's floor at which one reaches in.
 */
export function bayLevelOf(request: {
  readonly bay: Bay;
  readonly reachMm: number;
  readonly groups: readonly Group[];
  readonly things: readonly Thing[];
  readonly people: readonly Person[];
}): BayLevel {
  const { bay, reachMm, things, people } = request;
  const here = request.groups.filter((group) => group.bayId === bay.id);
  const usableLitres = usableLitresOf(bay);
  const keptLitres = here.reduce((sum, group) => sum + keptLitresOf(group, things), 0);
  const massG = here.reduce((sum, group) => sum + keptMassGOf(group, things), 0);
  const warnings: PlaceWarning[] = [];
  if (keptLitres > usableLitres + 1e-9)
    warnings.push({ code: 'bay_overfull', overLitres: keptLitres - usableLitres });
  if (bay.maxLoadG !== null && massG > bay.maxLoadG)
    warnings.push({ code: 'bay_overloaded', overG: massG - bay.maxLoadG });
  if (bay.outOfScope && here.length > 0) warnings.push({ code: 'bay_out_of_scope' });
  const heaviestG = Math.max(0, ...here.map((group) => keptMassGOf(group, things)));
  if (reachMm > HEAVY_ABOVE_MM && heaviestG > LIFTING_LIMIT_G)
    warnings.push({ code: 'heavy_high', massG: heaviestG });
  const daily = here.some((group) => group.front);
  const tooShort = people
    .filter((person) => reachLinesOf(person).noStepMm < reachMm)
    .map((person) => person.name);
  if (daily && tooShort.length > 0) warnings.push({ code: 'out_of_reach', personNames: tooShort });
  return {
    bayId: bay.id,
    usableLitres,
    keptLitres,
    fillRatio: fillRatioOf(keptLitres, usableLitres),
    warnings,
  };
}

/** Bays in the order in which a keyboard walks them: unit by unit, left to right, top shelf first. */
export const walkBays = (units: readonly Unit[]): Bay[] =>
  [...units]
    .sort((a, b) => a.position - b.position)
    .flatMap((unit) =>
      [...unit.bays].sort((a, b) => a.columnIndex - b.columnIndex || b.rowIndex - a.rowIndex),
    );

function fillRatioOf(keptLitres: number, usableLitres: number): number {
  if (usableLitres > 0) return keptLitres / usableLitres;
  return keptLitres > 0 ? Infinity : 0;
}
