import 'server-only';

import type { Room, Unit } from '@/core/look';
import { addDays, weekdayOf, type ProjectId, type RoomId } from '@/core/shared';
import {
  doneTasksOf,
  listTasks,
  type SetUp,
  type SetUpFacts,
  type SetUpPlan,
  type SetUpTask,
  type TaskKind,
  type WorkWindow,
} from '@/core/setUp';
import { paintNeedOf } from '@/core/shop';
import { pairPictures } from '@/core/show';
import { isKept, keptLitresOf } from '@/core/sort';
import { visitStateOf } from '@/core/visits';
import { atomic, recordChange } from '@/data/changes';
import { DataError, type Db } from '@/data/db';
import { loadRecords, setUpRecord, type Records } from '@/data/records';
import type { DeskName } from '../desk/loadDesk';
import { runEngine } from '../engines/runEngine';
import { nowIso } from '../means';

export type SetUpRecords = Records<DeskName | 'setUps' | 'visits'>;

/** A room's working list with its plan. */
export interface LoadedSetUp {
  readonly setUp: SetUp;
  readonly tasks: readonly SetUpTask[];
  readonly plan: SetUpPlan;
  readonly people: readonly string[];
  /** From here on there is no visit planned to this room: its usual days are taken. Null: not needed. */
  readonly assumedFrom: string | null;
  readonly hasVisit: boolean;
}

const EMPTY = { done: [], airCelsius: null, isDamp: false } as const;
const setUpOf = ({ setUps }: Records<'setUps'>, roomId: RoomId): SetUp =>
  setUps.find(({ id }) => id === roomId) ?? { id: roomId, ...EMPTY, done: [] };

/** Works out the list of a room and lays it out from now on, in its visits. */
export async function loadSetUp(
  records: SetUpRecords,
  room: Pick<Room, 'id'>,
  { now, today }: { readonly now: string; readonly today: string },
): Promise<LoadedSetUp> {
  const setUp = setUpOf(records, room.id);
  const tasks = listTasks(setUpFactsOf(records, room.id), setUp);
  const { project } = records;
  const sections = records.sections.filter(({ roomId }) => roomId === room.id);
  const visits = records.visits.filter(
    (visit) =>
      visitStateOf(visit) !== 'lived' &&
      visit.day >= today &&
      visit.sectionIds.some((id) => sections.some((section) => section.id === id)),
  );
  const { days, visitMinutes, crewCount } = project.terms;
  const named = visits[0]?.people ?? days.people;
  const people =
    named.length > 0 ? named : Array.from({ length: crewCount }, (_, i) => `Person ${i + 1}`);
  const lastDay = visits
    .map(({ day }) => day)
    .sort()
    .at(-1);
  const planned = visits.map(({ day, fromMinute, toMinute }) =>
    windowOf(day, fromMinute, toMinute),
  );
  // What the planned visits do not hold goes on the days on which this home is usually visited.
  const usual = usualDays(lastDay === undefined ? today : addDays(lastDay, 1), days.weekdays).map(
    (day) => windowOf(day, days.fromMinute, days.fromMinute + visitMinutes),
  );
  const plan = await runEngine('setUp', {
    tasks,
    done: doneTasksOf(setUp),
    // Whoever leads has the drill.
    people: people.map((name, i) => ({ name, hasDrill: i === 0 })),
    windows: [...planned, ...usual],
    now: `${now.slice(0, 16)}:00.000Z`,
  });
  const assumedFrom = usual[0]?.from ?? '';
  return {
    setUp,
    tasks,
    plan,
    people,
    assumedFrom: plan.tasks.some(({ startsAt }) => startsAt >= assumedFrom) ? assumedFrom : null,
    hasVisit: planned.length > 0,
  };
}

/** So many of the days on which the home can be visited are looked at where no visit is planned. */
const USUAL_DAYS = 30;
const usualDays = (today: string, weekdays: readonly number[]): string[] =>
  Array.from({ length: USUAL_DAYS }, (_, i) => addDays(today, i)).filter((day) =>
    weekdays.includes(weekdayOf(day)),
  );

