import { checkFigures, type Clock, type Solver } from '../shared';
import { boxLoads, type Boxing } from './boxLoads';
import { findImpossible } from './findImpossible';
import type { HaulAnswer, HaulReason, HaulRequest, HaulTrip } from './haulModel';
import { fillColumns, TripModel } from './proveTrips';
import { improveTrips, startTrips } from './searchTrips';
import { costOf, createTripProblem, isCheaper, type TripProblem, type Trips } from './tripProblem';

/** Of the time. */
const BOXES_SHARE = 0.4;
const START_SHARE = 0.5;
const PROOF_SHARE = 0.8;
const SEARCH_SHARE = 0.95;

/** Of annealing, before the model is asked and where it did not prove. */
const QUICK_STEPS = 10_000;
const LONG_STEPS = 30_000;

const NOTHING: Omit<HaulAnswer, 'status' | 'elapsedMs'> = {
  objective: null,
  bound: null,
  boxes: [],
  trips: [],
  minutes: null,
  bounds: { boxes: 0, trips: 0, minutes: 0 },
  reasons: [],
};

/**
 * Packs what leaves into boxes and boxes into trips: fewest boxes, then fewest trips, then least
 * minutes. Boxes are packed a destination each (`packVectors`); trips come from a model of sets of
 * stops (`TripModel`) whose answer is filled with the real boxes, and from annealing where it cannot be.
 * Source: docs/engines.md.
 * Ensures: no rule of the format is broken; each of `bounds` is proven. Deterministic unless the time
 * limit cuts it. `infeasible` only where that is shown; `unknown` where nothing was found in the time.
 */
export function planHaul(
  request: HaulRequest,
  { solver, clock }: { readonly solver: Solver; readonly clock: Clock },
): HaulAnswer {
  const startMs = clock();
  const elapsed = () => clock() - startMs;
  const isOver = (share: number) => elapsed() > request.timeLimitMs * share;
  const refuse = (reasons: readonly HaulReason[]): HaulAnswer => ({
    ...NOTHING,
    status: 'infeasible',
    elapsedMs: elapsed(),
    reasons,
  });
  if (request.loads.length === 0)
    return {
      ...NOTHING,
      status: 'optimal',
      objective: 0,
      bound: 0,
      minutes: 0,
      elapsedMs: elapsed(),
    };
  const reasons = findImpossible(request);
  if (reasons.length > 0) return refuse(reasons);

  const boxing = boxLoads(request, {
    isOver: (place) => isOver((BOXES_SHARE * (place + 1)) / request.destinations.length),
  });
  const problem = createTripProblem(request, boxing.parcels);
  const boxBound = boxing.bounds.reduce((sum, bound) => sum + bound, 0);
  const found = findTrips(request, problem, {
    boxing,
    solver,
    isOver,
    timeLeftMs: (share) => request.timeLimitMs * share - elapsed(),
  });
  if (found.status === 'infeasible')
    return boxBound === boxing.parcels.length
      ? refuse([found.reason])
      : { ...NOTHING, status: 'unknown', bound: boxBound, elapsedMs: elapsed() };
  if (found.trips === undefined)
    return {
      ...NOTHING,
      status: 'unknown',
      bound: boxBound,
      elapsedMs: elapsed(),
      bounds: { boxes: boxBound, trips: found.tripBound, minutes: 0 },
    };
  const trips = toTrips(request, problem, found.trips);
  const minutes = trips.reduce((sum, trip) => sum + trip.minutes, 0);
  const areBoxesProven = boxBound === boxing.parcels.length;
  const isProven =
    areBoxesProven &&
    found.tripBound === trips.length &&
    minutes - found.minuteBound <= 1e-6 * Math.max(1, minutes);
  const answer: HaulAnswer = {
    status: isProven ? 'optimal' : 'feasible',
    objective: boxing.parcels.length,
    bound: boxBound,
    elapsedMs: elapsed(),
    boxes: boxing.parcels.map(({ destinationId, loadIds, massG, litres }) => ({
      destinationId,
      loadIds,
      massG,
      litres,
    })),
    trips,
    minutes,
    bounds: {
      boxes: boxBound,
      trips: found.tripBound,
      minutes: isProven ? minutes : Math.min(minutes, found.minuteBound),
    },
    reasons: [],
  };
  checkFigures({ minutes, boxBound, tripBound: found.tripBound, minuteBound: found.minuteBound });
  return answer;
}

