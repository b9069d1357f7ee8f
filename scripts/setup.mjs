/** What starting and testing share: installing and building, each only when something changed. */
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '..');

/** Something a person can mend, said in one line. An empty message: the child has said it already. */
export class SetupError extends Error {}

const lockFile = path.join(root, 'package-lock.json');
const installStamp = path.join(root, 'node_modules', '.tin-box-lock');
const buildStamp = path.join(root, '.next', 'tin-box-build');
const BUILD_INPUTS = [
  'src',
  'public',
  'scripts/buildServiceWorker.mjs',
  'next.config.ts',
  'postcss.config.mjs',
  'tsconfig.json',
  'package.json',
  'package-lock.json',
];

/** Installs from the lock file unless exactly that lock is installed. */
export function ensureInstalled() {
  const lock = hashFiles([lockFile]);
  if (readStamp(installStamp) === lock) return;
  process.stdout.write('Installing from the lock file (some minutes the first time) …\n');
  run('npm', ['ci', '--no-audit', '--no-fund'], 'npm ci failed; see above');
  writeFileSync(installStamp, lock);
}

/** Builds the server unless it was built from exactly these sources. */
export function ensureBuilt() {
  const sources = hashFiles(BUILD_INPUTS.flatMap((input) => listFiles(path.join(root, input))));
  if (readStamp(buildStamp) === sources) return;
  process.stdout.write('Building …\n');
  buildThreads();
  runNode([path.join(root, 'node_modules', 'next', 'dist', 'bin', 'next'), 'build'], {
    env: { ...process.env, NODE_ENV: 'production', NEXT_TELEMETRY_DISABLED: '1' },
  });
  runNode([path.join(root, 'scripts', 'buildServiceWorker.mjs')]);
  writeFileSync(buildStamp, sources);
}

/** Bundles what runs in the server's engine threads. */
export const buildThreads = () => runNode([path.join(root, 'scripts', 'buildThreads.mjs')]);

/** Runs Node on a script; throws where it ends badly. */
export function runNode(args, { env = process.env } = {}) {
  const result = spawnSync(process.execPath, args, { cwd: root, env, stdio: 'inherit' });
  if (result.status !== 0) throw new SetupError('');
}

export function run(command, args, problem) {
  const result = spawnSync(command, args, { cwd: root, stdio: 'inherit' });
  if (result.status !== 0) throw new SetupError(problem);
}

function listFiles(entry) {
  if (!existsSync(entry)) return [];
  if (!statSync(entry).isDirectory()) return [entry];
  return readdirSync(entry).flatMap((name) => listFiles(path.join(entry, name)));
}

function hashFiles(files) {
  const hash = createHash('sha256');
  for (const file of [...files].sort()) {
    if (/\.test\.tsx?$/.test(file)) continue;
    hash.update(path.relative(root, file)).update('\0').update(readFileSync(file)).update('\0');
  }
  return hash.digest('hex');
}

const readStamp = (file) => (existsSync(file) ? readFileSync(file, 'utf8') : undefined);
