import { createRandom, type Random } from '../shared';
import { packVectors } from './packVectors';
import { Car, costOf, isCheaper, toPacking, type TripProblem, type Trips } from './tripProblem';

interface SearchOptions {
  readonly seed: number;
  readonly isOver: () => boolean;
}

/** Nearest stop first: the plain way, filling one car after the other. */
export function fillPlainly(problem: TripProblem): Trips | undefined {
  return fillSlots(problem, parcelsBy(problem, nearestFirst(problem)));
}

/** Stops in the order in which one drives on to the nearest that is left. */
function nearestFirst({ places, routes }: TripProblem): number[] {
  const left = new Set(places.map((_, stop) => stop));
  const order: number[] = [];
  while (left.size > 0) {
    const last = order.at(-1);
    const cost = (stop: number) =>
      routes.minutesOf(last === undefined ? 1 << stop : (1 << last) | (1 << stop), 0);
    const next = [...left].reduce((a, b) => (cost(b) < cost(a) ? b : a));
    order.push(next);
    left.delete(next);
  }
  return order;
}

const parcelsBy = ({ parcels, stops }: TripProblem, order: readonly number[]): number[] =>
  order.flatMap((stop) => {
    const own = parcels.flatMap((_, i) => (stops[i] === stop ? [i] : []));
    return own.sort((i, j) => parcels[j]!.carLitres - parcels[i]!.carLitres || i - j);
  });

/** Each parcel into the first slot that takes it; undefined where one is left over. */
function fillSlots(problem: TripProblem, order: readonly number[]): Trips | undefined {
  const cars = problem.slots.map(() => new Car(problem));
  for (const i of order) {
    const slot = cars.findIndex(
      (car, k) =>
        car.takes([i]) &&
        problem.routes.minutesOf(car.set | (1 << problem.stops[i]!), problem.slots[k]!) < Infinity,
    );
    if (slot < 0) return undefined;
    cars[slot]!.add(i);
  }
  return cars.map(({ members }) => [...members]);
}

/** The best of several quick ways; undefined where none puts every parcel into a trip. */
export function startTrips(problem: TripProblem, options: SearchOptions): Trips | undefined {
  const { slots, routes } = problem;
  const random = createRandom(options.seed);
  const tries: (Trips | undefined)[] = [fillPlainly(problem)];
  const { bins } = packVectors(toPacking(problem), { ...options, isQuick: true });
  if (bins.length <= slots.length && routes.departureCount === 1)
    tries.push(slots.map((_, i) => bins[i] ?? []));
  for (let i = 0; i < 20 && !options.isOver(); i += 1) {
    const order = problem.places.map((_, stop) => stop);
    const keys = order.map(() => random());
    tries.push(
      fillSlots(
        problem,
        parcelsBy(
          problem,
          order.sort((a, b) => keys[a]! - keys[b]!),
        ),
      ),
    );
  }
  const valid = tries.filter(
    (trips): trips is Trips => trips !== undefined && isWhole(problem, trips),
  );
  return valid.reduce<Trips | undefined>(
    (best, trips) =>
      best && !isCheaper(costOf(problem, trips), costOf(problem, best)) ? best : trips,
    undefined,
  );
}

/** What was packed without the ways may break the most at a stop. */
const isWhole = (problem: TripProblem, trips: Trips): boolean =>
  trips.every((members) => new Car(problem).takes(members)) &&
  costOf(problem, trips).minutes < Infinity;

/** Few parcels have few neighbours. */
const STEPS_A_PAIR = 60;
/** Of a trip's minutes, at the beginning and at the end. */
const HOT = 0.2;
const COLD = 0.002;

/**
 * Improves trips by moving and exchanging single parcels and all parcels of a stop, under annealing;
 * a trip that is empty is one fewer. Deterministic unless `isOver` cuts it; never worse than `start`.
 */
export function improveTrips(
  problem: TripProblem,
  start: Trips,
  { seed, steps, isOver }: SearchOptions & { readonly steps: number },
): Trips {
  const { parcels, routes, slots, isLimited } = problem;
  const cars = start.map((members) => new Car(problem, members));
  const used = cars.filter(({ members }) => members.size > 0).length;
  // Without departures one empty car is as good as the next.
  const list = isLimited ? cars.map((_, k) => k) : cars.flatMap((car, k) => (car.set ? [k] : []));
  if (list.length < 2) return start;
  const stepCount = Math.min(steps, STEPS_A_PAIR * parcels.length ** 2);
  const random = createRandom(seed);
  const pick = (count: number) => Math.floor(random() * count);
  const total = costOf(problem, start).minutes;
  const tripWorth = total + 1;
  const costAt = (set: number, k: number) =>
    set === 0 ? 0 : tripWorth + routes.minutesOf(set, slots[k]!);
  const scale = total / Math.max(1, used);
  let best = start;
  let bestCost = costOf(problem, start);
  const at = new Int32Array(parcels.length);
  cars.forEach((car, k) => car.members.forEach((i) => (at[i] = k)));
  for (let step = 0; step < stepCount; step += 1) {
    if (step % 128 === 0 && isOver()) break;
    const heat = scale * HOT * (COLD / HOT) ** (step / stepCount);
    const i = pick(parcels.length);
    const from = at[i]!;
    const to = list[pick(list.length)]!;
    if (from === to) continue;
    const [a, b] = [cars[from]!, cars[to]!];
    const { going, coming } = pickExchange(problem, { a, b, i, random });
    if (!a.takes(coming, new Set(going)) || !b.takes(going, new Set(coming))) continue;
    const before = costAt(a.set, from) + costAt(b.set, to);
    exchange(a, b, going, coming);
    const change = costAt(a.set, from) + costAt(b.set, to) - before;
    if (!(change < Infinity) || (change > 0 && random() >= Math.exp(-change / heat))) {
      exchange(a, b, coming, going);
      continue;
    }
    for (const j of going) at[j] = to;
    for (const j of coming) at[j] = from;
    if (change >= 0) continue;
    const trips = cars.map(({ members }) => [...members]);
    const cost = costOf(problem, trips);
    if (isCheaper(cost, bestCost)) [best, bestCost] = [trips, cost];
  }
  return best;
}

/** A parcel or all of its stop, against nothing, one or all of a stop of the other trip. */
function pickExchange(
  { stops }: TripProblem,
  {
    a,
    b,
    i,
    random,
  }: { readonly a: Car; readonly b: Car; readonly i: number; readonly random: Random },
): { readonly going: readonly number[]; readonly coming: readonly number[] } {
  const alike = (car: Car, parcel: number): number[] =>
    random() < 0.5 ? [parcel] : [...car.members].filter((j) => stops[j] === stops[parcel]);
  const going = alike(a, i);
  if (b.members.size === 0 || random() >= 0.6) return { going, coming: [] };
  const coming = alike(b, [...b.members][Math.floor(random() * b.members.size)]!);
  if (going.length === coming.length || random() < 0.5) return { going, coming };
  // Full cars only exchange as many as they take.
  const count = Math.min(going.length, coming.length);
  return { going: going.slice(0, count), coming: coming.slice(0, count) };
}

function exchange(a: Car, b: Car, going: readonly number[], coming: readonly number[]): void {
  for (const i of going) a.drop(i);
  for (const i of coming) b.drop(i);
  for (const i of going) b.add(i);
  for (const i of coming) a.add(i);
}
