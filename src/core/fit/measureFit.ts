import { asPlaced, litresIn, offeredTo, overRimMm } from './contents';
import { bearingsOf, type Bearing } from './levels';
import { containerIdsOf } from './answerFacts';
import type { FitAim } from './codes';
import type { FitContainer, FitGroup, FitRequest, Placement, Surface } from './model';
import { groupMassG, isOneGroup, roleOf } from './suitability';

/** A container where it stands, with its content. Lengths mm. */
export interface Item {
  readonly at: Placement;
  readonly what: FitContainer;
  readonly group: FitGroup;
  readonly width: number;
  readonly depth: number;
  readonly height: number;
  readonly massG: number;
}

interface Stood {
  readonly placements: readonly Placement[];
  readonly surfaces?: readonly Surface[] | undefined;
}

const SAME_MM = 1e-3;

/** What stands, with true sizes and masses: content spread over a group's containers by litres. */
export function itemsOf(request: FitRequest, placements: readonly Placement[]): Item[] {
  const found = placements.flatMap((at) => {
    const container = request.containers.find(({ id }) => id === at.containerId);
    const group = request.groups.find(({ id }) => id === at.groupId);
    return container && group ? [{ at, what: asPlaced(container, at), group }] : [];
  });
  const litresOf = new Map(
    request.groups.map((group) => [
      group,
      Math.max(1e-12, group.litres, offeredTo(group, placements, request.containers).offered),
    ]),
  );
  return found.map(({ at, what, group }) => ({
    at,
    what,
    group,
    width: at.turned ? what.outer.depth : what.outer.width,
    depth: at.turned ? what.outer.width : what.outer.depth,
    height: what.outer.height + (group.hangs?.dropMm ?? overRimMm(what, group) ?? 0),
    massG:
      (what.tareG ?? 0) +
      (groupMassG(group) * litresIn(what, group)) / (litresOf.get(group) ?? Infinity),
  }));
}

const isOver = (below: Item, above: Item): boolean =>
  below.what === above.what &&
  below.at.on === above.at.on &&
  Math.abs(below.at.x - above.at.x) < SAME_MM &&
  Math.abs(below.at.y - above.at.y) < SAME_MM &&
  above.at.z > below.at.z + SAME_MM;

const meets = (a: number, aLong: number, b: number, bLong: number): boolean =>
  a < b + bLong - SAME_MM && b < a + aLong - SAME_MM;

/** Whether one stands before another, where nothing turns or comes out that bears both. */
function isBefore(behind: Item, before: Item, bearings: readonly Bearing[]): boolean {
  const own = bearings.find(({ index }) => index === behind.at.on);
  const turns = own !== undefined && roleOf(own.container) !== 'riser';
  return (
    !(turns && before.at.on === behind.at.on) &&
    before.at.y < behind.at.y - SAME_MM &&
    meets(before.at.x, before.width, behind.at.x, behind.width) &&
    meets(before.at.z, before.height, behind.at.z, behind.height)
  );
}

/** Grams of other groups that stand before or on each container, summed over all: what `easy` counts. */
export function inTheWayG(request: FitRequest, { placements, surfaces = [] }: Stood): number {
  const items = itemsOf(request, placements);
  const bearings = bearingsOf(request, surfaces);
  return items.reduce(
    (sum, item) =>
      sum +
      items.reduce((grams, other) => {
        if (other === item || isOneGroup(other.group, item.group)) return grams;
        return isBefore(item, other, bearings) || isOver(item, other) ? grams + other.massG : grams;
      }, 0),
    0,
  );
}

/**
 * What has to be moved to take out what is used daily, each container of it once: what stands on it, what stands before
 * it, its lid, and the box that it stands in. A turntable and a pull-out bring it forward.
 */
export function movementsOf(request: FitRequest, { placements, surfaces = [] }: Stood): number {
  const items = itemsOf(request, placements);
  const bearings = bearingsOf(request, surfaces);
  return items
    .filter(({ group }) => group.front)
    .reduce((sum, item) => {
      const bearer = bearings.find(({ index }) => index === item.at.on);
      const isInBox = bearer !== undefined && roleOf(bearer.container) === 'box';
      const others = items.filter(
        (other) => other !== item && (isOver(item, other) || isBefore(item, other, bearings)),
      ).length;
      return sum + others + (item.what.lid ? 1 : 0) + (isInBox ? 1 : 0);
    }, 0);
}

/** Of these containers what has to be bought: neither owned nor left over. */
export function boughtOf(used: readonly FitContainer[]): FitContainer[] {
  const left = new Map(used.map((container) => [container, container.spare ?? 0]));
  return used.filter((container) => {
    const spare = left.get(container) ?? 0;
    if (container.priceMinor === 0 || spare > 0) left.set(container, spare - 1);
    return container.priceMinor > 0 && spare <= 0;
  });
}

/** What has to be paid for what stands and what bears it, in minor units. */
export const costMinorOf = (request: Pick<FitRequest, 'containers'>, stood: Stood): number =>
  boughtOf(usedOf(request, stood)).reduce((sum, { priceMinor }) => sum + priceMinor, 0);

const usedOf = ({ containers }: Pick<FitRequest, 'containers'>, stood: Stood): FitContainer[] =>
  containerIdsOf(stood).flatMap((usedId) => containers.find(({ id }) => id === usedId) ?? []);

/** What an answer counts for an aim, and its cost in minor units; less is better, the first before the second. */
export function objectiveOf(
  request: FitRequest,
  stood: Stood,
  aim: FitAim,
): readonly [aim: number, costMinor: number] {
  const used = usedOf(request, stood);
  const costMinor = costMinorOf(request, stood);
  switch (aim) {
    case 'cost':
      return [costMinor, costMinor];
    case 'reuse':
      return [boughtOf(used).length, costMinor];
    case 'uniform':
      return [new Set(used).size, costMinor];
    case 'easy': {
      const grams = inTheWayG(request, stood);
      return [grams < 1e-6 ? 0 : Math.round(grams * 1e6) / 1e6, costMinor];
    }
    case 'daily':
      return [movementsOf(request, stood), costMinor];
  }
}
