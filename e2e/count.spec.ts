import type { ChildProcess } from 'node:child_process';
import { rmSync } from 'node:fs';
import os from 'node:os';
import { expect, test, type Page } from '@playwright/test';
import Database from 'better-sqlite3';

import { createOwnServer, insertHome, openGateway } from './ownServer';
import { allKept, decide, line, pictureWithPlace, sees } from './steps';

const LAN_PORT = 4395;
const server = createOwnServer(4394, { TINBOX_LAN_PORT: String(LAN_PORT), TINBOX_PORT: '4394' });
let gateway: ChildProcess | undefined;
test.beforeAll(async () => {
  await server.start();
  insertHome(server.dataDir, ['hall', 'attic']);
  gateway = await openGateway(server.dataDir, { port: 4394, lanPort: LAN_PORT });
});
test.afterAll(async () => {
  gateway?.kill('SIGKILL');
  await server.stop('SIGKILL');
  rmSync(server.dataDir, { recursive: true, force: true });
});
const goTo = (page: Page, path: string) =>
  page.goto(`${server.address}/projects/home/rooms/${path}`);

test('enough is counted over the home, the rule is changed, what is over leaves, and the second opinion knows', async ({
  page,
}) => {
  await goTo(page, 'attic/sort');
  await decide(page, '3 bath towels', 'k');
  await allKept(page);
  await goTo(page, 'hall/sort');
  await decide(page, '4 bath towels, stained', 'k');
  await decide(page, '2 of 6 napkin rings', 'k');
  await decide(page, '3 tubs 18 x 12', 'k');
  await decide(page, '2 lids 18 x 12', 'k');
  await line(page).fill('bath towel');
  await page.keyboard.press('Enter');
  await page.keyboard.press('o');
  await expect(page.getByRole('region', { name: 'Second opinion' })).toContainText(
    'it would make 8, and 2 are enough',
  );
  await expect(page.getByRole('region', { name: 'Second opinion' })).toContainText(
    '3 more in the room 2',
  );
  await allKept(page);
  await goTo(page, 'hall/sort/count');
  const enough = page.getByRole('region', { name: 'How many are enough' });
  await expect(
    enough.getByRole('listitem').filter({ hasText: 'Bath towels' }).first(),
  ).toContainText('7 kept, 2 are enough, 5 over');
  await enough.getByLabel('guest places').fill('1');
  await enough.getByLabel('guest places').blur();
  await expect(enough).toContainText('7 kept, 4 are enough, 3 over');
  await enough.getByRole('button', { name: 'Change the rule for Bath towels' }).click();
  await enough.getByLabel('Each person', { exact: true }).fill('3');
  await enough.getByRole('button', { name: 'Keep the rule' }).click();
  await expect(enough).toContainText('7 kept, 5 are enough, 2 over');
  await enough.getByRole('button', { name: 'Donate 2 bath towels, stained' }).click();
  await expect(enough).toContainText('5 kept, 5 are enough');
  await expect(page.getByRole('region', { name: 'In several rooms' })).toContainText(
    '5 bath towels in 2 rooms',
  );
  await expect(page.getByRole('region', { name: 'Lids to boxes' })).toContainText(
    'Without a lid: 1 of 3 tubs 18 x 12',
  );
  await expect(page.getByRole('region', { name: 'Sets and pairs' })).toContainText(
    '2 of 6, 4 missing',
  );
});

test('a drawer of forty packs takes some keys each; what is out leaves the right way, and the card can be printed', async ({
  page,
}) => {
  await goTo(page, 'hall/sort/dates');
  const packs = [
    'pap 1225',
    '0628',
    'cum 3/28',
    'asp 0125',
    'saffron',
    ...Array.from(
      { length: 35 },
      (_, i) =>
        `${['ore', 'thy', 'mac', 'dil', 'cin'][i % 5]} ${String(1 + (i % 12)).padStart(2, '0')}28`,
    ),
  ];
  let keys = 0;
  const box = page.getByRole('textbox', { name: /beginning of its name/ });
  for (const pack of packs) {
    keys += pack.length + 1;
    await box.pressSequentially(pack);
    await box.press('Enter');
    await expect(box).toHaveValue('');
  }
  // At three keys a second, which is slow, all forty are done in two minutes.
  expect(keys / 3).toBeLessThan(120);
  await expect(page.getByRole('region', { name: 'Just read' })).toContainText(
    '40 packs, 2 out of date',
  );
  await allKept(page);
  const card = page.getByRole('region', { name: 'Dates card' });
  await expect(card).not.toContainText('aspirin');
  await expect(card.getByRole('listitem').filter({ hasText: 'oregano' }).first()).toContainText(
    'use first',
  );
  await page.getByRole('button', { name: /before them/ }).click();
  await page.getByRole('button', { name: 'Take back saffron' }).click();
  await expect(page.getByRole('region', { name: 'Just read' })).toContainText('39 packs');
  await allKept(page);
  const printed = await (
    await page.request.get(`${server.address}/api/projects/home/dates-card?room=hall`)
  ).text();
  expect(printed).toContain('paprika');
  expect(printed).not.toContain('saffron');
  const csv = await (
    await page.request.get(`${server.address}/api/projects/home/csv?what=things`)
  ).text();
  expect(csv).toMatch(/aspirin tablets,1,recycle,out_of_date,pharmacy,.*2025-01-31/);
});

