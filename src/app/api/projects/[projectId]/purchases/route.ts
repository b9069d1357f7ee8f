import { z } from 'zod';

import { asDownload, readText, respond } from '@/app/api/respond';
import { projectIdSchema, roomIdSchema } from '@/core/shared';
import { getDatabase } from '@/data/startData';
import { importPurchasesCsv, writePurchasesCsv } from '@/server/shop/purchasesCsv';
import { handler } from '@/app/api/handler';

type Context = { params: Promise<{ projectId: string }> };
const MAX_CSV_BYTES = 5_000_000;

/** What was bought, as CSV: for a room (`room`) or for the whole home. */
export const GET = handler(async (request: Request, { params }: Context) => {
  const room = new URL(request.url).searchParams.get('room') ?? undefined;
  return respond(
    z.object({ projectId: projectIdSchema, room: roomIdSchema.optional() }),
    { ...(await params), room },
    async (input) =>
      new Response(await writePurchasesCsv(await getDatabase(), input.projectId, input.room), {
        headers: asDownload('purchases.csv', 'text/csv; charset=utf-8'),
      }),
  );
});

/** `accept=good` keeps the good rows of a file that has bad ones; otherwise all rows or none. */
export const POST = handler(async (request: Request, { params }: Context) => {
  const query = new URL(request.url).searchParams;
  const schema = z.object({
    projectId: projectIdSchema,
    room: roomIdSchema,
    accept: z.enum(['all', 'good']),
  });
  return respond(
    schema,
    { ...(await params), room: query.get('room'), accept: query.get('accept') ?? 'all' },
    async ({ projectId, room, accept }) => {
      const text = await readText(request, { maxBytes: MAX_CSV_BYTES, what: 'This file' });
      return Response.json(
        await importPurchasesCsv(await getDatabase(), projectId, {
          roomId: room,
          text,
          acceptGoodRows: accept === 'good',
        }),
      );
    },
  );
});
