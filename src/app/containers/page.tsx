import { addSoldContainerAction } from '@/app/actions/containers';
import { getDatabase } from '@/data/db';
import { listCatalogue, listOffers, listShops } from '@/data/catalogueRepo';
import { AddSold } from '@/ui/fit/AddSold';
import { CatalogueTable } from '@/ui/fit/CatalogueTable';
import { Frame } from '@/ui/shell/Frame';
import { KeptStatus } from '@/ui/shell/KeptStatus';
import { Lid } from '@/ui/shell/Lid';

export const metadata = { title: 'Containers and prices' };

export default async function ContainersPage() {
  const db = await getDatabase();
  const [containers, offers, shops] = [await listCatalogue(db), await listOffers(db), await listShops(db)];
  return (
    <Frame lid={<Lid homeName="Containers and prices" homeNote="for every project"><KeptStatus /></Lid>}>
      <div className="mx-auto max-w-[1180px]">
        <div className="mb-3 flex flex-wrap items-center justify-between gap-3">
          <div>
            <h1 className="text-[26px]">Containers and prices</h1>
            <p className="max-w-[75ch] text-soft">Sizes are outside at the widest, rims and handles included. The first ones are samples with made-up shops: add those that you really buy.</p>
          </div>
          <AddSold onAdd={addSoldContainerAction} />
        </div>
        <CatalogueTable containers={containers} offers={offers} shops={shops} />
      </div>
    </Frame>
  );
}
