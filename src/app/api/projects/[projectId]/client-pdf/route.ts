import { z } from 'zod';

import { projectIdSchema, roomIdSchema, type PictureId } from '@/core/shared';
import { dataDirOf, getDatabase } from '@/data/db';
import { getProjectRecords } from '@/data/projectRepo';
import { readPictureFile } from '@/server/look/pictures';
import { nowIso } from '@/server/means';
import { gatherClientPage } from '@/server/show/clientPage';
import { fileNameOf } from '@/server/show/clientWords';
import { renderClientPdf } from '@/server/show/renderClientPdf';
import { asDownload, refuse, respond } from '@/app/api/respond';

const schema = z.object({ projectId: projectIdSchema, roomId: roomIdSchema.optional() });

export async function GET(
  request: Request,
  { params }: { params: Promise<{ projectId: string }> },
): Promise<Response> {
  const roomId = new URL(request.url).searchParams.get('room') ?? undefined;
  return respond(schema, { ...(await params), roomId }, async (input) => {
    const records = await getProjectRecords(await getDatabase(), input.projectId);
    if (input.roomId && records.rooms.every(({ id }) => id !== input.roomId))
      return refuse(404, { code: 'not_found', message: 'There is no such room.' });
    const page = gatherClientPage(records, { roomId: input.roomId, now: nowIso() });
    const pictures = new Map<PictureId, Buffer>();
    for (const { before, after } of page.rooms.flatMap(({ pairs }) => pairs)) {
      for (const picture of [before, after])
        if (picture)
          pictures.set(
            picture.id,
            await readPictureFile(dataDirOf(process.env), picture.id, 'full'),
          );
    }
    const pdf = await renderClientPdf(page, pictures);
    return new Response(new Uint8Array(pdf), {
      headers: asDownload(`${fileNameOf(page)}.pdf`, 'application/pdf'),
    });
  });
}
