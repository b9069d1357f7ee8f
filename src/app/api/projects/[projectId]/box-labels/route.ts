import { z } from 'zod';

import { handler } from '@/app/api/handler';
import { noStore, respond } from '@/app/api/respond';
import { tripsPageOf } from '@/core/takeAway';
import { projectIdSchema } from '@/core/shared';
import { loadRecords } from '@/data/records';
import { getDatabase } from '@/data/startData';
import { loadClientFonts } from '@/server/show/clientFonts';
import { leavingNames, loadLeaving } from '@/server/takeAway/leaving';
import { renderBoxLabels } from '@/server/takeAway/renderBoxLabels';

/** A label for every box, to print. */
export const GET = handler(
  async (_: Request, { params }: { params: Promise<{ projectId: string }> }) =>
    respond(z.object({ projectId: projectIdSchema }), await params, async ({ projectId }) => {
      const db = await getDatabase();
      const records = await loadRecords(db, projectId, ...leavingNames);
      const { boxes } = tripsPageOf(records, await loadLeaving(db, records));
      const html = renderBoxLabels(boxes, {
        home: records.project.name,
        fontCss: await loadClientFonts(),
      });
      return new Response(html, {
        headers: { ...noStore, 'content-type': 'text/html; charset=utf-8' },
      });
    }),
);
