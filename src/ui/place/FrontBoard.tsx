'use client';

import { useMemo } from 'react';

import { tightestReach, type Person } from '@/core/agree';
import { arrangeFront, type Bay, type Unit } from '@/core/look';
import { bayLevelOf, rowsInPlace } from '@/core/place';
import { formatLength, type LengthUnit } from '@/core/shared';
import { keptLitresOf, type Group, type Thing } from '@/core/sort';
import { useIsPhone } from '../primitives/useIsPhone';
import { BaySlot } from './BaySlot';
import type { Carried } from './carryKey';
import { ArrivingTag, GroupTag, type TagProps } from './GroupTag';
import { SideScroll } from '../primitives/SideScroll';

interface FrontBoardProps {
  /** Of the room. */
  readonly name: string;
  readonly units: readonly Unit[];
  readonly groups: readonly Group[];
  readonly things: readonly Thing[];
  readonly people: readonly Person[];
  readonly measureUnit: LengthUnit;
  readonly rowDepthMm: number | undefined;
  /** Other rooms are drawn beside it, to the same scale. */
  readonly isOneOfMany?: boolean;
  /** By group: where a proposal would put it, of those that would move. */
  readonly proposed: ReadonlyMap<string, string>;
  readonly carried: Carried | undefined;
  readonly heldAgainst: { readonly bayId: string; readonly words: readonly string[] } | undefined;
  readonly onPutOn: (bayId: Bay['id']) => void;
  readonly tagProps: TagProps;
}

/** Tallest drawing that leaves the tray and the numbers on one screen. */
const BOARD_HEIGHT_PX = 372;
const LEAST_SCALE = 0.175;
/** Of the home at least two rooms stand side by side. */
const HOME_SCALE = 0.19;
/** Under a thumb tags are taller: the drawing grows with them, as far as the phone is wide. */
const PHONE_SCALE = 0.245;
/** What stands beside the drawing on a phone: the page's margin and the paper's. */
const PHONE_BESIDE_PX = 62;

/**
 * The units of the room from the front, to scale, each place with its tags and its level; on a phone
 * one unit below the other.
 */
export function FrontBoard(props: FrontBoardProps) {
  const isPhone = useIsPhone();
  if (!isPhone || props.units.length < 2) return <OneFront {...props} isPhone={isPhone} />;
  return (
    <div className="grid gap-2">
      {[...props.units]
        .sort((a, b) => a.position - b.position)
        .map((unit) => (
          <OneFront
            key={unit.id}
            {...props}
            name={`${props.name}, ${unit.name},`}
            units={[unit]}
            isPhone
          />
        ))}
    </div>
  );
}

