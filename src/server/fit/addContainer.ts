import 'server-only';

import { containerIdsOf, type ContainerProduct } from '@/core/fit';
import { containerIdSchema, offerIdSchema, type ContainerId, type ProjectId } from '@/core/shared';
import { atomic, recordChange } from '@/data/changes';
import { DataError, type Db } from '@/data/db';
import { listShops } from '@/data/catalogueRepo';
import { containerRecord, loadRecords, offerRecord, putShared } from '@/data/records';
import { createId, nowIso } from '../means';
import { shopNamed, withChanges, type ContainerInput, type OfferInput } from './editCatalogue';

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

/** Corrects what the household has, and how many; fits that were taken with it stay. @errors `not_found`. */
export const changeOwnedContainer = atomic(
  async (
    db: Db,
    projectId: ProjectId,
    containerId: ContainerId,
    input: ContainerInput & { readonly count: number },
  ): Promise<void> => {
    const { count, ...facts } = input;
    const { containers } = await loadRecords(db, projectId, 'containers');
    const before = ownedOf(containers, projectId, containerId);
    await recordChange(
      db,
      { projectId, deed: { code: 'container_corrected', name: input.name }, now: nowIso() },
      (writer) => writer.put(containerRecord, { ...withChanges(before, facts), ownedCount: count }),
    );
  },
);

/**
 * Takes an owned container away. A fit that stands on it stays and says that it is gone: the container is
 * kept with none of it left.
 */
export const removeOwnedContainer = atomic(
  async (db: Db, projectId: ProjectId, containerId: ContainerId): Promise<void> => {
    const { containers, fits } = await loadRecords(db, projectId, 'containers', 'fits');
    const container = ownedOf(containers, projectId, containerId);
    const isStoodOn = fits.some(({ answer }) => containerIdsOf(answer).includes(containerId));
    await recordChange(
      db,
      { projectId, deed: { code: 'container_removed', name: container.name }, now: nowIso() },
      (writer) =>
        isStoodOn
          ? writer.put(containerRecord, { ...container, ownedCount: 0 })
          : writer.remove(containerRecord, containerId),
    );
  },
);

function ownedOf(
  containers: readonly ContainerProduct[],
  projectId: ProjectId,
  containerId: ContainerId,
): ContainerProduct {
  const container = containers.find(
    ({ id, projectId: owner }) => id === containerId && owner === projectId,
  );
  if (!container) throw new DataError('not_found', 'there is no such container in this home');
  return container;
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
    const shop = await shopNamed(trx, shops, offer);
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
