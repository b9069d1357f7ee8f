import { z } from 'zod';

import {
  bayIdSchema,
  draftIdSchema,
  groupIdSchema,
  projectIdSchema,
  roomIdSchema,
} from '../shared';
import type { Unit } from '../look';
import type { Group } from '../sort';

/** One arrangement of a room, or of the whole home, tried on paper. */
export const draftSchema = z.object({
  id: draftIdSchema,
  projectId: projectIdSchema,
  /** Null: of the whole home. */
  roomId: roomIdSchema.nullable(),
  name: z.string().trim().min(1, 'Type a name for the draft').max(40, 'At most 40 letters'),
  /** Null: this draft is the chosen one, and the groups themselves say where they are to live. */
  places: z
    .array(z.object({ groupId: groupIdSchema, bayId: bayIdSchema.nullable() }))
    .max(1000)
    .nullable(),
  position: z.number().int(),
});
export type Draft = Readonly<z.infer<typeof draftSchema>>;
/** What is arranged: a room, or (null) the whole home. */
export type ArrangedScope = Draft['roomId'];

/**
 * An arrangement by its name: "today", "chosen", or the id of a draft; the id of the chosen draft
 * is the same as "chosen".
 */
export const arrangementRefSchema = z.union([
  z.literal('today'),
  z.literal('chosen'),
  draftIdSchema,
]);
export type ArrangementRef = z.infer<typeof arrangementRefSchema>;

/** Whether a group lives outside its room. */
export const isAway = (
  units: readonly Pick<Unit, 'roomId' | 'bays'>[],
  group: Pick<Group, 'bayId' | 'roomId'>,
): boolean =>
  units.some(
    (unit) => unit.roomId !== group.roomId && unit.bays.some(({ id }) => id === group.bayId),
  );

/** Which arrangement is meant: how it stands today, the chosen one, or a draft that is not chosen. */
export type Arrangement = 'today' | 'chosen' | Draft;

/**
 * Where each group is in an arrangement; what a draft does not know, or puts into a bay that is
 * gone, is nowhere.
 */
export function placesIn(
  groups: readonly Group[],
  {
    arrangement,
    bayIds,
  }: { readonly arrangement: Arrangement; readonly bayIds: ReadonlySet<string> },
): Record<Group['id'], Group['bayId']> {
  const drafted =
    typeof arrangement === 'object' && arrangement.places
      ? new Map(arrangement.places.map(({ groupId, bayId }) => [groupId, bayId]))
      : undefined;
  const placeOf = (group: Group): Group['bayId'] => {
    if (arrangement === 'today') return group.standsBayId;
    return drafted ? (drafted.get(group.id) ?? null) : group.bayId;
  };
  return Object.fromEntries(
    groups
      .map((group) => [group.id, placeOf(group)] as const)
      .map(([id, bayId]) => [id, bayId !== null && bayIds.has(bayId) ? bayId : null]),
  ) as Record<Group['id'], Group['bayId']>;
}
