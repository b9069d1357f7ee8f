import type { FitContainer, FitGroup, FitRequest } from './model';
import { maxStackOf, type Chosen } from './selectContainers';
import { clearOf, groupMassG, isOneGroup, liesOf } from './suitability';
import { compareText } from '../shared';

/** One container with its content. */
export interface Filled {
  readonly container: FitContainer;
  readonly group: FitGroup;
  /** Tare and content. */
  readonly massG: number;
  /** Of two of the same kind one can stand where the other does. */
  readonly kind: string;
}

/** Same containers on one spot, bottom first. */
export interface Pile {
  readonly container: FitContainer;
  readonly levels: readonly Filled[];
}

/** What of another group may stand in the way without being lifted out first. */
export const MAX_BLOCKING_G = 4000;

/** Mass of a container with its share of a group for which so many litres are offered. */
export const filledG = (container: FitContainer, group: FitGroup, offeredLitres: number): number =>
  (container.tareG ?? 0) +
  (groupMassG(group) * container.innerLitres) / Math.max(group.litres, offeredLitres);

/** What of a group tells where its containers can stand. */
const asksOf = ({ front = false, crushable = false, of = '', eyeMm = 0 }: FitGroup): string =>
  `${front}/${crushable}/${of}/${eyeMm}`;

/** A container of a choice; its kind is asked for seldom and takes long to say. */
class Content implements Filled {
  private known: string | undefined;

  constructor(
    readonly container: FitContainer,
    readonly group: FitGroup,
    readonly massG: number,
    private readonly isSingle: boolean,
  ) {}

  get kind(): string {
    this.known ??= this.isSingle
      ? `${this.massG.toFixed(6)}/${asksOf(this.group)}`
      : `${this.group.id}/${this.massG}`;
    return this.known;
  }
}

/** Mass of each chosen container: content spread over its group's containers by litres. */
export function fillContainers(chosen: readonly Chosen[]): Filled[] {
  const offered = new Map<string, number>();
  const counts = new Map<string, number>();
  for (const { container, group, count } of chosen) {
    offered.set(group.id, (offered.get(group.id) ?? 0) + count * container.innerLitres);
    counts.set(group.id, (counts.get(group.id) ?? 0) + count);
  }
  return chosen.flatMap(({ container, group, count }) => {
    const massG = filledG(container, group, offered.get(group.id) ?? 0);
    // Several of one group are not in each other's way; a single one differs from another group's
    // by mass alone.
    const filled = new Content(container, group, massG, counts.get(group.id) === 1);
    return Array.from({ length: count }, () => filled);
  });
}

/**
 * Stacks containers of one id, one group upon itself first, the heaviest at the bottom; what
 * nothing may stand in the way of comes on top.
 */
export function buildPiles(
  request: FitRequest,
  filled: readonly Filled[],
  stackLimit: number,
): Pile[] {
  const byContainer = new Map<FitContainer, Filled[]>();
  for (const each of filled) {
    const same = byContainer.get(each.container);
    if (same) same.push(each);
    else byContainer.set(each.container, [each]);
  }
  return [...byContainer].flatMap(([container, all]) => {
    const limit = Math.min(stackLimit, maxStackOf(request, container));
    if (limit === 1) return all.map((each) => ({ container, levels: [each] }));
    const open: Filled[][] = [];
    for (const next of all.sort(
      (a, b) =>
        Number(a.group.crushable ?? false) - Number(b.group.crushable ?? false) ||
        Number(a.group.front ?? false) - Number(b.group.front ?? false) ||
        b.massG - a.massG ||
        compareText(a.group.id, b.group.id),
    )) {
      const candidates = open.filter(
        (levels) => levels.length < limit && canStack(request, levels, next),
      );
      const same = candidates.find((levels) =>
        levels.every((level) => level.group.id === next.group.id),
      );
      const target = same ?? candidates[0];
      if (target) target.push(next);
      else open.push([next]);
    }
    return open.map((levels) => ({ container, levels }));
  });
}

/** Whether one more on top keeps every load and every way out. */
export function canStack(request: FitRequest, levels: readonly Filled[], top: Filled): boolean {
  const all = [...levels, top];
  return all.every((level, i) => {
    const above = all.slice(i + 1);
    const aboveG = above.reduce((sum, other) => sum + other.massG, 0);
    if (aboveG > (level.container.maxLoadG ?? Infinity)) return false;
    if (above.length > 0 && level.group.crushable) return false;
    const otherG = above
      .filter((other) => !isOneGroup(other.group, level.group))
      .reduce((sum, other) => sum + other.massG, 0);
    if (level.group.front && otherG > 0) return false;
    return (request.bay.pullOut ?? false) || otherG <= MAX_BLOCKING_G;
  });
}

