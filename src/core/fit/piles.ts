import type { FitContainer, FitGroup, FitRequest } from './model';
import { maxStackOf, type Chosen } from './selectContainers';
import { groupMassG } from './suitability';

/** One container with its content. */
export interface Filled {
  readonly container: FitContainer;
  readonly group: FitGroup;
  /** Tare and content. */
  readonly massG: number;
}

/** Same containers on one spot, bottom first. */
export interface Pile {
  readonly container: FitContainer;
  readonly levels: readonly Filled[];
}

/** What of another group may stand in the way without being lifted out first. */
export const MAX_BLOCKING_G = 4000;

/** Mass of each chosen container: content spread over its group's containers by litres. */
function fillContainers(chosen: readonly Chosen[]): Filled[] {
  const offered = new Map<string, number>();
  for (const { container, group, count } of chosen) offered.set(group.id, (offered.get(group.id) ?? 0) + count * container.innerLitres);
  return chosen.flatMap(({ container, group, count }) => {
    const contentG = (groupMassG(group) * container.innerLitres) / Math.max(group.litres, offered.get(group.id) ?? 0);
    const filled = { container, group, massG: (container.tareG ?? 0) + contentG };
    return Array.from({ length: count }, () => filled);
  });
}

/** Stacks containers of one id, one group upon itself first, the heaviest at the bottom. */
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
    for (const filled of all.sort((a, b) => b.massG - a.massG || compare(a.group.id, b.group.id))) {
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
