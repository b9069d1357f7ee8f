import { notFound } from 'next/navigation';
import { z } from 'zod';

import {
  addOwnedContainerAction,
  changeOwnedContainerAction,
  removeOwnedContainerAction,
} from '@/app/actions/containers';
import {
  dropFitAction,
  listHomePlacesAction,
  noteFitWishAction,
  sumTillAction,
  takeFitAction,
  takeFitsAction,
} from '@/app/actions/fit';
import { RoomFrame } from '@/app/RoomFrame';
import { formatCount, formatLitres } from '@/core/shared';
import { openRoom } from '@/server/desk/openRoom';
import { loadFitPage } from '@/server/fit/fitPage';
import { loadLearned } from '@/server/learn/loadLearned';
import { BayWalk } from '@/ui/fit/BayWalk';
import { FitAll } from '@/ui/fit/FitAll';
import { FitTray } from '@/ui/fit/FitTray';
import { FitWorkbench } from '@/ui/fit/FitWorkbench';
import { NoContainers } from '@/ui/fit/NoContainers';
import { ShelfTip } from '@/ui/fit/ShelfTip';
import { buttonClass } from '@/ui/primitives/Button';
import { fitFaultWords, sizeWords } from '@/ui/fit/fitWords';
import { Link } from '@/ui/primitives/Link';

export const metadata = { title: 'Fit' };

/** Litres that were found on a walk. */
const foundSchema = z.coerce.number().positive().max(10_000);

interface FitPageProps {
  readonly params: Promise<{ projectId: string; roomId: string }>;
  readonly searchParams: Promise<{ bay?: string; found?: string }>;
}

export default async function FitPage({ params, searchParams }: FitPageProps) {
  const { projectId, roomId } = await params;
  const { bay: asked, found } = await searchParams;
  const foundLitres = foundSchema.safeParse(found).data;
  const opened = await openRoom(projectId, roomId, 'fitWishes', 'giftCards', 'people', 'shortages');
  if (!opened) notFound();
  const { records, own } = opened;
  const { currency, units: measureUnit } = records.project;
  const base = `/projects/${projectId}/rooms/${roomId}`;
  const view = await loadFitPage(opened, asked, foundLitres);
  if (!view) {
    return (
      <RoomFrame step="fit" opened={opened}>
        <p className="panel border-t-4 border-t-rim p-6 text-[17px]">
          Containers are chosen for a place and the groups that live there. Put a group on a place
          first.{' '}
          <Link className={buttonClass('main', 'ml-2')} href={`${base}/place`}>
            Place the groups
          </Link>
        </p>
      </RoomFrame>
    );
  }
  const { bay, unit, inside, request, taken } = view;
  const { learned } = await loadLearned(opened.db, { asKept: opened.records.project.id });
  return (
    <RoomFrame
      step="fit"
      opened={opened}
      tray={
        <FitTray
          project={records.project}
          room={own.room}
          purchases={own.purchases}
          owned={view.owned}
          request={request}
          tips={view.tips}
          learned={learned}
          onAddOwned={addOwnedContainerAction.bind(null, projectId)}
          onChangeOwned={changeOwnedContainerAction.bind(null, projectId)}
          onRemoveOwned={removeOwnedContainerAction.bind(null, projectId)}
        />
      }
    >
      <div className="mb-2.5 flex flex-wrap items-baseline gap-x-4 gap-y-1">
        <h1 className="text-[23px]">
          {bay.name}
          {unit ? `, ${unit.name}` : ''}
        </h1>
        <p className="text-[14px] text-soft">
          <span className="font-mono">
            {sizeWords(
              { width: inside.widthMm, depth: inside.depthMm, height: inside.heightMm },
              measureUnit,
            )}
          </span>{' '}
          inside · {formatCount(request.groups.length, 'group')}, {formatLitres(view.litres)}
        </p>
        <BayWalk bays={view.walk} activeId={bay.id} base={`${base}/fit`} />
      </div>
      {foundLitres !== undefined && (
        <p role="status" className="panel mb-2.5 px-3 py-2 text-[14.5px]">
          Fitted with the {formatLitres(foundLitres)} that lay here when somebody looked, not the{' '}
          {formatLitres(view.countedLitres)} that are counted. Nothing is changed until you take
          one.{' '}
          <Link className="text-rim underline" href={`${base}/fit?bay=${bay.id}`}>
            With what is counted
          </Link>
        </p>
      )}
      {view.broken.length > 0 && (
        <p role="alert" className="warn mb-2.5">
          Something was changed since this fit was taken. It stays as you took it, but:{' '}
          {view.broken
            .slice(0, 3)
            .map((fault) => fitFaultWords(fault, view.nameOf))
            .join('; ')}
          .
        </p>
      )}
      {request.groups.length === 0 && (
        <p className="panel border-t-4 border-t-rim p-6 text-[17px]">
          Nothing that lives here wants a container.{' '}
          <Link className={buttonClass('main', 'ml-2')} href={`${base}/place`}>
            Place the groups
          </Link>
        </p>
      )}
      {request.groups.length > 0 && request.containers.length === 0 && (
        <NoContainers currency={currency} />
      )}
      {request.groups.length > 0 && request.containers.length > 0 && (
        <FitWorkbench
          key={`${bay.id} ${foundLitres ?? ''}`}
          request={request}
          litresEach={view.litresEach}
          forbidden={view.forbidden}
          mockUpHref={`${base}/fit/mock-up?bay=${bay.id}`}
          onWish={noteFitWishAction.bind(null, projectId, bay.id)}
          taken={taken}
          currency={currency}
          measureUnit={measureUnit}
          onTake={takeFitAction.bind(null, projectId, { bayId: bay.id, foundLitres })}
          onDrop={dropFitAction.bind(null, projectId, bay.id)}
          onTill={sumTillAction.bind(null, { projectId, roomId, bayId: bay.id })}
        />
      )}
      {unit &&
        view.shelves.map(({ key, ...shelf }) => (
          <ShelfTip
            key={key}
            {...shelf}
            currency={currency}
            measureUnit={measureUnit}
            unitHref={`${base}/look/units/${unit.id}`}
          />
        ))}
      <FitAll
        room={{ ...view.roomOpen, roomName: own.room.name }}
        homeCount={view.homeOpenCount}
        currency={currency}
        onHome={listHomePlacesAction.bind(null, projectId)}
        onTake={takeFitsAction.bind(null, projectId)}
      />
    </RoomFrame>
  );
}
