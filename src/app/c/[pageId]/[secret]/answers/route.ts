import { z } from 'zod';

import { givenAnswerSchema } from '@/core/client';
import { readJson, readText, refuse, respond } from '@/app/api/respond';
import { receiveAnswers } from '@/server/client/answers';
import { linkHandler } from '../../../openLink';

const MAX_BYTES = 300_000;
const schema = z.object({ answers: z.array(givenAnswerSchema).min(1).max(500) });

/** What a client says on their page; the same answer counts once. */
export const POST = linkHandler(async (request, { db, page }) => {
  if (!page.mayAnswer)
    return refuse(403, { code: 'looking_only', message: 'This page is for looking only.' });
  const text = await readText(request, { maxBytes: MAX_BYTES, what: 'These answers' });
  return respond(schema, readJson(text), async ({ answers }) => {
    const { newCount, knownCount, strangeCount } = await receiveAnswers(db, page, answers);
    return Response.json({ newCount, knownCount, strangeCount });
  });
});
