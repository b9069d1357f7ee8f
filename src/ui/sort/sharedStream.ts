import { whileSeen } from '../primitives/whileSeen';

/** What a stream tells: an event of the log with its place in it, or the server's time. */
interface Hearing {
  readonly onEvent: (event: unknown) => void;
  readonly onTime: (serverNow: string) => void;
  /** A client has answered; told without a place in the log. */
  readonly onAnswers?: () => void;
}

type Message =
  | { readonly kind: 'event'; readonly seq: number; readonly data: unknown }
  | { readonly kind: 'answers' }
  /** A tab has come that knows the log up to here. */
  | { readonly kind: 'ask'; readonly after: number };

/**
 * Follows a project's log with one stream for all tabs of a browser: a browser opens six connections
 * to a server, and the seventh tab would wait for ever. The tab that holds the lock has the stream and
 * tells the others; when it goes, the next one goes on from where it has heard. A browser without locks
 * (a phone without encryption) has a stream a tab. What is told twice is known by its id. A tab that nobody
 * sees hears nothing, and goes on from where it was as soon as it is seen.
 */
export function followShared(projectId: string, afterSeq: number, hearing: Hearing): () => void {
  let heardSeq = afterSeq;
  return whileSeen((isAgain) => {
    const told = isAgain ? catchUp(hearing) : hearing;
    if (!('locks' in navigator)) {
      const source = openStream(
        projectId,
        heardSeq,
        (seq, data) => {
          heardSeq = Math.max(heardSeq, seq);
          told.onEvent(data);
        },
        told,
      );
      return () => source.close();
    }
    const follower = new SharedFollower(projectId, heardSeq, told);
    return () => {
      heardSeq = follower.close();
    };
  });
}

/** Answers have no place in the log: what came meanwhile is read once the desk speaks again. */
function catchUp(hearing: Hearing): Hearing {
  let isCaughtUp = false;
  return {
    ...hearing,
    onTime: (serverNow) => {
      hearing.onTime(serverNow);
      if (!isCaughtUp) hearing.onAnswers?.();
      isCaughtUp = true;
    },
  };
}

class SharedFollower {
  private readonly channel: BroadcastChannel;
  private readonly ended = new AbortController();
  private source: EventSource | undefined;
  /** Up to where this tab has heard, and from where its own stream began. */
  private heardSeq: number;
  private beganSeq = Infinity;
  private readonly told: { readonly seq: number; readonly data: unknown }[] = [];

  constructor(
    private readonly projectId: string,
    afterSeq: number,
    private readonly hearing: Hearing,
  ) {
    this.heardSeq = afterSeq;
    this.channel = new BroadcastChannel(`tin-box-log ${projectId}`);
    this.channel.onmessage = ({ data }: MessageEvent<Message>) => this.hear(data);
    this.say({ kind: 'ask', after: afterSeq });
    const { signal } = this.ended;
    void navigator.locks
      .request(`tin-box-log ${projectId}`, { signal }, () => this.lead())
      .catch(() => undefined);
  }

  /** Ends it; up to where it has heard. */
  close(): number {
    this.ended.abort();
    this.source?.close();
    this.channel.close();
    return this.heardSeq;
  }

  /** Holds the stream until this tab goes. */
  private lead(): Promise<void> {
    this.open(this.heardSeq);
    return new Promise((resolve) => this.ended.signal.addEventListener('abort', () => resolve()));
  }

  private open(after: number): void {
    this.source?.close();
    this.beganSeq = after;
    this.source = openStream(
      this.projectId,
      after,
      (seq, data) => {
        this.told.push({ seq, data });
        if (this.told.length > MOST_TOLD) this.beganSeq = this.told.shift()?.seq ?? after;
        this.say({ kind: 'event', seq, data });
        this.take(seq, data);
      },
      {
        ...this.hearing,
        onAnswers: () => {
          this.say({ kind: 'answers' });
          this.hearing.onAnswers?.();
        },
      },
    );
  }

  private hear(message: Message): void {
    if (message.kind === 'event') return this.take(message.seq, message.data);
    if (message.kind === 'answers') return this.hearing.onAnswers?.();
    if (!this.source) return;
    // The newcomer's page is older than this stream: all of it once more, from there.
    if (message.after < this.beganSeq) return this.open(message.after);
    for (const { seq, data } of this.told)
      if (seq > message.after) this.say({ kind: 'event', seq, data });
  }

  private take(seq: number, data: unknown): void {
    this.heardSeq = Math.max(this.heardSeq, seq);
    this.hearing.onEvent(data);
  }

  private say(message: Message): void {
    if (!this.ended.signal.aborted) this.channel.postMessage(message);
  }
}

/** So many of the latest are kept for tabs that come later. */
const MOST_TOLD = 2000;

function openStream(
  projectId: string,
  after: number,
  onEvent: (seq: number, data: unknown) => void,
  { onTime, onAnswers }: Hearing,
): EventSource {
  const source = new EventSource(`/api/projects/${projectId}/decisions/stream?after=${after}`);
  source.onmessage = ({ data, lastEventId }: MessageEvent<string>) =>
    onEvent(Number(lastEventId), JSON.parse(data) as unknown);
  source.addEventListener('answers', () => onAnswers?.());
  source.addEventListener('now', ({ data }: MessageEvent<string>) => onTime(data));
  return source;
}
