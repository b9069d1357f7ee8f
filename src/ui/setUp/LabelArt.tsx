import { textWidthMm, type DrawnLabel, type LabelMark } from '@/core/labels';

const INK = '#111111';

/** A label as it comes out, to scale; `pxPerMm` on the screen. */
export function LabelArt({
  label,
  pxPerMm,
}: {
  readonly label: DrawnLabel;
  readonly pxPerMm: number;
}) {
  const { widthMm, heightMm, marks, set } = label;
  return (
    <svg
      width={widthMm * pxPerMm}
      height={heightMm * pxPerMm}
      viewBox={`0 0 ${widthMm} ${heightMm}`}
      className="max-w-full rounded-[3px] border border-line bg-white"
      role="img"
      aria-label={set.lines.join(' ')}
    >
      {marks.map((mark, i) => (
        <LabelMarkView key={i} mark={mark} />
      ))}
    </svg>
  );
}

/** A mark of a label in mm; letters in the face whose widths the core knows. */
export function LabelMarkView({ mark }: { readonly mark: LabelMark }) {
  if (mark.kind === 'text')
    return (
      <text
        x={mark.x}
        y={mark.y}
        fontSize={mark.sizeMm}
        fontWeight={700}
        // As wide as it is printed, whichever face the browser has.
        textLength={textWidthMm(mark.text, mark.sizeMm)}
        lengthAdjust="spacingAndGlyphs"
        fill={INK}
        style={{ fontFamily: 'var(--font-text)', fontKerning: 'none' }}
      >
        {mark.text}
      </text>
    );
  const transform = `translate(${mark.x} ${mark.y}) scale(${mark.sizeMm / 24})`;
  return mark.kind === 'shape' ? (
    <path d={mark.d} fill={mark.fill} stroke={INK} strokeWidth={0.8} transform={transform} />
  ) : (
    <path
      d={mark.d}
      fill="none"
      stroke={INK}
      strokeWidth={1.5}
      strokeLinecap="round"
      strokeLinejoin="round"
      transform={transform}
    />
  );
}
