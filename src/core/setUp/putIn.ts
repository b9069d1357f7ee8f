import {
  labelFaceOf,
  listLevels,
  putInOrder,
  toFitContainer,
  type ContainerProduct,
  type LabelFace,
  type TakenFit,
} from '../fit';
import type { Unit } from '../look';
import type { Group } from '../sort';

/** One thing that is put into a place; of what bears others there is no group. */
export interface PutInStep {
  readonly containerName: string;
  readonly groupName: string | undefined;
  /** On which level of the place, where there are several. */
  readonly levelName: string | undefined;
  /** Where its label faces; what bears others has none. */
  readonly face: LabelFace | undefined;
}
/** A place with a fit that was taken, and its containers in the order in which they go in. */
export interface PutInPlace {
  readonly bayId: string;
  readonly steps: readonly PutInStep[];
}

/** How the containers go into the places of a unit: only those with a fit that is taken, from the lowest place up. */
export function putInOf(
  unit: Unit,
  {
    fits,
    products,
    groups,
  }: {
    readonly fits: readonly TakenFit[];
    readonly products: readonly ContainerProduct[];
    readonly groups: readonly Group[];
  },
): PutInPlace[] {
  const containers = products.map((product) => toFitContainer(product, 0));
  const nameOf = (id: string | undefined): string =>
    containers.find((container) => container.id === id)?.name ?? '';
  return [...unit.bays]
    .filter(({ outOfScope }) => !outOfScope)
    .sort((a, b) => a.rowIndex - b.rowIndex || a.columnIndex - b.columnIndex)
    .flatMap((bay): PutInPlace[] => {
      const fit = fits.find(({ bayId }) => bayId === bay.id);
      if (!fit) return [];
      const { answer } = fit;
      const { falseFloor } = bay.access;
      const place = {
        containers,
        bay: { pullOut: bay.pullOut, ...(falseFloor ? { falseFloor: falseFloor.mm } : {}) },
      };
      const levels = listLevels(place, answer);
      const levelOf = (index: number): string | undefined =>
        levels.length > 1 ? levels.find(({ indexes }) => indexes.includes(index))?.name : undefined;
      const steps = putInOrder(answer).map(({ kind, index }): PutInStep => {
        if (kind === 'surface')
          return {
            containerName: nameOf(answer.surfaces?.[index]?.containerId),
            groupName: undefined,
            levelName: undefined,
            face: undefined,
          };
        const placement = answer.placements[index];
        return {
          containerName: nameOf(placement?.containerId),
          groupName: groups.find(({ id }) => id === placement?.groupId)?.name,
          levelName: levelOf(index),
          face: labelFaceOf(place, answer, index),
        };
      });
      return steps.length > 0 ? [{ bayId: bay.id, steps }] : [];
    });
}
