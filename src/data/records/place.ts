import 'server-only';

import { draftSchema, moveListSchema } from '@/core/place';
import { setUpSchema } from '@/core/setUp';
import { flag, json, plain } from '../columns';
import { defineRecord } from './defineRecord';

export const draftRecord = defineRecord({
  name: 'drafts',
  table: 'drafts',
  schema: draftSchema,
  columns: {
    id: plain('id'),
    projectId: plain('project_id'),
    roomId: plain('room_id'),
    name: plain('name'),
    places: json('places_json'),
    position: plain('position'),
  },
  parent: ['projectId', 'projects'],
  ids: { roomId: 'rooms', 'places.*.groupId': 'groups', 'places.*.bayId': 'bays' },
  order: ['position'],
});

/** A room has at most one working list, so the room's id is its key. */
export const moveListRecord = defineRecord({
  name: 'moveLists',
  table: 'move_lists',
  schema: moveListSchema,
  columns: {
    id: plain('id'),
    madeAt: plain('made_at'),
    cleaning: plain('cleaning'),
    cleanedBayIds: json('cleaned_bay_ids_json'),
    basketsStand: plain('baskets_stand'),
    items: json('items_json'),
    stagedLitres: plain('staged_litres'),
    leastStagedLitres: plain('least_staged_litres'),
    baskets: plain('baskets'),
    circles: json('circles_json'),
  },
  parent: ['id', 'rooms'],
  ids: {
    'cleanedBayIds.*': 'bays',
    'items.*.groupId': 'groups',
    'items.*.bayId': 'bays',
    // "basket" stands beside the places.
    'items.*.from': 'bays|?',
    'items.*.to': 'bays|?',
    'circles.*.*': 'groups|bays|?',
  },
});

/** A room has at most one, so the room's id is its key. */
export const setUpRecord = defineRecord({
  name: 'setUps',
  table: 'set_ups',
  schema: setUpSchema,
  columns: {
    id: plain('id'),
    done: json('done_json'),
    airCelsius: plain('air_celsius'),
    isDamp: flag('is_damp'),
    units: json('units_json'),
    liners: json('liners_json'),
    prep: json('prep_json'),
  },
  parent: ['id', 'rooms'],
  ids: {
    // A row of fixings is known by its name, a coat by its number.
    'done.*.of': 'units|?',
    'units.*.unitId': 'units',
    'liners.*.bayId': 'bays',
  },
});
