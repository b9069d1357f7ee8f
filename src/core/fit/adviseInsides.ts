import type { Bay, UnitKind } from '../look';
import { largestCircleOf } from '../shared';
import type { FitAnswer } from './model';
import type { ContainerProduct } from './records';
import { clearOf, DAMP_SHY, findBayFault, type FitQuestion } from './suitability';

/**
 * What a place asks for beyond boxes, in its own measures; `names` are products that do it here,
 * the best first.
 */
export type InsideTip =
  | { readonly code: 'air_above'; readonly freeMm: number; readonly names: readonly string[] }
  | {
      readonly code: 'deep';
      readonly depthMm: number;
      readonly diameterMm: number;
      readonly names: readonly string[];
    }
  | {
      readonly code: 'under_frame';
      readonly frameMm: number;
      readonly insideMm: number;
      readonly mostMm: number;
    }
  | {
      readonly code: 'around_pipes';
      readonly labels: readonly string[];
      /** Clear from the floor to the top, as the fit keeps its distances. */
      readonly circleMm: number;
      /** Clear below everything that hangs, so high; undefined where nothing hangs. */
      readonly below: { readonly circleMm: number; readonly heightMm: number } | undefined;
      readonly names: readonly string[];
    }
  | { readonly code: 'damp'; readonly leftOut: number }
  | {
      readonly code: 'tall_things';
      readonly groupName: string;
      readonly heightMm: number;
      readonly names: readonly string[];
    }
  | {
      readonly code: 'rail';
      readonly lengthMm: number;
      readonly coats: number;
      readonly shirts: number;
      readonly dropMm: number;
    }
  | { readonly code: 'no_lids'; readonly lidded: number }
  | { readonly code: 'pictures'; readonly personNames: readonly string[] };

interface InsideQuestion {
  readonly bay: Bay;
  readonly unitKind: UnitKind;
  readonly question: FitQuestion;
  /** What stands there, where a fit is taken. */
  readonly answer: Pick<FitAnswer, 'placements'> | undefined;
  readonly products: readonly ContainerProduct[];
  readonly people: readonly {
    readonly name: string;
    readonly labels: 'words' | 'pictures';
    readonly lids: 'closes' | 'leaves';
  }[];
}

/**
 * Air above what stands that is worth a second level; a depth in which what is behind is not seen;
 * a thing that wants to stand in a rack.
 */
const MUCH_AIR_MM = 120;
const DEEP_MM = 420;
const TALL_MM = 240;
/** What begins so high lets a low thing turn beneath it. */
const HANGS_MM = 100;
/** Height of a coat with its hanger, width on the rail of a coat and of a shirt. */
const COAT_DROP_MM = 1100;
const COAT_MM = 45;
const SHIRT_MM = 25;
const MOST_NAMES = 2;

/**
 * Goes through what special places need: drawers, basins, deep corners, air above, rails, tall
 * things, damp, households without lids or without reading.
 */
export function adviseInsides({
  bay,
  unitKind,
  question,
  answer,
  products,
  people,
}: InsideQuestion): InsideTip[] {
  const clear = clearOf(question);
  const inside = question.bay;
  const goesIn = (kinds: readonly ContainerProduct['kind'][]) =>
    products.filter(
      (product) =>
        kinds.includes(product.kind) &&
        question.containers.some(({ id }) => id === product.id) &&
        question.containers
          .filter(({ id }) => id === product.id)
          .every((container) => findBayFault(question, container) === undefined),
    );
  const named = (list: readonly ContainerProduct[]): string[] =>
    list.slice(0, MOST_NAMES).map(({ name }) => name);
  const tips: InsideTip[] = [];

  const frameMm = inside.openingHeight;
  if (bay.pullOut && frameMm !== undefined && frameMm < inside.height)
    tips.push({
      code: 'under_frame',
      frameMm,
      insideMm: inside.height,
      mostMm: Math.min(frameMm, clear.z1),
    });

  const obstacles = inside.obstacles ?? [];
  const turntables = goesIn(['turntable'])
    // A tier is bought for a turntable that is there.
    .filter(({ level }) => level?.levelGapMm === undefined)
    .sort((a, b) => b.width.mm - a.width.mm);
  const acrossMm = (blocking: typeof obstacles) => turnsWithinMm(question, blocking);
  const diameterMm = acrossMm(obstacles);
  const hanging = obstacles.filter(({ z }) => z >= HANGS_MM);
  const lowestMm = Math.min(...hanging.map(({ z }) => z));
  const belowMm = acrossMm(obstacles.filter((obstacle) => !hanging.includes(obstacle)));
  const turning = named(turntables.filter(({ width }) => width.mm <= diameterMm));
  if (obstacles.length > 0)
    tips.push({
      code: 'around_pipes',
      labels: [...new Set(obstacles.map(({ label }) => label))],
      circleMm: diameterMm,
      below:
        belowMm > diameterMm ? { circleMm: belowMm, heightMm: Math.floor(lowestMm) } : undefined,
      names: turning,
    });
  else if (!inside.pullOut && clear.y1 - clear.y0 >= DEEP_MM)
    tips.push({
      code: 'deep',
      depthMm: clear.y1 - clear.y0,
      diameterMm,
      names: [
        ...turning.slice(0, 1),
        ...named(
          goesIn(['pull-out']).filter(({ depth }) => depth.mm >= (clear.y1 - clear.y0) * 0.6),
        ).slice(0, 1),
      ],
    });

  tips.push(...airAbove(question, answer, clear.z1, { goesIn, named }));
  for (const group of question.groups) {
    const heightMm = group.minInnerHeight ?? 0;
    if (heightMm >= TALL_MM)
      tips.push({
        code: 'tall_things',
        groupName: group.name,
        heightMm,
        names: named(goesIn(['rack', 'file holder'])),
      });
  }
  if (unitKind === 'wardrobe' && inside.height >= COAT_DROP_MM)
    tips.push({
      code: 'rail',
      lengthMm: inside.width,
      coats: Math.floor(inside.width / COAT_MM),
      shirts: Math.floor(inside.width / SHIRT_MM),
      dropMm: COAT_DROP_MM,
    });
  if (inside.moist)
    tips.push({
      code: 'damp',
      leftOut: question.containers.filter(({ material }) => DAMP_SHY.has(material)).length,
    });
  return [...tips, ...habitTips(question, answer, people)];
}

