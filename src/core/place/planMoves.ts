import { createRandom, type Clock } from '../shared';
import { findParts, LITRE_TOLERANCE, type Knot } from './moveKnots';
import {
  BASKET,
  type MovesAnswer,
  type MovesReason,
  type MovesRequest,
  type MoveStep,
} from './movesModel';
import { MOST_EXACT, sequenceLazily, sequenceWithin, type KnotSequence } from './sequenceKnot';
import { untieKnot } from './untieKnot';

/** So much of the time is for what is handled twice; the rest for how many baskets stand about. */
const UNTIE_SHARE = 0.85;

/** A group that goes from one bay to another; bays by their number. */
interface Move {
  readonly groupId: string;
  readonly litres: number;
  readonly from: number;
  readonly to: number;
}

/**
 * Orders the moves from one arrangement to another so that the fewest litres are handled twice,
 * then the fewest baskets stand
 * about. What leaves goes first and what comes in last; bays that wait for each other in circles
 * are untied part by part.
 * Ensures: no bay ever holds more than its litres, or more than it began with where it was
 * overfull; `bound` is proven.
 * Deterministic unless the time limit cuts it. Answers `infeasible` where the planned arrangement
 * overfills a bay, and names it.
 */
export function planMoves(
  request: MovesRequest,
  { clock }: { readonly clock: Clock },
): MovesAnswer {
  const startMs = clock();
  const { bays, groups, basketLitres } = request;
  const indexOf = new Map(bays.map(({ id }, b) => [id, b]));
  const reasons = findTooSmall(request);
  if (reasons.length > 0)
    return {
      status: 'infeasible',
      objective: null,
      bound: null,
      elapsedMs: clock() - startMs,
      steps: [],
      stagedLitres: 0,
      baskets: 0,
      reasons,
    };

  const leaving = groups.filter(({ from, to }) => from !== null && to === null);
  const entering = groups.filter(({ from, to }) => from === null && to !== null);
  const moves = groups.flatMap(({ id, litres, from, to }): Move[] =>
    from === null || to === null || from === to
      ? []
      : [{ groupId: id, litres, from: indexOf.get(from) ?? 0, to: indexOf.get(to) ?? 0 }],
  );
  const load = new Float64Array(bays.length);
  for (const { from, to, litres } of groups)
    if (from !== null && to !== null) add(load, indexOf.get(from) ?? 0, litres);

  const steps: MoveStep[] = leaving.map(({ id, from }) => ({ groupId: id, from, to: null }));
  const nameOf = (b: number) => bays[b]?.id ?? null;
  const go = ({ groupId, litres, from, to }: Move) => {
    steps.push({ groupId, from: nameOf(from), to: nameOf(to) });
    add(load, from, -litres);
    add(load, to, litres);
  };
  const partOf = findParts(bays.length, moves);
  const random = createRandom(request.seed);
  const partCount = Math.max(0, ...partOf) + 1;
  let [stagedLitres, bound, peakLitres] = [0, 0, 0];
  for (let part = 0; part < partCount; part += 1) {
    const here = moves.filter(({ from }) => partOf[from] === part);
    // What lies downstream is settled: it takes in what goes there at once.
    here.filter(({ to }) => partOf[to] !== part).forEach(go);
    const inside = here.filter(({ to }) => partOf[to] === part);
    if (inside.length === 0) continue;
    const knot = createKnot(
      inside,
      load,
      Float64Array.from(bays, ({ litres }) => litres),
    );
    const untied = untieKnot(knot, {
      random,
      isOver: (share) => clock() - startMs > request.timeLimitMs * share * UNTIE_SHARE,
    });
    const sequence = fewestBaskets(knot, untied, {
      basketLitres,
      isOver: () => clock() - startMs > request.timeLimitMs,
    });
    for (const { group, kind } of sequence.steps) {
      const move = inside[group] as Move;
      if (kind === 'direct') go(move);
      else if (kind === 'out') {
        steps.push({ groupId: move.groupId, from: nameOf(move.from), to: BASKET });
        add(load, move.from, -move.litres);
      } else {
        steps.push({ groupId: move.groupId, from: BASKET, to: nameOf(move.to) });
        add(load, move.to, move.litres);
      }
    }
    stagedLitres += sequence.steps.reduce(
      (sum, { group, kind }) => sum + (kind === 'out' ? (inside[group]?.litres ?? 0) : 0),
      0,
    );
    bound += untied.bound;
    peakLitres = Math.max(peakLitres, sequence.peakLitres);
  }
  steps.push(...entering.map(({ id, to }) => ({ groupId: id, from: null, to })));
  const isOptimal = stagedLitres - bound <= 1e-6 * Math.max(1, stagedLitres);
  return {
    status: isOptimal ? 'optimal' : 'feasible',
    objective: stagedLitres,
    bound: isOptimal ? stagedLitres : bound,
    elapsedMs: clock() - startMs,
    steps,
    stagedLitres,
    baskets: basketsFor(peakLitres, basketLitres),
    reasons: [],
  };
}

const add = (load: Float64Array, bay: number, litres: number): void => {
  load[bay] = load[bay]! + litres;
};
const basketsFor = (litres: number, basketLitres: number): number =>
  Math.ceil(litres / basketLitres - 1e-9);

const createKnot = (moves: readonly Move[], load: Float64Array, room: Float64Array): Knot => ({
  litres: Float64Array.from(moves, ({ litres }) => litres),
  from: Int32Array.from(moves, ({ from }) => from),
  to: Int32Array.from(moves, ({ to }) => to),
  load: Float64Array.from(load),
  room,
});

/** The lazy way, or, where a knot is small, the way with the fewest baskets at these staged litres. */
function fewestBaskets(
  knot: Knot,
  untied: ReturnType<typeof untieKnot>,
  { basketLitres, isOver }: { readonly basketLitres: number; readonly isOver: () => boolean },
): KnotSequence {
  let best = sequenceLazily(knot, untied);
  const isSmall = knot.litres.length <= MOST_EXACT;
  for (
    let baskets = basketsFor(best.peakLitres, basketLitres) - 1;
    baskets >= 1 && !isOver();
    baskets -= 1
  ) {
    const fewer = sequenceWithin(knot, {
      stagedLitres: untied.stagedLitres,
      peakLitres: baskets * basketLitres,
      mostStates: isSmall ? 300_000 : 4000,
      isOver,
    });
    if (!fewer) break;
    best = fewer;
    baskets = Math.min(baskets, basketsFor(fewer.peakLitres, basketLitres));
  }
  return best;
}

/** Bays that the planned arrangement overfills. */
function findTooSmall({ bays, groups }: MovesRequest): MovesReason[] {
  return bays.flatMap((bay): MovesReason[] => {
    const planned = groups.filter(({ to }) => to === bay.id);
    const needLitres = planned.reduce((sum, group) => sum + group.litres, 0);
    if (needLitres <= bay.litres + LITRE_TOLERANCE) return [];
    return [{ code: 'bay_too_small', subject: bay.id, needLitres, hasLitres: bay.litres }];
  });
}
