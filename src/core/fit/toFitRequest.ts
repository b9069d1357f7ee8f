import type { Person } from '../agree';
import { bayInsideOf, type Bay, type UnitDoor } from '../look';
import { MM3_PER_LITRE } from '../shared';
import { type Group, type Thing, isKept, keptLitresOf, keptMassGOf } from '../sort';
import type { FitAim } from './codes';
import { type FitContainer, type FitGroup, type FitRequest, fitRequestSchema } from './model';

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
  /** The unit's door and where the place begins above the room's floor, where that is known. */
  readonly unit?: { readonly door: UnitDoor; readonly bottomMm: number | undefined };
  /** Whose eyes are to see what is looked for. */
  readonly people?: readonly Pick<Person, 'id' | 'height'>[];
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
      ...toContents(group, input.things, input.people ?? []),
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
      ...toAccess(bay, input.unit),
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

/** Eyes are so far up a person. Source: usual proportions of adults; children's are a little lower. */
const EYES = 0.93;

/** What the things are like: as it was said of the group, else as they were counted. */
function toContents(
  group: Group,
  things: readonly Thing[],
  people: readonly Pick<Person, 'id' | 'height'>[],
): Partial<FitGroup> {
  const { asks, contents, placing } = group;
  const litres = Math.round(keptLitresOf(group, things) * 100) / 100;
  const said = (asks.kinds ?? []).reduce((sum, kind) => sum + kind.litres, 0);
  const users = people.filter(
    ({ id }) => placing.userIds.length === 0 || placing.userIds.includes(id),
  );
  const lowestMm = Math.min(...users.map(({ height }) => height.mm));
  const owner = placing.userIds.length === 1 ? placing.userIds[0] : undefined;
  return {
    // The tallest thing of the group stands in its container, over the rim of an open one, or lies where it may.
    ...toTallest(contents?.tallestMm, group),
    ...(asks.mayLie ? { mayLie: true } : {}),
    ...(asks.crushable ? { crushable: true } : {}),
    ...(asks.line ? { line: asks.line } : {}),
    ...(asks.oneColour && owner !== undefined ? { ownerId: owner } : {}),
    ...(asks.packLitres === undefined ? {} : { pour: { packLitres: asks.packLitres } }),
    ...(asks.seen && lowestMm < Infinity ? { eyeMm: Math.round(lowestMm * EYES) } : {}),
    ...(asks.kinds && asks.kinds.length > 0 && said > 0 && litres > 0
      ? {
          kinds: asks.kinds.map((kind) => ({
            name: kind.name,
            litres: (kind.litres * litres) / said,
          })),
        }
      : toPieces(asks)),
  };
}

function toTallest(mm: number | undefined, { asks, lid }: Group): Partial<FitGroup> {
  if (mm === undefined) return {};
  const mayReachOver = !asks.belowRim && lid !== 'required';
  return { tallestMm: Math.round(mm), ...(mayReachOver ? { overRim: true } : {}) };
}

function toPieces({ pieces, dropMm }: Group['asks']): Partial<FitGroup> {
  if (!pieces) return {};
  const { shape, widthMm, depthMm, heightMm, count } = pieces;
  return {
    pieces: {
      shape,
      width: widthMm,
      ...(depthMm === undefined ? {} : { depth: depthMm }),
      height: heightMm,
      count,
    },
    ...(dropMm === undefined ? {} : { hangs: { dropMm } }),
  };
}

/** How one gets at the place. A false floor no higher than it leaves something, a swing no deeper than the place. */
function toAccess(
  { access }: Bay,
  unit: { readonly door: UnitDoor; readonly bottomMm: number | undefined } | undefined,
): Partial<FitRequest['bay']> {
  const { openingLeft, openingBottom, doorTakes, lip, shelfThickness, falseFloor } = access;
  const lengths = { openingLeft, openingBottom, doorTakes, lip, shelfThickness, falseFloor };
  const known = Object.entries(lengths).flatMap(([name, length]) =>
    length ? [[name, length.mm] as const] : [],
  );
  return {
    ...Object.fromEntries(known),
    ...(access.doorSwing
      ? { onDoor: { swing: access.doorSwing.mm, maxLoadG: access.doorLoadG ?? DOOR_G } }
      : {}),
    ...(unit?.door === 'left' || unit?.door === 'right' ? { hinge: unit.door } : {}),
    ...(unit?.bottomMm === undefined ? {} : { bottom: unit.bottomMm }),
  };
}
/** What hangs on a door bears where nobody said: what usual hinges carry beside the door, in g. */
const DOOR_G = 5000;
