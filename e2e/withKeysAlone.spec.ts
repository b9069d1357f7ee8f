import { expect, test, type Page } from '@playwright/test';

import { addRoom, allKept, goTo, line, measureCupboard, startProject, sees } from './steps';

/** Presses Tab until the focus is on what is wanted; fails where the keyboard never gets there. */
async function tabTo(page: Page, name: RegExp): Promise<void> {
  for (let i = 0; i < 80; i += 1) {
    await page.keyboard.press('Tab');
    const label = await page.evaluate(() => {
      const focused = document.activeElement;
      return focused?.getAttribute('aria-label') ?? focused?.textContent ?? '';
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
