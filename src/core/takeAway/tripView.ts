import { layLoad, roomOfCar, type LoadSlice } from './carLoad';
import type { Car, HaulBox, HaulDestination, HaulTrip, Leaving } from './model';
import { minutesOfTrip, openOn } from './planLeaving';
import { isFluid, meetsBadly } from './streams';
import type { LeavingThing } from './whatLeaves';

/** A box with what is in it as it stands now, and what is wrong with it. */
export interface BoxState {
  readonly box: HaulBox;
  readonly destination: HaulDestination | undefined;
  readonly lines: readonly {
    readonly thingId: string;
    readonly name: string;
    readonly count: number;
    readonly isFragile: boolean;
    readonly isFluid: boolean;
  }[];
  readonly litres: number;
  readonly massG: number;
  /** In the car: its own size, full or not. */
  readonly carLitres: number;
  readonly isFragile: boolean;
  readonly isForTwo: boolean;
  readonly longestMm: number | undefined;
  readonly faults: readonly BoxFault[];
}
export type BoxFault =
  | { readonly code: 'no_longer_leaves'; readonly names: readonly string[] }
  | { readonly code: 'goes_elsewhere'; readonly names: readonly string[] }
  | { readonly code: 'too_full'; readonly litres: number; readonly mostLitres: number }
  | { readonly code: 'too_heavy'; readonly massG: number; readonly mostG: number }
  | { readonly code: 'no_destination' };

interface Means {
  readonly leaving: readonly LeavingThing[];
  readonly destinations: readonly HaulDestination[];
  readonly home: Leaving;
  readonly liftG: number;
}

export function boxStateOf(box: HaulBox, { leaving, destinations, home, liftG }: Means): BoxState {
  const waiting = new Map(leaving.map((each) => [each.thing.id as string, each]));
  const inside = box.loads.flatMap(({ thingId, count }) => {
    const each = waiting.get(thingId);
    return each ? [{ each, count: Math.min(count, each.thing.count) }] : [];
  });
  const sum = (of: (thing: LeavingThing['thing']) => number) =>
    inside.reduce(
      (total, { each, count }) => total + (of(each.thing) * count) / each.thing.count,
      0,
    );
  const litres = sum((thing) => thing.litres);
  const massG = sum((thing) => thing.massG);
  const elsewhere = inside.filter(({ each }) => each.place?.destination.id !== box.destinationId);
  const lost = box.loads.filter(({ thingId }) => !waiting.has(thingId)).length;
  const pieces = inside.reduce((total, { count }) => total + count, 0);
  const destination = destinations.find(({ id }) => id === box.destinationId);
  const faults: BoxFault[] = [];
  if (!destination) faults.push({ code: 'no_destination' });
  if (lost > 0) faults.push({ code: 'no_longer_leaves', names: [String(lost)] });
  if (elsewhere.length > 0)
    faults.push({ code: 'goes_elsewhere', names: elsewhere.map(({ each }) => each.thing.name) });
  if (pieces > 1 && litres > home.boxLitres * 1.001)
    faults.push({ code: 'too_full', litres, mostLitres: home.boxLitres });
  if (pieces > 1 && massG > liftG * 1.001) faults.push({ code: 'too_heavy', massG, mostG: liftG });
  const longest = inside.flatMap(({ each }) => each.thing.longestMm ?? []);
  return {
    box,
    destination,
    lines: inside.map(({ each, count }) => ({
      thingId: each.thing.id,
      name: each.thing.name,
      count,
      isFragile: each.isFragile,
      isFluid: isFluid(each.thing.name),
    })),
    litres,
    massG,
    carLitres: Math.max(home.boxLitres, litres),
    isFragile: inside.some(({ each }) => each.isFragile),
    isForTwo: massG > liftG,
    longestMm: longest.length > 0 ? Math.max(...longest) : undefined,
    faults,
  };
}

export type TripFault =
  | { readonly code: 'too_full'; readonly litres: number; readonly mostLitres: number }
  | { readonly code: 'too_heavy'; readonly massG: number; readonly mostG: number }
  | { readonly code: 'too_many'; readonly name: string; readonly most: number }
  | { readonly code: 'too_long'; readonly number: number }
  | { readonly code: 'never_meet'; readonly rule: string; readonly a: string; readonly b: string }
  | { readonly code: 'closed'; readonly name: string; readonly arrives: number }
  | { readonly code: 'waits'; readonly name: string; readonly minutes: number };

