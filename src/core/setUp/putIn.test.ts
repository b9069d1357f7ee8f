import { aBay, aGroup, aUnit, mm } from '@test/builders';
import { containerProductSchema, takenFitSchema } from '../fit';
import { putInOf } from './putIn';

const product = (id: string, kind: string) =>
  containerProductSchema.parse({
    id,
    projectId: null,
    name: id,
    kind,
    ...{ width: mm(100), depth: mm(100), height: mm(100) },
    ...{ innerLitres: 1, innerHeightMm: 95, innerWidthMm: null, shape: 'box', lid: false },
    ...{ clear: false, material: 'plastic', stackable: false, maxStack: null, tareG: 0 },
    ...{ maxLoadG: null, turnable: true, ownedCount: null },
  });
const at = (x: number, y: number, more: object = {}) => ({
  ...{ containerId: 'jar', groupId: 'spices', x, y, z: 0, turned: false },
  ...more,
});

test('what goes into a place is told in order, alike things at once, by kind and level', () => {
  const fit = takenFitSchema.parse({
    bayId: 'shelf',
    prefer: 'cost',
    takenAt: '2026-03-01T10:00:00.000Z',
    answer: {
      ...{ status: 'feasible', objective: 1, bound: 0, elapsedMs: 1, costMinor: 0 },
      ...{ usedLitres: 0, freeLitres: 0, unmet: [], reasons: [] },
      surfaces: [{ containerId: 'riser', x: 0, y: 0, z: 0, turned: false }],
      placements: [
        at(0, 0, { z: 100, on: 0, kind: 0 }),
        at(110, 0, { z: 100, on: 0, kind: 0 }),
        at(0, 200, { kind: 1 }),
      ],
    },
  });
  const groups = [
    aGroup({
      id: 'spices',
      name: 'Spices',
      bayId: 'shelf',
      asks: {
        kinds: [
          { name: 'Cumin', litres: 1 },
          { name: 'Salt', litres: 1 },
        ],
      },
    }),
  ];
  const unit = aUnit({ bays: [aBay(), aBay({ id: 'empty', rowIndex: 1 })] });
  const products = [product('riser', 'riser'), product('jar', 'jar')];
  expect(putInOf(unit, { fits: [fit], products, groups })).toEqual([
    {
      bayId: 'shelf',
      steps: [
        expect.objectContaining({ count: 1, kindName: 'Salt', face: 'front' }),
        expect.objectContaining({ containerName: 'riser', groupName: undefined }),
        expect.objectContaining({ count: 2, kindName: 'Cumin', levelName: 'On the riser' }),
      ],
    },
  ]);
});
