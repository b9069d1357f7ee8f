import fc from 'fast-check';

import { aDatabase, aFixture, aPlan, aUnit, HALL, HOME, mm, onWall, loadAll } from '@test/builders';
import { roomCheckSchema } from '@/core/look';
import { checkIdSchema, invariant, unitIdSchema } from '@/core/shared';
import { moveChange } from '@/data/changes';
import type { Db } from '@/data/db';
import { bayRecord, unitRecord } from '@/data/records';
import { drawingPages, drawingSvg, gatherDrawing, tilesOf } from './drawings';
import { answerRoomChecks } from './roomChecks';
import { movePlanItem, noteRoom, removeFixture, saveFixture, saveRoomPlan } from './savePlan';

let db: Db;
const records = () => loadAll(db, HOME);
const bed = roomCheckSchema.parse({
  id: 'bed',
  text: 'the bed folds out',
  answer: null,
  clear: { surface: 'floor', width: mm(1400), depth: mm(2000), place: null, unitId: null },
});
const unit = aUnit({ name: 'Cupboard' });
beforeEach(async () => {
  db = await aDatabase();
  await db(unitRecord.table.name).insert(unitRecord.table.toRow(unit));
  for (const bay of unit.bays) await db(bayRecord.table.name).insert(bayRecord.table.toRow(bay));
});
afterEach(() => db.destroy());

test('walls that go round are kept, others are refused with nothing changed', async () => {
  expect(await saveRoomPlan(db, HOME, { roomId: HALL, plan: aPlan })).toEqual({
    ok: true,
    value: undefined,
  });
  const gap = {
    walls: aPlan.walls.map((wall, i) => (i === 0 ? { ...wall, length: mm(3000) } : wall)),
  };
  expect(await saveRoomPlan(db, HOME, { roomId: HALL, plan: gap })).toMatchObject({
    ok: false,
    error: { code: 'walls_do_not_meet', acrossMm: -1000 },
  });
  expect((await records()).rooms[0]?.plan).toEqual(aPlan);
});

test('units, fixtures and clear spaces are moved one by one, and each move is undone by itself', async () => {
  await saveRoomPlan(db, HOME, { roomId: HALL, plan: aPlan });
  const fixtureId = await saveFixture(db, HOME, { ...aFixture(), id: undefined });
  await noteRoom(db, HOME, {
    roomId: HALL,
    deed: { code: 'hours_noted' },
    change: { checks: [bed] },
  });
  await movePlanItem(db, HOME, { kind: 'unit', id: unit.id }, onWall(1, 300));
  await movePlanItem(db, HOME, { kind: 'fixture', id: fixtureId }, onWall(2, 700));
  await movePlanItem(db, HOME, { kind: 'clear', id: bed.id, roomId: HALL }, onWall(3, 10, 20));
  const places = async () => {
    const { units, fixtures, rooms } = await records();
    return [
      units[0]?.place?.wallIndex,
      fixtures[0]?.place.wallIndex,
      rooms[0]?.checks[0]?.clear?.place?.wallIndex,
    ];
  };
  expect(await places()).toEqual([1, 2, 3]);
  await moveChange(db, HOME, 'undo');
  expect(await places()).toEqual([1, 2, undefined]);
  await moveChange(db, HOME, 'undo');
  expect(await places()).toEqual([1, 0, undefined]);
  await movePlanItem(db, HOME, { kind: 'unit', id: unit.id }, null);
  expect(await places()).toEqual([undefined, 0, undefined]);
  await removeFixture(db, HOME, fixtureId);
  expect((await records()).fixtures).toEqual([]);
});

test.each([
  { kind: 'unit', id: unitIdSchema.parse('nothing') } as const,
  { kind: 'clear', id: checkIdSchema.parse('nothing'), roomId: HALL } as const,
])('what is not there cannot be moved: $kind', async (item) => {
  await expect(movePlanItem(db, HOME, item, onWall(0, 0))).rejects.toMatchObject({
    code: 'not_found',
  });
});

