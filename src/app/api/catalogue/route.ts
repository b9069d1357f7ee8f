import { z } from 'zod';

import { asDownload, readBody, refuse, respond } from '@/app/api/respond';
import { getDatabase } from '@/data/db';
import { importCatalogueCsv, writeCatalogueCsv } from '@/server/fit/catalogueCsv';

const MAX_CSV_BYTES = 20_000_000;

/** The price list as CSV. */
export async function GET(): Promise<Response> {
  return new Response(await writeCatalogueCsv(await getDatabase()), {
    headers: asDownload('price-list.csv', 'text/csv; charset=utf-8'),
  });
}

/** `accept=good` keeps the good rows of a file that has bad ones; otherwise all rows or none. */
export async function POST(request: Request): Promise<Response> {
  return respond(
    z.object({ accept: z.enum(['all', 'good']) }),
    { accept: new URL(request.url).searchParams.get('accept') ?? 'all' },
    async ({ accept }) => {
      const body = await readBody(request, MAX_CSV_BYTES);
      if (!body)
        return refuse(413, { code: 'too_large', message: 'This file is larger than 20 MB.' });
      return Response.json(
        await importCatalogueCsv(await getDatabase(), {
          text: new TextDecoder().decode(body),
          acceptGoodRows: accept === 'good',
        }),
      );
    },
  );
}
