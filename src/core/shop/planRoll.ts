import { checkFigures, createRandom, type Clock, type Random } from '../shared';
import {
  EDGE_TOLERANCE_MM,
  EITHER_WAY,
  layBestFit,
  leastLengthOf,
  type Layout,
  type RollProblem,
  type RollTaste,
} from './rollLayout';
import type { RollAnswer, RollReason, RollRequest } from './rollModel';

/** So many ways to lay are tried at most, so that small requests end early and alike. */
const MOST_TRIES = 60_000;
/** So much does lost area count beside length while searching. */
const COVER_SHARE = 2;

/**
 * Lays liners on rolls: fewest rolls, then least length summed over the rolls. The outline is
 * filled gap by gap; which piece is
 * favoured is varied by annealing until the length meets its bound or the time is over.
 * Ensures: nothing overlaps or sticks out; only turnable pieces are turned; `bound` and
 * `leastLengthMm` are proven.
 * Deterministic unless the time limit cuts it.
 */
export function planRoll(request: RollRequest, { clock }: { readonly clock: Clock }): RollAnswer {
  const startMs = clock();
  const pieces = request.pieces.filter(({ qty }) => qty > 0);
  const reasons = findTooLarge(request, pieces);
  if (reasons.length > 0)
    return {
      status: 'infeasible',
      objective: null,
      bound: null,
      elapsedMs: clock() - startMs,
      rolls: 0,
      usedLengthMm: 0,
      leastLengthMm: 0,
      placed: [],
      reasons,
    };
  const each = pieces.flatMap((piece) => Array.from({ length: piece.qty }, () => piece));
  const problem: RollProblem = {
    widthMm: request.roll.widthMm,
    lengthMm: request.roll.lengthMm,
    across: Float64Array.from(each, ({ widthMm }) => widthMm),
    along: Float64Array.from(each, ({ depthMm }) => depthMm),
    turnable: Uint8Array.from(each, ({ turnable, widthMm, depthMm }) =>
      turnable && widthMm !== depthMm ? 1 : 0,
    ),
  };
  const leastLengthMm = each.length === 0 ? 0 : leastLengthOf(problem);
  const bound = Math.max(0, Math.ceil(leastLengthMm / problem.lengthMm - 1e-9));
  const best = improve(problem, {
    random: createRandom(request.seed),
    leastLengthMm,
    spentShare: () => (clock() - startMs) / Math.max(1, request.timeLimitMs),
  });
  checkFigures({ usedLengthMm: best.usedLengthMm, leastLengthMm });
  return {
    status: best.rolls === bound ? 'optimal' : 'feasible',
    objective: best.rolls,
    bound,
    elapsedMs: clock() - startMs,
    rolls: best.rolls,
    usedLengthMm: best.usedLengthMm,
    leastLengthMm: Math.min(leastLengthMm, best.usedLengthMm),
    reasons: [],
    placed: each.map(({ id }, i) => ({
      id,
      roll: best.roll[i]!,
      x: best.x[i]!,
      y: best.y[i]!,
      turned: best.turned[i] === 1,
    })),
  };
}

