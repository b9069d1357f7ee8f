import { z } from 'zod';

import { projectIdSchema } from '@/core/shared';
import { decisionEventSchema } from '@/core/sort';
import { getDatabase } from '@/data/startData';
import { nowIso } from '@/server/means';
import { receiveDecisions } from '@/server/sort/receiveDecisions';
import { noStore, readJson, readText, respond } from '@/app/api/respond';
import { handler } from '@/app/api/handler';

const MAX_BODY_BYTES = 2_000_000;
const clockSchema = z.object({
  sentAt: z.iso.datetime(),
  events: z
    .array(z.object({ deviceAt: z.iso.datetime(), knownAt: z.iso.datetime().nullable() }))
    .max(1000),
});
const schema = z.object({
  projectId: projectIdSchema,
  events: z.array(decisionEventSchema).min(1).max(1000),
  /** How the device's clock stands; without it, no decision counts as later than now. */
  clock: clockSchema.optional(),
});

/** Adds decisions to the log. Answered only once they are on the disk; sending again counts once. */
export const POST = handler(
  async (request: Request, { params }: { params: Promise<{ projectId: string }> }) => {
    const limits = { maxBytes: MAX_BODY_BYTES, what: 'This batch of decisions' };
    const json = readJson(await readText(request, limits));
    const fields = typeof json === 'object' && json !== null ? json : {};
    return respond(
      schema,
      { ...fields, ...(await params) },
      async ({ projectId, events, clock }) => {
        const now = nowIso();
        const outcome = await receiveDecisions(await getDatabase(), projectId, {
          events,
          clock,
          now,
        });
        return Response.json({ ...outcome, now }, { headers: noStore });
      },
    );
  },
);
