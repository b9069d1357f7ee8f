import 'server-only';

import type { FieldAct, FieldCommand } from '@/core/field';
import type { ProjectId } from '@/core/shared';
import { DataError, type Db } from '@/data/db';
import { nowIso } from '../means';
import { tickMove } from '../place/moveList';
import { tickTask } from '../setUp/setUp';
import { noteShortage } from '../shop/buying';
import { addPurchase, type CardFault } from '../shop/roomShopping';
import { endStep, noteDebt, settleDebt } from '../sort/sessions';

const TABLE = 'field_acts';

/** Why an act was not kept; what the desk does not know any more is told by `DataError`. */
export type ActFault = CardFault;

class Refused extends Error {
  constructor(readonly fault: ActFault) {
    super(fault.code);
  }
}

/**
 * Keeps what was done on site, once: what has this id already is kept already, whoever sends it again. Either
 * all of it is kept or nothing.
 * @errors The command's own: `not_found` where the room, line or session is gone; `card_too_small`.
 */
export async function applyAct(
  db: Db,
  projectId: ProjectId,
  act: FieldAct,
): Promise<ActFault | undefined> {
  try {
    await db.transaction(async (trx) => {
      if (await trx(TABLE).where({ id: act.id }).first()) return;
      await trx(TABLE).insert({
        id: act.id,
        project_id: projectId,
        kind: act.command.kind,
        done_at: act.at,
        kept_at: nowIso(),
      });
      const fault = await run(trx, projectId, act);
      // What is refused leaves nothing behind, so that it can be sent again.
      if (fault) throw new Refused(fault);
    });
    return undefined;
  } catch (error) {
    if (error instanceof Refused) return error.fault;
    throw error;
  }
}

async function run(db: Db, projectId: ProjectId, act: FieldAct): Promise<ActFault | undefined> {
  const at = timeOf(act);
  const command: FieldCommand = act.command;
  switch (command.kind) {
    case 'bought': {
      const { kind: _, ...purchase } = command;
      const bought = await addPurchase(db, projectId, purchase);
      return bought.ok ? undefined : bought.error;
    }
    case 'shortage': {
      const { kind: _, ...line } = command;
      await noteShortage(db, projectId, line);
      return undefined;
    }
    case 'debt':
      await noteDebt(db, projectId, command, at);
      return undefined;
    case 'debt_settled':
      await settleDebt(db, projectId, command);
      return undefined;
    case 'step_over':
      await endStep(db, projectId, { ...command, at });
      return undefined;
    case 'task': {
      const { task, ...rest } = command;
      await tickTask(db, projectId, { ...rest, kind: task, at });
      return undefined;
    }
    case 'move':
      await tickMove(db, projectId, { ...command, at });
      return undefined;
    default: {
      const never: never = command;
      throw new DataError('not_found', `no command ${String(never)}`);
    }
  }
}

/** A clock that is ahead did nothing later than now. */
const timeOf = ({ at }: FieldAct): string => {
  const now = nowIso();
  return at > now ? now : at;
};
