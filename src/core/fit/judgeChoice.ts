import { isSolved, LinearModel, type Solver } from '../shared';
import type { FitContainer, FitGroup, FitRequest } from './model';
import { decidePlaces } from './decidePlaces';
import { Floor, type Packing } from './floor';
import { listStackings, MAX_BLOCKING_G, type Pile } from './piles';
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
  readonly width: number;
  readonly depth: number;
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

/** What is known of a choice: that it cannot stand, where it stands, or nothing. */
export type Verdict = 'refuted' | 'open' | Packing;

/**
 * Judges whether these containers can stand together. Think of lines from front to back: each meets a set
 * of piles that goes in one behind the other, at most once each, with no more in the way of the last than may be
 * lifted; every pile wants as many lines as it is wide. Where the bay has not that many, there is no way. The same is asked
 * of the lines from side to side. What the lines do not refute is decided by `decidePlaces`, for every way round that they leave.
 *
 *     ┌──┬───┐   The lines on the left meet A and B, those on the right B and C.
 *     │ B    │
 *     ├──┬───┤
 *     │A │ C │
 *     └──┴───┘
 *
 * Source: the bar relaxation, Scheithauer, "LP-based bounds for the container and multi-container loading problem", 1999.
 * Groups that may share a pile are taken as in nobody's way, circles as the square within: what is refuted is so all the more.
 */
export function judgeChoice(request: FitRequest, chosen: readonly Chosen[], means: Means): Verdict {
  const lines = new LineModel(request, itemsOf(request, chosen));
  if (lines.isRefuted(means)) return 'refuted';
  if (means.nodes <= 1) return 'open';
  const stackings = listStackings(request, chosen, MOST_STACKINGS);
  if (!stackings) return 'open';
  let isOpen = false;
  for (const piles of stackings) {
    const verdict = judgePiles(request, piles, means);
    if (typeof verdict === 'object') return verdict;
    if (verdict === 'open') isOpen = true;
  }
  return isOpen ? 'open' : 'refuted';
}

interface Means {
  readonly solver: Solver;
  readonly seed: number;
  /** Sets of ways round that are looked at for each stacking. */
  readonly nodes: number;
  /** Steps of the search through places, for all ways round of a stacking. */
  readonly steps: number;
  readonly hasTime: () => boolean;
}
const MOST_STACKINGS = 40;

function judgePiles(request: FitRequest, piles: readonly Pile[], means: Means): Verdict {
  const lines = new LineModel(request, piles.map(({ container, levels }) => ({ container, group: levels[0]?.group, massG: levels[0]?.massG ?? 0 })));
  const { entries } = lines;
  let { nodes, steps } = means;
  const decided = new Set<string>();
  // A pile lies one way or the other: where the model has it lie both ways in parts, each is asked for.
  const judge = (shut: ReadonlySet<number>): Verdict => {
    if (nodes <= 0 || steps <= 0 || !means.hasTime()) return 'open';
    nodes -= 1;
    const shares = lines.lie(means, shut);
    if (typeof shares === 'string') return shares;
    const isFree = (e: number) => !shut.has(e) && entries.some((other, o) => o !== e && other.item === entries[e]?.item && !shut.has(o));
    const unsure = entries.flatMap((_, e) => (isFree(e) ? [{ e, off: Math.abs((shares[e] ?? 0) - 0.5) }] : [])).sort((a, b) => a.off - b.off)[0];
    if (!unsure || unsure.off > 0.49) {
      const lies = piles.flatMap((_, i) => entries.filter((entry, e) => entry.item === i && (shares[e] ?? 0) > 0.5).slice(0, 1));
      const key = lies.map(({ width, depth }) => `${width}/${depth}`).join(' ');
      if (lies.length < piles.length) return 'open';
      if (!decided.has(key)) {
        decided.add(key);
        const { verdict, taken } = decideLies(request, piles, lies, { steps, hasTime: means.hasTime });
        steps -= taken;
        if (verdict !== 'refuted') return verdict;
      }
      if (!unsure) return 'refuted';
    }
    const others = entries.flatMap((entry, e) => (e !== unsure.e && entry.item === entries[unsure.e]?.item ? [e] : []));
    const turned = judge(new Set([...shut, unsure.e]));
    return turned === 'refuted' ? judge(new Set([...shut, ...others])) : turned;
  };
  return judge(new Set());
}

/** What lines through the bay say of the ways round that piles can lie. */
class LineModel {
  readonly entries: readonly Entry[];
  private readonly model = new LinearModel();
  private readonly lying: readonly number[];
  private readonly missing: readonly (readonly [number, number])[];

