import { addMinutes, format } from 'date-fns';

import { methodNames, type MethodName, type SessionProgress } from '@/core/sort';
import { schoolChoiceWords } from '../words';

/** A shipped method by its words, an own one by its name. */
export const methodWords = (method: string): string =>
  methodNames.includes(method as MethodName) ? (schoolChoiceWords[method] ?? method) : method;

/** The pace and what follows from it, in sentences a person would say. */
export function progressWords(
  { pace, decisionCount, decisionsLeft, forecast, skipCount, stepPerMinute }: SessionProgress,
  now: Date | undefined,
): string {
  const parts: string[] = [];
  if (decisionCount === 0) parts.push('No decision yet in this session');
  else
    parts.push(
      `${decisionCount} decisions, ${(pace.nowPerMinute ?? pace.decisionsPerMinute).toFixed(1)} a minute${stepPerMinute > 0 ? `, ${stepPerMinute.toFixed(1)} in this step` : ''}`,
    );
  if (decisionsLeft !== undefined && forecast && now) {
    const at = (minutes: number) => format(addMinutes(now, minutes), 'HH:mm');
    parts.push(
      `about ${decisionsLeft} to go: done by ${at(forecast.likelyMinutes)} in half of the cases, by ${at(forecast.highMinutes)} in four of five (from ${forecast.restsOn} intervals)`,
    );
  } else if (decisionsLeft !== undefined) parts.push('too little to go on for a forecast');
  if (skipCount > 0)
    parts.push(
      `to be ready in time leave ${skipCount} of them for another visit, the small things first`,
    );
  if (pace.breakBecause === 'putting_off') parts.push('many are put off: a break is due');
  if (pace.breakBecause === 'slowing') parts.push('the pace is falling: a break is due');
  return `${parts.join('; ')}.`;
}
