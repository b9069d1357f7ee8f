import { findFitFaults } from './findFitFaults';
import { levelsOf } from './levels';
import { inTheWayG, itemsOf, movementsOf } from './measureFit';
import { hangingRoles } from './codes';
import type { FitAnswer, FitRequest, Placement } from './model';
import { roleOf } from './suitability';

/** How what stands in a place is arranged: gaps shared evenly, or one free space that is kept together. */
export const tidyWays = ['spread', 'together'] as const;
export type TidyWay = (typeof tidyWays)[number];

/** Containers of one kind on top of each other. Lengths mm. */
interface Pile {
  readonly placements: readonly Placement[];
  readonly groupId: string;
  readonly containerId: string;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly depth: number;
  readonly height: number;
}

interface Spot {
  readonly x: number;
  readonly y: number;
}

/** What is closer than this is the same place. */
const SAME_MM = 1e-3;
/** Gaps are shared to a tenth of a millimetre. */
const STEP_MM = 0.1;

/** What is tidied by itself: a level with what stands on it, as a bay of its own. */
interface Part {
  readonly request: FitRequest;
  /** Of the answer's placements, those in it, and where the level begins. */
  readonly indexes: readonly number[];
  readonly x: number;
  readonly y: number;
  readonly z: number;
}

/**
 * An answer with the same containers, tidied as a person would: groups side by side where one row holds them, fronts
 * on one line at the edge, gaps shared evenly or kept as one free space. Where that would break a rule, or put
 * more in the way of something, what stands keeps its order and is only drawn to the front; where that would too,
 * the answer itself. Checked by `findFitFaults`. Deterministic. O(piles² × obstacles).
 */
export function tidyFit(request: FitRequest, answer: FitAnswer, way: TidyWay): FitAnswer {
  return partsOf(request, answer).reduce(
    (tidied, part) => tidyPart(request, tidied, part, way),
    answer,
  );
}

function tidyPart(request: FitRequest, answer: FitAnswer, part: Part, way: TidyWay): FitAnswer {
  const { x, y, z } = part;
  const own = part.indexes.map((index) => {
    const placement = answer.placements[index]!;
    return { ...placement, x: placement.x - x, y: placement.y - y, z: placement.z - z };
  });
  // What boards part reaches from wall to wall as it is.
  if (own.some(({ cell }) => cell)) return answer;
  const piles = pilesOf(part.request, own);
  if (piles.length === 0) return answer;
  const before = [inTheWayG(request, answer), movementsOf(request, answer)] as const;
  const faultsBefore = findFitFaults(request, answer).length;
  const row = inOneRow(part.request, piles, way);
  const kept = inOrder(part.request, piles, way);
  for (const spots of [row, kept]) {
    const placed = spots && placeAt(piles, spots);
    if (!placed) continue;
    // In the order of the answer: what was said of the n-th stays said of it.
    const placements = [...answer.placements];
    const inPiles = piles.flatMap((pile) => pile.placements);
    own.forEach((placement, i) => {
      const to = placed[inPiles.indexOf(placement)];
      const index = part.indexes[i]!;
      if (to)
        placements[index] = {
          ...answer.placements[index]!,
          x: round(to.x + x),
          y: round(to.y + y),
        };
    });
    const tidied = { ...answer, placements };
    if (
      findFitFaults(request, tidied).length <= faultsBefore &&
      inTheWayG(request, tidied) <= before[0] + 1e-6 &&
      movementsOf(request, tidied) <= before[1]
    )
      return tidied;
  }
  return answer;
}

/** The bay as a whole, or, where there are levels, each of them; what turns, hangs or lies in a box stays. */
function partsOf(request: FitRequest, { placements, surfaces = [] }: FitAnswer): Part[] {
  const all = placements.map((_, index) => index);
  if (surfaces.length === 0) return [{ request, indexes: all, x: 0, y: 0, z: 0 }];
  const hung = itemsOf(request, placements)
    .filter(({ what }) => hangingRoles.has(roleOf(what)))
    .map(({ at, what, width, depth, height }) => ({
      label: what.name,
      x: at.x,
      y: at.y,
      z: at.z,
      width,
      depth,
      height,
    }));
  const taken = new Set<number>();
  return levelsOf(request, surfaces, hung).flatMap((level): Part[] => {
    if (level.isFree) return [];
    const indexes = all.filter((index) => {
      const at = placements[index]!;
      const isHere =
        !taken.has(index) &&
        at.on === level.on &&
        at.x >= level.x - SAME_MM &&
        at.x < level.x + level.width &&
        at.y >= level.y - SAME_MM &&
        at.y < level.y + level.depth &&
        at.z >= level.z - SAME_MM &&
        at.z < level.z + level.height;
      return isHere;
    });
    indexes.forEach((index) => taken.add(index));
    const { x, y, z, width, depth, height, obstacles } = level;
    return [
      {
        request: {
          ...request,
          bay: { ...request.bay, width, depth, height, obstacles: [...obstacles] },
          clearances: { ...request.clearances, side: 0, front: 0, back: 0, top: 0 },
        },
        indexes,
        x,
        y,
        z,
      },
    ];
  });
}

