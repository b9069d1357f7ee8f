import 'server-only';

import { Document, Page, Path, renderToBuffer, Svg } from '@react-pdf/renderer';

import type { LabelPage } from '@/core/labels';
import { LOCALE } from '@/core/shared';
import { inksOf, transformOf } from './labelFiles';

const PT_PER_MM = 72 / 25.4;

/** All pages as one PDF, each in its own size. */
export async function labelPagesPdf(pages: readonly LabelPage[], title: string): Promise<Buffer> {
  return renderToBuffer(
    <Document title={title} language={LOCALE}>
      {pages.map((page, i) => (
        <Page key={i} size={[page.widthMm * PT_PER_MM, page.heightMm * PT_PER_MM]}>
          <Svg
            width={page.widthMm * PT_PER_MM}
            height={page.heightMm * PT_PER_MM}
            viewBox={`0 0 ${page.widthMm} ${page.heightMm}`}
          >
            {inksOf(page).map(({ d, fill, stroke, widthMm, box }, at) => (
              <Path
                key={at}
                d={d}
                fill={fill}
                stroke={stroke}
                strokeWidth={widthMm}
                strokeLinecap="round"
                {...(box ? { transform: transformOf(box) } : {})}
              />
            ))}
          </Svg>
        </Page>
      ))}
    </Document>,
  );
}
