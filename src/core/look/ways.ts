import { middleOfFloor } from './freeFloor';
import type { Fixture, Passage, Room } from './model';
import { rectAt } from './placeInPlan';
import { traceWalls, type Outline, type Point } from './traceWalls';

/** Something at a place of a room, in mm of the room's plan; undefined where it is not on the plan. */
export interface WaySpot {
  readonly id: string;
  readonly at: Point | undefined;
}
export interface WayRoom {
  readonly room: Room;
  readonly fixtures: readonly Fixture[];
  readonly spots: readonly WaySpot[];
}
interface WaysOfHome {
  readonly rooms: readonly WayRoom[];
  readonly passages: readonly Passage[];
}

/** How sure one wants to be: the shortest a way may be, what it likely is, the longest. */
export type WayGuess = 'low' | 'likely' | 'high';
type Guesses = Readonly<Record<WayGuess, number>>;

/** Metres between two rooms that nobody has joined. A guess: one to three rooms along a hall. */
export const METRES_NOT_JOINED: Guesses = { low: 4, likely: 8, high: 16 };
/** Metres from the way into a room without a plan to a place in it. A guess: rooms of 2 to 6 m. */
export const METRES_IN_ROOM: Guesses = { low: 1, likely: 2, high: 4 };
/** Metres of a hall, and of stairs in plan, that nobody has measured. A guess. */
const METRES_OF_HALL: Guesses = { low: 2, likely: 4, high: 8 };
const METRES_OF_STAIRS: Guesses = { low: 2, likely: 3, high: 4 };
/** Steps from one floor to the next, where nobody has counted. A guess: 2.4 to 3 m by 17 to 20 cm. */
const STEPS_OF_STAIRS: Guesses = { low: 12, likely: 15, high: 18 };
/**
 * Seconds a step, the mean of up and down, besides the metres in plan. Source: J. J. Fruin,
 * Pedestrian Planning and Design (1971): on indoor stairs some 0.5 m/s up and 0.65 m/s down in
 * plan, against 1.2 m/s on the level; steps of 28 cm take about half a second, of which the level
 * walk is a quarter.
 */
const SECONDS_OF_STEP: Guesses = { low: 0.2, likely: 0.27, high: 0.4 };
const WALK_M_PER_S = 1.2;
/**
 * Of a hall one walks so much between two of its doors, wherever they are: a third of its length is
 * the mean of two places on a line; half of that is told to each door.
 */
const SHARE_OF_HALL: Guesses = { low: 0, likely: 1 / 6, high: 1 / 2 };

/** What a way rests on that nobody has measured. */
export type WayGap =
  | { readonly code: 'not_joined' | 'no_plan'; readonly roomId: string }
  | { readonly code: 'no_length' | 'no_steps'; readonly passageId: string };

/** From the middle of one room to the middle of another. */
export interface WayBetween {
  readonly metres: number;
  /** Whether doors, halls or openings lead from one to the other; else it is a guess. */
  readonly isJoined: boolean;
  /** Names of the rooms and passages in between. */
  readonly via: readonly string[];
}

interface Ways {
  /** Metres on foot between two spots of different rooms, stairs as the level metres of their time. */
  readonly metresBetween: (spotId: string, otherId: string) => number;
  readonly between: (roomId: string, otherId: string) => WayBetween;
}

interface Node {
  readonly name: string;
  readonly roomId: string | undefined;
  /** In its room's plan. */
  readonly at: Point | undefined;
}

const metresOf = (a: Point, b: Point): number => Math.hypot(a.x - b.x, a.y - b.y) / 1000;
const doorsIn = ({ fixtures }: WayRoom): Fixture[] =>
  fixtures.filter(({ kind }) => kind === 'door');
const outlineOf = ({ plan }: Room): Outline | undefined => {
  const traced = plan ? traceWalls(plan) : undefined;
  return traced?.ok ? traced.value : undefined;
};
/** The middle of a door's threshold; undefined where its wall is gone. */
export function middleOfDoor(outline: Outline, door: Fixture): Point | undefined {
  const rect = rectAt(outline, door.place, { widthMm: door.width.mm, depthMm: 0 });
  return rect && { x: rect.x + rect.width / 2, y: rect.y + rect.depth / 2 };
}

/**
 * How far it is on foot from room to room: from a place straight to a door, through it, along halls
 * and over stairs, by the shortest way. A room is crossed straight, whatever stands in it. `guess`
 * says which end of what nobody has measured is taken.
 * O(n³) for n doors, rooms and passages.
 */
