import { createRandom } from '@/core/shared';
import { layOutTasks, listTasks, type UnitToSetUp } from '@/core/setUp';

import { between, timesOf, type Row } from './benchRow';

const RUNS = 10;
const NOW = '2026-12-01T08:30:00.000Z';
const clock = (): number => performance.now();

/** A room of eight units with everything to do in it: some sixty tasks, paint that dries between. */
function fullRoom(seed: number) {
  const random = createRandom(seed);
  const units = Array.from({ length: 8 }, (_, i): UnitToSetUp => ({
    id: `u${i}`,
    name: `Unit ${i}`,
    comes: i % 4 === 0 ? 'moved' : 'stays',
    needsTwo: random() < 0.4,
    alikeBefore: 0,
    heightMm: 1900,
    wantsAnchoring: true,
    isAnchored: random() < 0.3,
    placeCount: between(random, 3, 8),
    floorCount: 0,
    linedCount: between(random, 1, 5),
    ownedCount: between(random, 1, 6),
    containerCount: between(random, 2, 12),
    litres: between(random, 100, 700),
    heaviestG: between(random, 1000, 20_000),
    labelCount: between(random, 3, 14),
  }));
  return listTasks(
    {
      units,
      paint: {
        surfaces: ['back', 'left'].map((name) => ({
          name,
          squareMetres: between(random, 2, 9),
          heightMm: 2300,
        })),
        coats: 2,
        dryHours: 4,
        cureDays: 2,
      },
      pieceCount: 6,
      fixings: [{ name: 'Rail', things: 2 }],
      spotCount: 2,
      carryCount: 30,
      liftLimitG: 15_000,
    },
    { airCelsius: 17, isDamp: false },
  );
}

/** A full room's working list, laid out for two and for four. */
export function benchSetUp(): Row[] {
  const windows = Array.from({ length: 30 }, (_, day) => {
    const date = new Date(Date.parse('2026-12-01T00:00:00.000Z') + day * 86_400_000)
      .toISOString()
      .slice(0, 10);
    return { from: `${date}T09:00:00.000Z`, to: `${date}T13:00:00.000Z` };
  });
  return [2, 4].map((count) => {
    const people = Array.from({ length: count }, (_, i) => ({ name: `p${i}`, hasDrill: i === 0 }));
    let taskCount = 0;
    let proven = 0;
    const times = Array.from({ length: RUNS }, (_, seed) => {
      const tasks = fullRoom(seed + 1);
      taskCount += tasks.length;
      const started = performance.now();
      const plan = layOutTasks({ tasks, done: [], people, windows, now: NOW }, { clock });
      if (plan.tasks.length !== tasks.length) throw new Error('a task was left out');
      if (plan.status === 'optimal') proven += 1;
      return performance.now() - started;
    });
    return {
      ...timesOf(`set-up, ${Math.round(taskCount / RUNS)} tasks, ${count} people`, times),
      note: `${proven} of ${RUNS} proven`,
    };
  });
}
