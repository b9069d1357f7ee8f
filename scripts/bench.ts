/**
 * Measures the engines and prints medians with the machine: npm run bench [-- fit shop]
 * Requests are made from fixed seeds, so that two machines measure the same work.
 */
import os from 'node:os';

import fc from 'fast-check';

import {
  createRandom,
  freeLitresOf,
  largestFreeBoxOf,
  loadSolver,
  type Box,
  type Solver,
} from '@/core/shared';
import { movesRequestSchema, planMoves, type MovesRequestInput } from '@/core/place';
import {
  cutRequestSchema,
  planCuts,
  planRoll,
  planShop,
  rollRequestSchema,
  shopRequestSchema,
  type ShopRequest,
} from '@/core/shop';
import { cutFaults } from '@test/cutOracle';
import { orderByModel } from '@test/movesModel';
import { replayMoves } from '@test/movesOracle';
import { rollFaults } from '@test/rollOracle';
import { shopRequestArb } from '@test/shopArbitrary';
import { shopFaults } from '@test/shopOracle';

import { benchAlong } from './benchAlong';
import { benchBench } from './benchBench';
import { benchFits } from './benchFit';
import { benchLevels } from './benchLevels';
import { benchLearn } from './benchLearn';
import { benchThings } from './benchThings';
import { benchRoll } from './benchRoll';
import { benchDays } from './benchDays';
import { benchField } from './benchField';
import { benchHauls } from './benchHaul';
import { benchSetUp } from './benchSetUp';
import { benchSchedules } from './benchSchedule';
import { benchLargeShop, benchPlantedCuts, benchTightShop } from './benchTight';
import { benchTrips } from './benchTrip';
import { benchZones } from './benchZones';
import { between, median, timesOf, type Row } from './benchRow';

function aShopRequest(
  seed: number,
  size: { readonly needs: number; readonly offers: number; readonly shops: number },
): ShopRequest {
  const random = createRandom(seed);
  const needs = Array.from({ length: size.needs }, (_, i) => ({
    id: `n${i}`,
    name: `n${i}`,
    qty: between(random, 1, 12),
    priority: (['must', 'must', 'should', 'nice'] as const)[i % 4] ?? 'must',
  }));
  return shopRequestSchema.parse({
    needs,
    offers: Array.from({ length: size.offers }, (_, i) => {
      const packSize = [1, 1, 2, 3, 4, 6][between(random, 0, 5)] ?? 1;
      return {
        id: `o${i}`,
        shopId: `s${between(random, 0, size.shops - 1)}`,
        needId: `n${i % size.needs}`,
        packSize,
        priceMinor: Math.round(packSize * between(random, 150, 900) * (0.75 + random() * 0.25)),
      };
    }),
    shops: Array.from({ length: size.shops }, (_, i) => ({
      id: `s${i}`,
      name: `s${i}`,
      deliveryMinor: i % 2 === 0 ? 495 : 0,
      ...(i % 2 === 0 ? { freeOverMinor: 5000 } : {}),
    })),
    budgetMinor: size.needs * 2500,
    timeLimitMs: 15_000,
  });
}

function benchShop(solver: Solver, size: Parameters<typeof aShopRequest>[1]): Row {
  const answers = Array.from({ length: 7 }, (_, i) =>
    planShop(aShopRequest(i + 1, size), { solver, clock: () => performance.now() }),
  );
  const optimal = answers.filter(({ status }) => status === 'optimal').length;
  const cutOff = answers.map(
    ({ payMinor }, i) =>
      planShop(
        { ...aShopRequest(i + 1, size), timeLimitMs: 1000 },
        { solver, clock: () => performance.now() },
      ).payMinor /
        payMinor -
      1,
  );
  return {
    ...timesOf(
      `shop, ${size.needs} needs x ${size.offers} offers x ${size.shops} shops`,
      answers.map(({ elapsedMs }) => elapsedMs),
    ),
    note:
      `${optimal} of ${answers.length} proven optimal; cut off after 1 s at most ` +
      `${(100 * Math.max(...cutOff)).toFixed(2)} % above that`,
  };
}

