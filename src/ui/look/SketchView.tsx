import clsx from 'clsx';
import type { ReactNode, Ref } from 'react';

import { inkOf, sweepPath, textInkOf, type Mark, type Sketch } from '@/core/look';

interface SketchViewProps {
  readonly sketch: Sketch;
  readonly label: string;
  /** Larger than 1 draws it larger than its pen was chosen for; the page scrolls. */
  readonly zoom?: number;
  readonly isFluid?: boolean;
  /** Shrinks on a phone too, where one thing alone is drawn; else a phone scrolls it. */
  readonly shrinks?: boolean;
  readonly svgRef?: Ref<SVGSVGElement>;
  /** Drawn above the sketch, in the same mm. */
  readonly children?: ReactNode;
}

/** A drawing to scale on screen; one pen is one pixel, times the zoom. */
export function SketchView({
  sketch,
  label,
  zoom = 1,
  isFluid = true,
  shrinks = false,
  svgRef,
  children,
}: SketchViewProps) {
  const width = (sketch.width / sketch.penMm) * zoom;
  const height = (sketch.depth / sketch.penMm) * zoom;
  const fluid =
    isFluid && zoom <= 1
      ? clsx('mx-auto h-auto max-w-full', !shrinks && 'max-md:max-w-none')
      : 'mx-auto max-w-none';
  return (
    <svg
      ref={svgRef}
      viewBox={`${sketch.x} ${sketch.y} ${sketch.width} ${sketch.depth}`}
      width={width}
      height={height}
      className={fluid}
      role={children ? 'group' : 'img'}
      aria-label={label}
    >
      {sketch.marks.map((mark, i) => (
        <MarkView key={i} mark={mark} penMm={sketch.penMm} />
      ))}
      {children}
    </svg>
  );
}

function MarkView({ mark, penMm }: { mark: Mark; penMm: number }) {
  if (mark.kind === 'text') {
    const ink = textInkOf(mark.role);
    return (
      <text
        x={mark.x}
        y={mark.y}
        textAnchor={mark.anchor}
        fill={ink.fill}
        fontWeight={ink.weight}
        fontSize={mark.pens * penMm}
        stroke="#fffdf8"
        strokeWidth={3 * penMm}
        strokeLinejoin="round"
        paintOrder="stroke"
        className={ink.family === 'mono' ? 'font-mono' : 'font-text'}
        transform={mark.isTurned ? `rotate(-90 ${mark.x} ${mark.y})` : undefined}
      >
        {mark.text}
      </text>
    );
  }
  const ink = inkOf(mark.role);
  const paint = {
    fill: ink.fill,
    stroke: ink.stroke,
    strokeWidth: ink.pens * penMm,
    strokeDasharray: ink.dashPens?.map((pens) => pens * penMm).join(' '),
  };
  if (mark.kind === 'rect')
    return (
      <rect x={mark.x} y={mark.y} width={mark.width} height={mark.depth} {...paint}>
        {mark.title !== undefined && <title>{mark.title}</title>}
      </rect>
    );
  if (mark.kind === 'sweep') return <path d={sweepPath(mark)} {...paint} />;
  return (
    <path
      d={`${mark.points.map(({ x, y }, i) => `${i === 0 ? 'M' : 'L'}${x} ${y}`).join('')}${mark.isClosed ? 'Z' : ''}`}
      {...paint}
    />
  );
}
