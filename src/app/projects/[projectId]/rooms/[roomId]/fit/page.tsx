import Link from 'next/link';
import { notFound } from 'next/navigation';

import { addOwnedContainerAction, removeOwnedContainerAction } from '@/app/actions/containers';
import {
  dropFitAction,
  listHomePlacesAction,
  noteFitWishAction,
  takeFitAction,
  takeFitsAction,
} from '@/app/actions/fit';
import { undoAction } from '@/app/actions/projects';
import { adviseInsides, findFitFaults } from '@/core/fit';
import { bayInsideOf, findShelvesBeside, hasInside } from '@/core/look';
import { walkBays } from '@/core/place';
import { formatCount, formatLength, formatLitres } from '@/core/shared';
import { openRoom } from '@/server/desk/openRoom';
import { listOpenPlaces } from '@/server/fit/openPlaces';
import { listFitContainers, litresEachOf, toFitQuestion } from '@/server/fit/takeFit';
import { BayWalk } from '@/ui/fit/BayWalk';
import { FitAll } from '@/ui/fit/FitAll';
import { FitTray } from '@/ui/fit/FitTray';
import { FitWorkbench } from '@/ui/fit/FitWorkbench';
import { ShelfTip } from '@/ui/fit/ShelfTip';
import { buttonClass } from '@/ui/primitives/Button';
import { StepFrame } from '@/ui/shell/StepFrame';
import { fitFaultWords } from '@/ui/fit/fitWords';

export const metadata = { title: 'Fit' };

interface FitPageProps {
  readonly params: Promise<{ projectId: string; roomId: string }>;
  readonly searchParams: Promise<{ bay?: string }>;
}

export default async function FitPage({ params, searchParams }: FitPageProps) {
  const { projectId, roomId } = await params;
  const { bay: asked } = await searchParams;
  const opened = await openRoom(projectId, roomId, 'fitWishes', 'people');
  if (!opened) notFound();
  const { db, records, own, here } = opened;
  const base = `/projects/${projectId}/rooms/${roomId}`;
  const bays = walkBays(own.units).filter((bay) => !bay.outOfScope && hasInside(bay));
  const filled = bays.filter((bay) =>
    records.groups.some((group) => group.bayId === bay.id && !group.loose),
  );
  const bay =
    bays.find(({ id }) => id === asked) ??
    filled.find(({ id }) => own.fits.every((fit) => fit.bayId !== id)) ??
    filled[0];
  const frame = {
    step: 'fit' as const,
    project: records.project,
    desk: opened.desk,
    room: own.room,
    progress: here.progress,
    undo: opened.undo,
    onUndo: undoAction,
  };
  if (!bay) {
    return (
      <StepFrame {...frame}>
        <p className="panel border-t-4 border-t-rim p-6 text-[17px]">
          Containers are chosen for a place and the groups that live there. Put a group on a place
          first.{' '}
          <Link className={buttonClass('main', 'ml-2')} href={`${base}/place`}>
            Place the groups
          </Link>
        </p>
      </StepFrame>
    );
  }
  const priced = await listFitContainers(db, records);
  const requestOf = (bayId: typeof bay.id) =>
    toFitQuestion(records, priced, { bayId, prefer: 'cost' });
  const request = requestOf(bay.id);
  const taken = own.fits.find((fit) => fit.bayId === bay.id);
  const inside = bayInsideOf(bay);
  const size = [inside.widthMm, inside.depthMm]
    .map((mm) => formatLength(mm, records.project.units).replace(/ \w+$/, ''))
    .concat(formatLength(inside.heightMm, records.project.units))
    .join(' × ');
  const litres = request.groups.reduce((sum, group) => sum + group.litres, 0);
  const unit = own.units.find(({ id }) => id === bay.unitId);
  const shelves = unit
    ? findShelvesBeside(
        unit.bays.filter((other) => filled.some(({ id }) => id === other.id)),
        bay,
      )
    : [];
  const open = listOpenPlaces(records, priced);
  const broken = taken ? findFitFaults(request, taken.answer) : [];
  const tips = unit
    ? adviseInsides({
        bay,
        unitKind: unit.kind,
        question: request,
        answer: taken?.answer,
        products: records.containers,
        people: records.people,
      })
    : [];
  return (
    <StepFrame
      {...frame}
      tray={
        <FitTray
          project={records.project}
          room={own.room}
          purchases={own.purchases}
          owned={records.containers.filter((container) => container.projectId !== null)}
          request={request}
          tips={tips}
          onAddOwned={addOwnedContainerAction.bind(null, projectId)}
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
          <span className="font-mono">{size}</span> inside ·{' '}
          {formatCount(request.groups.length, 'group')}, {formatLitres(litres)}
        </p>
        <BayWalk
          bays={(filled.length > 0 ? filled : bays).map(({ id, name }) => ({
            id,
            name,
            isTaken: own.fits.some((fit) => fit.bayId === id),
          }))}
          activeId={bay.id}
          base={`${base}/fit`}
        />
      </div>
      {broken.length > 0 && (
        <p role="alert" className="warn mb-2.5">
          Something was changed since this fit was taken, and it no longer goes in as drawn:{' '}
          {broken.slice(0, 3).map(fitFaultWords).join('; ')}. Take one of the answers below, or give
          it up.
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
        <p className="panel border-t-4 border-t-rim p-6 text-[17px]">
          There is no container to choose from in {records.project.currency}. Add what the home has,
          or a price list.{' '}
          <Link className={buttonClass('main', 'ml-2')} href="/containers">
            Containers and prices
          </Link>
        </p>
      )}
      {request.groups.length > 0 && request.containers.length > 0 && (
        <FitWorkbench
          key={bay.id}
          request={request}
          litresEach={litresEachOf(records, request)}
          forbidden={(records.fitWishes.find(({ bayId }) => bayId === bay.id)?.forbidden ?? []).map(
            (id) => ({
              id,
              name: records.containers.find((container) => container.id === id)?.name ?? '',
            }),
          )}
          mockUpHref={`${base}/fit/mock-up?bay=${bay.id}`}
          onWish={noteFitWishAction.bind(null, projectId, bay.id)}
          taken={taken}
          currency={records.project.currency}
          measureUnit={records.project.units}
          onTake={takeFitAction.bind(null, projectId, bay.id)}
          onDrop={dropFitAction.bind(null, projectId, bay.id)}
        />
      )}
      {unit?.holePitch &&
        shelves.map(({ lower, upper }) => (
          <ShelfTip
            key={`${lower.id}-${upper.id}`}
            question={{
              lower: requestOf(lower.id),
              upper: requestOf(upper.id),
              pitchMm: unit.holePitch?.mm ?? 0,
            }}
            lowerName={lower.name}
            upperName={upper.name}
            currency={records.project.currency}
            measureUnit={records.project.units}
            unitHref={`${base}/look/units/${unit.id}`}
          />
        ))}
      <FitAll
        room={{ ...open, places: open.places.filter((place) => place.roomId === own.room.id) }}
        roomName={own.room.name}
        homeCount={open.places.length}
        currency={records.project.currency}
        onHome={listHomePlacesAction.bind(null, projectId)}
        onTake={takeFitsAction.bind(null, projectId)}
      />
    </StepFrame>
  );
}
