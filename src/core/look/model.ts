import { z } from 'zod';
import {
  bayIdSchema,
  checkIdSchema,
  fixtureIdSchema,
  lengthSchema,
  passageIdSchema,
  pictureIdSchema,
  priceMinorSchema,
  projectIdSchema,
  roomIdSchema,
  unitIdSchema,
  vantagePointIdSchema,
} from '../shared';
import { schoolChoicesSchema } from './schoolsSchema';
import { unitKinds, unitDoors, fixtureKinds, doorSwings, passageKinds, moments } from './codes';

/**
 * Where something stands, as a tape tells it: which wall, how far from the corner where that wall
 * begins, how far off it.
 */
export const wallPlaceSchema = z.object({
  wallIndex: z.number().int().min(0).max(39),
  along: lengthSchema,
  off: lengthSchema,
});

export type WallPlace = Readonly<z.infer<typeof wallPlaceSchema>>;

/**
 * A room's walls, walked round with the room on the right hand; each ends in a right-angle turn.
 * Most turns go right; a left turn is the corner of a chimney breast or an alcove.
 */
const roomPlanSchema = z.object({
  walls: z
    .array(z.object({ length: lengthSchema, turn: z.enum(['right', 'left']) }))
    .min(4)
    .max(40),
});

export type RoomPlan = Readonly<z.infer<typeof roomPlanSchema>>;

/**
 * Floor or table that must stay clear for something to be possible: a bed that folds out, a chair
 * at a table.
 */
export const clearSpaceSchema = z.object({
  surface: z.enum(['floor', 'table']),
  width: lengthSchema,
  depth: lengthSchema,
  /** Where on the floor; null: anywhere in the room. */
  place: wallPlaceSchema.nullable(),
  /** Of a table: on which unit. Of a floor: before which; null: wherever it was put. */
  unitId: unitIdSchema.nullable(),
});

/** Something that should be possible in a room again; Show answers it. */
export const roomCheckSchema = z.object({
  id: checkIdSchema,
  text: z.string().trim().min(1).max(160),
  clear: clearSpaceSchema.nullable(),
  /** What the household says of it afterwards; null: not asked yet. */
  answer: z.enum(['yes', 'no']).nullable(),
});

export type RoomCheck = Readonly<z.infer<typeof roomCheckSchema>>;

/** Where a routine breaks: not what is untidy, but what does not work. */
export const routineBreakSchema = z.object({
  what: z.string().trim().min(1).max(160),
  who: z.string().trim().max(80),
  when: z.string().trim().max(80),
  /** Which steps of it fail, one a line. */
  failingStep: z.string().trim().max(600),
  /** Whether it holds by now; null: nobody has said. */
  isMended: z.boolean().nullable().default(null),
});

export type RoutineBreak = Readonly<z.infer<typeof routineBreakSchema>>;

/** A room of the home, and what it is for. */
export const roomSchema = z.object({
  id: roomIdSchema,
  projectId: projectIdSchema,
  name: z.string().trim().min(1).max(60),
  /** What should be possible here again, in the client's words. */
  purpose: z.string().trim().max(400),
  /** This room's share of the project's budget. */
  budgetMinor: priceMinorSchema,
  position: z.number().int(),
  /** Null until its walls are measured. */
  plan: roomPlanSchema.nullable().default(null),
  checks: z.array(roomCheckSchema).max(30).default([]),
  routineBreaks: z.array(routineBreakSchema).max(30).default([]),
  /** Where this room departs from the project's way of working. */
  schools: schoolChoicesSchema.default({}),
  /** Hours worked here so far, noted by the organizer; estimates of later rooms rest on it. */
  workedMinutes: z.number().int().min(0).max(1_000_000).nullable().default(null),
});

export type Room = Readonly<z.infer<typeof roomSchema>>;

export const unitKindSchema = z.enum(unitKinds);

export type UnitKind = z.infer<typeof unitKindSchema>;

