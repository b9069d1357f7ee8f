import { rmSync } from 'node:fs';
import { expect, test } from '@playwright/test';

import { createOwnServer, insertHome } from './ownServer';
import { bay, dragTag, unplaced, inTray, tag, wish } from './placing';
import { sees } from './steps';

// Each test goes on where the one before it ended.
test.describe.configure({ mode: 'serial' });
const server = createOwnServer(4393);
test.beforeAll(async () => {
  await server.start();
  insertHome(server.dataDir, ['hall'], { hasTop: true });
});
test.afterAll(async () => {
  await server.stop('SIGKILL');
  rmSync(server.dataDir, { recursive: true, force: true });
});

const PLACE = '/projects/home/rooms/hall/place';
test('a proposal is worked out, says how good it is and why, is taken at once and undone at once', async ({
  page,
}) => {
  await page.goto(`${server.address}${PLACE}`);
  for (const name of ['Mugs', 'Plates']) {
    await page.getByLabel('Name of a new group').fill(name);
    await page.getByRole('button', { name: 'Add', exact: true }).click();
    await expect(inTray(page, name)).toBeVisible();
  }
  const proposal = page.getByRole('region', { name: 'A proposal' });
  await proposal.getByRole('button', { name: 'Propose' }).click();
  await expect(proposal).toContainText('no arrangement takes less, that is proven');
  await proposal.getByRole('button', { name: 'Take this arrangement' }).click();
  await expect(unplaced(page)).toContainText('Every group has a place.');
  await page.keyboard.press('z');
  await expect(inTray(page, 'Mugs')).toBeVisible();
  // More than any shelf holds: said in words, and nothing is moved.
  await wish(page, 'Mugs', { litres: '400' });
  await proposal.getByRole('button', { name: 'Propose' }).click();
  await expect(proposal).toContainText(/Mugs needs 400 l; the largest place, .*Shelf, holds/);
  await wish(page, 'Mugs', { litres: '60' });
});

test('tags are dragged on paper, pinned, tried in a second draft, compared and chosen', async ({
  page,
}) => {
  await page.goto(`${server.address}${PLACE}`);
  await wish(page, 'Plates', { litres: '60' });
  // By hand: over a place the reason against it shows before the tag is let go.
  await dragTag(page, 'Mugs', bay(page, 'Top'));
  await expect(bay(page, 'Top')).toContainText('Mugs');
  await tag(page, 'Plates').focus();
  await page.keyboard.press('Enter');
  await sees(page, /Not there: more than the place holds/);
  await page.keyboard.press('Escape');
  await wish(page, 'Mugs', {
    litres: '60',
    more: async () => {
      await page.getByLabel('A week').fill('20');
      await page.getByLabel('stays where it is, whatever is proposed').check();
    },
  });
  // How it is today is an arrangement too: there the mugs stand low and the plates where the mugs
  // are to live.
  await page.getByRole('link', { name: 'As it is today' }).click();
  await expect(inTray(page, 'Mugs')).toBeVisible();
  for (const [name, down] of [
    ['Mugs', 1],
    ['Plates', 0],
  ] as const) {
    await tag(page, name).focus();
    await page.keyboard.press('Enter');
    for (let i = 0; i < down; i += 1) await page.keyboard.press('ArrowDown');
    await page.keyboard.press('Enter');
    await expect(
      page.getByRole('button', { name: new RegExp(`Undo put ${name} on .*, as it is today`) }),
    ).toBeVisible();
  }
  await page.getByRole('button', { name: 'Try another' }).click();
  await page.getByLabel('Name of a copy of As it is today').fill('Crossed');
  await page.getByRole('button', { name: 'Copy', exact: true }).click();
  await expect(page.getByRole('link', { name: 'Crossed' })).toHaveAttribute('aria-current', 'true');
  const proposal = page.getByRole('region', { name: 'A proposal' });
  await proposal.getByRole('button', { name: 'Propose' }).click();
  await expect(proposal.getByRole('list', { name: 'What pins cost' })).toContainText(
    /Keeping Mugs on Shelf costs \d\.\d min a week\./,
  );
  // Point by point against how it stands; then the new one is chosen.
  await page
    .getByRole('navigation', { name: 'Pages of placing' })
    .getByRole('link', { name: 'Compare' })
    .click();
  await page.getByLabel('Second arrangement').selectOption({ label: 'First draft, chosen' });
  await expect(page.getByRole('region', { name: 'What moves' })).toContainText('Mugs from');
  await expect(page.getByRole('row', { name: /Without a place/ })).toContainText('Plates');
  await page.getByLabel('Second arrangement').selectOption({ label: 'Crossed' });
  await page.getByRole('button', { name: 'Choose Crossed' }).click();
  await expect(page.getByLabel('Second arrangement')).toContainText('Crossed, chosen');
});

