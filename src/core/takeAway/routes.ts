import type { HaulRequest } from './haulModel';

/** Destinations visited on one way from home and back, as a set of bits. */
export type StopSet = number;

export interface Routes {
  /** The least minutes of a trip to exactly these, leaving at a departure; Infinity where none gets in. */
  readonly minutesOf: (stops: StopSet, departure: number) => number;
  readonly orderOf: (stops: StopSet, departure: number) => readonly number[];
  /** How many departures are told apart; 1 where trips leave at any time. */
  readonly departureCount: number;
}

/** Sets of up to so many destinations are worked out all at once. */
export const MOST_STOPS_AT_ONCE = 12;
const TOLERANCE = 1e-6;

/**
 * Least minutes from home through sets of destinations and home: dynamic programming over sets and
 * last stops (Held and Karp 1962), O(2^n n²) a departure, each departure when it is first asked for.
 * An earlier end at a stop never makes a later one, with hours too, so that one end a state suffices.
 * `places`: the destinations that matter, by their index in the request; bits count in its order.
 */
export function createRoutes(request: HaulRequest, places: readonly number[]): Routes {
  return places.length > MOST_STOPS_AT_ONCE
    ? createRoutesByNeed(request, places)
    : createAllRoutes(request, places);
}

/** Where there are many destinations: only for the sets that are asked for, none of too many stops. */
function createRoutesByNeed(request: HaulRequest, places: readonly number[]): Routes {
  const known = new Map<StopSet, Routes>();
  const stopsOf = (set: StopSet): number[] =>
    places.flatMap((_, bit) => (set & (1 << bit) ? [bit] : []));
  const routesOf = (set: StopSet): Routes | undefined => {
    const stops = stopsOf(set);
    if (stops.length > MOST_STOPS_AT_ONCE) return undefined;
    const kept = known.get(set);
    if (kept) return kept;
    const own = createAllRoutes(
      request,
      stops.map((stop) => places[stop]!),
    );
    known.set(set, own);
    return own;
  };
  const all = (set: StopSet): number => 2 ** stopsOf(set).length - 1;
  return {
    departureCount: createAllRoutes(request, []).departureCount,
    minutesOf: (set, departure) => routesOf(set)?.minutesOf(all(set), departure) ?? Infinity,
    orderOf: (set, departure) => {
      const stops = stopsOf(set);
      const order = routesOf(set)?.orderOf(all(set), departure) ?? [];
      return order.map((stop) => stops[stop]!);
    },
  };
}

function createAllRoutes(request: HaulRequest, places: readonly number[]): Routes {
  const { destinations, driveMinutes, departures } = request;
  const count = places.length;
  const home = places.map((place) => destinations[place]!.minutes);
  const unload = places.map(
    (place) => destinations[place]!.unloadMinutes ?? request.unloadMinutes ?? 0,
  );
  const hours = places.map((place) =>
    [...(destinations[place]!.hours ?? [])].sort((a, b) => a.from - b.from),
  );
  const longest = (request.mostMinutes ?? Infinity) + TOLERANCE;
  const between = (a: number, b: number): number =>
    driveMinutes ? driveMinutes[places[a]!]![places[b]!]! : home[a]! + home[b]!;
  /** When one drives on who arrives at a minute of the day. */
  const doneAt = (stop: number, arrives: number): number => {
    const own = hours[stop]!;
    if (own.length === 0) return arrives + unload[stop]!;
    const open = own.find(
      ({ from, to }) => Math.max(from, arrives) + unload[stop]! <= to + TOLERANCE,
    );
    return open ? Math.max(open.from, arrives) + unload[stop]! : Infinity;
  };
  const hasHours = destinations.some((place) => (place.hours ?? []).length > 0);
  const starts = departures && hasHours ? departures : [0];

  interface Tables {
    /** When the last stop of a set is done, [set × count + last]. */
    readonly ends: Float64Array;
    readonly before: Int8Array;
    readonly minutes: Float64Array;
    readonly lasts: Int8Array;
  }
  const known = new Map<number, Tables>();
  const tablesOf = (departure: number): Tables => {
    const index = hasHours ? departure : 0;
    const kept = known.get(index);
    if (kept) return kept;
    const size = 2 ** count;
    const ends = new Float64Array(size * count).fill(Infinity);
    const before = new Int8Array(size * count).fill(-1);
    const minutes = new Float64Array(size).fill(Infinity);
    const lasts = new Int8Array(size).fill(-1);
    const start = starts[index]!;
    minutes[0] = 0;
    for (let stop = 0; stop < count; stop += 1)
      ends[(1 << stop) * count + stop] = doneAt(stop, start + home[stop]!);
    for (let set = 1; set < size; set += 1)
      for (let last = 0; last < count; last += 1) {
        const end = ends[set * count + last]!;
        if (end === Infinity) continue;
        const total = end + home[last]! - start;
        if (total < minutes[set]! && total <= longest) {
          minutes[set] = total;
          lasts[set] = last;
        }
        for (let next = 0; next < count; next += 1) {
          if (set & (1 << next)) continue;
          const state = (set | (1 << next)) * count + next;
          const then = doneAt(next, end + between(last, next));
          if (then < ends[state]!) {
            ends[state] = then;
            before[state] = last;
          }
        }
      }
    const tables = { ends, before, minutes, lasts };
    known.set(index, tables);
    return tables;
  };
  return {
    departureCount: hasHours ? starts.length : 1,
    minutesOf: (stops, departure) => tablesOf(departure).minutes[stops]!,
    orderOf: (stops, departure) => {
      const { before, lasts } = tablesOf(departure);
      const order: number[] = [];
      let set = stops;
      let last = lasts[set]!;
      while (set !== 0 && last >= 0) {
        order.unshift(last);
        const previous = before[set * count + last]!;
        set &= ~(1 << last);
        last = previous;
      }
      return order;
    },
  };
}
