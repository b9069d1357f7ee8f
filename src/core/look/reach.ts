/** How a person gets at something at a height: from a squat to a step. */
export type Reach = 'squat' | 'bend' | 'easy' | 'high' | 'stretch' | 'step';

/**
 * Upper limits of height over body height, and seconds a reach takes. Source: the zones engine
 * (docs/engines.md).
 */
const REACHES: readonly (readonly [Reach, number, number])[] = [
  ['squat', 0.25, 4],
  ['bend', 0.42, 2.5],
  ['easy', 0.82, 1],
  ['high', 1.05, 2],
  ['stretch', 1.24, 3],
  ['step', Infinity, 12],
];

/** How a person of a height reaches in at `reachMm` above the floor. Requires: bodyMm > 0. */
export function reachOf(reachMm: number, bodyMm: number): Reach {
  const ratio = reachMm / bodyMm;
  // A stretch goes up to 1.24 itself; the limits below it belong to the next.
  return (
    REACHES.find(([reach, limit]) => (reach === 'stretch' ? ratio <= limit : ratio < limit))?.[0] ??
    'step'
  );
}

/** Seconds of one reach. */
export const reachSeconds = (reach: Reach): number =>
  REACHES.find(([name]) => name === reach)?.[2] ?? 12;

/** Eyes are at this share of body height; crouching before a low place, at the second. */
const EYE_RATIO = 0.93;
const CROUCHED_EYE_RATIO = 0.5;
/** How far in front of a place one stands, in mm. */
const STANDING_OFF_MM = 400;
/** Of a place above the eyes one sees the front row, in mm. */
const FRONT_ROW_MM = 150;

/**
 * How much of a place's depth is in easy sight, in mm: the line from the eye past the upper edge of
 * its opening meets its floor there. One crouches before what one bends for.
 * Source: similar triangles; eye heights and distance as stated above.
 *
 *   eye ●──400──┐ upper edge
 *               │ ╲
 *               └───╳── floor: in sight up to ╳
 */
export function sightDepthMm(
  place: {
    readonly bottomMm: number;
    readonly openingMm: number;
    readonly depthMm: number;
    readonly pullsOut: boolean;
  },
  bodyMm: number,
): number {
  const { bottomMm, openingMm, depthMm, pullsOut } = place;
  // What pulls out comes to the eye of somebody who stands, to its back; only above the eyes nobody sees into it.
  if (pullsOut) return bottomMm < bodyMm * EYE_RATIO ? depthMm : 0;
  const eyeMm = eyeMmBefore(bottomMm, bodyMm);
  if (eyeMm <= bottomMm) return Math.min(depthMm, FRONT_ROW_MM);
  const aboveEdgeMm = eyeMm - (bottomMm + openingMm);
  if (aboveEdgeMm <= 0) return depthMm;
  return Math.min(depthMm, (STANDING_OFF_MM * openingMm) / aboveEdgeMm);
}

/** One crouches before what one bends for. */
function eyeMmBefore(placeMm: number, bodyMm: number): number {
  const reach = reachOf(placeMm, bodyMm);
  return bodyMm * (reach === 'squat' || reach === 'bend' ? CROUCHED_EYE_RATIO : EYE_RATIO);
}

/** How far it is from the eye of somebody who stands or crouches before a unit to something on its front, in mm. */
export const sightLineMm = (heightMm: number, bodyMm: number): number =>
  Math.hypot(STANDING_OFF_MM, eyeMmBefore(heightMm, bodyMm) - heightMm);
