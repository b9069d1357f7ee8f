import type { FitAim } from './codes';
import type { FitAnswer } from './model';
import { AIM_TURNS, workOutAims } from './workOutAims';

const answerOf = (
  containerId: string,
  costMinor: number,
  more: Partial<FitAnswer> = {},
): FitAnswer => ({
  status: 'feasible',
  objective: costMinor,
  bound: 0,
  elapsedMs: 1,
  costMinor,
  usedLitres: 1,
  freeLitres: 0,
  unmet: [],
  reasons: [],
  placements: [{ containerId, groupId: 'g', x: 0, y: 0, z: 0, turned: false }],
  ...more,
});
const partial = answerOf('partial', 900, { status: 'infeasible', objective: null, bound: null });

/**
 * Runs with these answers, in the order in which they are asked for; what was asked with which
 * known containers, and what was shown.
 */
async function run(answers: readonly FitAnswer[], isOverAfter = Infinity, taken?: FitAnswer) {
  const asked: (readonly [FitAim, readonly string[]])[] = [];
  const shown: (readonly [FitAim, number, number])[] = [];
  const doneCount = await workOutAims({
    plan: async (prefer, known, onFirst) => {
      const answer = answers[asked.length] ?? partial;
      asked.push([
        prefer,
        known.flatMap(({ placements }) => placements.map(({ containerId }) => containerId)),
      ]);
      onFirst({ ...answer, costMinor: answer.costMinor + 1000 });
      return Promise.resolve(answer);
    },
    show: (prefer, { costMinor }, turns) => void shown.push([prefer, costMinor, turns]),
    isOver: () => asked.length >= isOverAfter,
    ...(taken && { taken }),
  });
  return { asked, shown, doneCount };
}

test('every aim begins with what was found before it, and is shown at first and when it is bettered', async () => {
  const { asked, shown, doneCount } = await run([
    answerOf('a', 5),
    answerOf('b', 8),
    answerOf('c', 6),
    answerOf('d', 7),
    answerOf('e', 5),
  ]);
  expect(asked).toEqual([
    ['cost', []],
    ['uniform', ['a']],
    ['reuse', ['a', 'b']],
    ['easy', ['a', 'b', 'c']],
    ['daily', ['a', 'b', 'c', 'd']],
  ]);
  expect(shown.map(([, cost, turns]) => [cost, turns])).toEqual([
    [1005, 0],
    [5, 1],
    [1008, 1],
    [8, 2],
    [1006, 2],
    [6, 3],
    [1007, 3],
    [7, 4],
    [1005, 4],
    [5, 5],
  ]);
  expect(doneCount).toBe(AIM_TURNS);
});

test('money has one more turn where another aim came upon something cheaper, or upon something at all', async () => {
  const cheaper = await run([
    answerOf('a', 9),
    answerOf('b', 9),
    answerOf('c', 4),
    answerOf('d', 9),
    answerOf('e', 9),
    answerOf('f', 4),
  ]);
  expect(cheaper.asked.at(-1)).toEqual(['cost', ['a', 'b', 'c', 'd', 'e']]);
  expect(cheaper.shown.at(-1)).toEqual(['cost', 4, AIM_TURNS]);
  const found = await run([partial, partial, answerOf('c', 4), partial, partial, answerOf('e', 4)]);
  expect(found.asked.map(([prefer]) => prefer)).toEqual([
    'cost',
    'uniform',
    'reuse',
    'easy',
    'daily',
    'cost',
  ]);
  expect(found.asked.map(([, known]) => known.length)).toEqual([0, 1, 2, 3, 4, 5]);
});

test('where nothing goes in whole no turn is added, and every aim shows what leaves out least', async () => {
  const leaving = (containerId: string, litres: number) =>
    answerOf(containerId, 1, {
      ...{ status: 'infeasible', objective: null, bound: null },
      unmet: [{ groupId: 'g', litres }],
    });
  const { asked, shown } = await run([
    leaving('a', 5),
    leaving('b', 5),
    leaving('c', 2),
    leaving('d', 2),
    leaving('e', 2),
  ]);
  expect(asked).toHaveLength(5);
  expect(shown.slice(-2).map(([prefer]) => prefer)).toEqual(['cost', 'uniform']);
});

test('stopped, it asks and shows nothing more', async () => {
  const { asked, shown, doneCount } = await run([answerOf('a', 5), answerOf('b', 4)], 2);
  expect(asked.map(([prefer]) => prefer)).toEqual(['cost', 'uniform']);
  expect(shown.map(([prefer]) => prefer)).toEqual(['cost', 'cost']);
  expect(doneCount).toBe(2);
});

test('what was taken is where every aim begins', async () => {
  const { asked } = await run([answerOf('a', 5), answerOf('b', 4)], 2, answerOf('kept', 3));
  expect(asked).toEqual([
    ['cost', ['kept']],
    ['uniform', ['kept', 'a']],
  ]);
});
