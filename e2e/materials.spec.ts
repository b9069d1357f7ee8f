import { rmSync } from 'node:fs';
import { expect, test } from '@playwright/test';

import { createOwnServer, insertHome } from './ownServer';
import { sees } from './steps';

const server = createOwnServer(4394);
test.beforeAll(async () => {
  await server.start();
  insertHome(server.dataDir, ['hall'], { hasTop: true });
});
test.afterAll(async () => {
  await server.stop('SIGKILL');
  rmSync(server.dataDir, { recursive: true, force: true });
});

test('boards and liners are typed, worked out with proof, drawn, kept, and refused with their measures', async ({
  page,
}) => {
  await page.goto(`${server.address}/projects/home/rooms/hall/shop/materials`);
  await page.getByRole('button', { name: 'A board' }).click();
  await page.getByLabel('Board', { exact: true }).fill('Pine');
  await page
    .getByRole('region', { name: 'Boards' })
    .getByLabel('Length', { exact: true })
    .first()
    .fill('1.8 m');
  await page.getByLabel('Price', { exact: true }).fill('7.40');
  await page.getByRole('button', { name: 'A piece' }).click();
  await page.getByLabel('Piece', { exact: true }).fill('Shelf');
  await page
    .getByRole('region', { name: 'Boards' })
    .getByLabel('Length', { exact: true })
    .last()
    .fill('88 cm');
  await page.getByLabel('How many', { exact: true }).fill('3');
  await page.getByLabel('Roll, width').fill('40 cm');
  const work = page.getByRole('button', { name: 'Keep, and work the plans out' });
  await work.click();
  await sees(page, 'Type how long the roll is');
  await page.getByLabel('Roll, length').fill('2 m');
  await page.getByLabel('Price a roll').fill('6');
  await work.click();
  // Two shelves and a kerf are 1763 mm: two boards for three. Two liners of 76 × 38 cm lie one
  // behind the other.
  await expect(page.getByRole('region', { name: 'Cutting plan' })).toContainText(
    '2 boards, £14.80; no cheaper way to cut them exists, that is proven.',
  );
  await expect(page.getByRole('region', { name: 'Liner plan' })).toContainText(
    '1 roll, £6.00, fewer do not do; 152 cm are used, no way uses less.',
  );
  await expect(page.getByRole('img', { name: 'Roll 1: 2 pieces on 152 cm' })).toBeVisible();
  await page.reload();
  await expect(page.getByLabel('Piece', { exact: true })).toHaveValue('Shelf');
  await page
    .getByRole('region', { name: 'Boards' })
    .getByLabel('Length', { exact: true })
    .last()
    .fill('190 cm');
  await work.click();
  await expect(page.getByRole('alert').filter({ hasText: 'longest board' })).toContainText(
    'Shelf is 190 cm long, the longest board 180 cm.',
  );
});
