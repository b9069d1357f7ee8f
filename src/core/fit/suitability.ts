import type { Clearances, FitContainer, FitGroup, FitReason, FitRequest } from './model';

const innerWidthOf = (container: FitContainer): number =>
  container.innerWidth ?? Math.min(container.outer.width, container.outer.depth);

export const groupMassG = (group: FitGroup): number => group.massG ?? group.litres * 300;

/** Materials that draw damp. */
export const DAMP_SHY: ReadonlySet<FitContainer['material']> = new Set<FitContainer['material']>([
  'card',
  'wicker',
  'wood',
  'fabric',
]);

/** The space in which containers may stand. */
export interface Clear {
  readonly x0: number;
  readonly x1: number;
  readonly y0: number;
  readonly y1: number;
  readonly z1: number;
}
export function clearOf({ bay, clearances }: Pick<FitRequest, 'bay' | 'clearances'>): Clear {
  const { side, front, back, top }: Clearances = clearances;
  return { x0: side, x1: bay.width - side, y0: front, y1: bay.depth - back, z1: bay.height - top };
}

/**
 * Side of a square around a round container's centre that overlaps no other such square, nor a box
 * with its gap on the right and at the back: the one within
 * the circle, a little less where a box's corner may reach into the gap. The square around the
 * circle may be overlapped.
 */
const squareWithinMm = ({ outer }: FitContainer, gap: number): number =>
  Math.max(1, outer.width * Math.SQRT1_2 - 2 * gap * (1 - Math.SQRT1_2));

/** One way round that a container may lie, its gap included. */
export interface Lie {
  readonly width: number;
  readonly depth: number;
}
/**
 * Floor that a container surely takes, in each way round in which it goes into the bay: whatever
 * keeps its distance does not overlap it.
 */
export function liesOf(request: FitRequest, container: FitContainer): Lie[] {
  const { outer, shape, turnable } = container;
  const gap = request.clearances.between;
  const { x0, x1, y0, y1 } = clearOf(request);
  const square = squareWithinMm(container, gap);
  const [width, depth] =
    shape === 'round' ? [square, square] : [outer.width + gap, outer.depth + gap];
  const lies =
    (turnable ?? true) && width !== depth
      ? [
          { width, depth },
          { width: depth, depth: width },
        ]
      : [{ width, depth }];
  return lies.filter(
    (lie) => lie.width <= x1 - x0 + gap + 1e-6 && lie.depth <= y1 - y0 + gap + 1e-6,
  );
}

/** Why a container cannot stand in this bay at all, in figures; undefined where it can. */
export function findBayFault(request: FitRequest, container: FitContainer): FitReason | undefined {
  const { bay } = request;
  const clear = clearOf(request);
  const { width, depth, height } = container.outer;
  const canTurn = container.turnable ?? true;
  const reason = (code: FitReason['code'], message: string): FitReason => ({
    code,
    message,
    subject: container.id,
  });
  if (bay.moist && DAMP_SHY.has(container.material)) {
    return reason('no_container_suits', `${container.material} must not stand in a damp place`);
  }
  const openingHeight = bay.openingHeight ?? bay.height;
  const openingWidth = bay.openingWidth ?? bay.width;
  if (height > openingHeight) {
    return reason(
      'container_does_not_pass',
      `${mm(height)} high, the opening is ${mm(openingHeight)}`,
    );
  }
  const narrowest = canTurn ? Math.min(width, depth) : width;
  if (narrowest > openingWidth) {
    return reason(
      'container_does_not_pass',
      `${mm(narrowest)} wide, the opening is ${mm(openingWidth)}`,
    );
  }
  if (height > clear.z1) {
    return reason(
      'container_too_high',
      `${mm(height)} high, ${mm(Math.max(0, clear.z1))} is free under the ${mm(request.clearances.top)} to lift it out`,
    );
  }
  const roomWidth = clear.x1 - clear.x0;
  const roomDepth = clear.y1 - clear.y0;
  const fits = (w: number, d: number) => w <= roomWidth && d <= roomDepth;
  if (!fits(width, depth) && !(canTurn && fits(depth, width))) {
    return reason(
      'container_too_big',
      `${mm(width)} × ${mm(depth)}, the floor is ${mm(Math.max(0, roomWidth))} × ${mm(Math.max(0, roomDepth))}`,
    );
  }
  return undefined;
}

/** Why a container does not suit what the group asks for; undefined where it does. */
export function findGroupFault(container: FitContainer, group: FitGroup): string | undefined {
  if (container.innerLitres <= 0) return 'holds nothing';
  if (group.lid === 'required' && !container.lid) return 'has no lid';
  if (group.lid === 'forbidden' && container.lid) return 'has a lid';
  if (group.see === 'clear' && !container.clear) return 'cannot be seen through';
  if (group.see === 'opaque' && container.clear) return 'can be seen through';
  if ((group.minInnerHeight ?? 0) > container.innerHeight) {
    return `${mm(container.innerHeight)} high inside, needs ${mm(group.minInnerHeight ?? 0)}`;
  }
  if ((group.minInnerWidth ?? 0) > innerWidthOf(container)) {
    return `${mm(innerWidthOf(container))} wide inside, needs ${mm(group.minInnerWidth ?? 0)}`;
  }
  return undefined;
}

/**
 * A group that may stand in this container only; several pins of a group leave it the choice
 * between them.
 */
export interface FitPin {
  readonly groupId: string;
  readonly containerId: string;
}
/** A request with what somebody has pinned; the open format has no pins. */
export type FitQuestion = FitRequest & { readonly pins?: readonly FitPin[] };

/** Whether a container suits a group, and no pin gives the group to another. */
export function suits(
  { pins = [] }: FitQuestion,
  container: FitContainer,
  group: FitGroup,
): boolean {
  const own = pins.filter(({ groupId }) => groupId === group.id);
  return (
    findGroupFault(container, group) === undefined &&
    (own.length === 0 || own.some(({ containerId }) => containerId === container.id))
  );
}

/** One sentence a container that cannot be used here, by the first measure that rules it out. */
export function explainUnused(request: FitRequest): FitReason[] {
  return request.containers.flatMap((container) => {
    const bayFault = findBayFault(request, container);
    if (bayFault) return [bayFault];
    if (request.groups.length === 0) return [];
    const faults = request.groups.map((group) => findGroupFault(container, group));
    if (faults.some((fault) => fault === undefined)) return [];
    const first = faults[0] ?? '';
    return [
      {
        code: 'no_container_suits' as const,
        message: `${first}, for ${request.groups[0]?.name ?? 'the group'}`,
        subject: container.id,
      },
    ];
  });
}

const mm = (value: number): string => `${Math.round(value * 10) / 10} mm`;
