import { z } from 'zod';

import { handler } from '@/app/api/handler';
import { asDownload, respond } from '@/app/api/respond';
import { daySchema } from '@/core/agree';
import { projectIdSchema } from '@/core/shared';
import { loadRecords } from '@/data/records';
import { getDatabase } from '@/data/startData';
import { today } from '@/server/means';
import { renderStatementPdf } from '@/server/visits/renderStatementPdf';
import { loadStatement, statementNames, writeStatementCsv } from '@/server/visits/statement';

const day = z.preprocess((raw) => (raw === '' ? undefined : raw), daySchema.optional());
const querySchema = z.object({
  projectId: projectIdSchema,
  as: z.enum(['csv', 'pdf']),
  from: day,
  to: day,
});

/** What the client owes: hours, fee, tax, purchases, as CSV or on one page. */
export const GET = handler(
  async (request: Request, { params }: { params: Promise<{ projectId: string }> }) => {
    const query = Object.fromEntries(new URL(request.url).searchParams);
    return respond(querySchema, { ...query, ...(await params) }, async (input) => {
      const db = await getDatabase();
      const records = await loadRecords(db, input.projectId, ...statementNames);
      const span = { from: input.from ?? null, to: input.to ?? null };
      const statement = await loadStatement(db, records, span);
      const name = `${records.project.name}-statement`;
      if (input.as === 'csv')
        return new Response(writeStatementCsv(statement, records.project), {
          headers: asDownload(`${name}.csv`, 'text/csv; charset=utf-8'),
        });
      const pdf = await renderStatementPdf(statement, {
        project: records.project,
        span,
        madeOn: today(),
      });
      return new Response(new Uint8Array(pdf), {
        headers: asDownload(`${name}.pdf`, 'application/pdf'),
      });
    });
  },
);
