import { findCellFaults, footOfCell, toCell } from './findCellFaults';
import { holds, isAsWished, overRim } from './findContentFaults';
import type { FitFault } from './fitFault';
import { findLevelFaults, groundUnder, type Solid as Bearer } from './findLevelFaults';
import { isClose, type Body } from './isClose';
import type { FitAnswer, FitContainer, FitRequest, Placement } from './model';

interface Item {
  readonly at: Placement;
  /** As it stands: of a divider the compartment that it ends. */
  readonly what: FitContainer;
  readonly base: FitContainer;
  readonly group: FitRequest['groups'][number];
  readonly w: number;
  readonly d: number;
  readonly h: number;
  massG: number;
}

const EPS = 1e-4;

/**
 * Checks an answer against every hard rule of the `fit` format, from the placements alone. Shares no
 * code with the engine, so that both would have to be wrong in the same way. Empty: nothing broken.
 */
export function findFitFaults(
  request: FitRequest,
  answer: Pick<
    FitAnswer,
    'placements' | 'surfaces' | 'unmet' | 'costMinor' | 'usedLitres' | 'freeLitres'
  >,
): FitFault[] {
  const faults: FitFault[] = [];
  const say = (rule: FitFault['rule'], subject: string) => faults.push({ rule, subject });
  const items = answer.placements.flatMap((at) => toItem(request, at, say) ?? []);
  weigh(items);
  const bearers = findLevelFaults(request, items, answer.surfaces ?? [], say);
  findCellFaults(request, items, bearers, say);
  for (const item of items) checkItem(request, items, item, bearers, say);
  for (let i = 0; i < items.length; i += 1)
    for (let j = i + 1; j < items.length; j += 1) {
      const a = items[i];
      const b = items[j];
      // Between two compartments is a board, and no gap.
      const gap = a?.at.cell && b?.at.cell ? 0 : request.clearances.between;
      if (a && b && !isStackOf(a, b) && isClose(bodyOf(a), bodyOf(b), gap))
        say('gap', `${a.what.id} and ${b.what.id}`);
    }
  checkTotals(request, items, answer, say);
  return faults;
}

type Say = (rule: FitFault['rule'], subject: string) => void;

/** What is placed, with its true sizes; what is not known is said, and left out. */
function toItem(request: FitRequest, at: Placement, say: Say): Item | undefined {
  const base = request.containers.find((c) => c.id === at.containerId);
  const group = request.groups.find((g) => g.id === at.groupId);
  if (!base) say('unknown_container', at.containerId);
  else if (!group) say('unknown_group', at.groupId);
  if (!base || !group) return undefined;
  if (at.turned && base.turnable === false) say('wish', base.id);
  const { width, depth, height } = base.outer;
  const foot = at.turned ? { w: depth, d: width } : { w: width, d: depth };
  return {
    at,
    what: at.cell ? toCell(base, at.cell, at.turned) : base,
    base,
    group,
    ...(at.cell ? footOfCell(base, at.cell, at.turned) : foot),
    h: height + (group.hangs?.dropMm ?? overRim(base, group)),
    massG: 0,
  };
}

/** Content of a group is spread over its containers by their litres. */
function weigh(items: Item[]): void {
  for (const item of items) {
    const offered = items
      .filter((o) => o.group === item.group)
      .reduce((s, o) => s + holds(o.what, o.group), 0);
    const content = item.group.massG ?? 300 * item.group.litres;
    item.massG =
      (item.what.tareG ?? 0) +
      (content * holds(item.what, item.group)) / Math.max(item.group.litres, offered, 1e-12);
  }
}

function checkItem(
  request: FitRequest,
  items: readonly Item[],
  item: Item,
  bearers: readonly Bearer[],
  say: Say,
): void {
  const { bay, clearances: c } = request;
  const { what, group } = item;
  if (!isInside(request, item)) say('outside_bay', what.id);
  if (!item.at.cell && !passesOpening(request, item)) say('opening', what.id);
  if (bay.moist && /^(card|wicker|wood|fabric)$/.test(what.material)) say('moist', what.id);
  if (!isAsWished(what, group)) say('wish', `${what.id} for ${group.id}`);
  if (item.massG - (what.tareG ?? 0) > (what.maxLoadG ?? Infinity) + EPS)
    say('content_load', what.id);
  for (const o of bay.obstacles ?? []) {
    const box = { x: o.x, y: o.y, z: o.z, w: o.width, d: o.depth, h: o.height };
    if (isClose(bodyOf(item), box, c.between)) say('gap', `${what.id} and ${o.label}`);
  }
  checkStack(request, items, item, bearers, say);
  checkBlocking(request, items, item, bearers, say);
}

