import fc from 'fast-check';

import { createRandom } from '@/core/shared';
import { scheduleRequestSchema, type ScheduleRequest } from '@/core/visits';

interface Size {
  readonly tasks: number;
  readonly crew: number;
  readonly windows: number;
  readonly mostMinutes: number;
}

/** Any request: chains, lags, skills, windows of any length; often one that cannot be done. */
export const scheduleRequestArb = ({
  tasks,
  crew,
  windows,
  mostMinutes,
}: Size): fc.Arbitrary<ScheduleRequest> =>
  fc
    .record({
      tasks: fc.array(
        fc.record({
          minutes: fc.integer({ min: 0, max: mostMinutes }),
          people: fc.integer({ min: 1, max: Math.min(3, crew) }),
          skill: fc.option(fc.constantFrom('drill', 'ladder'), { nil: undefined, freq: 3 }),
          after: fc.array(
            fc.record({
              back: fc.integer({ min: 1, max: 4 }),
              lagMinutes: fc.integer({ min: 0, max: mostMinutes }),
            }),
            { maxLength: 2 },
          ),
        }),
        { maxLength: tasks },
      ),
      crew: fc.array(fc.subarray(['drill', 'ladder']), { minLength: 1, maxLength: crew }),
      windows: fc.array(
        fc.record({
          gap: fc.integer({ min: 0, max: mostMinutes }),
          length: fc.integer({ min: 1, max: mostMinutes * 3 }),
        }),
        { minLength: 1, maxLength: windows },
      ),
    })
    .map((drawn) => {
      let at = 0;
      return scheduleRequestSchema.parse({
        tasks: drawn.tasks.map(({ minutes, people, skill, after }, i) => ({
          id: `t${i}`,
          minutes,
          people: Math.min(people, drawn.crew.length),
          ...(skill ? { skill } : {}),
          after: after
            .filter(({ back }) => back <= i)
            .map(({ back, lagMinutes }) => ({ task: `t${i - back}`, lagMinutes })),
        })),
        crew: drawn.crew.map((skills, i) => ({ id: `p${i}`, skills })),
        windows: drawn.windows.map(({ gap, length }) => {
          const start = at + gap;
          at = start + length;
          return { start, end: at };
        }),
      });
    });

/**
 * A home as it is worked on: in each room clear, wipe, paint twice with drying between, line, load
 * and label; some want two people, some the drill. Windows are mornings and afternoons.
 */
export function homeSchedule(
  seed: number,
  { rooms, crew, windows }: { rooms: number; crew: number; windows: number },
): ScheduleRequest {
  const random = createRandom(seed);
  const between = ([least, most]: readonly [number, number]) =>
    Math.round((least + random() * (most - least)) / 5) * 5;
  const STEPS = [
    { name: 'clear', minutes: [30, 90], people: 2 },
    { name: 'wipe', minutes: [15, 40] },
    { name: 'paint', minutes: [30, 90], lag: [20, 60] },
    { name: 'paint again', minutes: [25, 70], lag: [120, 300] },
    { name: 'assemble', minutes: [40, 120], people: 2 },
    { name: 'anchor', minutes: [15, 40], skill: 'drill' },
    { name: 'line', minutes: [15, 45] },
    { name: 'load', minutes: [40, 110], lag: [0, 720] },
  ] as const;
  return scheduleRequestSchema.parse({
    tasks: Array.from({ length: rooms }, (_, room) =>
      STEPS.map((step, s) => ({
        id: `${room} ${step.name}`,
        minutes: between(step.minutes),
        ...('people' in step && crew > 1 ? { people: step.people } : {}),
        ...('skill' in step ? { skill: step.skill } : {}),
        after:
          s === 0
            ? []
            : [
                {
                  task: `${room} ${STEPS[s - 1]?.name}`,
                  lagMinutes: 'lag' in step ? between(step.lag) : 0,
                },
              ],
      })),
    ).flat(),
    crew: Array.from({ length: crew }, (_, i) => ({
      id: `p${i}`,
      skills: i % 2 === 0 ? ['drill'] : [],
    })),
    windows: Array.from({ length: windows }, (_, w) => {
      const start = Math.floor(w / 2) * 1440 + (w % 2 === 0 ? 540 : 810);
      return { start, end: start + 210 };
    }),
  });
}
