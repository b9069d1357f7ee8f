import { fitLabel } from '../shared';
import { placeAll } from './findPlanClashes';
import { joinPlans, pointIn, rectIn, type PlacedPlan } from './joinPlans';
import { middleOfFloor } from './freeFloor';
import type { Passage, Unit } from './model';
import { type Mark, type Sketch } from './sketch';
import type { Point, Rect } from './traceWalls';
import { middleOfDoor, type WayRoom } from './ways';

interface HomePlan {
  readonly rooms: readonly (WayRoom & { readonly units: readonly Unit[] })[];
  readonly passages: readonly Passage[];
  /** So many pixels wide at most, at one pixel a pen. */
  readonly widthPx: number;
}

const GAP_MM = 900;
const BAND_MM = 1300;
/** A room without a plan is drawn so large, dashed. */
const UNKNOWN_MM = 2000;

/** What stands together in the drawing: rooms joined at their doors, or one that has no plan. */
interface Part extends Rect {
  readonly plans: readonly PlacedPlan[];
  readonly roomIds: readonly string[];
}

/**
 * The home from above: rooms to one scale and, where their plans fit together, joined at their doors.
 * Halls, stairs and openings have no plan and lie as a band between, with a line to each door:
 * there the drawing is a sketch.
 */
export function drawHomePlan({ rooms, passages, widthPx }: HomePlan): Sketch {
  const parts = listParts(rooms);
  const bands = passages.filter(({ kind }) => kind !== 'opening');
  const rowWidth = Math.max(
    ...parts.map(({ width }) => width),
    Math.sqrt(parts.reduce((sum, part) => sum + (part.width + GAP_MM) * (part.depth + GAP_MM), 0)) *
      1.5,
    0,
  );
  const rows = toRows(parts, rowWidth);
  const above = bands.length > 0 ? Math.ceil(rows.length / 2) : 0;
  const laid = new Map<Part, Point>();
  let y = 0;
  let band: Rect | undefined;
  rows.forEach((row, i) => {
    const depth = Math.max(...row.map((part) => part.depth));
    let x = 0;
    for (const part of row) {
      // Above the band rooms stand on it, below they hang from it.
      laid.set(part, { x: x - part.x, y: y - part.y + (i < above ? depth - part.depth : 0) });
      x += part.width + GAP_MM;
    }
    y += depth + GAP_MM;
    if (i === above - 1) {
      band = { x: 0, y: y - GAP_MM / 3, width: rowWidth, depth: BAND_MM };
      y += BAND_MM + GAP_MM / 3;
    }
  });
  const width = Math.max(rowWidth, 1);
  const pen = width / widthPx;
  const shown = parts.map((part) => moved(part, laid.get(part) ?? { x: 0, y: 0 }));
  const boxes = band ? shareBand(band, bands) : new Map<string, Rect>();
  const margin = 8 * pen;
  return {
    x: -margin,
    y: -margin,
    width: width + 2 * margin,
    depth: Math.max(0, y - GAP_MM) + 2 * margin + 16 * pen,
    penMm: pen,
    marks: [
      // Under the rooms, so that a line ends at its room's wall.
      ...drawLinks({ rooms, passages, shown, boxes }),
      ...shown.flatMap((part) => part.plans.flatMap((plan) => drawRoom(plan, rooms, pen))),
      ...shown.flatMap((part) => (part.plans.length === 0 ? drawUnknown(part, rooms, pen) : [])),
      ...[...boxes].flatMap(([id, box]) =>
        drawPassage(box, bands.find((each) => each.id === id)?.name ?? '', pen),
      ),
      ...shown.flatMap((part) => part.plans.flatMap((plan) => nameRoom(plan, rooms, pen))),
    ],
  };
}

