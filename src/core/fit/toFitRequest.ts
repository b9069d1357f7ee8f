import { bayInsideOf, type Bay } from '../look';
import { keptLitresOf, keptMassGOf, type Group, type Thing } from '../sort';
import type { FitAim, FitContainer, FitRequest } from './model';
import { fitRequestSchema } from './model';

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
    timeLimitMs: 1500,
  });
}
