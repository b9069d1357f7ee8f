import { isSolved, LinearModel, type LinearSolution, type Solver } from '../shared';
import { MOST_STOPS_AT_ONCE } from './routes';
import { Car, type TripProblem, type Trips } from './tripProblem';

/** Trips as the model sees them: which stops, and when it leaves. */
interface Column {
  readonly set: number;
  readonly departure: number;
  readonly minutes: number;
}
interface Proof {
  readonly status: 'solved' | 'infeasible' | 'unknown';
  /** Proven below every way to fill trips, whole or cut off. */
  readonly bound: number;
  /** The trips of the best, a column each. */
  readonly columns: readonly Column[];
}
interface ProveOptions {
  readonly solver: Solver;
  readonly seed: number;
  readonly timeLeftMs: () => number;
}

/** Relaxed with any departure as often as wanted, relaxed, and with whole numbers. */
type Stage = 'any_departure' | 'relaxed' | 'whole';

const usedOf = (columns: readonly Column[], { values }: LinearSolution) =>
  columns.flatMap((column, v) => (values[v]! > TOLERANCE ? [{ column, value: values[v]! }] : []));

/** A column and by how much it may still become dearer before it can be in no better answer. */
interface Worth {
  readonly column: Column;
  readonly slack: number;
}
/**
 * Every relaxed optimum lies below the whole one: what adds more than the difference to the best known
 * is in none that is better. Source: reduced-cost fixing, Nemhauser and Wolsey, II.5.
 */
const narrow = (
  columns: readonly Worth[],
  { values, objective, reducedCosts }: LinearSolution,
  below: number,
): Worth[] =>
  columns.flatMap(({ column, slack: before }, v) => {
    const slack = Math.min(before, below - objective + TOLERANCE - reducedCosts[v]!);
    return values[v]! > TOLERANCE || slack >= 0 ? [{ column, slack: Math.max(0, slack) }] : [];
  });

const MOST_COLUMNS = 12_000;
const MOST_ROWS_A_ROUND = 40;
const TOLERANCE = 1e-6;

/**
 * The model of trips: how often each set of stops is visited, leaving when. So many trips must visit
 * any of a set of destinations as its boxes need by litres, mass and number; for boxes of one size and
 * without other limits that is exact, since a trip can be shared as its stops like (max-flow, min-cut).
 * Rows are many and only brought in where they are broken. Source: rounded capacity cuts, Toth and
 * Vigo, Vehicle Routing, 3.2, for deliveries that may be split.
 */
export class TripModel {
  private readonly columns: readonly Column[];
  private readonly cuts: { readonly set: number; readonly isByMost: boolean }[] = [];
  private readonly least: Int32Array;
  private readonly counts: Int32Array;
  readonly isWhole: boolean;

  /** `counts`: the least parcels of each stop, `clique`: stops of parcels of which no two share a trip. */
  constructor(
    private readonly problem: TripProblem,
    counts: readonly number[],
  ) {
    const size = problem.places.length;
    const sets = 2 ** Math.min(size, MOST_STOPS_AT_ONCE);
    const { departureCount } = problem.routes;
    this.isWhole = size <= MOST_STOPS_AT_ONCE && sets * departureCount <= MOST_COLUMNS;
    const columns: Column[] = [];
    if (this.isWhole)
      for (let set = 1; set < sets; set += 1) {
        if (bitCount(set) > problem.mostParcels) continue;
        for (let departure = 0; departure < departureCount; departure += 1) {
          const minutes = problem.routes.minutesOf(set, departure);
          if (minutes < Infinity) columns.push({ set, departure, minutes });
        }
      }
    this.columns = columns;
    this.counts = new Int32Array(this.isWhole ? sets : 0);
    this.least = this.leastTrips(counts);
    this.cuts.push(...problem.places.map((_, stop) => ({ set: 1 << stop, isByMost: false })));
    if (this.isWhole) this.cuts.push({ set: sets - 1, isByMost: false });
  }

