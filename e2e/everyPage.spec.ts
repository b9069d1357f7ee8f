import { spawnSync } from 'node:child_process';
import { rmSync } from 'node:fs';
import AxeBuilder from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';

import { createOwnServer } from './ownServer';

// Some two hundred pages, and the demo's homes seeded first: minutes, and many on a machine with other work.
test.describe.configure({ timeout: 900_000 });

const server = createOwnServer(4392);
test.beforeAll(async () => {
  // The demo's homes: full lists, long names, every state at once.
  const seeded = spawnSync(
    process.execPath,
    ['--import', 'tsx', '--conditions=react-server', 'scripts/prepare.ts', '--demo'],
    { env: { ...process.env, TINBOX_DATA: server.dataDir, TINBOX_BACKUPS: 'off' } },
  );
  expect(String(seeded.stderr).slice(0, 500) + String(seeded.status)).toMatch(/0$/);
  await server.start();
});
test.afterAll(async () => {
  await server.stop('SIGKILL');
  rmSync(server.dataDir, { recursive: true, force: true });
});

const HOME = [
  '',
  '/days',
  '/statement',
  '/look',
  '/look/household',
  '/agree',
  '/sort',
  '/sort/count',
  '/sort/dates',
  '/sort/results',
  '/place',
  '/place/compare',
  '/place/moves',
  '/place/seasons',
  '/fit',
  '/shop',
  '/shop/money',
  '/shop/receipts',
  '/shop/materials',
  '/set-up',
  '/set-up/kits',
  '/take-away',
  '/take-away/trips',
  '/take-away/drive',
  '/take-away/sold',
  '/take-away/given',
  '/show',
  '/show/closing',
  '/show/client',
  '/look-again',
  '/look-again/test',
  '/look-again/findings',
  '/where?id=linen-press-guest',
].map((page) => `/projects/quarry-row/home${page}`);
const ROOM = [
  '/look',
  '/look?view=front',
  '/look/units/new',
  '/agree',
  '/sort',
  '/sort/dates',
  '/sort/lists',
  '/sort/results',
  '/place',
  '/place/compare',
  '/place/moves',
  '/fit',
  '/shop',
  '/shop/materials',
  '/set-up',
  '/set-up/units',
  '/set-up/labels',
  '/set-up/jars',
  '/set-up/routines',
  '/take-away',
  '/show',
  '/look-again',
].map((page) => `/projects/quarry-row/rooms/linen-press${page}`);
const PAGES = [
  '/',
  '/containers',
  '/destinations',
  '/learnt',
  '/kinds',
  '/devices',
  '/days',
  '/projects/new',
  '/projects/quarry-row/rooms/new',
  '/projects/quarry-row/where?q=towels',
  '/projects/quarry-row/where?q=towels&id=linen-press-guest',
  ...HOME,
  ...ROOM,
];
/** Sheets, by the button that opens them. */
const SHEETS: readonly (readonly [page: string, button: string | RegExp])[] = [
  ['/projects/quarry-row/home', /^Find|^F$/],
  ['/projects/quarry-row/home/days', 'Plan a visit'],
  ['/projects/quarry-row/home/look', 'Hall or stairs'],
  ['/projects/quarry-row/home/look', 'These two are joined'],
  ['/projects/quarry-row/home/agree', 'A section'],
  ['/projects/quarry-row/rooms/linen-press/look', 'Walls'],
  ['/projects/quarry-row/rooms/linen-press/look', 'Door, window, socket, station'],
];
const ON_A_PHONE: typeof SHEETS = [
  ['/projects/quarry-row/home', /^Home and rooms: /],
  ['/projects/quarry-row/home', /^Step: /],
  ['/projects/quarry-row/home/shop', /^Tray/],
];

const open = async (page: Page, path: string): Promise<void> => {
  await page.goto(`${server.address}${path}`);
  await expect(page.getByRole('main')).toBeVisible();
};

/** What is wrong with a page by the rules of axe, all of them. */
async function faultsOf(page: Page, path: string): Promise<string[]> {
  // Without frames of other addresses there is no need of a blank page for each look.
  const { violations } = await new AxeBuilder({ page }).setLegacyMode().analyze();
  return violations.map(({ id, nodes }) => `${path}: ${id}, ${nodes[0]?.html.slice(0, 120)}`);
}

