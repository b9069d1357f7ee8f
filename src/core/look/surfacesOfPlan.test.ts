import { aBay, aFixture, aPlan, aUnit, mm, onWall } from '@test/builders';
import { shelvesOfUnits, surfacesOfPlan } from './surfacesOfPlan';

const areas = (fixtures: Parameters<typeof surfacesOfPlan>[1], roomHeightMm = 2500) =>
  surfacesOfPlan(aPlan, fixtures, roomHeightMm).map(
    ({ widthMm, heightMm }) => Math.round((widthMm * heightMm) / 1e4) / 100,
  );

test('walls and ceiling of a room of 4 by 3 m, 2.5 m high', () => {
  expect(areas([])).toEqual([10, 7.5, 10, 7.5, 12]);
});

test('a door and a window are taken off their wall, as far as they are below the ceiling', () => {
  const door = aFixture();
  const window = aFixture({
    id: 'window',
    kind: 'window',
    name: 'Window',
    place: onWall(1, 500),
    width: mm(1000),
    bottom: mm(900),
    top: mm(2100),
    swing: null,
  });
  const socket = aFixture({ id: 's', kind: 'socket', name: 'Socket', swing: null });
  expect(areas([door, window, socket])).toEqual([8.4, 6.3, 10, 7.5, 12]);
  // Under a ceiling of 2 m the window ends at 2 m.
  expect(areas([window], 2000)).toEqual([8, 4.9, 8, 6, 12]);
  expect(surfacesOfPlan(aPlan, [door], 2500)[0]?.openingNames).toEqual(['Door']);
});

test('walls that do not close have no surfaces', () => {
  const [first, ...rest] = aPlan.walls;
  if (!first) throw new Error('the plan has walls');
  const open = { walls: [{ ...first, length: mm(9000) }, ...rest] };
  expect(surfacesOfPlan(open, [], 2500)).toEqual([]);
});

test('shelves that are alike are counted together; drawers and what is not in scope are none', () => {
  const bays = [
    aBay(),
    aBay({ id: 'b', rowIndex: 1 }),
    aBay({ id: 'c', rowIndex: 2, depthReadings: [mm(250), mm(245)] }),
    aBay({ id: 'd', rowIndex: 3, pullOut: true }),
    aBay({ id: 'e', rowIndex: 4, outOfScope: true }),
  ];
  expect(shelvesOfUnits([aUnit({ bays }), aUnit({ id: 'none', bays: [] })])).toEqual([
    { unitName: 'Cupboard', widthMm: 800, depthMm: 300, count: 2 },
    { unitName: 'Cupboard', widthMm: 800, depthMm: 245, count: 1 },
  ]);
});
