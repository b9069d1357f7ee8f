/** Where practitioners disagree. The choice is a project's, or a room's exception, each with its reason. */
export const schools = {
  method: ['quick-pass', 'empty-all', 'by-category'],
  containers: ['buy', 'reuse', 'mix'],
  lids: ['with', 'without'],
  sight: ['open', 'hidden'],
  decanting: ['jars', 'packs'],
  labels: ['at-once', 'settled', 'none'],
  sentimental: ['while-space', 'limit', 'photograph'],
  grouping: ['kind', 'person', 'task', 'frequency'],
  living: ['nearest', 'together'],
  weight: ['careful', 'by-use'],
} as const;

export type SchoolQuestion = keyof typeof schools;

export const schoolQuestions = Object.keys(schools) as SchoolQuestion[];

/** What was chosen, and why; undefined where nobody chose. */
export type SchoolChoices = {
  readonly [Q in SchoolQuestion]?:
    { readonly choice: (typeof schools)[Q][number]; readonly reason: string } | undefined;
};

/** What holds in a room: its own exception, or what the project chose; undefined where nobody chose. */
export function schoolIn<Q extends SchoolQuestion>(
  question: Q,
  room: SchoolChoices,
  project: SchoolChoices,
): SchoolChoices[Q] {
  return room[question] ?? project[question];
}
