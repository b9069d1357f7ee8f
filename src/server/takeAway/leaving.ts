import 'server-only';

import {
  haulBoxIdSchema,
  haulTripIdSchema,
  type HaulBoxId,
  type HaulDestinationId,
  type HaulTripId,
  type ProjectId,
  type ThingId,
} from '@/core/shared';
import {
  boxStateOf,
  minutesOfTrip,
  partOf,
  roomOfCar,
  startLeaving,
  toHaulRequest,
  toLeavingPlan,
  USUAL_CAR,
  whatLeaves,
  type Car,
  type Departure,
  type HaulAnswer,
  type HaulRequest,
  type HaulBox,
  type HaulDestination,
  type HaulReason,
  type HaulTrip,
  type Leaving,
  type LeavingPlan,
  type LeavingRequest,
  type LeavingThing,
} from '@/core/takeAway';
import { err, ok, type Result } from '@/core/shared';
import { visitStateOf } from '@/core/visits';
import { atomic, recordChange, stampOf, type ChangeWriter } from '@/data/changes';
import { DataError, type Db } from '@/data/db';
import {
  haulBoxRecord,
  haulTripRecord,
  leavingRecord,
  listEvery,
  haulDestinationRecord,
  loadRecords,
  type Records,
} from '@/data/records';
import { listCars, listWorkers } from '@/data/settingsRepo';
import type { AnyRecord, RecordKind } from '@/data/records';
import { isSamePerson } from '@/core/visits';
import { runEngine } from '../engines/runEngine';
import { createId, nowIso, today } from '../means';

/** What the pages of this step read. */
export const leavingNames = [
  'carries',
  'fetches',
  'handovers',
  'haulBoxes',
  'haulTrips',
  'leavings',
  'project',
  'purchases',
  'rooms',
  'sales',
  'things',
  'visits',
] as const;
export type LeavingRecords = Records<(typeof leavingNames)[number]>;

export const listDestinations = async (db: Db): Promise<HaulDestination[]> => {
  const all = await listEvery(db, haulDestinationRecord as unknown as RecordKind<AnyRecord>);
  return (all as unknown as HaulDestination[]).sort((a, b) => a.name.localeCompare(b.name));
};

export interface LoadedLeaving {
  readonly home: Leaving;
  readonly destinations: readonly HaulDestination[];
  readonly car: Car;
  readonly cars: readonly Car[];
  readonly isCarUsual: boolean;
  readonly liftG: number;
  readonly leaving: readonly LeavingThing[];
  readonly departures: readonly Departure[];
}

/** Everything about what leaves a home, worked out of its records and of what the desk keeps for all homes. */
export async function loadLeaving(db: Db, records: LeavingRecords): Promise<LoadedLeaving> {
  const home = records.leavings[0] ?? startLeaving(records.project.id);
  const destinations = await listDestinations(db);
  const cars = await listCars(db);
  const car = cars.find(({ name }) => name === home.carName) ?? cars[0] ?? USUAL_CAR;
  return {
    home,
    destinations,
    cars,
    car,
    isCarUsual: car.name === USUAL_CAR.name,
    liftG: await liftOf(db, records.project),
    leaving: whatLeaves({ ...records, destinations, leaving: home }),
    departures: departuresOf(records, home),
  };
}

/** What the one who lifts least of those who come lifts; for whom nobody has said it, what was agreed for the home. */
async function liftOf(db: Db, { terms }: LeavingRecords['project']): Promise<number> {
  const workers = await listWorkers(db);
  const own = terms.days.people.map(
    (person) => workers.find(({ name }) => isSamePerson(person, name))?.liftG ?? terms.liftLimitG,
  );
  return own.length === 0 ? terms.liftLimitG : Math.min(...own);
}

const MOST_DEPARTURES = 12;
/** Visits that are still to come, when they end; and what was typed. */
function departuresOf({ visits }: LeavingRecords, { departures }: Leaving): Departure[] {
  const day = today();
  return [
    ...visits
      .filter((visit) => visitStateOf(visit) !== 'lived' && visit.day >= day)
      .map((visit) => ({ day: visit.day, minute: visit.toMinute, visitId: visit.id as string })),
    ...departures
      .filter((each) => each.day >= day)
      .map(({ day: on, minute }) => ({ day: on, minute, visitId: null })),
  ]
    .sort((a, b) => a.day.localeCompare(b.day) || a.minute - b.minute)
    .slice(0, MOST_DEPARTURES);
}

