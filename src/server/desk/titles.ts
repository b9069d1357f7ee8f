import 'server-only';

import { projectIdSchema, type LengthUnit } from '@/core/shared';
import { findProject, loadRecords } from '@/data/records';
import { getDatabase } from '@/data/startData';

/** What a home is measured in; undefined where an id names nothing. */
export async function unitsOf(projectIdRaw: string): Promise<LengthUnit | undefined> {
  const projectId = projectIdSchema.safeParse(projectIdRaw);
  if (!projectId.success) return undefined;
  return (await findProject(await getDatabase(), projectId.data))?.units;
}

/** "Boot room, 14 Quarry Row", or the home's name; undefined where an id names nothing. */
export async function titleOf(
  projectIdRaw: string,
  roomId: string | undefined,
): Promise<string | undefined> {
  const projectId = projectIdSchema.safeParse(projectIdRaw);
  if (!projectId.success) return undefined;
  const db = await getDatabase();
  const project = await findProject(db, projectId.data);
  if (!project || roomId === undefined) return project?.name;
  const { rooms } = await loadRecords(db, projectId.data, 'rooms');
  const room = rooms.find(({ id }) => id === roomId);
  return room && `${room.name}, ${project.name}`;
}
