import fc from 'fast-check';
import { MaxRectsPacker, PACKING_LOGIC } from 'maxrects-packer';

import {
  findFitFaults,
  fitRequestSchema,
  isWhole,
  planFit,
  planFits,
  type FitRequest,
} from '@/core/fit';
import { createRandom, type Solver } from '@/core/shared';
import { fitRequestArb } from '@test/fitArbitrary';

import { planPlainly } from './benchFitPlain';
import { between, median, timesOf, type Row } from './benchRow';

/** Of the bay's volume, what the groups want. */
const SHARES = { ordinary: 0.3, fuller: 0.35, tight: 0.4, tighter: 0.45, full: 0.5 } as const;
type Kind = keyof typeof SHARES;
type Make = (seed: number, share: number) => FitRequest;

/** All measurements of `fit`. */
export async function benchFits(solver: Solver): Promise<Row[]> {
  const kinds: readonly Kind[] = ['ordinary', 'fuller', 'tight', 'tighter', 'full'];
  return [
    ...kinds.flatMap((kind) => [benchBays(solver, kind, aFitRequest), benchPlainly(solver, kind)]),
    ...(['ordinary', 'tight', 'full'] as const).map((kind) =>
      benchBays(solver, kind, aVariedFitRequest, ', varied'),
    ),
    ...(['cost', 'reuse'] as const).map((prefer) => benchOwned(solver, prefer)),
    ...[10, 20, 30].flatMap((count) => benchFilling(solver, count)),
    ...[0.2, 0.3, 0.4].map((share) => benchLong(solver, share, false)),
    benchLong(solver, 0.3, true),
    await benchHome(solver),
    benchCheckers(solver),
  ];
}

/**
 * Bays as they are measured. At 30 % of the volume the groups want nearly half of what the floor
 * could hold; at half of it nearly all.
 */
export function aFitRequest(seed: number, volumeShare: number = SHARES.fuller): FitRequest {
  const random = createRandom(seed);
  const bay = {
    id: 'bay',
    width: between(random, 600, 1200),
    depth: between(random, 350, 600),
    height: between(random, 250, 400),
  };
  const litres = (bay.width * bay.depth * bay.height) / 1e6;
  const groupCount = between(random, 3, 8);
  return fitRequestSchema.parse({
    bay: {
      ...bay,
      obstacles:
        seed % 3 === 0
          ? [
              {
                label: 'pipe',
                x: 40,
                y: bay.depth - 90,
                z: 0,
                width: 60,
                depth: 60,
                height: bay.height,
              },
            ]
          : [],
    },
    groups: Array.from({ length: groupCount }, (_, i) => ({
      id: `g${i}`,
      name: `g${i}`,
      litres: Math.round((litres * volumeShare * 10) / groupCount) / 10,
      front: i === 0,
    })),
    containers: Array.from({ length: 60 }, (_, i) => {
      const [width, depth, height] = [
        between(random, 90, 400),
        between(random, 120, 400),
        between(random, 60, 260),
      ];
      const innerLitres = Math.round(((width - 8) * (depth - 8) * (height - 4)) / 1e5) / 10;
      // Prices go with size, as in a shop: 150 and 30 a litre, a quarter more or less.
      const priceMinor = Math.round((150 + 30 * innerLitres) * (0.75 + random() * 0.5));
      return {
        id: `c${i}`,
        name: `c${i}`,
        outer: { width, depth, height },
        innerLitres,
        innerHeight: height - 4,
        material: 'plastic',
        stackable: i % 2 === 0,
        maxStack: 3,
        priceMinor,
        lid: i % 3 === 0,
      };
    }),
    timeLimitMs: 1000,
  });
}

