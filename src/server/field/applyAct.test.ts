import fc from 'fast-check';

import { aDatabase, aUnit, HALL, HOME, loadAll } from '@test/builders';
import { fieldActSchema, type FieldAct } from '@/core/field';
import { roomCheckSchema } from '@/core/look';
import { unitIdSchema } from '@/core/shared';
import type { Db } from '@/data/db';
import { listCarries, listSessions } from '@/data/sessionRepo';
import { bayRecord, unitRecord } from '@/data/records';
import { noteRoom } from '../look/savePlan';
import { startSession } from '../sort/sessions';
import { applyAct, applyActs } from './applyAct';
import { removeUnit } from '../look/saveUnit';
import { aboutConflict, listConflicts, placeConflicts } from './conflicts';
import { decideConflict } from './decideConflict';

let db: Db;
let sessionId: string;
const begin = async (): Promise<void> => {
  db = await aDatabase();
  const { bays, ...unit } = aUnit();
  await db(unitRecord.table.name).insert(unitRecord.table.toRow(unit));
  for (const bay of bays) await db(bayRecord.table.name).insert(bayRecord.table.toRow(bay));
  sessionId = await startSession(db, HOME, {
    roomId: HALL,
    sectionId: null,
    method: 'quick-pass',
    plannedMinutes: 60,
    present: [],
  });
};
afterEach(() => db.destroy());

/** The nth act of a device; its clock may be wrong by hours. */
const anAct = (device: number, n: number, command: object, offMs = 0): FieldAct =>
  fieldActSchema.parse({
    id: `device-${device}-act-${n}`,
    // No two at the same time, whichever clocks are wrong.
    at: new Date(
      Date.parse('2026-11-30T09:00:00.000Z') + n * 60_000 + device + offMs,
    ).toISOString(),
    by: `phone ${device}`,
    command: { roomId: HALL, ...command },
  });
const bought = (paidMinor: number) => ({
  kind: 'bought',
  containerId: null,
  handNeedId: null,
  materialKey: null,
  shopName: 'Corner Store',
  label: 'Hooks',
  pieces: 1,
  paidMinor,
  cardMinor: 0,
  expectedMinor: null,
  paidBy: '',
});
const stateOf = async () => {
  const { purchases, setUps } = await loadAll(db, HOME);
  const [session] = await listSessions(db, HALL);
  return {
    debts: (await listCarries(db, HALL)).map(({ note }) => note).sort(),
    paidMinor: purchases.reduce((sum, { paidMinor }) => sum + paidMinor, 0),
    steps: session?.stepStarts.length,
    ticked: setUps.flatMap(({ done }) => done.map(({ kind }) => kind)).sort(),
  };
};

const commandArb = fc.oneof(
  fc.nat(900).map(bought),
  fc.constant({ kind: 'debt', note: 'a bag', dueOn: null }),
  fc.boolean().map((isDone) => ({ kind: 'task', task: 'wipe', of: 'unit', isDone })),
);
const deviceArb = fc.record({
  commands: fc.array(commandArb, { maxLength: 5 }),
  offMs: fc.integer({ min: -10_800, max: 10_800 }).map((seconds) => seconds * 1000),
});

const latestOf = (acts: readonly FieldAct[]) =>
  [...acts]
    .sort((a, b) => a.at.localeCompare(b.at))
    .flatMap(({ command }) => (command.kind === 'task' ? [command] : []))
    .at(-1);

