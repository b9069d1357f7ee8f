import { aDatabase, aDecision, HALL, HOME } from '@test/builders';
import { shippedRules } from '@/core/count';
import { foldDecisions } from '@/core/sort';
import { moveChange } from '@/data/changes';
import type { Db } from '@/data/db';
import { findProject } from '@/data/records';
import { renderDatesCard } from './datesCard';
import { dropRule, rulesInUse, saveRule, setHousehold, type RuleInput } from './enoughRules';

let db: Db;
beforeEach(async () => {
  db = await aDatabase();
});
afterEach(() => db.destroy());

const towels = shippedRules[0] as (typeof shippedRules)[number];
const find = async (name: string) =>
  (await rulesInUse(db, HOME)).find((rule) => rule.name === name);
const input = (change: Partial<RuleInput> = {}): RuleInput => ({
  ...towels,
  words: [...towels.words],
  isOff: false,
  ...change,
});

test('a household’s figures stand in the place of the shipped ones, in their order, until they are dropped', async () => {
  expect((await rulesInUse(db, HOME)).map(({ name }) => name)).toEqual(
    shippedRules.map(({ name }) => name),
  );
  await saveRule(db, HOME, input({ name: towels.name.toUpperCase(), perPerson: 5 }));
  await saveRule(db, HOME, input({ name: towels.name, perPerson: 6 }));
  const rules = await rulesInUse(db, HOME);
  expect(rules).toHaveLength(shippedRules.length);
  expect(rules[0]).toMatchObject({ perPerson: 6, isShipped: true });
  await dropRule(db, HOME, towels.name);
  expect(await find(towels.name)).toMatchObject({ perPerson: towels.perPerson, ownId: null });
  await moveChange(db, HOME, 'undo');
  expect(await find(towels.name)).toMatchObject({ perPerson: 6 });
});

test('a rule of its own comes after the shipped ones, and beds, guests and washday can be undone', async () => {
  await saveRule(db, HOME, input({ name: 'Egg cups', words: ['egg cup'], perPerson: 1 }));
  expect((await rulesInUse(db, HOME)).at(-1)).toMatchObject({ name: 'Egg cups', isShipped: false });
  await setHousehold(db, HOME, { bedCount: 3, guestPlaceCount: 2, washEveryDays: 10 });
  expect(await findProject(db, HOME)).toMatchObject({
    bedCount: 3,
    guestPlaceCount: 2,
    washEveryDays: 10,
  });
  await moveChange(db, HOME, 'undo');
  expect(await findProject(db, HOME)).toMatchObject({ bedCount: 0, washEveryDays: 7 });
});

test('the dates card lists the nearest first, room by room, and nothing that was typed becomes markup', async () => {
  const project = await findProject(db, HOME);
  if (!project) throw new Error('the home is there');
  const pack = (id: string, name: string, expiresOn: string | undefined, roomId = HALL as string) =>
    aDecision({ id, thingId: id, name, expiresOn, roomId });
  const things = foldDecisions([
    pack('a', 'rice <b>', '2027-05-31'),
    pack('b', 'cumin', '2026-12-01'),
    pack('c', 'salt', '2026-01-31'),
    pack('d', 'packet of yeast', undefined),
    pack('e', 'oats', '2027-01-31', 'attic'),
  ]);
  const card = renderDatesCard(
    { project, rooms: [{ id: HALL, name: 'Hall' }] as never, things },
    { roomId: HALL, today: '2026-11-25', now: '2026-11-25T10:00:00.000Z', fontCss: '' },
  );
  const order = ['salt', 'cumin', 'rice &lt;b&gt;', 'packet of yeast'].map((name) =>
    card.indexOf(name),
  );
  expect(order).toEqual([...order].sort((a, b) => a - b));
  expect(order[0]).toBeGreaterThan(0);
  expect(card).not.toContain('oats');
  expect(card).toContain('6 days left');
});
