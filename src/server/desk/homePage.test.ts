import { aSection } from '@test/builders';
import { nextVisitOf } from './homePage';

const estimate = (name: string, likelyMinutes: number, change: object = {}) => ({
  section: aSection({ name, ...change }),
  isDone: false,
  likelyMinutes,
});

test('the next visit takes sections in their order, as many as go into it', () => {
  const visit = nextVisitOf(
    [
      { ...estimate('done', 60), isDone: true },
      estimate('not this time', 60, { inScope: false }),
      estimate('shelves', 100),
      estimate('drawers', 90),
      estimate('floor', 120),
      estimate('short', 10),
    ],
    240,
  );
  expect(visit.sections.map(({ name }) => name)).toEqual(['shelves', 'drawers']);
  expect(visit.likelyMinutes).toBe(190);
});

test('a section longer than a visit is begun all the same', () => {
  const visit = nextVisitOf([estimate('attic', 600), estimate('hall', 30)], 240);
  expect(visit.sections.map(({ name }) => name)).toEqual(['attic']);
});
