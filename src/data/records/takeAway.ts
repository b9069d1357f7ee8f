import 'server-only';

import {
  fetchSchema,
  handoverSchema,
  haulBoxSchema,
  haulDestinationSchema,
  haulTripSchema,
  leavingSchema,
  saleSchema,
} from '@/core/takeAway';
import { flag, json, plain } from '../columns';
import { defineRecord } from './defineRecord';

/** Every home's: a destination that a home named and that is gone since stays a name. */
const DESTINATION = 'haulDestinations|?';

export const haulDestinationRecord = defineRecord({
  name: 'haulDestinations',
  table: 'haul_destinations',
  schema: haulDestinationSchema,
  columns: {
    id: plain('id'),
    name: plain('name'),
    streams: json('streams_json'),
    address: plain('address'),
    position: json('position_json'),
    minutes: plain('minutes'),
    between: json('between_json'),
    hours: json('hours_json'),
    exceptions: json('exceptions_json'),
    refuses: json('refuses_json'),
    bagsPerVisit: plain('bags_per_visit'),
    unloadMinutes: plain('unload_minutes'),
    byAppointment: flag('by_appointment'),
    collects: flag('collects'),
    givesReceipt: flag('gives_receipt'),
    feeMinor: plain('fee_minor'),
    note: plain('note'),
  },
  ids: { 'between.*.id': DESTINATION },
  shared: 'always',
  order: ['name'],
});

/** A home's own, so the home's id is its key. */
export const leavingRecord = defineRecord({
  name: 'leavings',
  table: 'leavings',
  schema: leavingSchema,
  columns: {
    id: plain('id'),
    choices: json('choices_json'),
    wipedIds: json('wiped_ids_json'),
    minutes: json('minutes_json'),
    position: json('position_json'),
    carName: plain('car_name'),
    seatsDown: flag('seats_down'),
    withTrailer: flag('with_trailer'),
    boxLitres: plain('box_litres'),
    departures: json('departures_json'),
    wantsValues: flag('wants_values'),
    proof: json('proof_json'),
  },
  parent: ['id', 'projects'],
  ids: { 'choices.*.destinationId': DESTINATION, 'minutes.*.destinationId': DESTINATION },
});

export const haulTripRecord = defineRecord({
  name: 'haulTrips',
  table: 'haul_trips',
  schema: haulTripSchema,
  columns: {
    id: plain('id'),
    projectId: plain('project_id'),
    day: plain('day'),
    departMinute: plain('depart_minute'),
    stopIds: json('stop_ids_json'),
    pickUp: json('pick_up_json'),
    startedAt: plain('started_at'),
    endedAt: plain('ended_at'),
  },
  parent: ['projectId', 'projects'],
  ids: { 'stopIds.*': DESTINATION },
  order: ['day', 'departMinute', 'id'],
});

export const haulBoxRecord = defineRecord({
  name: 'haulBoxes',
  table: 'haul_boxes',
  schema: haulBoxSchema,
  columns: {
    id: plain('id'),
    projectId: plain('project_id'),
    number: plain('number'),
    destinationId: plain('destination_id'),
    loads: json('loads_json'),
    packedAt: plain('packed_at'),
    isPinned: flag('is_pinned'),
    isLeftOut: flag('is_left_out'),
    tripId: plain('trip_id'),
  },
  parent: ['projectId', 'projects'],
  ids: { destinationId: DESTINATION, tripId: 'haulTrips' },
  order: ['number', 'id'],
});

export const handoverRecord = defineRecord({
  name: 'handovers',
  table: 'handovers',
  schema: handoverSchema,
  columns: {
    id: plain('id'),
    projectId: plain('project_id'),
    destinationId: plain('destination_id'),
    destinationName: plain('destination_name'),
    stream: plain('stream'),
    tripId: plain('trip_id'),
    at: plain('at'),
    by: plain('by'),
    lines: json('lines_json'),
    refused: json('refused_json'),
    receiptNumber: plain('receipt_number'),
    pictureId: plain('picture_id'),
  },
  parent: ['projectId', 'projects'],
  ids: { destinationId: DESTINATION, tripId: 'haulTrips', 'lines.*.roomId': 'rooms' },
  fileField: 'pictureId',
  order: ['-at', 'id'],
});

export const saleRecord = defineRecord({
  name: 'sales',
  table: 'sales',
  schema: saleSchema,
  columns: {
    id: plain('id'),
    projectId: plain('project_id'),
    thingId: plain('thing_id'),
    askingMinor: plain('asking_minor'),
    offeredAt: plain('offered_at'),
    offeredOn: plain('offered_on'),
    byDay: plain('by_day'),
    reservedFor: plain('reserved_for'),
    soldMinor: plain('sold_minor'),
    soldOn: plain('sold_on'),
    feeMinor: plain('fee_minor'),
  },
  parent: ['projectId', 'projects'],
  order: ['id'],
});

export const fetchRecord = defineRecord({
  name: 'fetches',
  table: 'fetches',
  schema: fetchSchema,
  columns: {
    id: plain('id'),
    projectId: plain('project_id'),
    person: plain('person'),
    byDay: plain('by_day'),
    note: plain('note'),
  },
  parent: ['projectId', 'projects'],
  order: ['person', 'id'],
});
