declare module 'hyphen/en-gb' {
  export function hyphenateSync(
    text: string,
    options?: { readonly hyphenChar?: string; readonly minWordLength?: number },
  ): string;
}
