import 'server-only';

import {
  fieldActSchema,
  mergeAct,
  subjectOf,
  type FieldAct,
  type FieldCommand,
  type KeptAct,
} from '@/core/field';
import type { LayOutUnitError } from '@/core/look';
import type { ProjectId } from '@/core/shared';
import { shareLine } from '@/core/shop';
import { DataError, type Db } from '@/data/db';
import { loadRecords } from '@/data/records';
import { endLook, keepTest, noteWalkLine } from '../again/looks';
import { correctContainer, noteMockCheck } from '../fit/wishes';
import { answerCheck } from '../look/savePlan';
import { saveUnit } from '../look/saveUnit';
import { nowIso } from '../means';
import { noteConflict } from './conflicts';
import { tickMove } from '../place/moveList';
import { noteAir, noteLiner, noteUnit, tickTask, timeTask } from '../setUp/setUp';
import { approveNeed, noteShortage } from '../shop/buying';
import { addPurchase, addPurchases, type CardFault } from '../shop/roomShopping';
import { carryBox } from '../sort/goingOut';
import { endStep, noteDebt, pauseSession, settleDebt } from '../sort/sessions';
import { markVisit, noteVisit, packForVisit, tickSection } from '../visits/saveVisit';

const TABLE = 'field_acts';

/** Why an act was not kept; what the desk does not know any more is told by `DataError`. */
export type ActFault =
  | CardFault
  | {
      readonly code: 'does_not_lay_out';
      readonly errors: readonly LayOutUnitError[];
      /** Names of the places that were known before, by their ids. */
      readonly names: Readonly<Record<string, string>>;
    }
  | { readonly code: 'round_differs' };

class Refused extends Error {
  constructor(readonly fault: ActFault) {
    super(fault.code);
  }
}

/**
 * Keeps what was done on site, once: what has this id already is kept already, whoever sends it again. Of two
 * about the same the later counts (`mergeAct`); what two devices said without knowing of each other is noted.
 * Either all of it is kept or nothing.
 * @errors The command's own: `not_found` where the room, line or session is gone; an `ActFault` else.
 */
export const applyAct = (
  db: Db,
  projectId: ProjectId,
  said: FieldAct,
): Promise<ActFault | undefined> => applyActs(db, projectId, [said]);

/** Several acts in their order: all of them, or none where one is refused. @errors As `applyAct`. */
export async function applyActs(
  db: Db,
  projectId: ProjectId,
  acts: readonly FieldAct[],
): Promise<ActFault | undefined> {
  try {
    await db.transaction(async (trx) => {
      for (const act of acts) await keepAct(trx, projectId, act);
    });
    return undefined;
  } catch (error) {
    if (error instanceof Refused) return error.fault;
    throw error;
  }
}

/** Throws `Refused` where it cannot be; what is refused leaves nothing behind, so that it can be sent again. */
async function keepAct(trx: Db, projectId: ProjectId, said: FieldAct): Promise<void> {
  if (await trx(TABLE).where({ id: said.id }).first('id')) return;
  // A clock that is ahead did nothing later than now.
  const now = nowIso();
  const act = { ...said, at: said.at > now ? now : said.at };
  const known = await findKnown(trx, projectId, act);
  await trx(TABLE).insert({
    id: act.id,
    project_id: projectId,
    kind: act.command.kind,
    done_at: act.at,
    kept_at: now,
    subject: subjectOf(act.command) ?? null,
    done_by: act.by,
    device: act.device,
    command_json: JSON.stringify(act.command),
  });
  const merge = known && mergeAct(act, known);
  if (known && merge?.isConflict) await noteConflict(trx, projectId, { act, known });
  if (merge?.isOvertaken) return;
  const fault = await run(trx, projectId, act);
  if (fault) throw new Refused(fault);
}

/** The latest act that is kept of what this one is about. */
async function findKnown(
  db: Db,
  projectId: ProjectId,
  { command }: FieldAct,
): Promise<KeptAct | undefined> {
  const subject = subjectOf(command);
  if (subject === undefined) return undefined;
  const row = (await db(TABLE)
    .where({ project_id: projectId, subject })
    .orderBy('done_at', 'desc')
    .first()) as
    | {
        id: string;
        done_at: string;
        kept_at: string;
        done_by: string;
        device: string;
        command_json: string;
      }
    | undefined;
  return (
    row && {
      ...fieldActSchema.parse({
        id: row.id,
        at: row.done_at,
        by: row.done_by,
        device: row.device,
        command: JSON.parse(row.command_json),
      }),
      keptAt: row.kept_at,
    }
  );
}

