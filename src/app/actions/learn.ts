'use server';

import { learnTopicSchema } from '@/core/learn';
import { leaveAside } from '@/data/settingsRepo';
import { getDatabase } from '@/data/startData';
import { today } from '@/server/means';
import type { ActionResult } from '@/ui/actionResult';
import { answer, done } from './answer';

/** What was found up to today does not count any more for a topic; it is kept. */
export async function startOverAction(topic: unknown): Promise<ActionResult> {
  return answer(learnTopicSchema, topic, async (which) => {
    await leaveAside(await getDatabase(), which, today());
    return done;
  });
}

/** All that was found counts again. */
export async function countAllAction(topic: unknown): Promise<ActionResult> {
  return answer(learnTopicSchema, topic, async (which) => {
    await leaveAside(await getDatabase(), which, undefined);
    return done;
  });
}
