import type { ZoneWhy } from '@/core/place';

/** Why a group stands where it does, in a sentence. */
export function whyWords(
  { code, facts }: ZoneWhy,
  {
    bayNames,
    groupName,
  }: {
    readonly bayNames: Readonly<Record<string, string>>;
    readonly groupName: (groupId: string) => string;
  },
): string {
  const metres = `${facts.metres} m`;
  switch (code) {
    case 'near_station':
      return `nearest to ${facts.station || 'where it is used'}, ${metres}`;
    case 'in_reach':
      return `a little further, ${metres}, but at a good height`;
    case 'kept_safe':
      return facts.locked === 'yes'
        ? 'locked away, for a child lives here'
        : 'out of a child’s reach';
    case 'with_partner':
      return `beside ${groupName(String(facts.partnerId))}, ${facts.partnerMetres} m apart`;
    case 'pinned':
      return 'pinned there';
    case 'only_place':
      return 'the only place that it may have';
    case 'made_room':
      return `made room on ${bayNames[String(facts.wouldBeBayId)] ?? 'its best place'}; costs ${facts.moreSeconds} s a week`;
  }
}
