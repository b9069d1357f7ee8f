import { z } from 'zod';

import { projectIdSchema } from '@/core/shared';
import { getDatabase } from '@/data/startData';
import { exportDecisionsCsv, importDecisionsCsv, StoppedError } from '@/server/sort/decisionsFile';
import { asDownload, readText, refuse, respond } from '@/app/api/respond';
import { answerLongWork, handler } from '@/app/api/handler';

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
  return respond(schema, { ...(await params), accept }, (input) =>
    answerLongWork(request, async (onProgress) => {
      const text = await readText(request, { maxBytes: MAX_CSV_BYTES, what: 'This file' });
      const acceptGoodRows = input.accept === 'good';
      const means = { signal: request.signal, onProgress };
      const db = await getDatabase();
      try {
        return Response.json(
          await importDecisionsCsv(db, input.projectId, { text, acceptGoodRows, ...means }),
        );
      } catch (error) {
        if (!(error instanceof StoppedError)) throw error;
        return refuse(499, { code: 'stopped', message: 'Stopped; nothing was kept.' });
      }
    }),
  );
});