  /** Fewest trips, by the model. */
  fewest(options: ProveOptions): Proof {
    return this.solve(() => 1, undefined, options);
  }
  /** Least minutes of so many trips at least, or of exactly so many. */
  quickest(
    trips: { readonly least: number; readonly most: number },
    options: ProveOptions & { readonly below?: number },
  ): Proof {
    return this.solve(({ minutes }) => minutes, trips, options);
  }
  /** So many trips visit something of each of these at least. */
  leastOf(stops: readonly number[]): number {
    const set = stops.reduce((bits, stop) => bits | (1 << stop), 0);
    return this.isWhole ? this.least[set]! : this.leastOfParcels(stops);
  }

  private leastOfParcels(stops: readonly number[]): number {
    const wanted = new Set(stops);
    const own = this.problem.parcels.flatMap((_, i) =>
      wanted.has(this.problem.stops[i]!) ? [i] : [],
    );
    const { parcels, litres, maxG } = this.problem;
    const sum = (of: (i: number) => number) => own.reduce((total, i) => total + of(i), 0);
    return Math.max(
      up(sum((i) => parcels[i]!.carLitres) / litres),
      up(sum((i) => parcels[i]!.massG) / maxG),
    );
  }

  /** For every set of destinations, how many trips visit one of them at least. */
  private leastTrips(counts: readonly number[]): Int32Array {
    const { parcels, stops, places, litres, maxG, mostParcels, mostAtStop, strangers } =
      this.problem;
    const size = this.counts.length;
    const least = new Int32Array(size);
    if (size === 0) return least;
    const boxLitres = Math.min(...parcels.map(({ carLitres }) => carLitres));
    const massOf = places.map((_, stop) =>
      parcels.reduce((sum, { massG }, i) => sum + (stops[i] === stop ? massG : 0), 0),
    );
    // Larger loads are more than a box; of the boxes only the least number is sure.
    const litresOf = places.map((_, stop) => {
      const extra = parcels.reduce(
        (sum, { carLitres }, i) => sum + (stops[i] === stop ? carLitres - boxLitres : 0),
        0,
      );
      return extra + counts[stop]! * boxLitres;
    });
    for (let set = 1; set < size; set += 1) {
      let [count, mass, volume, apart, own] = [0, 0, 0, 0, 0];
      for (let stop = 0; stop < places.length; stop += 1) {
        if (!(set & (1 << stop))) continue;
        count += counts[stop]!;
        mass += massOf[stop]!;
        volume += litresOf[stop]!;
        apart += strangers[stop]!;
        own = Math.max(own, up(counts[stop]! / mostAtStop[stop]!));
      }
      this.counts[set] = count;
      least[set] = Math.max(
        1,
        up(count / mostParcels),
        up(mass / maxG),
        up(volume / litres),
        apart,
        own,
      );
    }
    return least;
  }

  private rowOf({ set, isByMost }: { readonly set: number; readonly isByMost: boolean }) {
    const { mostAtStop, mostParcels, places } = this.problem;
    const weight = (column: Column): number => {
      const shared = column.set & set;
      if (shared === 0) return 0;
      if (!isByMost) return 1;
      let most = 0;
      for (let stop = 0; stop < places.length; stop += 1)
        if (shared & (1 << stop)) most += mostAtStop[stop]!;
      return Math.min(mostParcels, most);
    };
    return { weight, least: isByMost ? this.counts[set]! : this.least[set]! };
  }

