import { readFileSync, rmSync } from 'node:fs';
import path from 'node:path';
import { expect, test, type Page } from '@playwright/test';

import { createMailbox } from '../src/standins/mailbox/mailbox';
import { startMailbox } from '../src/standins/mailbox/startMailbox';
import type { RunningStandin } from '../src/standins/shared/startStandin';
import { createOwnServer, endLinks, insertHome } from './ownServer';
import { allKept, awake, decide, sees } from './steps';

const MAILBOX_PORT = 4385;
const server = createOwnServer(4384, { TINBOX_MAILBOX: `http://127.0.0.1:${MAILBOX_PORT}` });
const mailbox = createMailbox();
let running: RunningStandin;
test.beforeAll(async () => {
  await server.start();
  insertHome(server.dataDir, ['hall']);
  running = await startMailbox({ port: MAILBOX_PORT, mailbox });
});
test.afterAll(async () => {
  await running.close();
  await server.stop('SIGKILL');
  rmSync(server.dataDir, { recursive: true, force: true });
});

const clientDesk = `${server.address}/projects/home/home/show/client`;
const bench = `${server.address}/projects/home/rooms/hall/sort`;

/** Opens the client's desk and waits until it answers to a hand. */
async function openDesk(page: Page): Promise<void> {
  await page.goto(clientDesk);
  await awake(page);
}

/** Puts things before the client, each by its words. */
async function ask(page: Page, ...things: readonly string[]): Promise<void> {
  await page.goto(bench);
  await awake(page);
  for (const thing of things) await decide(page, thing, 'q');
  await allKept(page);
}

async function makeLink(page: Page): Promise<string> {
  await openDesk(page);
  await page.getByRole('button', { name: 'Make the link' }).click();
  return page.getByLabel('The link').inputValue();
}

