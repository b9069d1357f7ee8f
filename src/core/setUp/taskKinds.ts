import type { Learned } from '../shared';

/** What is done to a room between buying and showing, in the order in which it is begun. */
export const taskKinds = [
  'takeDown',
  'wipe',
  'fill',
  'sand',
  'prime',
  'paint',
  'cut',
  'assemble',
  'secure',
  'anchor',
  'wash',
  'floor',
  'line',
  'fit',
  'move',
  'load',
  'label',
  'photograph',
] as const;

export type TaskKind = (typeof taskKinds)[number];

export const taskIdOf = (kind: TaskKind, of: string): string =>
  of === '' ? kind : `${kind} ${of}`;

/** Tasks that are done, by their ids. */
export interface DoneTask {
  readonly taskId: string;
  readonly doneAt: string;
}

/** A task of the working list. Minutes are those of everybody who is at it. */
export interface SetUpTask {
  readonly id: string;
  readonly kind: TaskKind;
  /** Of a unit, a row of fixings or a coat; empty for what is of the room. */
  readonly of: string;
  readonly minutes: number;
  /** What the assumptions alone say, and what they were corrected by. */
  readonly assumedMinutes: number;
  readonly learned: Learned;
  readonly people: number;
  readonly skill: 'drill' | undefined;
  /** Above a hand's reach. */
  readonly needsLadder: boolean;
  /** How much there is of it: places, containers, labels, pieces, litres or square metres, by its kind. */
  readonly amount: number | undefined;
  /** What must be done before, and the minutes that have to go by: paint dries, then hardens. */
  readonly after: readonly { readonly taskId: string; readonly lagMinutes: number }[];
}
