import { z } from 'zod';

import { roomIdSchema } from '../shared';

/** What is done to a room between buying and showing, in the order in which it is begun. */
export const taskKinds = [
  'wipe',
  'sand',
  'paint',
  'cut',
  'anchor',
  'line',
  'load',
  'label',
  'photograph',
] as const;
export type TaskKind = (typeof taskKinds)[number];

/** What was ticked of a room's working list, and what the air is like; its id is the room's. */
export const setUpSchema = z.object({
  id: roomIdSchema,
  done: z
    .array(
      z.object({
        kind: z.enum(taskKinds),
        /** The unit, the row of fixings or the coat; empty for what is of the room. */
        of: z.string().max(100),
        doneAt: z.iso.datetime(),
      }),
    )
    .max(1000),
  /** Of the air where paint dries; null: nobody has said, as it is on the tin. */
  airCelsius: z.number().min(-10).max(50).nullable(),
  isDamp: z.boolean(),
});
export type SetUp = Readonly<z.infer<typeof setUpSchema>>;

export const taskIdOf = (kind: TaskKind, of: string): string =>
  of === '' ? kind : `${kind} ${of}`;

/** Tasks that are done, by their ids. */
export interface DoneTask {
  readonly taskId: string;
  readonly doneAt: string;
}
export const doneTasksOf = ({ done }: Pick<SetUp, 'done'>): DoneTask[] =>
  done.map(({ kind, of, doneAt }) => ({ taskId: taskIdOf(kind, of), doneAt }));

/** A task of the working list. Minutes are those of everybody who is at it. */
export interface SetUpTask {
  readonly id: string;
  readonly kind: TaskKind;
  /** Of a unit, a row of fixings or a coat; empty for what is of the room. */
  readonly of: string;
  readonly minutes: number;
  readonly people: number;
  readonly skill: 'drill' | undefined;
  /** What must be done before, and the minutes that have to go by: paint dries, then hardens. */
  readonly after: readonly { readonly taskId: string; readonly lagMinutes: number }[];
}
