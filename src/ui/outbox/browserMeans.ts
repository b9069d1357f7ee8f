import type { OutboxMeans } from './Outbox';
import type { Waiting } from './waiting';

/** By the browser's locks where it has them; without, what two tabs send still counts once. */
const aloneAs =
  (name: string): OutboxMeans<Waiting>['alone'] =>
  (work) =>
    typeof navigator !== 'undefined' && 'locks' in navigator
      ? navigator.locks.request(name, work)
      : work();

function createBell(name: string): OutboxMeans<Waiting>['bell'] {
  const channel = typeof BroadcastChannel === 'undefined' ? undefined : new BroadcastChannel(name);
  return {
    ring: (withdrawn = []) => channel?.postMessage(withdrawn),
    onRing: (listener) =>
      channel?.addEventListener('message', ({ data }: MessageEvent<unknown>) =>
        // A tab of an older version only says that something changed.
        listener(Array.isArray(data) ? data.map(String) : []),
      ),
  };
}

/** Waits so long, or until the browser says that it is back on line; a page that nobody sees waits until it is seen. */
function waitForConnection(ms: number): Promise<void> {
  return new Promise((resolve) => {
    const done = () => {
      clearTimeout(timer);
      window.removeEventListener('online', done);
      document.removeEventListener('visibilitychange', done);
      resolve();
    };
    const timer = setTimeout(() => {
      if (!document.hidden) return done();
      document.addEventListener('visibilitychange', done, { once: true });
    }, ms);
    window.addEventListener('online', done);
  });
}

/** What an outbox of this browser needs besides its store; the name keeps two of them apart. */
export const browserMeans = (name: string) => ({
  alone: aloneAs(name),
  bell: createBell(name),
  wait: waitForConnection,
});
