import { aDatabase, aSection, aUnit, HOME, loadAll } from '@test/builders';
import { projectIdSchema, visitIdSchema } from '@/core/shared';
import { moveChange } from '@/data/changes';
import type { Db } from '@/data/db';
import { bayRecord, projectRecord, sectionRecord, unitRecord } from '@/data/records';
import { loadEstimate } from '../agree/loadEstimate';
import { changeWorker, listWorkers } from '@/data/settingsRepo';
import { findUnplanned, saveDaysTerms, takeDays, toHomesQuestion } from './planDays';
import {
  markVisit,
  moveVisit,
  noteVisit,
  packForVisit,
  removeVisit,
  saveVisit,
  tickSection,
  type VisitPlan,
} from './saveVisit';
import { writeTimeSheet, writeVisitsCalendar } from './visitFiles';

const OTHER = projectIdSchema.parse('mill');
const TODAY = '2026-11-30';
const DAYS = {
  people: ['Wren'],
  weekdays: [1, 2, 3, 4, 5],
  fromMinute: 540,
  clientAway: ['2026-12-02'],
  travelMinutes: 30,
  mostHardMinutes: 60,
  stretchMinutes: 90,
  orderLowDays: 2,
  orderHighDays: 7,
};
let db: Db;
const visits = async () => (await loadAll(db, HOME)).visits;
const aPlan = (facts: Partial<VisitPlan> = {}): VisitPlan => ({
  id: undefined,
  day: '2026-12-01',
  fromMinute: 540,
  toMinute: 720,
  people: ['Wren'],
  clientThere: true,
  sectionIds: [],
  parking: '',
  prepare: '',
  isPinned: false,
  ...facts,
});
const keep = (facts: Partial<VisitPlan> = {}, home = HOME) =>
  saveVisit(db, home, { plan: aPlan(facts), today: TODAY });
const keepOne = async (facts: Partial<VisitPlan> = {}) => {
  const kept = await keep(facts);
  return kept.ok ? kept.value : visitIdSchema.parse('none');
};

beforeEach(async () => {
  db = await aDatabase();
  const { project } = await loadAll(db, HOME);
  await db(projectRecord.table.name).insert(
    projectRecord.table.toRow({ ...project, id: OTHER, name: 'Mill Lane' }),
  );
});
afterEach(() => db.destroy());

test('a day that has passed is refused, and so is being in two homes at once; nothing is kept of it', async () => {
  expect(await keep({ day: '2026-11-29' })).toMatchObject({ error: { code: 'in_the_past' } });
  await keep({}, OTHER);
  expect(await keep({ fromMinute: 700, toMinute: 800 })).toEqual({
    ok: false,
    error: {
      code: 'in_two_homes',
      person: 'Wren',
      homeName: 'Mill Lane',
      fromMinute: 540,
      toMinute: 720,
    },
  });
  expect(await visits()).toEqual([]);
  expect(await keep({ fromMinute: 720, toMinute: 800 })).toMatchObject({ ok: true });
});

test('what was lived stays when the plan is changed, and taps that say what is so already change nothing', async () => {
  const id = await keepOne();
  const mark = (mark: Parameters<typeof markVisit>[2]['mark'], time: string) =>
    markVisit(db, HOME, { visitId: id, mark, now: `2026-12-01T${time}:00.000Z` });
  await mark('leave', '08:00');
  await mark('arrive', '09:00');
  await mark('arrive', '09:30');
  await mark('break', '10:00');
  await mark('leave', '12:00');
  await keep({ id, parking: 'in the lane' });
  const [visit] = await visits();
  expect(visit).toMatchObject({
    parking: 'in the lane',
    arrivedAt: '2026-12-01T09:00:00.000Z',
    leftAt: '2026-12-01T12:00:00.000Z',
    breaks: [{ from: '2026-12-01T10:00:00.000Z', to: '2026-12-01T12:00:00.000Z' }],
  });
  await mark('goBack', '12:10');
  expect((await visits())[0]?.leftAt).toBeNull();
});

