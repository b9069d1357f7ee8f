/** A pattern of whole words, from alternatives that may stand on several lines: "mould|moths?|rats?". */
export const anyWord = (alternatives: string, flags = 'i'): RegExp =>
  new RegExp(String.raw`\b(?:${oneLine(alternatives)})\b`, flags);
/** Breaks of the source within a pattern mean nothing. */
export const oneLine = (pattern: string): string => pattern.replace(/\n\s*/g, '');
