'use client';

import { useMemo, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';

import {
  drawPlan,
  findPlanClashes,
  placeNear,
  shiftPlace,
  type Fixture,
  type Outline,
  type Room,
  type Unit,
  type WallPlace,
} from '@/core/look';
import { formatCount, type LengthUnit } from '@/core/shared';
import type { ActionResult } from '../actionResult';
import { Button } from '../primitives/Button';
import { useIsPhone } from '../primitives/useIsPhone';
import { useMutation } from '../useMutation';
import type { DoorEnds } from './LeadsToField';
import { clashWords } from './lookWords';
import { toTypedLeadsTo } from './passageTyped';
import { applyMoved, firstPlaceOf, listPlanThings, rectOfThing, type PlanThing } from './planItems';
import { PlanHandle } from './PlanHandle';
import { SketchView } from './SketchView';
import { TapePanel } from './TapePanel';
import { usePlanMoves } from './usePlanMoves';
import { SideScroll } from '../primitives/SideScroll';

interface PlanRecords {
  readonly room: Room;
  readonly units: readonly Unit[];
  readonly fixtures: readonly Fixture[];
}
interface PlanBoardProps {
  readonly records: PlanRecords;
  readonly outline: Outline;
  readonly measureUnit: LengthUnit;
  readonly onMove: (
    kind: PlanThing['kind'],
    id: string,
    place: WallPlace | null,
  ) => Promise<ActionResult>;
  readonly onRemoveFixture: (fixtureId: string) => Promise<ActionResult>;
  /** What a door can lead to. */
  readonly ends: DoorEnds;
  readonly onLead: (fixtureId: string, leadsTo: string) => Promise<ActionResult>;
}

const BOX_PX = { desk: { width: 470, height: 372 }, phone: { width: 232, height: 320 } };
const STEP_MM = 10;
const LARGE_STEP_MM = 100;
const ARROWS: Readonly<Record<string, readonly [x: number, y: number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** The room from above, to scale. Things are dragged, pushed by arrow keys, or set by what the tape says. */
export function PlanBoard({
  records,
  outline,
  measureUnit,
  onMove,
  onRemoveFixture,
  ends,
  onLead,
}: PlanBoardProps) {
  const { moved, move, message } = usePlanMoves(onMove);
  const { mutate } = useMutation();
  const [selectedKey, setSelectedKey] = useState<string>();
  const svg = useRef<SVGSVGElement>(null);
  const grabbed = useRef<{
    readonly key: string;
    readonly dx: number;
    readonly dy: number;
    place?: WallPlace;
  }>(undefined);
  const shown = applyMoved(records, moved);
  const things = listPlanThings(records, moved);
  const selected = things.find(({ key }) => key === selectedKey);
  const door = records.fixtures.find(({ id, kind }) => kind === 'door' && id === selected?.id);
  const box = BOX_PX[useIsPhone() ? 'phone' : 'desk'];
  const penMm = Math.max(outline.widthMm / box.width, outline.depthMm / box.height);
  const clashes = useMemo(
    () =>
      findPlanClashes({
        outline,
        units: shown.units,
        fixtures: shown.fixtures,
        checks: shown.room.checks,
      }),
    [outline, shown.units, shown.fixtures, shown.room.checks],
  );
  const nameOf = (id: string) =>
    things.find((thing) => thing.id === id)?.name ??
    records.room.checks.find((check) => check.id === id)?.text ??
    '';

  const toMm = (event: PointerEvent) => {
    const matrix = svg.current?.getScreenCTM();
    const point =
      matrix && new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse());
    return point && { x: point.x, y: point.y };
  };
  const othersOf = (thing: PlanThing) =>
    things
      .filter(({ key, kind }) => key !== thing.key && kind === 'unit')
      .flatMap((other) => rectOfThing(outline, other) ?? []);
  const grab = (event: PointerEvent, thing: PlanThing) => {
    const point = toMm(event);
    const rect = rectOfThing(outline, thing);
    if (!point || !rect) return;
    setSelectedKey(thing.key);
    event.currentTarget.setPointerCapture(event.pointerId);
    grabbed.current = {
      key: thing.key,
      dx: rect.x + rect.width / 2 - point.x,
      dy: rect.y + rect.depth / 2 - point.y,
    };
  };
  const drag = (event: PointerEvent, thing: PlanThing) => {
    const held = grabbed.current;
    const point = held?.key === thing.key ? toMm(event) : undefined;
    if (!held || !point) return;
    const near = placeNear(
      { x: point.x + held.dx, y: point.y + held.dy },
      { outline, size: thing.size, others: othersOf(thing), unit: measureUnit },
    );
    held.place = thing.keepsToWall ? { ...near, off: thing.place?.off ?? near.off } : near;
    move(thing, held.place, 'show');
  };
  const drop = (thing: PlanThing) => {
    const held = grabbed.current;
    grabbed.current = undefined;
    if (held?.place) move(thing, held.place, 'keep');
  };
  const onKey = (event: KeyboardEvent, thing: PlanThing) => {
    const place = keyedPlace(event, thing, outline, measureUnit);
    if (place === undefined) return;
    event.preventDefault();
    event.stopPropagation();
    if (place === 'take-out') takeOut(thing);
    else move(thing, place, 'soon');
  };
  const takeOut = (thing: PlanThing) => {
    setSelectedKey(undefined);
    if (thing.kind === 'fixture') void onRemoveFixture(thing.id);
    else move(thing, null, 'keep');
  };
  const waiting = things.filter(({ place, kind }) => place === null && kind === 'unit');
  return (
    <div className="md:grid md:grid-cols-[minmax(0,1fr)_256px]">
      <SideScroll label="The plan" className="squared grid items-center rounded-b-[5px]">
        <SketchView
          svgRef={svg}
          sketch={drawPlan({
            outline,
            units: shown.units,
            fixtures: shown.fixtures,
            checks: shown.room.checks,
            clashes,
            measureUnit,
            penMm,
          })}
          label={`Plan of ${records.room.name}, to scale`}
        >
          {[...things]
            .sort((a, b) => rankOf(a) - rankOf(b))
            .map((thing) => (
              <PlanHandle
                key={thing.key}
                thing={thing}
                outline={outline}
                penMm={penMm}
                isSelected={thing.key === selectedKey}
                measureUnit={measureUnit}
                onSelect={() => setSelectedKey(thing.key)}
                onGrab={grab}
                onDrag={drag}
                onDrop={drop}
                onKey={onKey}
              />
            ))}
        </SketchView>
      </SideScroll>
      <div className="border-line max-md:border-t md:border-l">
        {selected?.place ? (
          <TapePanel
            key={`${selected.key} ${selected.place.wallIndex} ${selected.place.along.text} ${selected.place.off.text}`}
            thing={selected}
            place={selected.place}
            outline={outline}
            measureUnit={measureUnit}
            onPlace={(place) => move(selected, place, 'keep')}
            onTakeOut={() => takeOut(selected)}
            {...(door
              ? {
                  leads: {
                    to: toTypedLeadsTo(door.leadsTo),
                    ends,
                    onSay: (to: string) => void mutate(() => onLead(door.id, to)),
                  },
                }
              : {})}
          />
        ) : (
          <p className="px-3 py-2 text-[13.5px] text-soft">
            Drag a thing, or tap it and use the arrows (Shift: ten at a time, W: the next wall).
            Sizes snap to walls, corners and neighbours.
          </p>
        )}
        {waiting.length > 0 && (
          <p className="flex flex-wrap items-center gap-2 px-3 pb-2 text-[14px]">
            Not in the plan yet:{' '}
            {waiting.map((thing) => (
              <Button
                key={thing.key}
                onClick={() => {
                  move(
                    thing,
                    firstPlaceOf(thing, things, {
                      outline,
                      fixtures: shown.fixtures,
                      unit: measureUnit,
                    }),
                    'keep',
                  );
                  setSelectedKey(thing.key);
                }}
              >
                Put in {thing.name}
              </Button>
            ))}
          </p>
        )}
        <div role="status" aria-label="What is in the way">
          {message !== '' && <p className="warn mx-3 mb-2">{message}</p>}
          {clashes.length === 0 ? (
            <p className="px-3 pb-3 text-[14px]">Nothing is in the way of anything.</p>
          ) : (
            <ul className="grid gap-1.5 px-3 pb-3">
              {clashes.map((clash, i) => (
                <li key={i} className="warn">
                  {clashWords(clash, { nameOf, units: measureUnit })}.
                </li>
              ))}
              <li className="sr-only">{formatCount(clashes.length, 'clash', 'clashes')}</li>
            </ul>
          )}
        </div>
      </div>
    </div>
  );
}

/** Clear spaces lie under units, and what is in the wall above them. */
const RANKS: Readonly<Partial<Record<string, number>>> = { clear: 0, unit: 1 };
const rankOf = ({ kind }: PlanThing): number => RANKS[kind] ?? 2;

/**
 * What a key does to a thing: arrows as they look on the page, W to the next wall, Delete out of
 * the plan.
 */
function keyedPlace(
  event: KeyboardEvent,
  thing: PlanThing,
  outline: Outline,
  unit: LengthUnit,
): WallPlace | 'take-out' | undefined {
  const { place, size } = thing;
  const wall = place && outline.walls[place.wallIndex];
  if (!place || !wall) return undefined;
  if (event.key === 'Delete' || event.key === 'Backspace') return 'take-out';
  if (event.key.toLowerCase() === 'w')
    return shiftPlace(place, { walls: event.shiftKey ? -1 : 1 }, { outline, size, unit });
  const arrow = ARROWS[event.key];
  if (!arrow) return undefined;
  const step = event.shiftKey ? LARGE_STEP_MM : STEP_MM;
  const alongMm = (arrow[0] * wall.along.x + arrow[1] * wall.along.y) * step;
  const offMm = thing.keepsToWall
    ? 0
    : (arrow[0] * wall.inward.x + arrow[1] * wall.inward.y) * step;
  return shiftPlace(place, { alongMm, offMm }, { outline, size, unit });
}