function listParts(rooms: HomePlan['rooms']): Part[] {
  const { plans } = joinPlans(rooms);
  const numbers = [...new Set(plans.map(({ part }) => part))];
  const joined = numbers.map((number): Part => {
    const own = plans.filter(({ part }) => part === number);
    const corners = own.flatMap((plan) =>
      plan.outline.walls.map(({ from }) => pointIn(plan, from)),
    );
    const [xs, ys] = [corners.map(({ x }) => x), corners.map(({ y }) => y)];
    return {
      plans: own,
      roomIds: own.map(({ roomId }) => roomId),
      x: Math.min(...xs),
      y: Math.min(...ys),
      width: Math.max(...xs) - Math.min(...xs),
      depth: Math.max(...ys) - Math.min(...ys),
    };
  });
  const unknown = rooms
    .filter(({ room }) => !plans.some(({ roomId }) => roomId === room.id))
    .map(({ room }): Part => ({
      plans: [],
      roomIds: [room.id],
      x: 0,
      y: 0,
      width: UNKNOWN_MM,
      depth: UNKNOWN_MM,
    }));
  return [...joined, ...unknown];
}

function toRows(parts: readonly Part[], rowWidth: number): Part[][] {
  const rows: Part[][] = [];
  let used = Infinity;
  for (const part of parts) {
    if (used + part.width > rowWidth + 1) {
      rows.push([]);
      used = 0;
    }
    rows.at(-1)?.push(part);
    used += part.width + GAP_MM;
  }
  return rows;
}

const moved = (part: Part, by: Point): Part => ({
  ...part,
  x: part.x + by.x,
  y: part.y + by.y,
  plans: part.plans.map((plan) => ({
    ...plan,
    shift: { x: plan.shift.x + by.x, y: plan.shift.y + by.y },
  })),
});

const shareBand = (band: Rect, passages: readonly Passage[]): Map<string, Rect> => {
  const width = (band.width - (passages.length - 1) * GAP_MM) / Math.max(1, passages.length);
  return new Map(
    passages.map(({ id }, i) => [id, { ...band, x: band.x + i * (width + GAP_MM), width }]),
  );
};

function drawRoom(plan: PlacedPlan, rooms: HomePlan['rooms'], pen: number): Mark[] {
  const own = rooms.find(({ room }) => room.id === plan.roomId);
  if (!own) return [];
  const { units, fixtures } = placeAll(plan.outline, own.units, own.fixtures);
  return [
    {
      kind: 'line',
      role: 'wall',
      points: plan.outline.walls.map(({ from }) => pointIn(plan, from)),
      isClosed: true,
    },
    ...units.map(({ rect, unit }): Mark => ({
      kind: 'rect',
      role: 'unit',
      ...rectIn(plan, rect),
      title: unit.name,
    })),
    ...fixtures
      .filter(({ fixture }) => fixture.kind === 'door' || fixture.kind === 'station')
      .map(({ fixture, rect }): Mark => {
        const at = rectIn(plan, rect);
        const isDoor = fixture.kind === 'door';
        const least = isDoor ? 5 * pen : 0;
        const grow = (size: number) => Math.max(size, least);
        return {
          kind: 'rect',
          role: isDoor ? 'window' : 'station',
          x: at.x - (grow(at.width) - at.width) / 2,
          y: at.y - (grow(at.depth) - at.depth) / 2,
          width: grow(at.width),
          depth: grow(at.depth),
          title: fixture.name,
        };
      }),
  ];
}

function nameRoom(plan: PlacedPlan, rooms: HomePlan['rooms'], pen: number): Mark[] {
  const name = rooms.find(({ room }) => room.id === plan.roomId)?.room.name ?? '';
  const middle = pointIn(plan, middleOfFloor(plan.outline));
  const isUpright = plan.quarterTurns % 2 === 0;
  const width = isUpright ? plan.outline.widthMm : plan.outline.depthMm;
  return [
    {
      kind: 'text',
      role: 'name',
      x: middle.x,
      y: middle.y + 5 * pen,
      text: fitLabel(name, width - 6 * pen, 14 * pen),
      pens: 14,
      anchor: 'middle',
    },
  ];
}

