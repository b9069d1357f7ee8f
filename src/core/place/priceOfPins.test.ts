import { loadSolver } from '../shared';
import { applyWhatIf, planZones, priceOfPins, zonesRequestSchema } from '.';

const request = zonesRequestSchema.parse({
  bays: [
    { id: 'near', litres: 20, x: 0, y: 0, z: 900 },
    { id: 'far', litres: 20, x: 6000, y: 0, z: 900 },
  ],
  stations: [{ id: 's', name: 'Sink', x: 0, y: 0 }],
  people: [{ id: 'tom', heightMm: 1800 }],
  groups: [
    {
      id: 'summer',
      name: 'S',
      litres: 15,
      usesPerWeek: 0,
      stationId: 's',
      userIds: ['tom'],
      fixedBayId: 'near',
    },
    { id: 'winter', name: 'W', litres: 15, usesPerWeek: 10, stationId: 's', userIds: ['tom'] },
  ],
});

test('the price of a pin is what the best arrangement without it saves', async () => {
  const means = { solver: await loadSolver(), clock: () => 0, timeLimitMs: 1000 };
  const answer = planZones(request, means);
  // Winter things walk 2 × 6 m ten times a week because summer things keep the near place.
  expect(priceOfPins(request, answer, means)).toEqual([
    {
      groupId: 'summer',
      bayId: 'near',
      secondsPerWeek: expect.closeTo(100, 6) as number,
      isProven: true,
    },
  ]);
});

test('what if: a lost bay takes its pin along, a shelf gives one bay what it takes from the other, a height is another’s', () => {
  const lost = applyWhatIf(request, [{ kind: 'bay_lost', bayId: 'near' }]);
  expect([lost.bays.map(({ id }) => id), lost.groups.map(({ fixedBayId }) => fixedBayId)]).toEqual([
    ['far'],
    [undefined, undefined],
  ]);
  const moved = applyWhatIf(request, [
    {
      kind: 'shelf_moved',
      bayId: 'near',
      belowBayId: 'far',
      byMm: 100,
      heightMm: 400,
      belowHeightMm: 400,
    },
    { kind: 'person_height', personId: 'tom', heightMm: 1500 },
  ]);
  expect(moved.bays.map(({ litres, z }) => [litres, z])).toEqual([
    [15, 1000],
    [25, 900],
  ]);
  expect(moved.people[0]?.heightMm).toBe(1500);
  expect(
    applyWhatIf(request, [
      {
        kind: 'shelf_moved',
        bayId: 'near',
        belowBayId: 'far',
        byMm: 400,
        heightMm: 400,
        belowHeightMm: 400,
      },
    ]),
  ).toEqual(request);
});
