import { z } from 'zod';

import { handler } from '@/app/api/handler';
import { asDownload, respond } from '@/app/api/respond';
import { projectIdSchema, visitIdSchema } from '@/core/shared';
import { loadRecords } from '@/data/records';
import { getDatabase } from '@/data/startData';
import { nowIso } from '@/server/means';
import { writeTimeSheet, writeVisitsCalendar } from '@/server/visits/visitFiles';

const querySchema = z.object({
  projectId: projectIdSchema,
  as: z.enum(['ics', 'csv']),
  /** One visit alone. */
  visit: visitIdSchema.optional(),
});

/** The visits of a home: planned and lived as a calendar file, lived ones as a time sheet in CSV. */
export const GET = handler(
  async (request: Request, { params }: { params: Promise<{ projectId: string }> }) => {
    const query = Object.fromEntries(new URL(request.url).searchParams);
    return respond(
      querySchema,
      { ...query, ...(await params) },
      async ({ projectId, as, visit }) => {
        const db = await getDatabase();
        const all = await loadRecords(db, projectId, 'project', 'rooms', 'sections', 'visits');
        const records = {
          ...all,
          visits: all.visits.filter(({ id }) => visit === undefined || id === visit),
        };
        const { name } = records.project;
        return as === 'ics'
          ? new Response(writeVisitsCalendar(records, nowIso()), {
              headers: asDownload(`${name}-visits.ics`, 'text/calendar; charset=utf-8'),
            })
          : new Response(writeTimeSheet(records), {
              headers: asDownload(`${name}-time-sheet.csv`, 'text/csv; charset=utf-8'),
            });
      },
    );
  },
);
