import { cautionsOfName, type Group } from '../sort';
import type { CautionCode } from '../things';

/** Months in which a group is in use, first and last, 1 to 12. */
interface Season {
  readonly from: number;
  readonly to: number;
}
type Hazard = 'chemical' | 'sharp' | 'medicine';

/** Uses a week of what nobody has said anything about. */
const USUAL_USES = { daily: 14, other: 1, backStock: 0.5 } as const;
/** Out of its season a thing is taken out about twice a year. */
const OFF_SEASON_USES = 0.04;
/** What tempts is placed as if it were hardly used. */
const TEMPTING_SHARE = 0.05;

/** Things that are eaten; near them no chemical stands. */
const FOOD =
  /\b(?:food|spices?|flour|rice|pasta|tea|coffee|snacks?|cereal|tins? of|preserves|baking)\b/i;
const FRAGILE = /\b(?:glass(?:es|ware)?|china|crystal|porcelain|vases?|ornaments?|baubles)\b/i;
const MONTHS = [
  'january',
  'february',
  'march',
  'april',
  'may',
  'june',
  'july',
  'august',
  'september',
  'october',
  'november',
  'december',
];
/** Seasons by their words. Assumed for the northern half; a group's own months overrule them. */
const SEASON_WORDS: readonly (readonly [RegExp, Season])[] = [
  [/\b(?:beach|summer|picnic|barbecue|paddling)\b/i, { from: 5, to: 9 }],
  [/\b(?:winter|ski|skis|sledges?|snow)\b/i, { from: 11, to: 3 }],
  [/\b(?:christmas|festive|advent)\b/i, { from: 12, to: 1 }],
];

export const isFoodGroup = (group: Group): boolean => group.placing.isFood ?? FOOD.test(group.name);
export const isFragileGroup = (group: Group): boolean =>
  group.placing.isFragile ?? FRAGILE.test(group.name);

/** Less than once a week a walk to another room is no burden. */
const RARELY = 1;
/**
 * Whether a group may live outside its room: as was said, or where it is in reserve, of a season,
 * or rarely used, and not dangerous.
 */
export const mayLeaveRoom = (group: Group): boolean =>
  group.placing.mayLeaveRoom ??
  (!isDangerous(group) &&
    (group.placing.isBackStock || seasonOf(group) !== undefined || usesPerWeekOf(group) < RARELY));
const isDangerous = (group: Group): boolean =>
  hazardOf(group) !== undefined || cautionsOfGroup(group).includes('hazardous_waste');

/** What a group calls for: what its kept things do, and its name where nothing is known of them. */
export const cautionsOfGroup = (group: Group): readonly CautionCode[] => [
  ...new Set([...(group.contents?.cautions ?? []), ...cautionsOfName(group.name)]),
];

export function hazardOf(group: Group): Hazard | undefined {
  if (group.placing.hazard !== null)
    return group.placing.hazard === 'none' ? undefined : group.placing.hazard;
  const cautions = cautionsOfGroup(group);
  if (cautions.includes('medicine')) return 'medicine';
  if (cautions.includes('chemical')) return 'chemical';
  return cautions.includes('blade') ? 'sharp' : undefined;
}

/** The months of a group: as was said, or as its name has them ("May to September", "winter"). */
export function seasonOf(group: Group): Season | undefined {
  // The whole year is no season, whatever the name says.
  if (group.placing.season)
    return monthCount(group.placing.season) === 12 ? undefined : group.placing.season;
  const [, first, last] = /\b([a-z]{3,9}) to ([a-z]{3,9})\b/i.exec(group.name) ?? [];
  const [from, to] = [monthOf(first), monthOf(last)];
  if (from > 0 && to > 0) return { from, to };
  return SEASON_WORDS.find(([word]) => word.test(group.name))?.[1];
}

const monthOf = (word: string | undefined): number =>
  word === undefined || word.length < 3
    ? 0
    : MONTHS.findIndex((name) => name.startsWith(word.toLowerCase())) + 1;

/** Whether a month, 1 to 12, lies in a season; seasons may run over the new year. */
export const isInSeason = ({ from, to }: Season, month: number): boolean =>
  from <= to ? month >= from && month <= to : month >= from || month <= to;
const monthCount = ({ from, to }: Season): number => ((to - from + 12) % 12) + 1;

/**
 * Uses a week as they count: as said, or by whether the group is in daily use or kept in reserve. A
 * seasonal group is used
 * so often in its season and hardly outside; without a month the year's mean counts.
 */
export function usesPerWeekOf(group: Group, month?: number): number {
  const { usesPerWeek, isBackStock, isTempting } = group.placing;
  const openStock = group.front ? USUAL_USES.daily : USUAL_USES.other;
  const said = usesPerWeek ?? (isBackStock ? USUAL_USES.backStock : openStock);
  const uses = isTempting ? said * TEMPTING_SHARE : said;
  const season = seasonOf(group);
  if (!season) return uses;
  const off = Math.min(uses, OFF_SEASON_USES);
  if (month !== undefined) return isInSeason(season, month) ? uses : off;
  const share = monthCount(season) / 12;
  return uses * share + off * (1 - share);
}