/** Bays as measured: five boxes in each, anywhere inside. */
function benchSpace(): Row {
  const random = createRandom(5);
  const bays = Array.from({ length: 500 }, () => {
    const space = {
      width: between(random, 400, 1200),
      depth: between(random, 250, 600),
      height: between(random, 150, 700),
    };
    const obstacles = Array.from({ length: 5 }, (): Box => {
      const [width, depth, height] = [
        between(random, 20, 300),
        between(random, 20, 200),
        between(random, 20, 300),
      ];
      return {
        x: between(random, 0, space.width),
        y: between(random, 0, space.depth),
        z: between(random, 0, space.height),
        width,
        depth,
        height,
      };
    });
    return { space, obstacles };
  });
  const times = Array.from({ length: 9 }, () => {
    const start = performance.now();
    for (const { space, obstacles } of bays) {
      freeLitresOf(space, obstacles);
      largestFreeBoxOf(space, obstacles);
    }
    return performance.now() - start;
  });
  return {
    ...timesOf('space, 500 bays x 5 obstacles together', times),
    note: 'free litres and the largest free box of each',
  };
}

/** So long the exact ordering model is given. */
const MODEL_MS = 20_000;

/** Two arrangements of the same groups, each bay just as large as the fuller of the two needs it. */
function benchMoves(
  solver: Solver,
  {
    groups,
    bays,
    timeLimitMs,
  }: { readonly groups: number; readonly bays: number; readonly timeLimitMs: number },
): Row {
  const requests = [1, 2, 3, 4, 5, 6, 7].map((seed): MovesRequestInput => {
    const random = createRandom(seed * 31 + groups);
    const litres = Array.from({ length: groups }, () => between(random, 2, 19));
    // Of four bays the emptiest: both arrangements fill all bays alike, so that little room is left.
    const lay = () => {
      const full = Array.from({ length: bays }, () => 0);
      return litres.map((amount) => {
        const b = Array.from({ length: 4 }, () => between(random, 0, bays - 1)).reduce(
          (least, other) => ((full[other] ?? 0) < (full[least] ?? 0) ? other : least),
        );
        full[b] = (full[b] ?? 0) + amount;
        return b;
      });
    };
    const [now, then] = [lay(), lay()];
    const held = (places: readonly number[], bay: number) =>
      litres.reduce((sum, amount, g) => sum + (places[g] === bay ? amount : 0), 0);
    return {
      bays: Array.from({ length: bays }, (_, b) => ({
        id: `b${b}`,
        litres: Math.max(held(now, b), held(then, b)),
      })),
      groups: litres.map((amount, g) => ({
        id: `g${g}`,
        litres: amount,
        from: `b${now[g]}`,
        to: `b${then[g]}`,
      })),
      seed,
      timeLimitMs,
    };
  });
  const answers = requests.map((request) =>
    planMoves(movesRequestSchema.parse(request), { clock: () => performance.now() }),
  );
  // Beside it the exact ordering model, for some of them: it takes its time.
  const byModel = requests.slice(0, 3).map((request, i) => ({
    own: answers[i]?.stagedLitres ?? NaN,
    model: orderByModel(request, { solver, timeLimitMs: MODEL_MS }),
  }));
  const modelNote = byModel
    .map(
      ({ own, model }) =>
        `${own}/${model ? `${model.stagedLitres}${model.isProven ? ' proven' : ''}` : 'none'}`,
    )
    .join(', ');
  const staged = answers.map(({ stagedLitres }) => stagedLitres);
  return {
    ...timesOf(
      `moves, ${groups} tight groups x ${bays} bays, in ${timeLimitMs} ms`,
      answers.map(({ elapsedMs }) => elapsedMs),
    ),
    note:
      `${answers.filter(({ status }) => status === 'optimal').length} of ${answers.length} proven ` +
      `optimal; ${median(staged)} l handled twice, at most ${Math.max(...staged)}; own and the ` +
      `exact ordering model after ${MODEL_MS / 1000} s: ${modelNote}`,
  };
}

function checkMoves(count: number): Row {
  const times: number[] = [];
  const faults: string[] = [];
  for (let seed = 1; seed <= count; seed += 1) {
    const random = createRandom(seed * 101);
    const bays = Array.from({ length: 2 + (seed % 5) }, (_, b) => `b${b}`);
    const any = () =>
      random() < 0.12 ? null : (bays[between(random, 0, bays.length - 1)] ?? null);
    const groups = Array.from({ length: 2 + (seed % 11) }, (_, g) => ({
      id: `g${g}`,
      litres: between(random, 1, 20),
      from: any(),
      to: any(),
    }));
    const held = (bay: string, end: 'from' | 'to') =>
      groups.reduce((sum, group) => sum + (group[end] === bay ? group.litres : 0), 0);
    const request = {
      bays: bays.map((id) => ({
        id,
        litres: Math.max(held(id, 'from'), held(id, 'to')) + between(random, 0, 6),
      })),
      groups,
      timeLimitMs: 300,
    };
    const answer = planMoves(movesRequestSchema.parse(request), { clock: () => performance.now() });
    times.push(answer.elapsedMs);
    faults.push(...replayMoves(request, answer.steps).faults);
  }
  return {
    ...timesOf(`moves, ${count} random requests checked`, times),
    note: `${faults.length} rules broken`,
  };
}

