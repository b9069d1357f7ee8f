import type { Person } from '../agree';
import {
  arrangeFront,
  bayInsideOf,
  measureWays,
  middleOfFloor,
  placeAll,
  traceWalls,
  usableLitresOf,
  type Fixture,
  type Passage,
  type Point,
  type Room,
  type Unit,
} from '../look';
import { keptLitresOf, keptMassGOf, type Group, type Thing } from '../sort';
import { hazardOf, isFoodGroup, isFragileGroup, mayLeaveRoom, usesPerWeekOf } from './groupFacts';
import {
  isCareful,
  pairBySchool,
  partHeavyFromFragile,
  scaleUses,
  type PlacingSchools,
} from './placingSchools';
import { zonesRequestSchema, type ZonesRequest, type ZonesRequestInput } from './zonesModel';

/** Where no station was named, one walks from here. */
const MIDDLE = 'middle';

interface Household {
  /** Of the whole home. */
  readonly groups: readonly Group[];
  readonly things: readonly Thing[];
  readonly people: readonly Person[];
  /** 1 to 12: as it is used in that month; none: over the year. */
  readonly month?: number;
  /** Where groups were looked for first, where somebody has seen that. */
  readonly sought?: (groupId: Group['id']) => readonly {
    readonly bayId: string;
    readonly share: number;
    readonly seconds: number;
  }[];
}
interface FurnishedRoom {
  readonly room: Room;
  readonly units: readonly Unit[];
  readonly fixtures: readonly Fixture[];
  /** How groups are formed and where they live, where practitioners disagree. */
  readonly schools?: PlacingSchools;
}

/**
 * Asks the `zones` engine where the groups of a room should live; what groups of other rooms take
 * of its places is not offered.
 * Positions come from the plan; units that are not on it stand side by side as in the front view.
 * Undefined where the
 * household has nobody: then nobody reaches anything.
 */
export function toZonesRequest(
  { room, units, fixtures, schools = {}, ...household }: FurnishedRoom & Household,
  timeLimitMs: number,
): ZonesRequest | undefined {
  const { groups, things, people } = household;
  if (people.length === 0) return undefined;
  const own = groups.filter((group) => group.roomId === room.id);
  const laid = layOut({ room, units, fixtures }, MIDDLE);
  const bays = laid.bays.map((bay) => {
    const taken = groups.filter((group) => group.roomId !== room.id && group.bayId === bay.id);
    const loadG = taken.reduce((sum, group) => sum + keptMassGOf(group, things), 0);
    return {
      ...bay,
      litres: Math.max(
        0,
        bay.litres - taken.reduce((sum, group) => sum + keptLitresOf(group, things), 0),
      ),
      ...(bay.maxLoadG === undefined ? {} : { maxLoadG: Math.max(0, bay.maxLoadG - loadG) }),
    };
  });
  return zonesRequestSchema.parse({
    bays,
    stations: laid.stations,
    ...askFor(own, {
      ...household,
      schools,
      bays,
      insides: laid.insides,
      stationIds: laid.stationIds,
      middleId: MIDDLE,
    }),
    people: toPeople(people),
    lifts: isCareful(schools),
    timeLimitMs,
  } satisfies ZonesRequestInput);
}

/**
 * Asks it for a whole home at once. From room to room the metres on foot count, by doors, halls and
 * stairs (`measureWays`); within a room straight lines. What may leave its room stands in any place
 * of the home, everything else in its own room. Undefined where the household has nobody.
 */
export function toHomeZonesRequest(
  {
    rooms,
    passages,
    ...household
  }: Household & {
    readonly rooms: readonly FurnishedRoom[];
    readonly passages: readonly Passage[];
  },
  timeLimitMs: number,
): ZonesRequest | undefined {
  if (household.people.length === 0) return undefined;
  const request: Pick<ZonesRequestInput, 'bays' | 'stations'> & Asked = {
    bays: [],
    stations: [],
    groups: [],
    together: [],
    apart: [],
  };
  const laidRooms: (FurnishedRoom & ReturnType<typeof layOut> & { readonly middleId: string })[] =
    [];
  for (const room of rooms) {
    const middleId = `${MIDDLE}-${room.room.id}`;
    const laid = layOut(room, middleId);
    laidRooms.push({ ...room, ...laid, middleId });
    request.bays.push(...laid.bays);
    request.stations.push(...laid.stations);
  }
  const insides = new Map(laidRooms.flatMap((laid) => [...laid.insides]));
  for (const { room, schools = {}, stationIds, middleId, bays } of laidRooms) {
    const own = household.groups.filter((group) => group.roomId === room.id);
    const asked = askFor(own, {
      ...household,
      schools,
      bays: request.bays,
      insides,
      stationIds,
      middleId,
    });
    // What has no place to go to in its own room may leave it.
    const staysIn = bays.map(({ id }) => id);
    request.groups.push(
      ...asked.groups.map((group, i) => ({
        ...group,
        ...(staysIn.length === 0 || mayLeaveRoom(own[i] as Group) || group.fixedBayId !== undefined
          ? {}
          : { onlyBayIds: bothOf(group.onlyBayIds, staysIn) }),
      })),
    );
    request.together.push(...asked.together);
    request.apart.push(...asked.apart);
  }
  return zonesRequestSchema.parse({
    ...request,
    distances: distancesOf(laidRooms, passages),
    people: toPeople(household.people),
    lifts: rooms.some(({ schools = {} }) => isCareful(schools)),
    timeLimitMs,
  });
}

