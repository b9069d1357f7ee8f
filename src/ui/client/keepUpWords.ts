import { parseISO, setMonth } from 'date-fns';

import type { KeepUp } from '@/core/client';
import { capital, assertNever, formatCount, formatDate } from '@/core/shared';

const monthName = (month: number): string =>
  formatDate(setMonth(new Date(2026, 0, 1), month - 1), 'MMMM');
const longDay = (day: string): string => formatDate(parseISO(day), 'd MMMM yyyy');

/** How a room is kept up, as the client reads it. */
export function keepUpWords(line: KeepUp): string {
  switch (line.code) {
    case 'refill':
      return `When the open stock runs out, refill it from ${line.groupName.toLowerCase()} (${line.bayName}), then buy.`;
    case 'empty':
      return `${capital(line.bin)}: emptied ${line.when}${line.who === '' ? '' : `, by ${line.who}`}.`;
    case 'season':
      return `In ${monthName(line.month)}: ${line.groupName.toLowerCase()} to the front, what was there behind it.`;
    case 'one_in_one_out':
      return `${line.bayName} is ${line.fullPercent} % full: for each thing that comes in, one goes.`;
    case 'liner':
      return `${line.bayName}: take the liner out and wash it every two months.`;
    case 'dates':
      return `Look through the dates by ${longDay(line.day)}: ${line.name} runs out first.`;
    case 'later':
      return `On ${longDay(line.day)}, open the box of ${formatCount(line.count, 'thing')} that were put off, and decide.`;
    case 'front':
      return `${line.groupName}: used daily, so nothing is put in front of it.`;
    default:
      return assertNever(line);
  }
}
