import { isSolved, LinearModel, type Solver } from '../shared';
import type { FitContainer, FitGroup, FitRequest } from './model';
import { decidePlaces, type Block } from './decidePlaces';
import { Floor, type Packing } from './floor';
import { fillContainers, listStackings, MAX_BLOCKING_G, type Filled, type Pile } from './piles';
import { maxStackOf, type Chosen } from './selectContainers';
import { clearOf, liesOf, type Lie } from './suitability';

/** A pile that must be on the floor, as far as it is known. */
interface Item {
  readonly container: FitContainer;
  /** Whose the lowest container is; unknown where groups may share the pile. */
  readonly group: FitGroup | undefined;
  readonly massG: number;
}
/** One way round, by index of the item. */
interface Entry extends Lie {
  readonly item: number;
}
/**
 * Lines that meet the same obstacles: how far they reach across, and the stretches along them that
 * are free.
 */
interface Band {
  readonly across: number;
  readonly stretches: readonly number[];
}

const EPS = 1e-6;
/** With more ways to fill a line the question is left open. */
const MOST_PATTERNS = 500;
const MOST_STEPS = 4000;

/** What is known of a choice: that it cannot stand, where it stands, or nothing. */
export type Verdict = 'refuted' | 'open' | Packing;

const MOST_STACKINGS = 150;

/**
 * Decides whether these containers can stand together, in any stacking and any way round; `steps`
 * of the search through places are for all of them.
 */
export function decideChoice(
  request: FitRequest,
  chosen: readonly Chosen[],
  {
    steps,
    hasTime,
    onSteps,
  }: {
    readonly steps: number;
    readonly hasTime: () => boolean;
    readonly onSteps?: (taken: number) => void;
  },
): Verdict {
  const gap = request.clearances.between;
  const { x0, x1, y0, y1 } = clearOf(request);
  const fixed = (request.bay.obstacles ?? []).map((box) => ({
    x: box.x - x0,
    y: box.y - y0,
    width: box.width + gap,
    depth: box.depth + gap,
    fromMm: box.z - gap,
  }));
  const room = {
    width: x1 - x0 + gap,
    depth: y1 - y0 + gap,
    fixed,
    isPullOut: request.bay.pullOut ?? false,
  };
  let left = steps;
  let isOpen = false;
  const look = (blocks: readonly Block[]): ReturnType<typeof decidePlaces>['places'] => {
    const { places, taken } = decidePlaces(blocks, room, { mostSteps: left, hasTime });
    left -= taken;
    onSteps?.(taken);
    return places;
  };
  const stackings = listStackings(request, chosen, MOST_STACKINGS);
  for (const piles of stackings ?? []) {
    let places = look(piles.map((pile) => ({ pile, lies: liesOf(request, pile.container) })));
    if (places === 'none') continue;
    isOpen = true;
    // Circles were taken as the squares within, which may be too little; with the squares around
    // them they stand.
    if (places && piles.some(isRound))
      places = look(
        piles.map((pile) => ({
          pile,
          lies: isRound(pile)
            ? [{ width: pile.container.outer.width + gap, depth: pile.container.outer.depth + gap }]
            : liesOf(request, pile.container),
        })),
      );
    if (!places) break;
    if (places === 'none') continue;
    const floor = new Floor(request);
    const found = places;
    const stands = piles.every((pile, i) => {
      const place = found[i];
      return (
        place !== undefined &&
        floor.standIfFree(pile, {
          x: x0 + place.x,
          y: y0 + place.y,
          width: place.lie.width - gap,
          depth: place.lie.depth - gap,
          turned: place.lie.width !== pile.container.outer.width + gap,
        })
      );
    });
    if (stands) return floor.packing;
  }
  return isOpen || !stackings ? 'open' : 'refuted';
}

const isRound = ({ container: { shape } }: Pile): boolean => shape === 'round';

