import 'server-only';

import { createHash } from 'node:crypto';

import type { ProjectId } from '@/core/shared';
import { listOffers, listShops } from '@/data/catalogueRepo';
import { stampOf } from '@/data/changes';
import type { Db } from '@/data/db';
import { findKnownAnswer, putKnownAnswer } from '@/data/knownAnswers';
import { loadRecords } from '@/data/records';
import { nowIso, today } from '../means';

/** So long a page waits for its answer before it shows the last one. */
const PATIENCE_MS = 400;

/** What a page can show: the answer, or the last one with its date until the new one comes. */
export type Answered<A> =
  | { readonly state: 'fresh'; readonly answer: A }
  | {
      readonly state: 'coming';
      readonly known: { readonly answer: A; readonly answeredAt: string } | undefined;
      readonly coming: Promise<A>;
    };

/**
 * Everything that an answer about a home can depend on, in one text: its records, the price list,
 * the day.
 */
async function basisOf(db: Db, projectId: ProjectId): Promise<string> {
  // The price list, and its containers, change without a change of the home.
  const own = await loadRecords(db, projectId, 'project', 'rooms', 'containers');
  const told = JSON.stringify([own, await listOffers(db), await listShops(db)]);
  const hash = createHash('sha256').update(told).digest('base64url');
  return `${await stampOf(db, projectId)} ${hash} ${today()}`;
}

/**
 * Gives the answer where it is known or comes soon; otherwise the last one known and the new one as it
 * comes. Whatever comes is kept for the next time, unless the home was changed meanwhile.
 * Requires: `work` depends on the home, the price list and the day alone, and its answer is plain JSON.
 */
export async function answerOrKnown<A>(
  db: Db,
  { projectId, about }: { readonly projectId: ProjectId; readonly about: string },
  work: () => Promise<A>,
): Promise<Answered<A>> {
  const basis = await basisOf(db, projectId);
  const known = await findKnownAnswer(db, projectId, about);
  if (known?.basis === basis) return { state: 'fresh', answer: known.answer as A };
  const coming = work().then(async (answer) => {
    if ((await basisOf(db, projectId)) === basis)
      await putKnownAnswer(db, projectId, about, { basis, answer, answeredAt: nowIso() });
    return answer;
  });
  const soon = await Promise.race([
    coming.then((answer) => ({ answer })),
    new Promise<undefined>((resolve) => setTimeout(() => resolve(undefined), PATIENCE_MS)),
  ]);
  if (soon) return { state: 'fresh', answer: soon.answer };
  // Whoever shows the page waits for it; this only keeps a failure from ending the process before.
  coming.catch(() => undefined);
  return {
    state: 'coming',
    known: known && { answer: known.answer as A, answeredAt: known.answeredAt },
    coming,
  };
}