/** Something that takes room inside a bay: a pipe, a trap, a light. In mm from its front left bottom. */
export const obstacleSchema = z.object({
  label: z.string().trim().min(1).max(60),
  x: z.number().min(0),
  y: z.number().min(0),
  z: z.number().min(0),
  width: z.number().positive(),
  depth: z.number().positive(),
  height: z.number().positive(),
});

export type Obstacle = Readonly<z.infer<typeof obstacleSchema>>;

const readingsSchema = z.array(lengthSchema).min(1).max(5);

/** How one gets at a place, where it is not simply open at the front. What nobody measured is left out. */
const bayAccessSchema = z.object({
  openingLeft: lengthSchema.optional(),
  openingBottom: lengthSchema.optional(),
  /** What the open door takes away of the opening. */
  doorTakes: lengthSchema.optional(),
  lip: lengthSchema.optional(),
  shelfThickness: lengthSchema.optional(),
  falseFloor: lengthSchema.optional(),
  /** It hangs on the door: how far it may reach in, and what it bears as a whole. */
  doorSwing: lengthSchema.optional(),
  doorLoadG: z.number().int().min(1).max(1_000_000_000).optional(),
});

export type BayAccess = Readonly<z.infer<typeof bayAccessSchema>>;

/** One place where things can live: a shelf, a drawer, a cube. */
export const baySchema = z.object({
  id: bayIdSchema,
  unitId: unitIdSchema,
  name: z.string().trim().min(1).max(60),
  /** Columns from the left, rows from the floor; both count from 0. */
  columnIndex: z.number().int().min(0).max(11),
  rowIndex: z.number().int().min(0).max(19),
  /** Inside measures, each taken up to five times; the smallest counts. */
  widthReadings: readingsSchema,
  depthReadings: readingsSchema,
  heightReadings: readingsSchema,
  /** The opening, where it is smaller than the inside. */
  openingWidth: lengthSchema.nullable(),
  openingHeight: lengthSchema.nullable(),
  access: bayAccessSchema.default({}),
  maxLoadG: z.number().int().min(1).max(1_000_000_000).nullable(),
  pullOut: z.boolean(),
  moist: z.boolean(),
  warm: z.boolean().default(false),
  light: z.boolean().default(false),
  /** Can be locked, or put out of a child's hands. */
  lockable: z.boolean().default(false),
  /** Its measures are the usual ones of its kind; nobody has held a tape to it yet. */
  isUsual: z.boolean().default(false),
  /** Not part of this pass: drawn, never filled. */
  outOfScope: z.boolean(),
  obstacles: z.array(obstacleSchema).max(20),
});

export type Bay = Readonly<z.infer<typeof baySchema>>;

export const unitDoorSchema = z.enum(unitDoors);

export type UnitDoor = z.infer<typeof unitDoorSchema>;

/** A piece of storage furniture with its bays, bottom row first, left to right. */
export const unitSchema = z.object({
  id: unitIdSchema,
  roomId: roomIdSchema,
  name: z.string().trim().min(1).max(60),
  kind: unitKindSchema,
  width: lengthSchema,
  depth: lengthSchema,
  height: lengthSchema,
  /** From the room's floor to the unit's underside. */
  floorGap: lengthSchema,
  position: z.number().int(),
  door: unitDoorSchema.default('none'),
  /** Distance between the holes that shelves can move to; null: shelves are fixed. */
  holePitch: lengthSchema.nullable().default(null),
  /** Where it stands in the room; null: not put in the plan yet. */
  place: wallPlaceSchema.nullable().default(null),
  bays: z.array(baySchema).max(60),
});

export type Unit = Readonly<z.infer<typeof unitSchema>>;

/** What the tape says of a unit and its places; a place without an id is new. */
export const measuredUnitSchema = unitSchema
  .omit({ id: true, roomId: true, position: true, place: true, bays: true })
  .extend({
    bays: z
      .array(baySchema.omit({ id: true, unitId: true }).extend({ id: bayIdSchema.optional() }))
      .min(1)
      .max(60),
  });

