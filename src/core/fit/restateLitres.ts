import { offeredTo } from './contents';
import type { FitAnswer, FitRequest, Placement } from './model';

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
  const { usedLitres, freeLitres, unmet } = sumLitres({ groups, containers }, answer.placements);
  const saidOf = (list: FitAnswer['unmet'], id: string): number =>
    list.find(({ groupId }) => groupId === id)?.litres ?? 0;
  const isSame = groups.every(
    ({ id }) => Math.abs(saidOf(answer.unmet, id) - saidOf(unmet, id)) < SAME,
  );
  if (isSame && Math.abs(usedLitres - answer.usedLitres) < SAME) return answer;
  return {
    ...answer,
    status: 'feasible',
    objective: null,
    bound: null,
    usedLitres,
    freeLitres,
    unmet,
  };
}

/** Litres of an answer that have no container. */
export const unmetLitresOf = ({ unmet }: Pick<FitAnswer, 'unmet'>): number =>
  unmet.reduce((sum, { litres }) => sum + litres, 0);

/** What is used, free and lacking in litres where these containers stand. */
export function sumLitres(
  { groups, containers }: Pick<FitRequest, 'groups' | 'containers'>,
  placements: readonly Placement[],
): Pick<FitAnswer, 'usedLitres' | 'freeLitres' | 'unmet'> {
  const sums = groups.map((group) => ({ group, ...offeredTo(group, placements, containers) }));
  const usedLitres = sums.reduce((sum, { group, lacking }) => sum + group.litres - lacking, 0);
  return {
    usedLitres,
    freeLitres: sums.reduce((sum, { offered }) => sum + offered, 0) - usedLitres,
    unmet: sums.flatMap(({ group, lacking }) =>
      lacking > SAME ? [{ groupId: group.id, litres: lacking }] : [],
    ),
  };
}
