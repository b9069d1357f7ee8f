import type { FitContainer, Placement } from './model';
import { MAX_BLOCKING_G, type Filled, type Pile } from './piles';
import { clearOf, isOneGroup, type Clear, type FitQuestion, type Zone } from './suitability';

const TOLERANCE_MM = 1e-6;

/** A pile that stands. */
interface Standing {
  readonly pile: Pile;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly depth: number;
  readonly turned: boolean;
  /** Grams of other groups in the way, a level; never changed, since copies of the floor share it. */
  readonly blockedG: readonly number[];
}

interface Rect {
  readonly x0: number;
  readonly x1: number;
  readonly y0: number;
  readonly y1: number;
}

/** Which of the places that a pile could take it takes: the one with the least of this. */
export type PlaceRule = 'front' | 'left' | 'snug';

/** What is free for piles that are higher than this. */
interface Layer {
  readonly fromMm: number;
  free: Rect[];
  /**
   * Of the free rectangles those that no other one is at least as wide and as deep as; worked out
   * when it is asked for.
   */
  sizes?: readonly (readonly [wide: number, deep: number])[] | undefined;
}

/** The empty floors of requests, by the least width that matters; a floor begins as a copy. */
const emptyFloors = new WeakMap<FitQuestion, Map<number, Floor>>();

/** In which corner of a free rectangle a pile stands. */
export interface Corner {
  readonly isRight: boolean;
  readonly isBack: boolean;
}
const FRONT_LEFT: Corner = { isRight: false, isBack: false };

/** A pile and its place. */
export interface Spot {
  readonly pile: Pile;
  readonly place: Place;
}

/** A free place, and how much is left beside or behind it at least. */
export interface SnugPlace {
  readonly place: Place;
  readonly spareMm: number;
}

/** Where everything stands, and the grams of other groups in the way of each container. */
export interface Packing {
  readonly spots: readonly Spot[];
  readonly blockingG: number;
  /** What is moved to take out all that is used daily, once each; counted where that is the aim. */
  readonly movements?: number;
}

export interface Place {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly depth: number;
  readonly turned: boolean;
}

/**
 * The floor of a bay while piles are stood on it. It knows the largest free rectangles, and tries
 * each pile in their front left corners.
 *
 *   y ▲  ┌──────┬────┐   Every rectangle and pile is one gap longer to the right and to the back,
 *     │  │  B   │free│   so that piles that touch here stand a gap apart.
 *     │  ├───┬──┴────┤
 *     │  │ A │ free  │   Free rectangles overlap: here the right one reaches to the back.
 *     └──┴───┴───────┴─▶ x
 *
 * Obstacles that hang above a low pile do not count for it, so free rectangles are kept for each
 * height from which obstacles count. A round container is taken as its square.
 * Source for the rectangles: maximal rectangles, Jylänki, "A thousand ways to pack the bin", 2010.
 */
export class Floor {
  private standing: Standing[] = [];
  private readonly layers: Layer[];
  private readonly clear: Clear;
  private readonly gap: number;
  private readonly isPullOut: boolean;
  /** Whether something stands that nothing may stand before. */
  private hasFront = false;

  /** Free rectangles narrower than `leastMm`, where nothing goes in, are forgotten. */
  constructor(
    private readonly request: FitQuestion,
    private readonly leastMm = 0,
    from = emptyFloors.get(request)?.get(leastMm),
  ) {
    if (from) {
      this.clear = from.clear;
      this.gap = from.gap;
      this.isPullOut = from.isPullOut;
      this.hasFront = from.hasFront;
      this.standing = from.standing.slice();
      this.layers = from.layers.map(({ fromMm, free, sizes }) => ({ fromMm, free, sizes }));
      return;
    }
    this.clear = clearOf(request);
    this.gap = request.clearances.between;
    this.isPullOut = request.bay.pullOut ?? false;
    this.layers = this.cutLayers();
    const ofRequest = emptyFloors.get(request) ?? new Map<number, Floor>();
    emptyFloors.set(request, ofRequest.set(leastMm, this.copy()));
  }

