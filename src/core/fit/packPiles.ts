import type { Random } from '../shared';
import type { FitContainer, FitGroup, FitRequest, Placement } from './model';
import type { Chosen } from './selectContainers';
import { maxStackOf } from './selectContainers';
import { clearOf, groupMassG } from './suitability';

/** One container with its content. */
interface Filled {
  readonly container: FitContainer;
  readonly group: FitGroup;
  /** Tare and content. */
  readonly massG: number;
}

/** Same containers on one spot, bottom first. */
interface Pile {
  readonly container: FitContainer;
  readonly levels: readonly Filled[];
}

/** A pile that stands. */
interface Standing extends Pile {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly depth: number;
  readonly height: number;
  readonly turned: boolean;
}

/** What of another group may stand in the way without being lifted out first. */
const MAX_BLOCKING_G = 4000;
const TOLERANCE_MM = 1e-6;

/** Grams of other groups in the way of each container, where no hard rule is broken. */
export interface Packing {
  readonly placements: readonly Placement[];
  readonly blockingG: number;
}

/** How one try goes about it. */
export interface PackStyle {
  /** Highest stack to make; 1 keeps everything on the floor. */
  readonly stackLimit: number;
  /**
   * `rows` fills the front from left to right, then the row behind. `columns` fills from front to
   * back, group by group, so that a group stands in front of itself and nothing else is in its way.
   */
  readonly fill: 'rows' | 'columns';
  readonly random: Random | undefined;
}

/**
 * Stacks the chosen containers and stands the stacks on the floor, each at the first corner, by
 * rows or by columns, where no rule is broken. Returns undefined where a stack finds no place.
 *
 *   y ▲  ┌────┬──┐        corners tried: the clear's own, and beside or behind
 *     │  │ B  │  │ ← back what already stands and what is in the way
 *     │  ├──┬─┘  │
 *     │  │A │    │ ← front, y = clearance
 *     └──┴──┴────┴─▶ x
 */
export function packPiles(request: FitRequest, chosen: readonly Chosen[], style: PackStyle): Packing | undefined {
  const piles = orderPiles(buildPiles(request, chosen, style), style);
  const standing: Standing[] = [];
  for (const pile of piles) {
    const place = findPlace(request, pile, { standing, fill: style.fill });
    if (!place) return undefined;
    standing.push(place);
  }
  return { placements: standing.flatMap(toPlacements), blockingG: blockingOf(request, standing)?.totalG ?? 0 };
}

/** Mass of each chosen container: content spread over its group's containers by litres. */
function fillContainers(chosen: readonly Chosen[]): Filled[] {
  return chosen.flatMap(({ container, group, count }) => {
    const offered = chosen
      .filter((other) => other.group.id === group.id)
      .reduce((sum, other) => sum + other.count * other.container.innerLitres, 0);
    const contentG = (groupMassG(group) * container.innerLitres) / Math.max(group.litres, offered);
    const filled = { container, group, massG: (container.tareG ?? 0) + contentG };
    return Array.from({ length: count }, () => filled);
  });
}

/** Stacks containers of one id, one group upon itself first, the heaviest at the bottom. */
function buildPiles(request: FitRequest, chosen: readonly Chosen[], style: PackStyle): Pile[] {
  const piles: Pile[] = [];
  const byMass = [...fillContainers(chosen)].sort((a, b) => b.massG - a.massG || compare(a.group.id, b.group.id));
  for (const container of new Set(byMass.map((filled) => filled.container))) {
    const limit = Math.min(style.stackLimit, maxStackOf(request, container));
    const open: Filled[][] = [];
    for (const filled of byMass.filter((other) => other.container === container)) {
      const candidates = open.filter((levels) => levels.length < limit && canStack(request, levels, filled));
      const same = candidates.find((levels) => levels.every((level) => level.group.id === filled.group.id));
      const target = same ?? candidates[0];
      if (target) target.push(filled);
      else open.push([filled]);
    }
    piles.push(...open.map((levels) => ({ container, levels })));
  }
  return piles;
}