/** The same with groups that differ in litres and mass, and up to three obstacles, some of them hanging. */
function aVariedFitRequest(seed: number, volumeShare: number): FitRequest {
  const request = aFitRequest(seed, volumeShare);
  const random = createRandom(seed + 5000);
  const litres = request.groups.reduce((sum, group) => sum + group.litres, 0);
  const parts = request.groups.map(() => 0.3 + random());
  const whole = parts.reduce((a, b) => a + b, 0);
  const obstacles = Array.from({ length: between(random, 0, 3) }, (_, i) => {
    const [width, depth, height] = [
      between(random, 30, 120),
      between(random, 30, 120),
      between(random, 40, request.bay.height),
    ];
    const isHanging = random() < 0.3;
    return {
      label: `o${i}`,
      x: between(random, 0, request.bay.width - width),
      y: random() < 0.7 ? request.bay.depth - depth : between(random, 0, request.bay.depth - depth),
      z: isHanging ? request.bay.height - height : 0,
      width,
      depth,
      height,
    };
  });
  const groups = request.groups.map((group, i) => ({
    ...group,
    litres: Math.round(((litres * (parts[i] ?? 0)) / whole) * 10) / 10,
    massG: Math.round(((litres * (parts[i] ?? 0)) / whole) * between(random, 80, 500)),
  }));
  return fitRequestSchema.parse({ ...request, bay: { ...request.bay, obstacles }, groups });
}

/** Few groups, one of them large, and up to four each of small containers that are owned. */
function anOwnedFitRequest(seed: number): FitRequest {
  const request = aFitRequest(seed, SHARES.full);
  const random = createRandom(seed + 99);
  const litres = request.groups.reduce((sum, group) => sum + group.litres, 0);
  const groups = request.groups.slice(0, 2 + (seed % 2)).map((group, i, all) => ({
    ...group,
    front: false,
    litres: Math.round(litres * (i === 0 ? 0.6 : 0.4 / (all.length - 1)) * 10) / 10,
  }));
  const containers = request.containers.map((container, i) =>
    i < 14 && container.innerLitres < 6
      ? { ...container, priceMinor: 0, available: between(random, 1, 4) }
      : container,
  );
  return fitRequestSchema.parse({ ...request, groups, containers });
}

const words = (gaps: readonly number[]): string =>
  `mean ${((gaps.reduce((a, b) => a + b, 0) / gaps.length) * 100).toFixed(2)} % and at most ` +
  `${(Math.max(...gaps) * 100).toFixed(2)} % above the bound`;

function benchBays(solver: Solver, kind: Kind, make: Make, more = ''): Row {
  const firsts: number[] = [];
  const answers = Array.from({ length: 18 }, (_, i) => {
    const start = performance.now();
    let firstMs = Infinity;
    const answer = planFit(make(i + 1, SHARES[kind]), {
      solver,
      clock: () => performance.now(),
      onFirst: () => {
        firstMs = performance.now() - start;
      },
    });
    firsts.push(Math.min(firstMs, answer.elapsedMs));
    return answer;
  });
  const gaps = answers
    .map(({ objective, bound }) => {
      if (objective === null || bound === null) return NaN;
      return bound > 0 ? (objective - bound) / bound : 0;
    })
    .filter(Number.isFinite);
  const notFound = answers.filter((answer) => !isWhole(answer)).length;
  return {
    ...timesOf(
      `fit, ${kind} bays${more}, 60 containers`,
      answers.map(({ elapsedMs }) => elapsedMs),
    ),
    note:
      `${words(gaps)}, ${gaps.filter((gap) => gap <= 1e-6).length} proven, ` +
      `${gaps.filter((gap) => gap <= 0.04).length} within 4 %, ${notFound} not found; first answer ` +
      `after ${median(firsts).toFixed(0)} ms, at most ${Math.max(...firsts).toFixed(0)}`,
  };
}

/**
 * The plain way on the same bays, which tells how tight they are: without reach and mass, and with
 * all the time it wants.
 */
function benchPlainly(solver: Solver, kind: Kind): Row {
  const fits = Array.from({ length: 18 }, (_, i) => {
    const start = performance.now();
    return {
      ...planPlainly(aFitRequest(i + 1, SHARES[kind]), solver),
      tookMs: performance.now() - start,
    };
  });
  const gaps = fits.flatMap(({ costMinor, boundMinor }) =>
    costMinor === undefined ? [] : [costMinor / boundMinor - 1],
  );
  return {
    ...timesOf(
      '  the same by area, then many starts',
      fits.map(({ tookMs }) => tookMs),
    ),
    note: `${words(gaps)} of its own, ${gaps.filter((gap) => gap <= 0.06).length} within 6 %, ${fits.length - gaps.length} not found`,
  };
}

