import { mkdtempSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { defineConfig } from '@playwright/test';

const PORT = 4399;
/** A folder of its own, made anew for each run; workers of one run share it through the environment. */
const dataDir = (process.env.TINBOX_E2E_DATA ??= mkdtempSync(
  path.join(os.tmpdir(), 'tin-box-e2e-'),
));

export default defineConfig({
  testDir: 'e2e',
  workers: 1,
  fullyParallel: false,
  // Far above what a journey takes: a busy machine is no fault of the application.
  timeout: 240_000,
  expect: { timeout: 30_000 },
  forbidOnly: true,
  reporter: [['list'], ['json', { outputFile: 'test-results/report.json' }]],
  use: {
    baseURL: `http://127.0.0.1:${PORT}`,
    viewport: { width: 1280, height: 800 },
    // A trace slows every journey; it is taken where one is looked into.
    trace: process.env.TINBOX_TRACE ? 'retain-on-failure' : 'off',
    launchOptions: {
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
    },
  },
  webServer: {
    command: `node scripts/launch.mjs start --port ${PORT}`,
    url: `http://127.0.0.1:${PORT}/`,
    // The journeys bring their own simulated meter.
    env: {
      TINBOX_DATA: dataDir,
      TINBOX_BACKUPS: 'off',
      TINBOX_SAMPLES: 'on',
      TINBOX_METER: 'http://127.0.0.1:4396/readings',
    },
    timeout: 300_000,
    reuseExistingServer: false,
    gracefulShutdown: { signal: 'SIGTERM', timeout: 5000 },
  },
});
