import { rmSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { addDays, format, formatISO } from 'date-fns';

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
  page
    .getByRole('region', { name: title, exact: true })
    .getByRole('listitem', { name: /^Visit, / });

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
  // Left out, what follows is worked out anew; taken back, it stands again.
  await visits(page, 'Planned')
    .getByRole('button', { name: /^Remove the visit/ })
    .click();
  await expect(proposal.getByRole('status')).toContainText('1 visit, likely done on');
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await expect(visits(page, 'Planned')).toContainText('9:00 to 11:30');
});

test('a visit is dragged and stepped to another day, is pinned there, and what follows is worked out', async ({
  page,
}) => {
  const day = (ahead: number) => formatISO(addDays(new Date(), ahead), { representation: 'date' });
  const words = (ahead: number) => format(addDays(new Date(), ahead), 'EEE d MMM');
  await page.goto(`${server.address}/projects/home/home/days`);
  await page.getByRole('button', { name: 'Plan a visit' }).click();
  await page.getByLabel('Day', { exact: true }).fill(day(2));
  await page.getByRole('dialog').getByLabel('Who comes, with commas between').fill('Bram');
  await page.getByRole('button', { name: 'Keep the visit' }).click();
  const board = page.getByRole('table', { name: 'Weeks' });
  const chip = board.getByRole('button', { name: /Visit, (planned|pinned)$/ });
  const from = await chip.boundingBox();
  const cell = board.getByRole('cell').filter({ has: page.locator(`[data-day="${day(9)}"]`) });
  const to = await cell.boundingBox();
  if (!from || !to) throw new Error('the board is not on screen');
  await page.mouse.move(from.x + 20, from.y + 12);
  await page.mouse.down();
  await page.mouse.move(to.x + 30, to.y + 40, { steps: 12 });
  await page.mouse.up();
  await expect(chip).toHaveAccessibleName(new RegExp(`^${words(9)}.*pinned$`));
  await expect(
    page.getByRole('region', { name: 'Proposed days' }).getByRole('status'),
  ).toBeVisible();
  await chip.focus();
  await page.keyboard.press('Shift+ArrowRight');
  await expect(chip).toHaveAccessibleName(new RegExp(`^${words(10)}.*pinned$`));
  await page.getByRole('button', { name: `Remove the visit of ${words(10)}` }).click();
  await expect(chip).toHaveCount(0);
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
  await today.getByRole('checkbox', { name: 'The cupboard, room 1' }).check();
  await expect(today.getByText('Finished: 1 of 1 section')).toBeVisible();
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
  // What was typed for the hours is on the statement, with the rule that was set there.
  await page.goto(`${server.address}/projects/home/home/statement`);
  await page.getByText('Rounding and tax').click();
  await page.getByLabel('Hours of each visit go to').selectOption('30');
  await page.getByLabel('Tax on the fee, per cent').fill('20');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  const hours = page.getByRole('region', { name: 'Hours' });
  await expect(hours.getByText('3 h 30').first()).toBeVisible();
  await hours.getByRole('link').first().click();
  await expect(visits(page, 'Lived')).toContainText('3.5 h at work');
  const statement = `${server.address}/api/projects/home/statement`;
  const csv = await page.request.get(`${statement}?as=csv&from=&to=`);
  expect(await csv.text()).toMatch(/hours_corrected,.*,Wren.*,210,210,.*,visit,/);
  const pdf = await (await page.request.get(`${statement}?as=pdf`)).body();
  expect(pdf.toString('latin1').match(/\/Type \/Page\b/g)).toHaveLength(1);
  await context.close();
});

test('a visit that ends with work left over says so, and what follows is planned for all homes', async ({
  page,
}) => {
  await page.goto(`${server.address}/projects/home/home/days`);
  await page.getByRole('button', { name: 'Plan a visit' }).click();
  await page.getByLabel('The cupboard, room 2').check();
  await page.getByRole('button', { name: 'Keep the visit' }).click();
  // Wren was here in the morning.
  await expect(page.getByText('Wren is at Home from 9:00 to 12:00 that day').first()).toBeVisible();
  await page.getByRole('textbox', { name: 'From', exact: true }).fill('14');
  await page.getByRole('textbox', { name: 'To', exact: true }).fill('17');
  await page.getByRole('button', { name: 'Keep the visit' }).click();
  const today = visits(page, 'Today');
  await today.getByRole('button', { name: 'Arrived' }).click();
  await today.getByRole('button', { name: 'Left' }).click();
  // Nothing was ticked: the section is still to be done, and the pinned visit of 2030 holds it.
  await page.getByRole('button', { name: /^Remove the visit of Mon 4 Mar/ }).click();
  await page.getByRole('button', { name: 'Leave it' }).click();
  await expect(page.getByText(/^In no visit yet: about/)).toBeVisible();
  await page.goto(server.address);
  await page.getByRole('link', { name: /^(Plan the days|Days) of all homes$/ }).click();
  const who = page.getByRole('region', { name: 'Who works' });
  await who.getByRole('button', { name: 'Set hours of Wren' }).click();
  const sheet = page.getByRole('dialog');
  for (const name of ['Mon', 'Tue', 'Wed', 'Thu']) await sheet.getByLabel(name).uncheck();
  await sheet.getByLabel('To', { exact: true }).fill('7');
  await sheet.getByRole('button', { name: 'Keep' }).click();
  await expect(sheet.getByText('It ends before it begins')).toBeVisible();
  await sheet.getByLabel('To', { exact: true }).fill('16');
  await sheet.getByRole('button', { name: 'Keep' }).click();
  await expect(who).toContainText('Fri, 8:00 to 16:00');
  const proposal = page.getByRole('region', { name: 'Proposed days' });
  await proposal.getByRole('button', { name: 'Propose days' }).click();
  await expect(proposal.getByRole('status')).toContainText(/likely done on Fri/);
  await proposal.getByRole('button', { name: 'Take these days' }).click();
  await expect(
    page.getByRole('table', { name: 'Weeks' }).getByRole('button', { name: /^Fri .*, planned$/ }),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Show the address' }).click();
  const address = await page.getByLabel('Address of the calendar').inputValue();
  expect(await (await page.request.get(address)).text()).toContain('BEGIN:VEVENT');
});
