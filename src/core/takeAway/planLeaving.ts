import { daysBetween, weekdayOf } from '../shared';
import { roomOfCar } from './carLoad';
import { haulRequestSchema, type HaulAnswer, type HaulRequest } from './haulModel';
import type { Car, HaulBox, HaulDestination, HaulTrip, Leaving } from './model';
import { wayBetween, wayFromHome } from './placesFor';
import { hazardOnWay, meetsBadly } from './streams';
import { partOf, type LeavingThing } from './whatLeaves';

/** When a trip could leave: from a visit that ends, or at a time that somebody typed. */
export interface Departure {
  readonly day: string;
  readonly minute: number;
  /** Leaves when this visit ends, and need not come back for it. */
  readonly visitId: string | null;
}

/** A part of a pile that goes into a box. */
export interface LoadPart {
  readonly id: string;
  readonly leaving: LeavingThing;
  readonly count: number;
  readonly litres: number;
  readonly massG: number;
}

const MINUTES_A_DAY = 1440;
/** Longer than this nobody drives around: and no trip waits over night. */
const MOST_TRIP_MINUTES = 480;

/**
 * Piles that leave by a car, each in parts that go into a box: as many pieces a part as litres and
 * weight let in; a piece that is larger than a box is a part by itself.
 */
export function partsOf(
  leaving: readonly LeavingThing[],
  { litres, maxG }: { readonly litres: number; readonly maxG: number },
): LoadPart[] {
  return leaving.flatMap((each): LoadPart[] => {
    const { thing } = each;
    const one = { litres: thing.litres / thing.count, massG: thing.massG / thing.count };
    const most = Math.max(
      1,
      Math.floor(
        Math.min(
          one.litres > 0 ? litres / one.litres : thing.count,
          one.massG > 0 ? maxG / one.massG : thing.count,
        ) + 1e-9,
      ),
    );
    const parts = Math.ceil(thing.count / most);
    return Array.from({ length: parts }, (_, i) => {
      const count = Math.min(most, thing.count - i * most);
      return {
        id: i === 0 ? thing.id : `${thing.id}#${i}`,
        leaving: each,
        count,
        litres: one.litres * count,
        massG: one.massG * count,
      };
    });
  });
}

export interface LeavingQuestion {
  readonly leaving: readonly LeavingThing[];
  readonly home: Leaving;
  readonly car: Car;
  readonly liftG: number;
  /** Boxes that are packed: they stay. */
  readonly boxes: readonly HaulBox[];
  readonly departures: readonly Departure[];
}
export interface LeavingRequest {
  readonly request: HaulRequest;
  readonly parts: ReadonlyMap<string, LoadPart>;
  /** Packed boxes, in the order of the request's `packed`. */
  readonly kept: readonly HaulBox[];
  readonly destinations: readonly HaulDestination[];
  readonly departures: readonly Departure[];
}

/** What goes into boxes and cars: what somebody comes for, and what nobody takes, stays out of it. */
export const isDriven = ({ place, stream }: LeavingThing): boolean =>
  place !== undefined && !place.destination.collects && stream !== 'bin' && stream !== 'licensed';

/** Of what is driven, what is too long, too large or too heavy for the car, a piece of it alone. */
export const isTooMuchForCar = (
  { thing }: LeavingThing,
  room: { readonly litres: number; readonly maxG: number; readonly longMm: number },
): boolean =>
  (thing.longestMm ?? 0) > room.longMm ||
  thing.litres / thing.count > room.litres ||
  thing.massG / thing.count > room.maxG;

/**
 * The question to the engine. Packed boxes are parts of their own; hazardous things share no box with
 * others, and what must not meet shares neither box nor trip. Hours are counted from the first
 * departure's midnight, so that days differ.
 */
