import fc from 'fast-check';

import { aDecision } from '@test/builders';
import { createRandom } from '@/core/shared';
import type { DecisionEvent } from '@/core/sort';
import type { Outbox } from '../outbox/Outbox';
import {
  createDecisionJournal,
  createDecisionOutbox,
  toWaiting,
  type WaitingDecision,
} from './decisionOutbox';

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
  /** Whether the browser's database fails at everything. */
  isBroken = false;
  answers: Answer[] = [];
  usual: Answer = taken;
  private lock: Promise<void> = Promise.resolve();
  private readonly bells: ((withdrawn: readonly string[]) => void)[] = [];

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

  private mustWork(): void {
    if (this.isBroken) throw new Error('no space');
  }

  /** `dies`: the page is gone before the browser's database has anything of it. */
  openTab({ dies = false } = {}): Outbox<WaitingDecision> {
    const put = async (entries: readonly WaitingDecision[]) => {
      if (dies) return new Promise<void>(() => undefined);
      this.mustWork();
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
    return createDecisionOutbox({
      store: {
        getAll: async () => {
          this.mustWork();
          return [...this.kept];
        },
        put,
        delete: async (ids) => {
          this.mustWork();
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
        ring: (withdrawn = []) => this.bells.forEach((ring) => ring(withdrawn)),
        onRing: (listener) => void (dies || this.bells.push(listener)),
      },
      wait: (ms) => new Promise((resolve) => setTimeout(resolve, ms)),
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
const add = (
  outbox: Outbox<WaitingDecision>,
  projectId: string,
  events: readonly DecisionEvent[],
) => void outbox.add(events.map((event) => toWaiting(projectId, event)));
const open = (outbox: Outbox<WaitingDecision>) => outbox.getState().open.length;
const refused = (outbox: Outbox<WaitingDecision>) =>
  outbox.getState().refused.map(({ id, problem }) => [id, problem]);
const fault = (outbox: Outbox<WaitingDecision>) => outbox.getState().fault;
const settle = (ms = 0) => jest.advanceTimersByTimeAsync(ms);

test('what is decided goes out at once, and is kept until it is answered', async () => {
  const outbox = browser.openTab();
  add(outbox, 'home', [aDecision()]);
  expect([open(outbox), [...browser.storage.keys()]]).toEqual([1, ['tin-box-decision d1']]);
  await settle();
  expect([open(outbox), browser.received, browser.kept]).toEqual([0, ['home d1'], []]);
  expect([...browser.storage.keys()]).toEqual(['tin-box-clock']);
});

test('without a connection it waits, says so, and tries again', async () => {
  browser.answers = [noLine, noLine];
  const outbox = browser.openTab();
  add(outbox, 'home', [aDecision()]);
  await settle();
  expect([fault(outbox), open(outbox)]).toEqual([{ code: 'no_connection' }, 1]);
  await settle(3000);
  await settle(3000);
  expect([open(outbox), fault(outbox), browser.received]).toEqual([0, undefined, ['home d1']]);
});

test('a full disk is told in the server’s words and tried again', async () => {
  browser.answers = [refuse(507, 'The disk is full.')];
  const outbox = browser.openTab();
  add(outbox, 'home', [aDecision()]);
  await settle();
  expect([fault(outbox), refused(outbox)]).toEqual([
    { code: 'server', words: 'The disk is full.' },
    [],
  ]);
  await settle(3000);
  expect([fault(outbox), browser.received]).toEqual([undefined, ['home d1']]);
});

test('a page that is gone before the browser’s database answered has lost nothing', async () => {
  const dying = browser.openTab({ dies: true });
  add(dying, 'home', [aDecision(), aDecision({ id: 'd2', thingId: 't2' })]);
  await settle();
  const next = browser.openTab();
  next.subscribe(() => undefined);
  await settle();
  expect([open(next), browser.received]).toEqual([0, ['home d1', 'home d2']]);
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
  for (const id of ['d1', 'd2', 'd3']) add(outbox, 'home', [aDecision({ id })]);
  add(outbox, 'boat', [aDecision({ id: 'b1' })]);
  await settle();
  await settle(3000);
  expect(browser.received.sort()).toEqual(['boat b1', 'home d1', 'home d3']);
  expect(refused(outbox)).toEqual([['d2', 'There is no such room.']]);
  expect([open(outbox), fault(outbox)]).toEqual([0, undefined]);
  browser.usual = taken;
  await outbox.settle(['d2'], 'send_again');
  await settle();
  expect([refused(outbox), browser.received.at(-1)]).toEqual([[], 'home d2']);
});

test('what another tab sends is told as kept in the tab that waits for it', async () => {
  const [one, other] = [browser.openTab(), browser.openTab()];
  const told: string[] = [];
  for (const [name, tab] of Object.entries({ one, other })) {
    tab.subscribe(() => undefined);
    tab.onKept(({ id }) => told.push(`${name} ${id}`));
  }
  browser.answers = [noLine];
  add(one, 'home', [aDecision()]);
  await settle();
  add(other, 'home', [aDecision({ id: 'd2' })]);
  await settle(20_000);
  expect([...new Set(told)].sort()).toEqual(['one d1', 'one d2', 'other d1', 'other d2']);
});

test('what is taken back leaves every tab, is not told as kept, and never reaches the server', async () => {
  browser.usual = noLine;
  const tabs = [browser.openTab(), browser.openTab()];
  const told: string[] = [];
  for (const tab of tabs) {
    expect(tab.getState().isRead).toBe(false);
    tab.subscribe(() => undefined);
    tab.onKept(({ id }) => told.push(id));
  }
  const [one, other] = tabs as [Outbox<WaitingDecision>, Outbox<WaitingDecision>];
  add(one, 'home', [aDecision(), aDecision({ id: 'd2' })]);
  await settle();
  expect(tabs.map(({ getState }) => getState().isRead)).toEqual([true, true]);
  await other.withdraw(['d1']);
  await settle();
  browser.usual = taken;
  await settle(40_000);
  expect([...new Set(told)]).toEqual(['d2']);
  expect([tabs.map(open), browser.received, browser.kept]).toEqual([[0, 0], ['home d2'], []]);
  // Too late: it is at the server, and nothing is there to take back.
  await one.withdraw(['d2']);
  expect(browser.received).toEqual(['home d2']);
});

test('what a page asks for by itself is not on its list, and is sent by the next page where it died', async () => {
  const [answered, unanswered] = ['d1', 'd2'].map((id) => toWaiting('home', aDecision({ id })));
  const page = browser.openTab();
  page.hold(answered!);
  await page.whenRead();
  page.hold(unanswered!);
  page.letGo(answered!);
  await settle();
  expect([open(page), browser.received]).toEqual([0, []]);
  const next = browser.openTab();
  next.subscribe(() => undefined);
  await settle();
  const held = [...browser.storage.keys()].filter((key) => !key.includes('clock'));
  expect([open(next), browser.received, held]).toEqual([0, ['home d2'], []]);
});

test('what was refused goes out in another form, and only that', async () => {
  browser.usual = refuse(404, 'There is no such room.', (id) => id === 'd1');
  const outbox = browser.openTab();
  add(outbox, 'home', [aDecision()]);
  await settle();
  const [gone] = outbox.getState().refused;
  await outbox.replace(gone!, toWaiting('home', aDecision({ id: 'd9' })));
  await settle();
  expect([refused(outbox), open(outbox), browser.received]).toEqual([[], 0, ['home d9']]);
});

test('a browser whose database fails still sends, and says that it waits until then', async () => {
  browser.answers = [noLine];
  const outbox = browser.openTab();
  outbox.subscribe(() => undefined);
  await settle();
  browser.isBroken = true;
  add(outbox, 'home', [aDecision()]);
  await settle();
  expect([open(outbox), fault(outbox)]).toEqual([1, { code: 'no_connection' }]);
  await settle(20_000);
  expect([open(outbox), browser.received]).toEqual([0, ['home d1']]);
});

test('one that is put away is gone, in every tab', async () => {
  browser.usual = refuse(400, 'no');
  const [one, other] = [browser.openTab(), browser.openTab()];
  other.subscribe(() => undefined);
  add(one, 'home', [aDecision()]);
  await settle();
  expect(refused(other)).toHaveLength(1);
  await one.settle(['d1'], 'put_away');
  await settle();
  expect([refused(one), refused(other), browser.kept]).toEqual([[], [], []]);
});

test('storage that holds nonsense is as good as empty', async () => {
  browser.storage.set('tin-box-decisions-waiting', '{nonsense').set('tin-box-decision x', '[');
  const outbox = browser.openTab();
  outbox.subscribe(() => undefined);
  await settle();
  expect(open(outbox)).toBe(0);
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
            const tab = tabs[at] ?? browser.openTab();
            add(tab, 'home', [aDecision({ id: `d${i}`, thingId: `t${i}` })]);
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
