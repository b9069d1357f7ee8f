import net from 'node:net';
import { mkdtempSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';

import { aDatabase, aDecision, HOME } from './builders';

import { clientAnswerIdSchema, type ClientAnswerId } from '@/core/shared';
import { moveChange } from '@/data/changes';
import { insertRecord, loadRecords, projectRecord } from '@/data/records';
import type { Db } from '@/data/db';
import { appendDecisions } from '@/data/decisionLog';
import { Attempts } from '@/server/client/attempts';
import { receiveAnswerFile, receiveAnswers, takeAnswer } from '@/server/client/answers';
import { gatherContents, picturesOn } from '@/server/client/pageContents';
import { findByLink, makePage, renewSecret, revokePage, saveSharing } from '@/server/client/pages';
import { bodyOf, sendMail, writeMail, type MailMeans } from '@/server/mail/sendMail';
import { mailTransportOf, type Letter, type MailTransport } from '@/server/mail/transport';
import { err, ok } from '@/core/shared';
import { findGuardRefusal } from '@/app/guard';
import { linkBaseOf } from '@/server/client/linkBase';
import { undoOrRedo } from '@/server/undo';

let db: Db;
beforeEach(async () => {
  db = await aDatabase();
  const { rooms } = await loadRecords(db, HOME, 'rooms');
  await appendDecisions(db, HOME, [
    aDecision({ id: 'q1', thingId: 'lamp', roomId: rooms[0]!.id, name: 'lamp', verdict: 'ask' }),
  ]);
});
afterEach(() => db.destroy());

const wish = {
  way: 'link' as const,
  name: 'Nora',
  mayAnswer: true,
  parts: [],
  keys: ['thing lamp'],
  days: 7,
};
async function aPage(change: Partial<Parameters<typeof makePage>[2]> = {}) {
  const made = await makePage(db, HOME, { ...wish, ...change });
  if (!made.ok) throw new Error(made.error.code);
  return { page: made.value.page, secret: made.value.secret ?? '' };
}
const says = (id: string, what: 'keep' | 'donate', words = '') => ({
  id: clientAnswerIdSchema.parse(id),
  key: 'thing lamp',
  says: what,
  words,
  by: '',
  saidAt: '2026-11-30T10:00:00.000Z',
});
const answersOf = async () => (await loadRecords(db, HOME, 'clientAnswers')).clientAnswers;
const take = (id: ClientAnswerId, despite = false) =>
  takeAnswer(db, HOME, { answerId: id, despite });

test('a secret is kept nowhere, opens its page alone, and nothing after the page is revoked', async () => {
  const { page, secret } = await aPage();
  const other = await aPage({ name: 'Tom' });
  for (const table of ['client_pages', 'changes'])
    expect(JSON.stringify(await db(table))).not.toContain(secret);
  expect((await findByLink(db, { pageId: page.id, secret }))?.page.name).toBe('Nora');
  expect(await findByLink(db, { pageId: other.page.id, secret })).toBeUndefined();
  expect(await findByLink(db, { pageId: page.id, secret: '' })).toBeUndefined();
  const { page: file } = await aPage({ way: 'file', days: null });
  expect(await findByLink(db, { pageId: file.id, secret: '' })).toBeUndefined();
  const renewed = await renewSecret(db, HOME, page.id);
  expect(await findByLink(db, { pageId: page.id, secret })).toBeUndefined();
  await revokePage(db, HOME, page.id);
  expect((await findByLink(db, { pageId: page.id, secret: renewed }))?.state).toBe('revoked');
});

test('the same answer counts once, a newer one replaces it while it waits', async () => {
  const { page } = await aPage();
  expect(await receiveAnswers(db, page, [says('a1', 'keep')])).toMatchObject({ newCount: 1 });
  expect(await receiveAnswers(db, page, [says('a1', 'keep')])).toMatchObject({ knownCount: 1 });
  await receiveAnswers(db, page, [says('a2', 'donate')]);
  expect((await answersOf()).map(({ id, state }) => [id, state]).sort()).toEqual([
    ['a1', 'replaced'],
    ['a2', 'waits'],
  ]);
  expect(await receiveAnswers(db, page, [{ ...says('a3', 'keep'), key: 'thing x' }])).toEqual({
    newCount: 0,
    knownCount: 0,
    strangeCount: 1,
  });
});

test('taking decides the thing in the client’s name, and not over a later decision', async () => {
  const { page } = await aPage();
  await receiveAnswers(db, page, [says('a1', 'keep', 'from my aunt')]);
  const thingNow = async () => (await loadRecords(db, HOME, 'things')).things[0]!;
  expect(await take(clientAnswerIdSchema.parse('a1'))).toMatchObject({ ok: true });
  expect(await thingNow()).toMatchObject({ verdict: 'keep', agreedBy: 'Nora' });
  expect(await take(clientAnswerIdSchema.parse('a1'))).toMatchObject({
    error: { code: 'settled_already' },
  });
  await receiveAnswers(db, page, [says('a2', 'donate')]);
  const second = clientAnswerIdSchema.parse('a2');
  expect(await take(second)).toMatchObject({
    error: { code: 'changed_since', standing: { is: 'decided' } },
  });
  expect((await thingNow()).verdict).toBe('keep');
  expect(await take(second, true)).toMatchObject({ ok: true });
  expect((await thingNow()).verdict).toBe('donate');
});

test('an answer stays where its page is undone, and is another home’s to nobody', async () => {
  const { page } = await aPage({ way: 'file', days: null });
  const file = JSON.stringify({
    format: 'tin-box-answers',
    version: 1,
    pageId: page.id,
    answers: [says('a1', 'keep')],
  });
  const { project } = await loadRecords(db, HOME, 'project');
  const elsewhere = { ...project, id: 'elsewhere' as typeof project.id, name: 'Elsewhere' };
  await insertRecord(db, projectRecord, elsewhere);
  expect(await receiveAnswerFile(db, elsewhere.id, file)).toMatchObject({
    error: { code: 'other_home' },
  });
  expect(await receiveAnswerFile(db, HOME, file)).toMatchObject({ value: { newCount: 1 } });
  await moveChange(db, HOME, 'undo');
  expect((await answersOf())[0]).toMatchObject({ id: 'a1', asked: { name: 'lamp' } });
  expect(await receiveAnswerFile(db, HOME, file)).toMatchObject({ error: { code: 'other_home' } });
});

test('a page shows what is shared and what it was made for, and no more', async () => {
  expect(await makePage(db, HOME, { ...wish, parts: ['statement'] })).toEqual(
    err({ code: 'not_shared' }),
  );
  expect(await makePage(db, HOME, { ...wish, keys: [] })).toEqual(err({ code: 'empty' }));
  await saveSharing(db, HOME, ['places', 'days']);
  const { page } = await aPage({ parts: ['places'] });
  const shown = await gatherContents(db, page, '2026-11-30');
  expect([shown.places !== undefined, shown.days, shown.statement]).toEqual([
    true,
    undefined,
    undefined,
  ]);
  await saveSharing(db, HOME, []);
  expect((await gatherContents(db, page, '2026-11-30')).places).toBeUndefined();
  expect(picturesOn(shown).size).toBe(0);
});

test('whoever tries links is answered nothing after a while, and others are', () => {
  let now = 0;
  const attempts = new Attempts(() => now);
  for (let i = 0; i < 30; i += 1) {
    expect(attempts.mayTry('10.0.0.9')).toBe(true);
    attempts.noteWrong('10.0.0.9');
  }
  expect([attempts.mayTry('10.0.0.9'), attempts.mayTry('10.0.0.8')]).toEqual([false, true]);
  now = 10 * 60_000;
  expect(attempts.mayTry('10.0.0.9')).toBe(true);
});

/** A mail server of a few lines; `plan` says how it answers to each command. */
async function aMailServer(plan: (command: string) => string | undefined) {
  const received: string[] = [];
  const server = net.createServer((socket) => {
    socket.write('220 ready\r\n');
    let isData = false;
    socket.on('error', () => undefined);
    socket.on('data', (chunk) => {
      const words = chunk.toString('utf8');
      if (isData) received.push(words);
      const command = isData ? '.' : words.slice(0, 4).toUpperCase();
      if (isData && !words.endsWith('\r\n.\r\n')) return;
      const said = plan(command);
      if (said === undefined) return void socket.destroy();
      isData = command === 'DATA' && said.startsWith('354');
      socket.write(`${said}\r\n`);
    });
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const { port } = server.address() as net.AddressInfo;
  return {
    received,
    transport: mailTransportOf({ TINBOX_SMTP: `smtp://127.0.0.1:${port}/?name=who-secret` }),
    close: () => new Promise((resolve) => server.close(resolve)),
  };
}
const letter: Letter = {
  id: 'm1',
  from: 'me@tin-box.example',
  to: 'nora@quarry.example',
  subject: 'For you',
  text: 'Hello',
  html: '<p>Hello</p>',
  attachments: [{ name: 'page.html', type: 'text/html', bytes: Buffer.from('<p>1</p>') }],
};
const polite = (command: string): string =>
  ({ EHLO: '250 ok', DATA: '354 go on', QUIT: '221 bye' })[command] ?? '250 ok';

test('a real mail server is spoken to, and what its answers mean is told apart', async () => {
  const cases: readonly [string | undefined, (command: string) => string | undefined][] = [
    [undefined, polite],
    ['refused', (command) => (command === 'RCPT' ? '550 no such box' : polite(command))],
    ['no_answer', (command) => (command === 'MAIL' ? '451 later' : polite(command))],
    ['unclear', (command) => (command === '.' ? undefined : polite(command))],
  ];
  for (const [code, plan] of cases) {
    const server = await aMailServer(plan);
    const sent = await server.transport.send(letter);
    expect(sent.ok ? undefined : sent.error.code).toBe(code);
    if (!sent.ok && 'said' in sent.error) expect(sent.error.said).not.toContain('secret');
    if (sent.ok) expect(server.received.join('')).toMatch(/Message-ID: <m1@tin-box>/i);
    await server.close();
    expect(await server.transport.send(letter)).toMatchObject({ error: { code: 'no_answer' } });
  }
});

function meansOf(transport: MailTransport): MailMeans {
  return {
    db,
    dataDir: mkdtempSync(path.join(os.tmpdir(), 'tin-box-mail-')),
    transport,
    from: 'me@tin-box.example',
    linkBase: 'https://box.example',
    makeReport: () => Promise.resolve([]),
  };
}

test('two presses send once; what failed goes with another press, with a link that opens', async () => {
  const { page, secret } = await aPage();
  const sent: Letter[] = [];
  let isDown = true;
  const means = meansOf({
    kind: 'simulated',
    send: (each) => {
      if (isDown) return Promise.resolve(err({ code: 'no_answer', said: 'down' }));
      sent.push(each);
      return Promise.resolve(ok(undefined));
    },
  });
  const mailId = await writeMail(db, HOME, {
    to: 'nora@quarry.example',
    subject: 'For you',
    text: 'Dear Nora,\n\nlook: {link}',
    pageId: page.id,
  });
  expect(await sendMail(means, HOME, { mailId, secret })).toMatchObject({
    error: { code: 'no_answer' },
  });
  isDown = false;
  const presses = await Promise.all(
    [1, 2].map(() => sendMail(means, HOME, { mailId, secret: undefined })),
  );
  expect(presses.filter((press) => press.ok)).toHaveLength(1);
  expect(sent).toHaveLength(1);
  const link = new URL(/https:\S+/.exec(sent[0]!.text)![0]);
  const [, , pageId = '', key = ''] = link.pathname.split('/');
  expect((await findByLink(db, { pageId, secret: key }))?.state).toBe('open');
  expect(JSON.stringify(await db('outgoing_mails'))).not.toContain(key);
});

test('a message’s words are no markup, and its link stands at the end where nobody put it', () => {
  const { text, html } = bodyOf('Dear <b>Nora</b>', 'https://box.example/c/1/2');
  expect(text).toBe('Dear <b>Nora</b>\n\nhttps://box.example/c/1/2');
  expect(html).toContain('Dear &lt;b&gt;Nora&lt;/b&gt;');
  expect(html).toContain('<a href="https://box.example/c/1/2">');
});

test('an answer that is taken back takes its decision back too, and both come again', async () => {
  const { page } = await aPage();
  await receiveAnswers(db, page, [says('a1', 'donate')]);
  expect((await take(clientAnswerIdSchema.parse('a1'))).ok).toBe(true);
  const stateOf = async () => {
    const { things } = await loadRecords(db, HOME, 'things');
    const [answer] = await answersOf();
    return [things.find(({ id }) => id === 'lamp')?.verdict, answer?.state];
  };
  expect(await stateOf()).toEqual(['donate', 'taken']);
  await undoOrRedo(db, HOME, 'undo');
  expect(await stateOf()).toEqual(['ask', 'waits']);
  await undoOrRedo(db, HOME, 'redo');
  expect(await stateOf()).toEqual(['donate', 'taken']);
  await undoOrRedo(db, HOME, 'undo');
  // It can be taken once more, and what the log says stands on.
  expect((await take(clientAnswerIdSchema.parse('a1'))).ok).toBe(true);
  expect(await stateOf()).toEqual(['donate', 'taken']);
});

test('under the public address nothing but the pages of clients is answered', () => {
  const headers = new Headers({ host: 'tin.example' });
  const before = process.env.TINBOX_PUBLIC_ADDRESS;
  try {
    process.env.TINBOX_PUBLIC_ADDRESS = 'https://tin.example/';
    expect(findGuardRefusal('GET', headers, { isClientPage: true })).toBeUndefined();
    expect(findGuardRefusal('GET', headers)?.status).toBe(421);
    const other = new Headers({ host: 'tin.example.evil' });
    expect(findGuardRefusal('GET', other, { isClientPage: true })?.status).toBe(421);
    const foreign = new Headers({ host: 'tin.example', origin: 'https://evil.example' });
    expect(findGuardRefusal('POST', foreign, { isClientPage: true })?.status).toBe(403);
    expect(linkBaseOf({ TINBOX_PUBLIC_ADDRESS: 'https://tin.example/' })).toEqual({
      address: 'https://tin.example',
      reach: 'anywhere',
    });
  } finally {
    if (before === undefined) delete process.env.TINBOX_PUBLIC_ADDRESS;
    else process.env.TINBOX_PUBLIC_ADDRESS = before;
  }
});
