import { rmSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';

import { createOwnServer, insertHome } from './ownServer';
import { allKept, awake, sees } from './steps';

const server = createOwnServer(4384);
const home = `${server.address}/projects/home/home`;
const room = `${server.address}/projects/home/rooms/hall`;
test.beforeAll(async () => {
  await server.start();
  insertHome(server.dataDir, ['hall', 'den']);
});
test.afterAll(async () => {
  await server.stop('SIGKILL');
  rmSync(server.dataDir, { recursive: true, force: true });
});
test.use({ viewport: { width: 390, height: 844 } });

/** Until the application's own files are kept and its worker answers for the page. */
const installed = (page: Page) =>
  page.evaluate(async () => {
    await navigator.serviceWorker.ready;
    if (!navigator.serviceWorker.controller)
      await new Promise((resolve) =>
        navigator.serviceWorker.addEventListener('controllerchange', resolve, { once: true }),
      );
  });
const alongPart = (page: Page) => page.getByRole('region', { name: 'On this device' });

async function takeAlong(page: Page): Promise<void> {
  await page.goto(home);
  await awake(page);
  await installed(page);
  await alongPart(page).getByRole('button', { name: 'Take this home along' }).click();
  await expect(alongPart(page).getByRole('button', { name: 'Bring up to date' })).toBeVisible();
}

test('a home is taken along and read from cold without the desk; what is done waits and is kept once', async ({
  page,
}) => {
  await page.goto(`${room}/sort`);
  await awake(page);
  await page.getByRole('button', { name: 'Start a session' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Start', exact: true }).click();
  await expect(page.getByRole('region', { name: 'Session' })).toContainText('step 1 of');
  await takeAlong(page);
  await server.stop('SIGKILL');
  // From cold: a page that this browser has not shown since, whole and alive.
  await page.goto(`${room}/sort`);
  await awake(page);
  await sees(page, 'No connection: as of');
  const session = page.getByRole('region', { name: 'Session' });
  await session.getByRole('button').last().click();
  await expect(session).toContainText('step 2 of');
  await sees(page, '1 waiting since');
  // Every step can be read, and a reload shows what waits over what was taken along.
  await page.reload();
  await awake(page);
  await sees(page, '1 waiting since');
  for (const step of [
    'look',
    'place',
    'fit',
    'shop',
    'set-up',
    'take-away',
    'show',
    'look-again',
  ]) {
    await page.goto(`${room}/${step}`);
    await expect(page.getByRole('main')).toBeVisible();
    await sees(page, 'No connection: as of');
  }
  // A page that was not taken along says so, and leads to what was.
  await page.goto(`${server.address}/kinds`);
  await sees(page, 'this page was not taken along');
  await page.getByRole('link', { name: 'Home' }).click();
  await sees(page, 'No connection: as of');
  await server.start();
  // This page sends what waits, and is the desk's own again; only then is another one asked for.
  await allKept(page);
  await page.goto(`${room}/sort`);
  await expect(page.getByRole('region', { name: 'Session' })).toContainText('step 2 of');
});

test('removed from the device, nothing of the home is left on it', async ({ page }) => {
  await takeAlong(page);
  await alongPart(page).getByRole('button', { name: 'Remove from this device' }).click();
  await expect(alongPart(page)).toContainText('Not on this device');
  const left = await page.evaluate(async () => {
    const database = await new Promise<IDBDatabase>((resolve) => {
      const request = indexedDB.open('tin-box-along');
      request.onsuccess = () => resolve(request.result);
    });
    const all = database.transaction('kept').objectStore('kept').getAllKeys();
    return new Promise((resolve) => (all.onsuccess = () => resolve(all.result)));
  });
  expect(left).toEqual([]);
  // No page of a home ever lies in the general cache.
  const cached = await page.evaluate(async () => {
    const names = await caches.keys();
    const lists = await Promise.all(names.map(async (name) => (await caches.open(name)).keys()));
    return lists.flat().map(({ url }) => new URL(url).pathname);
  });
  expect(cached.length).toBeGreaterThan(20);
  expect(cached.filter((path) => !path.startsWith('/_next/static/'))).toEqual([]);
});
