import {
  type BentRule,
  type PlaceWarning,
  type PlacingSchools,
  ROOM_GAP_MM,
  type ZoneWhy,
  schoolWeightOf,
} from '@/core/place';
import { assertNever, formatLitres, formatMass } from '@/core/shared';

/** Time a week: "40 s", "4.2 min", "48 min". */
export const minutesWords = (seconds: number): string => {
  if (seconds < 59.5) return `${Math.round(seconds)} s`;
  return seconds >= 600 ? `${Math.round(seconds / 60)} min` : `${(seconds / 60).toFixed(1)} min`;
};

/** What is assumed where rooms are looked at together. */
export const ROOM_GAP_NOTE = `From one room to the next ${ROOM_GAP_MM / 1000} m are assumed, in the order in which the rooms are listed.`;

/** What the schools of a room change in a proposal. */
export function schoolNotes(schools: PlacingSchools): string[] {
  const { grouping, living } = schools;
  const weight = schoolWeightOf(schools);
  const notes: string[] = [];
  if (grouping === 'person')
    notes.push(
      `By person: what one person alone uses stands close together; each metre between counts ${weight} s a week.`,
    );
  if (grouping === 'task')
    notes.push(
      `By task: what is used at one station stands close together; each metre between counts ${weight} s a week.`,
    );
  if (grouping === 'frequency')
    notes.push(
      'By frequency: daily things count double, what is used less than once a week counts half.',
    );
  if (living === 'together' && grouping !== 'person' && grouping !== 'task')
    notes.push('All together: what belongs together counts three times as much.');
  return notes;
}

export const MONTH_NAMES = [
  'January',
  'February',
  'March',
  'April',
  'May',
  'June',
  'July',
  'August',
  'September',
  'October',
  'November',
  'December',
] as const;

export function placeWarningWords(warning: PlaceWarning): string {
  switch (warning.code) {
    case 'bay_overfull':
      return `${formatLitres(warning.overLitres)} too much for this place`;
    case 'bay_overloaded':
      return `${formatMass(warning.overG)} more than it bears`;
    case 'bay_out_of_scope':
      return 'not part of this pass';
    case 'heavy_high':
      return `${formatMass(warning.massG)} above shoulder height: heavy things belong low`;
    case 'out_of_reach':
      return `used daily, and out of reach for ${warning.personNames.join(' and ')}`;
    default:
      return assertNever(warning);
  }
}
/** Why a group must not be there, in a few words. */
export function bentWords(
  rule: BentRule,
  groups: readonly { readonly id: string; readonly name: string }[],
): string {
  switch (rule.code) {
    case 'litres':
      return 'more than the place holds';
    case 'load':
      return 'heavier than the place bears';
    case 'hazard':
      return 'dangerous, and within a child’s reach';
    case 'avoid':
      return 'too damp, warm or light for it';
    case 'self_serve':
      return 'not everyone who takes it reaches it';
    case 'step':
      return 'someone who must not climb would need a step';
    case 'pin':
      return 'pinned elsewhere';
    case 'kept_in':
      return 'kept to other places';
    case 'fragile_high':
      return 'breaks, and stands high';
    case 'apart':
      return `${rule.why}: ${groups.find(({ id }) => id === rule.otherId)?.name ?? ''}`;
  }
}
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
