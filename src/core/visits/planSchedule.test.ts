import fc from 'fast-check';

import { createRandom } from '../shared';
import { homeSchedule, scheduleRequestArb } from '@test/scheduleArbitrary';
import { earliestEnd, scheduleFaults } from '@test/scheduleOracle';
import { planSchedule } from './planSchedule';
import { scheduleRequestSchema, type ScheduleRequestInput } from './scheduleModel';
import { toScheduleProblem } from './scheduleProblem';
import { planPlainly } from './searchSchedule';

/** Counts looks instead of time: each run ends the same. */
const countingClock = (msALook: number) => {
  let now = 0;
  return () => (now += msALook);
};
const plan = (request: ScheduleRequestInput, msALook = 0.05) =>
  planSchedule(scheduleRequestSchema.parse(request), { clock: countingClock(msALook) });
const oneDay = [{ start: 540, end: 780 }];
const alone = [{ id: 'me' }];

test('a random request is planned without a fault, or said to be impossible', () => {
  fc.assert(
    fc.property(
      scheduleRequestArb({ tasks: 14, crew: 4, windows: 5, mostMinutes: 60 }),
      (request) => {
        const answer = plan(request, 5);
        if (answer.objective === null)
          return answer.status === 'unknown' || answer.reasons.length > 0;
        expect(scheduleFaults(request, answer)).toEqual([]);
        expect(answer.bound).toBeLessThanOrEqual(answer.objective + 1e-6);
      },
    ),
    { numRuns: 2000 },
  );
});

test('a few tasks end as early as any way of doing them, and are impossible only where all ways are', () => {
  fc.assert(
    fc.property(
      scheduleRequestArb({ tasks: 4, crew: 3, windows: 2, mostMinutes: 4 }),
      (request) => {
        const answer = plan(request, 0.001);
        const best = request.tasks.length === 0 ? 0 : earliestEnd(request);
        expect(answer.objective).toBe(best ?? null);
        expect(answer.status).toBe(best === undefined ? 'infeasible' : 'optimal');
      },
    ),
    { numRuns: 1500 },
  );
});

test('what is found is never later than the plain list, nor earlier than the bound', () => {
  for (const seed of [1, 2, 3]) {
    const request = homeSchedule(seed, { rooms: 6, crew: 3, windows: 30 });
    const plain = planPlainly(toScheduleProblem(request)).endsAt;
    const answer = plan(request, 10);
    expect(answer.endsAt).toBeLessThanOrEqual(plain);
    expect(answer.bound).toBeLessThanOrEqual(answer.endsAt ?? 0);
    expect(scheduleFaults(request, answer)).toEqual([]);
  }
});

test('the same request and seed give the same answer', () => {
  const request = homeSchedule(4, { rooms: 3, crew: 2, windows: 20 });
  const { elapsedMs: _, ...first } = plan(request);
  expect(plan(request)).toMatchObject(first);
});

test('paint dries outside the windows, and nothing is done across a break', () => {
  const answer = plan({
    tasks: [
      { id: 'paint', minutes: 60 },
      { id: 'again', minutes: 60, after: [{ task: 'paint', lagMinutes: 240 }] },
      { id: 'load', minutes: 90, after: [{ task: 'again', lagMinutes: 600 }] },
    ],
    crew: alone,
    windows: [
      { start: 540, end: 720 },
      { start: 780, end: 960 },
      { start: 1980, end: 2100 },
    ],
  });
  expect(answer.starts.map(({ start }) => start)).toEqual([540, 840, 1980]);
  expect(answer).toMatchObject({ status: 'optimal', endsAt: 2070 });
});

test('touching windows stay two', () => {
  const answer = plan({
    tasks: [{ id: 'sort', minutes: 90 }],
    crew: alone,
    windows: [
      { start: 0, end: 60 },
      { start: 60, end: 180 },
    ],
  });
  expect(answer.starts[0]?.start).toBe(60);
});