  /** What is free on the empty floor. */
  private cutLayers(): Layer[] {
    const { request } = this;
    const { x0, x1, y0, y1 } = this.clear;
    const obstacles = request.bay.obstacles ?? [];
    const whole: Rect = { x0, x1: x1 + this.gap, y0, y1: y1 + this.gap };
    // A pile of this height or more comes within the gap of the obstacle.
    const heights = [
      ...new Set([0, ...obstacles.map((box) => Math.max(0, box.z - this.gap))]),
    ].sort((a, b) => b - a);
    return heights.map((fromMm) => ({
      fromMm,
      free: obstacles
        .filter((box) => box.z - this.gap <= fromMm + TOLERANCE_MM)
        .reduce(
          (free, box) =>
            cutOut(
              free,
              {
                x0: box.x,
                x1: box.x + box.width + this.gap,
                y0: box.y,
                y1: box.y + box.depth + this.gap,
              },
              this.leastMm + this.gap - TOLERANCE_MM,
            ),
          x1 > x0 && y1 > y0 ? [whole] : [],
        ),
    }));
  }

  /** What stands now. */
  get packing(): Packing {
    const blockingG = this.standing.reduce(
      (sum, { blockedG }) => blockedG.reduce((a, b) => a + b, sum),
      0,
    );
    // The trifles that mark weightless things in the way add up to no gram.
    return {
      spots: this.spots,
      blockingG: blockingG < 1e-6 ? 0 : round(blockingG),
      ...(this.request.prefer === 'daily' ? { movements: this.countMovements() } : {}),
    };
  }

  /** For each container of daily things: what stands on it, what stands before it, and its lid. */
  private countMovements(): number {
    let sum = 0;
    for (const behind of this.standing) {
      const { container, levels } = behind.pile;
      const { height } = container.outer;
      const isOnFree = this.zoneAt(behind.x)?.isFree === true;
      levels.forEach(({ group }, i) => {
        if (!group.front) return;
        sum += levels.length - 1 - i + (container.lid ? 1 : 0);
        if (isOnFree) return;
        for (const before of this.standing) {
          if (before.y >= behind.y - TOLERANCE_MM || !overlapsX(before, behind)) continue;
          const high = before.pile.container.outer.height;
          sum += before.pile.levels.filter(
            (_, j) =>
              j * high < (i + 1) * height - TOLERANCE_MM &&
              i * height < (j + 1) * high - TOLERANCE_MM,
          ).length;
        }
      });
    }
    return sum;
  }

  private zoneAt(x: number): Zone | undefined {
    return this.request.zones?.find(
      (zone) => x >= zone.x0 - TOLERANCE_MM && x <= zone.x1 + TOLERANCE_MM,
    );
  }

  /** As it stands now; what is stood on the copy does not stand here. */
  copy(): Floor {
    return new Floor(this.request, this.leastMm, this);
  }

  /** Takes over what stands on a copy. */
  become(other: Floor): void {
    this.standing = other.standing.slice();
    this.hasFront = other.hasFront;
    for (const [i, layer] of this.layers.entries()) {
      layer.free = other.layers[i]!.free;
      layer.sizes = other.layers[i]!.sizes;
    }
  }

  get spots(): readonly Spot[] {
    return this.standing.map(({ pile, x, y, width, depth, turned }) => ({
      pile,
      place: { x, y, width, depth, turned },
    }));
  }

  /** Containers of which a pile could be higher. */
  lowerThan(highOf: (container: FitContainer) => number): ReadonlySet<FitContainer> {
    const lower = new Set<FitContainer>();
    for (const {
      pile: { container, levels },
    } of this.standing)
      if (levels.length < highOf(container)) lower.add(container);
    return lower;
  }

  /** Whether one of these goes in somewhere, never mind what it would block. */
  hasRoomFor({ outer: { width, depth, height }, turnable, shape }: FitContainer): boolean {
    if (height > this.clear.z1 + TOLERANCE_MM) return false;
    const canTurn = (turnable ?? true) && shape !== 'round';
    const layer = this.layerAt(height);
    if (!layer) return false;
    layer.sizes ??= sizesOf(layer.free, this.gap - TOLERANCE_MM);
    return layer.sizes.some(
      ([wide, deep]) =>
        (width <= wide && depth <= deep) || (canTurn && depth <= wide && width <= deep),
    );
  }

