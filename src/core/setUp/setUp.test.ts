import fc from 'fast-check';

import { findEarlyTicks, layOutTasks, nowNextThen } from './layOutTasks';
import { dryingFactorOf, listTasks, type SetUpFacts, type UnitToSetUp } from './listTasks';

let looks = 0;
const clock = () => (looks += 5);
const AIR = { airCelsius: null, isDamp: false };
const aUnit = (id: string, facts: Partial<UnitToSetUp> = {}): UnitToSetUp => ({
  id,
  name: id,
  comes: 'stays',
  needsTwo: false,
  alikeBefore: 0,
  heightMm: 1900,
  wantsAnchoring: false,
  isAnchored: false,
  ownedCount: 0,
  containerCount: 0,
  placeCount: 3,
  linedCount: 2,
  floorCount: 0,
  litres: 200,
  heaviestG: 4000,
  labelCount: 4,
  ...facts,
});
const facts = (change: Partial<SetUpFacts> = {}): SetUpFacts => ({
  units: [aUnit('left'), aUnit('right', { heaviestG: 20_000 })],
  paint: {
    surfaces: [{ name: 'Wall', squareMetres: 6, heightMm: 2300 }],
    coats: 2,
    dryHours: 4,
    cureDays: 3,
  },
  pieceCount: 5,
  fixings: [{ name: 'Shelf', things: 2 }],
  spotCount: 1,
  carryCount: 0,
  liftLimitG: 15_000,
  ...change,
});
const people = [
  { name: 'Wren', hasDrill: true },
  { name: 'Tilda', hasDrill: false },
];
const NOW = '2026-12-01T08:30:00.000Z';
const windows = Array.from({ length: 12 }, (_, day) => {
  const date = `2026-12-${String(day + 1).padStart(2, '0')}`;
  return { from: `${date}T09:00:00.000Z`, to: `${date}T13:00:00.000Z` };
});
const lay = (
  tasks: ReturnType<typeof listTasks>,
  done: { taskId: string; doneAt: string }[] = [],
) => layOutTasks({ tasks, done, people, windows, now: NOW }, { clock });

test('a list holds what there is to do, each after what it needs, and nothing else', () => {
  const tasks = listTasks(facts(), AIR);
  expect(tasks.map(({ id }) => id)).toEqual([
    ...['wipe left', 'wipe right', 'sand', 'paint 1', 'paint 2', 'cut', 'anchor Shelf'],
    ...['line left', 'line right', 'load left', 'load right', 'label left', 'label right'],
    'photograph',
  ]);
  expect(tasks.find(({ id }) => id === 'load right')?.people).toBe(2);
  const bare = facts({
    units: [aUnit('left', { linedCount: 0, litres: 0, labelCount: 0 })],
    paint: null,
    pieceCount: 0,
    fixings: [],
    spotCount: 0,
  });
  expect(listTasks(bare, AIR).map(({ id }) => id)).toEqual(['wipe left']);
});

test('a false floor is cut before it is laid, and laid before anything lies on it', () => {
  const tasks = listTasks(
    facts({ pieceCount: 0, units: [aUnit('sink', { floorCount: 2, containerCount: 4 })] }),
    AIR,
  );
  const of = (kind: string) => tasks.find((task) => task.kind === kind)!;
  const needs = (kind: string) => of(kind).after.map(({ taskId }) => taskId);
  expect(of('cut').amount).toBe(2);
  expect(needs('floor')).toContain(of('cut').id);
  for (const kind of ['line', 'fit', 'load']) expect(needs(kind)).toContain(of('floor').id);
});

