import { fitLabel } from '@/core/shared';

interface Shape {
  readonly index: number;
  readonly label: string;
  readonly tint: string;
}
interface ContainerProps {
  readonly item: Shape;
  readonly isPicked: boolean;
  readonly onPick: (index: number) => void;
  readonly x: number;
  readonly y: number;
  readonly w: number;
  readonly h: number;
  readonly isCircle: boolean;
  readonly seen?: { readonly from: number; readonly to: number };
}

/** A container as a view shows it, with what it is called where that can be read. */
export function ContainerShape({
  item,
  isPicked,
  onPick,
  x,
  y,
  w,
  h,
  isCircle,
  seen = { from: 0, to: 1 },
}: ContainerProps) {
  const stroke = isPicked ? '#182d57' : '#4b5a7c';
  // A narrow, tall container reads better from the side.
  const seenWidth = (seen.to - seen.from) * w;
  const labelX = x + ((seen.from + seen.to) / 2) * w;
  const isUpright = seenWidth < 64 && h > seenWidth * 1.3;
  const label = seenWidth < 18 ? '' : fitLabel(item.label, (isUpright ? h : seenWidth) - 10, 13);
  return (
    <g
      role="button"
      tabIndex={0}
      aria-label={`Container with ${item.label}`}
      aria-pressed={isPicked}
      onClick={() => onPick(item.index)}
      onKeyDown={(event) => (event.key === 'Enter' || event.key === ' ') && onPick(item.index)}
      className="cursor-pointer outline-none focus-visible:[&>*:first-child]:stroke-[#c8641b]"
    >
      {isCircle ? (
        <circle
          cx={x + w / 2}
          cy={y + h / 2}
          r={w / 2}
          fill={item.tint}
          stroke={stroke}
          strokeWidth={isPicked ? 3 : 1.2}
        />
      ) : (
        <rect
          x={x}
          y={y}
          width={w}
          height={h}
          rx="3"
          fill={item.tint}
          stroke={stroke}
          strokeWidth={isPicked ? 3 : 1.2}
        />
      )}
      {h > 14 && (
        <text
          x={labelX}
          y={y + h / 2 + 4.5}
          textAnchor="middle"
          transform={isUpright ? `rotate(-90 ${labelX} ${y + h / 2})` : undefined}
          className="text-[13px] font-[650]"
        >
          {label}
        </text>
      )}
      <title>{item.label}</title>
    </g>
  );
}

/** What stands in the way: a pipe, a post. */
export function ObstacleShape({
  label,
  x,
  y,
  w,
  h,
}: {
  label: string;
  x: number;
  y: number;
  w: number;
  h: number;
}) {
  return (
    <g>
      <rect
        x={x}
        y={y}
        width={w}
        height={h}
        fill="#e8e1d2"
        stroke="#514b3f"
        strokeDasharray="4 3"
      />
      <text x={x + w / 2} y={y + h / 2 + 4} textAnchor="middle" className="fill-soft text-[12px]">
        {fitLabel(label, w - 8, 12)}
      </text>
      <title>{label}</title>
    </g>
  );
}
