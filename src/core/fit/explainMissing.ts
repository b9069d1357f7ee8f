import type { FitAnswer, FitContainer, FitGroup, FitReason } from './model';
import { findBayFault, roleOf, suits, type FitQuestion } from './suitability';

type Missing = Extract<FitReason, { code: 'none_suits' | 'too_few_pieces' }>;

/**
 * What proves that a group cannot be contained, whatever is tried: no container suits it and goes in,
 * or all that do are counted and hold less than it has. Empty where neither is proven.
 * Groups of pieces and of kinds are not judged by litres. Where a divider may part the place, a group
 * may stand between boards, so nothing is proven.
 */
export function explainMissing(question: FitQuestion, unmet: FitAnswer['unmet']): Missing[] {
  if (question.containers.some((container) => roleOf(container) === 'divider')) return [];
  return unmet.flatMap(({ groupId }): Missing[] => {
    const group = question.groups.find(({ id }) => id === groupId);
    if (!group) return [];
    const able = question.containers.filter(
      (container) =>
        findBayFault(question, container) === undefined && suits(question, container, group),
    );
    if (able.length === 0) return [{ code: 'none_suits', subject: groupId }];
    const lacking = lackingPieces(group, able);
    return lacking ? [lacking] : [];
  });
}

/** The container of which a piece more would do most, where all pieces there are hold too little. */
function lackingPieces(group: FitGroup, able: readonly FitContainer[]): Missing | undefined {
  if (group.pieces || (group.kinds?.length ?? 0) > 0) return undefined;
  const there = able.reduce(
    (sum, { available, innerLitres }) => sum + (available ?? Infinity) * innerLitres,
    0,
  );
  const lackLitres = group.litres - there;
  const largest = able.reduce((most, each) => (each.innerLitres > most.innerLitres ? each : most));
  if (lackLitres <= 1e-6 || largest.innerLitres <= 0) return undefined;
  return {
    code: 'too_few_pieces',
    subject: group.id,
    containerId: largest.id,
    available: largest.available ?? 0,
    wanted: (largest.available ?? 0) + Math.ceil(lackLitres / largest.innerLitres - 1e-9),
  };
}
