import { rmSync } from 'node:fs';
import path from 'node:path';
import { expect, test } from '@playwright/test';
import Database from 'better-sqlite3';

import { createOwnServer, insertHome } from './ownServer';
import { goIn, goTo, sees } from './steps';

const server = createOwnServer(4388);
test.beforeAll(async () => {
  await server.start();
  insertHome(server.dataDir, ['hall', 'attic', 'cellar']);
  const db = new Database(path.join(server.dataDir, 'tinbox.sqlite'));
  // Both do not fit the one shelf of their room; what is in reserve may leave it.
  for (const [id, name, litres, placing] of [
    ['plates', 'Plates', 80, {}],
    ['tent', 'Tent', 60, { isBackStock: true, usesPerWeek: 3 }],
  ] as const)
    db.prepare(
      `INSERT INTO groups (id, project_id, room_id, name, bay_id, stands_bay_id, uncounted_litres,
        lid, see, front, loose, position, placing_json)
      VALUES (?, 'home', 'hall', ?, NULL, NULL, ?, 'any', 'any', 0, 0, 0, ?)`,
    ).run(id, name, litres, JSON.stringify(placing));
  db.close();
});
test.afterAll(async () => {
  await server.stop('SIGKILL');
  rmSync(server.dataDir, { recursive: true, force: true });
});

test('rooms are joined by doors, and the proposal for the home changes with them', async ({
  page,
}) => {
  await page.goto(`${server.address}/projects/home/home/place`);
  const proposal = page.getByRole('region', { name: 'A proposal' });
  await expect(proposal).toContainText('No two rooms are joined yet: 8 m (4 to 16)');
  const propose = async (): Promise<string> => {
    await proposal.getByRole('button', { name: /Propose|Work it out again/ }).click();
    await expect(proposal.getByRole('button', { name: 'Take this arrangement' })).toBeEnabled();
    const words = await proposal
      .getByRole('list', { name: 'What would move' })
      .getByRole('listitem')
      .filter({ hasText: 'Tent' })
      .innerText();
    return /room (\d)/.exec(words)?.[1] ?? '';
  };
  const before = await propose();
  // It is seen on the drawing, where it would come.
  await expect(
    page.getByRole('region', { name: `Room ${before}`, exact: true }).getByText('Tent'),
  ).toBeVisible();
  // The other room is behind a door.
  const next = before === '2' ? '3' : '2';
  await goIn(page, 'Room 1', 'Look');
  await page.getByRole('link', { name: 'From above', exact: true }).click();
  await page.getByRole('button', { name: 'Measure the walls' }).click();
  await page.getByLabel('Length').fill('4 m');
  await page.getByLabel('Width', { exact: true }).fill('3 m');
  await page.getByRole('button', { name: 'Keep these walls' }).click();
  await page.getByRole('button', { name: 'Door, window, socket, station' }).click();
  await page.getByLabel('Leads to').selectOption({ label: `Room ${next}` });
  await page.getByRole('button', { name: 'Put it in the plan' }).click();
  await expect(page.getByRole('button', { name: /^Door/ }).first()).toBeVisible();
  await goIn(page, 'The home', 'Look');
  const ways = page.getByRole('region', { name: 'How the rooms are joined' });
  await ways.getByText('How far it is from room to room').click();
  await expect(ways).toContainText(new RegExp(`Room 1 to Room ${next}: \\d m \\(\\d to \\d\\)`));
  await expect(ways).toContainText(`Room ${before} is not joined to any room: 8 m`);
  await goTo(page, 'Place');
  await expect(proposal).toContainText('1 of 3 ways from room to room are known by their doors');
  expect(await propose()).toBe(next);

  // Two rooms are said to be joined without a door, and it is taken back.
  await goTo(page, 'Look');
  await page.getByRole('button', { name: 'These two are joined' }).click();
  await page.getByRole('button', { name: 'Keep it' }).click();
  await sees(page, 'Choose the two rooms that are joined');
  await page.getByRole('dialog').getByLabel('Room 1').check();
  await page.getByRole('dialog').getByLabel(`Room ${before}`).check();
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(ways).toContainText(`Room 1 and Room ${before} are joined`);
  await page.getByRole('button', { name: 'Remove Opening' }).click();
  await expect(ways).toContainText(`Room ${before} is not joined to any room`);
});
