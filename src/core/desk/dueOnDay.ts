import type { DueThing } from './findDue';

/**
 * What stands on a day: what falls on it, and today also what should have happened before. Of looks at one place
 * that nobody made only the latest stands there: it does for those before it. O(passed × due).
 */
export function dueOnDay<T extends DueThing & { readonly homeName: string }>(
  due: readonly T[],
  day: string,
  today: string,
): T[] {
  const onDay = due.filter((each) => each.day === day);
  if (day !== today) return onDay;
  const placeOf = ({ homeName, name }: T) => `${homeName} ${name}`;
  const passed = due.filter((each) => each.day < today);
  const isOvertaken = (look: T) =>
    [...passed, ...onDay].some(
      (other) =>
        other.code === 'review' && other.day > look.day && placeOf(other) === placeOf(look),
    );
  return [...passed.filter((each) => each.code !== 'review' || !isOvertaken(each)), ...onDay];
}
