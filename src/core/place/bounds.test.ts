import { plantedHomeOf } from '@test/tightZones';
import { zonesRequestOf } from '@test/zonesArbitrary';
import { zoneFaults } from '@test/zonesOracle';
import { createRandom, loadSolver } from '../shared';
import { boundByBays, rewardsOf } from './boundByBays';
import { boundByColumns } from './boundByColumns';
import { boundZones, leanPairs } from './boundZones';
import { exchangeZones } from './exchangeZones';
import { solveZonesCore } from './solveZonesCore';
import { standGreedily, standZones } from './standZones';
import { zonesRequestSchema } from './zonesModel';
import { costOfZones, createZonesProblem, type ZonesProblem } from './zonesProblem';

const never = () => false;
const request = (seed: number, pairs = seed % 5) =>
  zonesRequestOf(seed, { groups: 5, bays: 5, pairs, fillRatio: 0.25 + (seed % 4) * 0.1 });
const problemOf = (seed: number, pairs?: number): ZonesProblem =>
  createZonesProblem(zonesRequestSchema.parse(request(seed, pairs)));

/** Every arrangement that keeps the rules, with its cost. */
function everyArrangement(
  seed: number,
  pairs?: number,
): { readonly bayOf: number[]; readonly cost: number }[] {
  const asked = request(seed, pairs);
  const problem = problemOf(seed, pairs);
  const found: { bayOf: number[]; cost: number }[] = [];
  const lay = (bayOf: number[]): void => {
    if (bayOf.length < problem.groupCount)
      return [...(problem.allowed[bayOf.length] as Int32Array)].forEach((b) => lay([...bayOf, b]));
    const assignment = bayOf.map((b, g) => ({ groupId: `g${g}`, bayId: `b${b}` }));
    if (zoneFaults(asked, assignment).length === 0)
      found.push({ bayOf, cost: costOfZones(problem, bayOf) });
  };
  lay([]);
  return found;
}
/** The best that searching finds, in a fixed number of steps. */
function bestOf(
  problem: ZonesProblem,
  seed: number,
): { bayOf: Int32Array | undefined; cost: number } {
  const random = createRandom(seed);
  const from = standZones(problem, { random, from: standGreedily(problem), isOver: never });
  if (!from) return { bayOf: undefined, cost: Infinity };
  const best = { bayOf: from, cost: costOfZones(problem, from) };
  exchangeZones(problem, {
    ...{ random, from, lists: problem.allowed, steps: 40_000, heat: 2, spent: () => 0 },
    onBetter: (bayOf, cost) => Object.assign(best, { bayOf: Int32Array.from(bayOf), cost }),
  });
  return best;
}
const leastOf = (list: readonly { readonly cost: number }[]) =>
  Math.min(...list.map(({ cost }) => cost));
const seeds = Array.from({ length: 24 }, (_, i) => i + 1).filter(
  (seed) =>
    problemOf(seed).allowed.every((list) => list.length > 0) && everyArrangement(seed).length > 0,
);

test('there is something to bound', () => expect(seeds.length).toBeGreaterThan(8));

test.each(seeds)(
  'home %i: neither bound is above any arrangement, nor above those through a pair',
  (seed) => {
    const problem = problemOf(seed);
    const all = everyArrangement(seed);
    const best = all.reduce((least, each) => (each.cost < least.cost ? each : least));
    const bayOf = Int32Array.from(best.bayOf);
    const prices = boundZones(problem, { best: best.cost, bayOf, steps: 120, isOver: never });
    const cost = Float64Array.from(problem.cost);
    leanPairs(problem, problem.pairs, bayOf, cost);
    const rewards = boundByBays(problem, {
      best: best.cost,
      steps: 80,
      isOver: never,
      rewards: rewardsOf(problem, prices.priced),
      cost,
      open: problem.allowed.map((list) => [...list]),
    });
    for (const { bound, through } of [prices, rewards]) {
      expect(bound).toBeLessThanOrEqual(best.cost + 1e-6);
      for (const arrangement of all)
        arrangement.bayOf.forEach((b, g) =>
          expect(through[g * problem.bayCount + b]).toBeLessThanOrEqual(arrangement.cost + 1e-6),
        );
    }
  },
);

