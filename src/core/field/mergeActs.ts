import type { FieldAct, FieldCommand } from './acts';

type Kind = FieldCommand['kind'];
type Of<K extends Kind> = Extract<FieldCommand, { readonly kind: K }>;
/** What a command says something about; undefined where each one counts, and none overrules another. */
type Subjects = { readonly [K in Kind]: (command: Of<K>) => readonly unknown[] | undefined };

const each = () => undefined;
const SUBJECTS: Subjects = {
  bought: each,
  bought_for_rooms: each,
  debt: each,
  debt_settled: each,
  carried: each,
  test: each,
  // These are over, or stand still, once; the core's own functions see to it.
  step_over: each,
  paused: each,
  visit_mark: each,
  shortage: ({ roomId, needId, shopId }) => [roomId, needId, shopId],
  approved: ({ roomId, needId }) => [roomId, needId],
  check_answered: ({ roomId, checkId }) => [roomId, checkId],
  section_done: ({ visitId, sectionId }) => [visitId, sectionId],
  packed: ({ visitId, code, isBack }) => [visitId, code, isBack],
  walk_line: ({ look, line }) => [look.roomId, look.kind, look.plannedOn, line.bayId],
  look_made: ({ look }) => [look.roomId, look.kind, look.plannedOn],
  task: ({ roomId, task, of }) => [roomId, task, of],
  task_took: ({ roomId, task, of }) => [roomId, task, of],
  air_noted: ({ roomId }) => [roomId],
  unit_set_up: ({ roomId, unit }) => [roomId, unit.unitId],
  liner_changed: ({ roomId, bayId }) => [roomId, bayId],
  unit_measured: ({ unitId }) => [unitId],
  container_tried: ({ bayId, check }) => [bayId, check.index],
  container_corrected: ({ containerId }) => [containerId],
  visit_noted: ({ visitId }) => [visitId],
  move: ({ roomId, madeAt, index }) => [roomId, madeAt, index],
};

/** Names what a command is about, so that the later of two about the same counts. */
export function subjectOf(command: FieldCommand): string | undefined {
  const parts = (SUBJECTS[command.kind] as (of: FieldCommand) => readonly unknown[] | undefined)(
    command,
  );
  return parts && JSON.stringify([command.kind, ...parts]);
}

/** An act that the desk has. */
export interface KeptAct extends FieldAct {
  readonly keptAt: string;
}

/** Of two about the same, the one that counts and the other: the later, and of one time the one kept before. */
export const inTurn = (
  arriving: FieldAct,
  known: FieldAct,
): { readonly taken: FieldAct; readonly other: FieldAct } =>
  arriving.at <= known.at ? { taken: known, other: arriving } : { taken: arriving, other: known };

/** How an act that arrives stands to the latest that the desk has of the same subject. */
interface Merge {
  /** Something later is known: it is kept as done and changes nothing. */
  readonly isOvertaken: boolean;
  /** Another device said otherwise, and neither knew of the other. */
  readonly isConflict: boolean;
}

/**
 * The later one counts, by the time at which it was done; of the same time the one that is kept already. A
 * conflict is only what was said by another device, says something else, and was kept after the
 * arriving one was done: who knew of it changed their mind.
 * Requires: both are about the same subject.
 */
export const mergeAct = (arriving: FieldAct, known: KeptAct): Merge => ({
  isOvertaken: inTurn(arriving, known).taken === known,
  isConflict:
    deviceOf(arriving) !== deviceOf(known) &&
    arriving.at < known.keptAt &&
    saysOf(arriving.command) !== saysOf(known.command),
});

/** Names alone tell devices apart only where no mark does. */
const deviceOf = ({ device, by }: FieldAct): string => (device === '' ? by : device);

/** What is meant, without what was only seen beside it. */
const saysOf = (command: FieldCommand): string =>
  JSON.stringify(
    ordered(command.kind === 'task' ? { ...command, listedMinutes: undefined } : command),
  );

/** The same value with its keys in order, so that two that say the same read the same. */
const ordered = (value: unknown): unknown => {
  if (Array.isArray(value)) return value.map(ordered);
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(
    Object.entries(value)
      .sort(([a], [b]) => a.localeCompare(b))
      .map(([key, of]) => [key, ordered(of)]),
  );
};
