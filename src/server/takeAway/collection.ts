import 'server-only';

import { z } from 'zod';

import {
  err,
  haulTripIdSchema,
  ok,
  type HaulDestinationId,
  type HaulTripId,
  type ProjectId,
  type Result,
} from '@/core/shared';
import {
  pickUpSlotSchema,
  type CollectionFault,
  type HaulTrip,
  type LeavingThing,
  type PickUpSlot,
} from '@/core/takeAway';
import { atomic, recordChange } from '@/data/changes';
import { DataError, type Db } from '@/data/db';
import { haulTripRecord, loadRecords } from '@/data/records';
import { createId, nowIso } from '../means';
import { leavingNames, listDestinations, loadLeaving } from './leaving';

/** Where the collection service, real or simulated, is asked; see docs/devices.md. */
export const collectionAddressOf = (env: Readonly<Record<string, string | undefined>>): string =>
  env.TINBOX_COLLECTION ?? 'http://127.0.0.1:4330';

const slotsSchema = z.object({ slots: z.array(pickUpSlotSchema).max(500) });
const bookingSchema = z.object({
  id: z.string().max(100),
  slotId: z.string().max(80),
  state: z.enum(['booked', 'called_off']),
  said: z.string().max(200),
});
const refusalSchema = z.object({
  error: z.object({
    code: z.enum(['full', 'too_heavy', 'too_much', 'unknown_slot']),
    mostG: z.number().optional(),
    mostLitres: z.number().optional(),
  }),
});

const TIMEOUT_MS = 2000;
const TRIES = 2;

/** Asks again once where there is no answer: every question can be asked twice without harm. */
async function ask<T>(
  address: string,
  {
    path,
    method,
    body,
    schema,
  }: {
    readonly path: string;
    readonly method: 'GET' | 'PUT' | 'DELETE';
    readonly body?: unknown;
    readonly schema: z.ZodType<T>;
  },
): Promise<Result<T, CollectionFault>> {
  for (let tries = 1; ; tries += 1)
    try {
      const response = await fetch(`${address}${path}`, {
        method,
        signal: AbortSignal.timeout(TIMEOUT_MS),
        cache: 'no-store',
        redirect: 'error',
        ...(body === undefined
          ? {}
          : { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } }),
      });
      const answer: unknown = await response.json();
      if (response.status === 409) {
        const refused = refusalSchema.safeParse(answer);
        return refused.success ? err(toFault(refused.data.error)) : err({ code: 'unreadable' });
      }
      if (response.ok) {
        const parsed = schema.safeParse(answer);
        return parsed.success ? ok(parsed.data) : err({ code: 'unreadable' });
      }
      if (response.status === 404) return err({ code: 'unknown_booking' });
      if (response.status < 500) return err({ code: 'unreadable' });
      throw new Error(`answered ${response.status}`);
    } catch {
      if (tries >= TRIES) return err({ code: 'no_answer' });
    }
}

function toFault({
  code,
  mostG = 0,
  mostLitres = 0,
}: z.output<typeof refusalSchema>['error']): CollectionFault {
  switch (code) {
    case 'too_heavy':
      return { code, mostG };
    case 'too_much':
      return { code, mostLitres };
    default:
      return { code };
  }
}

export const listSlots = async (
  address: string,
): Promise<Result<readonly PickUpSlot[], CollectionFault>> => {
  const answer = await ask(address, { path: '/slots', method: 'GET', schema: slotsSchema });
  return answer.ok ? ok(answer.value.slots) : answer;
};

/** What a collector comes for: everything that goes to it. */
export const pickedUpBy = (
  leaving: readonly LeavingThing[],
  destinationId: HaulDestinationId,
): readonly LeavingThing[] =>
  leaving.filter(({ place }) => place?.destination.id === destinationId);

/**
 * Books a slot. The wish is written down first, under the id that the service knows it by, so that whatever
 * breaks on the way, it is booked once: asked again, the service answers with the same booking.
 * @errors `not_found`: no such destination.
 */
