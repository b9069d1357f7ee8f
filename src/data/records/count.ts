import 'server-only';

import { enoughRuleSchema } from '@/core/count';
import { flag, json, plain } from '../columns';
import { defineRecord } from './defineRecord';

export const enoughRuleRecord = defineRecord({
  name: 'enoughRules',
  table: 'enough_rules',
  schema: enoughRuleSchema,
  columns: {
    id: plain('id'),
    projectId: plain('project_id'),
    name: plain('name'),
    words: json('words_json'),
    perHome: plain('per_home'),
    perPerson: plain('per_person'),
    perBed: plain('per_bed'),
    perGuestPlace: plain('per_guest_place'),
    perDay: plain('per_day'),
    perPersonDay: plain('per_person_day'),
    because: plain('because'),
    isOff: flag('is_off'),
  },
  parent: ['projectId', 'projects'],
  order: ['name'],
});
