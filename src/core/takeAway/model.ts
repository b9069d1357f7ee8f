import { z } from 'zod';

import { daySchema } from '../agree';
import {
  fetchIdSchema,
  handoverIdSchema,
  haulBoxIdSchema,
  haulDestinationIdSchema,
  haulTripIdSchema,
  pictureIdSchema,
  priceMinorSchema,
  projectIdSchema,
  roomIdSchema,
  saleIdSchema,
  thingIdSchema,
} from '../shared';
import { streamSchema } from './streams';

const minuteOfDay = z.number().int().min(0).max(1440);
const text = (most: number) => z.string().trim().max(most);

/** Open on a weekday, 1 is Monday; on several lines where it closes at noon. */
const openHoursSchema = z.object({
  weekday: z.number().int().min(1).max(7),
  from: minuteOfDay,
  to: minuteOfDay,
});
/** A day that is not as its weekday; both null: closed. */
const exceptionSchema = z.object({
  day: daySchema,
  from: minuteOfDay.nullable(),
  to: minuteOfDay.nullable(),
});
/** What is not taken: things of these words, or above a size; no words: anything above it. */
const refusalSchema = z.object({
  words: text(60),
  longerThanMm: z.number().positive().max(100_000).nullable(),
  heavierThanG: z.number().positive().max(10_000_000).nullable(),
});
const positionSchema = z.object({
  latitude: z.number().min(-90).max(90),
  longitude: z.number().min(-180).max(180),
});
export type Position = Readonly<z.infer<typeof positionSchema>>;

/** Where things that leave are taken, or who comes for them; the organizer's own, for every home. */
export const haulDestinationSchema = z.object({
  id: haulDestinationIdSchema,
  name: z.string().trim().min(1).max(80),
  streams: z.array(streamSchema).min(1).max(20),
  address: text(160),
  position: positionSchema.nullable(),
  /** One way from a home, where a home does not say its own and no positions are known. */
  minutes: z.number().int().min(0).max(600).nullable(),
  /** To other destinations, one way; both ways the same. */
  between: z
    .array(z.object({ id: haulDestinationIdSchema, minutes: z.number().int().min(0).max(600) }))
    .max(100),
  /** None: open at all times, as far as anybody has said. */
  hours: z.array(openHoursSchema).max(30),
  exceptions: z.array(exceptionSchema).max(100),
  refuses: z.array(refusalSchema).max(40),
  bagsPerVisit: z.number().int().min(1).max(1000).nullable(),
  unloadMinutes: z.number().int().min(0).max(240),
  byAppointment: z.boolean(),
  /** Comes to the home instead of being driven to. */
  collects: z.boolean(),
  givesReceipt: z.boolean(),
  /** For a visit or a pick-up. */
  feeMinor: priceMinorSchema,
  note: text(300),
});
export type HaulDestination = Readonly<z.infer<typeof haulDestinationSchema>>;

/** What a home says of its leaving; its own id is the home's. */
export const leavingSchema = z.object({
  id: projectIdSchema,
  /** Where somebody wants a thing to go, other than the first that takes it. */
  choices: z
    .array(z.object({ thingId: thingIdSchema, destinationId: haulDestinationIdSchema }))
    .max(5000),
  /** Devices whose data were wiped, said by a person. */
  wipedIds: z.array(thingIdSchema).max(1000),
  /** One way from this home, where it is not the usual. */
  minutes: z
    .array(
      z.object({
        destinationId: haulDestinationIdSchema,
        minutes: z.number().int().min(0).max(600),
      }),
    )
    .max(100),
  position: positionSchema.nullable(),
  carName: text(60),
  seatsDown: z.boolean(),
  withTrailer: z.boolean(),
  boxLitres: z.number().int().min(5).max(200),
  /** When a trip could leave beside the visits. */
  departures: z.array(z.object({ day: daySchema, minute: minuteOfDay })).max(20),
  /** The client wants a fair value beside what is given. */
  wantsValues: z.boolean(),
  /** What the last plan came to, and what is proven to be the least; null: nothing was planned. */
  proof: z
    .object({
      at: z.iso.datetime(),
      isTimed: z.boolean(),
      boxes: z.number().int().min(0).max(10_000),
      boxBound: z.number().int().min(0).max(10_000),
      trips: z.number().int().min(0).max(1000),
      tripBound: z.number().int().min(0).max(1000),
      minutes: z.number().min(0).max(1_000_000),
      minuteBound: z.number().min(0).max(1_000_000),
    })
    .nullable(),
});
export type Leaving = Readonly<z.infer<typeof leavingSchema>>;
/** Of a home that has said nothing. */
export const startLeaving = (id: Leaving['id']): Leaving => ({
  id,
  choices: [],
  wipedIds: [],
  minutes: [],
  position: null,
  carName: '',
  seatsDown: true,
  withTrailer: false,
  boxLitres: 50,
  departures: [],
  wantsValues: false,
  proof: null,
});

/** A box for one destination; planned until it is packed, then it stays as it is. */
export const haulBoxSchema = z.object({
  id: haulBoxIdSchema,
  projectId: projectIdSchema,
  number: z.number().int().min(1).max(9999),
  destinationId: haulDestinationIdSchema,
  /** From the bottom up. */
  loads: z
    .array(z.object({ thingId: thingIdSchema, count: z.number().int().min(1).max(10_000) }))
    .min(1)
    .max(400),
  packedAt: z.iso.datetime().nullable(),
  /** Stays on its trip when trips are worked out anew. */
  isPinned: z.boolean(),
  /** Goes on no trip until somebody says so. */
  isLeftOut: z.boolean(),
  tripId: haulTripIdSchema.nullable(),
});
export type HaulBox = Readonly<z.infer<typeof haulBoxSchema>>;