test('a thing’s picture stays with its decision, without its place; and a kind that was weighed weighs on the bench', async ({
  page,
}) => {
  await page.goto(`${server.address}/kinds`);
  await page.getByRole('searchbox').fill('umbrella');
  await page.getByRole('button', { name: 'Weigh some: umbrella', exact: true }).click();
  await page.getByLabel('Pieces on the scale').fill('2');
  await page.getByLabel('Grams together').fill('1600');
  await page.getByRole('button', { name: 'Add this weighing' }).click();
  await expect(page.getByRole('row', { name: /^umbrella folding/ })).toContainText(
    'weighed (mean of 2)',
  );
  await goTo(page, 'hall/sort');
  await line(page).fill('3 umbrellas');
  await expect(page.getByRole('region', { name: 'The thing in hand' })).toContainText('2.4 kg');
  await page.getByLabel('Picture of the thing in hand').setInputFiles({
    name: 'umbrella.jpg',
    mimeType: 'image/jpeg',
    buffer: await pictureWithPlace('#554433'),
  });
  await sees(page, 'Picture taken');
  await line(page).press('Enter');
  await page.keyboard.press('k');
  await allKept(page);
  await page.reload();
  await page.getByRole('button', { name: /3 umbrellas/ }).click();
  const picture = page.getByRole('img', { name: 'Picture of umbrellas' });
  await expect(picture).toBeVisible();
  await expect
    .poll(() => picture.evaluate((image: HTMLImageElement) => image.naturalWidth))
    .toBeGreaterThan(0);
  const bytes = await (
    await page.request.get(`${server.address}${await picture.getAttribute('src')}`)
  ).body();
  expect(bytes.includes(Buffer.from('Exif'))).toBe(false);
});

test('a phone joins by the code from the desk, decides under its name, and is revoked again', async ({
  page,
  browser,
}) => {
  await page.goto(`${server.address}/devices`);
  await page.getByRole('button', { name: 'Make a code' }).click();
  const code = (await page.getByText(/^[A-Z0-9]{4} [A-Z0-9]{4}$/).textContent()) ?? '';
  // The network's address where there is one: there a browser gives a page less than on the machine itself.
  const outside =
    Object.values(os.networkInterfaces())
      .flatMap((list) => list ?? [])
      .find(({ family, internal }) => family === 'IPv4' && !internal)?.address ?? '127.0.0.1';
  const phone = await (
    await browser.newContext({
      viewport: { width: 390, height: 844 },
      hasTouch: true,
      isMobile: true,
      // The certificate is installed by hand, once a device; here it is taken as installed.
      ignoreHTTPSErrors: true,
    })
  ).newPage();
  // In the clear there is nothing but the way in, and the same fingerprint as at the desk.
  const fingerprint = (await page.getByLabel('Fingerprint').textContent()) ?? '';
  await phone.goto(`http://${outside}:${LAN_PORT}/projects/home/rooms/hall/sort`);
  await sees(phone, fingerprint);
  await expect(phone.getByRole('link', { name: 'Download it' })).toBeVisible();
  await phone.goto(`https://${outside}:${LAN_PORT}/projects/home/rooms/hall/sort`);
  await expect(phone.getByRole('heading', { name: 'Join this Tin Box' })).toBeVisible();
  await phone.goto(`https://${outside}:${LAN_PORT}/pair#${code.replace(' ', '')}`);
  await phone.getByLabel('What this device is called').fill('Phone of Nora');
  await phone.getByRole('button', { name: 'Let me in' }).tap();
  await phone.waitForURL((url) => url.pathname === '/');
  await phone.goto(`https://${outside}:${LAN_PORT}/projects/home/rooms/attic/sort`);
  await line(phone).fill('7 candles');
  await phone.getByRole('button', { name: /^Keep:/ }).tap();
  await allKept(phone);
  const db = new Database(`${server.dataDir}/tinbox.sqlite`, { readonly: true });
  expect(
    db
      .prepare(
        "SELECT json_extract(event_json, '$.device') AS device FROM decision_events ORDER BY seq DESC LIMIT 1",
      )
      .get(),
  ).toEqual({ device: 'Phone of Nora' });
  db.close();
  await phone.goto(`https://${outside}:${LAN_PORT}/devices`);
  await phone.getByRole('button', { name: 'Make a code' }).tap();
  await sees(phone, 'at the desk itself');
  await page.getByRole('button', { name: 'Revoke Phone of Nora' }).click();
  await expect(page.getByRole('region', { name: 'Joined devices' })).toContainText('revoked');
  await phone.goto(`https://${outside}:${LAN_PORT}/`);
  await expect(phone.getByRole('heading', { name: 'Join this Tin Box' })).toBeVisible();
  await phone.context().close();
});
