import { notFound } from 'next/navigation';

import { RoomFrame } from '@/app/RoomFrame';
import { changeProjectAction } from '@/app/actions/projects';
import { openRoom } from '@/server/desk/openRoom';
import { toTypedProject } from '@/ui/agree/projectForm';
import { ProjectForm } from '@/ui/agree/ProjectForm';
import { ReachNote } from '@/ui/agree/ReachNote';

export const metadata = { title: 'Household and budget' };

export default async function HouseholdPage({
  params,
}: {
  params: Promise<{ projectId: string; roomId: string }>;
}) {
  const { projectId, roomId } = await params;
  const opened = await openRoom(projectId, roomId, 'people');
  if (!opened) notFound();
  const { records } = opened;
  return (
    <RoomFrame
      step="agree"
      opened={opened}
      tray={<ReachNote people={records.people} units={records.project.units} />}
    >
      <h1 className="mb-4 text-[24px]">Household and budget, {records.project.name}</h1>
      <ProjectForm
        key={JSON.stringify([records.project, records.people, records.rooms])}
        typed={toTypedProject(records.project, records.people, records.rooms)}
        rooms={records.rooms}
        submitLabel="Keep what is agreed"
        onSave={changeProjectAction.bind(null, projectId)}
        canFinish
      />
    </RoomFrame>
  );
}