function pilesOf({ containers }: FitRequest, placements: readonly Placement[]): Pile[] {
  const known = new Map(containers.map((container) => [container.id, container]));
  const piles: Placement[][] = [];
  for (const placement of placements) {
    const pile = piles.find(([first]) => first && isOnOne(first, placement));
    if (pile) pile.push(placement);
    else piles.push([placement]);
  }
  return piles.flatMap((own) => {
    const [first] = own;
    const container = first && known.get(first.containerId);
    if (!container) return [];
    const { width, depth, height } = container.outer;
    return [
      {
        placements: own,
        groupId: first.groupId,
        containerId: first.containerId,
        x: first.x,
        y: first.y,
        width: first.turned ? depth : width,
        depth: first.turned ? width : depth,
        height: Math.max(...own.map(({ z }) => z)) + height,
      },
    ];
  });
}
const isOnOne = (a: Placement, b: Placement): boolean =>
  a.containerId === b.containerId &&
  a.turned === b.turned &&
  Math.abs(a.x - b.x) < SAME_MM &&
  Math.abs(a.y - b.y) < SAME_MM;

function placeAt(piles: readonly Pile[], spots: readonly Spot[]): Placement[] {
  return piles.flatMap(({ placements }, i) =>
    placements.map((placement) => ({
      ...placement,
      x: round(spots[i]?.x ?? placement.x),
      y: round(spots[i]?.y ?? placement.y),
    })),
  );
}
const round = (mm: number): number => Math.round(mm * 1e6) / 1e6;

/** All piles beside each other, group by group, alike ones together; undefined where they are too wide. */
function inOneRow(
  request: FitRequest,
  piles: readonly Pile[],
  way: TidyWay,
): readonly Spot[] | undefined {
  const { bay, clearances } = request;
  const order = piles.map((_, i) => i).sort(byGroup(piles));
  const free =
    bay.width -
    2 * clearances.side -
    piles.reduce((sum, { width }) => sum + width, 0) -
    (piles.length - 1) * clearances.between;
  if (free < 0) return undefined;
  const more = way === 'spread' ? floorTo(free / piles.length) : 0;
  const spots: Spot[] = [];
  let x = clearances.side + more / 2;
  for (const i of order) {
    spots[i] = { x, y: clearances.front };
    x += (piles[i]?.width ?? 0) + clearances.between + more;
  }
  return spots;
}
const floorTo = (mm: number): number => Math.floor(mm / STEP_MM) * STEP_MM;

/** Groups in the order in which they stand from the left, alike containers together in each. */
function byGroup(piles: readonly Pile[]): (a: number, b: number) => number {
  const middles = new Map<string, number>();
  for (const { groupId } of piles) {
    const own = piles.filter((pile) => pile.groupId === groupId);
    middles.set(groupId, own.reduce((sum, { x, width }) => sum + x + width / 2, 0) / own.length);
  }
  return (a, b) => {
    const [one, other] = [piles[a]!, piles[b]!];
    return (
      (middles.get(one.groupId) ?? 0) - (middles.get(other.groupId) ?? 0) ||
      one.groupId.localeCompare(other.groupId) ||
      one.containerId.localeCompare(other.containerId) ||
      one.x - other.x ||
      one.y - other.y
    );
  };
}

/** Everything keeps its order from left to right and from front to back. */
function inOrder(
  request: FitRequest,
  piles: readonly Pile[],
  way: TidyWay,
): readonly Spot[] | undefined {
  const xs = way === 'spread' ? spreadOut(request, piles) : lineUp(request, piles, 0)?.left;
  return xs && drawForward(request, piles, xs);
}

