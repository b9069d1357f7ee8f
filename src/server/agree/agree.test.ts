import fc from 'fast-check';

import { aBay, aDatabase, aSection, aUnit, HALL, HOME, mm, loadAll } from '@test/builders';
import { defaultTerms } from '@/core/agree';
import { pictureSchema, vantagePointSchema } from '@/core/look';
import { bayIdSchema, sectionIdSchema } from '@/core/shared';
import { moveChange } from '@/data/changes';
import type { Db } from '@/data/db';
import { leaveAside } from '@/data/settingsRepo';
import {
  bayRecord,
  pictureRecord,
  roomRecord,
  sectionRecord,
  unitRecord,
  vantagePointRecord,
} from '@/data/records';
import { removeUnit } from '../look/saveUnit';
import { noteRoom } from '../look/savePlan';
import { loadAgreementSheet } from './agreementSheet';
import { agreementLinesOf } from './agreementLines';
import { loadEstimate } from './loadEstimate';
import { changeWords, renderAgreementHtml } from './renderAgreement';
import {
  chooseSchools,
  moveSection,
  recordAgreement,
  removeSection,
  saveSection,
  saveTerms,
  suggestSections,
} from './saveTerms';

let db: Db;
const NOW = '2026-11-24T10:00:00.000Z';
const records = () => loadAll(db, HOME);
const idOf = (id: string) => sectionIdSchema.parse(id);
const input = (change: object = {}) => {
  const { position: _, ...section } = aSection(change);
  return section;
};
beforeEach(async () => {
  db = await aDatabase();
  for (const unit of [
    aUnit({ name: 'Left' }),
    aUnit({
      id: 'unit-2',
      name: 'Right',
      position: 1,
      bays: [aBay({ id: 'r1', unitId: 'unit-2', depthReadings: [mm(310)] })],
    }),
  ]) {
    await db(unitRecord.table.name).insert(unitRecord.table.toRow(unit));
    for (const bay of unit.bays) await db(bayRecord.table.name).insert(bayRecord.table.toRow(bay));
  }
});
afterEach(() => db.destroy());

test('one section a unit, once; what is out of scope takes its places with it, and back', async () => {
  await suggestSections(db, HOME, HALL);
  await suggestSections(db, HOME, HALL);
  const made = (await records()).sections;
  expect(made.map(({ name, bayIds, inScope }) => [name, bayIds, inScope])).toEqual([
    ['Left', ['shelf', 'shelf-2'], true],
    ['Right', ['r1'], true],
  ]);
  const [left] = made;
  if (!left) throw new Error('a section was made');
  await saveSection(db, HOME, { ...left, inScope: false });
  const scopes = async () =>
    Object.fromEntries(
      (await records()).units.flatMap(({ bays }) => bays.map((bay) => [bay.id, bay.outOfScope])),
    );
  expect(await scopes()).toEqual({ shelf: true, 'shelf-2': true, r1: false });
  await moveChange(db, HOME, 'undo');
  expect(await scopes()).toEqual({ shelf: false, 'shelf-2': false, r1: false });
});

test('a place belongs to one section; a section of another room’s places does not', async () => {
  await saveSection(db, HOME, { ...input({ id: 'x' }), id: undefined });
  await saveSection(db, HOME, {
    ...input({ name: 'Second', bayIds: ['shelf', 'r1', 'elsewhere'] }),
    id: undefined,
  });
  expect(
    (await records()).sections.map(({ name, bayIds, position }) => [name, bayIds, position]),
  ).toEqual([
    ['Cupboard', ['shelf-2'], 0],
    ['Second', ['shelf', 'r1'], 1],
  ]);
  await removeUnit(db, HOME, aUnit().id);
  expect((await records()).sections.map(({ bayIds }) => bayIds)).toEqual([[], ['r1']]);
});

test('moving sections up and down only ever swaps neighbours; the ends stay where they are', () =>
  fc.assert(
    fc.asyncProperty(
      fc.array(
        fc.tuple(fc.integer({ min: 0, max: 3 }), fc.constantFrom('up' as const, 'down' as const)),
        { maxLength: 8 },
      ),
      async (moves) => {
        await db(sectionRecord.table.name).delete();
        // Two of them share a position, as a file might bring them.
        for (const [i, id] of ['a', 'b', 'c', 'd'].entries())
          await db(sectionRecord.table.name).insert(
            sectionRecord.table.toRow(
              aSection({ id, name: id, bayIds: [], position: Math.min(i, 2) }),
            ),
          );
        const expected = ['a', 'b', 'c', 'd'];
        for (const [which, way] of moves) {
          const id = ['a', 'b', 'c', 'd'][which] ?? 'a';
          await moveSection(db, HOME, idOf(id), way);
          const at = expected.indexOf(id);
          const to = at + (way === 'up' ? -1 : 1);
          if (to >= 0 && to < 4)
            [expected[at], expected[to]] = [expected[to] ?? '', expected[at] ?? ''];
          expect((await records()).sections.map(({ id: each }) => each)).toEqual(expected);
        }
      },
    ),
    { numRuns: 15 },
  ));

