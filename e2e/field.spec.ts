import { rmSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import Database from 'better-sqlite3';

import { createOwnServer, insertHome } from './ownServer';
import { allKept, awake, sees } from './steps';

const server = createOwnServer(4383);
const room = `${server.address}/projects/home/rooms/hall`;
test.beforeAll(async () => {
  await server.start();
  insertHome(server.dataDir, ['hall', 'den']);
});
test.afterAll(async () => {
  await server.stop('SIGKILL');
  rmSync(server.dataDir, { recursive: true, force: true });
});
const kept = (table: string) => {
  const db = new Database(`${server.dataDir}/tinbox.sqlite`, { readonly: true });
  const rows = db.prepare(`SELECT * FROM ${table}`).all() as Record<string, unknown>[];
  db.close();
  return rows;
};

test('without a connection steps, debts and ticks go on; they wait, survive, and count once', async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(`${room}/sort`);
  await awake(page);
  await page.getByRole('button', { name: 'Start a session' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Start', exact: true }).click();
  const session = page.getByRole('region', { name: 'Session' });
  await expect(session).toContainText('step 1 of');
  await page.context().setOffline(true);
  const next = session.getByRole('button').last();
  await next.click();
  // At once, and told that it waits.
  await expect(session).toContainText('step 2 of');
  await sees(page, 'No connection: kept on this device');
  await page.getByRole('button', { name: 'Something goes out unsorted' }).click();
  await page.getByLabel('What, and where it stands now').fill('a bag of shoes');
  await page.getByRole('button', { name: 'Note it' }).click();
  await sees(page, 'waits to be sent');
  await page.getByRole('button', { name: /^2 waiting since/ }).click();
  const waits = page.getByRole('region', { name: 'Waits to be sent' });
  await expect(waits.getByRole('listitem')).toHaveText([
    /^Next step of the session/,
    /^Went out unsorted: a bag of shoes/,
  ]);
  await page.keyboard.press('Escape');
  await page.context().setOffline(false);
  await allKept(page);
  await expect(session).toContainText('step 2 of');
  await expect(page.getByText('waits to be sent')).toHaveCount(0);
  expect(kept('field_acts')).toHaveLength(2);
  // The server dies amid the next: what it did not answer is sent again and counts once.
  await page.goto(`${room}/set-up`);
  await awake(page);
  await server.stop('SIGKILL');
  const task = page.getByRole('checkbox', { name: /^Wipe/ }).first();
  await task.click();
  await sees(page, 'waits to be sent');
  await server.start();
  await allKept(page);
  await expect(task).toBeChecked();
  expect(kept('field_acts')).toHaveLength(3);
});

test('measured, corrected and taken back without a connection; what was refused is taken up in another room', async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(`${room}/look/units/unit-hall`);
  await awake(page);
  await page.context().setOffline(true);
  await page.getByLabel('Width, second reading, place 1').fill('77.5 cm');
  await page.getByRole('button', { name: 'Keep these measures' }).click();
  await sees(page, 'it waits to be sent');
  await expect(page.getByLabel('Width, second reading, place 1')).toHaveValue('77.5 cm');
  await page.context().setOffline(false);
  await allKept(page);
  await page.goto(`${room}/look/units/unit-hall`);
  await expect(page.getByLabel('Width, second reading, place 1')).toHaveValue('77.5 cm');
  // One of two is taken back before the desk hears of it; the other's room is removed meanwhile.
  await page.goto(`${server.address}/projects/home/rooms/den/sort`);
  await awake(page);
  await page.context().setOffline(true);
  for (const note of ['a bag of hats', 'a bag of belts']) {
    await page.getByRole('button', { name: 'Something goes out unsorted' }).click();
    await page.getByLabel('What, and where it stands now').fill(note);
    await page.getByRole('button', { name: 'Note it' }).click();
    await expect(page.getByRole('dialog')).toHaveCount(0);
  }
  await page.getByRole('button', { name: /^2 waiting since/ }).click();
  await page.getByRole('button', { name: 'Take back: Went out unsorted: a bag of hats' }).click();
  await expect(
    page.getByRole('region', { name: 'Waits to be sent' }).getByRole('listitem'),
  ).toHaveCount(1);
  await page.keyboard.press('Escape');
  const db = new Database(`${server.dataDir}/tinbox.sqlite`);
  db.prepare("DELETE FROM rooms WHERE id = 'den'").run();
  db.close();
  await page.context().setOffline(false);
  await page.getByRole('button', { name: '1 refused' }).click();
  const refused = page.getByRole('region', { name: 'Refused: acts' });
  await expect(refused).toContainText('a bag of belts');
  await refused.getByLabel('In another room').selectOption({ label: 'Room 1' });
  await Promise.all([
    page.waitForResponse((response) => response.url().endsWith('/acts') && response.ok()),
    refused.getByRole('button', { name: 'Take it up there' }).click(),
  ]);
  expect(kept('carries').map(({ room_id, note }) => [room_id, note])).toContainEqual([
    'hall',
    'a bag of belts',
  ]);
  expect(kept('carries').some(({ note }) => note === 'a bag of hats')).toBe(false);
});
