import type { HaulAnswer, HaulRequest } from '@/core/takeAway';

/** What a box takes at most above a fragile thing. */
const ABOVE_G = 5000;
const NEAR = 1e-5;
type Load = HaulRequest['loads'][number];

/** From home by these destinations, in this order, and home; Infinity where one is closed. */
function driveThrough(request: HaulRequest, order: readonly string[], departure: number): number {
  const indexOf = (id: string) => request.destinations.findIndex((place) => place.id === id);
  let at = departure;
  let before: number | undefined;
  for (const id of order) {
    const here = indexOf(id);
    const place = request.destinations[here]!;
    if (before === undefined) at += place.minutes;
    else
      at += request.driveMinutes
        ? request.driveMinutes[before]![here]!
        : request.destinations[before]!.minutes + place.minutes;
    const unload = place.unloadMinutes ?? request.unloadMinutes ?? 0;
    if (place.hours && place.hours.length > 0) {
      const ends = place.hours
        .filter(({ from, to }) => Math.max(at, from) + unload <= to + NEAR)
        .map(({ from }) => Math.max(at, from) + unload);
      at = Math.min(Infinity, ...ends);
    } else at += unload;
    before = here;
  }
  return before === undefined ? 0 : at + request.destinations[before]!.minutes - departure;
}

/** What is wrong with a box, by its loads from the bottom up. */
function boxFaults(request: HaulRequest, loads: readonly Load[]): string[] {
  const litres = loads.reduce((sum, load) => sum + load.litres, 0);
  const massG = loads.reduce((sum, load) => sum + load.massG, 0);
  const isLarger = litres > request.box.litres + NEAR || massG > request.box.maxG + NEAR;
  const faults = isLarger && loads.length > 1 ? ['is over its limits'] : [];
  loads.forEach(({ fragile, id }, i) => {
    const above = loads.slice(i + 1).reduce((sum, load) => sum + load.massG, 0);
    if (fragile && above > ABOVE_G + NEAR) faults.push(`stands on ${id}`);
  });
  for (const { a, b } of request.conflicts ?? [])
    if (loads.some(({ id }) => id === a) && loads.some(({ id }) => id === b))
      faults.push(`has ${a} beside ${b}`);
  return faults;
}

interface Carried {
  readonly destinationId: string;
  readonly loads: readonly Load[];
}

function tripFaults(request: HaulRequest, boxes: readonly Carried[]): string[] {
  const { car, box, conflicts = [] } = request;
  const loads = boxes.flatMap((each) => each.loads);
  const litresOf = (own: readonly Load[]) => own.reduce((sum, load) => sum + load.litres, 0);
  const litres = boxes.reduce((sum, each) => sum + Math.max(box.litres, litresOf(each.loads)), 0);
  const faults: string[] = [];
  if (litres > car.litres + NEAR) faults.push(`takes ${litres} l`);
  if (loads.reduce((sum, load) => sum + load.massG, 0) > car.maxG + NEAR)
    faults.push('is too heavy');
  for (const { longMm = 0, id } of loads)
    if (longMm > (car.longMm ?? Infinity) + NEAR) faults.push(`${id} is too long`);
  for (const { a, b, in: where } of conflicts)
    if (where === 'trip' && [a, b].every((id) => loads.some((load) => load.id === id)))
      faults.push(`has ${a} and ${b}`);
  for (const place of request.destinations) {
    const most = place.maxBoxes ?? request.maxBoxes ?? Infinity;
    if (boxes.filter(({ destinationId }) => destinationId === place.id).length > most)
      faults.push(`has too many for ${place.id}`);
  }
  return faults;
}

/** What is wrong with an answer, rule by rule. Shares no code with the engine. */
export function haulFaults(request: HaulRequest, answer: HaulAnswer): string[] {
  if (answer.objective === null) return answer.boxes.length > 0 ? ['boxes without an answer'] : [];
  const faults: string[] = [];
  const loadOf = (id: string) => request.loads.find((load) => load.id === id)!;
  const boxes = answer.boxes.map((box) => ({ ...box, loads: box.loadIds.map(loadOf) }));
  const packed = boxes.flatMap(({ loadIds }) => loadIds);
  if (
    [...packed].sort().join() !==
    request.loads
      .map(({ id }) => id)
      .sort()
      .join()
  )
    faults.push('not every load is in one box');
  boxes.forEach(({ loads, destinationId, massG, litres }, i) => {
    faults.push(...boxFaults(request, loads).map((fault) => `box ${i} ${fault}`));
    if (loads.some((load) => load.destinationId !== destinationId))
      faults.push(`box ${i} goes elsewhere`);
    const sums = [massG - sum(loads, 'massG'), litres - sum(loads, 'litres')];
    if (sums.some((off) => Math.abs(off) > 1e-3)) faults.push(`box ${i} is summed wrongly`);
  });
  for (const { loadIds } of request.packed ?? [])
    if (!boxes.some((box) => box.loadIds.join() === loadIds.join()))
      faults.push('a packed box changed');
  const carried = answer.trips.flatMap(({ boxIndexes }) => boxIndexes).sort((a, b) => a - b);
  if (carried.join() !== boxes.map((_, i) => i).join()) faults.push('not every box is in one trip');
  answer.trips.forEach(({ boxIndexes, destinationIds, minutes, departure }, i) => {
    const own = boxIndexes.map((b) => boxes[b]!);
    faults.push(...tripFaults(request, own).map((fault) => `trip ${i} ${fault}`));
    const places = [...new Set(own.map(({ destinationId }) => destinationId))].sort().join();
    if (places !== [...destinationIds].sort().join()) faults.push(`trip ${i} stops elsewhere`);
    const takes = driveThrough(request, destinationIds, departure ?? 0);
    if (takes > (request.mostMinutes ?? Infinity) + NEAR) faults.push(`trip ${i} is too long`);
    if (!(Math.abs(takes - minutes) < 1e-3)) faults.push(`trip ${i} takes ${takes}`);
  });
  const left = answer.trips.flatMap(({ departure }) => departure ?? []);
  if (request.departures) {
    const free = [...request.departures];
    for (const departure of left) {
      const at = free.indexOf(departure);
      if (at < 0) faults.push(`nothing leaves at ${departure}`);
      else free.splice(at, 1);
    }
    if (left.length !== answer.trips.length) faults.push('a trip has no departure');
  }
  const total = answer.trips.reduce((minutes, trip) => minutes + trip.minutes, 0);
  if (Math.abs(total - (answer.minutes ?? NaN)) > 1e-3) faults.push('minutes are summed wrongly');
  if (answer.objective !== boxes.length) faults.push('the objective is not the boxes');
  return faults;
}
const sum = (loads: readonly Load[], key: 'litres' | 'massG'): number =>
  loads.reduce((total, load) => total + load[key], 0);

