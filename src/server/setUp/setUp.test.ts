import { aDatabase, aSection, aUnit, HALL, HOME, loadAll } from '@test/builders';
import { unitIdSchema } from '@/core/shared';
import { materialsSchema } from '@/core/shop';
import { moveChange } from '@/data/changes';
import type { Db } from '@/data/db';
import { bayRecord, materialsRecord, sectionRecord, unitRecord } from '@/data/records';
import { saveVisit } from '../visits/saveVisit';
import { loadSetUp, noteAir, noteUnit, tickTask, timeTask } from './setUp';

const mm = (value: number) => ({ mm: value, text: `${value} mm` });
const NOW = '2026-12-01T08:00:00.000Z';
let db: Db;
const load = async () =>
  loadSetUp(await loadAll(db, HOME), { id: HALL }, { now: NOW, today: '2026-12-01' });

beforeEach(async () => {
  db = await aDatabase();
  const { bays, ...unit } = aUnit();
  await db(unitRecord.table.name).insert(unitRecord.table.toRow(unit));
  for (const bay of bays) await db(bayRecord.table.name).insert(bayRecord.table.toRow(bay));
  await db(sectionRecord.table.name).insert(sectionRecord.table.toRow(aSection()));
  const materials = materialsSchema.parse({
    id: HALL,
    boards: [],
    kerf: mm(3),
    carLength: null,
    cuts: [],
    roll: null,
    linedBayIds: ['shelf'],
    paint: {
      surfaces: [{ name: 'Wall', width: mm(2000), height: mm(1000), qty: 1 }],
      coats: 2,
      squareMetresPerLitre: 10,
      canLitres: 1,
      priceMinor: 900,
      dryHours: 4,
      cureDays: 2,
    },
  });
  await db(materialsRecord.table.name).insert(materialsRecord.table.toRow(materials));
});
afterEach(() => db.destroy());

test('the list of a room follows from what was decided, in its visits or on its usual days', async () => {
  const usual = await load();
  expect(usual.hasVisit).toBe(false);
  expect(usual.assumedFrom).not.toBeNull();
  expect(usual.tasks.map(({ kind }) => kind)).toEqual([
    'wipe',
    'sand',
    'paint',
    'paint',
    'secure',
    'line',
  ]);
  await saveVisit(db, HOME, {
    today: '2026-12-01',
    plan: {
      id: undefined,
      day: '2026-12-03',
      fromMinute: 540,
      toMinute: 900,
      people: ['Wren', 'Tilda'],
      clientThere: false,
      sectionIds: [aSection().id],
      parking: '',
      prepare: '',
      isPinned: false,
    },
  });
  const planned = await load();
  expect([planned.hasVisit, planned.people]).toEqual([true, ['Wren', 'Tilda']]);
  // Two coats do not go into one visit: the second comes on a usual day behind it.
  expect(planned.assumedFrom?.slice(0, 10)).toBe('2026-12-04');
  expect(planned.plan.tasks[0]?.startsAt.slice(0, 10)).toBe('2026-12-03');
});

test('a task says what of the list it waits for, and its minutes follow what others took', async () => {
  await db(materialsRecord.table.name).update({
    buying_json: JSON.stringify({ paint: { shopId: 'yard', priority: 'must' } }),
  });
  expect((await load()).toBuy).toEqual({
    prime: ['Paint, 1 l'],
    paint: ['Paint, 1 l'],
  });
  const unit = { roomId: HALL, kind: 'wipe', of: 'unit' } as const;
  await tickTask(db, HOME, { ...unit, isDone: true });
  const listed = (await load()).tasks.find(({ kind }) => kind === 'wipe')?.minutes ?? 0;
  await timeTask(db, HOME, { ...unit, tookMinutes: listed * 2 });
  const wipe = (await load()).tasks.find(({ kind }) => kind === 'wipe');
  // One time of its own counts as much as what was assumed.
  expect(wipe?.minutes).toBe(Math.ceil(listed * Math.SQRT2));
  expect(wipe?.assumedMinutes).toBe(listed);
  await noteUnit(db, HOME, {
    roomId: HALL,
    unitId: unitIdSchema.parse('unit'),
    comes: 'bought',
    massG: 20_000,
    isAnchored: true,
  });
  const kinds = (await load()).tasks.map(({ kind }) => kind);
  expect(kinds).toContain('assemble');
  expect(kinds).not.toContain('secure');
  expect(kinds).not.toContain('wipe');
});

test('a tick is kept with its moment, taken back when ticked again or by undo; the air makes paint slower', async () => {
  const tick = (isDone: boolean) =>
    tickTask(db, HOME, { roomId: HALL, kind: 'wipe', of: 'unit', isDone });
  await tick(true);
  expect((await load()).plan.tasks.map(({ task }) => task.kind)).not.toContain('wipe');
  await moveChange(db, HOME, 'undo');
  expect((await loadAll(db, HOME)).setUps).toEqual([]);
  await tick(true);
  // Said twice it is done once.
  await tick(true);
  expect((await loadAll(db, HOME)).setUps[0]?.done).toHaveLength(1);
  await tick(false);
  expect((await loadAll(db, HOME)).setUps).toMatchObject([{ done: [] }]);
  const lagOf = async () =>
    (await load()).tasks.findLast(({ kind }) => kind === 'paint')?.after[0]?.lagMinutes;
  expect(await lagOf()).toBe(240);
  await noteAir(db, HOME, { roomId: HALL, airCelsius: 10, isDamp: true });
  expect(await lagOf()).toBe(720);
});
