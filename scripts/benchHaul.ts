import { createRandom, loadSolver, type Solver } from '@/core/shared';
import { haulRequestSchema, planHaul, type HaulRequest } from '@/core/takeAway';
import { boxLoads } from '@/core/takeAway/boxLoads';
import { fillPlainly } from '@/core/takeAway/searchTrips';
import { costOf, createTripProblem } from '@/core/takeAway/tripProblem';
import { haulFaults } from '@test/haulOracle';

import { between, timesOf, type Row } from './benchRow';

const RUNS = 10;
const clock = (): number => performance.now();

interface Hard {
  readonly loads: number;
  readonly places: number;
  readonly carLitres: number;
  readonly carMaxG: number;
  readonly timeLimitMs: number;
  /** With hours, unloading, limits a visit, conflicts. */
  readonly isRich?: boolean;
}

/** Loads that nearly fill what they are cut from: boxes in which little is left over. */
function fullBoxes(seed: number, { loads, places, isRich = false, ...rest }: Hard): HaulRequest {
  const random = createRandom(seed);
  const at = destinationsOf(random, places);
  const list: {
    id: string;
    litres: number;
    massG: number;
    destinationId: string;
    fragile: boolean;
  }[] = [];
  while (list.length < loads) {
    const pieces = Math.min(loads - list.length, between(random, 2, 6));
    const cuts = Array.from({ length: pieces }, () => 0.3 + random());
    const sum = cuts.reduce((a, b) => a + b, 0);
    const massG = between(random, 6000, 15_000);
    const destinationId = `d${between(random, 0, places - 1)}`;
    for (const cut of cuts)
      list.push({
        id: `l${list.length}`,
        litres: (49.5 * cut) / sum,
        massG: (massG * cut) / sum,
        destinationId,
        fragile: random() < 0.15,
      });
  }
  const conflicts = isRich
    ? Array.from({ length: Math.floor(loads / 8) }, () => {
        const a = between(random, 0, loads - 1);
        const b = (a + between(random, 1, loads - 1)) % loads;
        return { a: `l${a}`, b: `l${b}`, in: 'box' as const };
      })
    : undefined;
  return haulRequestSchema.parse({
    seed,
    loads: list,
    car: { litres: rest.carLitres, maxG: rest.carMaxG },
    destinations: at.map(({ id, x, y }, i) => ({
      id,
      name: id,
      minutes: drive({ x: 0, y: 0 }, { x, y }),
      ...(isRich
        ? { hours: [{ from: 540 + 30 * (i % 4), to: 960 + 30 * (i % 5) }], unloadMinutes: 8 }
        : {}),
    })),
    driveMinutes: at.map((a) => at.map((b) => (a === b ? 0 : drive(a, b)))),
    ...(isRich ? { departures: [600, 660, 720, 780, 840, 870, 900], conflicts } : {}),
    timeLimitMs: rest.timeLimitMs,
  });
}
interface Point {
  readonly x: number;
  readonly y: number;
}
const destinationsOf = (random: () => number, places: number) =>
  Array.from({ length: places }, (_, i) => ({
    id: `d${i}`,
    x: between(random, -15, 15),
    y: between(random, -15, 15),
  }));
/** At 30 km/h, at least two minutes. */
const drive = (a: Point, b: Point): number =>
  Math.max(2, Math.round(2 * Math.hypot(a.x - b.x, a.y - b.y)));

/** What leaves, beside first fit a destination and the nearest stop first. */
export async function benchHauls(): Promise<Row[]> {
  const solver = await loadSolver();
  const small = { loads: 40, places: 6, carLitres: 420, carMaxG: 120_000, timeLimitMs: 1000 };
  const large = { loads: 200, places: 10, carLitres: 640, carMaxG: 160_000, timeLimitMs: 2000 };
  return [
    benchOne('200 loads to 10 places, full boxes', large, solver),
    benchOne('200 loads to 10 places, hours and conflicts', { ...large, isRich: true }, solver),
    benchOne('200 loads to 10 places, a small car', { ...large, carLitres: 320 }, solver),
    benchOne('40 loads to 6 places, weight binds', { ...small, carMaxG: 75_000 }, solver),
    benchOne('40 loads to 6 places, hours and conflicts', { ...small, isRich: true }, solver),
    benchOne('40 loads to 6 places, full boxes', small, solver),
  ];
}

function benchOne(what: string, hard: Hard, solver: Solver): Row {
  const runs = Array.from({ length: RUNS }, (_, seed) => {
    const request = fullBoxes(seed + 1, hard);
    const plainBoxes = boxLoads(request, { isOver: () => true, isPlain: true });
    const problem = createTripProblem(request, plainBoxes.parcels);
    const trips = fillPlainly(problem);
    const plain = { boxes: plainBoxes.parcels.length, ...(trips && costOf(problem, trips)) };
    const startMs = clock();
    const answer = planHaul(request, { solver, clock });
    return { answer, plain, elapsedMs: clock() - startMs, faults: haulFaults(request, answer) };
  });
  const found = runs.flatMap(({ answer, plain }) =>
    answer.objective === null || answer.minutes === null
      ? []
      : [
          {
            answer,
            plain,
            overBoxes: answer.objective - answer.bounds.boxes,
            overTrips: answer.trips.length - answer.bounds.trips,
            over: 100 * (answer.minutes / Math.max(1, answer.bounds.minutes) - 1),
            minutes: answer.minutes,
          },
        ],
  );
  const total = (values: readonly number[]) => values.reduce((a, b) => a + b, 0);
  const mean = (values: readonly number[]) => (total(values) / values.length).toFixed(2);
  const mostBoxes = Math.max(...found.map(({ overBoxes }) => overBoxes));
  const withPlain = found.filter(({ plain }) => plain.minutes !== undefined);
  return {
    ...timesOf(
      `haul, ${what}`,
      runs.map(({ elapsedMs }) => elapsedMs),
    ),
    note:
      `${found.filter(({ answer }) => answer.status === 'optimal').length} of ${RUNS} proven, ${found.length} answered; ` +
      `above the bound ${total(found.map(({ overBoxes }) => overBoxes))} boxes (at most ${mostBoxes}), ` +
      `${total(found.map(({ overTrips }) => overTrips))} trips, minutes mean ${mean(found.map(({ over }) => over))} %, ` +
      `at most ${Math.max(...found.map(({ over }) => over)).toFixed(2)} %; plainly ` +
      `${mean(found.map(({ answer, plain }) => plain.boxes - (answer.objective ?? 0)))} boxes, ` +
      `${mean(withPlain.map(({ answer, plain }) => (plain.count ?? 0) - answer.trips.length))} trips and ` +
      `${mean(withPlain.map(({ minutes, plain }) => 100 * ((plain.minutes ?? 0) / minutes - 1)))} % of minutes more; ` +
      `${runs.flatMap(({ faults }) => faults).length} rules broken`,
  };
}
