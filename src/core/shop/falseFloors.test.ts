import { aBay, aUnit, HALL, mm } from '@test/builders';
import { cpuClock as clock } from '@test/cpuClock';
import { bayInsideOf, baySchema } from '../look';
import { falseFloorsOf, materialsSchema, planRoll, toPanelRequest } from '.';

const withFloor = (id: string, more: object = {}) =>
  baySchema.parse({ ...aBay({ id }), access: { falseFloor: mm(40) }, ...more });
const materials = materialsSchema.parse({
  id: HALL,
  boards: [],
  kerf: mm(3),
  carLength: null,
  cuts: [],
  roll: null,
  linedBayIds: [],
  panel: { width: mm(1220), length: mm(2440), priceMinor: 2400 },
});

test('each place with a false floor wants a sheet a little smaller than it is inside', () => {
  const unit = aUnit({
    bays: [withFloor('sink'), aBay({ id: 'plain' }), withFloor('aside', { outOfScope: true })],
  });
  const inside = bayInsideOf(unit.bays[0]!);
  expect(falseFloorsOf([unit])).toEqual([
    {
      id: 'sink',
      name: unit.bays[0]!.name,
      widthMm: inside.widthMm - 4,
      depthMm: inside.depthMm - 4,
      around: [],
    },
  ]);
});

test('what does not pass the opening is cut in parts, and around what comes up through it', () => {
  const bay = withFloor('sink', {
    widthReadings: [mm(1004)],
    depthReadings: [mm(554)],
    openingWidth: mm(450),
    obstacles: [
      { label: 'trap', x: 400, y: 300, z: 0, width: 100, depth: 100, height: 300 },
      { label: 'pipe above', x: 0, y: 500, z: 200, width: 1004, depth: 40, height: 40 },
    ],
  });
  const pieces = falseFloorsOf([aUnit({ bays: [bay] })]);
  expect(pieces.map(({ widthMm, depthMm }) => [Math.round(widthMm), depthMm])).toEqual([
    [333, 550],
    [333, 550],
    [333, 550],
  ]);
  expect(pieces[0]?.around).toEqual(['trap']);
  // Edge on it passes where it is no deeper than the opening is wide.
  const shallow = withFloor('sink', { ...bay, openingWidth: mm(560) });
  expect(falseFloorsOf([aUnit({ bays: [shallow] })])).toHaveLength(1);
});

test('sheets are laid out with a saw cut between the pieces, as few as do', () => {
  const bays = ['a', 'b', 'c', 'd'].map((id, rowIndex) =>
    withFloor(id, { rowIndex, widthReadings: [mm(611)], depthReadings: [mm(1220)] }),
  );
  const request = toPanelRequest(materials, [aUnit({ bays })]);
  expect(request?.roll).toEqual({ widthMm: 1223, lengthMm: 2443, priceMinor: 2400 });
  // 607 and a cut, twice across 1,223; 1,216 and a cut, twice along 2,443.
  expect(request?.pieces.map(({ widthMm, depthMm }) => [widthMm, depthMm])).toEqual(
    Array(4).fill([610, 1219]),
  );
  expect(request && planRoll(request, { clock }).rolls).toBe(1);
  expect(toPanelRequest({ ...materials, panel: null }, [aUnit({ bays })])).toBeUndefined();
  expect(toPanelRequest(materials, [aUnit({ bays: [aBay()] })])).toBeUndefined();
});
