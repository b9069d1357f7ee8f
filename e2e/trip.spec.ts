import { rmSync } from 'node:fs';
import path from 'node:path';
import { expect, test, type Page } from '@playwright/test';
import Database from 'better-sqlite3';

import { createOwnServer, insertHome } from './ownServer';
import { goIn, goTo, sees } from './steps';

const server = createOwnServer(4391);
const ROOMS = ['hall', 'attic', 'porch'] as const;
const PRICE_LIST = [
  'name,kind,of,width,depth,height,litres,traits,shop,pack,price,aisle',
  'Fern bin,bin,plastic,20 cm,30 cm,15 cm,7,,Corner Store,1,4.00,7',
  'Fern bin,bin,plastic,20 cm,30 cm,15 cm,7,,Corner Store,6,18.00,7',
  '',
].join('\r\n');

let page: Page;
test.describe.configure({ mode: 'serial' });
test.beforeAll(async ({ browser }) => {
  await server.start();
  insertHome(server.dataDir, ROOMS);
  const db = new Database(path.join(server.dataDir, 'tinbox.sqlite'));
  db.prepare("UPDATE projects SET budget_minor = 6000 WHERE id = 'home'").run();
  db.prepare('UPDATE rooms SET budget_minor = 1000').run();
  for (const room of ROOMS)
    db.prepare(
      `INSERT INTO groups (id, project_id, room_id, name, bay_id, stands_bay_id, uncounted_litres,
        lid, see, front, loose, position)
      VALUES (?, 'home', ?, ?, ?, ?, 13, 'any', 'any', 0, 0, 0)`,
    ).run(`group-${room}`, room, `Things of the ${room}`, `bay-${room}`, `bay-${room}`);
  db.close();
  page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
});
test.afterAll(async () => {
  await page.context().close();
  await server.stop('SIGKILL');
  rmSync(server.dataDir, { recursive: true, force: true });
});

test('three rooms are fitted out and shopped for in one trip, with one pack of six', async () => {
  await page.goto(`${server.address}/containers`);
  await page
    .getByLabel(/Read a price list/)
    .setInputFiles({ name: 'prices.csv', mimeType: 'text/csv', buffer: Buffer.from(PRICE_LIST) });
  await expect(page.getByRole('row', { name: /Fern bin/ })).toBeVisible();
  await page.goto(`${server.address}/projects/home`);
  await expect(page.getByRole('heading', { name: 'Home', exact: true })).toBeVisible();
  await goTo(page, 'Fit');
  await expect(page.getByRole('link', { name: /^Shelf, Cupboard/ })).toHaveCount(3);
  await page.getByRole('button', { name: 'Fit them out' }).click();
  await page.getByRole('button', { name: 'Take these 3' }).click();
  await sees(page, 'Every place with something to go in is fitted out: 3 fits taken.');

  await goTo(page, 'Shop');
  const line = page.getByRole('listitem').filter({ hasText: 'Fern bin' }).first();
  await expect(line).toContainText('1 pack of 6');
  await expect(line).toContainText('2 for the room 1, 2 for the room 2, 2 for the room 3');
  await sees(page, '£6.00 less than room by room.');
  await sees(page, 'No cheaper trip exists in these offers');
  await expect(page.getByRole('region', { name: 'Shares of the rooms' })).toContainText('£6.00');
  const csv = await (await page.request.get(`${server.address}/api/projects/home/trip`)).text();
  expect(csv).toContain('Corner Store,7,Fern bin,1 pack of 6,6,18.00,2 Room 1; 2 Room 2; 2 Room 3');
});

test('what is bought is noted for each room, and the unpacking says where it goes', async () => {
  await page.getByRole('button', { name: 'Bought' }).click();
  await sees(page, 'Everything on the list is here. Nothing is left to buy.');
  const unpacking = page.getByRole('region', { name: 'Unpacking' });
  await expect(unpacking.getByText('2 × Fern bin')).toHaveCount(3);
  await expect(unpacking.getByText('2 pieces in Shelf')).toHaveCount(3);
  await page.getByRole('link', { name: 'Money', exact: true }).click();
  await expect(page.getByRole('row', { name: /^Room 2/ })).toContainText('£6.00');
  await page.getByRole('button', { name: /Undo bought/ }).click();
  await expect(page.getByRole('row', { name: /^The home/ })).not.toContainText('£18.00 £18.00');
  await goTo(page, 'Shop');
  await sees(page, '1 pack of 6');
});

test('by thumb: rooms and steps rise from one bar, and keys walk the same way', async () => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(`${server.address}/projects/home/home`);
  await page.getByRole('button', { name: 'Home and rooms: The home' }).click();
  await expect(page.getByRole('dialog', { name: 'The home and its rooms' })).toContainText(
    'Room 2',
  );
  await page.keyboard.press('Escape');
  // What is looked for by name is shown with its place, on the phone too.
  await page.getByRole('button', { name: 'Find' }).click();
  await page.getByLabel('Words to find').fill('things attic');
  await page.getByRole('link', { name: /Things of the attic/ }).click();
  await expect(page.getByRole('heading', { name: 'Things of the attic' })).toBeVisible();
  await sees(page, 'Room 2, Cupboard, Shelf, in 2 × Fern bin.');
  await expect(
    page.getByRole('img', { name: /Cupboard from the front, Shelf marked/ }),
  ).toBeVisible();
  await expect(page).toHaveTitle('Where is it · Home');
  // Whoever only looks asks on a page of its own, which changes nothing.
  await page.goto(`${server.address}/projects/home/where`);
  await page.getByLabel('What you look for').fill('things attic');
  await page.getByRole('button', { name: 'Find' }).click();
  await page
    .getByRole('list', { name: 'Found' })
    .getByRole('link', { name: /^Things of the attic/ })
    .click();
  await sees(page, 'Room 2, Cupboard, Shelf, in 2 × Fern bin.');
  await expect(page.getByRole('button')).toHaveCount(1);
  await page.goto(`${server.address}/projects/home/home`);
  await goIn(page, 'Room 2', 'Place');
  await expect(page).toHaveTitle('Place · Room 2, Home');
  await expect(page).toHaveURL(/rooms\/attic\/place$/);
  await page.getByRole('link', { name: 'Next: Fit' }).click();
  await page.waitForURL(/rooms\/attic\/fit$/);
  await page.getByRole('link', { name: 'Back: Place' }).click();
  await page.waitForURL(/rooms\/attic\/place$/);
  await page.setViewportSize({ width: 1280, height: 800 });
  // The second is pressed at the very moment at which the address says the next room.
  await page.evaluate(() => {
    const push = window.history.pushState;
    window.history.pushState = (...to: Parameters<typeof push>) => {
      window.history.pushState = push;
      push.apply(window.history, to);
      queueMicrotask(() => window.dispatchEvent(new KeyboardEvent('keydown', { key: '[' })));
    };
  });
  await page.keyboard.press('[');
  await page.waitForURL(/home\/place$/);
  await page.keyboard.press('0');
  await page.waitForURL(/projects\/home\/home$/);
  await page.keyboard.press('1');
  await page.waitForURL(/home\/look$/);
});
