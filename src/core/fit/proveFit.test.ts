import { cpuClock as clock } from '@test/cpuClock';
import fc from 'fast-check';

import { createRandom, loadSolver, type Solver } from '../shared';
import { CoverChoice } from './coverChoice';
import { isRefutedByLines } from './decideChoice';
import { findFitFaults } from './findFitFaults';
import { CoverList, type Cover } from './listCovers';
import {
  fitRequestSchema,
  type FitAnswer,
  type FitContainer,
  type FitGroup,
  type FitRequest,
} from './model';
import { NoGoods } from './noGoods';
import { packPiles } from './packPiles';
import { planFit } from './planFit';
import type { Chosen } from './selectContainers';

let solver: Solver;
beforeAll(async () => {
  solver = await loadSolver();
});

const sizeArb = fc.record({
  width: fc.integer({ min: 100, max: 320 }),
  depth: fc.integer({ min: 100, max: 320 }),
  litres: fc.integer({ min: 1, max: 9 }),
  priceMinor: fc.integer({ min: 1, max: 40 }),
  stackable: fc.boolean(),
});
const requestArb = fc
  .record({
    pullOut: fc.boolean(),
    litres: fc.array(fc.integer({ min: 2, max: 14 }), { minLength: 1, maxLength: 3 }),
    sizes: fc.array(sizeArb, { minLength: 1, maxLength: 4 }),
  })
  .map(({ pullOut, litres, sizes }): FitRequest =>
    fitRequestSchema.parse({
      bay: { id: 'b', width: 640, depth: 400, height: 240, pullOut },
      groups: litres.map((each, i) => ({
        id: `g${i}`,
        name: `g${i}`,
        litres: each,
        massG: each * 400,
      })),
      containers: sizes.map(({ width, depth, litres: innerLitres, ...rest }, i) => ({
        ...rest,
        id: `c${i}`,
        name: `c${i}`,
        outer: { width, depth, height: 100 },
        innerLitres,
        innerHeight: 95,
        material: 'plastic',
      })),
    }),
  );
const priceOf = ({ priceMinor }: FitContainer): number => priceMinor;

const listArb = fc.array(
  fc.record({ worth: fc.integer({ min: 1, max: 30 }), share: fc.integer({ min: 0, max: 9 }) }),
  { minLength: 1, maxLength: 5 },
);

test('the choices below a limit are all that keep the rows and hold nothing refuted, the cheapest first, and those of twins once', () =>
  fc.assert(
    fc.property(
      fc.array(listArb, { minLength: 1, maxLength: 3 }),
      fc.array(fc.nat(), { minLength: 1, maxLength: 5 }),
      fc.integer({ min: 5, max: 80 }),
      fc.nat(),
      (lists, kinds, limit, pick) => {
        const known = lists.map((list) =>
          list.map(({ worth, share }): Cover => ({
            parts: [],
            worth,
            shares: Float64Array.of(share / 10),
          })),
        );
        const kindOf = kinds.map((kind) => kind % lists.length);
        const coversOf = kindOf.map((kind, g) =>
          (known[kind] ?? []).map((cover): Cover =>
            kindOf.indexOf(kind) === g ? cover : { ...cover, twin: cover },
          ),
        );
        const noGoods = new NoGoods(
          fitRequestSchema.parse({
            bay: { id: 'b', width: 100, depth: 100, height: 100 },
            groups: [],
            containers: [],
          }),
          coversOf.map(() => []),
        );
        const core = coversOf
          .slice(0, 2)
          .map((covers, g) => covers[(pick + g) % covers.length] as Cover);
        noGoods.add(core);
        const keyOf = (cover: Cover): string =>
          known
            .map((list, k) => `${k}/${list.indexOf(cover.twin ?? cover)}`)
            .find((key) => !key.endsWith('-1')) ?? '';
        const expected = new Map<string, number>();
        const visit = (taken: readonly Cover[]): void => {
          const next = coversOf[taken.length];
          if (next) return next.forEach((cover) => visit([...taken, cover]));
          const keys = taken.map(keyOf);
          const worth = taken.reduce((sum, cover) => sum + cover.worth, 0);
          const share = taken.reduce((sum, { shares }) => sum + (shares[0] ?? 0), 0);
          const isRefuted = core.every(
            (cover) =>
              keys.filter((key) => key === keyOf(cover)).length >=
              core.filter((other) => keyOf(other) === keyOf(cover)).length,
          );
          if (worth < limit && share <= 1 + 1e-9 && !isRefuted)
            expected.set(keys.sort().join(), worth);
        };
        visit([]);
        const choice = new CoverChoice(
          coversOf.map((covers, g) => ({ kind: `${kindOf[g]}`, covers })),
          new Float64Array(1),
          limit,
        );
        for (const worth of expected.values())
          expect(worth).toBeGreaterThanOrEqual(choice.reached - 1e-6);
        const found: (readonly [string, number])[] = [];
        for (
          let next = choice.next(limit, free(noGoods));
          next !== undefined;
          next = choice.next(limit, free(noGoods))
        ) {
          if (next === 'later') continue;
          expect(choice.reached).toBeLessThanOrEqual(next.worth + 1e-6);
          found.push([next.covers.map(keyOf).sort().join(), next.worth]);
        }
        expect(found.map(([, worth]) => worth)).toEqual(
          [...expected.values()].sort((x, y) => x - y),
        );
        expect(new Map(found)).toEqual(expected);
      },
    ),
    { numRuns: 300 },
  ));
