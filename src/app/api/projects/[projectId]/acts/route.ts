import { z } from 'zod';

import { handler } from '@/app/api/handler';
import { noStore, readBody, refuse, respond } from '@/app/api/respond';
import { fieldActSchema } from '@/core/field';
import { formatMoneyInput, projectIdSchema } from '@/core/shared';
import { getDatabase } from '@/data/startData';
import { decodeText } from '@/server/exchange/decodeText';
import { applyAct } from '@/server/field/applyAct';

/** Keeps what was done on site; the same id counts once, however often it is sent. */
export const POST = handler(
  async (request: Request, { params }: { params: Promise<{ projectId: string }> }) => {
    const body = await readBody(request, { maxBytes: 100_000, what: 'This act' });
    let act: unknown;
    try {
      act = JSON.parse(decodeText(body));
    } catch {
      return refuse(400, { code: 'not_json', message: 'This is not JSON.' });
    }
    return respond(
      z.object({ projectId: projectIdSchema, act: fieldActSchema }),
      { ...(await params), act },
      async (input) => {
        const fault = await applyAct(await getDatabase(), input.projectId, input.act);
        return fault
          ? refuse(422, {
              code: fault.code,
              message: `Only ${formatMoneyInput(fault.leftMinor)} is left on the card`,
            })
          : Response.json({ kept: input.act.id }, { headers: noStore });
      },
    );
  },
);
