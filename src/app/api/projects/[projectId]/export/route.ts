import { Readable } from 'node:stream';
import { z } from 'zod';

import { projectIdSchema } from '@/core/shared';
import { dataDirOf } from '@/data/db';
import { getDatabase } from '@/data/startData';
import { exportProject } from '@/server/exchange/exportProject';
import { handler } from '@/app/api/handler';
import { asDownload, respond } from '@/app/api/respond';

/** A whole project as a zip; piece by piece, so that a home of thousands of pictures holds up nothing. */
export const GET = handler(
  async (_request: Request, { params }: { params: Promise<{ projectId: string }> }) =>
    respond(z.object({ projectId: projectIdSchema }), await params, async ({ projectId }) => {
      const zip = await exportProject(await getDatabase(), dataDirOf(process.env), projectId);
      return new Response(Readable.toWeb(zip) as ReadableStream<Uint8Array>, {
        headers: asDownload('tin-box-project.zip', 'application/zip'),
      });
    }),
);
