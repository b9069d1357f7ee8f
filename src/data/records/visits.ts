import 'server-only';

import { visitSchema } from '@/core/visits';
import { flag, json, plain } from '../columns';
import { defineRecord } from './defineRecord';

export const visitRecord = defineRecord({
  name: 'visits',
  table: 'visits',
  schema: visitSchema,
  columns: {
    id: plain('id'),
    projectId: plain('project_id'),
    day: plain('day'),
    fromMinute: plain('from_minute'),
    toMinute: plain('to_minute'),
    people: json('people_json'),
    clientThere: flag('client_there'),
    sectionIds: json('section_ids_json'),
    parking: plain('parking'),
    prepare: plain('prepare'),
    packed: json('packed_json'),
    packedBack: json('packed_back_json'),
    doneSectionIds: json('done_section_ids_json'),
    isPinned: flag('is_pinned'),
    arrivedAt: plain('arrived_at'),
    leftAt: plain('left_at'),
    breaks: json('breaks_json'),
    correctedMinutes: plain('corrected_minutes'),
    done: plain('done'),
    promised: plain('promised'),
    next: plain('next'),
  },
  parent: ['projectId', 'projects'],
  ids: { 'sectionIds.*': 'sections', 'doneSectionIds.*': 'sections' },
  order: ['day', 'fromMinute', 'id'],
});