/** Clock times of the machine, as the visits are planned by. */
function windowOf(day: string, fromMinute: number, toMinute: number): WorkWindow {
  const at = (minute: number) => {
    const date = new Date(`${day}T00:00:00`);
    date.setMinutes(minute);
    return date.toISOString();
  };
  return { from: at(fromMinute), to: at(toMinute) };
}

/** What was decided for a room that has to be carried out. */
function setUpFactsOf(records: SetUpRecords, roomId: RoomId): SetUpFacts {
  const materials = records.materials.find(({ id }) => id === roomId);
  const paint = materials?.paint ?? null;
  const spots = records.vantagePoints.filter((spot) => spot.roomId === roomId);
  return {
    units: records.units
      .filter((unit) => unit.roomId === roomId)
      .map((unit) => unitFactsOf(records, unit, materials?.linedBayIds ?? []))
      .filter(({ placeCount }) => placeCount > 0),
    paint: paint && {
      squareMetres: paintNeedOf(paint).squareMetres,
      coats: paint.coats,
      dryHours: paint.dryHours,
      cureDays: paint.cureDays,
    },
    pieceCount: (materials?.cuts ?? []).reduce((sum, { qty }) => sum + qty, 0),
    fixings: materials?.fixings.rows ?? [],
    spotCount: pairPictures(spots, records.pictures).filter(({ after }) => !after).length,
    liftLimitG: records.project.terms.liftLimitG,
  };
}

function unitFactsOf(records: SetUpRecords, unit: Unit, lined: readonly string[]) {
  const bays = unit.bays.filter(({ outOfScope }) => !outOfScope);
  const isHere = (id: string | null) => bays.some((bay) => bay.id === id);
  const groups = records.groups.filter(({ bayId }) => isHere(bayId));
  return {
    id: unit.id,
    name: unit.name,
    placeCount: bays.length,
    linedCount: bays.filter(({ id }) => lined.includes(id)).length,
    litres: groups.reduce((sum, group) => sum + keptLitresOf(group, records.things), 0),
    // Of a single piece: a group is carried in baskets.
    heaviestG: records.things
      .filter((thing) => isKept(thing) && groups.some(({ id }) => id === thing.groupId))
      .reduce((most, { massG, count }) => Math.max(most, massG / Math.max(1, count)), 0),
    labelCount: records.fits
      .filter(({ bayId }) => isHere(bayId))
      .reduce((sum, { answer }) => sum + answer.placements.length, 0),
  };
}

const roomNameOf = ({ rooms }: Records<'rooms'>, roomId: RoomId): string => {
  const room = rooms.find(({ id }) => id === roomId);
  if (!room) throw new DataError('not_found', `there is no room ${roomId}`);
  return room.name;
};

/** Ticks a task as done now; ticked again it is open. @errors `not_found`: no such room. */
export const tickTask = atomic(
  async (
    db: Db,
    projectId: ProjectId,
    { roomId, kind, of }: { readonly roomId: RoomId; readonly kind: TaskKind; readonly of: string },
  ): Promise<void> => {
    const records = await loadRecords(db, projectId, 'rooms', 'setUps');
    const setUp = setUpOf(records, roomId);
    const isSame = (each: SetUp['done'][number]) => each.kind === kind && each.of === of;
    const now = nowIso();
    const done = setUp.done.some(isSame)
      ? setUp.done.filter((each) => !isSame(each))
      : [...setUp.done, { kind, of, doneAt: now }];
    const deed = { code: 'task_ticked', name: roomNameOf(records, roomId) } as const;
    await recordChange(db, { projectId, deed, now }, (writer) =>
      writer.put(setUpRecord, { ...setUp, done }),
    );
  },
);

/** What the air is like where paint dries. @errors `not_found`: no such room. */
export const noteAir = atomic(
  async (
    db: Db,
    projectId: ProjectId,
    { roomId, ...air }: { readonly roomId: RoomId } & Pick<SetUp, 'airCelsius' | 'isDamp'>,
  ): Promise<void> => {
    const records = await loadRecords(db, projectId, 'rooms', 'setUps');
    const deed = { code: 'air_noted', name: roomNameOf(records, roomId) } as const;
    await recordChange(db, { projectId, deed, now: nowIso() }, (writer) =>
      writer.put(setUpRecord, { ...setUpOf(records, roomId), ...air }),
    );
  },
);