function isInside({ bay, clearances: c }: FitRequest, { at, what, w, d, h }: Item): boolean {
  const isHanging = /^(under-shelf|rail|hooks)$/.test(what.role ?? '');
  // Over what stands up at the front edge everything is lifted, less where it stands raised.
  const overMm = Math.max(bay.lip ?? 0, bay.openingBottom ?? 0) - (bay.falseFloor ?? 0);
  const toLift = Math.max(c.top, overMm);
  return (
    at.x >= c.side - EPS &&
    at.x + w <= bay.width - c.side + EPS &&
    at.y >= c.front - EPS &&
    at.y + d <= Math.min(bay.depth, bay.onDoor?.swing ?? Infinity) - c.back + EPS &&
    at.z >= (bay.falseFloor ?? 0) - EPS &&
    (isHanging ? at.z + h <= bay.height + EPS : at.z + h <= bay.height - toLift + EPS)
  );
}

function passesOpening({ bay }: FitRequest, { what, h }: Item): boolean {
  const faces = what.turnable === false ? [what.outer.width] : [what.outer.width, what.outer.depth];
  return (
    faces.some((face) => face <= (bay.openingWidth ?? bay.width) + EPS) &&
    h <= (bay.openingHeight ?? bay.height) + EPS
  );
}

const isStackOf = (a: Item, b: Item): boolean =>
  a.what === b.what &&
  a.at.on === b.at.on &&
  Math.abs(a.at.x - b.at.x) < EPS &&
  Math.abs(a.at.y - b.at.y) < EPS &&
  a.at.turned === b.at.turned &&
  Math.abs(a.at.z - b.at.z) > a.h - EPS;

function checkStack(
  request: FitRequest,
  items: readonly Item[],
  item: Item,
  bearers: readonly Bearer[],
  say: Say,
): void {
  const pile = items.filter((o) => o !== item && isStackOf(item, o));
  const above = pile.filter((o) => o.at.z > item.at.z);
  const isHung = /^(under-shelf|rail|hooks)$/.test(item.what.role ?? '');
  const ground = groundUnder(request, item.at, bearers);
  if (isHung && Math.abs(item.at.z + item.h - request.bay.height) > EPS) say('hung', item.what.id);
  if (
    !isHung &&
    Math.abs(item.at.z - ground) > EPS &&
    !pile.some((o) => Math.abs(o.at.z + o.h - item.at.z) < EPS)
  )
    say('support', item.what.id);
  if (above.length > 0 && item.group.crushable) say('crushed', item.what.id);
  const { bottom = 0 } = request.bay;
  if (!item.what.clear && bottom + item.at.z >= (item.group.eyeMm ?? Infinity))
    say('above_eyes', item.what.id);
  if (pile.length > 0 && !item.what.stackable) say('stack_height', item.what.id);
  if (pile.length + 1 > (item.what.maxStack ?? Infinity) && pile.length > 0)
    say('stack_height', item.what.id);
  if (above.reduce((s, o) => s + o.massG, 0) > (item.what.maxLoadG ?? Infinity) + EPS)
    say('stack_load', item.what.id);
}