  /**
   * Where one of these goes in with the least to spare beside it, never mind what it would block; undefined where it
   * goes in nowhere. `spareMm` is the lesser of what is left beside and behind it.
   */
  snugFor({ outer, turnable, shape }: FitContainer): SnugPlace | undefined {
    const { width, depth, height } = outer;
    if (height > this.clear.z1 + TOLERANCE_MM) return undefined;
    const turns = (turnable ?? true) && shape !== 'round' && width !== depth ? 2 : 1;
    let best: SnugPlace | undefined;
    for (const { x0, x1, y0, y1 } of this.freeAt(height)) {
      for (let turn = 0; turn < turns; turn += 1) {
        const w = turn === 0 ? width : depth;
        const d = turn === 0 ? depth : width;
        const spareX = x1 - x0 - w - this.gap;
        const spareY = y1 - y0 - d - this.gap;
        const spareMm = Math.min(spareX, spareY);
        if (spareMm < -TOLERANCE_MM || (best && spareMm >= best.spareMm)) continue;
        best = { spareMm, place: { x: x0, y: y0, width: w, depth: d, turned: turn === 1 } };
      }
    }
    return best;
  }

  private layerAt(heightMm: number): Layer | undefined {
    return (
      this.layers.find(({ fromMm }) => heightMm > fromMm + TOLERANCE_MM) ??
      this.layers[this.layers.length - 1]
    );
  }

  private freeAt(heightMm: number): readonly Rect[] {
    return this.layerAt(heightMm)?.free ?? [];
  }

  private freeWithin(heightMm: number, zone: Zone | undefined): readonly Rect[] {
    const free = this.freeAt(heightMm);
    return zone ? free.filter(({ x0 }) => x0 >= zone.x0 - TOLERANCE_MM && x0 <= zone.x1) : free;
  }

  /** Stands the pile at the best free corner by `rule` where no rule is broken; false where none is left. */
  stand(pile: Pile, rule: PlaceRule, corner: Corner = FRONT_LEFT, within?: Zone): boolean {
    const { width, depth, height } = pile.container.outer;
    const heightMm = height * pile.levels.length;
    if (heightMm > this.clear.z1 + TOLERANCE_MM) return false;
    const canTurn =
      (pile.container.turnable ?? true) && pile.container.shape !== 'round' && width !== depth;
    let best: Place | undefined;
    let bestScore = Infinity;
    for (const rect of this.freeWithin(heightMm, within)) {
      for (let turn = 0; turn < (canTurn ? 2 : 1); turn += 1) {
        const w = turn === 0 ? width : depth;
        const d = turn === 0 ? depth : width;
        const spareX = rect.x1 - rect.x0 - w - this.gap;
        const spareY = rect.y1 - rect.y0 - d - this.gap;
        if (spareX < -TOLERANCE_MM || spareY < -TOLERANCE_MM) continue;
        let score = Math.min(spareX, spareY) * 1e4 + Math.max(spareX, spareY);
        if (rule === 'front') score = rect.y0 * 1e4 + rect.x0;
        else if (rule === 'left') score = (rect.x0 + w) * 1e4 + rect.y0;
        if (score >= bestScore) continue;
        const place = {
          x: rect.x0 + (corner.isRight ? spareX : 0),
          y: rect.y0 + (corner.isBack ? spareY : 0),
          width: w,
          depth: d,
          turned: turn === 1,
        };
        if (!this.keepsWaysOut(pile, place)) continue;
        best = place;
        bestScore = score;
      }
    }
    if (!best) return false;
    this.put(pile, best);
    return true;
  }

  /** Stands the pile exactly there, if no way out is lost; the caller has checked that it is free. */
  standAt(pile: Pile, place: Place): boolean {
    if (!this.keepsWaysOut(pile, place)) return false;
    this.put(pile, place);
    return true;
  }

  /** As `standAt`, where that is free at the pile's height. */
  standIfFree(pile: Pile, place: Place): boolean {
    const heightMm = pile.container.outer.height * pile.levels.length;
    const isFree =
      heightMm <= this.clear.z1 + TOLERANCE_MM &&
      this.freeAt(heightMm).some(
        ({ x0, x1, y0, y1 }) =>
          place.x >= x0 - TOLERANCE_MM &&
          place.y >= y0 - TOLERANCE_MM &&
          place.x + place.width + this.gap <= x1 + TOLERANCE_MM &&
          place.y + place.depth + this.gap <= y1 + TOLERANCE_MM,
      );
    return isFree && this.standAt(pile, place);
  }

