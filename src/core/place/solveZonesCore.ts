import { isSolved, LinearModel, type Solver } from '../shared';
import { SUM_TOLERANCE, type ZonesProblem } from './zonesProblem';

/**
 * So many variables for pairs are still worked through in seconds; with more only the bound by
 * prices stands.
 */
const MOST_PAIR_VARIABLES = 12_000;

type CoreOutcome =
  /** The best there is among the bays left to each group. */
  | {
      readonly code: 'solved';
      readonly bayOf: Int32Array | undefined;
      readonly bound: number;
      readonly isProven: boolean;
    }
  /** Nothing among them keeps every rule: proven. */
  | { readonly code: 'impossible' }
  /** Too large to be worked through. */
  | { readonly code: 'too_large' };

interface CoreOptions {
  readonly solver: Solver;
  /** What is left of the time, asked once the model is written down. */
  readonly leftMs: () => number;
  readonly seed: number;
  /** Bays left to each group; the others were ruled out. */
  readonly left: readonly (readonly number[])[];
  /** Any arrangement will do. */
  readonly anyWill?: boolean;
}

/**
 * The exact model over the bays that are left: one bay a group, room and load of each bay, foes
 * apart, and the distance of a
 * pair as a transport between the places of the two.
 * Source: Adams and Johnson (1994), the linearisation of a product of choices.
 */
export function solveZonesCore(
  problem: ZonesProblem,
  { solver, leftMs, seed, left, anyWill = false }: CoreOptions,
): CoreOutcome {
  const { groupCount, bayCount, cost, litres, massG, bayLitres, bayMassG, foes } = problem;
  if (left.some((list) => list.length === 0)) return { code: 'impossible' };
  const model = new LinearModel();
  const aim: (readonly [number, number])[] = [];
  const choices = left.map(
    (list, g) =>
      new Map(
        list.map((b) => {
          const variable = model.addVariable({ most: 1, whole: true });
          if (!anyWill) aim.push([variable, cost[g * bayCount + b]!]);
          return [b, variable] as const;
        }),
      ),
  );
  for (const byBay of choices)
    model.addRow(
      [...byBay.values()].map((variable) => [variable, 1] as const),
      { least: 1, most: 1 },
    );
  for (let b = 0; b < bayCount; b += 1) {
    const here = choices.flatMap((byBay, g) => {
      const variable = byBay.get(b);
      return variable === undefined ? [] : [{ g, variable }];
    });
    addRoom(
      model,
      here.map(({ g, variable }) => [variable, litres[g]!] as const),
      bayLitres[b]!,
    );
    if (Number.isFinite(bayMassG[b]))
      addRoom(
        model,
        here.map(({ g, variable }) => [variable, massG[g]!] as const),
        bayMassG[b]!,
      );
    for (const { g, variable } of here) {
      const met = (foes[g] ?? []).flatMap((foe) => {
        const other = choices[foe]?.get(b);
        return foe > g && other !== undefined ? [other] : [];
      });
      for (const other of met)
        model.addRow(
          [
            [variable, 1],
            [other, 1],
          ],
          { most: 1 },
        );
    }
  }
  const fixedCost = anyWill ? 0 : addPairs({ problem, model, aim, choices });
  if (fixedCost === undefined) return { code: 'too_large' };
  const timeLimitMs = leftMs();
  if (timeLimitMs <= 0) return { code: 'too_large' };
  const solution = model.minimise(solver, aim, { timeLimitMs, seed });
  if (solution.status === 'infeasible') return { code: 'impossible' };
  const bound = solution.bound + fixedCost;
  if (!isSolved(solution)) return { code: 'solved', bayOf: undefined, bound, isProven: false };
  const bayOf = Int32Array.from(
    { length: groupCount },
    (_, g) =>
      [...(choices[g] ?? [])].find(([, variable]) => solution.values[variable] === 1)?.[0] ?? -1,
  );
  return { code: 'solved', bayOf, bound, isProven: solution.status === 'optimal' };
}

function addRoom(
  model: LinearModel,
  terms: readonly (readonly [number, number])[],
  room: number,
): void {
  const whole = terms.reduce((sum, [, amount]) => sum + amount, 0);
  if (whole > room + SUM_TOLERANCE) model.addRow(terms, { most: room });
}

/** Adds what pairs cost; returns what is constant in it, or undefined where it would be too much. */
function addPairs({
  problem,
  model,
  aim,
  choices,
}: {
  readonly problem: ZonesProblem;
  readonly model: LinearModel;
  readonly aim: (readonly [number, number])[];
  readonly choices: readonly ReadonlyMap<number, number>[];
}): number | undefined {
  const { pairs, metres, bayCount } = problem;
  let added = 0;
  for (const { a, b, weight } of pairs) {
    const [ofA, ofB] = [byPlace(choices[a], problem), byPlace(choices[b], problem)];
    added += ofA.length * ofB.length;
    if (added > MOST_PAIR_VARIABLES) return undefined;
    const far = (p: Place, q: Place) => weight * metres[p.bay * bayCount + q.bay]!;
    // Where one of the two has a single place, its distance is a cost of the other's.
    if (ofA.length === 1 || ofB.length === 1) {
      for (const p of ofA)
        for (const q of ofB)
          for (const variable of ofA.length === 1 ? q.variables : p.variables)
            aim.push([variable, far(p, q)]);
      continue;
    }
    const flows = ofA.map((p) =>
      ofB.map((q) => {
        const variable = model.addVariable({ most: 1 });
        aim.push([variable, far(p, q)]);
        return variable;
      }),
    );
    ofA.forEach((p, i) =>
      model.addRow(
        [
          ...(flows[i] ?? []).map((variable) => [variable, 1] as const),
          ...p.variables.map((variable) => [variable, -1] as const),
        ],
        { least: 0, most: 0 },
      ),
    );
    ofB.forEach((q, j) =>
      model.addRow(
        [
          ...flows.map((row) => [row[j]!, 1] as const),
          ...q.variables.map((variable) => [variable, -1] as const),
        ],
        { least: 0, most: 0 },
      ),
    );
  }
  return 0;
}

interface Place {
  /** One of the bays there. */
  readonly bay: number;
  readonly variables: number[];
}

/** The choices of a group, those at one place in plan together. */
function byPlace(
  choices: ReadonlyMap<number, number> | undefined,
  { metres, bayCount }: ZonesProblem,
): Place[] {
  const places: Place[] = [];
  for (const [bay, variable] of choices ?? []) {
    const known = places.find((place) => metres[place.bay * bayCount + bay]! === 0);
    if (known) known.variables.push(variable);
    else places.push({ bay, variables: [variable] });
  }
  return places;
}
