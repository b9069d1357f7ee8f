import type { DecisionId, ThingId } from '../shared';
import { type DecisionEvent, type StandingEvent, type Thing } from './model';
import type { Verdict } from './verdicts';
import { keptDestination } from './destination';

/** Where the events of an act come from: what core does without. */
export interface EventMeans {
  readonly now: string;
  readonly device: string;
  /** A fresh id for the act; its events carry it with a number behind, so that undo takes them together. */
  readonly actId: string;
  readonly toDecisionId: (text: string) => DecisionId;
  readonly createThingId: () => ThingId;
}

const PART = /^(.+)_p\d+$/;
const partIdOf = (actId: string, index: number): string => `${actId}_p${index}`;

/** A part of a pile and what becomes of it. */
export interface PilePart {
  readonly count: number;
  readonly verdict: Verdict;
  readonly to: string;
}

/**
 * Splits a pile: 12 of them, 3 kept and 9 donated. The first part stays the thing, each other part becomes
 * one of its own; litres and grams go by pieces.
 * Requires: parts of at least one piece each that add up to the pile.
 */
export function splitPile(
  pile: Omit<Thing, 'decisionId' | 'decidedAt'>,
  parts: readonly PilePart[],
  means: EventMeans,
): DecisionEvent[] {
  const { id, ...facts } = pile;
  return parts.map((part, i) => ({
    ...facts,
    kind: 'decided',
    id: means.toDecisionId(partIdOf(means.actId, i)),
    thingId: i === 0 ? id : means.createThingId(),
    decidedAt: means.now,
    device: means.device,
    count: part.count,
    verdict: part.verdict,
    to: part.to,
    destination: keptDestination(pile, part),
    litres: roundTo((pile.litres * part.count) / pile.count, 100),
    massG: Math.round((pile.massG * part.count) / pile.count),
    ...scaledRanges(pile, part.count / pile.count),
    groupId: facts.groupId,
    reasons: [...facts.reasons],
  }));
}

/**
 * Puts one pile into another: what was two is counted as the first, with its verdict and the nearer
 * of their dates.
 */
export function mergePiles(into: Thing, other: Thing, means: EventMeans): DecisionEvent[] {
  const { id, decisionId, ...facts } = into;
  void decisionId;
  const head = { decidedAt: means.now, device: means.device };
  const days = [into.expiresOn, other.expiresOn].filter((day) => day !== undefined).sort();
  return [
    {
      ...facts,
      ...head,
      kind: 'decided',
      id: means.toDecisionId(partIdOf(means.actId, 0)),
      thingId: id,
      count: into.count + other.count,
      litres: roundTo(into.litres + other.litres, 100),
      massG: into.massG + other.massG,
      ...sumOfRanges(into, other),
      reasons: [...new Set([...into.reasons, ...other.reasons])].slice(0, 6),
      ...(days[0] === undefined ? {} : { expiresOn: days[0] }),
    },
    {
      ...head,
      kind: 'merged',
      id: means.toDecisionId(partIdOf(means.actId, 1)),
      thingId: other.id,
      intoId: id,
    },
  ];
}

/** Decides a thing anew: the log keeps what was said before. */
export function correctThing(
  thing: Thing,
  change: Partial<
    Pick<
      Thing,
      | 'name'
      | 'count'
      | 'verdict'
      | 'to'
      | 'reasons'
      | 'groupId'
      | 'litres'
      | 'massG'
      | 'ranges'
      | 'unit'
      | 'kindId'
      | 'uprightMm'
      | 'longestMm'
      | 'cautions'
      | 'goesTo'
      | 'mustAsk'
      | 'agreedBy'
      | 'pictureId'
    >
  > & { /** Undefined takes the day off. */ readonly expiresOn?: string | undefined },
  means: EventMeans,
): DecisionEvent {
  const { id, decisionId, expiresOn: dayBefore, ...facts } = thing;
  void decisionId;
  const { expiresOn = 'expiresOn' in change ? undefined : dayBefore, ...rest } = change;
  const count = change.count ?? thing.count;
  const scaled = {
    litres: roundTo((thing.litres * count) / thing.count, 100),
    massG: Math.round((thing.massG * count) / thing.count),
    ...scaledRanges(thing, count / thing.count),
  };
  return {
    ...facts,
    ...scaled,
    ...rest,
    destination: keptDestination(thing, { ...thing, ...rest }),
    ...(expiresOn === undefined ? {} : { expiresOn }),
    kind: 'decided',
    id: means.toDecisionId(partIdOf(means.actId, 0)),
    thingId: id,
    decidedAt: means.now,
    device: means.device,
    reasons: [...(change.reasons ?? facts.reasons)],
  };
}

/**
 * The events that were made in one act with this one, itself among them; acts carry a number behind
 * their id.
 */
export function actOf(event: StandingEvent, log: readonly DecisionEvent[]): StandingEvent[] {
  const act = PART.exec(event.id)?.[1];
  if (act === undefined) return [event];
  return log.filter(
    (other): other is StandingEvent =>
      (other.kind === 'decided' || other.kind === 'merged') && PART.exec(other.id)?.[1] === act,
  );
}

type Ranged = Pick<Thing, 'litres' | 'massG' | 'ranges'>;
const scaledRanges = ({ ranges }: Ranged, ratio: number): Pick<Thing, 'ranges'> => {
  if (ranges === undefined) return {};
  const scale = ({ low, high, from }: (typeof ranges)['litres']) => ({
    low: low * ratio,
    high: high * ratio,
    from,
  });
  return { ranges: { litres: scale(ranges.litres), massG: scale(ranges.massG) } };
};
/** Of a pile that does not say how sure it is, its figure is taken as it stands. */
function sumOfRanges(a: Ranged, b: Ranged): Pick<Thing, 'ranges'> {
  if (a.ranges === undefined) return {};
  const add = (what: 'litres' | 'massG') => {
    const [mine, other] = [a.ranges?.[what], b.ranges?.[what]];
    return {
      low: (mine?.low ?? a[what]) + (other?.low ?? b[what]),
      high: (mine?.high ?? a[what]) + (other?.high ?? b[what]),
      from: mine?.from ?? 'unknown',
    };
  };
  return { ranges: { litres: add('litres'), massG: add('massG') } };
}

const roundTo = (value: number, steps: number): number => Math.round(value * steps) / steps;