function checkBlocking(
  request: FitRequest,
  items: readonly Item[],
  item: Item,
  bearers: readonly Bearer[],
  say: Say,
): void {
  const isOver = (o: Item) => isStackOf(item, o) && o.at.z > item.at.z;
  const own = bearers.find(({ index }) => index === item.at.on);
  // What turns or comes out brings all of it to the front.
  const isBrought = own !== undefined && own.what.role !== 'riser';
  const isBefore = (o: Item) =>
    !(isBrought && o.at.on === item.at.on) &&
    o.at.y < item.at.y - EPS &&
    o.at.x + EPS < item.at.x + item.w &&
    item.at.x + EPS < o.at.x + o.w &&
    o.at.z + EPS < item.at.z + item.h &&
    item.at.z + EPS < o.at.z + o.h;
  const others = items.filter(
    (o) => o !== item && o.group !== item.group && (isOver(o) || isBefore(o)),
  );
  if (item.group.front && others.length > 0) say('front_blocked', item.what.id);
  const { openingLeft, openingWidth } = request.bay;
  if (item.group.front && openingLeft !== undefined && openingWidth !== undefined) {
    const seen =
      Math.min(item.at.x + item.w, openingLeft + openingWidth) - Math.max(item.at.x, openingLeft);
    if (seen < item.w / 2 - EPS) say('beside_opening', item.what.id);
  }
  if (!request.bay.pullOut && others.reduce((s, o) => s + o.massG, 0) > 4000 + EPS)
    say('blocked_mass', item.what.id);
}

/** A container as the room it takes. */
const bodyOf = ({ at, what, w, d, h }: Item): Body => ({
  ...{ x: at.x, y: at.y, z: at.z, w, d, h },
  isRound: what.shape === 'round',
});

function checkTotals(
  request: FitRequest,
  items: readonly Item[],
  answer: Parameters<typeof findFitFaults>[1],
  say: Say,
): void {
  const bearing = (answer.surfaces ?? []).flatMap(
    ({ containerId }) => request.containers.find(({ id }) => id === containerId) ?? [],
  );
  for (const what of request.containers) {
    const there =
      items.filter((i) => i.base === what && !i.at.cell?.wall).length +
      bearing.filter((each) => each === what).length;
    if (there > (what.available ?? Infinity)) say('available', what.id);
  }
  const limit = Math.min(
    request.bay.maxLoadG ?? Infinity,
    request.bay.onDoor?.maxLoadG ?? Infinity,
  );
  const bearingG = bearing.reduce((s, { tareG = 0 }) => s + tareG, 0);
  if (items.reduce((s, i) => s + i.massG, bearingG) > limit + EPS) say('bay_load', request.bay.id);
  checkPersons(items, say);
  let used = 0;
  let offeredAll = 0;
  for (const group of request.groups) {
    const own = items.filter((i) => i.group === group);
    const offeredBy = (some: readonly Item[]) => some.reduce((s, i) => s + holds(i.what, group), 0);
    const offered = offeredBy(own);
    const unmet = answer.unmet.find((u) => u.groupId === group.id)?.litres ?? 0;
    let lacking = Math.max(0, group.litres - offered);
    if (group.kinds) {
      if (own.some(({ at }) => group.kinds?.[at.kind ?? -1] === undefined)) say('kind', group.id);
      lacking = group.kinds.reduce(
        (s, kind, k) =>
          s + Math.max(0, kind.litres - offeredBy(own.filter(({ at }) => at.kind === k))),
        0,
      );
    }
    if (Math.abs(lacking - unmet) > EPS) say('litres', group.id);
    used +=
      (group.kinds ? group.kinds.reduce((s, kind) => s + kind.litres, 0) : group.litres) - lacking;
    offeredAll += offered;
  }
  // Of each container what is not left over is paid for.
  const cost = request.containers.reduce((sum, what) => {
    const used =
      items.filter((i) => i.base === what && !i.at.cell?.wall).length +
      bearing.filter((each) => each === what).length;
    return sum + Math.max(0, used - (what.spare ?? 0)) * what.priceMinor;
  }, 0);
  const isSum =
    cost === answer.costMinor &&
    Math.abs(used - answer.usedLitres) < 1e-3 &&
    Math.abs(offeredAll - used - answer.freeLitres) < 1e-3;
  if (!isSum) say('totals', request.bay.id);
}

/** One colour a person, and no colour of two. */
function checkPersons(items: readonly Item[], say: Say): void {
  const colours = new Map<string, string | undefined>();
  for (const { group, what } of items) {
    if (group.ownerId === undefined) continue;
    if (
      what.colour === undefined ||
      (colours.has(group.ownerId) && colours.get(group.ownerId) !== what.colour)
    )
      say('person', group.id);
    for (const [person, colour] of colours)
      if (person !== group.ownerId && colour === what.colour) say('person', group.id);
    colours.set(group.ownerId, what.colour);
  }
}
