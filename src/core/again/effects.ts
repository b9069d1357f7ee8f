import { containerIdsOf, type ContainerProduct, type TakenFit } from '../fit';
import type { Labeling } from '../labels';
import { usableLitresOf, type Unit } from '../look';
import type { BayId, GroupId, LearnedShare } from '../shared';
import { keptPiecesOf, type Purchase } from '../shop';
import { isKept, keptLitresOf, spaceInBay, type Group, type Thing } from '../sort';
import type { Finding, Mending } from './findings';

/** What a way to mend a finding would come to, worked out before somebody takes it. */
export type Effect =
  /** It is seen where it is done. */
  | { readonly code: 'seen_there' }
  /** Groups would live elsewhere; so many seconds a week less, of walking, reaching and looking. */
  | {
      readonly code: 'moves';
      readonly places: readonly { readonly groupId: GroupId; readonly bayId: BayId }[];
      /** Undefined: where it is today it breaks a rule. */
      readonly secondsLess: number | undefined;
      readonly isProven: boolean;
    }
  /** Looking in the wrong place takes so many seconds a week, and no other place saves what anybody feels. */
  | { readonly code: 'stays'; readonly lookingSeconds: number }
  | { readonly code: 'no_household' }
  | { readonly code: 'no_place' }
  /** How much lay there was never said. */
  | { readonly code: 'not_said' }
  | {
      readonly code: 'too_much';
      readonly overLitres: number;
      /** Of the largest pile there, so many pieces are that much; undefined: nothing there was counted. */
      readonly pile:
        { readonly name: string; readonly count: number; readonly pieces: number } | undefined;
    }
  | { readonly code: 'lies_badly' }
  | { readonly code: 'nothing_lives_there' }
  | { readonly code: 'refit'; readonly foundLitres: number; readonly countedLitres: number }
  | { readonly code: 'lidless'; readonly groupCount: number }
  /** What stands there by the taken fit, and until when some of it can go back; null: it cannot, or nobody said. */
  | {
      readonly code: 'give_back';
      readonly containers: readonly {
        readonly name: string;
        readonly pieces: number;
        readonly returnBy: string | null;
      }[];
    }
  /** How often things are found at once with a label and without, and whether one is there already. */
  | {
      readonly code: 'sign';
      readonly hasLabel: boolean;
      readonly labelled: LearnedShare;
      readonly unlabelled: LearnedShare;
    }
  /** Both groups in the place that has more room; negative: so many litres too much. */
  | { readonly code: 'join'; readonly bayId: BayId; readonly freeLitres: number };

interface EffectFacts {
  readonly groups: readonly Group[];
  readonly things: readonly Thing[];
  readonly units: readonly Unit[];
  readonly fits: readonly Pick<TakenFit, 'bayId' | 'answer'>[];
  readonly containers: readonly Pick<ContainerProduct, 'id' | 'name'>[];
  readonly purchases: readonly Purchase[];
  readonly labelings: readonly Pick<Labeling, 'made'>[];
  /** Of things that were looked for, how often they were found at once. */
  readonly found: { readonly labelled: LearnedShare; readonly unlabelled: LearnedShare };
}

/** What a way comes to; `place` is worked out by `zones` and is not among them. O(groups + things). */
export function effectOf(
  finding: Finding,
  mending: Exclude<Mending, 'place'>,
  facts: EffectFacts,
): Effect {
  const { groups, things, units } = facts;
  if (mending === 'label' || mending === 'picture') return signEffect(finding, facts);
  if (finding.code === 'mixed_up') return joinEffect(finding.groupIds, facts);
  if (!('bayId' in finding) || finding.bayId === undefined) return { code: 'seen_there' };
  const bay = units.flatMap(({ bays }) => bays).find(({ id }) => id === finding.bayId);
  const there = groups.filter((group) => group.bayId === finding.bayId);
  const found = 'litresFound' in finding ? finding.litresFound : undefined;
  if (mending === 'enough' && finding.code === 'overfull') {
    if (!bay || found === null || found === undefined) return { code: 'not_said' };
    const overLitres = found - usableLitresOf(bay);
    if (overLitres <= 0) return { code: 'lies_badly' };
    return { code: 'too_much', overLitres, pile: largestPile(overLitres, there, things) };
  }
  if (mending === 'refit' && bay) {
    if (found === null || found === undefined) return { code: 'not_said' };
    const space = spaceInBay({
      bayId: bay.id,
      usableLitres: usableLitresOf(bay),
      groups,
      things,
    });
    if (space.keptLitres <= 0) return { code: 'nothing_lives_there' };
    return { code: 'refit', foundLitres: found, countedLitres: space.keptLitres };
  }
  if (mending === 'give_back') return giveBackEffect(finding.bayId, facts);
  if (mending === 'lidless')
    return { code: 'lidless', groupCount: there.filter(({ lid }) => lid !== 'forbidden').length };
  return { code: 'seen_there' };
}

