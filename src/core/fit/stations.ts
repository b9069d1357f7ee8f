import { insideOf } from './contents';
import { groundOf, STRIP_MM } from './levels';
import { bearingRoles, hangingRoles } from './codes';
import type { FitContainer, FitGroup, FitRequest, Surface } from './model';
import {
  clearOf,
  findBayFault,
  groupMassG,
  roleOf,
  suits,
  reachOf,
  takesDivider,
  takesInsert,
  type FitQuestion,
} from './suitability';
import { plainId } from './unfold';

type Box = NonNullable<FitRequest['bay']['obstacles']>[number];

/** What is put into a bay as one, so that there are more levels. */
export type Station =
  | {
      readonly kind: 'bearing';
      readonly container: FitContainer;
      /** On one another, for turntables that take that. */
      readonly tiers: number;
      /** Of a riser that is pulled out. */
      readonly width: number | undefined;
      readonly isAtBack: boolean;
    }
  | {
      readonly kind: 'hanging';
      readonly container: FitContainer;
      readonly group: FitGroup;
      readonly count: number;
    };

/** Containers that hang, of one group that they hold whole. */
export interface Hung {
  readonly container: FitContainer;
  readonly group: FitGroup;
  readonly x: number;
  readonly y: number;
  readonly z: number;
  readonly height: number;
}
/** What bears and what hangs, before anything is stood. */
export interface Scene {
  readonly surfaces: readonly Surface[];
  readonly hung: readonly Hung[];
}
export const EMPTY_SCENE: Scene = { surfaces: [], hung: [] };

/** Above a surface at least so much is left, or it is not worth its room; mm. */
const LEAST_ABOVE_MM = 60;
const MOST = { risers: 8, turntables: 4, hosts: 3, pullOuts: 3, hanging: 6 } as const;

/** Everything that could be put into the bay for more levels, the cheapest for what it gives first. */
export function listStations(question: FitQuestion): Station[] {
  const clear = clearOf(question);
  const able = question.containers.filter(
    (container) =>
      findBayFault(question, container) === undefined &&
      (container.available ?? 1) > 0 &&
      groundOf(container) + LEAST_ABOVE_MM <= clear.z1,
  );
  const ofRole = (role: string, most: number): FitContainer[] =>
    able
      .filter((container) => roleOf(container) === role)
      .sort(
        (a, b) =>
          (a.priceMinor + 1) / (a.outer.width * a.outer.depth) -
          (b.priceMinor + 1) / (b.outer.width * b.outer.depth),
      )
      .filter(({ id }, i) => i < most || question.uses?.includes(plainId(id)));
  const risers = ofRole('riser', MOST.risers).flatMap((container): Station[] =>
    widthsOf(container, clear.x1 - clear.x0).flatMap((width) =>
      // Deep enough for something before it, it may stand at the back as a step.
      [false, true].map((isAtBack): Station => ({
        kind: 'bearing',
        container,
        tiers: 1,
        width,
        isAtBack,
      })),
    ),
  );
  const turntables = ofRole('turntable', MOST.turntables).flatMap((container): Station[] =>
    [1, 2]
      .filter((tiers) => tiers === 1 || isTiered(container, clear.z1))
      .map((tiers) => ({ kind: 'bearing', container, tiers, width: undefined, isAtBack: false })),
  );
  const hosts = able
    // What stands for a container for one group only is no larger inside than that is.
    .filter(({ id }) => !question.onlyFor?.has(id))
    .filter(isHostOf(able))
    .sort((a, b) => a.priceMinor / insideOf(a).depth - b.priceMinor / insideOf(b).depth)
    .filter(({ id }, i) => i < MOST.hosts || question.uses?.includes(plainId(id)));
  const whole = [...hosts, ...ofRole('pull-out', MOST.pullOuts)].map((container): Station => ({
    kind: 'bearing',
    container,
    tiers: 1,
    width: undefined,
    isAtBack: false,
  }));
  return [...risers, ...turntables, ...whole, ...listHanging(question)];
}

