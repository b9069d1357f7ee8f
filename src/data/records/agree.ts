import 'server-only';

import { agreementSchema, personSchema, projectSchema, sectionSchema } from '@/core/agree';
import { flag, json, plain } from '../columns';
import { defineRecord } from './defineRecord';

export const projectRecord = defineRecord({
  name: 'projects',
  table: 'projects',
  schema: projectSchema,
  columns: {
    id: plain('id'),
    name: plain('name'),
    units: plain('units'),
    currency: plain('currency'),
    budgetMinor: plain('budget_minor'),
    readyBy: plain('ready_by'),
    status: plain('status'),
    archivedAt: plain('archived_at'),
    createdAt: plain('created_at'),
    bedCount: plain('bed_count'),
    guestPlaceCount: plain('guest_place_count'),
    pets: plain('pets'),
    washEveryDays: plain('wash_every_days'),
    terms: json('terms_json'),
    rowDepth: json('row_depth_json'),
  },
});

export const personRecord = defineRecord({
  name: 'people',
  table: 'people',
  schema: personSchema,
  columns: {
    id: plain('id'),
    projectId: plain('project_id'),
    name: plain('name'),
    height: json('height_json'),
    isChild: flag('is_child'),
    noStep: flag('no_step'),
    position: plain('position'),
    labels: plain('labels'),
    lids: plain('lids'),
    sorting: plain('sorting'),
    mark: json('mark_json'),
  },
  parent: ['projectId', 'projects'],
  order: ['position'],
});

export const sectionRecord = defineRecord({
  name: 'sections',
  table: 'sections',
  schema: sectionSchema,
  columns: {
    id: plain('id'),
    roomId: plain('room_id'),
    name: plain('name'),
    position: plain('position'),
    inScope: flag('in_scope'),
    bayIds: json('bay_ids_json'),
    content: plain('content'),
    fullPercent: plain('full_percent'),
  },
  parent: ['roomId', 'rooms'],
  ids: { 'bayIds.*': 'bays' },
  order: ['position', 'id'],
});

export const agreementRecord = defineRecord({
  name: 'agreements',
  table: 'agreements',
  schema: agreementSchema,
  columns: {
    id: plain('id'),
    projectId: plain('project_id'),
    agreedAt: plain('agreed_at'),
    agreedBy: plain('agreed_by'),
    lines: json('lines_json'),
  },
  parent: ['projectId', 'projects'],
  // A line's key ends in the room that it is about; two sheets are compared by their keys.
  ids: { 'lines.*.key': 'rooms~' },
  order: ['agreedAt'],
});