/** Changes what the home says of its leaving. */
const changeLeaving = (
  db: Db,
  projectId: ProjectId,
  {
    deed,
    change,
  }: {
    readonly deed: Parameters<typeof recordChange>[1]['deed'];
    readonly change: (before: Leaving) => Leaving;
  },
): Promise<void> =>
  atomic(async (trx: Db) => {
    const { leavings } = await loadRecords(trx, projectId, 'leavings');
    await recordChange(trx, { projectId, deed, now: nowIso() }, (writer) =>
      writer.put(leavingRecord, change(leavings[0] ?? startLeaving(projectId))),
    );
  })(db);

/** Where a thing goes, instead of the nearest that takes it; undefined: the nearest again. */
export async function choosePlace(
  db: Db,
  projectId: ProjectId,
  {
    thingIds,
    destinationId,
  }: {
    readonly thingIds: readonly ThingId[];
    readonly destinationId: HaulDestinationId | undefined;
  },
): Promise<void> {
  const { things } = await loadRecords(db, projectId, 'things');
  const destination = (await listDestinations(db)).find(({ id }) => id === destinationId);
  const named = things.filter(({ id }) => thingIds.includes(id));
  if (named.length === 0) throw new DataError('not_found', 'there is no such thing');
  await changeLeaving(db, projectId, {
    deed: {
      code: 'destination_chosen',
      name: named.length === 1 ? named[0]!.name : `${named.length} piles`,
      place: destination?.name ?? '',
    },
    change: (before) => ({
      ...before,
      choices: [
        ...before.choices.filter(({ thingId }) => !thingIds.includes(thingId)),
        ...(destination
          ? named.map(({ id }) => ({ thingId: id, destinationId: destination.id }))
          : []),
      ],
    }),
  });
}

/** Somebody says that a device's data are wiped, or takes that back. */
export async function noteWiped(
  db: Db,
  projectId: ProjectId,
  { thingId, isWiped }: { readonly thingId: ThingId; readonly isWiped: boolean },
): Promise<void> {
  const { things } = await loadRecords(db, projectId, 'things');
  const name = things.find(({ id }) => id === thingId)?.name ?? '';
  await changeLeaving(db, projectId, {
    deed: { code: 'wiping_noted', name },
    change: (before) => ({
      ...before,
      wipedIds: [...before.wipedIds.filter((id) => id !== thingId), ...(isWiped ? [thingId] : [])],
    }),
  });
}

export type LeavingTerms = Partial<
  Pick<
    Leaving,
    | 'carName'
    | 'seatsDown'
    | 'withTrailer'
    | 'boxLitres'
    | 'departures'
    | 'wantsValues'
    | 'minutes'
    | 'position'
  >
>;
export const saveLeavingTerms = (db: Db, projectId: ProjectId, terms: LeavingTerms) =>
  changeLeaving(db, projectId, {
    deed: { code: 'leaving_changed' },
    change: (before) => ({ ...before, ...terms }),
  });

/** Why nothing was planned. */
export type PlanFault =
  | { readonly code: 'nothing' }
  | { readonly code: 'unknown' }
  | { readonly code: 'changed_meanwhile' }
  | {
      readonly code: 'impossible';
      readonly reasons: readonly HaulReason[];
      /** Loads and destinations of the reasons, by what people call them. */
      readonly names: Readonly<Record<string, string>>;
    };

/**
 * Packs what waits and plans the trips, and keeps both: packed and pinned boxes stay as they are, trips that
 * were started or booked too. Worked out first, written only where the home still stands as it was.
 */
