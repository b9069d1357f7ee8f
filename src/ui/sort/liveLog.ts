import { decisionEventSchema, type DecisionEvent } from '@/core/sort';
import { decisionOutbox } from './decisionOutbox';

interface LiveEntry {
  readonly projectId: string;
  readonly event: DecisionEvent;
}

const NONE: readonly LiveEntry[] = [];
const DEVICE_KEY = 'tin-box-device';

/**
 * What was decided since the page was loaded: here, kept or not, and on other devices as it is kept there.
 * One stream a project, open while somebody listens; what comes twice counts once when it is folded.
 */
class LiveLog {
  private entries: readonly LiveEntry[] = NONE;
  private hasLoaded = false;
  private source: EventSource | undefined;
  private readonly listeners = new Set<() => void>();

  readonly subscribe = (listener: () => void): (() => void) => {
    if (!this.hasLoaded) {
      this.hasLoaded = true;
      this.entries = decisionOutbox.listAllWaiting();
      if (this.entries.length > 0) queueMicrotask(listener);
    }
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
  readonly list = (): readonly LiveEntry[] => this.entries;
  readonly none = (): readonly LiveEntry[] => NONE;

  add(projectId: string, events: readonly DecisionEvent[]): void {
    this.entries = [...this.entries, ...events.map((event) => ({ projectId, event }))];
    this.listeners.forEach((listener) => listener());
  }

  /** Follows what other devices decide, from a place in the log on. Returns what ends it. */
  follow(projectId: string, afterSeq: number): () => void {
    this.source?.close();
    const source = new EventSource(`/api/projects/${projectId}/decisions/stream?after=${afterSeq}`);
    this.source = source;
    source.onmessage = (message: MessageEvent<string>) => {
      const event = decisionEventSchema.safeParse(JSON.parse(message.data));
      // What was decided here is shown already.
      const isKnown =
        event.success && this.entries.some((entry) => entry.event.id === event.data.id);
      if (event.success && !isKnown) this.add(projectId, [event.data]);
    };
    return () => source.close();
  }
}

export const liveLog = new LiveLog();

/** How this device is called in the log; the desk until it is given a name. */
export const deviceName = (): string =>
  typeof window === 'undefined' ? 'desk' : (window.localStorage.getItem(DEVICE_KEY) ?? 'desk');
export const nameDevice = (name: string): void => window.localStorage.setItem(DEVICE_KEY, name);