/** A few at a time, as the turns have it. */
const free = (noGoods: NoGoods) => ({
  most: 3,
  hasTime: () => true,
  noGoods,
  isPossible: () => true,
});

test('lines never refute what stands', () => {
  let stood = 0;
  let refuted = 0;
  fc.assert(
    fc.property(requestArb, fc.integer({ min: 1, max: 1000 }), (request, seed) => {
      const random = createRandom(seed);
      const chosen = request.groups.map((group): Chosen => ({
        group,
        container: request.containers[
          Math.floor(random() * request.containers.length)
        ] as FitContainer,
        count: 1 + Math.floor(random() * 3),
      }));
      const isRefuted = isRefutedByLines(request, chosen, { solver, seed: 1, leftMs: 1000 });
      if (isRefuted) refuted += 1;
      if (!packPiles(request, chosen, { tries: 40, random, aim: 'first', hasTime: () => true }))
        return;
      stood += 1;
      expect(isRefuted).toBe(false);
    }),
    { numRuns: 120 },
  );
  expect(Math.min(stood, refuted)).toBeGreaterThan(10);
});

test('what a cover cannot do a larger and heavier one cannot either', () => {
  const request = fitRequestSchema.parse({
    bay: { id: 'b', width: 640, depth: 400, height: 240 },
    groups: [
      { id: 'a', name: 'a', litres: 4, massG: 1600 },
      { id: 'b', name: 'b', litres: 4, massG: 1600 },
    ],
    containers: [
      [300, 200, 100],
      [200, 310, 110],
      [310, 190, 120],
    ].map(([width, depth, height], i) => ({
      id: `c${i}`,
      name: `c${i}`,
      outer: { width, depth, height },
      innerLitres: 4,
      innerHeight: 90,
      material: 'plastic',
      priceMinor: 10,
    })),
  });
  const coversOf = request.groups.map((group) =>
    request.containers.map((container): Cover => ({
      parts: [{ group, container, count: 1 }],
      worth: 10,
      shares: new Float64Array(0),
    })),
  );
  const noGoods = new NoGoods(request, coversOf);
  const at = (a: number, b: number): Cover[] => [
    coversOf[0]?.[a] as Cover,
    coversOf[1]?.[b] as Cover,
  ];
  noGoods.add(at(0, 0));
  // The second is the first turned and a little more; the third is narrower.
  expect(
    [at(0, 0), at(1, 0), at(1, 1), at(2, 0), at(0, 2)].map((covers) => noGoods.hold(covers)),
  ).toEqual([true, true, true, false, false]);
});

test('of free containers there is no end: they are not listed, and the fit costs nothing', () => {
  const request = fitRequestSchema.parse({
    bay: { id: 'b', width: 640, depth: 400, height: 240 },
    groups: [
      { id: 'a', name: 'a', litres: 6, massG: 2000 },
      { id: 'b', name: 'b', litres: 3, massG: 2000 },
    ],
    timeLimitMs: 60_000,
    containers: [
      { id: 'tin', priceMinor: 0 },
      { id: 'bin', priceMinor: 900 },
    ].map((each) => ({
      ...each,
      name: each.id,
      outer: { width: 120, depth: 120, height: 100 },
      innerLitres: 1.2,
      innerHeight: 90,
      material: 'metal',
    })),
  });
  expect(
    new CoverList(request, [], priceOf, () => true).of(request.groups[0] as FitGroup, {
      least: 0,
      limit: 0,
    }),
  ).toBeUndefined();
  const answer = planFit(request, { solver, clock });
  expect(answer).toMatchObject({ status: 'optimal', objective: 0, unmet: [] });
  expect(findFitFaults(request, answer)).toEqual([]);
});

test('what is proven best is no dearer than any other way of asking finds', () => {
  let proven = 0;
  fc.assert(
    fc.property(requestArb, fc.integer({ min: 2, max: 50 }), (request, seed) => {
      const [one, other] = [1, seed].map((each) =>
        planFit({ ...request, seed: each, timeLimitMs: 60_000 }, { solver, clock }),
      );
      for (const answer of [one, other])
        expect(findFitFaults(request, answer as FitAnswer)).toEqual([]);
      if (one?.status !== 'optimal' || other?.objective === null || other === undefined) return;
      proven += 1;
      expect(one.objective).toBeLessThanOrEqual((other.objective ?? NaN) + 1e-6);
      expect(other.bound).toBeLessThanOrEqual((one.objective ?? NaN) + 1e-6);
    }),
    { numRuns: 12 },
  );
  expect(proven).toBeGreaterThan(3);
}, 60_000);
