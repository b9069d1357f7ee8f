import { aDatabase, aDecision, HOME } from './builders';

import { handoverIdSchema, haulDestinationIdSchema, loadSolver } from '@/core/shared';
import { leavingStatesOf } from '@/core/sort';
import { planHaul, readHours } from '@/core/takeAway';
import { moveChange } from '@/data/changes';
import type { Db } from '@/data/db';
import { appendDecisions } from '@/data/decisionLog';
import { loadRecords } from '@/data/records';

import { createCollectionDiary } from '@/standins/collection/diary';
import { startCollection } from '@/standins/collection/startCollection';
import { askPickUp, bookPickUp } from '@/server/takeAway/collection';
import {
  readDestinationsCsv,
  saveDestination,
  writeDestinationsCsv,
} from '@/server/takeAway/destinations';
import { handOver, removeHandover } from '@/server/takeAway/handOver';
import { changeBox, leavingNames, listDestinations, loadLeaving } from '@/server/takeAway/leaving';
import { planLeaving } from '@/server/takeAway/planLeaving';

let db: Db;
beforeEach(async () => {
  db = await aDatabase();
});
afterEach(() => db.destroy());

const solve = async (request: Parameters<typeof planHaul>[0]) =>
  planHaul(request, { solver: await loadSolver(), clock: () => 0 });
const input = {
  streams: ['give' as const],
  address: '',
  position: null,
  minutes: 10,
  hours: [],
  exceptions: [],
  refuses: [],
  bagsPerVisit: null,
  unloadMinutes: 10,
  byAppointment: false,
  collects: false,
  givesReceipt: true,
  feeMinor: 0,
  note: '',
};

/** A home with coats and plates to give away, and a shop that takes them. */
async function aLeavingHome() {
  const { rooms } = await loadRecords(db, HOME, 'rooms');
  const room = rooms[0]!;
  await appendDecisions(db, HOME, [
    aDecision({
      id: 'c1',
      thingId: 'coats',
      roomId: room.id,
      name: 'coats',
      count: 30,
      verdict: 'donate',
      litres: 120,
      massG: 30_000,
    }),
    aDecision({
      id: 'p1',
      thingId: 'plates',
      roomId: room.id,
      name: 'plates',
      count: 24,
      verdict: 'donate',
      litres: 12,
      massG: 12_000,
    }),
  ]);
  await saveDestination(db, { ...input, name: 'Second Round', id: undefined });
  const [shop] = await listDestinations(db);
  return { shop: shop!.id };
}
const records = () => loadRecords(db, HOME, ...leavingNames);
const stateOf = async (id: string) => {
  const { things, carries } = await records();
  return leavingStatesOf(things, carries).get(id as never);
};
const said = (change: object) => ({
  id: handoverIdSchema.parse('h1'),
  destinationId: null,
  destinationName: 'Second Round',
  tripId: null,
  boxIds: [],
  thingIds: [],
  refused: [],
  at: '2026-11-30T12:00:00.000Z',
  by: '',
  receiptNumber: 'SR 1',
  ...change,
});

test('boxes hold everything once; a packed one stays, and the plan is proven', async () => {
  await aLeavingHome();
  expect(await planLeaving(db, HOME, solve)).toEqual({ ok: true, value: undefined });
  const before = await records();
  const [first] = before.haulBoxes;
  await changeBox(db, HOME, { boxId: first!.id, change: { do: 'pack' } });
  await planLeaving(db, HOME, solve);
  const after = await records();
  expect(after.haulBoxes.find(({ id }) => id === first?.id)?.loads).toEqual(first?.loads);
  const count = after.haulBoxes
    .flatMap(({ loads }) => loads)
    .reduce((sum, load) => sum + load.count, 0);
  expect(count).toBe(54);
  const proof = after.leavings[0]?.proof;
  expect([proof?.boxes, proof?.trips]).toEqual([proof?.boxBound, proof?.tripBound]);
});

test('what is handed over is gone, what is refused waits with its reason, and all of it comes back', async () => {
  const { shop } = await aLeavingHome();
  const at = said({
    destinationId: shop,
    thingIds: ['coats', 'plates'],
    refused: [{ thingId: 'plates', reason: 'no china' }],
  });
  expect(await handOver(db, HOME, at as never)).toEqual({ ok: true, value: undefined });
  // Sent twice, it counts once.
  expect(await handOver(db, HOME, at as never)).toEqual({ ok: true, value: undefined });
  expect([await stateOf('coats'), await stateOf('plates')]).toEqual(['gone', 'decided']);
  const { handovers } = await records();
  expect(handovers.map(({ lines, refused }) => [lines.length, refused[0]?.reason])).toEqual([
    [1, 'no china'],
  ]);
  const { leaving } = await loadLeaving(db, await records());
  expect(leaving.map(({ thing, refused, place }) => [thing.id, refused?.reason, place])).toEqual([
    ['plates', 'no china', undefined],
  ]);
  await moveChange(db, HOME, 'undo');
  expect([await stateOf('coats'), (await records()).handovers]).toEqual(['decided', []]);
  await moveChange(db, HOME, 'redo');
  await removeHandover(db, HOME, handoverIdSchema.parse('h1'));
  expect(await stateOf('coats')).toBe('decided');
});

