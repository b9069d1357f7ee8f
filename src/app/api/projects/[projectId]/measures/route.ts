import { z } from 'zod';

import { projectIdSchema } from '@/core/shared';
import { getDatabase } from '@/data/db';
import { getProjectRecords } from '@/data/projectRepo';
import {
  importMeasures,
  measuresJsonToCsv,
  writeMeasuresCsv,
  writeMeasuresJson,
} from '@/server/look/measuresFile';
import { asDownload, readBody, refuse, respond } from '@/app/api/respond';

type Context = { params: Promise<{ projectId: string }> };
const MAX_FILE_BYTES = 10_000_000;

/** Rooms, units and bays with their readings. */
export async function GET(request: Request, { params }: Context): Promise<Response> {
  const format = new URL(request.url).searchParams.get('format') ?? 'csv';
  return respond(
    z.object({ projectId: projectIdSchema, format: z.enum(['csv', 'json']) }),
    { ...(await params), format },
    async (input) => {
      const records = await getProjectRecords(await getDatabase(), input.projectId);
      if (input.format === 'json')
        return new Response(writeMeasuresJson(records), {
          headers: asDownload('measures.json', 'application/json'),
        });
      return new Response(writeMeasuresCsv(records), {
        headers: asDownload('measures.csv', 'text/csv; charset=utf-8'),
      });
    },
  );
}

/** Reads either; a file that begins with a brace is JSON. `accept=good` keeps the units without a fault. */
export async function POST(request: Request, { params }: Context): Promise<Response> {
  const accept = new URL(request.url).searchParams.get('accept') ?? 'all';
  return respond(
    z.object({ projectId: projectIdSchema, accept: z.enum(['all', 'good']) }),
    { ...(await params), accept },
    async (input) => {
      const body = await readBody(request, MAX_FILE_BYTES);
      if (!body)
        return refuse(413, { code: 'too_large', message: 'This file is larger than 10 MB.' });
      const text = new TextDecoder().decode(body);
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
}
