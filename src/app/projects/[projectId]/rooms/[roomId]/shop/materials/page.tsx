import { notFound } from 'next/navigation';

import { saveMaterialsAction } from '@/app/actions/materials';
import { undoAction } from '@/app/actions/projects';
import { openRoom } from '@/server/desk/openRoom';
import { listShops } from '@/data/catalogueRepo';
import { labelTextsOf, materialsOf } from '@/server/shop/materials';
import { MaterialsView } from '@/ui/shop/MaterialsView';
import { ShopPages } from '@/ui/shop/ShopPages';
import { StepFrame } from '@/ui/shell/StepFrame';

export const metadata = { title: 'Materials' };

export default async function MaterialsPage({
  params,
}: {
  params: Promise<{ projectId: string; roomId: string }>;
}) {
  const { projectId, roomId } = await params;
  const opened = await openRoom(projectId, roomId);
  if (!opened) notFound();
  const { db, records, own, here } = opened;
  const shops = (await listShops(db))
    .filter(({ currency }) => currency === records.project.currency)
    .map(({ id, name }) => ({ id, name }));
  return (
    <StepFrame
      step="shop"
      project={records.project}
      desk={opened.desk}
      room={own.room}
      progress={here.progress}
      undo={opened.undo}
      onUndo={undoAction}
    >
      <ShopPages projectId={projectId} roomId={roomId} active="materials" />
      <h1 className="sr-only">Materials of the {own.room.name.toLowerCase()}</h1>
      <MaterialsView
        materials={materialsOf(records, own.room.id)}
        units={own.units}
        measureUnit={records.project.units}
        currency={records.project.currency}
        shops={shops}
        labelTexts={labelTextsOf(records, own.room.id)}
        onSave={saveMaterialsAction.bind(null, projectId)}
      />
    </StepFrame>
  );
}