interface SearchMeans {
  readonly boxing: Boxing;
  readonly solver: Solver;
  readonly isOver: (share: number) => boolean;
  readonly timeLeftMs: (share: number) => number;
}
type FoundTrips =
  | { readonly status: 'infeasible'; readonly reason: HaulReason }
  | {
      readonly status: 'done';
      readonly trips: Trips | undefined;
      readonly tripBound: number;
      readonly minuteBound: number;
    };

function findTrips(
  request: HaulRequest,
  problem: TripProblem,
  { boxing, solver, isOver, timeLeftMs }: SearchMeans,
): FoundTrips {
  const { seed } = request;
  const counts = problem.places.map((place) => boxing.bounds[place]!);
  const model = new TripModel(problem, counts);
  const options = { solver, seed, timeLeftMs: () => timeLeftMs(PROOF_SHARE) };
  let best = startTrips(problem, { seed, isOver: () => isOver(START_SHARE) });
  const keep = (trips: Trips | undefined) => {
    if (trips && (!best || isCheaper(costOf(problem, trips), costOf(problem, best)))) best = trips;
  };
  let tripBound = model.leastOf(problem.places.map((_, stop) => stop));
  if (problem.isLimited && tripBound > problem.slots.length)
    return {
      status: 'infeasible',
      reason: {
        code: 'too_few_departures',
        subject: 'trips',
        needs: tripBound,
        has: problem.slots.length,
      },
    };
  if (!best || costOf(problem, best).count > tripBound) {
    const fewest = model.fewest(options);
    if (fewest.status === 'infeasible')
      return { status: 'infeasible', reason: { code: 'no_arrangement', subject: 'trips' } };
    tripBound = Math.max(tripBound, Math.ceil(fewest.bound - 1e-6));
    if (fewest.status === 'solved') keep(fillColumns(problem, fewest.columns, options));
  }
  if (best)
    keep(
      improveTrips(problem, best, { seed, steps: QUICK_STEPS, isOver: () => isOver(START_SHARE) }),
    );
  const known = best && costOf(problem, best);
  const count = known?.count ?? tripBound;
  const quickest = model.quickest(
    // With more trips than are proven, those fewer may be quicker or slower: all are bounded.
    count === tripBound ? { least: count, most: count } : { least: tripBound, most: count },
    { ...options, ...(known && count === tripBound ? { below: known.minutes } : {}) },
  );
  if (quickest.status === 'solved') keep(fillColumns(problem, quickest.columns, options));
  const minuteBound = quickest.status === 'infeasible' ? 0 : quickest.bound;
  const isProven = best && costOf(problem, best).minutes - minuteBound <= 1e-6;
  if (best && !isProven)
    keep(
      improveTrips(problem, best, {
        seed: seed + 1,
        steps: LONG_STEPS,
        isOver: () => isOver(SEARCH_SHARE),
      }),
    );
  return { status: 'done', trips: best, tripBound, minuteBound };
}

/** As the answer has them: stops in their order, the quickest way there and back. */
function toTrips(request: HaulRequest, problem: TripProblem, trips: Trips): HaulTrip[] {
  const { routes, slots, places, stops } = problem;
  return trips.flatMap((members, slot): HaulTrip[] => {
    if (members.length === 0) return [];
    const set = members.reduce((bits, i) => bits | (1 << stops[i]!), 0);
    const departure = slots[slot]!;
    const leaves = request.departures?.[slot];
    return [
      {
        boxIndexes: [...members].sort((a, b) => a - b),
        destinationIds: routes
          .orderOf(set, departure)
          .map((stop) => request.destinations[places[stop]!]!.id),
        minutes: routes.minutesOf(set, departure),
        ...(leaves === undefined ? {} : { departure: leaves }),
      },
    ];
  });
}
