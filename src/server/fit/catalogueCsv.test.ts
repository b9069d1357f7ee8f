import { aDatabase } from '@test/builders';
import { listCatalogue, listOffers, listShops } from '@/data/catalogueRepo';
import type { Db } from '@/data/db';
import { insertStarterCatalogue } from '@/data/starterCatalogue';
import { importCatalogueCsv, writeCatalogueCsv } from './catalogueCsv';

let db: Db;
beforeEach(async () => {
  db = await aDatabase();
});
afterEach(() => db.destroy());
const take = (text: string, acceptGoodRows = false) =>
  importCatalogueCsv(db, { text, acceptGoodRows });

test('what is written is read again as it was, and adds nothing twice', async () => {
  await insertStarterCatalogue(db);
  const before = [await listCatalogue(db), await listOffers(db), await listShops(db)];
  expect(before[0]?.length).toBeGreaterThanOrEqual(150);
  const csv = await writeCatalogueCsv(db);
  expect(await take(csv)).toMatchObject({
    faults: [],
    outcome: { addedCount: 0, replacedCount: before[0]?.length },
  });
  expect(await writeCatalogueCsv(db)).toBe(csv);
  expect((await listOffers(db)).length).toBe(before[1]?.length);
  const other = await aDatabase();
  expect(await importCatalogueCsv(other, { text: csv, acceptGoodRows: false })).toMatchObject({
    faults: [],
  });
  expect(await writeCatalogueCsv(other)).toBe(csv);
  await other.destroy();
});

test('a short list by hand is enough: sizes in cm, a price, a shop that is new', async () => {
  expect(
    await take(
      'name;width;depth;height;shop;price;pack\nReed tray;28,5;20;9;Corner Store;4,50;2\n',
    ),
  ).toMatchObject({ outcome: { addedCount: 1, replacedCount: 0 } });
  expect((await listCatalogue(db))[0]).toMatchObject({
    name: 'Reed tray',
    kind: 'box',
    material: 'plastic',
    width: { mm: 285 },
    innerLitres: 4.4,
  });
  expect((await listOffers(db))[0]).toMatchObject({ packSize: 2, priceMinor: 450 });
  expect((await listShops(db))[0]).toMatchObject({ name: 'Corner Store', currency: 'GBP' });
  await take('name,width,depth,height,shop,price,pack\nreed tray,29,20,9,corner store,4.80,2\n');
  expect([
    (await listCatalogue(db)).length,
    (await listOffers(db)).map(({ priceMinor }) => priceMinor),
  ]).toEqual([1, [480]]);
});

test('faults name their line and column, and nothing is kept unasked', async () => {
  const text =
    'name,width,depth,height,litres,of,traits,shop,price\nGood,10,10,10,,,,,\nBad,wide,10,10,5,cheese,lidded,,3\nBig,10,10,10,9,,,Shop,x\n';
  const result = await take(text);
  expect(result.faults.map(({ line, column }) => `${line} ${column}`)).toEqual([
    '3 width',
    '3 of',
    '3 traits',
    '3 shop',
    '4 price',
    '4 litres',
  ]);
  expect(await listCatalogue(db)).toEqual([]);
  expect(await take(text, true)).toMatchObject({ outcome: { addedCount: 1 } });
});
