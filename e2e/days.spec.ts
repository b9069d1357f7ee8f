import { rmSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';

import { createOwnServer, insertHome } from './ownServer';

const server = createOwnServer(4387);
test.beforeAll(async () => {
  await server.start();
  insertHome(server.dataDir, ['hall', 'attic']);
});
test.afterAll(async () => {
  await server.stop('SIGKILL');
  rmSync(server.dataDir, { recursive: true, force: true });
});

const visits = (page: Page, title: string) =>
  page.getByRole('region', { name: title, exact: true }).getByRole('listitem');

test('days are proposed, taken, one is pinned and stays when they are proposed again', async ({
  page,
}) => {
  await page.goto(`${server.address}/projects/home/home`);
  await page.getByRole('link', { name: 'Days', exact: true }).click();
  await page.getByText('When, and who comes').click();
  await page.getByLabel('Who comes, with commas between').fill('Wren, Tilda');
  await page.getByLabel('Days on which the client cannot').fill('Christmas');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByText('“Christmas” is no day')).toBeVisible();
  await page.getByLabel('Days on which the client cannot').fill('2030-12-24');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  const proposal = page.getByRole('region', { name: 'Proposed days' });
  await proposal.getByRole('button', { name: 'Propose days' }).click();
  await expect(proposal.getByRole('status')).toContainText('1 visit, likely done on');
  await proposal.getByRole('button', { name: 'Take these days' }).click();
  await expect(visits(page, 'Planned')).toHaveCount(1);
  await expect(visits(page, 'Planned')).toContainText(
    'The cupboard, room 1 · The cupboard, room 2',
  );
  // Moved by hand and pinned, it stays; what is in it is not planned twice.
  await visits(page, 'Planned')
    .getByRole('button', { name: /^Change the visit/ })
    .click();
  await page.getByRole('textbox', { name: 'To', exact: true }).fill('8');
  await page.getByRole('button', { name: 'Keep the visit' }).click();
  await expect(page.getByText('It ends before it begins')).toBeVisible();
  await page.getByLabel('Day', { exact: true }).fill('2030-03-04');
  await page.getByRole('textbox', { name: 'To', exact: true }).fill('11.30');
  await page.getByLabel('pinned: a proposal leaves it where it is').check();
  await page.getByRole('button', { name: 'Keep the visit' }).click();
  await expect(visits(page, 'Planned')).toContainText('9:00 to 11:30');
  await proposal.getByRole('button', { name: 'Propose days' }).click();
  await expect(proposal.getByRole('status')).toContainText('Nothing is left to plan');
  const calendar = await page.request.get(`${server.address}/api/projects/home/visits?as=ics`);
  expect(await calendar.text()).toContain('DTSTART:20300304T090000');
});

test('a visit is lived on a phone: arrived, a break, left, hours corrected, and counted', async ({
  browser,
}) => {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const page = await context.newPage();
  await page.goto(`${server.address}/projects/home/home/days`);
  await page.getByRole('button', { name: 'Plan a visit' }).click();
  await page.getByLabel('The cupboard, room 1').check();
  await page.getByRole('button', { name: 'Keep the visit' }).click();
  const today = visits(page, 'Today');
  await today.getByRole('checkbox', { name: /boxes? of 50 l/ }).check();
  await expect(today.getByText(/^What to bring/)).not.toContainText('2 of 2');
  await today.getByRole('button', { name: 'Arrived' }).click();
  await expect(today.getByText(/^Before you go/)).toContainText('1 of 1 not packed');
  await expect(today.getByRole('status')).toContainText('at work');
  await today.getByRole('button', { name: 'Break' }).click();
  await page.reload();
  await today.getByRole('button', { name: 'Go on' }).click();
  await today.getByRole('button', { name: 'Left' }).click();
  const lived = visits(page, 'Lived');
  await lived.getByText('What was done, promised, and is next').click();
  await lived.getByLabel('Done').fill('Coats are sorted');
  await lived.getByLabel('Hours at work, if the clock is wrong').fill('3,5');
  await lived.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(lived).toContainText('3.5 h at work');
  await page.getByRole('link', { name: 'What is next' }).click();
  await expect(page.getByRole('region', { name: 'Next', exact: true })).toBeVisible();
  await page.getByRole('button', { name: /^Tray/ }).click();
  await expect(page.getByText('worked of about')).toBeVisible();
  await expect(page.getByRole('complementary')).toContainText('3.5 h');
  const sheet = await page.request.get(`${server.address}/api/projects/home/visits?as=csv`);
  expect(await sheet.text()).toMatch(/,Wren,.*,0,210,corrected,The cupboard,/);
  await context.close();
});
