/** The tape that the household is measured with; lengths are still read in any unit. */
export const measureUnits = ['mm', 'cm', 'in'] as const;

export const projectStatuses = ['active', 'finished'] as const;

/** What mostly lies in a section; how long a litre of it takes. */
export const contentKinds = [
  'linen',
  'clothes',
  'kitchen',
  'tools',
  'toys',
  'books',
  'papers',
  'keepsakes',
  'mixed',
] as const;
