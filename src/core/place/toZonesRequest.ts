import type { Person } from '../agree';
import { arrangeFront, placeAll, traceWalls, usableLitresOf, type Fixture, type Room, type Unit } from '../look';
import { keptLitresOf, keptMassGOf, type Group, type Thing } from '../sort';
import { hazardOf, isFoodGroup, usesPerWeekOf } from './groupFacts';
import { pairBySchool, scaleUses, type PlacingSchools } from './placingSchools';
import { zonesRequestSchema, type ZonesRequest, type ZonesRequestInput } from './zonesModel';

/** Where no station was named, one walks from here. */
const MIDDLE = 'middle';
interface RoomToPlace {
  readonly room: Room;
  readonly units: readonly Unit[];
  readonly fixtures: readonly Fixture[];
  /** Of the whole home: those of other rooms that live here take their room. */
  readonly groups: readonly Group[];
  readonly things: readonly Thing[];
  readonly people: readonly Person[];
  /** How groups are formed and where they live, where practitioners disagree. */
  readonly schools?: PlacingSchools;
  /** 1 to 12: as it is used in that month; none: over the year. */
  readonly month?: number;
}

/**
 * Asks the `zones` engine where the groups of a room should live. Positions come from the plan; units that are not on it stand
 * side by side as in the front view. Undefined where the household has nobody: then nobody reaches anything.
 */
export function toZonesRequest({ room, units, fixtures, groups, things, people, schools = {}, month }: RoomToPlace, timeLimitMs: number): ZonesRequest | undefined {
  if (people.length === 0) return undefined;
  const own = groups.filter((group) => group.roomId === room.id);
  const traced = room.plan ? traceWalls(room.plan) : undefined;
  const placed = traced?.ok ? placeAll(traced.value, units, fixtures) : undefined;
  const front = arrangeFront(units);
  const heights = new Map(front.units.flatMap(({ layout }) => layout.bays.map((bay) => [bay.bayId, bay] as const)));
  const isOnPlan = placed !== undefined && units.every((unit) => placed.units.some(({ id }) => id === unit.id));
  const positionOf = (unit: Unit) => {
    const rect = isOnPlan ? placed.units.find(({ id }) => id === unit.id)?.rect : undefined;
    const beside = front.units.find(({ unitId }) => unitId === unit.id);
    return rect ? { x: rect.x + rect.width / 2, y: rect.y + rect.depth / 2 } : { x: (beside?.xMm ?? 0) + unit.width.mm / 2, y: 0 };
  };
  const bays = units.flatMap((unit) => unit.bays.filter((bay) => !bay.outOfScope).map((bay) => {
    const taken = groups.filter((group) => group.roomId !== room.id && group.bayId === bay.id);
    const loadG = taken.reduce((sum, group) => sum + keptMassGOf(group, things), 0);
    return {
      id: bay.id, litres: Math.max(0, usableLitresOf(bay) - taken.reduce((sum, group) => sum + keptLitresOf(group, things), 0)), ...(bay.maxLoadG === null ? {} : { maxLoadG: Math.max(0, bay.maxLoadG - loadG) }),
      ...positionOf(unit), z: Math.max(0, heights.get(bay.id)?.zMm ?? 0), locked: bay.lockable, moist: bay.moist, warm: bay.warm, light: bay.light, unitId: unit.id,
    };
  }));
  const stations = isOnPlan ? placed.fixtures.filter(({ fixture }) => fixture.kind === 'station').map(({ fixture, rect }) => ({ id: fixture.id, name: fixture.name, x: rect.x + rect.width / 2, y: rect.y + rect.depth / 2 })) : [];
  const mean = (values: readonly number[]) => (values.length === 0 ? 0 : values.reduce((sum, value) => sum + value, 0) / values.length);
  const middle = { id: MIDDLE, name: 'the middle of the room', x: mean(bays.map(({ x }) => x)), y: mean(bays.map(({ y }) => y)) };
  // Rooms are drawn from their first corner, so that some walls lie at negative places; the engine counts from the least.
  const all = [...bays, ...stations, middle];
  const shift = { x: Math.min(0, ...all.map(({ x }) => x)), y: Math.min(0, ...all.map(({ y }) => y)) };
  const moved = <T extends { readonly x: number; readonly y: number }>(point: T): T => ({ ...point, x: point.x - shift.x, y: point.y - shift.y });
  const request: ZonesRequestInput = {
    bays: bays.map(moved), stations: [...stations, middle].map(moved),
    people: people.map(({ id, height, isChild, noStep }) => ({ id, heightMm: height.mm, child: isChild, noStep })),
    groups: own.map((group) => {
      const { stationId, userIds, avoid, selfServe, isPinned, isTempting } = group.placing;
      const users = userIds.filter((id) => people.some((person) => person.id === id));
      // What tempts a child is kept from it by the rule that keeps blades from it.
      const hazard = hazardOf(group) ?? (isTempting && people.some(({ isChild }) => isChild) ? 'sharp' : undefined);
      return {
        id: group.id, name: group.name, litres: keptLitresOf(group, things), massG: keptMassGOf(group, things), usesPerWeek: scaleUses(usesPerWeekOf(group, month), schools), stationId: stations.some(({ id }) => id === stationId) ? (stationId as string) : MIDDLE,
        // Of the whole household, those who can: a child that never uses a thing must not decide where it lives.
        userIds: users.length > 0 ? users : adultsOf(people), ...(hazard ? { hazard } : {}), food: isFoodGroup(group), avoid: [...avoid], selfServe, ...(isPinned && group.bayId && bays.some(({ id }) => id === group.bayId) ? { fixedBayId: group.bayId } : {}),
      };
    }),
    together: pairBySchool(own, schools),
    apart: own.flatMap((group) => group.placing.apartIds.filter((id) => id !== group.id && own.some((other) => other.id === id)).map((id) => ({ a: group.id, b: id, why: 'never beside each other' }))),
    timeLimitMs,
  };
  return zonesRequestSchema.parse(request);
}

const adultsOf = (people: readonly Person[]): string[] => {
  const adults = people.filter(({ isChild }) => !isChild);
  return (adults.length > 0 ? adults : people).map(({ id }) => id);
};
