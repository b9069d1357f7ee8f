/** How a place was found on a walk. */
export const walkMarks = [
  'as_meant',
  'overfull',
  'half_empty',
  'something_else',
  'label_missing',
  'container_unused',
  'lid_off',
] as const;

export const reviewKinds = ['two_weeks', 'month', 'season', 'year', 'own'] as const;

export type ReviewKind = (typeof reviewKinds)[number];

/** The id of a look: one of its kind, but of seasons and of one's own one a day. */
export const reviewIdOf = ({
  key,
  kind,
  plannedOn,
}: {
  readonly key: string;
  readonly kind: ReviewKind;
  readonly plannedOn: string;
}): string =>
  kind === 'season' || kind === 'own' ? `${key}_${kind}_${plannedOn}` : `${key}_${kind}`;
