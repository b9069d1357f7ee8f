import fc from 'fast-check';

import { findDaysFaults } from '@test/daysChecker';
import { addDays } from '../shared';
import type { HomesAnswer, HomesQuestion, PlannedHome, WorkJob } from './homesModel';
import { planHomes } from './planHomes';

/** Stands still, and jumps past any limit after so many looks: the search is short and the same each time. */
const clockFor = (looks: number) => () => (looks-- > 0 ? 0 : 1e9);
const TODAY = '2026-11-30';

const aJob = (facts: Partial<WorkJob> = {}): WorkJob => ({
  id: 'j',
  sectionId: 's',
  stage: 'whole',
  likelyMinutes: 120,
  highMinutes: 180,
  isHard: false,
  notBefore: null,
  after: [],
  ...facts,
});
const aHome = (facts: Partial<PlannedHome> = {}): PlannedHome => ({
  id: 'home',
  jobs: [aJob()],
  visitMinutes: 180,
  visitsPerWeek: 2,
  weekdays: [1, 2, 3, 4, 5],
  fromMinute: 540,
  awayDays: [],
  travelMinutes: 30,
  people: ['Wren'],
  mostHardMinutes: 60,
  readyBy: null,
  ...facts,
});
const ask = (facts: Partial<HomesQuestion>): HomesAnswer =>
  planHomes({ today: TODAY, homes: [], workers: [], kept: [], ...facts }, { clock: clockFor(60) });

const NAMES = ['Wren', 'Tilda', 'Bram'];
const homeArb = (id: string): fc.Arbitrary<PlannedHome> =>
  fc
    .record({
      jobs: fc.array(
        fc.record({
          minutes: fc.integer({ min: 10, max: 500 }),
          more: fc.integer({ min: 0, max: 300 }),
          isHard: fc.boolean(),
          dries: fc.constantFrom(undefined, undefined, 12, 60),
          waits: fc.constantFrom(null, null, null, 9),
        }),
        { maxLength: 5 },
      ),
      visitMinutes: fc.integer({ min: 30, max: 300 }),
      visitsPerWeek: fc.integer({ min: 1, max: 4 }),
      weekdays: fc.subarray([1, 2, 3, 4, 5, 6, 7], { minLength: 1 }),
      fromMinute: fc.constantFrom(480, 540, 780, 1080),
      away: fc.array(fc.integer({ min: 1, max: 30 }), { maxLength: 4 }),
      travelMinutes: fc.integer({ min: 0, max: 60 }),
      people: fc.subarray(NAMES),
      mostHardMinutes: fc.integer({ min: 0, max: 120 }),
      readyIn: fc.option(fc.integer({ min: 1, max: 60 })),
    })
    .map(({ jobs, away, readyIn, ...home }) => ({
      ...home,
      id,
      jobs: jobs.flatMap(({ minutes, more, isHard, dries, waits }, i): WorkJob[] => {
        const section = `${id} s${i}`;
        const sort = aJob({
          id: section,
          sectionId: section,
          likelyMinutes: minutes,
          highMinutes: minutes + more,
          isHard,
        });
        if (dries === undefined) return [sort];
        const after = [{ jobId: section, lagHours: dries }];
        const notBefore = waits === null ? null : addDays(TODAY, waits);
        return [
          { ...sort, stage: 'sort' },
          { ...sort, id: `${section} up`, stage: 'set_up', after, notBefore, isHard: false },
        ];
      }),
      awayDays: away.map((day) => addDays(TODAY, day)),
      readyBy: readyIn === null ? null : addDays(TODAY, readyIn),
    }));
const questionArb: fc.Arbitrary<HomesQuestion> = fc
  .record({
    homes: fc.tuple(homeArb('a'), homeArb('b'), homeArb('c')),
    workers: fc.array(
      fc.record({
        name: fc.constantFrom(...NAMES),
        weekdays: fc.subarray([1, 2, 3, 4, 5, 6, 7], { minLength: 1 }),
        fromMinute: fc.constantFrom(480, 600),
        toMinute: fc.constantFrom(900, 1080, 1440),
        weekMinutes: fc.option(fc.integer({ min: 200, max: 1200 })),
        awayDays: fc.array(
          fc.integer({ min: 1, max: 20 }).map((day) => addDays(TODAY, day)),
          {
            maxLength: 2,
          },
        ),
      }),
      { maxLength: 2 },
    ),
    kept: fc.array(
      fc
        .record({
          homeId: fc.constantFrom('a', 'b', 'elsewhere'),
          day: fc.integer({ min: 1, max: 15 }).map((day) => addDays(TODAY, day)),
          fromMinute: fc.constantFrom(480, 600, 900),
          people: fc.subarray(NAMES),
        })
        .map((visit) => ({ ...visit, toMinute: visit.fromMinute + 120 })),
      { maxLength: 4 },
    ),
  })
  .map((facts) => ({
    ...facts,
    today: TODAY,
    workers: facts.workers.filter(
      ({ name }, i) => facts.workers.findIndex((each) => each.name === name) === i,
    ),
  }));

