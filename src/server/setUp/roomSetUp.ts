import 'server-only';

import { labelsOfRoom, openLabels, type RoomLabels } from '@/core/labels';
import {
  doneOf,
  listTasks,
  loadingOf,
  putInOf,
  setUpFactsOf,
  setUpSchema,
  taskIdOf,
  tippingOf,
  unanchoredOf,
  unitSetUpOf,
  type SetUp,
  type SetUpRecordsOfRoom,
} from '@/core/setUp';
import type { RoomId } from '@/core/shared';
import { keptLitresOf } from '@/core/sort';
import { DataError } from '@/data/db';
import type { LoadName, Records } from '@/data/records';

/** What setting up a room follows from. */
export const setUpNames = [
  'containers',
  'fits',
  'groups',
  'labelings',
  'materials',
  'moveLists',
  'people',
  'pictures',
  'project',
  'rooms',
  'setUps',
  'things',
  'units',
  'vantagePoints',
] as const satisfies readonly LoadName[];
export type SetUpName = (typeof setUpNames)[number];

export const setUpOf = ({ setUps }: Records<'setUps'>, roomId: RoomId): SetUp =>
  setUps.find(({ id }) => id === roomId) ??
  setUpSchema.parse({ id: roomId, done: [], airCelsius: null, isDamp: false });

export const roomOf = ({ rooms }: Records<'rooms'>, roomId: RoomId) => {
  const room = rooms.find(({ id }) => id === roomId);
  if (!room) throw new DataError('not_found', `there is no room ${roomId}`);
  return room;
};

/** A room's labels with their places. @errors `not_found`: no such room. */
export const roomLabelsOf = (records: Records<SetUpName>, roomId: RoomId): RoomLabels =>
  labelsOfRoom({
    ...records,
    terms: records.project.terms,
    room: roomOf(records, roomId),
    units: records.units.filter((unit) => unit.roomId === roomId),
    products: records.containers,
  });

/** One room's share of what setting up asks. @errors `not_found`: no such room. */
export function roomSetUpOf(records: Records<SetUpName>, roomId: RoomId): SetUpRecordsOfRoom {
  const labels = roomLabelsOf(records, roomId);
  const counts: Record<string, number> = {};
  const units = records.units.filter((unit) => unit.roomId === roomId);
  // What waits until the room has settled is no task yet; the desk says its day.
  const spots = labels.state === 'now' ? labels.spots.filter(({ isLeftOut }) => !isLeftOut) : [];
  for (const { ref } of spots) {
    const unit = units.find(({ bays }) => bays.some(({ id }) => id === ref.bayId));
    if (unit) counts[unit.id] = (counts[unit.id] ?? 0) + 1;
  }
  const vantagePoints = records.vantagePoints.filter((spot) => spot.roomId === roomId);
  return {
    setUp: setUpOf(records, roomId),
    units,
    groups: records.groups,
    things: records.things,
    fits: records.fits,
    products: records.containers,
    materials: records.materials.find(({ id }) => id === roomId),
    vantagePoints,
    pictures: records.pictures,
    moveList: records.moveLists.find(({ id }) => id === roomId),
    liftLimitG: records.project.terms.liftLimitG,
    rowDepthMm: records.project.rowDepth?.mm,
    labelCounts: counts,
  };
}

/** How far a room's working list is. */
export function setUpProgressOf(records: Records<SetUpName>, roomId: RoomId) {
  const own = roomSetUpOf(records, roomId);
  const tasks = listTasks(setUpFactsOf(own), own.setUp);
  const doneIds = new Set(doneOf(own.setUp, own.moveList).map(({ taskId }) => taskId));
  const doneCount = tasks.filter(({ id }) => doneIds.has(id)).length;
  return {
    openCount: tasks.length - doneCount,
    doneCount,
    unanchoredName: unanchoredOf(own)[0]?.unit.name,
  };
}

/** The units of a room as they are put up, anchored and loaded, with what goes into them. */
export function unitsToLoad(records: Records<SetUpName>, roomId: RoomId) {
  const own = roomSetUpOf(records, roomId);
  const facts = setUpFactsOf(own);
  const doneIds = new Set(doneOf(own.setUp, own.moveList).map(({ taskId }) => taskId));
  const units = own.units.map((unit) => {
    const fact = facts.units.find(({ id }) => id === unit.id);
    const row = own.materials?.fixings.rows.find(({ name }) => name === unit.name);
    return {
      unit,
      setUp: unitSetUpOf(own.setUp, unit.id),
      isSecured: fact?.isAnchored === true || doneIds.has(taskIdOf('secure', unit.id)),
      needsTwo: fact?.needsTwo ?? false,
      alikeBefore: fact?.alikeBefore ?? 0,
      tipping: tippingOf(unit, own),
      loading: loadingOf(unit, own),
      putIn: putInOf(unit, own),
      fixingWords: row && `Counted for it: ${row.things * row.each} fixings for ${row.wall}.`,
    };
  });
  const groups = records.groups.map((group) => ({
    id: group.id,
    name: group.name,
    litres: keptLitresOf(group, records.things),
  }));
  return { units, groups };
}

/** Lined places of a room, with the day on which each liner was last changed. */
export function linersOf(records: Records<SetUpName>, roomId: RoomId) {
  const { setUp, materials, units } = roomSetUpOf(records, roomId);
  return units
    .flatMap(({ bays }) => bays)
    .filter(({ id }) => materials?.linedBayIds.includes(id))
    .map(({ id, name }) => ({
      bay: { id, name },
      changedOn: setUp.liners.find(({ bayId }) => bayId === id)?.changedOn ?? null,
    }));
}

/** How far each room of a home is set up. */
export const homeSetUpOf = (records: Records<SetUpName | 'routines'>) =>
  records.rooms.map(({ id, name }) => {
    const labels = roomLabelsOf(records, id);
    const { openCount, doneCount } = setUpProgressOf(records, id);
    return {
      id,
      name,
      openCount,
      doneCount,
      unanchoredNames: unanchoredNamesOf(records, id),
      madeCount: labels.labeling.made.length,
      openLabelCount: openLabels(labels).length,
      settlesOn: labels.labeling.settlesOn,
      hasSettling: labels.state === 'settles',
      routineCount: records.routines.filter(({ roomId }) => roomId === id).length,
    };
  });

/** Units of a room that should be fixed to the wall and are not, as far as anybody has said. */
export const unanchoredNamesOf = (records: Records<SetUpName>, roomId: RoomId): string[] =>
  unanchoredOf(roomSetUpOf(records, roomId)).map(({ unit }) => unit.name);
