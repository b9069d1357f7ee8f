import type { Clock, Solver } from '../shared';
import { containerIdsOf } from './answerFacts';
import type { FitAnswer } from './model';
import { unmetLitresOf } from './restateLitres';
import { planFit } from './planFit';
import type { FitQuestion } from './suitability';

/** One place's answer among those of a room or a home. */
export interface PlacedFit {
  readonly bayId: string;
  readonly answer: FitAnswer;
}

interface FitsMeans {
  readonly solver: Solver;
  readonly clock: Clock;
  /** Told after each place; returning false ends the run, and what is found so far is the answer. */
  readonly onProgress?: (found: readonly PlacedFit[], total: number) => boolean | Promise<boolean>;
}

/** No place gets less, however many there are. */
const LEAST_MS = 150;
/** Of the time for the calmest look, for having fewer kinds in all once every place is fitted. */
const CALM_SHARE = 0.3;

/**
 * Fits out many places, one after the other, within a time for all of them. A container of which there are
 * few stands once: what one place uses, the next ones no longer have. The fullest place comes first,
 * since it can least do without. Each place gets an equal share of the time that is left. Where the calmest look is
 * wanted, it is of all places together: each makes do with the kinds in use where it can, then kinds are done
 * without, the least used first, then colours, as long as every place holds as much as before.
 * Requires: the requests hold the same containers with the same `available`. Ensures: at most
 * `available` of each over all.
 */
export async function planFits(
  requests: readonly FitQuestion[],
  { timeLimitMs, ...means }: FitsMeans & { readonly timeLimitMs: number },
): Promise<readonly PlacedFit[]> {
  return new FitsRun(requests, timeLimitMs, means).run();
}

class FitsRun {
  private readonly startMs: number;
  private readonly found: PlacedFit[] = [];
  private readonly order: readonly FitQuestion[];
  private readonly isCalm: boolean;
  private isStopped = false;

  constructor(
    requests: readonly FitQuestion[],
    private readonly timeLimitMs: number,
    private readonly means: FitsMeans,
  ) {
    this.startMs = means.clock();
    this.order = [...requests].sort((a, b) => fullnessOf(b) - fullnessOf(a));
    this.isCalm = requests.length > 1 && requests.every(({ prefer }) => prefer === 'uniform');
  }

  async run(): Promise<readonly PlacedFit[]> {
    const share = this.isCalm ? 1 - CALM_SHARE : 1;
    for (const [i, request] of this.order.entries()) {
      const leftMs = this.timeLimitMs * share - this.passedMs();
      const eachMs = Math.max(LEAST_MS, leftMs / (this.order.length - i));
      this.found.push({ bayId: request.bay.id, answer: this.planOne(request, eachMs) });
      await this.tell();
      if (this.isStopped) return this.found;
    }
    if (this.isCalm) {
      await this.doWithout();
      await this.bringIntoOneColour();
    }
    return this.found;
  }

  private passedMs(): number {
    return this.means.clock() - this.startMs;
  }

  private async tell(): Promise<void> {
    const goesOn = await this.means.onProgress?.(this.found, this.order.length);
    this.isStopped = goesOn === false;
  }

  private planOne(request: FitQuestion, eachMs: number): FitAnswer {
    const kinds = this.kindsInUse();
    if (this.isCalm && kinds.size > 0) {
      const answer = this.plan(request, eachMs / 2, new Set(kinds.keys()));
      if (answer.unmet.length === 0) return answer;
      return this.plan(request, eachMs / 2);
    }
    return this.plan(request, eachMs);
  }

  /** One place with what the others leave; only of these kinds, where they are given. */
  private plan(request: FitQuestion, timeLimitMs: number, kinds?: ReadonlySet<string>): FitAnswer {
    const used = new Map<string, number>();
    for (const { bayId, answer } of this.found)
      if (bayId !== request.bay.id)
        for (const id of containerIdsOf(answer)) used.set(id, (used.get(id) ?? 0) + 1);
    const containers = request.containers
      .filter(({ id }) => !kinds || kinds.has(id))
      .map((container) => {
        const { available, spare } = container;
        const taken = used.get(container.id) ?? 0;
        return {
          ...container,
          ...(available === undefined ? {} : { available: Math.max(0, available - taken) }),
          ...(spare === undefined ? {} : { spare: Math.max(0, spare - taken) }),
        };
      });
    const { solver, clock } = this.means;
    return planFit({ ...request, containers, timeLimitMs }, { solver, clock });
  }