export function toHaulRequest(question: LeavingQuestion): LeavingRequest {
  const { leaving, home, car, liftG, boxes, departures } = question;
  const room = roomOfCar(car, { seatsDown: home.seatsDown, withTrailer: home.withTrailer });
  const driven = leaving.filter((each) => isDriven(each) && !isTooMuchForCar(each, room));
  const byThing = new Map(driven.map((each) => [each.thing.id as string, each]));
  const kept = boxes.filter(
    (box) =>
      box.packedAt !== null &&
      box.loads.every(
        ({ thingId }) => byThing.get(thingId)?.place?.destination.id === box.destinationId,
      ),
  );
  const keptCount = new Map<string, number>();
  const parts = new Map<string, LoadPart>();
  const packed = kept.map((box, b) => ({
    destinationId: box.destinationId as string,
    loadIds: box.loads.map(({ thingId, count }, i) => {
      const each = byThing.get(thingId)!;
      const id = `${box.id}#${b}#${i}`;
      const share = count / each.thing.count;
      keptCount.set(thingId, (keptCount.get(thingId) ?? 0) + count);
      parts.set(id, {
        id,
        leaving: each,
        count,
        litres: each.thing.litres * share,
        massG: each.thing.massG * share,
      });
      return id;
    }),
  }));
  const open = driven.flatMap((each): LeavingThing[] => {
    const left = each.thing.count - (keptCount.get(each.thing.id) ?? 0);
    if (left <= 0) return [];
    return [{ ...each, thing: partOf(each.thing, left) }];
  });
  for (const part of partsOf(open, { litres: home.boxLitres, maxG: liftG }))
    parts.set(part.id, part);
  const destinations = [
    ...new Map(
      [...parts.values()].flatMap(({ leaving: { place } }) =>
        place ? [[place.destination.id, place.destination] as const] : [],
      ),
    ).values(),
  ];
  const firstDay = departures.map(({ day }) => day).sort()[0];
  const request = haulRequestSchema.parse({
    loads: [...parts.values()].map((part) => ({
      id: part.id,
      litres: part.litres,
      massG: part.massG,
      destinationId: part.leaving.place!.destination.id,
      fragile: part.leaving.isFragile,
      ...(part.leaving.thing.longestMm === undefined
        ? {}
        : { longMm: part.leaving.thing.longestMm }),
    })),
    box: { litres: home.boxLitres, maxG: liftG },
    car: { litres: room.litres, maxG: room.maxG, longMm: room.longMm },
    destinations: destinations.map((destination) => ({
      id: destination.id,
      name: destination.name,
      minutes: wayFromHome(home, destination).likely,
      unloadMinutes: destination.unloadMinutes,
      ...(destination.bagsPerVisit === null ? {} : { maxBoxes: destination.bagsPerVisit }),
      ...(firstDay === undefined || destination.hours.length === 0
        ? {}
        : { hours: hoursOf(destination, departures, firstDay) }),
    })),
    driveMinutes: destinations.map((a) =>
      destinations.map((b) => (a === b ? 0 : wayBetween(home, a, b).likely)),
    ),
    ...(firstDay === undefined
      ? {}
      : {
          departures: departures.map(({ day, minute }) => minuteFrom(firstDay, day) + minute),
          mostMinutes: MOST_TRIP_MINUTES,
        }),
    conflicts: conflictsOf([...parts.values()]),
    packed,
  });
  return { request, parts, kept, destinations, departures };
}

const minuteFrom = (firstDay: string, day: string): number =>
  MINUTES_A_DAY * daysBetween(firstDay, day);

/** Its hours on the days of the departures, in minutes from the first one's midnight. */
function hoursOf(
  { hours, exceptions }: HaulDestination,
  departures: readonly Departure[],
  firstDay: string,
): { from: number; to: number }[] {
  const days = [...new Set(departures.map(({ day }) => day))].sort();
  const open = days.flatMap((day) =>
    openOn({ hours, exceptions }, day).map(({ from, to }) => ({
      from: minuteFrom(firstDay, day) + from,
      to: minuteFrom(firstDay, day) + to,
    })),
  );
  // Never open on any of them: an hour that is over before it begins says so to the engine.
  return open.length > 0 ? open : [{ from: 0, to: 0 }];
}

/** When it is open on a day, by its weekday or what was said of that day. */
export function openOn(
  { hours, exceptions }: Pick<HaulDestination, 'hours' | 'exceptions'>,
  day: string,
): readonly { readonly from: number; readonly to: number }[] {
  const special = exceptions.filter((each) => each.day === day);
  if (special.length > 0)
    return special.flatMap(({ from, to }) => (from === null || to === null ? [] : [{ from, to }]));
  return hours.filter(({ weekday }) => weekday === weekdayOf(day)).sort((a, b) => a.from - b.from);
}

