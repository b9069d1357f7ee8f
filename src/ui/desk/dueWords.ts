import type { DueThing } from '@/core/desk';
import { formatCount } from '@/core/shared';

/** What is due, in a few words; `name` is what it is of. */
export const dueWords = ({ code, name }: DueThing): string =>
  ({
    return: `last day to return: ${name}`,
    arrives: `arrives: ${name}`,
    debt: `out unsorted: ${name}`,
    later: `${formatCount(Number(name), 'thing')} put off until today`,
    labels: `labels have settled: ${name.toLowerCase()}`,
    liner: `change the liner: ${name}`,
    review: `look again: ${name.toLowerCase()}`,
  })[code];
