import 'server-only';

import type { ContainerProduct } from '@/core/fit';
import {
  err,
  offerIdSchema,
  ok,
  shopIdSchema,
  type ContainerId,
  type Currency,
  type OfferId,
  type Result,
} from '@/core/shared';
import type { Shop } from '@/core/shop';
import { DataError, type Db } from '@/data/db';
import { listCatalogue, listOffers, listShops } from '@/data/catalogueRepo';
import {
  containerRecord,
  getRecordKind,
  listEvery,
  offerRecord,
  putShared,
  shopRecord,
  type RecordName,
} from '@/data/records';
import { SAMPLE_ID } from '@/data/starterCatalogue';
import { createId } from '../means';

export type ContainerInput = Omit<ContainerProduct, 'id' | 'projectId' | 'ownedCount'>;

export interface OfferInput {
  readonly shopName: string;
  readonly currency: Currency;
  readonly packSize: number;
  readonly priceMinor: number;
}

/** What the form does not ask stays; a height that was not changed keeps what was measured inside. */
export const withChanges = (
  before: ContainerProduct,
  { shape: _shape, line: _line, colour: _colour, ...input }: ContainerInput,
): ContainerProduct => ({
  ...before,
  name: input.name,
  kind: input.kind,
  width: input.width,
  depth: input.depth,
  height: input.height,
  innerLitres: input.innerLitres,
  innerHeightMm: input.height.mm === before.height.mm ? before.innerHeightMm : input.innerHeightMm,
  innerWidthMm: input.width.mm === before.width.mm ? before.innerWidthMm : null,
  // A round one that is no longer as wide as deep is none.
  shape: input.width.mm === input.depth.mm ? before.shape : 'box',
  material: input.material,
  lid: input.lid,
  clear: input.clear,
  stackable: input.stackable,
  howTo: input.howTo,
});

/**
 * Corrects a container of the catalogue, the organizer's own or a sample, for every home. Fits that were taken
 * stay and say what is wrong with them. @errors `not_found`.
 */
export async function changeCatalogueContainer(
  db: Db,
  containerId: ContainerId,
  input: ContainerInput,
): Promise<void> {
  const before = await requireContainer(db, containerId);
  await putShared(db, containerRecord, withChanges(before, input));
}

/** Where a container is wanted: taken fits, wishes, purchases and lists of any home. */
interface InUse {
  readonly code: 'in_use';
  readonly fits: number;
  readonly purchases: number;
}

/** Takes a container and its offers out of the catalogue, unless a home stands on it. @errors `not_found`. */
export async function removeCatalogueContainer(
  db: Db,
  containerId: ContainerId,
): Promise<Result<undefined, InUse>> {
  await requireContainer(db, containerId);
  const uses = await listUses(db);
  const [fits, purchases] = [uses.fits(containerId), uses.purchases(containerId)];
  if (uses.isNamed(containerId)) return err({ code: 'in_use', fits, purchases });
  await db.transaction((trx) => removeContainer(trx, containerId));
  return ok(undefined);
}

/** A price: a new offer of a container, or one that is corrected; a shop that is new is made. @errors `not_found`. */
export async function saveOffer(
  db: Db,
  containerId: ContainerId,
  { id, ...input }: OfferInput & { readonly id: OfferId | undefined },
): Promise<void> {
  await requireContainer(db, containerId);
  const before = (await listOffers(db)).find((offer) => offer.id === id);
  if (id !== undefined && before?.containerId !== containerId)
    throw new DataError('not_found', 'there is no such offer');
  const shops = await listShops(db);
  await db.transaction(async (trx) => {
    const shop = await shopNamed(trx, shops, input);
    const isSame =
      before?.shopId === shop.id &&
      before.priceMinor === input.priceMinor &&
      before.packSize === input.packSize;
    await putShared(trx, offerRecord, {
      id: id ?? offerIdSchema.parse(createId()),
      containerId,
      shopId: shop.id,
      packSize: input.packSize,
      priceMinor: input.priceMinor,
      // A price that was typed is nobody's answer any more.
      checkedAt: isSame ? before.checkedAt : null,
      inStock: isSame ? before.inStock : null,
      aisle: before?.aisle ?? '',
    });
  });
}

/** Takes a price off the list. @errors `not_found`. */
export async function removeOffer(db: Db, offerId: OfferId): Promise<void> {
  const removed = await db(offerRecord.table.name).where({ id: offerId }).delete();
  if (removed === 0) throw new DataError('not_found', 'there is no such offer');
}

/** The shop of that name and currency; made, without delivery, where it is new. */
export async function shopNamed(
  db: Db,
  shops: readonly Shop[],
  { shopName, currency }: Pick<OfferInput, 'shopName' | 'currency'>,
): Promise<Shop> {
  const known = shops.find(
    (shop) => shop.name.toLowerCase() === shopName.toLowerCase() && shop.currency === currency,
  );
  if (known) return known;
  const shop: Shop = {
    id: shopIdSchema.parse(createId()),
    name: shopName,
    currency,
    deliveryMinor: 0,
    freeOverMinor: null,
  };
  await putShared(db, shopRecord, shop);
  return shop;
}

/** Takes the samples out again; those that a home stands on stay, with their shops. Gives how many stayed. */
export async function removeSamples(
  db: Db,
): Promise<{ readonly removed: number; readonly stayed: number }> {
  const uses = await listUses(db);
  const samples = (await listCatalogue(db)).filter(({ id }) => id.startsWith(SAMPLE_ID));
  const unused = samples.filter(({ id }) => !uses.isNamed(id));
  await db.transaction(async (trx) => {
    for (const { id } of unused) await removeContainer(trx, id);
    const offered = new Set((await listOffers(trx)).map(({ shopId }) => shopId));
    for (const { id } of await listShops(trx))
      if (id.startsWith(SAMPLE_ID) && !offered.has(id) && !uses.isShopNamed(id))
        await trx(shopRecord.table.name).where({ id }).delete();
  });
  return { removed: unused.length, stayed: samples.length - unused.length };
}

async function removeContainer(db: Db, containerId: ContainerId): Promise<void> {
  await db(offerRecord.table.name).where({ container_id: containerId }).delete();
  await db(containerRecord.table.name).where({ id: containerId }).delete();
}

/** What any home says of containers and shops: their ids stand in its records' JSON. */
async function listUses(db: Db) {
  const of = async (...names: RecordName[]): Promise<string[]> => {
    const said: string[] = [];
    for (const name of names)
      for (const record of await listEvery(db, getRecordKind(name)))
        said.push(JSON.stringify(record));
    return said;
  };
  const fits = await of('fits');
  const purchases = await of('purchases');
  const wishes = await of('fitWishes', 'priorities');
  const shopping = await of('giftCards', 'handNeeds', 'materials');
  const count = (said: readonly string[], id: string) =>
    said.filter((text) => text.includes(`"${id}"`)).length;
  return {
    fits: (id: string) => count(fits, id),
    purchases: (id: string) => count(purchases, id),
    isNamed: (id: string) => count([...fits, ...purchases, ...wishes], id) > 0,
    isShopNamed: (id: string) => count(shopping, id) > 0,
  };
}

async function requireContainer(db: Db, containerId: ContainerId): Promise<ContainerProduct> {
  const container = (await listCatalogue(db)).find(({ id }) => id === containerId);
  if (!container) throw new DataError('not_found', `there is no container ${containerId}`);
  return container;
}
