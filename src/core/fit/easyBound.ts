import type { GroupCovers } from './groupCovers';
import { clearOf, findBayFault, groupMassG, suits, type FitQuestion } from './suitability';

/** Widths are counted in whole mm. */
const STEP_MM = 1;

/**
 * Grams that are in the way at least, on a floor, wherever everything stands.
 *
 * Of the groups that are in nobody's way no two meet one line from front to back: the one in front would be in the way
 * of the other. So beside each other they are no wider than the floor, and each is at least as wide as its floor by the
 * depth, and as the narrowest container that suits it. Every other group has at least one container before or on
 * another group's: the lightest that it can have. The least is a knapsack over the widths.
 * Requires: groups that stand on one floor. O(groups × width).
 */
export function easyBound(question: FitQuestion, covers: GroupCovers): number {
  const { x0, x1, y0, y1 } = clearOf(question);
  const gap = question.clearances.between;
  const [width, depth] = [x1 - x0 + gap, y1 - y0 + gap];
  if (width <= 0 || depth <= 0) return 0;
  const families = new Map<string, { widthMm: number; leastG: number }>();
  for (const group of covers.groups) {
    const suited = covers.suitedTo(group);
    if (suited.length === 0) return 0;
    const areaMm2 =
      group.litres *
      Math.min(
        ...suited.map(
          ({ container, high, areaMm2: foot }) => foot / (container.innerLitres * high),
        ),
      );
    const narrowest = Math.min(
      ...suited.map(({ container: { outer, shape } }) =>
        shape === 'round' ? outer.width : Math.min(outer.width, outer.depth),
      ),
    );
    const mostLitres = mostOffered(question, covers);
    const leastG = Math.min(
      ...suited.map(
        ({ container }) =>
          (container.tareG ?? 0) +
          (groupMassG(group) * container.innerLitres) / Math.max(group.litres, mostLitres),
      ),
    );
    const key = group.of ?? group.id;
    const known = families.get(key);
    families.set(key, {
      widthMm: Math.max(known?.widthMm ?? 0, areaMm2 / depth, narrowest),
      leastG: Math.min(known?.leastG ?? Infinity, leastG),
    });
  }
  const all = [...families.values()];
  const most = Math.floor(width / STEP_MM);
  // Of what is in nobody's way, the most grams that go in side by side.
  const spared = new Float64Array(most + 1);
  for (const { widthMm, leastG } of all) {
    const wide = Math.floor(widthMm / STEP_MM);
    for (let at = most; at >= wide; at -= 1)
      spared[at] = Math.max(spared[at]!, spared[at - wide]! + leastG);
  }
  const whole = all.reduce((sum, { leastG }) => sum + leastG, 0);
  return Math.max(0, whole - spared[most]! - 1e-6);
}

/** Litres that all containers in the bay offer together at most. */
function mostOffered({ bay }: FitQuestion, covers: GroupCovers): number {
  const litres = (bay.width * bay.depth * bay.height) / 1e6;
  const densest = Math.max(
    1,
    ...[...covers.measures.keys()].map(
      ({ outer, innerLitres }) => innerLitres / ((outer.width * outer.depth * outer.height) / 1e6),
    ),
  );
  return litres * densest * (4 / Math.PI);
}

/** Lids that are lifted for what is used daily wherever it stands: where only lidded containers suit, one each. */
export const leastLids = (question: FitQuestion): number =>
  question.groups
    .filter(({ front, litres }) => front && litres > 0)
    .reduce((sum, group) => {
      const suited = question.containers.filter(
        (container) =>
          findBayFault(question, container) === undefined && suits(question, container, group),
      );
      if (suited.length === 0 || suited.some(({ lid }) => !lid)) return sum;
      const most = Math.max(...suited.map(({ innerLitres }) => innerLitres));
      return sum + Math.ceil(group.litres / most - 1e-9);
    }, 0);
