import type { ScheduleReason } from '@/core/visits';
import { assertNever, formatCount } from '@/core/shared';

/** `2.5 h`, or minutes below two hours. */
const minutesWords = (minutes: number): string =>
  minutes < 120 ? `${Math.round(minutes)} min` : `${Math.round(minutes / 6) / 10} h`;

/** Why no plan of the days exists, in a sentence; `task` names a task, `time` a minute of the plan. */
export function scheduleReasonWords(
  reason: ScheduleReason,
  { task, time }: { readonly task: (id: string) => string; readonly time: (at: number) => string },
): string {
  const name = task(reason.subject);
  switch (reason.code) {
    case 'task_too_long': {
      const takes = `${name} takes ${minutesWords(reason.minutes)}`;
      return reason.longestMinutes === 0
        ? `${takes} and there is no time to work.`
        : `${takes}, the longest stretch of work is ${minutesWords(reason.longestMinutes)}.`;
    }
    case 'too_few_people': {
      const there = reason.has === 1 ? 'one is' : `${reason.has} are`;
      return `${name} wants ${formatCount(reason.needs, 'person', 'people')}, ${there} there.`;
    }
    case 'no_skill':
      return `${name} wants “${reason.skill}”, and nobody there has it.`;
    case 'chain_too_long': {
      const last = `${time(reason.lastEnd)}, when the last stretch of work ends.`;
      return reason.endsAt > reason.lastEnd
        ? `${name}, with all that comes before it, ends after ${last}`
        : `${name} and what has to follow it do not end by ${last}`;
    }
    case 'too_much_work': {
      const whose = reason.subject === 'crew' ? '' : ` for “${reason.subject}”`;
      const has = minutesWords(reason.hasMinutes);
      return `There are ${minutesWords(reason.needMinutes)} of work${whose}, and ${has} to do it in.`;
    }
    case 'no_arrangement':
      return 'There is time enough in all, but no order of the tasks keeps each within one stretch of work.';
    default:
      return assertNever(reason);
  }
}
