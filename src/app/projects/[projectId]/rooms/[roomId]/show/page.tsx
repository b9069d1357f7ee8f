import clsx from 'clsx';
import { format } from 'date-fns';
import { notFound } from 'next/navigation';

import { RoomFrame } from '@/app/RoomFrame';
import { missBeforeAction, removePictureAction } from '@/app/actions/look';
import { noteHoursAction } from '@/app/actions/plan';
import { formatLitres, formatMass, formatMoney, formatShare } from '@/core/shared';
import { workedMinutesOf } from '@/core/sort';
import { listSessions } from '@/data/sessionRepo';
import { addUpHours } from '@/core/visits';
import { pairPictures, roomResultsOf, type RoomResults } from '@/core/show';
import { answerRoomChecks } from '@/server/look/roomChecks';
import { openRoom } from '@/server/desk/openRoom';
import { RoomChecks } from '@/ui/look/RoomChecks';
import { VantagePoints } from '@/ui/look/VantagePoints';
import { Figure } from '@/ui/place/PlaceFigures';
import { buttonClass } from '@/ui/primitives/Button';
import { HoursNote } from '@/ui/show/HoursNote';
import { BeforeAfter } from '@/ui/show/BeforeAfter';
import { LivesTable } from '@/ui/show/LivesTable';
import { WhereItWent } from '@/ui/show/WhereItWent';
import { unanchoredNamesOf } from '@/server/setUp/roomSetUp';
import { NotAnchored } from '@/ui/setUp/NotAnchored';
import { stepHref } from '@/ui/shell/scope';

export const metadata = { title: 'Show' };

