import { notFound } from 'next/navigation';

import { RoomFrame } from '@/app/RoomFrame';
import {
  addDraftAction,
  arrangeAction,
  chooseDraftAction,
  removeDraftAction,
  renameDraftAction,
  takeInAction,
} from '@/app/actions/drafts';
import { addGroupAction, changeGroupAction, removeGroupAction } from '@/app/actions/groups';
import { keptLitresOf, openListsOf } from '@/core/sort';
import { openRoom } from '@/server/desk/openRoom';
import { draftHistory } from '@/server/place/draftHistory';
import { loadArrangement } from '@/server/place/loadArrangement';
import { placingSchoolsOf } from '@/server/place/zonesOfRoom';
import { DraftHistory } from '@/ui/place/DraftHistory';
import { DraftSlips } from '@/ui/place/DraftSlips';
import { GroupWishes } from '@/ui/place/GroupWishes';
import { PlaceBoard } from '@/ui/place/PlaceBoard';
import { PlaceFigures } from '@/ui/place/PlaceFigures';
import { StepPages } from '@/ui/shell/StepPages';
import { PlacePaper } from '@/ui/place/PlacePaper';
import { schoolNotes } from '@/ui/place/placeWords';
import { ProposalScene } from '@/ui/place/ProposalScene';
import { ProposePanel } from '@/ui/place/ProposePanel';
import { WaitingTray } from '@/ui/place/WaitingTray';
import { WhatIfPanel } from '@/ui/place/WhatIfPanel';
import { buttonClass } from '@/ui/primitives/Button';
import { Link } from '@/ui/primitives/Link';

export const metadata = { title: 'Place' };

interface PlacePageProps {
  readonly params: Promise<{ projectId: string; roomId: string }>;
  readonly searchParams: Promise<{ draft?: string | string[] }>;
}

export default async function PlacePage({ params, searchParams }: PlacePageProps) {
  const { projectId, roomId } = await params;
  const opened = await openRoom(
    projectId,
    roomId,
    'drafts',
    'fixtures',
    'passages',
    'people',
    'putAwayTests',
  );
  if (!opened) notFound();
  const { records, own } = opened;
  const view = loadArrangement({ records, scope: own.room.id }, (await searchParams).draft);
  const { groups, zones, shownRef } = view;
  const base = `/projects/${projectId}/rooms/${roomId}/place`;
  const ownGroups = groups.filter((group) => group.roomId === own.room.id);
  const litresOf = Object.fromEntries(
    own.groups.map((group) => [group.id, keptLitresOf(group, records.things)]),
  );
  const arrange = arrangeAction.bind(null, projectId, roomId, shownRef);
  const tray = (
    <>
      <WaitingTray
        lists={openListsOf(records.things, { rooms: [own.room] })}
        rooms={records.rooms}
        onTakeIn={takeInAction.bind(null, projectId, roomId)}
      />
      <GroupWishes
        people={records.people}
        stations={records.fixtures.filter(
          (fixture) => fixture.roomId === own.room.id && fixture.kind === 'station',
        )}
        groups={ownGroups}
        litresOf={litresOf}
        onSave={changeGroupAction.bind(null, projectId)}
        onAdd={addGroupAction.bind(null, projectId, roomId)}
        onRemove={removeGroupAction.bind(null, projectId)}
      />
      <DraftHistory
        entries={await draftHistory(opened.db, records, { roomId: own.room.id, ref: shownRef })}
        onGoBack={arrange}
      />
      <PlacePaper projectId={projectId} roomId={roomId} draftRef={shownRef} />
    </>
  );
  return (
    <RoomFrame step="place" opened={opened} tray={tray}>
      <StepPages scope={{ projectId, roomId }} step="place" active="" />
      <h1 className="sr-only">Where everything lives in the {own.room.name.toLowerCase()}</h1>
      {view.levels.length === 0 ? (
        <p className="panel border-t-4 border-t-rim p-6 text-[17px]">
          There is no place to put anything yet.{' '}
          <Link
            className={buttonClass('main', 'ml-2')}
            href={`/projects/${projectId}/rooms/${roomId}/look/units/new`}
          >
            Measure a unit
          </Link>
        </p>
      ) : (
        <>
          <DraftSlips
            key={shownRef}
            slips={view.slips}
            shownRef={shownRef}
            base={base}
            onAdd={addDraftAction.bind(null, projectId, roomId)}
            onRename={renameDraftAction.bind(null, projectId, roomId)}
            onChoose={chooseDraftAction.bind(null, projectId, roomId)}
            onRemove={removeDraftAction.bind(null, projectId, roomId)}
          />
          <ProposalScene key={`scene ${shownRef}`}>
            <PlaceBoard
              key={`board ${shownRef}`}
              rooms={[own.room].map(({ id, name }) => ({ id, name, units: own.units }))}
              otherRooms={records.rooms
                .filter(({ id }) => id !== own.room.id)
                .map(({ id, name }) => ({
                  id,
                  name,
                  units: records.units.filter((unit) => unit.roomId === id),
                }))}
              groups={groups}
              things={records.things}
              people={records.people}
              zones={zones}
              fragileIds={view.fragileIds}
              measureUnit={records.project.units}
              rowDepthMm={records.project.rowDepth?.mm}
              onPlace={arrange}
            />
            <PlaceFigures
              levels={view.levels}
              groups={ownGroups}
              judged={view.judged}
              today={shownRef === 'today' ? undefined : view.judgedToday}
            />
            {zones && ownGroups.length > 0 && shownRef !== 'today' && (
              <>
                <ProposePanel
                  key={`propose ${shownRef}`}
                  request={zones}
                  groups={ownGroups}
                  bayNames={view.bayNames}
                  backShares={view.backShares}
                  notes={schoolNotes(placingSchoolsOf(records, own.room))}
                  minutesNow={view.minutesNow}
                  measureUnit={records.project.units}
                  onTake={arrange}
                />
                <WhatIfPanel
                  request={zones}
                  groups={ownGroups}
                  bayNames={view.bayNames}
                  personNames={Object.fromEntries(records.people.map(({ id, name }) => [id, name]))}
                  shelves={view.shelves}
                  measureUnit={records.project.units}
                />
              </>
            )}
          </ProposalScene>
        </>
      )}
    </RoomFrame>
  );
}
