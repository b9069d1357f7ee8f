import type { DecisionEvent } from '@/core/sort';
import { decisionOutbox } from './decisionOutbox';
import { noteServerTime } from './deviceClock';
import { followShared } from './sharedStream';

interface LiveEntry {
  readonly projectId: string;
  readonly event: DecisionEvent;
}

const NONE: readonly LiveEntry[] = [];

/**
 * What was decided since the page was loaded: here, kept or not, and on other devices as it is kept
 * there. What comes twice counts once when it is folded.
 */
class LiveLog {
  private entries: readonly LiveEntry[] = NONE;
  private hasLoaded = false;
  private readonly listeners = new Set<() => void>();

  readonly subscribe = (listener: () => void): (() => void) => {
    if (!this.hasLoaded) {
      this.hasLoaded = true;
      // What waits, of this page or of another, is part of what was decided.
      decisionOutbox.subscribe(() => {
        const { open, refused } = decisionOutbox.getState();
        this.addMissing([...open, ...refused]);
      });
    }
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
  readonly list = (): readonly LiveEntry[] => this.entries;
  readonly none = (): readonly LiveEntry[] => NONE;

  add(projectId: string, events: readonly DecisionEvent[]): void {
    this.addMissing(events.map((event) => ({ projectId, event })));
  }

  private addMissing(entries: readonly LiveEntry[]): void {
    const known = new Set(this.entries.map(({ event }) => event.id));
    const added = entries.filter(({ event }) => !known.has(event.id));
    if (added.length === 0) return;
    this.entries = [
      ...this.entries,
      ...added.map(({ projectId, event }) => ({ projectId, event })),
    ];
    this.listeners.forEach((listener) => listener());
  }

  /** Follows what other devices decide, from a place in the log on. Returns what ends it. */
  follow(projectId: string, afterSeq: number): () => void {
    return followShared(projectId, afterSeq, {
      onEvent: (data) => void this.takeRead(projectId, data),
      onTime: noteServerTime,
    });
  }

  /** What is read is checked; the checks are loaded with the first of it. */
  private async takeRead(projectId: string, data: unknown): Promise<void> {
    const { decisionEventSchema } = await import('@/core/sort/model');
    const event = decisionEventSchema.safeParse(data);
    if (event.success) this.take(projectId, event.data);
  }

  /** As the log has it; of what was decided here, its time may have been set right. */
  private take(projectId: string, event: DecisionEvent): void {
    const known = this.entries.find((entry) => entry.event.id === event.id);
    if (!known) return this.add(projectId, [event]);
    if (known.event.decidedAt === event.decidedAt) return;
    this.entries = this.entries.map((entry) => (entry === known ? { projectId, event } : entry));
    this.listeners.forEach((listener) => listener());
  }
}

export const liveLog = new LiveLog();
