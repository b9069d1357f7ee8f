import 'server-only';

import type { KeptDeed } from '@/core/home';
import { decisionIdSchema, type ProjectId } from '@/core/shared';
import type { DecisionEvent } from '@/core/sort';
import { announceAnswers, announceDecisions } from '@/data/announcements';
import { moveChange } from '@/data/changes';
import type { Db } from '@/data/db';
import { appendDecisions } from '@/data/decisionLog';
import { loadRecords } from '@/data/records';
import { createId, nowIso } from './means';

/**
 * Takes the project's last change back or does it again. An answer that was taken takes its decision along: the log
 * says that it was taken back, or stands again. @errors `not_found` · `changed_since`.
 */
export async function undoOrRedo(
  db: Db,
  projectId: ProjectId,
  way: 'undo' | 'redo',
): Promise<KeptDeed> {
  const { deed, isOfAnswer } = await db.transaction(async (trx) => {
    const before = await decidedByAnswers(trx, projectId);
    const moved = await moveChange(trx, projectId, way);
    if (moved.code !== 'answer_taken') return { deed: moved, isOfAnswer: false };
    const after = await decidedByAnswers(trx, projectId);
    const [from, to] = way === 'undo' ? [before, after] : [after, before];
    const events = [...from].flatMap(([decisionId, thingId]): DecisionEvent[] =>
      to.has(decisionId)
        ? []
        : [
            {
              kind: way === 'undo' ? 'undone' : 'restored',
              id: decisionIdSchema.parse(createId()),
              thingId,
              decidedAt: nowIso(),
              device: 'desk',
              aboutId: decisionId,
            },
          ],
    );
    if (events.length > 0) await appendDecisions(trx, projectId, events);
    return { deed: moved, isOfAnswer: true };
  });
  if (isOfAnswer) {
    announceDecisions(projectId);
    announceAnswers(projectId);
  }
  return deed;
}

/** Decisions that taken answers became, with their things. */
async function decidedByAnswers(db: Db, projectId: ProjectId) {
  const { clientAnswers } = await loadRecords(db, projectId, 'clientAnswers');
  return new Map(
    clientAnswers.flatMap(({ decisionId, asked }) =>
      decisionId !== null && asked.about === 'thing' ? [[decisionId, asked.thingId] as const] : [],
    ),
  );
}
