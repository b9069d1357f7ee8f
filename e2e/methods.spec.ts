import { rmSync } from 'node:fs';
import { expect, test, type Browser, type Page } from '@playwright/test';

import { createOwnServer, insertHome } from './ownServer';
import { allKept, line, sees } from './steps';

const METHODS = [
  ['quick pass', 'a phone', ['Rubbish', 'Strays', 'Once round', 'Finish']],
  ['empty it all', 'a desk', ['Photograph', 'Empty', 'Group', 'Decide', 'Clean', 'Reload']],
  ['by category', 'a phone', ['Gather', 'Count', 'Decide', 'Return']],
] as const;
const SIZES = {
  'a desk': { width: 1280, height: 800 },
  'a phone': { width: 390, height: 844 },
} as const;
const cases = METHODS.map(([method, where, steps]) => ({
  method,
  steps,
  where,
  size: SIZES[where],
  isPhone: where === 'a phone',
  room: `${method}-${where}`.replace(/\W+/g, '-'),
}));

const server = createOwnServer(4397);
test.beforeAll(async () => {
  await server.start();
  insertHome(
    server.dataDir,
    cases.map(({ room }) => room),
  );
});
test.afterAll(async () => {
  await server.stop('SIGKILL');
  rmSync(server.dataDir, { recursive: true, force: true });
});

const boxWords = {
  k: 'Keep',
  d: 'Donate',
  x: 'Discard',
  e: 'Elsewhere',
  q: 'Ask',
  l: 'Later',
} as const;
const session = (page: Page) => page.getByRole('region', { name: 'Session' });
const verdict = (page: Page, name: string, count: number) =>
  expect(page.getByRole('button', { name: new RegExp(`^${name}: ${count} so far`) })).toBeVisible();

async function open(
  browser: Browser,
  room: string,
  size: { width: number; height: number },
  device: string,
): Promise<Page> {
  const isPhone = size.width < 500;
  const page = await (
    await browser.newContext({
      viewport: size,
      hasTouch: isPhone,
      isMobile: isPhone,
      reducedMotion: 'reduce',
    })
  ).newPage();
  await page.addInitScript((name) => window.localStorage.setItem('tin-box-device', name), device);
  await page.goto(`${server.address}/projects/home/rooms/${room}/sort`);
  return page;
}

for (const { method, steps, where, size, isPhone, room } of cases) {
  test(`${method} on ${where}: a whole section, through interruptions, with a second device`, async ({
    browser,
  }) => {
    const page = await open(browser, room, size, 'first');
    const press = (name: string | RegExp) =>
      isPhone
        ? page.getByRole('button', { name }).tap()
        : page.getByRole('button', { name }).click();
    /** By key at the desk, by thumb on the phone. */
    const decide = async (text: string, key: keyof typeof boxWords) => {
      await line(page).fill(text);
      if (isPhone) return press(new RegExp(`^${boxWords[key]}:`));
      await line(page).press('Enter');
      await page.keyboard.press(key);
    };
    await press('Start a session');
    const choice = page.getByLabel('Way of going through it');
    await choice.selectOption(
      (await choice
        .getByRole('option', { name: new RegExp(`^${method}`) })
        .getAttribute('value')) ?? '',
    );
    await page.getByLabel('Section').selectOption('The cupboard');
    await page.getByLabel('Minutes').fill('60');
    await press('Start');
    await expect(session(page)).toContainText(`step 1 of ${steps.length}`);

    // A pile in parts: one act, taken back by one undo and brought back by one.
    await line(page).fill('12 notebooks');
    await press(/Split the pile/);
    for (let i = 0; i < 3; i += 1) await press('One more to Keep');
    await press('All the rest to Donate');
    await press('Decide these parts');
    await verdict(page, 'Donate', 9);
    await press(/^Undo/);
    await verdict(page, 'Donate', 0);
    await press(/^Again|^ Again/);
    await verdict(page, 'Keep', 3);

    // A pile counted aloud, and the last one taken back.
    await line(page).fill('magazines, out of date');
    await press(/Count aloud/);
    for (let i = 1; i <= 4; i += 1) {
      await press(/^Discard:/);
      await verdict(page, 'Discard', i);
    }
    await press(/^Undo/);
    await verdict(page, 'Discard', 3);
    await press(/Count aloud/);
    await line(page).fill('');

    await decide('2 vases, from Gran', 'q');
    await decide('box of letters', 'l');
    await decide('5 scissors', 'e');
    await press(/no home yet/);
    await verdict(page, 'Ask', 2);
    await verdict(page, 'Later', 1);
    await verdict(page, 'Elsewhere', 5);
    await allKept(page);

    // The other device sees it, and what it decides is seen here.
    const other = await open(browser, room, isPhone ? SIZES['a desk'] : SIZES['a phone'], 'second');
    await verdict(other, 'Donate', 9);
    await line(other).fill('3 lamps');
    await other.getByRole('button', { name: /^Keep:/ }).click();
    await verdict(page, 'Keep', 6);

    // The page is loaded again in the middle of a word; then the server goes away amid the sort.
    await line(page).fill('4 old diar');
    await page.reload();
    await expect(line(page)).toHaveValue('4 old diar');
    await server.stop('SIGKILL');
    await decide('4 old diaries', 'x');
    await verdict(page, 'Discard', 7);
    await expect(page.getByRole('status').filter({ hasText: 'waiting' }).first()).toBeVisible();
    await server.start();
    await allKept(page);
    await verdict(other, 'Discard', 7);

    for (const name of steps.slice(1)) {
      await session(page).getByRole('button', { name, exact: true }).click();
      await expect(session(page)).toContainText(
        `step ${steps.indexOf(name as never) + 1} of ${steps.length}`,
      );
    }
    await session(page).getByRole('button', { name: 'End', exact: true }).click();
    await sees(page, 'The last session has ended');
    await page.goto(`${server.address}/projects/home/rooms/${room}/sort/results?of=session`);
    await expect(page.getByRole('region', { name: 'By verdict' })).toContainText('Donate');
    await expect(page.getByRole('row', { name: /^Discard/ })).toContainText('7');
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(
      size.width,
    );
    await other.context().close();
    await page.context().close();
  });
}
