import fc from 'fast-check';

import { parseProduct } from '.';

test.each([
  [
    'oat felt basket 30 × 28 × 16 cm, stacks, 3 for 18.00 at The Bin Loft',
    {
      name: 'oat felt basket',
      width: '30 cm',
      depth: '28 cm',
      height: '16 cm',
      kind: 'basket',
      material: 'fabric',
      stackable: true,
      lid: false,
      packSize: '3',
      price: '18.00',
      shopName: 'The Bin Loft',
    },
  ],
  [
    'Clear box with lid 200x300x150 mm, lid, 7,5 l, £4.90',
    {
      name: 'Clear box with lid',
      width: '200 mm',
      height: '150 mm',
      kind: 'box',
      lid: true,
      clear: true,
      litres: '7,5',
      price: '4.90',
    },
  ],
  [
    'wire drawer 12" x 14 in x 5", 9 at Corner Store',
    {
      name: 'wire drawer',
      width: '12 "',
      depth: '14 in',
      height: '5 "',
      kind: 'drawer',
      material: 'metal',
      price: '9',
      shopName: 'Corner Store',
    },
  ],
  [
    'Haystack stacking drawer 18 x 34,5 x 11',
    {
      name: 'Haystack stacking drawer',
      width: '18',
      depth: '34,5',
      height: '11',
      kind: 'stacking drawer',
      stackable: true,
    },
  ],
  ['glass jar 6 for 18.00', { name: 'glass jar', packSize: '6', price: '18.00' }],
  [
    'glass jar, 18.00 € for 6',
    { name: 'glass jar', packSize: '6', price: '18.00', currency: 'EUR' },
  ],
  [
    'tea tin 10 x 10 x 14 cm, pack of 4, €9.80 at Corner Store',
    { name: 'tea tin', packSize: '4', price: '9.80', currency: 'EUR', shopName: 'Corner Store' },
  ],
  ['hook strip, 2-pack 7.50', { name: 'hook strip', packSize: '2', price: '7.50' }],
])('reads %j', (text, said) => expect(parseProduct(text)).toMatchObject(said));

test.each(['', 'tub', 'a jar of glass, 3 for', '12 × 30', ' at home'])(
  'what is not said is left out: %j',
  (text) => {
    const parsed = parseProduct(text);
    expect([parsed.width, parsed.depth, parsed.height, parsed.price, parsed.litres]).toEqual([
      undefined,
      undefined,
      undefined,
      undefined,
      undefined,
    ]);
  },
);

test('whole measures come back as they were typed, whatever stands around them', () =>
  fc.assert(
    fc.property(
      fc.tuple(
        fc.integer({ min: 1, max: 900 }),
        fc.integer({ min: 1, max: 900 }),
        fc.integer({ min: 1, max: 900 }),
      ),
      fc.constantFrom('mm', 'cm'),
      fc.constantFrom('x', ' × ', ' x '),
      ([width, depth, height], unit, by) =>
        expect(
          parseProduct(`some bin ${width}${by}${depth}${by}${height} ${unit}, 2.50`),
        ).toMatchObject({
          name: 'some bin',
          width: `${width} ${unit}`,
          depth: `${depth} ${unit}`,
          height: `${height} ${unit}`,
          price: '2.50',
        }),
    ),
  ));
