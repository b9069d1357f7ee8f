import type { BayId } from '../shared';
import type { Group, Thing } from './model';
import { isKept } from './verdicts';

/** What of a list is kept, by its group; a list is gone through once, however many groups ask. */
const keptOf = new WeakMap<readonly Thing[], ReadonlyMap<string, readonly Thing[]>>();
function keptIn(things: readonly Thing[], groupId: string): readonly Thing[] {
  let byGroup = keptOf.get(things);
  if (!byGroup) {
    const made = new Map<string, Thing[]>();
    for (const thing of things) {
      if (thing.groupId === null || !isKept(thing)) continue;
      const kept = made.get(thing.groupId);
      if (kept) kept.push(thing);
      else made.set(thing.groupId, [thing]);
    }
    byGroup = made;
    keptOf.set(things, made);
  }
  return byGroup.get(groupId) ?? [];
}

/** Litres of a group's keep pile: what was decided thing by thing, and what was measured as a heap. */
export function keptLitresOf(
  group: Pick<Group, 'id' | 'uncountedLitres'>,
  things: readonly Thing[],
): number {
  return keptIn(things, group.id).reduce((sum, { litres }) => sum + litres, group.uncountedLitres);
}

/** Grams of a group's keep pile; a heap without a weight is taken at 300 g a litre. */
export function keptMassGOf(
  group: Pick<Group, 'id' | 'uncountedLitres'>,
  things: readonly Thing[],
): number {
  return keptIn(things, group.id).reduce(
    (sum, { massG }) => sum + massG,
    group.uncountedLitres * 300,
  );
}

/** How a bay stands while sorting, with the thing in hand tried in it. */
interface BaySpace {
  readonly usableLitres: number;
  /** All groups meant for this bay. */
  readonly keptLitres: number;
  readonly inHandLitres: number;
  /** Negative where the keep pile alone is too much. */
  readonly freeLitres: number;
  /** How many pieces of the thing in hand still fit; undefined where nothing is in hand. */
  readonly fittingCount: number | undefined;
  /** Litres that are too many if all of it is kept; 0 where it fits. */
  readonly overLitres: number;
  /** How far what is free with it may be off, four times in five; 0 where nothing is known of that. */
  readonly offLitres: number;
}

/**
 * What room a bay still has for the keep pile.
 * Requires: `groups` are all of the project; `inHand.litres` is for all its pieces.
 */
export function spaceInBay(request: {
  readonly bayId: BayId;
  readonly usableLitres: number;
  readonly groups: readonly Group[];
  readonly things: readonly Thing[];
  readonly inHand?:
    { readonly count: number; readonly litres: number; readonly offLitres?: number } | undefined;
}): BaySpace {
  const here = request.groups.filter((group) => group.bayId === request.bayId);
  const keptLitres = here.reduce((sum, group) => sum + keptLitresOf(group, request.things), 0);
  const freeLitres = request.usableLitres - keptLitres;
  const inHandLitres = request.inHand?.litres ?? 0;
  const litresEach = request.inHand ? inHandLitres / request.inHand.count : 0;
  const fitting =
    litresEach > 0 ? Math.floor((Math.max(0, freeLitres) + 1e-9) / litresEach) : Infinity;
  return {
    usableLitres: request.usableLitres,
    keptLitres,
    inHandLitres,
    freeLitres,
    fittingCount: request.inHand ? Math.min(request.inHand.count, fitting) : undefined,
    overLitres: Math.max(0, keptLitres + inHandLitres - request.usableLitres),
    // Groups and the thing in hand err independently: squares.
    offLitres: Math.hypot(
      request.inHand?.offLitres ?? 0,
      ...here.map(({ contents }) => contents?.litresOff ?? 0),
    ),
  };
}
