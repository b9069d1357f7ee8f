import { enoughOf, findRule, likenessOf, litresOfBest, piecesOf } from '@/core/count';
import { type BenchBase, type Group, type ParsedThing, type Thing, isKept } from '@/core/sort';
import { type BenchData, type InHand } from './benchData';

/** A day that has passed is a reason by itself. */
export const withDateReason = (
  parsed: ParsedThing | undefined,
  today: string,
): ParsedThing | undefined =>
  parsed?.expiresOn !== undefined &&
  parsed.expiresOn < today &&
  !parsed.reasons.includes('out_of_date')
    ? { ...parsed, reasons: [...parsed.reasons, 'out_of_date'] }
    : parsed;

/**
 * Everything of a group that is kept, with the thing in hand: how many pieces, and what the best of
 * them need.
 */
export function needOfGroup(
  groupId: Group['id'],
  {
    things,
    base,
    inHand,
  }: {
    readonly things: readonly Thing[];
    readonly base: BenchBase;
    readonly inHand: InHand | undefined;
  },
) {
  const kept = things.filter((thing) => thing.groupId === groupId && isKept(thing));
  const heap = {
    count: base.keptCounts[groupId] ?? 0,
    litres: base.keptLitres[groupId] ?? 0,
    reasons: [],
    name: '',
  };
  const piles = [...kept, ...(heap.count > 0 ? [heap] : []), ...(inHand ? [inHand] : [])];
  return { pieces: piecesOf(piles), litresOfBest: (pieces: number) => litresOfBest(piles, pieces) };
}

/**
 * How many are kept and how many are enough of what a name names, and in which other rooms there
 * are more.
 */
export function enoughFor(
  name: string,
  {
    things,
    home,
    enough,
    roomId,
  }: Pick<BenchData, 'home' | 'enough' | 'roomId'> & { readonly things: readonly Thing[] },
) {
  const rule = findRule(enough.rules, name);
  const open = rule
    ? things.filter((thing) => isKept(thing) && findRule(enough.rules, thing.name) === rule)
    : [];
  const elsewhere = Object.entries(home.byLikeness[likenessOf(name)] ?? {})
    .filter(([room]) => room !== roomId)
    .map(([room, count]) => ({ roomId: room, count }));
  return {
    keptCount: rule && piecesOf(open) + (home.byRule[rule.name] ?? 0),
    enoughCount: rule && enoughOf(rule, enough.household),
    elsewhere,
  };
}
