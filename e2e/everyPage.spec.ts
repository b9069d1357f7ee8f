import { rmSync } from 'node:fs';
import { expect, test } from '@playwright/test';

import { createOwnServer, insertHome } from './ownServer';

const server = createOwnServer(4392);
test.beforeAll(async () => {
  await server.start();
  insertHome(server.dataDir, ['hall', 'attic']);
});
test.afterAll(async () => {
  await server.stop('SIGKILL');
  rmSync(server.dataDir, { recursive: true, force: true });
});

const HOME = [
  '',
  '/look',
  '/look/household',
  '/agree',
  '/sort',
  '/sort/count',
  '/sort/dates',
  '/sort/results',
  '/place',
  '/place/compare',
  '/place/moves',
  '/place/seasons',
  '/fit',
  '/shop',
  '/shop/money',
  '/show',
  '/where?id=group-hall',
].map((page) => `/projects/home/home${page}`);
const ROOM = [
  '/look',
  '/look/units/new',
  '/agree',
  '/sort',
  '/sort/dates',
  '/sort/results',
  '/place',
  '/place/compare',
  '/place/moves',
  '/fit',
  '/shop',
  '/shop/materials',
  '/show',
].map((page) => `/projects/home/rooms/hall${page}`);
const PAGES = ['/', '/containers', '/kinds', '/devices', '/projects/new', ...HOME, ...ROOM];

for (const [width, height] of [
  [1280, 800],
  [390, 844],
  [320, 640],
] as const)
  test(`nothing scrolls but the worktop and the tray, ${width} wide`, async ({ browser }) => {
    test.setTimeout(180_000);
    const page = await browser.newPage({ viewport: { width, height } });
    const over: string[] = [];
    for (const path of PAGES) {
      await page.goto(`${server.address}${path}`);
      await expect(page.getByRole('main')).toBeVisible();
      const size = await page.evaluate(() => ({
        width: document.documentElement.scrollWidth - window.innerWidth,
        height: document.documentElement.scrollHeight - window.innerHeight,
      }));
      if (size.width > 0) over.push(`${path} is ${size.width} px too wide`);
      // On a phone the document is the worktop.
      if (width >= 768 && size.height > 0) over.push(`${path} is ${size.height} px too long`);
    }
    expect(over).toEqual([]);
    await page.close();
  });
