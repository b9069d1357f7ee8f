import 'server-only';

import { z } from 'zod';

import { containerIdSchema, roomIdSchema } from '@/core/shared';
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
  shortageSchema,
} from '@/core/shop';
import { json, plain } from '../columns';
import { defineRecord } from './defineRecord';

/** How much a container on a room's list is wanted, where that was changed. */
const needPrioritySchema = z.object({
  id: z.string(),
  roomId: roomIdSchema,
  containerId: containerIdSchema,
  priority: prioritySchema,
});

export const shopRecord = defineRecord({
  name: 'shops',
  table: 'shops',
  schema: shopSchema,
  columns: {
    id: plain('id'),
    name: plain('name'),
    currency: plain('currency'),
    deliveryMinor: plain('delivery_minor'),
    freeOverMinor: plain('free_over_minor'),
  },

  shared: 'always',
  order: ['name'],
});

export const offerRecord = defineRecord({
  name: 'offers',
  table: 'offers',
  schema: offerSchema,
  columns: {
    id: plain('id'),
    shopId: plain('shop_id'),
    containerId: plain('container_id'),
    packSize: plain('pack_size'),
    priceMinor: plain('price_minor'),
    checkedAt: plain('checked_at'),
    inStock: plain('in_stock'),
    aisle: plain('aisle'),
  },
  ids: { shopId: 'shops', containerId: 'containers' },
  shared: 'always',
  order: ['id'],
});

export const receiptRecord = defineRecord({
  name: 'receipts',
  table: 'receipts',
  schema: receiptSchema,
  columns: {
    id: plain('id'),
    projectId: plain('project_id'),
    shopName: plain('shop_name'),
    boughtOn: plain('bought_on'),
    totalMinor: plain('total_minor'),
    pictureId: plain('picture_id'),
  },
  parent: ['projectId', 'projects'],
  fileField: 'pictureId',
  order: ['-boughtOn', 'id'],
});

export const handNeedRecord = defineRecord({
  name: 'handNeeds',
  table: 'hand_needs',
  schema: handNeedSchema,
  columns: {
    id: plain('id'),
    roomId: plain('room_id'),
    name: plain('name'),
    qty: plain('qty'),
    priority: plain('priority'),
    shopId: plain('shop_id'),
    packSize: plain('pack_size'),
    priceMinor: plain('price_minor'),
  },
  parent: ['roomId', 'rooms'],
  ids: { shopId: 'shops' },
  order: ['name'],
});

export const purchaseRecord = defineRecord({
  name: 'purchases',
  table: 'purchases',
  schema: purchaseSchema,
  columns: {
    id: plain('id'),
    roomId: plain('room_id'),
    containerId: plain('container_id'),
    shopName: plain('shop_name'),
    label: plain('label'),
    pieces: plain('pieces'),
    paidMinor: plain('paid_minor'),
    boughtAt: plain('bought_at'),
    returnBy: plain('return_by'),
    deliverOn: plain('deliver_on'),
    returnedPieces: plain('returned_pieces'),
    refundMinor: plain('refund_minor'),
    paidBy: plain('paid_by'),
    cardMinor: plain('card_minor'),
    expectedMinor: plain('expected_minor'),
    handNeedId: plain('hand_need_id'),
    materialKey: plain('material_key'),
    receiptId: plain('receipt_id'),
  },
  parent: ['roomId', 'rooms'],
  ids: { containerId: 'containers', handNeedId: 'handNeeds', receiptId: 'receipts' },
  order: ['boughtAt'],
});

export const giftCardRecord = defineRecord({
  name: 'giftCards',
  table: 'gift_cards',
  schema: giftCardSchema,
  columns: {
    id: plain('id'),
    projectId: plain('project_id'),
    shopId: plain('shop_id'),
    amountMinor: plain('amount_minor'),
  },
  parent: ['projectId', 'projects'],
  ids: { shopId: 'shops' },
});

/** A room has its boards and liners once, so the room's id is the key. */
export const materialsRecord = defineRecord({
  name: 'materials',
  table: 'materials',
  schema: materialsSchema,
  columns: {
    id: plain('id'),
    boards: json('boards_json'),
    kerf: json('kerf_json'),
    carLength: json('car_length_json'),
    cuts: json('cuts_json'),
    panel: json('panel_json'),
    roll: json('roll_json'),
    linedBayIds: json('lined_bay_ids_json'),
    paint: json('paint_json'),
    labels: json('labels_json'),
    fixings: json('fixings_json'),
    buying: json('buying_json'),
  },
  parent: ['id', 'rooms'],
  ids: { 'linedBayIds.*': 'bays', 'buying.*.shopId': 'shops' },
});

export const needPriorityRecord = defineRecord({
  name: 'priorities',
  table: 'need_priorities',
  schema: needPrioritySchema,
  columns: {
    id: plain('id'),
    roomId: plain('room_id'),
    containerId: plain('container_id'),
    priority: plain('priority'),
  },
  parent: ['roomId', 'rooms'],
  ids: { containerId: 'containers' },
  composeId: ({ roomId, containerId }) => `${roomId}_${containerId}`,
});

export const approvalRecord = defineRecord({
  name: 'approvals',
  table: 'approvals',
  schema: approvalSchema,
  columns: {
    id: plain('id'),
    roomId: plain('room_id'),
    needId: plain('need_id'),
    lineMinor: plain('line_minor'),
    approvedAt: plain('approved_at'),
  },
  parent: ['roomId', 'rooms'],
  ids: { needId: 'containers|handNeeds|?' },
  composeId: ({ roomId, needId }) => `${roomId}_${needId}`,
});

export const shortageRecord = defineRecord({
  name: 'shortages',
  table: 'shortages',
  schema: shortageSchema,
  columns: {
    id: plain('id'),
    roomId: plain('room_id'),
    needId: plain('need_id'),
    shopId: plain('shop_id'),
    saidAt: plain('said_at'),
  },
  parent: ['roomId', 'rooms'],
  ids: { needId: 'containers|handNeeds|?', shopId: 'shops' },
  composeId: ({ roomId, shopId, needId }) => `${roomId}_${shopId}_${needId}`,
});
