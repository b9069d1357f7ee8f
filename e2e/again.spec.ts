import { rmSync } from 'node:fs';
import path from 'node:path';
import { expect, test } from '@playwright/test';
import Database from 'better-sqlite3';

import { createOwnServer, insertHome } from './ownServer';
import { awake, sees } from './steps';

const server = createOwnServer(4386);
test.beforeAll(async () => {
  await server.start();
  insertHome(server.dataDir, ['hall'], { hasTop: true });
  insertGroups();
});
test.afterAll(async () => {
  await server.stop('SIGKILL');
  rmSync(server.dataDir, { recursive: true, force: true });
});

/** Two groups with a place each, as the bench and Place leave them. */
function insertGroups(): void {
  const db = new Database(path.join(server.dataDir, 'tinbox.sqlite'));
  const columns = (db.pragma('table_info(groups)') as { name: string }[]).map(({ name }) => name);
  for (const [i, [name, bay]] of [
    ['Tape', 'bay-hall'],
    ['Candles', 'top-hall'],
  ].entries()) {
    const row: Record<string, unknown> = {
      id: `group-${i}`,
      project_id: 'home',
      room_id: 'hall',
      name,
      bay_id: bay,
      uncounted_litres: 4,
      lid: 'any',
      see: 'any',
      front: 0,
      loose: 0,
      position: i,
      // Tape is in use all day.
      placing_json: JSON.stringify(name === 'Tape' ? { usesPerWeek: 40 } : {}),
    };
    const known = Object.keys(row).filter((column) => columns.includes(column));
    db.prepare(
      `INSERT INTO groups (${known.join(', ')}) VALUES (${known.map(() => '?').join(', ')})`,
    ).run(...known.map((column) => row[column]));
  }
  db.close();
}

const home = `${server.address}/projects/home/home/look-again`;

test('a member of the household looks for things on a phone, and what was missed is told', async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  for (const run of [1, 2]) {
    await page.goto(`${home}/test`);
    await awake(page);
    await page.getByRole('button', { name: 'Start: 2 things' }).click();
    await page.getByRole('button', { name: 'I am ready' }).click();
    for (let i = 0; i < 2; i += 1) {
      const thing = await page
        .getByRole('region', { name: 'Where does it go?' })
        .getByRole('heading')
        .innerText();
      // Nobody sees from the drawing where anything lives.
      await expect(page.getByText(/^(Tape|Candles)$/)).toHaveCount(0);
      if (thing === 'tape') {
        await page.getByRole('button', { name: 'Cupboard, Top' }).click();
        await sees(page, 'Not there. Where else?');
        await page.getByRole('button', { name: 'Cupboard, Shelf' }).click();
      } else await page.getByRole('button', { name: 'Cupboard, Top' }).click();
    }
    await page.getByRole('button', { name: 'Keep the test' }).click();
    await sees(page, run === 1 ? /1 of 2 at once/ : /2 of 4 at once/);
  }
  const shows = page.getByRole('region', { name: 'What it shows' });
  await expect(
    shows.getByText(/2 of 2 did not find tape at once; 2 looked first in Cupboard, Top/),
  ).toBeVisible();
  await expect(shows.getByText(/put a label there/)).toBeVisible();
});

test('the walk: a place overfull, a stray that goes back, one that stays; the look is made and told', async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(`${server.address}/projects/home/rooms/hall/look-again`);
  await awake(page);
  const shelf = page.getByRole('group', { name: 'How Shelf was found' });
  await shelf.getByRole('button', { name: 'Overfull' }).click();
  await page.getByLabel('About how many litres').fill('120');
  await page.getByLabel('What ran out, or is out of date').fill('matches');
  await page.getByLabel('What lies here and does not live here').fill('candles');
  await page.getByRole('button', { name: 'Note it' }).click();
  await sees(page, 'belongs in the room 1');
  await page.getByRole('button', { name: 'It is back' }).click();
  await page.getByLabel('What lies here and does not live here').fill('fishing line');
  await page.getByRole('button', { name: 'Note it' }).click();
  await page.getByRole('button', { name: 'It lives here now' }).click();
  await expect(page.getByText('belongs to no group')).toBeHidden();
  const top = page.getByRole('group', { name: 'How Top was found' });
  await top.getByRole('button', { name: 'As meant' }).click();
  await sees(page, /2 of 2 places looked at/);
  await page.reload();
  await awake(page);
  await expect(page.getByLabel('About how many litres')).toHaveValue('120');
  await page.getByRole('button', { name: 'The look is made' }).click();
  await sees(page, /; made on /);
  await page.goto(home);
  await sees(page, /Cupboard, Shelf \(room 1\) was overfull, about 120 l/);
  await sees(page, /Candles lay in Cupboard, Shelf/);
});

