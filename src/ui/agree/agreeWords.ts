import { type AgreementChange, type ContentKind } from '@/core/agree';
import { type SchoolQuestion } from '@/core/look';

export const contentKindWords: Readonly<Record<ContentKind, string>> = {
  linen: 'linen',
  clothes: 'clothes',
  kitchen: 'kitchen, food',
  tools: 'tools and parts',
  toys: 'toys',
  books: 'books',
  papers: 'papers',
  keepsakes: 'keepsakes',
  mixed: 'of everything',
};
export const schoolQuestionWords: Readonly<Record<SchoolQuestion, string>> = {
  method: 'Going through a room',
  containers: 'Containers',
  lids: 'Lids',
  sight: 'See or hide',
  decanting: 'Packs or jars',
  labels: 'Labels',
  sentimental: 'Sentimental',
  grouping: 'Group by',
  living: 'Where it lives',
  weight: 'Heavy, breakable',
};
export const schoolChoiceWords: Readonly<Record<string, string>> = {
  'quick-pass': 'quick pass',
  'empty-all': 'empty it all',
  'by-category': 'by category',
  buy: 'buy matching',
  reuse: 'use what is here',
  mix: 'mix, cheapest first',
  with: 'with lids',
  without: 'without',
  open: 'clear and open',
  hidden: 'hidden, uniform',
  jars: 'into jars',
  packs: 'original packs',
  'at-once': 'at once',
  settled: 'once settled',
  none: 'none yet',
  'while-space': 'while space holds',
  limit: 'to a set limit',
  photograph: 'photograph it',
  kind: 'kind',
  person: 'person',
  task: 'task',
  frequency: 'frequency',
  nearest: 'nearest to use',
  together: 'all together',
  careful: 'heavy low, breakable not high',
  'by-use': 'where they are used',
};
/**
 * Minutes as people say a length of work: quarters of an hour below three, half hours below ten,
 * whole ones above.
 */
export function hoursWords(minutes: number): string {
  const hours = minutes / 60;
  const step = partsOfAnHour(hours);
  const rounded = Math.round(hours * step) / step;
  return `${rounded === 0 && minutes > 0 ? 0.25 : rounded} h`;
}

/** What became of a line since it was agreed. */
export function agreementChangeWords(change: AgreementChange): string {
  if (change.kind === 'changed') return `${change.before} → ${change.after}`;
  return change.kind === 'added' ? `new: ${change.after}` : `no longer: ${change.before}`;
}

function partsOfAnHour(hours: number): number {
  if (hours < 3) return 4;
  return hours < 10 ? 2 : 1;
}
