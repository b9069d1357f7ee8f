import { readdirSync, rmSync } from 'node:fs';
import path from 'node:path';
import { expect, test, type BrowserContext, type Page } from '@playwright/test';

import { createOwnServer, insertHome } from './ownServer';
import { pictureWithPlace, sees } from './steps';

const server = createOwnServer(4393);
const BENCH = `${server.address}/projects/home/rooms/hall/sort`;
let context: BrowserContext;

test.describe.configure({ mode: 'serial' });
test.beforeAll(async ({ browser }) => {
  await server.start();
  insertHome(server.dataDir, ['hall']);
  context = await browser.newContext();
});
test.afterAll(async () => {
  await context.close();
  await server.stop('SIGKILL');
  rmSync(server.dataDir, { recursive: true, force: true });
});

const openBench = async (of: BrowserContext): Promise<Page> => {
  const page = await of.newPage();
  await page.goto(BENCH);
  await expect(inHand(page)).toBeEnabled();
  return page;
};
const inHand = (page: Page) => page.getByRole('textbox', { name: /hand|thing/i }).first();
const donate = async (page: Page, thing: string) => {
  await inHand(page).fill(thing);
  await page
    .getByRole('button', { name: /^Donate/ })
    .first()
    .click();
};
const lid = (page: Page) =>
  page
    .getByRole('status')
    .filter({ hasText: /Kept|waiting/ })
    .first();
const things = async (): Promise<string[]> => {
  const csv = await (await fetch(`${server.address}/api/projects/home/csv?what=things`)).text();
  return csv.split('\r\n').slice(1).filter(Boolean);
};

test('two tabs without a connection keep one list, and lose none of it to each other or to a reload', async () => {
  const [one, other] = [await openBench(context), await openBench(context)];
  await context.setOffline(true);
  await donate(one, '3 red hats');
  await donate(other, '4 green belts');
  await donate(one, '2 blue scarves');
  await expect(lid(one)).toContainText('3 waiting');
  await expect(lid(other)).toContainText('3 waiting');
  await other.close();
  await context.setOffline(false);
  await one.reload();
  await expect(lid(one)).toContainText('Kept at the desk');
  await expect.poll(async () => (await things()).length).toBe(3);
  for (const name of ['red hats', 'green belts', 'blue scarves'])
    await expect(one.getByText(name).first()).toBeVisible();
  await one.close();
});

test('eight tabs of Sort open and hear of each other, also when the one that listened goes', async () => {
  const tabs: Page[] = [];
  for (let i = 0; i < 8; i += 1) tabs.push(await openBench(context));
  const [first, second] = tabs as [Page, Page];
  const last = tabs.at(-1) ?? first;
  await donate(last, '7 spoons');
  await expect(second.getByText('spoons').first()).toBeVisible();
  await first.close();
  await donate(last, '9 forks');
  await expect(second.getByText('forks').first()).toBeVisible();
  for (const tab of tabs.slice(1)) await tab.close();
});

test('a device whose clock is a year ahead does not overrule what the desk decides after it', async ({
  browser,
}) => {
  const ahead = await browser.newContext();
  const phone = await ahead.newPage();
  await phone.clock.install({ time: new Date(Date.now() + 365 * 86_400_000) });
  await phone.clock.resume();
  await phone.goto(BENCH);
  await donate(phone, '5 clocks');
  await expect(lid(phone)).toContainText('Kept at the desk');
  const line = (await things()).find((each) => each.includes('clocks')) ?? '';
  const decidedAt = /\d{4}-\d\d-\d\dT[\d:.]+Z/.exec(line)?.[0] ?? '';
  expect(Math.abs(Date.parse(decidedAt) - Date.now())).toBeLessThan(60_000);
  await ahead.close();
});

test('a picture whose file is gone is named where it should be, on the client’s page too, and can be brought in again', async () => {
  const page = await context.newPage();
  await page.goto(`${server.address}/projects/home/rooms/hall/look`);
  await page.getByPlaceholder('e.g. from the back door').fill('from the door');
  await page.getByRole('button', { name: 'Add the spot' }).click();
  const slot = page
    .getByLabel('Before picture, from the door', { exact: true })
    .and(page.locator('input'));
  const buffer = await pictureWithPlace('#884422');
  await slot.setInputFiles({ name: 'b.jpg', mimeType: 'image/jpeg', buffer });
  await expect(page.getByRole('img', { name: 'Before picture, from the door' })).toBeVisible();
  const folder = path.join(server.dataDir, 'pictures');
  for (const name of readdirSync(folder)) rmSync(path.join(folder, name));
  const words = 'The file of this picture is missing.';
  const other = await (await context.browser()?.newContext())?.newPage();
  await other?.goto(page.url());
  await expect(other?.getByText(words) ?? page.getByText(words)).toBeVisible();
  await other?.context().close();
  const client = await fetch(`${server.address}/api/projects/home/client?download`);
  expect([client.status, (await client.text()).includes(words)]).toEqual([200, true]);
  expect((await fetch(`${server.address}/api/projects/home/client-pdf`)).status).toBe(200);
  await slot.setInputFiles({ name: 'again.jpg', mimeType: 'image/jpeg', buffer });
  await expect.poll(() => readdirSync(folder).length).toBe(2);
  await page.reload();
  await expect(page.getByText(words)).toHaveCount(0);
  await page.close();
});

test('a home is put away, found again, and forgotten for good by its name', async () => {
  const page = await context.newPage();
  const agree = `${server.address}/projects/home/home/agree`;
  await page.goto(agree);
  await page.getByRole('button', { name: 'Put this home away' }).click();
  await expect(page.getByRole('button', { name: 'Take back to the desk' })).toBeVisible();
  await page.goto(server.address);
  await expect(page.getByRole('heading', { name: 'Home', exact: true })).toHaveCount(0);
  await page.getByRole('link', { name: '1 home put away or forgotten' }).click();
  await expect(page.getByRole('link', { name: 'Home', exact: true })).toBeVisible();
  await page.goto(agree);
  await page.getByRole('button', { name: /Forget this home/ }).click();
  await page.getByLabel(/Type its name/).fill('Hom');
  await expect(page.getByRole('button', { name: 'Forget it for good' })).toBeDisabled();
  await page.getByLabel(/Type its name/).fill('Home');
  await page.getByRole('button', { name: 'Forget it for good' }).click();
  await sees(page, /A home begun on 1 November 2026, 1 room, \d pictures/);
  expect((await page.goto(BENCH))?.status()).toBe(404);
  expect(readdirSync(path.join(server.dataDir, 'pictures'))).toEqual([]);
});
