'use client';

import clsx from 'clsx';

import {
  DndContext,
  DragOverlay,
  PointerSensor,
  pointerWithin,
  useSensor,
  useSensors,
  type DragEndEvent,
  type DragOverEvent,
} from '@dnd-kit/core';
import { useMemo, useState, useTransition, type KeyboardEvent } from 'react';

import type { Person } from '@/core/agree';
import type { Bay, Unit } from '@/core/look';
import { bentRulesOf, walkBays, type ZonesRequest } from '@/core/place';
import type { LengthUnit } from '@/core/shared';
import type { Group, Thing } from '@/core/sort';
import type { ActionResult } from '../actionResult';
import { bentWords } from './placeWords';
import { carryKey, type Carried } from './carryKey';
import { FrontBoard, reachLines } from './FrontBoard';
import { UnplacedTray } from './UnplacedTray';
import { HomeStrip } from './HomeStrip';
import { useProposedPlaces } from './ProposalScene';
import { useMutation } from '../useMutation';

interface RoomFront {
  readonly id: string;
  readonly name: string;
  readonly units: readonly Unit[];
}

interface PlaceBoardProps {
  /** Drawn large, to one scale: the room, or every room of the home. */
  readonly rooms: readonly RoomFront[];
  /** Of the whole home, where the shown arrangement has them. */
  readonly groups: readonly Group[];
  readonly otherRooms: readonly RoomFront[];
  /** What the rules are asked of; undefined where nobody lives here. */
  readonly zones: ZonesRequest | undefined;
  readonly fragileIds: readonly string[];
  readonly things: readonly Thing[];
  readonly people: readonly Person[];
  readonly measureUnit: LengthUnit;
  /** How deep a front row is; undefined where nobody counts rows. */
  readonly rowDepthMm: number | undefined;
  readonly onPlace: (
    assignment: readonly { readonly groupId: string; readonly bayId: string | null }[],
  ) => Promise<ActionResult>;
}

const baysIn = (fronts: readonly RoomFront[]): Bay[] =>
  fronts.flatMap(({ units }) => walkBays(units).filter((bay) => !bay.outOfScope));

/**
 * The room, or the home room by room, from the front, to scale, with a tag for each group: dragged,
 * tapped, or carried by keys.
 */
