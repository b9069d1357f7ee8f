import { expect, test, type Page } from '@playwright/test';

import { addRoom, allKept, goTo, line, measureCupboard, startProject, sees } from './steps';

/** Presses Tab until the focus is on what is wanted; fails where the keyboard never gets there. */
async function tabTo(page: Page, name: RegExp): Promise<void> {
  for (let i = 0; i < 80; i += 1) {
    await page.keyboard.press('Tab');
    const label = await page.evaluate(() => {
      const focused = document.activeElement;
      const label =
        focused instanceof HTMLInputElement ? focused.labels?.[0]?.textContent : undefined;
      return focused?.getAttribute('aria-label') ?? label ?? focused?.textContent ?? '';
    });
    if (name.test(label)) return;
  }
  throw new Error(`the keyboard never reached ${name}`);
}

test('by keyboard alone: sort, carry a tag, take a fit, and undo it', async ({ page }) => {
  await startProject(page, '7 Key Street');
  await addRoom(page, { name: 'Study', budget: '60' });
  await measureCupboard(page, 'Study cupboard');

  // A digit goes to its step; on the bench digits are reasons instead.
  await page.keyboard.press('3');
  await page.waitForURL(/\/sort/);
  await expect(line(page)).toBeFocused();
  await page.keyboard.type('24 books');
  await tabTo(page, /^Group$/);
  await page.keyboard.press('End');
  await page.keyboard.type('Books');
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Group')).toContainText('Books');
  await line(page).focus();
  await page.keyboard.press('Enter');
  await page.keyboard.press('+');
  await page.keyboard.press('1');
  await expect(page.getByRole('button', { name: 'in use' })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  await page.keyboard.press('k');
  await expect(page.getByRole('button', { name: /^Keep: 25 so far/ })).toBeVisible();

  // A group that is made by its name takes the verdict of the next key, however fast.
  await page.keyboard.type('6 candles / Evenings');
  await page.keyboard.press('Enter');
  await page.keyboard.press('k');
  await expect(page.getByRole('button', { name: /^Keep: 31 so far/ })).toBeVisible();
  await page.keyboard.type('2 candles');
  await expect(page.getByLabel('Group')).toContainText('Evenings');
  await page.keyboard.press('Control+a');

  // A verdict while typing, and where it goes by its digit.
  await page.keyboard.type('3 odd gloves');
  await page.keyboard.press('Alt+r');
  await page.keyboard.press('1');
  await expect(page.getByRole('button', { name: /^Recycle: 3 so far/ })).toBeVisible();
  await sees(page, 'to textile bank');
  await allKept(page);

  await goTo(page, 'Place');
  await tabTo(page, /^Books,/);
  await page.keyboard.press('Enter');
  await sees(page, /Books over Shelf/);
  await page.keyboard.press('Enter');
  await expect(
    page.getByRole('group', { name: /^Shelf \d,.*/ }).getByRole('button', { name: /^Books/ }),
  ).toBeVisible();

  await page.keyboard.press('5');
  await page.waitForURL(/\/fit/);
  await expect(page.getByRole('radio', { name: /Least money.*£/s })).toBeVisible({
    timeout: 30_000,
  });
  await page.keyboard.press('a');
  await sees(page, 'Taken. What it needs is on the shopping list.');
  await expect(page.getByRole('button', { name: /Undo took a fit/ })).toBeVisible();
  await page.keyboard.press('z');
  await expect(page.getByRole('button', { name: /Take this fit/ })).toBeVisible();
});

test('by keyboard alone, from the first look to the client’s page', async ({ page, context }) => {
  const press = (key: string) => page.keyboard.press(key);
  const fill = async (name: RegExp, text: string) => {
    await tabTo(page, name);
    await press('Control+a');
    await page.keyboard.type(text);
  };
  await page.goto('/projects/new');
  await fill(/^What this home is called/, '9 Tab Lane');
  await fill(/^Name$/, 'Nora');
  await fill(/^Height/, '1,68 m');
  await press('Enter');
  await expect(page.getByRole('heading', { name: 'Add a room' })).toBeVisible();
  await fill(/^Room$/, 'Den');
  await press('Enter');
  await expect(page.getByRole('heading', { name: 'Den' })).toBeVisible();

  await tabTo(page, /^Measure a unit$/);
  await press('Enter');
  await page.waitForURL(/units\/new/);
  await fill(/^Unit$/, 'Den cupboard');
  await fill(/^Outside width/, '86 cm');
  await fill(/^Outside depth/, '40 cm');
  await fill(/^Outside height/, '90 cm');
  await fill(/^Width, first reading, place 1/, '80 cm');
  await fill(/^Depth, first reading, place 1/, '36 cm');
  await fill(/^Height, first reading, place 1/, '40 cm');
  await press('Enter');
  await page.waitForURL(/\/look$/);

  await press('3');
  await expect(line(page)).toBeFocused();
  await page.keyboard.type('6 candles / Evenings');
  await press('Enter');
  await press('k');
  await allKept(page);
  // On the bench digits are reasons: by the dividers to the next step.
  await tabTo(page, /^Place/);
  await press('Enter');
  await page.waitForURL(/\/place$/);
  await tabTo(page, /^Evenings,/);
  await press('Enter');
  await press('Enter');
  await expect(
    page.getByRole('group', { name: /^Shelf/ }).getByRole('button', { name: /^Evenings/ }),
  ).toBeVisible();
  await press('9');
  await page.waitForURL(/\/show/);
  await tabTo(page, /^Open the page$/);
  const opening = context.waitForEvent('page');
  await press('Enter');
  const client = await opening;
  await expect(client.getByRole('heading', { name: /9 Tab Lane|Den/ }).first()).toBeVisible();
  await expect(client.getByText('Evenings').first()).toBeVisible();
});

test('single keys can be switched off on a device, and are off then', async ({ page }) => {
  await page.goto('/');
  await page.keyboard.press('?');
  await page.getByLabel(/^Single keys act on this device/).uncheck();
  await page.keyboard.press('Escape');
  await page.keyboard.press('f');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.getByRole('button', { name: 'Keys' }).click();
  await page.getByLabel(/^Single keys act on this device/).check();
  await page.keyboard.press('Escape');
  await page.keyboard.press('f');
  await expect(page.getByRole('dialog', { name: 'Find anything' })).toBeVisible();
});