/** By how much a page is wider or longer than its window, and its worktop wider than its room. */
async function overflowOf(page: Page, path: string, width: number): Promise<string[]> {
  const over = await page.evaluate(() => {
    const main = document.querySelector('main');
    return {
      wide: document.documentElement.scrollWidth - window.innerWidth,
      long: document.documentElement.scrollHeight - window.innerHeight,
      inside: main ? main.scrollWidth - main.clientWidth : 0,
    };
  });
  return [
    ...(over.wide > 0 ? [`${path} is ${over.wide} px too wide`] : []),
    ...(over.inside > 0 ? [`the worktop of ${path} is ${over.inside} px too wide`] : []),
    // On a phone the document is the worktop.
    ...(width >= 768 && over.long > 0 ? [`${path} is ${over.long} px too long`] : []),
  ];
}

/** Words of a page that are broken in their middle, where their column is too narrow for them. */
const brokenWordsOf = (page: Page, path: string): Promise<string[]> =>
  page.evaluate((at) => {
    const broken = new Set<string>();
    const texts = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
    const range = document.createRange();
    for (let node = texts.nextNode(); node; node = texts.nextNode()) {
      const parent = node.parentElement;
      if (!parent?.checkVisibility() || parent.closest('svg, script, style, .sr-only')) continue;
      for (const { 0: word, index } of (node.textContent ?? '').matchAll(/[^\s\-–—/]{2,12}/g)) {
        range.setStart(node, index);
        range.setEnd(node, index + word.length);
        const lines = new Set(
          [...range.getClientRects()]
            .filter(({ width }) => width > 1)
            .map(({ top }) => Math.round(top)),
        );
        if (lines.size > 1) broken.add(`${at}: “${word}” is broken`);
      }
    }
    return [...broken].slice(0, 5);
  }, path);

/** What is less than 48 px high under a thumb; tags and handles of drawings are to scale, links in a line of text are text. */
const smallTargetsOf = (page: Page, path: string): Promise<string[]> =>
  page.evaluate((at) => {
    const targets = document.querySelectorAll(
      'a[href], button, input:not([type=hidden]), select, textarea, summary, [role=radio]',
    );
    return [...targets].flatMap((element) => {
      const isDrawn = element.closest('svg') ?? element.closest('.tag');
      const isText = element.tagName === 'A' && getComputedStyle(element).display === 'inline';
      const target =
        (element.matches('input[type=checkbox], input[type=radio]') && element.closest('label')) ||
        element;
      const { width, height } = target.getBoundingClientRect();
      const isHidden =
        width < 2 ||
        height < 2 ||
        element.closest('.sr-only') !== null ||
        !element.checkVisibility();
      return isDrawn || isText || isHidden || height >= 47.5
        ? []
        : [`${at}: ${element.outerHTML.slice(0, 100)} is ${Math.round(height)} px high`];
    });
  }, path);

for (const [width, height] of [
  [1280, 800],
  [390, 844],
] as const)
  test(`every page keeps the rules of axe and scrolls in its worktop alone, ${width} wide`, async ({
    browser,
  }) => {
    const isPhone = width < 768;
    const context = await browser.newContext({ viewport: { width, height } });
    const page = await context.newPage();
    const wrong: string[] = [];
    for (const path of PAGES) {
      await open(page, path);
      wrong.push(
        ...(await overflowOf(page, path, width)),
        ...(await brokenWordsOf(page, path)),
        ...(await faultsOf(page, path)),
      );
      if (isPhone) wrong.push(...(await smallTargetsOf(page, path)));
    }
    for (const [path, button] of [...SHEETS, ...(isPhone ? ON_A_PHONE : [])]) {
      await open(page, path);
      await page.getByRole('button', { name: button }).first().click();
      if (!String(button).includes('Tray')) await expect(page.getByRole('dialog')).toBeVisible();
      wrong.push(...(await faultsOf(page, `${path}, ${button}`)));
    }
    expect(wrong).toEqual([]);
    await context.close();
  });

for (const [width, height] of [
  [320, 640],
  [768, 1024],
  [844, 390],
  [1024, 768],
] as const)
  test(`nothing is wider than its place, and no word is broken, ${width} by ${height}`, async ({
    browser,
  }) => {
    const context = await browser.newContext({ viewport: { width, height } });
    const page = await context.newPage();
    const over: string[] = [];
    for (const path of PAGES) {
      await open(page, path);
      over.push(...(await overflowOf(page, path, width)), ...(await brokenWordsOf(page, path)));
    }
    expect(over).toEqual([]);
    await context.close();
  });
