import { z } from 'zod';

import { projectIdSchema, roomIdSchema } from '@/core/shared';
import { dataDirOf } from '@/data/db';
import { getDatabase } from '@/data/startData';
import { loadRecords } from '@/data/records';
import { asDownload, noStore, refuse, respond } from '@/app/api/respond';
import { handler } from '@/app/api/handler';
import { closingKinds, makeClosingFile } from '@/server/client/closingFiles';
import { closingNames, closingPage, portfolioPage } from '@/server/client/closingReport';

const schema = z.object({
  projectId: projectIdSchema,
  roomId: roomIdSchema.optional(),
  as: z.enum([...closingKinds, 'page']),
  /** For others to see: without names, addresses and money. */
  isPortfolio: z.boolean(),
});

/** The closing report as it was put together: on screen, as a file, on paper, or its pictures alone. */
export const GET = handler(
  async (request: Request, { params }: { params: Promise<{ projectId: string }> }) => {
    const query = new URL(request.url).searchParams;
    return respond(
      schema,
      {
        ...(await params),
        roomId: query.get('room') ?? undefined,
        as: query.get('as') ?? 'page',
        isPortfolio: query.has('portfolio'),
      },
      async ({ projectId, roomId, as, isPortfolio }) => {
        const records = await loadRecords(await getDatabase(), projectId, ...closingNames);
        const page = isPortfolio ? portfolioPage(records) : closingPage(records, roomId);
        if (!page)
          return refuse(403, {
            code: 'no_consent',
            message: 'Nobody has agreed that pictures of this home are shown elsewhere.',
          });
        const kind = as === 'page' ? 'file' : as;
        const file = await makeClosingFile(dataDirOf(process.env), page, kind);
        const headers =
          as === 'page'
            ? { ...noStore, 'content-type': file.type }
            : asDownload(file.name, file.type);
        return new Response(new Uint8Array(file.bytes), { headers });
      },
    );
  },
);
