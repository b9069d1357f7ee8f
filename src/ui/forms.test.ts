import fc from 'fast-check';
import type { z } from 'zod';

import { aGroup, aUnit } from '@test/builders';
import { layOutUnit } from '@/core/look';
import { blankContainer, ownedFormSchemaFor, soldFormSchemaFor } from './fit/containerForm';
import {
  emptyPerson,
  projectFormSchema,
  toTypedProject,
  type ProjectFormTyped,
} from './agree/projectForm';
import { roomFormSchema } from './look/roomForm';
import { bayAbove, blankUnit, toBayFacts, toTypedUnit, unitFormSchemaFor } from './look/unitForm';
import { personSchema, projectSchema } from '@/core/agree';
import { ruleFormSchema } from './count/ruleForm';
import { toAsks, toTypedAsks, wishFormSchema } from './place/wishForm';
import { handNeedFormSchema, returnFormSchema } from './shop/shopForms';
import { correctFormSchema } from './sort/correctForm';
import { sessionFormSchema } from './sort/sessionForm';

const noAsks = toTypedAsks(aGroup());

const faultsOf = (result: {
  error?: { issues: readonly { path: readonly PropertyKey[]; message: string }[] } | undefined;
}) =>
  Object.fromEntries(
    (result.error?.issues ?? []).map(({ path, message }) => [path.join('.'), message]),
  );

const noAmounts = {
  perPerson: '',
  perBed: '',
  perGuestPlace: '',
  perDay: '',
  perPersonDay: '',
  perHome: '1,5',
};
const project: ProjectFormTyped = {
  name: 'Mill House',
  units: 'in',
  currency: 'GBP',
  budget: '£1,200',
  readyBy: '',
  status: 'active',
  roomBudgets: { hall: '9,80' },
  bedCount: '2',
  guestPlaceCount: '0',
  rowDepth: '',
  pets: '',
  people: [{ ...emptyPerson, name: 'Nora', height: `5' 6"` }],
};

describe('the project’s form', () => {
  test('reads money, heights and an open date as people write them', () =>
    expect(projectFormSchema.parse(project)).toMatchObject({
      budget: 120_000,
      readyBy: null,
      roomBudgets: { hall: 980 },
      people: [{ id: undefined, height: { mm: 1676.4, text: `5' 6"` } }],
    }));

  test('a bare height takes the household’s unit', () =>
    expect(
      projectFormSchema.parse({ ...project, people: [{ ...emptyPerson, name: 'N', height: '66' }] })
        .people[0]?.height.mm,
    ).toBe(1676.4));

  test('every fault is told at its field', () => {
    const faults = faultsOf(
      projectFormSchema.safeParse({
        ...project,
        name: ' ',
        budget: 'much',
        readyBy: 'soon',
        people: [],
      }),
    );
    expect(Object.keys(faults).sort()).toEqual(['budget', 'name', 'people', 'readyBy']);
    expect(faults.budget).toContain('“much” is not an amount');
  });

  test('what a group’s things are like comes back as it was typed', () => {
    const asks = {
      kinds: [
        { name: 'cumin', litres: 0.2 },
        { name: 'bay leaves', litres: 1.5 },
      ],
      crushable: true,
      seen: true,
      line: 'Sprig',
      packLitres: 1.5,
    };
    const read = (change: object) =>
      toAsks(
        wishFormSchema.parse({
          ...toTypedAsks(aGroup({ asks: change })),
          ...{
            name: 'a',
            litres: '0',
            lid: 'any',
            see: 'any',
            front: false,
            loose: false,
            uses: '',
          },
        }),
      );
    expect(read(asks)).toEqual(asks);
    const pieces = { shape: 'round', widthMm: 75, heightMm: 300, count: 6 };
    expect(read({ pieces, dropMm: 90, mayLie: true })).toEqual({
      pieces,
      dropMm: 90,
      mayLie: true,
    });
    expect(read({})).toEqual({});
  });

  test.each([
    ['tall', 'makes no sense'],
    ['30 cm', 'between 40 cm and 250 cm'],
    ['3 m', 'between 40 cm and 250 cm'],
    ['', 'Type a measure'],
  ])('a height of %j is refused', (height, words) =>
    expect(
      faultsOf(
        projectFormSchema.safeParse({
          ...project,
          people: [{ ...emptyPerson, name: 'N', height }],
        }),
      )['people.0.height'],
    ).toContain(words),
  );

  test('what is there is shown as it was typed, and reads back the same', () => {
    const kept = projectSchema.parse({
      id: 'p',
      name: 'Mill House',
      units: 'cm',
      currency: 'EUR',
      budgetMinor: 1250,
      readyBy: '2027-02-01',
      status: 'active',
      createdAt: '2026-11-01T09:00:00.000Z',
    });
    const person = personSchema.parse({
      id: 'n',
      projectId: 'p',
      name: 'Nora',
      height: { mm: 1680, text: '1.68 m' },
      isChild: false,
      noStep: true,
      position: 0,
    });
    const read = projectFormSchema.parse(
      toTypedProject(kept, [person], [{ id: 'hall', budgetMinor: 5 }]),
    );
    expect(read).toMatchObject({
      budget: 1250,
      readyBy: '2027-02-01',
      roomBudgets: { hall: 5 },
      people: [{ id: 'n', height: { mm: 1680, text: '1.68 m' }, noStep: true }],
    });
  });
});

