import type { OutboxJournal } from './outboxJournal';
import type { OutboxStore } from './outboxStore';
import type { Waiting } from './waiting';

/** What keeps everything from going out: no answer at all, or a fault of the server's in its words. */
export type OutboxFault =
  { readonly code: 'no_connection' } | { readonly code: 'server'; readonly words: string };

/** How an outbox stands; a new object with each change. */
export interface OutboxState<T extends Waiting> {
  /** Oldest first: those on their way, and those refused, which wait for a person. */
  readonly open: readonly T[];
  readonly refused: readonly T[];
  readonly fault: OutboxFault | undefined;
  /** Whether the browser's list has been read; before that, what it holds is not known. */
  readonly isRead: boolean;
  /** Bytes of an open one that have arrived, by its id, where it goes in pieces. */
  readonly sentBytes: Readonly<Record<string, number>>;
}

/** What an outbox needs of the world; tests hand in their own. */
export interface OutboxMeans<T extends Waiting> {
  readonly store: OutboxStore<T>;
  /** Holds what is small from the moment it is made until the store has it. */
  readonly journal?: OutboxJournal<T>;
  /**
   * Hands some of one project over, in their order. Resolves with why the server refuses them, or
   * undefined where it has them on its disk; throws where there is no answer (`ServerFault` with its
   * words where it says what is in the way).
   */
  readonly deliver: (
    batch: readonly T[],
    onSent: (bytes: number) => void,
  ) => Promise<string | undefined>;
  readonly batchSize: number;
  /** Runs `work` in one tab of the browser at a time. */
  readonly alone: (work: () => Promise<void>) => Promise<void>;
  /** Tells the other tabs that the list has changed, and which of it is taken back, and hears it from them. */
  readonly bell: {
    readonly ring: (withdrawn?: readonly string[]) => void;
    readonly onRing: (listener: (withdrawn: readonly string[]) => void) => void;
  };
  /** Waits so long, or until there is a connection again. */
  readonly wait: (ms: number) => Promise<void>;
}

/** The server cannot take anything at the moment, in its words: a full disk, a fault of its own. */
export class ServerFault extends Error {}

const RETRY_MS = { first: 1000, most: 15_000 } as const;

/**
 * Holds what is sent until the server has it on its disk: one list for all tabs of the browser, sent
 * in its order. It survives a reload and a lost connection. What the server refuses is set aside
 * with its reason, and holds up no other.
 */
export class Outbox<T extends Waiting> {
  private state: OutboxState<T> = {
    open: [],
    refused: [],
    fault: undefined,
    isRead: false,
    sentBytes: {},
  };
  private readonly none = this.state;
  /** Made in this page, and not in the store yet. */
  private fresh: readonly T[] = [];
  /** Ids of what this page asks the server for by itself; its list says nothing of them. */
  private readonly asked = new Set<string>();
  /** Ids of what was kept or put away by this page. */
  private readonly done = new Set<string>();
  /** Ids of what was taken back, by any tab: gone without having been kept. */
  private readonly withdrawn = new Set<string>();
  private isSending = false;
  private isRetrying = false;
  private retryMs: number = RETRY_MS.first;
  private loading: Promise<void> | undefined;
  private readonly listeners = new Set<() => void>();
  private readonly keptListeners = new Set<(kept: T) => void>();

  constructor(private readonly means: OutboxMeans<T>) {}