  private kindsInUse(): Map<string, number> {
    const kinds = new Map<string, number>();
    for (const { answer } of this.found)
      for (const id of containerIdsOf(answer)) kinds.set(id, (kinds.get(id) ?? 0) + 1);
    return kinds;
  }

  /** Tries to do without each kind in use, the least used first. */
  private async doWithout(): Promise<void> {
    const tried = new Set<string>();
    while (this.passedMs() < this.timeLimitMs && !this.isStopped) {
      const kinds = [...this.kindsInUse()].sort((a, b) => a[1] - b[1]);
      const [next] = kinds.filter(([id]) => !tried.has(id));
      if (!next || kinds.length <= 1) return;
      tried.add(next[0]);
      const others = new Set(kinds.map(([id]) => id).filter((id) => id !== next[0]));
      if (this.replaceAll(next[0], others)) await this.tell();
    }
  }

  /** Tries to do without each colour in use, the least used first, with no more kinds than before. */
  private async bringIntoOneColour(): Promise<void> {
    const tried = new Set<string>();
    while (this.passedMs() < this.timeLimitMs && !this.isStopped) {
      const kinds = this.kindsInUse();
      const counts = new Map<string, number>();
      for (const [id, count] of kinds)
        counts.set(this.colourOf(id), (counts.get(this.colourOf(id)) ?? 0) + count);
      const [next] = [...counts].sort((a, b) => a[1] - b[1]).filter(([each]) => !tried.has(each));
      if (!next || counts.size <= 1) return;
      tried.add(next[0]);
      const others = this.inOtherColours(next[0], [...kinds.keys()]);
      const before = [...this.found];
      const leaving = [...kinds.keys()].filter((id) => this.colourOf(id) === next[0]);
      const isDone = leaving.every((id) => this.replaceAll(id, others));
      if (isDone && this.kindsInUse().size <= kinds.size) await this.tell();
      else this.found.splice(0, this.found.length, ...before);
    }
  }

  private get containers(): FitQuestion['containers'] {
    return this.order[0]?.containers ?? [];
  }
  private colourOf(containerId: string): string {
    return this.containers.find(({ id }) => id === containerId)?.colour ?? '';
  }

  /** What is in use in other colours, and what is like the rest of it in one of those. */
  private inOtherColours(colour: string, inUse: readonly string[]): ReadonlySet<string> {
    const kept = inUse.filter((id) => this.colourOf(id) !== colour);
    const colours = new Set(kept.map((id) => this.colourOf(id)));
    const formOf = ({ line, outer }: FitQuestion['containers'][number]): string =>
      JSON.stringify([line, outer]);
    const leaving = new Set(
      this.containers
        .filter(({ id }) => inUse.includes(id) && this.colourOf(id) === colour)
        .map(formOf),
    );
    const alike = this.containers.filter(
      (container) => colours.has(container.colour ?? '') && leaving.has(formOf(container)),
    );
    return new Set([...kept, ...alike.map(({ id }) => id)]);
  }

  /** Fits every place that uses a kind with others; all of them, or none is changed. */
  private replaceAll(kind: string, others: ReadonlySet<string>): boolean {
    const before = [...this.found];
    for (const [i, { bayId, answer }] of before.entries()) {
      if (!containerIdsOf(answer).includes(kind)) continue;
      const request = this.order.find(({ bay }) => bay.id === bayId);
      const next =
        request && this.passedMs() < this.timeLimitMs
          ? this.plan(request, LEAST_MS, others)
          : undefined;
      if (!next || unmetLitresOf(next) > unmetLitresOf(answer) + 1e-9) {
        this.found.splice(0, this.found.length, ...before);
        return false;
      }
      this.found[i] = { bayId, answer: next };
    }
    return true;
  }
}

/** Litres to go in, by the litres of the place. */
function fullnessOf({ bay, groups }: FitQuestion): number {
  return (
    groups.reduce((sum, { litres }) => sum + litres, 0) /
    ((bay.width * bay.depth * bay.height) / 1e6)
  );
}
