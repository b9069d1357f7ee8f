/**
 * Bundles the service worker, with the names of all files that the pages are made of. Next's own bundler
 * names them by their content and is done before this begins.
 */
import { existsSync, mkdirSync, readdirSync, renameSync } from 'node:fs';
import path from 'node:path';
import { pathToFileURL } from 'node:url';

import { build } from 'esbuild';

const root = path.join(import.meta.dirname, '..');
const PARTS = new Set(['.js', '.css', '.woff2', '.wasm', '.svg']);

export default async function buildServiceWorker() {
  const file = path.join(root, 'build', 'serviceWorker.js');
  mkdirSync(path.dirname(file), { recursive: true });
  const made = `${file}.${process.pid}.new`;
  await build({
    entryPoints: [path.join(root, 'src', 'workers', 'serviceWorker.ts')],
    outfile: made,
    bundle: true,
    minify: true,
    platform: 'browser',
    format: 'iife',
    target: 'es2022',
    alias: { '@': path.join(root, 'src') },
    define: {
      SHELL_FILES: JSON.stringify(listShell()),
      'process.env.NODE_ENV': '"production"',
    },
    logLevel: 'error',
  });
  renameSync(made, file);
}

function listShell() {
  const folder = path.join(root, '.next', 'static');
  if (!existsSync(folder)) return [];
  return readdirSync(folder, { recursive: true })
    .map((name) => String(name).split(path.sep).join('/'))
    .filter((name) => PARTS.has(path.extname(name)))
    .sort()
    .map((name) => `/_next/static/${name}`);
}

if (import.meta.url === pathToFileURL(process.argv[1] ?? '').href) await buildServiceWorker();
