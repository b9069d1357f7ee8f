import { z } from 'zod';

import { handler } from '@/app/api/handler';
import { asDownload, respond } from '@/app/api/respond';
import { projectIdSchema } from '@/core/shared';
import { loadRecords } from '@/data/records';
import { getDatabase } from '@/data/startData';
import { handedOverIn, writeGivenCsv } from '@/server/takeAway/givenFiles';
import { renderGivenPdf } from '@/server/takeAway/renderGivenPdf';

const querySchema = z.object({
  projectId: projectIdSchema,
  as: z.enum(['csv', 'pdf']),
  year: z.coerce.number().int().min(2000).max(2200),
});

/** What was handed over in a year, as CSV or on paper. */
export const GET = handler(
  async (request: Request, { params }: { params: Promise<{ projectId: string }> }) => {
    const query = Object.fromEntries(new URL(request.url).searchParams);
    return respond(querySchema, { ...query, ...(await params) }, async (input) => {
      const { project, handovers, leavings } = await loadRecords(
        await getDatabase(),
        input.projectId,
        'handovers',
        'leavings',
        'project',
      );
      const own = handedOverIn(handovers, input.year);
      const name = `${project.name}-handed-over-${input.year}`;
      if (input.as === 'csv')
        return new Response(writeGivenCsv(own, project.currency), {
          headers: asDownload(`${name}.csv`, 'text/csv; charset=utf-8'),
        });
      const pdf = await renderGivenPdf(own, {
        home: project.name,
        year: input.year,
        currency: project.currency,
        hasValues: leavings[0]?.wantsValues ?? false,
      });
      return new Response(new Uint8Array(pdf), {
        headers: asDownload(`${name}.pdf`, 'application/pdf'),
      });
    });
  },
);
