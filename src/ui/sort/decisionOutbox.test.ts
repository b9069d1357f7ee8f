import { aDecision } from '@test/builders';
import { DecisionOutbox } from './decisionOutbox';

/** A browser's storage and a server that answers as told; the outbox knows no other world. */
class FakeWorld {
  readonly kept = new Map<string, string>();
  readonly received: string[] = [];
  answers: (() => Response)[] = [];

  install(): void {
    const localStorage = {
      getItem: (key: string) => this.kept.get(key) ?? null,
      setItem: (key: string, value: string) => void this.kept.set(key, value),
    };
    Object.assign(globalThis, { window: { localStorage } });
    globalThis.fetch = (_url, init) => {
      const answer = this.answers.shift() ?? (() => Response.json({}));
      try {
        const response = answer();
        if (response.ok)
          this.received.push(
            ...(JSON.parse(String(init?.body)) as { events: { id: string }[] }).events.map(
              ({ id }) => id,
            ),
          );
        return Promise.resolve(response);
      } catch (error) {
        return Promise.reject(error as Error);
      }
    };
  }
}

let world: FakeWorld;
beforeEach(() => {
  jest.useFakeTimers();
  world = new FakeWorld();
  world.install();
});
afterEach(() => {
  jest.useRealTimers();
  Reflect.deleteProperty(globalThis, 'window');
});
const settle = () => jest.advanceTimersByTimeAsync(0);
const refuse = () => {
  throw new TypeError('Failed to fetch');
};

test('what is decided goes out at once, and is kept until it is answered', async () => {
  const outbox = new DecisionOutbox();
  outbox.add('home', [aDecision()]);
  expect(outbox.countWaiting()).toBe(1);
  expect(world.kept.get('tin-box-decisions-waiting')).toContain('"d1"');
  await settle();
  expect([outbox.countWaiting(), world.received]).toEqual([0, ['d1']]);
});

test('without a connection it waits, says so, and tries again', async () => {
  world.answers = [refuse, refuse];
  const outbox = new DecisionOutbox();
  outbox.add('home', [aDecision()]);
  await settle();
  expect(outbox.getProblem()).toBe('no connection, trying again');
  await jest.advanceTimersByTimeAsync(3000);
  expect(outbox.countWaiting()).toBe(1);
  await jest.advanceTimersByTimeAsync(3000);
  expect([outbox.countWaiting(), outbox.getProblem(), world.received]).toEqual([0, '', ['d1']]);
});

test('a reload finds what waited and sends it', async () => {
  world.answers = [refuse];
  new DecisionOutbox().add('home', [aDecision(), aDecision({ id: 'd2', thingId: 't2' })]);
  await settle();
  const reloaded = new DecisionOutbox();
  reloaded.subscribe(() => undefined);
  expect(reloaded.countWaiting()).toBe(2);
  await settle();
  expect([reloaded.countWaiting(), world.received]).toEqual([0, ['d1', 'd2']]);
});

test('each project’s decisions go to it, in their order', async () => {
  const outbox = new DecisionOutbox();
  world.answers = [refuse];
  outbox.add('home', [aDecision()]);
  outbox.add('boat', [aDecision({ id: 'b1' })]);
  outbox.add('home', [aDecision({ id: 'd2' })]);
  await settle();
  await jest.advanceTimersByTimeAsync(3000);
  expect(world.received).toEqual(['d1', 'd2', 'b1']);
});

test('a refusal is told in the server’s words and nothing is dropped', async () => {
  world.answers = [
    () => Response.json({ error: { message: 'events.0.count: too small' } }, { status: 400 }),
  ];
  const outbox = new DecisionOutbox();
  outbox.add('home', [aDecision()]);
  await settle();
  expect([outbox.getProblem(), outbox.countWaiting()]).toEqual(['events.0.count: too small', 1]);
});

test('storage that holds nonsense is as good as empty', () => {
  world.kept.set('tin-box-decisions-waiting', '{nonsense');
  const outbox = new DecisionOutbox();
  outbox.subscribe(() => undefined);
  expect(outbox.countWaiting()).toBe(0);
});
