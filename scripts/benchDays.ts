import { addDays, createRandom } from '@/core/shared';
import { planHomes, type HomesQuestion, type PlannedHome, type WorkJob } from '@/core/visits';
import { findDaysFaults } from '@test/daysChecker';

import { between, timesOf, type Row } from './benchRow';

const RUNS = 10;
const TODAY = '2026-11-30';
const clock = (): number => performance.now();

/** Homes of so many visits each, that share whoever leads and a helper, ready when there is hardly time. */
function homesQuestion(seed: number, { homes, visits }: { homes: number; visits: number }) {
  const random = createRandom(seed);
  const oneHome = (h: number): PlannedHome => ({
    id: `home${h}`,
    jobs: Array.from({ length: visits }, (_, i): WorkJob => ({
      id: `${h} ${i}`,
      sectionId: `${h} ${i}`,
      stage: 'whole',
      likelyMinutes: between(random, 100, 260),
      highMinutes: between(random, 260, 330),
      isHard: random() < 0.2,
      notBefore: random() < 0.1 ? addDays(TODAY, between(random, 3, 15)) : null,
      after: [],
    })),
    visitMinutes: 180,
    visitsPerWeek: between(random, 2, 4),
    weekdays: [1, 2, 3, 4, 5].filter(() => random() < 0.8).concat(6),
    fromMinute: 540,
    awayDays: [3, 10].map((day) => addDays(TODAY, day + between(random, 0, 4))),
    travelMinutes: 30,
    people: h % 2 === 0 ? ['Wren', 'Tilda'] : ['Tilda', 'Wren'],
    mostHardMinutes: 60,
    readyBy: addDays(TODAY, between(random, 25, 40)),
  });
  const hours = { fromMinute: 510, toMinute: 1020, weekMinutes: 28 * 60, awayDays: [] };
  return {
    today: TODAY,
    homes: Array.from({ length: homes }, (_, h) => oneHome(h)),
    workers: [
      { name: 'Wren', weekdays: [1, 2, 3, 4, 5], ...hours },
      { name: 'Tilda', weekdays: [2, 3, 4, 6], ...hours },
    ],
    kept: [],
  } satisfies HomesQuestion;
}

/** Days of several homes, beside taking each day as it comes. */
export const benchDays = (): Row[] => [
  benchOne('days of 8 homes, 20 sections each', { homes: 8, visits: 20 }),
  benchOne('days of 3 homes, 12 sections each', { homes: 3, visits: 12 }),
  benchOne('days of 1 home, 12 sections', { homes: 1, visits: 12 }),
];

function benchOne(what: string, size: { homes: number; visits: number }): Row {
  const answers = Array.from({ length: RUNS }, (_, seed) => {
    const question = homesQuestion(seed + 1, size);
    const plain = planHomes({ ...question, timeLimitMs: 0 }, { clock });
    const answer = planHomes(question, { clock });
    return { ...answer, plainLate: plain.lateDays, faults: findDaysFaults(question, answer) };
  });
  const sum = (of: (answer: (typeof answers)[number]) => number) =>
    answers.reduce((all, answer) => all + of(answer), 0);
  const proven = answers.filter(({ status }) => status === 'optimal').length;
  return {
    ...timesOf(
      what,
      answers.map(({ elapsedMs }) => elapsedMs),
    ),
    note:
      `late ${sum((a) => a.lateDays)} days in all, bound ${sum((a) => a.boundLateDays)}, ` +
      `taking days as they come ${sum((a) => a.plainLate)}; proven ${proven} of ${RUNS}; ` +
      `${sum((a) => a.faults.length)} rules broken`,
  };
}
