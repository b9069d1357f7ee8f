import 'server-only';

import {
  haulTripIdSchema,
  type HaulBoxId,
  type HaulDestinationId,
  type HaulTripId,
  type ProjectId,
  type ThingId,
} from '@/core/shared';
import {
  minutesOfTrip,
  roomOfCar,
  startLeaving,
  toLeavingPlan,
  USUAL_CAR,
  whatLeaves,
  type Car,
  type Departure,
  type HaulBox,
  type HaulDestination,
  type HaulTrip,
  type Leaving,
  type LeavingThing,
} from '@/core/takeAway';
import {} from '@/core/shared';
import { visitStateOf } from '@/core/visits';
import { atomic, recordChange, type ChangeWriter } from '@/data/changes';
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
import {} from '../engines/runEngine';
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
  Pick<Leaving, 'carName' | 'seatsDown' | 'withTrailer' | 'boxLitres' | 'wantsValues' | 'position'>
>;
export const saveLeavingTerms = (db: Db, projectId: ProjectId, terms: LeavingTerms) =>
  changeLeaving(db, projectId, {
    deed: { code: 'leaving_changed' },
    change: (before) => ({ ...before, ...terms }),
  });

/** Adds a time at which a trip could leave, or takes it away. */
export const changeDeparture = (
  db: Db,
  projectId: ProjectId,
  { isAdded, ...time }: Leaving['departures'][number] & { readonly isAdded: boolean },
) =>
  changeLeaving(db, projectId, {
    deed: { code: 'leaving_changed' },
    change: (before) => ({
      ...before,
      departures: [
        ...before.departures.filter(
          ({ day, minute }) => day !== time.day || minute !== time.minute,
        ),
        ...(isAdded ? [{ day: time.day, minute: time.minute }] : []),
      ].slice(-20),
    }),
  });

/** How far a destination is from this home; undefined: as usual. */
export const saveWay = (
  db: Db,
  projectId: ProjectId,
  {
    destinationId,
    minutes,
  }: { readonly destinationId: HaulDestinationId; readonly minutes: number | undefined },
) =>
  changeLeaving(db, projectId, {
    deed: { code: 'leaving_changed' },
    change: (before) => ({
      ...before,
      minutes: [
        ...before.minutes.filter((each) => each.destinationId !== destinationId),
        ...(minutes === undefined ? [] : [{ destinationId, minutes }]),
      ],
    }),
  });

/** Trips as they are planned, with ids of their own. */
export async function putTrips(
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

export type BoxChange =
  | { readonly do: 'pack' | 'unpack' | 'leave_out' | 'take_in' | 'toggle_pin' }
  /** Onto another trip, and pinned there; undefined: onto a trip of its own. */
  | { readonly do: 'to_trip'; readonly tripId: HaulTripId | undefined };

const DEED_OF = {
  pack: 'box_packed',
  unpack: 'box_unpacked',
  leave_out: 'box_left_out',
  take_in: 'box_left_out',
  toggle_pin: 'box_pinned',
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
    case 'toggle_pin':
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
