import { mostAboveFragileG, isOwnParcel } from './boxLoads';
import { MOST_ABOVE_FRAGILE_G, type HaulReason, type HaulRequest, type Load } from './haulModel';
import { PACK_TOLERANCE } from './packVectors';
import { createRoutes, MOST_STOPS_AT_ONCE } from './routes';

/** What can be said to be impossible at once: which load, which box, which hour. */
export function findImpossible(request: HaulRequest): HaulReason[] {
  return [
    ...request.loads.flatMap((load) => findTooMuch(load, request)),
    ...findLargeBoxes(request),
    ...findWrongBoxes(request),
    ...findNeverOpen(request),
  ];
}

function findTooMuch({ id, litres, massG, longMm = 0 }: Load, { car }: HaulRequest): HaulReason[] {
  const measures = [
    { code: 'load_too_large', needs: litres, has: car.litres },
    { code: 'load_too_heavy', needs: massG, has: car.maxG },
    { code: 'load_too_long', needs: longMm, has: car.longMm ?? Infinity },
  ] as const;
  return measures
    .filter(({ needs, has }) => needs > has + PACK_TOLERANCE)
    .map((measure) => ({ ...measure, subject: id }));
}

/** Destinations for which a box is packed though no box goes in the car. */
function findLargeBoxes({ loads, box, car }: HaulRequest): HaulReason[] {
  if (box.litres <= car.litres + PACK_TOLERANCE || loads.length === 0) return [];
  return [{ code: 'box_too_large', subject: loads[0]!.id, needs: box.litres, has: car.litres }];
}

function findWrongBoxes(request: HaulRequest): HaulReason[] {
  const { loads, box, packed = [], conflicts = [] } = request;
  const byId = new Map(loads.map((load) => [load.id, load]));
  return packed.flatMap(({ loadIds }): HaulReason[] => {
    const inside = loadIds.flatMap((id) => byId.get(id) ?? []);
    const subject = loadIds[0]!;
    const sum = (of: (load: Load) => number) => inside.reduce((total, load) => total + of(load), 0);
    const isAlone = inside.length === 1 && isOwnParcel(inside[0]!, request);
    const faults: HaulReason[] = [];
    if (!isAlone && sum(({ litres }) => litres) > box.litres + PACK_TOLERANCE)
      faults.push({
        code: 'packed_too_full',
        subject,
        needs: sum(({ litres }) => litres),
        has: box.litres,
      });
    if (!isAlone && sum(({ massG }) => massG) > box.maxG + PACK_TOLERANCE)
      faults.push({
        code: 'packed_too_heavy',
        subject,
        needs: sum(({ massG }) => massG),
        has: box.maxG,
      });
    const above = mostAboveFragileG(inside);
    if (above > MOST_ABOVE_FRAGILE_G + PACK_TOLERANCE)
      faults.push({ code: 'packed_crushes', subject, needs: above, has: MOST_ABOVE_FRAGILE_G });
    const foes = conflicts.find(({ a, b }) => loadIds.includes(a) && loadIds.includes(b));
    if (foes) faults.push({ code: 'packed_conflict', subject: foes.a, other: foes.b });
    return faults;
  });
}

/** Where a table lets a way by others be shorter, a place may be reached through them alone. */
function findNeverOpen(request: HaulRequest): HaulReason[] {
  const { destinations, loads, departures = [] } = request;
  const wanted = new Set(loads.map(({ destinationId }) => destinationId));
  const places = [...destinations.keys()].filter((place) => wanted.has(destinations[place]!.id));
  const isReachedIn = (own: readonly number[], bit: number): boolean => {
    const routes = createRoutes(request, own);
    return Array.from({ length: 2 ** own.length }, (_, set) => set).some(
      (set) =>
        (set & (1 << bit)) !== 0 &&
        departures.some((_, departure) => routes.minutesOf(set, departure) < Infinity),
    );
  };
  return places.flatMap((place, bit): HaulReason[] => {
    const { id, hours = [], minutes } = destinations[place]!;
    const isReached =
      hours.length === 0 ||
      places.length > MOST_STOPS_AT_ONCE ||
      isReachedIn([place], 0) ||
      isReachedIn(places, bit);
    return isReached ? [] : [{ code: 'never_open', subject: id, departures, hours, minutes }];
  });
}
