import { notFound } from 'next/navigation';

import { HomeFrame } from '@/app/RoomFrame';
import { changeProjectAction } from '@/app/actions/projects';
import { openHome } from '@/server/desk/openRoom';
import { toTypedProject } from '@/ui/agree/projectForm';
import { ProjectForm } from '@/ui/agree/ProjectForm';
import { ReachNote } from '@/ui/agree/ReachNote';
import { StepPages } from '@/ui/shell/StepPages';

export const metadata = { title: 'Household and budget' };

export default async function HouseholdPage({
  params,
}: {
  params: Promise<{ projectId: string }>;
}) {
  const { projectId } = await params;
  const opened = await openHome(projectId, 'people');
  if (!opened) notFound();
  const { records } = opened;
  return (
    <HomeFrame
      step="look"
      opened={opened}
      tray={<ReachNote people={records.people} units={records.project.units} />}
    >
      <StepPages scope={{ projectId }} step="look" active="household" />
      <h1 className="mb-4 text-[24px]">Household and budget, {records.project.name}</h1>
      <ProjectForm
        key={JSON.stringify([records.project, records.people, records.rooms])}
        typed={toTypedProject(records.project, records.people, records.rooms)}
        rooms={records.rooms}
        submitLabel="Keep what is agreed"
        onSave={changeProjectAction.bind(null, projectId)}
        canFinish
      />
    </HomeFrame>
  );
}