test('a check is answered by the plan until somebody answers it', async () => {
  await noteRoom(db, HOME, {
    roomId: HALL,
    deed: { code: 'hours_noted' },
    change: { checks: [bed] },
  });
  const answer = async () =>
    answerRoomChecks(await records(), HALL).map(({ isMet, isComputed }) => [isMet, isComputed]);
  expect(await answer()).toEqual([[undefined, false]]);
  await saveRoomPlan(db, HOME, { roomId: HALL, plan: aPlan });
  // Floor somewhere is no yes; where it was put, or before what it is for, it is.
  expect(await answer()).toEqual([[undefined, false]]);
  const askBefore = async (unitId: typeof unit.id) => {
    invariant(bed.clear, 'a bed wants floor');
    const before = { ...bed, clear: { ...bed.clear, unitId } };
    await noteRoom(db, HOME, {
      roomId: HALL,
      deed: { code: 'hours_noted' },
      change: { checks: [before] },
    });
    return answer();
  };
  await movePlanItem(db, HOME, { kind: 'unit', id: unit.id }, null);
  expect(await askBefore(unit.id)).toEqual([[undefined, false]]);
  await movePlanItem(db, HOME, { kind: 'unit', id: unit.id }, onWall(0, 0));
  expect(await askBefore(unit.id)).toEqual([[true, true]]);
  await movePlanItem(db, HOME, { kind: 'clear', id: bed.id, roomId: HALL }, onWall(0, 400));
  await movePlanItem(db, HOME, { kind: 'unit', id: unit.id }, onWall(0, 0));
  expect(await answer()).toEqual([[false, true]]);
  await noteRoom(db, HOME, {
    roomId: HALL,
    deed: { code: 'hours_noted' },
    change: { checks: [{ ...bed, answer: 'yes' }] },
  });
  expect(await answer()).toEqual([[true, false]]);
});

test('drawings: a plan wants walls, a front wants units; both come at their scale and say it', async () => {
  const request = { roomId: HALL, unitId: undefined, scale: 20 } as const;
  expect(gatherDrawing(await records(), { ...request, kind: 'plan' })).toBeUndefined();
  await saveRoomPlan(db, HOME, { roomId: HALL, plan: aPlan });
  for (const kind of ['plan', 'front', 'unit'] as const) {
    const drawing = gatherDrawing(await records(), { ...request, kind, unitId: unit.id });
    if (!drawing) throw new Error(`no ${kind}`);
    const svg = drawingSvg(drawing, 20);
    const width = Math.max(...drawing.sketches.map(({ sketch }) => sketch.width));
    expect(Number(/width="([\d.]+)mm"/.exec(svg)?.[1])).toBeCloseTo(width / 20, 1);
    expect(drawingPages(drawing, { scale: 20, home: 'Home', day: 'today', fontCss: '' })).toContain(
      '1:20, print at 100 %',
    );
  }
  expect(
    gatherDrawing(await records(), {
      ...request,
      kind: 'unit',
      unitId: unitIdSchema.parse('none'),
    }),
  ).toBeUndefined();
});

test('sheets cover a drawing without a gap, none larger than A4 takes', () =>
  fc.assert(
    fc.property(
      fc.integer({ min: 100, max: 30_000 }),
      fc.integer({ min: 100, max: 30_000 }),
      fc.constantFrom(10, 20),
      (width, depth, scale) => {
        const tiles = tilesOf({ x: 0, y: 0, width, depth, penMm: 5, marks: [] }, scale);
        for (const tile of tiles)
          expect(
            tile.widthMm <= 182 + 1e-9 &&
              tile.heightMm <= 236 + 1e-9 &&
              tile.widthMm > 0 &&
              tile.heightMm > 0,
          ).toBe(true);
        const covers = (x: number, y: number) =>
          tiles.some(
            (tile) =>
              x >= tile.x - 1e-6 &&
              x <= tile.x + tile.widthMm + 1e-6 &&
              y >= tile.y - 1e-6 &&
              y <= tile.y + tile.heightMm + 1e-6,
          );
        for (const u of [0, 0.25, 0.5, 0.77, 1])
          for (const v of [0, 0.3, 0.5, 0.9, 1])
            expect(covers((u * width) / scale, (v * depth) / scale)).toBe(true);
      },
    ),
    { numRuns: 100 },
  ));
