import 'server-only';

import type { KeptDeed } from '@/core/home';
import type { ProjectId } from '@/core/shared';
import { getUndoState, moveChange, type UndoState } from '@/data/changes';
import { getDatabase } from '@/data/startData';

export const loadUndoState = async (projectId: ProjectId): Promise<UndoState> =>
  getUndoState(await getDatabase(), projectId);

/** Takes the project's last change back or does it again. @errors `not_found` · `changed_since`. */
export const undoOrRedo = async (projectId: ProjectId, way: 'undo' | 'redo'): Promise<KeptDeed> =>
  moveChange(await getDatabase(), projectId, way);
