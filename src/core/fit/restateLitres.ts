import type { FitAnswer, FitRequest } from './model';

/**
 * An answer that was worked out for other litres of the same groups, said for the litres of the request: what is
 * unmet, used and free is summed anew. What was proven for the other litres is not proven for these.
 * The answer itself where its litres are those of the request.
 */
export function restateLitres(
  { groups, containers }: Pick<FitRequest, 'groups' | 'containers'>,
  answer: FitAnswer,
): FitAnswer {
  const litresOf = new Map(containers.map(({ id, innerLitres }) => [id, innerLitres]));
  const offered = groups.map((group) => ({
    group,
    litres: answer.placements
      .filter(({ groupId }) => groupId === group.id)
      .reduce((sum, { containerId }) => sum + (litresOf.get(containerId) ?? 0), 0),
  }));
  const usedLitres = offered.reduce(
    (sum, { group, litres }) => sum + Math.min(litres, group.litres),
    0,
  );
  if (Math.abs(usedLitres - answer.usedLitres) < 1e-6) return answer;
  return {
    ...answer,
    status: 'feasible',
    objective: null,
    bound: null,
    usedLitres,
    freeLitres: offered.reduce((sum, { litres }) => sum + litres, 0) - usedLitres,
    unmet: offered.flatMap(({ group, litres }) =>
      group.litres - litres > 1e-9 ? [{ groupId: group.id, litres: group.litres - litres }] : [],
    ),
  };
}