/** Everything that could bear others in this bay, and whether anything could hang, however little it gives. */
export function listLevelled(question: FitQuestion): {
  readonly bearing: readonly FitContainer[];
  readonly canHang: boolean;
  /** Whether boards part the bay itself, a drawer; and what of boards and boxes go together. */
  readonly isParted: boolean;
  readonly boards: readonly FitContainer[];
  readonly partedBoxes: readonly FitContainer[];
} {
  const able = question.containers.filter(
    (container) => findBayFault(question, container) === undefined,
  );
  const isHost = isHostOf(able);
  const boards = able.filter((container) => roleOf(container) === 'divider');
  return {
    bearing: able.filter((container) => bearingRoles.has(roleOf(container)) || isHost(container)),
    isParted: question.bay.pullOut === true && boards.some(reachesIn(question)),
    boards,
    partedBoxes: able.filter((host) => boards.some((board) => takesDivider(host, board))),
    canHang: able.some(
      (container) =>
        hangingRoles.has(roleOf(container)) &&
        question.groups.some((group) => suits(question, container, group)),
    ),
  };
}

const reachesIn =
  ({ bay }: FitQuestion) =>
  (board: FitContainer): boolean =>
    [bay.width, bay.depth].some(reachOf(board));

/** Whether some of these go into a box: inserts, or boards that part it. */
function isHostOf(containers: readonly FitContainer[]): (host: FitContainer) => boolean {
  const inner = containers.filter((container) => ['insert', 'divider'].includes(roleOf(container)));
  return (host) => inner.some((each) => takesInsert(host, each) || takesDivider(host, each));
}

const isTiered = (container: FitContainer, topMm: number): boolean =>
  container.stackable === true &&
  container.levelGap !== undefined &&
  container.levelGap + groundOf(container) + LEAST_ABOVE_MM <= topMm &&
  (container.available ?? 2) >= 2 &&
  (container.maxStack ?? 2) >= 2;

/** As it is, or pushed together, pulled out as far as it goes or as the bay is wide. */
function widthsOf({ outer, mostWidth }: FitContainer, roomMm: number): (number | undefined)[] {
  if (mostWidth === undefined) return [undefined];
  return [...new Set([outer.width, Math.min(mostWidth, Math.floor(roomMm))])];
}

function listHanging(question: FitQuestion): Station[] {
  const { bay, groups, containers } = question;
  return containers
    .filter(
      (container) =>
        hangingRoles.has(roleOf(container)) && findBayFault(question, container) === undefined,
    )
    .flatMap((container) =>
      groups
        .filter((group) => group.litres > 0 && suits(question, container, group))
        .flatMap((group): Station[] => {
          const count = Math.ceil(group.litres / container.innerLitres - 1e-9);
          const isBorne =
            groupMassG(group) / count <= (container.maxLoadG ?? Infinity) &&
            count <= (container.available ?? Infinity) &&
            count * (container.outer.width + question.clearances.between) <=
              bay.width + question.clearances.between;
          return isBorne ? [{ kind: 'hanging', container, group, count }] : [];
        }),
    )
    .sort((a, b) => costOf(a) - costOf(b))
    .slice(0, MOST.hanging);
}
const costOf = (station: Station): number =>
  station.container.priceMinor * (station.kind === 'hanging' ? station.count : station.tiers);

/**
 * The scene with one station more, as far to the left as it goes, or to the right; undefined where it finds no room.
 * Surfaces stand at the front edge, a step at the back.
 */
export function addStation(
  question: FitQuestion,
  scene: Scene,
  station: Station,
): Scene | undefined {
  return station.kind === 'hanging'
    ? hang(question, scene, station)
    : stand(question, scene, station);
}

