import { z } from 'zod';

import { projectIdSchema, roomIdSchema } from '@/core/shared';
import { dataDirOf } from '@/data/db';
import { getDatabase } from '@/data/startData';
import { nowIso } from '@/server/means';
import { handedHomeNames, gatherHandedHome } from '@/server/show/handedHome';
import { loadClientPictures } from '@/server/show/clientPictures';
import { fileNameOf } from '@/server/show/clientWords';
import { renderClientPdf } from '@/server/show/renderClientPdf';
import { asDownload, refuse, respond } from '@/app/api/respond';
import { handler } from '@/app/api/handler';
import { loadRecords } from '@/data/records';

const schema = z.object({ projectId: projectIdSchema, roomId: roomIdSchema.optional() });

export const GET = handler(
  async (request: Request, { params }: { params: Promise<{ projectId: string }> }) => {
    const roomId = new URL(request.url).searchParams.get('room') ?? undefined;
    return respond(schema, { ...(await params), roomId }, async (input) => {
      const records = await loadRecords(await getDatabase(), input.projectId, ...handedHomeNames);
      if (input.roomId && records.rooms.every(({ id }) => id !== input.roomId))
        return refuse(404, { code: 'not_found', message: 'There is no such room.' });
      const page = gatherHandedHome(records, { roomId: input.roomId, now: nowIso() });
      const pictures = await loadClientPictures(dataDirOf(process.env), page);
      const pdf = await renderClientPdf(page, pictures);
      return new Response(new Uint8Array(pdf), {
        headers: asDownload(`${fileNameOf(page)}.pdf`, 'application/pdf'),
      });
    });
  },
);
