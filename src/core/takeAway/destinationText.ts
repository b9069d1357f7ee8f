import { err, formatLength, ok, parseLength, type Result } from '../shared';
import type { HaulDestination } from './model';

/** A part of what was typed that makes no sense. */
export interface TextFault {
  readonly code: 'hours' | 'exceptions' | 'refuses';
  readonly found: string;
}
type Read<T> = Result<T, TextFault>;
type Hours = HaulDestination['hours'];
type Exceptions = HaulDestination['exceptions'];
type Refuses = HaulDestination['refuses'];

const DAYS = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'] as const;
const NAMES = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const;

const linesOf = (text: string): string[] =>
  text
    .split(/[;\n]/)
    .map((line) => line.trim())
    .filter((line) => line !== '');

const clock = (minute: number): string =>
  `${Math.floor(minute / 60)}:${String(minute % 60).padStart(2, '0')}`;

/** `9`, `9:30`, `09.30`, in minutes of the day. */
function readClock(text: string): number | undefined {
  const match = /^(\d{1,2})(?:[:.](\d{2}))?$/.exec(text.trim());
  if (!match) return undefined;
  const minute = Number(match[1]) * 60 + Number(match[2] ?? 0);
  return Number(match[2] ?? 0) < 60 && minute <= 1440 ? minute : undefined;
}
function readSpan(text: string): { readonly from: number; readonly to: number } | undefined {
  const [a, b, ...more] = text.split(/\s*(?:-|–|to)\s*/);
  const [from, to] = [readClock(a ?? ''), readClock(b ?? '')];
  return more.length === 0 && from !== undefined && to !== undefined && from < to
    ? { from, to }
    : undefined;
}

/** `Mon-Fri 9:00-12:00, 14:00-17:30`, a line or a semicolon between. */
export function readHours(text: string): Read<Hours> {
  const hours: Hours = [];
  for (const line of linesOf(text)) {
    const match = /^([a-z]{3})[a-z]*(?:\s*(?:-|–|to)\s*([a-z]{3})[a-z]*)?\s+(.+)$/i.exec(line);
    const first = DAYS.indexOf((match?.[1] ?? '').toLowerCase() as 'mon');
    const last = match?.[2] ? DAYS.indexOf(match[2].toLowerCase() as 'mon') : first;
    const spans = (match?.[3] ?? '').split(/\s*(?:,|and)\s*/).map(readSpan);
    if (first < 0 || last < first || spans.includes(undefined) || spans.length === 0)
      return err({ code: 'hours', found: line });
    for (let day = first; day <= last; day += 1)
      for (const span of spans) if (span) hours.push({ weekday: day + 1, ...span });
  }
  const sorted = hours.sort((a, b) => a.weekday - b.weekday || a.from - b.from);
  const overlap = sorted.find((each, i) => {
    const next = sorted[i + 1];
    return next?.weekday === each.weekday && next.from < each.to;
  });
  return overlap
    ? err({ code: 'hours', found: `${NAMES[overlap.weekday - 1]} ${clock(overlap.from)}` })
    : ok(sorted);
}

/** Days of the same hours together. */
export function writeHours(hours: Hours): string {
  const byDay = NAMES.map((_, i) =>
    hours
      .filter(({ weekday }) => weekday === i + 1)
      .sort((a, b) => a.from - b.from)
      .map(({ from, to }) => `${clock(from)}-${clock(to)}`)
      .join(', '),
  );
  const lines: string[] = [];
  for (let first = 0; first < 7; first += 1) {
    if (byDay[first] === '') continue;
    let last = first;
    while (last < 6 && byDay[last + 1] === byDay[first]) last += 1;
    const days = last === first ? NAMES[first] : `${NAMES[first]}-${NAMES[last]}`;
    lines.push(`${days} ${byDay[first]}`);
    first = last;
  }
  return lines.join('\n');
}

/** `2026-12-24 closed`, `2026-12-31 9-12`. */
export function readExceptions(text: string): Read<Exceptions> {
  const exceptions: Exceptions = [];
  for (const line of linesOf(text)) {
    const match = /^(\d{4}-\d{2}-\d{2})\s+(.+)$/.exec(line);
    const day = match?.[1];
    const isDay = day !== undefined && !Number.isNaN(Date.parse(`${day}T00:00:00Z`));
    const isClosed = match?.[2]?.toLowerCase() === 'closed';
    const span = isClosed ? { from: null, to: null } : readSpan(match?.[2] ?? '');
    if (!isDay || !span) return err({ code: 'exceptions', found: line });
    exceptions.push({ day, ...span });
  }
  return ok(exceptions);
}
export const writeExceptions = (exceptions: Exceptions): string =>
  exceptions
    .map(({ day, from, to }) =>
      from === null || to === null ? `${day} closed` : `${day} ${clock(from)}-${clock(to)}`,
    )
    .join('\n');

/** `mattresses`, `glass`, `wardrobes longer than 1.8 m`, `heavier than 20 kg`. */
export function readRefuses(text: string): Read<Refuses> {
  const refuses: Refuses = [];
  for (const line of linesOf(text)) {
    const match = /^(?:no\s+)?(.*?)\s*(?:(longer|heavier)\s+than\s+(.+))?$/i.exec(line);
    const words = (match?.[1] ?? '').trim();
    const size = match?.[3];
    if (size === undefined) {
      if (words === '' || words.length > 60) return err({ code: 'refuses', found: line });
      refuses.push({ words, longerThanMm: null, heavierThanG: null });
    } else if (match?.[2]?.toLowerCase() === 'longer') {
      const length = parseLength(size, 'cm');
      if (!length.ok || length.value.mm <= 0) return err({ code: 'refuses', found: line });
      refuses.push({ words, longerThanMm: length.value.mm, heavierThanG: null });
    } else {
      const kilos = /^(\d+(?:[.,]\d+)?)\s*kg$/i.exec(size.trim());
      const massG = kilos ? Number(kilos[1]!.replace(',', '.')) * 1000 : 0;
      if (massG <= 0) return err({ code: 'refuses', found: line });
      refuses.push({ words, longerThanMm: null, heavierThanG: massG });
    }
  }
  return ok(refuses);
}
export const writeRefuses = (refuses: Refuses): string =>
  refuses
    .map(({ words, longerThanMm, heavierThanG }) => {
      if (longerThanMm !== null)
        return `${words} longer than ${formatLength(longerThanMm, 'cm')}`.trim();
      if (heavierThanG !== null) return `${words} heavier than ${heavierThanG / 1000} kg`.trim();
      return words;
    })
    .join('\n');
