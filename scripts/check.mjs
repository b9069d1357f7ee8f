/**
 * The fast loop: format, lint, types and unit tests of what differs from the last commit (or from a
 * branch: npm run check -- main). Nothing is installed, built or opened in a browser; `npm test` does.
 */
import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import path from 'node:path';

import { root } from './setup.mjs';

const bin = (name) => path.join(root, 'node_modules', '.bin', name);
const git = (...args) =>
  spawnSync('git', args, { cwd: root, encoding: 'utf8' }).stdout.split('\n').filter(Boolean);

const base = process.argv[2] ?? 'HEAD';
const changed = [
  ...new Set([
    ...git('diff', '--name-only', base),
    ...git('ls-files', '--others', '--exclude-standard'),
  ]),
].filter((file) => existsSync(path.join(root, file)));
const sources = changed.filter((file) => /\.(tsx?|mjs)$/.test(file));
const tested = sources.filter((file) => /\.tsx?$/.test(file) && !file.startsWith('e2e/'));

const failed = [];
function step(name, command, args) {
  process.stdout.write(`\n== ${name}\n`);
  if (spawnSync(command, args, { cwd: root, stdio: 'inherit' }).status !== 0) failed.push(name);
}

if (changed.length === 0) process.stdout.write(`Nothing differs from ${base}.\n`);
else {
  step('Format', bin('prettier'), ['--check', '--ignore-unknown', ...changed]);
  if (sources.length > 0)
    step('Lint', bin('eslint'), [
      '--max-warnings',
      '0',
      '--no-warn-ignored',
      '--cache',
      '--cache-location',
      '.cache/eslint',
      ...sources,
    ]);
  step('Types', bin('tsc'), ['--noEmit']);
  if (tested.length > 0)
    step('Unit tests of what changed', bin('jest'), [
      '--findRelatedTests',
      '--passWithNoTests',
      // These ask the whole house, or start it as a process.
      '--testPathIgnorePatterns',
      'durability',
      'scripts/demo',
      ...tested,
    ]);
}
process.stdout.write(failed.length === 0 ? '\nGood.\n' : `\nNot good: ${failed.join(', ')}.\n`);
process.exitCode = failed.length === 0 ? 0 : 1;
