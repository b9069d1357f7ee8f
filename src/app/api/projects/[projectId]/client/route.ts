import { z } from 'zod';

import { projectIdSchema, roomIdSchema, type PictureId } from '@/core/shared';
import { dataDirOf } from '@/data/db';
import { getDatabase } from '@/data/startData';
import { nowIso } from '@/server/means';
import { loadClientFonts } from '@/server/show/clientFonts';
import { handedHomeNames, gatherHandedHome } from '@/server/show/handedHome';
import { findShownPictures, loadClientPictures } from '@/server/show/clientPictures';
import { fileNameOf } from '@/server/show/clientWords';
import { renderClientHtml } from '@/server/show/renderClientHtml';
import { asDownload, noStore, refuse, respond } from '@/app/api/respond';
import { handler } from '@/app/api/handler';
import { loadRecords } from '@/data/records';

const schema = z.object({
  projectId: projectIdSchema,
  roomId: roomIdSchema.optional(),
  download: z.boolean(),
});

/** The client's page: in the app with addresses for its pictures, as a download with the pictures inside. */
export const GET = handler(
  async (request: Request, { params }: { params: Promise<{ projectId: string }> }) => {
    const query = new URL(request.url).searchParams;
    return respond(
      schema,
      {
        ...(await params),
        roomId: query.get('room') ?? undefined,
        download: query.has('download'),
      },
      async (input) => {
        const records = await loadRecords(await getDatabase(), input.projectId, ...handedHomeNames);
        if (input.roomId && records.rooms.every(({ id }) => id !== input.roomId))
          return refuse(404, { code: 'not_found', message: 'There is no such room.' });
        const page = gatherHandedHome(records, { roomId: input.roomId, now: nowIso() });
        const fontCss = await loadClientFonts();
        const dataDir = dataDirOf(process.env);
        if (!input.download) {
          const shown = await findShownPictures(dataDir, page);
          const pictureSrc = (id: PictureId) => (shown.has(id) ? `/api/pictures/${id}` : undefined);
          return new Response(renderClientHtml(page, { fontCss, pictureSrc }), {
            headers: { ...noStore, 'content-type': 'text/html; charset=utf-8' },
          });
        }
        const pictures = await loadClientPictures(dataDir, page);
        const pictureSrc = (id: PictureId) => {
          const bytes = pictures.get(id);
          return bytes && `data:image/jpeg;base64,${bytes.toString('base64')}`;
        };
        const html = renderClientHtml(page, { fontCss, pictureSrc });
        return new Response(html, {
          headers: asDownload(`${fileNameOf(page)}.html`, 'text/html; charset=utf-8'),
        });
      },
    );
  },
);