export interface TripStop {
  readonly destination: HaulDestination;
  readonly boxes: readonly BoxState[];
  /** Minutes of the day; undefined where nobody said when it leaves. */
  readonly arrives: number | undefined;
}
export interface TripState {
  readonly trip: HaulTrip;
  readonly stops: readonly TripStop[];
  readonly minutes: { readonly low: number; readonly likely: number; readonly high: number };
  readonly litres: number;
  readonly massG: number;
  /** From the seats to the tailgate. */
  readonly slices: readonly LoadSlice[];
  readonly faults: readonly TripFault[];
}

/** A trip as it stands: its stops with their boxes and times, how the car is loaded, and what is wrong. */
export function tripStateOf(
  trip: HaulTrip,
  {
    boxes,
    car,
    home,
    destinations,
  }: {
    readonly boxes: readonly BoxState[];
    readonly car: Car;
    readonly home: Leaving;
    readonly destinations: readonly HaulDestination[];
  },
): TripState {
  const own = boxes.filter(({ box }) => box.tripId === trip.id);
  const room = roomOfCar(car, { seatsDown: home.seatsDown, withTrailer: home.withTrailer });
  const timed = timeStops(trip, { home, destinations });
  const stops = timed.stops.map(({ destination, arrives }) => ({
    destination,
    arrives,
    boxes: own.filter(({ box }) => box.destinationId === destination.id),
  }));
  const litres = own.reduce((sum, { carLitres }) => sum + carLitres, 0);
  const massG = own.reduce((sum, box) => sum + box.massG, 0);
  const faults: TripFault[] = [...timed.faults];
  if (litres > room.litres * 1.001)
    faults.push({ code: 'too_full', litres, mostLitres: room.litres });
  if (massG > room.maxG * 1.001) faults.push({ code: 'too_heavy', massG, mostG: room.maxG });
  for (const { destination, boxes: here } of stops)
    if (destination.bagsPerVisit !== null && here.length > destination.bagsPerVisit)
      faults.push({ code: 'too_many', name: destination.name, most: destination.bagsPerVisit });
  for (const { box, longestMm } of own)
    if ((longestMm ?? 0) > room.longMm) faults.push({ code: 'too_long', number: box.number });
  faults.push(...findMeetings(own));
  return {
    trip,
    stops,
    minutes: minutesOfTrip(trip, home, destinations),
    litres,
    massG,
    slices: layLoad(
      stops.flatMap(({ boxes: here }) =>
        here.map(({ box, carLitres }) => ({ id: box.id as string, litres: carLitres })),
      ),
      room.litres,
    ),
    faults,
  };
}

function findMeetings(boxes: readonly BoxState[]): TripFault[] {
  const names = [...new Set(boxes.flatMap(({ lines }) => lines.map(({ name }) => name)))];
  return names.flatMap((a, i) =>
    names.slice(i + 1).flatMap((b): TripFault[] => {
      const rule = meetsBadly(a, b);
      return rule === undefined ? [] : [{ code: 'never_meet', rule, a, b }];
    }),
  );
}

/** When each stop is reached by the likely minutes, and where it is closed then. */
function timeStops(
  trip: HaulTrip,
  {
    home,
    destinations,
  }: { readonly home: Leaving; readonly destinations: readonly HaulDestination[] },
) {
  const known = trip.stopIds.flatMap((id) => destinations.find((each) => each.id === id) ?? []);
  const faults: TripFault[] = [];
  const { day, departMinute } = trip;
  /** By how much everything after a wait is later. */
  let waited = 0;
  const stops = known.map((destination, i) => {
    const ids = known.slice(0, i + 1).map(({ id }) => id);
    const at = (departMinute ?? 0) + reach(ids, home, destinations) + waited;
    if (day === null || departMinute === null || trip.pickUp !== null)
      return { destination, arrives: undefined };
    const hours = openOn(destination, day);
    const isAlways = destination.hours.length === 0 && destination.exceptions.length === 0;
    const open = hours.find(({ to }) => at + destination.unloadMinutes <= to);
    if (!isAlways && !open) faults.push({ code: 'closed', name: destination.name, arrives: at });
    else if (open && open.from > at) {
      faults.push({ code: 'waits', name: destination.name, minutes: open.from - at });
      waited += open.from - at;
    }
    return { destination, arrives: at };
  });
  return { stops, faults };
}

/** Minutes from leaving home to reaching the last of these, unloading before it in them. */
function reach(
  stopIds: readonly HaulDestination['id'][],
  home: Leaving,
  destinations: readonly HaulDestination[],
): number {
  const last = destinations.find(({ id }) => id === stopIds.at(-1));
  if (!last) return 0;
  const whole = minutesOfTrip({ stopIds: [...stopIds] }, home, destinations).likely;
  const back = minutesOfTrip({ stopIds: [last.id] }, home, destinations).likely;
  // There and back to the last alone is twice its way and its unloading.
  const way = (back - last.unloadMinutes) / 2;
  return whole - way - last.unloadMinutes;
}
