import { z } from 'zod';

import { listKindSizes } from '@/data/countRepo';
import { getDatabase } from '@/data/startData';
import { importKinds, writeKindsCsv } from '@/server/count/kinds';
import { handler } from '@/app/api/handler';
import { asDownload, readText, respond } from '@/app/api/respond';

const MAX_FILE_BYTES = 5_000_000;

/** The organizer's own and corrected kinds. */
export const GET = handler(
  async () =>
    new Response(writeKindsCsv(await listKindSizes(await getDatabase())), {
      headers: asDownload('kinds.csv', 'text/csv; charset=utf-8'),
    }),
);

/** Takes a table of kinds over; faults are told by line and column. `accept=good` keeps the rows without. */
export const POST = handler(async (request: Request) => {
  const accept = new URL(request.url).searchParams.get('accept') ?? 'all';
  return respond(z.object({ accept: z.enum(['all', 'good']) }), { accept }, async (input) => {
    const text = await readText(request, { maxBytes: MAX_FILE_BYTES, what: 'This file' });
    const db = await getDatabase();
    return Response.json(await importKinds(db, { text, acceptGood: input.accept === 'good' }));
  });
});