test('a link is answered by thumb, and the answer arrives live on the list and at the desk', async ({
  page,
  browser,
}) => {
  await ask(page, 'violin', '3 wool scarves');
  const link = await makeLink(page);
  await page.goto(`${server.address}/projects/home/home/sort`);
  const phone = await browser.newPage({ viewport: { width: 390, height: 844 } });
  const response = await phone.goto(link);
  const headers = response?.headers() ?? {};
  expect(headers['x-robots-tag']).toContain('noindex');
  expect(headers['referrer-policy']).toBe('no-referrer');
  expect(headers['cache-control']).toContain('no-store');
  const violin = phone.getByRole('group', { name: 'Your answer: violin' });
  await violin.getByRole('button', { name: 'Sell' }).click();
  await sees(phone, /Sent at .*You can still change it/);
  await expect(phone.getByRole('status').last()).toContainText('1 of 3 answered');
  // No press at the desk: it arrives by itself.
  const line = page.getByRole('region', { name: 'To ask the client' });
  await expect(line.getByText('says “sell”')).toBeVisible();
  const desk = await browser.newPage();
  await desk.goto(server.address);
  await expect(desk.getByRole('link', { name: /Home: 1 answer to take \(Nora/ })).toBeVisible();
  // Changed before anybody took it: the newer counts.
  await violin.getByRole('button', { name: 'Keep' }).click();
  await expect(line.getByText('says “keep”')).toBeVisible();
  await expect(line.getByText('says “sell”')).toBeHidden();
  await line.getByRole('button', { name: 'Take it' }).click();
  await expect(line.getByText('says “keep”')).toBeHidden();
  await expect(line.getByText('violin')).toBeHidden();
  await phone.reload();
  await sees(phone, /Decided since, on .*: kept/);
  await Promise.all([phone.close(), desk.close()]);
});

test('what was decided since is shown and not gone over without a word', async ({
  page,
  browser,
}) => {
  await ask(page, 'green lamp');
  const link = await makeLink(page);
  const phone = await browser.newPage();
  await phone.goto(link);
  // Somebody at the home decides meanwhile.
  await page.goto(`${server.address}/projects/home/home/sort`);
  await awake(page);
  await page.getByRole('button', { name: 'green lamp: Donate' }).click();
  await allKept(page);
  await phone
    .getByRole('group', { name: 'Your answer: green lamp' })
    .getByRole('button', { name: 'Keep' })
    .click();
  await sees(phone, /Sent at/);
  await openDesk(page);
  const answers = page.getByRole('region', { name: 'Answers' });
  await expect(
    answers.getByText(/Since it was asked: decided since, on .*: donated/),
  ).toBeVisible();
  await answers.getByRole('button', { name: 'Take it all the same' }).click();
  await sees(page, 'No answer waits');
  await phone.close();
});

test('a link for looking only, one that is revoked, and one that never was', async ({
  page,
  browser,
}) => {
  await openDesk(page);
  await page.getByRole('checkbox', { name: 'Where everything lives' }).check();
  await expect(
    page
      .getByRole('region', { name: 'A page for the client' })
      .getByRole('checkbox', { name: 'Where everything lives' }),
  ).toBeVisible();
  const maker = page.getByRole('region', { name: 'A page for the client' });
  await maker.getByRole('checkbox', { name: /May answer/ }).uncheck();
  await maker.getByRole('checkbox', { name: 'Where everything lives' }).check();
  await maker.getByRole('button', { name: 'Make the link' }).click();
  const link = await page.getByLabel('The link').inputValue();
  const family = await browser.newPage();
  await family.goto(link);
  await expect(family.getByRole('heading', { name: 'Where everything lives' })).toBeVisible();
  await expect(family.locator('.choices')).toHaveCount(0);
  const posted = await family.request.post(`${link}/answers`, {
    data: {
      answers: [{ id: 'a1', key: 'thing x', says: 'keep', saidAt: new Date().toISOString() }],
    },
    headers: { origin: server.address, 'sec-fetch-site': 'same-origin' },
  });
  expect(posted.status()).toBe(403);
  await page.reload();
  await awake(page);
  await expect(
    page.getByRole('listitem').filter({ hasText: 'Nora, a link, for looking only' }),
  ).toContainText('opened once');
  await page.getByRole('button', { name: 'Revoke the page for Nora' }).first().click();
  expect((await family.goto(link))?.status()).toBe(410);
  await sees(family, 'This link has ended');
  expect((await family.goto(`${link.slice(0, -3)}abc`))?.status()).toBe(404);
  await page.getByRole('button', { name: 'Make the link' }).click();
  const lapsing = await page.getByLabel('The link').inputValue();
  expect((await family.goto(lapsing))?.status()).toBe(200);
  endLinks(server.dataDir, '2026-11-01T09:00:00.000Z');
  expect((await family.goto(lapsing))?.status()).toBe(410);
  await sees(family, 'This link has ended');
  await family.close();
});

test('a file that answers back, by message and by file, counts once and only here', async ({
  page,
  browser,
}) => {
  await ask(page, 'blue teapot', 'brass clock');
  await openDesk(page);
  const maker = page.getByRole('region', { name: 'A page for the client' });
  await maker.getByRole('radio', { name: 'A file that answers back' }).click();
  await maker.getByRole('button', { name: 'Make the file' }).click();
  const saving = page.waitForEvent('download');
  await maker.getByRole('link', { name: 'Save the file' }).click();
  const file = path.join(server.dataDir, 'page.html');
  await (await saving).saveAs(file);
  const client = await browser.newPage({ viewport: { width: 390, height: 844 } });
  await client.goto(`file://${file}`);
  const answer = (name: string, says: string) =>
    client
      .getByRole('group', { name: `Your answer: ${name}` })
      .getByRole('button', { name: says })
      .click();
  await answer('blue teapot', 'Give away');
  await client.getByRole('button', { name: 'Copy as text' }).click();
  const message = await client.getByLabel('Your answers as text').inputValue();
  await answer('brass clock', 'Let us talk');
  const answering = client.waitForEvent('download');
  await client.getByRole('button', { name: 'Save the answer file' }).click();
  const answerFile = path.join(server.dataDir, 'answers.json');
  await (await answering).saveAs(answerFile);
  await client.close();

  const answers = page.getByRole('region', { name: 'Answers' });
  await answers
    .getByLabel('The message that was sent back')
    .fill(`Hello, here it is:\n${message}\nNora`);
  await answers.getByRole('button', { name: 'Read the message' }).click();
  await sees(page, '1 answer to take, above.');
  await expect(answers.getByText('blue teapot')).toBeVisible();
  // The file holds the same answer and one more.
  await answers.locator('input[type=file]').setInputFiles(answerFile);
  await sees(page, '1 answer to take, above; 1 known already, counted once.');
  await answers
    .getByLabel('The message that was sent back')
    .fill(message.replace(/.{40}\]$/s, ']'));
  await answers.getByRole('button', { name: 'Read the message' }).click();
  await sees(page, /cut or changed on its way/);
  const foreign = JSON.stringify({
    ...(JSON.parse(readFileSync(answerFile, 'utf8')) as object),
    pageId: 'another-page',
  });
  await answers.getByLabel('The message that was sent back').fill(foreign);
  await answers.getByRole('button', { name: 'Read the message' }).click();
  await sees(page, /belong to a page that was not made for this home/);
  await answers.getByRole('button', { name: 'Take it' }).click();
  await answers.getByRole('button', { name: 'We have talked' }).click();
  await sees(page, 'No answer waits');
});