/**
 * Whether lines through the bay say that these cannot stand together. Of the lines from front to
 * back each meets a set of piles that goes in one behind the other, at most once each, with no more
 * in the way
 * of the last than may be lifted; every pile wants as many lines as it is wide. Where the bay has
 * not that many, there
 * is no way. The same is asked of the lines from side to side, of the same ways round.
 *
 *     ┌──┬───┐   The lines on the left meet A and B, those on the right B and C.
 *     │ B    │
 *     ├──┬───┤
 *     │A │ C │
 *     └──┴───┘
 *
 * Source: the bar relaxation, Scheithauer, "LP-based bounds for the container and multi-container
 * loading problem", 1999.
 * Groups that may share a pile are taken as in nobody's way: what is refuted is so all the more.
 */
export function isRefutedByLines(
  request: FitRequest,
  chosen: readonly Chosen[],
  {
    solver,
    seed,
    leftMs,
  }: { readonly solver: Solver; readonly seed: number; readonly leftMs: number },
): boolean {
  const items = itemsOf(request, chosen);
  const entries = items.flatMap(({ container }, item) =>
    liesOf(request, container).map((lie): Entry => ({ item, ...lie })),
  );
  const model = new LinearModel();
  const lying = entries.map(() => model.addVariable());
  for (const isAcross of [false, true])
    addLines(model, lying, { request, items, entries, isAcross });
  // What is missing is minimised, so that the answer is one of size and not of yes or no.
  const missing = items.map((_, i) => {
    const variable = model.addVariable();
    model.addRow(
      [
        ...entries.flatMap(({ item }, e) => (item === i ? [[lying[e]!, 1] as const] : [])),
        [variable, 1],
      ],
      { least: 1 },
    );
    return [variable, 1] as const;
  });
  const solution = model.minimise(solver, missing, {
    timeLimitMs: Math.min(LINES_MS, leftMs),
    seed,
    isRelaxed: true,
  });
  return isSolved(solution) && solution.status === 'optimal' && solution.objective > 1e-5;
}
const LINES_MS = 500;

/** The fewest piles that hold them. */
function itemsOf(request: FitRequest, chosen: readonly Chosen[]): Item[] {
  const byContainer = new Map<FitContainer, Filled[]>();
  for (const filled of fillContainers(chosen))
    byContainer.set(filled.container, [...(byContainer.get(filled.container) ?? []), filled]);
  return [...byContainer].flatMap(([container, all]): Item[] => {
    const high = maxStackOf(request, container);
    if (high === 1) return all;
    const isOfOne = all.every(({ group }) => group === all[0]?.group);
    return Array.from({ length: Math.ceil(all.length / high) }, () => ({
      container,
      group: isOfOne ? all[0]?.group : undefined,
      massG: Math.min(...all.map(({ massG }) => massG)),
    }));
  });
}

/**
 * Rows that say: every pile gets as many lines as it is wide, and there are no more than there are.
 * Where there are too many ways to fill a line, none.
 */
