/**
 * Takes the pictures in docs/screenshots from a fresh demo: one of each main view at 1280x800, and
 * at 390x844 where it is used on a phone.
 *
 *   npm run screenshots                      all, against a demo server that it starts
 *   npm run screenshots -- --at http://127.0.0.1:4310 --to /tmp/shots [name ...]
 */
import { spawn } from 'node:child_process';
import { mkdirSync } from 'node:fs';
import path from 'node:path';
import { chromium } from '@playwright/test';

import { root } from './setup.mjs';

const DESK = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };
const room = (project, name, step) => `/projects/${project}/rooms/${name}/${step}`;
const typeScarves = async (page) => {
  await page
    .getByRole('textbox', { name: 'What is in hand, in plain words' })
    .fill('16 wool scarves, moth holes in two');
};

const pickWardrobe = (page) => page.getByRole('button', { name: /^Wardrobe: wall/ }).focus();

const proposeDays = async (page) => {
  await page.getByRole('button', { name: 'Propose days' }).click();
  await page.getByRole('button', { name: 'Take these days' }).waitFor();
};

/** Name of the file, address, size, and what is done before the picture. */
const VIEWS = [
  { name: 'desk', url: '/', size: DESK },
  { name: 'home', url: '/projects/quarry-row/home', size: DESK },
  { name: 'look', url: room('quarry-row', 'spare-room', 'look'), size: DESK, act: pickWardrobe },
  { name: 'agree', url: '/projects/quarry-row/home/agree', size: DESK },
  { name: 'sort', url: room('quarry-row', 'linen-press', 'sort'), size: DESK, act: typeScarves },
  {
    name: 'sort-phone',
    url: room('quarry-row', 'linen-press', 'sort'),
    size: PHONE,
    act: typeScarves,
  },
  { name: 'place', url: room('quarry-row', 'linen-press', 'place'), size: DESK },
  { name: 'days', url: '/days', size: DESK, act: proposeDays },
  {
    name: 'fit',
    url: `${room('quarry-row', 'linen-press', 'fit')}?bay=left-2`,
    size: DESK,
    act: (page) =>
      page
        .getByRole('button', { name: 'Stop, keep what is there' })
        .waitFor({ state: 'detached', timeout: 30_000 }),
  },
  { name: 'shop', url: '/projects/quarry-row/home/shop', size: DESK },
  { name: 'trips', url: '/projects/quarry-row/home/take-away/trips', size: DESK },
  { name: 'drive-phone', url: '/projects/quarry-row/home/take-away/drive', size: PHONE },
  { name: 'set-up', url: room('quarry-row', 'spare-room', 'set-up'), size: DESK },
  { name: 'labels', url: room('quarry-row', 'boot-room', 'set-up/labels'), size: DESK },
  { name: 'show', url: room('quarry-row', 'boot-room', 'show'), size: DESK },
  { name: 'client', url: '/projects/quarry-row/home/show/client', size: DESK },
  { name: 'learnt', url: '/learnt', size: DESK },
  { name: 'put-away-test', url: '/projects/quarry-row/home/look-again/test', size: DESK },
  { name: 'client-page', url: '/api/projects/quarry-row/client?room=boot-room', size: DESK },
];

function option(name) {
  const at = process.argv.indexOf(name);
  return at < 0 ? undefined : process.argv[at + 1];
}

async function main() {
  const target = path.resolve(option('--to') ?? path.join(root, 'docs', 'screenshots'));
  const given = option('--at');
  const names = process.argv
    .slice(2)
    .filter((arg, i, all) => !arg.startsWith('--') && !all[i - 1]?.startsWith('--'));
  const views = names.length > 0 ? VIEWS.filter(({ name }) => names.includes(name)) : VIEWS;
  mkdirSync(target, { recursive: true });
  const server =
    given === undefined ? await startDemo() : { address: given, stop: () => undefined };
  try {
    const browser = await chromium.launch({
      executablePath: '/usr/bin/chromium',
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
    for (const view of views) {
      const page = await browser.newPage({
        viewport: view.size,
        reducedMotion: 'reduce',
        isMobile: view.size === PHONE,
        hasTouch: view.size === PHONE,
      });
      page.on(
        'console',
        (message) =>
          message.type() === 'error' && process.stderr.write(`${view.name}: ${message.text()}\n`),
      );
      await page.goto(server.address + view.url, { waitUntil: 'load' });
      // A bench listens for ever, so that the network is never idle.
      await page.waitForTimeout(1500);
      await view.act?.(page);
      await page.waitForTimeout(600);
      await page.evaluate(() => document.fonts.ready);
      await page.screenshot({
        path: path.join(target, `${view.name}.png`),
        animations: 'disabled',
      });
      await page.close();
    }
    await browser.close();
  } finally {
    server.stop();
  }
}

function startDemo() {
  const port = '4391';
  const child = spawn(
    process.execPath,
    [path.join(root, 'scripts', 'launch.mjs'), 'demo', '--fresh', '--port', port],
    { stdio: ['ignore', 'pipe', 'inherit'] },
  );
  return new Promise((resolve, reject) => {
    child.once('exit', (code) => reject(new Error(`the demo ended with code ${code}`)));
    child.stdout.on('data', (chunk) => {
      process.stdout.write(chunk);
      if (String(chunk).includes('Tin Box is at'))
        resolve({ address: `http://127.0.0.1:${port}`, stop: () => child.kill('SIGTERM') });
    });
  });
}

main().catch((error) => {
  process.stderr.write(`${error.stack ?? error}\n`);
  process.exitCode = 1;
});
