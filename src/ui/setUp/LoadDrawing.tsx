import { fitLabel } from '@/core/shared';
import { layOutUnit, type Unit } from '@/core/look';
import type { LoadStep } from '@/core/setUp';

interface LoadDrawingProps {
  readonly unit: Unit;
  readonly steps: readonly (LoadStep & { readonly name: string; readonly litres: number })[];
  /** Usable litres of each place. */
  readonly litresOf: Readonly<Record<string, number>>;
  /** So many steps are in it already. */
  readonly shown: number;
}

const HEIGHT_PX = 380;

/** A unit from the front as it fills: what is in it by its litres, the back row behind the front, by its turn. */
export function LoadDrawing({ unit, steps, litresOf, shown }: LoadDrawingProps) {
  const layout = layOutUnit(unit);
  if (!layout.ok) return null;
  const { widthMm, heightMm, floorGapMm, bays } = layout.value;
  const totalMm = heightMm + floorGapMm;
  const pen = totalMm / HEIGHT_PX;
  const letters = 13 * pen;
  return (
    <svg
      viewBox={`${-8 * pen} ${-8 * pen} ${widthMm + 16 * pen} ${totalMm + 16 * pen}`}
      style={{ maxHeight: HEIGHT_PX, width: '100%' }}
      role="img"
      aria-label={`${unit.name} from the front, ${shown} of ${steps.length} loaded`}
    >
      <rect
        x={0}
        y={0}
        width={widthMm}
        height={heightMm}
        fill="#f0e9da"
        stroke="#22201b"
        strokeWidth={1.6 * pen}
      />
      <line
        x1={-8 * pen}
        x2={widthMm + 8 * pen}
        y1={totalMm}
        y2={totalMm}
        stroke="#22201b"
        strokeWidth={3 * pen}
      />
      {bays.map((bay) => {
        const y = totalMm - bay.zMm - bay.heightMm;
        const own = steps.slice(0, shown).filter(({ placeId }) => placeId === bay.bayId);
        const litres = litresOf[bay.bayId] ?? 1;
        let [backX, frontX] = [bay.xMm, bay.xMm];
        return (
          <g key={bay.bayId}>
            <rect
              x={bay.xMm}
              y={y}
              width={bay.widthMm}
              height={bay.heightMm}
              fill="#fffdf8"
              stroke="#22201b"
              strokeWidth={1.2 * pen}
            />
            {own.map((step) => {
              const isBack = step.row === 'back';
              const rows = own.some(({ row }) => row === 'back') ? 2 : 1;
              const share = Math.min(1, step.litres / Math.max(0.001, litres));
              // A row takes its share of the place's width; the rest of its volume is its height.
              const width = Math.min(bay.widthMm, bay.widthMm * Math.max(0.14, share * rows));
              const height = bay.heightMm * Math.min(0.92, Math.max(0.3, Math.sqrt(share) + 0.15));
              const x = isBack ? backX : frontX;
              const room = Math.min(width, bay.xMm + bay.widthMm - x);
              if (isBack) backX += room;
              else frontX += room;
              if (room <= 0) return null;
              const top = y + bay.heightMm - height - (isBack ? bay.heightMm * 0.06 : 0);
              return (
                <g key={step.groupId}>
                  <rect
                    x={x}
                    y={top}
                    width={room}
                    height={height}
                    fill={isBack ? '#dfe5f0' : '#ecd9b0'}
                    stroke={step.isFragile ? '#c8641b' : '#c5a96b'}
                    strokeWidth={(step.isFragile ? 2.4 : 1) * pen}
                  />
                  <text
                    x={x + room / 2}
                    y={top + height / 2 + letters * 0.35}
                    fontSize={letters}
                    textAnchor="middle"
                    fill="#22201b"
                  >
                    {fitLabel(`${steps.indexOf(step) + 1} ${step.name}`, room / pen, 13) ||
                      steps.indexOf(step) + 1}
                  </text>
                </g>
              );
            })}
          </g>
        );
      })}
    </svg>
  );
}
