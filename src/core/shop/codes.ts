export const priorities = ['must', 'should', 'nice'] as const;

/** Weight of one *should* unit against one *nice* unit. */
export const WISH_WEIGHT = { must: 0, should: 3, nice: 1 } as const;
