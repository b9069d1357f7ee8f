import { rmSync } from 'node:fs';
import { expect, test } from '@playwright/test';

import { createOwnServer, insertHome } from './ownServer';

const server = createOwnServer(4386);
test.beforeAll(async () => {
  await server.start();
  insertHome(server.dataDir, ['hall']);
});
test.afterAll(async () => {
  await server.stop('SIGKILL');
  rmSync(server.dataDir, { recursive: true, force: true });
});

test('a working list is worked through on a phone, with a task ticked before its turn', async ({
  browser,
}) => {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const page = await context.newPage();
  await page.goto(`${server.address}/projects/home/rooms/hall/look`);
  await page.getByPlaceholder('e.g. from the back door').fill('from the door');
  await page.getByRole('button', { name: 'Add the spot' }).click();
  await expect(page.getByText('from the door').first()).toBeVisible();
  await page.goto(`${server.address}/projects/home/rooms/hall/set-up`);
  await expect(page.getByRole('heading', { name: 'Set up, room 1' })).toBeVisible();
  await expect(page.getByRole('main').getByRole('status')).toContainText('Done by');
  const list = page.getByRole('region', { name: 'Working list' });
  await expect(list).toContainText('0 of');
  await list.getByRole('checkbox', { name: /^Photograph the spots/ }).check();
  await expect(list).toContainText('Ticked before: Wipe Cupboard');
  await list.getByRole('checkbox', { name: /^Wipe Cupboard/ }).check();
  await expect(list).not.toContainText('Ticked before');
  await page.reload();
  await expect(list.getByRole('checkbox', { name: /^Wipe Cupboard/ })).toBeChecked();
  await context.close();
});
