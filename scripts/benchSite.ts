/** What the measurements of pages share: the built server on a data folder of their own, and a browser. */
import { spawn, type ChildProcess } from 'node:child_process';
import path from 'node:path';
import { chromium, type Browser } from '@playwright/test';

export async function startServer(dataDir: string, port: number): Promise<ChildProcess> {
  const child = spawn(
    process.execPath,
    [path.join('scripts', 'serve.mjs'), '--port', String(port)],
    {
      env: {
        ...process.env,
        TINBOX_DATA: dataDir,
        TINBOX_PORT: String(port),
        TINBOX_BACKUPS: 'off',
        NODE_ENV: 'production',
      },
      stdio: 'ignore',
    },
  );
  for (let i = 0; i < 200; i += 1) {
    if (
      await fetch(`http://127.0.0.1:${port}`).then(
        ({ ok }) => ok,
        () => false,
      )
    )
      return child;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  throw new Error('the server did not start; build first: npm run build');
}

export async function stopServer(server: ChildProcess): Promise<void> {
  if (server.exitCode !== null || server.signalCode !== null) return;
  server.kill('SIGKILL');
  await new Promise((resolve) => server.once('exit', resolve));
}

export const openChromium = (): Promise<Browser> =>
  chromium.launch({
    executablePath: process.env.TINBOX_CHROMIUM ?? '/usr/bin/chromium',
    args: [
      '--no-sandbox',
      '--disable-gpu',
      '--disable-quic',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
    ],
  });