type Conflict = { readonly a: string; readonly b: string; readonly in: 'box' | 'trip' };
function conflictsOf(parts: readonly LoadPart[]): Conflict[] {
  const conflicts: Conflict[] = [];
  parts.forEach((x, i) => {
    for (const y of parts.slice(i + 1)) {
      const [one, other] = [x.leaving, y.leaving];
      if (meetsBadly(one.thing.name, other.thing.name) !== undefined)
        conflicts.push({ a: x.id, b: y.id, in: 'trip' });
      else if (
        one.place?.destination.id === other.place?.destination.id &&
        hazardOnWay(one.stream, one.thing.cautions ?? []) !==
          hazardOnWay(other.stream, other.thing.cautions ?? [])
      )
        conflicts.push({ a: x.id, b: y.id, in: 'box' });
    }
  });
  return conflicts;
}

/** What is to be kept of an answer: boxes without ids, and trips that hold them by their index. */
export interface LeavingPlan {
  readonly boxes: readonly {
    /** The packed one that stays; undefined: a new one. */
    readonly kept: HaulBox | undefined;
    readonly destinationId: string;
    readonly loads: readonly { readonly thingId: string; readonly count: number }[];
  }[];
  readonly trips: readonly {
    readonly boxIndexes: readonly number[];
    readonly stopIds: readonly string[];
    readonly departure: Departure | undefined;
    readonly minutes: number;
  }[];
}

export function toLeavingPlan(
  { parts, kept, departures, request }: LeavingRequest,
  answer: HaulAnswer,
): LeavingPlan {
  const keptByLoads = new Map(
    (request.packed ?? []).map(({ loadIds }, b) => [loadIds.join(), kept[b]]),
  );
  const free = [...departures.entries()];
  return {
    boxes: answer.boxes.map(({ destinationId, loadIds }) => ({
      kept: keptByLoads.get(loadIds.join()),
      destinationId,
      loads: addUpLoads(loadIds.flatMap((id) => parts.get(id) ?? [])),
    })),
    trips: answer.trips.map(({ boxIndexes, destinationIds, departure, minutes }) => {
      const at = free.findIndex(([i]) => request.departures?.[i] === departure);
      const [taken] = at < 0 ? [] : free.splice(at, 1);
      return { boxIndexes, stopIds: destinationIds, departure: taken?.[1], minutes };
    }),
  };
}

/** Parts of one pile in one box are one line, where the lowest of them stands. */
function addUpLoads(parts: readonly LoadPart[]): { thingId: string; count: number }[] {
  const loads: { thingId: string; count: number }[] = [];
  for (const { leaving, count } of parts) {
    const known = loads.find(({ thingId }) => thingId === leaving.thing.id);
    if (known) known.count += count;
    else loads.push({ thingId: leaving.thing.id, count });
  }
  return loads;
}

/** Minutes of a trip as it stands, with its stops in their order: driving, unloading. */
export function minutesOfTrip(
  trip: Pick<HaulTrip, 'stopIds'>,
  home: Leaving,
  destinations: readonly HaulDestination[],
): { readonly low: number; readonly likely: number; readonly high: number } {
  const stops = trip.stopIds.flatMap((id) => destinations.find((each) => each.id === id) ?? []);
  const first = stops[0];
  const last = stops.at(-1);
  if (!first || !last) return { low: 0, likely: 0, high: 0 };
  const ways = [
    wayFromHome(home, first),
    ...stops.slice(1).map((stop, i) => wayBetween(home, stops[i]!, stop)),
    wayFromHome(home, last),
  ];
  const unload = stops.reduce((sum, { unloadMinutes }) => sum + unloadMinutes, 0);
  const total = (key: 'low' | 'likely' | 'high') =>
    ways.reduce((sum, way) => sum + way[key], unload);
  return { low: total('low'), likely: total('likely'), high: total('high') };
}

/**
 * What it saves to drive on home from the last stop instead of coming back: between nothing and twice
 * the shorter of the way from there and the way to the home (triangle inequality); where one lives is not
 * known.
 */
export const savedByDrivingOn = (
  trip: Pick<HaulTrip, 'stopIds'>,
  home: Leaving,
  {
    destinations,
    travelMinutes,
  }: { readonly destinations: readonly HaulDestination[]; readonly travelMinutes: number },
): { readonly low: number; readonly high: number } => {
  const last = destinations.find(({ id }) => id === trip.stopIds.at(-1));
  return {
    low: 0,
    high: last ? 2 * Math.min(travelMinutes, wayFromHome(home, last).likely) : 0,
  };
};
