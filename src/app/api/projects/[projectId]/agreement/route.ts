import { z } from 'zod';

import { projectIdSchema } from '@/core/shared';
import { getDatabase } from '@/data/startData';
import { loadAgreementSheet } from '@/server/agree/agreementSheet';
import { renderAgreementHtml } from '@/server/agree/renderAgreement';
import { renderAgreementPdf } from '@/server/agree/renderAgreementPdf';
import { nowIso } from '@/server/means';
import { loadClientFonts } from '@/server/show/clientFonts';
import { asDownload, noStore, respond } from '@/app/api/respond';
import { handler } from '@/app/api/handler';
import { loadRecords } from '@/data/records';
import { estimateNames } from '@/server/agree/loadEstimate';

const schema = z.object({ projectId: projectIdSchema, format: z.enum(['html', 'pdf']) });

/** The agreement sheet, to print from the browser or as a PDF. */
export const GET = handler(
  async (request: Request, { params }: { params: Promise<{ projectId: string }> }) => {
    const format = new URL(request.url).searchParams.get('format') ?? 'html';
    return respond(schema, { ...(await params), format }, async (input) => {
      const db = await getDatabase();
      const sheet = await loadAgreementSheet(
        db,
        await loadRecords(db, input.projectId, 'agreements', ...estimateNames),
        nowIso(),
      );
      if (input.format === 'pdf')
        return new Response(new Uint8Array(await renderAgreementPdf(sheet)), {
          headers: asDownload('agreement.pdf', 'application/pdf'),
        });
      return new Response(renderAgreementHtml(sheet, await loadClientFonts()), {
        headers: { ...noStore, 'content-type': 'text/html; charset=utf-8' },
      });
    });
  },
);
