import fc from 'fast-check';

import { unitSchema, type Unit } from '../look';
import { binsOf, decant, packVolumeOf, routineFor } from './cards';
import { loadUnit } from './loadUnit';
import { learnTask } from './taskMinutes';
import { checkTipping } from './tipCheck';

const mm = (value: number) => ({ mm: value, text: `${value} mm` });
const aChest = (change: { height?: number; depth?: number; pullOut?: boolean } = {}): Unit => {
  const { height = 1000, depth = 450, pullOut = true } = change;
  return unitSchema.parse({
    id: 'chest',
    roomId: 'room',
    name: 'Chest',
    kind: 'drawers',
    width: mm(800),
    depth: mm(depth),
    height: mm(height),
    floorGap: mm(0),
    position: 0,
    bays: [0, 1, 2].map((rowIndex) => ({
      id: `d${rowIndex}`,
      unitId: 'chest',
      name: `Drawer ${rowIndex}`,
      columnIndex: 0,
      rowIndex,
      widthReadings: [mm(760)],
      depthReadings: [mm(depth - 50)],
      heightReadings: [mm(200)],
      openingWidth: null,
      openingHeight: null,
      maxLoadG: null,
      pullOut,
      moist: false,
      outOfScope: false,
      obstacles: [],
    })),
  });
};

test('moments about the front foot are those of statics, worked by hand', () => {
  const answer = checkTipping({
    unit: aChest(),
    massG: 30_000,
    loads: [
      { bayId: 'd0', massG: 10_000 },
      { bayId: 'd2', massG: 4000 },
    ],
  });
  // All drawers out: the empty chest holds with 30 kg at half its depth; 14 kg hang 20 cm before the foot.
  expect(answer.drawersOut.holdsNm).toBeCloseTo(30 * 9.81 * 0.225, 6);
  expect(answer.drawersOut.tipsNm).toBeCloseTo(14 * 9.81 * 0.2, 6);
  // The fullest one out with 25 kg on its edge, the other shut.
  expect(answer.childOnDrawer.holdsNm).toBeCloseTo((30 + 4) * 9.81 * 0.225, 6);
  expect(answer.childOnDrawer.tipsNm).toBeCloseTo(10 * 9.81 * 0.2 + 25 * 9.81 * 0.4, 6);
  expect(answer).toMatchObject({ wantsAnchoring: true, why: 'child_on_drawer' });
  expect(checkTipping({ unit: aChest(), massG: 30_000, loads: [] }).isMassAssumed).toBe(false);
});

test('what is heavier, or loaded less, never stands worse; an assumed mass is judged at its low end', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 5, max: 80 }),
      fc.array(fc.integer({ min: 0, max: 30 }), { minLength: 3, maxLength: 3 }),
      fc.integer({ min: 1, max: 20 }),
      (kg, drawers, more) => {
        const loads = drawers.map((load, i) => ({ bayId: `d${i}`, massG: load * 1000 }));
        const of = (massG: number, own = loads) =>
          checkTipping({ unit: aChest(), massG, loads: own }).drawersOut.ratio ?? Infinity;
        expect(of((kg + more) * 1000)).toBeGreaterThanOrEqual(of(kg * 1000));
        const fuller = loads.map((load) => ({ ...load, massG: load.massG + more * 1000 }));
        expect(of(kg * 1000, fuller)).toBeLessThanOrEqual(of(kg * 1000));
      },
    ),
  );
  const { emptyG, drawersOut } = checkTipping({ unit: aChest(), massG: undefined, loads: [] });
  expect(emptyG.low).toBeLessThan(emptyG.likely);
  expect(drawersOut.holdsNm).toBeCloseTo((emptyG.low / 1000) * 9.81 * 0.225, 6);
  expect(
    checkTipping({
      unit: aChest({ height: 1900, depth: 300, pullOut: false }),
      massG: 40_000,
      loads: [],
    }).why,
  ).toBe('tall_and_shallow');
});

