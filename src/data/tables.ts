import { agreementSchema, personSchema, projectSchema, sectionSchema } from '@/core/agree';
import {
  containerProductSchema,
  fitAims,
  fitAnswerSchema,
  fitWishesSchema,
  mockCheckSchema,
} from '@/core/fit';
import {
  baySchema,
  fixtureSchema,
  pictureSchema,
  roomSchema,
  unitSchema,
  vantagePointSchema,
} from '@/core/look';
import { draftSchema, moveListSchema } from '@/core/place';
import { bayIdSchema, containerIdSchema, roomIdSchema } from '@/core/shared';
import {
  approvalSchema,
  giftCardSchema,
  handNeedSchema,
  materialsSchema,
  offerSchema,
  prioritySchema,
  purchaseSchema,
  receiptSchema,
  shopSchema,
} from '@/core/shop';
import { groupSchema } from '@/core/sort';
import { z } from 'zod';

import { defineTable, flag, json, plain } from './columns';

/** Every table that people change and can undo; the decision log stands apart in decisionLog.ts. */
export const projectTable = defineTable('projects', projectSchema, {
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
});

export const personTable = defineTable('people', personSchema, {
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
});

export const roomTable = defineTable('rooms', roomSchema, {
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
});

export const fixtureTable = defineTable('fixtures', fixtureSchema, {
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
});

export const sectionTable = defineTable('sections', sectionSchema, {
  id: plain('id'),
  roomId: plain('room_id'),
  name: plain('name'),
  position: plain('position'),
  inScope: flag('in_scope'),
  bayIds: json('bay_ids_json'),
  content: plain('content'),
  fullPercent: plain('full_percent'),
});

export const agreementTable = defineTable('agreements', agreementSchema, {
  id: plain('id'),
  projectId: plain('project_id'),
  agreedAt: plain('agreed_at'),
  agreedBy: plain('agreed_by'),
  lines: json('lines_json'),
});

/** A unit without its bays, which lie in a table of their own. */
const unitRecordSchema = unitSchema.omit({ bays: true });
export const unitTable = defineTable('units', unitRecordSchema, {
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
});

export const bayTable = defineTable('bays', baySchema, {
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
});

export const vantagePointTable = defineTable('vantage_points', vantagePointSchema, {
  id: plain('id'),
  roomId: plain('room_id'),
  name: plain('name'),
  inView: plain('in_view'),
  position: plain('position'),
});

export const pictureTable = defineTable('pictures', pictureSchema, {
  id: plain('id'),
  vantagePointId: plain('vantage_point_id'),
  moment: plain('moment'),
  widthPx: plain('width_px'),
  heightPx: plain('height_px'),
  takenAt: plain('taken_at'),
});

export const groupTable = defineTable('groups', groupSchema, {
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
  position: plain('position'),
});

export const draftTable = defineTable('drafts', draftSchema, {
  id: plain('id'),
  projectId: plain('project_id'),
  roomId: plain('room_id'),
  name: plain('name'),
  places: json('places_json'),
  position: plain('position'),
});

/** A room has at most one working list, so the room's id is its key. */
export const moveListTable = defineTable('move_lists', moveListSchema, {
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
});

export const containerTable = defineTable('containers', containerProductSchema, {
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
});

/** A bay has at most one taken fit, so the bay's id is its key. */
const fitRecordSchema = z.object({
  id: bayIdSchema,
  prefer: z.enum(fitAims),
  answer: fitAnswerSchema,
  takenAt: z.iso.datetime(),
  checks: z.array(mockCheckSchema),
});
export const fitTable = defineTable('taken_fits', fitRecordSchema, {
  id: plain('id'),
  prefer: plain('prefer'),
  answer: json('answer_json'),
  takenAt: plain('taken_at'),
  checks: json('checks_json'),
});

/** What is wanted of a bay's fit; the bay's id is its key. */
const fitWishesRecordSchema = fitWishesSchema.omit({ bayId: true }).extend({ id: bayIdSchema });
export const fitWishesTable = defineTable('fit_wishes', fitWishesRecordSchema, {
  id: plain('id'),
  forbidden: json('forbidden_json'),
  pins: json('pins_json'),
});

export const shopTable = defineTable('shops', shopSchema, {
  id: plain('id'),
  name: plain('name'),
  currency: plain('currency'),
  deliveryMinor: plain('delivery_minor'),
  freeOverMinor: plain('free_over_minor'),
});

export const offerTable = defineTable('offers', offerSchema, {
  id: plain('id'),
  shopId: plain('shop_id'),
  containerId: plain('container_id'),
  packSize: plain('pack_size'),
  priceMinor: plain('price_minor'),
  checkedAt: plain('checked_at'),
  inStock: plain('in_stock'),
  aisle: plain('aisle'),
});

export const handNeedTable = defineTable('hand_needs', handNeedSchema, {
  id: plain('id'),
  roomId: plain('room_id'),
  name: plain('name'),
  qty: plain('qty'),
  priority: plain('priority'),
  shopId: plain('shop_id'),
  packSize: plain('pack_size'),
  priceMinor: plain('price_minor'),
});

export const giftCardTable = defineTable('gift_cards', giftCardSchema, {
  id: plain('id'),
  projectId: plain('project_id'),
  shopId: plain('shop_id'),
  amountMinor: plain('amount_minor'),
});

export const purchaseTable = defineTable('purchases', purchaseSchema, {
  id: plain('id'),
  roomId: plain('room_id'),
  containerId: plain('container_id'),
  shopName: plain('shop_name'),
  label: plain('label'),
  pieces: plain('pieces'),
  paidMinor: plain('paid_minor'),
  boughtAt: plain('bought_at'),
  returnBy: plain('return_by'),
  returnedPieces: plain('returned_pieces'),
  refundMinor: plain('refund_minor'),
  paidBy: plain('paid_by'),
  cardMinor: plain('card_minor'),
  expectedMinor: plain('expected_minor'),
  handNeedId: plain('hand_need_id'),
  materialKey: plain('material_key'),
  receiptId: plain('receipt_id'),
});

/** A room has its boards and liners once, so the room's id is the key. */
export const materialsTable = defineTable('materials', materialsSchema, {
  id: plain('id'),
  boards: json('boards_json'),
  kerf: json('kerf_json'),
  carLength: json('car_length_json'),
  cuts: json('cuts_json'),
  roll: json('roll_json'),
  linedBayIds: json('lined_bay_ids_json'),
  paint: json('paint_json'),
  labels: json('labels_json'),
  fixings: json('fixings_json'),
  buying: json('buying_json'),
});

/** How much a container on a room's list is wanted, where that was changed. */
const needPrioritySchema = z.object({
  id: z.string(),
  roomId: roomIdSchema,
  containerId: containerIdSchema,
  priority: prioritySchema,
});
export const needPriorityTable = defineTable('need_priorities', needPrioritySchema, {
  id: plain('id'),
  roomId: plain('room_id'),
  containerId: plain('container_id'),
  priority: plain('priority'),
});

export const approvalTable = defineTable('approvals', approvalSchema, {
  id: plain('id'),
  roomId: plain('room_id'),
  needId: plain('need_id'),
  lineMinor: plain('line_minor'),
  approvedAt: plain('approved_at'),
});

export const receiptTable = defineTable('receipts', receiptSchema, {
  id: plain('id'),
  projectId: plain('project_id'),
  shopName: plain('shop_name'),
  boughtOn: plain('bought_on'),
  totalMinor: plain('total_minor'),
  pictureId: plain('picture_id'),
});
