/**
 * The whole check, on a machine with only Node and npm: installs what is missing (Chromium too, by
 * apt where it can), then format, lint, types, unit tests, a production build, and the journeys in a browser
 * against it. Ends with one line `N passed, N failed`; format, lint, types and build count as one each.
 */
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import path from 'node:path';

import { ensureBuilt, ensureInstalled, root, SetupError } from './setup.mjs';

const CHROMIUM = process.env.TINBOX_CHROMIUM ?? '/usr/bin/chromium';
const REPORTS = path.join(root, 'test-results');
const bin = (name) => path.join(root, 'node_modules', '.bin', name);

let passed = 0;
let failed = 0;
const count = (good, bad) => {
  passed += good;
  failed += bad;
};

async function main() {
  ensureInstalled();
  ensureChromium();
  rmSync(REPORTS, { recursive: true, force: true });
  mkdirSync(REPORTS, { recursive: true });
  await Promise.all([
    step('Lint', bin('eslint'), ['.', '--max-warnings', '0']),
    step('Format', bin('prettier'), ['--check', '--log-level', 'warn', '.']).then(() =>
      step('Types', bin('tsc'), ['--noEmit']),
    ),
  ]);
  runJest();
  try {
    heading('Build');
    ensureBuilt();
    count(1, 0);
  } catch (error) {
    if (!(error instanceof SetupError)) throw error;
    count(0, 1);
  }
  runPlaywright();
}

function heading(text) {
  process.stdout.write(`\n== ${text}\n`);
}

/** Runs beside others; what it says comes as a whole when it has ended. */
async function step(name, command, args) {
  const child = spawn(command, args, { cwd: root, stdio: ['ignore', 'pipe', 'pipe'] });
  const said = [];
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk) => said.push(chunk));
  const status = await new Promise((resolve) => {
    child.once('close', resolve);
    child.once('error', (error) => said.push(String(error)));
  });
  heading(name);
  process.stdout.write(Buffer.concat(said.map((chunk) => Buffer.from(chunk))));
  count(status === 0 ? 1 : 0, status === 0 ? 0 : 1);
}

/** A runner that dies before its report counts as one failure; so does one that ran nothing. */
function runJest() {
  heading('Unit tests');
  const report = path.join(REPORTS, 'jest.json');
  spawnSync(bin('jest'), ['--json', `--outputFile=${report}`], {
    cwd: root,
    stdio: ['ignore', 'ignore', 'inherit'],
  });
  const result = readReport(report);
  if (!result || result.numTotalTests === 0) return count(0, 1);
  // A suite that does not even load has no tests of its own to fail.
  count(result.numPassedTests, result.numFailedTests + result.numRuntimeErrorTestSuites);
}

function runPlaywright() {
  heading('Journeys in the browser');
  spawnSync(bin('playwright'), ['test'], { cwd: root, stdio: 'inherit' });
  const stats = readReport(path.join(REPORTS, 'report.json'))?.stats;
  if (!stats || stats.expected + stats.unexpected === 0) return count(0, 1);
  // Journeys that could not start, because one before them failed, did not pass either.
  count(stats.expected, stats.unexpected + stats.flaky + stats.skipped);
}

const readReport = (file) =>
  existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : undefined;

function ensureChromium() {
  if (existsSync(CHROMIUM)) return;
  const isRoot = process.getuid?.() === 0;
  const apt = (...args) =>
    spawnSync(isRoot ? 'apt-get' : 'sudo', isRoot ? args : ['-n', 'apt-get', ...args], {
      stdio: 'inherit',
      env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
    }).status === 0;
  process.stdout.write('Installing Chromium …\n');
  const isThere =
    apt('update', '-qq') && apt('install', '-y', '-qq', 'chromium') && existsSync(CHROMIUM);
  if (!isThere)
    throw new SetupError(
      `install Chromium first (Debian: apt-get install chromium), or name it with TINBOX_CHROMIUM; ${CHROMIUM} is missing`,
    );
}

try {
  await main();
} catch (error) {
  if (!(error instanceof SetupError)) throw error;
  if (error.message !== '') process.stderr.write(`${error.message}\n`);
  failed += 1;
}
process.stdout.write(`\n${passed} passed, ${failed} failed\n`);
process.exitCode = failed === 0 ? 0 : 1;
