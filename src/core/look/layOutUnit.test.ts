import fc from 'fast-check';

import { aBay, aUnit, mm } from '@test/builders';
import { boxesOverlap, freeLitresOf } from '../shared';
import { askewMeasuresOf, layOutUnit, usableLitresOf, wantsAnchoring } from './layOutUnit';
import { arrangeFront } from './arrangeFront';

const unitArb = fc
  .record({
    columns: fc.array(
      fc.record({
        width: fc.integer({ min: 50, max: 400 }),
        heights: fc.array(fc.integer({ min: 40, max: 400 }), { minLength: 1, maxLength: 5 }),
      }),
      { minLength: 1, maxLength: 4 },
    ),
    spareWidth: fc.integer({ min: 0, max: 200 }),
    spareHeight: fc.integer({ min: 0, max: 200 }),
  })
  .map(({ columns, spareWidth, spareHeight }) =>
    aUnit({
      width: mm(columns.reduce((sum, { width }) => sum + width, 0) + spareWidth),
      height: mm(
        Math.max(...columns.map(({ heights }) => heights.reduce((a, b) => a + b, 0))) + spareHeight,
      ),
      bays: columns.flatMap(({ width, heights }, columnIndex) =>
        heights.map((height, rowIndex) =>
          aBay({
            id: `b${columnIndex}-${rowIndex}`,
            columnIndex,
            rowIndex,
            widthReadings: [mm(width)],
            heightReadings: [mm(height)],
          }),
        ),
      ),
    }),
  );

test('every place lies inside its unit, and none over another', () =>
  fc.assert(
    fc.property(unitArb, (unit) => {
      const layout = layOutUnit(unit);
      if (!layout.ok) throw new Error(JSON.stringify(layout.error));
      const boxes = layout.value.bays.map((bay) => ({
        x: bay.xMm,
        y: 0,
        z: bay.zMm,
        width: bay.widthMm,
        depth: 1,
        height: bay.heightMm,
      }));
      boxes.forEach((box, i) => {
        expect(box.x).toBeGreaterThanOrEqual(-1e-9);
        expect(box.x + box.width).toBeLessThanOrEqual(unit.width.mm + 1e-6);
        expect(box.z).toBeGreaterThanOrEqual(unit.floorGap.mm - 1e-9);
        expect(box.z + box.height).toBeLessThanOrEqual(unit.floorGap.mm + unit.height.mm + 1e-6);
        boxes.slice(i + 1).forEach((other) => expect(boxesOverlap(box, other, -1e-6)).toBe(false));
      });
    }),
  ));

test('every clash is told at once', () => {
  const unit = aUnit({ width: mm(500), height: mm(600), depth: mm(200) });
  const layout = layOutUnit({ ...unit, bays: [...unit.bays, aBay({ id: 'twin', rowIndex: 1 })] });
  expect(layout.ok ? [] : layout.error.map(({ code }) => code)).toEqual(
    expect.arrayContaining([
      'bays_wider_than_unit',
      'bays_taller_than_unit',
      'bay_deeper_than_unit',
      'two_bays_in_one_place',
    ]),
  );
});

test('units stand side by side without touching', () => {
  const view = arrangeFront([aUnit(), aUnit({ id: 'second', position: 1 })]);
  expect(view.units.map(({ xMm }) => xMm)).toEqual([0, 1000]);
  expect(view.widthMm).toBe(1860);
});

test('readings more than 5 mm apart ask for another', () => {
  const bay = aBay({ widthReadings: [mm(800), mm(794.9)], depthReadings: [mm(300), mm(305)] });
  expect(askewMeasuresOf(bay)).toEqual(['width']);
});

test('a tall thing on a small foot wants anchoring', () => {
  expect(wantsAnchoring(aUnit({ height: mm(900), depth: mm(340) }))).toBe(true);
  expect(wantsAnchoring(aUnit({ height: mm(590), depth: mm(200) }))).toBe(false);
  expect(wantsAnchoring(aUnit({ height: mm(600), depth: mm(340) }))).toBe(false);
});

test('free litres with obstacles equal a count of small cubes', () =>
  fc.assert(
    fc.property(
      fc.array(
        fc.record({
          x: fc.nat(5),
          y: fc.nat(5),
          z: fc.nat(5),
          width: fc.integer({ min: 1, max: 4 }),
          depth: fc.integer({ min: 1, max: 4 }),
          height: fc.integer({ min: 1, max: 4 }),
        }),
        { maxLength: 4 },
      ),
      (boxes) => {
        let free = 0;
        for (let x = 0; x < 6; x += 1)
          for (let y = 0; y < 6; y += 1)
            for (let z = 0; z < 6; z += 1) {
              const isTaken = boxes.some(
                (b) =>
                  x >= b.x &&
                  x < b.x + b.width &&
                  y >= b.y &&
                  y < b.y + b.depth &&
                  z >= b.z &&
                  z < b.z + b.height,
              );
              if (!isTaken) free += 1;
            }
        expect(freeLitresOf({ width: 6, depth: 6, height: 6 }, boxes) * 1e6).toBeCloseTo(free, 6);
      },
    ),
  ));

test('an obstacle takes its litres off the place', () => {
  const pipe = { label: 'pipe', x: 0, y: 0, z: 0, width: 100, depth: 100, height: 350 };
  expect(usableLitresOf(aBay({ obstacles: [pipe, pipe] }))).toBeCloseTo(84 - 3.5, 9);
});