const compare = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);

/** Whether one more on top keeps every load and every way out. */
function canStack(request: FitRequest, levels: readonly Filled[], top: Filled): boolean {
  const all = [...levels, top];
  return all.every((level, i) => {
    const above = all.slice(i + 1);
    const aboveG = above.reduce((sum, other) => sum + other.massG, 0);
    if (aboveG > (level.container.maxLoadG ?? Infinity)) return false;
    const otherG = above.filter((other) => other.group.id !== level.group.id).reduce((sum, other) => sum + other.massG, 0);
    if (level.group.front && otherG > 0) return false;
    return (request.bay.pullOut ?? false) || otherG <= MAX_BLOCKING_G;
  });
}

/** What must be at the front first, then the largest; shaken where chance is given. */
function orderPiles(piles: readonly Pile[], { random, fill }: PackStyle): Pile[] {
  const sizeOf = (pile: Pile) => pile.container.outer.width * pile.container.outer.depth;
  const groupRanks = new Map<string, number>();
  const groupRank = (pile: Pile): number => {
    const id = pile.levels[0]?.group.id ?? '';
    if (!groupRanks.has(id)) groupRanks.set(id, random ? random() : 1 / (1 + groupRanks.size));
    return groupRanks.get(id) ?? 0;
  };
  return piles
    .map((pile) => ({
      pile,
      group: fill === 'columns' ? groupRank(pile) : 0,
      rank: (pile.levels.some((level) => level.group.front) ? 2 : 1) * sizeOf(pile) * (random ? 0.4 + random() * 1.2 : 1),
    }))
    .sort((a, b) => b.group - a.group || b.rank - a.rank)
    .map(({ pile }) => pile);
}

function findPlace(
  request: FitRequest,
  pile: Pile,
  { standing, fill }: { readonly standing: readonly Standing[]; readonly fill: PackStyle['fill'] },
): Standing | undefined {
  const { width, depth, height } = pile.container.outer;
  const canTurn = (pile.container.turnable ?? true) && pile.container.shape !== 'round' && width !== depth;
  let best: { place: Standing; score: number } | undefined;
  for (const turned of canTurn ? [false, true] : [false]) {
    const size = { width: turned ? depth : width, depth: turned ? width : depth, height: height * pile.levels.length };
    for (const { x, y } of cornersFor(request, standing, size)) {
      const place: Standing = { ...pile, ...size, x, y, turned };
      // In a column the right edge counts, so that a turn that keeps it narrow is taken.
      const score = fill === 'rows' ? y * 1e5 + x : (x + size.width) * 1e5 + y;
      if (best && score >= best.score) continue;
      if (!standsFree(request, place, standing)) continue;
      if (!blockingOf(request, [...standing, place])) continue;
      best = { place, score };
    }
  }
  return best?.place;
}

/** Corners worth trying: against the clear's edges, and a gap away from everything that stands. */
function cornersFor(
  request: FitRequest,
  standing: readonly Standing[],
  size: { readonly width: number; readonly depth: number },
): { x: number; y: number }[] {
  const clear = clearOf(request);
  const gap = request.clearances.between;
  const inTheWay = [...standing, ...(request.bay.obstacles ?? [])];
  const xs = [clear.x0, clear.x1 - size.width, ...inTheWay.flatMap((box) => [box.x + box.width + gap, box.x - gap - size.width])];
  const ys = [clear.y0, clear.y1 - size.depth, ...inTheWay.flatMap((box) => [box.y + box.depth + gap, box.y - gap - size.depth])];
  const fitX = [...new Set(xs)].filter((x) => x >= clear.x0 - TOLERANCE_MM && x + size.width <= clear.x1 + TOLERANCE_MM);
  const fitY = [...new Set(ys)].filter((y) => y >= clear.y0 - TOLERANCE_MM && y + size.depth <= clear.y1 + TOLERANCE_MM);
  return fitY.flatMap((y) => fitX.map((x) => ({ x: Math.max(x, clear.x0), y: Math.max(y, clear.y0) })));
}

