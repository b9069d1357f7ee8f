import { aDatabase, aSection, HOME, loadAll } from '@test/builders';
import { projectIdSchema, sectionIdSchema, visitIdSchema } from '@/core/shared';
import { moveChange } from '@/data/changes';
import type { Db } from '@/data/db';
import { projectRecord, sectionRecord } from '@/data/records';
import { saveDaysTerms, takeDays, toDaysQuestion } from './planDays';
import {
  markVisit,
  noteVisit,
  packForVisit,
  removeVisit,
  saveVisit,
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
    error: { code: 'in_two_homes', person: 'Wren', homeName: 'Mill Lane' },
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
  const pack = (code: 'boxes' | 'gloves', isBack: boolean) =>
    packForVisit(db, HOME, { visitId: id, code, isBack });
  await pack('boxes', false);
  await pack('gloves', false);
  await pack('boxes', true);
  await pack('gloves', false);
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

test('days are asked for beside what is pinned, the client’s absence and other homes', async () => {
  const section = aSection({ bayIds: [] });
  await db(sectionRecord.table.name).insert(sectionRecord.table.toRow(section));
  await saveDaysTerms(db, HOME, DAYS);
  await keep({ day: '2026-12-03', isPinned: true });
  await keep({ day: '2026-12-04' });
  await keep({ day: '2026-12-01', fromMinute: 480, toMinute: 600 }, OTHER);
  const question = await toDaysQuestion(db, await loadAll(db, HOME), TODAY);
  expect(question.days.slice(0, 3)).toEqual([
    // From the other home and the way there on; the 2nd the client is away, the 3rd is pinned.
    { day: '2026-12-01', fromMinute: 630, toMinute: 810 },
    { day: '2026-12-04', fromMinute: 540, toMinute: 720 },
    { day: '2026-12-07', fromMinute: 540, toMinute: 720 },
  ]);
  expect(question.keptDays).toEqual(['2026-12-03']);
  expect(question.sections.map(({ id }) => id)).toEqual([section.id]);
});

test('names are read as people type them, and an evening home has evenings', async () => {
  await saveDaysTerms(db, HOME, { ...DAYS, fromMinute: 1080 });
  await keep({ day: '2026-12-01', fromMinute: 1080, toMinute: 1200, people: [' wren'] }, OTHER);
  const question = await toDaysQuestion(db, await loadAll(db, HOME), TODAY);
  expect(question.days[0]).toEqual({ day: '2026-12-03', fromMinute: 1080, toMinute: 1260 });
});

test('days that are taken replace what is loose, leave what is pinned, and are refused where somebody is elsewhere by now', async () => {
  await saveDaysTerms(db, HOME, DAYS);
  const pinned = await keepOne({ day: '2026-12-03', isPinned: true });
  await keep({ day: '2026-12-04' });
  const proposed = [
    {
      day: '2026-12-07',
      fromMinute: 540,
      toMinute: 720,
      sectionIds: [sectionIdSchema.parse('gone')],
    },
  ];
  await takeDays(db, HOME, { visits: proposed, today: TODAY });
  expect((await visits()).map(({ day, id }) => [day, id === pinned])).toEqual([
    ['2026-12-03', true],
    ['2026-12-07', false],
  ]);
  await keep({ day: '2026-12-08' }, OTHER);
  const before = await visits();
  const clash = await takeDays(db, HOME, {
    visits: proposed.map((visit) => ({ ...visit, day: '2026-12-08' })),
    today: TODAY,
  });
  expect(clash).toEqual({ person: 'Wren', homeName: 'Mill Lane', day: '2026-12-08' });
  expect(await visits()).toEqual(before);
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
