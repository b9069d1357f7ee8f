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

/** One more piece that is there once: marks in `taken` for which litres it is part of the lightest cover so far. */
function addPiece(
  best: Float64Array,
  target: number,
  { gain, weight, taken }: { gain: number; weight: number; taken: Uint8Array },
): void {
  for (let litres = target; litres > 0; litres -= 1) {
    const value = best[litres > gain ? litres - gain : 0]! + weight;
    if (value >= best[litres]!) {
      taken[litres] = 0;
      continue;
    }
    best[litres] = value;
    taken[litres] = 1;
  }
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
  const { best, last, lightest } = SCRATCH;
  best.fill(Infinity, 1, target + 1);
  last.fill(-1, 0, target + 1);
  lightest.fill(-1, 0, target + 1);
  const gainOf = (container: FitContainer): number =>
    Math.min(target, Math.floor(container.innerLitres / step + 1e-9));
  // What there is enough of: of equal litres the lightest counts. What is limited comes one by one.
  const pieces: Coverer[] = [];
  for (let c = 0; c < coverers.length; c += 1) {
    const coverer = coverers[c]!;
    const gain = gainOf(coverer.container);
    if (gain <= 0) continue;
    if (coverer.available < Math.ceil(group.litres / coverer.container.innerLitres)) {
      const count = Math.min(coverer.available, MOST_LIMITED);
      for (let n = 0; n < count; n += 1) pieces.push(coverer);
    } else if (lightest[gain]! < 0 || coverer.weight < coverers[lightest[gain]!]!.weight)
      lightest[gain] = c;
  }
  const layers = layersFor(pieces.length);
  for (let p = 0; p < pieces.length; p += 1) {
    const { container, weight } = pieces[p]!;
    addPiece(best, target, { gain: gainOf(container), weight, taken: layers[p]! });
  }
  // What holds no more than another that weighs no more is left out.
  let leastWeight = Infinity;
  for (let gain = target; gain > 0; gain -= 1) {
    const c = lightest[gain]!;
    if (c < 0) continue;
    const { weight } = coverers[c]!;
    if (weight >= leastWeight) continue;
    leastWeight = weight;
    // Alone it holds up to its own litres.
    for (let litres = 1; litres <= target; litres += 1) {
      const value = (litres > gain ? best[litres - gain]! : 0) + weight;
      if (value >= best[litres]!) continue;
      best[litres] = value;
      last[litres] = c;
    }
  }
  if (best[target] === Infinity) return undefined;
  const counts = new Map<FitContainer, number>();
  const add = (container: FitContainer): void =>
    void counts.set(container, (counts.get(container) ?? 0) + 1);
  let litres = target;
  while (litres > 0 && last[litres]! >= 0) {
    const { container } = coverers[last[litres]!]!;
    add(container);
    litres = Math.max(0, litres - gainOf(container));
  }
  for (let p = pieces.length - 1; p >= 0 && litres > 0; p -= 1) {
    const { container } = pieces[p]!;
    if (layers[p]![litres] !== 1) continue;
    add(container);
    litres = Math.max(0, litres - gainOf(container));
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
  lightest: new Int16Array(MOST_STEPS + 2),
} as const;

/** Of each limited piece for which litres it is taken; used by one call after the other. */
const LAYERS: Uint8Array[] = [];
function layersFor(count: number): readonly Uint8Array[] {
  while (LAYERS.length < count) LAYERS.push(new Uint8Array(MOST_STEPS + 2));
  return LAYERS;
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
