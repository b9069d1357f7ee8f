import { insideOf, litresIn } from './contents';
import { leastWeights } from './listCovers';
import type { FitContainer } from './model';
import { findBayFault, suits, type FitQuestion } from './suitability';

/** What holds each group's litres at least counts, wherever it stands; a knapsack a group. */
export const leastByLitres = (
  question: FitQuestion,
  countOf: (container: FitContainer) => number,
): number =>
  question.groups
    .filter(({ litres }) => litres > 0)
    .reduce((sum, group) => {
      const suited = question.containers
        .filter(
          (container) =>
            container.innerLitres > 0 &&
            findBayFault(question, container) === undefined &&
            suits(question, container, group),
        )
        .map((container) => ({ container, weight: countOf(container) }));
      const least = leastWeights(group.litres, suited)(0, group.litres);
      return sum + (Number.isFinite(least) ? least : 0);
    }, 0);

/** What the litres cost at the best rate, where groups share a box that boards part. */
export function leastByRate(
  question: FitQuestion,
  shared: readonly FitContainer[],
  countOf: (container: FitContainer) => number,
): number {
  const rateOf = (container: FitContainer, litres: number): number =>
    litres > 0 ? countOf(container) / litres : Infinity;
  const ofBoxes = Math.min(
    ...shared.map((box) => {
      const { width, depth, height } = insideOf(box);
      return rateOf(box, Math.max(box.innerLitres, (width * depth * height) / 1e6));
    }),
  );
  return question.groups.reduce((sum, group) => {
    const own = question.containers
      .filter((container) => suits(question, container, group))
      .map((container) => rateOf(container, litresIn(container, group)));
    const rate = Math.min(ofBoxes, ...own);
    return sum + (Number.isFinite(rate) ? rate * group.litres : 0);
  }, 0);
}
