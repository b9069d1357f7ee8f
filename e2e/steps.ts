import { expect, type Locator, type Page } from '@playwright/test';
import sharp from 'sharp';

/** A plain picture with a place written into its metadata, as a phone would send it. */
export const pictureWithPlace = (color: string): Promise<Buffer> =>
  sharp({ create: { width: 640, height: 480, channels: 3, background: color } })
    .withExif({
      IFD0: { Make: 'Phone', Model: 'Secret' },
      IFD3: { GPSLatitude: '51/1 30/1 0/1', GPSLatitudeRef: 'N' },
    })
    .jpeg()
    .toBuffer();

export async function startProject(page: Page, name: string): Promise<void> {
  await page.goto('/projects/new');
  await page.getByLabel('What this home is called').fill(name);
  await page.getByLabel('Ready by').fill('2027-03-01');
  await page.getByLabel('Budget for what is bought').fill('300');
  await page.getByLabel('Name', { exact: true }).fill('Nora');
  await page.getByLabel('Height').fill('1,68 m');
  await page.getByRole('button', { name: 'Start the project' }).click();
  await expect(page.getByRole('heading', { name: 'Add a room' })).toBeVisible();
}

export async function addRoom(
  page: Page,
  room: { readonly name: string; readonly budget: string },
): Promise<void> {
  await page.getByLabel('Room', { exact: true }).fill(room.name);
  await page.getByLabel('What should be possible here again').fill('Boots on in a minute');
  await page.getByLabel('Its share of the budget').fill(room.budget);
  await page.getByRole('button', { name: 'Add the room' }).click();
  await expect(page.getByRole('heading', { name: room.name })).toBeVisible();
}

/** A cupboard of two shelves, measured in three ways of writing. */
export async function measureCupboard(page: Page, name: string): Promise<void> {
  await page.getByRole('link', { name: 'Measure a unit' }).click();
  await page.getByLabel('Unit', { exact: true }).fill(name);
  await page.getByLabel('Outside width').fill('86,5 cm');
  await page.getByLabel('Outside depth').fill(`1' 4"`);
  await page.getByLabel('Outside height').fill('0.9m');
  await page.getByLabel('Width, first reading, place 1').fill('80 cm');
  await page.getByLabel('Width, second reading, place 1').fill('79,8 cm');
  await page.getByLabel('Width, third reading, place 1').fill('80,1 cm');
  await page.getByLabel('Depth, first reading, place 1').fill('14 3/8"');
  await page.getByLabel('Height, first reading, place 1').fill('36.5 cm');
  await page.getByRole('button', { name: 'A place above' }).click();
  await page.getByLabel('Height, first reading, place 2').fill('36.5 cm');
  await page.getByRole('button', { name: 'Keep these measures' }).click();
  // The form shows the same drawing; only the room's page comes after keeping.
  await page.waitForURL(/\/look$/);
  await expect(page.getByRole('img', { name: `Front view to scale: ${name}` })).toBeVisible();
}

/** A step by its name; looking again is another one than looking. */
const stepNamed = (name: string): RegExp =>
  new RegExp(`^${name}${name === 'Look' ? '(?! again)' : ''}`);

export const step = (page: Page, name: string) =>
  page.getByRole('navigation', { name: 'Steps' }).getByRole('link', { name: stepNamed(name) });

const isPhone = (page: Page): boolean => (page.viewportSize()?.width ?? 1280) < 768;

/** On a phone both lists rise from one bar; on a desk they are there. */
async function press(page: Page, list: 'scopes' | 'steps', name: RegExp): Promise<void> {
  if (isPhone(page)) {
    // Given again, it may still be open from the tap before.
    if (!(await page.getByRole('dialog').isVisible()))
      await page
        .getByRole('button', { name: list === 'steps' ? /^Step: / : /^Home and rooms: / })
        .click({ timeout: 4000 });
    await page.getByRole('dialog').getByRole('link', { name }).click({ timeout: 4000 });
    return;
  }
  await page
    .getByRole('navigation', { name: list === 'steps' ? 'Steps' : 'Home and rooms' })
    .getByRole('link', { name })
    .click({ timeout: 4000 });
}

/** Goes to a step and waits until its page is there; a tap that meets a page in change is given again. */
export const goTo = (page: Page, name: string): Promise<void> =>
  expect(async () => {
    await press(page, 'steps', stepNamed(name));
    await page.waitForURL(new RegExp(`/${name.toLowerCase()}(/money)?(\\?|$)`), { timeout: 6000 });
  }).toPass();

/** Goes to the home or to a room, and there to a step. */
export async function goIn(page: Page, scope: string, name: string): Promise<void> {
  await expect(async () => {
    await press(page, 'scopes', new RegExp(`^${scope}`));
    await page.waitForURL(scope === 'The home' ? /\/projects\/[^/]+\/home(\/|$)/ : /\/rooms\//, {
      timeout: 6000,
    });
  }).toPass();
  await goTo(page, name);
}

export const line = (page: Page) =>
  page.getByRole('textbox', { name: 'What is in hand, in plain words' });

/** Types a thing, takes it in hand, and gives the verdict with its key. */
export async function decide(page: Page, text: string, key: string): Promise<void> {
  await line(page).fill(text);
  await line(page).press('Enter');
  await page.keyboard.press(key);
}

/** The words are on screen. A notice is there twice for a moment: once to see, once to be read aloud. */
export const sees = (page: Page, words: string | RegExp): Promise<void> =>
  expect(page.getByText(words).first()).toBeVisible();

/** Nothing waits here, and nothing is on its way. */
export const allKept = (page: Page) =>
  expect(
    page
      .locator('[role="status"]:not([aria-busy="true"])', { hasText: 'Kept at the desk' })
      .first(),
  ).toBeVisible();

/** The page answers to a hand: what was drawn on the server has woken up in the browser. */
export const awake = (page: Page) =>
  page.waitForFunction(() => {
    const fields = [...document.querySelectorAll('#work button, #work input')];
    return fields.every((field) =>
      Object.keys(field).some((key) => key.startsWith('__reactProps')),
    );
  });

/** Drags as a hand does: in small moves, with a rest over the target. */
export async function drag(page: Page, from: Locator, to: Locator): Promise<void> {
  const start = await from.boundingBox();
  const end = await to.boundingBox();
  if (!start || !end) throw new Error('both ends of a drag must be on screen');
  await page.mouse.move(start.x + start.width / 2, start.y + start.height / 2);
  await page.mouse.down();
  await page.mouse.move(start.x + start.width / 2 + 12, start.y + start.height / 2, { steps: 3 });
  await page.mouse.move(end.x + end.width / 2, end.y + end.height / 2, { steps: 12 });
  await page.mouse.up();
}

/** Sends pictures from files into a slot, by moment and spot. */
export const sendPictures = (
  page: Page,
  slot: string,
  files:
    | { name: string; mimeType: string; buffer: Buffer }
    | { name: string; mimeType: string; buffer: Buffer }[],
) =>
  page
    .getByLabel(`${slot}`, { exact: true })
    .and(page.locator('input[type=file]'))
    .setInputFiles(files);
