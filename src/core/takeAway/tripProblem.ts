import type { Parcel } from './boxLoads';
import { MOST_ABOVE_FRAGILE_G, type HaulRequest, type Load } from './haulModel';
import { PACK_TOLERANCE, type PackProblem } from './packVectors';
import { createRoutes, type Routes, type StopSet } from './routes';

/** Parcels, the car and the ways, as the search for trips sees them. */
export interface TripProblem {
  readonly parcels: readonly Parcel[];
  /** Of each parcel its stop, by the bit of its destination among those with parcels. */
  readonly stops: Int8Array;
  /** Destinations with parcels, by their index in the request. */
  readonly places: readonly number[];
  readonly litres: number;
  readonly maxG: number;
  /** The most parcels that go in the car: each takes at least a box. */
  readonly mostParcels: number;
  /** The most of one trip, a stop each; Infinity where nobody said. */
  readonly mostAtStop: readonly number[];
  /** Of loads of which no two go in one trip, however they are packed, how many each stop has. */
  readonly strangers: readonly number[];
  /** Parcels that never go in one trip, a set a parcel. */
  readonly foes: readonly ReadonlySet<number>[];
  readonly routes: Routes;
  /** Trips that there can be at most, and when each leaves, by the index of its departure. */
  readonly slots: readonly number[];
  readonly isLimited: boolean;
}

/** A trip while it is filled: which parcels, by their index. */
export type Trips = readonly (readonly number[])[];

export function createTripProblem(request: HaulRequest, parcels: readonly Parcel[]): TripProblem {
  const { car, box, destinations, conflicts = [], departures } = request;
  const places = [...new Set(parcels.map(({ place }) => place))].sort((a, b) => a - b);
  const parcelOf = new Map(parcels.flatMap(({ loadIds }, i) => loadIds.map((id) => [id, i])));
  const foes = parcels.map(() => new Set<number>());
  for (const conflict of conflicts) {
    if (conflict.in !== 'trip') continue;
    const [a, b] = [parcelOf.get(conflict.a), parcelOf.get(conflict.b)];
    if (a === undefined || b === undefined || a === b) continue;
    foes[a]!.add(b);
    foes[b]!.add(a);
  }
  const routes = createRoutes(request, places);
  return {
    parcels,
    places,
    stops: Int8Array.from(parcels, ({ place }) => places.indexOf(place)),
    litres: car.litres,
    maxG: car.maxG,
    mostParcels: Math.floor(car.litres / box.litres + PACK_TOLERANCE),
    mostAtStop: places.map(
      (place) => destinations[place]!.maxBoxes ?? request.maxBoxes ?? Infinity,
    ),
    strangers: countStrangers(request, places),
    foes,
    routes,
    slots: departures
      ? departures.map((_, i) => (routes.departureCount > 1 ? i : 0))
      : parcels.map(() => 0),
    isLimited: departures !== undefined,
  };
}

/** Greedily: what has the most foes first, then the larger loads that fill more than half a car. */
function countStrangers(request: HaulRequest, places: readonly number[]): number[] {
  const { loads, car, conflicts = [], destinations } = request;
  const foesOf = new Map<string, Set<string>>(loads.map(({ id }) => [id, new Set()]));
  for (const { a, b, in: where } of conflicts) {
    if (where !== 'trip') continue;
    foesOf.get(a)?.add(b);
    foesOf.get(b)?.add(a);
  }
  const areApart = (x: Load, y: Load): boolean =>
    x.litres + y.litres > car.litres + PACK_TOLERANCE ||
    x.massG + y.massG > car.maxG + PACK_TOLERANCE ||
    foesOf.get(x.id)!.has(y.id);
  const chosen: Load[] = [];
  const order = [...loads].sort(
    (x, y) => foesOf.get(y.id)!.size - foesOf.get(x.id)!.size || y.litres - x.litres,
  );
  for (const load of order) if (chosen.every((other) => areApart(load, other))) chosen.push(load);
  return places.map(
    (place) =>
      chosen.filter(({ destinationId }) => destinationId === destinations[place]!.id).length,
  );
}

/** Parcels into cars, without the ways. */
export const toPacking = ({ parcels, litres, maxG, foes }: TripProblem): PackProblem => ({
  items: parcels.map(({ carLitres, massG }) => ({ a: carLitres, b: massG, fragile: false })),
  mostA: litres,
  mostB: maxG,
  mostAbove: MOST_ABOVE_FRAGILE_G,
  foes,
});

/** A car that is filled, kept up to date while parcels come and go. */
export class Car {
  readonly members = new Set<number>();
  private litres = 0;
  private massG = 0;
  private readonly counts: number[];
  set: StopSet = 0;

  constructor(
    private readonly problem: TripProblem,
    members: readonly number[] = [],
  ) {
    this.counts = problem.places.map(() => 0);
    for (const i of members) this.add(i);
  }
  /** Whether these can come in, once those have gone. */
  takes(coming: readonly number[], going: ReadonlySet<number> = NOBODY): boolean {
    const { parcels, litres, maxG, stops, mostAtStop, foes } = this.problem;
    let [l, g] = [this.litres, this.massG];
    for (const i of coming) [l, g] = [l + parcels[i]!.carLitres, g + parcels[i]!.massG];
    for (const i of going) [l, g] = [l - parcels[i]!.carLitres, g - parcels[i]!.massG];
    if (l > litres + PACK_TOLERANCE || g > maxG + PACK_TOLERANCE) return false;
    for (const i of coming) {
      const stop = stops[i]!;
      if (mostAtStop[stop] !== Infinity) {
        const isHere = (other: number) => stops[other] === stop;
        const count =
          this.counts[stop]! + coming.filter(isHere).length - [...going].filter(isHere).length;
        if (count > mostAtStop[stop]!) return false;
      }
      for (const foe of foes[i]!)
        if ((this.members.has(foe) && !going.has(foe)) || coming.includes(foe)) return false;
    }
    return true;
  }
  add(i: number): void {
    const { parcels, stops } = this.problem;
    this.members.add(i);
    this.litres += parcels[i]!.carLitres;
    this.massG += parcels[i]!.massG;
    const stop = stops[i]!;
    this.counts[stop] = this.counts[stop]! + 1;
    this.set |= 1 << stop;
  }
  drop(i: number): void {
    const { parcels, stops } = this.problem;
    this.members.delete(i);
    this.litres -= parcels[i]!.carLitres;
    this.massG -= parcels[i]!.massG;
    const stop = stops[i]!;
    this.counts[stop] = this.counts[stop]! - 1;
    if (this.counts[stop] === 0) this.set &= ~(1 << stop);
  }
}
const NOBODY: ReadonlySet<number> = new Set();

/** Trips that are used, and what they take together. */
export interface TripCost {
  readonly count: number;
  readonly minutes: number;
}
export const costOf = ({ routes, slots, stops }: TripProblem, trips: Trips): TripCost =>
  trips.reduce(
    (sum, members, slot) => {
      if (members.length === 0) return sum;
      const set = members.reduce((bits, i) => bits | (1 << stops[i]!), 0);
      return {
        count: sum.count + 1,
        minutes: sum.minutes + routes.minutesOf(set, slots[slot]!),
      };
    },
    { count: 0, minutes: 0 },
  );
export const isCheaper = (a: TripCost, b: TripCost): boolean =>
  a.count < b.count || (a.count === b.count && a.minutes < b.minutes - 1e-9);
