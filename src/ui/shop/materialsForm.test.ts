import { aBay, aUnit, HALL, mm } from '@test/builders';
import { materialsSchema, toCutRequest, toRollRequest } from '@/core/shop';
import { materialsFormSchemaFor, toMaterialsTyped } from './materialsForm';

const materials = materialsSchema.parse({
  id: HALL,
  kerf: mm(3),
  carLength: mm(2000),
  linedBayIds: ['shelf', 'gone'],
  roll: { width: mm(500), length: mm(2000), priceMinor: 650 },
  boards: [
    { name: 'Pine', length: mm(1800), priceMinor: 700, available: null },
    { name: 'Long pine', length: mm(2400), priceMinor: 800, available: 2 },
  ],
  cuts: [{ name: 'Shelf', length: mm(880), qty: 3 }],
});
const unit = aUnit({
  bays: [aBay({ widthReadings: [mm(800), mm(794)] }), aBay({ id: 'other', rowIndex: 1 })],
});

test('a board that the car does not take is left out', () => {
  expect(toCutRequest(materials)).toMatchObject({
    kerfMm: 3,
    stock: [{ id: 'board-0', lengthMm: 1800 }],
    pieces: [{ id: 'cut-0', lengthMm: 880, qty: 3 }],
  });
  expect(toCutRequest({ ...materials, carLength: null }).stock).toMatchObject([
    {},
    { id: 'board-1', available: 2 },
  ]);
});

test('lined places ask for a liner of their smallest measures; places that are gone for none', () => {
  expect(toRollRequest(materials, [unit])?.pieces).toEqual([
    { id: 'shelf', widthMm: 794, depthMm: 300, qty: 1, turnable: true },
  ]);
  expect(toRollRequest({ ...materials, roll: null }, [unit])).toBeUndefined();
});

test('what is kept reads back as it was typed', () => {
  const { id: _id, linedBayIds: _lined, ...typed } = materials;
  expect(materialsFormSchemaFor('mm').parse(toMaterialsTyped(materials))).toEqual(typed);
});

test('faults are told at their field, and a roll needs its length and price', () => {
  const typed = {
    ...toMaterialsTyped(materials),
    rollLength: '',
    rollPrice: 'dear',
    cuts: [{ name: '', length: '0', qty: '1.5' }],
  };
  const read = materialsFormSchemaFor('mm').safeParse(typed);
  expect(read.error?.issues.map(({ path }) => path.join('.'))).toEqual([
    'cuts.0.name',
    'cuts.0.length',
    'cuts.0.qty',
  ]);
  expect(
    materialsFormSchemaFor('mm')
      .safeParse({ ...typed, cuts: [] })
      .error?.issues.map(({ path }) => path.join('.')),
  ).toEqual(['rollLength', 'rollPrice']);
});

const whole = materialsSchema.parse({
  ...materials,
  paint: {
    surfaces: [{ name: 'Back', width: mm(600), height: mm(1360), qty: 1 }],
    coats: 2,
    squareMetresPerLitre: 10.5,
    canLitres: 0.75,
    priceMinor: 1490,
    dryHours: 6,
    cureDays: 2,
  },
  labels: { letter: mm(9), cassette: mm(8000), priceMinor: 690, spareCount: 4 },
  fixings: {
    rows: [{ name: 'Rail', things: 2, each: 3, wall: 'timber' }],
    packs: [{ wall: 'timber', packSize: 25, priceMinor: 380 }],
  },
  buying: {
    paint: { shopId: 'corner', priority: 'nice' },
    fixings: { shopId: 'corner', priority: 'must' },
  },
});

test('paint, labels, fixings and where they are bought read back as they were typed', () => {
  const { id: _id, linedBayIds: _lined, ...typed } = whole;
  expect(materialsFormSchemaFor('mm').parse(toMaterialsTyped(whole))).toEqual(typed);
});

test('surfaces need a price a can, letters a tape, and a pack with no price is none', () => {
  const typed = {
    ...toMaterialsTyped(whole),
    canPrice: '',
    cassette: '',
    packs: toMaterialsTyped(whole).packs.map((pack) => ({ ...pack, price: '' })),
  };
  const read = materialsFormSchemaFor('mm').safeParse(typed);
  expect(read.error?.issues.map(({ path }) => path.join('.')).sort()).toEqual([
    'canPrice',
    'cassette',
  ]);
  const without = materialsFormSchemaFor('mm').parse({ ...typed, surfaces: [], letter: '' });
  expect([without.paint, without.labels, without.fixings.packs]).toEqual([null, null, []]);
});

test.each([
  ['coats', '0'],
  ['coats', '1.5'],
  ['squareMetresPerLitre', 'much'],
  ['dryHours', '-1'],
  ['canLitres', ''],
])('a fault in %s is told at its field: %j', (field, text) =>
  expect(
    materialsFormSchemaFor('mm')
      .safeParse({ ...toMaterialsTyped(whole), [field]: text })
      .error?.issues.map(({ path }) => path.join('.')),
  ).toEqual([field]),
);
