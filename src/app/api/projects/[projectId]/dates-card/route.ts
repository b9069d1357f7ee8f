import { z } from 'zod';

import { projectIdSchema, roomIdSchema } from '@/core/shared';
import { getDatabase } from '@/data/startData';
import { renderDatesCard } from '@/server/count/datesCard';
import { nowIso, today } from '@/server/means';
import { loadClientFonts } from '@/server/show/clientFonts';
import { noStore, respond } from '@/app/api/respond';
import { handler } from '@/app/api/handler';
import { loadRecords } from '@/data/records';

/** The dates card, of one room (`?room=`) or the whole home, as things stand now. */
export const GET = handler(
  async (request: Request, { params }: { params: Promise<{ projectId: string }> }) => {
    const room = new URL(request.url).searchParams.get('room') ?? undefined;
    return respond(
      z.object({ projectId: projectIdSchema, room: roomIdSchema.optional() }),
      { ...(await params), room },
      async ({ projectId, room: roomId }) => {
        const records = await loadRecords(
          await getDatabase(),
          projectId,
          'project',
          'rooms',
          'things',
        );
        return new Response(
          renderDatesCard(records, {
            roomId,
            today: today(),
            now: nowIso(),
            fontCss: await loadClientFonts(),
          }),
          { headers: { ...noStore, 'content-type': 'text/html; charset=utf-8' } },
        );
      },
    );
  },
);
