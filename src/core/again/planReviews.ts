import { addDays } from '../shared';
import { seasonOf } from '../place';
import type { Group } from '../sort';
import { reviewIdOf, type ReviewKind } from './reviewCodes';
import type { Review } from './model';

/** A look that lies ahead, or was made; `id` names it also before it is written down. */
export interface PlannedReview {
  readonly id: string;
  readonly kind: ReviewKind;
  readonly plannedOn: string;
  readonly dueOn: string;
  readonly doneOn: string | null;
  /** Of a season: its first month, 1 to 12. */
  readonly month: number | undefined;
}

const DAYS: readonly (readonly [ReviewKind, number])[] = [
  ['two_weeks', 14],
  ['month', 30],
  ['year', 365],
];
/** Seasons are planned for so many days from the end of the work. */
const SEASONS_DAYS = 400;

/**
 * When a room or a home is looked at again, by itself: two weeks and a month after it was done, at the beginning
 * of each season of its groups within a good year, and after a year; of these the kinds that are asked for. What
 * somebody moved, made or added counts instead. In the order of the days.
 */
export function planReviews({
  key,
  kinds,
  doneOn,
  groups,
  reviews,
}: {
  /** The id of what is looked at, with which those of its looks begin. */
  readonly key: string;
  readonly kinds: readonly ReviewKind[];
  /** The day on which it was done; undefined: it is not, and nothing is planned. */
  readonly doneOn: string | undefined;
  readonly groups: readonly Group[];
  /** Of this room, or of the home as a whole. */
  readonly reviews: readonly Review[];
}): PlannedReview[] {
  const planned =
    doneOn === undefined
      ? []
      : [
          ...DAYS.map(([kind, days]) => ({ kind, dueOn: addDays(doneOn, days), month: undefined })),
          ...seasonStarts(doneOn, groups).map((dueOn) => ({
            kind: 'season' as const,
            dueOn,
            month: Number(dueOn.slice(5, 7)),
          })),
        ].filter(({ kind }) => kinds.includes(kind));
  const byItself = planned.map(({ kind, dueOn, month }) => {
    const id = reviewIdOf({ key, kind, plannedOn: dueOn });
    const known = reviews.find((review) => review.id === id);
    const [plannedOn, madeOn] = [known?.plannedOn ?? dueOn, known?.doneOn ?? null];
    return { id, kind, plannedOn, dueOn: known?.dueOn ?? dueOn, doneOn: madeOn, month };
  });
  const ids = new Set(byItself.map(({ id }) => id));
  const others = reviews
    .filter(({ id }) => !ids.has(id))
    .map(({ id, kind, plannedOn, dueOn, doneOn: made }) => ({
      id,
      kind,
      plannedOn,
      dueOn,
      doneOn: made,
      month: kind === 'season' ? Number(plannedOn.slice(5, 7)) : undefined,
    }));
  return [...byItself, ...others].sort(
    (a, b) => a.dueOn.localeCompare(b.dueOn) || a.id.localeCompare(b.id),
  );
}

/** First days of months in which a season of a group begins, after a day. */
function seasonStarts(after: string, groups: readonly Group[]): string[] {
  const months = new Set(groups.flatMap((group) => seasonOf(group)?.from ?? []));
  const last = addDays(after, SEASONS_DAYS);
  const year = Number(after.slice(0, 4));
  return [year, year + 1, year + 2]
    .flatMap((each) => [...months].map((month) => `${each}-${String(month).padStart(2, '0')}-01`))
    .filter((day) => day > after && day <= last)
    .sort();
}
