import {
  type BentRule,
  type BrokenRule,
  type MovesReason,
  type PlaceWarning,
  type PlacingSchools,
  placeOfRow,
  type ZonesReason,
  type ZoneWhy,
  schoolWeightOf,
} from '@/core/place';
import {
  assertNever,
  formatLength,
  formatLitres,
  formatMass,
  type LengthUnit,
} from '@/core/shared';

/** Time a week: "40 s", "4.2 min", "48 min". */
export const minutesWords = (seconds: number): string => {
  if (seconds < 59.5) return `${Math.round(seconds)} s`;
  return seconds >= 600 ? `${Math.round(seconds / 60)} min` : `${(seconds / 60).toFixed(1)} min`;
};

/** A place by its name; a back row says so. */
export const sayBay = (bayNames: Readonly<Record<string, string>>, bayId: string): string => {
  const name = bayNames[placeOfRow(bayId)] ?? '';
  return placeOfRow(bayId) === bayId ? name : `${name}, back row`;
};

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
  if (schools.weight !== 'by-use')
    notes.push(
      'What weighs more than 5 kg counts 0.2 s a kilogram and use where it is lifted low or high; ' +
        'what breaks stands not high, and not with what would crush it.',
    );
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
    case 'breaks':
      return 'breaks, and stands too high';
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
    case 'kept_apart':
      return (
        `not with ${groupName(String(facts.fromId))} on ` +
        `${sayBay(bayNames, String(facts.wouldBeBayId)) || 'its best place'}; costs ${facts.moreSeconds} s a week`
      );
    case 'made_room':
      return `made room on ${sayBay(bayNames, String(facts.wouldBeBayId)) || 'its best place'}; costs ${facts.moreSeconds} s a week`;
  }
}

/** What a sentence calls the ids of an answer, and the unit in which it gives lengths. */
export interface PlaceNaming {
  readonly bay: (id: string) => string;
  readonly group: (id: string) => string;
  readonly unit: LengthUnit;
}
/** Why no arrangement can be, or was found, in a sentence. */
export function zonesReasonWords(reason: ZonesReason, naming: PlaceNaming): string {
  const words = sentenceOf(reason, naming);
  return 'keptToBays' in reason
    ? `${words} It is kept to ${reason.keptToBays} of the places.`
    : words;
}

function clashWords(
  { groupIds, bayIds, needLitres, haveLitres }: Extract<ZonesReason, { code: 'cannot_all_fit' }>,
  { bay, group }: PlaceNaming,
): string {
  if (!groupIds)
    return 'Each group has a place that would take it, but not all at once: room, load and what must be kept apart leave no arrangement.';
  const names = listWords(groupIds.map(group));
  if (!bayIds)
    return `${names} each have a place that would take them, but not all of them at once.`;
  const places = listWords(bayIds.map(bay));
  return needLitres === undefined || haveLitres === undefined
    ? `${names} weigh more than ${places}, which is all they may have, bears.`
    : `${names} need ${formatLitres(needLitres)}; ${places}, which is all they may have, holds ${formatLitres(haveLitres)}.`;
}

const MOST_LISTED = 6;
/** "Tins, jam and 3 others". */
function listWords(names: readonly string[]): string {
  const told = names.slice(0, MOST_LISTED);
  const rest = names.length - told.length;
  const parts = rest > 0 ? [...told, `${rest} ${rest === 1 ? 'other' : 'others'}`] : told;
  return parts.length < 2
    ? (parts[0] ?? '')
    : `${parts.slice(0, -1).join(', ')} and ${parts.at(-1)}`;
}

