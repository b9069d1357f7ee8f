import { z } from 'zod';

import { handler } from '@/app/api/handler';
import { noStore, readBody, refuse, respond } from '@/app/api/respond';
import { projectIdSchema } from '@/core/shared';
import { getDatabase } from '@/data/startData';
import { decodeText } from '@/server/exchange/decodeText';
import { handOver } from '@/server/takeAway/handOver';
import { atStopSchema } from '@/server/takeAway/atStop';
import { handOverFaultWords } from '@/ui/takeAway/faultWords';

/** Keeps what was said at a stop; the same id counts once, however often it is sent. */
export const POST = handler(
  async (request: Request, { params }: { params: Promise<{ projectId: string }> }) => {
    const body = await readBody(request, { maxBytes: 1_000_000, what: 'This handover' });
    let said: unknown;
    try {
      said = JSON.parse(decodeText(body));
    } catch {
      return refuse(400, { code: 'not_json', message: 'This is not JSON.' });
    }
    return respond(
      z.object({ projectId: projectIdSchema, said: atStopSchema }),
      { ...(await params), said },
      async (input) => {
        const kept = await handOver(await getDatabase(), input.projectId, input.said);
        return kept.ok
          ? Response.json({ kept: input.said.id }, { headers: noStore })
          : refuse(422, { code: kept.error.code, message: handOverFaultWords(kept.error) });
      },
    );
  },
);
