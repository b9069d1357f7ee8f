import { z } from 'zod';

import { handler } from '@/app/api/handler';
import { noStore, readBody, refuse, respond } from '@/app/api/respond';
import { handoverIdSchema, projectIdSchema } from '@/core/shared';
import { dataDirOf } from '@/data/db';
import { getDatabase } from '@/data/startData';
import { MAX_PICTURE_BYTES } from '@/server/look/encodePicture';
import { pictureReceipt } from '@/server/takeAway/handOver';
import { pictureErrorWords } from '@/ui/look/lookWords';

/** Ties a picture of the receipt to a handover; the body is the picture. */
export const POST = handler(
  async (
    request: Request,
    { params }: { params: Promise<{ projectId: string; handoverId: string }> },
  ) =>
    respond(
      z.object({ projectId: projectIdSchema, handoverId: handoverIdSchema }),
      await params,
      async (input) => {
        const bytes = await readBody(request, {
          maxBytes: MAX_PICTURE_BYTES,
          what: 'The picture of this receipt',
        });
        const kept = await pictureReceipt(await getDatabase(), dataDirOf(process.env), {
          ...input,
          bytes,
        });
        return kept.ok
          ? Response.json({ ok: true }, { headers: noStore })
          : refuse(422, { code: kept.error.code, message: pictureErrorWords(kept.error) });
      },
    ),
);