function signEffect(finding: Finding, { groups, labelings, found }: EffectFacts): Effect {
  const made = labelings.flatMap((labeling) => labeling.made);
  const groupId = 'groupId' in finding ? finding.groupId : undefined;
  const livesIn = groups.find(({ id }) => id === groupId)?.bayId;
  const hasLabel =
    groupId !== undefined &&
    made.some((label) => label.groupId === groupId && label.bayId === livesIn);
  return { code: 'sign', hasLabel, ...found };
}

function joinEffect(groupIds: readonly GroupId[], { groups, things, units }: EffectFacts): Effect {
  const both = groups.filter(({ id }) => groupIds.includes(id));
  const bays = units.flatMap((unit) => unit.bays);
  const free = both.flatMap((group) => {
    const bay = bays.find(({ id }) => id === group.bayId);
    if (!bay) return [];
    const other = both.filter(({ id, bayId }) => id !== group.id && bayId !== bay.id);
    const usableLitres = usableLitresOf(bay);
    const { freeLitres } = spaceInBay({ bayId: bay.id, usableLitres, groups, things });
    const comes = other.reduce((sum, each) => sum + keptLitresOf(each, things), 0);
    return [{ bayId: bay.id, freeLitres: freeLitres - comes }];
  });
  const [best] = free.sort((a, b) => b.freeLitres - a.freeLitres);
  return best ? { code: 'join', ...best } : { code: 'seen_there' };
}

function giveBackEffect(bayId: BayId, { fits, containers, purchases }: EffectFacts): Effect {
  const answer = fits.find((fit) => fit.bayId === bayId)?.answer;
  const placed = answer ? containerIdsOf(answer) : [];
  const here = containers.flatMap(({ id, name }) => {
    const pieces = placed.filter((each) => each === id).length;
    const days = purchases.flatMap((purchase) =>
      purchase.containerId === id && purchase.returnBy !== null && keptPiecesOf(purchase) > 0
        ? [purchase.returnBy]
        : [],
    );
    return pieces === 0 ? [] : [{ name, pieces, returnBy: days.sort()[0] ?? null }];
  });
  return here.length === 0 ? { code: 'seen_there' } : { code: 'give_back', containers: here };
}

/** "About 4 of 12 scarves": of the largest pile there, by its own litres. */
function largestPile(overLitres: number, groups: readonly Group[], things: readonly Thing[]) {
  const [largest] = things
    .filter((thing) => isKept(thing) && groups.some(({ id }) => id === thing.groupId))
    .sort((a, b) => b.litres - a.litres);
  if (!largest || largest.litres <= 0) return undefined;
  const { name, count, litres } = largest;
  return { name, count, pieces: Math.ceil(overLitres / (litres / count)) };
}

/** Less than this a week nobody feels. */
export const FELT_SECONDS = 5;

/** Whether something is changed by taking a way. */
export const isWorthTaking = (effect: Effect): boolean =>
  !['stays', 'no_household', 'no_place', 'nothing_lives_there'].includes(effect.code);

/** How much more or less lies in a place than was counted, as a factor. */
const litresFactorOf = (foundLitres: number, countedLitres: number): number =>
  countedLitres > 0 && foundLitres > 0 ? foundLitres / countedLitres : 1;

/** Groups of a place with the litres that were found there, in their proportions. */
export const withFoundLitres = <T extends { readonly litres: number }>(
  groups: readonly T[],
  foundLitres: number,
): T[] => {
  const counted = groups.reduce((sum, { litres }) => sum + litres, 0);
  const factor = litresFactorOf(foundLitres, counted);
  return groups.map((group) => ({ ...group, litres: group.litres * factor }));
};