function addLines(
  model: LinearModel,
  lying: readonly number[],
  {
    request,
    items,
    entries,
    isAcross,
  }: {
    readonly request: FitRequest;
    readonly items: readonly Item[];
    readonly entries: readonly Entry[];
    readonly isAcross: boolean;
  },
): void {
  const gap = request.clearances.between;
  const clear = clearOf(request);
  const [wide, deep] = [clear.x1 - clear.x0 + gap, clear.y1 - clear.y0 + gap];
  const bands = bandsOf(
    request,
    items,
    isAcross,
    isAcross ? { length: wide, breadth: deep } : { length: deep, breadth: wide },
  );
  const patternsOf = bands.map((band) => listPatterns(request, items, entries, band, isAcross));
  if (patternsOf.some((patterns) => patterns === undefined)) return;
  const rows = entries.map(({ width, depth }, e): (readonly [number, number])[] => [
    [lying[e]!, isAcross ? -depth : -width],
  ]);
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
function bandsOf(
  request: FitRequest,
  items: readonly Item[],
  isAcross: boolean,
  { length, breadth }: { readonly length: number; readonly breadth: number },
): Band[] {
  const gap = request.clearances.between;
  const { x0, y0 } = clearOf(request);
  const lowest = Math.min(...items.map(({ container }) => container.outer.height));
  // With the gap on their far side, as every pile has it here.
  const fixed = (request.bay.obstacles ?? [])
    .filter((box) => box.z < lowest + gap)
    .map((box) => {
      const [x, y] = [
        { from: box.x - x0, to: box.x + box.width + gap - x0 },
        { from: box.y - y0, to: box.y + box.depth + gap - y0 },
      ];
      return isAcross ? { along: x, across: y } : { along: y, across: x };
    });
  const edges = [
    ...new Set([0, breadth, ...fixed.flatMap(({ across }) => [across.from, across.to])]),
  ]
    .filter((edge) => edge >= 0 && edge <= breadth)
    .sort((a, b) => a - b);
  return edges.slice(1).map((to, i): Band => {
    const from = edges[i]!;
    const met = fixed
      .filter(({ across }) => across.from < to - EPS && across.to > from + EPS)
      .map(({ along }) => along)
      .sort((a, b) => a.from - b.from);
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

/**
 * Every set of entries that a line of the band can meet and to which none can be added; undefined
 * where there are too many.
 */
function listPatterns(
  request: FitRequest,
  items: readonly Item[],
  entries: readonly Entry[],
  band: Band,
  isAcross: boolean,
): number[][] | undefined {
  const lengths = entries.map(({ width, depth }) => (isAcross ? width : depth));
  const whole = band.stretches.reduce((a, b) => a + b, 0);
  const isWhole = band.stretches.length <= 1;
  const patterns: number[][] = [];
  const taken: number[] = [];
  const isTaken = items.map(() => false);
  let steps = 0;
  const goesIn = (e: number, sum: number): boolean => {
    const entry = entries[e];
    if (!entry || isTaken[entry.item] || sum + lengths[e]! > whole + EPS) return false;
    steps += 1;
    if (
      !isWhole &&
      !fitsInto(
        [...taken, e].map((one) => lengths[one]!).sort((x, y) => y - x),
        [...band.stretches],
      )
    )
      return false;
    return (
      isAcross ||
      canLineUp(
        request,
        [...taken, e].flatMap((one) => items[entries[one]?.item ?? -1] ?? []),
      )
    );
  };
  const visit = (from: number, sum: number): boolean => {
    if (steps > MOST_STEPS || patterns.length > MOST_PATTERNS) return false;
    let isFull = true;
    for (let e = from; e < entries.length; e += 1) {
      if (!goesIn(e, sum)) continue;
      const { item } = entries[e] ?? { item: 0 };
      isFull = false;
      taken.push(e);
      isTaken[item] = true;
      const goesOn = visit(e + 1, sum + lengths[e]!);
      isTaken[item] = false;
      taken.pop();
      if (!goesOn) return false;
    }
    if (isFull && !entries.some((_, e) => e < from && goesIn(e, sum))) patterns.push([...taken]);
    return true;
  };
  return visit(0, 0) ? patterns : undefined;
}

function fitsInto(lengths: readonly number[], stretches: readonly number[]): boolean {
  const [length, ...rest] = lengths;
  if (length === undefined) return true;
  return stretches.some(
    (stretch, i) =>
      length <= stretch + EPS &&
      stretches.indexOf(stretch) === i &&
      fitsInto(
        rest,
        stretches.map((other, j) => (i === j ? other - length : other)),
      ),
  );
}

/**
 * Whether they can be put one behind the other so that nothing stands before a front group and no
 * more than may be lifted before any.
 */
function canLineUp(request: FitRequest, items: readonly Item[]): boolean {
  const known = items.filter(({ group }) => group !== undefined);
  // Kinds of one group are not in each other's way.
  const nameOf = (group: FitGroup | undefined) => group?.of ?? group?.id;
  const groups = [...new Map(known.map(({ group }) => [nameOf(group), group])).values()];
  if (groups.filter((group) => group?.front).length > 1) return false;
  if (groups.length <= 1 || request.bay.pullOut) return true;
  const wholeG = known.reduce((sum, { massG }) => sum + massG, 0);
  // All of one group at the back: before them stands what is not theirs, and before that less.
  const lasts = groups
    .filter((group) => !group?.front)
    .map((last) =>
      known.reduce(
        (sum, { group, massG }) => (nameOf(group) === nameOf(last) ? sum - massG : sum),
        wholeG,
      ),
    );
  return (
    Math.min(...lasts, known.length < items.length ? wholeG : Infinity) <= MAX_BLOCKING_G + EPS
  );
}
