import { notFound } from 'next/navigation';

import { addRoomAction } from '@/app/actions/projects';
import { homeDoneRatio } from '@/core/desk';
import { openHome } from '@/server/desk/openRoom';
import { RoomForm } from '@/ui/look/RoomForm';
import { Frame } from '@/ui/shell/Frame';
import { KeptStatus } from '@/ui/shell/KeptStatus';
import { Lid } from '@/ui/shell/Lid';
import { scopeBase, stepHref } from '@/ui/shell/scope';
import { readyWords } from '@/ui/shell/stepWords';

export const metadata = { title: 'Add a room' };

export default async function NewRoomPage({ params }: { params: Promise<{ projectId: string }> }) {
  const { projectId } = await params;
  const opened = await openHome(projectId);
  if (!opened) notFound();
  const { project } = opened.records;
  const scopes = [
    {
      id: 'home',
      name: 'The home',
      href: scopeBase({ projectId }),
      doneRatio: homeDoneRatio(opened.desk),
    },
    ...opened.desk.map(({ room, progress }) => ({
      id: room.id,
      name: room.name,
      href: stepHref({ projectId, roomId: room.id }, 'look'),
      doneRatio: progress.doneRatio,
    })),
  ];
  return (
    <Frame
      lid={
        <Lid
          projectId={projectId}
          homeName={project.name}
          homeNote={readyWords(project)}
          scopes={scopes}
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
