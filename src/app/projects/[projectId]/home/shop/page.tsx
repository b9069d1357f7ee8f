import { notFound } from 'next/navigation';

import { AnswerWhenThere } from '@/app/AnswerWhenThere';
import { HomeFrame } from '@/app/RoomFrame';
import { formatMoney } from '@/core/shared';
import { spentMinorOf } from '@/core/shop';
import { openHome, type OpenHome } from '@/server/desk/openRoom';
import { loadPriceList } from '@/server/shop/roomShopping';
import { loadTrip, type TripView } from '@/server/shop/trip';
import { unpackingOf } from '@/server/shop/unpacking';
import { buttonClass } from '@/ui/primitives/Button';
import { KnownNote } from '@/ui/shell/KnownNote';
import { StepPages } from '@/ui/shell/StepPages';
import { BudgetBar } from '@/ui/shop/BudgetBar';
import { OverBudget } from '@/ui/shop/OverBudget';
import { tripProofWords } from '@/ui/shop/shopWords';
import { toTripLists } from '@/ui/shop/toTripLists';
import { TripLists } from '@/ui/shop/TripLists';
import { RoomShares, SpareFirst, Unpacking } from '@/ui/shop/TripParts';
import { Link } from '@/ui/primitives/Link';

export const metadata = { title: 'Shopping trip' };

export default async function TripPage({ params }: { params: Promise<{ projectId: string }> }) {
  const { projectId } = await params;
  const opened = await openHome(projectId, 'giftCards', 'shortages');
  if (!opened) notFound();
  return (
    <AnswerWhenThere
      answered={await loadTrip(opened, await loadPriceList(opened.db))}
      show={(view, knownAt) => <TripScreen opened={opened} view={view} knownAt={knownAt} />}
    />
  );
}

interface TripScreenProps {
  readonly opened: OpenHome<'giftCards' | 'shortages'>;
  readonly view: TripView;
  readonly knownAt: string | undefined;
}

function TripScreen({ opened, view, knownAt }: TripScreenProps) {
  const { records } = opened;
  const { currency, id: projectId } = records.project;
  const { request, answer } = view;
  const nameOf = (id: string) => records.rooms.find((room) => room.id === id)?.name ?? id;
  const lowerName = (id: string) => nameOf(id).toLowerCase();
  const lists = toTripLists(request, answer, { ...view, roomName: lowerName });
  const saved = view.alone && view.alone.payMinor - answer.payMinor;
  const isOpen = request.needs.some(
    ({ id, qty }) => qty > (request.owned.find(({ needId }) => needId === id)?.qty ?? 0),
  );
  return (
    <HomeFrame
      step="shop"
      opened={opened}
      tray={
        <section>
          <h2 className="caption mb-1 font-text">How sure is that</h2>
          <p className="text-[14.5px]">{tripProofWords(answer)}</p>
          {lists.length > 0 && (
            <p className="mt-2 text-[14.5px]">
              <a
                className="text-rim underline underline-offset-3"
                href={`/api/projects/${projectId}/trip`}
                download
              >
                The list as CSV
              </a>
            </p>
          )}
        </section>
      }
    >
      <StepPages scope={{ projectId }} step="shop" active="" />
      <h1 className="mb-3 text-[24px]">One trip for all rooms</h1>
      {knownAt !== undefined && <KnownNote knownAt={knownAt} />}
      <div className="grid grid-cols-[minmax(0,1fr)] gap-3.5">
        <section className="panel border-t-4 border-t-rim p-4">
          <BudgetBar
            spentMinor={spentMinorOf(records.purchases)}
            plannedMinor={answer.leastBudgetMinor ?? answer.payMinor}
            budgetMinor={records.project.budgetMinor}
            currency={currency}
          />
          {saved !== undefined && saved > 0 && (view.alone?.roomCount ?? 0) > 1 && (
            <p className="mt-2">
              <b className="font-mono">{formatMoney(saved, currency)}</b> less than room by room.
            </p>
          )}
        </section>
        {[...view.overRooms.flatMap(({ reasons }) => reasons), ...answer.reasons].length > 0 && (
          <OverBudget
            request={request}
            answer={{
              ...answer,
              reasons: [...view.overRooms.flatMap(({ reasons }) => reasons), ...answer.reasons],
            }}
            waysBack={[]}
            currency={currency}
            roomName={nameOf}
          />
        )}
        {view.lacking.length > 0 && (
          <p className="warn">
            Not to be had:{' '}
            {view.lacking
              .map(({ needId, qty }) => {
                const need = request.needs.find(({ id }) => id === needId);
                return `${qty} × ${need?.name ?? needId}, ${lowerName(need?.roomId ?? '')}`;
              })
              .join('; ')}
            . The rest is planned without it; the room’s own list has something that goes in
            instead.
          </p>
        )}
        <SpareFirst spare={view.spare} roomName={lowerName} />
        {!isOpen && (
          <p className="panel p-6 text-[17px]">
            {request.needs.length === 0
              ? 'The list follows from the fits that are taken.'
              : 'Everything on the list is here. Nothing is left to buy.'}{' '}
            {request.needs.length === 0 && (
              <Link
                className={buttonClass('main', 'ml-2')}
                href={`/projects/${projectId}/home/fit`}
              >
                Fit places out
              </Link>
            )}
          </p>
        )}
        <TripLists lists={lists} currency={currency} />
        {answer.perRoom && isOpen && answer.objective !== null && (
          <RoomShares
            projectId={projectId}
            currency={currency}
            rows={answer.perRoom
              .map(({ roomId, payMinor }) => ({
                roomId,
                name: nameOf(roomId),
                payMinor,
                leftMinor: request.rooms?.find(({ id }) => id === roomId)?.budgetMinor ?? 0,
              }))
              .filter(({ payMinor }) => payMinor > 0)}
          />
        )}
        <Unpacking rows={unpackingOf(records)} />
      </div>
    </HomeFrame>
  );
}