test('three devices, answers lost, sent again, in whatever order: each act counts once', () =>
  fc.assert(
    fc.asyncProperty(
      fc.tuple(deviceArb, deviceArb, deviceArb),
      fc.infiniteStream(fc.nat(2)),
      fc.infiniteStream(fc.nat(3)),
      async (devices, turns, repeats) => {
        await begin();
        const waiting = devices.map(({ commands, offMs }, device) =>
          commands.map((command, n) => anAct(device, n, command, offMs)),
        );
        const all = waiting.flat();
        while (waiting.some((acts) => acts.length > 0)) {
          const acts = waiting[turns.next().value ?? 0] ?? [];
          const [first] = acts;
          if (!first) continue;
          // The desk has it, its answer is lost, and the device sends it once more.
          for (let i = repeats.next().value ?? 0; i >= 0; i -= 1)
            expect(await applyAct(db, HOME, first)).toBeUndefined();
          acts.shift();
        }
        const commands = all.map(({ command }) => command);
        expect(await stateOf()).toEqual({
          debts: commands.flatMap((each) => (each.kind === 'debt' ? [each.note] : [])).sort(),
          paidMinor: commands.reduce(
            (sum, each) => sum + (each.kind === 'bought' ? each.paidMinor : 0),
            0,
          ),
          steps: 1,
          // As if they had come in the order of their times.
          ticked: latestOf(all)?.isDone ? ['wipe'] : [],
        });
        await db.destroy();
      },
    ),
    { numRuns: 25 },
  ));

test('a step is over once, whoever says so; an older untick does not undo a later tick', async () => {
  await begin();
  const over = { kind: 'step_over', sessionId, from: 1, isEnd: false };
  for (const device of [1, 2]) await applyAct(db, HOME, anAct(device, 1, over));
  expect((await stateOf()).steps).toBe(2);
  const task = { kind: 'task', task: 'wipe', of: 'unit' };
  await applyAct(db, HOME, anAct(1, 5, { ...task, isDone: true }));
  await applyAct(db, HOME, anAct(2, 3, { ...task, isDone: false }));
  expect((await stateOf()).ticked).toEqual(['wipe']);
  await applyAct(db, HOME, anAct(2, 9, { ...task, isDone: false }));
  expect((await stateOf()).ticked).toEqual([]);
});

test('what is refused leaves nothing behind and can be sent again', async () => {
  await begin();
  const dear = anAct(1, 1, { ...bought(500), cardMinor: 400 });
  expect(await applyAct(db, HOME, dear)).toEqual({ code: 'card_too_small', leftMinor: 0 });
  expect((await stateOf()).paidMinor).toBe(0);
  const gone = anAct(1, 2, { kind: 'move', madeAt: 'x', index: 0, isDone: true });
  await expect(applyAct(db, HOME, gone)).rejects.toMatchObject({ code: 'not_found' });
  expect(await db('field_acts').select()).toEqual([]);
});

test('two devices that know nothing of each other: the later counts, both are shown, one press takes the other', async () => {
  const check = { id: 'beds', text: 'Beds are made up', clear: null, answer: null };
  const said = (device: number, n: number, answer: 'yes' | 'no') =>
    anAct(device, n, { kind: 'check_answered', checkId: 'beds', answer });
  const acts = [said(1, 1, 'yes'), said(2, 5, 'no')];
  for (const order of [acts, [...acts].reverse()]) {
    await begin();
    await noteRoom(db, HOME, {
      roomId: HALL,
      deed: { code: 'check_answered', name: '' },
      change: { checks: [roomCheckSchema.parse(check)] },
    });
    const answer = async () =>
      (await loadAll(db, HOME)).rooms.find(({ id }) => id === HALL)?.checks[0]?.answer;
    for (const act of order) await applyAct(db, HOME, act);
    expect(await answer()).toBe('no');
    // Said once more on the way, it is asked once all the same.
    await applyAct(db, HOME, said(1, 2, 'yes'));
    const [conflict, ...more] = await listConflicts(db, HOME);
    expect(more).toEqual([]);
    expect(conflict).toMatchObject({ taken: { by: 'phone 2' }, other: { by: 'phone 1' } });
    expect(aboutConflict(conflict!.taken.command, await loadAll(db, HOME))).toContain('Beds');
    await decideConflict(db, HOME, { id: conflict!.id, isOtherTaken: true });
    expect(await answer()).toBe('yes');
    expect(await listConflicts(db, HOME)).toEqual([]);
    await db.destroy();
  }
  await begin();
});

