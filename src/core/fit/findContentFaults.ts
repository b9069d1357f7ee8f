import type { FitContainer, FitRequest } from './model';

type Group = FitRequest['groups'][number];

const EPS = 1e-4;

/** Whether a container is what the group asks for. Shares no code with the engine. */
export const isAsWished = (what: FitContainer, group: Group): boolean =>
  isOfWishedLook(what, group) &&
  isLargeEnough(what, group) &&
  (group.heaviestG ?? 0) <= (what.maxLoadG ?? Infinity) &&
  holds(what, group) > 0;

const isOfWishedLook = (what: FitContainer, group: Group): boolean =>
  (group.lid !== 'required' || what.lid === true) &&
  (group.lid !== 'forbidden' || what.lid !== true) &&
  (group.see !== 'clear' || what.clear === true) &&
  (group.see !== 'opaque' || what.clear !== true) &&
  (group.colour === undefined || group.colour === what.colour) &&
  (group.line === undefined || group.line === what.line);

/** Tall and long things go in as they stand or, where they may, lying. */
function isLargeEnough(what: FitContainer, group: Group): boolean {
  const { tallestMm = 0, longestMm = 0, mayLie = false } = group;
  const [short, long] = insideOf(what);
  const high = what.innerHeight;
  return (
    (group.minInnerHeight ?? 0) <= high + EPS &&
    (group.minInnerWidth ?? 0) <= (what.innerWidth ?? short) + EPS &&
    (tallestMm <= high + overRim(what, group) + EPS || (mayLie && tallestMm <= long + EPS)) &&
    (longestMm <= long + EPS || (mayLie && longestMm <= high + EPS))
  );
}

/** What may reach over the rim: only of an open container, with two fifths of it within. */
export function overRim(what: FitContainer, group: Group): number {
  const { tallestMm = 0, mayLie, pieces } = group;
  const may = group.overRim === true && pieces === undefined;
  const high = what.innerHeight;
  if (!may || tallestMm <= high || what.lid) return 0;
  if (/^(riser|turntable|pull-out|rack|under-shelf|rail|hooks)$/.test(what.role ?? '')) return 0;
  if (mayLie && tallestMm <= insideOf(what)[1]) return 0;
  return high / tallestMm >= 0.4 ? tallestMm - high : 0;
}

/** Shorter and longer side inside; what is not given follows from the litres. */
function insideOf(what: FitContainer): readonly [number, number] {
  const a = what.innerWidth ?? Math.min(what.outer.width, what.outer.depth);
  const whole = Math.max(what.outer.width, what.outer.depth);
  let b = what.innerDepth;
  if (b === undefined && what.shape === 'round') b = a;
  b ??=
    a * what.innerHeight > 0
      ? Math.min(whole, (what.innerLitres * 1e6) / (a * what.innerHeight))
      : whole;
  return a < b ? [a, b] : [b, a];
}

/** Litres that one container takes of a group: those inside, or those of the pieces that go in. */
export function holds(what: FitContainer, group: Group): number {
  const { pieces, litres, hangs } = group;
  const isForHanging = what.role === 'rail' || what.role === 'hooks';
  if (isForHanging !== (hangs !== undefined)) return 0;
  if (!pieces) return what.role === 'rack' ? 0 : what.innerLitres;
  let count: number;
  if (isForHanging) count = Math.min(pieces.count, what.hooks ?? 0);
  else if (what.role === 'rack') count = inPlaces(what, pieces);
  else count = inRows(what, pieces, group.mayLie === true);
  return (litres / pieces.count) * count;
}

type Pieces = NonNullable<Group['pieces']>;

const inPlaces = ({ places = 0, placeDiameter = 0 }: FitContainer, pieces: Pieces): number =>
  pieces.shape === 'round' && pieces.width <= placeDiameter + EPS
    ? Math.min(pieces.count, places)
    : 0;

/** Rows along the sides, whichever side of the piece is up; of a circle the square within counts, but for one alone. */
function inRows(what: FitContainer, pieces: Pieces, mayLie: boolean): number {
  const [short, long] = insideOf(what);
  const square = what.shape === 'round' ? Math.SQRT1_2 : 1;
  const sizes = [pieces.width, pieces.depth ?? pieces.width, pieces.height] as const;
  const fit = (space: number, size: number): number => Math.floor(space / size + 1e-6);
  let most = 0;
  for (const up of mayLie ? ([0, 1, 2] as const) : ([2] as const)) {
    const [p = 1, q = 1] = sizes.filter((_, axis) => axis !== up);
    const high = fit(what.innerHeight, sizes[up]);
    for (const [w, d] of [
      [p, q],
      [q, p],
    ] as const)
      most = Math.max(most, high * fit(short * square, w) * fit(long * square, d));
  }
  const isAlone =
    what.shape === 'round' && pieces.shape === 'round' && pieces.width <= short + 1e-6;
  return isAlone ? Math.max(most, fit(what.innerHeight, pieces.height)) : most;
}
