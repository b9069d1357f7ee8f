import { expect, test, type Browser, type Page } from '@playwright/test';

import {
  addRoom,
  allKept,
  decide,
  goIn,
  goTo,
  line,
  measureCupboard,
  startProject,
  sees,
} from './steps';

const DESK = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };

async function openBench(browser: Browser, size: typeof DESK, home: string): Promise<Page> {
  const isPhone = size === PHONE;
  const page = await (
    await browser.newContext({
      viewport: size,
      hasTouch: isPhone,
      isMobile: isPhone,
      reducedMotion: 'reduce',
    })
  ).newPage();
  await startProject(page, home);
  await addRoom(page, { name: 'Study', budget: '20' });
  await measureCupboard(page, 'Study cupboard');
  await goTo(page, 'Sort');
  return page;
}

async function startSession(page: Page, method: RegExp): Promise<void> {
  await page.getByRole('button', { name: 'Start a session' }).click();
  const choice = page.getByLabel('Way of going through it');
  await choice.selectOption(
    (await choice.getByRole('option', { name: method }).getAttribute('value')) ?? '',
  );
  await page.getByLabel('Minutes').fill('5x');
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'Type minutes' })).toBeVisible();
  await page.getByLabel('Minutes').fill('60');
  await page.getByLabel('Nora').check();
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  await expect(page.getByRole('region', { name: 'Session' })).toBeVisible();
}
const verdict = (page: Page, name: string, count: number) =>
  expect(page.getByRole('button', { name: new RegExp(`^${name}: ${count} so far`) })).toBeVisible();
const session = (page: Page) => page.getByRole('region', { name: 'Session' });

test('corrected, merged, and said differently on two devices', async ({ browser }) => {
  const page = await openBench(browser, DESK, '1 Bench Road');
  await startSession(page, /^quick pass/);
  await expect(page.getByRole('timer')).toContainText('left');
  await decide(page, '3 notebooks', 'k');
  await decide(page, '9 notebooks, too many', 'd');

  await page.getByRole('button', { name: /9 notebooks, too many/ }).click();
  await page.getByLabel('Pieces').fill('8');
  await page.getByLabel('Verdict', { exact: true }).selectOption('sell');
  await page.getByRole('button', { name: 'Keep this decision' }).click();
  await verdict(page, 'Sell', 8);
  await page.getByRole('button', { name: /8 notebooks, too many/ }).click();
  await page.getByLabel(/put it into another pile/).selectOption({ label: '3 notebooks, keep' });
  await verdict(page, 'Keep', 11);
  await verdict(page, 'Sell', 0);
  await allKept(page);

  await page.getByRole('button', { name: /Strays/ }).click();
  await expect(session(page)).toContainText('step 2 of 4');
  await expect(page.getByRole('status', { name: 'Pace' })).toContainText('a minute');

  // The second device, on the same bench.
  const phone = await (
    await browser.newContext({ viewport: PHONE, hasTouch: true, isMobile: true })
  ).newPage();
  await phone.addInitScript(() => window.localStorage.setItem('tin-box-device', 'phone'));
  await phone.goto(page.url());
  await expect(session(phone)).toContainText('Strays');
  await verdict(phone, 'Keep', 11);
  await decide(page, '3 lamps', 'k');
  await verdict(phone, 'Keep', 14);
  await phone.getByRole('button', { name: /3 lamps/ }).tap();
  await phone.getByLabel('Verdict', { exact: true }).selectOption('donate');
  await phone.getByRole('button', { name: 'Keep this decision' }).tap();
  await verdict(page, 'Donate', 3);
  await expect(page.getByRole('list', { name: 'Said differently on two devices' })).toContainText(
    'desk said kept, phone said donated after it',
  );
  // Undo at the desk takes back what the desk said, not the phone’s word.
  await line(page).blur();
  await page.keyboard.press('z');
  await verdict(page, 'Donate', 3);
  await page.reload();
  await verdict(page, 'Donate', 3);
  await page.context().close();
  await phone.context().close();
});

