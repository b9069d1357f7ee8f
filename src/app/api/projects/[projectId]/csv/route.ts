import { z } from 'zod';

import { projectIdSchema } from '@/core/shared';
import { getDatabase } from '@/data/db';
import { exportDecisionsCsv, importDecisionsCsv } from '@/server/sort/decisionsFile';
import { asDownload, readBody, refuse, respond } from '@/app/api/respond';

type Context = { params: Promise<{ projectId: string }> };
const MAX_CSV_BYTES = 20_000_000;

export async function GET(request: Request, { params }: Context): Promise<Response> {
  const schema = z.object({ projectId: projectIdSchema, what: z.enum(['decisions', 'things']) });
  const what = new URL(request.url).searchParams.get('what') ?? 'decisions';
  return respond(
    schema,
    { ...(await params), what },
    async (input) =>
      new Response(await exportDecisionsCsv(await getDatabase(), input.projectId, input.what), {
        headers: asDownload(`${input.what}.csv`, 'text/csv; charset=utf-8'),
      }),
  );
}

/** `accept=good` keeps the good rows of a file that has bad ones; otherwise all rows or none. */
export async function POST(request: Request, { params }: Context): Promise<Response> {
  const schema = z.object({ projectId: projectIdSchema, accept: z.enum(['all', 'good']) });
  const accept = new URL(request.url).searchParams.get('accept') ?? 'all';
  return respond(schema, { ...(await params), accept }, async (input) => {
    const body = await readBody(request, MAX_CSV_BYTES);
    if (!body)
      return refuse(413, { code: 'too_large', message: 'This file is larger than 20 MB.' });
    const text = new TextDecoder().decode(body);
    const result = await importDecisionsCsv(await getDatabase(), input.projectId, {
      text,
      acceptGoodRows: input.accept === 'good',
    });
    return Response.json(result);
  });
}
