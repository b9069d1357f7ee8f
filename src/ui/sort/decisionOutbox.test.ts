import fc from 'fast-check';

import { aDecision } from '@test/builders';
import { createRandom } from '@/core/shared';
import { createDecisionJournal } from './decisionJournal';
import { DecisionOutbox } from './decisionOutbox';
import type { WaitingDecision } from './decisionStore';

type Answer = (ids: readonly string[]) => Response;
const taken: Answer = () => Response.json({ now: '2026-11-06T10:00:00.000Z' });
const noLine: Answer = () => {
  throw new TypeError('Failed to fetch');
};
const refuse =
  (status: number, message: string, isRefused: (id: string) => boolean = () => true): Answer =>
  (ids) =>
    ids.some(isRefused) ? Response.json({ error: { message } }, { status }) : taken(ids);

/** One browser, with as many tabs as are opened, and a server that answers as told. */
class FakeBrowser {
  readonly received: string[] = [];
  readonly storage = new Map<string, string>();
  kept: WaitingDecision[] = [];
  answers: Answer[] = [];
  usual: Answer = taken;
  private lock: Promise<void> = Promise.resolve();
  private readonly bells: (() => void)[] = [];

  constructor() {
    const { storage } = this;
    const localStorage = {
      getItem: (key: string) => storage.get(key) ?? null,
      setItem: (key: string, value: string) => void storage.set(key, value),
      removeItem: (key: string) => void storage.delete(key),
      key: (i: number) => [...storage.keys()][i] ?? null,
      get length() {
        return storage.size;
      },
    };
    Object.assign(globalThis, { window: { localStorage } });
  }

  /** `dies`: the page is gone before the browser's database has anything of it. */
  openTab({ dies = false } = {}): DecisionOutbox {
    const put = async (entries: readonly WaitingDecision[]) => {
      if (dies) return new Promise<void>(() => undefined);
      const ids = new Set(entries.map(({ event }) => event.id));
      const known = this.kept.map(
        (old) => entries.find(({ event }) => event.id === old.event.id) ?? old,
      );
      const here = new Set(this.kept.map(({ event }) => event.id));
      this.kept = [
        ...known,
        ...entries.filter(({ event }) => ids.has(event.id) && !here.has(event.id)),
      ];
      return undefined;
    };
    return new DecisionOutbox({
      store: {
        getAll: async () => [...this.kept],
        put,
        delete: async (ids) => {
          this.kept = this.kept.filter(({ event }) => !ids.includes(event.id));
        },
      },
      journal: createDecisionJournal(() => window.localStorage),
      request: async (url, init) => {
        const { events } = JSON.parse(String(init.body)) as { events: { id: string }[] };
        const ids = events.map(({ id }) => id);
        const response = (this.answers.shift() ?? this.usual)(ids);
        if (response.ok) this.received.push(...ids.map((id) => `${url.split('/')[3]} ${id}`));
        return response;
      },
      alone: (work) => (this.lock = this.lock.then(work, work)),
      bell: {
        ring: () => this.bells.forEach((ring) => ring()),
        onRing: (listener) => void this.bells.push(listener),
      },
    });
  }
}

let browser: FakeBrowser;
beforeEach(() => {
  jest.useFakeTimers();
  browser = new FakeBrowser();
});
afterEach(() => {
  jest.useRealTimers();
  Reflect.deleteProperty(globalThis, 'window');
});
const settle = (ms = 0) => jest.advanceTimersByTimeAsync(ms);

test('what is decided goes out at once, and is kept until it is answered', async () => {
  const outbox = browser.openTab();
  outbox.add('home', [aDecision()]);
  expect([outbox.countWaiting(), [...browser.storage.keys()]]).toEqual([
    1,
    ['tin-box-decision d1'],
  ]);
  await settle();
  expect([outbox.countWaiting(), browser.received, browser.kept]).toEqual([0, ['home d1'], []]);
  expect([...browser.storage.keys()]).toEqual(['tin-box-clock']);
});

test('without a connection it waits, says so, and tries again', async () => {
  browser.answers = [noLine, noLine];
  const outbox = browser.openTab();
  outbox.add('home', [aDecision()]);
  await settle();
  expect([outbox.getProblem(), outbox.countWaiting()]).toEqual(['no connection, trying again', 1]);
  await settle(3000);
  await settle(3000);
  expect([outbox.countWaiting(), outbox.getProblem(), browser.received]).toEqual([
    0,
    '',
    ['home d1'],
  ]);
});

