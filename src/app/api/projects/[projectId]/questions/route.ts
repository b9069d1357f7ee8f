import { z } from 'zod';

import { projectIdSchema } from '@/core/shared';
import { getDatabase } from '@/data/startData';
import { nowIso } from '@/server/means';
import { loadClientFonts } from '@/server/show/clientFonts';
import { renderQuestionsHtml } from '@/server/sort/questionSheet';
import { noStore, respond } from '@/app/api/respond';
import { handler } from '@/app/api/handler';
import { loadRecords } from '@/data/records';

/** The questions for the client, to show, print or save. */
export const GET = handler(
  async (_request: Request, { params }: { params: Promise<{ projectId: string }> }) => {
    return respond(
      z.object({ projectId: projectIdSchema }),
      await params,
      async ({ projectId }) => {
        const records = await loadRecords(
          await getDatabase(),
          projectId,
          'project',
          'rooms',
          'things',
        );
        return new Response(
          renderQuestionsHtml(records, { now: nowIso(), fontCss: await loadClientFonts() }),
          { headers: { ...noStore, 'content-type': 'text/html; charset=utf-8' } },
        );
      },
    );
  },
);
