import type { Person } from './model';

/** Share of body height up to which an adult hand reaches without a stretch, and without a bend. */
const NO_STRETCH_RATIO = 1.05;
const NO_BEND_RATIO = 0.42;
const NO_STEP_RATIO = 1.24;

/** Heights above the floor, in mm, between which a person works without bending or stretching. */
interface ReachLines {
  readonly personName: string;
  readonly noBendMm: number;
  readonly noStretchMm: number;
  /** The highest they reach at all with both feet on the floor. */
  readonly noStepMm: number;
}

/** Reach by body height. Source: the reach table of the `zones` engine (docs/engines.md). */
export const reachLinesOf = (person: Pick<Person, 'name' | 'height'>): ReachLines => ({
  personName: person.name,
  noBendMm: Math.round(person.height.mm * NO_BEND_RATIO),
  noStretchMm: Math.round(person.height.mm * NO_STRETCH_RATIO),
  noStepMm: Math.round(person.height.mm * NO_STEP_RATIO),
});

/**
 * The lines worth drawing: the lowest comfortable ceiling and the highest comfortable floor among
 * the household, so that between them everybody is at ease.
 */
export function tightestReach(people: readonly Pick<Person, 'name' | 'height'>[]): {
  readonly ceiling: ReachLines | undefined;
  readonly floor: ReachLines | undefined;
} {
  const lines = people.map(reachLinesOf);
  return {
    ceiling: lines.reduce<ReachLines | undefined>(
      (least, line) => (!least || line.noStretchMm < least.noStretchMm ? line : least),
      undefined,
    ),
    floor: lines.reduce<ReachLines | undefined>(
      (most, line) => (!most || line.noBendMm > most.noBendMm ? line : most),
      undefined,
    ),
  };
}
