import { findFitFaults } from './findFitFaults';
import type { FitAnswer, FitContainer, FitRequest, Placement } from './model';

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

/**
 * An answer with the same containers, tidied as a person would: groups side by side where one row holds them, fronts
 * on one line at the edge, gaps shared evenly or kept as one free space. Where that would break a rule, or put
 * more in the way of something, what stands keeps its order and is only drawn to the front; where that would too,
 * the answer itself. Checked by `findFitFaults`. Deterministic. O(piles² × obstacles).
 */
export function tidyFit(request: FitRequest, answer: FitAnswer, way: TidyWay): FitAnswer {
  const piles = pilesOf(request, answer.placements);
  if (piles.length === 0) return answer;
  const before = inTheWay(request, answer.placements);
  const faultsBefore = findFitFaults(request, answer).length;
  const row = inOneRow(request, piles, way);
  const kept = inOrder(request, piles, way);
  for (const spots of [row, kept]) {
    const placements = spots && placeAt(piles, spots);
    if (!placements) continue;
    const tidied = { ...answer, placements };
    if (
      findFitFaults(request, tidied).length <= faultsBefore &&
      inTheWay(request, placements) <= before + 1e-6
    )
      return tidied;
  }
  return answer;
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

/** Grams of other groups that stand before or on each container, summed over all: what `easy` counts. */
function inTheWay(request: FitRequest, placements: readonly Placement[]): number {
  const items = placements.flatMap((at) => {
    const what = request.containers.find(({ id }) => id === at.containerId);
    return what ? [{ at, what, ...sidesOf(at, what), massG: 0 }] : [];
  });
  for (const group of request.groups) {
    const own = items.filter(({ at }) => at.groupId === group.id);
    const offered = own.reduce((sum, { what }) => sum + what.innerLitres, 0);
    const content = group.massG ?? 300 * group.litres;
    for (const item of own)
      item.massG =
        (item.what.tareG ?? 0) +
        (content * item.what.innerLitres) / Math.max(group.litres, offered, 1e-12);
  }
  return items.reduce(
    (sum, item) =>
      sum +
      items.reduce((grams, other) => {
        if (other === item || other.at.groupId === item.at.groupId) return grams;
        const isBefore =
          other.at.y < item.at.y - SAME_MM &&
          meets(other.at.x, other.width, item.at.x, item.width, 0) &&
          meets(other.at.z, other.height, item.at.z, item.height, 0);
        const isOver = isOnOne(item.at, other.at) && other.at.z > item.at.z;
        return isBefore || isOver ? grams + other.massG : grams;
      }, 0),
    0,
  );
}
const sidesOf = ({ turned }: Placement, { outer }: FitContainer) => ({
  width: turned ? outer.depth : outer.width,
  depth: turned ? outer.width : outer.depth,
  height: outer.height,
});
