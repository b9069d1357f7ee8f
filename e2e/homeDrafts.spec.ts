import { rmSync } from 'node:fs';
import { expect, test } from '@playwright/test';

import { createOwnServer, insertHome } from './ownServer';
import { dragTag, inTray, wish } from './placing';
import { goIn } from './steps';

const server = createOwnServer(4390);
test.beforeAll(async () => {
  await server.start();
  insertHome(server.dataDir, ['hall', 'attic'], { hasTop: true });
});
test.afterAll(async () => {
  await server.stop('SIGKILL');
  rmSync(server.dataDir, { recursive: true, force: true });
});

test('an arrangement of the whole home is tried: what may leave its room goes to another one, is compared and chosen', async ({
  page,
}) => {
  const [hall, attic] = [
    `${server.address}/projects/home/rooms/hall/place`,
    page.getByRole('region', { name: 'Room 2', exact: true }),
  ];
  await page.goto(hall);
  for (const name of ['Plates', 'Tent']) {
    await page.getByLabel('Name of a new group').fill(name);
    await page.getByRole('button', { name: 'Add', exact: true }).click();
    await expect(inTray(page, name)).toBeVisible();
  }
  await wish(page, 'Tent', {
    litres: '60',
    more: async () => {
      await page.getByText('More that its place must know').click();
      await page.getByLabel('kept in reserve').check();
    },
  });
  await wish(page, 'Plates', { litres: '150' });
  await goIn(page, 'The home', 'Place');
  await expect(
    page.getByRole('heading', { name: 'Where everything lives in the whole home' }),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Try another' }).click();
  await page.getByLabel('Name of a copy of The plan').fill('Over two rooms');
  await page.getByRole('button', { name: 'Copy', exact: true }).click();
  await expect(page.getByRole('link', { name: 'Over two rooms' })).toHaveAttribute(
    'aria-current',
    'true',
  );
  // Plates must stay in their room, where no shelf holds them; the rest is placed without them.
  const proposal = page.getByRole('region', { name: 'A proposal' });
  await expect(proposal).toContainText('1 of 2 groups may leave their room');
  await proposal.getByRole('button', { name: 'Propose' }).click();
  await expect(proposal).toContainText(
    /Plates needs 150 l; the largest place, .*, room 1, holds .* It stays where it is/,
  );
  await expect(proposal.getByRole('list', { name: 'What would move' })).toContainText('Tent to');
  await proposal.getByRole('button', { name: 'Leave it' }).click();
  await dragTag(page, 'Tent', attic.getByRole('group', { name: /^Shelf,/ }));
  await expect(attic.getByRole('group', { name: /^Shelf,/ })).toContainText('Tent');
  await expect(
    page.getByRole('button', { name: 'Undo put Tent on Shelf in Over two rooms' }),
  ).toBeVisible();
  await page.getByRole('link', { name: 'Compare two arrangements of the home' }).click();
  await expect(page.getByRole('row', { name: /In another room none Tent/ })).toBeVisible();
  await page.getByRole('button', { name: 'Choose Over two rooms' }).click();
  await expect(page.getByLabel('Second arrangement')).toContainText('Over two rooms, chosen');
  await page.goto(hall);
  await expect(
    page.getByRole('region', { name: 'Other rooms' }).getByTitle(/^Shelf, room 2: 60 l/),
  ).toBeVisible();
});
