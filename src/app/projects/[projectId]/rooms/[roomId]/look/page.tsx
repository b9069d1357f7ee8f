import clsx from 'clsx';
import { notFound } from 'next/navigation';

import { RoomFrame } from '@/app/RoomFrame';
import {
  addVantagePointAction,
  missBeforeAction,
  removePictureAction,
  removeVantagePointAction,
} from '@/app/actions/look';
import {
  movePlanItemAction,
  removeCheckAction,
  removeFixtureAction,
  saveCheckAction,
  saveFixtureAction,
  saveRoutineBreaksAction,
  saveWallsAction,
} from '@/app/actions/plan';
import { changeRoomAction } from '@/app/actions/projects';
import { leadDoorAction } from '@/app/actions/ways';
import { answerChecks, findPlanClashes, traceWalls, type RoomPlan } from '@/core/look';
import { openRoom } from '@/server/desk/openRoom';
import { DrawingLinks } from '@/ui/look/DrawingLinks';
import { FixtureSheet } from '@/ui/look/FixtureSheet';
import { LookTray } from '@/ui/look/LookTray';
import { PlanBoard } from '@/ui/look/PlanBoard';
import { RoomChecks } from '@/ui/look/RoomChecks';
import { RoomFronts } from '@/ui/look/RoomFronts';
import { RoomPurpose } from '@/ui/look/RoomPurpose';
import { RoutineBreaks } from '@/ui/look/RoutineBreaks';
import { VantagePoints } from '@/ui/look/VantagePoints';
import { WallsSheet } from '@/ui/look/WallsSheet';
import { buttonClass } from '@/ui/primitives/Button';
import { Link } from '@/ui/primitives/Link';

export const metadata = { title: 'Look' };

interface LookPageProps {
  readonly params: Promise<{ projectId: string; roomId: string }>;
  readonly searchParams: Promise<{ view?: string }>;
}

/** Undefined where nothing is measured, or the walls do not close. */
function outlineOf(plan: RoomPlan | null) {
  const traced = plan ? traceWalls(plan) : undefined;
  return traced?.ok ? traced.value : undefined;
}

const viewOf = (asked: string | undefined, usual: 'plan' | 'front'): 'plan' | 'front' =>
  asked === 'front' || asked === 'plan' ? asked : usual;

/** The room from above, or its units from the front. */
function ViewTab({
  href,
  isShown,
  children,
}: {
  readonly href: string;
  readonly isShown: boolean;
  readonly children: string;
}) {
  return (
    <Link
      href={href}
      aria-current={isShown ? 'page' : undefined}
      className={clsx(
        'flex min-h-12 items-center px-4 font-head text-[15px] font-[650]',
        isShown ? 'border-b-[3px] border-rim text-rim-deep' : 'text-soft',
      )}
    >
      {children}
    </Link>
  );
}

