import { notFound } from 'next/navigation';

import { startLeaving } from '@/core/takeAway';
import { listDestinations } from '@/server/takeAway/leaving';

import { RoomFrame } from '@/app/RoomFrame';
import { arrangeAction } from '@/app/actions/drafts';
import { addGroupAction } from '@/app/actions/groups';
import { keepKindAction } from '@/app/actions/kinds';
import { saveRoutineBreaksAction } from '@/app/actions/plan';
import { changeStepsAction, saveOwnMethodAction, startSessionAction } from '@/app/actions/sessions';
import { schoolIn, usableLitresOf } from '@/core/look';
import { openListsOf } from '@/core/sort';
import { listOwnMethods, listSessions } from '@/data/sessionRepo';
import { openRoom } from '@/server/desk/openRoom';
import { loadBench } from '@/server/sort/loadBench';
import { answerRoomChecks } from '@/server/look/roomChecks';
import { EndChecks } from '@/ui/sort/EndChecks';
import { RoomMap } from '@/ui/sort/RoomMap';
import { SortBench } from '@/ui/sort/SortBench';
import { SortTray } from '@/ui/sort/SortTray';

export const metadata = { title: 'Sort' };

export default async function SortPage({
  params,
  searchParams,
}: {
  params: Promise<{ projectId: string; roomId: string }>;
  searchParams: Promise<{ thing?: string }>;
}) {
  const { projectId, roomId } = await params;
  const { thing: openThingId } = await searchParams;
  const opened = await openRoom(projectId, roomId, 'people', 'fixtures', 'leavings');
  if (!opened) notFound();
  const { db, records, own, here } = opened;
  const { project, people } = records;
  const bays = own.units.flatMap((unit) => unit.bays).filter((bay) => !bay.outOfScope);
  const litresOf = (bayIds: readonly string[]) =>
    bays.filter(({ id }) => bayIds.includes(id)).reduce((sum, bay) => sum + usableLitresOf(bay), 0);
  const session = (await listSessions(db, own.room.id)).at(-1);
  const bench = await loadBench(db, {
    ...records,
    roomId: own.room.id,
    openSince: session?.endedAt === null ? session.startedAt : undefined,
    openThingId,
  });
  const sections = records.sections.filter((section) => section.roomId === roomId);
  const section = sections.find(({ id }) => id === session?.sectionId);
  const place = { projectId, roomId };
  return (
    <RoomFrame
      step="sort"
      opened={opened}
      tray={
        <SortTray
          things={own.things}
          carries={own.carries}
          progress={here.progress}
          outOfScopeNames={sections.filter(({ inScope }) => !inScope).map(({ name }) => name)}
          lists={openListsOf(records.things, { rooms: [own.room] })}
          href={`/projects/${projectId}/rooms/${roomId}/sort`}
          homeHref={`/projects/${projectId}/home/sort`}
        />
      }
    >
      <h1 className="sr-only">Sort {own.room.name}</h1>
      <SortBench
        key={`${roomId} ${openThingId ?? ''}`}
        openThingId={openThingId}
        projectId={projectId}
        roomId={own.room.id}
        {...bench}
        neverLeaves={project.terms.neverLeaves}
        lengthUnit={project.units}
        groups={records.groups}
        units={own.units}
        destinationsOfDesk={await listDestinations(db)}
        leaving={records.leavings[0] ?? startLeaving(project.id)}
        otherRooms={records.rooms
          .filter(({ id }) => id !== own.room.id)
          .map(({ id, name }) => ({ id, name }))}
        roomLitres={bays.reduce((sum, bay) => sum + usableLitresOf(bay), 0)}
        carries={own.carries}
        currency={project.currency}
        liftLimitG={project.terms.liftLimitG}
        sentimentalSchool={schoolIn('sentimental', own.room.schools, project.terms.schools)?.choice}
        session={{
          session,
          sectionName: section?.name,
          sectionLitres: section ? (litresOf(section.bayIds) * section.fullPercent) / 100 : 0,
          sections,
          people: people.map(({ name }) => name),
          ownMethods: await listOwnMethods(db, project.id),
          agreedMethod:
            schoolIn('method', own.room.schools, project.terms.schools)?.choice ?? 'empty-all',
          onStart: startSessionAction.bind(null, place),
          onChangeSteps: changeStepsAction.bind(null, place),
          endChecks: (
            <EndChecks
              answers={answerRoomChecks(records, own.room.id)}
              breaks={own.room.routineBreaks}
              measureUnit={project.units}
              onSaveBreaks={saveRoutineBreaksAction.bind(null, place)}
            />
          ),
          onKeepMethod: saveOwnMethodAction.bind(null, projectId),
        }}
        onAddGroup={addGroupAction.bind(null, projectId, roomId)}
        onPlaceGroup={arrangeAction.bind(null, projectId, roomId, 'chosen')}
        onKeepKind={keepKindAction}
      />
      <RoomMap units={own.units} groups={own.groups} things={records.things} />
    </RoomFrame>
  );
}