  private solve(
    costOf: (column: Column) => number,
    trips: { readonly least: number; readonly most: number } | undefined,
    { solver, seed, timeLeftMs, below = Infinity }: ProveOptions & { readonly below?: number },
  ): Proof {
    if (!this.isWhole) return { status: 'unknown', bound: 0, columns: [] };
    const giveUp = (bound: number): Proof => ({ status: 'unknown', bound, columns: [] });
    let bound = 0;
    let columns: readonly Worth[] = this.columns.map((column) => ({ column, slack: Infinity }));
    /** Solves until no row is broken; what cannot be in a better answer leaves on the way. */
    const round = (stage: Stage): LinearSolution | Proof => {
      for (;;) {
        const list = columns.map(({ column }) => column);
        const { model, aim } = this.build(list, { costOf, trips, stage });
        if (timeLeftMs() < 10) return giveUp(bound);
        const isRelaxed = stage !== 'whole';
        const limits = { timeLimitMs: timeLeftMs() - 5, seed, isRelaxed };
        const solution = model.minimise(solver, aim, limits);
        if (solution.status === 'infeasible')
          // Columns that were left out cost more than what is known.
          return list.length < this.columns.length && below < Infinity
            ? giveUp(below)
            : { status: 'infeasible', bound: Infinity, columns: [] };
        bound = Math.max(bound, Math.min(solution.bound, below));
        if (!isSolved(solution)) return giveUp(bound);
        const broken = this.findBroken(usedOf(list, solution));
        if (isRelaxed) columns = narrow(columns, solution, below);
        if (broken.length === 0) return solution;
        this.cuts.push(...broken);
      }
    };

    if (this.problem.routes.departureCount > 1) {
      columns = this.atBest(costOf);
      const first = round('any_departure');
      if ('columns' in first) return first;
      const best = new Map(columns.map((worth) => [worth.column.set, worth]));
      columns = this.columns.flatMap((column): Worth[] => {
        const known = best.get(column.set);
        if (!known) return [];
        const slack = known.slack - (costOf(column) - costOf(known.column));
        return slack >= 0 ? [{ column, slack }] : [];
      });
    }
    const relaxed = round('relaxed');
    if ('columns' in relaxed) return relaxed;
    const last = round('whole');
    if ('columns' in last) return last;
    if (last.status !== 'optimal') return giveUp(bound);
    const list = columns.map(({ column }) => column);
    return {
      status: 'solved',
      bound: Math.min(last.objective, below),
      columns: usedOf(list, last).flatMap(({ column, value }) =>
        Array.from({ length: Math.round(value) }, () => column),
      ),
    };
  }

  /** Each set once, at the departure that costs it least. */
  private atBest(costOf: (column: Column) => number): Worth[] {
    const best = new Map<number, Column>();
    for (const column of this.columns) {
      const known = best.get(column.set);
      if (!known || costOf(column) < costOf(known)) best.set(column.set, column);
    }
    return [...best.values()].map((column) => ({ column, slack: Infinity }));
  }

  private build(
    columns: readonly Column[],
    {
      costOf,
      trips,
      stage,
    }: {
      readonly costOf: (column: Column) => number;
      readonly trips: { readonly least: number; readonly most: number } | undefined;
      readonly stage: Stage;
    },
  ) {
    const { slots, isLimited, routes, places } = this.problem;
    const model = new LinearModel();
    const variables = columns.map(() => model.addVariable({ whole: true }));
    const addRow = (
      weight: (column: Column) => number,
      range: { readonly least?: number; readonly most?: number },
    ) =>
      model.addRow(
        columns.flatMap((column, v): [number, number][] => {
          const factor = weight(column);
          return factor === 0 ? [] : [[variables[v]!, factor]];
        }),
        range,
      );
    // All trips are one variable: a row then names the trips that visit none of its stops, which are few.
    const all = model.addVariable(trips ?? {});
    model.addRow([...variables.map((variable) => [variable, 1] as const), [all, -1]], {
      least: 0,
      most: 0,
    });
    for (const cut of this.cuts) {
      const { weight, least } = this.rowOf(cut);
      if (cut.isByMost) addRow(weight, { least });
      else
        model.addRow(
          [
            ...columns.flatMap(({ set }, v): [number, number][] =>
              (set & cut.set) === 0 ? [[variables[v]!, -1]] : [],
            ),
            [all, 1],
          ],
          { least },
        );
    }
    // A stop is visited at most as often as it has parcels.
    for (let stop = 0; stop < places.length; stop += 1)
      addRow(({ set }) => (set & (1 << stop) ? 1 : 0), { most: this.parcelsAt(stop) });
    if (isLimited && stage !== 'any_departure')
      for (let departure = 0; departure < routes.departureCount; departure += 1)
        addRow((column) => (column.departure === departure ? 1 : 0), {
          most: slots.filter((slot) => slot === departure).length,
        });
    const aim = columns.map((column, v) => [variables[v]!, costOf(column)] as const);
    return { model, aim };
  }

