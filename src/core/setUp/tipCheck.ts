import { bayInsideOf, layOutUnit, wantsAnchoring, type Unit } from '../look';

/** Masses in g, as they stand in their places. */
export interface TipQuestion {
  readonly unit: Unit;
  /** Empty; undefined: assumed from its boards. */
  readonly massG: number | undefined;
  readonly loads: readonly { readonly bayId: string; readonly massG: number }[];
}

/** Moments about the front foot, in newton metres: what holds the unit, over what tips it. */
export interface TipCase {
  readonly holdsNm: number;
  readonly tipsNm: number;
  /** Above 1 it stands; null: nothing tips it. */
  readonly ratio: number | null;
}
export interface TipAnswer {
  readonly emptyG: { readonly low: number; readonly likely: number; readonly high: number };
  readonly isMassAssumed: boolean;
  readonly loadG: number;
  /** All closed: leaned on at the top. */
  readonly leaned: TipCase;
  /** Every drawer out at once. */
  readonly drawersOut: TipCase;
  /** The fullest drawer out, with a child on its edge. */
  readonly childOnDrawer: TipCase;
  readonly hasDrawers: boolean;
  /** By these sums, at the low end of what is assumed, or by its height over its depth. */
  readonly wantsAnchoring: boolean;
  /** Of them what asks for it, the first that does. */
  readonly why: 'leaned' | 'drawers_out' | 'child_on_drawer' | 'tall_and_shallow' | 'none';
}

const G_MS2 = 9.81;
/** Board of 18 mm at 650 kg a cubic metre, back of 3 mm; a unit's mass lies within these shares of it. */
const BOARD_KG_M2 = 11.7;
const BACK_KG_M2 = 2;
const MASS_SHARE = { low: 0.6, high: 1.5 } as const;
/** A child of some six years who climbs on a drawer; stability tests of furniture take about as much. */
const CHILD_KG = 25;
/** Somebody leans on the upper edge, or pulls at it. */
const PUSH_N = 50;
/** Lower units give way to a push at their edge as well; nobody is hurt by that. */
const LEANED_FROM_MM = 1000;

/**
 * Whether a loaded unit stands: moments about the line of its front feet.
 *
 *   holds = g · (m_unit · D/2 + Σ m_closed · (D − d/2))     closed contents lie d/2 behind the front of their place
 *   tips  = g · Σ m_out · d/2  +  g · m_child · d  +  F · H   drawers that are out hang by half their depth before
 *                                                            the foot (their travel is their depth d)
 * D, H: outside depth and height; d: depth of the place. Contents of a closed place lie in its middle, D/2 from
 * the foot. Source: statics of a rigid body on a level floor; masses of boards, the child and the push are
 * assumptions. Loading is judged with drawers shut: it only helps from the bottom up.
 */
export function checkTipping({ unit, massG, loads }: TipQuestion): TipAnswer {
  const depthM = unit.depth.mm / 1000;
  const heightM = (unit.floorGap.mm + unit.height.mm) / 1000;
  const emptyG =
    massG === undefined ? assumedMassOf(unit) : { low: massG, likely: massG, high: massG };
  const loaded = unit.bays.map((bay) => ({
    isDrawer: bay.pullOut,
    depthM: bayInsideOf(bay).depthMm / 1000,
    kg: loads
      .filter(({ bayId }) => bayId === bay.id)
      .reduce((sum, load) => sum + load.massG / 1000, 0),
  }));
  const emptyNm = (emptyG.low / 1000) * G_MS2 * (depthM / 2);
  const heldNm = (places: typeof loaded) =>
    places.reduce((sum, { kg }) => sum + kg * G_MS2 * (depthM / 2), emptyNm);
  const outNm = (places: typeof loaded) =>
    places.reduce((sum, place) => sum + place.kg * G_MS2 * (place.depthM / 2), 0);
  const drawers = loaded.filter(({ isDrawer }) => isDrawer);
  const fullest = [...drawers].sort((a, b) => b.kg - a.kg).slice(0, 1);
  const leaned = caseOf(heldNm(loaded), PUSH_N * heightM);
  const drawersOut = caseOf(heldNm(loaded.filter(({ isDrawer }) => !isDrawer)), outNm(drawers));
  const childOnDrawer = caseOf(
    heldNm(loaded.filter((place) => !fullest.includes(place))),
    outNm(fullest) + fullest.reduce((sum, place) => sum + CHILD_KG * G_MS2 * place.depthM, 0),
  );
  const why = whyOf(unit, { leaned, drawersOut, childOnDrawer });
  return {
    emptyG,
    isMassAssumed: massG === undefined,
    loadG: loads.reduce((sum, load) => sum + load.massG, 0),
    leaned,
    drawersOut,
    childOnDrawer,
    hasDrawers: drawers.length > 0,
    wantsAnchoring: why !== 'none',
    why,
  };
}

const caseOf = (holdsNm: number, tipsNm: number): TipCase => ({
  holdsNm,
  tipsNm,
  ratio: tipsNm > 0 ? holdsNm / tipsNm : null,
});
const tips = ({ ratio }: TipCase): boolean => ratio !== null && ratio < 1;

function whyOf(
  unit: Unit,
  cases: Pick<TipAnswer, 'leaned' | 'drawersOut' | 'childOnDrawer'>,
): TipAnswer['why'] {
  // What lies on the floor under a bed, or is low, has nowhere to fall.
  if (unit.kind === 'under-bed' || unit.kind === 'cupboard-top') return 'none';
  if (tips(cases.drawersOut)) return 'drawers_out';
  if (tips(cases.childOnDrawer)) return 'child_on_drawer';
  if (wantsAnchoring(unit)) return 'tall_and_shallow';
  return tips(cases.leaned) && unit.height.mm >= LEANED_FROM_MM ? 'leaned' : 'none';
}

/** From its boards: two sides, a board above and below each place, a thin back. */
function assumedMassOf(unit: Unit): TipAnswer['emptyG'] {
  const [w, d, h] = [unit.width.mm, unit.depth.mm, unit.height.mm].map((mm) => mm / 1000) as [
    number,
    number,
    number,
  ];
  const layout = layOutUnit(unit);
  const columns = new Set(unit.bays.map(({ columnIndex }) => columnIndex)).size || 1;
  const places = layout.ok ? layout.value.bays : [];
  const shelvesM2 = places.reduce(
    (sum, { widthMm, depthMm }) => sum + (widthMm * depthMm) / 1e6,
    0,
  );
  const boardsM2 = (columns + 1) * h * d + shelvesM2 + w * d;
  const likely = Math.round((boardsM2 * BOARD_KG_M2 + w * h * BACK_KG_M2) * 1000);
  return {
    low: Math.round(likely * MASS_SHARE.low),
    likely,
    high: Math.round(likely * MASS_SHARE.high),
  };
}
