import { fitLabel } from '@/core/shared';
import { arrangeFront, scaleToFit, type Unit } from '@/core/look';
import { bayLevelOf } from '@/core/place';
import type { Group, Thing } from '@/core/sort';

interface RoomMapProps {
  readonly units: readonly Unit[];
  readonly groups: readonly Group[];
  readonly things: readonly Thing[];
}

const BOX = { widthPx: 820, heightPx: 190 };

/** The room's places from the front, each filled to its real level by what is kept so far. */
export function RoomMap({ units, groups, things }: RoomMapProps) {
  const view = arrangeFront(units);
  if (view.units.length === 0) return null;
  const scale = scaleToFit(view, BOX);
  const floorY = view.heightMm * scale + 2;
  return (
    <section className="mt-5 max-md:hidden" aria-label="Where the keep pile goes">
      <h2 className="caption mb-2 font-text">How full the keep pile makes each place</h2>
      <svg
        viewBox={`0 0 ${view.widthMm * scale + 4} ${floorY + 3}`}
        width={view.widthMm * scale + 4}
        className="h-auto max-w-full"
        role="img"
        aria-label="The room from the front, filled to its level"
      >
        {view.units.flatMap((front) =>
          front.layout.bays.map((bayFront) => {
            const bay = units.flatMap((unit) => unit.bays).find(({ id }) => id === bayFront.bayId);
            if (!bay) return null;
            const x = 2 + (front.xMm + bayFront.xMm) * scale;
            const w = bayFront.widthMm * scale;
            const h = bayFront.heightMm * scale;
            const y = floorY - (bayFront.zMm + bayFront.heightMm) * scale;
            const here = groups.filter((group) => group.bayId === bay.id);
            const fill = bayLevelOf({
              bay,
              reachMm: bayFront.zMm,
              groups,
              things,
              people: [],
            }).fillRatio;
            const label = bay.outOfScope
              ? 'not in scope'
              : here.map(({ name }) => name).join(', ') || bay.name;
            return (
              <g key={bay.id}>
                <rect
                  x={x}
                  y={y}
                  width={w}
                  height={h}
                  fill={bay.outOfScope ? 'none' : '#fffdf8'}
                  stroke="#22201b"
                  strokeWidth="1.2"
                  strokeDasharray={bay.outOfScope ? '4 4' : undefined}
                />
                <rect
                  x={x + 0.6}
                  y={y + h * (1 - Math.min(1, fill))}
                  width={w - 1.2}
                  height={h * Math.min(1, fill)}
                  fill={fill > 1 ? '#f7d9bd' : '#dfe5f0'}
                />
                {h >= 15 && (
                  <text
                    x={x + w / 2}
                    y={y + h / 2 + 4.5}
                    textAnchor="middle"
                    className={`text-[12.5px] ${here.length === 0 ? 'fill-soft' : ''}`}
                  >
                    {fitLabel(label, w - 8, 12.5)}
                  </text>
                )}
                <title>{`${bay.name}: ${label}, ${Math.round(fill * 100)} % full`}</title>
              </g>
            );
          }),
        )}
        <path
          d={`M0 ${floorY + 1}H${view.widthMm * scale + 4}`}
          stroke="#22201b"
          strokeWidth="2.4"
        />
      </svg>
    </section>
  );
}
