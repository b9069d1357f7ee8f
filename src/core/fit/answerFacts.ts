import type { Placement, Surface, FitAnswer } from './model';

/** Whether everything that is asked for has a container. */
export const isWhole = ({ status }: Pick<FitAnswer, 'status'>): boolean =>
  status === 'optimal' || status === 'feasible';

/** Every container that an answer uses, by id, as often as it uses it: what holds, and what bears. */
export const containerIdsOf = ({
  placements,
  surfaces = [],
}: {
  readonly placements: readonly Placement[];
  readonly surfaces?: readonly Surface[] | undefined;
}): string[] =>
  [...placements.filter(({ cell }) => !cell?.wall), ...surfaces].map(
    ({ containerId }) => containerId,
  );
