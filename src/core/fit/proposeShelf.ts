import type { Clock, Solver } from '../shared';
import type { FitAnswer } from './model';
import { planFit } from './planFit';
import type { FitQuestion } from './suitability';
import { unmetLitresOf } from './restateLitres';

/** Two places one above the other, parted by a shelf that goes from hole to hole. */
export interface ShelfQuestion {
  readonly lower: FitQuestion;
  readonly upper: FitQuestion;
  readonly pitchMm: number;
}
export interface ShelfProposal {
  /** Up, or, negative, down. */
  readonly byMm: number;
  readonly lower: FitAnswer;
  readonly upper: FitAnswer;
  readonly unmetLitres: number;
  readonly costMinor: number;
}

const MOST_HOLES = 5;
/** Lower, and nothing goes in or comes out. */
const LEAST_HEIGHT_MM = 120;
const EACH_MS = 250;

/**
 * Tries the shelf up to five holes up and down, both places fitted out each time. Returns where it
 * stands now and the best other height, if one leaves less without a container, or costs less.
 * What is in the way keeps its place in the room.
 */
export function proposeShelf(
  question: ShelfQuestion,
  means: { readonly solver: Solver; readonly clock: Clock },
): { readonly now: ShelfProposal; readonly better: ShelfProposal | undefined } {
  const now = tryShelf(question, 0, means);
  let better: ShelfProposal | undefined;
  for (let hole = 1; hole <= MOST_HOLES; hole += 1) {
    for (const byMm of [hole * question.pitchMm, -hole * question.pitchMm]) {
      if (
        question.lower.bay.height + byMm < LEAST_HEIGHT_MM ||
        question.upper.bay.height - byMm < LEAST_HEIGHT_MM
      )
        continue;
      const next = tryShelf(question, byMm, means);
      if (isBetter(next, better ?? now)) better = next;
    }
  }
  return { now, better };
}

const isBetter = (a: ShelfProposal, b: ShelfProposal): boolean =>
  a.unmetLitres < b.unmetLitres - 0.05 ||
  (a.unmetLitres <= b.unmetLitres + 0.05 && a.costMinor < b.costMinor);

function tryShelf(
  { lower, upper }: ShelfQuestion,
  byMm: number,
  means: { readonly solver: Solver; readonly clock: Clock },
): ShelfProposal {
  const height = lower.bay.height + byMm;
  // All heights from the floor of the lower place; what crosses the new shelf is in the way in both.
  const boxes = [
    ...(lower.bay.obstacles ?? []),
    ...(upper.bay.obstacles ?? []).map((box) => ({ ...box, z: box.z + lower.bay.height })),
  ];
  const below = planFit(
    {
      ...lower,
      bay: { ...lower.bay, height, obstacles: cutBoxes(boxes, 0, height) },
      timeLimitMs: EACH_MS,
    },
    means,
  );
  // What few there are of stands in one place only.
  const used = new Map<string, number>();
  for (const { containerId } of below.placements)
    used.set(containerId, (used.get(containerId) ?? 0) + 1);
  const containers = upper.containers.map((container) =>
    container.available === undefined
      ? container
      : {
          ...container,
          available: Math.max(0, container.available - (used.get(container.id) ?? 0)),
        },
  );
  const obstacles = cutBoxes(boxes, height, Infinity);
  const above = planFit(
    {
      ...upper,
      containers,
      bay: { ...upper.bay, height: upper.bay.height - byMm, obstacles },
      timeLimitMs: EACH_MS,
    },
    means,
  );
  const unmetLitres = unmetLitresOf(below) + unmetLitresOf(above);
  return {
    byMm,
    lower: below,
    upper: above,
    unmetLitres,
    costMinor: below.costMinor + above.costMinor,
  };
}

type Box = NonNullable<FitQuestion['bay']['obstacles']>[number];

/** What of the boxes lies between two heights, measured from the lower one. */
const cutBoxes = (boxes: readonly Box[], fromMm: number, toMm: number): Box[] =>
  boxes.flatMap((box) => {
    const [bottom, top] = [Math.max(box.z, fromMm), Math.min(box.z + box.height, toMm)];
    return top > bottom ? [{ ...box, z: bottom - fromMm, height: top - bottom }] : [];
  });
