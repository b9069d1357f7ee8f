/** Bundles what runs in the server's engine threads; a thread cannot be bundled by the pages' bundler. */
import { mkdirSync, renameSync } from 'node:fs';
import path from 'node:path';
import { pathToFileURL } from 'node:url';

import { build } from 'esbuild';

const root = path.join(import.meta.dirname, '..');

export default async function buildThreads() {
  const file = path.join(root, 'build', 'engineThread.mjs');
  mkdirSync(path.dirname(file), { recursive: true });
  const made = `${file}.${process.pid}.new`;
  await build({
    entryPoints: [path.join(root, 'src', 'workers', 'engineThread.ts')],
    outfile: made,
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    alias: { '@': path.join(root, 'src') },
    // The solver finds its WASM beside itself.
    external: ['highs'],
    logLevel: 'error',
  });
  // In one step, so that a thread that starts meanwhile reads a whole file.
  renameSync(made, file);
}

if (import.meta.url === pathToFileURL(process.argv[1] ?? '').href) await buildThreads();
