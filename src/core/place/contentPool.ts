import type { ZonesProblem } from './zonesProblem';

/** What a bay may hold at once. */
export interface Content {
  readonly bay: number;
  readonly groups: readonly number[];
  readonly cost: number;
}

/** Contents that were met, each once. */
export class ContentPool {
  readonly byBay: Content[][];
  private readonly known = new Map<string, Content>();

  constructor(private readonly problem: ZonesProblem) {
    this.byBay = Array.from({ length: problem.bayCount }, () => []);
  }

  meet(bay: number, groups: readonly number[]): Content | undefined {
    if (groups.length === 0) return undefined;
    const sorted = [...groups].sort((a, b) => a - b);
    const key = `${bay} ${sorted.join(' ')}`;
    const known = this.known.get(key);
    if (known) return known;
    const content = { bay, groups: sorted, cost: this.costOf(bay, sorted) };
    this.known.set(key, content);
    this.byBay[bay]?.push(content);
    return content;
  }

  costOf(bay: number, groups: readonly number[]): number {
    return groups.reduce((sum, g) => sum + this.problem.cost[g * this.problem.bayCount + bay]!, 0);
  }

  meetArrangement(bayOf: Int32Array): void {
    contentsOf(this.problem, bayOf).forEach((groups, b) => this.meet(b, groups));
  }
}

/** What each bay holds in an arrangement. */
export const contentsOf = ({ bayCount }: ZonesProblem, bayOf: Int32Array): number[][] => {
  const contents: number[][] = Array.from({ length: bayCount }, () => []);
  bayOf.forEach((b, g) => contents[b]?.push(g));
  return contents;
};