  private put(pile: Pile, place: Place): void {
    const blockedG = ownBlockedG(pile.levels);
    const isOnFree = this.zoneAt(place.x)?.isFree === true;
    for (let i = 0; i < (isOnFree ? 0 : this.standing.length); i += 1) {
      const other = this.standing[i]!;
      if (!overlapsX(other, place)) continue;
      if (other.y < place.y - TOLERANCE_MM) addBlocked(blockedG, pile, other.pile);
      else if (place.y < other.y - TOLERANCE_MM) {
        const theirs = other.blockedG.slice();
        addBlocked(theirs, other.pile, pile);
        this.standing[i] = { ...other, blockedG: theirs };
      }
    }
    this.hasFront ||= pile.levels.some(({ group }) => group.front);
    const { x, y, width, depth, turned } = place;
    this.standing.push({ pile, x, y, width, depth, turned, blockedG });
    const taken = {
      x0: place.x,
      x1: place.x + place.width + this.gap,
      y0: place.y,
      y1: place.y + place.depth + this.gap,
    };
    for (const layer of this.layers) {
      layer.free = cutOut(layer.free, taken, this.leastMm + this.gap - TOLERANCE_MM);
      layer.sizes = undefined;
    }
  }

  /** Nothing before a front group, and no more than may be lifted out of the way before any. */
  private keepsWaysOut(pile: Pile, place: Place): boolean {
    const zone = this.zoneAt(place.x);
    if (!this.canBeSeen(pile, place, zone)) return false;
    if (zone && !this.bears(zone, pile)) return false;
    if (zone?.isFree) return true;
    if (this.isPullOut && !this.hasFront && pile.levels.every(({ group }) => !group.front))
      return true;
    const own = ownBlockedG(pile.levels);
    for (let i = 0; i < this.standing.length; i += 1) {
      const other = this.standing[i]!;
      if (!overlapsX(other, place)) continue;
      if (other.y < place.y - TOLERANCE_MM) {
        addBlocked(own, pile, other.pile);
        if (!this.isFree(pile, own)) return false;
      } else if (place.y < other.y - TOLERANCE_MM) {
        const theirs = other.blockedG.slice();
        addBlocked(theirs, other.pile, pile);
        if (!this.isFree(other.pile, theirs)) return false;
      }
    }
    return true;
  }

  /** Whether a level takes the pile, with all that it bears already. */
  private bears(zone: Zone, { container, levels }: Pile): boolean {
    if (!zone.takes(container)) return false;
    if (zone.mostG === Infinity) return true;
    let massG = levels.reduce((sum, level) => sum + level.massG, 0);
    for (const { x, pile } of this.standing)
      if (x >= zone.x0 - TOLERANCE_MM && x <= zone.x1 + TOLERANCE_MM)
        massG = pile.levels.reduce((sum, level) => sum + level.massG, massG);
    return massG <= zone.mostG + TOLERANCE_MM;
  }

  /** Above the eyes only what is see-through; what is used daily not mostly beside the opening. */
  private canBeSeen(pile: Pile, place: Place, zone: Zone | undefined): boolean {
    const { bottom = 0, openingLeft, openingWidth } = this.request.bay;
    const base = bottom + (zone?.baseMm ?? 0);
    const { container, levels } = pile;
    if (
      !container.clear &&
      levels.some(
        ({ group: { eyeMm } }, i) =>
          eyeMm !== undefined && base + i * container.outer.height >= eyeMm,
      )
    )
      return false;
    if (openingLeft === undefined || openingWidth === undefined) return true;
    if (!levels.some(({ group }) => group.front)) return true;
    const x = place.x + (zone?.shiftMm ?? 0);
    const seenMm = Math.min(x + place.width, openingLeft + openingWidth) - Math.max(x, openingLeft);
    return seenMm >= place.width / 2 - TOLERANCE_MM;
  }

  private isFree(pile: Pile, blockedG: readonly number[]): boolean {
    return pile.levels.every((level, i) => {
      const grams = blockedG[i]!;
      // Even what weighs nothing is in the way of a front group; it counts as a trifle in addBlocked.
      return level.group.front
        ? grams === 0
        : this.isPullOut || grams <= MAX_BLOCKING_G + TOLERANCE_MM;
    });
  }
}

/** As the open format tells it. */
export const toPlacements = (spots: readonly Spot[]): Placement[] =>
  spots.flatMap(({ pile, place }) =>
    pile.levels.map((level, i) => ({
      containerId: pile.container.id,
      groupId: level.group.id,
      x: round(place.x),
      y: round(place.y),
      z: round(i * pile.container.outer.height),
      turned: place.turned,
    })),
  );

