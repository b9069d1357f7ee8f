import type { FloorRow } from './floorRows';
import type { FitContainer, FitGroup } from './model';
import { maxStackOf, type Chosen } from './selectContainers';
import { findBayFault, groupMassG, suits, type FitQuestion } from './suitability';

/** One way to hold a group. */
export interface Cover {
  readonly parts: readonly Chosen[];
  /** Of the aim, the lesser aims counted beside it. */
  readonly worth: number;
  /** Of each row's limit, at the highest stacking. */
  readonly shares: Float64Array;
}

/** How much a container counts where each counts for itself; undefined for aims that look at all of them together. */
export function worthOf({ prefer }: FitQuestion): ((container: FitContainer) => number) | undefined {
  if (prefer === 'cost') return ({ priceMinor }) => priceMinor;
  // Pieces first; no selection's money comes near what one piece counts.
  if (prefer === 'reuse') return ({ priceMinor }) => (priceMinor > 0 ? PIECE + priceMinor : 0);
  return undefined;
}
/** What one bought piece counts beside money. */
export const PIECE = 1e9;

/** Steps of the search through one group's covers. */
const MOST_STEPS = 12_000;
const MOST_COVERS = 1500;
/** Of free ones there is no end. */
const MOST_PIECES = 60;
const EPS = 1e-9;

/** Lists the covers of the groups of one bay. */
export class CoverList {
  private readonly containers: readonly FitContainer[];
  private readonly shares: ReadonlyMap<FitContainer, Float64Array>;

  constructor(private readonly request: FitQuestion, floorRows: readonly FloorRow[], private readonly worth: (container: FitContainer) => number, private readonly hasTime: () => boolean) {
    this.containers = request.containers.filter((container) => container.innerLitres > 0 && findBayFault(request, container) === undefined);
    this.shares = new Map(this.containers.map((container) => [container, Float64Array.from(floorRows, (row) => (row.most > EPS ? row.of(container) / row.most / maxStackOf(request, container) : row.of(container) > 0 ? 2 : 0))]));
  }

  /**
   * Every cover of a group that counts at most `limit` and, alone, goes in; undefined where there are too many to list, or the time is up. More containers than
   * the litres ask for are listed too where they could make each lighter.
   */
  of(group: FitGroup, limit: number): readonly Cover[] | undefined {
    const { request } = this;
    const suited = this.containers.filter((container) => suits(request, container, group)).sort((a, b) => this.worth(a) - this.worth(b));
    const massG = groupMassG(group);
    // Content that is spread thinner weighs less in each: it may stand before others, and bend no bottom.
    const mayHoldMore = !(request.bay.pullOut ?? false) || suited.some(({ maxLoadG }) => maxLoadG !== undefined);
    const leastRate = Math.min(...suited.map((container) => this.worth(container) / container.innerLitres));
    const found: Cover[] = [];
    const counts: { container: FitContainer; count: number }[] = [];
    let steps = 0;
    const isBorne = (offered: number): boolean => counts.every(({ container }) => (massG * container.innerLitres) / Math.max(group.litres, offered) <= (container.maxLoadG ?? Infinity) + EPS);
    const isNeeded = (offered: number): boolean => counts.every(({ container }) => offered - container.innerLitres < group.litres - EPS);
    const visit = (from: number, offered: number, worth: number, pieces: number): boolean => {
      if (pieces > MOST_PIECES || !this.hasTime()) return false;
      for (let i = from; i < suited.length; i += 1) {
        const container = suited[i];
        if (!container) break;
        const next = worth + this.worth(container);
        if (next > limit + EPS) break;
        steps += 1;
        if (steps > MOST_STEPS || found.length > MOST_COVERS) return false;
        const last = counts[counts.length - 1];
        const isSame = last?.container === container;
        if (isSame && last.count >= (container.available ?? Infinity)) continue;
        if (!isSame && (container.available ?? 1) < 1) continue;
        if (isSame) last.count += 1;
        else counts.push({ container, count: 1 });
        const litres = offered + container.innerLitres;
        const isHeld = litres >= group.litres - EPS;
        if (isHeld && (mayHoldMore || isNeeded(litres)) && isBorne(litres)) {
          const cover = this.toCover(group, counts, next);
          if (cover.shares.every((share) => share <= 1 + EPS)) found.push(cover);
        }
        const goesOn = isHeld ? mayHoldMore : next + (group.litres - litres) * leastRate <= limit + EPS;
        if (goesOn && !visit(i, litres, next, pieces + 1)) return false;
        const top = counts[counts.length - 1];
        if (top && top.count > 1) top.count -= 1;
        else counts.pop();
      }
      return true;
    };
    return visit(0, 0, 0, 0) ? found : undefined;
  }

  private toCover(group: FitGroup, counts: readonly { readonly container: FitContainer; readonly count: number }[], worth: number): Cover {
    const parts = counts.map(({ container, count }) => ({ group, container, count }));
    const shares = new Float64Array(this.shares.get(parts[0]?.container ?? this.containers[0] as FitContainer)?.length ?? 0);
    for (const { container, count } of parts) this.shares.get(container)?.forEach((share, r) => { shares[r] = (shares[r] ?? 0) + count * share; });
    return { parts, worth, shares };
  }
}
