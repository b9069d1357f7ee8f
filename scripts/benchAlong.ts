/**
 * Measures work in the field in a browser: script of each step, moving between steps, taking a full home along,
 * its bench from cold without the desk, acts that wait, and what an hour's session costs. Needs a built app:
 * npm run bench -- along
 */
import { mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import type { Browser, BrowserContext, CDPSession, Page } from '@playwright/test';
import Database from 'better-sqlite3';
import sharp from 'sharp';

import { steps } from '@/core/desk';
import { fill } from './benchBench';
import { median } from './benchRow';
import { openChromium, startServer, stopServer } from './benchSite';

const PORT = 4396;
const ADDRESS = `http://127.0.0.1:${PORT}`;
const HOME = `${ADDRESS}/projects/home`;
const ROOM = `${HOME}/rooms/room0`;
const THINGS = 5000;
const PICTURES = 40;
const ACTS = 2000;
const MINUTES = 60;
/** One verdict every eighteen seconds. */
const VERDICTS = 200;
const PHONE = { width: 390, height: 844 };
const line = (page: Page) => page.getByRole('textbox', { name: 'What is in hand, in plain words' });

/** Pictures as a phone takes them: noise over colours, 3 megapixels, about 1 MB each. */
async function takePictures(dataDir: string): Promise<void> {
  const db = new Database(path.join(dataDir, 'tinbox.sqlite'));
  const spot = db.prepare(
    'INSERT INTO vantage_points (id, room_id, name, in_view, position) VALUES (?, ?, ?, ?, ?)',
  );
  for (let i = 0; i < PICTURES; i += 1) spot.run(`spot${i}`, `room${i % 5}`, `Spot ${i}`, '', i);
  db.close();
  for (let i = 0; i < PICTURES; i += 1) {
    const picture = await sharp({
      create: {
        width: 2048,
        height: 1536,
        channels: 3,
        background: { r: 90 + i, g: 110, b: 130 },
        noise: { type: 'gaussian', mean: 128, sigma: 25 },
      },
    })
      .jpeg({ quality: 70 })
      .toBuffer();
    const url = `${ADDRESS}/api/uploads/picture-${i}`;
    const said = { origin: ADDRESS, 'sec-fetch-site': 'same-origin' };
    const headers = { ...said, 'content-type': 'application/octet-stream' };
    await fetch(`${url}?offset=0`, { method: 'PUT', headers, body: new Uint8Array(picture) });
    const made = await fetch(url, {
      method: 'POST',
      headers: { ...said, 'content-type': 'application/json' },
      body: JSON.stringify({
        projectId: 'home',
        spot: { vantagePointId: `spot${i}`, moment: 'before' },
        totalBytes: picture.length,
      }),
    });
    if (!made.ok) throw new Error(`the picture was refused: ${await made.text()}`);
  }
}

/** Counts what comes over the line from now on, compressed as it came. */
async function countBytes(page: Page) {
  const session = await page.context().newCDPSession(page);
  await session.send('Network.enable');
  const urls = new Map<string, string>();
  const counted = { all: 0, script: 0, scripts: new Map<string, number>() };
  session.on('Network.responseReceived', ({ requestId, response }) =>
    urls.set(requestId, response.url),
  );
  session.on('Network.loadingFinished', ({ requestId, encodedDataLength }) => {
    counted.all += encodedDataLength;
    const url = urls.get(requestId) ?? '';
    if (!/\.js(\?|$)/.test(url)) return;
    counted.script += encodedDataLength;
    counted.scripts.set(new URL(url).pathname, encodedDataLength);
  });
  page.on('request', (request) => {
    counted.all += 500 + (request.postDataBuffer()?.length ?? 0);
  });
  return counted;
}

/** By then parts that a page does not need at first have come. */
const AT_REST_MS = 3000;
const toKilobytes = (bytes: number): number => Math.round(bytes / 1000);

/** What the page itself names, and with what it loads once it is at rest. */
async function scriptOfSteps(browser: Browser): Promise<string[]> {
  const lines: string[] = [];
  for (const step of steps) {
    // Each in a browser that has nothing yet.
    const context = await browser.newContext({ serviceWorkers: 'block' });
    const page = await context.newPage();
    const counted = await countBytes(page);
    const answer = await page.goto(`${ROOM}/${step}`);
    await page.waitForTimeout(AT_REST_MS);
    const text = (await answer?.text()) ?? '';
    let named = 0;
    for (const [url, bytes] of counted.scripts) if (text.includes(url)) named += bytes;
    lines.push(
      `${step} ${toKilobytes(named)}, ${toKilobytes(counted.script)} with what comes at rest`,
    );
    await context.close();
  }
  return [`script of a step, first load, kB gzipped: ${lines.join('; ')}`];
}

/** In the page: from the tap on another step's divider until its page stands. */
const tapTo = (step: string) => `new Promise((resolve) => {
  const link = document.querySelector('nav[aria-label=Steps] a[href$="/${step}"]');
  const start = performance.now();
  link.click();
  const stands = () => location.pathname.endsWith('/${step}');
  const done = () => resolve(performance.now() - start);
  const look = () => requestAnimationFrame(stands() ? done : look);
  look();
})`;

async function movingBetweenSteps(context: BrowserContext): Promise<string[]> {
  const page = await context.newPage();
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.goto(`${ROOM}/look`);
  await page.waitForTimeout(1500);
  const times: number[] = [];
  for (let round = 0; round < 4; round += 1)
    for (const step of steps) {
      if (page.url().endsWith(`/${step}`)) continue;
      const ms = await page.evaluate<number>(tapTo(step));
      // The first round is cold.
      if (round > 0) times.push(ms);
      await page.waitForTimeout(500);
    }
  await page.close();
  const worst = Math.max(...times);
  return [
    `moving between steps, warm: median ${median(times).toFixed(0)} ms, worst ${worst.toFixed(0)} of ${times.length}`,
  ];
}

async function takingAlong(page: Page): Promise<string[]> {
  await page.goto(HOME);
  await page.waitForFunction(() => navigator.serviceWorker.controller !== null);
  const part = page.getByRole('region', { name: 'On this device' });
  const start = performance.now();
  await part.getByRole('button', { name: 'Take this home along' }).click();
  await part.getByRole('button', { name: 'Bring up to date' }).waitFor({ timeout: 300_000 });
  const seconds = (performance.now() - start) / 1000;
  const words = (await part.innerText()).split('\n').find((text) => text.includes('MB'));
  return [
    `${THINGS} things and ${PICTURES} pictures taken along in ${seconds.toFixed(1)} s: ${words}`,
  ];
}

/** Without the desk, the processor four times slower: from the address to the line that can be typed into. */
async function fromCold(context: BrowserContext): Promise<string[]> {
  const times: number[] = [];
  for (let i = 0; i < 5; i += 1) {
    const page = await context.newPage();
    await slow(await context.newCDPSession(page), 4);
    const start = performance.now();
    await page.goto(`${ROOM}/sort`, { waitUntil: 'commit' });
    await line(page).waitFor();
    times.push(performance.now() - start);
    await page.close();
  }
  return [
    `bench from cold without the desk, four times slowed: median ${median(times).toFixed(0)} ms, worst ${Math.max(...times).toFixed(0)}`,
  ];
}

const slow = (session: CDPSession, rate: number) =>
  session.send('Emulation.setCPUThrottlingRate', { rate });

/** Puts acts into the browser's own list, as if they had been done without a connection. */
const fillOutbox = (page: Page, mark: string) =>
  page.evaluate(
    async ([count, id]) => {
      const db = await new Promise<IDBDatabase>((resolve) => {
        const asked = indexedDB.open('tin-box-acts');
        asked.onsuccess = () => resolve(asked.result);
      });
      const change = db.transaction('waiting', 'readwrite');
      for (let i = 0; i < count; i += 1) {
        const command =
          i % 4 === 0
            ? { kind: 'debt', roomId: 'room0', note: `bag ${i}`, dueOn: null }
            : {
                kind: 'task',
                roomId: `room${i % 5}`,
                task: 'wipe',
                of: `unit ${i % 40}`,
                isDone: i % 3 > 0,
                listedMinutes: 20,
              };
        const at = new Date(Date.now() - (count - i) * 1000).toISOString();
        const act = { id: `${id}-${i}`, at, by: 'phone', device: 'bench', command };
        change.objectStore('waiting').add({ id: act.id, projectId: 'home', problem: '', act });
      }
      await new Promise((resolve) => (change.oncomplete = resolve));
      db.close();
    },
    [ACTS, mark] as const,
  );

/** From the verdict's key to the frame that shows it, in the page. */
const KEY_TO_PAINT = `new Promise((resolve) => {
  const box = [...document.querySelectorAll('button')].find((button) =>
    button.getAttribute('aria-label')?.startsWith('Keep:'),
  );
  const before = box.getAttribute('aria-label');
  const start = performance.now();
  const done = () => resolve(performance.now() - start);
  const look = () =>
    requestAnimationFrame(box.getAttribute('aria-label') === before ? look : done);
  const key = { key: 'k', bubbles: true, cancelable: true };
  document.activeElement.dispatchEvent(new KeyboardEvent('keydown', key));
  look();
})`;

async function keysToPaint(page: Page): Promise<number> {
  const times: number[] = [];
  for (let i = 0; i < 25; i += 1) {
    await line(page).fill(`3 scarves number ${i}`);
    await line(page).press('Enter');
    times.push(await page.evaluate<number>(KEY_TO_PAINT));
  }
  return median(times);
}

async function waitingActs(page: Page, withServer: () => Promise<void>): Promise<string[]> {
  await page.goto(`${ROOM}/sort`);
  await line(page).waitFor();
  const before = await keysToPaint(page);
  await fillOutbox(page, 'waiting-act');
  await page.reload();
  await page
    .getByRole('status')
    .filter({ hasText: /^2\d{3} waiting/ })
    .first()
    .waitFor();
  const waiting = await keysToPaint(page);
  await withServer();
  const start = performance.now();
  await page.reload();
  await page
    .getByRole('status')
    .filter({ hasText: 'Kept at the desk' })
    .first()
    .waitFor({ timeout: 300_000 });
  const seconds = (performance.now() - start) / 1000;
  return [
    `key to paint without the desk: median ${before.toFixed(0)} ms, ${ACTS} acts waiting ${waiting.toFixed(0)} ms`,
    `${ACTS} waiting acts and 50 verdicts at the desk ${seconds.toFixed(1)} s after the page was opened`,
  ];
}

/** An hour passes by the page's clock, with a verdict every eighteen seconds. */
async function anHour(browser: Browser): Promise<string[]> {
  // The clock of a page is that of its whole context.
  const context = await browser.newContext({ viewport: PHONE, reducedMotion: 'reduce' });
  const page = await context.newPage();
  await page.clock.install();
  await page.goto(`${ROOM}/sort`);
  await line(page).waitFor();
  await page.getByRole('button', { name: 'Start a session' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Start', exact: true }).click();
  const counted = await countBytes(page);
  for (let i = 0; i < VERDICTS; i += 1) {
    await line(page).fill(`2 books number ${i}`);
    await line(page).press('Enter');
    await page.keyboard.press('k');
    await page.clock.runFor((MINUTES * 60_000) / VERDICTS);
  }
  await page.waitForTimeout(3000);
  await context.close();
  return [
    `an hour's session with ${VERDICTS} verdicts: ${(counted.all / 1000).toFixed(0)} kB over the line`,
  ];
}

/** Says each line as soon as it is measured. */
export async function benchAlong(say: (line: string) => void): Promise<void> {
  const dataDir = mkdtempSync(path.join(os.tmpdir(), 'tin-box-bench-'));
  await stopServer(await startServer(dataDir, PORT));
  fill(dataDir, THINGS);
  let server = await startServer(dataDir, PORT);
  const browser = await openChromium();
  try {
    await takePictures(dataDir);
    const context = await browser.newContext({ viewport: PHONE, reducedMotion: 'reduce' });
    const page = await context.newPage();
    for (const measure of [
      () => scriptOfSteps(browser),
      () => movingBetweenSteps(context),
      () => anHour(browser),
      () => takingAlong(page),
      async () => {
        await stopServer(server);
        return fromCold(context);
      },
      () =>
        waitingActs(page, async () => {
          server = await startServer(dataDir, PORT);
        }),
    ])
      (await measure()).forEach(say);
  } finally {
    await browser.close();
    await stopServer(server);
    rmSync(dataDir, { recursive: true, force: true });
  }
}
