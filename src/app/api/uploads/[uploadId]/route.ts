import { z } from 'zod';

import { momentSchema } from '@/core/look';
import { pictureIdSchema, projectIdSchema, vantagePointIdSchema } from '@/core/shared';
import { dataDirOf } from '@/data/db';
import { getDatabase } from '@/data/startData';
import { MAX_PICTURE_BYTES } from '@/server/look/encodePicture';
import {
  finishUpload,
  MAX_CHUNK_BYTES,
  receiveChunk,
  receivedBytesOf,
  sweepUploads,
} from '@/server/look/uploads';
import { noStore, readBody, readJson, readText, refuse, respond } from '@/app/api/respond';
import { pictureErrorWords } from '@/ui/look/lookWords';
import { handler } from '@/app/api/handler';

type Context = { params: Promise<{ uploadId: string }> };
const idSchema = z.object({ uploadId: pictureIdSchema });

/** How much of it has arrived. */
export const GET = handler(async (_request: Request, { params }: Context) => {
  return respond(idSchema, await params, async ({ uploadId }) =>
    Response.json(
      { receivedBytes: await receivedBytesOf(dataDirOf(process.env), uploadId) },
      { headers: noStore },
    ),
  );
});

/** The next piece; `offset` says where it begins. 409 tells where to go on from. */
export const PUT = handler(async (request: Request, { params }: Context) => {
  const offset = new URL(request.url).searchParams.get('offset');
  const schema = idSchema.extend({ offset: z.coerce.number().int().min(0).max(MAX_PICTURE_BYTES) });
  return respond(schema, { ...(await params), offset }, async (input) => {
    const bytes = await readBody(request, { maxBytes: MAX_CHUNK_BYTES, what: 'This piece' });
    const outcome = await receiveChunk(dataDirOf(process.env), input.uploadId, {
      offset: input.offset,
      bytes,
    });
    if (outcome.code === 'picture_too_large')
      return refuse(413, {
        code: outcome.code,
        message: pictureErrorWords({ code: outcome.code }),
      });
    return Response.json(
      { receivedBytes: outcome.receivedBytes },
      { status: outcome.code === 'received' ? 200 : 409 },
    );
  });
});

const spotSchema = z.object({ vantagePointId: vantagePointIdSchema, moment: momentSchema });
// Without a spot it is the picture of a thing in hand.
const finishSchema = idSchema.extend({
  projectId: projectIdSchema,
  spot: spotSchema.nullable(),
  totalBytes: z.number().int().min(1).max(MAX_PICTURE_BYTES),
});

/** All of it is there: make it a picture. Asked again, it answers the same one. */
export const POST = handler(async (request: Request, { params }: Context) => {
  const json = readJson(await readText(request, { maxBytes: 10_000, what: 'This request' }));
  const fields = typeof json === 'object' && json !== null ? json : {};
  return respond(finishSchema, { ...fields, ...(await params) }, async ({ uploadId, ...input }) => {
    const dataDir = dataDirOf(process.env);
    const finished = await finishUpload(await getDatabase(), dataDir, { ...input, id: uploadId });
    await sweepUploads(dataDir, Date.now());
    if (!finished.ok)
      return refuse(422, { code: finished.error.code, message: pictureErrorWords(finished.error) });
    return Response.json({ picture: finished.value }, { status: 201 });
  });
});
