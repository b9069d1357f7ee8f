import fc from 'fast-check';

import { aBay, aFixture, aPlan, aRoom, aUnit, mm, onWall } from '@test/builders';
import {
  findPlanClashes,
  fixtureKinds,
  roomCheckSchema,
  traceWalls,
  unitKinds,
  usualUnitOf,
  type PlanClash,
} from '@/core/look';
import { invariant, lengthUnits } from '@/core/shared';
import { mergeTyped, termsFormSchema, toTypedTerms } from '../agree/termsForm';
import { hoursWords } from '../agree/agreeWords';
import { defaultTerms, termsSchema } from '@/core/agree';
import { clashWords, divideColumnWords, pictureErrorWords, traceWallsWords } from './lookWords';
import { nextStepWords, stepStatus } from '../shell/stepWords';
import { checkFormSchemaFor } from './checkForm';
import { emptyCheck, toTypedCheck } from './checkTyped';
import { fixtureFormSchemaFor } from './fixtureForm';
import { toTypedFixture, usualFixture } from './fixtureTyped';
import { applyMoved, firstPlaceOf, listPlanThings, rectOfThing } from './planItems';
import { toPreviewUnit } from './previewUnit';
import { toTypedUnit, toTypedUsual, unitFormSchemaFor } from './unitForm';
import { rectangleWalls, toTypedWalls, wallsFormSchemaFor } from './wallsForm';

const issues = (result: {
  error?: { issues: readonly { path: readonly PropertyKey[]; message: string }[] } | undefined;
}) =>
  Object.fromEntries(
    (result.error?.issues ?? []).map(({ path, message }) => [path.join('.'), message]),
  );
const traced = traceWalls(aPlan);
invariant(traced.ok, 'a plain room');
const outline = traced.value;

describe('walls', () => {
  test('length and width make four walls; what is there is shown as it was typed', () => {
    const read = wallsFormSchemaFor('cm').parse(rectangleWalls('4 m', '300'));
    expect(read.walls.map(({ length }) => length.mm)).toEqual([4000, 3000, 4000, 3000]);
    expect(toTypedWalls(read)).toEqual(rectangleWalls('4 m', '300'));
    expect(
      Object.keys(issues(wallsFormSchemaFor('cm').safeParse(rectangleWalls('', '0')))),
    ).toEqual(['walls.0.length', 'walls.1.length', 'walls.2.length', 'walls.3.length']);
  });

  test('what is wrong is said in measures', () => {
    expect(
      traceWallsWords({ code: 'walls_do_not_meet', acrossMm: -1000, downMm: 55 }, 'cm'),
    ).toContain('100 cm across and 5.5 cm lengthwise apart');
    expect(
      traceWallsWords({ code: 'walls_turn_wrong', rightTurns: 3, leftTurns: 1 }, 'cm'),
    ).toContain('3 right and 1 left');
    expect(traceWallsWords({ code: 'walls_cross', wallIndex: 0, otherIndex: 4 }, 'cm')).toContain(
      'Wall 1 and wall 5',
    );
    expect(divideColumnWords({ code: 'shelves_too_close', shelfMm: 500, nextMm: 530 }, 'mm')).toBe(
      'Shelves at 500 mm and 530 mm leave nothing between them',
    );
  });
});

describe('fixtures', () => {
  test.each(fixtureKinds)('the usual %s reads, and reads back the same', (kind) => {
    const schema = fixtureFormSchemaFor('cm');
    const read = schema.parse({ ...usualFixture(kind, 'cm'), along: '1,5 m' });
    expect(read).toMatchObject({
      kind,
      place: { wallIndex: 0, along: { mm: 1500 } },
      swing: kind === 'door' ? 'in-start' : null,
    });
    expect(read.bottom.mm).toBeLessThan(read.top.mm);
    const again = schema.parse(toTypedFixture(aFixture({ ...read, id: 'f' })));
    expect(again).toEqual(read);
  });

  test('an upper edge below the lower one is named', () =>
    expect(
      issues(fixtureFormSchemaFor('cm').safeParse({ ...usualFixture('window', 'cm'), top: '50' })),
    ).toEqual({ top: 'The upper edge is above the lower one' }));
});

describe('what should be possible again', () => {
  const schema = checkFormSchemaFor('cm');
  test('words alone, floor with its size, a table on its unit', () => {
    expect(schema.parse({ ...emptyCheck, text: 'Sit down' })).toEqual({
      id: '',
      text: 'Sit down',
      clear: null,
    });
    const floor = schema.parse({
      ...emptyCheck,
      text: 'Bed',
      needs: 'floor',
      width: '1,4 m',
      depth: '200',
    });
    expect(floor.clear).toMatchObject({
      surface: 'floor',
      width: { mm: 1400 },
      depth: { mm: 2000 },
      place: null,
    });
    expect(
      toTypedCheck(
        roomCheckSchema.parse({ id: 'c', text: 'Bed', answer: null, clear: floor.clear }),
      ),
    ).toMatchObject({ needs: 'floor', width: '1,4 m', depth: '200' });
  });
  test('what lacks is named at its field', () => {
    expect(
      Object.keys(
        issues(
          schema.safeParse({
            ...emptyCheck,
            text: 'Bed',
            needs: 'floor',
            width: 'wide',
            depth: '',
          }),
        ),
      ),
    ).toEqual(['width', 'depth']);
    expect(
      issues(
        schema.safeParse({ ...emptyCheck, text: 'Mend', needs: 'table', width: '50', depth: '50' }),
      ),
    ).toEqual({ unitId: 'Choose the table or bench' });
  });
});

