import { err, ok, type Result } from '@/core/shared';

interface JsonBounds {
  readonly maxDepth: number;
  /** Objects, lists and their entries, counted by their brackets and commas. */
  readonly maxValues: number;
}
export type JsonFault =
  | { readonly code: 'too_deep'; readonly maxDepth: number }
  | { readonly code: 'too_many_values'; readonly maxValues: number }
  | { readonly code: 'not_json'; readonly message: string };

const QUOTE = 34;
const BACKSLASH = 92;
const COMMA = 44;
const OPENING = new Set([91, 123]);
const CLOSING = new Set([93, 125]);

/**
 * Parses JSON that a stranger may have written: how deep and how many its values are is counted on
 * the bytes first, for a small file may stand for more lists than the memory holds. O(bytes).
 */
export function parseBoundedJson(
  bytes: Uint8Array,
  { maxDepth, maxValues }: JsonBounds,
): Result<unknown, JsonFault> {
  let depth = 0;
  let values = 1;
  let isText = false;
  for (let i = 0; i < bytes.length; i += 1) {
    const byte = bytes[i] ?? 0;
    if (isText) {
      if (byte === BACKSLASH) i += 1;
      else if (byte === QUOTE) isText = false;
      continue;
    }
    if (byte === QUOTE) isText = true;
    else if (byte === COMMA) values += 1;
    else if (OPENING.has(byte)) {
      depth += 1;
      values += 1;
    } else if (CLOSING.has(byte)) depth -= 1;
    if (depth > maxDepth) return err({ code: 'too_deep', maxDepth });
    if (values > maxValues) return err({ code: 'too_many_values', maxValues });
  }
  try {
    return ok(JSON.parse(Buffer.from(bytes).toString('utf8')) as unknown);
  } catch (error) {
    return err({ code: 'not_json', message: error instanceof Error ? error.message : 'no JSON' });
  }
}