const overlapsX = (
  a: { readonly x: number; readonly width: number },
  b: { readonly x: number; readonly width: number },
): boolean => a.x < b.x + b.width - TOLERANCE_MM && b.x < a.x + a.width - TOLERANCE_MM;

const TRIFLE_G = 1e-9;
export const otherMassG = (levels: readonly Filled[], level: Filled): number =>
  levels.reduce(
    (sum, other) => (isOneGroup(other.group, level.group) ? sum : sum + other.massG + TRIFLE_G),
    0,
  );

/** Grams of other groups on each level of a pile. */
const ownBlockedG = (levels: readonly Filled[]): number[] =>
  levels.length === 1 ? [0] : levels.map((level, i) => otherMassG(levels.slice(i + 1), level));

/** Adds to each level of `behind` the levels of `before` at its height that belong to other groups. */
export function addBlocked(blockedG: number[], behind: Pile, before: Pile): void {
  const height = behind.container.outer.height;
  const beforeHeight = before.container.outer.height;
  for (let i = 0; i < behind.levels.length; i += 1) {
    const group = behind.levels[i]?.group;
    for (let j = 0; j < before.levels.length; j += 1) {
      if (j * beforeHeight >= (i + 1) * height - TOLERANCE_MM) break;
      const other = before.levels[j];
      if (
        other &&
        group &&
        !isOneGroup(other.group, group) &&
        i * height < (j + 1) * beforeHeight - TOLERANCE_MM
      )
        blockedG[i] = blockedG[i]! + other.massG + TRIFLE_G;
    }
  }
}

/** The largest rectangles that are left free when `taken` is cut out of them. */
function cutOut(free: readonly Rect[], taken: Rect, least: number): Rect[] {
  const kept: Rect[] = [];
  const cut: Rect[] = [];
  for (const rect of free) {
    const isApart =
      taken.x0 >= rect.x1 - TOLERANCE_MM ||
      taken.x1 <= rect.x0 + TOLERANCE_MM ||
      taken.y0 >= rect.y1 - TOLERANCE_MM ||
      taken.y1 <= rect.y0 + TOLERANCE_MM;
    if (isApart) {
      kept.push(rect);
      continue;
    }
    const { x0, x1, y0, y1 } = rect;
    if (taken.x0 - x0 > least) cut.push({ x0, x1: taken.x0, y0, y1 });
    if (x1 - taken.x1 > least) cut.push({ x0: taken.x1, x1, y0, y1 });
    if (taken.y0 - y0 > least) cut.push({ x0, x1, y0, y1: taken.y0 });
    if (y1 - taken.y1 > least) cut.push({ x0, x1, y0: taken.y1, y1 });
  }
  // Only pieces just cut can lie within another.
  for (let i = 0; i < cut.length; i += 1) {
    const rect = cut[i];
    if (
      rect &&
      !isWithin(rect, kept, kept.length) &&
      !cut.some((other, j) => j !== i && contains(other, rect) && (j < i || !contains(rect, other)))
    )
      kept.push(rect);
  }
  return kept;
}

function sizesOf(free: readonly Rect[], gap: number): (readonly [number, number])[] {
  const sizes: (readonly [number, number])[] = [];
  for (const [wide, deep] of free
    .map(({ x0, x1, y0, y1 }) => [x1 - x0 - gap, y1 - y0 - gap] as const)
    .sort((a, b) => b[0] - a[0] || b[1] - a[1])) {
    if (deep > (sizes[sizes.length - 1]?.[1] ?? -Infinity)) sizes.push([wide, deep]);
  }
  return sizes;
}

function isWithin(rect: Rect, others: readonly Rect[], count: number): boolean {
  for (let i = 0; i < count; i += 1) {
    const other = others[i];
    if (other && contains(other, rect)) return true;
  }
  return false;
}

const contains = (outer: Rect, inner: Rect): boolean =>
  outer.x0 <= inner.x0 && outer.x1 >= inner.x1 && outer.y0 <= inner.y0 && outer.y1 >= inner.y1;

/** Keeps sums of tenths readable: 0.1 + 0.2 is 0.3 mm here. */
const round = (value: number): number => Math.round(value * 1e6) / 1e6;
