import type { FitAnswer, FitRequest } from './model';

/** Litres that differ by less are the same: sums are added up in any order. */
const SAME = 1e-9;

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
  const lacking = offered.map(({ group, litres }) => ({
    groupId: group.id,
    litres: Math.max(0, group.litres - litres),
  }));
  const isSame = lacking.every(({ groupId, litres }) => {
    const said = answer.unmet.find((each) => each.groupId === groupId)?.litres ?? 0;
    return Math.abs(said - litres) < SAME;
  });
  if (isSame && Math.abs(usedLitres - answer.usedLitres) < SAME) return answer;
  return {
    ...answer,
    status: 'feasible',
    objective: null,
    bound: null,
    usedLitres,
    freeLitres: offered.reduce((sum, { litres }) => sum + litres, 0) - usedLitres,
    unmet: lacking.filter(({ litres }) => litres > SAME),
  };
}
