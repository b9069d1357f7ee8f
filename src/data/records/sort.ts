import 'server-only';

import { carrySchema, groupSchema, ownMethodSchema, sessionSchema } from '@/core/sort';
import { flag, json, plain } from '../columns';
import { defineRecord } from './defineRecord';

export const sessionRecord = defineRecord({
  name: 'sessions',
  table: 'sessions',
  schema: sessionSchema,
  columns: {
    id: plain('id'),
    roomId: plain('room_id'),
    sectionId: plain('section_id'),
    method: plain('method'),
    steps: json('steps_json'),
    present: json('present_json'),
    plannedMinutes: plain('planned_minutes'),
    startedAt: plain('started_at'),
    stepStarts: json('step_starts_json'),
    endedAt: plain('ended_at'),
    pauses: json('pauses_json'),
  },
  parent: ['roomId', 'rooms'],
  ids: { sectionId: 'sections' },
  order: ['startedAt'],
});

export const carryRecord = defineRecord({
  name: 'carries',
  table: 'carries',
  schema: carrySchema,
  columns: {
    id: plain('id'),
    roomId: plain('room_id'),
    verdict: plain('verdict'),
    litres: plain('litres'),
    massG: plain('mass_g'),
    carriedAt: plain('carried_at'),
    note: plain('note'),
    dueOn: plain('due_on'),
    settledAt: plain('settled_at'),
    toward: plain('toward'),
    thingIds: json('thing_ids_json'),
    goneAt: plain('gone_at'),
    goneBy: plain('gone_by'),
    handoverId: plain('handover_id'),
  },
  parent: ['roomId', 'rooms'],
  ids: { handoverId: 'handovers|?' },
  order: ['carriedAt'],
});

export const ownMethodRecord = defineRecord({
  name: 'ownMethods',
  table: 'own_methods',
  schema: ownMethodSchema,
  columns: {
    id: plain('id'),
    projectId: plain('project_id'),
    name: plain('name'),
    steps: json('steps_json'),
  },
  parent: ['projectId', 'projects'],
  order: ['name'],
});

export const groupRecord = defineRecord({
  name: 'groups',
  table: 'groups',
  schema: groupSchema,
  columns: {
    id: plain('id'),
    projectId: plain('project_id'),
    roomId: plain('room_id'),
    name: plain('name'),
    bayId: plain('bay_id'),
    standsBayId: plain('stands_bay_id'),
    uncountedLitres: plain('uncounted_litres'),
    lid: plain('lid'),
    see: plain('see'),
    front: flag('front'),
    loose: flag('loose'),
    placing: json('placing_json'),
    asks: json('asks_json'),
    position: plain('position'),
  },
  parent: ['projectId', 'projects'],
  ids: {
    roomId: 'rooms',
    bayId: 'bays',
    standsBayId: 'bays',
    'placing.stationId': 'fixtures',
    'placing.userIds.*': 'people',
    'placing.withIds.*': 'groups',
    'placing.apartIds.*': 'groups',
  },
  order: ['roomId', 'position'],
});
