import { z } from 'zod';

import { asDownload, readText, respond } from '@/app/api/respond';
import { getDatabase } from '@/data/startData';
import { importCatalogueCsv, writeCatalogueCsv } from '@/server/fit/catalogueCsv';
import { handler } from '@/app/api/handler';

const MAX_CSV_BYTES = 20_000_000;

/** The price list as CSV. */
export const GET = handler(async () => {
  return new Response(await writeCatalogueCsv(await getDatabase()), {
    headers: asDownload('price-list.csv', 'text/csv; charset=utf-8'),
  });
});

/** `accept=good` keeps the good rows of a file that has bad ones; otherwise all rows or none. */
export const POST = handler(async (request: Request) => {
  return respond(
    z.object({ accept: z.enum(['all', 'good']) }),
    { accept: new URL(request.url).searchParams.get('accept') ?? 'all' },
    async ({ accept }) => {
      const text = await readText(request, { maxBytes: MAX_CSV_BYTES, what: 'This file' });
      return Response.json(
        await importCatalogueCsv(await getDatabase(), {
          text,
          acceptGoodRows: accept === 'good',
        }),
      );
    },
  );
});