test('a plan of three homes breaks no rule, and no home ends before its bound', () => {
  fc.assert(
    fc.property(questionArb, (question) => {
      const answer = planHomes(question, { clock: clockFor(25) });
      expect(findDaysFaults(question, answer)).toEqual([]);
      for (const { likelyDay, highDay, leastDay } of answer.homes) {
        if (likelyDay === null) continue;
        expect(leastDay !== null && leastDay <= likelyDay).toBe(true);
        expect(highDay === null || highDay >= (leastDay ?? '')).toBe(true);
      }
      expect(answer.boundLateDays).toBeLessThanOrEqual(answer.lateDays);
    }),
    { numRuns: 120 },
  );
});

test('a home that is late for its day comes first; alone each would end on its bound', () => {
  const four = [aJob({ likelyMinutes: 720, highMinutes: 720 })];
  const calm = aHome({ id: 'calm', jobs: four, readyBy: '2027-03-01', visitsPerWeek: 5 });
  // Both want Wren at nine, and a day has room for one of them only.
  const urgent = { ...calm, id: 'urgent', readyBy: '2026-12-04' };
  const long = { visitMinutes: 360, travelMinutes: 60 };
  const answer = ask({
    homes: [
      { ...calm, ...long },
      { ...urgent, ...long },
    ],
  });
  const dayOf = (id: string) => answer.homes.find(({ homeId }) => homeId === id)?.likelyDay;
  expect(dayOf('urgent')).toBe('2026-12-02');
  expect(dayOf('calm')).toBe('2026-12-04');
  expect(answer.lateDays).toBe(0);
});

test('a helper goes where she brings a day forward, and comes on her days only', () => {
  const tuesdays = {
    name: 'Tilda',
    weekdays: [2],
    fromMinute: 480,
    toMinute: 1020,
    weekMinutes: null,
    awayDays: [],
  };
  const home = aHome({ people: ['Wren', 'Tilda'], jobs: [aJob({ likelyMinutes: 468 })] });
  const { visits } = ask({ homes: [home], workers: [tuesdays] });
  // 2026-12-01 is a Tuesday: 180 minutes of both are 288 of one; the other 180 are Wren's on Wednesday.
  expect(visits.map(({ day, people }) => [day, people])).toEqual([
    ['2026-12-01', ['Wren', 'Tilda']],
    ['2026-12-02', ['Wren']],
  ]);
});

test('papers spread over visits, and it says when that costs days', () => {
  const papers = aJob({ likelyMinutes: 240, highMinutes: 240, isHard: true });
  const [home] = ask({ homes: [aHome({ jobs: [papers] })] }).homes;
  expect(home).toMatchObject({ likelyDay: '2026-12-08', withoutHardLimitDay: '2026-12-02' });
});

test('papers begin each visit before their turn where it ends earlier so, and it says what the order would take', () => {
  const rest = aJob({ id: 'r', sectionId: 'r', likelyMinutes: 600, highMinutes: 600 });
  const papers = aJob({
    id: 'p',
    sectionId: 'p',
    likelyMinutes: 240,
    highMinutes: 240,
    isHard: true,
  });
  const answer = ask({ homes: [aHome({ jobs: [rest, papers], visitsPerWeek: 5 })] });
  // 840 minutes are five visits of three hours; in order the papers alone take four more.
  expect(answer).toMatchObject({
    status: 'optimal',
    homes: [{ likelyDay: '2026-12-07', inOrderDay: '2026-12-09' }],
  });
  expect(answer.visits[0]?.parts.map(({ sectionId }) => sectionId)).toEqual(['p', 'r']);
});

test('short visits and short stretches at papers are planned too', () => {
  const papers = aJob({ likelyMinutes: 35, highMinutes: 35, isHard: true });
  const few = ask({ homes: [aHome({ jobs: [papers], mostHardMinutes: 20 })] });
  expect(few.visits).toHaveLength(2);
  const short = ask({ homes: [aHome({ visitMinutes: 30 })] });
  expect(short.visits).toHaveLength(4);
  // None at all was chosen: there is no day for them, and it says which day there would be.
  const [none] = ask({ homes: [aHome({ jobs: [papers], mostHardMinutes: 0 })] }).homes;
  expect(none).toMatchObject({ likelyDay: null, withoutHardLimitDay: '2026-12-01' });
});

test('who leads and is never free when the home can be visited is told', () => {
  const sundays = {
    name: 'Wren',
    weekdays: [7],
    fromMinute: 480,
    toMinute: 1020,
    weekMinutes: null,
    awayDays: [],
  };
  const answer = ask({ homes: [aHome()], workers: [sundays] });
  expect(answer.visits).toEqual([]);
  expect(answer.homes[0]).toMatchObject({
    likelyDay: null,
    isNeverFree: true,
    unplannedMinutes: 120,
  });
});
