import { z } from 'zod';

import { projectIdSchema } from '@/core/shared';
import { getDatabase } from '@/data/startData';
import {
  importMeasures,
  measuresJsonToCsv,
  writeMeasuresCsv,
  writeMeasuresJson,
} from '@/server/look/measuresFile';
import { asDownload, readText, refuse, respond } from '@/app/api/respond';
import { handler } from '@/app/api/handler';
import { loadRecords } from '@/data/records';

type Context = { params: Promise<{ projectId: string }> };
const MAX_FILE_BYTES = 10_000_000;

/** Rooms, units and bays with their readings. */
export const GET = handler(async (request: Request, { params }: Context) => {
  const format = new URL(request.url).searchParams.get('format') ?? 'csv';
  return respond(
    z.object({ projectId: projectIdSchema, format: z.enum(['csv', 'json']) }),
    { ...(await params), format },
    async (input) => {
      const records = await loadRecords(await getDatabase(), input.projectId, 'rooms', 'units');
      if (input.format === 'json')
        return new Response(writeMeasuresJson(records), {
          headers: asDownload('measures.json', 'application/json'),
        });
      return new Response(writeMeasuresCsv(records), {
        headers: asDownload('measures.csv', 'text/csv; charset=utf-8'),
      });
    },
  );
});

/** Reads either; a file that begins with a brace is JSON. `accept=good` keeps the units without a fault. */
export const POST = handler(async (request: Request, { params }: Context) => {
  const accept = new URL(request.url).searchParams.get('accept') ?? 'all';
  return respond(
    z.object({ projectId: projectIdSchema, accept: z.enum(['all', 'good']) }),
    { ...(await params), accept },
    async (input) => {
      const text = await readText(request, { maxBytes: MAX_FILE_BYTES, what: 'This file' });
      const read = text.trimStart().startsWith('{') ? measuresJsonToCsv(text) : { csv: text };
      if ('message' in read) return refuse(400, { code: 'bad_request', message: read.message });
      return Response.json(
        await importMeasures(await getDatabase(), input.projectId, {
          csv: read.csv,
          acceptGood: input.accept === 'good',
        }),
      );
    },
  );
});
