import type { FloorRow } from './floorRows';
import type { FitContainer, FitGroup } from './model';
import { maxStackOf, type Chosen } from './selectContainers';
import { findBayFault, groupMassG, suits, type FitQuestion } from './suitability';

/** One way to hold a group. */
export interface Cover {
  readonly parts: readonly Chosen[];
  /** Of the aim, the lesser aims counted beside it. */
  readonly worth: number;
  /** Of each row's limit, at the highest stacking: of the floor, and of what there is of a container. */
  readonly shares: Float64Array;
  /** The same cover of another group of one kind, by which all of them are known. */
  readonly twin?: Cover;
}

/**
 * How much a container counts where each counts for itself; undefined for aims that look at all of
 * them together.
 */
export function worthOf({
  prefer,
}: FitQuestion): ((container: FitContainer) => number) | undefined {
  if (prefer === 'cost') return ({ priceMinor }) => priceMinor;
  // Pieces first; no selection's money comes near what one piece counts.
  if (prefer === 'reuse') return ({ priceMinor }) => (priceMinor > 0 ? PIECE + priceMinor : 0);
  return undefined;
}
/** What one bought piece counts beside money. */
export const PIECE = 1e9;

/** Steps of the search through one group's covers before less is listed, and covers. */
const MOST_STEPS = 30_000;
const MOST_COVERS = 2500;
/** Then so much of the way from the least is listed; so often at most. */
const CUT = 0.5;
const MOST_CUTS = 6;
/** Of free ones there is no end. */
const MOST_PIECES = 60;
const EPS = 1e-9;

/** Lists the covers of the groups of one bay. */
export class CoverList {
  /** Rows of the floor, then one for each container of which there are so many. */
  readonly rowCount: number;
  private readonly containers: readonly FitContainer[];
  private readonly shares: ReadonlyMap<FitContainer, Float64Array>;

  /** Steps taken so far. */
  taken = 0;

  /** With more `effort` so many times the covers are listed. */
  constructor(
    private readonly request: FitQuestion,
    floorRows: readonly FloorRow[],
    readonly worth: (container: FitContainer) => number,
    private readonly hasTime: () => boolean,
    private readonly effort = 1,
  ) {
    this.containers = request.containers.filter(
      (container) => container.innerLitres > 0 && findBayFault(request, container) === undefined,
    );
    const limited = this.containers.filter(({ available }) => available !== undefined);
    this.rowCount = floorRows.length + limited.length;
    const rowsOf = (container: FitContainer): number[] => [
      ...floorRows.map((row) => {
        if (row.most > EPS) return row.of(container) / row.most / maxStackOf(request, container);
        return row.of(container) > 0 ? 2 : 0;
      }),
      ...limited.map((other) =>
        other === container ? 1 / Math.max(EPS, container.available ?? 1) : 0,
      ),
    ];
    this.shares = new Map(
      this.containers.map((container) => [container, Float64Array.from(rowsOf(container))]),
    );
  }

  /** Of each row's limit that one takes, at the highest stacking. */
  sharesOf(container: FitContainer): Float64Array {
    return this.shares.get(container) ?? new Float64Array(this.rowCount);
  }

