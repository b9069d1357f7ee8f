import { notFound } from 'next/navigation';

import { addRoomAction } from '@/app/actions/projects';
import { openProject } from '@/server/desk/openRoom';
import { RoomForm } from '@/ui/look/RoomForm';
import { Frame } from '@/ui/shell/Frame';
import { KeptStatus } from '@/ui/shell/KeptStatus';
import { Lid } from '@/ui/shell/Lid';
import { readyWords } from '@/ui/shell/StepFrame';

export const metadata = { title: 'Add a room' };

export default async function NewRoomPage({ params }: { params: Promise<{ projectId: string }> }) {
  const { projectId } = await params;
  const opened = await openProject(projectId);
  if (!opened) notFound();
  const { project } = opened.records;
  const rooms = opened.desk.map(({ room, progress }) => ({
    id: room.id,
    name: room.name,
    href: `/projects/${projectId}/rooms/${room.id}/look`,
    doneRatio: progress.doneRatio,
  }));
  return (
    <Frame
      lid={
        <Lid
          projectId={projectId}
          homeName={project.name}
          homeNote={readyWords(project)}
          rooms={rooms}
        >
          <KeptStatus />
        </Lid>
      }
    >
      <div className="mx-auto max-w-[900px]">
        <h1 className="mb-1 text-[26px]">Add a room</h1>
        <p className="mb-4 max-w-[60ch] text-soft">
          Walk through before touching anything. What is it for, and what should be possible here
          again?
        </p>
        <RoomForm onSave={addRoomAction.bind(null, projectId)} />
      </div>
    </Frame>
  );
}