function benchCut(
  solver: Solver,
  {
    kinds,
    boards,
    timeLimitMs,
  }: { readonly kinds: number; readonly boards: number; readonly timeLimitMs: number },
): Row {
  const stock = [
    { id: 'board', lengthMm: 2400, priceMinor: 700 },
    { id: 'short', lengthMm: 1800, priceMinor: 550 },
    { id: 'long', lengthMm: 3000, priceMinor: 860 },
  ].slice(0, boards);
  const answers = Array.from({ length: 20 }, (_, seed) => {
    const random = createRandom(seed * 17 + kinds);
    const request = {
      stock,
      kerfMm: 3,
      seed,
      timeLimitMs,
      pieces: Array.from({ length: kinds }, (_, i) => ({
        id: `p${i}`,
        lengthMm: between(random, 100, 1400),
        qty: between(random, 1, 12),
      })),
    };
    const answer = planCuts(cutRequestSchema.parse(request), {
      solver,
      clock: () => performance.now(),
    });
    return { ...answer, faults: cutFaults(request, answer) };
  });
  const over = answers.map(({ objective, bound }) => (objective ?? 0) - (bound ?? 0));
  const dearest = Math.max(...stock.map(({ priceMinor }) => priceMinor));
  return {
    ...timesOf(
      `cut, ${kinds} lengths of ${boards} kinds of board, in ${timeLimitMs} ms`,
      answers.map(({ elapsedMs }) => elapsedMs),
    ),
    note:
      `${answers.filter(({ status }) => status === 'optimal').length} of 20 at the rounded-up ` +
      `bound, at most ${(Math.max(...over) / dearest).toFixed(1)} of the dearest boards above it; ` +
      `${answers.flatMap(({ faults }) => faults).length} rules broken`,
  };
}

/**
 * Random requests of each kind, each answer gone through by the checker that shares no code with
 * the engine.
 */
function checkBuying(solver: Solver, kind: 'shop' | 'cut' | 'roll', count: number): Row {
  const clock = () => performance.now();
  const small = fc.integer({ min: 50, max: 900 });
  const cutArb = fc
    .record({
      kerf: fc.integer({ min: 0, max: 5 }),
      stock: fc.array(
        fc.record({
          lengthMm: fc.integer({ min: 900, max: 2400 }),
          priceMinor: fc.integer({ min: 0, max: 900 }),
          available: fc.option(fc.integer({ min: 0, max: 3 })),
        }),
        { minLength: 1, maxLength: 3 },
      ),
      pieces: fc.array(fc.record({ lengthMm: small, qty: fc.integer({ min: 0, max: 5 }) }), {
        maxLength: 6,
      }),
    })
    .map(({ kerf, stock, pieces }) => ({
      kerfMm: kerf,
      timeLimitMs: 60,
      stock: stock.map(({ available, ...board }, i) => ({
        id: `s${i}`,
        ...board,
        ...(available === null ? {} : { available }),
      })),
      pieces: pieces.map((piece, i) => ({ id: `p${i}`, ...piece })),
    }));
  const rollArb = fc
    .array(
      fc.record({
        widthMm: small,
        depthMm: small,
        qty: fc.integer({ min: 0, max: 2 }),
        turnable: fc.boolean(),
      }),
      { maxLength: 12 },
    )
    .map((pieces) => ({
      roll: { widthMm: 600, lengthMm: 2000, priceMinor: 900 },
      timeLimitMs: 20,
      pieces: pieces.map((piece, i) => ({ id: `p${i}`, ...piece })),
    }));
  const times: number[] = [];
  const timed = <A>(work: () => A): A => {
    const start = performance.now();
    const answer = work();
    times.push(performance.now() - start);
    return answer;
  };
  const faultsOf = {
    shop: () =>
      fc.sample(shopRequestArb, { numRuns: count, seed: 11 }).flatMap((request): unknown[] =>
        shopFaults(
          request,
          timed(() => planShop({ ...request, timeLimitMs: 500 }, { solver, clock })),
        ),
      ),
    cut: () =>
      fc.sample(cutArb, { numRuns: count, seed: 11 }).flatMap((request): unknown[] => {
        const answer = timed(() => planCuts(cutRequestSchema.parse(request), { solver, clock }));
        return answer.objective === null ? [] : cutFaults(request, answer);
      }),
    roll: () =>
      fc.sample(rollArb, { numRuns: count, seed: 11 }).flatMap((request): unknown[] => {
        const answer = timed(() => planRoll(rollRequestSchema.parse(request), { clock }));
        return answer.status === 'infeasible' ? [] : rollFaults(request, answer);
      }),
  };
  const faults = faultsOf[kind]();
  return {
    ...timesOf(`${kind}, ${count} random requests checked`, times),
    note: `${faults.length} rules broken`,
  };
}