function sentenceOf(reason: ZonesReason, naming: PlaceNaming): string {
  const { bay, group, unit } = naming;
  switch (reason.code) {
    case 'no_bays':
      return 'There is no place to put anything in.';
    case 'cannot_all_fit':
      return clashWords(reason, naming);
    case 'time_ran_out':
      return 'No arrangement that keeps every rule was found in the time; that there is none is not proven.';
    case 'not_enough_litres':
      return (
        `Everything together needs ${formatLitres(reason.needLitres)}, the places hold ` +
        `${formatLitres(reason.haveLitres)}: ${formatLitres(reason.needLitres - reason.haveLitres)} ` +
        'are missing.'
      );
    case 'not_enough_load':
      return `Everything together weighs ${formatMass(reason.massG)}, the places bear ${formatMass(reason.bearG)}.`;
    case 'pins_overfill_bay':
      return (
        `What is pinned to ${bay(reason.subject)} needs ${formatLitres(reason.needLitres)}, it holds ` +
        `${formatLitres(reason.hasLitres)}.`
      );
    case 'pins_overload_bay':
      return `What is pinned to ${bay(reason.subject)} weighs ${formatMass(reason.massG)}, it bears ${formatMass(reason.bearsG)}.`;
    case 'pins_clash': {
      const [a, b] = reason.groupIds.map(group);
      return reason.why === undefined
        ? `${a} are chemicals and ${b} is food: they are pinned to the same place, ${bay(reason.subject)}.`
        : `${a} and ${b} are pinned to ${bay(reason.subject)} and must be apart: ${reason.why}.`;
    }
    case 'larger_than_every_bay':
      return (
        `${group(reason.subject)} needs ${formatLitres(reason.litres)}; the largest place, ` +
        `${bay(reason.largestBayId)}, holds ${formatLitres(reason.largestLitres)}.`
      );
    case 'heavier_than_every_bay':
      return `${group(reason.subject)} weighs ${formatMass(reason.massG)}: no place that is large enough bears that.`;
    case 'nobody_reaches':
      return `${group(reason.subject)} has no place that all its users reach without a step.`;
    case 'no_safe_place':
      return (
        `${group(reason.subject)} is dangerous and a child lives here: no place is locked or at ` +
        `least ${formatLength(reason.safeFromMm, unit)} high and fits it.`
      );
    case 'kept_to_no_bay':
      return `${group(reason.subject)} is kept to places that are not there.`;
    case 'pin_breaks_rule':
      return `${group(reason.subject)} is pinned to ${bay(reason.bayId)}, but ${brokenWords(reason.broken, unit)}.`;
    case 'no_fit_place':
      return `${group(reason.subject)} fits no place. In ${bay(reason.bayId)}, for one, ${brokenWords(reason.broken, unit)}.`;
  }
}

const TRAIT_WORDS = { moist: 'damp', warm: 'warm', light: 'light' } as const;

const brokenWords = (broken: readonly BrokenRule[], unit: LengthUnit): string =>
  broken.map((rule) => brokenRuleWords(rule, unit)).join(', and ');

function brokenRuleWords(broken: BrokenRule, unit: LengthUnit): string {
  switch (broken.rule) {
    case 'litres':
      return `it needs ${formatLitres(broken.needLitres)} and there are ${formatLitres(broken.hasLitres)}`;
    case 'load':
      return `it weighs ${formatMass(broken.massG)} and the place bears ${formatMass(broken.bearsG)}`;
    case 'hazard':
      return `it is dangerous, a child lives here, and the place is neither locked nor ${formatLength(broken.safeFromMm, unit)} high`;
    case 'avoid':
      return `it must be kept from what is ${broken.traits.map((trait) => TRAIT_WORDS[trait]).join(' or ')}`;
    case 'self_serve':
      return 'not everyone who serves themselves reaches it';
    case 'step':
      return 'someone who must not climb would need a step';
    case 'breaks':
      return 'it breaks, and the place is too high for it';
    case 'pin':
      return 'it is pinned elsewhere';
    case 'kept_in':
      return 'it is kept to other places';
  }
}

/** Why an arrangement cannot be carried out, in a sentence. */
export const movesReasonWords = ({ needLitres, hasLitres }: MovesReason, bayName: string): string =>
  `What is planned for ${bayName} needs ${formatLitres(needLitres)}, it holds ` +
  `${formatLitres(hasLitres)}: ${formatLitres(needLitres - hasLitres)} too much.`;

/** How far from the best possible an arrangement is at most. */
export function gapWords(objective: number, bound: number): string {
  const share = objective > 0 ? (objective - bound) / objective : 0;
  if (share <= 1e-6) return 'no arrangement takes less, that is proven';
  return `at most ${share < 0.01 ? (Math.ceil(share * 1000) / 10).toFixed(1) : Math.ceil(share * 100)} % from the best possible`;
}
