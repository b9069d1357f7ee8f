import { expect, type Locator, type Page } from '@playwright/test';

export const unplaced = (page: Page) =>
  page.getByRole('region', { name: 'Without a place', exact: true });
export const inTray = (page: Page, name: string) =>
  unplaced(page).locator('.tag', { hasText: name });
export const bay = (page: Page, name: string) =>
  page.getByRole('group', { name: new RegExp(`^${name},`) });
export const tag = (page: Page, name: string) => page.locator('.tag', { hasText: name });

/** Opens a group's wishes in the tray, fills them in, keeps them, and waits until the page knows them. */
export async function wish(
  page: Page,
  name: string,
  { litres, more }: { readonly litres: string; readonly more?: () => Promise<unknown> },
): Promise<void> {
  await page
    .getByRole('button', { name: new RegExp(`^${name}`) })
    .last()
    .click();
  await page.getByLabel('Litres not counted one by one').fill(litres);
  await more?.();
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(
    page.getByRole('button', { name: new RegExp(`^${name}\\s*${litres} l`) }),
  ).toBeVisible();
  await expect(page.getByRole('button', { name: `Undo changed ${name}` })).toBeVisible();
}

/** Where something lies once the page has stopped moving: what closed above it moves all below. */
async function atRest(page: Page, of: Locator) {
  let before = '';
  for (let i = 0; i < 50; i += 1) {
    const box = await of.boundingBox();
    if (box && JSON.stringify(box) === before) return box;
    before = JSON.stringify(box);
    await page.waitForTimeout(120);
  }
  throw new Error('it is on screen and lies still');
}

/** Drags a tag over a place and lets it go there. */
export async function dragTag(page: Page, name: string, place: Locator): Promise<void> {
  await atRest(page, place);
  const [from, to] = [await atRest(page, tag(page, name)), await atRest(page, place)];
  await page.mouse.move(from.x + 20, from.y + 10);
  await page.mouse.down();
  await page.mouse.move(to.x + 30, to.y + 20, { steps: 6 });
  await page.mouse.up();
}