test('a finding is mended: another place as a draft beside the chosen one, and what was changed is told', async ({
  page,
}) => {
  await page.goto(`${home}/findings`);
  await awake(page);
  const overfull = page.getByRole('region', {
    name: /Cupboard, Shelf .* was overfull, about 120 l/,
  });
  await expect(overfull.getByText(/l too much/)).toBeVisible();
  await overfull
    .getByRole('listitem')
    .filter({ hasText: 'Say how many are enough' })
    .getByRole('button')
    .click();
  await expect(
    overfull.getByText(/it was decided to say how many are enough .* nobody has looked since/),
  ).toBeVisible();
  const tape = page.getByRole('region', { name: /did not find tape at once/ });
  await expect(tape.getByText(/tape to .*Top.* a week less of walking/)).toBeVisible();
  await tape.getByRole('button', { name: 'Try it as a draft' }).click();
  await page.waitForURL(/place\/compare/);
  await expect(page.getByRole('option', { name: 'Tape where it is sought' })).not.toHaveCount(0);
  // The chosen arrangement stays as it is.
  const where = await page.request.get(`${server.address}/projects/home/where?q=tape&id=group-0`);
  expect(await where.text()).toContain('Shelf');
});

test('an overfull place is fitted with what was found, beside what is counted', async ({
  page,
}) => {
  await page.goto(`${home}/findings`);
  const overfull = page.getByRole('region', { name: /was overfull, about 120 l/ });
  await overfull
    .getByRole('listitem')
    .filter({ hasText: 'Fit the place again' })
    .getByRole('link', { name: 'Where it is done' })
    .click();
  await sees(page, /Fitted with the 120 l that lay here when somebody looked, not the/);
  await page.getByRole('link', { name: 'With what is counted' }).click();
  await expect(page.getByText('Fitted with the 120 l')).toBeHidden();
});

test('a finished room corrects what is estimated, until somebody starts over', async ({ page }) => {
  finishRoom();
  await page.goto(`${server.address}/learnt`);
  await awake(page);
  await sees(page, 'Rests on 1 finished room of 1 home');
  const hours = page.getByRole('region', { name: 'Hours of rooms' });
  await hours.getByText('The 1 room in figures').click();
  await expect(hours.getByRole('row').filter({ hasText: 'Room 1' })).toContainText('20 h');
  const agree = `${server.address}/projects/home/home/agree`;
  const corrected = page.getByText(/Corrected by 1 finished room of yours, ×/);
  await page.goto(agree);
  await page.getByText('How that comes about').click();
  await expect(corrected).toBeVisible();
  await page.goto(`${server.address}/learnt`);
  await awake(page);
  await hours.getByRole('button', { name: /Start over/ }).click();
  await expect(hours.getByText(/is left aside/)).toBeVisible();
  await page.goto(agree);
  await page.getByText('How that comes about').click();
  await expect(page.getByText(/The rates are assumptions/)).toBeVisible();
  await page.goto(`${server.address}/learnt`);
  await awake(page);
  await hours.getByRole('button', { name: /Count all of it again/ }).click();
  await expect(hours.getByRole('button', { name: /Start over/ })).toBeVisible();
  await page.goto(agree);
  await page.getByText('How that comes about').click();
  await expect(corrected).toBeVisible();
});

/** The room has its picture after and its hours; as a change of the home, so that it is seen. */
function finishRoom(): void {
  const db = new Database(path.join(server.dataDir, 'tinbox.sqlite'));
  db.prepare("UPDATE rooms SET worked_minutes = 1200 WHERE id = 'hall'").run();
  db.prepare(
    "INSERT INTO vantage_points (id, room_id, name, position) VALUES ('spot', 'hall', 'door', 0)",
  ).run();
  db.prepare(
    'INSERT INTO pictures (id, vantage_point_id, moment, width_px, height_px, taken_at) ' +
      "VALUES ('after', 'spot', 'after', 4, 3, '2026-11-20T09:00:00.000Z')",
  ).run();
  db.prepare('DELETE FROM known_answers').run();
  db.close();
}