export const pickUpStates = ['asked', 'booked', 'called_off', 'refused'] as const;
/** A way from the home by its destinations and back, or a collector who comes for it. */
export const haulTripSchema = z.object({
  id: haulTripIdSchema,
  projectId: projectIdSchema,
  /** Null: nobody has said when. */
  day: daySchema.nullable(),
  departMinute: minuteOfDay.nullable(),
  /** In the order in which they are driven to. */
  stopIds: z.array(haulDestinationIdSchema).max(30),
  pickUp: z
    .object({
      slotId: text(80),
      from: minuteOfDay,
      to: minuteOfDay,
      state: z.enum(pickUpStates),
      /** What the service said, in its words. */
      said: text(200),
    })
    .nullable(),
  startedAt: z.iso.datetime().nullable(),
  endedAt: z.iso.datetime().nullable(),
});
export type HaulTrip = Readonly<z.infer<typeof haulTripSchema>>;

export const conditions = ['as_new', 'good', 'worn', 'unknown'] as const;
/** Something that was handed over, as it was then. */
export const handoverLineSchema = z.object({
  thingId: thingIdSchema,
  roomId: roomIdSchema,
  name: z.string().trim().min(1).max(120),
  count: z.number().int().min(1).max(10_000),
  litres: z.number().min(0).max(100_000),
  massG: z.number().min(0).max(100_000_000),
  condition: z.enum(conditions),
  /** Each by itself, from the table of assumptions or typed; null: nobody has said. */
  value: z.object({ lowMinor: priceMinorSchema, highMinor: priceMinorSchema }).nullable(),
});
export type HandoverLine = Readonly<z.infer<typeof handoverLineSchema>>;
const refusedLineSchema = z.object({
  thingId: thingIdSchema,
  name: z.string().trim().min(1).max(120),
  count: z.number().int().min(1).max(10_000),
  reason: text(200),
});

/** What was handed over at one stop: the proof that it left. */
export const handoverSchema = z.object({
  id: handoverIdSchema,
  projectId: projectIdSchema,
  destinationId: haulDestinationIdSchema.nullable(),
  /** As it was called then; a destination may be gone since. */
  destinationName: z.string().trim().min(1).max(80),
  stream: streamSchema,
  tripId: haulTripIdSchema.nullable(),
  at: z.iso.datetime(),
  by: text(80),
  lines: z.array(handoverLineSchema).max(2000),
  refused: z.array(refusedLineSchema).max(2000),
  receiptNumber: text(60),
  pictureId: pictureIdSchema.nullable(),
});
export type Handover = Readonly<z.infer<typeof handoverSchema>>;

/** Something offered for money. */
export const saleSchema = z.object({
  id: saleIdSchema,
  projectId: projectIdSchema,
  thingId: thingIdSchema,
  askingMinor: priceMinorSchema.nullable(),
  offeredAt: text(80),
  offeredOn: daySchema.nullable(),
  /** Unsold by then, it is asked about: give it away. */
  byDay: daySchema.nullable(),
  reservedFor: text(80),
  soldMinor: priceMinorSchema.nullable(),
  soldOn: daySchema.nullable(),
  feeMinor: priceMinorSchema,
});
export type Sale = Readonly<z.infer<typeof saleSchema>>;

/** A person who is given something, and until when it waits. */
export const fetchSchema = z.object({
  id: fetchIdSchema,
  projectId: projectIdSchema,
  person: z.string().trim().min(1).max(80),
  byDay: daySchema.nullable(),
  /** Printed or sent; empty: the usual one. */
  note: text(600),
});
export type Fetch = Readonly<z.infer<typeof fetchSchema>>;

/** When a collector could come, and for how many homes more. */
export const pickUpSlotSchema = z.object({
  id: z.string().min(1).max(80),
  day: daySchema,
  from: minuteOfDay,
  to: minuteOfDay,
  left: z.number().int().min(0).max(1000),
});
export type PickUpSlot = Readonly<z.infer<typeof pickUpSlotSchema>>;

/** The inside of a car behind the seats, in mm and g. */
export const carSchema = z.object({
  name: z.string().trim().min(1).max(60),
  widthMm: z.number().positive().max(10_000),
  heightMm: z.number().positive().max(10_000),
  lengthMm: z.number().positive().max(20_000),
  /** With the seats folded down; null: they do not fold. */
  downLengthMm: z.number().positive().max(20_000).nullable(),
  maxG: z.number().positive().max(20_000_000),
  trailer: z
    .object({
      litres: z.number().positive().max(50_000),
      maxG: z.number().positive().max(20_000_000),
      lengthMm: z.number().positive().max(20_000),
    })
    .nullable(),
});
export type Car = Readonly<z.infer<typeof carSchema>>;

/** What a thing of these words is assumed to fetch second-hand, each; an assumption, never an appraisal. */
export const fairValueSchema = z
  .object({
    words: z.string().trim().min(1).max(60),
    lowMinor: priceMinorSchema,
    highMinor: priceMinorSchema,
  })
  .refine(({ lowMinor, highMinor }) => lowMinor <= highMinor, {
    message: 'The low is above the high',
    path: ['highMinor'],
  });
export type FairValue = Readonly<z.infer<typeof fairValueSchema>>;
