/** What a wall is made of decides what holds in it. */
export const wallKinds = ['brick', 'board', 'timber'] as const;

/** What kinds of paint usually need, until their tin is read: our own assumptions, on the long side. */
export const USUAL_DRYING = {
  'wall paint': { dryHours: 4, cureDays: 3 },
  'water-based gloss': { dryHours: 6, cureDays: 5 },
  'oil-based gloss': { dryHours: 16, cureDays: 7 },
  varnish: { dryHours: 8, cureDays: 5 },
} as const;

export type PaintKind = keyof typeof USUAL_DRYING;

/** Kinds of material, each bought at one shop. */
export const materialKinds = ['boards', 'panel', 'roll', 'paint', 'labels', 'fixings'] as const;

export type MaterialKind = (typeof materialKinds)[number];

export const OFF_LIST = { shopId: null, priority: 'must' as const };

/** Ids of a board and of the i-th piece in the `cut` request. */
export const toStockId = (boardId: string): string => `board-${boardId}`;

export const toPieceId = (i: number): string => `cut-${i}`;

/** So long each of the two is improved. */
export const MATERIALS_MS = 1500;
