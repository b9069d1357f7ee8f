import { notFound } from 'next/navigation';

import { RoomFrame } from '@/app/RoomFrame';
import { saveMaterialsAction } from '@/app/actions/materials';
import { openRoom } from '@/server/desk/openRoom';
import { listShops } from '@/data/catalogueRepo';
import { labelTextsOf, materialsOf } from '@/server/shop/materials';
import { MaterialsView } from '@/ui/shop/MaterialsView';
import { StepPages } from '@/ui/shell/StepPages';

export const metadata = { title: 'Materials' };

export default async function MaterialsPage({
  params,
}: {
  params: Promise<{ projectId: string; roomId: string }>;
}) {
  const { projectId, roomId } = await params;
  const opened = await openRoom(projectId, roomId, 'fixtures');
  if (!opened) notFound();
  const { db, records, own } = opened;
  const shops = (await listShops(db))
    .filter(({ currency }) => currency === records.project.currency)
    .map(({ id, name }) => ({ id, name }));
  return (
    <RoomFrame step="shop" opened={opened}>
      <StepPages scope={{ projectId, roomId }} step="shop" active="materials" />
      <h1 className="sr-only">Materials of the {own.room.name.toLowerCase()}</h1>
      <MaterialsView
        materials={materialsOf(records, own.room.id)}
        units={own.units}
        plan={own.room.plan}
        fixtures={records.fixtures.filter((fixture) => fixture.roomId === roomId)}
        measureUnit={records.project.units}
        currency={records.project.currency}
        shops={shops}
        labelTexts={labelTextsOf(records, own.room.id)}
        onSave={saveMaterialsAction.bind(null, projectId)}
      />
    </RoomFrame>
  );
}
