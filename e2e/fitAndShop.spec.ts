import { rmSync } from 'node:fs';
import path from 'node:path';
import sharp from 'sharp';
import { expect, test, type Page } from '@playwright/test';
import Database from 'better-sqlite3';

import { createStall, type Stall } from '../src/standins/shopService/stall';
import {
  startShopService,
  type RunningShopService,
} from '../src/standins/shopService/startShopService';
import { createOwnServer, insertHome } from './ownServer';
import { goIn, sees } from './steps';

const SERVICE_PORT = 4392;
const server = createOwnServer(4395, {
  TINBOX_SHOP_SERVICE: `http://127.0.0.1:${SERVICE_PORT}/offers`,
});
const onData = <T>(work: (db: Database.Database) => T): T => {
  const db = new Database(path.join(server.dataDir, 'tinbox.sqlite'));
  try {
    return work(db);
  } finally {
    db.close();
  }
};
const room = '/projects/home/rooms/hall';
const PRICE_LIST = [
  'name,kind,of,width,depth,height,litres,traits,shop,pack,price,aisle',
  'Fern bin,bin,plastic,20 cm,30 cm,15 cm,7,,Corner Store,1,4.00,7',
  'Fern bin,bin,plastic,20 cm,30 cm,15 cm,7,,Posted Goods,2,6.00,',
  'Moss box,box,plastic,25 cm,33 cm,18 cm,12,lid; stacks,Corner Store,1,9.00,2',
  'Wide tub,tub,plastic,40 cm,30 cm,20 cm,18,,Corner Store,1,11.00,12',
  '',
].join('\r\n');

let page: Page;
let stall: Stall;
let service: RunningShopService;
test.describe.configure({ mode: 'serial' });
test.beforeAll(async ({ browser }) => {
  await server.start();
  insertHome(server.dataDir, ['hall']);
  onData((db) => {
    db.prepare("UPDATE rooms SET budget_minor = 3000 WHERE id = 'hall'").run();
    db.prepare(
      `INSERT INTO groups (id, project_id, room_id, name, bay_id, stands_bay_id, uncounted_litres,
        lid, see, front, loose, position)
      VALUES ('hats', 'home', 'hall', 'Hats', 'bay-hall', 'bay-hall', 13, 'any', 'any', 0, 0, 0)`,
    ).run();
  });
  page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
});
test.afterAll(async () => {
  await page.context().close();
  await service?.close();
  await server.stop('SIGKILL');
  rmSync(server.dataDir, { recursive: true, force: true });
});