type Kind = FieldCommand['kind'];
type Of<K extends Kind> = Extract<FieldCommand, { readonly kind: K }>;
interface Here {
  readonly db: Db;
  readonly projectId: ProjectId;
  readonly at: string;
}

/** What each command does; a fault where it is refused. */
const DOES: {
  readonly [K in Kind]: (here: Here, command: Of<K>) => Promise<ActFault | undefined | void>;
} = {
  bought: async ({ db, projectId }, { kind: _, ...purchase }) => {
    const bought = await addPurchase(db, projectId, purchase);
    return bought.ok ? undefined : bought.error;
  },
  bought_for_rooms: async (
    { db, projectId },
    { kind: _, parts, paidMinor: paid, cardMinor: card, ...line },
  ) => {
    const bought = await addPurchases(db, projectId, shareLine(parts, { ...line, paid, card }));
    return bought.ok ? undefined : bought.error;
  },
  shortage: ({ db, projectId }, { kind: _, ...line }) => noteShortage(db, projectId, line),
  approved: ({ db, projectId }, command) => approveNeed(db, projectId, command),
  debt: async ({ db, projectId, at }, command) => {
    await noteDebt(db, projectId, command, at);
  },
  debt_settled: ({ db, projectId }, command) => settleDebt(db, projectId, command),
  step_over: ({ db, projectId, at }, command) => endStep(db, projectId, { ...command, at }),
  paused: ({ db, projectId, at }, command) => pauseSession(db, projectId, { ...command, at }),
  carried: async ({ db, projectId }, { roomId, verdict, toward }) => {
    await carryBox(db, projectId, { roomId, box: { verdict, toward } });
  },
  check_answered: ({ db, projectId }, command) => answerCheck(db, projectId, command),
  visit_mark: ({ db, projectId, at }, command) => markVisit(db, projectId, { ...command, now: at }),
  section_done: ({ db, projectId }, command) => tickSection(db, projectId, command),
  packed: ({ db, projectId }, command) => packForVisit(db, projectId, command),
  walk_line: async ({ db, projectId }, { look, line }) => {
    await noteWalkLine(db, projectId, { at: look, line });
  },
  look_made: async ({ db, projectId }, { look, note, doneOn }) => {
    await endLook(db, projectId, { at: look, note, doneOn });
  },
  test: ({ db, projectId }, { test }) => keepTest(db, projectId, test),
  task: ({ db, projectId, at }, { task, ...rest }) =>
    tickTask(db, projectId, { ...rest, kind: task, at }),
  task_took: ({ db, projectId }, { task, ...took }) =>
    timeTask(db, projectId, { ...took, kind: task }),
  air_noted: ({ db, projectId }, { roomId, air }) => noteAir(db, projectId, { roomId, ...air }),
  unit_set_up: ({ db, projectId }, { roomId, unit }) =>
    noteUnit(db, projectId, { roomId, ...unit }),
  liner_changed: ({ db, projectId }, { kind: _, ...liner }) => noteLiner(db, projectId, liner),
  unit_measured: async ({ db, projectId }, { roomId, unitId, isNew, unit }) => {
    const { units } = await loadRecords(db, projectId, 'units');
    if (!isNew && units.every(({ id }) => id !== unitId))
      throw new DataError('not_found', 'there is no such unit in this home');
    const bays = unit.bays.map((bay) => ({ ...bay, id: bay.id }));
    const saved = await saveUnit(db, projectId, { ...unit, bays, id: unitId, roomId });
    const names = Object.fromEntries(bays.map(({ id = '', name }) => [id, name]));
    return saved.ok ? undefined : { code: 'does_not_lay_out', errors: saved.error, names };
  },
  container_tried: ({ db, projectId }, { bayId, check }) =>
    noteMockCheck(db, projectId, bayId, check),
  container_corrected: async ({ db, projectId }, command) => {
    const corrected = await correctContainer(db, projectId, command);
    return corrected.ok ? undefined : corrected.error;
  },
  visit_noted: ({ db, projectId }, { kind: _, ...notes }) => noteVisit(db, projectId, notes),
  move: ({ db, projectId, at }, command) => tickMove(db, projectId, { ...command, at }),
};

async function run(db: Db, projectId: ProjectId, act: FieldAct): Promise<ActFault | undefined> {
  const { command } = act;
  const does = DOES[command.kind] as (here: Here, of: FieldCommand) => ReturnType<typeof run>;
  return (await does({ db, projectId, at: act.at }, command)) ?? undefined;
}
