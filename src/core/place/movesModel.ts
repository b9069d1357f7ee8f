import { z } from 'zod';

const requestId = z.string().min(1).max(100);
const amount = z.number().min(0).max(1e9);

/** The only stop between two bays; no bay may be called so. */
export const BASKET = 'basket';

const movedGroupSchema = z.strictObject({
  id: requestId,
  litres: amount,
  from: requestId.nullable(),
  to: requestId.nullable(),
});
export type MovedGroup = Readonly<z.infer<typeof movedGroupSchema>>;

/**
 * What the `moves` engine is asked: where everything stands and where it is to stand. Source:
 * docs/engines.md.
 */
export const movesRequestSchema = z
  .strictObject({
    bays: z.array(z.strictObject({ id: requestId, litres: amount })).max(1000),
    groups: z.array(movedGroupSchema).max(1000),
    basketLitres: amount.positive('must be more than 0').default(45),
    seed: z.number().int().min(0).max(1e9).default(1),
    timeLimitMs: amount.default(1000),
  })
  .superRefine((request, context) => {
    const refuse = (message: string, path: (string | number)[]) =>
      context.addIssue({ code: 'custom', message, path });
    const bays = new Set<string>();
    request.bays.forEach(({ id }, i) => {
      if (bays.has(id)) refuse(`the id "${id}" occurs twice`, ['bays', i, 'id']);
      if (id === BASKET) refuse(`"${BASKET}" is the stop between two bays`, ['bays', i, 'id']);
      bays.add(id);
    });
    const groups = new Set<string>();
    request.groups.forEach(({ id, from, to }, i) => {
      if (groups.has(id)) refuse(`the id "${id}" occurs twice`, ['groups', i, 'id']);
      groups.add(id);
      if (from !== null && !bays.has(from))
        refuse(`there is no bay "${from}"`, ['groups', i, 'from']);
      if (to !== null && !bays.has(to)) refuse(`there is no bay "${to}"`, ['groups', i, 'to']);
    });
  });
export type MovesRequest = Readonly<z.infer<typeof movesRequestSchema>>;
export type MovesRequestInput = z.input<typeof movesRequestSchema>;

export interface MoveStep {
  readonly groupId: string;
  /** A bay, "basket", or null: from outside. */
  readonly from: string | null;
  /** A bay, "basket", or null: out of the home. */
  readonly to: string | null;
}
/** What the `moves` engine answers. `objective` is `stagedLitres`; `bound` is proven below it. */
export interface MovesAnswer {
  readonly status: 'optimal' | 'feasible' | 'infeasible';
  readonly objective: number | null;
  readonly bound: number | null;
  readonly elapsedMs: number;
  readonly steps: readonly MoveStep[];
  /** Sum over the groups that went through a basket. */
  readonly stagedLitres: number;
  /** Baskets that stand about at the fullest moment. */
  readonly baskets: number;
  readonly reasons: readonly MovesReason[];
}
/** The planned arrangement overfills a bay. */
export interface MovesReason {
  readonly code: 'bay_too_small';
  /** The bay's id. */
  readonly subject: string;
  readonly needLitres: number;
  readonly hasLitres: number;
}
