import { planZones, zonesRequestSchema, type ZonesRequest } from '@/core/place';
import { solveZonesCore } from '@/core/place/solveZonesCore';
import { costOfZones, createZonesProblem } from '@/core/place/zonesProblem';
import type { Solver } from '@/core/shared';
import { zoneFaults } from '@test/zonesOracle';
import { bestOfSimple } from '@test/simpleZones';
import { fullHomeOf, plantedHomeOf } from '@test/tightZones';
import { zonesRequestOf } from '@test/zonesArbitrary';

import { median, timesOf, type Row } from './benchRow';

/** So long the plain exact model is given. */
const PLAIN_MS = 15_000;
const SEEDS = [1, 2, 3, 4, 5];

/** All measurements of `zones`, the tight ones first. */
export function benchZones(solver: Solver): Row[] {
  const forty = { groups: 40, bays: 40, pairs: 0 };
  const large = { groups: 150, bays: 120, pairs: 0 };
  const planted = (size: typeof forty, slack: number) => (seed: number) =>
    plantedHomeOf(seed, size, slack)?.request;
  const full = (size: typeof forty, fillRatio: number) => (seed: number) =>
    fullHomeOf(seed, size, fillRatio);
  return [
    benchTight(solver, '40 x 40, planted, no room to spare', planted(forty, 0), 1350, PLAIN_MS),
    ...[0.92, 0.85, 0.75, 0.6].map((ratio) =>
      benchTight(solver, `40 x 40, ${ratio} full`, full(forty, ratio), 1350, PLAIN_MS),
    ),
    benchTight(
      solver,
      '40 x 40 with 20 pairs, 0.79 full',
      full({ ...forty, pairs: 20 }, 0.79),
      3000,
      PLAIN_MS,
    ),
    benchTight(
      solver,
      '60 x 50 with 30 pairs, planted, 2 % to spare',
      planted({ groups: 60, bays: 50, pairs: 30 }, 0.02),
      5000,
    ),
    benchTight(solver, '150 x 120, planted, no room to spare', planted(large, 0), 10_000),
    benchTight(
      solver,
      '300 x 200, planted, 2 % to spare',
      planted({ groups: 300, bays: 200, pairs: 0 }, 0.02),
      10_000,
    ),
    benchTight(solver, '150 x 120, planted, in 50 ms', planted(large, 0.02), 50),
    ...(
      [
        [40, 40, 0, 1500, 0.35],
        [150, 120, 0, 1000, 0.1],
        [150, 120, 0, 10_000, 0.1],
        [150, 120, 0, 1000, 0.35],
        [150, 120, 0, 10_000, 0.35],
        [20, 20, 8, 1000, 0.35],
        [40, 40, 12, 3000, 0.35],
        [60, 50, 20, 5000, 0.35],
      ] as const
    ).map(([groups, bays, pairs, timeLimitMs, fillRatio]) =>
      benchLoose(solver, { groups, bays, pairs, fillRatio, timeLimitMs }),
    ),
    checkLoose(solver, 1000),
    checkTight(solver, 3000),
  ];
}

const percent = (share: number): string => `${(100 * share).toFixed(2)} %`;

/** Full homes, and the same by the plain exact model on the same core where it is asked for. */
function benchTight(
  solver: Solver,
  what: string,
  make: (seed: number) => ZonesRequest | undefined,
  timeLimitMs: number,
  plainMs?: number,
): Row {
  const runs = SEEDS.flatMap((seed) => {
    const request = make(seed);
    if (!request) return [];
    const start = performance.now();
    let firstMs = Infinity;
    const answer = planZones(
      { ...request, timeLimitMs },
      {
        solver,
        clock: () => performance.now(),
        onProgress: () => {
          firstMs = Math.min(firstMs, performance.now() - start);
        },
      },
    );
    return [
      {
        answer,
        firstMs,
        faults: answer.assignment.length > 0 ? zoneFaults(request, answer.assignment).length : 0,
        plain: plainMs === undefined ? undefined : planPlainly(request, solver, plainMs),
      },
    ];
  });
  const found = runs.filter(({ answer }) => answer.objective !== null);
  const gaps = found.map(({ answer: { objective, bound } }) => (objective ?? 0) / (bound ?? 0) - 1);
  const firsts = found.map(({ firstMs }) => firstMs);
  const proven = runs.filter(({ answer: { status } }) =>
    ['optimal', 'infeasible'].includes(status),
  );
  const impossible = runs.filter(({ answer }) => answer.status === 'infeasible').length;
  const beside = runs.flatMap(({ answer, plain }) =>
    plain?.cost === undefined || answer.objective === null
      ? []
      : [answer.objective / plain.cost - 1],
  );
  const plains = runs.flatMap(({ plain }) => (plain ? [plain] : []));
  return {
    ...timesOf(
      `zones, ${what}, in ${timeLimitMs} ms`,
      runs.map(({ answer }) => answer.elapsedMs),
    ),
    note:
      `${proven.length} proven, ${impossible} of them to be impossible; ` +
      (found.length === 0
        ? 'none found'
        : `${found.length} found, the first after ${median(firsts).toFixed(0)} ms, at most ` +
          `${Math.max(...firsts).toFixed(0)}; mean ` +
          `${percent(gaps.reduce((a, b) => a + b, 0) / gaps.length)}, at most ` +
          `${percent(Math.max(...gaps))} above the bound`) +
      (plains.length === 0
        ? ''
        : `; the plain exact model: ${plains.filter(({ isProven }) => isProven).length} proven, ` +
          `median ${median(plains.map(({ tookMs }) => tookMs)).toFixed(0)} ms, at most ` +
          `${Math.max(...plains.map(({ tookMs }) => tookMs)).toFixed(0)}; ours at most ` +
          `${percent(Math.max(0, ...beside))} above what it found`) +
      `; ${runs.reduce((sum, { faults }) => sum + faults, 0)} rules broken`,
  };
}

