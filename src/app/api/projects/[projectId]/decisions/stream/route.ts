import { z } from 'zod';

import { projectIdSchema } from '@/core/shared';
import { onAnswers } from '@/data/announcements';
import { getDatabase } from '@/data/startData';
import { nowIso } from '@/server/means';
import { followDecisions } from '@/server/sort/followDecisions';
import { refuse, respond } from '@/app/api/respond';
import { handler } from '@/app/api/handler';
import { findProject } from '@/data/records';

const HEARTBEAT_MS = 15_000;
const schema = z.object({ projectId: projectIdSchema, after: z.coerce.number().int().min(0) });

/** What others decide, as it is kept: server-sent events, numbered by their place in the log. */
export const GET = handler(
  async (request: Request, { params }: { params: Promise<{ projectId: string }> }) => {
    // A browser that lost the line says itself how far it had come.
    const after =
      request.headers.get('last-event-id') ?? new URL(request.url).searchParams.get('after') ?? '0';
    return respond(schema, { ...(await params), after }, async (input) => {
      const db = await getDatabase();
      if (!(await findProject(db, input.projectId)))
        return refuse(404, { code: 'not_found', message: 'There is no such project.' });
      const encoder = new TextEncoder();
      const abort = new AbortController();
      request.signal.addEventListener('abort', () => abort.abort());
      const body = new ReadableStream<Uint8Array>({
        start: (controller) => {
          const say = (text: string) =>
            !abort.signal.aborted && controller.enqueue(encoder.encode(text));
          say(`event: now\ndata: ${nowIso()}\n\n`);
          // A line that is silent for long is taken for dead, here and on the way.
          const beat = setInterval(() => say(': here\n\n'), HEARTBEAT_MS);
          const stop = onAnswers(input.projectId, () => say('event: answers\ndata: \n\n'));
          abort.signal.addEventListener('abort', () => {
            clearInterval(beat);
            stop();
          });
          void followDecisions(db, input, abort.signal, ({ seq, event }) =>
            say(`id: ${seq}\ndata: ${JSON.stringify(event)}\n\n`),
          );
        },
        cancel: () => abort.abort(),
      });
      return new Response(body, {
        headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store' },
      });
    });
  },
);
