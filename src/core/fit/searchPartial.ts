import { createRandom, type Random } from '../shared';
import { Floor, type Packing, type PlaceRule } from './floor';
import type { FitContainer, FitGroup, FitRequest } from './model';
import type { DensePacking } from './packDense';
import { packMost } from './packPiles';
import { buildPiles, fillContainers, type Filled, type Pile } from './piles';
import { maxStackOf, type Chosen } from './selectContainers';
import { findBayFault, groupMassG, suits, type FitQuestion } from './suitability';

/** What stands where not everything can. */
interface PartialFit {
  readonly chosen: readonly Chosen[];
  readonly packing: Packing;
  readonly unmetLitres: number;
}

type Filling = PartialFit & { readonly costMinor: number };

const MOST_ROUNDS = 20_000;

/**
 * The best partial answer found: group after group gets the containers that hold most on the floor
 * they take, as long as one still stands; many orders, the least litres unmet kept. Each container
 * counts as full, so that no load is understated. Deterministic unless the time cuts it.
 */
export function searchPartial(
  request: FitQuestion,
  {
    selection,
    densest,
    leftMs,
  }: {
    readonly selection: readonly Chosen[] | undefined;
    readonly densest?: DensePacking | undefined;
    readonly leftMs: () => number;
  },
): PartialFit {
  const random = createRandom(request.seed + 1);
  const piles =
    selection && isBearableAt(request, selection)
      ? atUsualDensity(buildPiles(request, fillContainers(selection), Infinity))
      : [];
  let best: Filling | undefined;
  const keep = (next: Filling): boolean => {
    const isBetter =
      !best ||
      next.unmetLitres < best.unmetLitres - 1e-9 ||
      (next.unmetLitres <= best.unmetLitres + 1e-9 && next.costMinor < best.costMinor);
    if (isBetter) best = next;
    return isBetter;
  };
  // It was weighed with everything standing; only where nothing is lifted out of the way does that
  // not matter.
  if (densest && piles.length > 0 && request.bay.pullOut) keep(toFilling(request, densest));
  let order = [...piles].sort(
    (a, b) =>
      b.container.outer.width * b.container.outer.depth -
      a.container.outer.width * a.container.outer.depth,
  );
  let orderLitres = Infinity;
  for (let round = 0; round < MOST_ROUNDS && (round < 4 || leftMs() > 0); round += 1) {
    if (piles.length === 0 || round % 4 === 0) {
      keep(fillOnce(request, round === 0 ? undefined : random));
      continue;
    }
    // An order is bettered by a few swaps; one as good is taken too, so that it does not stick.
    const changed = round < 4 ? order : swapSome(order, random);
    const next = standMost(request, changed, round % 4 === 3 ? 'left' : 'snug');
    if (next.unmetLitres <= orderLitres + 1e-9) {
      order = changed;
      orderLitres = next.unmetLitres;
    }
    keep(next);
  }
  return (
    best ?? {
      chosen: [],
      packing: { spots: [], blockingG: 0 },
      unmetLitres: request.groups.reduce((sum, { litres }) => sum + litres, 0),
    }
  );
}

function fillOnce(request: FitQuestion, random: Random | undefined): Filling {
  const floor = new Floor(request);
  const counts = new Map<FitGroup, Map<FitContainer, number>>();
  const used = new Map<FitContainer, number>();
  let bearableG = request.bay.maxLoadG ?? Infinity;
  let unmetLitres = 0;
  const shake = () => (random ? 0.6 + random() * 0.8 : 1);
  const groups = [...request.groups]
    .map((group) => ({ group, rank: (group.front ? 1e6 : group.litres) * shake() }))
    .sort((a, b) => b.rank - a.rank);
  const rule = random && random() < 0.4 ? 'front' : 'left';
  for (const { group } of groups) {
    if (group.litres <= 0) continue;
    const densityG = groupMassG(group) / group.litres;
    const suited = request.containers
      .filter(
        (container) =>
          findBayFault(request, container) === undefined &&
          suits(request, container, group) &&
          densityG * container.innerLitres <= (container.maxLoadG ?? Infinity),
      )
      .map((container) => ({
        container,
        worth:
          ((container.innerLitres * maxStackOf(request, container)) /
            (container.outer.width * container.outer.depth)) *
          shake(),
      }))
      .sort((a, b) => b.worth - a.worth);
    let left = group.litres;
    for (let i = 0; i < suited.length && left > 1e-9;) {
      const container = suited[i]?.container;
      if (!container) break;
      const filled: Filled = {
        container,
        group,
        kind: group.id,
        massG: (container.tareG ?? 0) + densityG * container.innerLitres,
      };
      const levels = Math.min(
        bearableLevels(request, filled),
        Math.ceil(left / container.innerLitres - 1e-9),
        (container.available ?? Infinity) - (used.get(container) ?? 0),
        Math.floor(bearableG / Math.max(1e-9, filled.massG)),
      );
      const pile: Pile = {
        container,
        levels: Array.from({ length: Math.max(0, levels) }, () => filled),
      };
      const stood = levels <= 0 ? 0 : standHighest(floor, pile, rule, request.zones !== undefined);
      if (stood === 0) {
        i += 1;
        continue;
      }
      left -= stood * container.innerLitres;
      bearableG -= stood * filled.massG;
      used.set(container, (used.get(container) ?? 0) + stood);
      const own = counts.get(group) ?? new Map<FitContainer, number>();
      counts.set(group, own.set(container, (own.get(container) ?? 0) + stood));
    }
    unmetLitres += Math.max(0, left);
  }
  const chosen = [...counts].flatMap(([group, own]) =>
    [...own].map(([container, count]): Chosen => ({ group, container, count })),
  );
  return {
    chosen,
    unmetLitres,
    packing: floor.packing,
    costMinor: costOf(chosen),
  };
}

