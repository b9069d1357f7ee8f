import { bayInsideOf, type Unit } from '../look';
import type { Materials } from './materials';
import { rollRequestSchema, type RollRequest } from './rollModel';

/** A sheet that lies in a place as its floor, or a part of one that would not pass the opening whole. Lengths mm. */
export interface FloorPiece {
  readonly id: string;
  readonly name: string;
  readonly widthMm: number;
  readonly depthMm: number;
  /** What comes up through it: it is cut out around that. */
  readonly around: readonly string[];
}

/** A sheet is cut so much narrower and less deep than the place is at its smallest, so that it goes in. */
export const FLOOR_AIR_MM = 4;

/**
 * What the places with a false floor want cut, by the smallest reading inside; in as many parts side by side as pass the
 * opening edge on. Places out of scope want none.
 */
export function falseFloorsOf(units: readonly Unit[]): FloorPiece[] {
  return units.flatMap((unit) =>
    unit.bays.flatMap((bay) => {
      const { falseFloor } = bay.access;
      if (!falseFloor || falseFloor.mm <= 0 || bay.outOfScope) return [];
      const inside = bayInsideOf(bay);
      const widthMm = Math.max(1, inside.widthMm - FLOOR_AIR_MM);
      const depthMm = Math.max(1, inside.depthMm - FLOOR_AIR_MM);
      const openingMm = bay.openingWidth?.mm ?? inside.widthMm;
      const parts = depthMm <= openingMm ? 1 : Math.max(1, Math.ceil(widthMm / openingMm));
      const around = bay.obstacles.filter(({ z }) => z < falseFloor.mm).map(({ label }) => label);
      return Array.from({ length: parts }, (_, i): FloorPiece => ({
        id: parts === 1 ? bay.id : `${bay.id} ${i + 1}`,
        name: parts === 1 ? bay.name : `${bay.name}, part ${i + 1} of ${parts}`,
        widthMm: widthMm / parts,
        depthMm,
        around,
      }));
    }),
  );
}

/**
 * Asks the `roll` engine for the sheets that the false floors take: a sheet is a roll of its length, and each piece takes
 * a saw cut more each way. Undefined without a sheet or a false floor.
 */
export function toPanelRequest(
  { panel, kerf }: Pick<Materials, 'panel' | 'kerf'>,
  units: readonly Unit[],
): RollRequest | undefined {
  const pieces = falseFloorsOf(units);
  if (!panel || pieces.length === 0) return undefined;
  return rollRequestSchema.parse({
    roll: {
      widthMm: panel.width.mm + kerf.mm,
      lengthMm: panel.length.mm + kerf.mm,
      priceMinor: panel.priceMinor,
    },
    pieces: pieces.map(({ id, widthMm, depthMm }) => ({
      id,
      widthMm: widthMm + kerf.mm,
      depthMm: depthMm + kerf.mm,
      qty: 1,
    })),
  });
}
