import type { Solver } from '../shared';
import { coverGroup } from './coverGroup';
import { CoverChoice, type Choice } from './coverChoice';
import type { Packing } from './floor';
import type { FloorRow } from './floorRows';
import type { GroupCovers } from './groupCovers';
import { CoverList, type Cover } from './listCovers';
import { decideChoice, isRefutedByLines } from './judgeChoice';
import type { Chosen } from './selectContainers';
import type { FitQuestion } from './suitability';

interface Means {
  readonly solver: Solver;
  readonly covers: GroupCovers;
  readonly floorRows: readonly FloorRow[];
  readonly worth: (container: Chosen['container']) => number;
  readonly hasTime: () => boolean;
  /** Tries to stand a choice; whether it does. */
  readonly stand: (chosen: readonly Chosen[]) => boolean;
  /** Told of a choice and where it stands. */
  readonly take: (found: { readonly chosen: readonly Chosen[]; readonly packing: Packing }) => void;
}

export interface Proof {
  /** No choice that stands counts less. */
  readonly bound: number;
  /** Choices below the limit that were neither stood nor refuted, cheapest first. */
  readonly open: readonly Choice[];
}

/** Of the best known, where none is known: so much above what the groups cost were there any room. */
const GUESS = 1.3;
/** The worths between the bound and the best are gone through in so many steps at first. */
const FIRST_STEPS = 8;
const MOST_AT_ONCE = 1500;
const FINEST = 2e-5;
const MOST_OPEN = 200;
/** Steps of the search through places before a choice is tried to be stood, and where it did not stand. */
const QUICK_STEPS = 2500;
const THOROUGH_STEPS = 8000;

/**
 * Goes through the choices of covers that count less than `limit`, the cheapest first: each is refuted, or stood, or
 * left open. The first that stands is the best there is where none before it is open. Undefined where the covers of a group are too many
 * to list.
 */
export function proveFit(request: FitQuestion, limit: number | undefined, means: Means): Proof | undefined {
  const { covers, floorRows, worth, hasTime } = means;
  const list = new CoverList(request, floorRows, worth);
  const leastOf: number[] = [];
  for (const group of covers.groups) {
    // By litres alone it is nearly the least; the list up to it holds the least.
    const parts = coverGroup(group, covers.suitedTo(group).map(({ container }) => ({ container, available: container.available ?? Infinity, weight: worth(container) + 1e-6 })));
    const listed = parts && list.of(group, parts.reduce((sum, { container, count }) => sum + worth(container) * count, 0) + 1e-6);
    if (!listed) return undefined;
    // None bears the group at this: what does counts more.
    leastOf.push(listed.length > 0 ? Math.min(...listed.map((cover) => cover.worth)) : parts.reduce((sum, { container, count }) => sum + worth(container) * count, 0));
  }
  const leastSum = leastOf.reduce((a, b) => a + b, 0);
  let below = limit ?? leastSum * GUESS;
  const coversOf: (readonly Cover[])[] = [];
  for (const [g, group] of covers.groups.entries()) {
    const listed = list.of(group, below - leastSum + (leastOf[g] ?? 0));
    if (!listed) return { bound: leastSum, open: [] };
    if (listed.length === 0) return { bound: below, open: [] };
    coversOf.push(listed);
  }
  const choice = new CoverChoice(coversOf, floorRows.length, below);
  const isPossible = (taken: readonly Cover[]): boolean => covers.mayStand(taken.flatMap(({ parts }) => parts));
  const open: Choice[] = [];
  let from = Math.max(leastSum, choice.bound - 1e-6);
  let step = Math.max((below - from) / FIRST_STEPS, below * FINEST);
  while (from < below - 1e-9 && hasTime()) {
    const to = Math.min(below, from + step);
    const found = choice.between(from, to, { most: MOST_AT_ONCE, isPossible });
    if (!found) {
      step /= 4;
      if (step < below * FINEST) break;
      continue;
    }
    for (const next of found) {
      if (!hasTime()) return { bound: Math.min(open[0]?.worth ?? Infinity, next.worth), open };
      const chosen = next.covers.flatMap(({ parts }) => parts);
      let verdict = decideChoice(request, chosen, { steps: QUICK_STEPS, hasTime });
      if (verdict === 'open') {
        if (isRefutedByLines(request, chosen, { solver: means.solver, seed: request.seed })) continue;
        if (means.stand(chosen)) {
          below = next.worth;
          break;
        }
        verdict = decideChoice(request, chosen, { steps: THOROUGH_STEPS, hasTime });
      }
      if (verdict === 'refuted') continue;
      if (typeof verdict === 'object') means.take({ chosen, packing: verdict });
      if (verdict !== 'open') {
        below = next.worth;
        break;
      }
      if (open.length < MOST_OPEN) open.push(next);
    }
    from = to;
    step *= 2;
  }
  return { bound: Math.min(open[0]?.worth ?? Infinity, from, below), open };
}
