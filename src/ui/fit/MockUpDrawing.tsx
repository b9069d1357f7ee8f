import type { FitAnswer, FitRequest } from '@/core/fit';
import { fitLabel, formatLength, type LengthUnit } from '@/core/shared';

/** Printed, a fifth of the real size: bays up to 1.3 m wide go on a sheet across. */
const SCALE = 1 / 5;
const PAD_MM = 6;

interface MockUpDrawingProps {
  readonly request: FitRequest;
  readonly answer: FitAnswer;
  readonly measureUnit: LengthUnit;
  /** Indexes in the order in which they go in; the first is number 1. */
  readonly order: readonly number[];
  readonly view: 'front' | 'above';
}

/** The outlines of the containers, numbered as on the list, in millimetres of paper at 1:5. */
export function MockUpDrawing({
  request: { bay, containers },
  answer,
  measureUnit,
  order,
  view,
}: MockUpDrawingProps) {
  const [w, h] = [bay.width * SCALE, (view === 'front' ? bay.height : bay.depth) * SCALE];
  const items = answer.placements.map((placement, index) => {
    const container = containers.find(({ id }) => id === placement.containerId);
    const { width, depth, height } = container?.outer ?? { width: 0, depth: 0, height: 0 };
    const across = (placement.turned ? depth : width) * SCALE;
    const inward = placement.turned ? width : depth;
    const up = (view === 'front' ? height : inward) * SCALE;
    const from = (view === 'front' ? placement.z : placement.y) * SCALE;
    return {
      index,
      x: placement.x * SCALE,
      y: h - from - up,
      across,
      up,
      isRound: view === 'above' && container?.shape === 'round',
      order: view === 'front' ? -placement.y : placement.z,
    };
  });
  return (
    <figure className="max-w-[400px] min-w-0 print:max-w-none">
      <figcaption className="text-[13.5px]">
        <b className="font-head">{view === 'front' ? 'From the front' : 'From above'}</b>, 1:5 ·{' '}
        {formatLength(bay.width, measureUnit)} ×{' '}
        {formatLength(view === 'front' ? bay.height : bay.depth, measureUnit)} inside
      </figcaption>
      <svg
        viewBox={`${-PAD_MM} ${-PAD_MM} ${w + 2 * PAD_MM} ${h + 2 * PAD_MM}`}
        style={{ width: `${w + 2 * PAD_MM}mm` }}
        className="h-auto max-w-[min(100%,380px)] print:max-w-none"
        role="img"
        aria-label={`${view === 'front' ? 'From the front' : 'From above'}, at a fifth of its size`}
      >
        <rect x={0} y={0} width={w} height={h} fill="#fffdf8" stroke="#22201b" strokeWidth={0.6} />
        {(bay.obstacles ?? []).map((box) => (
          <g key={box.label}>
            <rect
              x={box.x * SCALE}
              y={h - (view === 'front' ? box.z + box.height : box.y + box.depth) * SCALE}
              width={box.width * SCALE}
              height={(view === 'front' ? box.height : box.depth) * SCALE}
              fill="#e8e1d2"
              stroke="#5f584a"
              strokeWidth={0.3}
              strokeDasharray="1.2 1"
            />
            <text
              x={(box.x + box.width / 2) * SCALE}
              y={h - (view === 'front' ? box.z + box.height / 2 : box.y + box.depth / 2) * SCALE}
              textAnchor="middle"
              fontSize={4}
              fill="#5f584a"
            >
              {fitLabel(box.label, box.width * SCALE - 1, 4)}
            </text>
          </g>
        ))}
        {[...items]
          .sort((a, b) => a.order - b.order)
          .map((item) => (
            <g key={item.index}>
              {item.isRound ? (
                <circle
                  cx={item.x + item.across / 2}
                  cy={item.y + item.up / 2}
                  r={item.across / 2}
                  fill="#fff"
                  stroke="#23407a"
                  strokeWidth={0.5}
                />
              ) : (
                <rect
                  x={item.x}
                  y={item.y}
                  width={item.across}
                  height={item.up}
                  fill="#fff"
                  stroke="#23407a"
                  strokeWidth={0.5}
                />
              )}
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
      </svg>
    </figure>
  );
}