/** Whether two come within the gap of each other along a line. */
const meets = (a: number, aLong: number, b: number, bLong: number, gap: number): boolean =>
  a < b + bLong + gap - SAME_MM && b < a + aLong + gap - SAME_MM;

/**
 * The places furthest to the left and to the right with the order kept and `more` added to each gap; undefined where
 * that is too wide. Obstacles that stand at a pile's height stay where they are.
 */
function lineUp(
  { bay, clearances }: FitRequest,
  piles: readonly Pile[],
  more: number,
): { readonly left: readonly number[]; readonly right: readonly number[] } | undefined {
  const gap = clearances.between;
  const order = piles.map((_, i) => i).sort((a, b) => piles[a]!.x - piles[b]!.x || a - b);
  const left: number[] = [];
  const right: number[] = [];
  const isBeside = (a: Pile, b: Pile) => meets(a.y, a.depth, b.y, b.depth, gap);
  const obstaclesOf = (pile: Pile) =>
    (bay.obstacles ?? []).filter(
      (box) =>
        box.z < pile.height + gap - SAME_MM && meets(pile.y, pile.depth, box.y, box.depth, gap),
    );
  for (const i of order) {
    const pile = piles[i]!;
    let least = clearances.side + more / 2;
    for (const box of obstaclesOf(pile))
      if (box.x + box.width / 2 < pile.x + pile.width / 2)
        least = Math.max(least, box.x + box.width + gap);
    for (const j of order)
      if (left[j] !== undefined && isBeside(piles[j]!, pile))
        least = Math.max(least, left[j] + piles[j]!.width + gap + more);
    left[i] = least;
  }
  for (const i of [...order].reverse()) {
    const pile = piles[i]!;
    let most = bay.width - clearances.side - more / 2 - pile.width;
    for (const box of obstaclesOf(pile))
      if (box.x + box.width / 2 >= pile.x + pile.width / 2)
        most = Math.min(most, box.x - gap - pile.width);
    for (const j of order)
      if (right[j] !== undefined && isBeside(piles[j]!, pile))
        most = Math.min(most, right[j] - gap - more - pile.width);
    right[i] = most;
  }
  return order.every((i) => left[i]! <= right[i]! + SAME_MM) ? { left, right } : undefined;
}

/** The largest gap that all can have, then each in the middle of what is left to it. */
function spreadOut(request: FitRequest, piles: readonly Pile[]): readonly number[] | undefined {
  let [most, least] = [request.bay.width, 0];
  if (!lineUp(request, piles, 0)) return undefined;
  while (most - least > STEP_MM) {
    const middle = (most + least) / 2;
    if (lineUp(request, piles, middle)) least = middle;
    else most = middle;
  }
  const lines = lineUp(request, piles, least);
  if (!lines) return undefined;
  const gap = request.clearances.between + least;
  const xs: number[] = [];
  const order = piles.map((_, i) => i).sort((a, b) => piles[a]!.x - piles[b]!.x || a - b);
  for (const i of order) {
    const pile = piles[i]!;
    let from = lines.left[i]!;
    for (const j of order) {
      const other = piles[j]!;
      const isBeside = meets(other.y, other.depth, pile.y, pile.depth, request.clearances.between);
      if (xs[j] !== undefined && isBeside) from = Math.max(from, xs[j] + other.width + gap);
    }
    xs[i] = Math.max(from, (from + lines.right[i]!) / 2);
  }
  return xs;
}

/** To the front edge, as far as what stands before it allows. */
function drawForward(
  { bay, clearances }: FitRequest,
  piles: readonly Pile[],
  xs: readonly number[],
): Spot[] {
  const gap = clearances.between;
  const spots: Spot[] = [];
  const order = piles.map((_, i) => i).sort((a, b) => piles[a]!.y - piles[b]!.y || a - b);
  for (const i of order) {
    const pile = piles[i]!;
    const x = xs[i]!;
    let y = clearances.front;
    for (const box of bay.obstacles ?? [])
      if (
        box.z < pile.height + gap - SAME_MM &&
        box.y < pile.y &&
        meets(x, pile.width, box.x, box.width, gap)
      )
        y = Math.max(y, box.y + box.depth + gap);
    for (const j of order) {
      const before = piles[j]!;
      const spot = spots[j];
      if (spot && meets(spot.x, before.width, x, pile.width, gap))
        y = Math.max(y, spot.y + before.depth + gap);
    }
    spots[i] = { x, y };
  }
  return spots;
}
