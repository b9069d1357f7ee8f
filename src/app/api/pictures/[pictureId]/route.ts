import { z } from 'zod';

import { pictureIdSchema } from '@/core/shared';
import { dataDirOf } from '@/data/db';
import { getDatabase } from '@/data/startData';
import { findThingPicture } from '@/data/countRepo';
import { findPicture, findReceiptOf } from '@/data/projectRepo';
import { readPictureFile } from '@/data/pictureFiles';
import { toScreenSize } from '@/server/look/encodePicture';
import { refuse, respond } from '../../respond';
import { handler } from '@/app/api/handler';

const schema = z.object({ pictureId: pictureIdSchema, size: z.enum(['full', 'screen', 'thumb']) });

export const GET = handler(
  async (request: Request, { params }: { params: Promise<{ pictureId: string }> }) => {
    const size = new URL(request.url).searchParams.get('size') ?? 'full';
    return respond(schema, { ...(await params), size }, async (input) => {
      const db = await getDatabase();
      const picture =
        (await findPicture(db, input.pictureId)) ??
        (await findThingPicture(db, input.pictureId)) ??
        (await findReceiptOf(db, input.pictureId));
      if (!picture) return refuse(404, { code: 'not_found', message: 'There is no such picture.' });
      const file = input.size === 'screen' ? 'full' : input.size;
      const kept = await readPictureFile(dataDirOf(process.env), input.pictureId, file);
      const bytes = input.size === 'screen' ? await toScreenSize(kept) : kept;
      // A picture never changes under its id, but it is private: only this browser may keep it.
      return new Response(new Uint8Array(bytes), {
        headers: {
          'content-type': 'image/jpeg',
          'cache-control': 'private, max-age=31536000, immutable',
        },
      });
    });
  },
);
