import { z } from 'zod';

import { arrangementRefSchema } from '@/core/place';
import { projectIdSchema, roomIdSchema, unitIdSchema } from '@/core/shared';
import { getDatabase } from '@/data/startData';
import { drawingPages, drawingSvg, gatherDrawing } from '@/server/look/drawings';
import { renderDrawingPdf } from '@/server/look/renderDrawingPdf';
import { nowIso } from '@/server/means';
import { loadClientFonts } from '@/server/show/clientFonts';
import { dayWords } from '@/server/show/clientWords';
import { asDownload, noStore, refuse, respond } from '@/app/api/respond';
import { handler } from '@/app/api/handler';
import { loadRecords } from '@/data/records';

const schema = z.object({
  projectId: projectIdSchema,
  room: roomIdSchema,
  what: z.enum(['plan', 'front', 'unit', 'places']),
  unit: unitIdSchema.optional(),
  scale: z.union([z.literal(10), z.literal(20)]),
  format: z.enum(['svg', 'print', 'pdf']),
  draft: arrangementRefSchema.optional(),
});

/** A drawing at 1:10 or 1:20: one SVG file, a PDF, or pages to print at 100 %. */
export const GET = handler(
  async (request: Request, { params }: { params: Promise<{ projectId: string }> }) => {
    const query = Object.fromEntries(new URL(request.url).searchParams);
    return respond(
      schema,
      { format: 'svg', ...query, scale: Number(query.scale ?? 20), ...(await params) },
      async (input) => {
        const records = await loadRecords(
          await getDatabase(),
          input.projectId,
          'drafts',
          'fixtures',
          'groups',
          'project',
          'rooms',
          'things',
          'units',
        );
        const drawing = gatherDrawing(records, {
          roomId: input.room,
          kind: input.what,
          unitId: input.unit,
          scale: input.scale,
          draft: input.draft,
        });
        if (!drawing)
          return refuse(404, {
            code: 'not_found',
            message: 'There is nothing to draw here yet: measure the walls, or a unit.',
          });
        if (input.format === 'svg')
          return new Response(drawingSvg(drawing, input.scale), {
            headers: asDownload(
              `${input.what}-1-${input.scale}.svg`,
              'image/svg+xml; charset=utf-8',
            ),
          });
        if (input.format === 'pdf') {
          const pdf = await renderDrawingPdf(drawing, {
            scale: input.scale,
            home: records.project.name,
            day: dayWords(nowIso()),
          });
          return new Response(new Uint8Array(pdf), {
            headers: asDownload(`${input.what}-1-${input.scale}.pdf`, 'application/pdf'),
          });
        }
        const html = drawingPages(drawing, {
          scale: input.scale,
          home: records.project.name,
          day: dayWords(nowIso()),
          fontCss: await loadClientFonts(),
        });
        return new Response(html, {
          headers: { ...noStore, 'content-type': 'text/html; charset=utf-8' },
        });
      },
    );
  },
);
