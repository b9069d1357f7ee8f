import { z } from 'zod';

import { clientPageIdSchema, err, ok, type Result } from '../shared';
import { givenAnswerSchema, sayingsFor, type Asked, type GivenAnswer } from './model';

/** The open format of an answer file, version 1; documented in docs/formats.md. */
export const ANSWERS_FORMAT = 'tin-box-answers';
const MOST_CHARS = 200_000;

export const answerFileSchema = z.object({
  format: z.literal(ANSWERS_FORMAT),
  version: z.literal(1),
  pageId: clientPageIdSchema,
  answers: z.array(givenAnswerSchema).min(1).max(500),
});
export type AnswerFile = Readonly<z.infer<typeof answerFileSchema>>;

export type AnswerFileFault =
  /** Neither an answer file nor a message that holds one. */
  | { readonly code: 'no_answers' }
  | { readonly code: 'too_long' }
  /** It is one, and something in it is not as it must be; `path` names the field. */
  | { readonly code: 'damaged'; readonly path: string };

/** Around what a message carries of a file, so that it is found between other words. */
const MARK = /\[tin-box-answers ([A-Za-z0-9+/=\s]{8,})\]/;

/**
 * Reads an answer file, or a message into which one was pasted: what stands between the marks is the file
 * in base64, which may have been broken into lines on its way. Data only; nothing of it is run.
 */
export function readAnswerFile(raw: string): Result<AnswerFile, AnswerFileFault> {
  if (raw.length > MOST_CHARS) return err({ code: 'too_long' });
  const marked = MARK.exec(raw)?.[1];
  const json = marked === undefined ? raw : decodeBase64(marked);
  let value: unknown;
  try {
    value = JSON.parse(json ?? '');
  } catch {
    return err(marked === undefined ? { code: 'no_answers' } : { code: 'damaged', path: 'text' });
  }
  if (typeof value !== 'object' || value === null || !('format' in value))
    return err({ code: 'no_answers' });
  const parsed = answerFileSchema.safeParse(value);
  return parsed.success
    ? ok(parsed.data)
    : err({ code: 'damaged', path: parsed.error.issues[0]?.path.join('.') ?? '' });
}

/** UTF-8 text of base64 with blanks and line ends between; undefined where it is none. */
function decodeBase64(raw: string): string | undefined {
  try {
    const bytes = Uint8Array.from(atob(raw.replace(/\s+/g, '')), (sign) => sign.charCodeAt(0));
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return undefined;
  }
}

/** The same file as text to paste into a message. */
export const writeAnswerText = (file: AnswerFile): string => {
  const bytes = new TextEncoder().encode(JSON.stringify(file));
  const code = btoa(String.fromCharCode(...bytes));
  return `[${ANSWERS_FORMAT} ${code.replace(/(.{60})/g, '$1\n')}]`;
};

/** The question that an answer is to, where the page asked it and that may be said to it. */
export const askedFor = (asked: readonly Asked[], answer: GivenAnswer): Asked | undefined =>
  asked.find((each) => each.key === answer.key && sayingsFor(each.about).includes(answer.says));
