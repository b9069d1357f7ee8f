import 'server-only';

import { createHash } from 'node:crypto';

import type { ProjectId } from '@/core/shared';
import type { Db } from '@/data/db';
import { findKnownAnswer, putKnownAnswer } from '@/data/knownAnswers';
import { nowIso } from '../means';

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

/** Known to this text, an answer is still the answer. */
const hashOf = (basis: unknown): string =>
  createHash('sha256').update(JSON.stringify(basis)).digest('base64url');

/**
 * Gives the answer where it is known or comes soon; otherwise the last one known and the new one as it
 * comes. Whatever comes is kept for the next time.
 * Requires: `basis` holds everything that `work` depends on, as it was when that was read (for a home
 * the stamp that was taken before); the answer is plain JSON.
 */
export async function answerOrKnown<A>(
  db: Db,
  {
    projectId,
    about,
    basis: told,
  }: { readonly projectId: ProjectId; readonly about: string; readonly basis: unknown },
  work: () => Promise<A>,
): Promise<Answered<A>> {
  const basis = hashOf(told);
  const known = await findKnownAnswer(db, projectId, about);
  if (known?.basis === basis) return { state: 'fresh', answer: known.answer as A };
  const coming = work().then(async (answer) => {
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

/** The same answer to the same facts, today and next week, however long the engine had. */
export async function answerOnce<A>(
  db: Db,
  {
    projectId,
    about,
    basis: told,
  }: { readonly projectId: ProjectId; readonly about: string; readonly basis: unknown },
  work: () => Promise<A>,
): Promise<A> {
  const basis = hashOf(told);
  const known = await findKnownAnswer(db, projectId, about);
  if (known?.basis === basis) return known.answer as A;
  const answer = await work();
  await putKnownAnswer(db, projectId, about, { basis, answer, answeredAt: nowIso() });
  return answer;
}
