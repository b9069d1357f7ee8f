import 'server-only';

import type { FirmLearned } from '@/core/learn';
import type { Room } from '@/core/look';
import { addDays, weekdayOf, type BayId, type ProjectId, type RoomId } from '@/core/shared';
import {
  doneOf,
  listTasks,
  setUpFactsOf,
  taskIdOf,
  unanchoredOf,
  type DoneTask,
  type SetUp,
  type SetUpPlan,
  type SetUpTask,
  type TaskKind,
  type UnitSetUp,
  type WorkWindow,
} from '@/core/setUp';
import { listNeeds, listOtherNeeds, toMaterialNeedId, type MaterialKind } from '@/core/shop';
import { visitStateOf } from '@/core/visits';
import { atomic, recordChange } from '@/data/changes';
import type { Db } from '@/data/db';
import { loadRecords, setUpRecord, type Records } from '@/data/records';
import { roomRecordsOf, type DeskName } from '../desk/loadDesk';
import { runEngine } from '../engines/runEngine';
import { countedMaterialNeedsOf } from '../shop/materials';
import { nowIso } from '../means';
import { roomOf, roomSetUpOf, setUpNames, setUpOf, type SetUpName } from './roomSetUp';
import { leftElsewhereOf } from '../shop/leftElsewhere';

export type SetUpRecords = Records<DeskName | SetUpName | 'visits'>;

/** A room's working list with its plan. */
export interface LoadedSetUp {
  readonly setUp: SetUp;
  readonly tasks: readonly SetUpTask[];
  readonly done: readonly DoneTask[];
  /** Units that should be fixed to the wall and are not. */
  readonly unanchoredNames: readonly string[];
  /** What of the shopping list a kind of task still waits for. */
  readonly toBuy: Readonly<Partial<Record<TaskKind, readonly string[]>>>;
  readonly plan: SetUpPlan;
  readonly people: readonly string[];
  /** From here on there is no visit planned to this room: its usual days are taken. Null: not needed. */
  readonly assumedFrom: string | null;
  readonly hasVisit: boolean;
}

/** Works out the list of a room and lays it out from now on, in its visits. */
export async function loadSetUp(
  records: SetUpRecords,
  room: Pick<Room, 'id'>,
  {
    now,
    today,
    elsewhere = {},
  }: {
    readonly now: string;
    readonly today: string;
    /** What tasks took in other rooms. */
    readonly elsewhere?: FirmLearned['tasks'];
  },
): Promise<LoadedSetUp> {
  const own = roomSetUpOf(records, room.id);
  const { setUp } = own;
  const tasks = listTasks(setUpFactsOf(own), setUp, elsewhere);
  const done = doneOf(setUp, own.moveList);
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
    done,
    // Whoever leads has the drill.
    people: people.map((name, i) => ({ name, hasDrill: i === 0 })),
    windows: [...planned, ...usual],
    now: `${now.slice(0, 16)}:00.000Z`,
  });
  const assumedFrom = usual[0]?.from ?? '';
  return {
    setUp,
    tasks,
    done,
    unanchoredNames: unanchoredOf(own).map(({ unit }) => unit.name),
    plan,
    toBuy: toBuyOf(records, room.id),
    people,
    assumedFrom: plan.tasks.some(({ startsAt }) => startsAt >= assumedFrom) ? assumedFrom : null,
    hasVisit: planned.length > 0,
  };
}

const MATERIAL_TASKS: Readonly<Record<MaterialKind, readonly TaskKind[]>> = {
  boards: ['cut'],
  panel: ['cut'],
  roll: ['line'],
  paint: ['prime', 'paint'],
  labels: ['label'],
  fixings: ['secure', 'anchor'],
};