/** Across the largest circle that comes in flat through the opening and keeps the fit's distances, in mm. */
function turnsWithinMm(
  question: FitQuestion,
  blocking: NonNullable<FitQuestion['bay']['obstacles']>,
): number {
  const clear = clearOf(question);
  const { between } = question.clearances;
  const circle = largestCircleOf(
    { width: Math.max(0, clear.x1 - clear.x0), depth: Math.max(0, clear.y1 - clear.y0) },
    blocking.map(({ x, y, width, depth }) => ({
      x: x - clear.x0 - between,
      y: y - clear.y0 - between,
      width: width + 2 * between,
      depth: depth + 2 * between,
    })),
  );
  return Math.floor(Math.min(2 * circle.radiusMm, question.bay.openingWidth ?? Infinity));
}

interface Shelf {
  readonly goesIn: (kinds: readonly ContainerProduct['kind'][]) => ContainerProduct[];
  readonly named: (list: readonly ContainerProduct[]) => string[];
}

/** Much air over what stands: something to stand over it, or on it. */
function airAbove(
  { containers }: FitQuestion,
  answer: InsideQuestion['answer'],
  topOfRoomMm: number,
  { goesIn, named }: Shelf,
): InsideTip[] {
  const heightOf = (id: string) =>
    containers.find((container) => container.id === id)?.outer.height ?? 0;
  const tops = answer?.placements.map(({ containerId, z }) => z + heightOf(containerId)) ?? [];
  const topMm = Math.max(0, ...tops);
  const freeMm = topOfRoomMm - topMm;
  if (topMm <= 0 || freeMm < MUCH_AIR_MM) return [];
  // Over what stands there, and with room left above it.
  const risers = goesIn(['riser']).filter(
    ({ height }) => height.mm >= topMm && topOfRoomMm - height.mm >= MUCH_AIR_MM / 2,
  );
  const stacking = goesIn(['stacking drawer']).filter(({ height }) => height.mm <= freeMm);
  const names = [...named(risers).slice(0, 1), ...named(stacking)].slice(0, MOST_NAMES);
  return [{ code: 'air_above', freeMm, names }];
}

/** What the habits of those who live here speak against. */
function habitTips(
  { containers, groups }: FitQuestion,
  answer: InsideQuestion['answer'],
  people: InsideQuestion['people'],
): InsideTip[] {
  const isLidded = (id: string) => containers.find((container) => container.id === id)?.lid;
  const lidded = answer?.placements.filter(({ containerId }) => isLidded(containerId)).length ?? 0;
  const looking = people.filter(({ labels }) => labels === 'pictures').map(({ name }) => name);
  return [
    ...(lidded > 0 && people.some(({ lids }) => lids === 'leaves')
      ? [{ code: 'no_lids' as const, lidded }]
      : []),
    ...(looking.length > 0 && groups.length > 0
      ? [{ code: 'pictures' as const, personNames: looking }]
      : []),
  ];
}