function stand(
  question: FitQuestion,
  scene: Scene,
  { container, tiers, width: pulledTo, isAtBack }: Extract<Station, { kind: 'bearing' }>,
): Scene | undefined {
  const { bay, clearances } = question;
  const clear = clearOf(question);
  const used = scene.surfaces.filter(({ containerId }) => containerId === container.id).length;
  if (used + tiers > (container.available ?? Infinity)) return undefined;
  const width = pulledTo ?? container.outer.width;
  const { depth } = container.outer;
  const strip = clear.y1 - clear.y0 - depth;
  if (strip < 0 || (isAtBack && strip < STRIP_MM)) return undefined;
  const y = isAtBack ? clear.y1 - depth : clear.y0;
  const gap = clearances.between;
  const columns = scene.surfaces.flatMap((surface) => {
    const other = question.containers.find(({ id }) => id === surface.containerId);
    return other ? [{ x: surface.x, width: surface.width ?? other.outer.width }] : [];
  });
  const tall = roleOf(container) === 'pull-out' ? bay.height : topOf(container, tiers);
  const [fromMm, toMm] =
    roleOf(container) === 'pull-out' ? openingOf(question) : [clear.x0, clear.x1];
  const solids = [...(bay.obstacles ?? []), ...scene.hung.map(toBox)];
  const isClear = (x: number): boolean =>
    x >= fromMm - 1e-6 &&
    x + width <= toMm + 1e-6 &&
    columns.every(
      (other) => x + width + gap <= other.x + 1e-6 || other.x + other.width + gap <= x + 1e-6,
    ) &&
    solids.every(
      (box) =>
        x + width + gap <= box.x ||
        box.x + box.width + gap <= x ||
        y + depth + gap <= box.y ||
        box.y + box.depth + gap <= y ||
        tall + gap <= box.z,
    );
  const edges = [...columns, ...solids];
  const x = [
    fromMm,
    ...edges.map((other) => other.x + other.width + gap),
    ...edges.map((other) => other.x - gap - width),
    toMm - width,
  ]
    .sort((a, b) => a - b)
    .find(isClear);
  if (x === undefined) return undefined;
  const lowest: Surface = {
    containerId: container.id,
    x,
    y,
    z: 0,
    turned: false,
    ...(pulledTo === undefined ? {} : { width: pulledTo }),
  };
  const surfaces = [...scene.surfaces, lowest];
  for (let tier = 1; tier < tiers; tier += 1)
    surfaces.push({ ...lowest, z: tier * (container.levelGap ?? 0), on: surfaces.length - 1 });
  return { ...scene, surfaces };
}
/** What the solid parts of a surface reach up to. */
const topOf = (container: FitContainer, tiers: number): number =>
  container.outer.height + (tiers - 1) * (container.levelGap ?? 0);

/** From where to where something can be pulled out: the opening less what the open door takes. */
export function openingOf({ bay, clearances }: FitRequest): readonly [number, number] {
  const { width, openingWidth = width, doorTakes = 0, hinge } = bay;
  const left = bay.openingLeft ?? (width - openingWidth) / 2;
  const from = left + (hinge === 'left' ? doorTakes : 0);
  const to = left + openingWidth - (hinge === 'right' ? doorTakes : 0);
  return [Math.max(from, clearances.side), Math.min(to, width - clearances.side)];
}

function hang(
  question: FitQuestion,
  scene: Scene,
  { container, group, count }: Extract<Station, { kind: 'hanging' }>,
): Scene | undefined {
  const { bay, clearances } = question;
  const clear = clearOf(question);
  if (scene.hung.some((other) => other.group === group)) return undefined;
  const { width, depth } = container.outer;
  const height = container.outer.height + (group.hangs?.dropMm ?? 0);
  if (depth > clear.y1 - clear.y0 || height > bay.height) return undefined;
  const z = bay.height - height;
  const solids = [
    ...(bay.obstacles ?? []),
    ...scene.hung.map(toBox),
    // Surfaces want the air above them.
    ...scene.surfaces.flatMap((surface): Box[] => {
      const other = question.containers.find(({ id }) => id === surface.containerId);
      return other
        ? [
            {
              label: '',
              x: surface.x,
              y: 0,
              z: 0,
              width: surface.width ?? other.outer.width,
              depth: bay.depth,
              height: bay.height,
            },
          ]
        : [];
    }),
  ];
  const gap = clearances.between;
  const hung: Hung[] = [];
  let x = clear.x0;
  for (let i = 0; i < count; i += 1) {
    const stop = solids
      .filter(
        (box) =>
          box.z + box.height + gap > z && box.x < x + width + gap && box.x + box.width + gap > x,
      )
      .reduce((most, box) => Math.max(most, box.x + box.width + gap), x);
    if (stop > x) {
      x = stop;
      i -= 1;
      if (x + width > clear.x1) return undefined;
      continue;
    }
    if (x + width > clear.x1 + 1e-6) return undefined;
    hung.push({ container, group, x, y: clear.y0, z, height });
    x += width + gap;
  }
  return { ...scene, hung: [...scene.hung, ...hung] };
}

/** What hangs, as what is in the way of others. */
export const toBox = ({ container, x, y, z, height }: Hung): Box => ({
  label: container.name,
  x,
  y,
  z,
  width: container.outer.width,
  depth: container.outer.depth,
  height,
});
