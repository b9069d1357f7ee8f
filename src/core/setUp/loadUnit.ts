import type { Row } from '../place';

/** What is to stand in a unit. Masses in g, heights in mm from the floor. */
export interface LoadQuestion {
  readonly places: readonly {
    readonly id: string;
    readonly zMm: number;
    readonly maxLoadG: number | undefined;
  }[];
  readonly groups: readonly {
    readonly id: string;
    readonly placeId: string;
    readonly massG: number;
    /** In which row it stands; undefined where its place has none. */
    readonly row: Row | undefined;
    readonly usesPerWeek: number;
    /** Nothing is put on it or pressed against it. */
    readonly isFragile: boolean;
  }[];
  /** What one person carries in one go. */
  readonly liftLimitG: number;
}

/** One group is put in, in so many carryings. */
export interface LoadStep {
  readonly groupId: string;
  readonly placeId: string;
  readonly massG: number;
  readonly carryings: number;
  readonly row: Row | undefined;
  /** Stands at the front edge, where it is taken from often. */
  readonly isPulledForward: boolean;
  readonly isFragile: boolean;
  /** On its place then, and on the whole unit. */
  readonly placeG: number;
  readonly unitG: number;
}
export interface LoadAnswer {
  readonly steps: readonly LoadStep[];
  /** Would go over what its place bears: it stays out. */
  readonly tooHeavy: readonly {
    readonly groupId: string;
    readonly placeId: string;
    readonly overG: number;
  }[];
}

/** From so many uses a week on, what stands in the front row is pulled to its edge. */
const OFTEN_A_WEEK = 3;

/**
 * In which order a unit is filled: place by place from the bottom up, in each the back row first, then the
 * heavy before the light, and what must not be squashed last. Ensures: each group is carried once; no place
 * ever bears more than it may; nothing is put below something that already stands there.
 */
export function loadUnit({ places, groups, liftLimitG }: LoadQuestion): LoadAnswer {
  const steps: LoadStep[] = [];
  const tooHeavy: LoadAnswer['tooHeavy'][number][] = [];
  let unitG = 0;
  for (const place of [...places].sort((a, b) => a.zMm - b.zMm)) {
    let placeG = 0;
    const own = groups
      .filter(({ placeId }) => placeId === place.id)
      .sort(
        (a, b) =>
          Number(b.row === 'back') - Number(a.row === 'back') ||
          Number(a.isFragile) - Number(b.isFragile) ||
          b.massG - a.massG,
      );
    for (const group of own) {
      const overG = placeG + group.massG - (place.maxLoadG ?? Infinity);
      if (overG > 0) {
        tooHeavy.push({ groupId: group.id, placeId: place.id, overG });
        continue;
      }
      placeG += group.massG;
      unitG += group.massG;
      steps.push({
        groupId: group.id,
        placeId: place.id,
        massG: group.massG,
        carryings: Math.max(1, Math.ceil(group.massG / liftLimitG)),
        row: group.row,
        isPulledForward: group.row !== 'back' && group.usesPerWeek >= OFTEN_A_WEEK,
        isFragile: group.isFragile,
        placeG,
        unitG,
      });
    }
  }
  return { steps, tooHeavy };
}
