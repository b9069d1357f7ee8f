import { scoreOf, type FoundFit } from './bestFit';
import { Floor } from './floor';
import type { GroupCovers } from './groupCovers';
import type { FitGroup, Placement } from './model';
import { canStack, fillContainers, type Filled } from './piles';
import type { Chosen } from './selectContainers';
import type { FitQuestion } from './suitability';

/** Stands containers where they are known to have stood, as for another aim; undefined where that breaks a rule, or holds less than is asked for. */
export function standKnown(request: FitQuestion, placements: readonly Placement[], covers: GroupCovers): FoundFit | undefined {
  const chosen = countPlaced(placements, covers);
  if (!chosen || !covers.mayStand(chosen)) return undefined;
  const filled = fillContainers(chosen);
  const isHeld = covers.groups.every((group) => chosen.reduce((sum, part) => (part.group === group ? sum + part.container.innerLitres * part.count : sum), 0) >= group.litres - 1e-9);
  const isBorne = filled.every(({ container, massG }) => massG - (container.tareG ?? 0) <= (container.maxLoadG ?? Infinity) + 1e-9);
  if (!isHeld || !isBorne) return undefined;
  const filledOf = ({ containerId, groupId }: Placement): Filled | undefined => filled.find(({ container, group }) => container.id === containerId && group.id === groupId);
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
    if (!lowest || !container || levels.length < stack.length || levels.some((level) => level.container !== container)) return undefined;
    if (levels.length > (covers.measures.get(container)?.high ?? 1) || !levels.every((level, i) => i === 0 || canStack(request, levels.slice(0, i), level))) return undefined;
    const { width, depth } = container.outer;
    const { x, y, turned } = lowest;
    if (!floor.standIfFree({ container, levels }, { x, y, width: turned ? depth : width, depth: turned ? width : depth, turned })) return undefined;
  }
  return { chosen, packing: floor.packing, score: scoreOf(request.prefer, chosen, floor.packing.blockingG) };
}

/** How many of each container hold each group; undefined where one does not suit its group. */
function countPlaced(placements: readonly Placement[], covers: GroupCovers): readonly Chosen[] | undefined {
  const counts = new Map<FitGroup, Map<Chosen['container'], number>>();
  for (const { containerId, groupId } of placements) {
    const group = covers.groups.find(({ id }) => id === groupId);
    const container = group && covers.suitedTo(group).find((suited) => suited.container.id === containerId)?.container;
    if (!group || !container) return undefined;
    const own = counts.get(group) ?? new Map<Chosen['container'], number>();
    counts.set(group, own.set(container, (own.get(container) ?? 0) + 1));
  }
  return [...counts].flatMap(([group, own]) => [...own].map(([container, count]): Chosen => ({ group, container, count })));
}
