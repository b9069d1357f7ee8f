import type { StoringWay } from './codes';

/**
 * How much one more piece adds to a stack, as a share of the first: plates and trays lie in each other,
 * bowls nest deeper, books do not. Source: measured by our own rule of thumb, the pitch of a stack of
 * plates is a bit under half of a plate's height, of bowls a third; between spheres thrown into a box
 * 36 % of the room stays empty (random close packing), which is 0.82 of the cubes around them.
 */
const SHARE_OF_NEXT: Readonly<Record<StoringWay, number>> = {
  stacks: 1,
  nests: 0.3,
  folds: 1,
  hangs: 0.8,
  rolls: 0.95,
  stands: 1,
  loose: 0.82,
  alone: 1,
};
/** Made of these and higher than a sheet, what stacks has a rim and lies in its like. */
const RIMMED = new Set(['ceramic', 'glass', 'plastic', 'metal']);
const SHARE_OF_RIMMED = 0.45;
const SHEET_MM = 8;

/**
 * Room for `count` pieces as a multiple of the room for one: 1 + (count − 1) × share. Below one piece (half
 * a pair) in proportion. Ensures: never less for more pieces.
 */
export function roomFor(
  count: number,
  {
    storing,
    material,
    sizeMm,
  }: {
    readonly storing: StoringWay;
    readonly material: string;
    readonly sizeMm: readonly [number, number, number] | undefined;
  },
): number {
  if (count <= 1) return count;
  const hasRim = RIMMED.has(material) && (sizeMm?.[2] ?? SHEET_MM) > SHEET_MM;
  const share = storing === 'stacks' && hasRim ? SHARE_OF_RIMMED : SHARE_OF_NEXT[storing];
  return 1 + (count - 1) * share;
}
