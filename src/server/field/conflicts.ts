import 'server-only';

import {
  fieldActSchema,
  inTurn,
  stepOf,
  subjectOf,
  type FieldAct,
  type FieldCommand,
  type KeptAct,
} from '@/core/field';
import type { Step } from '@/core/desk';
import type { BayId, ProjectId, RoomId } from '@/core/shared';
import { DataError, type Db } from '@/data/db';
import type { Records } from '@/data/records';
import { nowIso } from '../means';

const TABLE = 'field_conflicts';

/** What two devices said of the same, neither knowing of the other. */
export interface FieldConflict {
  readonly id: string;
  /** The later one, which counts. */
  readonly taken: FieldAct;
  readonly other: FieldAct;
}

/** Keeps both versions until somebody has looked at them; of several about the same only the last is asked. */
export async function noteConflict(
  db: Db,
  projectId: ProjectId,
  { act, known }: { readonly act: FieldAct; readonly known: KeptAct },
): Promise<void> {
  const { keptAt: _, ...before } = known;
  const { taken, other } = inTurn(act, before);
  const subject = subjectOf(act.command);
  for (const open of await listConflicts(db, projectId))
    if (subjectOf(open.taken.command) === subject)
      await db(TABLE).where({ id: open.id }).update({ settled_at: nowIso() });
  await db(TABLE).insert({
    id: act.id,
    project_id: projectId,
    noted_at: nowIso(),
    taken_json: JSON.stringify(taken),
    other_json: JSON.stringify(other),
    settled_at: null,
  });
}

interface ConflictRow {
  readonly id: string;
  readonly taken_json: string;
  readonly other_json: string;
}
const toConflict = ({ id, taken_json, other_json }: ConflictRow): FieldConflict => ({
  id,
  taken: fieldActSchema.parse(JSON.parse(taken_json)),
  other: fieldActSchema.parse(JSON.parse(other_json)),
});

/** Those that nobody has settled, the oldest first. */
export async function listConflicts(db: Db, projectId: ProjectId): Promise<FieldConflict[]> {
  const rows = (await db(TABLE)
    .where({ project_id: projectId, settled_at: null })
    .orderBy('noted_at')) as ConflictRow[];
  return rows.map(toConflict);
}

type Places = Pick<Records<'containers' | 'rooms' | 'units'>, 'containers' | 'rooms' | 'units'>;

/** A conflict, what it is about, and where it shows: on the pages of a step, of one room or of all. */
export interface PlacedConflict extends FieldConflict {
  readonly about: string;
  readonly step: Step | undefined;
  readonly roomId: RoomId | undefined;
}

/** Those that nobody has settled, each where it belongs. */
export async function placeConflicts(
  db: Db,
  projectId: ProjectId,
  places: Places,
): Promise<PlacedConflict[]> {
  const conflicts = await listConflicts(db, projectId);
  return conflicts.map((conflict) => ({
    ...conflict,
    about: aboutConflict(conflict.taken.command, places),
    step: stepOf(conflict.taken.command),
    roomId: roomOf(conflict.taken.command, places)?.id,
  }));
}

const bayIdOf = (command: FieldCommand): BayId | undefined => {
  if (command.kind === 'walk_line') return command.line.bayId;
  return 'bayId' in command ? command.bayId : undefined;
};

const unitIdOf = (command: FieldCommand): string | undefined => {
  if (command.kind === 'unit_set_up') return command.unit.unitId;
  return 'of' in command ? command.of : undefined;
};

const bayOf = (command: FieldCommand, { units }: Places) =>
  units.flatMap(({ bays }) => bays).find(({ id }) => id === bayIdOf(command));

function roomOf(command: FieldCommand, places: Places) {
  const bay = bayOf(command, places);
  const unit = places.units.find(({ id }) => id === bay?.unitId);
  const roomId = 'look' in command ? command.look.roomId : 'roomId' in command && command.roomId;
  return places.rooms.find(({ id }) => id === (roomId || unit?.roomId));
}

/** The room, and what in it, that a command is about, as far as its own words do not say it. */
export function aboutConflict(command: FieldCommand, places: Places): string {
  const room = roomOf(command, places);
  const check =
    command.kind === 'check_answered' && room?.checks.find(({ id }) => id === command.checkId);
  const unit = places.units.find(({ id }) => id === unitIdOf(command));
  const container =
    command.kind === 'container_corrected' &&
    places.containers.find(({ id }) => id === command.containerId);
  return [
    room?.name,
    check && check.text,
    unit?.name,
    container && container.name,
    bayOf(command, places)?.name,
  ]
    .filter(Boolean)
    .join(', ');
}

/** Marks one as looked at and gives it back. @errors `not_found`. */
export async function settleConflict(
  db: Db,
  projectId: ProjectId,
  id: string,
): Promise<FieldConflict> {
  const row = (await db(TABLE).where({ project_id: projectId, id }).first()) as
    ConflictRow | undefined;
  if (!row) throw new DataError('not_found', 'it is settled by now');
  await db(TABLE).where({ id }).update({ settled_at: nowIso() });
  return toConflict(row);
}