export async function planLeaving(
  db: Db,
  projectId: ProjectId,
  solve: (request: HaulRequest) => Promise<HaulAnswer> = (request) => runEngine('haul', request),
): Promise<Result<undefined, PlanFault>> {
  const stamp = await stampOf(db, projectId);
  const records = await loadRecords(db, projectId, ...leavingNames);
  const loaded = await loadLeaving(db, records);
  const { fixed, open } = splitBoxes(records, loaded);
  const held = heldCounts(fixed);
  const question = {
    ...loaded,
    leaving: loaded.leaving.flatMap((each): LeavingThing[] => {
      const left = each.thing.count - (held.get(each.thing.id) ?? 0);
      if (left <= 0) return [];
      return [{ ...each, thing: partOf(each.thing, left) }];
    }),
    boxes: open,
    departures: freeDepartures(loaded.departures, records.haulTrips, fixed),
  };
  const asked = toHaulRequest(question);
  if (asked.request.loads.length === 0) return err({ code: 'nothing' });
  const answer = await solve(asked.request);
  if (answer.status === 'infeasible')
    return err({ code: 'impossible', reasons: answer.reasons, names: namesOf(asked) });
  if (answer.objective === null) return err({ code: 'unknown' });
  const plan = toLeavingPlan(asked, answer);
  const joined = joinPinnedTrips(asked, plan, { records, fixed, loaded });
  const tripsToMake = plan.trips.filter((_, i) => !joined.has(i));
  return atomic(async (trx: Db): Promise<Result<undefined, PlanFault>> => {
    if ((await stampOf(trx, projectId)) !== stamp) return err({ code: 'changed_meanwhile' });
    const deed = { code: 'leaving_planned', count: plan.boxes.length } as const;
    await recordChange(trx, { projectId, deed, now: nowIso() }, async (writer) => {
      await removePlanned(writer, records, fixed);
      const made = await putTrips(writer, projectId, tripsToMake);
      const tripIds = plan.trips.map(
        (trip, i) => joined.get(i) ?? made[tripsToMake.indexOf(trip)] ?? null,
      );
      const numbers = freeNumbers(
        records.haulBoxes.filter((box) => box.packedAt !== null || fixed.includes(box)),
      );
      for (const [i, { kept, destinationId, loads }] of plan.boxes.entries()) {
        const trip = plan.trips.findIndex(({ boxIndexes }) => boxIndexes.includes(i));
        const box: HaulBox = {
          ...(kept ?? {
            id: haulBoxIdSchema.parse(createId()),
            projectId,
            number: numbers(),
            packedAt: null,
            isPinned: false,
            isLeftOut: false,
          }),
          destinationId: destinationId as HaulDestinationId,
          loads: loads as HaulBox['loads'],
          tripId: tripIds[trip] ?? null,
        };
        await writer.put(haulBoxRecord, box);
      }
      await writer.put(leavingRecord, {
        ...loaded.home,
        proof: {
          at: nowIso(),
          isTimed: question.departures.length > 0,
          boxes: answer.boxes.length,
          boxBound: answer.bounds.boxes,
          trips: answer.trips.length,
          tripBound: answer.bounds.trips,
          minutes: answer.minutes ?? 0,
          minuteBound: answer.bounds.minutes,
        },
      });
    });
    return ok(undefined);
  })(db);
}

/**
 * Planned trips whose boxes all go along on a trip that somebody pinned, where their destinations are
 * stops already and there is room: by their index, the trip that they join.
 */
function joinPinnedTrips(
  { request }: LeavingRequest,
  plan: LeavingPlan,
  {
    records,
    fixed,
    loaded,
  }: {
    readonly records: LeavingRecords;
    readonly fixed: readonly HaulBox[];
    readonly loaded: LoadedLeaving;
  },
): ReadonlyMap<number, HaulTripId> {
  const joined = new Map<number, HaulTripId>();
  const room = carRoomOf(loaded);
  const open = records.haulTrips.filter(
    (trip) => !isFixedTrip(trip) && fixed.some(({ tripId }) => tripId === trip.id),
  );
  // Loads that must not meet are looked at by the engine alone: with such ones nothing is joined.
  const hasFoes = (request.conflicts ?? []).some((conflict) => conflict.in === 'trip');
  for (const trip of hasFoes ? [] : open) {
    const own = fixed.filter(({ tripId }) => tripId === trip.id);
    const states = own.map((box) => boxStateOf(box, loaded));
    let litres = states.reduce((sum, state) => sum + state.carLitres, 0);
    let massG = states.reduce((sum, state) => sum + state.massG, 0);
    plan.trips.forEach(({ boxIndexes, stopIds }, i) => {
      const boxes = boxIndexes.flatMap((b) => plan.boxes[b] ?? []);
      const added = boxes.map(({ loads, destinationId }) =>
        boxStateOf({ ...own[0]!, loads, destinationId } as HaulBox, loaded),
      );
      const more = added.reduce((sum, state) => sum + state.carLitres, 0);
      const heavier = added.reduce((sum, state) => sum + state.massG, 0);
      const stopsThere = stopIds.every((id) => trip.stopIds.some((stop) => stop === id));
      const isTooMany = loaded.destinations.some(
        ({ id, bagsPerVisit }) =>
          [...own, ...boxes].filter((box) => box.destinationId === id).length >
          (bagsPerVisit ?? Infinity),
      );
      if (joined.has(i) || !stopsThere || isTooMany) return;
      if (litres + more > room.litres || massG + heavier > room.maxG) return;
      joined.set(i, trip.id);
      litres += more;
      massG += heavier;
    });
  }
  return joined;
}

