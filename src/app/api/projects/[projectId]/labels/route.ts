import { z } from 'zod';

import { handler } from '@/app/api/handler';
import { asDownload, noStore, refuse, respond } from '@/app/api/respond';
import { projectIdSchema, roomIdSchema } from '@/core/shared';
import { loadRecords } from '@/data/records';
import { getDatabase } from '@/data/startData';
import { labelPagePng, labelPageSvg } from '@/server/setUp/labelFiles';
import { labelPagesPdf } from '@/server/setUp/renderLabelsPdf';
import { labelListCsv, labelsOf } from '@/server/setUp/labels';
import { roomOf, setUpNames } from '@/server/setUp/roomSetUp';

const querySchema = z.object({
  projectId: projectIdSchema,
  room: roomIdSchema,
  as: z.enum(['pdf', 'svg', 'png', 'csv']),
  /** Which sheet, from 0; a PDF has all of them. */
  page: z.coerce.number().int().min(0).max(500).default(0),
});

/** A room's open labels to scale on what they are made on, or as a list to copy by hand. */
export const GET = handler(
  async (request: Request, { params }: { params: Promise<{ projectId: string }> }) => {
    const query = Object.fromEntries(new URL(request.url).searchParams);
    return respond(querySchema, { ...query, ...(await params) }, async (input) => {
      const records = await loadRecords(await getDatabase(), input.projectId, ...setUpNames);
      const room = roomOf(records, input.room);
      const labels = labelsOf(records, room.id);
      const title = `${room.name}, labels`;
      if (input.as === 'csv')
        return new Response(labelListCsv(labels), {
          headers: asDownload(`${title}.csv`, 'text/csv; charset=utf-8'),
        });
      const { pages } = labels.laidOut;
      const page = pages[input.page];
      if (!page)
        return refuse(404, { code: 'not_found', message: 'There is no label to print here.' });
      if (input.as === 'pdf')
        return new Response(new Uint8Array(await labelPagesPdf(pages, title)), {
          headers: asDownload(`${title}.pdf`, 'application/pdf'),
        });
      if (input.as === 'png')
        return new Response(new Uint8Array(await labelPagePng(page, title)), {
          headers: { ...noStore, 'content-type': 'image/png' },
        });
      return new Response(labelPageSvg(page, title), {
        headers: asDownload(`${title}.svg`, 'image/svg+xml; charset=utf-8'),
      });
    });
  },
);
