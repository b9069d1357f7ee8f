import 'server-only';

import { containerProductSchema, fitWishesSchema, takenFitSchema } from '@/core/fit';
import { bayIdSchema } from '@/core/shared';
import { flag, json, plain } from '../columns';
import { defineRecord } from './defineRecord';

/** What was taken for a bay; a bay has at most one, so its id is the key. */
const bayFitSchema = takenFitSchema.omit({ bayId: true }).extend({ id: bayIdSchema });
/** What is wanted of a bay's fit; the bay's id is its key. */
const bayWishesSchema = fitWishesSchema.omit({ bayId: true }).extend({ id: bayIdSchema });

export const containerRecord = defineRecord({
  name: 'containers',
  table: 'containers',
  schema: containerProductSchema,
  columns: {
    id: plain('id'),
    projectId: plain('project_id'),
    name: plain('name'),
    kind: plain('kind'),
    width: json('width_json'),
    depth: json('depth_json'),
    height: json('height_json'),
    innerLitres: plain('inner_litres'),
    innerHeightMm: plain('inner_height_mm'),
    innerWidthMm: plain('inner_width_mm'),
    shape: plain('shape'),
    lid: flag('lid'),
    clear: flag('clear'),
    material: plain('material'),
    stackable: flag('stackable'),
    maxStack: plain('max_stack'),
    tareG: plain('tare_g'),
    maxLoadG: plain('max_load_g'),
    turnable: flag('turnable'),
    ownedCount: plain('owned_count'),
    line: plain('line'),
    colour: plain('colour'),
    howTo: plain('how_to'),
    level: json('level_json'),
  },
  parent: ['projectId', 'projects'],
  shared: 'without_parent',
  order: ['name'],
});

export const fitRecord = defineRecord({
  name: 'fits',
  table: 'taken_fits',
  schema: bayFitSchema,
  columns: {
    id: plain('id'),
    prefer: plain('prefer'),
    answer: json('answer_json'),
    takenAt: plain('taken_at'),
    checks: json('checks_json'),
    insteadOf: json('instead_of_json'),
  },
  parent: ['id', 'bays'],
  ids: {
    'answer.placements.*.containerId': 'containers',
    'answer.placements.*.groupId': 'groups',
    'answer.surfaces.*.containerId': 'containers',
    'answer.unmet.*.groupId': 'groups',
    'answer.reasons.*.subject': 'groups|containers|bays|?',
    'insteadOf.*': 'containers|?',
  },
});

export const fitWishesRecord = defineRecord({
  name: 'fitWishes',
  table: 'fit_wishes',
  schema: bayWishesSchema,
  columns: {
    id: plain('id'),
    forbidden: json('forbidden_json'),
    pins: json('pins_json'),
    uses: json('uses_json'),
    airMm: plain('air_mm'),
  },
  parent: ['id', 'bays'],
  ids: {
    'forbidden.*': 'containers',
    'uses.*': 'containers',
    'pins.*.groupId': 'groups',
    'pins.*.containerId': 'containers',
  },
});
