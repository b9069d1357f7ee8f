import type { FieldCommand } from '@/core/field';
import { formatCount } from '@/core/shared';
import type { VisitMark } from '@/core/visits';
import { walkMarkWords } from '../again/againWords';
import { taskWords } from '../setUp/setUpWords';

const MARK_WORDS: Readonly<Record<VisitMark, string>> = {
  arrive: 'Arrived',
  break: 'A break',
  goOn: 'Work goes on',
  leave: 'Left',
  goBack: 'The visit is not over yet',
};

type Kind = FieldCommand['kind'];
const NAMES: {
  readonly [K in Kind]: (command: Extract<FieldCommand, { readonly kind: K }>) => string;
} = {
  bought: ({ label }) => `${label}, bought`,
  bought_for_rooms: ({ label, parts }) =>
    `${label}, bought for ${formatCount(parts.length, 'room')}`,
  shortage: ({ isShort }) => (isShort ? 'Not to be had at a shop' : 'To be had again at a shop'),
  approved: ({ isApproved }) => (isApproved ? 'The client’s yes' : 'The client’s yes, taken back'),
  debt: ({ note }) => `Went out unsorted: ${note}`,
  debt_settled: () => 'What went out unsorted is sorted',
  step_over: ({ isEnd }) => (isEnd ? 'End of the session' : 'Next step of the session'),
  paused: ({ isPaused }) => (isPaused ? 'A break in the session' : 'The session goes on'),
  carried: () => 'A box, by the door',
  check_answered: ({ answer }) => `Possible again: ${answer ?? 'not said'}`,
  visit_mark: ({ mark }) => MARK_WORDS[mark],
  section_done: ({ isDone }) => (isDone ? 'A section, finished' : 'A section, open again'),
  packed: ({ isPacked }) => (isPacked ? 'Something, packed' : 'Something, not packed'),
  walk_line: ({ line }) =>
    `A place on the walk: ${line.marks.map((mark) => walkMarkWords[mark]).join(', ') || 'nothing noted'}`,
  look_made: ({ doneOn }) => (doneOn === null ? 'The look, open again' : 'The look is made'),
  test: ({ test }) => `The put-away test of ${test.personName}`,
  task: ({ isDone, task, of }) =>
    `${taskWords({ kind: task, of }, 'a unit')}: ${isDone ? 'done' : 'open again'}`,
  task_took: ({ tookMinutes }) =>
    tookMinutes === null ? 'How long a task took: not said' : `A task took ${tookMinutes} min`,
  air_noted: ({ air }) =>
    [
      'The air where paint dries:',
      air.airCelsius === null ? 'not measured' : `${air.airCelsius} °C`,
      air.isDamp ? 'and damp' : '',
    ]
      .filter(Boolean)
      .join(' '),
  unit_set_up: () => 'How a unit comes, what it weighs',
  liner_changed: ({ changedOn }) => `A liner, changed on ${changedOn}`,
  unit_measured: ({ unit, isNew }) => `${unit.name}, ${isNew ? 'measured' : 'measured again'}`,
  container_tried: ({ check }) =>
    check.goesIn && check.comesOut && check.doorShuts
      ? 'A container, tried and good'
      : 'A container, tried',
  container_corrected: ({ widthMm, depthMm, heightMm }) =>
    `A container measures ${widthMm} × ${depthMm} × ${heightMm} mm`,
  visit_noted: ({ done, promised, next }) =>
    `Of a visit: ${[done, promised, next].filter(Boolean).join('; ').slice(0, 80) || 'nothing noted'}`,
  move: ({ isDone }) => (isDone ? 'A move, done' : 'A move, open again'),
};

/** What was done on site, in a word or two. */
export const commandName = (command: FieldCommand): string =>
  (NAMES[command.kind] as (of: FieldCommand) => string)(command);

/** Beside what waits for a connection. */
export const WAITS_WORDS = 'waits to be sent';