/**
 * Boxes that no plan touches: pinned or left out, on a trip that was started or is a pick-up, or packed
 * and wrong by now: those stay until a person opens them, and hold up nothing else.
 */
function splitBoxes({ haulBoxes, haulTrips }: LeavingRecords, loaded: LoadedLeaving) {
  const isRunning = (id: string | null) =>
    haulTrips.some((trip) => trip.id === id && isFixedTrip(trip));
  const isWrong = (box: HaulBox) =>
    box.packedAt !== null && boxStateOf(box, loaded).faults.length > 0;
  const isFixed = (box: HaulBox) =>
    box.isPinned || box.isLeftOut || isRunning(box.tripId) || isWrong(box);
  return { fixed: haulBoxes.filter(isFixed), open: haulBoxes.filter((box) => !isFixed(box)) };
}
const isFixedTrip = ({ startedAt, pickUp }: HaulTrip): boolean =>
  startedAt !== null || pickUp !== null;

function heldCounts(boxes: readonly HaulBox[]): ReadonlyMap<string, number> {
  const counts = new Map<string, number>();
  for (const { thingId, count } of boxes.flatMap(({ loads }) => loads))
    counts.set(thingId, (counts.get(thingId) ?? 0) + count);
  return counts;
}

/** Departures that no trip that stays has. */
function freeDepartures(
  departures: readonly Departure[],
  trips: readonly HaulTrip[],
  fixed: readonly HaulBox[],
): Departure[] {
  const staying = trips.filter(
    (trip) => isFixedTrip(trip) || fixed.some(({ tripId }) => tripId === trip.id),
  );
  return departures.filter(
    ({ day, minute }) => !staying.some((trip) => trip.day === day && trip.departMinute === minute),
  );
}

async function removePlanned(
  writer: ChangeWriter,
  { haulBoxes, haulTrips }: LeavingRecords,
  fixed: readonly HaulBox[],
): Promise<void> {
  for (const box of haulBoxes)
    if (!fixed.includes(box) && box.packedAt === null) await writer.remove(haulBoxRecord, box.id);
    else if (!fixed.includes(box) && box.tripId !== null)
      await writer.put(haulBoxRecord, { ...box, tripId: null });
  for (const trip of haulTrips)
    if (!isFixedTrip(trip) && !fixed.some(({ tripId }) => tripId === trip.id))
      await writer.remove(haulTripRecord, trip.id);
}

async function putTrips(
  writer: ChangeWriter,
  projectId: ProjectId,
  trips: ReturnType<typeof toLeavingPlan>['trips'],
): Promise<HaulTripId[]> {
  const ids: HaulTripId[] = [];
  for (const { stopIds, departure } of trips) {
    const id = haulTripIdSchema.parse(createId());
    await writer.insert(haulTripRecord, {
      id,
      projectId,
      day: departure?.day ?? null,
      departMinute: departure?.minute ?? null,
      stopIds: stopIds as HaulDestinationId[],
      pickUp: null,
      startedAt: null,
      endedAt: null,
    });
    ids.push(id);
  }
  return ids;
}

/** Numbers that no box has, the least first. */
function freeNumbers(boxes: readonly HaulBox[]): () => number {
  const taken = new Set(boxes.map(({ number }) => number));
  let next = 0;
  return () => {
    do next += 1;
    while (taken.has(next));
    return next;
  };
}

const namesOf = ({ parts, destinations }: LeavingRequest): Record<string, string> => ({
  ...Object.fromEntries([...parts].map(([id, { leaving }]) => [id, leaving.thing.name])),
  ...Object.fromEntries(destinations.map(({ id, name }) => [id, name])),
});

export type BoxChange =
  | { readonly do: 'pack' | 'unpack' | 'leave_out' | 'take_in' | 'free' }
  /** Onto another trip, and pinned there; undefined: onto a trip of its own. */
  | { readonly do: 'to_trip'; readonly tripId: HaulTripId | undefined };

const DEED_OF = {
  pack: 'box_packed',
  unpack: 'box_unpacked',
  leave_out: 'box_left_out',
  take_in: 'box_left_out',
  free: 'box_pinned',
  to_trip: 'box_to_trip',
} as const;

