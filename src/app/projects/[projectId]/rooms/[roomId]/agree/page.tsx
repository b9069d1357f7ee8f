import { notFound } from 'next/navigation';

import {
  chooseSchoolsAction,
  removeSectionAction,
  saveSectionAction,
  suggestSectionsAction,
} from '@/app/actions/agree';
import { setRoomBudgetAction } from '@/app/actions/projects';
import { RoomFrame } from '@/app/RoomFrame';
import { loadEstimate } from '@/server/agree/loadEstimate';
import { sectionRoomsOf } from '@/server/agree/sectionRooms';
import { openRoom } from '@/server/desk/openRoom';
import { today } from '@/server/means';
import { RoomBudget } from '@/ui/agree/RoomBudget';
import { SchoolsForm } from '@/ui/agree/SchoolsForm';
import { SectionBoard } from '@/ui/agree/SectionBoard';
import { Link } from '@/ui/primitives/Link';

export const metadata = { title: 'Agree' };

export default async function AgreePage({
  params,
}: {
  params: Promise<{ projectId: string; roomId: string }>;
}) {
  const { projectId, roomId } = await params;
  const opened = await openRoom(projectId, roomId, 'visits');
  if (!opened) notFound();
  const { db, records, own } = opened;
  const { project } = records;
  const { estimate } = await loadEstimate(db, records, today());
  return (
    <RoomFrame
      step="agree"
      opened={opened}
      tray={
        <Link
          className="text-[14.5px] text-rim underline underline-offset-3"
          href={`/projects/${projectId}/home/agree`}
        >
          What is agreed for the whole home: terms, estimate, the sheet
        </Link>
      }
    >
      <h1 className="mb-3 text-[24px]">What is agreed for the {own.room.name.toLowerCase()}</h1>
      <div className="grid grid-cols-[minmax(0,1fr)] gap-4">
        <RoomBudget
          key={own.room.budgetMinor}
          shareMinor={own.room.budgetMinor}
          homeMinor={project.budgetMinor}
          givenMinor={records.rooms.reduce((sum, { budgetMinor }) => sum + budgetMinor, 0)}
          currency={project.currency}
          onSave={setRoomBudgetAction.bind(null, { projectId, roomId })}
        />
        <SectionBoard
          estimates={estimate.sections.filter(({ section }) => section.roomId === roomId)}
          rooms={sectionRoomsOf(records).filter(({ id }) => id === roomId)}
          activeRoomId={roomId}
          onSave={saveSectionAction.bind(null, projectId)}
          onSuggest={suggestSectionsAction.bind(null, projectId)}
          onMove={undefined}
          onRemove={removeSectionAction.bind(null, projectId)}
        />
        <SchoolsForm
          key={roomId}
          project={project.terms.schools}
          room={own.room.schools}
          onChoose={chooseSchoolsAction.bind(null, projectId, roomId)}
        />
      </div>
    </RoomFrame>
  );
}