describe('the unit’s form', () => {
  const schema = unitFormSchemaFor('cm');

  test('a unit that is there reads back the same', () => {
    const unit = aUnit();
    const read = schema.parse(toTypedUnit(unit, 'cm'));
    const bays = read.bays.map((bay) => ({
      ...toBayFacts(bay),
      unitId: unit.id,
      column: undefined,
      row: undefined,
      maxLoadKg: undefined,
    }));
    expect(bays).toMatchObject(
      unit.bays.map(({ id, columnIndex, rowIndex, widthReadings, maxLoadG }) => ({
        id,
        columnIndex,
        rowIndex,
        widthReadings,
        maxLoadG,
      })),
    );
    expect(layOutUnit(unit).ok).toBe(true);
  });

  test('blank second and third readings are none; a first is needed', () => {
    const [bay] = blankUnit.bays;
    if (!bay) throw new Error('a blank unit has a place');
    const typed = {
      ...blankUnit,
      name: 'C',
      width: '80',
      depth: '40',
      height: '90',
      bays: [
        {
          ...bay,
          widthReadings: ['70', '', '69,5 cm'],
          depthReadings: ['', '35', ''],
          heightReadings: ['x', '', ''],
          maxLoadKg: 'lots',
        },
      ],
    };
    const faults = faultsOf(schema.safeParse(typed));
    expect(Object.keys(faults).sort()).toEqual([
      'bays.0.depthReadings.0',
      'bays.0.heightReadings.0',
      'bays.0.maxLoadKg',
    ]);
    const good = schema.parse({
      ...typed,
      bays: [
        { ...typed.bays[0], depthReadings: ['35'], heightReadings: ['30'], maxLoadKg: '12,5' },
      ],
    });
    expect(good.bays[0]).toMatchObject({
      widthReadings: [{ mm: 700 }, { mm: 695 }],
      maxLoadKg: 12_500,
    });
  });

  test('a place above shares width and depth, and is measured anew in height', () => {
    const [bay] = blankUnit.bays;
    if (!bay) throw new Error('a blank unit has a place');
    const above = bayAbove({ ...bay, widthReadings: ['70'], heightReadings: ['30'] });
    expect(above).toMatchObject({ row: 2, column: 1, name: 'Shelf 2', widthReadings: ['70'] });
    expect(above.heightReadings.join('')).toBe('');
  });

  test('columns and rows count from one', () => {
    const [bay] = blankUnit.bays;
    expect(
      faultsOf(schema.safeParse({ ...blankUnit, bays: [{ ...bay, column: 0, row: 1.5 }] })),
    ).toMatchObject({ 'bays.0.column': 'From 1', 'bays.0.row': 'A whole number' });
  });
});