/** Containers that are owned come in so many choices that their floor has to be priced. */
function benchOwned(solver: Solver, prefer: 'cost' | 'reuse'): Row {
  const answers = Array.from({ length: 10 }, (_, i) =>
    planFit({ ...anOwnedFitRequest(i + 1), prefer }, { solver, clock: () => performance.now() }),
  );
  const sum = (values: readonly (number | null)[]): number =>
    values.reduce<number>((all, value) => all + (value ?? 0), 0);
  const proven = answers.filter(({ status }) => status === 'optimal').length;
  return {
    ...timesOf(
      `fit, owned containers, ${prefer}`,
      answers.map(({ elapsedMs }) => elapsedMs),
    ),
    note:
      `together ${sum(answers.map(({ objective }) => objective))}, no less than ` +
      `${sum(answers.map(({ bound }) => bound)).toFixed(0)}, ${proven} of 10 proven, ` +
      `${answers.filter((answer) => !isWhole(answer)).length} not found`,
  };
}

/**
 * A long shelf of twelve groups and 150 products, in 2 s. `isOwned`: among them one container for each
 * group that is owned and just takes it, so that nothing need be bought.
 */
function benchLong(solver: Solver, volumeShare: number, isOwned: boolean): Row {
  const answers = [1, 2, 3, 4, 5].map((seed) =>
    planFit(aLongFitRequest(seed, { volumeShare, isOwned }), {
      solver,
      clock: () => performance.now(),
    }),
  );
  const gaps = answers.map(({ objective, bound }) =>
    objective === null || bound === null ? NaN : objective / Math.max(1, bound) - 1,
  );
  return {
    ...timesOf(
      `fit, 12 groups x 150 products, ${Math.round(volumeShare * 100)} %${isOwned ? ', all owned' : ''}`,
      answers.map(({ elapsedMs }) => elapsedMs),
    ),
    note: isOwned
      ? `${answers.filter(({ objective }) => objective === 0).length} of ${answers.length} for nothing`
      : `${words(gaps.filter(Number.isFinite))}, ` +
        `${answers.filter((answer) => !isWhole(answer)).length} not found`,
  };
}

const LONG_SHELF = { id: 'bay', width: 1200, depth: 600, height: 400 };
/** Six by two of these stand on the floor of the shelf. */
const OWNED_FLOOR = { width: 195, depth: 295 };
const LONG_GROUPS = 12;

function aLongFitRequest(
  seed: number,
  { volumeShare, isOwned }: { readonly volumeShare: number; readonly isOwned: boolean },
): FitRequest {
  const random = createRandom(seed * 77);
  const litres = (LONG_SHELF.width * LONG_SHELF.depth * LONG_SHELF.height * volumeShare) / 1e6;
  const parts = Array.from({ length: LONG_GROUPS }, () => 0.4 + random());
  const whole = parts.reduce((a, b) => a + b, 0);
  const groups = parts.map((part, i) => ({
    id: `g${i}`,
    name: `g${i}`,
    litres: Math.round((litres * part * 10) / whole) / 10,
    front: i === 0,
  }));
  const product = (i: number, outer: { width: number; depth: number; height: number }) => ({
    id: `c${i}`,
    name: `c${i}`,
    outer,
    innerLitres:
      Math.round(((outer.width - 8) * (outer.depth - 8) * (outer.height - 4)) / 1e5) / 10,
    innerHeight: outer.height - 4,
    material: 'plastic' as const,
    stackable: i % 2 === 0,
    maxStack: 3,
    lid: i % 3 === 0,
  });
  const sold = Array.from({ length: 150 - (isOwned ? LONG_GROUPS : 0) }, (_, i) => {
    const made = product(i, {
      width: between(random, 80, 350),
      depth: between(random, 100, 400),
      height: between(random, 60, 260),
    });
    const priceMinor = Math.round((150 + 30 * made.innerLitres) * (0.75 + random() * 0.5));
    return { ...made, priceMinor };
  });
  const owned = groups.slice(0, isOwned ? LONG_GROUPS : 0).map((group, i) => {
    const floorLitres = ((OWNED_FLOOR.width - 8) * (OWNED_FLOOR.depth - 8)) / 1e6;
    const height = Math.min(370, Math.ceil(group.litres / floorLitres) + 6);
    const made = product(1000 + i, { ...OWNED_FLOOR, height });
    return {
      ...made,
      innerLitres: Math.max(made.innerLitres, group.litres),
      stackable: false,
      available: 1,
      priceMinor: 0,
    };
  });
  return fitRequestSchema.parse({
    bay: LONG_SHELF,
    groups,
    containers: [...sold, ...owned],
    timeLimitMs: 2000,
  });
}

