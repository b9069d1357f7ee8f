import 'server-only';

import { putAwayTestSchema, reviewIdOf, reviewSchema } from '@/core/again';
import { flag, json, plain } from '../columns';
import { defineRecord } from './defineRecord';

export const reviewRecord = defineRecord({
  name: 'reviews',
  table: 'reviews',
  schema: reviewSchema,
  columns: {
    id: plain('id'),
    projectId: plain('project_id'),
    roomId: plain('room_id'),
    kind: plain('kind'),
    plannedOn: plain('planned_on'),
    dueOn: plain('due_on'),
    doneOn: plain('done_on'),
    note: plain('note'),
    lines: json('lines_json'),
    changes: json('changes_json'),
  },
  parent: ['projectId', 'projects'],
  composeId: ({ roomId, projectId, kind, plannedOn }) =>
    reviewIdOf({ key: roomId ?? projectId, kind, plannedOn }),
  ids: {
    roomId: 'rooms',
    // What was found stays, whatever is gone since.
    'lines.*.bayId': 'bays|?',
    'lines.*.strays.*.groupId': 'groups|?',
  },
  order: ['dueOn', 'id'],
});

export const putAwayTestRecord = defineRecord({
  name: 'putAwayTests',
  table: 'put_away_tests',
  schema: putAwayTestSchema,
  columns: {
    id: plain('id'),
    projectId: plain('project_id'),
    personId: plain('person_id'),
    personName: plain('person_name'),
    at: plain('at'),
    byPictures: flag('by_pictures'),
    items: json('items_json'),
  },
  parent: ['projectId', 'projects'],
  ids: {
    personId: 'people',
    'items.*.groupId': 'groups|?',
    'items.*.meantBayId': 'bays|?',
    'items.*.taps.*.bayId': 'bays|?',
  },
  order: ['-at', 'id'],
});
