import { putInOrder, type FitAnswer } from '.';

const at = (x: number, y: number, z: number, on?: number) => ({
  ...{ containerId: 'c', groupId: 'g', x, y, z, turned: false },
  ...(on === undefined ? {} : { on }),
});
const on = (x: number, y: number, z: number, lower?: number) => ({
  ...{ containerId: 's', x, y, z, turned: false },
  ...(lower === undefined ? {} : { on: lower }),
});
const wordsOf = (answer: Pick<FitAnswer, 'placements' | 'surfaces'>): string[] =>
  putInOrder(answer).map(({ kind, index }) => `${kind[0]}${index}`);

test('what bears others goes in before what stands on it, and a plate is full before the next one', () => {
  // Two tiers with one box each, the upper one further back; a box on the floor behind, one before.
  const answer = {
    placements: [at(10, 10, 30, 0), at(10, 90, 180, 1), at(400, 200, 0), at(400, 5, 0)],
    surfaces: [on(5, 5, 0), on(5, 5, 150, 0)],
  };
  expect(wordsOf(answer)).toEqual(['c2', 's0', 'c0', 's1', 'c1', 'c3']);
});

test('a riser at the back goes in first, with what is on it, then what stands before it', () => {
  const answer = {
    placements: [at(20, 5, 0), at(20, 300, 150, 0), at(150, 300, 150, 0)],
    surfaces: [on(5, 290, 0)],
  };
  expect(wordsOf(answer)).toEqual(['s0', 'c1', 'c2', 'c0']);
});

test('each goes in once', () => {
  const answer = {
    placements: Array.from({ length: 30 }, (_, i) => at((i * 37) % 11, (i * 53) % 7, 0, i % 3)),
    surfaces: [on(0, 0, 0), on(5, 3, 0), on(0, 0, 9, 0)],
  };
  expect(new Set(wordsOf(answer)).size).toBe(33);
});
