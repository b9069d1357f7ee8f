import 'server-only';

import type { ProjectId } from '@/core/shared';
import { correctTimes, type DecisionEvent, type DeviceClock } from '@/core/sort';
import { DataError, type Db } from '@/data/db';
import { appendDecisions, type AppendOutcome } from '@/data/decisionLog';
import { findProject } from '@/data/records';

/**
 * Takes decisions in from a device, at the times at which they were made by this machine's clock.
 * @errors `not_found` (no such project, or what is named is not its own) · `id_reused`.
 */
export async function receiveDecisions(
  db: Db,
  projectId: ProjectId,
  {
    events,
    clock,
    now,
  }: {
    readonly events: readonly DecisionEvent[];
    readonly clock: DeviceClock | undefined;
    readonly now: string;
  },
): Promise<AppendOutcome> {
  if (!(await findProject(db, projectId)))
    throw new DataError('not_found', `there is no project ${projectId}`);
  return appendDecisions(db, projectId, correctTimes(events, { clock, now }), { receivedAt: now });
}