test('a message goes by a press, waits where the mailbox is down, and is not sent twice', async ({
  page,
}) => {
  await ask(page, 'tin soldier');
  mailbox.setMood('down');
  await openDesk(page);
  const maker = page.getByRole('region', { name: 'A page for the client' });
  await maker.getByText('Send it by mail').click();
  await maker.getByLabel('Mail address').fill('nora@');
  await maker.getByRole('button', { name: 'Make the link and send it' }).click();
  await expect(maker.getByText('This is no mail address')).toBeVisible();
  await maker.getByLabel('Mail address').fill('nora@quarry.example');
  await maker.getByLabel('What you write').fill('Dear Nora, three minutes of your time.');
  await maker.getByRole('button', { name: 'Make the link and send it' }).click();
  await sees(page, /It was made and not sent/);
  expect(mailbox.messages()).toHaveLength(0);
  mailbox.setMood('well');
  const messages = page.getByRole('region', { name: 'Messages' });
  await messages.getByRole('button', { name: 'Send', exact: true }).click();
  await expect(messages.getByText('sent', { exact: true })).toBeVisible();
  await expect(messages.getByRole('button')).toHaveCount(0);
  const [sent] = mailbox.messages();
  expect(mailbox.messages()).toHaveLength(1);
  const link = /http:\S+/.exec(sent?.text ?? '')?.[0] ?? '';
  expect((await page.request.get(link)).status()).toBe(200);
});

test('the closing report is put together, and shown to others only as far as was agreed', async ({
  page,
}) => {
  await page.goto(bench);
  await awake(page);
  await decide(page, '4 raincoats', 'k');
  await allKept(page);
  await page.goto(`${server.address}/projects/home/home/show/closing`);
  await awake(page);
  const room = page.getByRole('region', { name: 'Room 1' });
  await room.getByLabel('In the client’s own words').fill('We find our coats again.');
  await room.getByRole('checkbox', { name: /spent of/ }).uncheck();
  await room
    .getByLabel(/Keep it up/)
    .fill('Coats go on their hooks.\nThe basket is emptied on Sunday.');
  await page.getByLabel('A few words above everything').fill('Dear Nora, thank you.');
  await page.getByRole('radio', { name: /Short/ }).click();
  await allKept(page);
  await page.reload();
  await awake(page);
  await expect(room.getByLabel('In the client’s own words')).toHaveValue(
    'We find our coats again.',
  );
  const address = `${server.address}/api/projects/home/closing`;
  const report = await (await page.request.get(address)).text();
  for (const words of ['Dear Nora, thank you.', 'We find our coats again.', 'emptied on Sunday'])
    expect(report).toContain(words);
  expect(report).not.toContain('spent of');
  expect(report).not.toContain('Where everything lives');
  expect((await page.request.get(`${address}?as=pdf`)).headers()['content-type']).toBe(
    'application/pdf',
  );
  expect((await page.request.get(`${address}?portfolio`)).status()).toBe(403);
  await page.getByLabel('Who agrees').fill('Nora');
  await page.getByRole('button', { name: 'Note the consent' }).click();
  await sees(page, /Nora agreed on .*, to 0 pictures/);
  const shown = await (await page.request.get(`${address}?portfolio`)).text();
  for (const secret of ['Home<', 'Nora', 'coats', '£']) expect(shown).not.toContain(secret);
  await page.getByRole('button', { name: 'The consent was withdrawn' }).click();
  await expect(page.getByLabel('Who agrees')).toBeVisible();
  expect((await page.request.get(`${address}?portfolio`)).status()).toBe(403);
});
