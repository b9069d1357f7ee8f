import 'server-only';

import type { FirmLearned } from '@/core/learn';
import { projectIdSchema } from '@/core/shared';
import { getDatabase } from '@/data/startData';
import { loadLearned } from '@/server/learn/loadLearned';

/** What tasks of setting up took in other homes; what was timed in this one counts beside it. */
export async function taskTimesElsewhere(projectId: string): Promise<FirmLearned['tasks']> {
  const without = projectIdSchema.parse(projectId);
  return (await loadLearned(await getDatabase(), { without })).learned.tasks;
}
