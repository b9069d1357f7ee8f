import 'server-only';

import { labelingSchema } from '@/core/labels';
import { jarSchema, kitSchema, routineSchema } from '@/core/setUp';
import { json, plain } from '../columns';
import { defineRecord } from './defineRecord';

/** A room's labels, so the room's id is its key. */
export const labelingRecord = defineRecord({
  name: 'labelings',
  table: 'labelings',
  schema: labelingSchema,
  columns: {
    id: plain('id'),
    choices: json('choices_json'),
    made: json('made_json'),
    settlesOn: plain('settles_on'),
    job: json('job_json'),
  },
  parent: ['id', 'rooms'],
  ids: {
    'choices.*.bayId': 'bays',
    'choices.*.groupId': 'groups',
    'made.*.bayId': 'bays',
    'made.*.groupId': 'groups',
    'job.labels.*.bayId': 'bays',
    'job.labels.*.groupId': 'groups',
  },
});

export const jarRecord = defineRecord({
  name: 'jars',
  table: 'jars',
  schema: jarSchema,
  columns: {
    id: plain('id'),
    roomId: plain('room_id'),
    product: plain('product'),
    directions: plain('directions'),
    pack: plain('pack'),
    jarLitres: plain('jar_litres'),
    filledOn: plain('filled_on'),
    expiresOn: plain('expires_on'),
    position: plain('position'),
  },
  parent: ['roomId', 'rooms'],
  order: ['position'],
});

export const routineRecord = defineRecord({
  name: 'routines',
  table: 'routines',
  schema: routineSchema,
  columns: {
    id: plain('id'),
    roomId: plain('room_id'),
    name: plain('name'),
    broke: plain('broke'),
    steps: json('steps_json'),
    hungOn: plain('hung_on'),
    checks: json('checks_json'),
    position: plain('position'),
  },
  parent: ['roomId', 'rooms'],
  order: ['position'],
});

export const kitRecord = defineRecord({
  name: 'kits',
  table: 'kits',
  schema: kitSchema,
  columns: {
    id: plain('id'),
    projectId: plain('project_id'),
    name: plain('name'),
    personId: plain('person_id'),
    items: json('items_json'),
    position: plain('position'),
  },
  parent: ['projectId', 'projects'],
  ids: { personId: 'people' },
  order: ['position'],
});