  /**
   * Every cover of a group that weighs at most `limit` (its worth where no other weight is given)
   * and, alone, goes in. Where those are too many to list, the limit is
   * lowered towards `least`; undefined where even that does not help, or the time is up. More
   * containers than the litres ask for are listed too where they could make each lighter.
   */
  of(
    group: FitGroup,
    { least, limit }: { readonly least: number; readonly limit: number },
    weight: (container: FitContainer) => number = this.worth,
  ): { readonly covers: readonly Cover[]; readonly limit: number } | undefined {
    const { request } = this;
    const suited = this.containers
      .filter((container) => suits(request, container, group))
      .map((container) => ({ container, weight: weight(container) }))
      .sort((a, b) => a.weight - b.weight);
    const massG = groupMassG(group);
    // Content that is spread thinner weighs less in each: it may stand before others, and bend no bottom.
    const mayHoldMore =
      !(request.bay.pullOut ?? false) ||
      suited.some(({ container }) => container.maxLoadG !== undefined);
    const leastFor = leastWeights(group.litres, suited);
    const counts: { container: FitContainer; count: number }[] = [];
    const used = new Float64Array(this.rowCount);
    let found: { readonly cover: Cover; readonly weighed: number }[] = [];
    let to = limit;
    let steps = 0;
    const [mostSteps, mostCovers] = [MOST_STEPS * this.effort, MOST_COVERS * this.effort];
    let cuts = 0;
    const isBorne = (offered: number): boolean =>
      counts.every(
        ({ container }) =>
          (massG * container.innerLitres) / Math.max(group.litres, offered) <=
          (container.maxLoadG ?? Infinity) + EPS,
      );
    const isNeeded = (offered: number): boolean =>
      counts.every(({ container }) => offered - container.innerLitres < group.litres - EPS);
    /** Lists less; whether that is worth going on. */
    const cut = (): boolean => {
      cuts += 1;
      this.taken += steps;
      steps = 0;
      const weights = found.map(({ weighed }) => weighed).sort((a, b) => a - b);
      to = Math.min(
        least + (to - least) * CUT,
        weights.length > mostCovers * CUT
          ? (weights[Math.floor(mostCovers * CUT)] ?? to) - 2 * EPS
          : to,
      );
      found = found.filter(({ weighed }) => weighed <= to + EPS);
      return cuts <= MOST_CUTS;
    };
    const visit = (from: number, offered: number, weighed: number, pieces: number): boolean => {
      if (!this.hasTime() || (pieces > MOST_PIECES && !cut())) return false;
      for (let i = from; i < suited.length; i += 1) {
        const each = suited[i];
        if (!each) break;
        const { container } = each;
        const next = weighed + each.weight;
        steps += 1;
        if ((steps > mostSteps || found.length > mostCovers) && !cut()) return false;
        if (next > to + EPS) break;
        const last = counts[counts.length - 1];
        const isSame = last?.container === container;
        if (isSame && last.count >= (container.available ?? Infinity)) continue;
        if (!isSame && (container.available ?? 1) < 1) continue;
        const litres = offered + container.innerLitres;
        const isHeld = litres >= group.litres - EPS;
        if (!isHeld && next + leastFor(i, group.litres - litres) > to + EPS) continue;
        if (isSame) last.count += 1;
        else counts.push({ container, count: 1 });
        const isWithin = this.add(used, container, 1);
        if (isWithin && isHeld && (mayHoldMore || isNeeded(litres)) && isBorne(litres))
          found.push({ cover: this.toCover(group, counts), weighed: next });
        if (isWithin && (!isHeld || mayHoldMore) && !visit(i, litres, next, pieces + 1))
          return false;
        this.add(used, container, -1);
        const top = counts[counts.length - 1];
        if (top && top.count > 1) top.count -= 1;
        else counts.pop();
      }
      return true;
    };
    const isListed = visit(0, 0, 0, 0);
    this.taken += steps;
    return isListed ? { covers: found.map(({ cover }) => cover), limit: to } : undefined;
  }

  /** Counts so many of a container in, or out, of what is used of the rows; whether they are kept. */
  private add(used: Float64Array, container: FitContainer, count: number): boolean {
    const shares = this.sharesOf(container);
    let isWithin = true;
    for (let r = 0; r < used.length; r += 1) {
      const sum = used[r]! + count * shares[r]!;
      used[r] = sum;
      if (sum > 1 + EPS) isWithin = false;
    }
    return isWithin;
  }

  private toCover(
    group: FitGroup,
    counts: readonly { readonly container: FitContainer; readonly count: number }[],
  ): Cover {
    const parts = counts.map(({ container, count }) => ({ group, container, count }));
    const shares = new Float64Array(this.rowCount);
    for (const { container, count } of parts) this.add(shares, container, count);
    const worth = parts.reduce(
      (sum, { container, count }) => sum + this.worth(container) * count,
      0,
    );
    return { parts, worth, shares };
  }
}

/**
 * At the least, what so many litres weigh that are held by containers from the i-th on: a knapsack
 * in which each holds a little more than it does.
 */
export function leastWeights(
  litres: number,
  suited: readonly { readonly container: FitContainer; readonly weight: number }[],
): (from: number, litres: number) => number {
  const step = litres / LITRE_STEPS;
  const tables: Float64Array[] = [];
  let last = new Float64Array(LITRE_STEPS + 1).fill(Infinity);
  last[0] = 0;
  for (const {
    container: { innerLitres, available },
    weight,
  } of [...suited].reverse()) {
    const gain = Math.ceil(innerLitres / step - EPS);
    const next = Float64Array.from(last);
    const most = available !== undefined && available <= MOST_LIMITED ? available : Infinity;
    for (let need = 1; need <= LITRE_STEPS; need += 1) {
      let least = next[need] ?? Infinity;
      if (most === Infinity)
        least = Math.min(least, weight + (next[Math.max(0, need - gain)] ?? Infinity));
      else
        for (let count = 1; count <= most; count += 1)
          least = Math.min(
            least,
            count * weight + (last[Math.max(0, need - count * gain)] ?? Infinity),
          );
      next[need] = least;
    }
    tables.push(next);
    last = next;
  }
  return (from, left) =>
    tables[suited.length - 1 - from]?.[Math.max(0, Math.floor(left / step + EPS))] ?? Infinity;
}
const LITRE_STEPS = 300;
/** More of one than this counts as any number. */
const MOST_LIMITED = 12;