/** What a person does with a box; stops of the trips follow. @errors `not_found`. */
export const changeBox = atomic(
  async (
    db: Db,
    projectId: ProjectId,
    { boxId, change }: { readonly boxId: HaulBoxId; readonly change: BoxChange },
  ): Promise<void> => {
    const records = await loadRecords(db, projectId, ...leavingNames);
    const loaded = await loadLeaving(db, records);
    const box = records.haulBoxes.find(({ id }) => id === boxId);
    if (!box) throw new DataError('not_found', 'there is no such box');
    const deed = { code: DEED_OF[change.do], name: String(box.number) } as const;
    await recordChange(db, { projectId, deed, now: nowIso() }, async (writer) => {
      const [newTripId] =
        change.do === 'to_trip' && change.tripId === undefined
          ? await putTrips(writer, projectId, [
              { stopIds: [box.destinationId], boxIndexes: [], departure: undefined, minutes: 0 },
            ])
          : [];
      const after = applyTo(box, change, newTripId);
      await writer.put(haulBoxRecord, after);
      if (after.tripId === box.tripId) return;
      const boxes = records.haulBoxes.map((each) => (each.id === box.id ? after : each));
      for (const trip of records.haulTrips)
        if ([box.tripId, after.tripId].includes(trip.id) && trip.pickUp === null) {
          const stopIds = orderStops(
            [...new Set(boxes.filter((b) => b.tripId === trip.id).map((b) => b.destinationId))],
            trip,
            loaded,
          );
          if (stopIds.length === 0) await writer.remove(haulTripRecord, trip.id);
          else await writer.put(haulTripRecord, { ...trip, stopIds });
        }
    });
  },
);

function applyTo(box: HaulBox, change: BoxChange, newTripId: HaulTripId | undefined): HaulBox {
  switch (change.do) {
    case 'pack':
      return { ...box, packedAt: nowIso() };
    case 'unpack':
      return { ...box, packedAt: null };
    case 'leave_out':
      return { ...box, isLeftOut: true, isPinned: false, tripId: null };
    case 'take_in':
      return { ...box, isLeftOut: false };
    case 'free':
      return { ...box, isPinned: !box.isPinned };
    case 'to_trip':
      return {
        ...box,
        isPinned: true,
        isLeftOut: false,
        tripId: change.tripId ?? newTripId ?? null,
      };
  }
}

/** The shortest way through a few stops, by trying all; more keep the order they have. */
function orderStops(
  stopIds: readonly HaulDestinationId[],
  trip: HaulTrip,
  { home, destinations }: Pick<LoadedLeaving, 'home' | 'destinations'>,
): HaulDestinationId[] {
  if (stopIds.length > 6)
    return [...stopIds].sort((a, b) => trip.stopIds.indexOf(a) - trip.stopIds.indexOf(b));
  const orders = permute(stopIds);
  const minutes = (order: HaulDestinationId[]) =>
    minutesOfTrip({ stopIds: order }, home, destinations).likely;
  return orders.reduce((best, order) => (minutes(order) < minutes(best) ? order : best));
}
const permute = <T>(list: readonly T[]): T[][] =>
  list.length === 0
    ? [[]]
    : list.flatMap((one, i) =>
        permute([...list.slice(0, i), ...list.slice(i + 1)]).map((rest) => [one, ...rest]),
      );

/** When a trip leaves, or that it has. @errors `not_found`. */
export const changeTrip = atomic(
  async (
    db: Db,
    projectId: ProjectId,
    {
      tripId,
      ...change
    }: { readonly tripId: HaulTripId } & Partial<
      Pick<HaulTrip, 'day' | 'departMinute' | 'startedAt'>
    >,
  ): Promise<void> => {
    const { haulTrips } = await loadRecords(db, projectId, 'haulTrips');
    const trip = haulTrips.find(({ id }) => id === tripId);
    if (!trip) throw new DataError('not_found', 'there is no such trip');
    const code = change.startedAt === undefined ? 'trip_changed' : 'trip_started';
    await recordChange(db, { projectId, deed: { code }, now: nowIso() }, (writer) =>
      writer.put(haulTripRecord, { ...trip, ...change }),
    );
  },
);

/** What the car holds for this home. */
export const carRoomOf = ({ car, home }: Pick<LoadedLeaving, 'car' | 'home'>) =>
  roomOfCar(car, { seatsDown: home.seatsDown, withTrailer: home.withTrailer });