  private parcelsAt(stop: number): number {
    return this.problem.stops.reduce((sum, own) => sum + (own === stop ? 1 : 0), 0);
  }

  /** The rows that a solution breaks most. */
  private findBroken(
    used: readonly { readonly column: Column; readonly value: number }[],
  ): { readonly set: number; readonly isByMost: boolean }[] {
    const hasMost = this.problem.mostAtStop.some((most) => most < Infinity);
    const broken: { readonly set: number; readonly isByMost: boolean; readonly by: number }[] = [];
    for (let set = 1; set < this.least.length; set += 1)
      for (const isByMost of hasMost ? [false, true] : [false]) {
        const { weight, least } = this.rowOf({ set, isByMost });
        const sum = used.reduce((total, { column, value }) => total + weight(column) * value, 0);
        if (sum < least - 1e-5) broken.push({ set, isByMost, by: least - sum });
      }
    return broken.sort((a, b) => b.by - a.by).slice(0, MOST_ROWS_A_ROUND);
  }
}

/**
 * Puts parcels into trips whose stops are given, each stop with at least one, and every rule kept.
 * @returns undefined where there is no such way, or it was not found in the time.
 */
export function fillColumns(
  problem: TripProblem,
  columns: readonly Pick<Column, 'set' | 'departure'>[],
  { solver, seed, timeLeftMs }: ProveOptions,
): Trips | undefined {
  const { parcels, stops, slots, places, mostAtStop, foes } = problem;
  const model = new LinearModel();
  const goes = parcels.map((_, i) =>
    columns.map(({ set }) =>
      set & (1 << stops[i]!) ? model.addVariable({ most: 1, whole: true }) : undefined,
    ),
  );
  for (const own of goes) {
    const terms = own.flatMap((variable): [number, number][] =>
      variable === undefined ? [] : [[variable, 1]],
    );
    if (terms.length === 0) return undefined;
    model.addRow(terms, { least: 1, most: 1 });
  }
  columns.forEach(({ set }, k) => {
    const inCar = goes.flatMap((own, i) => (own[k] === undefined ? [] : [[i, own[k]] as const]));
    const addUp = (of: (i: number) => number, range: { least?: number; most?: number }) =>
      model.addRow(
        inCar.map(([i, variable]) => [variable, of(i)] as const),
        range,
      );
    addUp((i) => parcels[i]!.carLitres, { most: problem.litres });
    addUp((i) => parcels[i]!.massG / 1000, { most: problem.maxG / 1000 });
    places.forEach((_, stop) => {
      if (set & (1 << stop))
        addUp((i) => (stops[i] === stop ? 1 : 0), { least: 1, most: mostAtStop[stop]! });
    });
    for (const [i, variable] of inCar)
      for (const foe of foes[i]!) {
        const other = goes[foe]![k];
        if (foe > i && other !== undefined)
          model.addRow(
            [
              [variable, 1],
              [other, 1],
            ],
            { most: 1 },
          );
      }
  });
  if (timeLeftMs() < 5) return undefined;
  const solution = model.minimise(solver, [], { timeLimitMs: timeLeftMs(), seed });
  if (!isSolved(solution)) return undefined;
  const trips: number[][] = slots.map(() => []);
  const free = new Set(slots.keys());
  for (const [k, { departure }] of columns.entries()) {
    const slot = [...free].find((each) => slots[each] === departure);
    if (slot === undefined) return undefined;
    free.delete(slot);
    trips[slot] = goes.flatMap((own, i) =>
      own[k] !== undefined && solution.values[own[k]]! > 0.5 ? [i] : [],
    );
  }
  // The solver's tolerances are wider than ours.
  return trips.every((members) => new Car(problem).takes(members)) ? trips : undefined;
}

function bitCount(set: number): number {
  let count = 0;
  for (let bits = set; bits !== 0; bits &= bits - 1) count += 1;
  return count;
}
const up = (value: number): number => Math.ceil(value - 1e-9);
