import { notFound } from 'next/navigation';

import { RoomFrame } from '@/app/RoomFrame';
import { correctContainerAction } from '@/app/actions/fit';
import { openRoom } from '@/server/desk/openRoom';
import { createFitRequest } from '@/server/fit/takeFit';
import { MockUpView } from '@/ui/fit/MockUpView';
import { buttonClass } from '@/ui/primitives/Button';
import { Link } from '@/ui/primitives/Link';

export const metadata = { title: 'Mock-up' };

interface MockUpPageProps {
  readonly params: Promise<{ projectId: string; roomId: string }>;
  readonly searchParams: Promise<{ bay?: string }>;
}

export default async function MockUpPage({ params, searchParams }: MockUpPageProps) {
  const { projectId, roomId } = await params;
  const { bay: asked } = await searchParams;
  const opened = await openRoom(projectId, roomId, 'fitWishes', 'shortages');
  if (!opened) notFound();
  const { db, records, own } = opened;
  const bay = own.units.flatMap((unit) => unit.bays).find(({ id }) => id === asked);
  if (!bay) notFound();
  const fit = own.fits.find(({ bayId }) => bayId === bay.id);
  const back = `/projects/${projectId}/rooms/${roomId}/fit?bay=${bay.id}`;
  return (
    <RoomFrame step="fit" opened={opened}>
      <div className="mb-3 flex flex-wrap items-baseline gap-x-4 gap-y-1">
        <h1 className="text-[23px]">{bay.name}, tried empty</h1>
        <Link className="no-print text-[14.5px] text-rim underline underline-offset-3" href={back}>
          Back to its fits
        </Link>
      </div>
      {fit ? (
        <MockUpView
          request={await createFitRequest(db, records, { bayId: bay.id, prefer: fit.prefer })}
          answer={fit.answer}
          checks={fit.checks}
          measureUnit={records.project.units}
          onCorrect={correctContainerAction.bind(null, projectId)}
        />
      ) : (
        <p className="panel border-t-4 border-t-rim p-6 text-[17px]">
          No fit is taken for this place.{' '}
          <Link className={buttonClass('main', 'ml-2')} href={back}>
            Choose one
          </Link>
        </p>
      )}
    </RoomFrame>
  );
}
