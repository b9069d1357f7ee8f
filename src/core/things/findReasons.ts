import type { Reason } from './codes';
import { anyOf, anyWord } from './patterns';

const REASON_WORDS: readonly (readonly [Reason, RegExp])[] = [
  [
    'worn_out',
    /\b(moth(?:s| holes?|[- ]eaten)?|worn(?! (?:once|twice|by))|holes?(?! punch)|torn|ripped|frayed|faded|stained|threadbare)\b/i,
  ],
  ['broken', /\b(broken|cracked|chipped|bent|snapped|rusty|rusted|leaks?|leaking|dead|faulty)\b/i],
  [
    'incomplete',
    anyWord(
      String.raw`incomplete|missing|without (?:a |its )?(?:lid|part|key)|odd|no lid|one of a pair|
        single (?:glove|sock|shoe|boot|slipper|earring|ski|crutch)`,
      'i',
    ),
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

const ANY_REASON = anyOf(REASON_WORDS.map(([, pattern]) => pattern));

/** The reasons that the words of a line give. */
export const findReasons = (text: string): Reason[] =>
  ANY_REASON.test(text)
    ? REASON_WORDS.filter(([, pattern]) => pattern.test(text)).map(([reason]) => reason)
    : [];