function planPlainly(request: ZonesRequest, solver: Solver, mostMs: number) {
  const problem = createZonesProblem(request);
  const start = performance.now();
  const outcome = solveZonesCore(problem, {
    solver,
    leftMs: () => mostMs,
    seed: 1,
    left: problem.allowed.map((list) => [...list]),
  });
  const bayOf = outcome.code === 'solved' ? outcome.bayOf : undefined;
  return {
    tookMs: performance.now() - start,
    cost: bayOf && costOfZones(problem, bayOf),
    isProven: outcome.code === 'impossible' || (outcome.code === 'solved' && outcome.isProven),
  };
}

/** Homes with room, and beside them the best of three simple methods. */
function benchLoose(solver: Solver, size: Parameters<typeof zonesRequestOf>[1]): Row {
  const firsts: number[] = [];
  let worse = 0;
  const answers = [1, 2, 3, 4, 5, 6, 7]
    .map((seed) => {
      const start = performance.now();
      let first = Infinity;
      const answer = planZones(zonesRequestSchema.parse(zonesRequestOf(seed, size)), {
        solver,
        clock: () => performance.now(),
        onProgress: () => {
          first = Math.min(first, performance.now() - start);
        },
      });
      if (answer.objective !== null) firsts.push(first);
      if (
        seed <= 3 &&
        (answer.objective ?? Infinity) >
          (bestOfSimple(zonesRequestOf(seed, size)) ?? Infinity) + 1e-6
      )
        worse += 1;
      return answer;
    })
    .filter(({ objective }) => objective !== null);
  const gaps = answers.map(
    ({ objective, bound }) => ((objective ?? 0) - (bound ?? 0)) / Math.max(1e-9, bound ?? 0),
  );
  return {
    ...timesOf(
      `zones, ${size.groups} groups x ${size.bays} bays, ${size.pairs} pairs, ${size.fillRatio} full, in ${size.timeLimitMs} ms`,
      answers.map(({ elapsedMs }) => elapsedMs),
    ),
    note:
      `${answers.filter(({ status }) => status === 'optimal').length} proven optimal; mean ` +
      `${percent(gaps.reduce((a, b) => a + b, 0) / Math.max(1, gaps.length))}, at ` +
      `most ${percent(Math.max(...gaps))} above the bound; ${worse} of 3 worse than ` +
      `the best of three simple methods; first answer after ${median(firsts).toFixed(0)} ms, at ` +
      `most ${Math.max(...firsts).toFixed(0)}`,
  };
}

/**
 * Small requests of every kind, each answer gone through by the checker that shares no code with
 * the engine.
 */
function checkLoose(solver: Solver, count: number): Row {
  return checkAll(solver, 'random', count, (seed) =>
    zonesRequestSchema.parse(
      zonesRequestOf(seed, {
        groups: 2 + (seed % 9),
        bays: 2 + (seed % 7),
        pairs: seed % 4,
        fillRatio: 0.25 + (seed % 5) * 0.1,
        timeLimitMs: 300,
      }),
    ),
  );
}

function checkTight(solver: Solver, count: number): Row {
  return checkAll(solver, 'tight', count, (seed) => {
    const size = { groups: 4 + (seed % 12), bays: 3 + (seed % 9), pairs: seed % 5 };
    const request =
      seed % 2 === 0
        ? plantedHomeOf(seed, size, (seed % 3) * 0.02)?.request
        : fullHomeOf(seed, size, 0.6 + (seed % 4) * 0.1);
    return request && { ...request, timeLimitMs: 200 };
  });
}

function checkAll(
  solver: Solver,
  what: string,
  count: number,
  make: (seed: number) => ZonesRequest | undefined,
): Row {
  const times: number[] = [];
  const statuses = { optimal: 0, feasible: 0, infeasible: 0, unknown: 0 };
  let broken = 0;
  for (let seed = 1; seed <= count; seed += 1) {
    const request = make(seed);
    if (!request) continue;
    const answer = planZones(request, { solver, clock: () => performance.now() });
    times.push(answer.elapsedMs);
    statuses[answer.status] += 1;
    if (answer.objective !== null) broken += zoneFaults(request, answer.assignment).length;
  }
  return {
    ...timesOf(`zones, ${times.length} ${what} requests checked`, times),
    note: `${Object.entries(statuses)
      .map(([status, n]) => `${n} ${status}`)
      .join(', ')}; ${broken} rules broken`,
  };
}
