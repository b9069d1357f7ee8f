import 'server-only';

import type { ContainerProduct } from '@/core/fit';
import type { Offer, Shop } from '@/core/shop';
import { readAll } from './columns';
import type { Db } from './db';
import { containerRecord, offerRecord, shopRecord } from './records';

/** The catalogue that every project shares: containers without an owner, shops and their offers. */
export const listCatalogue = (db: Db): Promise<ContainerProduct[]> =>
  readAll(
    containerRecord.table,
    db(containerRecord.table.name).whereNull('project_id').orderBy('name'),
  );
export const listShops = (db: Db): Promise<Shop[]> =>
  readAll(shopRecord.table, db(shopRecord.table.name).orderBy('name'));
export const listOffers = (db: Db): Promise<Offer[]> =>
  readAll(offerRecord.table, db(offerRecord.table.name).orderBy('id'));