/** Fits on the floor, and on levels. */
const fitRows = async (wants: (name: string) => boolean, solver: Solver): Promise<Row[]> => [
  ...(wants('fit') ? await benchFits(solver) : []),
  ...(wants('levels') ? await benchLevels(solver) : []),
];

async function main(names: readonly string[]): Promise<void> {
  // Its parts are processes of their own, for their memory is measured.
  if (names.includes('data')) return void (await import('./benchData'));
  if (names.includes('beside')) return void (await import('./benchBeside'));
  const solver = await loadSolver();
  const wants = (name: string) => names.length === 0 || names.includes(name);
  const rows: Row[] = [];
  const plain = {
    things: benchThings,
    space: () => [benchSpace()],
    schedule: benchSchedules,
    days: benchDays,
    'set-up': benchSetUp,
    haul: benchHauls,
    learn: benchLearn,
    field: benchField,
  };
  for (const [name, run] of Object.entries(plain)) if (wants(name)) rows.push(...(await run()));
  rows.push(...(await fitRows(wants, solver)));
  if (wants('zones')) rows.push(...benchZones(solver));
  if (wants('moves'))
    for (const [groups, bays, timeLimitMs] of [
      [12, 5, 1000],
      [40, 12, 2000],
      [40, 20, 2000],
      [150, 40, 5000],
    ] as const)
      rows.push(benchMoves(solver, { groups, bays, timeLimitMs }));
  if (wants('moves')) rows.push(checkMoves(3000));
  if (wants('cut'))
    for (const [kinds, boards, timeLimitMs] of [
      [300, 3, 1000],
      [500, 3, 1000],
      [100, 3, 1000],
      [25, 1, 200],
      [25, 1, 1000],
    ] as const)
      rows.push(benchCut(solver, { kinds, boards, timeLimitMs }));
  if (wants('cut')) rows.push(...benchPlantedCuts(solver));
  if (wants('roll'))
    for (const pieces of [20, 60]) rows.push(...benchRoll(solver, { pieces, timeLimitMs: 1000 }));
  if (wants('shop'))
    rows.push(
      ...benchTightShop(solver),
      ...benchLargeShop(solver),
      benchShop(solver, { needs: 10, offers: 60, shops: 3 }),
      benchShop(solver, { needs: 40, offers: 400, shops: 8 }),
      benchShop(solver, { needs: 100, offers: 1500, shops: 12 }),
      ...benchTrips(solver),
    );
  for (const kind of ['shop', 'cut', 'roll'] as const)
    if (wants(kind)) rows.push(checkBuying(solver, kind, 3000));
  process.stdout.write(
    `${os.cpus()[0]?.model ?? 'unknown processor'}, ${os.cpus().length} cores, Node ${process.version}\n`,
  );
  for (const { what, runs, medianMs, worstMs, megabytes, note } of rows) {
    process.stdout.write(
      `${what}: median ${medianMs.toFixed(medianMs < 100 ? 1 : 0)} ms, worst ` +
        `${worstMs.toFixed(worstMs < 100 ? 1 : 0)} ms of ${runs}, ${megabytes} MB; ${note}\n`,
    );
  }
  // These need a browser and a built app, so they are only measured when they are asked for.
  if (names.includes('along')) await benchAlong((line) => process.stdout.write(`${line}\n`));
  if (!names.includes('bench')) return;
  const [small, large] = [await benchBench(50), await benchBench(20_000)];
  for (const [what, key] of [
    ['bench opens, from another step', 'openMs'],
    ['bench opens, from its bare address', 'loadMs'],
    ['from the key to the paint', 'paintMs'],
    ['a decision is stored', 'storeMs'],
  ] as const) {
    process.stdout.write(
      `${what}: median ${large[key].toFixed(0)} ms with 20,000 things and 60,000 decisions, ` +
        `${small[key].toFixed(0)} ms with 50 things; ratio ${(large[key] / small[key]).toFixed(2)}\n`,
    );
  }
}

void main(process.argv.slice(2));