/** Metres on foot from each unit to the units and stations of the other rooms, to 0.1 m. */
function distancesOf(
  rooms: readonly (FurnishedRoom & ReturnType<typeof layOut>)[],
  passages: readonly Passage[],
): NonNullable<ZonesRequestInput['distances']> {
  const ways = measureWays({ rooms, passages });
  return rooms.flatMap((own, i) =>
    rooms.flatMap((other, j) =>
      i === j
        ? []
        : own.unitSpots.flatMap((unit) =>
            // Units of two rooms once, units and stations both ways.
            (i < j ? other.spots : other.spots.filter(({ isUnit }) => !isUnit)).map(
              ({ id }): [string, string, number] => [
                unit.id,
                id,
                Math.round(ways.metresBetween(unit.id, id) * 10) / 10,
              ],
            ),
          ),
    ),
  );
}

/**
 * The places of a room in scope and its stations, with a middle to walk from where none is named;
 * each with where it lies in the room's plan.
 */
function layOut({ room, units, fixtures }: Omit<FurnishedRoom, 'schools'>, middleId: string) {
  const traced = room.plan ? traceWalls(room.plan) : undefined;
  const placed = traced?.ok ? placeAll(traced.value, units, fixtures) : undefined;
  const front = arrangeFront(units);
  const heights = new Map(
    front.units.flatMap(({ layout }) => layout.bays.map((bay) => [bay.bayId, bay] as const)),
  );
  const isOnPlan =
    placed !== undefined && units.every((unit) => placed.units.some(({ id }) => id === unit.id));
  const positionOf = (unit: Unit) => {
    const rect = isOnPlan ? placed.units.find(({ id }) => id === unit.id)?.rect : undefined;
    const beside = front.units.find(({ unitId }) => unitId === unit.id);
    return rect
      ? { x: rect.x + rect.width / 2, y: rect.y + rect.depth / 2 }
      : { x: (beside?.xMm ?? 0) + unit.width.mm / 2, y: 0 };
  };
  const bays = units.flatMap((unit) =>
    unit.bays
      .filter((bay) => !bay.outOfScope)
      .map((bay) => ({
        id: bay.id,
        litres: usableLitresOf(bay),
        ...(bay.maxLoadG === null ? {} : { maxLoadG: bay.maxLoadG }),
        ...positionOf(unit),
        z: Math.max(0, heights.get(bay.id)?.zMm ?? 0),
        locked: bay.lockable,
        moist: bay.moist,
        warm: bay.warm,
        light: bay.light,
        unitId: unit.id,
        areaId: unit.id,
      })),
  );
  const stations = isOnPlan
    ? placed.fixtures
        .filter(({ fixture }) => fixture.kind === 'station')
        .map(({ fixture, rect }) => ({
          id: fixture.id,
          areaId: fixture.id,
          name: fixture.name,
          x: rect.x + rect.width / 2,
          y: rect.y + rect.depth / 2,
        }))
    : [];
  const middleArea = { id: middleId, areaId: middleId };
  const middle =
    isOnPlan && traced?.ok
      ? { ...middleArea, name: 'the middle of the room', ...middleOfFloor(traced.value) }
      : { ...middleArea, name: 'the middle of the furniture', x: front.widthMm / 2, y: 0 };
  // Rooms are drawn from their first corner, so that some walls lie at negative places; the engine
  // counts from the least.
  const all = [...bays, ...stations, middle];
  const shift = {
    x: Math.min(0, ...all.map(({ x }) => x)),
    y: Math.min(0, ...all.map(({ y }) => y)),
  };
  const moved = <T extends { readonly x: number; readonly y: number }>(point: T): T => ({
    ...point,
    x: point.x - shift.x,
    y: point.y - shift.y,
  });
  // Where furniture is not on the plan, nobody knows how far it stands from a door.
  const at = ({ x, y }: Point): Point | undefined => (isOnPlan ? { x, y } : undefined);
  const unitSpots = units
    .filter((unit) => bays.some(({ unitId }) => unitId === unit.id))
    .map((unit) => ({ id: unit.id as string, at: at(positionOf(unit)), isUnit: true }));
  return {
    unitSpots,
    insides: new Map(
      units.flatMap((unit) =>
        unit.bays.map((bay) => [bay.id as string, bayInsideOf(bay)] as const),
      ),
    ),
    spots: [
      ...unitSpots,
      ...[...stations, middle].map((station) => ({
        id: station.id as string,
        at: at(station),
        isUnit: false,
      })),
    ],
    bays: bays.map(moved),
    stations: [...stations, middle].map(moved),
    stationIds: new Set<string>(stations.map(({ id }) => id)),
  };
}