test('empty it all by thumb: second opinion, a full box called out, a debt noted and settled', async ({
  browser,
}) => {
  const page = await openBench(browser, PHONE, '2 Bench Road');
  await startSession(page, /^empty it all/);
  for (const name of ['Empty', 'Group', 'Decide']) {
    await session(page).getByRole('button', { name, exact: true }).tap();
    await expect(session(page)).toContainText(name);
  }
  await line(page).fill('bottle of bleach, out of date');
  await page.getByRole('button', { name: /Second opinion/ }).tap();
  const opinion = page.getByRole('region', { name: 'Second opinion' });
  await expect(opinion).toContainText('nothing acid and no ammonia beside bleach');
  await expect(opinion).toContainText('its date has passed');
  await line(page).fill('9 laundry baskets');
  await page.getByRole('button', { name: /^Donate/ }).tap();
  const out = page.getByRole('region', { name: 'Carrying out' });
  await expect(out).toContainText('Donate: carry it out now.');
  await out.getByRole('button', { name: 'It is by the door' }).tap();
  await expect(out.getByText('Donate: carry it out now.')).toHaveCount(0);
  await out.getByRole('button', { name: 'Something goes out unsorted' }).tap();
  await page.getByLabel('What, and where it stands now').fill('two baskets, in the hall');
  await page.getByRole('button', { name: 'Note it' }).tap();
  await expect(out).toContainText('two baskets, in the hall');
  await out.getByRole('button', { name: 'It is sorted' }).tap();
  await expect(out.getByText('two baskets, in the hall')).toHaveCount(0);
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  await page.context().close();
});

test('by category, and steps kept as one’s own', async ({ browser }) => {
  const page = await openBench(browser, DESK, '3 Bench Road');
  await startSession(page, /^by category/);
  await expect(session(page)).toContainText('Gather');
  await decide(page, '5 scissors', 'e');
  await page.getByRole('button', { name: /no home yet/ }).click();
  await verdict(page, 'Elsewhere', 5);
  await page.getByText('All steps, and a way of your own').click();
  await page.getByLabel('Step 1').fill('Gather and lay out');
  await page.getByRole('button', { name: 'Leave out' }).last().click();
  await page.getByLabel('Keep these steps as').fill('Laid out');
  await page.getByRole('button', { name: 'Keep', exact: true }).last().click();
  await sees(page, '“Laid out” can be chosen from the next session on.');
  await session(page).getByRole('button', { name: 'End' }).click();
  await startSession(page, /^Laid out/);
  await expect(session(page)).toContainText('Gather and lay out');
  await expect(session(page)).toContainText('step 1 of 3');
  await page.context().close();
});

test('what waits: brought in from another room, given a room, asked, put off to a day', async ({
  browser,
}) => {
  const page = await openBench(browser, DESK, '4 Bench Road');
  await decide(page, '5 scissors', 'e');
  await page.getByRole('button', { name: /no home yet/ }).click();
  await decide(page, '2 vases, from Gran', 'q');
  await decide(page, 'box of letters', 'l');
  await allKept(page);
  await page.getByRole('link', { name: /without a home/ }).click();
  const list = (name: string) => page.getByRole('region', { name });
  await list('No home yet, whole home').getByRole('combobox').selectOption('Study');
  await expect(list('No home yet, whole home')).toContainText('has a room');
  await list('To ask the client')
    .getByRole('button', { name: /vases.*: Keep/ })
    .click();
  await expect(list('To ask the client')).toContainText('No question is open.');
  await list('Decide later')
    .getByLabel(/Day to decide/)
    .fill('2027-01-09');
  await list('Decide later')
    .getByLabel(/Day to decide/)
    .blur();
  await expect(async () => {
    await page.reload();
    await expect(list('Decide later').getByLabel(/Day to decide/)).toHaveValue('2027-01-09', {
      timeout: 1500,
    });
  }).toPass();
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    list('Decide later').getByRole('link').click(),
  ]);
  expect(file.suggestedFilename()).toMatch(/reminders\.ics$/);
  await goIn(page, 'Study', 'Sort');
  await verdict(page, 'Keep', 2);
  await page.context().close();
});