export default async function LookPage({ params, searchParams }: LookPageProps) {
  const { projectId, roomId } = await params;
  const opened = await openRoom(projectId, roomId, 'fixtures', 'passages');
  if (!opened) notFound();
  const { records, own } = opened;
  const { room, units } = own;
  const measureUnit = records.project.units;
  const outline = outlineOf(room.plan);
  const fixtures = records.fixtures.filter((fixture) => fixture.roomId === roomId);
  const clashes = outline && findPlanClashes({ outline, units, fixtures, checks: room.checks });
  const view = viewOf((await searchParams).view, outline || units.length === 0 ? 'plan' : 'front');
  const place = { projectId, roomId };
  const ends = {
    rooms: records.rooms.filter(({ id }) => id !== roomId).map(({ id, name }) => ({ id, name })),
    passages: records.passages
      .filter(({ kind }) => kind !== 'opening')
      .map(({ id, name }) => ({ id, name })),
  };
  const base = `/projects/${projectId}/rooms/${roomId}/look`;
  return (
    <RoomFrame
      step="look"
      opened={opened}
      tray={
        <LookTray
          units={units}
          base={base}
          links={
            <DrawingLinks
              projectId={projectId}
              roomId={roomId}
              hasPlan={outline !== undefined}
              hasUnits={units.length > 0}
            />
          }
        />
      }
    >
      <RoomPurpose room={room} onSave={changeRoomAction.bind(null, projectId, roomId)} />
      <section aria-label="Drawing" className="panel mt-3 border-t-4 border-t-rim print:border-0">
        <div className="no-print flex flex-wrap items-center gap-x-1 gap-y-1.5 border-b border-line pr-2">
          <ViewTab href={`${base}?view=plan`} isShown={view === 'plan'}>
            From above
          </ViewTab>
          <ViewTab href={`${base}?view=front`} isShown={view === 'front'}>
            From the front
          </ViewTab>
          <span className="ml-auto flex flex-wrap gap-2 py-1.5">
            {view === 'plan' && (
              <WallsSheet
                key={JSON.stringify(room.plan)}
                plan={room.plan}
                measureUnit={measureUnit}
                look={room.plan ? 'plain' : 'main'}
                onSave={saveWallsAction.bind(null, place)}
              />
            )}
            {view === 'plan' && outline && (
              <FixtureSheet
                outline={outline}
                measureUnit={measureUnit}
                ends={ends}
                onSave={saveFixtureAction.bind(null, place)}
              />
            )}
            <Link
              className={buttonClass(
                units.length === 0 && (view === 'front' || outline !== undefined)
                  ? 'main'
                  : 'quiet',
              )}
              href={`${base}/units/new`}
            >
              Measure a unit
            </Link>
          </span>
        </div>
        {view === 'plan' && outline && (
          <PlanBoard
            records={{ room, units, fixtures }}
            outline={outline}
            measureUnit={measureUnit}
            onMove={movePlanItemAction.bind(null, place)}
            onRemoveFixture={removeFixtureAction.bind(null, projectId)}
            ends={ends}
            onLead={leadDoorAction.bind(null, projectId)}
          />
        )}
        {view === 'plan' && !outline && (
          <p className="squared max-w-full px-4 py-8 text-[17px]">
            Two measures draw the room: its length and its width. Then doors, windows, sockets and
            units go where the tape says.
          </p>
        )}
        {view === 'front' && <RoomFronts units={units} measureUnit={measureUnit} />}
      </section>
      <div className="no-print mt-5 grid items-start gap-x-4 gap-y-5 lg:grid-cols-2">
        <section aria-label="Possible again">
          <h2 className="mb-2 text-[18px]">What should be possible here again</h2>
          <RoomChecks
            answers={answerChecks(room.checks, clashes && { clashes, units })}
            tables={units.map(({ id, name }) => ({ id, name }))}
            measureUnit={measureUnit}
            onSave={saveCheckAction.bind(null, place)}
            onRemove={removeCheckAction.bind(null, place)}
          />
        </section>
        <section aria-label="Routines">
          <h2 className="mb-2 text-[18px]">Where a routine breaks</h2>
          <RoutineBreaks
            breaks={room.routineBreaks}
            onSave={saveRoutineBreaksAction.bind(null, place)}
          />
        </section>
      </div>
      <h2 className="mt-5 mb-2 text-[18px]">Pictures from the same spots</h2>
      <VantagePoints
        projectId={projectId}
        vantagePoints={records.vantagePoints.filter((spot) => spot.roomId === roomId)}
        pictures={records.pictures}
        shownMoments={['before', 'emptied', 'mock-up', 'after']}
        onAdd={addVantagePointAction.bind(null, projectId, roomId)}
        onRemove={removeVantagePointAction.bind(null, projectId)}
        onRemovePicture={removePictureAction.bind(null, projectId)}
        onMissed={missBeforeAction.bind(null, projectId)}
      />
    </RoomFrame>
  );
}
