import { homeDoneRatio, rankNext, standingOf } from './homeProgress';
import type { NextStep, RoomProgress, Step } from './roomProgress';

const standing = (room: string, next: readonly NextStep[], doneSteps: readonly Step[] = []) => ({
  room,
  progress: { next, doneSteps, doneRatio: 0 } satisfies RoomProgress,
});
const ask = (count: number): NextStep => ({ step: 'sort', code: 'ask_client', count });

test('what cannot be made up for comes first, then the order of the rooms', () => {
  const rooms = [
    standing('hall', [{ step: 'look', code: 'measure_walls' }, ask(1)]),
    standing('attic', [{ step: 'look', code: 'take_before', vantagePointName: 'door' }, ask(2)]),
  ];
  expect(rankNext(rooms).map(({ room, next }) => [room, next.code])).toEqual([
    ['attic', 'take_before'],
    ['hall', 'ask_client'],
    ['attic', 'ask_client'],
    ['hall', 'measure_walls'],
  ]);
});

test('a step of the home sums what rooms miss of the same, and counts rooms where they differ', () => {
  expect(standingOf('sort', [standing('a', [ask(2)]), standing('b', [ask(3)])])).toEqual({
    openCount: 2,
    gap: ask(5),
    isDone: false,
  });
  const mixed = standingOf('sort', [
    standing('a', [ask(2)]),
    standing('b', [{ step: 'sort', code: 'start_sorting' }]),
    standing('c', [ask(1)]),
  ]);
  expect(mixed).toEqual({ openCount: 3, gap: undefined, isDone: false });
});

test('a step of the home is done where it is done in every room, and nothing is done without rooms', () => {
  const rooms = [standing('a', [], ['look', 'sort']), standing('b', [], ['look'])];
  expect(standingOf('look', rooms).isDone).toBe(true);
  expect(standingOf('sort', rooms).isDone).toBe(false);
  expect(standingOf('look', []).isDone).toBe(false);
  expect(homeDoneRatio(rooms)).toBeCloseTo(3 / 18, 12);
  expect(homeDoneRatio([])).toBe(0);
});
