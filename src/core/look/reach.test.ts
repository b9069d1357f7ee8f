import fc from 'fast-check';

import { aBay, aUnit, mm } from '@test/builders';
import { judgeUnit } from './judgeUnit';
import { layOutUnit } from './layOutUnit';
import { unitKinds } from './codes';
import { reachOf, reachSeconds, sightDepthMm } from './reach';
import { usualUnitOf } from './usualUnit';

test.each([
  [0, 'squat'],
  [249, 'squat'],
  [250, 'bend'],
  [420, 'easy'],
  [820, 'high'],
  [1050, 'stretch'],
  [1240, 'stretch'],
  [1241, 'step'],
] as const)('at %d mm, 1 m tall: %s', (mmHigh, reach) => expect(reachOf(mmHigh, 1000)).toBe(reach));

test('an easy reach is the quickest', () =>
  expect(
    (['squat', 'bend', 'high', 'stretch', 'step'] as const).every(
      (reach) => reachSeconds(reach) > reachSeconds('easy'),
    ),
  ).toBe(true));

test('sight: a higher opening never hides more, a drawer below the eyes hides nothing, above them one sees the front row', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: 2200 }),
      fc.integer({ min: 50, max: 800 }),
      fc.integer({ min: 100, max: 900 }),
      fc.integer({ min: 1000, max: 2000 }),
      (bottomMm, openingMm, depthMm, bodyMm) => {
        const place = { bottomMm, openingMm, depthMm, pullsOut: false };
        const seen = sightDepthMm(place, bodyMm);
        expect(seen).toBeGreaterThanOrEqual(0);
        expect(seen).toBeLessThanOrEqual(depthMm);
        expect(
          sightDepthMm({ ...place, openingMm: openingMm + 50 }, bodyMm),
        ).toBeGreaterThanOrEqual(seen - 1e-9);
      },
    ),
  );
  const drawer = (bottomMm: number) =>
    sightDepthMm({ bottomMm, openingMm: 200, depthMm: 500, pullsOut: true }, 1700);
  expect([0, 300, 700, 1400, 1500, 1700].map(drawer)).toEqual([500, 500, 500, 500, 500, 0]);
  expect(
    sightDepthMm({ bottomMm: 1800, openingMm: 300, depthMm: 400, pullsOut: false }, 1700),
  ).toBe(150);
  // Eyes at 1581, upper edge at 1100: 481 above it, 400 before it; 300 high are seen 249 deep.
  expect(
    sightDepthMm({ bottomMm: 800, openingMm: 300, depthMm: 400, pullsOut: false }, 1700),
  ).toBeCloseTo((400 * 300) / 481, 6);
});

test('a unit’s measures say litres past obstacles, the largest thing, reach, and anchoring', () => {
  const trap = { label: 'trap', x: 0, y: 200, z: 0, width: 800, depth: 100, height: 200 };
  const judged = judgeUnit(aUnit({ height: mm(1200), bays: [aBay({ obstacles: [trap] })] }), [
    { name: 'Ida', height: { mm: 1210 } },
  ]);
  expect(judged).toMatchObject({ wantsAnchoring: true, heavyBayName: 'Shelf' });
  expect(judged.tippingRatio).toBeCloseTo(1200 / 340, 6);
  expect(judged.bays[0]).toMatchObject({
    usableLitres: 68,
    largestBox: { width: 800, depth: 200, height: 350 },
    reaches: [{ personName: 'Ida', reach: 'bend' }],
  });
});

test('the largest thing comes through the opening', () => {
  const bay = aBay({ openingWidth: mm(500), openingHeight: mm(200) });
  expect(judgeUnit(aUnit({ bays: [bay] }), []).bays[0]?.largestBox).toMatchObject({
    width: 500,
    depth: 300,
    height: 200,
  });
});

test.each(unitKinds)('the usual %s holds its own places', (kind) => {
  const usual = usualUnitOf(kind);
  const bays = usual.bays.map((bay, i) =>
    aBay({
      id: `b${i}`,
      columnIndex: bay.columnIndex,
      rowIndex: bay.rowIndex,
      widthReadings: [mm(bay.widthMm)],
      depthReadings: [mm(bay.depthMm)],
      heightReadings: [mm(bay.heightMm)],
      obstacles: bay.obstacles,
    }),
  );
  expect(
    layOutUnit(
      aUnit({
        width: mm(usual.widthMm),
        depth: mm(usual.depthMm),
        height: mm(usual.heightMm),
        bays,
      }),
    ),
  ).toMatchObject({ ok: true });
});
