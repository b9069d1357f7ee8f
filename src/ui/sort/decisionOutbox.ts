import type { DecisionEvent } from '@/core/sort';
import { createDecisionJournal, type DecisionJournal } from './decisionJournal';
import { createDecisionStore, type DecisionStore, type WaitingDecision } from './decisionStore';
import { deviceNow, lastKnownAt, noteServerTime } from './deviceClock';

const RETRY_MS = 3000;
const BATCH = 200;

/** What the outbox needs of the world; tests hand in their own. */
interface OutboxMeans {
  readonly store: DecisionStore;
  readonly journal: DecisionJournal;
  readonly request: (url: string, init: RequestInit) => Promise<Response>;
  /** Runs `work` in one tab of the browser at a time. */
  readonly alone: (work: () => Promise<void>) => Promise<void>;
  /** Tells the other tabs that the list has changed, and hears it from them. */
  readonly bell: { readonly ring: () => void; readonly onRing: (listener: () => void) => void };
}

/**
 * Holds decisions until the server has them on its disk: one list for all tabs of the browser. They
 * survive a reload and a lost connection; ids are made here, so sending twice counts once. One that
 * the server refuses is set aside with its reason, and holds up no other.
 */
export class DecisionOutbox {
  private waiting: readonly WaitingDecision[] = [];
  private problem = '';
  private isSending = false;
  private hasLoaded = false;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private readonly listeners = new Set<() => void>();

  constructor(private readonly means: OutboxMeans) {}

