'use client';

import { DndContext, DragOverlay, PointerSensor, pointerWithin, useSensor, useSensors, type DragEndEvent } from '@dnd-kit/core';
import { useRouter } from 'next/navigation';
import { useState, useTransition, type KeyboardEvent } from 'react';

import { arrangeFront, type Bay, type Unit } from '@/core/look';
import { bayLevelOf, walkBays, type BayLevel } from '@/core/place';
import { tightestReach, type Person } from '@/core/agree';
import { formatLength, type LengthUnit } from '@/core/shared';
import { keptLitresOf, type Group, type Thing } from '@/core/sort';
import type { ActionResult } from '../actionResult';
import { BaySlot } from './BaySlot';
import { GroupTag } from './GroupTag';
import { HomelessTray } from './HomelessTray';

interface PlaceBoardProps {
  readonly units: readonly Unit[];
  readonly groups: readonly Group[];
  /** Of the whole project: groups of other rooms may live here too. */
  readonly things: readonly Thing[];
  readonly people: readonly Person[];
  readonly measureUnit: LengthUnit;
  readonly onPlace: (groupId: string, bayId: string) => Promise<ActionResult>;
}

/** A tag that is being carried by keys or taps, and the place it is held over. */
export interface Carried {
  readonly groupId: Group['id'];
  /** Undefined: over the tray. */
  readonly overBayId: Bay['id'] | undefined;
}

/** The room from the front, to scale, with a tag for each group: dragged, tapped, or carried by keys. */
export function PlaceBoard({ units, groups: keptGroups, things, people, measureUnit, onPlace }: PlaceBoardProps) {
  const router = useRouter();
  const [, startTransition] = useTransition();
  const [moved, setMoved] = useState<Readonly<Record<string, Bay['id'] | null>>>({});
  const [dragged, setDragged] = useState<Group>();
  const [carried, setCarried] = useState<Carried>();
  const [message, setMessage] = useState('');
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }));
  const groups = keptGroups.map((group) => (moved[group.id] === undefined ? group : { ...group, bayId: moved[group.id] ?? null }));
  const bays = walkBays(units).filter((bay) => !bay.outOfScope);

  const place = (groupId: Group['id'], bayId: Bay['id'] | undefined) => {
    const group = groups.find(({ id }) => id === groupId);
    setCarried(undefined);
    if (!group || group.bayId === (bayId ?? null)) return;
    setMoved((before) => ({ ...before, [groupId]: bayId ?? null }));
    setMessage(`${group.name} ${bayId ? `is on ${bays.find(({ id }) => id === bayId)?.name ?? ''}` : 'is back in the tray'}`);
    startTransition(async () => {
      const result = await onPlace(groupId, bayId ?? '');
      if (!result.ok) setMessage(result.message);
      router.refresh();
      // Only this move is settled; one made meanwhile still waits for its own answer.
      setMoved(({ [groupId]: settled, ...others }) => (settled === (bayId ?? null) || settled === undefined ? others : { ...others, [groupId]: settled }));
    });
  };
  const onDragEnd = ({ active, over }: DragEndEvent) => {
    const group = groups.find(({ id }) => id === active.id);
    setDragged(undefined);
    if (group && over) place(group.id, over.id === 'tray' ? undefined : bays.find(({ id }) => id === over.id)?.id);
  };
  const onTagKey = (event: KeyboardEvent, group: Group) => {
    const key = carryKey(event.key, { group, carried, bays });
    if (!key) return;
    event.preventDefault();
    if (key.act === 'put') place(group.id, key.bayId);
    else if (key.act === 'leave') setCarried(undefined);
    else {
      setCarried({ groupId: group.id, overBayId: key.bayId });
      setMessage(`${group.name} over ${bays.find(({ id }) => id === key.bayId)?.name ?? 'the tray'}. Enter puts it down, Escape leaves it.`);
    }
  };
  const tagProps = { things, carried, onKeyDown: onTagKey, onTap: (group: Group) => setCarried((before) => (before?.groupId === group.id ? undefined : { groupId: group.id, overBayId: group.bayId ?? undefined })) };
  const homeless = groups.filter((group) => group.bayId === null);
  return (
    <DndContext id="place" sensors={sensors} collisionDetection={pointerWithin} onDragStart={({ active }) => setDragged(groups.find(({ id }) => id === active.id))} onDragEnd={onDragEnd} onDragCancel={() => setDragged(undefined)}>
      <HomelessTray groups={homeless} isTarget={carried !== undefined && carried.overBayId === undefined} onPutHere={carried ? () => place(carried.groupId, undefined) : undefined} {...tagProps} />
      <FrontBoard units={units} groups={groups} things={things} people={people} measureUnit={measureUnit} carried={carried} onPutOn={(bayId) => carried && place(carried.groupId, bayId)} tagProps={tagProps} />
      <p role="status" className="mt-2 min-h-5 text-[13.5px] text-soft">{message}</p>
      <DragOverlay dropAnimation={null}>{dragged && <span className="tag cursor-grabbing text-[13.5px]">{dragged.name}</span>}</DragOverlay>
    </DndContext>
  );
}

type CarryKey = { readonly act: 'put' | 'hold'; readonly bayId: Bay['id'] | undefined } | { readonly act: 'leave' } | undefined;

