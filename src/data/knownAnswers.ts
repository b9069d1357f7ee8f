import 'server-only';

import type { ProjectId } from '@/core/shared';
import type { Db } from './db';

/** What an engine said last about something of a home, and what it said it of. */
interface KnownAnswer {
  readonly basis: string;
  readonly answer: unknown;
  readonly answeredAt: string;
}

export async function findKnownAnswer(
  db: Db,
  projectId: ProjectId,
  about: string,
): Promise<KnownAnswer | undefined> {
  const row: { basis: string; answer_json: string; answered_at: string } | undefined = await db(
    'known_answers',
  )
    .where({ project_id: projectId, about })
    .first();
  return (
    row && {
      basis: row.basis,
      answer: JSON.parse(row.answer_json) as unknown,
      answeredAt: row.answered_at,
    }
  );
}

/** What is known about the same thing of every home. */
export async function listKnownAnswers(
  db: Db,
  about: string,
): Promise<ReadonlyMap<string, { readonly basis: string; readonly answer: unknown }>> {
  const rows: readonly { project_id: string; basis: string; answer_json: string }[] = await db(
    'known_answers',
  ).where({ about });
  return new Map(
    rows.map((row) => [
      row.project_id,
      { basis: row.basis, answer: JSON.parse(row.answer_json) as unknown },
    ]),
  );
}

export async function putKnownAnswer(
  db: Db,
  projectId: ProjectId,
  about: string,
  { basis, answer, answeredAt }: KnownAnswer,
): Promise<void> {
  const row = {
    project_id: projectId,
    about,
    basis,
    answer_json: JSON.stringify(answer),
    answered_at: answeredAt,
  };
  await db('known_answers').insert(row).onConflict(['project_id', 'about']).merge();
}