function drawUnknown(part: Part, rooms: HomePlan['rooms'], pen: number): Mark[] {
  const name = rooms.find(({ room }) => room.id === part.roomIds[0])?.room.name ?? '';
  const middle = { x: part.x + part.width / 2, y: part.y + part.depth / 2 };
  const line = (text: string, down: number, role: 'name' | 'note'): Mark => ({
    kind: 'text',
    role,
    x: middle.x,
    y: middle.y + down * pen,
    text: fitLabel(text, part.width - 4 * pen, 13 * pen),
    pens: 13,
    anchor: 'middle',
  });
  return [
    { kind: 'rect', role: 'bay-out', x: part.x, y: part.y, width: part.width, depth: part.depth },
    line(name, -2, 'name'),
    line('no plan yet', 14, 'note'),
  ];
}

function drawPassage(box: Rect, name: string, pen: number): Mark[] {
  return [
    { kind: 'rect', role: 'clear', ...box, title: name },
    {
      kind: 'text',
      role: 'note',
      x: box.x + box.width / 2,
      y: box.y + box.depth / 2 + 4.5 * pen,
      text: fitLabel(name, box.width - 6 * pen, 13 * pen),
      pens: 13,
      anchor: 'middle',
    },
  ];
}

interface Links extends Omit<HomePlan, 'widthPx'> {
  readonly shown: readonly Part[];
  readonly boxes: ReadonlyMap<string, Rect>;
}

/** A line from each door, or room, to what it leads to and does not touch in the drawing. */
function drawLinks({ rooms, passages, shown, boxes }: Links): Mark[] {
  const planOf = (roomId: string) =>
    shown.flatMap(({ plans }) => plans).find((plan) => plan.roomId === roomId);
  const middleOfRoom = (roomId: string): Point | undefined => {
    const plan = planOf(roomId);
    if (plan) return pointIn(plan, middleOfFloor(plan.outline));
    const part = shown.find(({ roomIds }) => roomIds.includes(roomId));
    return part && { x: part.x + part.width / 2, y: part.y + part.depth / 2 };
  };
  const link = (from: Point | undefined, to: Point | undefined): Mark[] =>
    from && to ? [{ kind: 'line', role: 'path', points: [from, to] }] : [];
  const toBox = (from: Point | undefined, passageId: string): Mark[] => {
    const box = boxes.get(passageId);
    if (!from || !box) return [];
    const x = Math.min(Math.max(from.x, box.x + 100), box.x + box.width - 100);
    return link(from, { x, y: from.y < box.y ? box.y : box.y + box.depth });
  };
  const partOf = (roomId: string) => shown.find(({ roomIds }) => roomIds.includes(roomId));
  const doors = rooms.flatMap(({ room, fixtures }) => {
    const plan = planOf(room.id);
    return fixtures.flatMap((door) => {
      const at = plan && middleOfDoor(plan.outline, door);
      const from = plan && at && pointIn(plan, at);
      if (door.leadsTo?.to === 'passage') return toBox(from, door.leadsTo.passageId);
      if (door.leadsTo?.to !== 'room' || partOf(room.id) === partOf(door.leadsTo.roomId)) return [];
      return link(from, middleOfRoom(door.leadsTo.roomId));
    });
  });
  const joined = passages.flatMap((passage) => {
    const ends = passage.roomIds.map(middleOfRoom);
    if (passage.kind === 'opening') return ends.slice(1).flatMap((end) => link(ends[0], end));
    return [
      ...ends.flatMap((end) => toBox(end, passage.id)),
      ...passage.passageIds.flatMap((otherId) => {
        const [own, other] = [boxes.get(passage.id), boxes.get(otherId)];
        const middle = (box: Rect) => ({ x: box.x + box.width / 2, y: box.y + box.depth / 2 });
        return own && other ? link(middle(own), middle(other)) : [];
      }),
    ];
  });
  return [...doors, ...joined];
}
