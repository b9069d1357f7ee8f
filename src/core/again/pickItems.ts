import type { Random } from '../shared/random';
import type { Group, Thing } from '../sort';
import { isKept } from '../sort';
import type { PutAwayTest } from './model';

export const ITEMS_A_TEST = 10;

/** What is asked for: a group where it lives, by its own name or by something that is kept in it. */
export interface ItemToFind {
  readonly groupId: Group['id'];
  readonly name: string;
  readonly meantBayId: NonNullable<Group['bayId']>;
}

/**
 * What somebody is asked to put away: groups that have a place and are theirs or everybody's, those that they were
 * asked least first, by chance among them. Named by something that is kept in the group, for people look for things
 * and not for groups. At most ten; the same chance gives the same.
 */
export function pickItems(
  {
    groups,
    things,
    tests,
    personId,
  }: {
    readonly groups: readonly Group[];
    readonly things: readonly Thing[];
    readonly tests: readonly PutAwayTest[];
    readonly personId: string | null;
  },
  random: Random,
): ItemToFind[] {
  const asked = (groupId: string) =>
    tests.filter(
      (test) => test.personId === personId && test.items.some((item) => item.groupId === groupId),
    ).length;
  return groups
    .flatMap((group) => {
      const { userIds } = group.placing;
      const isTheirs = userIds.length === 0 || userIds.some((id) => id === personId);
      if (group.bayId === null || !isTheirs) return [];
      const kept = things.filter((thing) => thing.groupId === group.id && isKept(thing));
      const name = kept[Math.floor(random() * kept.length)]?.name ?? group.name;
      const item = { groupId: group.id, name: name.toLowerCase(), meantBayId: group.bayId };
      return [{ item, times: asked(group.id), chance: random() }];
    })
    .sort((a, b) => a.times - b.times || a.chance - b.chance)
    .slice(0, ITEMS_A_TEST)
    .map(({ item }) => item);
}
