import { z } from 'zod';

import { handler } from '@/app/api/handler';
import { asDownload, readText, respond } from '@/app/api/respond';
import { getDatabase } from '@/data/startData';
import { readDestinationsCsv, writeDestinationsCsv } from '@/server/takeAway/destinations';
import { listDestinations } from '@/server/takeAway/leaving';

const MAX_CSV_BYTES = 2_000_000;

/** Every destination, as CSV. */
export const GET = handler(
  async () =>
    new Response(writeDestinationsCsv(await listDestinations(await getDatabase())), {
      headers: asDownload('destinations.csv', 'text/csv; charset=utf-8'),
    }),
);

/** Reads a table of destinations, all of it or nothing; `accept=good` keeps the good rows. */
export const POST = handler(async (request: Request) =>
  respond(
    z.object({ accept: z.enum(['all', 'good']) }),
    { accept: new URL(request.url).searchParams.get('accept') ?? 'all' },
    async ({ accept }) =>
      Response.json(
        await readDestinationsCsv(await getDatabase(), {
          text: await readText(request, { maxBytes: MAX_CSV_BYTES, what: 'This file' }),
          acceptGoodRows: accept === 'good',
        }),
      ),
  ),
);
