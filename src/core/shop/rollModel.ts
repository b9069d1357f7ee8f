import { z } from 'zod';

const requestId = z.string().min(1).max(100);
const lengthMm = z.number().positive('must be more than 0').max(1e9);

const rollPieceSchema = z.strictObject({
  id: requestId,
  widthMm: lengthMm,
  depthMm: lengthMm,
  qty: z.number().int().min(0).max(5000),
  turnable: z.boolean().default(true),
});

/** What the `roll` engine is asked: liners from a roll. Source: docs/engines.md. */
export const rollRequestSchema = z
  .strictObject({
    roll: z.strictObject({
      widthMm: lengthMm,
      lengthMm,
      priceMinor: z.number().int().min(0).max(1e9),
    }),
    pieces: z.array(rollPieceSchema).max(500),
    seed: z.number().int().min(0).max(1e9).default(1),
    timeLimitMs: z.number().min(0).max(1e9).default(1000),
  })
  .superRefine(({ pieces }, context) => {
    const seen = new Set<string>();
    pieces.forEach(({ id }, i) => {
      if (seen.has(id))
        context.addIssue({
          code: 'custom',
          message: `the id "${id}" occurs twice`,
          path: ['pieces', i, 'id'],
        });
      seen.add(id);
    });
    const count = pieces.reduce((sum, { qty }) => sum + qty, 0);
    if (count > 5000)
      context.addIssue({
        code: 'custom',
        message: `at most 5000 pieces in all, here are ${count}`,
        path: ['pieces'],
      });
  });
export type RollRequest = Readonly<z.infer<typeof rollRequestSchema>>;
export type RollRequestInput = z.input<typeof rollRequestSchema>;

/** A piece on a roll: x across the roll, y along it, from the corner where it begins. */
interface RolledPiece {
  readonly id: string;
  /** Counts from 0. */
  readonly roll: number;
  readonly x: number;
  readonly y: number;
  readonly turned: boolean;
}
/** A piece that no roll takes; `rollMm` is the roll's width, or its length. */
export interface RollReason {
  readonly code: 'wider_than_roll' | 'longer_than_roll';
  /** The piece's id. */
  readonly subject: string;
  readonly widthMm: number;
  readonly depthMm: number;
  readonly mayTurn: boolean;
  readonly rollMm: number;
}

/** What the `roll` engine answers. `objective` is the number of rolls; `bound` is proven below it. */
export interface RollAnswer {
  readonly status: 'optimal' | 'feasible' | 'infeasible';
  readonly objective: number | null;
  readonly bound: number | null;
  readonly elapsedMs: number;
  readonly rolls: number;
  /** Summed over the rolls, each to the end of its last piece. */
  readonly usedLengthMm: number;
  /** Proven: no way uses less length. */
  readonly leastLengthMm: number;
  readonly placed: readonly RolledPiece[];
  readonly reasons: readonly RollReason[];
}