  constructor(request: FitRequest, items: readonly Item[]) {
    this.entries = entriesOf(request, items);
    this.lying = this.entries.map(() => this.model.addVariable());
    for (const isAcross of [false, true]) addLines(this.model, this.lying, { request, items, entries: this.entries, isAcross });
    // What is missing is minimised, so that the answer is one of size and not of yes or no.
    this.missing = items.map((_, i) => {
      const variable = this.model.addVariable();
      this.model.addRow([...this.entries.flatMap(({ item }, e) => (item === i ? [[this.lying[e] ?? 0, 1] as const] : [])), [variable, 1]], { least: 1 });
      return [variable, 1] as const;
    });
  }

  isRefuted(means: Means): boolean {
    return this.lie(means, new Set()) === 'refuted';
  }

  /** The share of each entry, where those in `shut` are none. */
  lie({ solver, seed }: Means, shut: ReadonlySet<number>): readonly number[] | 'refuted' | 'open' {
    const solution = this.model.minimise(solver, this.missing, { timeLimitMs: 200, seed, isRelaxed: true, shut: new Set([...shut].map((e) => this.lying[e] ?? 0)) });
    if (!isSolved(solution) || solution.status !== 'optimal') return 'open';
    return solution.objective > 1e-5 ? 'refuted' : this.lying.map((variable) => solution.values[variable] ?? 0);
  }
}

/** Whether they can stand in these ways round. */
function decideLies(request: FitRequest, piles: readonly Pile[], lies: readonly Entry[], { steps, hasTime }: { readonly steps: number; readonly hasTime: () => boolean }): { readonly verdict: Verdict; readonly taken: number } {
  const gap = request.clearances.between;
  const { x0, x1, y0, y1 } = clearOf(request);
  const blocks = piles.map((pile, i) => ({ pile, width: lies[i]?.width ?? 0, depth: lies[i]?.depth ?? 0 }));
  const fixed = (request.bay.obstacles ?? []).map((box) => ({ x: box.x - x0, y: box.y - y0, width: box.width + gap, depth: box.depth + gap, fromMm: box.z - gap }));
  const { places, taken } = decidePlaces(blocks, { width: x1 - x0 + gap, depth: y1 - y0 + gap, fixed, isPullOut: request.bay.pullOut ?? false }, { mostSteps: steps, hasTime });
  if (places === 'none') return { verdict: 'refuted', taken };
  if (!places) return { verdict: 'open', taken };
  const floor = new Floor(request);
  const stands = blocks.every(({ pile, width, depth }, i) => {
    const place = places[i];
    return place !== undefined && floor.standIfFree(pile, { x: x0 + place.x, y: y0 + place.y, width: width - gap, depth: depth - gap, turned: width !== pile.container.outer.width + gap });
  });
  // Circles were taken as the squares within, which may be too little.
  return { verdict: stands ? floor.packing : 'open', taken };
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

function entriesOf(request: FitRequest, items: readonly Item[]): Entry[] {
  const gap = request.clearances.between;
  const clear = clearOf(request);
  const [wide, deep] = [clear.x1 - clear.x0 + gap, clear.y1 - clear.y0 + gap];
  return items.flatMap(({ container: { outer, shape, turnable } }, item): Entry[] => {
    // The square within a circle keeps clear of everything; the one around it may not.
    const [width, depth] = shape === 'round' ? [outer.width * Math.SQRT1_2, outer.width * Math.SQRT1_2] : [outer.width + gap, outer.depth + gap];
    const straight = { item, width, depth };
    return ((turnable ?? true) && width !== depth ? [straight, { item, width: depth, depth: width }] : [straight]).filter((entry) => entry.width <= wide + EPS && entry.depth <= deep + EPS);
  });
}

/** Rows that say: every pile gets as many lines as it is wide, and there are no more than there are. Where there are too many ways to fill a line, none. */
function addLines(model: LinearModel, lying: readonly number[], { request, items, entries, isAcross }: { readonly request: FitRequest; readonly items: readonly Item[]; readonly entries: readonly Entry[]; readonly isAcross: boolean }): void {
  const gap = request.clearances.between;
  const clear = clearOf(request);
  const [wide, deep] = [clear.x1 - clear.x0 + gap, clear.y1 - clear.y0 + gap];
  const bands = bandsOf(request, items, isAcross, isAcross ? { length: wide, breadth: deep } : { length: deep, breadth: wide });
  const patternsOf = bands.map((band) => listPatterns(request, items, entries, band, isAcross));
  if (patternsOf.some((patterns) => patterns === undefined)) return;
  const rows = entries.map(({ width, depth }, e): (readonly [number, number])[] => [[lying[e] ?? 0, isAcross ? -depth : -width]]);
  bands.forEach((band, b) => {
    const lines = (patternsOf[b] ?? []).map((pattern) => {
      const variable = model.addVariable();
      for (const e of pattern) rows[e]?.push([variable, 1]);
      return [variable, 1] as const;
    });
    if (lines.length > 0) model.addRow(lines, { most: band.across });
  });
  for (const row of rows) model.addRow(row, { least: 0 });
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
    if (!fitsInto(met.map(({ width, depth }) => (isAcross ? width : depth)).sort((a, b) => b - a), [...band.stretches])) return false;
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
