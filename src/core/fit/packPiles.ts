import type { Random } from '../shared';
import { Floor, type Packing, type PlaceRule } from './floor';
import type { FitRequest } from './model';
import { buildPiles, fillContainers, type Pile } from './piles';
import { packDense, type DensePacking } from './packDense';
import { packTight, spareShareOf } from './packTight';
import { maxStackOf, type Chosen } from './selectContainers';

/** How one try goes about it. */
interface PackStyle {
  /** `left` fills from front to back, group by group, so that a group stands in front of itself. */
  readonly rule: PlaceRule;
  /** Group after group, or the largest of all first. */
  readonly isByGroup: boolean;
  readonly random: Random | undefined;
}

/**
 * Stacks the chosen containers and stands the stacks on the floor, in many orders: as they come, by
 * columns and by rows, then shaken. Where `tightNodes` allow and hardly any floor is to spare, two
 * searches for dense fillings come before the shaking; `onPartial` is told what of it stands where
 * not all does. Returns the first that stands
 * where `aim` is 'first', the one with the least in the way where it is 'easy'; undefined where no
 * try in `tries` stands.
 */
export function packPiles(
  request: FitRequest,
  chosen: readonly Chosen[],
  {
    tries,
    tightNodes = 0,
    random,
    aim,
    hasTime,
    onPartial,
  }: {
    readonly tries: number;
    readonly tightNodes?: number;
    readonly random: Random;
    readonly aim: 'first' | 'easy';
    readonly hasTime: () => boolean;
    readonly onPartial?: (part: DensePacking) => void;
  },
): Packing | undefined {
  const highest = Math.max(1, ...chosen.map(({ container }) => maxStackOf(request, container)));
  const pilesByLimit = new Map<number, readonly Pile[]>();
  const pilesFor = (limit: number): readonly Pile[] => {
    const known = pilesByLimit.get(limit);
    if (known) return known;
    const piles = buildPiles(request, fillContainers(chosen), limit);
    pilesByLimit.set(limit, piles);
    return piles;
  };
  const packClosely = (): Packing | undefined => {
    const piles = pilesFor(highest);
    const spareShare = spareShareOf(request, piles);
    if (spareShare < 0 || spareShare > MOST_SPARE || !hasTime()) return undefined;
    const notched =
      piles.length <= MOST_NOTCHED
        ? packTight(request, piles, { hasTime, nodeLimit: tightNodes })
        : undefined;
    if (notched) return notched;
    const dense = packDense(request, piles, {
      random,
      hasTime,
      fillings: tightNodes / NODES_A_FILLING,
    });
    if (dense && dense.stood.length === piles.length) return dense.packing;
    if (dense) onPartial?.(dense);
    return undefined;
  };
  let best: Packing | undefined;
  for (let attempt = 0; attempt < tries; attempt += 1) {
    if (attempt > 1 && !hasTime()) break;
    if (attempt === RULES.length && tightNodes > 0) {
      const close = packClosely();
      if (close) return close;
    }
    const isLow = aim === 'easy' ? attempt % 2 === 0 : attempt % 4 === 3;
    const piles = pilesFor(isLow ? 1 + (Math.floor(attempt / 4) % highest) : highest);
    const style: PackStyle = {
      rule: RULES[attempt % RULES.length] ?? 'left',
      isByGroup: attempt % 4 < 2 || attempt % 8 === 6,
      random: attempt < RULES.length ? undefined : random,
    };
    const packing = packOnce(request, piles, style);
    if (!packing) continue;
    if (aim === 'first' || packing.blockingG === 0) return packing;
    if (!best || packing.blockingG < best.blockingG) best = packing;
  }
  return best;
}

/** Share of the floor that may be left where the searches for dense fillings find what orders do not. */
const MOST_SPARE = 0.16;
/** Of more piles the search by notches does not come to an end in the time. */
const MOST_NOTCHED = 22;
/** A filling takes as long as so many nodes of the other search. */
const NODES_A_FILLING = 8;

const RULES: readonly PlaceRule[] = ['left', 'front', 'left', 'snug', 'front', 'left', 'snug'];

function packOnce(
  request: FitRequest,
  piles: readonly Pile[],
  style: PackStyle,
): Packing | undefined {
  const floor = new Floor(request);
  for (const pile of orderPiles(piles, style)) if (!floor.stand(pile, style.rule)) return undefined;
  return floor.packing;
}

/** Stands as many of the piles as go in, in this order; what finds no place is left out. */
export function packMost(
  request: FitRequest,
  piles: readonly Pile[],
  rule: PlaceRule,
): { readonly stood: readonly Pile[]; readonly packing: Packing } {
  const floor = new Floor(request);
  const stood = piles.filter((pile) => floor.stand(pile, rule));
  return { stood, packing: floor.packing };
}

/** What must be at the front first, then the largest; shaken where chance is given. */
function orderPiles(piles: readonly Pile[], { random, isByGroup }: PackStyle): Pile[] {
  const groupRanks = new Map<unknown, number>();
  const rankOf = (pile: Pile): number => {
    const group = pile.levels[0]?.group;
    const known = groupRanks.get(group);
    if (known !== undefined) return known;
    const rank = random ? random() : 1 / (1 + groupRanks.size);
    groupRanks.set(group, rank);
    return rank;
  };
  return piles
    .map((pile) => {
      const { width, depth } = pile.container.outer;
      const isFront = pile.levels.some((level) => level.group.front);
      return {
        pile,
        group: isByGroup ? rankOf(pile) : 0,
        rank: (isFront && !isByGroup ? 2 : 1) * width * depth * (random ? 0.4 + random() * 1.2 : 1),
      };
    })
    .sort((a, b) => b.group - a.group || b.rank - a.rank)
    .map(({ pile }) => pile);
}
