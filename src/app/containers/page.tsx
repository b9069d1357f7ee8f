import { addSoldContainerAction } from '@/app/actions/containers';
import { getDatabase } from '@/data/startData';
import { listCatalogue, listOffers, listShops } from '@/data/catalogueRepo';
import { ImportCsv } from '@/ui/agree/ImportCsv';
import { AddSold } from '@/ui/fit/AddSold';
import { CatalogueSearch } from '@/ui/fit/CatalogueSearch';
import { buttonClass } from '@/ui/primitives/Button';
import { Frame } from '@/ui/shell/Frame';
import { KeptStatus } from '@/ui/shell/KeptStatus';
import { Lid } from '@/ui/shell/Lid';

export const metadata = { title: 'Containers and prices' };

export default async function ContainersPage() {
  const db = await getDatabase();
  const [containers, offers, shops] = [
    await listCatalogue(db),
    await listOffers(db),
    await listShops(db),
  ];
  return (
    <Frame
      lid={
        <Lid homeName="Containers and prices" homeNote="for every project">
          <KeptStatus />
        </Lid>
      }
    >
      <div className="mx-auto max-w-[1180px]">
        <div className="mb-3 flex flex-wrap items-center justify-between gap-3">
          <div>
            <h1 className="text-[26px]">Containers and prices</h1>
            <p className="max-w-[75ch] text-soft">
              Sizes are outside at the widest, rims and handles included. The first ones are samples
              with made-up shops: add those that you really buy.
            </p>
          </div>
          <div className="flex flex-wrap items-start gap-2">
            <a className={buttonClass('plain', 'mt-1')} href="/api/catalogue" download>
              Price list, CSV
            </a>
            <ImportCsv
              address="/api/catalogue"
              label="Read a price list, CSV"
              accept=".csv,text/csv"
              outcomeWords="container"
            />
            <div className="mt-1">
              <AddSold onAdd={addSoldContainerAction} />
            </div>
          </div>
        </div>
        <CatalogueSearch containers={containers} offers={offers} shops={shops} />
      </div>
    </Frame>
  );
}
