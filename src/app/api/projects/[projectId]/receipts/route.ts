import { z } from 'zod';

import { noStore, readBody, refuse, respond } from '@/app/api/respond';
import { projectIdSchema } from '@/core/shared';
import { dataDirOf } from '@/data/db';
import { getDatabase } from '@/data/startData';
import { MAX_PICTURE_BYTES } from '@/server/look/encodePicture';
import { addReceipt } from '@/server/shop/receipts';
import { typedMoney } from '@/ui/typedValues';
import { pictureErrorWords } from '@/ui/look/lookWords';
import { handler } from '@/app/api/handler';

const schema = z.object({
  projectId: projectIdSchema,
  shop: z.string().trim().min(1, 'Which shop?').max(80),
  day: z.iso.date('Type the day on the receipt'),
  total: typedMoney,
});

/** Keeps a receipt; the body is its picture, or empty. */
export const POST = handler(
  async (request: Request, { params }: { params: Promise<{ projectId: string }> }) => {
    const query = new URL(request.url).searchParams;
    const typed = {
      shop: query.get('shop') ?? '',
      day: query.get('day') ?? '',
      total: query.get('total') ?? '',
    };
    return respond(
      schema,
      { ...(await params), ...typed },
      async ({ projectId, shop, day, total }) => {
        const body = await readBody(request, {
          maxBytes: MAX_PICTURE_BYTES,
          what: 'The picture of this receipt',
        });
        const kept = await addReceipt(await getDatabase(), dataDirOf(process.env), projectId, {
          shopName: shop,
          boughtOn: day,
          totalMinor: total,
          bytes: body.byteLength > 0 ? body : undefined,
        });
        return kept.ok
          ? Response.json(kept.value, { headers: noStore })
          : refuse(422, { code: kept.error.code, message: pictureErrorWords(kept.error) });
      },
    );
  },
);
