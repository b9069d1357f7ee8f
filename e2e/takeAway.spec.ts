import { readFileSync, rmSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';

import { createCollectionDiary } from '../src/standins/collection/diary';
import { startCollection } from '../src/standins/collection/startCollection';
import type { RunningStandin } from '../src/standins/shared/startStandin';
import { createOwnServer, insertHome } from './ownServer';
import { allKept, awake, decide, drag, sees } from './steps';

const COLLECTION_PORT = 4383;
const server = createOwnServer(4382, {
  TINBOX_COLLECTION: `http://127.0.0.1:${COLLECTION_PORT}`,
});
const diary = createCollectionDiary(new Date().toISOString().slice(0, 10));
let collection: RunningStandin;
test.beforeAll(async () => {
  await server.start();
  insertHome(server.dataDir, ['hall']);
  collection = await startCollection({ port: COLLECTION_PORT, diary });
});
test.afterAll(async () => {
  await collection.close();
  await server.stop('SIGKILL');
  rmSync(server.dataDir, { recursive: true, force: true });
});

const base = `${server.address}/projects/home/home/take-away`;

async function addDestination(
  page: Page,
  {
    name,
    takes,
    more = {},
    ticks = [],
  }: {
    readonly name: string;
    readonly takes: readonly string[];
    readonly more?: Readonly<Record<string, string>>;
    readonly ticks?: readonly string[];
  },
): Promise<void> {
  await page.getByRole('button', { name: 'Add a destination' }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByLabel('Name').fill(name);
  for (const each of [...takes, ...ticks]) await sheet.getByLabel(each, { exact: true }).check();
  for (const [label, text] of Object.entries(more)) await sheet.getByLabel(label).fill(text);
  await sheet.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByRole('heading', { name, exact: true })).toBeVisible();
}

test('destinations are written down once, with what is wrong said at its field', async ({
  page,
}) => {
  await page.goto(`${server.address}/destinations`);
  await page.getByRole('button', { name: 'Add a destination' }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByLabel('Name').fill('Second Round');
  await sheet.getByLabel('Open, a line each').fill('Mon 12-9');
  await sheet.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(sheet.getByText('Say at least one thing that it takes')).toBeVisible();
  await expect(sheet.getByText(/“Mon 12-9” makes no sense here/)).toBeVisible();
  await expect(sheet.getByLabel('Name')).toHaveValue('Second Round');
  await page.keyboard.press('Escape');
  await addDestination(page, {
    name: 'Second Round',
    takes: ['Give away'],
    more: {
      'Minutes from a home': '10',
      'Open, a line each': 'Mon-Sun 9:00-17:00',
      'Takes no': 'mattresses',
    },
    ticks: ['Gives receipts'],
  });
  await addDestination(page, {
    name: 'Harrow Lane site',
    takes: ['Recycling', 'Hazardous'],
    more: { 'Minutes from a home': '20' },
  });
  await addDestination(page, {
    name: 'The van',
    takes: ['Sell'],
    ticks: ['Comes for it'],
  });
  const csv = await (await page.request.get(`${server.address}/api/destinations`)).text();
  expect(csv).toContain('Second Round,give');
  expect(csv).toContain('Mon-Sun 9:00-17:00');
});

test('what is decided to leave is packed, a box moves between trips, and the plan keeps it', async ({
  page,
}) => {
  await page.goto(`${server.address}/projects/home/rooms/hall/sort`);
  for (const [text, key] of [
    ['30 coats', 'd'],
    ['6 mattresses', 'd'],
    ['24 plates', 'd'],
    ['3 lamps', 's'],
  ] as const)
    await decide(page, text, key);
  await allKept(page);
  await page.goto(base);
  const shop = page.getByRole('region', { name: 'Second Round' });
  await expect(shop).toContainText('30 coats');
  await expect(
    page.getByRole('region', { name: /Give away: no destination takes it/ }),
  ).toContainText('Second Round takes no mattresses');
  await page.goto(`${base}/trips`);
  await awake(page);
  await page.getByLabel('Another day').fill('2027-03-01');
  await page.getByRole('button', { name: 'Add this time' }).click();
  await expect(page.getByText('Mon 1 Mar, 10:00')).toBeVisible();
  await page.getByLabel('Another day').fill('2027-03-02');
  await page.getByRole('button', { name: 'Add this time' }).click();
  await expect(page.getByText('Tue 2 Mar, 10:00')).toBeVisible();
  await page.getByRole('button', { name: 'Pack and plan' }).click();
  await expect(page.getByRole('main').getByRole('status').first()).toContainText('proven');
  const trips = page.getByRole('region', { name: /^Trip \d$/ });
  await expect(trips.first()).toContainText('leaves 10:00');
  const before = await trips.count();
  // A box of its own trip, then dragged back into the first car.
  await page.getByRole('button', { name: 'Box 1', exact: true }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByRole('button', { name: 'Packed' }).click();
  await expect(sheet.getByRole('button', { name: 'Open it again' })).toBeVisible();
  await sheet.getByLabel('On which trip').selectOption('new');
  await page.keyboard.press('Escape');
  await expect(trips).toHaveCount(before + 1);
  const box = page.getByRole('button', { name: /^Box 1, Second Round/ });
  const other = page.getByRole('button', { name: /^Box 2, Second Round/ });
  // Both cars on screen at once.
  await page.setViewportSize({ width: 1280, height: 2600 });
  await drag(page, box, other);
  await expect(trips).toHaveCount(before);
  await page.getByRole('button', { name: 'Work it out anew' }).click();
  await expect(page.getByText('planned', { exact: false }).first()).toBeVisible();
  await page.getByRole('button', { name: 'Box 1', exact: true }).click();
  await expect(sheet.getByRole('button', { name: 'Open it again' })).toBeVisible();
  await page.keyboard.press('Escape');
  const labels = await page.request.get(`${server.address}/api/projects/home/box-labels`);
  expect(await labels.text()).toContain('Second Round');
});

test('a trip is driven on a phone without a connection, with a refusal and a receipt', async ({
  browser,
}) => {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const page = await context.newPage();
  await page.goto(`${base}/drive`);
  await page.getByRole('button', { name: 'Loaded, we drive' }).click();
  await expect(page.getByRole('button', { name: 'Not driving yet' })).toBeVisible();
  await context.setOffline(true);
  await page.getByRole('button', { name: 'Handed over' }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByRole('checkbox', { name: /plates/ }).uncheck();
  await sheet.getByLabel('Why plates was refused').fill('no china today');
  await sheet.getByLabel('Receipt number').fill('SR 11');
  await sheet.getByRole('button', { name: /^Handed over, \d of \d piles$/ }).click();
  await expect(page.getByText(/kept on this device until there is a connection/)).toBeVisible();
  await context.setOffline(false);
  await allKept(page);
  await page.goto(`${base}/given?year=${new Date().getFullYear()}`);
  await sees(page, 'receipt SR 11');
  await sees(page, /Refused: \d+ plates \(no china today\)/);
  await page.goto(base);
  await sees(page, 'Refused by Second Round: no china today');
  const csv = await (
    await page.request.get(
      `${server.address}/api/projects/home/given?as=csv&year=${new Date().getFullYear()}`,
    )
  ).text();
  expect(csv).toMatch(/Second Round,give,SR 11,\d+,coats/);
  const download = page.waitForEvent('download');
  await page.goto(`${base}/given`);
  await page.getByRole('link', { name: 'PDF' }).click();
  const pdf = readFileSync(await (await download).path());
  expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
  await context.close();
});

test('a pick-up is booked once, lost, and booked again', async ({ page }) => {
  await page.goto(`${base}/trips`);
  await awake(page);
  const pickUps = page.getByRole('region', { name: 'Pick-ups' });
  diary.setMood('down');
  await pickUps.getByRole('button', { name: 'Ask for a slot' }).click();
  await sees(page, /The collection service does not answer/);
  diary.setMood('well');
  await pickUps.getByRole('button', { name: 'Ask for a slot' }).click();
  const slots = page.getByRole('dialog').getByRole('listitem');
  await expect(slots.first()).toContainText('free');
  // Somebody else is quicker.
  const [first] = diary.slots();
  diary.fill(first?.id ?? '');
  await slots.first().getByRole('button').click();
  await sees(page, 'Somebody else took that slot. Choose another.');
  await expect(slots.first()).toContainText('full');
  await slots.nth(1).getByRole('button').click();
  await expect(pickUps).toContainText('booked');
  expect(diary.bookings()).toHaveLength(1);
  diary.callOff(diary.bookings()[0]?.id ?? '');
  await pickUps.getByRole('button', { name: 'Ask how it stands' }).click();
  await expect(pickUps).toContainText('called off: the van is broken; we are sorry');
  await pickUps.getByRole('button', { name: 'Call it off' }).click();
  await expect(pickUps.getByRole('button', { name: 'Call it off' })).toHaveCount(0);
});
