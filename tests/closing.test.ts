import { aDatabase, aDecision, aGroup, HALL, HOME, insertGroup } from './builders';

import { pictureSchema, vantagePointSchema } from '@/core/look';
import { vantagePointIdSchema } from '@/core/shared';
import type { Db } from '@/data/db';
import { appendDecisions } from '@/data/decisionLog';
import {
  loadRecords,
  pictureRecord,
  projectRecord,
  roomRecord,
  vantagePointRecord,
} from '@/data/records';
import {
  closingNames,
  closingPage,
  noteConsent,
  portfolioPage,
  saveClosing,
  withdrawConsent,
} from '@/server/client/closingReport';
import { renderClientHtml } from '@/server/show/renderClientHtml';

let db: Db;
const spots = ['door', 'window'].map((id) => vantagePointIdSchema.parse(id));
beforeEach(async () => {
  db = await aDatabase();
  // Words that must not be told to others.
  await db(projectRecord.table.name).update({ name: 'SECRET street' });
  await db(roomRecord.table.name).update({ name: 'SECRET nursery', purpose: 'SECRET purpose' });
  await insertGroup(db, aGroup({ name: 'SECRET pills', uncountedLitres: 3 }));
  await appendDecisions(db, HOME, [
    aDecision({ id: 'd1', thingId: 't1', verdict: 'give', to: 'SECRET aunt' }),
  ]);
  for (const [i, id] of spots.entries()) {
    const spot = vantagePointSchema.parse({ id, roomId: HALL, name: `SECRET ${id}`, position: i });
    await db(vantagePointRecord.table.name).insert(vantagePointRecord.table.toRow(spot));
    for (const moment of ['before', 'after'] as const) await addPicture(id, moment);
  }
});
afterEach(() => db.destroy());

async function addPicture(
  spot: string,
  moment: 'before' | 'after',
  takenAt = '2026-11-10T10:00:00.000Z',
) {
  const picture = pictureSchema.parse({
    id: `${spot}-${moment}-${takenAt.slice(8, 10)}`,
    vantagePointId: spot,
    moment,
    takenAt,
    widthPx: 640,
    heightPx: 480,
  });
  await db(pictureRecord.table.name).insert(pictureRecord.table.toRow(picture));
}
const records = () => loadRecords(db, HOME, ...closingNames);
const shownIn = (page: ReturnType<typeof closingPage>) =>
  renderClientHtml(page, { pictureSrc: (id) => `/p/${id}`, fontCss: '' });

test('the version for others needs a consent, tells no word of the home, and ends with the consent', async () => {
  expect(portfolioPage(await records())).toBeUndefined();
  await noteConsent(db, HOME, 'Nora');
  const page = portfolioPage(await records());
  expect(page?.rooms[0]?.pairs).toHaveLength(2);
  const html = shownIn(page!);
  expect(html).not.toMatch(/SECRET|Nora|£/);
  expect(html).toContain('/p/door-after-10');
  await withdrawConsent(db, HOME);
  expect(portfolioPage(await records())).toBeUndefined();
});

test('a consent holds for the pictures it was given to, not for such as came later', async () => {
  await noteConsent(db, HOME, 'Nora');
  await addPicture('door', 'after', '2026-11-20T10:00:00.000Z');
  const html = shownIn(portfolioPage(await records())!);
  expect(html).not.toContain('/p/door-after-20');
  expect(html).toContain('/p/window-after-10');
});

test('the report keeps its order of pairs, tells the words that were typed, and only what was ticked', async () => {
  const whole = shownIn(closingPage(await records(), undefined));
  expect(whole.indexOf('SECRET door')).toBeLessThan(whole.indexOf('SECRET window'));
  await saveClosing(db, HOME, {
    tone: 'short',
    opening: 'Dear <you>',
    rooms: [
      {
        roomId: HALL,
        isShown: true,
        vantagePointIds: [...spots].reverse(),
        figures: ['left'],
        said: 'We sit down again',
        keepUp: ['One in, one out'],
      },
    ],
  });
  const html = shownIn(closingPage(await records(), undefined));
  expect(html.indexOf('SECRET window')).toBeLessThan(html.indexOf('SECRET door'));
  for (const words of ['Dear &lt;you&gt;', 'We sit down again', 'One in, one out'])
    expect(html).toContain(words);
  expect(html).not.toMatch(/spent of|SECRET pills|SECRET aunt/);
  expect(html.match(/<div><b>/g)).toHaveLength(1);
});
