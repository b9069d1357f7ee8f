import type { KeyboardEvent, PointerEvent } from 'react';

import { tapeDistancesOf, type Outline, type Rect, type Wall } from '@/core/look';
import { formatLength, type LengthUnit } from '@/core/shared';
import { rectOfThing, type PlanThing } from './planItems';

interface PlanHandleProps {
  readonly thing: PlanThing;
  readonly outline: Outline;
  readonly penMm: number;
  readonly isSelected: boolean;
  readonly measureUnit: LengthUnit;
  readonly onSelect: () => void;
  readonly onGrab: (event: PointerEvent, thing: PlanThing) => void;
  readonly onDrag: (event: PointerEvent, thing: PlanThing) => void;
  readonly onDrop: (thing: PlanThing) => void;
  readonly onKey: (event: KeyboardEvent, thing: PlanThing) => void;
}

/** Large enough for a thumb, in px. */
const LEAST_PX = 26;

/** Where a thing is taken hold of; picked, it shows its distances as a tape would give them. */
export function PlanHandle({
  thing,
  outline,
  penMm,
  isSelected,
  measureUnit,
  onSelect,
  onGrab,
  onDrag,
  onDrop,
  onKey,
}: PlanHandleProps) {
  const rect = rectOfThing(outline, thing);
  const wall = thing.place && outline.walls[thing.place.wallIndex];
  if (!rect || !wall) return null;
  const tape = tapeDistancesOf(wall, thing.place, thing.size);
  const say = (mm: number) => formatLength(mm, measureUnit);
  const grip = widen(rect, LEAST_PX * penMm);
  return (
    <g>
      {isSelected && (
        <TapeLines
          rect={rect}
          wall={wall}
          penMm={penMm}
          labels={{
            start: say(tape.fromStartMm),
            end: say(tape.toEndMm),
            off: tape.offMm > 0 ? say(tape.offMm) : '',
          }}
        />
      )}
      <rect
        {...{ x: grip.x, y: grip.y, width: grip.width, height: grip.depth }}
        fill="transparent"
        stroke={isSelected ? '#23407a' : 'none'}
        strokeWidth={3 * penMm}
        rx={3 * penMm}
        className="cursor-grab touch-none outline-offset-2 focus-visible:outline-3 focus-visible:outline-rim"
        role="button"
        tabIndex={0}
        aria-pressed={isSelected}
        aria-label={
          `${thing.name}: wall ${wall.wallIndex + 1}, ${say(tape.fromStartMm)} from its corner` +
          `${tape.offMm > 0 ? `, ${say(tape.offMm)} off the wall` : ''}`
        }
        onFocus={onSelect}
        onPointerDown={(event) => onGrab(event, thing)}
        onPointerMove={(event) => onDrag(event, thing)}
        onPointerUp={() => onDrop(thing)}
        onPointerCancel={() => onDrop(thing)}
        onKeyDown={(event) => onKey(event, thing)}
      />
    </g>
  );
}

function widen(rect: Rect, leastMm: number): Rect {
  const [dx, dy] = [Math.max(0, leastMm - rect.width), Math.max(0, leastMm - rect.depth)];
  return { x: rect.x - dx / 2, y: rect.y - dy / 2, width: rect.width + dx, depth: rect.depth + dy };
}

interface TapeLinesProps {
  readonly rect: Rect;
  readonly wall: Wall;
  readonly penMm: number;
  readonly labels: { readonly start: string; readonly end: string; readonly off: string };
}

/** The free stretches of its wall on both sides, and the gap behind it, as live dimensions. */
function TapeLines({ rect, wall, penMm, labels }: TapeLinesProps) {
  const middle = { x: rect.x + rect.width / 2, y: rect.y + rect.depth / 2 };
  const isUpright = wall.along.x === 0;
  const [low, high] = isUpright ? [rect.y, rect.y + rect.depth] : [rect.x, rect.x + rect.width];
  const goesUp = (isUpright ? wall.along.y : wall.along.x) > 0;
  const [near, far] = goesUp ? [low, high] : [high, low];
  const at = (position: number) =>
    isUpright ? { x: middle.x, y: position } : { x: position, y: middle.y };
  const onWall = isUpright ? { x: wall.from.x, y: middle.y } : { x: middle.x, y: wall.from.y };
  const back = isUpright
    ? { x: wall.inward.x > 0 ? rect.x : rect.x + rect.width, y: middle.y }
    : { x: middle.x, y: wall.inward.y > 0 ? rect.y : rect.y + rect.depth };
  const lines = [
    { from: at(isUpright ? wall.from.y : wall.from.x), to: at(near), label: labels.start },
    { from: at(far), to: at(isUpright ? wall.to.y : wall.to.x), label: labels.end },
    ...(labels.off === '' ? [] : [{ from: onWall, to: back, label: labels.off }]),
  ];
  return (
    <g pointerEvents="none">
      {lines
        .filter(({ from, to }) => Math.hypot(to.x - from.x, to.y - from.y) > 20 * penMm)
        .map(({ from, to, label }) => (
          <g key={label + from.x + from.y}>
            <path
              d={`M${from.x} ${from.y}L${to.x} ${to.y}`}
              stroke="#23407a"
              strokeWidth={1.5 * penMm}
            />
            <text
              x={(from.x + to.x) / 2}
              y={(from.y + to.y) / 2 - 4 * penMm}
              textAnchor="middle"
              className="font-mono"
              fontSize={13 * penMm}
              fontWeight={700}
              fill="#182d57"
              stroke="#fff"
              strokeWidth={4 * penMm}
              paintOrder="stroke"
            >
              {label}
            </text>
          </g>
        ))}
    </g>
  );
}
