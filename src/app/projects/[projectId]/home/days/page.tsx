import { notFound } from 'next/navigation';

import {
  moveVisitAction,
  proposeDaysAction,
  removeVisitAction,
  saveDaysTermsAction,
  saveVisitAction,
  takeDaysAction,
} from '@/app/actions/visits';
import { decideConflictAction } from '@/app/actions/field';
import { HomeFrame } from '@/app/RoomFrame';
import { loadHomePage } from '@/server/desk/homePage';
import { openHome } from '@/server/desk/openRoom';
import { nowIso, today } from '@/server/means';
import { loadWhatToBring } from '@/server/visits/bring';
import { gatherVisitWork, loadOrders } from '@/server/visits/daysPage';
import { findUnplanned } from '@/server/visits/planDays';
import { ConflictsHere } from '@/ui/field/ConflictsHere';
import { HomeTabs } from '@/ui/home/HomeTabs';
import { HomeTray } from '@/ui/home/HomeView';
import { DaysView } from '@/ui/visits/DaysView';

export const metadata = { title: 'Days' };

export default async function DaysPage({ params }: { params: Promise<{ projectId: string }> }) {
  const { projectId } = await params;
  const opened = await openHome(projectId, 'agreements', 'visits', 'sessions', 'moveLists');
  if (!opened) notFound();
  const { project, rooms, visits } = opened.records;
  const facts = await loadHomePage(opened, today());
  const { estimate } = facts;
  return (
    <HomeFrame
      step={undefined}
      opened={opened}
      tray={<HomeTray project={project} rooms={rooms} facts={facts} />}
    >
      <HomeTabs projectId={projectId} active="days" />
      <ConflictsHere
        conflicts={opened.conflicts.filter(({ step }) => step === undefined)}
        onDecide={decideConflictAction.bind(null, projectId)}
      />
      <DaysView
        projectId={projectId}
        visits={visits}
        sections={estimate.sections
          .filter(({ section }) => section.inScope)
          .map(({ section: { id, name, roomId, content }, likelyMinutes, isDone }) => ({
            id,
            name,
            content,
            likelyMinutes,
            isDone,
            roomName: rooms.find((room) => room.id === roomId)?.name ?? '',
          }))}
        work={gatherVisitWork(opened.records, nowIso())}
        unplanned={findUnplanned(opened.records, estimate, today())}
        orders={loadOrders(opened.records, today())}
        bring={loadWhatToBring(opened.records, estimate.sections)}
        terms={project.terms}
        readyBy={project.readyBy}
        today={today()}
        acts={{
          onSave: saveVisitAction.bind(null, projectId),
          onRemove: removeVisitAction.bind(null, projectId),
          onAsk: proposeDaysAction.bind(null, projectId),
          onTake: takeDaysAction,
          onMove: moveVisitAction.bind(null, projectId),
          onTerms: saveDaysTermsAction.bind(null, projectId),
        }}
      />
    </HomeFrame>
  );
}
