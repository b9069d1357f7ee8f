import type { DecisionEvent } from '@/core/sort';

const STORAGE_KEY = 'tin-box-decisions-waiting';
const RETRY_MS = 3000;

interface Waiting {
  readonly projectId: string;
  readonly event: DecisionEvent;
}

/**
 * Holds decisions until the server has them on its disk. They survive a reload (local storage) and
 * a lost connection (tried again); ids are made here, so sending twice counts once.
 */
export class DecisionOutbox {
  private waiting: readonly Waiting[] = [];
  private problem = '';
  private isSending = false;
  private hasLoaded = false;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private readonly listeners = new Set<() => void>();

  readonly subscribe = (listener: () => void): (() => void) => {
    this.load();
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
  readonly countWaiting = (): number => this.waiting.length;
  readonly getProblem = (): string => this.problem;

  /** What waits, oldest first, with its project. */
  readonly listAllWaiting = (): readonly Waiting[] => {
    this.load();
    return this.waiting;
  };

  add(projectId: string, events: readonly DecisionEvent[]): void {
    this.load();
    this.set([...this.waiting, ...events.map((event) => ({ projectId, event }))]);
    void this.send();
  }

  private load(): void {
    if (this.hasLoaded || typeof window === 'undefined') return;
    this.hasLoaded = true;
    try {
      this.waiting = JSON.parse(window.localStorage.getItem(STORAGE_KEY) ?? '[]') as Waiting[];
    } catch {
      this.waiting = [];
    }
    if (this.waiting.length > 0) void this.send();
  }

  private set(waiting: readonly Waiting[]): void {
    this.waiting = waiting;
    window.localStorage.setItem(STORAGE_KEY, JSON.stringify(waiting));
    this.listeners.forEach((listener) => listener());
  }

  private setProblem(problem: string): void {
    this.problem = problem;
    this.listeners.forEach((listener) => listener());
  }

  /** Sends one project's decisions at a time, in their order, until none wait. */
  private async send(): Promise<void> {
    if (this.isSending) return;
    this.isSending = true;
    clearTimeout(this.timer);
    try {
      while (this.waiting[0]) {
        const { projectId } = this.waiting[0];
        const batch = this.waiting.filter((entry) => entry.projectId === projectId).slice(0, 200);
        await postDecisions(
          projectId,
          batch.map(({ event }) => event),
        );
        const sentIds = new Set(batch.map(({ event }) => event.id));
        this.set(this.waiting.filter(({ event }) => !sentIds.has(event.id)));
        this.setProblem('');
      }
    } catch (error) {
      this.setProblem(
        error instanceof RefusedError ? error.message : 'no connection, trying again',
      );
      this.timer = setTimeout(() => void this.send(), RETRY_MS);
    } finally {
      this.isSending = false;
    }
  }
}

/** The server said no, in words. */
class RefusedError extends Error {}

async function postDecisions(projectId: string, events: readonly DecisionEvent[]): Promise<void> {
  const response = await fetch(`/api/projects/${projectId}/decisions`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ events }),
    keepalive: events.length < 50,
  });
  if (response.ok) return;
  const body = (await response.json().catch(() => ({}))) as { error?: { message?: string } };
  throw new RefusedError(body.error?.message ?? `the server answered ${response.status}`);
}

export const decisionOutbox = new DecisionOutbox();
