import type { UnitId } from '../shared';
import { layOutUnit, type UnitLayout } from './layOutUnit';
import type { Unit } from './model';

/** A unit in the room's front view: mm from the left end of the wall, its layout from the floor up. */
export interface FrontUnit {
  readonly unitId: UnitId;
  readonly xMm: number;
  readonly layout: UnitLayout;
}
export interface FrontView {
  readonly widthMm: number;
  /** To the top of the highest unit. */
  readonly heightMm: number;
  readonly units: readonly FrontUnit[];
}

/** Air between units that stand side by side in the drawing. */
const GAP_MM = 140;

/** Stands a room's units side by side on one floor line, in their order. */
export function arrangeFront(units: readonly Unit[]): FrontView {
  const placed: FrontUnit[] = [];
  let xMm = 0;
  let heightMm = 0;
  for (const unit of [...units].sort((a, b) => a.position - b.position)) {
    const layout = layOutUnit(unit);
    // Units are checked when they are kept; one that no longer fits its own bays is left out.
    if (!layout.ok) continue;
    placed.push({ unitId: unit.id, xMm, layout: layout.value });
    xMm += unit.width.mm + GAP_MM;
    heightMm = Math.max(heightMm, layout.value.floorGapMm + layout.value.heightMm);
  }
  return { widthMm: Math.max(0, xMm - GAP_MM), heightMm, units: placed };
}

/** The scale in px a mm at which a view fits a box. */
export const scaleToFit = (
  view: Pick<FrontView, 'widthMm' | 'heightMm'>,
  box: { readonly widthPx: number; readonly heightPx: number },
): number =>
  Math.min(box.widthPx / Math.max(1, view.widthMm), box.heightPx / Math.max(1, view.heightMm));
