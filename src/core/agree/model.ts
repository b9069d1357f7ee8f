import { z } from 'zod';

import { currencySchema, lengthSchema, personIdSchema, priceMinorSchema, projectIdSchema } from '../shared';

/** The tape that the household is measured with; lengths are still read in any unit. */
export const measureUnits = ['mm', 'cm', 'in'] as const;
export const measureUnitSchema = z.enum(measureUnits);
export type MeasureUnit = z.infer<typeof measureUnitSchema>;

export const projectStatuses = ['active', 'finished'] as const;

/** A calendar day, `2026-12-12`, without a time zone. */
export const daySchema = z.iso.date();

/** One client project: a home, its household and what was agreed for the whole. */
export const projectSchema = z.object({
  id: projectIdSchema,
  /** How the home is called on every screen the client may see, e.g. the address line. */
  name: z.string().trim().min(1).max(80),
  units: measureUnitSchema,
  currency: currencySchema,
  /** For everything bought, all rooms together; the organizer's fee is apart. */
  budgetMinor: priceMinorSchema,
  readyBy: daySchema.nullable(),
  status: z.enum(projectStatuses),
  createdAt: z.iso.datetime(),
});
export type Project = Readonly<z.infer<typeof projectSchema>>;

/** Somebody who must live with the result. Height decides what is in reach. */
export const personSchema = z.object({
  id: personIdSchema,
  projectId: projectIdSchema,
  name: z.string().trim().min(1).max(60),
  height: lengthSchema,
  isChild: z.boolean(),
  /** Must not climb on a step. */
  noStep: z.boolean(),
  position: z.number().int(),
});
export type Person = Readonly<z.infer<typeof personSchema>>;
