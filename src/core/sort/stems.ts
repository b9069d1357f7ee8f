const SMALL_WORDS = new Set([
  'and',
  'of',
  'the',
  'in',
  'a',
  'an',
  'for',
  'with',
  'to',
  'old',
  'new',
  'big',
  'small',
]);
const IRREGULAR: Readonly<Record<string, string>> = {
  scarves: 'scarf',
  knives: 'knife',
  shelves: 'shelf',
  wellies: 'welly',
  leaves: 'leaf',
  batteries: 'battery',
};

/** Words in lower case with their plural taken off, so that "scarves" meets "Scarf box". */
export function stemsOf(text: string): string[] {
  return text
    .toLowerCase()
    .replace(/[’']s\b/g, '')
    .split(/[^\p{L}\p{N}-]+/u)
    .filter((word) => word.length > 0 && !SMALL_WORDS.has(word))
    .map(singularOf);
}

function singularOf(word: string): string {
  const irregular = IRREGULAR[word];
  if (irregular) return irregular;
  if (word.length > 4 && word.endsWith('ies')) return `${word.slice(0, -3)}y`;
  if (/(ss|us|is)$/.test(word) || word.length < 4) return word;
  if (/(ches|shes|sses|xes)$/.test(word)) return word.slice(0, -2);
  return word.endsWith('s') ? word.slice(0, -1) : word;
}
