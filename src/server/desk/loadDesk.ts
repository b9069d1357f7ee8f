import 'server-only';

import { leavesHome, leavingStatesOf, openDebts, waitsForClient } from '@/core/sort';
import { findDue, roomProgressOf, type DueThing, type RoomProgress } from '@/core/desk';
import type { Project } from '@/core/agree';
import type { Room } from '@/core/look';
import { roomResultsOf, type RoomRecords } from '@/core/show';
import { listNeeds, listOtherNeeds } from '@/core/shop';
import type { RoomId } from '@/core/shared';
import { DataError, type Db } from '@/data/db';
import { listDeskProjects, listDeskSummaries, putDeskSummary } from '@/data/projectRepo';
import { loadRecords, type LoadName, type Records } from '@/data/records';
import { setUpProgressOf } from '../setUp/roomSetUp';
import { countedMaterialNeedsOf } from '../shop/materials';
import { leftElsewhereOf } from '../shop/leftElsewhere';

/** What the desk and the lid tell of a home: how far each room is. */
export const deskNames = [
  'agreements',
  'carries',
  'containers',
  'fits',
  'groups',
  'handNeeds',
  'labelings',
  'materials',
  'moveLists',
  'people',
  'pictures',
  'priorities',
  'project',
  'purchases',
  'reviews',
  'rooms',
  'sections',
  'setUps',
  'things',
  'units',
  'vantagePoints',
] as const satisfies readonly LoadName[];
export type DeskName = (typeof deskNames)[number];

interface RoomOnDesk {
  readonly room: Pick<Room, 'id' | 'name'>;
  readonly progress: RoomProgress;
}
/** As `RoomOnDesk`, with all of the room. */
export interface RoomWithProgress {
  readonly room: Room;
  readonly progress: RoomProgress;
}
interface DeskSummary {
  readonly rooms: readonly RoomOnDesk[];
  readonly spentMinor: number;
  readonly leftCount: number;
  /** Decided to leave, and still in the home. */
  readonly waitingCount: number;
  /** What was carried out unsorted and is not settled. */
  readonly debts: readonly { readonly note: string; readonly dueOn: string | null }[];
  /** What falls on a day: returns, arrivals, what was put off, and the second look. */
  readonly due: readonly DueThing[];
  /** Things that wait for an answer of the client. */
  readonly questionCount: number;
}
interface ProjectOnDesk extends DeskSummary {
  readonly project: Project;
}

/** Goes up whenever a summary says something else of the same home. */
const SUMMARY_VERSION = 7;

/**
 * Every home on the desk with what is next in each of its rooms. What was worked out of a home is kept
 * until something of it changes, so that a desk of hundreds opens at once.
 */
export async function loadDesk(db: Db): Promise<ProjectOnDesk[]> {
  const known = await listDeskSummaries(db);
  const desk: ProjectOnDesk[] = [];
  for (const { project, stamp: state } of await listDeskProjects(db)) {
    const stamp = `${SUMMARY_VERSION} ${state}`;
    const kept = known.get(project.id);
    if (kept?.stamp === stamp) {
      // Written below, by the same version.
      desk.push({ project, ...(kept.summary as DeskSummary) });
      continue;
    }
    const summary = summaryOf(await loadRecords(db, project.id, ...deskNames));
    await putDeskSummary(db, project.id, { stamp, summary });
    desk.push({ project, ...summary });
  }
  return desk;
}

function summaryOf(records: Records<DeskName>): DeskSummary {
  const results = records.rooms.map((room) => roomResultsOf(roomRecordsOf(records, room.id)));
  return {
    rooms: roomsOnDesk(records).map(({ room: { id, name }, progress }) => ({
      room: { id, name },
      progress,
    })),
    spentMinor: results.reduce((sum, result) => sum + result.spentMinor, 0),
    leftCount: results.reduce((sum, result) => sum + result.left.count, 0),
    waitingCount: results.reduce((sum, result) => sum + result.waiting.count, 0),
    debts: openDebts(records.carries).map(({ note, dueOn }) => ({ note, dueOn })),
    due: findDue(records),
    questionCount: records.things.filter(waitsForClient).length,
  };
}

export const roomsOnDesk = (records: Records<DeskName>): RoomWithProgress[] =>
  records.rooms.map((room) => ({ room, progress: roomProgress(records, room.id) }));

function roomProgress(records: Records<DeskName>, roomId: RoomId): RoomProgress {
  const own = roomRecordsOf(records, roomId);
  const vantagePoints = records.vantagePoints.filter(
    (vantagePoint) => vantagePoint.roomId === roomId,
  );
  const priorities = new Map(
    records.priorities
      .filter((entry) => entry.roomId === roomId)
      .map((entry) => [entry.containerId, entry.priority]),
  );
  return roomProgressOf({
    ...own,
    setUp: setUpProgressOf(records, roomId),
    leaving: leavingProgressOf(own),
    isAgreed: records.agreements.length > 0,
    sections: records.sections.filter((section) => section.roomId === roomId),
    vantagePoints,
    pictures: records.pictures.filter((picture) =>
      vantagePoints.some(({ id }) => id === picture.vantagePointId),
    ),
    needs: [
      ...listNeeds({ ...own, priorities, leftElsewhere: leftElsewhereOf(records, roomId) }),
      ...listOtherNeeds({
        handNeeds: records.handNeeds.filter((need) => need.roomId === roomId),
        materialNeeds: countedMaterialNeedsOf(records, roomId),
        purchases: own.purchases,
      }),
    ],
  });
}

function leavingProgressOf({ things, carries }: Pick<RoomRecords, 'things' | 'carries'>) {
  const states = leavingStatesOf(things, carries);
  const leaving = things.filter(leavesHome).map(({ id }) => states.get(id));
  return {
    waitingCount: leaving.filter((state) => state !== 'gone').length,
    goneCount: leaving.filter((state) => state === 'gone').length,
  };
}

/** What one room's share is cut from. */
type RoomShareName =
  | 'carries'
  | 'containers'
  | 'fits'
  | 'groups'
  | 'project'
  | 'purchases'
  | 'rooms'
  | 'things'
  | 'units';

/** One room's share of a project's records. @errors `not_found`: the room is not of the project. */
export function roomRecordsOf(records: Records<RoomShareName>, roomId: RoomId): RoomRecords {
  const room = records.rooms.find(({ id }) => id === roomId);
  if (!room) throw new DataError('not_found', `no room ${roomId} in project ${records.project.id}`);
  const units = records.units.filter((unit) => unit.roomId === roomId);
  const bayIds = new Set(units.flatMap((unit) => unit.bays.map(({ id }) => id)));
  return {
    room,
    units,
    groups: records.groups.filter((group) => group.roomId === roomId),
    things: records.things.filter((thing) => thing.roomId === roomId),
    fits: records.fits.filter((fit) => bayIds.has(fit.bayId)),
    containers: records.containers,
    purchases: records.purchases.filter((purchase) => purchase.roomId === roomId),
    carries: records.carries.filter((carry) => carry.roomId === roomId),
  };
}
