import type { FitAnswer, FitRequest, NamedLevel } from '@/core/fit';
import { fitLabel, formatLength, type LengthUnit } from '@/core/shared';
import {
  boardsOf,
  bodyOf,
  insideOf,
  partsOf,
  project,
  type Body,
  type FitView,
} from './projections';

/** Printed, a fifth of the real size: bays up to 1.3 m wide go on a sheet across. */
const SCALE = 1 / 5;
const PAD_MM = 6;

interface MockUpDrawingProps {
  readonly request: FitRequest;
  readonly answer: FitAnswer;
  readonly measureUnit: LengthUnit;
  /** Indexes in the order in which they go in; the first is number 1. */
  readonly order: readonly number[];
  readonly view: FitView;
  /** Only what stands on it, and what bears that. */
  readonly level?: NamedLevel;
}

const VIEW_WORDS = {
  front: 'From the front',
  side: 'From the right',
  above: 'From above',
} as const;

/** The outlines of the containers, numbered as on the list, in millimetres of paper at 1:5. */
export function MockUpDrawing({
  request,
  answer,
  measureUnit,
  order,
  view,
  level,
}: MockUpDrawingProps) {
  const [wideMm, highMm] = insideOf(request, view);
  const [w, h] = [wideMm * SCALE, highMm * SCALE];
  const words = level ? `${VIEW_WORDS[view]}, ${level.name.toLowerCase()}` : VIEW_WORDS[view];
  const show = (body: Body) => {
    const shown = project(body, view);
    return {
      x: shown.across * SCALE,
      y: h - (shown.up + shown.high) * SCALE,
      across: shown.wide * SCALE,
      up: shown.high * SCALE,
      isRound: shown.isCircle,
      near: shown.near,
    };
  };
  const items = answer.placements.flatMap((placement, index) => {
    const body = bodyOf(request, placement);
    return body && (!level || level.indexes.includes(index)) ? [{ index, ...show(body) }] : [];
  });
  const bearing = partsOf(request, answer)
    .filter(({ container }) => level?.container === undefined || level.container === container)
    .map((part) => ({ name: part.key, ...show(part) }));
  const boards = boardsOf(request, {
    placements: answer.placements.filter((_, i) => !level || level.indexes.includes(i)),
  }).map((board) => ({ name: board.key, ...show(board) }));
  const obstacles = (request.bay.obstacles ?? []).map((box) => ({
    label: box.label,
    ...show({ ...box, isRound: false }),
  }));
  return (
    <figure className="max-w-[400px] min-w-0 print:max-w-none">
      <figcaption className="text-[13.5px]">
        <b className="font-head">{words}</b>, 1:5 · {formatLength(wideMm, measureUnit)} ×{' '}
        {formatLength(highMm, measureUnit)} inside
      </figcaption>
      <svg
        viewBox={`${-PAD_MM} ${-PAD_MM} ${w + 2 * PAD_MM} ${h + 2 * PAD_MM}`}
        style={{ width: `${w + 2 * PAD_MM}mm` }}
        className="h-auto max-w-[min(100%,380px)] print:max-w-none"
        role="img"
        aria-label={`${words}, at a fifth of its size`}
      >
        <rect x={0} y={0} width={w} height={h} fill="#fffdf8" stroke="#22201b" strokeWidth={0.6} />
        {obstacles.map((box) => (
          <g key={box.label}>
            <rect
              x={box.x}
              y={box.y}
              width={box.across}
              height={box.up}
              fill="#e8e1d2"
              stroke="#514b3f"
              strokeWidth={0.3}
              strokeDasharray="1.2 1"
            />
            <text
              x={box.x + box.across / 2}
              y={box.y + box.up / 2}
              textAnchor="middle"
              fontSize={4}
              fill="#514b3f"
            >
              {fitLabel(box.label, box.across - 1, 4)}
            </text>
          </g>
        ))}
        {[...bearing, ...boards].map(({ name, ...part }) => (
          <Outline key={name} {...part} fill="#dfe5f0" />
        ))}
        {[...items]
          .sort((a, b) => a.near - b.near)
          .map((item) => (
            <g key={item.index}>
              <Outline {...item} fill="#fff" />
              <text
                x={item.x + item.across / 2}
                y={item.y + item.up / 2 + 1.8}
                textAnchor="middle"
                fontSize={5}
                fontWeight={700}
                fill="#182d57"
              >
                {order.indexOf(item.index) + 1}
              </text>
            </g>
          ))}
        {view === 'above' && <path d={`M0 ${h}H${w}`} stroke="#23407a" strokeWidth={1.6} />}
        {view === 'side' && <path d={`M0 0V${h}`} stroke="#23407a" strokeWidth={1.6} />}
      </svg>
    </figure>
  );
}

function Outline({
  x,
  y,
  across,
  up,
  isRound,
  fill,
}: {
  readonly x: number;
  readonly y: number;
  readonly across: number;
  readonly up: number;
  readonly isRound: boolean;
  readonly fill: string;
}) {
  const pen = { fill, stroke: '#23407a', strokeWidth: 0.5 };
  return isRound ? (
    <circle cx={x + across / 2} cy={y + up / 2} r={across / 2} {...pen} />
  ) : (
    <rect x={x} y={y} width={across} height={up} {...pen} />
  );
}
