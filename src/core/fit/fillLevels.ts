import { createRandom, type Random } from '../shared';
import { Floor, type Packing } from './floor';
import type { FitContainer, FitGroup } from './model';
import type { Filled } from './piles';
import { maxStackOf, type Chosen } from './selectContainers';
import { findBayFault, groupMassG, suits, type FitQuestion, type Zone } from './suitability';

/** What stands of the groups, found in a moment. */
export interface Filling {
  readonly chosen: readonly Chosen[];
  readonly packing: Packing;
  readonly unmetLitres: number;
  readonly costMinor: number;
}

/** One way to hold a group: so many equal piles on one level. */
interface Way {
  readonly container: FitContainer;
  readonly zone: Zone;
  readonly levels: number;
  /** Of the volume of all levels, what holding a litre so takes. */
  readonly volumeShare: number;
  readonly priceMinor: number;
}

/** In a round ways count up to so much more or less than they do, and money so much beside room. */
const SHAKE = 0.5;
const MONEY = [0, 0, 0.3, 1] as const;
const MOST_WAYS = 24;
const MOST_ROUNDS = 400;
/** Of the groups in a round those that are mixed; of the ways those that one is begun in, with so many piles. */
const MIXED_SHARE = 0.35;
const BEGUN_SHARE = 0.3;
const MOST_BEGUN = 3;

/**
 * Fills levels that lie beside each other, each group first as equal piles on one level, where that takes least room
 * and money; what is left over goes wherever it goes. Many shaken rounds, the least litres unmet kept, then the least
 * money. Each container counts as full, so that no load is understated. Deterministic unless the time cuts it.
 */
export function fillLevels(
  question: FitQuestion,
  leftMs: () => number,
  { rounds = MOST_ROUNDS, seed = 3 }: { readonly rounds?: number; readonly seed?: number } = {},
): Filling {
  const random = createRandom(question.seed + seed);
  const ways = listWays(question);
  let best: Filling | undefined;
  for (let round = 0; round < rounds && (!best || leftMs() > 0); round += 1) {
    const next = fillOnce(question, ways, {
      random: round === 0 ? undefined : random,
      money: MONEY[round % MONEY.length] ?? 0,
    });
    const isBetter =
      !best ||
      next.unmetLitres < best.unmetLitres - 1e-9 ||
      (next.unmetLitres <= best.unmetLitres + 1e-9 && next.costMinor < best.costMinor);
    if (isBetter) best = next;
  }
  return best ?? fillOnce(question, ways, { random: undefined, money: 0 });
}

function listWays(question: FitQuestion): ReadonlyMap<FitGroup, readonly Way[]> {
  const { zones = [], bay, clearances } = question;
  const heightOf = new Map(
    zones.map((zone) => {
      // Its ceiling is an obstacle that begins a gap above what may stand there.
      const ceilings = (bay.obstacles ?? [])
        .filter((box) => box.z > 0 && box.x < zone.x0 + 1e-6 && box.x + box.width > zone.x1 - 1e-6)
        .map((box) => box.z - clearances.between);
      return [zone, Math.min(bay.height, ...ceilings)] as const;
    }),
  );
  const volume = zones.reduce(
    (sum, zone) => sum + (zone.x1 - zone.x0) * bay.depth * (heightOf.get(zone) ?? 0),
    0,
  );
  const standing = question.containers.filter(
    (container) => container.innerLitres > 0 && findBayFault(question, container) === undefined,
  );
  return new Map(
    question.groups
      .filter(({ litres }) => litres > 0)
      .map((group) => [
        group,
        standing
          .filter((container) => suits(question, container, group))
          .flatMap((container) =>
            zones.flatMap((zone): Way[] => {
              const height = heightOf.get(zone) ?? 0;
              const high = group.crushable
                ? 1
                : Math.min(
                    maxStackOf(question, container),
                    Math.floor(height / container.outer.height + 1e-9),
                  );
              const isTaken =
                zone.takes(container) && high > 0 && container.outer.height <= height + 1e-6;
              if (!isTaken) return [];
              const levels = Math.min(high, Math.ceil(group.litres / container.innerLitres - 1e-9));
              const piles = Math.ceil(group.litres / (container.innerLitres * levels) - 1e-9);
              const { width, depth } = container.outer;
              const footMm2 = (width + clearances.between) * (depth + clearances.between);
              return [
                {
                  container,
                  zone,
                  levels,
                  volumeShare: (piles * footMm2 * height) / volume / group.litres,
                  priceMinor: (piles * levels * container.priceMinor) / group.litres,
                },
              ];
            }),
          ),
      ]),
  );
}

