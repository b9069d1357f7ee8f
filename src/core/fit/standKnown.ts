import { scoreOf, type FoundFit } from './bestFit';
import { Floor } from './floor';
import { gather, type GroupCovers } from './groupCovers';
import type { Placement } from './model';
import { areBorne, fillContainers, isStack, type Filled } from './piles';
import type { Chosen } from './selectContainers';
import type { FitQuestion } from './suitability';

/**
 * Stands containers where they are known to have stood, as for another aim; undefined where that
 * breaks a rule, or holds less than is asked for.
 */
export function standKnown(
  request: FitQuestion,
  placements: readonly Placement[],
  covers: GroupCovers,
): FoundFit | undefined {
  const chosen = countPlaced(placements, covers);
  if (!chosen || !covers.mayStand(chosen)) return undefined;
  const filled = fillContainers(chosen);
  const isHeld = covers.groups.every(
    (group) =>
      chosen.reduce(
        (sum, part) => (part.group === group ? sum + part.container.innerLitres * part.count : sum),
        0,
      ) >=
      group.litres - 1e-9,
  );
  if (!isHeld || !areBorne(filled)) return undefined;
  const filledOf = ({ containerId, groupId }: Placement): Filled | undefined =>
    filled.find(({ container, group }) => container.id === containerId && group.id === groupId);
  const byFoot = new Map<string, Placement[]>();
  for (const placement of placements) {
    const foot = `${placement.x}/${placement.y}`;
    byFoot.set(foot, [...(byFoot.get(foot) ?? []), placement]);
  }
  const floor = new Floor(request);
  for (const stack of byFoot.values()) {
    const [lowest] = stack.sort((a, b) => a.z - b.z);
    const levels = stack.map(filledOf).filter((level) => level !== undefined);
    const container = levels[0]?.container;
    if (
      !lowest ||
      !container ||
      levels.length < stack.length ||
      levels.some((level) => level.container !== container)
    )
      return undefined;
    if (levels.length > (covers.measures.get(container)?.high ?? 1) || !isStack(request, levels))
      return undefined;
    const { width, depth } = container.outer;
    const { x, y, turned } = lowest;
    if (
      !floor.standIfFree(
        { container, levels },
        { x, y, width: turned ? depth : width, depth: turned ? width : depth, turned },
      )
    )
      return undefined;
  }
  return {
    chosen,
    packing: floor.packing,
    score: scoreOf(request.prefer, chosen, floor.packing),
  };
}

/** How many of each container hold each group; undefined where one does not suit its group. */
function countPlaced(
  placements: readonly Placement[],
  covers: GroupCovers,
): readonly Chosen[] | undefined {
  const held = placements.flatMap(({ containerId, groupId }) => {
    const group = covers.groups.find(({ id }) => id === groupId);
    const container =
      group &&
      covers.suitedTo(group).find((suited) => suited.container.id === containerId)?.container;
    return group && container ? [{ container, group }] : [];
  });
  return held.length < placements.length ? undefined : gather(held);
}