/** Lines of the room's list that are not there yet, by the tasks that use them. */
function toBuyOf(records: SetUpRecords, roomId: RoomId): LoadedSetUp['toBuy'] {
  const own = roomRecordsOf(records, roomId);
  const containers = listNeeds({
    ...own,
    priorities: new Map(),
    leftElsewhere: leftElsewhereOf(records, roomId),
  })
    .filter(({ qty, hadQty }) => qty > hadQty)
    .map(({ container, qty, hadQty }) => `${qty - hadQty} × ${container.name}`);
  const toBuy: Partial<Record<TaskKind, readonly string[]>> =
    containers.length > 0 ? { fit: containers } : {};
  const materialNeeds = countedMaterialNeedsOf(records, roomId);
  const lines = listOtherNeeds({ handNeeds: [], materialNeeds, purchases: own.purchases });
  for (const { key, kind, name } of materialNeeds) {
    const line = lines.find(({ id }) => id === toMaterialNeedId(key));
    if (line === undefined || line.qty <= line.hadQty) continue;
    for (const task of MATERIAL_TASKS[kind]) toBuy[task] = [...(toBuy[task] ?? []), name];
  }
  return toBuy;
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

/** Changes what is kept of a room's setting up. @errors `not_found`: no such room. */
async function changeSetUp(
  db: Db,
  { projectId, roomId }: { readonly projectId: ProjectId; readonly roomId: RoomId },
  code: 'task_ticked' | 'task_timed' | 'air_noted' | 'unit_set_up' | 'liner_changed',
  change: (before: SetUp, now: string) => SetUp,
): Promise<void> {
  const records = await loadRecords(db, projectId, 'rooms', 'setUps');
  const deed = { code, name: roomOf(records, roomId).name } as const;
  const now = nowIso();
  const before = setUpOf(records, roomId);
  const after = change(before, now);
  if (after === before) return;
  await recordChange(db, { projectId, deed, now }, (writer) => writer.put(setUpRecord, after));
}

interface OfTask {
  readonly roomId: RoomId;
  readonly kind: TaskKind;
  readonly of: string;
}

/** Says that a task is done, or is to be done again; as it is already, nothing changes. @errors `not_found`: no such room. */
export const tickTask = atomic(
  async (
    db: Db,
    projectId: ProjectId,
    {
      roomId,
      kind,
      of,
      isDone,
      at,
      listedMinutes,
    }: OfTask & {
      readonly isDone: boolean;
      readonly at?: string;
      /** What the assumptions alone say of it, where whoever ticked it saw that; undefined: it is looked up. */
      readonly listedMinutes?: number | null | undefined;
    },
  ): Promise<void> => {
    const listed =
      listedMinutes === undefined && isDone
        ? await listedMinutesOf(db, projectId, { roomId, kind, of })
        : (listedMinutes ?? null);
    await changeSetUp(db, { projectId, roomId }, 'task_ticked', (setUp, doneAt) => {
      const others = setUp.done.filter((each) => each.kind !== kind || each.of !== of);
      const before = setUp.done.find((each) => each.kind === kind && each.of === of);
      if ((before !== undefined) === isDone) return setUp;
      // Ticked since by somebody else: ticked it stays.
      if (before && at !== undefined && before.doneAt > at) return setUp;
      const tick = {
        kind,
        of,
        doneAt: at ?? doneAt,
        tookMinutes: null,
        listedMinutes: listed,
      };
      return {
        ...setUp,
        done: isDone ? [...others, tick] : others,
      };
    });
  },
);

/** What the assumptions alone say of a task; null: it is not on the list. */
async function listedMinutesOf(
  db: Db,
  projectId: ProjectId,
  { roomId, kind, of }: OfTask,
): Promise<number | null> {
  const own = roomSetUpOf(await loadRecords(db, projectId, ...setUpNames), roomId);
  const listed = listTasks(setUpFactsOf(own), own.setUp).find(
    ({ id }) => id === taskIdOf(kind, of),
  );
  return listed?.assumedMinutes ?? null;
}

/** How long a ticked task took; what is still to be done of its kind is counted by it. */
export const timeTask = atomic(
  (
    db: Db,
    projectId: ProjectId,
    { roomId, kind, of, tookMinutes }: OfTask & { readonly tookMinutes: number | null },
  ): Promise<void> =>
    changeSetUp(db, { projectId, roomId }, 'task_timed', (setUp) => ({
      ...setUp,
      done: setUp.done.map((each) =>
        each.kind === kind && each.of === of ? { ...each, tookMinutes } : each,
      ),
    })),
);

/** What the air is like where paint dries, and what is done before it. @errors `not_found`: no such room. */
export const noteAir = atomic(
  (
    db: Db,
    projectId: ProjectId,
    {
      roomId,
      ...air
    }: { readonly roomId: RoomId } & Pick<SetUp, 'airCelsius' | 'isDamp'> &
      Partial<Pick<SetUp, 'prep'>>,
  ): Promise<void> =>
    changeSetUp(db, { projectId, roomId }, 'air_noted', (setUp) => ({ ...setUp, ...air })),
);

/** Whether a unit is bought, moved or stays, its mass, and whether it is fixed to the wall. */
export const noteUnit = atomic(
  (
    db: Db,
    projectId: ProjectId,
    { roomId, ...unit }: { readonly roomId: RoomId } & UnitSetUp,
  ): Promise<void> =>
    changeSetUp(db, { projectId, roomId }, 'unit_set_up', (setUp) => ({
      ...setUp,
      units: [...setUp.units.filter(({ unitId }) => unitId !== unit.unitId), unit],
    })),
);

/** A washable liner was changed on a day. */
export const noteLiner = atomic(
  (
    db: Db,
    projectId: ProjectId,
    liner: { readonly roomId: RoomId; readonly bayId: BayId; readonly changedOn: string },
  ): Promise<void> => {
    const { roomId, ...change } = liner;
    return changeSetUp(db, { projectId, roomId }, 'liner_changed', (setUp) => ({
      ...setUp,
      liners: [...setUp.liners.filter(({ bayId }) => bayId !== change.bayId), change],
    }));
  },
);