interface Asking extends Household {
  readonly schools: PlacingSchools;
  readonly bays: readonly { readonly id: string }[];
  readonly insides: ReadonlyMap<string, ReturnType<typeof bayInsideOf>>;
  readonly stationIds: ReadonlySet<string>;
  readonly middleId: string;
}

/**
 * The places in which the tallest thing of a group can stand, or lie where it may; undefined where
 * nobody knows how tall it is, where all of them do, and where none does: then its fit says so.
 */
function tallEnough(
  { asks, contents }: Group,
  { bays, insides }: Pick<Asking, 'bays' | 'insides'>,
): string[] | undefined {
  const tallestMm = Math.max(asks.pieces?.heightMm ?? 0, contents?.tallestMm ?? 0);
  const stands = bays.filter(({ id }) => {
    const inside = insides.get(id);
    if (!inside) return true;
    const longest = Math.max(inside.widthMm, inside.depthMm);
    return tallestMm <= inside.heightMm || (asks.mayLie === true && tallestMm <= longest);
  });
  return stands.length === 0 || stands.length === bays.length
    ? undefined
    : stands.map(({ id }) => id);
}

type Asked = Pick<ZonesRequestInput, 'groups'> & {
  readonly [K in 'together' | 'apart']: NonNullable<ZonesRequestInput[K]>;
};

/** What the groups of one room ask, and of each other. */
function askFor(
  own: readonly Group[],
  { schools, bays, insides, stationIds, middleId, things, people, month, sought }: Asking,
): Asked {
  return {
    groups: own.map((group) => {
      const { stationId, userIds, avoid, selfServe, isPinned, isTempting } = group.placing;
      const users = userIds.filter((id) => people.some((person) => person.id === id));
      // What tempts a child is kept from it by the rule that keeps blades from it.
      const hazard =
        hazardOf(group) ??
        (isTempting && people.some(({ isChild }) => isChild) ? 'sharp' : undefined);
      const looks = (sought?.(group.id) ?? []).filter(({ bayId }) =>
        bays.some(({ id }) => id === bayId),
      );
      const fixedBayId =
        isPinned && bays.some(({ id }) => id === group.bayId) ? group.bayId : undefined;
      // Where a person pinned it, it stands: that it is too tall there is told by its fit.
      const tall = fixedBayId ? undefined : tallEnough(group, { bays, insides });
      return {
        id: group.id,
        ...(tall ? { onlyBayIds: tall } : {}),
        ...(looks.length > 0 ? { sought: looks } : {}),
        name: group.name,
        litres: keptLitresOf(group, things),
        massG: keptMassGOf(group, things),
        usesPerWeek: scaleUses(usesPerWeekOf(group, month), schools),
        stationId: stationId !== null && stationIds.has(stationId) ? stationId : middleId,
        // Of the whole household, those who can: a child that never uses a thing must not decide
        // where it lives.
        userIds: users.length > 0 ? users : adultsOf(people),
        ...(hazard ? { hazard } : {}),
        food: isFoodGroup(group),
        avoid: [...avoid],
        selfServe,
        breaks: isCareful(schools) && isFragileGroup(group),
        ...(fixedBayId ? { fixedBayId } : {}),
      };
    }),
    together: pairBySchool(own, schools),
    apart: [
      ...own.flatMap((group) =>
        group.placing.apartIds
          .filter((id) => id !== group.id && own.some((other) => other.id === id))
          .map((id) => ({ a: group.id, b: id, why: 'never beside each other' })),
      ),
      ...partHeavyFromFragile(own, things, schools),
    ],
  };
}

/** What two lists of places have in common; the second alone where that is nothing. */
const bothOf = (first: readonly string[] | undefined, second: readonly string[]): string[] => {
  const both = second.filter((id) => first?.includes(id) ?? true);
  return both.length > 0 ? both : [...second];
};

const toPeople = (people: readonly Person[]): ZonesRequestInput['people'] =>
  people.map(({ id, height, isChild, noStep }) => ({
    id,
    heightMm: height.mm,
    child: isChild,
    noStep,
  }));

const adultsOf = (people: readonly Person[]): string[] => {
  const adults = people.filter(({ isChild }) => !isChild);
  return (adults.length > 0 ? adults : people).map(({ id }) => id);
};