test('a price list comes in as CSV, faults by line and column first', async () => {
  await page.goto(`${server.address}/containers`);
  const read = (text: string) =>
    page
      .getByLabel('Read a price list, CSV')
      .setInputFiles({ name: 'list.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  await read('name,width,depth,height\nCrate,wide,20,20\n');
  await sees(page, 'line 2, width: “wide”');
  await read(PRICE_LIST);
  await sees(page, '3 containers kept, 0 replaced.');
  await expect(page.getByRole('row', { name: /Fern bin/ })).toContainText(
    '£6.00 for 2 at Posted Goods',
  );
  await page.getByLabel('Find', { exact: true }).fill('plastic');
  await page.getByLabel('Width of the space').fill('26 cm');
  await page.getByLabel('Height', { exact: true }).fill('16 cm');
  await sees(page, '1 container of 3');
  await page.getByRole('button', { name: 'Add a container' }).click();
  await page
    .getByLabel('In one line')
    .fill('Pin pot 6 x 5 x 4 cm, lid, 6 for 54.00 at Corner Store');
  await page.getByLabel('In one line').press('Enter');
  await sees(page, '2 containers of 4');
  await page.getByLabel('Find', { exact: true }).fill('pin lid');
  await expect(page.getByRole('row', { name: /Pin pot/ })).toContainText(
    '£54.00 for 6 at Corner Store',
  );
});

test('fit: one is not wanted, one is wanted; each time all four ways are worked out again', async () => {
  await page.goto(`${server.address}${room}/fit`);
  const least = page.getByRole('radio', { name: /Least money/ });
  await expect(least).toContainText('2 × Fern bin', { timeout: 30_000 });
  const pick = () =>
    page
      .getByRole('group', { name: 'From the front, to scale' })
      .getByRole('button')
      .first()
      .click();
  await pick();
  await page.getByRole('button', { name: 'Not in this place' }).click();
  await expect(page.getByRole('region', { name: 'Wanted here' })).toContainText(
    'not here: Fern bin',
  );
  await expect(least).toContainText('Wide tub', { timeout: 30_000 });
  await page.getByRole('button', { name: 'Let go: not here: Fern bin' }).click();
  await expect(least).toContainText('2 × Fern bin', { timeout: 30_000 });
  await pick();
  await page.getByLabel('Another one for Hats').selectOption({ label: 'Moss box, 12 l, £9.00' });
  await expect(least).toContainText('2 × Moss box', { timeout: 30_000 });
  await page.getByRole('button', { name: /Let go: Hats: only Moss box/ }).click();
  await expect(least).toContainText('2 × Fern bin', { timeout: 30_000 });
  const space = page.getByRole('radiogroup', { name: 'Room between them' });
  await expect(space.getByRole('radio', { name: 'shared evenly' })).toBeChecked();
  await space.getByRole('radio', { name: 'kept as one space' }).click();
  await page.getByRole('button', { name: /Take this fit/ }).click();
  await sees(page, 'Taken. What it needs is on the shopping list.');
});

test('the mock-up is ticked; a size that differs says what no longer goes in, and changes nothing', async () => {
  await page.getByRole('link', { name: 'Try it in the empty place' }).click();
  await expect(page.getByRole('img', { name: 'From above, at a fifth of its size' })).toBeVisible();
  for (const trial of ['goes in', 'comes out', 'door shuts'])
    await page.getByRole('button', { name: `1: ${trial}` }).click();
  await sees(page, '1 of 2 tried and good');
  await page.getByRole('button', { name: 'Correct its size' }).first().click();
  await page.getByLabel('Measured height').fill('15.4');
  await page.getByRole('button', { name: 'Note the real size' }).click();
  await sees(page, 'Shelf: it still goes in as drawn.');
  await page.getByRole('button', { name: 'Correct its size' }).first().click();
  // Two bins 2 mm apart, each 4 mm wider than its label says.
  await page.getByLabel('Measured width').fill('20.4');
  await page.getByRole('button', { name: 'Note the real size' }).click();
  await sees(page, /Shelf: it stays as it was taken, but .*Fern bin/);
  await expect(page.getByRole('listitem').filter({ hasText: 'Fern bin' })).toHaveCount(2);
  await sees(page, '1 of 2 tried and good');
  await page.getByRole('button', { name: /Undo corrected the size of Fern bin/ }).click();
  await expect(page.getByRole('listitem').filter({ hasText: 'Fern bin' })).toHaveCount(2);
});

test('shop: the service goes down in between, prices stay; what is sold out gets a substitute', async () => {
  const goods = onData((db) =>
    db
      .prepare<[], { id: string; packSize: number; priceMinor: number }>(
        'SELECT o.id, o.pack_size AS packSize, o.price_minor AS priceMinor FROM offers o JOIN shops s ON s.id = o.shop_id',
      )
      .all(),
  );
  stall = createStall(
    goods.map((good) => ({ ...good, name: good.id, aisle: '' })),
    () => 0.5,
  );
  service = await startShopService({ port: SERVICE_PORT, stall, name: 'Posted Goods' });
  await page.goto(`${server.address}${room}/shop`);
  await expect(page.getByRole('region', { name: 'Posted Goods' })).toContainText('£6.00');
  const ask = page.getByRole('button', { name: 'Ask for prices and stock' });
  await ask.click();
  await sees(page, 'Posted Goods: no price changed, everything in stock.');
  stall.setMood('down');
  await ask.click();
  await sees(page, 'The shop does not answer. Prices stay as they were last read.');
  await expect(page.getByRole('region', { name: 'Posted Goods' })).toContainText('£6.00');
  stall.setMood('well');
  for (const { id } of goods.filter(({ priceMinor }) => priceMinor === 600 || priceMinor === 400))
    stall.sellOut(id);
  await ask.click();
  const lacking = page.getByRole('region', { name: 'Not to be had' });
  await expect(lacking).toContainText('Fern bin: 2 pieces cannot be had any more.');
  await expect(lacking).toContainText('The list then comes to £11.00.');
  await page.getByRole('button', { name: 'Take it instead' }).click();
  const corner = page.getByRole('region', { name: 'Corner Store' });
  await expect(corner).toContainText('Wide tub');
  // In front of the shelf, with a thumb, and back.
  await page.getByRole('button', { name: 'Wide tub is not to be had here' }).click();
  await expect(lacking).toContainText('Wide tub was not at Corner Store');
  await expect(corner).toHaveCount(0);
  await page.getByRole('button', { name: 'It is there again' }).click();
  await expect(corner).toContainText('Wide tub');
  await expect(lacking).toHaveCount(0);
});

test('things by hand and a card are in the same plan; the budget is never passed silently', async () => {
  await page.getByLabel('What', { exact: true }).fill('Wall anchors');
  await page.getByLabel('Pack price').fill('5');
  await page.getByLabel('Shop', { exact: true }).selectOption({ label: 'Corner Store' });
  await page.getByRole('button', { name: 'Put it on the list' }).click();
  await expect(page.getByRole('region', { name: 'Corner Store' })).toContainText('£16.00');
  await page.getByText('Add a card').click();
  await page.getByLabel('Good at').selectOption({ label: 'Corner Store' });
  await page.getByLabel('With', { exact: true }).fill('6');
  await page.getByRole('button', { name: 'Add the card' }).click();
  await expect(page.getByRole('region', { name: 'Corner Store' })).toContainText(
    'gift card with £6.00 counted',
  );
  await expect(page.getByRole('region', { name: 'Corner Store' })).toContainText('£10.00');
  onData((db) => db.prepare("UPDATE rooms SET budget_minor = 700 WHERE id = 'hall'").run());
  await page.reload();
  await sees(page, '£3.00 over what is left.');
  await page.getByLabel('How much Wide tub is wanted').selectOption('should');
  await expect(page.getByRole('region', { name: 'Left out' })).toContainText('Wide tub');
  onData((db) => db.prepare("UPDATE rooms SET budget_minor = 3000 WHERE id = 'hall'").run());
  await page.reload();
});

test('bought on the phone with one thumb, at another price, approved, and returned in time', async () => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.getByLabel('Client approves Wide tub').check();
  await page.getByLabel('Who pays').fill('Nora');
  const line = page
    .getByRole('listitem')
    .filter({ hasText: 'aisle' })
    .filter({ hasText: 'Wide tub' });
  await line.getByText('the till said otherwise').click();
  await line.getByLabel('Paid for Wide tub').fill('11.60');
  await line.getByRole('button', { name: 'Bought' }).click();
  const bought = page.getByRole('listitem').filter({ hasText: 'paid by Nora' });
  await expect(bought).toContainText('£0.60 more than the list said');
  await expect(bought).toContainText('£6.00 by gift card');
  // The yes was to what the list said; a dearer line is asked about again.
  await sees(page, 'yes was to £11.00');
  await bought.getByRole('button', { name: 'return', exact: true }).click();
  await bought.getByLabel('Pieces returned').fill('1');
  await bought.getByLabel('Paid back').fill('11.60');
  await bought.getByRole('button', { name: 'Note it' }).click();
  await expect(bought).toContainText('1 of 1 returned');
  await expect(page.getByLabel('Client approves Wide tub')).toBeChecked();
});

test('materials reach the list, receipts are kept with their picture and read as CSV, and the money of the home adds up', async () => {
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.goto(`${server.address}${room}/shop/materials`);
  await page.getByRole('button', { name: 'A shelf, a rail, hooks' }).click();
  await page.getByLabel('Fixed to the wall').fill('Coat rail');
  await page.getByLabel('Price a pack, for brick or concrete').fill('3.50');
  await page.getByLabel('Fixings: bought at').selectOption({ label: 'Corner Store' });
  await page.getByRole('button', { name: 'Keep, and work the plans out' }).click();
  await sees(page, '2 fixings in brick or concrete.');
  await page.goto(`${server.address}${room}/shop`);
  await expect(
    page.getByRole('row', { name: /Screws with wall plugs, from the materials/ }),
  ).toContainText('£3.50');
  const receipts = page.getByRole('region', { name: 'Receipts' });
  await receipts.getByLabel('Shop on the receipt').fill('Corner Store');
  await receipts.getByLabel('Total').fill('12.00');
  await receipts.getByLabel('Its picture').setInputFiles({
    name: 'slip.png',
    mimeType: 'image/png',
    buffer: await sharp({ create: { width: 60, height: 90, channels: 3, background: '#fff' } })
      .png()
      .toBuffer(),
  });
  await receipts.getByRole('button', { name: 'Keep the receipt' }).click();
  await expect(receipts.getByRole('img', { name: 'Receipt of Corner Store' })).toBeVisible();
  await expect(receipts).toContainText('£0.40 of it is not noted yet');
  const csv = (day: string) => ({
    name: 'till.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(
      `day,shop,item,pieces,paid\n${day},Corner Store,Screws with wall plugs,20,3.50\n`,
    ),
  });
  await receipts.getByLabel('Read lines of receipts, CSV').setInputFiles(csv('soon'));
  await expect(receipts.getByRole('listitem').filter({ hasText: 'line 2, day' })).toContainText(
    'expected a day, such as 2026-11-20',
  );
  await receipts.getByLabel('Read lines of receipts, CSV').setInputFiles(csv('2026-11-20'));
  await expect(receipts.getByText('1 line kept, 0 were here before.')).toBeVisible();
  await expect(
    page
      .getByRole('row', { name: /Screws with wall plugs/ })
      .getByRole('cell')
      .nth(1),
  ).toHaveText('2');
  await goIn(page, 'The home', 'Shop');
  await page.getByRole('link', { name: 'Money', exact: true }).click();
  const home = page.getByRole('row', { name: /^The home/ });
  // 11.60 for the tub and 3.50 for the screws, of which 11.60 came back; 5 for anchors and 11 for
  // the tub are still to pay, 6 of it by card.
  await expect(home).toContainText('£15.10');
  await expect(home).toContainText('£11.60');
  await expect(page.getByRole('region', { name: 'Fee' })).toContainText(
    'Fee, apart from the budget',
  );
});