test('a unit fills from the bottom up, once each, and no place ever bears more than it may', () => {
  const placeArb = fc.record({
    zMm: fc.integer({ min: 0, max: 2000 }),
    maxLoadG: fc.option(fc.integer({ min: 1000, max: 40_000 }), { nil: undefined }),
  });
  const groupArb = fc.record({
    place: fc.integer({ min: 0, max: 3 }),
    massG: fc.integer({ min: 0, max: 25_000 }),
    row: fc.constantFrom('front' as const, 'back' as const, undefined),
    usesPerWeek: fc.integer({ min: 0, max: 14 }),
    isFragile: fc.boolean(),
  });
  fc.assert(
    fc.property(
      fc.array(placeArb, { minLength: 4, maxLength: 4 }),
      fc.array(groupArb, { maxLength: 14 }),
      (rawPlaces, rawGroups) => {
        const places = rawPlaces.map((place, i) => ({ ...place, id: `p${i}` }));
        const groups = rawGroups.map(({ place, ...group }, i) => ({
          ...group,
          id: `g${i}`,
          placeId: `p${place}`,
        }));
        const { steps, tooHeavy } = loadUnit({ places, groups, liftLimitG: 12_000 });
        const all = [...steps, ...tooHeavy].map(({ groupId }) => groupId);
        expect([...all].sort()).toEqual(groups.map(({ id }) => id).sort());
        const borne = new Map<string, number>();
        let lastZ = -1;
        for (const step of steps) {
          const place = places.find(({ id }) => id === step.placeId)!;
          const sum = (borne.get(place.id) ?? 0) + step.massG;
          borne.set(place.id, sum);
          expect(sum).toBe(step.placeG);
          expect(sum).toBeLessThanOrEqual(place.maxLoadG ?? Infinity);
          expect(place.zMm).toBeGreaterThanOrEqual(lastZ);
          lastZ = place.zMm;
          expect(step.carryings).toBe(Math.max(1, Math.ceil(step.massG / 12_000)));
        }
        // What stays out would not have gone in beside what stands there.
        for (const { groupId, placeId, overG } of tooHeavy) {
          expect(overG).toBeGreaterThan(0);
          const mass = groups.find(({ id }) => id === groupId)!.massG;
          expect((borne.get(placeId) ?? 0) + mass).toBeGreaterThan(
            places.find(({ id }) => id === placeId)!.maxLoadG ?? Infinity,
          );
        }
      },
    ),
  );
});

test('a pack goes into its jar whole, perhaps, or leaves a rest that is said', () => {
  const rice = { product: 'Rice', pack: '1 kg', jarLitres: 0.9 };
  expect(decant(rice)).toMatchObject({ fits: 'not' });
  expect(decant({ ...rice, jarLitres: 1.25 })).toEqual({ fits: 'perhaps' });
  expect(decant({ ...rice, jarLitres: 2 })).toEqual({ fits: 'whole' });
  expect(decant({ ...rice, pack: '1.1 l' })).toEqual({
    fits: 'not',
    leftLitres: expect.closeTo(0.2),
  });
  expect(packVolumeOf({ product: 'Oil', pack: '750 ml' })).toMatchObject({
    litres: 0.75,
    isAssumed: false,
  });
  for (const pack of ['', 'a bag', '0 kg', '-1 kg'])
    expect(decant({ ...rice, pack })).toEqual({ fits: 'unknown' });
});

test('what broke begins a routine with what it needs, each thing once', () => {
  const papers = routineFor('Post piles up on the stairs');
  expect(papers.name).toBe('Incoming papers');
  expect(binsOf({ steps: [...papers.steps, ...papers.steps] })).toHaveLength(4);
  expect(routineFor('Something else. Really')).toMatchObject({ name: 'Something else' });
});

test('minutes follow what was timed, within limits, and nothing where nobody said', () => {
  const tick = (tookMinutes: number | null, listedMinutes: number | null) => ({
    kind: 'wipe' as const,
    of: 'unit',
    doneAt: '2026-12-01T09:00:00.000Z',
    tookMinutes,
    listedMinutes,
  });
  const factorOf = (...args: Parameters<typeof learnTask>) => learnTask(...args).factor;
  expect(factorOf('wipe', [tick(null, 20)])).toBe(1);
  expect(factorOf('wipe', [tick(40, 20), tick(40, 20)])).toBeCloseTo(2 ** (2 / 3), 9);
  // One tick is not believed further than three times what was assumed, and half of that.
  expect(factorOf('wipe', [tick(600, 20)])).toBeCloseTo(Math.sqrt(3), 9);
  expect(factorOf('load', [tick(30, 20)])).toBe(1);
  const elsewhere = { factor: 0.5, low: 0.3, high: 0.9, count: 7 };
  expect(learnTask('wipe', [], elsewhere)).toMatchObject({ factor: 0.5, count: 7 });
  expect(factorOf('wipe', [tick(20, 20)], elsewhere)).toBeCloseTo(Math.sqrt(0.5), 9);
});