/** Annealing over how much each piece is favoured and which way round it lies. */
function improve(
  problem: RollProblem,
  {
    random,
    leastLengthMm,
    spentShare,
  }: { readonly random: Random; readonly leastLengthMm: number; readonly spentShare: () => number },
): Layout {
  const { widthMm, lengthMm, across, along, turnable } = problem;
  const count = across.length;
  const costOf = ({ rolls, usedLengthMm, coveredMm }: Layout) =>
    (rolls - 1) * lengthMm * 2 + usedLengthMm + COVER_SHARE * coveredMm;
  /** Which ways a piece may lie at all. */
  const waysOf = (i: number): readonly number[] => {
    const fits = (wide: number, deep: number) =>
      wide <= widthMm + EDGE_TOLERANCE_MM && deep <= lengthMm + EDGE_TOLERANCE_MM;
    const ways = [
      ...(fits(across[i]!, along[i]!) ? [0] : []),
      ...(turnable[i] && fits(along[i]!, across[i]!) ? [1] : []),
    ];
    return ways.length > 1 ? [...ways, EITHER_WAY] : ways;
  };
  const ways = Array.from({ length: count }, (_, i) => waysOf(i));
  const start = (wayOf: (i: number) => number): RollTaste => ({
    favour: new Float64Array(count).fill(1),
    way: Uint8Array.from({ length: count }, (_, i) =>
      ways[i]?.includes(wayOf(i)) ? wayOf(i) : (ways[i]?.at(-1) ?? 0),
    ),
  });
  // As fits; the short side along the roll; the long side along the roll.
  const starts = [
    start(() => EITHER_WAY),
    start((i) => (along[i]! <= across[i]! ? 0 : 1)),
    start((i) => (along[i]! >= across[i]! ? 0 : 1)),
  ];
  let [taste, now] = [starts[0] as RollTaste, layBestFit(problem, starts[0] as RollTaste)];
  for (const other of starts.slice(1)) {
    const next = layBestFit(problem, other);
    if (costOf(next) < costOf(now)) [taste, now] = [other, next];
  }
  let best = now;
  const tries = count === 0 ? 0 : Math.min(MOST_TRIES, Math.ceil(1.5e8 / (count * count + 1)));
  const hot = 0.002 * leastLengthMm;
  let spent = 0;
  for (let step = 0; step < tries; step += 1) {
    if (best.usedLengthMm <= leastLengthMm + EDGE_TOLERANCE_MM) break;
    // It cools with the tries, or with the time where that is the shorter.
    if ((step & 15) === 0 && (spent = spentShare()) > 1) break;
    const other = varied(taste, { random, ways });
    const next = layBestFit(problem, other);
    const delta = costOf(next) - costOf(now);
    const heat = hot * (1 - Math.max(step / tries, spent)) ** 2 + 1e-9;
    if (delta <= 0 || random() < Math.exp(-delta / heat)) [now, taste] = [next, other];
    if (isShorter(next, best)) best = next;
  }
  return best;
}

const isShorter = (a: Layout, b: Layout): boolean =>
  a.rolls < b.rolls || (a.rolls === b.rolls && a.usedLengthMm < b.usedLengthMm - EDGE_TOLERANCE_MM);

/** One to three pieces are favoured otherwise, change favours, or lie another way round. */
function varied(
  { favour, way }: RollTaste,
  { random, ways }: { readonly random: Random; readonly ways: readonly (readonly number[])[] },
): RollTaste {
  const next = { favour: Float64Array.from(favour), way: Uint8Array.from(way) };
  const any = () => Math.floor(random() * favour.length);
  for (let changes = 1 + Math.floor(random() * 3); changes > 0; changes -= 1) {
    const [i, kind] = [any(), random()];
    if (kind < 0.3) next.way[i] = pick(ways[i] ?? [], random) ?? 0;
    else if (kind < 0.6) {
      const j = any();
      [next.favour[i], next.favour[j]] = [next.favour[j] ?? 1, next.favour[i] ?? 1];
    } else next.favour[i] = Math.exp((random() * 2 - 1) * (random() < 0.3 ? 3 : 0.6));
  }
  return next;
}

function findTooLarge({ roll }: RollRequest, pieces: RollRequest['pieces']): RollReason[] {
  return pieces.flatMap(({ id, widthMm, depthMm, turnable }): RollReason[] => {
    const upright = { wide: widthMm, deep: depthMm };
    const ways = turnable ? [upright, { wide: depthMm, deep: widthMm }] : [upright];
    if (ways.some(({ wide, deep }) => wide <= roll.widthMm && deep <= roll.lengthMm)) return [];
    const piece = { subject: id, widthMm, depthMm, mayTurn: turnable };
    return ways.every(({ wide }) => wide > roll.widthMm)
      ? [{ code: 'wider_than_roll', ...piece, rollMm: roll.widthMm }]
      : [{ code: 'longer_than_roll', ...piece, rollMm: roll.lengthMm }];
  });
}

const pick = <T>(list: readonly T[], random: Random): T | undefined =>
  list[Math.floor(random() * list.length)];