describe('a container’s form', () => {
  const typed = {
    ...blankContainer,
    name: 'Wine box',
    width: '33',
    depth: '26 cm',
    height: '180 mm',
  };

  test('litres left out are worked out from the outside less its walls, and never more than the outside', () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 20, max: 900 }),
        fc.integer({ min: 20, max: 900 }),
        fc.integer({ min: 20, max: 900 }),
        (w, d, h) => {
          const read = ownedFormSchemaFor('cm').parse({
            ...typed,
            width: `${w} mm`,
            depth: `${d} mm`,
            height: `${h} mm`,
            count: '2',
          });
          expect(read.innerLitres).toBeGreaterThan(0);
          expect(read.innerLitres).toBeLessThanOrEqual(Math.max(0.01, (w * d * h) / 1e6 + 0.05));
          expect(read.count).toBe(2);
        },
      ),
    ));

  test.each([
    [{ litres: '99' }, 'litres', 'It is only 15.4 l outside'],
    [{ litres: 'some' }, 'litres', 'Litres as a number'],
    [{ count: '0' }, 'count', 'Type how many there are'],
    [{ count: '1.5' }, 'count', 'A whole number'],
    [{ width: '' }, 'width', 'Type a measure'],
  ])('refuses %j at its field', (change, field, words) =>
    expect(
      faultsOf(ownedFormSchemaFor('cm').safeParse({ ...typed, count: '1', ...change }))[field],
    ).toContain(words),
  );

  test('what a shop sells has its pack and price', () =>
    expect(
      soldFormSchemaFor('cm').parse({
        ...typed,
        shopName: 'Corner',
        currency: 'GBP',
        packSize: '3',
        price: '8.70',
      }),
    ).toMatchObject({
      offer: { shopName: 'Corner', currency: 'GBP', packSize: 3, priceMinor: 870 },
    }));
});

test('a room wants a name and an amount', () =>
  expect(
    Object.keys(faultsOf(roomFormSchema.safeParse({ name: '', purpose: '', budget: '-3' }))),
  ).toEqual(['name', 'budget']));

test.each<[string, z.ZodType, object, object]>([
  [
    'something by hand',
    handNeedFormSchema,
    { name: ' ', qty: '1,5', packSize: '0', price: 'dear', shopId: 'x', priority: 'must' },
    {
      name: 'Type what it is',
      qty: 'A whole number',
      packSize: 'Type pieces in a pack, from 1 to 1000',
      price: expect.any(String),
    },
  ],
  [
    'a return',
    returnFormSchema,
    { deliverOn: 'in May', returnBy: 'soon', returnedPieces: '-1', refund: '3,50' },
    {
      deliverOn: 'Type a day',
      returnBy: 'Type a day',
      returnedPieces: 'Type the pieces that went back, from 0 to 100000',
    },
  ],
  [
    'a session',
    sessionFormSchema,
    { method: 'quick-pass', minutes: 'long', sectionId: '', present: [] },
    { minutes: 'Type minutes, from 5 to 720' },
  ],
  [
    'a decision anew',
    correctFormSchema,
    {
      name: 'mugs',
      count: '2.5',
      size: '',
      verdict: 'keep',
      to: '',
      groupId: '',
      expiresOn: '2026-02-30',
    },
    { count: 'A whole number', expiresOn: 'Type a day' },
  ],
  [
    'a rule',
    ruleFormSchema,
    { ...noAmounts, name: 'egg cup', because: '', perBed: '1001' },
    { perBed: 'Type a number, from 0 to 1000' },
  ],
  [
    'the wishes of a group',
    wishFormSchema,
    {
      ...noAsks,
      ...{ name: 'Mugs', litres: '', lid: 'any', see: 'any', front: false, loose: false },
      uses: '501',
      kinds: 'cumin 0.2\nchilli',
      pieces: 'six bottles',
    },
    {
      litres: 'Type litres, from 0 to 10000',
      kinds: '“chilli” says no litres, e.g. “cumin 0.2”',
      pieces: 'How many, and their size in cm, e.g. “6 of 8 × 8 × 30”',
      uses: 'Type uses a week, from 0 to 500',
    },
  ],
])('%s that makes no sense is refused at each of its fields', (_, schema, typed, faults) =>
  expect(faultsOf(schema.safeParse(typed))).toEqual(faults),
);

test('what may be left empty is nothing, and a comma is a point', () => {
  expect(ruleFormSchema.parse({ ...noAmounts, name: 'egg cup', because: '' })).toMatchObject({
    perBed: 0,
    perHome: 1.5,
  });
  expect(
    wishFormSchema.parse({
      ...noAsks,
      name: ' Mugs ',
      litres: '12,5',
      lid: 'any',
      see: 'any',
      front: false,
      loose: true,
      uses: '',
    }),
  ).toMatchObject({ name: 'Mugs', litres: 12.5, uses: null });
});
