import { followMeter, meterAddressOf } from '@/server/devices/meterFeed';
import { handler } from '@/app/api/handler';

/** Relays the readings of a distance meter's bridge to this browser, which may speak to no other address. */
export const GET = handler((request: Request) => {
  const encoder = new TextEncoder();
  const abort = new AbortController();
  request.signal.addEventListener('abort', () => abort.abort());
  const body = new ReadableStream<Uint8Array>({
    start: (controller) => {
      const say = (kind: string, text: string) => {
        if (!abort.signal.aborted)
          controller.enqueue(encoder.encode(`event: ${kind}\ndata: ${text}\n\n`));
      };
      void followMeter(meterAddressOf(process.env), abort.signal, (event) =>
        say(event.kind, 'text' in event ? event.text.replace(/[\r\n]/g, ' ') : ''),
      );
    },
    cancel: () => abort.abort(),
  });
  return new Response(body, {
    headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store' },
  });
});
