import 'server-only';

import {
  Document,
  G,
  Line,
  Page,
  Path,
  Rect,
  renderToBuffer,
  StyleSheet,
  Svg,
  Text,
  View,
} from '@react-pdf/renderer';

import { inkOf, sweepPath, textInkOf, type Mark, type Sketch } from '@/core/look';
import { registerPdfFonts } from '../show/pdfFonts';
import { tilesOf, type Drawing, type DrawingScale } from './drawings';
import { LOCALE } from '@/core/shared';

const PT_PER_MM = 72 / 25.4;

/**
 * A drawing as a PDF on A4 at its scale, cut into sheets where it is larger, with a bar of 50 cm to
 * check the printer.
 */
export async function renderDrawingPdf(
  drawing: Drawing,
  {
    scale,
    home,
    day,
  }: { readonly scale: DrawingScale; readonly home: string; readonly day: string },
): Promise<Buffer> {
  registerPdfFonts();
  const sheets = drawing.sketches.flatMap(({ caption, sketch }) =>
    tilesOf(sketch, scale).map((tile, i, all) => ({
      caption: caption + (all.length > 1 ? `, sheet ${i + 1} of ${all.length}` : ''),
      sketch,
      tile,
    })),
  );
  return renderToBuffer(
    <Document title={`${drawing.title}, 1:${scale}`} language={LOCALE}>
      {sheets.map(({ caption, sketch, tile }) => (
        <Page key={caption} size="A4" style={styles.page}>
          <View style={styles.header}>
            <Text style={styles.title}>
              {drawing.title}, 1:{scale}
            </Text>
            <Text>
              {home}, {day}
            </Text>
          </View>
          <Text style={styles.caption}>{caption}. Print at 100 %.</Text>
          <Svg
            width={tile.widthMm * PT_PER_MM}
            height={tile.heightMm * PT_PER_MM}
            viewBox={`${sketch.x + tile.x * scale} ${sketch.y + tile.y * scale} ${tile.widthMm * scale} ${tile.heightMm * scale}`}
          >
            {sketch.marks.map((mark, i) => (
              <MarkView key={i} mark={mark} sketch={sketch} />
            ))}
          </Svg>
          <View style={[styles.bar, { width: (500 / scale) * PT_PER_MM }]}>
            <Text>50 cm</Text>
          </View>
        </Page>
      ))}
    </Document>,
  );
}

function MarkView({ mark, sketch: { penMm } }: { mark: Mark; sketch: Sketch }) {
  if (mark.kind === 'text') {
    const ink = textInkOf(mark.role);
    const text = (
      <Text
        x={mark.x}
        y={mark.y}
        textAnchor={mark.anchor}
        fill={ink.fill}
        style={{
          fontFamily: 'Text',
          fontSize: mark.pens * penMm,
          fontWeight: ink.weight > 500 ? 700 : 400,
        }}
      >
        {mark.text}
      </Text>
    );
    return mark.isTurned ? <G transform={`rotate(-90 ${mark.x} ${mark.y})`}>{text}</G> : text;
  }
  const ink = inkOf(mark.role);
  const paint = {
    fill: ink.fill,
    stroke: ink.stroke,
    strokeWidth: ink.pens * penMm,
    ...(ink.dashPens
      ? { strokeDasharray: ink.dashPens.map((pens) => pens * penMm).join(' ') }
      : {}),
  };
  if (mark.kind === 'rect')
    return <Rect x={mark.x} y={mark.y} width={mark.width} height={mark.depth} {...paint} />;
  if (mark.kind === 'sweep') return <Path d={sweepPath(mark)} {...paint} />;
  const [from, to, ...more] = mark.points;
  if (from && to && more.length === 0)
    return <Line x1={from.x} y1={from.y} x2={to.x} y2={to.y} {...paint} />;
  return (
    <Path
      d={`${mark.points.map(({ x, y }, i) => `${i === 0 ? 'M' : 'L'}${x} ${y}`).join('')}${mark.isClosed ? 'Z' : ''}`}
      {...paint}
    />
  );
}

const styles = StyleSheet.create({
  page: {
    paddingHorizontal: 14 * PT_PER_MM,
    paddingVertical: 12 * PT_PER_MM,
    fontFamily: 'Text',
    fontSize: 9,
    color: '#22201b',
  },
  header: {
    flexDirection: 'row',
    justifyContent: 'space-between',
    borderBottom: '2pt solid #23407a',
    paddingBottom: 3,
    marginBottom: 5,
  },
  title: { fontFamily: 'Head', fontWeight: 700, fontSize: 12 },
  caption: { marginBottom: 5 },
  bar: {
    marginTop: 8,
    height: 7,
    border: '0.8pt solid #22201b',
    borderTop: 0,
    fontSize: 8,
    paddingTop: 8,
  },
});