export function measureWays({ rooms, passages }: WaysOfHome, guess: WayGuess = 'likely'): Ways {
  const { nodes, reach, next } = connect({ rooms, passages }, guess);
  const nodesIn = (roomId: string) =>
    nodes.flatMap((node, i) => (node.roomId === roomId ? [i] : []));
  const homeOf = new Map(
    rooms.flatMap(({ room, spots }) =>
      spots.map((spot) => [spot.id, { roomId: room.id, at: spot.at }] as const),
    ),
  );
  const nodesByRoom = new Map(rooms.map(({ room }) => [room.id as string, nodesIn(room.id)]));
  const toNode = (at: Point | undefined, i: number): number => {
    const middle = nodes[i]?.at;
    return at && middle ? metresOf(at, middle) : 0;
  };
  const shortest = (
    from: { readonly roomId: string; readonly at: Point | undefined },
    to: { readonly roomId: string; readonly at: Point | undefined },
  ) => {
    let best = { metres: Infinity, from: -1, to: -1 };
    for (const i of nodesByRoom.get(from.roomId) ?? [])
      for (const j of nodesByRoom.get(to.roomId) ?? []) {
        const metres = toNode(from.at, i) + (reach[i]?.[j] ?? Infinity) + toNode(to.at, j);
        if (metres < best.metres) best = { metres, from: i, to: j };
      }
    return best;
  };
  const middleIn = (roomId: string) =>
    nodes.find((node) => node.roomId === roomId && node.name === middleName(roomId))?.at;
  return {
    metresBetween: (spotId, otherId) => {
      const [from, to] = [homeOf.get(spotId), homeOf.get(otherId)];
      if (!from || !to) return METRES_NOT_JOINED[guess];
      const { metres } = shortest(
        { ...from, at: from.at ?? middleIn(from.roomId) },
        { ...to, at: to.at ?? middleIn(to.roomId) },
      );
      return Number.isFinite(metres) ? metres : METRES_NOT_JOINED[guess];
    },
    between: (roomId, otherId) => {
      const found = shortest(
        { roomId, at: middleIn(roomId) },
        { roomId: otherId, at: middleIn(otherId) },
      );
      if (!Number.isFinite(found.metres))
        return { metres: METRES_NOT_JOINED[guess], isJoined: false, via: [] };
      const names: string[] = [];
      for (let i = found.from; i !== found.to; i = next[i]?.[found.to] ?? found.to) {
        const { roomId: inRoom, name } = nodes[i] as Node;
        const said = inRoom === undefined ? name : nameOfRoom(rooms, inRoom);
        if (inRoom !== roomId && inRoom !== otherId && names.at(-1) !== said) names.push(said);
      }
      return { metres: found.metres, isJoined: true, via: names };
    },
  };
}

const nameOfRoom = (rooms: readonly WayRoom[], roomId: string): string =>
  rooms.find(({ room }) => room.id === roomId)?.room.name ?? '';
const middleName = (roomId: string): string => `middle ${roomId}`;

/** All doors, middles and passages, and the shortest way between each two of them. */
function connect({ rooms, passages }: WaysOfHome, guess: WayGuess) {
  const nodes: Node[] = [];
  const edges: { from: number; to: number; metres: number }[] = [];
  const indexOf = new Map<string, number>();
  const add = (key: string, node: Node) => {
    indexOf.set(key, nodes.length);
    nodes.push(node);
  };
  /** From the middle of a room to its edge, where no door says where the edge is. */
  const halfOf = new Map<string, number>();
  for (const each of rooms) {
    const outline = outlineOf(each.room);
    add(each.room.id, {
      name: middleName(each.room.id),
      roomId: each.room.id,
      at: outline && middleOfFloor(outline),
    });
    halfOf.set(
      each.room.id,
      outline ? (outline.widthMm + outline.depthMm) / 4000 : METRES_IN_ROOM[guess],
    );
    for (const door of doorsIn(each)) {
      const at = outline && middleOfDoor(outline, door);
      if (at) add(door.id, { name: door.name, roomId: each.room.id, at });
    }
  }
  for (const { id, name } of passages) add(id, { name, roomId: undefined, at: undefined });
  const join = (from: string, to: string, metres: number) => {
    const [i, j] = [indexOf.get(from), indexOf.get(to)];
    if (i !== undefined && j !== undefined) edges.push({ from: i, to: j, metres });
  };
  nodes.forEach((node, from) =>
    nodes.forEach((other, to) => {
      if (from < to && node.roomId !== undefined && node.roomId === other.roomId)
        edges.push({ from, to, metres: node.at && other.at ? metresOf(node.at, other.at) : 0 });
    }),
  );
  for (const each of rooms)
    for (const door of doorsIn(each)) {
      const { leadsTo } = door;
      if (leadsTo?.to === 'passage')
        join(door.id, leadsTo.passageId, ownShare(passages, leadsTo.passageId, guess));
      if (leadsTo?.to === 'room') {
        const twin = twinOf(rooms, each, door);
        if (twin) join(door.id, twin.id, 0);
        else join(door.id, leadsTo.roomId, halfOf.get(leadsTo.roomId) ?? 0);
      }
    }
  for (const passage of passages) {
    const half = ownShare(passages, passage.id, guess);
    for (const roomId of passage.roomIds)
      join(roomId, passage.id, half + (halfOf.get(roomId) ?? 0));
    for (const otherId of passage.passageIds)
      join(passage.id, otherId, half + ownShare(passages, otherId, guess));
  }
  return { nodes, ...shortestWays(nodes.length, edges) };
}

