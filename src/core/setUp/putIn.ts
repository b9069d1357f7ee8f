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

/** What is put into a place at once, so many alike; of what bears others there is no group. */
export interface PutInStep {
  readonly count: number;
  readonly containerName: string;
  readonly groupName: string | undefined;
  readonly kindName: string | undefined;
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
            ...{ count: 1, groupName: undefined, kindName: undefined },
            levelName: undefined,
            face: undefined,
          };
        const placement = answer.placements[index];
        const group = groups.find(({ id }) => id === placement?.groupId);
        return {
          containerName: nameOf(placement?.containerId),
          count: 1,
          groupName: group?.name,
          kindName: group?.asks.kinds?.[placement?.kind ?? -1]?.name,
          levelName: levelOf(index),
          face: labelFaceOf(place, answer, index),
        };
      });
      return steps.length > 0 ? [{ bayId: bay.id, steps: joinAlike(steps) }] : [];
    });
}

/** Steps that follow each other and say the same, as one. */
function joinAlike(steps: readonly PutInStep[]): PutInStep[] {
  const wordsOf = ({ count: _count, ...step }: PutInStep): string => JSON.stringify(step);
  const joined: PutInStep[] = [];
  for (const step of steps) {
    const last = joined.at(-1);
    if (last && wordsOf(last) === wordsOf(step))
      joined[joined.length - 1] = { ...last, count: last.count + step.count };
    else joined.push(step);
  }
  return joined;
}