test('a pile that is taken in two boxes is gone with the second', async () => {
  const { shop } = await aLeavingHome();
  await planLeaving(db, HOME, solve);
  const boxes = (await records()).haulBoxes.filter(({ loads }) =>
    loads.some(({ thingId }) => thingId === 'coats'),
  );
  expect(boxes.length).toBeGreaterThan(1);
  for (const [i, box] of boxes.entries()) {
    expect(await stateOf('coats')).toBe('decided');
    await handOver(db, HOME, said({ id: `h${i}`, destinationId: shop, boxIds: [box.id] }) as never);
  }
  expect(await stateOf('coats')).toBe('gone');
});

test('a packed box that is wrong by now stays, and holds up nothing else; no number comes twice', async () => {
  await aLeavingHome();
  await planLeaving(db, HOME, solve);
  const [first] = (await records()).haulBoxes;
  await changeBox(db, HOME, { boxId: first!.id, change: { do: 'pack' } });
  // Somebody keeps what is in it.
  const { rooms } = await records();
  const kept = first!.loads.map(({ thingId }, i) =>
    aDecision({
      id: `k${i}`,
      thingId,
      roomId: rooms[0]!.id,
      verdict: 'keep',
      decidedAt: '2026-11-20T10:00:00.000Z',
    }),
  );
  await appendDecisions(db, HOME, kept);
  expect((await planLeaving(db, HOME, solve)).ok).toBe(true);
  const { haulBoxes } = await records();
  expect(haulBoxes.find(({ id }) => id === first?.id)?.loads).toEqual(first?.loads);
  expect(new Set(haulBoxes.map(({ number }) => number)).size).toBe(haulBoxes.length);
});

test('a device that is not wiped is not handed over', async () => {
  const { shop } = await aLeavingHome();
  const { rooms } = await records();
  await appendDecisions(db, HOME, [
    aDecision({
      id: 'l1',
      thingId: 'laptop',
      roomId: rooms[0]!.id,
      name: 'laptop',
      count: 1,
      verdict: 'donate',
      litres: 3,
      massG: 2000,
      cautions: ['data_device'],
    }),
  ]);
  const kept = await handOver(
    db,
    HOME,
    said({ destinationId: shop, thingIds: ['laptop'] }) as never,
  );
  expect(kept).toEqual({ ok: false, error: { code: 'not_wiped', names: ['laptop'] } });
});

test('destinations come back from their own table, and a wrong cell is named', async () => {
  const hours = readHours('Mon-Fri 9-12');
  await saveDestination(db, {
    ...input,
    name: 'Second Round',
    id: undefined,
    hours: hours.ok ? hours.value : [],
  });
  const text = writeDestinationsCsv(await listDestinations(db));
  const before = await listDestinations(db);
  const read = await readDestinationsCsv(db, { text, acceptGoodRows: false });
  expect(read.outcome).toEqual({ addedCount: 0, replacedCount: 1 });
  expect(await listDestinations(db)).toEqual(before);
  const bad = await readDestinationsCsv(db, {
    text: 'name,streams,hours\nSite,nowhere,Mon 12-9\n',
    acceptGoodRows: false,
  });
  expect(bad.faults.map(({ line, column }) => [line, column])).toEqual([
    [2, 'hours'],
    [2, 'streams'],
  ]);
});

test('a slot is booked once though the answer was lost, and a booking that is called off says so', async () => {
  const { shop } = await aLeavingHome();
  const diary = createCollectionDiary('2026-11-30');
  const service = await startCollection({ port: 0, diary });
  const slot = diary.slots()[0]!;
  const book = () => bookPickUp(db, HOME, { destinationId: shop, slot, address: service.address });
  diary.setMood('down');
  expect(await book()).toEqual({ ok: false, error: { code: 'no_answer' } });
  diary.setMood('well');
  expect((await book()).ok).toBe(true);
  expect(diary.bookings()).toHaveLength(1);
  const [trip] = (await records()).haulTrips;
  expect(trip?.pickUp?.state).toBe('booked');
  diary.callOff(trip!.id);
  await askPickUp(db, HOME, { tripId: trip!.id, address: service.address });
  expect((await records()).haulTrips[0]?.pickUp).toMatchObject({ state: 'called_off' });
  diary.fill(slot.id);
  const full = await bookPickUp(db, HOME, {
    destinationId: haulDestinationIdSchema.parse(shop),
    slot,
    address: service.address,
  });
  expect(full).toEqual({ ok: false, error: { code: 'full' } });
  await service.close();
});
