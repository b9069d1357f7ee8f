import { formatCount } from '@/core/shared';

/** Something that is due on a day, as the desk knows it. */
export interface DueThing {
  readonly day: string;
  readonly code: 'return' | 'arrives' | 'debt' | 'later' | 'review';
  readonly name: string;
}

/** What is due, in a few words; `name` is what it is of. */
export const dueWords = ({ code, name }: DueThing): string =>
  ({
    return: `last day to return: ${name}`,
    arrives: `arrives: ${name}`,
    debt: `out unsorted: ${name}`,
    later: `${formatCount(Number(name), 'thing')} put off until today`,
    review: `look again: ${name.toLowerCase()}`,
  })[code];
