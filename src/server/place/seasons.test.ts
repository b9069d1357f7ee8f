import {
  aBay,
  aDatabase,
  aDecision,
  aGroup,
  aUnit,
  HALL,
  HOME,
  insertGroup,
  mm,
  loadAll,
} from '@test/builders';
import { personSchema } from '@/core/agree';
import { placingSchema } from '@/core/sort';
import type { Db } from '@/data/db';
import { appendDecisions } from '@/data/decisionLog';
import { bayRecord, personRecord, unitRecord } from '@/data/records';
import { drawingSvg, gatherDrawing } from '../look/drawings';
import { loadArrangement, readRef, slipsOf } from './loadArrangement';
import { addDraft } from './drafts';
import { seasonsOfRoom, writeSeasonReminders } from './seasons';

const deep = aBay({ depthReadings: [mm(560)] });
const unit = aUnit({ depth: mm(600), bays: [deep] });
const NOW = '2026-11-07T08:00:00.000Z';
let db: Db;
beforeEach(async () => {
  db = await aDatabase();
  await db(unitRecord.table.name).insert(unitRecord.table.toRow(unit));
  await db(bayRecord.table.name).insert(bayRecord.table.toRow(deep));
  await db(personRecord.table.name).insert(
    personRecord.table.toRow(
      personSchema.parse({
        id: 'nora',
        projectId: HOME,
        name: 'Nora',
        height: mm(1680),
        isChild: false,
        noStep: false,
        position: 0,
      }),
    ),
  );
  await insertGroup(
    db,
    aGroup({
      id: 'beach',
      name: 'Beach towels',
      bayId: 'shelf',
      placing: placingSchema.parse({ usesPerWeek: 6 }),
    }),
  );
  await insertGroup(
    db,
    aGroup({
      id: 'skis',
      name: 'Ski gear',
      bayId: 'shelf',
      position: 1,
      placing: placingSchema.parse({ usesPerWeek: 6 }),
    }),
  );
  await appendDecisions(
    db,
    HOME,
    ['beach', 'skis'].map((groupId, i) =>
      aDecision({ id: `d${i}`, thingId: `t${i}`, groupId, litres: 30 }),
    ),
  );
});
afterEach(() => db.destroy());

const linesOf = (file: string) => file.replaceAll('\r\n ', '').split('\r\n');
const room = async () => ({ records: await loadAll(db, HOME), scope: HALL });

test('what changes with the seasons comes again each year on the first of its month, as the same entry at each export', async () => {
  const { records } = await room();
  const swaps = seasonsOfRoom(records, HALL);
  expect(swaps.map(({ month, kind }) => [month, kind])).toEqual([
    [5, 'rows'],
    [11, 'rows'],
  ]);
  const lines = linesOf(writeSeasonReminders(records, { roomId: HALL, swaps, now: NOW }));
  expect(lines.filter((line) => line === 'BEGIN:VEVENT')).toHaveLength(2);
  // May is still to come; this November's first has gone by.
  expect(lines).toEqual(
    expect.arrayContaining([
      'DTSTART;VALUE=DATE:20270501',
      'DTSTART;VALUE=DATE:20271101',
      'RRULE:FREQ=YEARLY',
      'DESCRIPTION:Shelf: Beach towels to the front\\, Ski gear behind',
      'UID:season-hall-5@tin-box',
    ]),
  );
});

test('an arrangement that is none of the room falls back to the chosen one; before there are drafts that is the plan', async () => {
  expect(slipsOf(await room()).map(({ name }) => name)).toEqual(['As it is today', 'The plan']);
  expect([
    readRef(await room(), 'today'),
    readRef(await room(), undefined),
    readRef(await room(), ['x', 'y']),
  ]).toEqual(['today', 'chosen', 'chosen']);
  const draft = await addDraft(db, HOME, { roomId: HALL, name: 'Other', from: 'today' });
  expect(readRef(await room(), draft)).toBe(draft);
  const view = loadArrangement(await room(), draft);
  expect(view.slips.map(({ name, isChosen }) => [name, isChosen])).toEqual([
    ['As it is today', false],
    ['First draft', true],
    ['Other', false],
  ]);
  expect([view.judged?.unplacedIds, view.minutesNow]).toEqual([['beach', 'skis'], undefined]);
});

test('an arrangement is drawn to scale with its groups; a room without units is not', async () => {
  const { records } = await room();
  const drawing = gatherDrawing(records, {
    roomId: HALL,
    kind: 'places',
    unitId: undefined,
    scale: 10,
    draft: 'chosen',
  });
  if (!drawing) throw new Error('the hall has a unit');
  expect(drawing.title).toBe('Hall, the plan');
  expect(drawingSvg(drawing, 10)).toContain('>Beach towels</text>');
  expect(
    gatherDrawing(
      { ...records, units: [] },
      { roomId: HALL, kind: 'places', unitId: undefined, scale: 10, draft: 'today' },
    ),
  ).toBeUndefined();
});
