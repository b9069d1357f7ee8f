import { z } from 'zod';

const requestId = z.string().min(1).max(100);
const lengthMm = z.number().positive('must be more than 0').max(1e9);
const count = z.number().int().min(0).max(1e9);

const stockSchema = z.strictObject({
  id: requestId,
  lengthMm,
  priceMinor: z.number().int().min(0).max(1e9),
  available: count.optional(),
});
const pieceSchema = z.strictObject({ id: requestId, lengthMm, qty: count });

/** What the `cut` engine is asked: pieces from boards. Source: docs/engines.md. */
export const cutRequestSchema = z
  .strictObject({
    stock: z.array(stockSchema).max(100),
    kerfMm: z.number().min(0).max(1e9),
    pieces: z.array(pieceSchema).max(500),
    seed: z.number().int().min(0).max(1e9).default(1),
    timeLimitMs: z.number().min(0).max(1e9).default(1000),
  })
  .superRefine((request, context) => {
    for (const list of ['stock', 'pieces'] as const) {
      const seen = new Set<string>();
      request[list].forEach(({ id }, i) => {
        if (seen.has(id))
          context.addIssue({
            code: 'custom',
            message: `the id "${id}" occurs twice`,
            path: [list, i, 'id'],
          });
        seen.add(id);
      });
    }
  });
export type CutRequest = Readonly<z.infer<typeof cutRequestSchema>>;
export type CutRequestInput = z.input<typeof cutRequestSchema>;

/** So many boards of one kind, cut alike. */
export interface CutPattern {
  readonly stockId: string;
  readonly count: number;
  readonly pieces: readonly { readonly id: string; readonly n: number }[];
  /** Of one board: its length less its pieces and the kerfs between them. */
  readonly wasteMm: number;
}
/** Why the pieces cannot be cut; `subject` is a piece's id, or empty where all are meant. */
export type CutReason =
  | { readonly code: 'no_stock'; readonly subject: string }
  | {
      readonly code: 'piece_longer_than_stock';
      readonly subject: string;
      readonly lengthMm: number;
      readonly longestMm: number;
    }
  | {
      readonly code: 'not_enough_stock';
      readonly subject: '';
      /** Without kerfs. */
      readonly needMm: number;
      readonly haveMm: number;
    }
  | { readonly code: 'time_ran_out'; readonly subject: '' };

/**
 * What the `cut` engine answers. `objective` is `costMinor`; `bound` is proven below it. `unknown`: in the time no way to
 * cut them was found, nor that there is none.
 */
export interface CutAnswer {
  readonly status: 'optimal' | 'feasible' | 'infeasible' | 'unknown';
  readonly objective: number | null;
  readonly bound: number | null;
  readonly elapsedMs: number;
  readonly patterns: readonly CutPattern[];
  readonly costMinor: number;
  readonly reasons: readonly CutReason[];
}
