import { z } from 'zod';

import { agreementSchema } from '../agree';
import {
  clientAnswerIdSchema,
  clientPageIdSchema,
  decisionIdSchema,
  outgoingMailIdSchema,
  pictureIdSchema,
  priceMinorSchema,
  projectIdSchema,
  roomIdSchema,
  thingIdSchema,
} from '../shared';

const text = (most: number) => z.string().trim().max(most);

/** What of a home the client may see beside what was asked. */
export const shareParts = [
  'days',
  'pictures',
  'places',
  'agreement',
  'given',
  'statement',
] as const;
export const sharePartSchema = z.enum(shareParts);
export type SharePart = z.infer<typeof sharePartSchema>;

/** What is shared of a home at all; its own id is the home's. A page shows of it what it was made for. */
export const sharingSchema = z.object({
  id: projectIdSchema,
  parts: z.array(sharePartSchema).max(shareParts.length),
});
export type Sharing = Readonly<z.infer<typeof sharingSchema>>;

const askedHead = {
  /** One on its page: `thing …`, `line …`, `agreement`. */
  key: z.string().min(1).max(200),
};

/** A question as it was asked: what the client saw when they answered. */
export const askedSchema = z.discriminatedUnion('about', [
  z.object({
    about: z.literal('thing'),
    ...askedHead,
    thingId: thingIdSchema,
    /** The decision that asks; another one since means that something was decided. */
    decisionId: decisionIdSchema,
    roomId: roomIdSchema,
    roomName: text(60),
    name: text(120),
    count: z.number().int().min(1).max(10_000),
    /** What is known of it, and what space says, a sentence each. */
    known: z.array(text(300)).max(12),
    pictureId: pictureIdSchema.nullable(),
  }),
  z.object({
    about: z.literal('purchase'),
    ...askedHead,
    roomId: roomIdSchema,
    roomName: text(60),
    needId: z.string().min(1).max(120),
    name: text(120),
    qty: z.number().int().min(1).max(10_000),
    /** What the line came to when it was asked. */
    lineMinor: priceMinorSchema,
    /** Why it is wanted, and what stands in its place, a sentence each. */
    known: z.array(text(300)).max(12),
  }),
  z.object({
    about: z.literal('agreement'),
    ...askedHead,
    lines: agreementSchema.shape.lines,
  }),
]);
export type Asked = Readonly<z.infer<typeof askedSchema>>;
export type AskedThing = Extract<Asked, { about: 'thing' }>;
export type AskedPurchase = Extract<Asked, { about: 'purchase' }>;

export const pageWays = ['link', 'file'] as const;

/** A page that was made for somebody without the app, and what they may do on it. */
export const clientPageSchema = z.object({
  id: clientPageIdSchema,
  projectId: projectIdSchema,
  /** Over the network under an unguessable address, or a file that is sent. */
  way: z.enum(pageWays),
  /** Whom it is for; answers carry this name. */
  name: z.string().trim().min(1).max(60),
  /** False: for looking only. */
  mayAnswer: z.boolean(),
  parts: z.array(sharePartSchema).max(shareParts.length),
  asked: z.array(askedSchema).max(500),
  /** SHA-256 of a link's secret in hex; the secret itself is kept nowhere. Null for a file. */
  secretHash: z.string().min(1).max(64).nullable(),
  madeAt: z.iso.datetime(),
  /** When a link ends by itself; null: never, as a file that is sent. */
  endsAt: z.iso.datetime().nullable(),
  revokedAt: z.iso.datetime().nullable(),
});
export type ClientPage = Readonly<z.infer<typeof clientPageSchema>>;

/** When a link was opened; its own id is the page's. */
export const clientOpeningSchema = z.object({
  id: clientPageIdSchema,
  firstAt: z.iso.datetime(),
  lastAt: z.iso.datetime(),
  count: z.number().int().min(1),
});
export type ClientOpening = Readonly<z.infer<typeof clientOpeningSchema>>;

export const thingSayings = ['keep', 'donate', 'discard', 'sell', 'later', 'talk'] as const;
export const purchaseSayings = ['yes', 'no', 'cheaper', 'talk'] as const;
export const agreementSayings = ['agreed', 'talk'] as const;
export const sayings = [
  'keep',
  'donate',
  'discard',
  'sell',
  'later',
  'yes',
  'no',
  'cheaper',
  'agreed',
  'talk',
] as const;
export const sayingSchema = z.enum(sayings);
export type Saying = z.infer<typeof sayingSchema>;

/** What may be said to a question. */
export const sayingsFor = (about: Asked['about']): readonly Saying[] =>
  ({ thing: thingSayings, purchase: purchaseSayings, agreement: agreementSayings })[about];

export const answerStates = ['waits', 'taken', 'set_aside', 'replaced'] as const;
/** What a client said to a question, with the question as it was then. It changes nothing until it is taken. */
export const clientAnswerSchema = z.object({
  id: clientAnswerIdSchema,
  projectId: projectIdSchema,
  /** The page it belongs to; that may be gone since. */
  pageId: clientPageIdSchema,
  asked: askedSchema,
  says: sayingSchema,
  words: text(400),
  by: z.string().trim().min(1).max(60),
  saidAt: z.iso.datetime(),
  arrivedAt: z.iso.datetime(),
  way: z.enum(pageWays),
  state: z.enum(answerStates),
  settledAt: z.iso.datetime().nullable(),
  /** The decision that it became when it was taken; null: none. */
  decisionId: decisionIdSchema.nullable().default(null),
});
export type ClientAnswer = Readonly<z.infer<typeof clientAnswerSchema>>;

/** An answer as a page gives it. */
export const givenAnswerSchema = z.object({
  /** Made on the client's device; the same one counts once. */
  id: clientAnswerIdSchema,
  key: askedHead.key,
  says: sayingSchema,
  words: text(400).default(''),
  /** Who signs; asked for where something is agreed. */
  by: text(60).default(''),
  saidAt: z.iso.datetime(),
});
export type GivenAnswer = Readonly<z.infer<typeof givenAnswerSchema>>;

export const mailStates = ['waits', 'sending', 'sent', 'failed', 'unclear'] as const;
/** A message to the client, and whether it went. */
export const outgoingMailSchema = z.object({
  id: outgoingMailIdSchema,
  projectId: projectIdSchema,
  to: z.string().trim().min(1).max(200),
  subject: z.string().trim().min(1).max(200),
  /** `{link}` stands where the link goes: its secret is not kept. */
  text: z.string().trim().min(1).max(4000),
  /** The page that it carries, as a link or as a file; null: the closing report. */
  pageId: clientPageIdSchema.nullable(),
  state: z.enum(mailStates),
  tries: z.number().int().min(0).max(1000),
  /** What the mail server said where it was not sent. */
  problem: text(300),
  madeAt: z.iso.datetime(),
  /** When it was last handed to the mail server. */
  triedAt: z.iso.datetime().nullable(),
});
export type OutgoingMail = Readonly<z.infer<typeof outgoingMailSchema>>;
