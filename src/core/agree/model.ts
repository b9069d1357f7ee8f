import { z } from 'zod';
import { schoolChoicesSchema } from '../look';
import {
  agreementIdSchema,
  bayIdSchema,
  currencySchema,
  lengthSchema,
  personIdSchema,
  priceMinorSchema,
  projectIdSchema,
  roomIdSchema,
  sectionIdSchema,
} from '../shared';
import { personMarkSchema } from './personMarkSchema';
import { measureUnits, projectStatuses, contentKinds } from './codes';

const measureUnitSchema = z.enum(measureUnits);

/** A calendar day, `2026-12-12`, without a time zone. */
export const daySchema = z.iso.date();

/** When this home can be visited, and who comes; for planning its days. */
const daysSchema = z.object({
  /** Organizers and helpers, by name: nobody is in two homes at once. */
  people: z.array(z.string().trim().min(1).max(60)).max(8).default([]),
  /** 1 is Monday, 7 is Sunday. */
  weekdays: z.array(z.number().int().min(1).max(7)).max(7).default([1, 2, 3, 4, 5]),
  /** When a visit begins, in minutes of the day. */
  fromMinute: z.number().int().min(0).max(1410).default(540),
  clientAway: z.array(daySchema).max(100).default([]),
  /** To this home from where one comes from. */
  travelMinutes: z.number().int().min(0).max(600).default(30),
  /** Of papers and keepsakes, on one visit. */
  mostHardMinutes: z.number().int().min(0).max(720).default(60),
  /** At work without a break. */
  stretchMinutes: z.number().int().min(10).max(720).default(90),
  /** From ordering something to having it there, at best and at worst; an assumption until it is set. */
  orderLowDays: z.number().int().min(0).max(120).default(2),
  orderHighDays: z.number().int().min(0).max(120).default(7),
});

/** How hours and tax stand on a statement. */
const statementTermsSchema = z.object({
  /** Each visit's minutes at work go to a multiple of this. */
  roundMinutes: z
    .union([z.literal(1), z.literal(5), z.literal(6), z.literal(15), z.literal(30)])
    .default(1),
  roundsUp: z.boolean().default(false),
  /** On the fee, in hundredths of a per cent; 0: no tax line. */
  taxBasisPoints: z.number().int().min(0).max(5000).default(0),
  taxLabel: z.string().trim().max(40).default(''),
});

/** What labels of this home are made on. */
const labelTermsSchema = z.object({
  medium: z.enum(['sheet', 'tape', 'tags', 'hand']).default('sheet'),
  /** A grid of cells, by its name. */
  gridId: z.string().max(40).default('A4-3x7'),
  tapeMm: z.number().positive().max(100).default(18),
  /** Cells that are gone of the sheets that were begun, a grid each. */
  begun: z
    .array(
      z.object({ gridId: z.string().max(40), used: z.array(z.number().int().min(0).max(500)) }),
    )
    .max(40)
    .default([]),
});

/** What is settled with the client before the first thing is moved. */
export const termsSchema = z.object({
  goals: z.string().trim().max(600).default(''),
  wantedLook: z.string().trim().max(300).default(''),
  /** What must never leave without asking, one a line. */
  neverLeaves: z.array(z.string().trim().min(1).max(120)).max(40).default([]),
  schools: schoolChoicesSchema.default({}),
  /** Of the containers, at least this share is what the home has already. */
  reusePercent: z.number().int().min(0).max(100).default(0),
  /** The organizer's fee, apart from the budget. */
  hourlyRateMinor: priceMinorSchema.default(0),
  visitMinutes: z.number().int().min(30).max(720).default(180),
  visitsPerWeek: z.number().int().min(1).max(7).default(1),
  /** What one person lifts in one go. */
  liftLimitG: z.number().int().min(1000).max(50_000).default(15_000),
  /** Organizer and helpers at work at once. */
  crewCount: z.number().int().min(1).max(6).default(1),
  days: daysSchema.default(daysSchema.parse({})),
  statement: statementTermsSchema.default(statementTermsSchema.parse({})),
  labels: labelTermsSchema.default(labelTermsSchema.parse({})),
});

export type Terms = Readonly<z.infer<typeof termsSchema>>;

export const defaultTerms: Terms = termsSchema.parse({});

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
  /** When it was put away from the desk; null while it lies there. */
  archivedAt: z.iso.datetime().nullable().default(null),
  createdAt: z.iso.datetime(),
  /** What linen and guests are counted by. */
  bedCount: z.number().int().min(0).max(40).default(0),
  guestPlaceCount: z.number().int().min(0).max(40).default(0),
  washEveryDays: z.number().int().min(1).max(60).default(7),
  pets: z.string().trim().max(120).default(''),
  terms: termsSchema.default(defaultTerms),
  /** How deep a front row is: deeper places have a back row behind it. Null: nobody counts rows. */
  rowDepth: lengthSchema.nullable().default(null),
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
  /** Labels are words, or pictures for those who do not read. */
  labels: z.enum(['words', 'pictures']).default('words'),
  /** Whether a lid gets closed again. */
  lids: z.enum(['closes', 'leaves']).default('closes'),
  /** Whether things go back sorted finely, or a bin a group is as fine as it gets. */
  sorting: z.enum(['finely', 'roughly']).default('finely'),
  /** What is only theirs carries it; null: no mark. */
  mark: personMarkSchema.nullable().default(null),
});

export type Person = Readonly<z.infer<typeof personSchema>>;

export const contentKindSchema = z.enum(contentKinds);

export type ContentKind = z.infer<typeof contentKindSchema>;

/** A part of a room small enough to finish in one visit: the drawers one day, the cupboards another. */
export const sectionSchema = z.object({
  id: sectionIdSchema,
  roomId: roomIdSchema,
  name: z.string().trim().min(1).max(80),
  /** The order over the whole project. */
  position: z.number().int(),
  inScope: z.boolean(),
  bayIds: z.array(bayIdSchema).max(60),
  content: contentKindSchema,
  /** How full it is today; above 100 it spills out. */
  fullPercent: z.number().int().min(0).max(200),
});

export type Section = Readonly<z.infer<typeof sectionSchema>>;

/** One line of the agreement sheet; two sheets are compared line by line. */
const agreementLineSchema = z.object({
  key: z.string(),
  label: z.string(),
  value: z.string(),
});

export type AgreementLine = Readonly<z.infer<typeof agreementLineSchema>>;

/** What was agreed on a day, as it stood then. */
export const agreementSchema = z.object({
  id: agreementIdSchema,
  projectId: projectIdSchema,
  agreedAt: z.iso.datetime(),
  agreedBy: z.string().trim().min(1).max(60),
  lines: z.array(agreementLineSchema).max(400),
});

export type Agreement = Readonly<z.infer<typeof agreementSchema>>;
