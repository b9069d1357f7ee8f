import 'server-only';

import type { KeptDeed } from '@/core/home';
import type { ProjectId } from '@/core/shared';
import { moveChange } from '@/data/changes';
import { getDatabase } from '@/data/startData';

/** Takes the project's last change back or does it again. @errors `not_found` · `changed_since`. */
export const undoOrRedo = async (projectId: ProjectId, way: 'undo' | 'redo'): Promise<KeptDeed> =>
  moveChange(await getDatabase(), projectId, way);
