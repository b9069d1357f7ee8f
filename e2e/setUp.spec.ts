import { readFileSync, rmSync } from 'node:fs';
import path from 'node:path';
import Database from 'better-sqlite3';
import { expect, test } from '@playwright/test';

import { createLabelPrinter } from '../src/standins/labelPrinter/printer';
import { startLabelPrinter } from '../src/standins/labelPrinter/startLabelPrinter';
import type { RunningStandin } from '../src/standins/shared/startStandin';
import { createOwnServer, insertHome } from './ownServer';

const PRINTER_PORT = 4385;
const server = createOwnServer(4386, {
  TINBOX_LABEL_PRINTER: `http://127.0.0.1:${PRINTER_PORT}`,
});
test.beforeAll(async () => {
  await server.start();
  insertHome(server.dataDir, ['hall']);
});
test.afterAll(async () => {
  await server.stop('SIGKILL');
  rmSync(server.dataDir, { recursive: true, force: true });
});

test('a working list is worked through on a phone, with a task ticked before its turn', async ({
  browser,
}) => {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const page = await context.newPage();
  await page.goto(`${server.address}/projects/home/rooms/hall/look`);
  await page.getByPlaceholder('e.g. from the back door').fill('from the door');
  await page.getByRole('button', { name: 'Add the spot' }).click();
  await expect(page.getByText('from the door').first()).toBeVisible();
  await page.goto(`${server.address}/projects/home/rooms/hall/set-up`);
  await expect(page.getByRole('heading', { name: 'Set up, room 1' })).toBeVisible();
  await expect(page.getByRole('main').getByRole('status')).toContainText('Done by');
  const list = page.getByRole('region', { name: 'Working list' });
  await expect(list).toContainText('0 of');
  await list.getByRole('checkbox', { name: /^Photograph the spots/ }).check();
  await expect(list).toContainText('Ticked before: Wipe Cupboard');
  await list.getByRole('checkbox', { name: /^Wipe Cupboard/ }).check();
  await expect(list).toContainText('Ticked before: Anchor Cupboard to the wall');
  await list.getByRole('checkbox', { name: /^Anchor Cupboard/ }).check();
  await expect(list).not.toContainText('Ticked before');
  await page.reload();
  await expect(list.getByRole('checkbox', { name: /^Wipe Cupboard/ })).toBeChecked();
  // Open again for the journeys that follow.
  await list.getByRole('checkbox', { name: /^Anchor Cupboard/ }).uncheck();
  await expect(list).toContainText('Ticked before: Anchor Cupboard to the wall');
  await context.close();
});

const printer = createLabelPrinter();
let running: RunningStandin;
test.beforeAll(async () => {
  running = await startLabelPrinter({ port: PRINTER_PORT, printer, stepMs: 150 });
});
test.afterAll(() => running.close());

/** Three groups that stand on the shelves without containers. */
function insertGroups(): void {
  const db = new Database(path.join(server.dataDir, 'tinbox.sqlite'));
  for (const [i, name] of ['Candles', 'Light bulbs', 'Batteries and torches'].entries())
    db.prepare(
      'INSERT INTO groups (id, project_id, room_id, name, bay_id, stands_bay_id, uncounted_litres, lid, see, front, ' +
        "loose, position) VALUES (?, 'home', 'hall', ?, 'bay-hall', NULL, 6, 'any', 'any', 0, 1, ?)",
    ).run(`group-${i}`, name, i);
  db.close();
}

