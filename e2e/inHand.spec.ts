import { rmSync } from 'node:fs';
import AxeBuilder from '@axe-core/playwright';
import { expect, test } from '@playwright/test';

import { createOwnServer, insertHome } from './ownServer';
import { awake, decide, line } from './steps';

const server = createOwnServer(4387);
const room = `${server.address}/projects/home/rooms/hall`;
test.beforeAll(async () => {
  await server.start();
  insertHome(server.dataDir, ['hall']);
});
test.afterAll(async () => {
  await server.stop('SIGKILL');
  rmSync(server.dataDir, { recursive: true, force: true });
});

test('in one hand: the screen stays on while a session runs, a verdict is felt, text is larger', async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  // A phone's own means, simulated: what was asked of them is counted.
  await page.addInitScript(() => {
    const asked = { held: 0, buzzes: 0 };
    Object.assign(window, { asked });
    Object.defineProperty(navigator, 'wakeLock', {
      value: {
        request: () => {
          asked.held += 1;
          const lock = { released: false, release: () => Promise.resolve() };
          lock.release = () => {
            asked.held -= 1;
            lock.released = true;
            return Promise.resolve();
          };
          return Promise.resolve(lock);
        },
      },
    });
    // Speech that is understood on the device, simulated: it hears one sentence.
    class SimulatedSpeech {
      static available = ({ processLocally }: { processLocally: boolean }) =>
        Promise.resolve(processLocally ? 'available' : 'unavailable');
      processLocally = false;
      onresult: ((event: object) => void) | null = null;
      onend: (() => void) | null = null;
      start() {
        if (!this.processLocally) throw new Error('this would leave the device');
        setTimeout(() => {
          this.onresult?.({ results: [[{ transcript: '3 wool scarves' }]] });
          this.onend?.();
        }, 50);
      }
      stop() {
        this.onend?.();
      }
    }
    Object.assign(window, { SpeechRecognition: SimulatedSpeech });
    Object.defineProperty(navigator, 'vibrate', { value: () => (asked.buzzes += 1) > 0 });
  });
  const asked = () =>
    page.evaluate(() => (window as unknown as { asked: { held: number; buzzes: number } }).asked);
  await page.goto(`${room}/sort`);
  await awake(page);
  await expect(page.getByRole('button', { name: 'Say it' })).toHaveCount(0);
  await decide(page, '2 lamps', 'k');
  expect(await asked()).toEqual({ held: 0, buzzes: 0 });
  await page.getByRole('button', { name: 'Start a session' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Start', exact: true }).click();
  await expect.poll(async () => (await asked()).held).toBe(1);
  await page.getByRole('button', { name: 'Pause the session' }).click();
  await expect.poll(async () => (await asked()).held).toBe(0);
  await page.getByRole('button', { name: 'Go on with the session' }).click();
  await expect.poll(async () => (await asked()).held).toBe(1);

  await page.goto(`${server.address}/devices`);
  const hand = page.getByRole('region', { name: 'In the hand' });
  const before = (await hand.boundingBox())?.height ?? 0;
  await hand.getByRole('checkbox', { name: /A short vibration/ }).check();
  await hand.getByLabel('Text and everything on every page').selectOption('Twice as large');
  await expect.poll(async () => (await hand.boundingBox())?.height ?? 0).toBeGreaterThan(before);
  await hand.getByRole('checkbox', { name: /Say a line instead/ }).check();
  await hand.getByLabel('Forgets a home after').fill('0');
  await expect(hand).toContainText('A whole number from 1 to 90');
  await hand.getByLabel('Forgets a home after').fill('7');
  await page.goto(`${room}/sort`);
  await awake(page);
  await decide(page, '1 kettle', 'k');
  expect((await asked()).buzzes).toBe(1);
  // Said, it stands in the line and waits for its verdict like what is typed.
  await page.getByRole('button', { name: 'Say it' }).click();
  await expect(line(page)).toHaveValue('3 wool scarves');
  await expect(page.getByRole('button', { name: 'Say it' })).toBeVisible();
  // In the sun: each word stands out from its ground at 7 to 1 at least.
  const faint = await new AxeBuilder({ page }).withRules(['color-contrast-enhanced']).analyze();
  expect(faint.violations.flatMap(({ nodes }) => nodes.map(({ html }) => html))).toEqual([]);
  // Twice as large on a phone, a quarter larger on the narrowest: nothing sticks out.
  const over = () => page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
  expect(await over()).toBeLessThanOrEqual(0);
  await page.goto(`${server.address}/devices`);
  await hand.getByLabel('Text and everything on every page').selectOption('A quarter larger');
  await page.setViewportSize({ width: 320, height: 640 });
  await page.goto(`${room}/sort`);
  await awake(page);
  expect(await over()).toBeLessThanOrEqual(0);
  await page.goto(`${server.address}/devices`);
  await awake(page);
  await expect(hand.getByLabel('Forgets a home after')).toHaveValue('7');
});
