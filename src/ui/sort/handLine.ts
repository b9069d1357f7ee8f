import {
  factsOf,
  withCorrection,
  withCount,
  type correctThing,
  type Group,
  type ParsedThing,
  type Thing,
} from '@/core/sort';
import type { InHand, InHandChanges } from './benchData';

/** "6 forks /cutlery": what stands behind a slash with a blank before it names the group. */
export function splitGroup(typed: string): { readonly line: string; readonly groupTyped?: string } {
  const match = /^(.*?)\s\/\s*(\p{L}.*)$/u.exec(typed);
  return match ? { line: match[1] ?? '', groupTyped: (match[2] ?? '').trim() } : { line: typed };
}
/** The group one of whose words begins so; the whole name before the beginning of one. */
export function findGroupByStart(groups: readonly Group[], start: string): Group | undefined {
  const wanted = start.toLowerCase();
  return (
    groups.find(({ name }) => name.toLowerCase() === wanted) ??
    groups.find(({ name }) => name.toLowerCase().startsWith(wanted)) ??
    groups.find(({ name }) =>
      name
        .toLowerCase()
        .split(/[^\p{L}\p{N}]+/u)
        .some((word) => word.startsWith(wanted)),
    )
  );
}

export const offOf = ({ ranges: { litres } }: InHand): number => (litres.high - litres.low) / 2;

/** A new number of pieces scales what they take; what was typed over stands. */
export function applyChanges(parsed: InHand, { correction, ...changes }: InHandChanges): InHand {
  const counted = withCount(parsed, changes.count ?? parsed.count);
  return { ...(correction ? withCorrection(counted, correction) : counted), ...changes };
}

/** Renamed, a thing is sized anew, unless its size was typed. */
export function withSizeAnew(
  thing: Thing,
  change: Parameters<typeof correctThing>[1],
  parse: (text: string) => ParsedThing | undefined,
): Parameters<typeof correctThing>[1] {
  const name = change.name ?? thing.name;
  if (name === thing.name) return change;
  const count = change.count ?? thing.count;
  const parsed = parse(name);
  if (!parsed) return change;
  const { ranges, expiresOn: _, ...facts } = factsOf(parsed);
  const counted = withCount({ ...parsed, count: 1 }, count);
  const isTyped = (what: 'litres' | 'massG') =>
    thing.ranges?.[what].from === 'typed' || change[what] !== undefined;
  void ranges;
  return {
    ...facts,
    ...(isTyped('litres') ? {} : { litres: hundredths(counted.litres) }),
    ...(isTyped('massG') ? {} : { massG: Math.round(counted.massG) }),
    ranges: {
      litres: isTyped('litres') ? (thing.ranges ?? counted.ranges).litres : counted.ranges.litres,
      massG: isTyped('massG') ? (thing.ranges ?? counted.ranges).massG : counted.ranges.massG,
    },
    ...change,
  };
}
export const hundredths = (value: number): number => Math.round(value * 100) / 100;
