import 'server-only';

import { randomUUID } from 'node:crypto';
import { mkdir, open, rm } from 'node:fs/promises';
import path from 'node:path';

/** Where what comes in lies until it is taken or refused; emptied at each start. */
const incomingDir = (dataDir: string): string =>
  path.join(/*turbopackIgnore: true*/ dataDir, 'incoming');

/** Writes pieces to a file of its own while `work` has use for it, and takes it away afterwards. */
export async function withReceivedFile<F, T>(
  dataDir: string,
  pieces: AsyncGenerator<Uint8Array, F | undefined>,
  work: (file: string) => Promise<T>,
): Promise<T | { readonly fault: F }> {
  await mkdir(incomingDir(dataDir), { recursive: true, mode: 0o700 });
  const file = path.join(/*turbopackIgnore: true*/ incomingDir(dataDir), randomUUID());
  const handle = await open(file, 'wx', 0o600);
  try {
    for (;;) {
      const next = await pieces.next();
      if (!next.done) await handle.write(next.value);
      else if (next.value) return { fault: next.value };
      else break;
    }
    return await work(file);
  } finally {
    await handle.close();
    await rm(file, { force: true });
  }
}
