import 'server-only';

import type { ContainerProduct } from '@/core/fit';
import type { Offer, Shop } from '@/core/shop';
import { readAll } from './columns';
import type { Db } from './db';
import { containerTable, offerTable, shopTable } from './tables';

/** The catalogue that every project shares: containers without an owner, shops and their offers. */
export const listCatalogue = (db: Db): Promise<ContainerProduct[]> =>
  readAll(containerTable, db(containerTable.name).whereNull('project_id').orderBy('name'));
export const listShops = (db: Db): Promise<Shop[]> =>
  readAll(shopTable, db(shopTable.name).orderBy('name'));
export const listOffers = (db: Db): Promise<Offer[]> =>
  readAll(offerTable, db(offerTable.name).orderBy('id'));
