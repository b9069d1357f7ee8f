import { findDay, type GroupId } from '../shared';
import { findPhrase, headStemsOf } from './findPhrase';
import { kinds, UNKNOWN_KIND, type Kind } from './kinds';
import { type Group, type Thing } from './model';
import { type Reason } from './codes';
import { stemsOf } from './stems';

/** What a typed line was understood as. */
export interface ParsedThing {
  readonly count: number;
  /** The words without their number, as they will be shown. */
  readonly name: string;
  readonly reasons: readonly Reason[];
  readonly groupId: GroupId | undefined;
  /** For all pieces. */
  readonly litres: number;
  readonly massG: number;
  /** Whether the size rests on a known kind of thing, or on the fallback. */
  readonly isSizeKnown: boolean;
  /** The day on its pack, where one was named. */
  readonly expiresOn: string | undefined;
}

const NUMBER_WORDS: Readonly<Record<string, number>> = {
  a: 1,
  an: 1,
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  seven: 7,
  eight: 8,
  nine: 9,
  ten: 10,
  eleven: 11,
  twelve: 12,
  'half a dozen': 6,
  'a dozen': 12,
  'a pair of': 1,
  'a couple of': 2,
};
/** "a pair of shoes" is one piece to carry and to store: pairs count once. */
const MAX_COUNT = 10_000;

const REASON_WORDS: readonly (readonly [Reason, RegExp])[] = [
  ['worn_out', /\b(moth|worn|holes?|torn|ripped|frayed|faded|stained|threadbare|thin)\b/i],
  ['broken', /\b(broken|cracked|chipped|bent|snapped|rusty|rusted|leaks?|leaking|dead|faulty)\b/i],
  [
    'incomplete',
    /\b(incomplete|missing|without (?:a |its )?(?:lid|part|key)|odd|no lid|one of a pair|single)\b/i,
  ],
  ['out_of_date', /\b(out of date|expired|past its date|use by|best before)\b/i],
  ['more_than_enough', /\b(duplicates?|too many|spares?|extra|more than enough|another)\b/i],
  ['outgrown', /\b(outgrown|too small|too tight|grown out)\b/i],
  [
    'never_used',
    /\b(never (?:worn|used|opened)|unused|unopened|still in (?:its )?(?:box|wrapper)|with tags?)\b/i,
  ],
  [
    'sentimental',
    /\b(sentimental|memories|gran(?:'s|ny|dad)?|grandmother|grandfather|keepsake|from school)\b/i,
  ],
  ['heirloom', /\b(heirloom|family piece|christening)\b/i],
  ['forgotten', /\b(forgotten|forgot|did not know)\b/i],
  ['fails_its_job', /\b(useless|does not (?:work|fit|hold)|never worked|wrong size)\b/i],
];

/**
 * Reads a thing as it is called out: number, name and condition in any order, in plain words.
 * `6 wool scarves, moth holes in two` → 6 × "wool scarves, moth holes in two", worn out.
 * The group is the one whose name, or whose earlier things, share most words with it.
 * Returns undefined where nothing but blanks or a number was typed. Deterministic.
 */
export function parseThing(
  typed: string,
  known: {
    readonly groups: readonly Pick<Group, 'id' | 'name'>[];
    readonly things: readonly Pick<Thing, 'name' | 'groupId'>[];
    /** Typical sizes as the organizer has corrected them; the shipped ones where none are given. */
    readonly kinds?: readonly Kind[];
  },
): ParsedThing | undefined {
  const found = findDay(typed);
  const { count, rest } = takeCount((found?.rest ?? typed).trim().replace(/\s+/g, ' '));
  if (!/\p{L}/u.test(rest)) return undefined;
  const kind = findKind(rest, known.kinds);
  const size = kind ?? UNKNOWN_KIND;
  return {
    count,
    name: rest,
    reasons: REASON_WORDS.filter(([, pattern]) => pattern.test(rest)).map(([reason]) => reason),
    groupId: suggestGroup(rest, known),
    litres: roundTo(size.litres * count, 100),
    massG: Math.round(size.massG * count),
    isSizeKnown: kind !== undefined,
    expiresOn: found?.day,
  };
}

/**
 * Takes the number off the front (`6`, `six`, `a dozen`, `3x`, `5 of 6`) or off the end (`scarves
 * x6`, `scarves: 6`).
 * `18 x 12` is a size, not a number.
 */
function takeCount(text: string): { count: number; rest: string } {
  const part = /^(\d{1,4}) of (\d{1,4}) (?!pieces|parts|cards)(.+)$/i.exec(text);
  if (part?.[1] && part[2] && part[3] && Number(part[1]) <= Number(part[2]))
    return {
      count: clampCount(Number(part[1])),
      rest: `${part[3].trim()}, ${part[1]} of ${part[2]}`,
    };
  if (/^\d+(?:[.,]\d+)?\s*[x×]\s*\d/.test(text)) return { count: 1, rest: text };
  const front = /^(\d{1,5})(?:\s*[x×]\s*|\s+)(?=\D)(.+)$/i.exec(text);
  if (front?.[1] && front[2]) return { count: clampCount(Number(front[1])), rest: front[2].trim() };
  const back = /^(.*[^\d\s])(?:\s+x\s*|\s*×\s*|\s*:\s*)(\d{1,5})$/i.exec(text);
  if (back?.[1] && back[2]) return { count: clampCount(Number(back[2])), rest: back[1].trim() };
  const lower = text.toLowerCase();
  const word = Object.keys(NUMBER_WORDS)
    .sort((a, b) => b.length - a.length)
    .find((candidate) => lower.startsWith(`${candidate} `));
  if (word === undefined) return { count: 1, rest: text };
  return { count: NUMBER_WORDS[word] ?? 1, rest: text.slice(word.length).trim() };
}

const clampCount = (count: number): number => Math.min(MAX_COUNT, Math.max(1, count));
const roundTo = (value: number, steps: number): number => Math.round(value * steps) / steps;

/** The kind whose longest head word occurs; where two are equally long, the one further right. */
export const findKind = <K extends Kind>(
  name: string,
  known: readonly K[] = kinds as readonly K[],
): K | undefined => findPhrase(known, headStemsOf(name))?.entry;

function suggestGroup(
  name: string,
  { groups, things }: Parameters<typeof parseThing>[1],
): GroupId | undefined {
  const words = new Set(headStemsOf(name));
  const overlap = (other: string) => stemsOf(other).filter((word) => words.has(word)).length;
  let best: { id: GroupId; score: number } | undefined;
  for (const group of groups) {
    const fromName = overlap(group.name) * 2;
    const fromThings = things
      .filter((thing) => thing.groupId === group.id)
      .reduce((most, thing) => Math.max(most, overlap(thing.name.split(/[,;(]/)[0] ?? '')), 0);
    const score = Math.max(fromName, fromThings * 1.5);
    if (score > (best?.score ?? 0)) best = { id: group.id, score };
  }
  return best?.id;
}