test.each(unitKinds)(
  'a unit begun from the usual %s is marked as not measured, in every unit of length, and holds its places',
  (kind) => {
    for (const unit of lengthUnits) {
      const read = unitFormSchemaFor(unit).parse({
        name: kind,
        kind,
        ...toTypedUsual(usualUnitOf(kind), unit),
      });
      const preview = toPreviewUnit(read);
      expect(preview.bays.every(({ isUsual }) => isUsual)).toBe(true);
      // Written in sixteenths of an inch, a size may shift by half of one.
      expect(Math.abs(preview.width.mm - usualUnitOf(kind).widthMm)).toBeLessThan(1);
    }
  },
);

test('obstacles are shown as lengths and read back the same', () => {
  const unit = aUnit({
    bays: [
      aBay({
        obstacles: [{ label: 'trap', x: 10, y: 20, z: 30, width: 40, depth: 50, height: 60.5 }],
        isUsual: true,
      }),
    ],
  });
  const read = unitFormSchemaFor('cm').parse(toTypedUnit(unit, 'cm'));
  expect(read.bays[0]?.obstacles).toEqual(unit.bays[0]?.obstacles);
  expect(toPreviewUnit(read).bays[0]).toMatchObject({
    isUsual: true,
    obstacles: unit.bays[0]?.obstacles,
  });
});

describe('things in the plan', () => {
  const bed = roomCheckSchema.parse({
    id: 'bed',
    text: 'the bed folds out',
    answer: null,
    clear: { surface: 'floor', width: mm(1400), depth: mm(2000), place: null, unitId: null },
  });
  const records = {
    room: aRoom({ plan: aPlan, checks: [bed] }),
    units: [aUnit({ place: onWall(0, 0) }), aUnit({ id: 'other' })],
    fixtures: [aFixture()],
  };

  test('what is on the move is shown where it is held, and nowhere else', () => {
    const moved = { 'unit-unit': onWall(1, 50), 'clear-bed': onWall(2, 60) };
    const shown = applyMoved(records, moved);
    expect([
      shown.units[0]?.place?.wallIndex,
      shown.room.checks[0]?.clear?.place?.wallIndex,
      shown.fixtures[0]?.place.wallIndex,
    ]).toEqual([1, 2, 0]);
    expect(listPlanThings(records, moved).map(({ key, place }) => [key, place?.wallIndex])).toEqual(
      [
        ['unit-unit', 1],
        ['unit-other', undefined],
        ['fixture-door', 0],
        ['clear-bed', 2],
      ],
    );
    expect(applyMoved(records, {}).units).toEqual(records.units);
  });

  test('what comes into the plan first stands free of what is there, as long as there is room', () =>
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 0, max: 3 }), fc.integer({ min: 0, max: 3000 })), {
          maxLength: 4,
        }),
        (others) => {
          const units = [
            aUnit({ id: 'new', place: null }),
            ...others.map(([wallIndex, along], i) =>
              aUnit({ id: `u${i}`, place: onWall(wallIndex, along) }),
            ),
          ];
          const things = listPlanThings({ ...records, units, fixtures: [] }, {});
          const [fresh] = things;
          invariant(fresh, 'the new unit');
          const place = firstPlaceOf(fresh, things, { outline, fixtures: [], unit: 'mm' });
          const rect = rectOfThing(outline, { ...fresh, place });
          invariant(rect, 'it has a place');
          const clashes = findPlanClashes({
            outline,
            units: units.map((unit) => (unit.id === 'new' ? { ...unit, place } : unit)),
            fixtures: [],
            checks: [],
          });
          expect(
            clashes.filter(
              (clash) =>
                (clash.code === 'units_overlap' &&
                  [clash.unitId, clash.by].some((id) => id === 'new')) ||
                (clash.code === 'unit_outside' && clash.unitId === 'new'),
            ),
          ).toEqual([]);
        },
      ),
      { numRuns: 60 },
    ));
});