/** A full container of the way, and how many of them bear each other; undefined where one does not bear its content. */
function bearableOf(
  { container, levels }: Way,
  group: FitGroup,
): { readonly filled: Filled; readonly levels: number } | undefined {
  const { tareG = 0, maxLoadG = Infinity } = container;
  const contentG = (groupMassG(group) / group.litres) * container.innerLitres;
  if (contentG > maxLoadG) return undefined;
  const massG = tareG + contentG;
  return {
    filled: { container, group, kind: group.id, massG },
    levels: massG * (levels - 1) > maxLoadG ? 1 : levels,
  };
}

function fillOnce(
  question: FitQuestion,
  waysOf: ReadonlyMap<FitGroup, readonly Way[]>,
  { random, money }: { readonly random: Random | undefined; readonly money: number },
): Filling {
  const floor = new Floor(question);
  const shake = () => (random ? 1 + SHAKE * (random() - 0.5) : 1);
  const used = new Map<FitContainer, number>();
  const chosen: Chosen[] = [];
  let bearableG = question.bay.maxLoadG ?? Infinity;
  let unmetLitres = 0;
  const prices = [...waysOf.values()].flat().map(({ priceMinor }) => priceMinor);
  const usual = prices.reduce((a, b) => a + b, 0) / Math.max(1, prices.length) || 1;
  const groups = [...waysOf.keys()]
    .map((group) => ({ group, rank: (group.front ? 3 : 1) * group.litres * shake() * shake() }))
    .sort((a, b) => b.rank - a.rank);
  for (const { group } of groups) {
    const ways = (waysOf.get(group) ?? [])
      .map((way) => ({
        way,
        score: (way.volumeShare * group.litres + (money * way.priceMinor) / usual) * shake(),
      }))
      .sort((a, b) => a.score - b.score)
      .slice(0, MOST_WAYS);
    let left = group.litres;
    const stand = (
      way: Way,
      { isWhole, most = Infinity }: { readonly isWhole: boolean; readonly most?: number },
    ): void => {
      const { container, zone } = way;
      const borne = bearableOf(way, group);
      if (!borne) return;
      const { filled, levels } = borne;
      const before = isWhole ? floor.copy() : undefined;
      let [stood, litres, piles] = [0, left, 0];
      while (litres > 1e-9 && piles < most) {
        const count = Math.min(
          levels,
          Math.ceil(litres / container.innerLitres - 1e-9),
          (container.available ?? Infinity) - (used.get(container) ?? 0) - stood,
          Math.floor(bearableG / Math.max(1e-9, filled.massG)) - stood,
        );
        const target = before ?? floor;
        const pile = {
          container,
          levels: Array.from({ length: Math.max(0, count) }, () => filled),
        };
        if (count <= 0 || !target.stand(pile, 'left', undefined, zone)) break;
        stood += count;
        piles += 1;
        litres -= count * container.innerLitres;
      }
      if (stood === 0 || (isWhole && litres > 1e-9)) return;
      if (before) floor.become(before);
      left = litres;
      bearableG -= stood * filled.massG;
      used.set(container, (used.get(container) ?? 0) + stood);
      chosen.push({ container, group, count: stood });
    };
    // Now and then a group is begun in a few of one kind, and what is left of it goes into others.
    const isMixed = random !== undefined && random() < MIXED_SHARE;
    for (const { way } of ways) {
      if (left <= 1e-9) break;
      if (!isMixed) stand(way, { isWhole: true });
      else if (random() < BEGUN_SHARE)
        stand(way, { isWhole: false, most: 1 + Math.floor(random() * MOST_BEGUN) });
    }
    if (isMixed) for (const { way } of ways) if (left > 1e-9) stand(way, { isWhole: true });
    for (const { way } of ways) if (left > 1e-9) stand(way, { isWhole: false });
    unmetLitres += Math.max(0, left);
  }
  return {
    chosen,
    packing: floor.packing,
    unmetLitres,
    costMinor: chosen.reduce((sum, { container, count }) => sum + container.priceMinor * count, 0),
  };
}