test('the moves are listed, printed and ticked off; what stands elsewhere changes the rest', async ({
  page,
}) => {
  await page.goto(`${server.address}${PLACE}`);
  // The two change places: each bay is too full for both.
  for (const [name, key] of [
    ['Mugs', 'ArrowUp'],
    ['Plates', 'ArrowDown'],
  ] as const) {
    await tag(page, name).focus();
    for (const press of ['Enter', key, 'Enter']) await page.keyboard.press(press);
    await expect(
      page.getByRole('button', { name: new RegExp(`Undo put ${name} on`) }),
    ).toBeVisible();
  }
  await page.goto(`${server.address}${PLACE}/moves`);
  await page.getByLabel('Where the baskets stand meanwhile').fill('on the landing');
  await page.getByRole('button', { name: 'Work out the order' }).click();
  const moves = page.getByRole('region', { name: 'Moves' });
  await expect(moves).toContainText('2 baskets of 45 l ready, on the landing');
  await expect(moves).toContainText('Waiting for each other');
  await page.evaluate(() => {
    window.print = () => {
      document.title = 'printed';
    };
  });
  await moves.getByRole('button', { name: 'Print this list' }).click();
  await expect(page).toHaveTitle('printed');
  const lines = moves.getByRole('checkbox');
  await expect(lines).toHaveCount(3);
  await lines.first().check();
  await expect(moves).toContainText('2 of 3 to go');
  // The other one was put into a basket too: now both only go in.
  await moves.getByRole('button', { name: 'it is elsewhere' }).first().click();
  await moves.getByLabel(/really is/).selectOption({ label: 'in a basket' });
  await expect(moves.getByRole('checkbox', { name: /from a basket/ })).toHaveCount(2);
  await expect(moves).toContainText('3 baskets of 45 l ready');
  for (const line of [1, 2]) await lines.nth(line).check();
  await expect(moves).toContainText('All moves are done');
  await page.goto(`${server.address}${PLACE}?draft=today`);
  await expect(bay(page, 'Top')).toContainText('Mugs');
});

test('a chosen arrangement comes as SVG and PDF, and what cannot be drawn is refused', async ({
  request,
}) => {
  const drawing = (query: string) =>
    request.get(`${server.address}/api/projects/home/drawings?room=hall&what=places&${query}`);
  const svg = await (await drawing('scale=10&format=svg')).text();
  expect(svg).toContain('>Mugs</text>');
  // Ten millimetres of cupboard are one on paper.
  const [, paperMm, drawnMm] =
    /width="([\d.]+)mm" height="[\d.]+mm" viewBox="[\d.-]+ [\d.-]+ ([\d.]+)/.exec(svg) ?? [];
  expect(Number(drawnMm) / Number(paperMm)).toBeCloseTo(10, 6);
  expect(svg).toContain('width="800" height="900"');
  expect((await (await drawing('scale=20&format=pdf')).body()).subarray(0, 5).toString()).toBe(
    '%PDF-',
  );
  expect((await drawing('scale=15')).status()).toBe(400);
  expect((await drawing('scale=10&draft=gone')).status()).toBe(404);
});
