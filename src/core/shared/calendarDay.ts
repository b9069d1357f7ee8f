/** A day found in words, and the words without it. */
interface FoundDay {
  /** `2027-01-31`; where only a month was named, its last day. */
  readonly day: string;
  readonly rest: string;
}

const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];
const MONTH_WORD = '(jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec)[a-z]*\\.?';
const BEFORE =
  '(?:best before(?: end)?|use by|used? before|expires?|expired|expiry|dated|good until|until|exp\\.?|bb[ed]?)';

interface Shape {
  readonly pattern: string;
  readonly read: (groups: readonly string[]) => {
    readonly year: number;
    readonly month: number;
    readonly day: number | undefined;
  };
  /**
   * Reads as a day wherever it stands; the others need a word such as "use by" before them, or
   * `isDateExpected`.
   */
  readonly isPlain: boolean;
}

const at = (groups: readonly string[], index: number): number => Number(groups[index]);
const monthOf = (word: string | undefined): number =>
  MONTHS.indexOf((word ?? '').slice(0, 3).toLowerCase()) + 1;

/** Longest first. Days stand before months, as on packs in this part of the world. */
const SHAPES: readonly Shape[] = [
  {
    pattern: '(\\d{4})-(\\d{1,2})-(\\d{1,2})',
    isPlain: true,
    read: (g) => ({ year: at(g, 0), month: at(g, 1), day: at(g, 2) }),
  },
  {
    pattern: '(\\d{1,2})[./-](\\d{1,2})[./-](\\d{4})',
    isPlain: true,
    read: (g) => ({ year: at(g, 2), month: at(g, 1), day: at(g, 0) }),
  },
  {
    pattern: '(\\d{1,2})[./-](\\d{1,2})[./-](\\d{2})',
    isPlain: false,
    read: (g) => ({ year: at(g, 2), month: at(g, 1), day: at(g, 0) }),
  },
  {
    pattern: `(\\d{1,2})\\.?\\s*${MONTH_WORD}\\s*(\\d{4}|\\d{2})`,
    isPlain: false,
    read: (g) => ({ year: at(g, 2), month: monthOf(g[1]), day: at(g, 0) }),
  },
  {
    pattern: `${MONTH_WORD}\\s*(\\d{4}|\\d{2})`,
    isPlain: false,
    read: (g) => ({ year: at(g, 1), month: monthOf(g[0]), day: undefined }),
  },
  {
    pattern: '(\\d{4})-(\\d{1,2})',
    isPlain: false,
    read: (g) => ({ year: at(g, 0), month: at(g, 1), day: undefined }),
  },
  {
    pattern: '(\\d{1,2})\\s*[./-]\\s*(\\d{4}|\\d{2})',
    isPlain: false,
    read: (g) => ({ year: at(g, 1), month: at(g, 0), day: undefined }),
  },
];
/** As fast hands type it: month and year without anything between, `1226`. */
const BARE: Shape = {
  pattern: '(\\d{2})(\\d{2})',
  isPlain: false,
  read: (g) => ({ year: at(g, 1), month: at(g, 0), day: undefined }),
};

const patterns = new Map<string, RegExp>();
/** A shape as it stands in a line, behind a word such as "use by" unless it is free; made once each. */
function patternOf({ pattern }: Shape, isFree: boolean): RegExp {
  const key = `${isFree} ${pattern}`;
  const known = patterns.get(key);
  if (known) return known;
  const made = new RegExp(
    `(^|[\\s,;(])(?:${BEFORE}:?\\s*)${isFree ? '?' : ''}${pattern}(?=$|[\\s,;)])`,
    'i',
  );
  patterns.set(key, made);
  return made;
}

/**
 * Finds a date as packs carry it: `2027-01-05`, `05.01.2027`, `best before 12/26`, `use by Dec 2026`; with
 * `isDateExpected` also bare: `12/26`, `Dec 26`, `1226`. Two-digit years are of this century.
 * Returns undefined where nothing reads as a day of the calendar.
 */
export function findDay(
  text: string,
  { isDateExpected = false }: { readonly isDateExpected?: boolean } = {},
): FoundDay | undefined {
  if (!/\d/.test(text)) return undefined;
  for (const shape of isDateExpected ? [...SHAPES, BARE] : SHAPES) {
    const match = patternOf(shape, shape.isPlain || isDateExpected).exec(text);
    if (!match) continue;
    const day = toDay(shape.read(match.slice(2)));
    if (day === undefined) continue;
    const rest = `${text.slice(0, match.index)}${match[1] ?? ''}${text.slice(match.index + match[0].length)}`;
    return {
      day,
      rest: rest
        .replace(/\s+/g, ' ')
        .replace(/,\s*,/g, ',')
        .replace(/[\s,;(]+$|^[\s,;]+/g, '')
        .trim(),
    };
  }
  return undefined;
}

function toDay({
  year,
  month,
  day,
}: {
  readonly year: number;
  readonly month: number;
  readonly day: number | undefined;
}): string | undefined {
  const fullYear = year < 100 ? 2000 + year : year;
  if (fullYear < 2000 || fullYear > 2099 || month < 1 || month > 12) return undefined;
  const lastOfMonth = new Date(Date.UTC(fullYear, month, 0)).getUTCDate();
  const dayOfMonth = day ?? lastOfMonth;
  if (dayOfMonth < 1 || dayOfMonth > lastOfMonth) return undefined;
  return `${fullYear}-${String(month).padStart(2, '0')}-${String(dayOfMonth).padStart(2, '0')}`;
}

const MS_PER_DAY = 86_400_000;

/** Whole days from one calendar day to another; negative where it lies before. */
export const daysBetween = (from: string, to: string): number =>
  Math.round(
    (Date.parse(`${to.slice(0, 10)}T00:00:00Z`) - Date.parse(`${from.slice(0, 10)}T00:00:00Z`)) /
      MS_PER_DAY,
  );

/** The day so many days later, or before where the count is negative. */
export const addDays = (day: string, count: number): string =>
  new Date(Date.parse(day) + count * MS_PER_DAY).toISOString().slice(0, 10);

/** 1 is Monday, 7 is Sunday. */
export const weekdayOf = (day: string): number => new Date(`${day}T00:00:00Z`).getUTCDay() || 7;
