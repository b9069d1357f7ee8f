import { spawnSync, type ChildProcess } from 'node:child_process';
import { readFileSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { expect, test, type Page } from '@playwright/test';
import Database from 'better-sqlite3';

import { createOwnServer, insertHome, openGateway } from './ownServer';
import { allKept, awake, decide, pictureWithPlace, sees } from './steps';

const PORTS = { port: 4385, lanPort: 4386 };
const server = createOwnServer(PORTS.port, {
  TINBOX_LAN_PORT: String(PORTS.lanPort),
  TINBOX_PORT: String(PORTS.port),
});
const desk = server.address;
const phoneAddress = `https://127.0.0.1:${PORTS.lanPort}`;
/** The worker as it was built; a newer one is the same with another word in it. */
const workerFile = path.resolve('build/serviceWorker.js');
const built = readFileSync(workerFile, 'utf8');
let gateway: ChildProcess | undefined;

test.use({
  viewport: { width: 390, height: 844 },
  launchOptions: {
    executablePath: process.env.TINBOX_CHROMIUM ?? '/usr/bin/chromium',
    // The certificate is installed by hand, once a device; here it is taken as installed, for workers too.
    args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--ignore-certificate-errors'],
  },
});
test.beforeAll(async () => {
  // The demo's homes, whose rooms have lists, moves and pictures.
  spawnSync(
    process.execPath,
    ['--import', 'tsx', '--conditions=react-server', 'scripts/prepare.ts', '--demo'],
    { env: { ...process.env, TINBOX_DATA: server.dataDir, TINBOX_BACKUPS: 'off' } },
  );
  await server.start();
  insertHome(server.dataDir, ['hall', 'den']);
  gateway = await openGateway(server.dataDir, PORTS);
});
test.afterAll(async () => {
  writeFileSync(workerFile, built);
  gateway?.kill('SIGKILL');
  await server.stop('SIGKILL');
  rmSync(server.dataDir, { recursive: true, force: true });
});

const comeBack = async () => (gateway = await openGateway(server.dataDir, PORTS));
const goOffline = () => gateway?.kill('SIGKILL');
const bench = (base: string, room = 'hall') => `${base}/projects/home/rooms/${room}/sort`;

const count = (sql: string): number => {
  const db = new Database(path.join(server.dataDir, 'tinbox.sqlite'), { readonly: true });
  const { n } = db.prepare(sql).get() as { n: number };
  db.close();
  return n;
};

async function join(page: Page, deskPage: Page, name = 'Phone of Nora'): Promise<void> {
  await deskPage.goto(`${desk}/devices`);
  await deskPage.getByRole('button', { name: 'Make a code' }).click();
  const code = (await deskPage.getByText(/^[A-Z0-9]{4} [A-Z0-9]{4}$/).textContent()) ?? '';
  await page.goto(`${phoneAddress}/pair#${code.replace(' ', '')}`);
  await page.getByLabel('What this device is called').fill(name);
  await page.getByRole('button', { name: 'Let me in' }).click();
  await page.waitForURL((url) => url.pathname === '/');
}

test('over an encrypted line: taken along, worked on without it, a newer version, and forgotten when put out', async ({
  page,
  browser,
}) => {
  const deskPage = await (await browser.newContext()).newPage();
  await join(page, deskPage);
  await page.goto(`${phoneAddress}/projects/home/home`);
  await awake(page);
  await page.evaluate(() => navigator.serviceWorker.ready);
  const part = page.getByRole('region', { name: 'On this device' });
  await part.getByRole('button', { name: 'Take this home along' }).click();
  await expect(part.getByRole('button', { name: 'Bring up to date' })).toBeVisible();

  // A newer version is there before the line goes.
  writeFileSync(workerFile, `${built}\n// a newer one\n`);
  await page.evaluate(async () => {
    await (await navigator.serviceWorker.getRegistration())?.update();
  });
  await sees(page, 'A newer version of Tin Box is here.');
  goOffline();
  await page.goto(bench(phoneAddress));
  await awake(page);
  await sees(page, 'No connection: as of');
  await decide(page, '5 candles', 'k');
  await sees(page, '1 waiting since');
  // Taken up with something waiting: it still waits, and the page still opens.
  await page.getByRole('button', { name: 'Use it now' }).click();
  await expect(page.getByText('A newer version of Tin Box is here.')).toHaveCount(0);
  await awake(page);
  await sees(page, '1 waiting since');
  await decide(page, '2 lamps', 'k');
  await sees(page, '2 waiting since');
  // The same is said differently at the desk, later.
  const wipe = (of: Page) => of.getByRole('checkbox', { name: /^Wipe/ }).first();
  await page.goto(`${phoneAddress}/projects/home/rooms/hall/set-up`);
  await awake(page);
  await wipe(page).click();
  await sees(page, '3 waiting since');
  await deskPage.goto(`${desk}/projects/home/rooms/hall/set-up`);
  await awake(deskPage);
  const atDesk = () => deskPage.waitForResponse((response) => response.url().endsWith('/acts'));
  await Promise.all([atDesk(), wipe(deskPage).click()]);
  await expect(wipe(deskPage)).toBeChecked();
  await deskPage.reload();
  await expect(wipe(deskPage)).toBeChecked();
  await awake(deskPage);
  await Promise.all([atDesk(), wipe(deskPage).click()]);
  await expect(wipe(deskPage)).not.toBeChecked();
  // The desk decides meanwhile, and is killed while the phone sends.
  await deskPage.goto(bench(desk));
  await decide(deskPage, '3 vases', 'k');
  await allKept(deskPage);
  await comeBack();
  await server.stop('SIGKILL');
  await page.waitForTimeout(500);
  await server.start();
  await allKept(page);
  await deskPage.goto(`${bench(desk)}/results`);
  // Five, two and three: each once.
  await expect(deskPage.getByRole('row', { name: /^Keep 10 / })).toBeVisible();

  // Above what it is about, and in one list: both versions, and one press.
  await page.goto(`${phoneAddress}/projects/home/rooms/hall/set-up`);
  await expect(page.getByRole('region', { name: 'Said differently on two devices' })).toContainText(
    'Phone of Nora',
  );
  await page.goto(`${phoneAddress}/projects/home/home`);
  await awake(page);
  const differs = page.getByRole('region', { name: 'Said differently on two devices' });
  await expect(differs).toContainText('Phone of Nora');
  await differs.getByRole('button', { name: 'Take the other' }).click();
  await expect(differs).toHaveCount(0);
  await deskPage.goto(`${desk}/projects/home/rooms/hall/set-up`);
  await expect(wipe(deskPage)).toBeChecked();

  // Put out while it is away: at its next contact it forgets all that it had.
  goOffline();
  await page.goto(bench(phoneAddress, 'den'));
  await sees(page, 'No connection: as of');
  await deskPage.goto(`${desk}/devices`);
  await deskPage.getByRole('button', { name: 'Revoke Phone of Nora' }).click();
  await expect(deskPage.getByRole('region', { name: 'Joined devices' })).toContainText('revoked');
  await comeBack();
  await page.goto(bench(phoneAddress, 'den'));
  await expect(page.getByRole('heading', { name: 'Join this Tin Box' })).toBeVisible();
  const left = await page.evaluate(async () => ({
    databases: (await indexedDB.databases()).map(({ name }) => name),
    caches: await caches.keys(),
    stored: Object.keys(window.localStorage),
  }));
  expect(left).toEqual({ databases: [], caches: [], stored: [] });
});

test('a session, moves, the list and a picture go on from cold without a connection, and are kept once', async ({
  page,
  browser,
}) => {
  // One group does not stand yet where it is to live.
  const db = new Database(path.join(server.dataDir, 'tinbox.sqlite'));
  const bays = db
    .prepare(
      "SELECT b.id FROM bays b JOIN units u ON u.id = b.unit_id WHERE u.room_id = 'boot-room'",
    )
    .all() as { id: string }[];
  db.prepare(
    `INSERT INTO groups (id, project_id, room_id, name, bay_id, stands_bay_id, uncounted_litres,
      lid, see, front, loose, position)
    VALUES ('rope', 'quarry-row', 'boot-room', 'Rope', ?, ?, 2, 'any', 'any', 0, 0, 99)`,
  ).run(bays[0]!.id, bays[1]!.id);
  db.close();
  const home = `${phoneAddress}/projects/quarry-row`;
  const room = `${home}/rooms/boot-room`;
  const purchases = () => count('SELECT count(*) n FROM purchases');
  const pictures = () => count("SELECT count(*) n FROM pictures WHERE moment = 'later'");
  const [boughtBefore, shotBefore] = [purchases(), pictures()];
  await join(page, await (await browser.newContext()).newPage(), 'Phone of Ida');
  await page.goto(`${room}/place/moves`);
  await awake(page);
  await page.getByRole('button', { name: 'Work out the order' }).click();
  const moves = page.getByRole('region', { name: 'Moves' });
  await expect(moves).toContainText('to go');
  await page.goto(`${room}/sort`);
  await awake(page);
  await page.getByRole('button', { name: 'Start a session' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Start', exact: true }).click();
  const session = page.getByRole('region', { name: 'Session' });
  await expect(session).toContainText('step 1 of');
  await page.goto(`${home}/home`);
  await awake(page);
  await page.evaluate(() => navigator.serviceWorker.ready);
  const part = page.getByRole('region', { name: 'On this device' });
  await part.getByRole('button', { name: 'Take this home along' }).click();
  await expect(part.getByRole('button', { name: 'Bring up to date' })).toBeVisible({
    timeout: 60_000,
  });

  goOffline();
  await page.goto(`${room}/sort`);
  await sees(page, 'No connection: as of');
  await awake(page);
  await session.getByRole('button').last().click();
  await expect(session).toContainText('step 2 of');
  await sees(page, '1 waiting since');

  await page.goto(`${room}/place/moves`);
  await awake(page);
  const tick = moves.getByRole('checkbox').first();
  await tick.click();
  await sees(page, '2 waiting since');
  await page.reload();
  await expect(tick).toBeChecked();

  await page.goto(`${room}/shop`);
  await awake(page);
  const line = page.getByRole('listitem').filter({ hasText: 'Paint, 0.5 l' }).first();
  await line.getByText('the till said otherwise').click();
  await line.getByLabel('Paid for Paint, 0.5 l').fill('7.35');
  await line.getByRole('button', { name: 'Bought' }).click();
  await sees(page, '3 waiting since');
  await page.reload();
  await expect(line).toContainText('waits');

  await page.goto(`${room}/show`);
  await awake(page);
  await page
    .getByLabel(/^Take the Looked at again picture/)
    .first()
    .setInputFiles({
      name: 'again.jpg',
      mimeType: 'image/jpeg',
      buffer: await pictureWithPlace('#887'),
    });
  await sees(page, '4 waiting since');
  await page.reload();
  await sees(page, '4 waiting since');

  await comeBack();
  await allKept(page);
  await page.goto(`${room}/sort`);
  await expect(session).toContainText('step 2 of');
  await page.goto(`${room}/place/moves`);
  await expect(tick).toBeChecked();
  expect([purchases() - boughtBefore, pictures() - shotBefore]).toEqual([1, 1]);
  expect(count('SELECT count(*) n FROM purchases WHERE paid_minor = 735')).toBe(1);
});
