import { notFound, redirect } from 'next/navigation';

import { openProject } from '@/server/desk/openRoom';

/** Opens the first room that still has something to do, at that step. */
export default async function ProjectPage({ params }: { params: Promise<{ projectId: string }> }) {
  const { projectId } = await params;
  const project = await openProject(projectId);
  if (!project) notFound();
  const base = `/projects/${projectId}/rooms`;
  const open = project.desk.find(({ progress }) => progress.next.length > 0) ?? project.desk[0];
  redirect(
    open ? `${base}/${open.room.id}/${open.progress.next[0]?.step ?? 'show'}` : `${base}/new`,
  );
}
