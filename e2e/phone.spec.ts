import { expect, test } from '@playwright/test';

import { addRoom, allKept, goTo, line, measureCupboard, startProject } from './steps';

test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });

test('on a phone: measured, sorted by thumb and placed by tapping', async ({ page }) => {
  await startProject(page, '5 Phone Lane');
  await addRoom(page, { name: 'Hall', budget: '40' });
  await measureCupboard(page, 'Hall cupboard');
  await goTo(page, 'Sort');
  await line(page).fill('12 hats');
  await page.getByRole('button', { name: 'One piece fewer' }).tap();
  await page.getByLabel('Group').selectOption('+');
  await page.getByLabel('Name of the new group').fill('Hats');
  await page.getByRole('button', { name: 'Add', exact: true }).tap();
  await expect(page.getByLabel('Group')).toContainText('Hats');
  await page.getByRole('button', { name: /^Keep: 0/ }).tap();
  await expect(page.getByRole('button', { name: /^Keep: 11 so far/ })).toBeVisible();
  await line(page).fill('odd glove');
  await page.getByRole('button', { name: /^Recycle/ }).tap();
  await page.getByRole('button', { name: 'recycle', exact: true }).tap();
  await expect(page.getByRole('button', { name: /^Recycle: 1 so far/ })).toBeVisible();
  await allKept(page);

  // Every verdict lies under the thumb and is at least 48 px high.
  for (const box of await page.getByRole('group', { name: 'Verdicts' }).getByRole('button').all()) {
    const place = await box.boundingBox();
    expect(place?.height).toBeGreaterThanOrEqual(48);
    expect(place?.y).toBeGreaterThan(844 / 2);
  }
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);

  await goTo(page, 'Place');
  await page.getByRole('button', { name: /^Hats,/ }).tap();
  await page.getByRole('button', { name: 'Put it on Shelf 2' }).tap();
  await expect(
    page.getByRole('group', { name: /^Shelf 2,/ }).getByRole('button', { name: /^Hats/ }),
  ).toBeVisible();
});
