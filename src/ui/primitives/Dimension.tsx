import { fitLabel } from '@/core/shared';

/** Dimensions in px, for drawings that are laid out in pixels. */
export function DimensionAcross({
  x,
  y,
  w,
  label,
}: {
  x: number;
  y: number;
  w: number;
  label: string;
}) {
  return (
    <g className="fill-soft stroke-soft">
      <path
        d={`M${x} ${y - 5}V${y + 5}M${x + w} ${y - 5}V${y + 5}M${x} ${y}H${x + w}`}
        fill="none"
        strokeWidth="1"
      />
      <text
        x={x + w / 2}
        y={y - 4}
        textAnchor="middle"
        stroke="none"
        className="font-mono text-[12px]"
      >
        {fitLabel(label, w + 10, 12)}
      </text>
    </g>
  );
}

export function DimensionUp({
  x,
  top,
  h,
  label,
}: {
  x: number;
  top: number;
  h: number;
  label: string;
}) {
  const middle = top + h / 2;
  return (
    <g className="fill-soft stroke-soft">
      <path
        d={`M${x - 5} ${top}H${x + 5}M${x - 5} ${top + h}H${x + 5}M${x} ${top}V${top + h}`}
        fill="none"
        strokeWidth="1"
      />
      <text
        x={x + 14}
        y={middle}
        textAnchor="middle"
        stroke="none"
        className="font-mono text-[12px]"
        transform={`rotate(-90 ${x + 14} ${middle})`}
      >
        {label}
      </text>
    </g>
  );
}
