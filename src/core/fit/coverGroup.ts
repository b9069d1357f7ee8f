import type { FitContainer, FitGroup } from './model';
import { groupMassG } from './suitability';

/** A container that suits the group, with how many may be used and what using one counts. */
export interface Coverer {
  readonly container: FitContainer;
  readonly available: number;
  readonly weight: number;
}
interface Part {
  readonly container: FitContainer;
  readonly count: number;
}

/** At most so many steps of litres, so that a cover takes well below a millisecond. */
const MOST_STEPS = 300;
/** Limited containers are taken one by one; more of one than this are hardly ever wanted. */
const MOST_LIMITED = 12;

/** Litres of a step: a tenth where everything is in whole tenths, else a share of the group's. */
function stepOf(group: FitGroup, coverers: readonly Coverer[]): number {
  const isTenths =
    group.litres <= MOST_STEPS / 10 &&
    isTenth(group.litres) &&
    coverers.every(({ container }) => isTenth(container.innerLitres));
  return isTenths ? 0.1 : group.litres / MOST_STEPS;
}

/** One more piece that is there once: for which litres it is part of the lightest cover so far. */
function addPiece(best: Float64Array, target: number, gain: number, weight: number): Uint8Array {
  const taken = new Uint8Array(target + 1);
  if (gain <= 0) return taken;
  for (let litres = target; litres > 0; litres -= 1) {
    const value = best[Math.max(0, litres - gain)]! + weight;
    if (value >= best[litres]!) continue;
    best[litres] = value;
    taken[litres] = 1;
  }
  return taken;
}

/**
 * Covers a group's litres at the least weight: a knapsack by litres, each container's litres rounded
 * down to a step. O(steps × containers). Undefined where they do not hold enough.
 * Requires: no coverer is overloaded by its litres of the group; for those there is `coverByOne`.
 */
export function coverGroup(
  group: FitGroup,
  coverers: readonly Coverer[],
): readonly Part[] | undefined {
  const step = stepOf(group, coverers);
  const target = Math.ceil(group.litres / step - 1e-9);
  const { best, last } = SCRATCH;
  best.fill(Infinity, 1, target + 1);
  last.fill(-1, 0, target + 1);
  const stepsOf = (container: FitContainer): number =>
    Math.floor(container.innerLitres / step + 1e-9);
  const limited = coverers.filter(
    ({ available, container }) => available < Math.ceil(group.litres / container.innerLitres),
  );
  // One layer a limited piece: which litres are best reached with it.
  const pieces = limited.flatMap((coverer) =>
    Array.from({ length: Math.min(coverer.available, MOST_LIMITED) }, () => coverer),
  );
  const layers = pieces.map(({ container, weight }) =>
    addPiece(best, target, stepsOf(container), weight),
  );
  const free = keepUndominated(
    coverers
      .filter((coverer) => !limited.includes(coverer))
      .map(({ container, weight }) => ({
        container,
        weight,
        gain: Math.min(target, stepsOf(container)),
      })),
  );
  for (let c = 0; c < free.length; c += 1) {
    const { gain, weight } = free[c] as Gain;
    // Alone it holds up to its own litres.
    for (let litres = 1; litres <= gain; litres += 1) {
      if (weight >= (best[litres] as number)) continue;
      best[litres] = weight;
      last[litres] = c;
    }
    for (let litres = gain + 1; litres <= target; litres += 1) {
      const value = (best[litres - gain] as number) + weight;
      if (value >= (best[litres] as number)) continue;
      best[litres] = value;
      last[litres] = c;
    }
  }
  if (best[target] === Infinity) return undefined;
  const counts = new Map<FitContainer, number>();
  const add = (container: FitContainer): void =>
    void counts.set(container, (counts.get(container) ?? 0) + 1);
  let litres = target;
  while (litres > 0 && (last[litres] ?? -1) >= 0) {
    const coverer = free[last[litres] ?? 0];
    if (!coverer) break;
    add(coverer.container);
    litres = Math.max(0, litres - coverer.gain);
  }
  for (let p = pieces.length - 1; p >= 0 && litres > 0; p -= 1) {
    const container = pieces[p]?.container;
    if (!container || layers[p]?.[litres] !== 1) continue;
    add(container);
    litres = Math.max(0, litres - stepsOf(container));
  }
  return [...counts].map(([container, count]) => ({ container, count }));
}

/**
 * Used by one call after the other: the least weight of so many litres, and which container is last
 * in it. The first stays 0.
 */
const SCRATCH = {
  best: new Float64Array(MOST_STEPS + 2),
  last: new Int16Array(MOST_STEPS + 2),
} as const;

interface Gain {
  readonly container: FitContainer;
  readonly weight: number;
  readonly gain: number;
}

/** Leaves out what holds no more than another that weighs no more. */
function keepUndominated(gains: readonly Gain[]): Gain[] {
  const sorted = gains
    .filter(({ gain }) => gain > 0)
    .sort((a, b) => a.weight - b.weight || b.gain - a.gain);
  const kept: Gain[] = [];
  let most = 0;
  for (const next of sorted) {
    if (next.gain <= most) continue;
    kept.push(next);
    most = next.gain;
  }
  return kept;
}

const isTenth = (litres: number): boolean => Math.abs(litres * 10 - Math.round(litres * 10)) < 1e-6;

/** So many of one container that they hold the litres and bear their share of the mass. */
export function coverByOne(
  group: FitGroup,
  { container, available }: Coverer,
): readonly Part[] | undefined {
  const byMass =
    container.maxLoadG === undefined ? 0 : groupMassG(group) / Math.max(1e-9, container.maxLoadG);
  const count = Math.max(
    1,
    Math.ceil(Math.max(group.litres / container.innerLitres, byMass) - 1e-9),
  );
  return count <= available && count <= 400 ? [{ container, count }] : undefined;
}
