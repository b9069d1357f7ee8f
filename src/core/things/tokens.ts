/** A word, a number or a sign of a line, with its place. */
export interface Token {
  /** In lower case. */
  readonly text: string;
  readonly from: number;
  readonly to: number;
}

export const tokensOf = (text: string): Token[] =>
  [...text.matchAll(/\d+(?:[.,/]\d+)*|[\p{L}][\p{L}\p{N}'’]*|[^\s]/gu)].map((match) => ({
    text: match[0].toLowerCase(),
    from: match.index,
    to: match.index + match[0].length,
  }));

/** The text at an index; empty beyond the ends. */
export const textAt = (tokens: readonly Token[], at: number): string => tokens[at]?.text ?? '';
export const isWordAt = (tokens: readonly Token[], at: number): boolean =>
  /^\p{L}/u.test(textAt(tokens, at));
export const isOneOf = (
  tokens: readonly Token[],
  at: number,
  words: ReadonlySet<string>,
): boolean => words.has(textAt(tokens, at));
export const setOf = (words: string): ReadonlySet<string> => new Set(words.split(/\s+/));

/** A whole number in digits. */
export function wholeAt(tokens: readonly Token[], at: number): number | undefined {
  const text = textAt(tokens, at);
  return /^\d{1,6}$/.test(text) ? Number(text) : undefined;
}

/** "2015" is a year and not a number of things; "2000" may be one of screws. */
export function isYearAt(tokens: readonly Token[], at: number): boolean {
  const value = wholeAt(tokens, at) ?? 0;
  return textAt(tokens, at).length === 4 && value >= 1950 && value <= 2049 && value % 50 !== 0;
}