/** A home: 60 bays, some 200 groups, the same 200 products for all, in at most a minute. */
async function benchHome(solver: Solver): Promise<Row> {
  const products = [4, 5, 6, 7]
    .flatMap((seed) =>
      aFitRequest(seed).containers.map((container) => ({
        ...container,
        id: `${seed}-${container.id}`,
        name: `${seed}-${container.name}`,
      })),
    )
    .slice(0, 200);
  const requests = Array.from({ length: 60 }, (_, i) => {
    const { bay, groups, ...rest } = aFitRequest(100 + i);
    return {
      ...rest,
      bay: { ...bay, id: `bay-${i}` },
      groups: groups.slice(0, 3 + (i % 2)),
      containers: products,
    };
  });
  const start = performance.now();
  const fits = await planFits(requests, {
    solver,
    clock: () => performance.now(),
    timeLimitMs: 60_000,
  });
  const took = performance.now() - start;
  const broken = fits.filter(({ bayId, answer }) => {
    const request = requests.find(({ bay }) => bay.id === bayId);
    return request && findFitFaults(request, answer).length > 0;
  }).length;
  const notFound = fits.filter(({ answer }) => !isWhole(answer)).length;
  return {
    ...timesOf('fit, a home of 60 bays and 200 products', [took]),
    note:
      `${requests.reduce((sum, { groups }) => sum + groups.length, 0)} groups, ${notFound} bays ` +
      `not found, ${broken} break a rule`,
  };
}

/** The separate checkers on random requests, most of them odd. */
function benchCheckers(solver: Solver): Row {
  const requests = fc.sample(fitRequestArb, { numRuns: 2000, seed: 11 });
  const times: number[] = [];
  const broken = requests.filter((request) => {
    const start = performance.now();
    const answer = planFit(
      { ...request, timeLimitMs: 60 },
      { solver, clock: () => performance.now() },
    );
    times.push(performance.now() - start);
    return findFitFaults(request, answer).length > 0;
  }).length;
  return {
    ...timesOf('fit, 2,000 random requests through the checker', times),
    note: `${broken} break a rule`,
  };
}

/**
 * Bays cut into pieces without a rest: each piece is a container, there is one of each, and every one is
 * needed. Beside it, on the same pieces, the best that a general packer reaches with any of its rules, from
 * as many shuffled orders as it has time for.
 */
