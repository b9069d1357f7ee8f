import type { Clock, Solver } from '../shared';
import type { FitAnswer } from './model';
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

/**
 * Fits out many places, one after the other, within a time for all of them. A container of which there are
 * few stands once: what one place uses, the next ones no longer have. The fullest place comes first,
 * since it can least do without. Each place gets an equal share of the time that is left.
 * Requires: the requests hold the same containers with the same `available`. Ensures: at most
 * `available` of each over all.
 */
export async function planFits(
  requests: readonly FitQuestion[],
  { timeLimitMs, ...means }: FitsMeans & { readonly timeLimitMs: number },
): Promise<readonly PlacedFit[]> {
  const startMs = means.clock();
  const used = new Map<string, number>();
  const found: PlacedFit[] = [];
  const byFullness = [...requests].sort((a, b) => fullnessOf(b) - fullnessOf(a));
  for (const [i, request] of byFullness.entries()) {
    const leftMs = timeLimitMs - (means.clock() - startMs);
    const containers = request.containers.map((container) =>
      container.available === undefined
        ? container
        : {
            ...container,
            available: Math.max(0, container.available - (used.get(container.id) ?? 0)),
          },
    );
    const answer = planFit(
      { ...request, containers, timeLimitMs: Math.max(LEAST_MS, leftMs / (byFullness.length - i)) },
      means,
    );
    for (const { containerId } of answer.placements)
      used.set(containerId, (used.get(containerId) ?? 0) + 1);
    found.push({ bayId: request.bay.id, answer });
    if ((await means.onProgress?.(found, byFullness.length)) === false) break;
  }
  return found;
}

/** Litres to go in, by the litres of the place. */
function fullnessOf({ bay, groups }: FitQuestion): number {
  return (
    groups.reduce((sum, { litres }) => sum + litres, 0) /
    ((bay.width * bay.depth * bay.height) / 1e6)
  );
}
