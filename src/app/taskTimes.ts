import 'server-only';

import type { FirmLearned } from '@/core/learn';
import { roomIdSchema } from '@/core/shared';
import { getDatabase } from '@/data/startData';
import { loadLearned } from '@/server/learn/loadLearned';

/** What tasks of setting up took in other rooms, of any home; what was timed in this one counts beside it. */
export async function taskTimesElsewhere(roomId: string): Promise<FirmLearned['tasks']> {
  const withoutTasksOf = roomIdSchema.parse(roomId);
  return (await loadLearned(await getDatabase(), { withoutTasksOf })).learned.tasks;
}