test('a unit measured without a connection is one, however often it is sent, and none once it was removed', async () => {
  await begin();
  const { bays, name, kind, width, depth, height, floorGap, door, holePitch } = aUnit();
  const unit = { name, kind, width, depth, height, floorGap, door, holePitch };
  const places = bays.map(({ id: _, unitId: __, ...bay }) => bay);
  const measured = (n: number, more: object) =>
    anAct(1, n, { kind: 'unit_measured', unitId: 'new-unit', isNew: true, ...more });
  const first = measured(1, { unit: { ...unit, bays: places } });
  for (const act of [first, first, measured(2, { unit: { ...unit, name: 'Tall', bays: places } })])
    expect(await applyAct(db, HOME, act)).toBeUndefined();
  const known = (await loadAll(db, HOME)).units.filter(({ id }) => id === 'new-unit');
  expect(known).toMatchObject([{ name: 'Tall', bays: places.map((bay) => ({ name: bay.name })) }]);
  const deep = places.map((bay) => ({
    ...bay,
    id: known[0]?.bays[0]?.id,
    depthReadings: [{ mm: 9000, text: '9 m' }],
  }));
  expect(await applyAct(db, HOME, measured(3, { unit: { ...unit, bays: deep } }))).toMatchObject({
    code: 'does_not_lay_out',
  });
  await removeUnit(db, HOME, unitIdSchema.parse('new-unit'));
  const late = measured(9, { unit: { ...unit, bays: places }, isNew: false });
  await expect(applyAct(db, HOME, late)).rejects.toMatchObject({ code: 'not_found' });
});

test('two devices of one name are told apart by their marks, and what is said shows where it belongs', async () => {
  await begin();
  const air = (device: string, n: number, airCelsius: number) => ({
    ...anAct(0, n, { kind: 'air_noted', air: { airCelsius, isDamp: false } }),
    by: 'desk',
    device,
  });
  await applyAct(db, HOME, air('a', 1, 15));
  await applyAct(db, HOME, air('b', 2, 18));
  const [conflict] = await placeConflicts(db, HOME, await loadAll(db, HOME));
  expect(conflict).toMatchObject({ step: 'set-up', roomId: HALL });
  expect((await loadAll(db, HOME)).setUps[0]?.airCelsius).toBe(18);
});

test('who knew of it changed their mind: that is no conflict, nor is the same said twice', async () => {
  await begin();
  const task = { kind: 'task', task: 'wipe', of: 'unit', isDone: true };
  await applyAct(db, HOME, anAct(1, 1, task));
  await applyAct(db, HOME, anAct(2, 2, task));
  const later = anAct(2, 3, { ...task, isDone: false });
  await applyAct(db, HOME, { ...later, at: new Date().toISOString() });
  expect(await listConflicts(db, HOME)).toEqual([]);
});

test('several at once are kept in their order, or none of them; one by one those that can be', async () => {
  await begin();
  const acts = [
    anAct(1, 1, { kind: 'debt', note: 'a bag', dueOn: null }),
    anAct(1, 2, { ...bought(500), cardMinor: 400 }),
    anAct(1, 3, bought(700)),
  ];
  expect(await applyActs(db, HOME, acts)).toMatchObject({ code: 'card_too_small' });
  expect(await stateOf()).toMatchObject({ debts: [], paidMinor: 0 });
  for (const act of acts) await applyActs(db, HOME, [act]);
  expect(await stateOf()).toMatchObject({ debts: ['a bag'], paidMinor: 700 });
  // Sent again as they were, they count no more.
  expect(await applyActs(db, HOME, [acts[0]!, acts[2]!])).toBeUndefined();
  expect(await stateOf()).toMatchObject({ debts: ['a bag'], paidMinor: 700 });
});