test('the plan keeps order, drying, people, drill and windows', () => {
  const countArb = fc.integer({ min: 0, max: 8 });
  fc.assert(
    fc.property(
      fc.array(fc.tuple(countArb, countArb, fc.integer({ min: 0, max: 600 })), { maxLength: 5 }),
      fc.option(fc.integer({ min: 1, max: 8 })),
      fc.record({
        airCelsius: fc.option(fc.integer({ min: 0, max: 30 })),
        isDamp: fc.boolean(),
      }),
      (units, squareMetres, air) => {
        const tasks = listTasks(
          facts({
            units: units.map(([linedCount, labelCount, litres], i) =>
              aUnit(`u${i}`, { linedCount, labelCount, litres }),
            ),
            paint:
              squareMetres === null
                ? null
                : {
                    surfaces: ['left', 'right'].map((name) => ({
                      name,
                      squareMetres,
                      heightMm: 1800,
                    })),
                    coats: 2,
                    dryHours: 3,
                    cureDays: 1,
                  },
          }),
          air,
        );
        const plan = lay(tasks);
        if (plan.status !== 'optimal' && plan.status !== 'feasible') return;
        expect(plan.tasks).toHaveLength(tasks.length);
        const timeOf = (id: string) => plan.tasks.find(({ task }) => task.id === id)!;
        for (const { task, startsAt, endsAt, people: crew } of plan.tasks) {
          expect(crew).toHaveLength(task.people);
          if (task.skill) expect(crew).toContain('Wren');
          expect(windows.some(({ from, to }) => from <= startsAt && endsAt <= to)).toBe(true);
          for (const { taskId, lagMinutes } of task.after)
            expect(Date.parse(startsAt)).toBeGreaterThanOrEqual(
              Date.parse(timeOf(taskId).endsAt) + lagMinutes * 60_000 - 1,
            );
          for (const other of plan.tasks)
            if (other.task !== task && other.people.some((name) => crew.includes(name)))
              expect(other.endsAt <= startsAt || endsAt <= other.startsAt).toBe(true);
        }
      },
    ),
    { numRuns: 30 },
  );
});

test('nothing is loaded before the last coat is hard; a late tick puts that off', () => {
  const tasks = listTasks(facts(), AIR);
  const first = lay(tasks);
  const loads = first.tasks.filter(({ task }) => task.kind === 'load');
  expect(first.loadFrom).not.toBeNull();
  for (const { startsAt } of loads) expect(startsAt >= (first.loadFrom ?? '')).toBe(true);
  const before = ['wipe left', 'wipe right', 'sand', 'paint 1'].map((taskId) => ({
    taskId,
    doneAt: '2026-11-30T12:00:00.000Z',
  }));
  // Four hours and three days from half past eight.
  expect(lay(tasks, [...before, { taskId: 'paint 2', doneAt: NOW }]).loadFrom).toBe(
    '2026-12-04T12:30:00.000Z',
  );
  const long = [...before, { taskId: 'paint 2', doneAt: '2026-11-20T09:00:00.000Z' }];
  expect(lay(tasks, long).loadFrom).toBeNull();
});

test('paint takes longer when it is cold or damp, and never less than on the tin', () => {
  expect(dryingFactorOf({ airCelsius: 10, isDamp: false })).toBe(2);
  expect(dryingFactorOf({ airCelsius: 20, isDamp: true })).toBe(1.5);
  expect(dryingFactorOf({ airCelsius: 30, isDamp: false })).toBe(1);
});

test('each has at most three tasks, in time; a tick before its turn is said', () => {
  const tasks = listTasks(facts({ paint: null }), AIR);
  const plan = lay(tasks);
  for (const { name, tasks: own } of nowNextThen(plan, ['Wren', 'Tilda'])) {
    expect(own.length).toBeLessThanOrEqual(3);
    expect(own.every((each) => each.people.includes(name))).toBe(true);
    expect([...own].sort((a, b) => a.startsAt.localeCompare(b.startsAt))).toEqual(own);
  }
  const done = [{ taskId: 'load left', doneAt: NOW }];
  expect(findEarlyTicks(tasks, done)).toEqual([{ taskId: 'load left', waitsForId: 'wipe left' }]);
  expect(lay(tasks, done).tasks.some(({ task }) => task.id === 'load left')).toBe(false);
});

test('nobody with a drill is said, not planned around', () => {
  const tasks = listTasks(facts(), AIR);
  const plan = layOutTasks(
    { tasks, done: [], people: [{ name: 'Tilda', hasDrill: false }], windows, now: NOW },
    { clock },
  );
  expect(plan.reasons.map(({ code }) => code)).toContain('no_skill');
});
