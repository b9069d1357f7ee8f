import { isSolved, LinearModel, type Solver } from '../shared';
import type { FitContainer, FitGroup, FitRequest } from './model';
import { MAX_BLOCKING_G } from './piles';
import { maxStackOf, type Chosen } from './selectContainers';
import { clearOf, groupMassG } from './suitability';

/** A pile that must be on the floor, as far as it is known. */
interface Item {
  readonly container: FitContainer;
  /** Whose the lowest container is; unknown where groups may share the pile. */
  readonly group: FitGroup | undefined;
  readonly massG: number;
}
/** One way round, by index of the item. */
interface Entry {
  readonly item: number;
  readonly along: number;
  readonly across: number;
}
/** Lines that meet the same obstacles: how far they reach across, and the stretches along them that are free. */
interface Band {
  readonly across: number;
  readonly stretches: readonly number[];
}

const EPS = 1e-6;
/** With more ways to fill a line the question is left open. */
const MOST_PATTERNS = 2500;
const MOST_STEPS = 40_000;

/**
 * Whether these containers cannot stand together, however they are put. Think of lines from front to back: each meets a set
 * of piles that goes in one behind the other, at most once each, with no more in the way of the last than may be
 * lifted; every pile wants as many lines as it is wide. Where the bay has not that many, there is no way. The same is asked
 * of the lines from side to side. Says false where it does not know.
 *
 *     ┌──┬───┐   The lines on the left meet A and B, those on the right B and C.
 *     │ B    │
 *     ├──┬───┤
 *     │A │ C │
 *     └──┴───┘
 *
 * Source: the bar relaxation, Scheithauer, "LP-based bounds for the container and multi-container loading problem", 1999.
 */
export function isRefutedByLines(request: FitRequest, chosen: readonly Chosen[], { solver, seed }: { readonly solver: Solver; readonly seed: number }): boolean {
  const items = itemsOf(request, chosen);
  return [false, true].some((isAcross) => isRefuted(request, items, { isAcross, solver, seed }));
}

/** The fewest piles that hold them. */
function itemsOf(request: FitRequest, chosen: readonly Chosen[]): Item[] {
  const offered = new Map<FitGroup, number>();
  for (const { container, group, count } of chosen) offered.set(group, (offered.get(group) ?? 0) + count * container.innerLitres);
  const massOf = ({ container, group }: Chosen): number => (container.tareG ?? 0) + (groupMassG(group) * container.innerLitres) / Math.max(group.litres, offered.get(group) ?? 0);
  const byContainer = new Map<FitContainer, Chosen[]>();
  for (const part of chosen) byContainer.set(part.container, [...(byContainer.get(part.container) ?? []), part]);
  return [...byContainer].flatMap(([container, parts]): Item[] => {
    const high = maxStackOf(request, container);
    if (high === 1) return parts.flatMap((part) => Array.from({ length: part.count }, () => ({ container, group: part.group, massG: massOf(part) })));
    const count = Math.ceil(parts.reduce((sum, part) => sum + part.count, 0) / high);
    return Array.from({ length: count }, () => ({ container, group: parts.length === 1 ? parts[0]?.group : undefined, massG: Math.min(...parts.map(massOf)) }));
  });
}

function isRefuted(request: FitRequest, items: readonly Item[], { isAcross, solver, seed }: { readonly isAcross: boolean; readonly solver: Solver; readonly seed: number }): boolean {
  const gap = request.clearances.between;
  const clear = clearOf(request);
  const [wide, deep] = [clear.x1 - clear.x0 + gap, clear.y1 - clear.y0 + gap];
  const [length, breadth] = isAcross ? [wide, deep] : [deep, wide];
  const bands = bandsOf(request, items, isAcross, { length, breadth });
  const entries = items.flatMap(({ container: { outer, shape, turnable } }, item): Entry[] => {
    // The square within a circle keeps clear of everything; the one around it may not.
    const [w, d] = shape === 'round' ? [outer.width * Math.SQRT1_2, outer.width * Math.SQRT1_2] : [outer.width + gap, outer.depth + gap];
    const straight = isAcross ? { item, along: w, across: d } : { item, along: d, across: w };
    const turned = { item, along: straight.across, across: straight.along };
    return ((turnable ?? true) && w !== d ? [straight, turned] : [straight]).filter(({ along, across }) => along <= length + EPS && across <= breadth + EPS);
  });
  const model = new LinearModel();
  const rows = entries.map((): (readonly [number, number])[] => []);
  for (const band of bands) {
    const patterns = listPatterns(request, items, entries, band, isAcross);
    if (!patterns) return false;
    const lines = patterns.map((pattern) => {
      const variable = model.addVariable();
      for (const e of pattern) rows[e]?.push([variable, 1]);
      return [variable, 1] as const;
    });
    if (lines.length > 0) model.addRow(lines, { most: band.across });
  }
  const lying = entries.map(() => model.addVariable());
  entries.forEach(({ across }, e) => model.addRow([...(rows[e] ?? []), [lying[e] ?? 0, -across]], { least: 0 }));
  // What is missing is minimised, so that the answer is one of size and not of yes or no.
  const missing = items.map((_, i) => {
    const variable = model.addVariable();
    model.addRow([...entries.flatMap(({ item }, e) => (item === i ? [[lying[e] ?? 0, 1] as const] : [])), [variable, 1]], { least: 1 });
    return [variable, 1] as const;
  });
  const solution = model.minimise(solver, missing, { timeLimitMs: 200, seed, isRelaxed: true });
  return isSolved(solution) && solution.status === 'optimal' && solution.objective > 1e-5;
}

