/** A pattern of whole words, from alternatives that may stand on several lines: "mould|moths?|rats?". */
export const anyWord = (alternatives: string, flags = 'i'): RegExp =>
  new RegExp(String.raw`\b(?:${oneLine(alternatives)})\b`, flags);
/** One pattern for any of several: most lines have none, and are looked through once. */
export const anyOf = (patterns: readonly RegExp[]): RegExp =>
  new RegExp(patterns.map(({ source }) => source).join('|'), 'i');
/** Breaks of the source within a pattern mean nothing. */
export const oneLine = (pattern: string): string => pattern.replace(/\n\s*/g, '');
