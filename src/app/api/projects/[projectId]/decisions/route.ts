import { z } from 'zod';

import { projectIdSchema } from '@/core/shared';
import { decisionEventSchema } from '@/core/sort';
import { getDatabase } from '@/data/db';
import { appendDecisions } from '@/data/decisionLog';
import { findProject } from '@/data/projectRepo';
import { readText, readJson, refuse, respond } from '@/app/api/respond';
import { handler } from '@/app/api/handler';

const MAX_BODY_BYTES = 2_000_000;
const schema = z.object({
  projectId: projectIdSchema,
  events: z.array(decisionEventSchema).min(1).max(1000),
});

/** Adds decisions to the log. Answered only once they are on the disk; sending again counts once. */
export const POST = handler(
  async (request: Request, { params }: { params: Promise<{ projectId: string }> }) => {
    const limits = { maxBytes: MAX_BODY_BYTES, what: 'This batch of decisions' };
    const json = readJson(await readText(request, limits));
    const events =
      typeof json === 'object' && json !== null && 'events' in json ? json.events : undefined;
    return respond(schema, { ...(await params), events }, async (input) => {
      const db = await getDatabase();
      if (!(await findProject(db, input.projectId)))
        return refuse(404, { code: 'not_found', message: 'There is no such project.' });
      return Response.json(await appendDecisions(db, input.projectId, input.events));
    });
  },
);