export type MeasuredUnit = Readonly<z.infer<typeof measuredUnitSchema>>;

export const fixtureKindSchema = z.enum(fixtureKinds);

export type FixtureKind = z.infer<typeof fixtureKindSchema>;

export const doorSwingSchema = z.enum(doorSwings);

export type DoorSwing = z.infer<typeof doorSwingSchema>;

/** What is behind a door. */
export const leadsToSchema = z.discriminatedUnion('to', [
  z.object({ to: z.literal('room'), roomId: roomIdSchema }),
  z.object({ to: z.literal('passage'), passageId: passageIdSchema }),
  z.object({ to: z.literal('outside') }),
]);

export type LeadsTo = Readonly<z.infer<typeof leadsToSchema>>;

/**
 * What one walks through from room to room and has no plan of its own: a hall, stairs; or only that
 * two rooms are joined. Doors lead to it; rooms without a door in their plan are named here.
 */
export const passageSchema = z.object({
  id: passageIdSchema,
  projectId: projectIdSchema,
  kind: z.enum(passageKinds),
  name: z.string().trim().min(1).max(60),
  /** From one end to the other, stairs as they run in plan; null while nobody has measured it. */
  length: lengthSchema.nullable(),
  /** Of stairs; null while nobody has counted them. */
  steps: z.number().int().min(0).max(200).nullable(),
  roomIds: z.array(roomIdSchema).max(40),
  /** Other halls and stairs that it joins. */
  passageIds: z.array(passageIdSchema).max(40),
  position: z.number().int(),
});

export type Passage = Readonly<z.infer<typeof passageSchema>>;

/**
 * What belongs to the room and stays: doors, windows, sockets, valves; and stations, where
 * something is done.
 */
export const fixtureSchema = z.object({
  id: fixtureIdSchema,
  roomId: roomIdSchema,
  kind: fixtureKindSchema,
  name: z.string().trim().min(1).max(60),
  place: wallPlaceSchema,
  width: lengthSchema,
  /** How far it stands out from the wall; 0 for what is in or on it. */
  depth: lengthSchema,
  /** From the floor to its lower and to its upper edge. */
  bottom: lengthSchema,
  top: lengthSchema,
  /** Doors only. */
  swing: doorSwingSchema.nullable(),
  /** Doors only: what is behind it; null while nobody has said. */
  leadsTo: leadsToSchema.nullable().default(null),
});

export type Fixture = Readonly<z.infer<typeof fixtureSchema>>;

/** A spot that can be found again, from which the room is photographed. */
export const vantagePointSchema = z.object({
  id: vantagePointIdSchema,
  roomId: roomIdSchema,
  /** Where one stands, e.g. "from the back door". */
  name: z.string().trim().min(1).max(80),
  /** What is in view, so that the same is in view again. */
  inView: z.string().trim().max(120).default(''),
  /** What stands in for a "before" that was missed; null while it can still be taken. */
  beforeMissed: z.string().trim().min(1).max(200).nullable().default(null),
  position: z.number().int(),
});

export type VantagePoint = Readonly<z.infer<typeof vantagePointSchema>>;

export const momentSchema = z.enum(moments);

export type Moment = z.infer<typeof momentSchema>;

/** A stored picture: re-encoded, upright, without metadata. Its file is named by its id. */
export const pictureSchema = z.object({
  id: pictureIdSchema,
  vantagePointId: vantagePointIdSchema,
  moment: momentSchema,
  widthPx: z.number().int().positive(),
  heightPx: z.number().int().positive(),
  takenAt: z.iso.datetime(),
});

export type Picture = Readonly<z.infer<typeof pictureSchema>>;

/** A picture of one thing in hand; which thing, the decisions say. */
export const thingPictureSchema = pictureSchema
  .omit({ vantagePointId: true, moment: true })
  .extend({ projectId: projectIdSchema });

export type ThingPicture = Readonly<z.infer<typeof thingPictureSchema>>;
