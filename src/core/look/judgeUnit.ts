import { largestFreeBoxOf, type BayId, type Box } from '../shared';
import { bayInsideOf, layOutUnit, usableLitresOf, wantsAnchoring } from './layOutUnit';
import type { Bay, Unit } from './model';
import { reachOf, sightDepthMm, type Reach } from './reach';

interface Body {
  readonly name: string;
  readonly height: { readonly mm: number };
}

/** What follows from a bay's measures, for the people who use it. */
export interface BayJudgement {
  readonly bayId: BayId;
  readonly name: string;
  /** Floor of the bay above the floor of the room: where a hand reaches in. */
  readonly handMm: number;
  readonly usableLitres: number;
  /** The largest single thing that goes in, through its opening and past its obstacles. */
  readonly largestBox: Box;
  readonly reaches: readonly { readonly personName: string; readonly reach: Reach }[];
  /** Depth that the person who sees least of it cannot see, in mm. */
  readonly unseenMm: number;
}
interface UnitJudgement {
  readonly bays: readonly BayJudgement[];
  readonly wantsAnchoring: boolean;
  /** How many times its depth the unit is high. */
  readonly tippingRatio: number;
  /** The lowest place, where heavy things belong. */
  readonly heavyBayName: string | undefined;
}

/**
 * Works out what a unit's measures mean. A unit whose bays do not fit it has no heights, and no
 * bays here.
 */
export function judgeUnit(unit: Unit, people: readonly Body[]): UnitJudgement {
  const layout = layOutUnit(unit);
  const bays = !layout.ok
    ? []
    : layout.value.bays.flatMap(({ bayId, zMm }) => {
        const bay = unit.bays.find(({ id }) => id === bayId);
        return bay && !bay.outOfScope ? [judgeBay(bay, zMm, people)] : [];
      });
  const lowest = [...bays].sort((a, b) => a.handMm - b.handMm)[0];
  return {
    bays,
    wantsAnchoring: wantsAnchoring(unit),
    tippingRatio: unit.height.mm / unit.depth.mm,
    heavyBayName: lowest?.name,
  };
}

function judgeBay(bay: Bay, handMm: number, people: readonly Body[]): BayJudgement {
  const inside = bayInsideOf(bay);
  const openingMm = bay.openingHeight
    ? Math.min(bay.openingHeight.mm, inside.heightMm)
    : inside.heightMm;
  const seen = people.map(({ height }) =>
    sightDepthMm(
      { bottomMm: handMm, openingMm, depthMm: inside.depthMm, pullsOut: bay.pullOut },
      height.mm,
    ),
  );
  return {
    bayId: bay.id,
    name: bay.name,
    handMm,
    usableLitres: usableLitresOf(bay),
    largestBox: largestFreeBoxOf(
      { width: inside.widthMm, depth: inside.depthMm, height: inside.heightMm },
      bay.obstacles,
      { width: bay.openingWidth?.mm, height: bay.openingHeight?.mm },
    ),
    reaches: people.map(({ name, height }) => ({
      personName: name,
      reach: reachOf(handMm, height.mm),
    })),
    unseenMm: Math.max(0, inside.depthMm - Math.min(inside.depthMm, ...seen)),
  };
}