test('what is ticked as packed is told apart going there and going home, and ticked off again', async () => {
  const id = await keepOne();
  const pack = (code: 'boxes' | 'gloves', isBack: boolean, isPacked = true) =>
    packForVisit(db, HOME, { visitId: id, code, isBack, isPacked });
  await pack('boxes', false);
  // Said twice, by two devices, it is packed once.
  await pack('boxes', false);
  await pack('gloves', false);
  await pack('boxes', true);
  await pack('gloves', false, false);
  expect(await visits()).toMatchObject([{ packed: ['boxes'], packedBack: ['boxes'] }]);
});

test('a visit that is removed comes back by undo, with what was noted of it', async () => {
  const id = await keepOne();
  await noteVisit(db, HOME, {
    visitId: id,
    done: 'Scarves',
    promised: '',
    next: '',
    correctedMinutes: 90,
  });
  await removeVisit(db, HOME, id);
  expect(await visits()).toEqual([]);
  await moveChange(db, HOME, 'undo');
  expect(await visits()).toMatchObject([{ id, done: 'Scarves', correctedMinutes: 90 }]);
});

const ask = async (ids = [HOME]) => (await toHomesQuestion(db, ids, TODAY)).question;
const addSection = async () => {
  const { bays, ...unit } = aUnit();
  await db(unitRecord.table.name).insert(unitRecord.table.toRow(unit));
  for (const bay of bays) await db(bayRecord.table.name).insert(bayRecord.table.toRow(bay));
  const section = aSection();
  await db(sectionRecord.table.name).insert(sectionRecord.table.toRow(section));
  return section;
};

test('days are asked for beside what is pinned and what other homes have planned', async () => {
  const section = await addSection();
  await saveDaysTerms(db, HOME, DAYS);
  await keep({ day: '2026-12-03', isPinned: true });
  await keep({ day: '2026-12-04', sectionIds: [section.id] });
  await keep({ day: '2026-12-01', fromMinute: 480, toMinute: 600 }, OTHER);
  const { homes, kept } = await ask();
  expect(kept.map(({ homeId, day }) => [homeId, day])).toEqual([
    [OTHER, '2026-12-01'],
    [HOME, '2026-12-03'],
  ]);
  expect(homes).toMatchObject([
    { people: ['Wren'], awayDays: ['2026-12-02'], jobs: [{ sectionId: section.id }] },
  ]);
  // Both homes in one go: what is pinned stays, and what is for no section.
  expect((await ask([HOME, OTHER])).kept).toMatchObject([
    { day: '2026-12-01' },
    { day: '2026-12-03' },
  ]);
});

test('what was worked, ticked or is in a pinned visit is not planned again; what ran over is left', async () => {
  const section = await addSection();
  const minutesLeft = async () => (await ask()).homes[0]?.jobs[0]?.likelyMinutes ?? 0;
  const all = await minutesLeft();
  expect(all).toBeGreaterThan(15);
  const id = await keepOne({ sectionIds: [section.id] });
  await markVisit(db, HOME, { visitId: id, mark: 'arrive', now: '2026-12-01T09:00:00.000Z' });
  await markVisit(db, HOME, { visitId: id, mark: 'leave', now: '2026-12-01T09:10:00.000Z' });
  expect(await minutesLeft()).toBeCloseTo(Math.max(15, all - 10), 5);
  await tickSection(db, HOME, { visitId: id, sectionId: section.id, isDone: true });
  expect((await ask()).homes[0]?.jobs).toEqual([]);
  await tickSection(db, HOME, { visitId: id, sectionId: section.id, isDone: false });
  const records = await loadAll(db, HOME);
  const { estimate } = await loadEstimate(db, records, TODAY);
  expect(findUnplanned(records, estimate, TODAY)).toMatchObject([{ sectionId: section.id }]);
  await keep({ day: '2026-12-03', sectionIds: [section.id], isPinned: true, toMinute: 1000 });
  expect((await ask()).homes[0]?.jobs).toEqual([]);
  expect(findUnplanned(await loadAll(db, HOME), estimate, TODAY)).toEqual([]);
});