/** Units side by side on one floor. */
function OneFront({
  name,
  units,
  groups,
  things,
  people,
  measureUnit,
  rowDepthMm,
  isOneOfMany = false,
  proposed,
  carried,
  heldAgainst,
  onPutOn,
  tagProps,
  isPhone,
}: FrontBoardProps & { readonly isPhone: boolean }) {
  const view = useMemo(() => arrangeFront(units), [units]);
  const bays = useMemo(
    () =>
      new Map(units.flatMap((unit) => unit.bays.map((bay) => [bay.id as string, bay] as const))),
    [units],
  );
  const levels = useMemo(
    () =>
      new Map(
        view.units.flatMap(({ layout }) =>
          layout.bays.flatMap(({ bayId, zMm }) => {
            const bay = bays.get(bayId);
            return bay
              ? [
                  [
                    bayId as string,
                    bayLevelOf({ bay, reachMm: zMm, groups, things, people }),
                  ] as const,
                ]
              : [];
          }),
        ),
      ),
    [view, bays, groups, things, people],
  );
  const litresOf = useMemo(
    () => new Map(groups.map((group) => [group.id, keptLitresOf(group, things)] as const)),
    [groups, things],
  );
  const ownScale = Math.max(
    LEAST_SCALE,
    Math.min(BOARD_HEIGHT_PX / Math.max(1, view.heightMm), 850 / Math.max(1, view.widthMm)),
  );
  const wideScale = isOneOfMany ? HOME_SCALE : ownScale;
  const scale = isPhone
    ? Math.min(PHONE_SCALE, (window.innerWidth - PHONE_BESIDE_PX) / Math.max(1, view.widthMm))
    : wideScale;
  return (
    <SideScroll label={`${name} from the front`} className="panel squared p-3">
      <div
        className="relative mx-auto"
        style={{ width: view.widthMm * scale, height: view.heightMm * scale + 3 }}
      >
        {view.units.flatMap((front) =>
          front.layout.bays.map((bayFront) => {
            const bay = bays.get(bayFront.bayId);
            const level = levels.get(bayFront.bayId);
            if (!bay || !level) return null;
            const here = groups.filter((group) => group.bayId === bay.id);
            const rows = rowsInPlace(bay, { groups: here, things, rowDepthMm });
            const arriving = groups.filter(
              ({ id }) => proposed.get(id) === bay.id && !here.some((group) => group.id === id),
            );
            const isBehind = ({ id }: Group) => rows.get(id) === 'back';
            const tagOf = (group: Group) => (
              <GroupTag
                key={group.id}
                group={group}
                litres={litresOf.get(group.id) ?? 0}
                isHalf={here.length > 2}
                isBehind={isBehind(group)}
                isLeaving={proposed.has(group.id)}
                {...tagProps}
              />
            );
            return (
              <BaySlot
                key={bay.id}
                bay={bay}
                level={level}
                isOver={carried?.overBayId === bay.id}
                isCarrying={carried !== undefined}
                against={heldAgainst?.bayId === bay.id ? heldAgainst.words : []}
                onPut={() => onPutOn(bay.id)}
                at={{
                  left: (front.xMm + bayFront.xMm) * scale,
                  bottom: bayFront.zMm * scale + 3,
                  width: bayFront.widthMm * scale,
                  height: bayFront.heightMm * scale,
                }}
              >
                {here.filter((group) => !isBehind(group)).map(tagOf)}
                {here.some(isBehind) && (
                  <span
                    aria-hidden="true"
                    className="basis-full border-t border-dashed border-soft text-[11.5px] leading-none text-soft"
                  >
                    back row
                  </span>
                )}
                {here.filter(isBehind).map(tagOf)}
                {arriving.map(({ id, name }) => (
                  <ArrivingTag key={`to ${id}`} name={name} />
                ))}
              </BaySlot>
            );
          }),
        )}
        <ReachLine
          people={people}
          measureUnit={measureUnit}
          scale={scale}
          heightMm={view.heightMm}
          isNamed={!isOneOfMany && !isPhone}
        />
        <div className="absolute inset-x-[-8px] bottom-0 h-[3px] bg-ink" aria-hidden="true" />
      </div>
      <div className="relative mx-auto h-6" style={{ width: view.widthMm * scale }}>
        {view.units.map((front) => {
          const unit = units.find(({ id }) => id === front.unitId);
          return (
            unit && (
              <span
                key={unit.id}
                className="absolute top-1 truncate text-center font-head text-[13px] font-[650]"
                style={{ left: front.xMm * scale, width: unit.width.mm * scale }}
              >
                {unit.name}
              </span>
            )
          );
        })}
      </div>
    </SideScroll>
  );
}

/** Where a reach ends is a rule of thumb: to a centimetre, no finer. */
const roundedReach = (mm: number): number => Math.round(mm / 10) * 10;

/** How high whoever stretches first, and how low whoever bends first, takes things at ease. */
export function reachLines(
  people: readonly Person[],
  measureUnit: LengthUnit,
): { readonly mm: number; readonly text: string }[] {
  const { ceiling, floor } = tightestReach(people);
  return [
    ...(ceiling
      ? [
          {
            mm: ceiling.noStretchMm,
            text: `${ceiling.personName}, no stretch · ${formatLength(roundedReach(ceiling.noStretchMm), measureUnit)}`,
          },
        ]
      : []),
    ...(floor
      ? [
          {
            mm: floor.noBendMm,
            text: `${floor.personName}, no bend · ${formatLength(roundedReach(floor.noBendMm), measureUnit)}`,
          },
        ]
      : []),
  ];
}

/** Between these heights nobody in the household stretches or bends. */
function ReachLine({
  people,
  measureUnit,
  scale,
  heightMm,
  isNamed,
}: {
  people: readonly Person[];
  measureUnit: LengthUnit;
  scale: number;
  heightMm: number;
  isNamed: boolean;
}) {
  return reachLines(people, measureUnit).map((line) =>
    line.mm < heightMm ? (
      <div
        key={line.text}
        aria-hidden="true"
        className="pointer-events-none absolute inset-x-[-8px] border-t-[1.5px] border-dotted border-rim"
        style={{ bottom: line.mm * scale + 3 }}
      >
        {isNamed && (
          <span className="absolute right-0 bottom-px rounded-sm bg-white/90 px-1 text-[12px] leading-tight text-rim">
            {line.text}
          </span>
        )}
      </div>
    ) : null,
  );
}