test('the sheet says what was settled, in its parts; what is empty is not on it', async () => {
  expect(
    (await loadAgreementSheet(db, await records(), NOW)).parts.map(({ title }) => title),
  ).toEqual(['Money and time']);
  await saveTerms(db, HOME, {
    ...defaultTerms,
    goals: 'Supper <b>in ten</b>',
    neverLeaves: ['Letters', 'Rings'],
    hourlyRateMinor: 4000,
    crewCount: 2,
  });
  await chooseSchools(db, HOME, {
    roomId: undefined,
    choices: { lids: { choice: 'without', reason: 'nobody closes them' } },
  });
  await chooseSchools(db, HOME, {
    roomId: HALL,
    choices: { lids: { choice: 'with', reason: '' } },
  });
  await suggestSections(db, HOME, HALL);
  const sheet = await loadAgreementSheet(db, await records(), NOW);
  const lines = sheet.parts.flatMap(({ lines: each }) =>
    each.map(({ label, value }) => `${label}: ${value}`),
  );
  expect(lines).toEqual(
    expect.arrayContaining([
      'Goals: Supper <b>in ten</b>',
      '1. Hall: Left; Right',
      'Never leaves without asking: Letters; Rings',
      'Lids: without lids, because nobody closes them',
      'Lids, Hall: with lids',
      'Fee, apart from that: £40.00 an hour',
      'Visits: 3 hours each, 1 a week, 2 people',
    ]),
  );
  const html = renderAgreementHtml(sheet, '');
  expect(html).toContain('Supper &lt;b&gt;in ten&lt;/b&gt;');
  expect(html).toContain(sheet.estimateWords[0] ?? 'no estimate');
});

test('what changed since it was agreed is told line by line, until it is agreed again', async () => {
  await recordAgreement(db, HOME, 'Nora');
  await saveTerms(db, HOME, { ...defaultTerms, wantedLook: 'calm', visitsPerWeek: 2 });
  const since = async () => (await loadAgreementSheet(db, await records(), NOW)).since;
  expect((await since())?.changes.map(changeWords)).toEqual([
    'The look wanted: calm (new)',
    'Visits: 3 hours each, 1 a week is now 3 hours each, 2 a week',
  ]);
  await recordAgreement(db, HOME, 'Tom');
  expect(await since()).toMatchObject({ agreedBy: 'Tom', changes: [] });
  expect(renderAgreementHtml(await loadAgreementSheet(db, await records(), NOW), '')).toContain(
    'nothing has changed since',
  );
  expect((await records()).agreements.map(({ lines }) => lines.length)).toEqual([
    agreementLinesOf(await records()).length - 1,
    agreementLinesOf(await records()).length,
  ]);
});

test('only finished rooms with hours correct the estimate; what is done needs no visits', async () => {
  await suggestSections(db, HOME, HALL);
  const load = async () => loadEstimate(db, await records(), '2026-11-24');
  await noteRoom(db, HOME, {
    roomId: HALL,
    deed: { code: 'hours_noted' },
    change: { workedMinutes: 600 },
  });
  const before = await load();
  expect([before.finished, before.backward]).toEqual([[], undefined]);
  await db(vantagePointRecord.table.name).insert(
    vantagePointRecord.table.toRow(
      vantagePointSchema.parse({ id: 'spot', roomId: HALL, name: 'door', position: 0 }),
    ),
  );
  await db(pictureRecord.table.name).insert(
    pictureRecord.table.toRow(
      pictureSchema.parse({
        id: 'p',
        vantagePointId: 'spot',
        moment: 'after',
        widthPx: 4,
        heightPx: 3,
        takenAt: NOW,
      }),
    ),
  );
  await db('projects').update({ ready_by: '2026-12-12' });
  // The rows above were put in past the changes.
  await db('known_answers').delete();
  const after = await load();
  expect(after.finished).toMatchObject([{ roomName: 'Hall', minutes: { actual: 600 } }]);
  expect(after.finished[0]?.minutes?.estimated).toBeCloseTo(before.estimate.likelyMinutes, 6);
  expect(after.estimate.hours.all.factor).toBeGreaterThan(1);
  expect([after.estimate.visitsLeft, after.backward]).toEqual([0, undefined]);
  await leaveAside(db, 'hours', NOW.slice(0, 10));
  expect((await load()).estimate.hours.all).toMatchObject({ factor: 1, count: 0 });
  await leaveAside(db, 'hours', undefined);
  expect((await load()).estimate.hours.all.count).toBe(1);
  await db(roomRecord.table.name).update({ worked_minutes: null });
  await db('known_answers').delete();
  expect((await load()).estimate.hours.all.count).toBe(0);
});

test('a section that goes leaves its places where they are', async () => {
  const id = await saveSection(db, HOME, { ...input(), id: undefined });
  await removeSection(db, HOME, id);
  expect((await records()).sections).toEqual([]);
  expect((await records()).units.flatMap(({ bays }) => bays.map((bay) => bay.id))).toContain(
    bayIdSchema.parse('shelf'),
  );
  await expect(
    saveSection(db, HOME, { ...input({ roomId: 'attic' }), id: undefined }),
  ).rejects.toMatchObject({ code: 'not_found' });
});