  readonly subscribe = (listener: () => void): (() => void) => {
    void this.load();
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
  /** How many are on their way; refused ones wait for a person. */
  readonly countWaiting = (): number => this.waiting.filter(({ problem }) => problem === '').length;
  readonly listRefused = (): readonly WaitingDecision[] => this.refused;
  readonly getProblem = (): string => this.problem;
  /** All that waits, oldest first. */
  readonly listAllWaiting = (): readonly WaitingDecision[] => this.waiting;
  private refused: readonly WaitingDecision[] = [];

  add(projectId: string, events: readonly DecisionEvent[]): void {
    const [deviceAt, knownAt] = [deviceNow(), lastKnownAt()];
    const entries = events.map((event) => ({ projectId, event, deviceAt, knownAt, problem: '' }));
    try {
      this.means.journal.write(entries);
    } catch {
      // The browser's small storage is full; its database, a moment later, is the larger one.
    }
    this.set([...this.waiting, ...entries]);
    void this.load().then(() => this.keep(entries));
  }

  /** Sends refused ones again, or, `put_away`, gives them up. */
  async settle(ids: readonly string[], what: 'send_again' | 'put_away'): Promise<void> {
    const chosen = this.waiting.filter(({ event }) => ids.includes(event.id));
    if (what === 'put_away') await this.means.store.delete(ids);
    else await this.means.store.put(chosen.map((entry) => ({ ...entry, problem: '' })));
    await this.reread();
    this.means.bell.ring();
    void this.send();
  }

  /** Writes entries into the list of the browser, and has it sent. */
  private async keep(entries: readonly WaitingDecision[]): Promise<void> {
    await this.means.store.put(entries);
    this.means.journal.clear(entries.map(({ event }) => event.id));
    this.means.bell.ring();
    void this.send();
  }

  private load(): Promise<void> {
    if (typeof window === 'undefined') return Promise.resolve();
    if (!this.hasLoaded) {
      this.hasLoaded = true;
      this.means.bell.onRing(() => void this.reread().then(() => this.send()));
      this.loading = this.loadKept();
    }
    return this.loading;
  }
  private loading: Promise<void> = Promise.resolve();

  private async loadKept(): Promise<void> {
    // What a page that is gone could not hand on any more.
    const left = this.means.journal.read();
    if (left.length > 0) {
      await this.means.store.put(left);
      this.means.journal.clear(left.map(({ event }) => event.id));
    }
    await this.reread();
    if (this.countWaiting() > 0) void this.send();
  }

  /** Reads the list of the browser; what was made here and is not in it yet stays at its end. */
  private async reread(): Promise<void> {
    const kept = await this.means.store.getAll();
    const known = new Set(kept.map(({ event }) => event.id));
    const journal = this.means.journal.read().filter(({ event }) => !known.has(event.id));
    this.set([...kept, ...journal]);
  }

  private set(waiting: readonly WaitingDecision[]): void {
    this.waiting = waiting;
    this.refused = waiting.filter(({ problem }) => problem !== '');
    this.listeners.forEach((listener) => listener());
  }

  private setProblem(problem: string): void {
    if (this.problem === problem) return;
    this.problem = problem;
    this.listeners.forEach((listener) => listener());
  }

  /** Sends one project's decisions at a time, in their order, until none wait. */
  private async send(): Promise<void> {
    if (this.isSending) return;
    this.isSending = true;
    clearTimeout(this.timer);
    try {
      await this.means.alone(async () => {
        for (;;) {
          await this.reread();
          const open = this.waiting.filter(({ problem }) => problem === '');
          const first = open[0];
          if (!first) break;
          const batch = open
            .filter(({ projectId }) => projectId === first.projectId)
            .slice(0, BATCH);
          await this.sendBatch(first.projectId, batch);
        }
      });
      this.setProblem('');
    } catch (error) {
      this.setProblem(error instanceof UnansweredError ? error.message : NO_CONNECTION);
      this.timer = setTimeout(() => void this.send(), RETRY_MS);
    } finally {
      this.isSending = false;
    }
    // What came in while the last answer was on its way.
    if (this.problem === '' && this.countWaiting() > 0) void this.send();
  }

  /** Throws where there is no answer. A batch that is refused is sent one by one, to find which of it is. */
  private async sendBatch(projectId: string, batch: readonly WaitingDecision[]): Promise<void> {
    const refusal = await this.post(projectId, batch);
    if (refusal === undefined) {
      await this.means.store.delete(batch.map(({ event }) => event.id));
      await this.reread();
      this.means.bell.ring();
      return;
    }
    const [only] = batch;
    if (batch.length === 1 && only) {
      await this.means.store.put([{ ...only, problem: refusal }]);
      await this.reread();
      this.means.bell.ring();
      return;
    }
    for (const entry of batch) await this.sendBatch(projectId, [entry]);
  }

  /** Returns why the server refused, in its words; undefined where it took them. */
  private async post(
    projectId: string,
    batch: readonly WaitingDecision[],
  ): Promise<string | undefined> {
    const response = await this.means.request(`/api/projects/${projectId}/decisions`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({
        events: batch.map(({ event }) => event),
        clock: {
          sentAt: deviceNow(),
          events: batch.map(({ deviceAt, knownAt }) => ({ deviceAt, knownAt })),
        },
      }),
      keepalive: batch.length < 50,
    });
    const body = (await response.json().catch(() => ({}))) as Answer;
    if (body.now !== undefined) noteServerTime(body.now);
    if (response.ok) return undefined;
    const message = body.error?.message ?? `the server answered ${response.status}`;
    // A fault of the server's side passes; what it refuses stays refused.
    if (response.status >= 500) throw new UnansweredError(message);
    return message;
  }
}

interface Answer {
  readonly now?: string;
  readonly error?: { readonly message?: string };
}
const NO_CONNECTION = 'no connection, trying again';
/** The server could not take it at the moment, in its words. */
class UnansweredError extends Error {}

/** By the browser's locks where it has them; without, a decision that two tabs send still counts once. */
const alone = (work: () => Promise<void>): Promise<void> =>
  typeof navigator !== 'undefined' && 'locks' in navigator
    ? navigator.locks.request('tin-box-decisions', work)
    : work();

function createBell(): OutboxMeans['bell'] {
  const channel =
    typeof BroadcastChannel === 'undefined' ? undefined : new BroadcastChannel('tin-box-decisions');
  return {
    ring: () => channel?.postMessage('changed'),
    onRing: (listener) => channel?.addEventListener('message', listener),
  };
}

export const decisionOutbox = new DecisionOutbox({
  store: createDecisionStore(),
  journal: createDecisionJournal(() => window.localStorage),
  request: (url, init) => fetch(url, init),
  alone,
  bell: createBell(),
});
