import { findingKey, findingsOfTests, findingsOfWalk, type Finding } from './findings';
import type { PutAwayTest, Review } from './model';
import { roundsOf } from './rounds';

/** What was changed about a finding, and whether that held; `undefined`: nobody has looked since. */
export interface Mended {
  readonly change: string;
  readonly told: string;
  readonly takenOn: string;
  readonly holds: boolean | undefined;
}
export interface FindingNow {
  readonly key: string;
  readonly finding: Finding;
  readonly mended: Mended | undefined;
}

interface Facts {
  readonly reviews: readonly Review[];
  readonly tests: readonly PutAwayTest[];
}

/** The newest look with something noted, of each room and of the home. */
function newestLooks(reviews: readonly Review[]): Review[] {
  const byPlace = new Map<string, Review>();
  for (const review of [...reviews].sort((a, b) => dayOf(a).localeCompare(dayOf(b))))
    if (review.lines.length > 0) byPlace.set(review.roomId ?? 'home', review);
  return [...byPlace.values()];
}
const dayOf = ({ doneOn, dueOn }: Review): string => doneOn ?? dueOn;

/**
 * What does not work as it was meant, of the newest look at each room and the last round of tests, each once; with
 * what was changed about it and whether it came back after that. What was changed and was not found again at a later
 * look, or in a later round, has held, and is told too. O(looks × findings).
 */
export function homeFindings({ reviews, tests }: Facts): {
  readonly open: readonly FindingNow[];
  readonly held: readonly FindingNow[];
} {
  const looks = newestLooks(reviews);
  const [, lastRound] = roundsOf(tests);
  const lastTest = lastRound
    .map(({ at }) => at.slice(0, 10))
    .sort()
    .at(-1);
  const found = new Map<string, { finding: Finding; on: string }>();
  for (const look of looks)
    for (const finding of findingsOfWalk(look))
      found.set(findingKey(finding), { finding, on: dayOf(look) });
  for (const finding of findingsOfTests(lastRound))
    found.set(findingKey(finding), { finding, on: lastTest ?? '' });
  const changes = new Map(
    reviews
      .flatMap(({ changes: own }) => own)
      .sort((a, b) => a.takenOn.localeCompare(b.takenOn))
      .map((change) => [change.findingKey, change]),
  );
  const open = [...found].map(([key, { finding, on }]): FindingNow => {
    const change = changes.get(key);
    // Found after it was changed: it did not hold. Found before: nobody has looked since.
    const holds = change && on > change.takenOn ? false : undefined;
    return { key, finding, mended: change && { ...change, holds } };
  });
  const held = [...changes]
    .filter(([key]) => !found.has(key))
    .flatMap(([key, change]): FindingNow[] => {
      const finding = earlierFinding(key, { reviews, tests });
      const wasLooked =
        looks.some((look) => dayOf(look) > change.takenOn) || (lastTest ?? '') > change.takenOn;
      return finding
        ? [{ key, finding, mended: { ...change, holds: wasLooked || undefined } }]
        : [];
    });
  return { open, held };
}

/** A finding of an earlier look or round, by its key. */
function earlierFinding(key: string, { reviews, tests }: Facts): Finding | undefined {
  const [before] = roundsOf(tests);
  return [...reviews.flatMap(findingsOfWalk), ...findingsOfTests(before)].find(
    (finding) => findingKey(finding) === key,
  );
}
