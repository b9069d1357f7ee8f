import { z } from 'zod';

import { projectIdSchema } from '@/core/shared';
import { dataDirOf, getDatabase } from '@/data/db';
import { exportProject } from '@/server/exchange/archive';
import { asDownload, respond } from '@/app/api/respond';
import { handler } from '@/app/api/handler';

export const GET = handler(
  async (_request: Request, { params }: { params: Promise<{ projectId: string }> }) => {
    return respond(
      z.object({ projectId: projectIdSchema }),
      await params,
      async ({ projectId }) => {
        const zip = await exportProject(await getDatabase(), dataDirOf(process.env), projectId);
        return new Response(new Uint8Array(zip), {
          headers: asDownload('tin-box-project.zip', 'application/zip'),
        });
      },
    );
  },
);
