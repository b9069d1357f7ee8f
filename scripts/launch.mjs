/**
 * Starts Tin Box on a machine with only Node and npm: installs from the lock file, builds, makes the
 * data ready and serves on the loopback. What did not change is not done again.
 *
 *   node scripts/launch.mjs start [--port 4310]            the user's own data (TINBOX_DATA, or ./data)
 *   node scripts/launch.mjs dev   [--port 4310] [--fresh]  the demo's homes, the sources as they
 * are: a change shows at once
 *   node scripts/launch.mjs demo  [--port 4310] [--fresh]  made-up homes in ./demo-data, simulated
 * devices beside it
 *   … --lan                                                also lets paired devices of this network
 * in, encrypted, on the next port; with --cert and --key a certificate of one's own, with --proxy the
 * addresses of proxies in front, parted by commas
 */
import { spawn } from 'node:child_process';
import { accessSync, constants, existsSync, mkdirSync, rmSync, statSync } from 'node:fs';
import net from 'node:net';
import path from 'node:path';

import { buildThreads, ensureBuilt, ensureInstalled, root, runNode, SetupError } from './setup.mjs';

const HOST = '127.0.0.1';
const DEFAULT_PORT = 4310;

async function main(args) {
  const isDev = args[0] === 'dev';
  const isDemo = args[0] === 'demo' || isDev;
  const port = readPort(args);
  const dataDir = isDemo
    ? path.join(root, 'demo-data')
    : path.resolve(process.env.TINBOX_DATA ?? path.join(root, 'data'));
  await refuseBusyPort(port);
  refuseUnwritable(dataDir);
  ensureInstalled();
  if (isDev) buildThreads();
  else ensureBuilt();
  // Only ever the demo's own folder; the user's data is never reset.
  if (isDemo && args.includes('--fresh')) rmSync(dataDir, { recursive: true, force: true });
  const isLan = args.includes('--lan');
  if (isLan) await refuseBusyPort(port + 1, '0.0.0.0');
  const env = {
    ...process.env,
    TINBOX_DATA: dataDir,
    NODE_ENV: isDev ? 'development' : 'production',
    NEXT_TELEMETRY_DISABLED: '1',
    // Pictures are encoded on several threads, and each would keep memory of its own for later.
    MALLOC_ARENA_MAX: process.env.MALLOC_ARENA_MAX ?? '2',
    TINBOX_PORT: String(port),
    // The demo can be made anew at any time: it is not backed up by itself.
    ...(isDemo && !process.env.TINBOX_BACKUPS ? { TINBOX_BACKUPS: 'off' } : {}),
    ...(isLan ? { TINBOX_LAN_PORT: String(port + 1), ...readCertificate(args) } : {}),
  };
  runNode(
    [
      '--conditions=react-server',
      '--import',
      'tsx',
      path.join('scripts', 'prepare.ts'),
      ...(isDemo ? ['--demo'] : []),
    ],
    { env },
  );
  const children = [...(isDemo ? startStandins() : []), ...(isLan ? [startGateway(env)] : [])];
  try {
    await serve(port, env, isDev ? ['--dev'] : []);
  } finally {
    for (const child of children) child.kill('SIGTERM');
  }
}

/**
 * The simulated devices of the demo, each a program of its own. One whose port is taken, by one that
 * runs already or by a real bridge, is left out: the app asks whatever answers there.
 */
function startStandins() {
  return ['meter', 'camera', 'shopService', 'labelPrinter', 'collection', 'mailbox'].map((name) =>
    spawn(
      process.execPath,
      ['--conditions=react-server', '--import', 'tsx', path.join('scripts', `${name}.ts`)],
      { cwd: root, stdio: ['pipe', 'ignore', 'ignore'] },
    ),
  );
}

/** What stands between the network and the app, which itself stays on the loopback. */
const startGateway = (env) =>
  spawn(
    process.execPath,
    ['--conditions=react-server', '--import', 'tsx', path.join('scripts', 'gateway.ts')],
    { cwd: root, env, stdio: ['ignore', 'inherit', 'inherit'] },
  );

/** A certificate of one's own: both files, or neither. */
function readCertificate(args) {
  const named = (name) => {
    const at = args.indexOf(name);
    return at >= 0 ? args[at + 1] : undefined;
  };
  const [cert, key, proxies] = ['--cert', '--key', '--proxy'].map(named);
  if ((cert === undefined) !== (key === undefined))
    throw new SetupError('--cert and --key are given together, each with a file');
  for (const file of [cert, key])
    if (file !== undefined && !existsSync(file)) throw new SetupError(`there is no file ${file}`);
  return {
    ...(cert ? { TINBOX_CERT: path.resolve(cert), TINBOX_KEY: path.resolve(key) } : {}),
    ...(proxies ? { TINBOX_PROXIES: proxies } : {}),
  };
}

function readPort(args) {
  const at = args.indexOf('--port');
  const port = Number(at >= 0 ? args[at + 1] : (process.env.PORT ?? DEFAULT_PORT));
  if (!Number.isInteger(port) || port < 1 || port > 65535)
    throw new SetupError('--port wants a whole number from 1 to 65535');
  return port;
}

function refuseBusyPort(port, host = HOST) {
  return new Promise((resolve, reject) => {
    const probe = net.createServer();
    probe.once('error', (error) => {
      const isBusy = error.code === 'EADDRINUSE';
      reject(
        new SetupError(
          isBusy
            ? `port ${port} is in use; choose another with --port, e.g. -- --port ${port + 1}`
            : `cannot listen on port ${port}: ${error.message}`,
        ),
      );
    });
    probe.listen(port, host, () => probe.close(resolve));
  });
}

function refuseUnwritable(dataDir) {
  try {
    makeFolder(dataDir);
    accessSync(dataDir, constants.W_OK);
  } catch {
    throw new SetupError(
      `the data folder ${dataDir} cannot be written to; name another with TINBOX_DATA`,
    );
  }
}

/**
 * Level by level: Node's own recursive way never ends where the system pretends that a folder may
 * be made.
 */
function makeFolder(folder) {
  if (existsSync(folder)) {
    if (!statSync(folder).isDirectory()) throw new Error('not a folder');
    return;
  }
  makeFolder(path.dirname(folder));
  mkdirSync(folder, { mode: 0o700 });
}

/** Runs the server until it ends; Ctrl-C and termination reach it first. */
function serve(port, env, more = []) {
  const child = spawn(
    process.execPath,
    [path.join(root, 'scripts', 'serve.mjs'), '--port', String(port), ...more],
    { cwd: root, env, stdio: ['ignore', 'pipe', 'inherit'] },
  );
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => child.kill(signal));
  let hasSaid = false;
  child.stdout.on('data', (chunk) => {
    if (hasSaid || !String(chunk).includes('Ready')) return;
    hasSaid = true;
    process.stdout.write(`Tin Box is at http://${HOST}:${port} (Ctrl-C ends it)\n`);
  });
  return new Promise((resolve, reject) => {
    child.once('exit', (code, signal) =>
      code === 0 || code === 143 || code === 130 || signal
        ? resolve()
        : reject(new SetupError(`the server ended with code ${code}`)),
    );
  });
}

main(process.argv.slice(2)).catch((error) => {
  if (!(error instanceof SetupError)) throw error;
  if (error.message !== '') process.stderr.write(`Tin Box cannot start: ${error.message}.\n`);
  process.exitCode = 1;
});
