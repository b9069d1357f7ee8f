import { rmSync } from 'node:fs';
import { expect, test } from '@playwright/test';

import { createOwnServer, insertHome } from './ownServer';

const server = createOwnServer(4393);
test.beforeAll(async () => {
  await server.start();
  insertHome(server.dataDir, ['hall']);
});
test.afterAll(async () => {
  await server.stop('SIGKILL');
  rmSync(server.dataDir, { recursive: true, force: true });
});

test('a proposal is worked out, says how good it is and why, is taken at once and undone at once', async ({ page }) => {
  await page.goto(`${server.address}/projects/home/rooms/hall/place`);
  for (const name of ['Mugs', 'Plates']) {
    await page.getByLabel('Name of a new group').fill(name);
    await page.getByRole('button', { name: 'Add', exact: true }).click();
    await expect(page.getByRole('region', { name: 'No home yet' })).toContainText(name);
  }
  const proposal = page.getByRole('region', { name: 'A proposal' });
  await proposal.getByRole('button', { name: 'Propose' }).click();
  await expect(proposal).toContainText('no arrangement takes less, that is proven');
  await expect(proposal.getByRole('list', { name: 'What would move' })).toContainText('the only place that it may have');
  await proposal.getByRole('button', { name: 'Take this arrangement' }).click();
  await expect(page.getByRole('region', { name: 'No home yet' })).toContainText('Every group has a place.');
  await page.keyboard.press('z');
  await expect(page.getByRole('region', { name: 'No home yet' })).toContainText('Mugs');
  // More than the shelf holds: said in words, and nothing is moved.
  await page.getByRole('button', { name: /^Mugs/ }).last().click();
  await page.getByLabel('Litres not counted one by one').fill('400');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByRole('button', { name: /^Mugs\s*400 l/ })).toBeVisible();
  await proposal.getByRole('button', { name: 'Propose' }).click();
  await expect(proposal).toContainText(/Mugs needs 400 l, the largest bay, Shelf, holds/);
});