/** Whether these can stand one upon the other, bottom first. */
export const isStack = (request: FitRequest, levels: readonly Filled[]): boolean =>
  levels.every((level, i) => i === 0 || canStack(request, levels.slice(0, i), level));

/** Whether each bears its content. */
export const areBorne = (filled: readonly Filled[]): boolean =>
  filled.every(
    ({ container, massG }) =>
      massG - (container.tareG ?? 0) <= (container.maxLoadG ?? Infinity) + 1e-9,
  );

/**
 * Every way to stack the chosen containers, each a list of piles; undefined where there are more
 * than `most`. Of equal containers with
 * equal content one is as good as another.
 */
export function listStackings(
  request: FitRequest,
  chosen: readonly Chosen[],
  most: number,
): readonly (readonly Pile[])[] | undefined {
  const byContainer = new Map<FitContainer, Filled[]>();
  for (const filled of fillContainers(chosen))
    byContainer.set(filled.container, [...(byContainer.get(filled.container) ?? []), filled]);
  let stackings: readonly (readonly Pile[])[] = [[]];
  for (const [container, all] of byContainer) {
    const ways = listPileSets(request, container, all, most);
    if (!ways || ways.length * stackings.length > most) return undefined;
    stackings = stackings.flatMap((piles) => ways.map((more) => [...piles, ...more]));
  }
  return stackings;
}

function listPileSets(
  request: FitRequest,
  container: FitContainer,
  all: readonly Filled[],
  most: number,
): Pile[][] | undefined {
  const limit = maxStackOf(request, container);
  if (limit === 1 || all.length === 1)
    return [all.map((filled) => ({ container, levels: [filled] }))];
  const { x0, x1, y0, y1 } = clearOf(request);
  const gap = request.clearances.between;
  const [lie] = liesOf(request, container);
  const mostPiles = lie
    ? Math.floor(((x1 - x0 + gap) * (y1 - y0 + gap)) / (lie.width * lie.depth) + 1e-9)
    : 0;
  const ofKind = [...new Set(all.map(({ kind }) => kind))].map((kind) =>
    all.filter((filled) => filled.kind === kind),
  );
  const counts = ofKind.map(({ length }) => length);
  const types = listPileTypes(request, ofKind, limit);
  if (!types) return undefined;
  const sets: Pile[][] = [];
  let steps = 0;
  // Each pile is of no earlier type than the one before it, so that a set is met once.
  const visit = (from: number, left: readonly number[], piles: readonly PileType[]): boolean => {
    steps += 1;
    if (sets.length > most || steps > MOST_SET_STEPS) return false;
    if (left.every((count) => count === 0)) {
      const pools = ofKind.map((same) => [...same]);
      sets.push(
        piles.map((type) => ({
          container,
          levels: type.map((k) => pools[k]?.pop()).filter((filled) => filled !== undefined),
        })),
      );
      return true;
    }
    // So many piles of so many levels have to hold what is left.
    if (left.reduce((a, b) => a + b, 0) > (mostPiles - piles.length) * limit) return true;
    for (let t = from; t < types.length; t += 1) {
      const type = types[t] ?? [];
      const rest = left.map((count, k) => count - type.filter((each) => each === k).length);
      if (rest.every((count) => count >= 0) && !visit(t, rest, [...piles, type])) return false;
    }
    return true;
  };
  return visit(0, counts, []) ? sets : undefined;
}
/** What stands in a pile, by number of the kind, bottom first. */
type PileType = readonly number[];
const MOST_SET_STEPS = 5000;
const MOST_TYPES = 300;

/** Every pile that can be made; undefined where there are too many. */
function listPileTypes(
  request: FitRequest,
  ofKind: readonly (readonly Filled[])[],
  limit: number,
): PileType[] | undefined {
  const types: PileType[] = [];
  const visit = (levels: readonly Filled[], type: PileType): boolean => {
    if (types.length > MOST_TYPES) return false;
    if (type.length > 0) types.push(type);
    if (type.length === limit) return true;
    return ofKind.every((same, k) => {
      const top = same[type.filter((each) => each === k).length];
      return (
        top === undefined ||
        !canStack(request, levels, top) ||
        visit([...levels, top], [...type, k])
      );
    });
  };
  return visit([], []) ? types : undefined;
}