/** The door on the other side: of those that lead back, the one listed at the same place. */
export function twinOf(
  rooms: readonly WayRoom[],
  own: WayRoom,
  door: Fixture,
): Fixture | undefined {
  const { leadsTo } = door;
  if (leadsTo?.to !== 'room') return undefined;
  const leadTo = (each: WayRoom, roomId: string) =>
    doorsIn(each).filter(
      (other) => other.leadsTo?.to === 'room' && other.leadsTo.roomId === roomId,
    );
  const there = rooms.find(({ room }) => room.id === leadsTo.roomId);
  const place = leadTo(own, leadsTo.roomId).findIndex(({ id }) => id === door.id);
  return there && leadTo(there, own.room.id)[place];
}

/** Metres from a door of a passage to its middle, stairs with the time of their steps. */
function ownShare(passages: readonly Passage[], passageId: string, guess: WayGuess): number {
  const passage = passages.find(({ id }) => id === passageId);
  if (!passage) return 0;
  const { kind, length, steps } = passage;
  if (kind === 'opening') return (length?.mm ?? 0) / 2000;
  if (kind === 'hall')
    return (length ? length.mm / 1000 : METRES_OF_HALL[guess]) * SHARE_OF_HALL[guess];
  const metres = length ? length.mm / 1000 : METRES_OF_STAIRS[guess];
  const seconds = (steps ?? STEPS_OF_STAIRS[guess]) * SECONDS_OF_STEP[guess];
  return (metres + seconds * WALK_M_PER_S) / 2;
}

/** Floyd and Warshall's way: `next[i][j]` is the first node on the way from i to j. */
function shortestWays(
  count: number,
  edges: readonly { readonly from: number; readonly to: number; readonly metres: number }[],
) {
  const reach = Array.from({ length: count }, (_, i) =>
    Array.from({ length: count }, (__, j) => (i === j ? 0 : Infinity)),
  );
  const next = Array.from({ length: count }, () => Array.from({ length: count }, (_, j) => j));
  for (const { from, to, metres } of edges) {
    if (metres >= (reach[from]?.[to] ?? 0)) continue;
    reach[from]![to] = metres;
    reach[to]![from] = metres;
  }
  for (let k = 0; k < count; k += 1)
    for (let i = 0; i < count; i += 1)
      for (let j = 0; j < count; j += 1) {
        const through = reach[i]![k]! + reach[k]![j]!;
        if (through >= reach[i]![j]!) continue;
        reach[i]![j] = through;
        next[i]![j] = next[i]![k]!;
      }
  return { reach, next };
}

/** What is still guessed in the ways of a home, each to be set right in one field. */
export function findWayGaps({ rooms, passages }: WaysOfHome): WayGap[] {
  const isJoined = ({ room, fixtures }: WayRoom) =>
    fixtures.some(({ leadsTo }) => leadsTo && leadsTo.to !== 'outside') ||
    passages.some(({ roomIds }) => roomIds.includes(room.id)) ||
    rooms.some((other) =>
      other.fixtures.some(({ leadsTo }) => leadsTo?.to === 'room' && leadsTo.roomId === room.id),
    );
  return [
    ...rooms.flatMap((each): WayGap[] =>
      isJoined(each) ? [] : [{ code: 'not_joined', roomId: each.room.id }],
    ),
    ...rooms.flatMap(({ room }): WayGap[] =>
      outlineOf(room) ? [] : [{ code: 'no_plan', roomId: room.id }],
    ),
    ...passages.flatMap(({ id, kind, length, steps }): WayGap[] => [
      ...(length === null && kind !== 'opening'
        ? [{ code: 'no_length', passageId: id } as const]
        : []),
      ...(steps === null && kind === 'stairs'
        ? [{ code: 'no_steps', passageId: id } as const]
        : []),
    ]),
  ];
}
