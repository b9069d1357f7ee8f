import 'server-only';

import {
  haulBoxIdSchema,
  err,
  ok,
  type HaulDestinationId,
  type HaulTripId,
  type ProjectId,
  type Result,
} from '@/core/shared';
import {
  boxStateOf,
  partOf,
  toHaulRequest,
  toLeavingPlan,
  type Departure,
  type HaulAnswer,
  type HaulBox,
  type HaulRequest,
  type HaulTrip,
  type LeavingPlan,
  type LeavingRequest,
  type LeavingThing,
  type PlanFault,
} from '@/core/takeAway';
import { atomic, recordChange, stampOf, type ChangeWriter } from '@/data/changes';
import type { Db } from '@/data/db';
import { haulBoxRecord, haulTripRecord, leavingRecord, loadRecords } from '@/data/records';
import { runEngine } from '../engines/runEngine';
import { createId, nowIso } from '../means';
import {
  carRoomOf,
  leavingNames,
  loadLeaving,
  putTrips,
  type LeavingRecords,
  type LoadedLeaving,
} from './leaving';

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
