import { createRandom } from '@/core/shared';
import { planSchedule, scheduleRequestSchema, type ScheduleRequest } from '@/core/visits';
import { toScheduleProblem } from '@/core/visits/scheduleProblem';
import { planPlainly } from '@/core/visits/searchSchedule';
import { homeSchedule } from '@test/scheduleArbitrary';
import { scheduleFaults } from '@test/scheduleOracle';

import { between, timesOf, type Row } from './benchRow';

const RUNS = 10;
const clock = (): number => performance.now();

/** Windows that just hold what is planted in them: each person is at work in every minute of each. */
function plantedSchedule(seed: number): ScheduleRequest {
  const random = createRandom(seed);
  const tasks: { id: string; minutes: number; people: number }[] = [];
  const windows = [0, 1, 2, 3].map((day) => ({ start: day * 1440 + 540, end: day * 1440 + 780 }));
  for (const { start, end } of windows)
    for (let person = 0; person < 3; person += 1)
      for (let at = start; at < end;) {
        const left = end - at;
        const minutes = left <= 60 ? left : Math.min(left - 15, between(random, 3, 12) * 5);
        tasks.push({ id: `t${tasks.length}`, minutes, people: 1 });
        at += minutes;
      }
  return scheduleRequestSchema.parse({
    tasks: tasks.sort(() => random() - 0.5),
    crew: ['a', 'b', 'c'].map((id) => ({ id })),
    windows,
  });
}

/** No home: any task may wait for any before it, people and skills as they come. */
function hardSchedule(seed: number): ScheduleRequest {
  const random = createRandom(seed);
  return scheduleRequestSchema.parse({
    tasks: Array.from({ length: 60 }, (_, i) => ({
      id: `t${i}`,
      minutes: between(random, 5, 120),
      people: between(random, 1, 3),
      ...(random() < 0.3 ? { skill: random() < 0.5 ? 'drill' : 'ladder' } : {}),
      after: [0, 1].flatMap(() =>
        i > 0 && random() < 0.4
          ? [{ task: `t${between(random, 0, i - 1)}`, lagMinutes: between(random, 0, 90) }]
          : [],
      ),
    })),
    crew: [['drill'], ['ladder'], ['drill', 'ladder'], []].map((skills, i) => ({
      id: `p${i}`,
      skills,
    })),
    windows: Array.from({ length: 16 }, (_, day) => ({
      start: day * 1440 + 480 + between(random, 0, 60),
      end: day * 1440 + 840 + between(random, 0, 120),
    })),
  });
}

/** Days of work, beside the plain list of the same request. */
export function benchSchedules(): Row[] {
  const home = (rooms: number, crew: number, windows: number) => (seed: number) =>
    homeSchedule(seed, { rooms, crew, windows });
  return [
    benchOne('windows that just hold it, 3 people', plantedSchedule),
    benchOne('60 tasks of any kind, 4 people', hardSchedule),
    benchOne('a home, 150 tasks, 5 people, 20 windows', home(19, 5, 20)),
    benchOne('a home, 40 tasks, 3 people, 8 windows', home(5, 3, 8)),
    benchOne('a home, 16 tasks, 2 people', home(2, 2, 8)),
  ];
}

function benchOne(what: string, requestOf: (seed: number) => ScheduleRequest): Row {
  const answers = Array.from({ length: RUNS }, (_, seed) => {
    const request = requestOf(seed + 1);
    const plain = planPlainly(toScheduleProblem(request)).endsAt;
    const lastEnd = Math.max(...request.windows.map(({ end }) => end));
    const answer = planSchedule(request, { clock });
    const faults = answer.objective === null ? [] : scheduleFaults(request, answer);
    return { ...answer, plain, hasPlain: plain <= lastEnd, faults };
  });
  const found = answers.flatMap(({ objective, bound, ...rest }) =>
    objective === null || bound === null ? [] : [{ ...rest, objective, bound }],
  );
  const gaps = found.map(({ objective, bound }) => 100 * (objective / bound - 1));
  const gains = found.flatMap(({ hasPlain, plain, objective }) =>
    hasPlain ? [100 * (plain / objective - 1)] : [],
  );
  const mean = (values: readonly number[]) =>
    values.length === 0 ? '-' : (values.reduce((a, b) => a + b, 0) / values.length).toFixed(2);
  return {
    ...timesOf(
      `schedule, ${what}`,
      answers.map(({ elapsedMs }) => elapsedMs),
    ),
    note:
      `${found.length} of ${RUNS} planned, ${answers.filter(({ hasPlain }) => hasPlain).length} by the plain list; ` +
      `${answers.filter(({ status }) => status === 'optimal').length} proven; above the bound mean ${mean(gaps)} %, ` +
      `at most ${Math.max(0, ...gaps).toFixed(2)} %; the plain list ends mean ${mean(gains)} % later; ` +
      `${answers.flatMap(({ faults }) => faults).length} rules broken`,
  };
}
