'use client';

import { DndContext, DragOverlay, PointerSensor, pointerWithin, useSensor, useSensors, type DragEndEvent, type DragOverEvent } from '@dnd-kit/core';
import { useRouter } from 'next/navigation';
import { useState, useTransition, type KeyboardEvent } from 'react';

import type { Person } from '@/core/agree';
import type { Bay, Unit } from '@/core/look';
import { bentRulesOf, walkBays, type ZonesRequest } from '@/core/place';
import type { LengthUnit } from '@/core/shared';
import type { Group, Thing } from '@/core/sort';
import type { ActionResult } from '../actionResult';
import { bentWords } from './bentWords';
import { carryKey, type Carried } from './carryKey';
import { FrontBoard } from './FrontBoard';
import { HomelessTray } from './HomelessTray';
import { HomeStrip } from './HomeStrip';

interface PlaceBoardProps {
  readonly units: readonly Unit[];
  /** Of the whole home, where the shown arrangement has them. */
  readonly groups: readonly Group[];
  readonly roomId: Group['roomId'];
  readonly otherRooms: readonly { readonly id: string; readonly name: string; readonly units: readonly Unit[] }[];
  /** What the rules are asked of; undefined where nobody lives here. */
  readonly zones: ZonesRequest | undefined;
  readonly fragileIds: readonly string[];
  readonly things: readonly Thing[];
  readonly people: readonly Person[];
  readonly measureUnit: LengthUnit;
  readonly onPlace: (assignment: readonly { readonly groupId: string; readonly bayId: string | null }[]) => Promise<ActionResult>;
}

/** The room from the front, to scale, with a tag for each group: dragged, tapped, or carried by keys. */
export function PlaceBoard({ units, groups: keptGroups, roomId, otherRooms, zones, fragileIds, things, people, measureUnit, onPlace }: PlaceBoardProps) {
  const router = useRouter();
  const [, startTransition] = useTransition();
  const [moved, setMoved] = useState<Readonly<Record<string, Bay['id'] | null>>>({});
  const [dragged, setDragged] = useState<Group>();
  const [carried, setCarried] = useState<Carried>();
  const [hover, setHover] = useState<{ readonly groupId: Group['id']; readonly bayId: string }>();
  const [message, setMessage] = useState('');
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }));
  const groups = keptGroups.map((group) => (moved[group.id] === undefined ? group : { ...group, bayId: moved[group.id] ?? null }));
  const bays = walkBays(units).filter((bay) => !bay.outOfScope);
  const farBays = otherRooms.flatMap((room) => walkBays(room.units).filter((bay) => !bay.outOfScope));
  const nameOf = (bayId: string | undefined) => [...bays, ...farBays].find(({ id }) => id === bayId)?.name;
  const places = Object.fromEntries(groups.map((group) => [group.id, group.bayId]));
  const hindrances = (groupId: string, bayId: string | undefined): string[] =>
    zones && bayId !== undefined ? bentRulesOf(zones, { groupId, bayId, places, fragileIds: new Set(fragileIds) }).map((rule) => bentWords(rule, groups)) : [];

  const place = (groupId: Group['id'], bayId: Bay['id'] | undefined) => {
    const group = groups.find(({ id }) => id === groupId);
    setCarried(undefined);
    if (!group || group.bayId === (bayId ?? null)) return;
    setMoved((before) => ({ ...before, [groupId]: bayId ?? null }));
    setMessage(`${group.name} ${bayId ? `is on ${nameOf(bayId) ?? ''}` : 'is back in the tray'}`);
    startTransition(async () => {
      const result = await onPlace([{ groupId, bayId: bayId ?? null }]);
      if (!result.ok) setMessage(result.message);
      router.refresh();
      // Only this move is settled; one made meanwhile still waits for its own answer.
      setMoved(({ [groupId]: settled, ...others }) => (settled === (bayId ?? null) || settled === undefined ? others : { ...others, [groupId]: settled }));
    });
  };
  const onDragEnd = ({ active, over }: DragEndEvent) => {
    const group = groups.find(({ id }) => id === active.id);
    setDragged(undefined);
    setHover(undefined);
    if (group && over) place(group.id, over.id === 'tray' ? undefined : [...bays, ...farBays].find(({ id }) => id === over.id)?.id);
  };
  const onDragOver = ({ active, over }: DragOverEvent) => {
    const group = groups.find(({ id }) => id === active.id);
    setHover(group && over && over.id !== 'tray' ? { groupId: group.id, bayId: String(over.id) } : undefined);
  };
  const onTagKey = (event: KeyboardEvent, group: Group) => {
    const key = carryKey(event.key, { group, carried, bays, farBays });
    if (!key) return;
    event.preventDefault();
    if (key.act === 'put') place(group.id, key.bayId);
    else if (key.act === 'leave') setCarried(undefined);
    else setCarried({ groupId: group.id, overBayId: key.bayId });
  };
  const held = hover ?? (carried?.overBayId ? { groupId: carried.groupId, bayId: carried.overBayId } : undefined);
  const heldAgainst = held ? { bayId: held.bayId, words: hindrances(held.groupId, held.bayId) } : undefined;
  const inHand = groups.find(({ id }) => id === (hover?.groupId ?? carried?.groupId));
  const status = inHand ? (
    <>
      {inHand.name} over {nameOf(hover?.bayId ?? carried?.overBayId) ?? 'the tray'}. {heldAgainst && heldAgainst.words.length > 0 && <b className="text-signal-deep">Not there: {heldAgainst.words.join('; ')}. </b>}
      {carried && 'Enter puts it down, Escape leaves it.'}
    </>
  ) : message;
  const tagProps = { things, carried, onKeyDown: onTagKey, onTap: (group: Group) => setCarried((before) => (before?.groupId === group.id ? undefined : { groupId: group.id, overBayId: group.bayId ?? undefined })) };
  const homeless = groups.filter((group) => group.roomId === roomId && group.bayId === null);
  return (
    <DndContext id="place" sensors={sensors} collisionDetection={pointerWithin} onDragStart={({ active }) => setDragged(groups.find(({ id }) => id === active.id))} onDragOver={onDragOver} onDragEnd={onDragEnd} onDragCancel={() => { setDragged(undefined); setHover(undefined); }}>
      <HomelessTray groups={homeless} status={status} isTarget={carried !== undefined && carried.overBayId === undefined} onPutHere={carried ? () => place(carried.groupId, undefined) : undefined} {...tagProps} />
      <FrontBoard units={units} groups={groups} things={things} people={people} measureUnit={measureUnit} carried={carried} heldAgainst={heldAgainst} onPutOn={(bayId) => carried && place(carried.groupId, bayId)} tagProps={tagProps} />
      <HomeStrip rooms={otherRooms} groups={groups} things={things} overBayId={carried?.overBayId} onPut={carried ? (bayId) => place(carried.groupId, bayId) : undefined} />
      <DragOverlay dropAnimation={null}>{dragged && <span className="tag cursor-grabbing text-[13.5px]">{dragged.name}</span>}</DragOverlay>
    </DndContext>
  );
}

