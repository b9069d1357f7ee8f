import { cpuClock as clock } from '@test/cpuClock';
import { loadSolver, type Solver } from '../shared';
import { leaveRoom, planZones, zonesRequestSchema } from '.';

let solver: Solver;
beforeAll(async () => {
  solver = await loadSolver();
});
const means = () => ({ solver, clock });

const request = (litres: readonly number[], fixedBayId?: string) =>
  zonesRequestSchema.parse({
    bays: [0, 1].map((i) => ({ id: `bay-${i}`, litres: 100, x: i * 1000, y: 0, z: 1000 })),
    stations: [{ id: 'middle', name: 'Middle', x: 0, y: 0 }],
    groups: litres.map((each, i) => ({
      id: `group-${i}`,
      name: `Group ${i}`,
      litres: each,
      stationId: 'middle',
      userIds: ['nora'],
      usesPerWeek: 7,
      ...(fixedBayId === undefined ? {} : { fixedBayId }),
    })),
    people: [{ id: 'nora', heightMm: 1680 }],
  });
const held = (asked: ReturnType<typeof request>, bayId: string): number =>
  planZones(asked, means()).assignment.reduce(
    (sum, place) =>
      sum +
      (place.bayId === bayId ? asked.groups.find(({ id }) => id === place.groupId)!.litres : 0),
    0,
  );

describe('leaving room in every place', () => {
  test('the nearest place is not filled to the brim, and what it leaves goes to the next', () => {
    const asked = request([32, 32, 32]);
    expect(held(asked, 'bay-0')).toBe(96);
    expect(held(leaveRoom(asked, 75), 'bay-0')).toBe(64);
    expect(held(leaveRoom(asked, 75), 'bay-1')).toBe(32);
  });
  test('what is pinned stays where it is, however full that is', () => {
    const full = leaveRoom(request([32, 32, 32], 'bay-1'), 75);
    expect(planZones(full, means()).status).toBe('optimal');
    expect(full.bays.map(({ litres }) => litres)).toEqual([75, 96]);
  });
});
