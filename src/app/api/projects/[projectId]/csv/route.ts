import { z } from 'zod';

import { projectIdSchema } from '@/core/shared';
import { getDatabase } from '@/data/db';
import { exportDecisionsCsv, importDecisionsCsv } from '@/server/sort/decisionsFile';
import { asDownload, readText, respond } from '@/app/api/respond';
import { handler } from '@/app/api/handler';

type Context = { params: Promise<{ projectId: string }> };
const MAX_CSV_BYTES = 20_000_000;

export const GET = handler(async (request: Request, { params }: Context) => {
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
});

/** `accept=good` keeps the good rows of a file that has bad ones; otherwise all rows or none. */
export const POST = handler(async (request: Request, { params }: Context) => {
  const schema = z.object({ projectId: projectIdSchema, accept: z.enum(['all', 'good']) });
  const accept = new URL(request.url).searchParams.get('accept') ?? 'all';
  return respond(schema, { ...(await params), accept }, async (input) => {
    const text = await readText(request, { maxBytes: MAX_CSV_BYTES, what: 'This file' });
    const result = await importDecisionsCsv(await getDatabase(), input.projectId, {
      text,
      acceptGoodRows: input.accept === 'good',
    });
    return Response.json(result);
  });
});
