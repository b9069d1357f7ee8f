import fc from 'fast-check';

import {
  findFitFaults,
  planFit,
  planFits,
  unmetLitresOf,
  type FitAnswer,
  type FitRequest,
} from '@/core/fit';
import type { Solver } from '@/core/shared';
import { levelRequestArb } from '@test/levelArbitrary';
import { plantFit } from '@test/plantedFit';
import { median, timesOf, type Row } from './benchRow';

const CASES = 18;
const RANDOM = 3000;
const clock = () => performance.now();
const shareOf = (request: FitRequest, answer: FitAnswer): number =>
  unmetLitresOf(answer) / request.groups.reduce((sum, { litres }) => sum + litres, 0);

/** Fits with levels: bays that were filled backwards, on the floor alone beside them, places of a room, odd requests. */
export async function benchLevels(solver: Solver): Promise<Row[]> {
  return [
    ...benchPlanted(solver),
    await benchPlaces(solver, { count: 10, of: 'a room', timeLimitMs: 20_000 }),
    await benchPlaces(solver, { count: 60, of: 'a home', timeLimitMs: 60_000 }),
    benchOdd(solver),
  ];
}

function benchPlanted(solver: Solver): Row[] {
  const firsts: number[] = [];
  const cases = Array.from({ length: CASES }, (_, i) => {
    const { request, known } = plantFit(i + 1);
    const start = clock();
    let firstMs = Infinity;
    const answer = planFit(request, {
      solver,
      clock,
      onFirst: () => (firstMs = Math.min(firstMs, clock() - start)),
    });
    const tookMs = clock() - start;
    firsts.push(Math.min(firstMs, tookMs));
    const flatStart = clock();
    const flat = planFit(
      { ...request, containers: request.containers.filter(({ role }) => role === undefined) },
      { solver, clock },
    );
    return { request, known, answer, tookMs, flat, flatMs: clock() - flatStart };
  });
  const standing = cases.filter(({ answer }) => answer.unmet.length === 0);
  const wanting = cases.filter(({ flat }) => flat.unmet.length > 0);
  const dearer = standing.filter(({ answer, known }) => answer.costMinor > known.costMinor * 1.03);
  const broken = cases.filter(({ request, answer }) => findFitFaults(request, answer).length > 0);
  return [
    {
      ...timesOf(
        'fit on levels, bays filled backwards',
        cases.map(({ tookMs }) => tookMs),
      ),
      note:
        `${standing.length} of ${CASES} stand whole, at most ` +
        `${(100 * Math.max(...cases.map(({ request, answer }) => shareOf(request, answer)))).toFixed(1)} % ` +
        `unmet; of ${wanting.length} in which the floor alone leaves things out ` +
        `${wanting.filter(({ answer }) => answer.unmet.length === 0).length} stand whole; ` +
        `${dearer.length} cost over 3 % more than was planted; ${broken.length} break a rule; first ` +
        `after ${median(firsts).toFixed(0)} ms, at most ${Math.max(...firsts).toFixed(0)}`,
    },
    {
      ...timesOf(
        '  the same on the floor alone',
        cases.map(({ flatMs }) => flatMs),
      ),
      note: `${CASES - wanting.length} of ${CASES} stand whole, at most ${(
        100 * Math.max(...cases.map(({ request, flat }) => shareOf(request, flat)))
      ).toFixed(1)} % unmet`,
    },
  ];
}

/** Places of a room or a home with levels, within a time for all. */
async function benchPlaces(
  solver: Solver,
  {
    count,
    of,
    timeLimitMs,
  }: { readonly count: number; readonly of: string; readonly timeLimitMs: number },
): Promise<Row> {
  const requests = Array.from({ length: count }, (_, i) => {
    const { request } = plantFit(100 + i);
    return { ...request, bay: { ...request.bay, id: `bay-${i}` } };
  });
  const start = clock();
  const fits = await planFits(requests, { solver, clock, timeLimitMs });
  const took = clock() - start;
  return {
    ...timesOf(`fit on levels, ${count} places of ${of}`, [took]),
    note: `${fits.filter(({ answer }) => answer.unmet.length === 0).length} of ${count} stand whole`,
  };
}

function benchOdd(solver: Solver): Row {
  const requests = fc.sample(levelRequestArb, { numRuns: RANDOM, seed: 17 });
  const times: number[] = [];
  let [standing, broken] = [0, 0];
  for (const request of requests) {
    const start = clock();
    const answer = planFit({ ...request, timeLimitMs: 40 }, { solver, clock });
    times.push(clock() - start);
    if (answer.placements.length > 0) standing += 1;
    if (findFitFaults(request, answer).length > 0) broken += 1;
  }
  return {
    ...timesOf(`fit, ${RANDOM} random requests with levels through the checker`, times),
    note: `in ${standing} something stands, ${broken} break a rule`,
  };
}
