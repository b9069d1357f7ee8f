import { z } from 'zod';

import type { ContentKind, HoursLearned } from '../agree';
import type { LabelMedium } from '../labels';
import type { TaskKind } from '../setUp';
import type { ContainerId, Currency, Learned, LearnedShare, Outcome, RoomId } from '../shared';

/** What is learnt from how homes went; each can be started over by itself. */
export const learnTopics = [
  'hours',
  'tasks',
  'litres',
  'sizes',
  'money',
  'fullness',
  'containers',
  'labels',
] as const;
export const learnTopicSchema = z.enum(learnTopics);
export type LearnTopic = z.infer<typeof learnTopicSchema>;

/** Until which day, that day with it, what was found is left aside; of a topic that is not named all of it counts. */
export const learningSchema = z.object({
  leftAsideTo: z.partialRecord(learnTopicSchema, z.iso.date()).default({}),
});
export type Learning = Readonly<z.infer<typeof learningSchema>>;

/** On which day it was known. */
interface Dated {
  readonly on: string;
}

/** A finished room: what the assumptions alone say of it, and what it came to. */
export interface RoomOutcome extends Dated {
  readonly roomId: RoomId;
  readonly roomName: string;
  readonly homeName: string;
  /** What lies in all of its sections; undefined where they differ. */
  readonly content: ContentKind | undefined;
  /** Undefined: nobody has noted hours. */
  readonly minutes: Outcome | undefined;
  /** Litres that lay there: what is measured times how full it looked, and what was counted. */
  readonly litres: Outcome | undefined;
  /** What the list said of what was bought, and what the till took, in minor units. */
  readonly moneyMinor: Outcome | undefined;
  readonly currency: Currency;
}

/** What one home has shown so far. */
export interface HomeOutcomes {
  readonly rooms: readonly RoomOutcome[];
  readonly tasks: readonly (Outcome &
    Dated & { readonly kind: TaskKind; readonly roomId: RoomId })[];
  /** Litres of things whose size somebody typed, beside what their kind is assumed to take. */
  readonly sizes: readonly (Outcome & Dated & { readonly kindId: string })[];
  /** Places as they were found on a walk. */
  readonly places: readonly (Dated & {
    /** Litres that live there by the plan, and that lay there; undefined: nobody said. */
    readonly litres: Outcome | undefined;
    readonly isOverfull: boolean;
    readonly isHalfEmpty: boolean;
  })[];
  /** Containers of those places. Undefined: several kinds stand there, and it is not known which one. */
  readonly containers: readonly (Dated & {
    readonly containerId: ContainerId;
    readonly name: string;
    readonly isUsed: boolean | undefined;
    readonly hasLid: boolean;
    readonly isLidOff: boolean | undefined;
  })[];
  readonly labels: readonly (Dated & {
    readonly medium: LabelMedium;
    readonly isMissing: boolean;
  })[];
  /** Things that somebody looked for, with and without a label on where they live. */
  readonly searches: readonly (Dated & {
    readonly isLabelled: boolean;
    readonly isFirst: boolean;
  })[];
}

/** How often containers of one product were in use when somebody looked. */
export interface ContainerUse {
  readonly containerId: ContainerId;
  readonly name: string;
  readonly used: LearnedShare;
}

/** Everything that has been learnt, each with how much it rests on. */
export interface FirmLearned {
  readonly hours: HoursLearned;
  readonly tasks: Readonly<Partial<Record<TaskKind, Learned>>>;
  readonly litres: Learned;
  readonly sizes: readonly (Learned & { readonly kindId: string })[];
  readonly money: Learned;
  readonly fullness: {
    readonly litres: Learned;
    readonly overfull: LearnedShare;
    readonly halfEmpty: LearnedShare;
  };
  readonly containers: readonly ContainerUse[];
  readonly lidsOn: LearnedShare;
  readonly labels: readonly { readonly medium: LabelMedium; readonly stays: LearnedShare }[];
  readonly found: { readonly labelled: LearnedShare; readonly unlabelled: LearnedShare };
}