export default async function ShowPage({
  params,
}: {
  params: Promise<{ projectId: string; roomId: string }>;
}) {
  const { projectId, roomId } = await params;
  const opened = await openRoom(projectId, roomId, 'fixtures', 'visits');
  if (!opened) notFound();
  const { db, records, own } = opened;
  const { currency } = records.project;
  const results = roomResultsOf(own);
  const answers = answerRoomChecks(records, own.room.id);
  const vantagePoints = records.vantagePoints.filter(
    (vantagePoint) => vantagePoint.roomId === roomId,
  );
  const pairs = pairPictures(vantagePoints, records.pictures);
  const waiting = pairs.filter(({ before, after }) => before && !after);
  const sessions = await listSessions(db, own.room.id);
  const ranMinutes = sessions.reduce(
    (sum, session) =>
      sum +
      (session.endedAt === null ? 0 : workedMinutesOf(session, session.startedAt, session.endedAt)),
    0,
  );
  const ofVisits = addUpHours(
    [{ id: own.room.id, workedMinutes: null }],
    records.sections,
    records.visits,
  );
  const hasPair = pairs.some(({ before, after }) => before && after);
  const query = `/api/projects/${projectId}`;
  const tray = (
    <>
      <WhereItWent byVerdict={results.byVerdict} />
      <HoursNote
        visitMinutes={ofVisits.byRoom.get(own.room.id)?.minutes}
        workedMinutes={own.room.workedMinutes}
        ranMinutes={ranMinutes}
        onNote={noteHoursAction.bind(null, { projectId, roomId })}
      />
      <section>
        <h2 className="caption mb-1.5 font-text">For the client</h2>
        <p className="mb-2 text-[14px]">
          One page in their words: pictures, what left, what it cost, where everything lives. It
          opens without the app.
        </p>
        <div className="grid gap-2">
          <a
            className={buttonClass('main')}
            href={`${query}/client?room=${roomId}`}
            target="_blank"
            rel="noreferrer"
          >
            Open the page
          </a>
          <div className="grid grid-cols-2 gap-2">
            <a
              className={buttonClass('quiet')}
              href={`${query}/client-pdf?room=${roomId}`}
              download
            >
              PDF
            </a>
            <a
              className={buttonClass('quiet')}
              href={`${query}/client?room=${roomId}&download`}
              download
            >
              One file
            </a>
          </div>
          <a
            className="text-[14px] text-rim underline underline-offset-3"
            href={`${query}/client`}
            target="_blank"
            rel="noreferrer"
          >
            The page for the whole home
          </a>
        </div>
      </section>
      {waiting.map(({ vantagePoint }) => (
        <p key={vantagePoint.id} className="warn">
          <b>No “after” {vantagePoint.name} yet.</b> Stand where the “before” was taken.
        </p>
      ))}
    </>
  );
  return (
    <RoomFrame step="show" opened={opened} tray={tray}>
      <NotAnchored
        rooms={[
          {
            name: own.room.name,
            href: `${stepHref({ projectId, roomId }, 'set-up')}/units`,
            unitNames: unanchoredNamesOf(records, own.room.id),
          },
        ]}
      />
      <h1 className="text-[26px]">
        {own.room.name}
        {own.room.purpose !== '' && (
          <span className="mt-0.5 block max-w-[70ch] font-text text-[15px] font-normal text-soft">
            {own.room.purpose}
          </span>
        )}
      </h1>
      <div
        className={`mt-3 grid items-start gap-4 ${hasPair ? 'md:grid-cols-[minmax(0,1fr)_190px] print:block' : ''}`}
      >
        <div className="grid gap-3 empty:hidden">
          {pairs
            .filter(({ vantagePoint, before }) => !before && vantagePoint.beforeMissed !== null)
            .map(({ vantagePoint }) => (
              <p key={vantagePoint.id} className="panel px-4 py-3">
                <b>No picture before, {vantagePoint.name}:</b> {vantagePoint.beforeMissed}
              </p>
            ))}
          {pairs.map(({ vantagePoint, before, after }) =>
            before && after ? (
              <BeforeAfter
                key={vantagePoint.id}
                name={vantagePoint.name}
                before={before}
                after={after}
                beforeWords={dayWords(before.takenAt)}
                afterWords={dayWords(after.takenAt)}
              />
            ) : null,
          )}
        </div>
        <dl
          className={clsx(
            'grid gap-3 max-md:grid-cols-2',
            hasPair
              ? 'content-start md:grid-cols-1 print:mt-3 print:grid-cols-4'
              : 'md:grid-cols-4',
          )}
        >
          <Figure value={String(results.left.count)} label="things left" note={sayLeft(results)} />
          <Figure
            value={
              results.keptFromLandfillShare === undefined
                ? 'none yet'
                : formatShare(results.keptFromLandfillShare)
            }
            label="kept from landfill"
            note="by weight of what left"
          />
          <Figure
            value={formatMoney(results.spentMinor, currency)}
            label={`spent of ${formatMoney(own.room.budgetMinor, currency)}`}
          />
          <Figure
            value={String(results.reusedContainerCount)}
            label="containers reused"
            note={sayNew(results)}
          />
        </dl>
      </div>
      {answers.length > 0 && (
        <section aria-label="Possible again" className="mt-5">
          <h2 className="mb-2 text-[18px]">Possible here again</h2>
          <RoomChecks
            answers={answers}
            tables={[]}
            measureUnit={records.project.units}
            onSave={undefined}
            onRemove={undefined}
            isAsking
          />
        </section>
      )}
      <LivesTable livesAt={results.livesAt} />
      <h2 className="no-print mt-5 mb-2 text-[18px]">Pictures</h2>
      <div className="no-print">
        <VantagePoints
          projectId={projectId}
          vantagePoints={vantagePoints}
          pictures={records.pictures}
          shownMoments={['before', 'after', 'later']}
          onAdd={undefined}
          onRemove={undefined}
          onRemovePicture={removePictureAction.bind(null, projectId)}
          onMissed={missBeforeAction.bind(null, projectId)}
        />
      </div>
    </RoomFrame>
  );
}

const dayWords = (iso: string): string => format(new Date(iso), 'd MMM yyyy');

/** What left, and what of the decided still waits. */
function sayLeft({ all, left, waiting }: RoomResults): string {
  const out = `of ${all.count} · ${formatLitres(left.litres)} · ${formatMass(left.massG)}`;
  return waiting.count === 0 ? out : `${out}; ${waiting.count} more wait to leave`;
}

const sayNew = ({ boughtContainerCount, toBuyContainerCount }: RoomResults): string =>
  toBuyContainerCount > 0
    ? `${boughtContainerCount} new ones, ${toBuyContainerCount} planned`
    : `${boughtContainerCount} new ones`;
