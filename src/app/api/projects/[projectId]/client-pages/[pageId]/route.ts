import { z } from 'zod';

import { clientPageIdSchema, projectIdSchema } from '@/core/shared';
import { dataDirOf } from '@/data/db';
import { getDatabase } from '@/data/startData';
import { asDownload, respond } from '@/app/api/respond';
import { handler } from '@/app/api/handler';
import { pageFileName, renderPageFile } from '@/server/client/pageFile';
import { getPage } from '@/server/client/pages';

const schema = z.object({ projectId: projectIdSchema, pageId: clientPageIdSchema });

/** A page as a file to be sent. */
export const GET = handler(
  async (
    _request: Request,
    { params }: { params: Promise<{ projectId: string; pageId: string }> },
  ) =>
    respond(schema, await params, async ({ projectId, pageId }) => {
      const db = await getDatabase();
      const page = await getPage(db, projectId, pageId);
      return new Response(await renderPageFile(db, dataDirOf(process.env), page), {
        headers: asDownload(pageFileName(page), 'text/html; charset=utf-8'),
      });
    }),
);
