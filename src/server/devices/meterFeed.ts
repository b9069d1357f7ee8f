import 'server-only';

import { parseLength } from '@/core/shared';

/** Where the bridge of a distance meter, real or simulated, offers its readings; see docs/devices.md. */
export const meterAddressOf = (env: Readonly<Record<string, string | undefined>>): string =>
  env.TINBOX_METER ?? 'http://127.0.0.1:4317/readings';

const RETRY_MS = 1500;
/** A line that goes on for longer is no reading. */
const MAX_LINE = 200;

export type MeterEvent =
  | { readonly kind: 'connected' }
  | { readonly kind: 'gone' }
  | { readonly kind: 'reading'; readonly text: string }
  | { readonly kind: 'unreadable'; readonly text: string };

/**
 * Listens to a meter's bridge until `signal` ends it, and connects again whenever it goes away. A
 * reading is a length as people write it, one a line; a bare number is millimetres. Others are told
 * as unreadable.
 */
export async function followMeter(
  address: string,
  signal: AbortSignal,
  onEvent: (event: MeterEvent) => void,
): Promise<void> {
  while (!signal.aborted) {
    try {
      const response = await fetch(address, {
        signal,
        headers: { accept: 'text/event-stream' },
        cache: 'no-store',
      });
      if (response.ok && response.body) {
        onEvent({ kind: 'connected' });
        await readLines(response.body, (line) => onEvent(toEvent(line)));
      }
    } catch {
      // Not there, or gone: said below, and tried again.
    }
    if (isAborted(signal)) return;
    onEvent({ kind: 'gone' });
    await new Promise((resolve) => setTimeout(resolve, RETRY_MS));
  }
}

function toEvent(line: string): MeterEvent {
  const length = parseLength(line, 'mm');
  return length.ok && length.value.mm > 0
    ? {
        kind: 'reading',
        text: line.includes('mm') || !/^[\d.,]+$/.test(line) ? line : `${line} mm`,
      }
    : { kind: 'unreadable', text: line.slice(0, 40) };
}

async function readLines(
  body: ReadableStream<Uint8Array>,
  onLine: (line: string) => void,
): Promise<void> {
  const decoder = new TextDecoder();
  const reader = body.getReader();
  let rest = '';
  for (let next = await reader.read(); !next.done; next = await reader.read()) {
    rest += decoder.decode(next.value, { stream: true });
    const lines = rest.split(/\r?\n/);
    rest = (lines.pop() ?? '').slice(0, MAX_LINE);
    for (const line of lines)
      if (line.startsWith('data:')) onLine(line.slice('data:'.length).trim().slice(0, MAX_LINE));
  }
}

/** Asked anew after each wait, during which it may have changed. */
const isAborted = (signal: AbortSignal): boolean => signal.aborted;