/** What obstacles that stand lower than every pile is high leave of the lines. */
function bandsOf(request: FitRequest, items: readonly Item[], isAcross: boolean, { length, breadth }: { readonly length: number; readonly breadth: number }): Band[] {
  const gap = request.clearances.between;
  const { x0, y0 } = clearOf(request);
  const lowest = Math.min(...items.map(({ container }) => container.outer.height));
  // With the gap on their far side, as every pile has it here.
  const fixed = (request.bay.obstacles ?? []).filter((box) => box.z < lowest + gap).map((box) => {
    const [x, y] = [{ from: box.x - x0, to: box.x + box.width + gap - x0 }, { from: box.y - y0, to: box.y + box.depth + gap - y0 }];
    return isAcross ? { along: x, across: y } : { along: y, across: x };
  });
  const edges = [...new Set([0, breadth, ...fixed.flatMap(({ across }) => [across.from, across.to])])].filter((edge) => edge >= 0 && edge <= breadth).sort((a, b) => a - b);
  return edges.slice(1).map((to, i): Band => {
    const from = edges[i] ?? 0;
    const met = fixed.filter(({ across }) => across.from < to - EPS && across.to > from + EPS).map(({ along }) => along).sort((a, b) => a.from - b.from);
    const stretches: number[] = [];
    let at = 0;
    for (const along of met) {
      if (along.from > at) stretches.push(along.from - at);
      at = Math.max(at, along.to);
    }
    if (length > at) stretches.push(length - at);
    return { across: to - from, stretches };
  });
}

/** Every set of entries that a line of the band can meet and to which none can be added; undefined where there are too many. */
function listPatterns(request: FitRequest, items: readonly Item[], entries: readonly Entry[], band: Band, isAcross: boolean): number[][] | undefined {
  const patterns: number[][] = [];
  const taken: number[] = [];
  let steps = 0;
  const goesIn = (entry: Entry): boolean => {
    if (taken.some((e) => entries[e]?.item === entry.item)) return false;
    const met = [...taken.map((e) => entries[e]), entry].flatMap((one) => one ?? []);
    if (!fitsInto(met.map(({ along }) => along).sort((a, b) => b - a), [...band.stretches])) return false;
    return isAcross || canLineUp(request, met.flatMap(({ item }) => items[item] ?? []));
  };
  const visit = (from: number): boolean => {
    steps += entries.length;
    if (steps > MOST_STEPS || patterns.length > MOST_PATTERNS) return false;
    const open = entries.flatMap((entry, e) => (goesIn(entry) ? [e] : []));
    if (open.length === 0) patterns.push([...taken]);
    for (const e of open) {
      if (e < from) continue;
      taken.push(e);
      const goesOn = visit(e + 1);
      taken.pop();
      if (!goesOn) return false;
    }
    return true;
  };
  return visit(0) ? patterns : undefined;
}

function fitsInto(lengths: readonly number[], stretches: readonly number[]): boolean {
  const [length, ...rest] = lengths;
  if (length === undefined) return true;
  return stretches.some((stretch, i) => length <= stretch + EPS && stretches.indexOf(stretch) === i && fitsInto(rest, stretches.map((other, j) => (i === j ? other - length : other))));
}

/** Whether they can be put one behind the other so that nothing stands before a front group and no more than may be lifted before any. */
function canLineUp(request: FitRequest, items: readonly Item[]): boolean {
  const known = items.filter(({ group }) => group !== undefined);
  const groups = [...new Set(known.map(({ group }) => group))];
  if (groups.filter((group) => group?.front).length > 1) return false;
  if (groups.length <= 1 || request.bay.pullOut) return true;
  const wholeG = known.reduce((sum, { massG }) => sum + massG, 0);
  // All of one group at the back: before them stands what is not theirs, and before that less.
  const lasts = groups.filter((group) => !group?.front).map((last) => known.reduce((sum, { group, massG }) => (group === last ? sum - massG : sum), wholeG));
  return Math.min(...lasts, known.length < items.length ? wholeG : Infinity) <= MAX_BLOCKING_G + EPS;
}
