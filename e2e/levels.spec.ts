import { rmSync } from 'node:fs';
import path from 'node:path';
import { expect, test, type Page } from '@playwright/test';
import Database from 'better-sqlite3';

import { createOwnServer, insertHome } from './ownServer';
import { sees } from './steps';

const server = createOwnServer(4389);
const room = '/projects/home/rooms/hall';
const PRICE_LIST = [
  'name,kind,of,width,depth,height,litres,level,shop,pack,price',
  'Low bin,bin,plastic,27 cm,26 cm,14 cm,8,,Corner Store,1,4.00',
  'Step riser,riser,metal,58 cm,28 cm,16 cm,1,topLoadG 20000,Corner Store,1,12.00',
  'Stand-by riser,riser,metal,30 cm,20 cm,44 cm,1,,Corner Store,1,9.00',
  '',
].join('\r\n');
const size = (mm: number) => JSON.stringify([{ mm, text: `${mm} mm` }]);

let page: Page;
test.describe.configure({ mode: 'serial' });
test.beforeAll(async ({ browser }) => {
  await server.start();
  insertHome(server.dataDir, ['hall']);
  const db = new Database(path.join(server.dataDir, 'tinbox.sqlite'));
  db.prepare("UPDATE rooms SET budget_minor = 5000 WHERE id = 'hall'").run();
  // A deep cupboard: two bins beside each other on its floor, and much air above them.
  db.prepare(
    `UPDATE bays SET width_readings_json = ?, depth_readings_json = ?, height_readings_json = ?
     WHERE id = 'bay-hall'`,
  ).run(size(600), size(300), size(380));
  const group = db.prepare(
    `INSERT INTO groups (id, project_id, room_id, name, bay_id, stands_bay_id, uncounted_litres,
      lid, see, front, loose, position)
     VALUES (?, 'home', 'hall', ?, 'bay-hall', 'bay-hall', 15, 'any', 'any', 0, 0, ?)`,
  );
  group.run('tins', 'Tins', 0);
  group.run('jars', 'Jars', 1);
  db.close();
  page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
});
test.afterAll(async () => {
  await page.context().close();
  await server.stop('SIGKILL');
  rmSync(server.dataDir, { recursive: true, force: true });
});

test('a riser that says nonsense is refused by its line; one that is too high is told by name', async () => {
  await page.goto(`${server.address}/containers`);
  const read = (text: string) =>
    page
      .getByLabel('Read a price list, CSV')
      .setInputFiles({ name: 'list.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  await read('name,kind,width,depth,height,level\nStep,riser,30,20,15,legs four\n');
  await sees(page, 'line 2, level: “legs four”');
  await read(PRICE_LIST);
  await sees(page, '3 containers kept, 0 replaced.');
  await page.goto(`${server.address}${room}/fit`);
  await expect(page.getByRole('listitem').filter({ hasText: 'Stand-by riser' })).toContainText(
    '44 cm high, 35.5 cm is free under the 2.5 cm to lift it out',
  );
});

test('a deep cupboard is fitted on two levels, taken and bought', async () => {
  const least = page.getByRole('radio', { name: /Least money/ });
  await expect(least).toContainText('4 × Low bin', { timeout: 30_000 });
  await expect(least).toContainText('1 × Step riser');
  await expect(page.getByRole('group', { name: 'From the right, to scale' })).toBeVisible();
  await expect(page.getByRole('group', { name: 'From the front, to scale' })).toContainText(
    '16 cm',
  );
  await least.click();
  await page.getByRole('button', { name: /Take this fit/ }).click();
  await sees(page, 'Taken. What it needs is on the shopping list.');
  await page.goto(`${server.address}${room}/shop`);
  await expect(page.getByRole('region', { name: 'Corner Store' })).toContainText('Step riser');
  await page.goto(`${server.address}${room}/fit`);
});

test('mocked up level by level; a riser that is higher tells what depends on it', async () => {
  await page.getByRole('link', { name: 'Try it in the empty place' }).click();
  const riser = page.getByRole('region', { name: 'On the riser' });
  await expect(riser.getByRole('listitem')).toHaveCount(2);
  await expect(
    page.getByRole('region', { name: 'On the floor of the place' }).getByRole('listitem'),
  ).toHaveCount(2);
  await expect(
    page.getByRole('img', { name: 'From above, on the riser, at a fifth of its size' }),
  ).toBeVisible();
  await riser.getByRole('button', { name: 'Correct its size' }).first().click();
  await riser.getByLabel('Measured height').fill('20');
  await riser.getByRole('button', { name: 'Note the real size' }).click();
  await sees(page, /Shelf: it stays as it was taken, but .*Low bin/);
  // It stays, and Fit says what is wrong with it.
  await page.goto(`${server.address}${room}/fit`);
  await sees(page, /Low bin has nothing under it/);
  await expect(page.getByRole('radio', { name: /As you took it/ })).toContainText('4 × Low bin');
});

test('two fingers of air are wished for, and what that leaves out is said', async () => {
  await page.getByRole('button', { name: 'Two fingers of air' }).click();
  await expect(page.getByRole('region', { name: 'Wanted here' })).toContainText(
    '35 mm more air between containers',
  );
  await expect(page.getByRole('radio', { name: /Least money/ })).toContainText(
    'have no container',
    {
      timeout: 30_000,
    },
  );
  const wanted = page.getByRole('region', { name: 'Wanted here' });
  await wanted.getByRole('button', { name: 'What it costs' }).click({ timeout: 60_000 });
  await expect(wanted.getByRole('status')).toContainText('without a container', {
    timeout: 30_000,
  });
});
