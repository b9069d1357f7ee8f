'use client';

import { useDroppable } from '@dnd-kit/core';
import clsx from 'clsx';
import { useMemo } from 'react';

import { arrangeFront, type Bay, type Unit } from '@/core/look';
import { bayLevelOf } from '@/core/place';
import { formatLitres } from '@/core/shared';
import type { Group, Thing } from '@/core/sort';

interface HomeStripProps {
  readonly rooms: readonly {
    readonly id: string;
    readonly name: string;
    readonly units: readonly Unit[];
  }[];
  readonly groups: readonly Group[];
  readonly things: readonly Thing[];
  readonly overBayId: Bay['id'] | undefined;
  /** Undefined while nothing is carried. */
  readonly onPut: ((bayId: Bay['id']) => void) | undefined;
}

const STRIP_HEIGHT_PX = 58;

/** The other rooms from the front, small and to one scale, for groups that may leave this room. */
export function HomeStrip({ rooms, groups, things, overBayId, onPut }: HomeStripProps) {
  const fronts = rooms
    .filter(({ units }) => units.length > 0)
    .map((room) => ({ ...room, view: arrangeFront(room.units) }));
  if (fronts.length === 0) return null;
  const scale = STRIP_HEIGHT_PX / Math.max(...fronts.map(({ view }) => view.heightMm));
  return (
    <section
      aria-label="Other rooms"
      className="mt-2 flex flex-wrap items-end gap-x-6 gap-y-2 px-1 pt-1"
    >
      <h2 className="caption w-[92px] shrink-0 self-center font-text leading-tight">
        May live in another room
      </h2>
      {fronts.map(({ id, name, units, view }) => (
        <figure key={id} className="shrink-0">
          <div
            className="relative border-b-2 border-ink"
            style={{ width: view.widthMm * scale, height: STRIP_HEIGHT_PX }}
          >
            {view.units.flatMap((front) =>
              front.layout.bays.map((at) => {
                const bay = units
                  .flatMap((unit) => unit.bays)
                  .find((other) => other.id === at.bayId);
                return (
                  bay && (
                    <SmallBay
                      key={bay.id}
                      bay={bay}
                      roomName={name}
                      groups={groups}
                      things={things}
                      isOver={overBayId === bay.id}
                      onPut={onPut}
                      at={{
                        left: (front.xMm + at.xMm) * scale,
                        bottom: at.zMm * scale,
                        width: at.widthMm * scale,
                        height: at.heightMm * scale,
                      }}
                    />
                  )
                );
              }),
            )}
          </div>
          <figcaption className="mt-0.5 text-[12.5px] text-soft">{name}</figcaption>
        </figure>
      ))}
    </section>
  );
}

function SmallBay({
  bay,
  roomName,
  groups,
  things,
  isOver,
  onPut,
  at,
}: Pick<HomeStripProps, 'groups' | 'things' | 'onPut'> & {
  bay: Bay;
  roomName: string;
  isOver: boolean;
  at: { left: number; bottom: number; width: number; height: number };
}) {
  const { setNodeRef, isOver: isDraggedOver } = useDroppable({
    id: bay.id,
    disabled: bay.outOfScope,
  });
  const level = useMemo(
    () => bayLevelOf({ bay, reachMm: 0, groups, things, people: [] }),
    [bay, groups, things],
  );
  const text = `${bay.name}, ${roomName.toLowerCase()}: ${formatLitres(level.keptLitres)} of ${formatLitres(level.usableLitres)}`;
  return (
    <div
      ref={setNodeRef}
      title={text}
      className={clsx(
        'absolute border bg-[#fffdf8]',
        bay.outOfScope && 'border-dashed border-soft',
        !bay.outOfScope &&
          (isOver || isDraggedOver ? 'z-10 border-rim outline-3 outline-rim' : 'border-ink'),
      )}
      style={at}
    >
      <div
        aria-hidden="true"
        className={clsx(
          'absolute inset-x-0 bottom-0',
          level.fillRatio > 1 ? 'overfull' : 'bg-rim-pale',
        )}
        style={{ height: `${Math.min(1, level.fillRatio) * 100}%` }}
      />
      {onPut && !bay.outOfScope && (
        <button
          type="button"
          tabIndex={-1}
          aria-label={`Put it on ${bay.name}, ${roomName.toLowerCase()}`}
          onClick={() => onPut(bay.id)}
          className="absolute inset-0"
        />
      )}
    </div>
  );
}
