import {
  bearingsOf,
  groundOf,
  overRimMm,
  type FitAnswer,
  type FitContainer,
  type FitRequest,
  type Placement,
} from '@/core/fit';

/** From where a place is looked at: the front, the right side, above. */
export type FitView = 'front' | 'side' | 'above';

/** A body in the bay, in mm from its front left bottom corner. */
export interface Body {
  readonly x: number;
  readonly y: number;
  readonly z: number;
  readonly width: number;
  readonly depth: number;
  readonly height: number;
  readonly isRound: boolean;
}
/** A body as a view shows it, in mm: `across` from the left, `up` from the bottom; what is nearer is drawn later. */
interface Shown {
  readonly across: number;
  readonly up: number;
  readonly wide: number;
  readonly high: number;
  readonly near: number;
  readonly isCircle: boolean;
}

export function project(body: Body, view: FitView): Shown {
  const { x, y, z, width, depth, height, isRound } = body;
  switch (view) {
    case 'front':
      return { across: x, up: z, wide: width, high: height, near: -y, isCircle: false };
    // From the right: the front edge is at the left.
    case 'side':
      return { across: y, up: z, wide: depth, high: height, near: x, isCircle: false };
    case 'above':
      return { across: x, up: y, wide: width, high: depth, near: z, isCircle: isRound };
  }
}

/** Inside of the bay as a view shows it: how wide and how high, in mm. */
export const insideOf = ({ bay }: FitRequest, view: FitView): readonly [number, number] => [
  view === 'side' ? bay.depth : bay.width,
  view === 'above' ? bay.depth : bay.height,
];

/** A placed container, of a compartment what is inside it; what hangs reaches down as far as its content. */
export function bodyOf(request: FitRequest, placement: Placement): Body | undefined {
  const container = request.containers.find(({ id }) => id === placement.containerId);
  const group = request.groups.find(({ id }) => id === placement.groupId);
  if (!container) return undefined;
  const { width, depth, height } = container.outer;
  const { x, y, z, turned, cell } = placement;
  return {
    x,
    y,
    z,
    width: cell?.width ?? (turned ? depth : width),
    depth: cell?.depth ?? (turned ? width : depth),
    height: height + (group?.hangs?.dropMm ?? 0),
    isRound: container.shape === 'round',
  };
}

/** What reaches over a container's rim; undefined where nothing does. */
export function overOf(request: FitRequest, placement: Placement): Body | undefined {
  const container = request.containers.find(({ id }) => id === placement.containerId);
  const group = request.groups.find(({ id }) => id === placement.groupId);
  const body = bodyOf(request, placement);
  const over = container && group ? (overRimMm(container, group) ?? 0) : 0;
  return body && over > 0 ? { ...body, z: body.z + body.height, height: over } : undefined;
}

/** One solid part of what bears others. */
export interface Part extends Body {
  readonly key: string;
  readonly container: FitContainer;
  /** Height of what stands on it. */
  readonly groundMm: number;
}

/** What bears others, in its parts: a riser's plate and legs, the plate of a turntable, a whole box. */
export const partsOf = (
  request: FitRequest,
  { surfaces = [] }: Pick<FitAnswer, 'surfaces'>,
): Part[] =>
  bearingsOf(request, surfaces).flatMap(({ surface, index, container, width, depth, height }) => {
    const { x, y, z } = surface;
    const shared = {
      container,
      groundMm: z + groundOf(container),
      isRound: container.shape === 'round',
    };
    const whole = { ...shared, key: `${index}`, x, y, z, width, depth, height };
    if (container.role === 'turntable')
      return [{ ...whole, height: container.plateHeight ?? height }];
    if (container.role !== 'riser') return [whole];
    const under = container.underHeight ?? 0;
    const leg = Math.max(2, (container.outer.width - (container.underWidth ?? 0)) / 2);
    return [
      { ...whole, z: z + under, height: height - under },
      { ...whole, key: `${index} left`, width: leg, height: under },
      { ...whole, key: `${index} right`, x: x + width - leg, width: leg, height: under },
    ];
  });

/** The boards that part a drawer or a box; the last compartment ends at the wall, without one. */
export const boardsOf = (
  request: FitRequest,
  { placements }: Pick<FitAnswer, 'placements'>,
): (Body & { readonly key: string })[] =>
  placements.flatMap((placement, index) => {
    const container = request.containers.find(({ id }) => id === placement.containerId);
    const { cell, x, y, z, turned } = placement;
    if (!container || !cell || cell.wall) return [];
    const { depth: thick, height } = container.outer;
    const at = turned
      ? { x: x + cell.width, y, width: thick, depth: cell.depth }
      : { x, y: y + cell.depth, width: cell.width, depth: thick };
    return [{ ...at, z, height, key: `board ${index}`, isRound: false }];
  });

/** A paper tint, a step darker for each level above the floor. */
export function tintAt(tint: string, step: number): string {
  const darker = (hex: string) =>
    Math.round(parseInt(hex, 16) * (1 - TINT_STEP * Math.min(step, MOST_STEPS)))
      .toString(16)
      .padStart(2, '0');
  return `#${[1, 3, 5].map((at) => darker(tint.slice(at, at + 2))).join('')}`;
}
const TINT_STEP = 0.07;
const MOST_STEPS = 3;

/** The heights on which something stands, from the lowest; mm. */
export const levelHeightsOf = (
  request: FitRequest,
  answer: Pick<FitAnswer, 'surfaces'>,
): number[] =>
  [...new Set(partsOf(request, answer).map(({ groundMm }) => groundMm))].sort((a, b) => a - b);

/** Which step of tint a placement has: the number of its level. */
export function stepOf(request: FitRequest, answer: FitAnswer, { on }: Placement): number {
  const surface = on === undefined ? undefined : answer.surfaces?.[on];
  const container = request.containers.find(({ id }) => id === surface?.containerId);
  if (!surface || !container) return 0;
  return 1 + levelHeightsOf(request, answer).indexOf(surface.z + groundOf(container));
}