test('a visit that is moved is pinned there, and not into another home', async () => {
  const id = await keepOne();
  await keep({ day: '2026-12-04' }, OTHER);
  const move = (day: string) => moveVisit(db, HOME, { visitId: id, day, today: TODAY });
  expect(await move('2026-12-04')).toMatchObject({ error: { homeName: 'Mill Lane' } });
  expect(await move('2026-11-20')).toMatchObject({ error: { code: 'in_the_past' } });
  expect(await move('2026-12-03')).toMatchObject({ ok: true });
  expect(await visits()).toMatchObject([{ day: '2026-12-03', isPinned: true }]);
});

test('days that are taken replace what is loose, leave what is pinned, and are refused where somebody is elsewhere by now', async () => {
  await saveDaysTerms(db, HOME, DAYS);
  const pinned = await keepOne({ day: '2026-12-03', isPinned: true, parking: 'in the lane' });
  await keep({ day: '2026-12-04', sectionIds: [(await addSection()).id] });
  // What it is for nobody has said: it is no proposal's to move.
  await keep({ day: '2026-12-10' });
  const proposed = (day: string) => [
    { homeId: HOME, day, fromMinute: 540, toMinute: 720, people: ['Wren'], sectionIds: ['gone'] },
  ];
  const take = (day: string) =>
    takeDays(db, { projectIds: [HOME], visits: proposed(day), today: TODAY });
  await take('2026-12-07');
  expect((await visits()).map(({ day, id, parking }) => [day, id === pinned, parking])).toEqual([
    ['2026-12-03', true, 'in the lane'],
    ['2026-12-07', false, 'in the lane'],
    ['2026-12-10', false, ''],
  ]);
  await keep({ day: '2026-12-08' }, OTHER);
  const before = await visits();
  expect(await take('2026-12-08')).toMatchObject({
    person: 'Wren',
    homeName: 'Mill Lane',
    day: '2026-12-08',
  });
  expect(await visits()).toEqual(before);
});

test('somebody has hours once, under any spelling of the name, and they can be taken away', async () => {
  const hours = { weekdays: [2], fromMinute: 480, toMinute: 900, weekMinutes: 600, awayDays: [] };
  await changeWorker(db, 'Tilda', { name: 'Tilda', ...hours });
  await changeWorker(db, 'tilda ', { name: 'Tilda B', ...hours });
  expect((await listWorkers(db)).map(({ name }) => name)).toEqual(['Tilda B']);
  await changeWorker(db, 'Tilda B', undefined);
  expect(await listWorkers(db)).toEqual([]);
});

test('a calendar has each visit at its own clock time, a time sheet what was lived', async () => {
  const id = await keepOne({ people: ['Wren', 'Tilda'], prepare: 'the cat is out' });
  for (const [mark, now] of [
    ['arrive', '2026-12-01T09:00:00.000Z'],
    ['leave', '2026-12-01T11:30:00.000Z'],
  ] as const)
    await markVisit(db, HOME, { visitId: id, mark, now });
  const records = await loadAll(db, HOME);
  const calendar = writeVisitsCalendar(records, '2026-11-30T00:00:00.000Z');
  expect(calendar).toContain(`UID:${id}@tin-box`);
  expect(calendar).toContain('DTSTART:20261201T090000\r\nDTEND:20261201T120000');
  const lines = writeTimeSheet(records).trim().split('\r\n').slice(1);
  expect(lines.map((line) => line.split(',').slice(0, 7))).toEqual(
    ['Wren', 'Tilda'].map((person) => [
      '2026-12-01',
      person,
      '2026-12-01T09:00:00.000Z',
      '2026-12-01T11:30:00.000Z',
      '0',
      '150',
      'clock',
    ]),
  );
});
