import 'server-only';

import { formatMoneyInput, type ProjectId } from '@/core/shared';
import { loadRecords } from '@/data/records';
import { getDatabase } from '@/data/startData';
import type { ActFault } from '@/server/field/applyAct';
import { layOutErrorWords } from '@/ui/look/lookWords';

/** Why the desk did not keep an act, in words; lengths in the home's units. */
export async function actFaultWords(fault: ActFault, projectId: ProjectId): Promise<string> {
  switch (fault.code) {
    case 'card_too_small':
      return `Only ${formatMoneyInput(fault.leftMinor)} is left on the card`;
    case 'round_differs':
      return 'A round container is as wide as it is deep';
    case 'does_not_lay_out': {
      const { project } = await loadRecords(await getDatabase(), projectId, 'project');
      return fault.errors
        .map((error) =>
          layOutErrorWords(error, project.units, (id) => fault.names[id] ?? 'One place'),
        )
        .join('. ');
    }
  }
}
