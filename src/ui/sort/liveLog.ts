import { decisionEventSchema, type DecisionEvent } from '@/core/sort';
import { createUuid } from '../createUuid';
import { decisionOutbox } from './decisionOutbox';
import { noteServerTime } from './deviceClock';
import { followShared } from './sharedStream';

interface LiveEntry {
  readonly projectId: string;
  readonly event: DecisionEvent;
}

const NONE: readonly LiveEntry[] = [];
const DEVICE_KEY = 'tin-box-device';
const MARK_KEY = 'tin-box-device-mark';

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
      onEvent: (data) => {
        const event = decisionEventSchema.safeParse(data);
        if (event.success) this.take(projectId, event.data);
      },
      onTime: noteServerTime,
    });
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

/** How this device is called in the log; the desk until it is given a name. */
export const deviceName = (): string =>
  typeof window === 'undefined' ? 'desk' : (window.localStorage.getItem(DEVICE_KEY) ?? 'desk');
/** Tells this browser from others of the same name. */
export function deviceMark(): string {
  const known = window.localStorage.getItem(MARK_KEY);
  if (known !== null) return known;
  const made = createUuid();
  window.localStorage.setItem(MARK_KEY, made);
  return made;
}
export const nameDevice = (name: string): void => window.localStorage.setItem(DEVICE_KEY, name);
