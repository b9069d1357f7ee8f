import { z } from 'zod';

import {
  bayIdSchema, lengthSchema, pictureIdSchema, priceMinorSchema, projectIdSchema, roomIdSchema,
  unitIdSchema, vantagePointIdSchema,
} from '../shared';

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
});
export type Room = Readonly<z.infer<typeof roomSchema>>;

export const unitKinds = [
  'cupboard', 'shelving', 'drawers', 'wardrobe', 'locker', 'bench', 'under-bed', 'fridge', 'other',
] as const;
export const unitKindSchema = z.enum(unitKinds);
export type UnitKind = z.infer<typeof unitKindSchema>;

/** Something that takes room inside a bay: a pipe, a trap, a light. In mm from its front left bottom. */
export const obstacleSchema = z.object({
  label: z.string().trim().min(1).max(60),
  x: z.number().min(0), y: z.number().min(0), z: z.number().min(0),
  width: z.number().positive(), depth: z.number().positive(), height: z.number().positive(),
});
export type Obstacle = Readonly<z.infer<typeof obstacleSchema>>;

const readingsSchema = z.array(lengthSchema).min(1).max(5);

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
  maxLoadG: z.number().int().min(1).max(1_000_000_000).nullable(),
  pullOut: z.boolean(),
  moist: z.boolean(),
  /** Not part of this pass: drawn, never filled. */
  outOfScope: z.boolean(),
  obstacles: z.array(obstacleSchema).max(20),
});
export type Bay = Readonly<z.infer<typeof baySchema>>;

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
  bays: z.array(baySchema).max(60),
});
export type Unit = Readonly<z.infer<typeof unitSchema>>;

/** A spot that can be found again, from which the room is photographed. */
export const vantagePointSchema = z.object({
  id: vantagePointIdSchema,
  roomId: roomIdSchema,
  /** Where one stands and what is in view, e.g. "from the back door, all four shelves". */
  name: z.string().trim().min(1).max(80),
  position: z.number().int(),
});
export type VantagePoint = Readonly<z.infer<typeof vantagePointSchema>>;

export const moments = ['before', 'emptied', 'after', 'later'] as const;
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
