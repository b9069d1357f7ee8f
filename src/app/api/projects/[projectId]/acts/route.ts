import { z } from 'zod';

import { actFaultWords } from '@/app/actFaultWords';
import { handler } from '@/app/api/handler';
import { noStore, readBody, refuse, respond } from '@/app/api/respond';
import { fieldActSchema } from '@/core/field';
import { projectIdSchema } from '@/core/shared';
import { getDatabase } from '@/data/startData';
import { decodeText } from '@/server/exchange/decodeText';
import { applyActs } from '@/server/field/applyAct';

/** So many acts come at once at most; what waits for long comes in several requests. */
const MOST_ACTS = 100;
const MOST_BYTES = 1_000_000;

/**
 * Keeps what was done on site, one act or several in their order; the same id counts once, however often it is
 * sent. Where one of several is refused none is kept, and the device sends them one by one.
 */
export const POST = handler(
  async (request: Request, { params }: { params: Promise<{ projectId: string }> }) => {
    const body = await readBody(request, { maxBytes: MOST_BYTES, what: 'This list of acts' });
    let said: unknown;
    try {
      said = JSON.parse(decodeText(body));
    } catch {
      return refuse(400, { code: 'not_json', message: 'This is not JSON.' });
    }
    return respond(
      z.object({
        projectId: projectIdSchema,
        acts: z.array(fieldActSchema).min(1).max(MOST_ACTS),
      }),
      { ...(await params), acts: Array.isArray(said) ? said : [said] },
      async (input) => {
        const fault = await applyActs(await getDatabase(), input.projectId, input.acts);
        return fault
          ? refuse(422, {
              code: fault.code,
              message: await actFaultWords(fault, input.projectId),
            })
          : Response.json({ kept: input.acts.map(({ id }) => id) }, { headers: noStore });
      },
    );
  },
);
