import { projectIdSchema, sectionIdSchema, visitIdSchema } from '../shared';
import { handsShareOf } from '../agree';
import { jobsOfHome } from './homeJobs';
import { LIVED_NOTHING } from './visitState';
import type { Visit } from './model';
import { orderByOf } from './orderBy';
import { workOfVisit } from './visitWork';

const [coats, papers] = ['coats', 'papers'].map((id) => sectionIdSchema.parse(id));
const sections = [
  {
    id: 'coats',
    roomId: 'hall',
    content: 'clothes' as const,
    likelyMinutes: 145,
    highMinutes: 200,
  },
  { id: 'papers', roomId: 'hall', content: 'papers' as const, likelyMinutes: 60, highMinutes: 90 },
];
const aVisit = (facts: Partial<Visit> = {}): Visit => ({
  ...LIVED_NOTHING,
  id: visitIdSchema.parse('v'),
  projectId: projectIdSchema.parse('home'),
  day: '2026-12-01',
  fromMinute: 540,
  toMinute: 600,
  people: ['Wren'],
  clientThere: true,
  sectionIds: [coats!],
  parking: '',
  prepare: '',
  isPinned: true,
  ...facts,
});
const at = (clock: string) => `2026-12-01T${clock}:00.000Z`;
const jobs = (visits: Visit[], crewCount = 1, waits = new Map()) =>
  jobsOfHome({ sections, visits, crewCount, waits });
const minutesOf = (list: ReturnType<typeof jobs>) =>
  list.map(({ id, likelyMinutes }) => [id, Math.round(likelyMinutes)]);

test('a job has the minutes of one pair of hands, whoever the estimate was for', () => {
  expect(minutesOf(jobs([], 2))).toEqual([
    ['coats whole', Math.round(145 * handsShareOf(2))],
    ['papers whole', Math.round(60 * handsShareOf(2))],
  ]);
  expect(jobs([]).map(({ isHard }) => isHard)).toEqual([false, true]);
});

test('work of lived visits and room in planned ones is taken off, by as many hands as come', () => {
  const lived = aVisit({ arrivedAt: at('09:00'), leftAt: at('09:50') });
  expect(minutesOf(jobs([lived]))).toEqual([
    ['coats whole', 95],
    ['papers whole', 60],
  ]);
  // An hour of two is 96 minutes of one: the rest of the coats, and a minute of the papers.
  const both = aVisit({ people: ['Wren', 'Tilda'], sectionIds: [coats!, papers!] });
  expect(minutesOf(jobs([lived, both]))).toEqual([['papers whole', 59]]);
  // However long they were at it: what is not said to be done has some work left.
  const long = aVisit({ arrivedAt: at('09:00'), leftAt: at('15:00') });
  expect(minutesOf(jobs([long]))[0]).toEqual(['coats whole', 15]);
  expect(minutesOf(jobs([{ ...long, doneSectionIds: [coats!] }]))).toEqual([['papers whole', 60]]);
});

test('where paint dries, a room is gone through first and set up after all of it', () => {
  const wait = new Map([['hall', { dryHours: 30, notBefore: '2026-12-09' }]]);
  const list = jobs([], 1, wait);
  expect(list.map(({ id }) => id)).toEqual([
    'coats sort',
    'papers sort',
    'coats set_up',
    'papers set_up',
  ]);
  expect(list.reduce((sum, { likelyMinutes }) => sum + likelyMinutes, 0)).toBeCloseTo(205);
  expect(list[2]).toMatchObject({
    isHard: false,
    notBefore: '2026-12-09',
    after: [
      { jobId: 'coats sort', lagHours: 30 },
      { jobId: 'papers sort', lagHours: 30 },
    ],
  });
});

test('orders are counted back from the last visit planned in their room', () => {
  const options = {
    visits: [
      aVisit({ day: '2026-12-10' }),
      aVisit({ day: '2026-12-17' }),
      aVisit({ day: '2026-12-24', sectionIds: [] }),
    ],
    today: '2026-12-01',
    days: { orderLowDays: 2, orderHighDays: 7 },
  };
  const hall = { name: 'Hall', sectionIds: ['coats'], names: ['Tub'] };
  expect(orderByOf([hall, { ...hall, names: [] }, { ...hall, sectionIds: [] }], options)).toEqual([
    {
      roomName: 'Hall',
      names: ['Tub'],
      neededOn: '2026-12-17',
      safeDay: '2026-12-10',
      lastDay: '2026-12-15',
    },
  ]);
});

test('what happened between arriving and leaving belongs to a visit, and nothing else', () => {
  const doings = {
    things: [
      { decidedAt: at('09:30'), count: 3, isKept: true },
      { decidedAt: at('09:40'), count: 2, isKept: false },
      { decidedAt: at('12:00'), count: 9, isKept: true },
    ],
    sessions: [{ startedAt: at('09:05'), endedAt: at('10:00') }],
    moves: [{ doneAt: at('08:00') }, { doneAt: at('10:00') }],
    boxes: [{ carriedAt: at('09:59') }],
    purchases: [{ boughtAt: at('10:01') }],
  };
  const lived = aVisit({ arrivedAt: at('09:00'), leftAt: at('10:00') });
  expect(workOfVisit(lived, doings, '')).toEqual({
    decidedCount: 5,
    keptCount: 3,
    sessionCount: 1,
    moveCount: 1,
    boxCount: 1,
    purchaseCount: 0,
  });
  expect(workOfVisit(aVisit(), doings, at('23:00')).decidedCount).toBe(0);
});