/** What a key does to a tag: pick up, carry to the place before or after, put down, leave. */
function carryKey(key: string, { group, carried, bays }: { readonly group: Group; readonly carried: Carried | undefined; readonly bays: readonly Bay[] }): CarryKey {
  const isCarried = carried?.groupId === group.id;
  if (key === 'Enter' || key === ' ') return isCarried ? { act: 'put', bayId: carried.overBayId } : { act: 'hold', bayId: group.bayId ?? bays[0]?.id };
  if (!isCarried) return undefined;
  if (key === 'Escape') return { act: 'leave' };
  const step = key === 'ArrowDown' || key === 'ArrowRight' ? 1 : key === 'ArrowUp' || key === 'ArrowLeft' ? -1 : 0;
  if (step === 0) return undefined;
  // The tray is the stop between the last place and the first.
  const stops: readonly (Bay['id'] | undefined)[] = [...bays.map(({ id }) => id), undefined];
  const at = stops.indexOf(carried.overBayId);
  return { act: 'hold', bayId: stops[(at + step + stops.length) % stops.length] };
}

export interface TagProps {
  readonly things: readonly Thing[];
  readonly carried: Carried | undefined;
  readonly onKeyDown: (event: KeyboardEvent, group: Group) => void;
  readonly onTap: (group: Group) => void;
}

interface FrontBoardProps {
  readonly units: readonly Unit[];
  readonly groups: readonly Group[];
  readonly things: readonly Thing[];
  readonly people: readonly Person[];
  readonly measureUnit: LengthUnit;
  readonly carried: Carried | undefined;
  readonly onPutOn: (bayId: Bay['id']) => void;
  readonly tagProps: TagProps;
}

/** Tallest drawing that leaves the tray and the numbers on one screen. */
const BOARD_HEIGHT_PX = 430;
const LEAST_SCALE = 0.195;

function FrontBoard({ units, groups, things, people, measureUnit, carried, onPutOn, tagProps }: FrontBoardProps) {
  const view = arrangeFront(units);
  const scale = Math.max(LEAST_SCALE, Math.min(BOARD_HEIGHT_PX / Math.max(1, view.heightMm), 850 / Math.max(1, view.widthMm)));
  return (
    <div className="panel squared overflow-x-auto p-3">
      <div className="relative mx-auto" style={{ width: view.widthMm * scale, height: view.heightMm * scale + 3 }}>
        {view.units.flatMap((front) =>
          front.layout.bays.map((bayFront) => {
            const bay = units.flatMap((unit) => unit.bays).find(({ id }) => id === bayFront.bayId);
            if (!bay) return null;
            const here = groups.filter((group) => group.bayId === bay.id);
            const level: BayLevel = bayLevelOf({ bay, reachMm: bayFront.zMm, groups, things, people });
            return (
              <BaySlot
                key={bay.id}
                bay={bay}
                level={level}
                isOver={carried?.overBayId === bay.id}
                isCarrying={carried !== undefined}
                onPut={() => onPutOn(bay.id)}
                at={{ left: (front.xMm + bayFront.xMm) * scale, bottom: bayFront.zMm * scale + 3, width: bayFront.widthMm * scale, height: bayFront.heightMm * scale }}
              >
                {here.map((group) => <GroupTag key={group.id} group={group} litres={keptLitresOf(group, things)} {...tagProps} />)}
              </BaySlot>
            );
          }),
        )}
        <ReachLine people={people} measureUnit={measureUnit} scale={scale} heightMm={view.heightMm} />
        <div className="absolute inset-x-[-8px] bottom-0 h-[3px] bg-ink" aria-hidden="true" />
      </div>
      <div className="relative mx-auto h-6" style={{ width: view.widthMm * scale }}>
        {view.units.map((front) => {
          const unit = units.find(({ id }) => id === front.unitId);
          return unit && <span key={unit.id} className="absolute top-1 truncate text-center font-head text-[13px] font-[650]" style={{ left: front.xMm * scale, width: unit.width.mm * scale }}>{unit.name}</span>;
        })}
      </div>
    </div>
  );
}

/** Between these heights nobody in the household stretches or bends. */
function ReachLine({ people, measureUnit, scale, heightMm }: { people: readonly Person[]; measureUnit: LengthUnit; scale: number; heightMm: number }) {
  const { ceiling, floor } = tightestReach(people);
  const lines = [
    ceiling && { mm: ceiling.noStretchMm, text: `${ceiling.personName}, no stretch · ${formatLength(ceiling.noStretchMm, measureUnit)}` },
    floor && { mm: floor.noBendMm, text: `${floor.personName}, no bend · ${formatLength(floor.noBendMm, measureUnit)}` },
  ];
  return lines.map((line) =>
    line && line.mm < heightMm ? (
      <div key={line.text} aria-hidden="true" className="pointer-events-none absolute inset-x-[-8px] border-t-[1.5px] border-dotted border-rim" style={{ bottom: line.mm * scale + 3 }}>
        <span className="absolute right-0 bottom-px rounded-sm bg-white/90 px-1 text-[12px] leading-tight text-rim">{line.text}</span>
      </div>
    ) : null,
  );
}

