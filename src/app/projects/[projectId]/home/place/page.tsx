import { notFound } from 'next/navigation';

import { HomeFrame } from '@/app/RoomFrame';
import {
  addDraftAction,
  arrangeAction,
  chooseDraftAction,
  removeDraftAction,
  renameDraftAction,
} from '@/app/actions/drafts';
import { sayMayLeaveAction } from '@/app/actions/groups';
import { mayLeaveRoom } from '@/core/place';
import { openHome } from '@/server/desk/openRoom';
import { countWays } from '@/server/look/waysOfHome';
import { draftHistory } from '@/server/place/draftHistory';
import { loadArrangement } from '@/server/place/loadArrangement';
import { waysNote } from '@/ui/look/wayWords';
import { DraftHistory } from '@/ui/place/DraftHistory';
import { DraftSlips } from '@/ui/place/DraftSlips';
import { LeavingList } from '@/ui/place/LeavingList';
import { PlaceBoard } from '@/ui/place/PlaceBoard';
import { PlaceFigures } from '@/ui/place/PlaceFigures';
import { StepPages } from '@/ui/shell/StepPages';
import { PlacePaper } from '@/ui/place/PlacePaper';
import { ProposalScene } from '@/ui/place/ProposalScene';
import { ProposePanel } from '@/ui/place/ProposePanel';
import { buttonClass } from '@/ui/primitives/Button';
import { Link } from '@/ui/primitives/Link';

export const metadata = { title: 'Place, the whole home' };

interface HomePlacePageProps {
  readonly params: Promise<{ projectId: string }>;
  readonly searchParams: Promise<{ draft?: string | string[] }>;
}

/** Arrangements of the whole home: every room drawn side by side, for what may live in another one. */
export default async function HomePlacePage({ params, searchParams }: HomePlacePageProps) {
  const { projectId } = await params;
  const opened = await openHome(
    projectId,
    'drafts',
    'fixtures',
    'passages',
    'people',
    'putAwayTests',
  );
  if (!opened) notFound();
  const { records } = opened;
  const view = loadArrangement({ records, scope: null }, (await searchParams).draft);
  const { groups, zones, shownRef } = view;
  const placing = `/projects/${projectId}/home/place`;
  const rooms = records.rooms
    .map(({ id, name }) => ({
      id,
      name,
      units: records.units.filter((unit) => unit.roomId === id),
    }))
    .filter(({ units }) => units.length > 0);
  const arrange = arrangeAction.bind(null, projectId, null, shownRef);
  const tray = (
    <>
      <LeavingList
        rooms={records.rooms}
        groups={groups}
        onSay={sayMayLeaveAction.bind(null, projectId)}
      />
      <DraftHistory
        entries={await draftHistory(opened.db, records, { roomId: null, ref: shownRef })}
        onGoBack={arrange}
      />
      <details>
        <summary className="caption min-h-8 content-center max-md:min-h-12">
          This arrangement on paper
        </summary>
        <div className="grid gap-3">
          {rooms.map((room) => (
            <PlacePaper
              key={room.id}
              projectId={projectId}
              roomId={room.id}
              draftRef={shownRef}
              roomName={room.name}
            />
          ))}
        </div>
      </details>
    </>
  );
  return (
    <HomeFrame step="place" opened={opened} tray={tray}>
      <StepPages scope={{ projectId }} step="place" active="" />
      <h1 className="sr-only">Where everything lives in the whole home</h1>
      {view.levels.length === 0 ? (
        <p className="panel border-t-4 border-t-rim p-6 text-[17px]">
          No room has a place to put anything yet.{' '}
          <Link className={buttonClass('main', 'ml-2')} href={`/projects/${projectId}/home/look`}>
            Look at the rooms
          </Link>
        </p>
      ) : (
        <>
          <DraftSlips
            key={shownRef}
            slips={view.slips}
            shownRef={shownRef}
            base={placing}
            onAdd={addDraftAction.bind(null, projectId, null)}
            onRename={renameDraftAction.bind(null, projectId, null)}
            onChoose={chooseDraftAction.bind(null, projectId, null)}
            onRemove={removeDraftAction.bind(null, projectId, null)}
          />
          {view.slips.length > 2 && (
            <p className="mb-2 text-[14px]">
              <Link
                className="text-rim underline underline-offset-3"
                href={`${placing}/compare?b=${shownRef}`}
              >
                Compare two arrangements of the home
              </Link>
            </p>
          )}
          <ProposalScene key={`scene ${shownRef}`}>
            <PlaceBoard
              key={`board ${shownRef}`}
              rooms={rooms}
              otherRooms={[]}
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
              groups={groups}
              judged={view.judged}
              today={shownRef === 'today' ? undefined : view.judgedToday}
            />
            {zones && groups.length > 0 && shownRef !== 'today' && (
              <ProposePanel
                key={`propose ${shownRef}`}
                request={zones}
                groups={groups}
                bayNames={view.bayNames}
                backShares={view.backShares}
                notes={[
                  `${groups.filter(mayLeaveRoom).length} of ${groups.length} groups may leave their room.`,
                  waysNote(countWays(records)),
                ]}
                minutesNow={view.minutesNow}
                measureUnit={records.project.units}
                onTake={arrange}
              />
            )}
          </ProposalScene>
        </>
      )}
    </HomeFrame>
  );
}
