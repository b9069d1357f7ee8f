import {
  addSamplesAction,
  addSoldContainerAction,
  changeContainerAction,
  removeContainerAction,
  removeOfferAction,
  removeSamplesAction,
  saveOfferAction,
} from '@/app/actions/containers';
import { getDatabase } from '@/data/startData';
import { listCatalogue, listOffers, listShops } from '@/data/catalogueRepo';
import { listProjects } from '@/data/projectRepo';
import { SAMPLE_ID } from '@/data/starterCatalogue';
import { ImportCsv } from '@/ui/agree/ImportCsv';
import { AddSold } from '@/ui/fit/AddSold';
import { CatalogueSearch } from '@/ui/fit/CatalogueSearch';
import { Samples } from '@/ui/fit/Samples';
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
  // Money is mostly that of the last home.
  const currency = (await listProjects(db))[0]?.currency ?? 'GBP';
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
              Sizes are outside at the widest, rims and handles included.
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
              <AddSold currency={currency} onAdd={addSoldContainerAction} />
            </div>
          </div>
        </div>
        <Samples
          count={containers.filter(({ id }) => id.startsWith(SAMPLE_ID)).length}
          currency={currency}
          onAdd={addSamplesAction}
          onRemove={removeSamplesAction}
        />
        {containers.length > 0 && (
          <CatalogueSearch
            containers={containers}
            offers={offers}
            shops={shops}
            currency={currency}
            acts={{
              onChange: changeContainerAction,
              onRemove: removeContainerAction,
              onSaveOffer: saveOfferAction,
              onRemoveOffer: removeOfferAction,
            }}
          />
        )}
      </div>
    </Frame>
  );
}