test.each(seeds)(
  'home %i: what bays may hold bounds the best of all from below, and leads to it',
  async (seed) => {
    const problem = problemOf(seed, 0);
    const all = everyArrangement(seed, 0);
    const random = createRandom(seed);
    const worst = all.reduce((most, each) => (each.cost > most.cost ? each : most));
    const prices = boundZones(problem, {
      best: worst.cost,
      bayOf: Int32Array.from(worst.bayOf),
      steps: 30,
      isOver: never,
    });
    const [bounds, found]: [number[], number[]] = [[], []];
    const faultsOf = (bayOf: Int32Array) =>
      zoneFaults(
        request(seed, 0),
        [...bayOf].map((b, g) => ({ groupId: `g${g}`, bayId: `b${b}` })),
      );
    let parts = 0;
    boundByColumns(problem, {
      solver: await loadSolver(),
      random,
      bayOf: Int32Array.from(worst.bayOf),
      rewards: rewardsOf(problem, prices.priced),
      met: [],
      open: problem.allowed.map((list) => [...list]),
      leftMs: () => 5000,
      climbLeftMs: () => 5000,
      onBound: (bound) => {
        bounds.push(bound);
        return Int32Array.from(worst.bayOf);
      },
      mend: (bayOf) => (faultsOf(bayOf).length === 0 ? bayOf : Int32Array.from(worst.bayOf)),
      onProof: (bound) => bounds.push(bound),
      isDone: () => (parts += 1) > 12,
      pickBays: () => new Set([0, 1, 2, 3, 4].filter(() => random() < 0.7)),
      onBetter: (bayOf, cost) => {
        expect(faultsOf(bayOf)).toEqual([]);
        found.push(cost);
      },
    });
    const least = leastOf(all);
    expect(Math.max(...bounds)).toBeLessThanOrEqual(least + 1e-6);
    // With all contents at hand the last bound is the proof.
    expect(Math.max(...bounds)).toBeCloseTo(least, 4);
    expect(bounds[0]).toBeGreaterThanOrEqual(prices.bound - 1e-6);
    expect(Math.min(worst.cost, ...found)).toBeCloseTo(least, 6);
  },
);

test('where bays hold few groups, rewards bound far better than prices', () => {
  const problem = createZonesProblem(
    zonesRequestSchema.parse(zonesRequestOf(4, { groups: 20, bays: 16, pairs: 0, fillRatio: 0.5 })),
  );
  const found = bestOf(problem, 1);
  const prices = boundZones(problem, {
    best: found.cost,
    bayOf: found.bayOf,
    steps: 200,
    isOver: never,
  });
  const rewards = boundByBays(problem, {
    best: found.cost,
    steps: 150,
    isOver: never,
    rewards: rewardsOf(problem, prices.priced),
    cost: problem.cost,
    open: problem.allowed.map((list) => [...list]),
  });
  expect(rewards.bound).toBeGreaterThan(prices.bound);
  expect(rewards.bound).toBeLessThanOrEqual(found.cost);
});

test.each(seeds.slice(0, 8))(
  'home %i: the exact model and the search find the best of all',
  async (seed) => {
    const problem = problemOf(seed);
    const least = leastOf(everyArrangement(seed));
    const core = solveZonesCore(problem, {
      solver: await loadSolver(),
      leftMs: () => 5000,
      seed: 1,
      left: problem.allowed.map((list) => [...list]),
    });
    if (core.code !== 'solved' || !core.bayOf) throw new Error('small homes are solved');
    expect(costOfZones(problem, core.bayOf)).toBeCloseTo(least, 6);
    expect(core.bound).toBeCloseTo(least, 4);
    expect(bestOf(problem, seed).cost).toBeCloseTo(least, 6);
  },
);

test('annealing never leaves the rules, and counts pairs that make room together as adding up does', () => {
  for (const seed of [1, 2, 3, 4, 5, 6]) {
    const home = plantedHomeOf(seed, { groups: 18, bays: 6, pairs: 25 }, 0.1);
    if (!home) continue;
    const problem = createZonesProblem(home.request);
    exchangeZones(problem, {
      ...{ random: createRandom(seed), from: Int32Array.from(home.bayOf), lists: problem.allowed },
      ...{ steps: 20_000, heat: 2, spent: () => 0 },
      onBetter: (bayOf, cost) => {
        expect(cost).toBeLessThan(costOfZones(problem, home.bayOf) + 1e-6);
        expect(
          zoneFaults(
            home.request,
            [...bayOf].map((b, g) => ({ groupId: `g${g}`, bayId: `b${b}` })),
          ),
        ).toEqual([]);
      },
    });
  }
});