test('every clash is a sentence that names what is in the way of what', () => {
  const rect = { x: 0, y: 0, width: 1200, depth: 900 };
  const ids = {
    unitId: aUnit().id,
    fixtureId: aFixture().id,
    checkId: roomCheckSchema.shape.id.parse('bed'),
  };
  const names: Readonly<Record<string, string>> = {
    unit: 'Cupboard',
    door: 'Door',
    bed: 'The bed folds out',
    other: 'Chest',
  };
  const by = aUnit({ id: 'other' }).id;
  const clashes: PlanClash[] = [
    { code: 'unit_outside', unitId: ids.unitId, rect },
    { code: 'fixture_outside', fixtureId: ids.fixtureId, rect },
    { code: 'units_overlap', unitId: ids.unitId, by, rect },
    { code: 'door_blocked', fixtureId: ids.fixtureId, by, rect },
    { code: 'fixture_blocked', fixtureId: ids.fixtureId, by, rect },
    { code: 'window_covered', fixtureId: ids.fixtureId, by, rect },
    { code: 'pull_out_hits', unitId: ids.unitId, by, rect },
    { code: 'leaf_hits', unitId: ids.unitId, by: null, rect },
    { code: 'clear_space_taken', checkId: ids.checkId, by, rect },
    { code: 'clear_space_missing', checkId: ids.checkId, rect },
    { code: 'table_too_small', checkId: ids.checkId, rect },
  ];
  const said = clashes.map((clash) =>
    clashWords(clash, { nameOf: (id) => names[id] ?? '?', units: 'cm' }),
  );
  expect(new Set(said).size).toBe(clashes.length);
  for (const words of said) expect(words).not.toMatch(/\?|undefined|_/);
  expect(said[7]).toBe('The door of Cupboard hits the wall');
  expect(said[9]).toContain('120 cm × 90 cm');
});

describe('terms', () => {
  test('read as people write them, and read back the same', () => {
    const typed = {
      ...toTypedTerms(defaultTerms),
      neverLeaves: ' Letters \n\nRings\nLetters',
      hourlyRate: '38,50',
      visitHours: '2,5',
      crewCount: '2',
    };
    expect(termsFormSchema.parse(typed)).toMatchObject({
      neverLeaves: ['Letters', 'Rings'],
      hourlyRateMinor: 3850,
      visitMinutes: 150,
      crewCount: 2,
    });
    const terms = termsSchema.parse({
      goals: 'g',
      neverLeaves: ['a', 'b'],
      reusePercent: 40,
      hourlyRateMinor: 3850,
      visitMinutes: 150,
      visitsPerWeek: 3,
      crewCount: 2,
    });
    // What the form does not ask for stays as it is.
    const { schools: _, days: __, liftLimitG: ___, ...asked } = terms;
    expect(termsFormSchema.parse(toTypedTerms(terms))).toEqual(asked);
  });
  test.each([
    ['hourlyRate', 'much'],
    ['visitHours', '13'],
    ['visitsPerWeek', '0'],
    ['reusePercent', '101'],
  ] as const)('%s of %j is refused at its field', (field, value) =>
    expect(
      Object.keys(
        issues(termsFormSchema.safeParse({ ...toTypedTerms(defaultTerms), [field]: value })),
      ),
    ).toEqual([field]),
  );
});

test.each([
  [0, '0 h'],
  [5, '0.25 h'],
  [100, '1.75 h'],
  [200, '3.5 h'],
  [1000, '17 h'],
])('%d minutes are said as %s', (minutes, words) => expect(hoursWords(minutes)).toBe(words));

test('new gaps and faults have their words', () => {
  expect(
    nextStepWords({ step: 'look', code: 'measure_usual', count: 3, firstName: 'Shelf 1' }),
  ).toBe('Measure Shelf 1 and 2 other places: usual sizes so far');
  expect(
    stepStatus('agree', {
      next: [{ step: 'agree', code: 'make_sections' }],
      doneSteps: [],
      doneRatio: 0,
    }),
  ).toEqual({ word: 'no sections', isMissing: false });
  expect(
    (['picture_too_large', 'not_a_picture', 'picture_damaged'] as const).map(
      (code) => pictureErrorWords({ code }).length > 20,
    ),
  ).toEqual([true, true, true]);
});

test('terms that come in never take away what is being typed, and bring all else', () => {
  const base = toTypedTerms(defaultTerms);
  const sent = { ...base, goals: 'Supper in ten minutes' };
  const typed = { ...sent, hourlyRate: '40' };
  // The first field comes back kept while the second is typed; then the second comes back as money
  // is written.
  expect(mergeTyped(typed, sent, [base, sent])).toEqual(typed);
  expect(mergeTyped(typed, { ...sent, hourlyRate: '40.00' }, [sent, typed])).toEqual({
    ...sent,
    hourlyRate: '40.00',
  });
  expect(mergeTyped(typed, { ...base, wantedLook: 'calm' }, [sent])).toEqual({
    ...base,
    wantedLook: 'calm',
    hourlyRate: '40',
  });
});

test('a unit is never put before a door where there is room beside it', () => {
  const door = aFixture({ place: onWall(0, 0) });
  const unit = aUnit({ id: 'new', place: null });
  const things = listPlanThings({ room: aRoom(), units: [unit], fixtures: [door] }, {});
  const [fresh] = things;
  invariant(fresh, 'the new unit');
  const place = firstPlaceOf(fresh, things, { outline, fixtures: [door], unit: 'mm' });
  const clashes = findPlanClashes({
    outline,
    units: [{ ...unit, place }],
    fixtures: [door],
    checks: [],
  });
  expect(clashes.map(({ code }) => code)).not.toContain('door_blocked');
});
