import { mm } from '@test/builders';
import { containerProductSchema } from '../fit';
import { findSoldOut, offerSchema } from '.';

const tray = containerProductSchema.parse({
  id: 'tray',
  projectId: null,
  name: 'tray',
  kind: 'tray',
  width: mm(100),
  depth: mm(100),
  height: mm(100),
  innerLitres: 1,
  innerHeightMm: 90,
  innerWidthMm: null,
  shape: 'box',
  lid: false,
  clear: false,
  material: 'plastic',
  stackable: false,
  maxStack: null,
  tareG: 0,
  maxLoadG: null,
  turnable: true,
  ownedCount: null,
});
const offer = (id: string, packSize: number, inStock: number | null) =>
  offerSchema.parse({ id, shopId: 's', containerId: 'tray', packSize, priceMinor: 100, inStock });

test.each([
  ['none left', [offer('a', 1, 0)], 3, 0, true],
  ['too few in all shops together', [offer('a', 2, 1), offer('b', 1, 0)], 3, 0, true],
  ['just enough', [offer('a', 2, 1), offer('b', 1, 1)], 3, 0, false],
  ['enough with what is there', [offer('a', 1, 1)], 3, 2, false],
  ['a stock that nobody knows', [offer('a', 1, 0), offer('b', 1, null)], 3, 0, false],
  ['sold by nobody, which is another matter', [], 3, 0, false],
])('sold out: %s', (_, offers, qty, hadQty, isOut) =>
  expect(findSoldOut([{ container: tray, qty, hadQty, priority: 'must' }], offers)).toHaveLength(
    isOut ? 1 : 0,
  ),
);
