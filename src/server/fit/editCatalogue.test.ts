import {
  aBay,
  aDatabase,
  aUnit,
  HALL,
  HOME,
  insertGroup,
  aGroup,
  loadAll,
  mm,
} from '@test/builders';
import { bayIdSchema, containerIdSchema, invariant } from '@/core/shared';
import { listCatalogue, listOffers, listShops } from '@/data/catalogueRepo';
import type { Db } from '@/data/db';
import { bayRecord, fitRecord, insertRecord, unitRecord } from '@/data/records';
import { insertStarterCatalogue } from '@/data/starterCatalogue';
import { addOwnedContainer, changeOwnedContainer, removeOwnedContainer } from './addContainer';
import {
  changeCatalogueContainer,
  removeCatalogueContainer,
  removeOffer,
  removeSamples,
  saveOffer,
} from './editCatalogue';
import { checkTakenFit, listFitContainers } from './takeFit';

let db: Db;
beforeEach(async () => {
  db = await aDatabase();
  const unit = aUnit({ bays: [aBay()] });
  await db(unitRecord.table.name).insert(unitRecord.table.toRow(unit));
  for (const bay of unit.bays) await db(bayRecord.table.name).insert(bayRecord.table.toRow(bay));
  await insertGroup(db, aGroup({ bayId: 'shelf' }));
});
afterEach(() => db.destroy());

const tray = containerIdSchema.parse('sample-tray-low');
const facts = async (id: string) => {
  const container = (await loadAll(db, HOME)).containers.find((each) => each.id === id);
  invariant(container, 'a container');
  const { id: _, projectId: __, ownedCount: ___, ...input } = container;
  return input;
};
/** A fit that stands on a container, whatever it holds. */
const takeOn = (containerId: string) =>
  insertRecord(db, fitRecord, {
    id: bayIdSchema.parse('shelf'),
    prefer: 'cost',
    takenAt: '2026-11-20T10:00:00.000Z',
    checks: [],
    insteadOf: [],
    answer: {
      status: 'feasible',
      objective: 0,
      bound: 0,
      elapsedMs: 0,
      placements: [{ containerId, groupId: 'hats', x: 3, y: 5, z: 0, turned: false }],
      costMinor: 0,
      usedLitres: 0,
      freeLitres: 0,
      unmet: [],
      reasons: [],
    },
  });

test('samples come where they are asked for, in the money that is asked for, and go but for what a home stands on', async () => {
  expect(await listCatalogue(db)).toEqual([]);
  expect(await insertStarterCatalogue(db, 'EUR')).toBe(true);
  expect(new Set((await listShops(db)).map(({ currency }) => currency))).toEqual(new Set(['EUR']));
  await takeOn(tray);
  const all = (await listCatalogue(db)).length;
  expect(await removeSamples(db)).toEqual({ removed: all - 1, stayed: 1 });
  expect((await listCatalogue(db)).map(({ id }) => id)).toEqual([tray]);
  const offered = new Set((await listOffers(db)).map(({ shopId }) => shopId));
  expect(new Set((await listShops(db)).map(({ id }) => id))).toEqual(offered);
  // Asked for again, only what is missing comes.
  expect(await insertStarterCatalogue(db, 'EUR')).toBe(true);
  expect((await listCatalogue(db)).length).toBe(all);
});

test('a container is corrected for every home; one that a home stands on is not taken out, its prices are', async () => {
  await insertStarterCatalogue(db);
  const before = await facts(tray);
  await changeCatalogueContainer(db, tray, { ...before, name: 'Low tray, cream', width: mm(300) });
  expect(await facts(tray)).toEqual({ ...before, name: 'Low tray, cream', width: mm(300) });
  await takeOn(tray);
  expect(await removeCatalogueContainer(db, tray)).toEqual({
    ok: false,
    error: { code: 'in_use', fits: 1, purchases: 0 },
  });
  const ownOffers = async () =>
    (await listOffers(db)).filter(({ containerId }) => containerId === tray);
  const [first] = await ownOffers();
  invariant(first, 'a price');
  await saveOffer(db, tray, {
    id: first.id,
    shopName: 'Corner Store',
    currency: 'EUR',
    packSize: 6,
    priceMinor: 1800,
  });
  expect((await ownOffers()).find(({ id }) => id === first.id)).toMatchObject({
    packSize: 6,
    priceMinor: 1800,
    checkedAt: null,
    inStock: null,
  });
  for (const { id } of await ownOffers()) await removeOffer(db, id);
  const records = await loadAll(db, HOME);
  expect((await listFitContainers(db, records)).map(({ id }) => id)).not.toContain(tray);
  // The fit that was taken knows it still.
  const [fit] = records.fits;
  invariant(fit, 'a fit');
  const faults = checkTakenFit(records, await listFitContainers(db, records), fit);
  expect(faults.map(({ rule }) => rule)).not.toContain('unknown_container');
  await expect(
    saveOffer(db, containerIdSchema.parse('nothing'), {
      id: undefined,
      shopName: 'x',
      currency: 'EUR',
      packSize: 1,
      priceMinor: 1,
    }),
  ).rejects.toMatchObject({ code: 'not_found' });
});

test('what the home has is corrected in place; what a fit stands on stays known when it is gone', async () => {
  await insertStarterCatalogue(db);
  const id = await addOwnedContainer(db, HOME, { ...(await facts(tray)), count: 3 });
  await changeOwnedContainer(db, HOME, id, { ...(await facts(id)), name: 'Biscuit tin', count: 2 });
  const owned = async () =>
    (await loadAll(db, HOME)).containers.find((container) => container.id === id);
  expect(await owned()).toMatchObject({ name: 'Biscuit tin', ownedCount: 2, projectId: HOME });
  await takeOn(id);
  await removeOwnedContainer(db, HOME, id);
  const records = await loadAll(db, HOME);
  const [fit] = records.fits;
  invariant(fit, 'the fit stays');
  expect(await owned()).toMatchObject({ ownedCount: 0 });
  expect(
    checkTakenFit(records, await listFitContainers(db, records), fit).map(({ rule }) => rule),
  ).toContain('available');
  expect(records.rooms.map(({ id: roomId }) => roomId)).toContain(HALL);
});
