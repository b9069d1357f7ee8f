import { z } from 'zod';

import { projectIdSchema } from '@/core/shared';
import { getDatabase } from '@/data/startData';
import { nowIso } from '@/server/means';
import { writeReminders } from '@/server/sort/remindersFile';
import { asDownload, respond } from '@/app/api/respond';
import { handler } from '@/app/api/handler';
import { loadRecords } from '@/data/records';

/** What was put off, as a calendar file. */
export const GET = handler(
  async (_request: Request, { params }: { params: Promise<{ projectId: string }> }) => {
    return respond(
      z.object({ projectId: projectIdSchema }),
      await params,
      async ({ projectId }) => {
        const records = await loadRecords(
          await getDatabase(),
          projectId,
          'carries',
          'project',
          'rooms',
          'things',
        );
        return new Response(writeReminders(records, nowIso()), {
          headers: asDownload(
            `${records.project.name}-reminders.ics`,
            'text/calendar; charset=utf-8',
          ),
        });
      },
    );
  },
);