test('labels are printed onto a sheet with two used cells, and survive a jam of the label printer', async ({
  page,
}) => {
  insertGroups();
  await page.goto(`${server.address}/projects/home/rooms/hall/set-up/labels`);
  await expect(page.getByText('0 made, 3 to make.')).toBeVisible();
  const sheet = page.getByRole('group', { name: 'Sheet 1' });
  await sheet.getByRole('button', { name: /^Cell 1\b/ }).click();
  await expect(sheet.getByRole('button', { name: 'Cell 1: used up' })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  await sheet.getByRole('button', { name: /^Cell 3\b/ }).click();
  await expect(sheet.getByRole('button', { name: 'Cell 2, Candles: used up' })).toBeVisible();
  await expect(sheet.getByRole('button', { name: 'Cell 4, Light bulbs: used up' })).toBeVisible();
  // What comes out is to scale, in each format.
  const download = page.waitForEvent('download');
  await page.getByRole('link', { name: 'PDF' }).click();
  const pdf = readFileSync(await (await download).path());
  expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
  const files = `${server.address}/api/projects/home/labels?room=hall&as=`;
  expect(await (await page.request.get(`${files}svg`)).text()).toContain('width="210mm"');
  expect(await (await page.request.get(`${files}csv`)).text()).toContain('Light bulbs');
  // On tape, through a printer that jams in the middle.
  await page.getByRole('radio', { name: 'Tape' }).click();
  await expect(page.getByText(/cm of tape in one go/)).toBeVisible();
  await page.getByRole('button', { name: 'Send 3 labels to the label printer' }).waitFor();
  // Nobody is there: what was to be sent waits, and is sent again.
  await running.close();
  await page.getByRole('button', { name: 'Send 3 labels to the label printer' }).click();
  await expect(page.getByText('The label printer does not answer').first()).toBeVisible();
  await expect(page.getByRole('button', { name: 'Send the 3 labels again' })).toBeVisible();
  running = await startLabelPrinter({ port: PRINTER_PORT, printer, stepMs: 150 });
  printer.jam();
  await page.getByRole('button', { name: 'Send the 3 labels again' }).click();
  const panel = page.getByRole('region', { name: 'Label printer' });
  await expect(panel.getByRole('status')).toContainText('The printer is jammed, 3 labels to come');
  await page.reload();
  await expect(panel.getByRole('status')).toContainText('jammed');
  await panel.getByRole('button', { name: 'Send the 3 labels again' }).click();
  printer.clear();
  await expect(page.getByText('3 made, 0 to make.')).toBeVisible();
  expect(printer.out().map(({ text }) => text)).toHaveLength(3);
});

test('a pack that is too large says what stays in it, and a routine is hung up', async ({
  page,
}) => {
  const base = `${server.address}/projects/home/rooms/hall/set-up`;
  await page.goto(`${base}/jars`);
  await page.getByRole('button', { name: 'Add a jar' }).click();
  const jar = page.getByRole('dialog');
  await jar.getByLabel('What is in it').fill('Rice');
  await jar.getByLabel('The pack says').fill('a bag');
  await jar.getByLabel('The jar takes, litres').fill('0.9');
  await jar.getByRole('button', { name: 'Keep' }).click();
  await expect(jar.getByText('As on the pack, in kg, g, l or ml')).toBeVisible();
  await jar.getByLabel('The pack says').fill('1 kg');
  await jar.getByLabel('Directions, as the pack has them').fill('12 minutes');
  await jar.getByRole('button', { name: 'Keep' }).click();
  await expect(page.getByText(/does not go into the jar of 0.9 l: about 0.3 l stay/)).toBeVisible();
  const slips = await page.request.get(
    `${server.address}/api/projects/home/cards?what=jars&id=hall`,
  );
  expect(await slips.text()).toContain('12 minutes');

  await page.goto(`${base}/routines`);
  await page.getByRole('button', { name: 'Add a routine' }).click();
  const routine = page.getByRole('dialog');
  await routine.getByLabel('It is called').fill('Post');
  await routine.getByLabel('What', { exact: true }).fill('Put the post into one tray');
  await routine.getByLabel('Who').fill('Nora');
  await routine.getByLabel('Which bin, tray or hook').fill('tray, to read');
  await routine.getByRole('button', { name: 'Keep' }).click();
  const card = page.getByRole('region', { name: 'Post' });
  await card.getByRole('button', { name: 'It hangs now' }).click();
  await expect(card.getByText('The card hangs since')).toBeVisible();
  const href = await card.getByRole('link', { name: 'Card to hang up' }).getAttribute('href');
  const paper = await page.request.get(`${server.address}${href ?? ''}`);
  expect(await paper.text()).toContain('Put the post into one tray');
  await card.getByRole('link', { name: 'tray, to read' }).click();
  await expect(page).toHaveURL(/need=tray/);
});

test('a unit is loaded from the bottom up, said to be bought, and stays open until it is anchored', async ({
  page,
}) => {
  await page.goto(`${server.address}/projects/home/rooms/hall/set-up/units`);
  const unit = page.getByRole('region', { name: 'Cupboard' });
  await expect(unit.getByRole('status')).toHaveText('3 of 3 in');
  await unit.getByRole('button', { name: 'One back' }).click();
  await expect(unit.getByRole('img', { name: /2 of 3 loaded/ })).toBeVisible();
  await expect(unit.getByText(/Anchor it/)).toBeVisible();
  await unit.getByText('How it comes, what it weighs').click();
  await unit.getByLabel('This unit').selectOption('bought');
  await unit.getByRole('button', { name: 'Keep' }).click();
  await expect(unit.getByText('Sort the small parts by kind into cups.')).toBeVisible();
  await page.goto(`${server.address}/projects/home/home/sort/results`);
  await expect(page.getByRole('region', { name: 'Not anchored' })).toContainText('Cupboard');
  // Ticked before the page has woken up, and left at once: it is kept all the same.
  await page.route('**/*.js', async (route) => {
    await new Promise((resolve) => setTimeout(resolve, 1500));
    await route.continue();
  });
  await page.goto(`${server.address}/projects/home/rooms/hall/set-up`, { waitUntil: 'commit' });
  await page.getByRole('checkbox', { name: /^Anchor Cupboard to the wall/ }).check();
  await page.waitForRequest(/\/acts$/);
  await page.unrouteAll({ behavior: 'wait' });
  await page.goto(`${server.address}/projects/home/home/sort/results`);
  await expect(page.getByRole('region', { name: 'Not anchored' })).toHaveCount(0);
});