/** Every way to part a list into sets. */
function partsOf<T>(list: readonly T[]): T[][][] {
  const [first, ...rest] = list;
  if (first === undefined) return [[]];
  return partsOf(rest).flatMap((parts) => [
    [[first], ...parts],
    ...parts.map((part, i) => [...parts.slice(0, i), [first, ...part], ...parts.slice(i + 1)]),
  ]);
}
function ordersOf<T>(list: readonly T[]): T[][] {
  if (list.length === 0) return [[]];
  return list.flatMap((one, i) =>
    ordersOf([...list.slice(0, i), ...list.slice(i + 1)]).map((rest) => [one, ...rest]),
  );
}

export interface HaulCost {
  readonly boxes: number;
  readonly trips: number;
  readonly minutes: number;
}

/** The best over every way to pack and to drive; undefined where there is none. For five loads. */
export function bestHaul(request: HaulRequest): HaulCost | undefined {
  const isPacked = new Set((request.packed ?? []).flatMap(({ loadIds }) => loadIds));
  const loadOf = (id: string) => request.loads.find((load) => load.id === id)!;
  const ways = request.destinations.map(({ id }) => {
    const fixed = (request.packed ?? [])
      .filter(({ destinationId }) => destinationId === id)
      .map(({ loadIds }) => loadIds.map(loadOf));
    const open = request.loads.filter(
      (load) => load.destinationId === id && !isPacked.has(load.id),
    );
    return partsOf(open)
      .map((parts) => [...fixed, ...parts])
      .filter((boxes) =>
        boxes.every(
          (box) =>
            fixed.includes(box as Load[]) ||
            ordersOf(box).some((order) => boxFaults(request, order).length === 0),
        ),
      )
      .map((boxes) => boxes.map((loads): Carried => ({ destinationId: id, loads })));
  });
  if ((request.packed ?? []).some(({ loadIds }) => boxFaults(request, loadIds.map(loadOf)).length))
    return undefined;
  const least = ways.map((own) => Math.min(...own.map((boxes) => boxes.length)));
  const packings = ways.reduce<Carried[][]>(
    (all, own, i) =>
      all.flatMap((before) =>
        own.filter((boxes) => boxes.length === least[i]).map((boxes) => [...before, ...boxes]),
      ),
    [[]],
  );
  const costs = packings.flatMap((boxes) => tripCosts(request, boxes));
  return costs.reduce<HaulCost | undefined>(
    (best, cost) =>
      best &&
      (best.trips < cost.trips || (best.trips === cost.trips && best.minutes <= cost.minutes))
        ? best
        : cost,
    undefined,
  );
}

function tripCosts(request: HaulRequest, boxes: readonly Carried[]): HaulCost[] {
  const minutesOf = (own: readonly Carried[], departure: number) => {
    const minutes = Math.min(
      ...ordersOf([...new Set(own.map(({ destinationId }) => destinationId))]).map((order) =>
        driveThrough(request, order, departure),
      ),
    );
    return minutes > (request.mostMinutes ?? Infinity) ? Infinity : minutes;
  };
  return partsOf(boxes).flatMap((trips) => {
    if (trips.some((own) => tripFaults(request, own).length > 0)) return [];
    const { departures } = request;
    const minutes = departures
      ? cheapest(trips, departures, (own, departure) => minutesOf(own, departure))
      : trips.reduce((total, own) => total + minutesOf(own, 0), 0);
    return minutes < Infinity ? [{ boxes: boxes.length, trips: trips.length, minutes }] : [];
  });
}

/** Each trip at a departure of its own, in every way. */
function cheapest(
  trips: readonly (readonly Carried[])[],
  departures: readonly number[],
  minutesOf: (trip: readonly Carried[], departure: number) => number,
): number {
  const [first, ...rest] = trips;
  if (!first) return 0;
  return Math.min(
    Infinity,
    ...departures.map(
      (departure, i) =>
        minutesOf(first, departure) +
        cheapest(rest, [...departures.slice(0, i), ...departures.slice(i + 1)], minutesOf),
    ),
  );
}
