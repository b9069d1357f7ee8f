import 'server-only';

import {
  baySchema,
  fixtureSchema,
  passageSchema,
  pictureSchema,
  roomSchema,
  thingPictureSchema,
  unitSchema,
  vantagePointSchema,
} from '@/core/look';
import { flag, json, plain } from '../columns';
import { defineRecord } from './defineRecord';

/** A unit without its bays, which are records of their own. */
const unitFactsSchema = unitSchema.omit({ bays: true });

export const roomRecord = defineRecord({
  name: 'rooms',
  table: 'rooms',
  schema: roomSchema,
  columns: {
    id: plain('id'),
    projectId: plain('project_id'),
    name: plain('name'),
    purpose: plain('purpose'),
    budgetMinor: plain('budget_minor'),
    position: plain('position'),
    plan: json('plan_json'),
    checks: json('checks_json'),
    routineBreaks: json('routine_breaks_json'),
    schools: json('schools_json'),
    workedMinutes: plain('worked_minutes'),
  },
  parent: ['projectId', 'projects'],
  ids: { 'checks.*.clear.unitId': 'units' },
  order: ['position'],
});

export const unitRecord = defineRecord({
  name: 'units',
  table: 'units',
  schema: unitFactsSchema,
  columns: {
    id: plain('id'),
    roomId: plain('room_id'),
    name: plain('name'),
    kind: plain('kind'),
    width: json('width_json'),
    depth: json('depth_json'),
    height: json('height_json'),
    floorGap: json('floor_gap_json'),
    position: plain('position'),
    door: plain('door'),
    holePitch: json('hole_pitch_json'),
    place: json('place_json'),
  },
  parent: ['roomId', 'rooms'],
  order: ['position'],
});

export const bayRecord = defineRecord({
  name: 'bays',
  table: 'bays',
  schema: baySchema,
  columns: {
    id: plain('id'),
    unitId: plain('unit_id'),
    name: plain('name'),
    columnIndex: plain('column_index'),
    rowIndex: plain('row_index'),
    widthReadings: json('width_readings_json'),
    depthReadings: json('depth_readings_json'),
    heightReadings: json('height_readings_json'),
    openingWidth: json('opening_width_json'),
    openingHeight: json('opening_height_json'),
    maxLoadG: plain('max_load_g'),
    pullOut: flag('pull_out'),
    moist: flag('moist'),
    outOfScope: flag('out_of_scope'),
    obstacles: json('obstacles_json'),
    warm: flag('warm'),
    light: flag('light'),
    lockable: flag('lockable'),
    isUsual: flag('is_usual'),
    access: json('access_json'),
  },
  parent: ['unitId', 'units'],
  order: ['columnIndex', 'rowIndex'],
});

export const passageRecord = defineRecord({
  name: 'passages',
  table: 'passages',
  schema: passageSchema,
  columns: {
    id: plain('id'),
    projectId: plain('project_id'),
    kind: plain('kind'),
    name: plain('name'),
    length: json('length_json'),
    steps: plain('steps'),
    roomIds: json('room_ids_json'),
    passageIds: json('passage_ids_json'),
    position: plain('position'),
  },
  parent: ['projectId', 'projects'],
  ids: { 'roomIds.*': 'rooms', 'passageIds.*': 'passages' },
  order: ['position', 'id'],
});

export const fixtureRecord = defineRecord({
  name: 'fixtures',
  table: 'fixtures',
  schema: fixtureSchema,
  columns: {
    id: plain('id'),
    roomId: plain('room_id'),
    kind: plain('kind'),
    name: plain('name'),
    place: json('place_json'),
    width: json('width_json'),
    depth: json('depth_json'),
    bottom: json('bottom_json'),
    top: json('top_json'),
    swing: plain('swing'),
    leadsTo: json('leads_to_json'),
  },
  parent: ['roomId', 'rooms'],
  ids: { 'leadsTo.roomId': 'rooms', 'leadsTo.passageId': 'passages' },
  order: ['kind', 'name', 'id'],
});

export const vantagePointRecord = defineRecord({
  name: 'vantagePoints',
  table: 'vantage_points',
  schema: vantagePointSchema,
  columns: {
    id: plain('id'),
    roomId: plain('room_id'),
    name: plain('name'),
    inView: plain('in_view'),
    beforeMissed: plain('before_missed'),
    position: plain('position'),
  },
  parent: ['roomId', 'rooms'],
  order: ['position'],
});

export const pictureRecord = defineRecord({
  name: 'pictures',
  table: 'pictures',
  schema: pictureSchema,
  columns: {
    id: plain('id'),
    vantagePointId: plain('vantage_point_id'),
    moment: plain('moment'),
    widthPx: plain('width_px'),
    heightPx: plain('height_px'),
    takenAt: plain('taken_at'),
  },
  parent: ['vantagePointId', 'vantagePoints'],
  fileField: 'id',
  order: ['takenAt'],
});

export const thingPictureRecord = defineRecord({
  name: 'thingPictures',
  table: 'thing_pictures',
  schema: thingPictureSchema,
  columns: {
    id: plain('id'),
    projectId: plain('project_id'),
    widthPx: plain('width_px'),
    heightPx: plain('height_px'),
    takenAt: plain('taken_at'),
  },
  parent: ['projectId', 'projects'],
  fileField: 'id',
  order: ['takenAt'],
});