/** How many levels of a pile find room: all of it, or, where levels lie beside each other, fewer. */
function standHighest(floor: Floor, pile: Pile, rule: PlaceRule, isFewerTried: boolean): number {
  for (let high = pile.levels.length; high > 0; high = isFewerTried ? high - 1 : 0)
    if (floor.stand({ ...pile, levels: pile.levels.slice(0, high) }, rule)) return high;
  return 0;
}

/** As much of a selection as stands: of one that covers everything little may be missing. */
function standMost(request: FitRequest, piles: readonly Pile[], rule: PlaceRule): Filling {
  return toFilling(request, packMost(request, piles, rule));
}

function toFilling(request: FitRequest, { stood, packing }: DensePacking): Filling {
  const chosen = new Map<Filled, number>();
  for (const level of stood.flatMap(({ levels }) => levels))
    chosen.set(level, (chosen.get(level) ?? 0) + 1);
  const parts = [...chosen].map(([{ container, group }, count]): Chosen => ({
    container,
    group,
    count,
  }));
  const unmetLitres = request.groups.reduce(
    (sum, group) =>
      sum +
      Math.max(
        0,
        group.litres -
          parts.reduce(
            (held, part) =>
              part.group === group ? held + part.container.innerLitres * part.count : held,
            0,
          ),
      ),
    0,
  );
  return { chosen: parts, packing, unmetLitres, costMinor: costOf(parts) };
}

function swapSome(piles: readonly Pile[], random: Random): Pile[] {
  const swapped = [...piles];
  for (let n = 1 + Math.floor(random() * 3); n > 0; n -= 1) {
    const [i, j] = [Math.floor(random() * swapped.length), Math.floor(random() * swapped.length)];
    const [a, b] = [swapped[i], swapped[j]];
    if (a && b) {
      swapped[i] = b;
      swapped[j] = a;
    }
  }
  return swapped;
}

/**
 * Where some are left out, the others hold what the group's litres weigh: no more than that,
 * whatever is left out.
 */
function atUsualDensity(piles: readonly Pile[]): Pile[] {
  const weighed = new Map<Filled, Filled>();
  const weigh = (filled: Filled): Filled => {
    const known = weighed.get(filled);
    if (known) return known;
    const { container, group } = filled;
    const heavier = {
      ...filled,
      massG: (container.tareG ?? 0) + (groupMassG(group) / group.litres) * container.innerLitres,
    };
    weighed.set(filled, heavier);
    return heavier;
  };
  return piles.map((pile) => ({ ...pile, levels: pile.levels.map(weigh) }));
}

/** What is left out makes the rest hold more; every container must bear its litres at the usual density. */
function isBearableAt(request: FitRequest, selection: readonly Chosen[]): boolean {
  return (
    selection.every(
      ({ container, group }) =>
        (groupMassG(group) / group.litres) * container.innerLitres <=
        (container.maxLoadG ?? Infinity),
    ) &&
    request.bay.maxLoadG === undefined &&
    selection.every(({ container }) => container.maxLoadG === undefined)
  );
}

const costOf = (chosen: readonly Chosen[]): number =>
  chosen.reduce((sum, { container, count }) => sum + container.priceMinor * count, 0);

/** As many on each other as the bay's height, the stack's limit and the lowest one bear. */
function bearableLevels(request: FitRequest, { container, group, massG }: Filled): number {
  if (group.crushable) return 1;
  const byLoad =
    massG > 0 ? 1 + Math.floor((container.maxLoadG ?? Infinity) / massG + 1e-9) : Infinity;
  return Math.min(maxStackOf(request, container), byLoad);
}
