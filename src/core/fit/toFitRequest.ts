import { bayInsideOf, type Bay } from '../look';
import { MM3_PER_LITRE } from '../shared';
import { type Group, type Thing, isKept, keptLitresOf, keptMassGOf } from '../sort';
import { type FitAim, type FitContainer, type FitRequest, fitRequestSchema } from './model';

/**
 * The side of the largest piece of a group, taken as a cube: narrower inside, and it does not go in
 * without being squeezed. 0 where nothing was counted one by one.
 */
function largestSideMm(group: Group, things: readonly Thing[]): number {
  const litresEach = things
    .filter((thing) => isKept(thing) && thing.groupId === group.id)
    .map((thing) => thing.litres / thing.count);
  return Math.round(Math.cbrt(Math.max(0, ...litresEach) * MM3_PER_LITRE));
}

/** Asks the engine about one bay as it stands: its smallest readings and the groups that live in it. */
export function toFitRequest(input: {
  readonly bay: Bay;
  /** All groups; those of this bay that want a container are picked. */
  readonly groups: readonly Group[];
  readonly things: readonly Thing[];
  readonly containers: readonly FitContainer[];
  readonly prefer: FitAim;
}): FitRequest {
  const { bay } = input;
  const inside = bayInsideOf(bay);
  const groups = input.groups
    .filter((group) => group.bayId === bay.id && !group.loose)
    .map((group) => ({
      id: group.id,
      name: group.name,
      litres: Math.round(keptLitresOf(group, input.things) * 100) / 100,
      massG: Math.round(keptMassGOf(group, input.things)),
      lid: group.lid,
      see: group.see,
      front: group.front,
      minInnerWidth: largestSideMm(group, input.things),
      // The tallest thing of the group stands in its container.
      ...(group.contents?.tallestMm === undefined
        ? {}
        : { minInnerHeight: Math.round(group.contents.tallestMm) }),
    }));
  return fitRequestSchema.parse({
    bay: {
      id: bay.id,
      width: inside.widthMm,
      depth: inside.depthMm,
      height: inside.heightMm,
      ...(bay.openingWidth ? { openingWidth: bay.openingWidth.mm } : {}),
      ...(bay.openingHeight ? { openingHeight: bay.openingHeight.mm } : {}),
      ...(bay.maxLoadG === null ? {} : { maxLoadG: bay.maxLoadG }),
      pullOut: bay.pullOut,
      moist: bay.moist,
      obstacles: bay.obstacles,
    },
    groups,
    containers: input.containers,
    prefer: input.prefer,
    timeLimitMs: 2000,
  });
}
