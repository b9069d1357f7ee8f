import { z } from 'zod';

import { projectIdSchema } from '@/core/shared';
import { getDatabase } from '@/data/startData';
import { loadRecords } from '@/data/records';
import { asDownload, respond } from '@/app/api/respond';
import { handler } from '@/app/api/handler';
import { lookNames, looksOf } from '@/server/again/looks';
import { writeLooksCalendar } from '@/server/again/looksFile';
import { nowIso } from '@/server/means';

/** The looks ahead as a calendar file. */
export const GET = handler(
  async (_request: Request, { params }: { params: Promise<{ projectId: string }> }) =>
    respond(z.object({ projectId: projectIdSchema }), await params, async ({ projectId }) => {
      const records = await loadRecords(await getDatabase(), projectId, ...lookNames);
      const file = writeLooksCalendar(
        { homeName: records.project.name, looks: looksOf(records) },
        nowIso(),
      );
      return new Response(file, {
        headers: asDownload('look-again.ics', 'text/calendar; charset=utf-8'),
      });
    }),
);