test('a full disk is told in the server’s words and tried again', async () => {
  browser.answers = [refuse(507, 'The disk is full.')];
  const outbox = browser.openTab();
  outbox.add('home', [aDecision()]);
  await settle();
  expect([outbox.getProblem(), outbox.listRefused()]).toEqual(['The disk is full.', []]);
  await settle(3000);
  expect([outbox.getProblem(), browser.received]).toEqual(['', ['home d1']]);
});

test('a page that is gone before the browser’s database answered has lost nothing', async () => {
  browser
    .openTab({ dies: true })
    .add('home', [aDecision(), aDecision({ id: 'd2', thingId: 't2' })]);
  await settle();
  const next = browser.openTab();
  next.subscribe(() => undefined);
  await settle();
  expect([next.countWaiting(), browser.received]).toEqual([0, ['home d1', 'home d2']]);
});

test('what an earlier version left as one list is sent', async () => {
  browser.storage.set(
    'tin-box-decisions-waiting',
    JSON.stringify([{ projectId: 'home', event: aDecision() }]),
  );
  browser.openTab().subscribe(() => undefined);
  await settle();
  expect([browser.received, browser.storage.has('tin-box-decisions-waiting')]).toEqual([
    ['home d1'],
    false,
  ]);
});

test('one that is refused is set aside with its reason and holds up no other, of any home', async () => {
  browser.answers = [noLine];
  browser.usual = refuse(404, 'There is no such room.', (id) => id === 'd2');
  const outbox = browser.openTab();
  for (const id of ['d1', 'd2', 'd3']) outbox.add('home', [aDecision({ id })]);
  outbox.add('boat', [aDecision({ id: 'b1' })]);
  await settle();
  await settle(3000);
  expect(browser.received.sort()).toEqual(['boat b1', 'home d1', 'home d3']);
  expect(outbox.listRefused().map(({ event, problem }) => [event.id, problem])).toEqual([
    ['d2', 'There is no such room.'],
  ]);
  expect([outbox.countWaiting(), outbox.getProblem()]).toEqual([0, '']);
  browser.usual = taken;
  await outbox.settle(['d2'], 'send_again');
  await settle();
  expect([outbox.listRefused(), browser.received.at(-1)]).toEqual([[], 'home d2']);
});

test('one that is put away is gone, in every tab', async () => {
  browser.usual = refuse(400, 'no');
  const [one, other] = [browser.openTab(), browser.openTab()];
  other.subscribe(() => undefined);
  one.add('home', [aDecision()]);
  await settle();
  expect(other.listRefused()).toHaveLength(1);
  await one.settle(['d1'], 'put_away');
  await settle();
  expect([one.listRefused(), other.listRefused(), browser.kept]).toEqual([[], [], []]);
});

test('storage that holds nonsense is as good as empty', async () => {
  browser.storage.set('tin-box-decisions-waiting', '{nonsense').set('tin-box-decision x', '[');
  const outbox = browser.openTab();
  outbox.subscribe(() => undefined);
  await settle();
  expect(outbox.countWaiting()).toBe(0);
});

test('tabs that decide without a connection, reload and close at any moment lose nothing and keep each tab’s order', () =>
  fc.assert(
    fc.asyncProperty(
      fc.integer(),
      fc.array(fc.constantFrom('decide', 'reload', 'line', 'wait'), { maxLength: 40 }),
      async (seed, acts) => {
        const random = createRandom(seed);
        browser = new FakeBrowser();
        browser.usual = noLine;
        const tabs = [browser.openTab(), browser.openTab(), browser.openTab()];
        const made: string[][] = [[], [], []];
        for (const [i, act] of acts.entries()) {
          const at = Math.floor(random() * 3);
          if (act === 'decide') {
            made[at]?.push(`d${i}`);
            tabs[at]?.add('home', [aDecision({ id: `d${i}`, thingId: `t${i}` })]);
          } else if (act === 'reload') {
            tabs[at] = browser.openTab();
            tabs[at]?.subscribe(() => undefined);
          } else if (act === 'line') browser.usual = random() < 0.5 ? taken : noLine;
          else await settle(Math.floor(random() * 4000));
        }
        browser.usual = taken;
        browser.openTab().subscribe(() => undefined);
        await settle(20_000);
        const sent = browser.received.map((line) => line.split(' ')[1]);
        const all = made.flat();
        expect([...new Set(sent)].sort()).toEqual([...all].sort());
        expect([
          browser.kept,
          [...browser.storage.keys()].filter((key) => key.includes(' ')),
        ]).toEqual([[], []]);
      },
    ),
    { numRuns: 60 },
  ));