export function PlaceBoard({
  rooms,
  groups: keptGroups,
  otherRooms,
  zones,
  fragileIds,
  things,
  people,
  measureUnit,
  rowDepthMm,
  onPlace,
}: PlaceBoardProps) {
  const { mutate } = useMutation();
  const [, startTransition] = useTransition();
  const [moved, setMoved] = useState<Readonly<Record<string, Bay['id'] | null>>>({});
  const [dragged, setDragged] = useState<Group>();
  const [carried, setCarried] = useState<Carried>();
  const [hover, setHover] = useState<{ readonly groupId: Group['id']; readonly bayId: string }>();
  const [message, setMessage] = useState('');
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }));
  // A tag in hand draws the board anew with every place it comes over: what that does not change is kept.
  const groups = useMemo(
    () =>
      keptGroups.map((group) =>
        moved[group.id] === undefined ? group : { ...group, bayId: moved[group.id] ?? null },
      ),
    [keptGroups, moved],
  );
  const proposed = useProposedPlaces(groups);
  const [bays, farBays] = useMemo(() => [baysIn(rooms), baysIn(otherRooms)], [rooms, otherRooms]);
  const nameOf = (bayId: string | undefined) =>
    [...bays, ...farBays].find(({ id }) => id === bayId)?.name;
  const places = Object.fromEntries(groups.map((group) => [group.id, group.bayId]));
  const hindrances = (groupId: string, bayId: string | undefined): string[] =>
    zones && bayId !== undefined
      ? bentRulesOf(zones, { groupId, bayId, places, fragileIds: new Set(fragileIds) }).map(
          (rule) => bentWords(rule, groups),
        )
      : [];

  const place = (groupId: Group['id'], bayId: Bay['id'] | undefined) => {
    const group = groups.find(({ id }) => id === groupId);
    setCarried(undefined);
    if (!group || group.bayId === (bayId ?? null)) return;
    setMoved((before) => ({ ...before, [groupId]: bayId ?? null }));
    setMessage(`${group.name} ${bayId ? `is on ${nameOf(bayId) ?? ''}` : 'is back in the tray'}`);
    startTransition(async () => {
      await mutate(() => onPlace([{ groupId, bayId: bayId ?? null }]));
      // Only this move is settled; one made meanwhile still waits for its own answer.
      setMoved(({ [groupId]: settled, ...others }) =>
        settled === (bayId ?? null) || settled === undefined
          ? others
          : { ...others, [groupId]: settled },
      );
    });
  };
  const onDragEnd = ({ active, over }: DragEndEvent) => {
    const group = groups.find(({ id }) => id === active.id);
    setDragged(undefined);
    setHover(undefined);
    if (group && over)
      place(
        group.id,
        over.id === 'tray' ? undefined : [...bays, ...farBays].find(({ id }) => id === over.id)?.id,
      );
  };
  const onDragOver = ({ active, over }: DragOverEvent) => {
    const group = groups.find(({ id }) => id === active.id);
    setHover(
      group && over && over.id !== 'tray'
        ? { groupId: group.id, bayId: String(over.id) }
        : undefined,
    );
  };
  const onTagKey = (event: KeyboardEvent, group: Group) => {
    const key = carryKey(event.key, { group, carried, bays, farBays });
    if (!key) return;
    event.preventDefault();
    if (key.act === 'put') place(group.id, key.bayId);
    else if (key.act === 'leave') setCarried(undefined);
    else setCarried({ groupId: group.id, overBayId: key.bayId });
  };
  const held =
    hover ??
    (carried?.overBayId ? { groupId: carried.groupId, bayId: carried.overBayId } : undefined);
  const heldAgainst = held
    ? { bayId: held.bayId, words: hindrances(held.groupId, held.bayId) }
    : undefined;
  const inHand = groups.find(({ id }) => id === (hover?.groupId ?? carried?.groupId));
  const status = inHand ? (
    <>
      {inHand.name} over {nameOf(hover?.bayId ?? carried?.overBayId) ?? 'the tray'}.{' '}
      {heldAgainst && heldAgainst.words.length > 0 && (
        <b className="text-signal-deep">Not there: {heldAgainst.words.join('; ')}. </b>
      )}
      {carried && 'Enter puts it down, Escape leaves it.'}
    </>
  ) : (
    message
  );
  const tagProps = {
    things,
    carried,
    onKeyDown: onTagKey,
    onTap: (group: Group) =>
      setCarried((before) =>
        before?.groupId === group.id
          ? undefined
          : { groupId: group.id, overBayId: group.bayId ?? undefined },
      ),
  };
  const unplaced = groups.filter(
    (group) => group.bayId === null && rooms.some(({ id }) => id === group.roomId),
  );
  return (
    <DndContext
      id="place"
      sensors={sensors}
      collisionDetection={pointerWithin}
      onDragStart={({ active }) => setDragged(groups.find(({ id }) => id === active.id))}
      onDragOver={onDragOver}
      onDragEnd={onDragEnd}
      onDragCancel={() => {
        setDragged(undefined);
        setHover(undefined);
      }}
    >
      <UnplacedTray
        groups={unplaced}
        status={status}
        isTarget={carried !== undefined && carried.overBayId === undefined}
        onPutHere={carried ? () => place(carried.groupId, undefined) : undefined}
        {...tagProps}
      />
      <ReachNote people={people} measureUnit={measureUnit} isOnPhoneOnly={rooms.length < 2} />
      {proposed.size > 0 && (
        <p className="mb-2 text-[13.5px]">
          Proposed: <span className="line-through">crossed out</span> where it leaves,{' '}
          <span className="border-[1.5px] border-dashed border-rim px-1 text-rim-deep">
            + dashed
          </span>{' '}
          where it comes; all else stays.
        </p>
      )}
      <div className="flex flex-wrap items-end gap-3">
        {rooms.map(({ id, name, units }) => (
          <section key={id} aria-label={name} className="min-w-0 grow">
            {rooms.length > 1 && <h2 className="caption mb-1 font-text">{name}</h2>}
            <FrontBoard
              name={name}
              units={units}
              groups={groups}
              things={things}
              people={people}
              measureUnit={measureUnit}
              rowDepthMm={rowDepthMm}
              isOneOfMany={rooms.length > 1}
              proposed={proposed}
              carried={carried}
              heldAgainst={heldAgainst}
              onPutOn={(bayId) => carried && place(carried.groupId, bayId)}
              tagProps={tagProps}
            />
          </section>
        ))}
      </div>
      <HomeStrip
        rooms={otherRooms}
        groups={groups}
        things={things}
        overBayId={carried?.overBayId}
        onPut={carried ? (bayId) => place(carried.groupId, bayId) : undefined}
      />
      <DragOverlay dropAnimation={null}>
        {dragged && <span className="tag cursor-grabbing text-[13.5px]">{dragged.name}</span>}
      </DragOverlay>
    </DndContext>
  );
}

/** What the dotted lines mean, where they carry no words of their own. */
function ReachNote({
  people,
  measureUnit,
  isOnPhoneOnly,
}: Pick<PlaceBoardProps, 'people' | 'measureUnit'> & { readonly isOnPhoneOnly: boolean }) {
  const lines = reachLines(people, measureUnit);
  if (lines.length === 0) return null;
  return (
    <p className={clsx('mb-2 text-[13.5px] text-rim', isOnPhoneOnly && 'md:hidden')}>
      Dotted: {lines.map(({ text }) => text).join('; ')}.
    </p>
  );
}
