import { onAnyAnswers } from '@/data/announcements';
import { handler } from '@/app/api/handler';

const HEARTBEAT_MS = 15_000;

/** Tells that a client of some home has answered, as it happens: server-sent events without content. */
export const GET = handler((request: Request) => {
  const encoder = new TextEncoder();
  let end: () => void = () => undefined;
  const body = new ReadableStream<Uint8Array>({
    start: (controller) => {
      const say = (text: string) =>
        !request.signal.aborted && controller.enqueue(encoder.encode(text));
      say(': here\n\n');
      const beat = setInterval(() => say(': here\n\n'), HEARTBEAT_MS);
      const stop = onAnyAnswers(() => say('event: answers\ndata: \n\n'));
      end = () => {
        clearInterval(beat);
        stop();
      };
      request.signal.addEventListener('abort', end);
    },
    cancel: () => end(),
  });
  return new Response(body, {
    headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store' },
  });
});
