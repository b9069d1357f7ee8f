import { notFound } from 'next/navigation';

import { RoomFrame } from '@/app/RoomFrame';
import { removeUnitAction } from '@/app/actions/look';
import { openRoom } from '@/server/desk/openRoom';
import { UnitForm } from '@/ui/look/UnitForm';
import { blankUnit, toTypedUnit } from '@/ui/look/unitForm';

export const metadata = { title: 'Measure a unit' };

/** `new` measures a unit that is not there yet. */
export default async function UnitPage({
  params,
}: {
  params: Promise<{ projectId: string; roomId: string; unitId: string }>;
}) {
  const { projectId, roomId, unitId } = await params;
  const opened = await openRoom(projectId, roomId, 'people');
  const unit = opened?.own.units.find(({ id }) => id === unitId);
  if (!opened || (unitId !== 'new' && !unit)) notFound();
  const { records } = opened;
  const place = { projectId, roomId, unitId: unit?.id ?? '' };
  return (
    <RoomFrame step="look" opened={opened}>
      <h1 className="mb-3 text-[24px]">{unit ? unit.name : 'Measure a unit'}</h1>
      <UnitForm
        roomId={opened.own.room.id}
        unitId={unit?.id}
        typed={unit ? toTypedUnit(unit, records.project.units) : blankUnit}
        people={records.people}
        measureUnit={records.project.units}
        backHref={`/projects/${projectId}/rooms/${roomId}/look`}
        onRemove={unit ? removeUnitAction.bind(null, place) : undefined}
      />
    </RoomFrame>
  );
}
