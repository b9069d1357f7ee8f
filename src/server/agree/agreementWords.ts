import type { SchoolQuestion } from '@/core/look';

/** The client's words for the ways of working. */
export const questionWords: Readonly<Record<SchoolQuestion, string>> = {
  method: 'Going through a room',
  containers: 'Containers',
  lids: 'Lids',
  sight: 'See or hide',
  decanting: 'Packs or jars',
  labels: 'Labels',
  sentimental: 'Sentimental things',
  grouping: 'Grouped by',
  living: 'Where things live',
  weight: 'Heavy and breakable things',
};

const CHOICES: Readonly<Record<string, string>> = {
  'quick-pass': 'a quick pass',
  'empty-all': 'one section emptied at a time',
  'by-category': 'one kind from every room together',
  buy: 'matching ones, bought',
  reuse: 'what the home has already',
  mix: 'both, cheapest first',
  with: 'with lids',
  without: 'without lids',
  open: 'open and clear',
  hidden: 'closed and uniform',
  jars: 'into jars, dates carried along',
  packs: 'in their own packs',
  'at-once': 'at once',
  settled: 'after a settling time',
  none: 'none while it is remembered',
  'while-space': 'kept while the space holds',
  limit: 'to a limit set beforehand',
  photograph: 'photographed, then let go',
  kind: 'kind of thing',
  person: 'person',
  task: 'task',
  frequency: 'how often it is used',
  nearest: 'nearest to where they are used',
  together: 'where they all fit together',
  careful: 'heavy low, breakable not high',
  'by-use': 'where they are used',
};
export const choiceWords = (choice: string): string => CHOICES[choice] ?? choice;