  readonly subscribe = (listener: () => void): (() => void) => {
    void this.load();
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
  readonly getState = (): OutboxState<T> => this.state;
  readonly getOnServer = (): OutboxState<T> => this.none;
  /** Told of each one of the list that has arrived. Returns what ends it. */
  readonly onKept = (listener: (kept: T) => void): (() => void) => {
    this.keptListeners.add(listener);
    return () => this.keptListeners.delete(listener);
  };

  /**
   * Keeps something over the end of this page while the page asks the server for it by itself: gone before
   * it is let go of, the next page sends it. Its list does not show it.
   */
  hold(entry: T): void {
    this.asked.add(entry.id);
    try {
      this.means.journal?.write([entry]);
    } catch {
      // The browser's small storage is full: it is kept by its answer alone.
    }
  }

  /** The server has answered for what was held. */
  letGo(entry: T): void {
    this.asked.delete(entry.id);
    this.done.add(entry.id);
    this.forget([entry]);
  }

  /**
   * Takes something to send; it is on the list at once. Throws where the browser cannot hold it
   * over a reload; it is sent all the same.
   */
  async add(entries: readonly T[]): Promise<void> {
    let isHeld = false;
    for (const { id } of entries) this.asked.delete(id);
    try {
      this.means.journal?.write(entries);
      isHeld = this.means.journal !== undefined;
    } catch {
      // The browser's small storage is full; its database, a moment later, is the larger one.
    }
    this.fresh = [...this.fresh, ...entries];
    this.show([...this.state.open, ...this.state.refused, ...entries]);
    await this.load();
    try {
      await this.means.store.put(entries);
      this.forget(entries);
      this.means.bell.ring();
    } catch (error) {
      if (!isHeld) throw error;
    } finally {
      void this.send();
    }
  }

  /** Sends refused ones again, or, `put_away`, gives them up. */
  async settle(ids: readonly string[], what: 'send_again' | 'put_away'): Promise<void> {
    const chosen = this.state.refused.filter(({ id }) => ids.includes(id));
    if (what === 'put_away') await this.drop(chosen);
    else await this.means.store.put(chosen.map((entry) => ({ ...entry, problem: '' })));
    await this.changed();
    void this.send();
  }

  /** Takes back what waits; what is on its way in this moment is waited for first, and then it is sent. */
  async withdraw(ids: readonly string[]): Promise<void> {
    await this.means.alone(async () => {
      await this.reread();
      const chosen = this.state.open.filter(({ id }) => ids.includes(id));
      const chosenIds = chosen.map(({ id }) => id);
      // Told first: what is missing from the list without a word counts as kept.
      for (const id of chosenIds) this.withdrawn.add(id);
      this.means.bell.ring(chosenIds);
      await this.drop(chosen);
    });
    await this.changed();
  }

  /** Puts something else in the place of a refused one, and sends that. */
  async replace(refused: T, by: T): Promise<void> {
    await this.drop([refused]);
    await this.add([by]);
    await this.changed();
  }

  /** Done once the browser's list has been read. */
  readonly whenRead = (): Promise<void> => this.load();

  private load(): Promise<void> {
    if (typeof window === 'undefined') return Promise.resolve();
    if (!this.loading) {
      this.means.bell.onRing((withdrawn) => {
        for (const id of withdrawn) this.withdrawn.add(id);
        void this.reread().then(() => this.send());
      });
      this.loading = this.loadKept();
    }
    return this.loading;
  }

  private async loadKept(): Promise<void> {
    // What a page that is gone could not hand on any more.
    const left = this.inJournal();
    if (left.length > 0) {
      await this.means.store.put(left).then(
        () => this.means.journal?.clear(left.map(({ id }) => id)),
        () => undefined,
      );
    }
    await this.reread();
    this.set({ isRead: true });
    if (this.state.open.length > 0) void this.send();
  }

  /** Reads the list of the browser; what is not in it yet stays at its end. */
  private async reread(): Promise<void> {
    // What is being put into the list while it is read is in neither afterwards: looked at before and after.
    const beside = () => [...this.inJournal(), ...this.fresh];
    const earlier = beside();
    // Where the browser's database fails, what was on the list stays on it: it is not kept yet.
    const kept = await this.means.store
      .getAll()
      .catch(() => [...this.state.open, ...this.state.refused]);
    const before = this.state.open;
    const seen = new Set([...this.done, ...this.withdrawn]);
    this.show(
      [...kept, ...earlier, ...beside()].filter(({ id }) => {
        const isNew = !seen.has(id);
        seen.add(id);
        return isNew;
      }),
    );
    // Only what the server has leaves the list without having been refused or taken back, in whichever tab.
    for (const sent of before)
      if (!this.withdrawn.has(sent.id) && (!seen.has(sent.id) || this.done.has(sent.id)))
        this.keptListeners.forEach((listener) => listener(sent));
  }

  private inJournal(): readonly T[] {
    return (this.means.journal?.read() ?? []).filter(({ id }) => !this.asked.has(id));
  }

  private async changed(): Promise<void> {
    await this.reread();
    this.means.bell.ring();
  }

  private show(entries: readonly T[]): void {
    this.set({
      open: entries.filter(({ problem }) => problem === ''),
      refused: entries.filter(({ problem }) => problem !== ''),
    });
  }

  private set(change: Partial<OutboxState<T>>): void {
    this.state = { ...this.state, ...change };
    this.listeners.forEach((listener) => listener());
  }

  /** The store has these, or nobody needs them any more. */
  private forget(entries: readonly T[]): void {
    const ids = entries.map(({ id }) => id);
    this.fresh = this.fresh.filter(({ id }) => !ids.includes(id));
    this.means.journal?.clear(ids);
  }

  private async drop(entries: readonly T[]): Promise<void> {
    for (const { id } of entries) this.done.add(id);
    this.forget(entries);
    // What the database does not let go of is sent once more by the next page, and counts once.
    await this.means.store.delete(entries.map(({ id }) => id)).catch(() => undefined);
  }

  /** Sends until nothing is open; what gets no answer is tried again, ever less often. */
  private async send(): Promise<void> {
    if (this.isSending) return;
    this.isSending = true;
    try {
      await this.means.alone(() => this.sendOpen());
      this.retryMs = RETRY_MS.first;
      if (this.state.fault) this.set({ fault: undefined });
    } catch (error) {
      this.set({
        fault:
          error instanceof ServerFault
            ? { code: 'server', words: error.message }
            : { code: 'no_connection' },
      });
      void this.retry();
    } finally {
      this.isSending = false;
    }
    // What came in while the last answer was on its way.
    if (!this.state.fault && this.state.open.length > 0) void this.send();
  }

  private async retry(): Promise<void> {
    if (this.isRetrying) return;
    this.isRetrying = true;
    await this.means.wait(this.retryMs);
    this.retryMs = Math.min(RETRY_MS.most, this.retryMs * 2);
    this.isRetrying = false;
    void this.send();
  }

  private async sendOpen(): Promise<void> {
    await this.reread();
    for (;;) {
      // Other tabs ring when they add something; the list is read again where nothing is left.
      if (this.state.open.length === 0) await this.reread();
      const { open } = this.state;
      const first = open[0];
      if (!first) return;
      const ofOne = open.filter(({ projectId }) => projectId === first.projectId);
      await this.sendBatch(ofOne.slice(0, this.means.batchSize));
    }
  }

  /** A batch that is refused is sent one by one, to find which of it is. */
  private async sendBatch(batch: readonly T[]): Promise<void> {
    const [only] = batch;
    if (!only) return;
    const refusal = await this.means.deliver(batch, (bytes) =>
      this.set({ sentBytes: { ...this.state.sentBytes, [only.id]: bytes } }),
    );
    if (refusal !== undefined && batch.length > 1) {
      for (const entry of batch) await this.sendBatch([entry]);
      return;
    }
    if (refusal === undefined) return this.arrived(batch);
    await this.means.store.put([{ ...only, problem: refusal }]);
    this.forget([only]);
    await this.changed();
  }

  /** Takes what the server has off the list, without reading all that still waits. */
  private async arrived(batch: readonly T[]): Promise<void> {
    await this.drop(batch);
    const ids = new Set(batch.map(({ id }) => id));
    const left = ({ id }: T) => !ids.has(id);
    this.set({
      open: this.state.open.filter(left),
      refused: this.state.refused.filter(left),
      sentBytes: Object.fromEntries(
        Object.entries(this.state.sentBytes).filter(([id]) => !ids.has(id)),
      ),
    });
    for (const sent of batch) this.keptListeners.forEach((listener) => listener(sent));
    this.means.bell.ring();
  }
}
