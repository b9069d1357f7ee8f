import 'server-only';

import type { ProjectId } from '@/core/shared';
import { atomic } from '@/data/changes';
import type { Db } from '@/data/db';
import { createId, nowIso } from '../means';
import { applyAct, type ActFault } from './applyAct';
import { settleConflict } from './conflicts';

/**
 * Settles what two devices said differently: as it is, or as the other had it, which is then done now. Where that
 * is refused, the conflict stays. @errors `not_found`.
 */
export const decideConflict = atomic(
  async (
    db: Db,
    projectId: ProjectId,
    { id, isOtherTaken }: { readonly id: string; readonly isOtherTaken: boolean },
  ): Promise<ActFault | undefined> => {
    const { taken, other } = await settleConflict(db, projectId, id);
    if (!isOtherTaken) return undefined;
    // Said by whoever settles it, who knows of both.
    return applyAct(db, projectId, {
      ...other,
      id: createId(),
      at: nowIso(),
      by: taken.by,
      device: taken.device,
    });
  },
);