function benchFilling(solver: Solver, count: number): Row[] {
  const cases = Array.from({ length: 10 }, (_, i) => {
    const random = createRandom(i * 7 + count);
    const pieces: Size[] = [FLOOR];
    while (pieces.length < count) {
      pieces.sort((a, b) => b.width * b.depth - a.width * a.depth);
      const [piece] = pieces.splice(between(random, 0, Math.min(2, pieces.length - 1)), 1);
      if (!piece) break;
      const share = 0.3 + random() * 0.4;
      const isAcross = piece.width > piece.depth;
      const cut = Math.round((isAcross ? piece.width : piece.depth) * share);
      pieces.push(
        isAcross ? { ...piece, width: cut } : { ...piece, depth: cut },
        isAcross ? { ...piece, width: piece.width - cut } : { ...piece, depth: piece.depth - cut },
      );
    }
    const litresOf = (piece: Size) => Math.round((piece.width * piece.depth) / 1e3) / 10;
    const request = fitRequestSchema.parse({
      bay: { id: 'bay', ...FLOOR, height: 200, pullOut: true },
      clearances: { side: 0, between: 0, top: 0, front: 0, back: 0 },
      groups: [
        {
          id: 'g',
          name: 'g',
          litres: pieces.reduce((sum, piece) => sum + litresOf(piece), 0) - 1e-6,
        },
      ],
      containers: pieces.map((piece, k) => ({
        id: `p${k}`,
        name: `p${k}`,
        outer: { ...piece, height: 100 },
        innerLitres: litresOf(piece),
        innerHeight: 95,
        material: 'plastic',
        priceMinor: 1,
        available: 1,
      })),
      timeLimitMs: FILLING_MS,
    });
    const answer = planFit(request, { solver, clock: () => performance.now() });
    const areaMm2 = answer.placements.reduce((sum, { containerId }) => {
      const outer = request.containers.find(({ id }) => id === containerId)?.outer;
      return sum + (outer ? outer.width * outer.depth : 0);
    }, 0);
    const start = performance.now();
    const general = fillByGeneralPacker(pieces, i + 1);
    return {
      elapsedMs: answer.elapsedMs,
      fill: areaMm2 / FLOOR_MM2,
      general,
      generalMs: performance.now() - start,
    };
  });
  const filled = (fills: readonly number[]) =>
    `${fills.filter((fill) => fill > 1 - 1e-9).length} of 10 placed completely, ` +
    `${(10 * fills.reduce((sum, fill) => sum + fill, 0)).toFixed(1)} % of the floor on average`;
  const worse = cases.filter(({ fill, general }) => fill < general - 1e-9).length;
  return [
    {
      ...timesOf(
        `fit, ${count} pieces that fill a bay completely`,
        cases.map(({ elapsedMs }) => elapsedMs),
      ),
      note: `${filled(cases.map(({ fill }) => fill))}; ${worse} of 10 less than the general packer`,
    },
    {
      ...timesOf(
        `  the same by a general packer (maximal rectangles, many starts)`,
        cases.map(({ generalMs }) => generalMs),
      ),
      note: filled(cases.map(({ general }) => general)),
    },
  ];
}

type Size = { readonly width: number; readonly depth: number };
const FLOOR = { width: 1000, depth: 600 } as const;
const FLOOR_MM2 = FLOOR.width * FLOOR.depth;
const FILLING_MS = 1000;

/**
 * The most of the floor that the packer's first bin holds, over its rules and shuffled orders, in
 * the same time.
 */
function fillByGeneralPacker(pieces: readonly Size[], seed: number): number {
  const random = createRandom(seed);
  const start = performance.now();
  let best = 0;
  for (let round = 0; performance.now() - start < FILLING_MS && best < 1 - 1e-9; round += 1) {
    const packer = new MaxRectsPacker(FLOOR.width, FLOOR.depth, 0, {
      smart: false,
      pot: false,
      square: false,
      allowRotation: true,
      logic: round % 2 === 0 ? PACKING_LOGIC.MAX_AREA : PACKING_LOGIC.MAX_EDGE,
    });
    const order =
      round < 2
        ? [...pieces].sort((a, b) => b.width * b.depth - a.width * a.depth)
        : pieces
            .map((piece) => ({ piece, at: random() }))
            .sort((a, b) => a.at - b.at)
            .map(({ piece }) => piece);
    for (const { width, depth } of order) packer.add(width, depth, undefined);
    best = Math.max(
      best,
      ...packer.bins.map(
        (bin) => bin.rects.reduce((sum, rect) => sum + rect.width * rect.height, 0) / FLOOR_MM2,
      ),
    );
  }
  return best;
}
