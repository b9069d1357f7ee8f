import { z } from 'zod';

import { noStore, readBody, refuse, respond } from '@/app/api/respond';
import { projectIdSchema } from '@/core/shared';
import { dataDirOf, getDatabase } from '@/data/db';
import { MAX_PICTURE_BYTES, type PictureError } from '@/server/look/pictures';
import { addReceipt } from '@/server/shop/receipts';
import { typedMoney } from '@/ui/typedValues';

const schema = z.object({
  projectId: projectIdSchema,
  shop: z.string().trim().min(1, 'Which shop?').max(80),
  day: z.iso.date('Type the day on the receipt'),
  total: typedMoney,
});

const FAULT_WORDS: Readonly<Record<PictureError['code'], string>> = {
  picture_too_large: 'This picture is larger than 25 MB.',
  not_a_picture: 'This file is no picture that can be read.',
  picture_damaged: 'This picture is damaged.',
};

/** Keeps a receipt; the body is its picture, or empty. */
export async function POST(
  request: Request,
  { params }: { params: Promise<{ projectId: string }> },
): Promise<Response> {
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
      const body = await readBody(request, MAX_PICTURE_BYTES);
      if (!body)
        return refuse(413, { code: 'picture_too_large', message: FAULT_WORDS.picture_too_large });
      const kept = await addReceipt(await getDatabase(), dataDirOf(process.env), projectId, {
        shopName: shop,
        boughtOn: day,
        totalMinor: total,
        bytes: body.byteLength > 0 ? body : undefined,
      });
      return kept.ok
        ? Response.json(kept.value, { headers: noStore })
        : refuse(422, { code: kept.error.code, message: FAULT_WORDS[kept.error.code] });
    },
  );
}
