import type { FitContainer, FitGroup, FitRequest } from './model';
import { maxStackOf, type Chosen } from './selectContainers';
import { clearOf, groupMassG, liesOf } from './suitability';

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

/** Mass of each chosen container: content spread over its group's containers by litres. */
export function fillContainers(chosen: readonly Chosen[]): Filled[] {
  const offered = new Map<string, number>();
  const counts = new Map<string, number>();
  for (const { container, group, count } of chosen) {
    offered.set(group.id, (offered.get(group.id) ?? 0) + count * container.innerLitres);
    counts.set(group.id, (counts.get(group.id) ?? 0) + count);
  }
  return chosen.flatMap(({ container, group, count }) => {
    const contentG = (groupMassG(group) * container.innerLitres) / Math.max(group.litres, offered.get(group.id) ?? 0);
    const massG = (container.tareG ?? 0) + contentG;
    // Several of one group are not in each other's way; a single one differs from another group's by mass alone.
    const isSingle = counts.get(group.id) === 1;
    const filled = { container, group, massG, kind: isSingle ? `${massG.toFixed(6)}/${group.front ?? false}` : `${group.id}/${massG}` };
    return Array.from({ length: count }, () => filled);
  });
}

/** Stacks containers of one id, one group upon itself first, the heaviest at the bottom; what nothing may stand in the way of comes on top. */
export function buildPiles(request: FitRequest, chosen: readonly Chosen[], stackLimit: number): Pile[] {
  const byContainer = new Map<FitContainer, Filled[]>();
  for (const filled of fillContainers(chosen)) {
    const same = byContainer.get(filled.container);
    if (same) same.push(filled);
    else byContainer.set(filled.container, [filled]);
  }
  return [...byContainer].flatMap(([container, all]) => {
    const limit = Math.min(stackLimit, maxStackOf(request, container));
    if (limit === 1) return all.map((filled) => ({ container, levels: [filled] }));
    const open: Filled[][] = [];
    for (const filled of all.sort((a, b) => Number(a.group.front ?? false) - Number(b.group.front ?? false) || b.massG - a.massG || compare(a.group.id, b.group.id))) {
      const candidates = open.filter((levels) => levels.length < limit && canStack(request, levels, filled));
      const same = candidates.find((levels) => levels.every((level) => level.group.id === filled.group.id));
      const target = same ?? candidates[0];
      if (target) target.push(filled);
      else open.push([filled]);
    }
    return open.map((levels) => ({ container, levels }));
  });
}

const compare = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);

/** Whether one more on top keeps every load and every way out. */
export function canStack(request: FitRequest, levels: readonly Filled[], top: Filled): boolean {
  const all = [...levels, top];
  return all.every((level, i) => {
    const above = all.slice(i + 1);
    const aboveG = above.reduce((sum, other) => sum + other.massG, 0);
    if (aboveG > (level.container.maxLoadG ?? Infinity)) return false;
    const otherG = above.filter((other) => other.group.id !== level.group.id).reduce((sum, other) => sum + other.massG, 0);
    if (level.group.front && otherG > 0) return false;
    return (request.bay.pullOut ?? false) || otherG <= MAX_BLOCKING_G;
  });
}

/**
 * Every way to stack the chosen containers, each a list of piles; undefined where there are more than `most`. Of equal containers with
 * equal content one is as good as another.
 */
export function listStackings(request: FitRequest, chosen: readonly Chosen[], most: number): readonly (readonly Pile[])[] | undefined {
  const byContainer = new Map<FitContainer, Filled[]>();
  for (const filled of fillContainers(chosen)) byContainer.set(filled.container, [...(byContainer.get(filled.container) ?? []), filled]);
  let stackings: readonly (readonly Pile[])[] = [[]];
  for (const [container, all] of byContainer) {
    const ways = listPileSets(request, container, all, most);
    if (!ways || ways.length * stackings.length > most) return undefined;
    stackings = stackings.flatMap((piles) => ways.map((more) => [...piles, ...more]));
  }
  return stackings;
}

function listPileSets(request: FitRequest, container: FitContainer, all: readonly Filled[], most: number): Pile[][] | undefined {
  const limit = maxStackOf(request, container);
  if (limit === 1 || all.length === 1) return [all.map((filled) => ({ container, levels: [filled] }))];
  const { x0, x1, y0, y1 } = clearOf(request);
  const gap = request.clearances.between;
  const [lie] = liesOf(request, container);
  const mostPiles = lie ? Math.floor(((x1 - x0 + gap) * (y1 - y0 + gap)) / (lie.width * lie.depth) + 1e-9) : 0;
  const sets = new Map<string, Pile[]>();
  // Onto every pile, or on the floor, one after the other, in every order of the kinds.
  const visit = (piles: readonly (readonly Filled[])[], left: readonly Filled[]): boolean => {
    if (sets.size > most) return false;
    if (left.length === 0) {
      const key = piles.map((levels) => levels.map(({ kind }) => kind).join(',')).sort().join(';');
      if (!sets.has(key)) sets.set(key, piles.map((levels) => ({ container, levels })));
      return true;
    }
    const next = new Map(left.map((filled) => [filled.kind, filled]));
    for (const filled of next.values()) {
      const rest = left.filter((_, i) => i !== left.indexOf(filled));
      const spots = [...piles.keys()].filter((i) => (piles[i]?.length ?? 0) < limit && canStack(request, piles[i] ?? [], filled));
      for (const i of spots) if (!visit(piles.map((levels, p) => (p === i ? [...levels, filled] : levels)), rest)) return false;
      if (piles.length < mostPiles && !visit([...piles, [filled]], rest)) return false;
    }
    return true;
  };
  return all.length <= MOST_STACKED && visit([], all) ? [...sets.values()] : undefined;
}
/** Of more the ways to stack them are not listed. */
const MOST_STACKED = 6;
