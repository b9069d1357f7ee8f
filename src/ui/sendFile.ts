/** Where a file on its way is: still being sent, or being worked on by the server. */
export interface FileProgress {
  readonly stage: string;
  readonly done: number;
  readonly of: number;
}

interface SendOptions {
  readonly maxBytes: number;
  readonly onProgress: (progress: FileProgress) => void;
  readonly signal: AbortSignal;
}

/** What the server said last, or why nothing of it could be sent. */
type SentFile<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly message: string };

/**
 * Sends a file to a route that answers a line of JSON at a time (`application/x-ndjson`): progress
 * first, what came of it or `{error: {message}}` last. Ending `signal` stops the server too. What is
 * above the limit is said before any of it is sent.
 */
export function sendFile<T>(
  url: string,
  file: File,
  { maxBytes, onProgress, signal }: SendOptions,
): Promise<SentFile<T>> {
  if (file.size > maxBytes)
    return Promise.resolve({
      ok: false,
      message: `This file is ${Math.ceil(file.size / 1e6)} MB; at most ${Math.round(maxBytes / 1e6)} MB can be read.`,
    });
  return new Promise((resolve) => {
    // Not fetch: it tells nothing of how much of a body has been sent.
    const request = new XMLHttpRequest();
    const answer = new LineReader();
    const fail = (message: string) => resolve({ ok: false, message });
    request.upload.onprogress = ({ loaded, total }) =>
      onProgress({ stage: 'sending', done: loaded, of: total });
    request.onprogress = () => {
      const progress = answer.read(request.responseText).filter(isProgress).at(-1);
      if (progress) onProgress(progress);
    };
    request.onload = () => {
      answer.read(request.responseText);
      const last = answer.last as ({ error?: { message?: string } } & T) | undefined;
      if (last === undefined)
        fail('The server’s answer broke off. Look whether it came in, and send it again if not.');
      else if (last.error) fail(last.error.message ?? 'The file could not be read.');
      else resolve({ ok: true, value: last });
    };
    request.onerror = () => fail('The file did not arrive; nothing was brought in.');
    request.onabort = () => fail('Stopped; nothing was brought in.');
    signal.addEventListener('abort', () => request.abort());
    request.open('POST', url);
    request.setRequestHeader('accept', 'application/x-ndjson');
    request.send(file);
  });
}

const isProgress = (line: unknown): line is FileProgress =>
  typeof line === 'object' && line !== null && 'stage' in line;

/** Takes the whole lines out of an answer that grows. */
class LineReader {
  private at = 0;
  last: unknown;

  read(text: string): unknown[] {
    const end = text.lastIndexOf('\n') + 1;
    const lines = text.slice(this.at, end).split('\n').filter(Boolean);
    this.at = Math.max(this.at, end);
    // An answer of one piece has no line end.
    if (end === 0 && text.startsWith('{') && text.endsWith('}')) lines.push(text);
    const read = lines.flatMap((line): unknown[] => {
      try {
        return [JSON.parse(line) as unknown];
      } catch {
        return [];
      }
    });
    this.last = read.at(-1) ?? this.last;
    return read;
  }
}