export async function bookPickUp(
  db: Db,
  projectId: ProjectId,
  {
    destinationId,
    slot,
    address,
  }: {
    readonly destinationId: HaulDestinationId;
    readonly slot: Omit<PickUpSlot, 'left'>;
    readonly address: string;
  },
): Promise<Result<undefined, CollectionFault>> {
  const records = await loadRecords(db, projectId, ...leavingNames);
  const { leaving, destinations } = await loadLeaving(db, records);
  const destination = destinations.find(({ id }) => id === destinationId);
  if (!destination) throw new DataError('not_found', 'no such destination');
  const things = pickedUpBy(leaving, destinationId);
  if (things.length === 0) return err({ code: 'nothing' });
  const pickUp = {
    slotId: slot.id,
    from: slot.from,
    to: slot.to,
    state: 'asked' as const,
    said: '',
  };
  // What was asked and never answered is asked again under its own id.
  const before = records.haulTrips.find(
    (trip) =>
      trip.pickUp?.state === 'asked' &&
      trip.pickUp.slotId === slot.id &&
      trip.stopIds.includes(destinationId),
  );
  const trip: HaulTrip = before ?? {
    id: haulTripIdSchema.parse(createId()),
    projectId,
    day: slot.day,
    departMinute: slot.from,
    stopIds: [destinationId],
    pickUp,
    startedAt: null,
    endedAt: null,
  };
  if (!before) await writeTrip(db, trip, { code: 'pick_up_booked', place: destination.name });
  const answer = await ask(address, {
    path: `/bookings/${encodeURIComponent(trip.id)}`,
    method: 'PUT',
    body: {
      format: 'tin-box-pick-up',
      version: 1,
      slotId: slot.id,
      litres: things.reduce((sum, { thing }) => sum + thing.litres, 0),
      massG: things.reduce((sum, { thing }) => sum + thing.massG, 0),
      heaviestG: Math.max(...things.map(({ thing }) => thing.massG / thing.count)),
    },
    schema: bookingSchema,
  });
  if (answer.ok) {
    await writeTrip(
      db,
      { ...trip, pickUp: { ...pickUp, state: answer.value.state, said: answer.value.said } },
      { code: 'pick_up_booked', place: destination.name },
    );
    return ok(undefined);
  }
  // It said no: there is nothing to wait for. Without an answer the wish stays, and is asked again.
  if (answer.error.code !== 'no_answer')
    await removeTrip(db, projectId, { tripId: trip.id, place: destination.name });
  return answer;
}

/** Asks how a booking stands; a slot that was called off is said, and what it was for waits again. */
export async function askPickUp(
  db: Db,
  projectId: ProjectId,
  { tripId, address }: { readonly tripId: HaulTripId; readonly address: string },
): Promise<Result<undefined, CollectionFault>> {
  const trip = await getPickUp(db, projectId, tripId);
  const answer = await ask(address, {
    path: `/bookings/${encodeURIComponent(trip.id)}`,
    method: 'GET',
    schema: bookingSchema,
  });
  if (!answer.ok) return answer;
  const { state, said } = answer.value;
  if (state !== trip.pickUp.state)
    await writeTrip(
      db,
      { ...trip, pickUp: { ...trip.pickUp, state, said } },
      { code: 'pick_up_ended', place: await nameOf(db, trip) },
    );
  return ok(undefined);
}

/** Calls a pick-up off at the service, and takes it out of the plan. */
export async function cancelPickUp(
  db: Db,
  projectId: ProjectId,
  { tripId, address }: { readonly tripId: HaulTripId; readonly address: string },
): Promise<Result<undefined, CollectionFault>> {
  const trip = await getPickUp(db, projectId, tripId);
  if (trip.pickUp.state === 'booked') {
    const answer = await ask(address, {
      path: `/bookings/${encodeURIComponent(trip.id)}`,
      method: 'DELETE',
      schema: bookingSchema,
    });
    if (!answer.ok && answer.error.code === 'no_answer') return answer;
  }
  await removeTrip(db, projectId, { tripId, place: await nameOf(db, trip) });
  return ok(undefined);
}

async function getPickUp(db: Db, projectId: ProjectId, tripId: HaulTripId) {
  const { haulTrips } = await loadRecords(db, projectId, 'haulTrips');
  const trip = haulTrips.find(({ id }) => id === tripId);
  if (!trip?.pickUp) throw new DataError('not_found', 'there is no such pick-up');
  return { ...trip, pickUp: trip.pickUp };
}
const nameOf = async (db: Db, { stopIds }: HaulTrip): Promise<string> =>
  (await listDestinations(db)).find(({ id }) => id === stopIds[0])?.name ?? 'the collector';

const writeTrip = (
  db: Db,
  trip: HaulTrip,
  deed: Parameters<typeof recordChange>[1]['deed'],
): Promise<void> =>
  atomic((trx: Db) =>
    recordChange(trx, { projectId: trip.projectId, deed, now: nowIso() }, (writer) =>
      writer.put(haulTripRecord, trip),
    ),
  )(db);
const removeTrip = (
  db: Db,
  projectId: ProjectId,
  { tripId, place }: { readonly tripId: HaulTripId; readonly place: string },
): Promise<void> =>
  atomic((trx: Db) =>
    recordChange(
      trx,
      { projectId, deed: { code: 'pick_up_ended', place }, now: nowIso() },
      (writer) => writer.remove(haulTripRecord, tripId),
    ),
  )(db);