test.each<[string, ScheduleRequestInput, object]>([
  [
    'a task longer than every window',
    { tasks: [{ id: 'sort', minutes: 300 }], crew: alone, windows: oneDay },
    { code: 'task_too_long', subject: 'sort', minutes: 300, longestMinutes: 240 },
  ],
  [
    'more people than there are',
    { tasks: [{ id: 'lift', minutes: 5, people: 2 }], crew: alone, windows: oneDay },
    { code: 'too_few_people', subject: 'lift', needs: 2, has: 1 },
  ],
  [
    'a skill nobody has',
    { tasks: [{ id: 'anchor', minutes: 5, skill: 'drill' }], crew: alone, windows: oneDay },
    { code: 'no_skill', subject: 'anchor', skill: 'drill' },
  ],
  [
    'a chain that ends after the last window',
    {
      tasks: [
        { id: 'paint', minutes: 60 },
        { id: 'load', minutes: 60, after: [{ task: 'paint', lagMinutes: 200 }] },
      ],
      crew: alone,
      windows: [...oneDay, { start: 790, end: 850 }],
    },
    { code: 'chain_too_long', subject: 'paint' },
  ],
  [
    'more work than the windows hold',
    {
      tasks: ['a', 'b', 'c'].map((id) => ({ id, minutes: 100 })),
      crew: alone,
      windows: oneDay,
    },
    { code: 'too_much_work', subject: 'crew', needMinutes: 300, hasMinutes: 240 },
  ],
  [
    'more work than those with the skill can do',
    {
      tasks: ['a', 'b', 'c'].map((id) => ({ id, minutes: 100, skill: 'drill' })),
      crew: [{ id: 'me', skills: ['drill'] }, { id: 'helper' }],
      windows: oneDay,
    },
    { code: 'too_much_work', subject: 'drill' },
  ],
])('%s is named', (_, request, reason) => {
  const answer = plan(request);
  expect(answer).toMatchObject({ status: 'infeasible', objective: null, bound: null });
  expect(answer.reasons[0]).toMatchObject(reason);
});

test('windows that just hold what is planted in them are filled to the last minute', () => {
  const random = createRandom(7);
  const windows = [0, 1, 2].map((day) => ({ start: day * 1440 + 540, end: day * 1440 + 780 }));
  const tasks = windows.flatMap(({ start, end }, w) =>
    [0, 1, 2].flatMap((person) => {
      const cuts = [60, 105, 165].map((at) => at + 5 * Math.floor(random() * 6));
      return [...cuts, end - start].map((to, i) => ({
        id: `${w} ${person} ${i}`,
        minutes: to - (cuts[i - 1] ?? 0),
      }));
    }),
  );
  const answer = plan({
    tasks: tasks.sort((a, b) => b.minutes - a.minutes || a.id.localeCompare(b.id)),
    crew: ['a', 'b', 'c'].map((id) => ({ id })),
    windows,
  });
  expect(answer).toMatchObject({ status: 'optimal', endsAt: 2 * 1440 + 780 });
});

test('windows that hold the work but no order of it are shown to hold none', () => {
  const answer = plan({
    tasks: ['a', 'b', 'c'].map((id) => ({ id, minutes: 40 })),
    crew: alone,
    windows: [
      { start: 0, end: 60 },
      { start: 100, end: 160 },
    ],
  });
  expect(answer).toMatchObject({ status: 'infeasible', reasons: [{ code: 'no_arrangement' }] });
});

test.each<[string, ScheduleRequestInput, string]>([
  [
    'a window that ends before it begins',
    { tasks: [], crew: [], windows: [{ start: 9, end: 8 }] },
    'windows.0.end',
  ],
  [
    'windows that overlap',
    { tasks: [], crew: [], windows: [...oneDay, { start: 700, end: 900 }] },
    'windows.1.start',
  ],
  [
    'a task that waits for itself',
    { tasks: [{ id: 'a', minutes: 1, after: [{ task: 'a' }] }], crew: [], windows: [] },
    'tasks.0.after.0.task',
  ],
  [
    'tasks that wait for each other',
    {
      tasks: [
        { id: 'a', minutes: 1, after: [{ task: 'b' }] },
        { id: 'b', minutes: 1, after: [{ task: 'a' }] },
      ],
      crew: [],
      windows: [],
    },
    'tasks.0.after',
  ],
  [
    'half a person',
    { tasks: [{ id: 'a', minutes: 1, people: 0.5 }], crew: [], windows: [] },
    'tasks.0.people',
  ],
])('%s is refused by its field', (_, request, path) => {
  const read = scheduleRequestSchema.safeParse(request);
  expect(read.error?.issues.map((issue) => issue.path.join('.'))).toContain(path);
});

test('nothing to do is done at once', () =>
  expect(plan({ tasks: [], crew: [], windows: [] })).toMatchObject({
    status: 'optimal',
    objective: 0,
    bound: 0,
    starts: [],
  }));
