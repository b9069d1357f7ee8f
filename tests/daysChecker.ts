import { handsShareOf } from '@/core/agree';
import { addDays, daysBetween } from '@/core/shared';
import type { HomesAnswer, HomesQuestion, PlannedHome, ProposedVisit } from '@/core/visits';

/** 1 is Monday, as in the question. */
const weekdayOf = (day: string) => (((daysBetween('2024-01-01', day) % 7) + 7) % 7) + 1;
const weekOf = (day: string) => addDays(day, 1 - weekdayOf(day));
const lengthOf = (visit: { fromMinute: number; toMinute: number }) =>
  visit.toMinute - visit.fromMinute;

/**
 * What is wrong with days that were planned, read from the question alone: it shares no code with the
 * planner but what hands get done.
 */
export function findDaysFaults(question: HomesQuestion, answer: HomesAnswer): string[] {
  return [
    ...answer.visits.flatMap((visit) => {
      const home = question.homes.find(({ id }) => id === visit.homeId);
      return home
        ? [
            ...said([[visit.day <= question.today, 'not after today']]),
            ...homeFaults(home, visit),
            ...energyFaults(home, visit),
            ...visit.people.flatMap((name) => workerFaults(question, name, visit)),
            ...meetingFaults(question, answer, visit),
          ]
        : ['no such home'];
    }),
    ...question.homes.flatMap((home) => [
      ...weekFaults(question, answer, home),
      ...workFaults(answer, home),
    ]),
    ...hoursFaults(question, answer),
  ];
}

const said = (faults: readonly (readonly [boolean, string])[]): string[] =>
  faults.flatMap(([isSo, words]) => (isSo ? [words] : []));

const homeFaults = (home: PlannedHome, visit: ProposedVisit): string[] => {
  const minutes = visit.parts.reduce((sum, part) => sum + part.minutes, 0);
  return said([
    [!home.weekdays.includes(weekdayOf(visit.day)), 'not a day of the home'],
    [home.awayDays.includes(visit.day), 'the client is away'],
    [visit.fromMinute < home.fromMinute, 'too early'],
    [lengthOf(visit) > home.visitMinutes, 'too long'],
    [home.people.length > 0 && visit.people[0] !== home.people[0], 'nobody leads'],
    [minutes > lengthOf(visit) + 1e-6, 'more than it holds'],
  ]);
};

function energyFaults(home: PlannedHome, visit: ProposedVisit): string[] {
  const isHard = (part: ProposedVisit['parts'][number]) =>
    home.jobs.some(
      (job) => job.sectionId === part.sectionId && job.stage === part.stage && job.isHard,
    );
  const hard = visit.parts.filter(isHard);
  const last = visit.parts.at(-1);
  return said([
    [
      hard.reduce((sum, { minutes }) => sum + minutes, 0) > home.mostHardMinutes + 1e-6,
      'too long at papers',
    ],
    [hard.length < visit.parts.length && last !== undefined && isHard(last), 'papers last'],
  ]);
}

function workerFaults(question: HomesQuestion, name: string, visit: ProposedVisit): string[] {
  const worker = question.workers.find((each) => each.name === name);
  if (!worker) return [];
  return said([
    [!worker.weekdays.includes(weekdayOf(visit.day)), `${name} does not work`],
    [worker.awayDays.includes(visit.day), `${name} is away`],
    [
      visit.fromMinute < worker.fromMinute || visit.toMinute > worker.toMinute,
      `${name} works other hours`,
    ],
  ]);
}

function meetingFaults(
  question: HomesQuestion,
  { visits }: HomesAnswer,
  visit: ProposedVisit,
): string[] {
  const travelOf = (id: string) =>
    question.homes.find((home) => home.id === id)?.travelMinutes ?? 0;
  return [...question.kept, ...visits]
    .filter((other) => other !== visit && other.day === visit.day)
    .flatMap((other) => {
      const gap = Math.max(travelOf(visit.homeId), travelOf(other.homeId));
      return said([
        [other.homeId === visit.homeId, 'twice a day'],
        [
          other.people.some((name) => visit.people.includes(name)) &&
            visit.fromMinute < other.toMinute + gap &&
            other.fromMinute < visit.toMinute + gap,
          'in two homes at once',
        ],
      ]);
    });
}

function weekFaults(question: HomesQuestion, answer: HomesAnswer, home: PlannedHome): string[] {
  const own = answer.visits.filter(({ homeId }) => homeId === home.id);
  const kept = question.kept.filter(({ homeId }) => homeId === home.id);
  const days = [...new Set([...own, ...kept].map(({ day }) => day))];
  return own.flatMap(({ day }) =>
    days.filter((each) => weekOf(each) === weekOf(day)).length > home.visitsPerWeek
      ? ['too many a week']
      : [],
  );
}

/** All of the work is there, and none of it before what it waits for. */
function workFaults(answer: HomesAnswer, home: PlannedHome): string[] {
  const own = answer.visits.filter(({ homeId }) => homeId === home.id);
  const isLeft = answer.homes.every(
    ({ homeId, likelyDay }) => homeId !== home.id || likelyDay === null,
  );
  const visitsOf = ({ sectionId, stage }: PlannedHome['jobs'][number]) =>
    own.filter(({ parts }) => parts.some((p) => p.sectionId === sectionId && p.stage === stage));
  return home.jobs.flatMap((job) => {
    const done = visitsOf(job).reduce(
      (sum, { parts, people }) =>
        sum +
        parts
          .filter((part) => part.sectionId === job.sectionId && part.stage === job.stage)
          .reduce((all, { minutes }) => all + minutes * handsShareOf(people.length), 0),
      0,
    );
    const [first] = visitsOf(job);
    return [
      ...said([
        [!isLeft && Math.abs(done - job.likelyMinutes) > 1e-3, 'work is missing'],
        [
          first !== undefined && job.notBefore !== null && first.day < job.notBefore,
          'before it is delivered',
        ],
      ]),
      ...job.after.flatMap(({ jobId, lagHours }) => {
        const before = home.jobs.find(({ id }) => id === jobId);
        const last = before && visitsOf(before).at(-1);
        if (!first || !last) return [];
        const hours =
          daysBetween(last.day, first.day) * 24 + (first.fromMinute - last.toMinute) / 60;
        return hours < lagHours - 1e-6 ? ['before it is dry'] : [];
      }),
    ];
  });
}

function hoursFaults(question: HomesQuestion, answer: HomesAnswer): string[] {
  return question.workers.flatMap(({ name, weekMinutes }) => {
    if (weekMinutes === null) return [];
    const isOwn = ({ people }: { people: readonly string[] }) => people.includes(name);
    const all = [...question.kept, ...answer.visits].filter(isOwn);
    return answer.visits.filter(isOwn).flatMap(({ day }) => {
      const week = all.filter((visit) => weekOf(visit.day) === weekOf(day));
      return week.reduce((sum, visit) => sum + lengthOf(visit), 0) > weekMinutes
        ? [`${name} works more than the week`]
        : [];
    });
  });
}
