import {
  isInside,
  placeAll,
  rectAt,
  rectsOverlap,
  firstFreePlace,
  type Fixture,
  type Footprint,
  type Outline,
  type Rect,
  type Room,
  type Unit,
  type WallPlace,
} from '@/core/look';
import type { LengthUnit } from '@/core/shared';
import { fixtureKindWords } from './lookWords';

/** Something that can be picked up in the plan. */
export interface PlanThing {
  readonly key: string;
  readonly kind: 'unit' | 'fixture' | 'clear';
  readonly id: string;
  readonly name: string;
  readonly size: Footprint;
  /** Null: not in the plan yet. */
  readonly place: WallPlace | null;
  /** What is in or on its wall cannot stand off it. */
  readonly keepsToWall: boolean;
}
export type Moved = Readonly<Record<string, WallPlace | null>>;

/**
 * Everything of a room that has a place in its plan or wants one; `moved` holds what was moved and
 * not kept yet.
 */
export function listPlanThings(
  {
    room,
    units,
    fixtures,
  }: {
    readonly room: Room;
    readonly units: readonly Unit[];
    readonly fixtures: readonly Fixture[];
  },
  moved: Moved,
): PlanThing[] {
  const things: PlanThing[] = [
    ...units.map((unit): PlanThing => ({
      key: `unit-${unit.id}`,
      kind: 'unit',
      id: unit.id,
      name: unit.name,
      size: { widthMm: unit.width.mm, depthMm: unit.depth.mm },
      place: unit.place,
      keepsToWall: false,
    })),
    ...fixtures.map((fixture): PlanThing => ({
      key: `fixture-${fixture.id}`,
      kind: 'fixture',
      id: fixture.id,
      name: fixture.name === '' ? fixtureKindWords[fixture.kind] : fixture.name,
      size: { widthMm: fixture.width.mm, depthMm: fixture.depth.mm },
      place: fixture.place,
      keepsToWall: fixture.kind !== 'station',
    })),
    ...room.checks.flatMap((check): PlanThing[] =>
      check.clear?.surface === 'floor'
        ? [
            {
              key: `clear-${check.id}`,
              kind: 'clear',
              id: check.id,
              name: check.text,
              size: { widthMm: check.clear.width.mm, depthMm: check.clear.depth.mm },
              place: check.clear.place,
              keepsToWall: false,
            },
          ]
        : [],
    ),
  ];
  return things.map((thing) =>
    moved[thing.key] === undefined ? thing : { ...thing, place: moved[thing.key] ?? null },
  );
}

export const rectOfThing = (outline: Outline, thing: PlanThing): Rect | undefined =>
  thing.place ? rectAt(outline, thing.place, thing.size) : undefined;

/** The records as the plan shows them while something is on the move. */
export function applyMoved<
  T extends {
    readonly room: Room;
    readonly units: readonly Unit[];
    readonly fixtures: readonly Fixture[];
  },
>(records: T, moved: Moved): T {
  const of = (key: string, place: WallPlace | null) =>
    moved[key] === undefined ? place : (moved[key] ?? null);
  return {
    ...records,
    units: records.units.map((unit) => ({ ...unit, place: of(`unit-${unit.id}`, unit.place) })),
    fixtures: records.fixtures.map((fixture) => ({
      ...fixture,
      place: of(`fixture-${fixture.id}`, fixture.place) ?? fixture.place,
    })),
    room: {
      ...records.room,
      checks: records.room.checks.map((check) =>
        check.clear
          ? {
              ...check,
              clear: { ...check.clear, place: of(`clear-${check.id}`, check.clear.place) },
            }
          : check,
      ),
    },
  };
}

/**
 * Where a thing that is not in the plan yet would stand first: clear of what stands there, and of the
 * ways of doors.
 */
export function firstPlaceOf(
  thing: PlanThing,
  things: readonly PlanThing[],
  {
    outline,
    fixtures,
    unit,
  }: {
    readonly outline: Outline;
    readonly fixtures: readonly Fixture[];
    readonly unit: LengthUnit;
  },
): WallPlace {
  const others = things
    .filter(({ key }) => key !== thing.key)
    .flatMap((other) => rectOfThing(outline, other) ?? []);
  const doorways = placeAll(outline, [], fixtures)
    .fixtures.filter(({ fixture }) => fixture.kind === 'door')
    .flatMap(({ before, leaf }) => [before, ...(leaf ? [leaf.square] : [])]);
  return firstFreePlace(
    { outline, size: thing.size, others, unit },
    (rect) =>
      isInside(outline, rect) &&
      ![...others, ...doorways].some((other) => rectsOverlap(rect, other)),
  );
}
