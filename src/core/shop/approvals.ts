import { z } from 'zod';

import { priceMinorSchema, roomIdSchema } from '../shared';

/** The client's yes to a line of a room's list, at what the line came to then. */
export const approvalSchema = z.object({
  /** `room_need`: a line has one yes. */
  id: z.string().min(1).max(200),
  roomId: roomIdSchema,
  /** Of the shop request: a container, a thing put down by hand, a material. */
  needId: z.string().min(1).max(120),
  /** Null: given before prices were kept with it, and good for any. */
  lineMinor: priceMinorSchema.nullable(),
  approvedAt: z.iso.datetime(),
});
export type Approval = Readonly<z.infer<typeof approvalSchema>>;

export type ApprovalState =
  | { readonly is: 'open' }
  | { readonly is: 'approved' }
  | { readonly is: 'dearer'; readonly approvedMinor: number };

/**
 * Whether a yes still covers a line that comes to `lineMinor` now; one that has become dearer has
 * to be asked about again.
 */
export function approvalStateOf(approval: Approval | undefined, lineMinor: number): ApprovalState {
  if (!approval) return { is: 'open' };
  return approval.lineMinor !== null && lineMinor > approval.lineMinor
    ? { is: 'dearer', approvedMinor: approval.lineMinor }
    : { is: 'approved' };
}