/** Inside the clear, and its gap away from every other stack and every obstacle. */
function standsFree(request: FitRequest, place: Standing, standing: readonly Standing[]): boolean {
  const gap = request.clearances.between - TOLERANCE_MM;
  if (place.height > clearOf(request).z1 + TOLERANCE_MM) return false;
  const meetsObstacle = (request.bay.obstacles ?? []).some(
    (box) => box.z < place.height + gap && gapInPlan(place, { ...box, isRound: false }) < gap,
  );
  return !meetsObstacle && standing.every((other) => gapInPlan(place, toPlan(other)) >= gap);
}

interface PlanShape {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly depth: number;
  readonly isRound: boolean;
}
const toPlan = (pile: Standing): PlanShape => ({ ...pile, isRound: pile.container.shape === 'round' });

/** Clear distance in plan: along an axis between boxes, straight where a circle takes part. */
function gapInPlan(pile: Standing, other: PlanShape): number {
  const a = toPlan(pile);
  if (a.isRound && other.isRound) {
    const dx = a.x + a.width / 2 - other.x - other.width / 2;
    const dy = a.y + a.width / 2 - other.y - other.width / 2;
    return Math.hypot(dx, dy) - a.width / 2 - other.width / 2;
  }
  if (a.isRound || other.isRound) {
    const [circle, box] = a.isRound ? [a, other] : [other, a];
    const cx = circle.x + circle.width / 2;
    const cy = circle.y + circle.width / 2;
    const dx = Math.max(box.x - cx, 0, cx - box.x - box.width);
    const dy = Math.max(box.y - cy, 0, cy - box.y - box.depth);
    return Math.hypot(dx, dy) - circle.width / 2;
  }
  return Math.max(a.x - other.x - other.width, other.x - a.x - a.width, a.y - other.y - other.depth, other.y - a.y - a.depth);
}

/** Grams in the way over all containers; undefined where a blocking rule is broken. */
function blockingOf(request: FitRequest, standing: readonly Standing[]): { readonly totalG: number } | undefined {
  let totalG = 0;
  for (const pile of standing) {
    for (const [i, level] of pile.levels.entries()) {
      const above = pile.levels.slice(i + 1);
      const before = standing.flatMap((other) => levelsInFront(other, pile, i));
      const blockingG = [...above, ...before]
        .filter((other) => other.group.id !== level.group.id)
        .reduce((sum, other) => sum + other.massG, 0);
      if (level.group.front && blockingG > 0) return undefined;
      if (!request.bay.pullOut && blockingG > MAX_BLOCKING_G) return undefined;
      totalG += blockingG;
    }
  }
  return { totalG };
}

/** Levels of `other` that stand before level `i` of `pile`: smaller y, overlapping in x and z. */
function levelsInFront(other: Standing, pile: Standing, i: number): readonly Filled[] {
  const isBefore = other.y < pile.y - TOLERANCE_MM;
  const overlapsX = other.x < pile.x + pile.width - TOLERANCE_MM && pile.x < other.x + other.width - TOLERANCE_MM;
  if (other === pile || !isBefore || !overlapsX) return [];
  const levelMm = pile.container.outer.height;
  const otherMm = other.container.outer.height;
  return other.levels.filter(
    (_, j) => j * otherMm < (i + 1) * levelMm - TOLERANCE_MM && i * levelMm < (j + 1) * otherMm - TOLERANCE_MM,
  );
}

const toPlacements = (pile: Standing): Placement[] =>
  pile.levels.map((level, i) => ({
    containerId: pile.container.id,
    groupId: level.group.id,
    x: round(pile.x),
    y: round(pile.y),
    z: i * pile.container.outer.height,
    turned: pile.turned,
  }));

/** Keeps sums of tenths readable: 0.1 + 0.2 is 0.3 mm here. */
const round = (value: number): number => Math.round(value * 1e6) / 1e6;
