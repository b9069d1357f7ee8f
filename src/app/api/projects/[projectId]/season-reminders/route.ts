import { z } from 'zod';

import { projectIdSchema, roomIdSchema } from '@/core/shared';
import { getDatabase } from '@/data/startData';
import { nowIso } from '@/server/means';
import { seasonsOfRoom, writeSeasonReminders } from '@/server/place/seasons';
import { asDownload, respond } from '@/app/api/respond';
import { handler } from '@/app/api/handler';
import { loadRecords } from '@/data/records';

/** What changes with the seasons in a room, as a calendar file that comes again each year. */
export const GET = handler(
  async (request: Request, { params }: { params: Promise<{ projectId: string }> }) => {
    const query = Object.fromEntries(new URL(request.url).searchParams);
    return respond(
      z.object({ projectId: projectIdSchema, room: roomIdSchema }),
      { ...query, ...(await params) },
      async ({ projectId, room }) => {
        const records = await loadRecords(
          await getDatabase(),
          projectId,
          'fixtures',
          'groups',
          'people',
          'project',
          'rooms',
          'things',
          'units',
        );
        return new Response(
          writeSeasonReminders(records, {
            roomId: room,
            swaps: seasonsOfRoom(records, room),
            now: nowIso(),
          }),
          {
            headers: asDownload(
              `${records.project.name}-seasons.ics`,
              'text/calendar; charset=utf-8',
            ),
          },
        );
      },
    );
  },
);
