import 'server-only';

import type { ContainerProduct } from '@/core/fit';
import {
  containerIdSchema,
  offerIdSchema,
  shopIdSchema,
  type ContainerId,
  type Currency,
  type ProjectId,
} from '@/core/shared';
import { atomic, recordChange } from '@/data/changes';
import { DataError, type Db } from '@/data/db';
import { listShops } from '@/data/catalogueRepo';
import {
  containerRecord,
  fitRecord,
  loadRecords,
  offerRecord,
  putShared,
  shopRecord,
} from '@/data/records';
import { createId, nowIso } from '../means';

export type ContainerInput = Omit<ContainerProduct, 'id' | 'projectId' | 'ownedCount'>;

/** Adds a container that the household has or made: it costs nothing and there are `count` of it. */
export async function addOwnedContainer(
  db: Db,
  projectId: ProjectId,
  input: ContainerInput & { readonly count: number },
): Promise<ContainerId> {
  const { count, ...facts } = input;
  const id = containerIdSchema.parse(createId());
  await recordChange(
    db,
    { projectId, deed: { code: 'container_added', count, name: input.name }, now: nowIso() },
    (writer) => writer.insert(containerRecord, { ...facts, id, projectId, ownedCount: count }),
  );
  return id;
}

/** Takes an owned container away, and with it the fits that stand on it. */
export const removeOwnedContainer = atomic(
  async (db: Db, projectId: ProjectId, containerId: ContainerId): Promise<void> => {
    const { containers, fits } = await loadRecords(db, projectId, 'containers', 'fits');
    const container = containers.find(
      ({ id, projectId: owner }) => id === containerId && owner === projectId,
    );
    if (!container) throw new DataError('not_found', 'there is no such container in this home');
    await recordChange(
      db,
      { projectId, deed: { code: 'container_removed', name: container.name }, now: nowIso() },
      async (writer) => {
        for (const fit of fits.filter(({ answer }) =>
          answer.placements.some((placement) => placement.containerId === containerId),
        ))
          await writer.remove(fitRecord, fit.bayId);
        await writer.remove(containerRecord, containerId);
      },
    );
  },
);

interface OfferInput {
  readonly shopName: string;
  readonly currency: Currency;
  readonly packSize: number;
  readonly priceMinor: number;
}

/** Adds a container to the catalogue with its price; a shop that is new is made, without delivery. */
export async function addCatalogueContainer(
  db: Db,
  input: ContainerInput & { readonly offer: OfferInput },
): Promise<ContainerId> {
  const { offer, ...facts } = input;
  const id = containerIdSchema.parse(createId());
  const shops = await listShops(db);
  await db.transaction(async (trx) => {
    await putShared(trx, containerRecord, { ...facts, id, projectId: null, ownedCount: null });
    const known = shops.find(
      (shop) =>
        shop.name.toLowerCase() === offer.shopName.toLowerCase() &&
        shop.currency === offer.currency,
    );
    const shop = known ?? {
      id: shopIdSchema.parse(createId()),
      name: offer.shopName,
      currency: offer.currency,
      deliveryMinor: 0,
      freeOverMinor: null,
    };
    if (!known) await putShared(trx, shopRecord, shop);
    await putShared(trx, offerRecord, {
      id: offerIdSchema.parse(createId()),
      shopId: shop.id,
      containerId: id,
      packSize: offer.packSize,
      priceMinor: offer.priceMinor,
      checkedAt: null,
      inStock: null,
      aisle: '',
    });
  });
  return id;
}
