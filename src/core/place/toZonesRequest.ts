import type { Person } from '../agree';
import { arrangeFront, placeAll, traceWalls, usableLitresOf, type Fixture, type Room, type Unit } from '../look';
import { cautionsFor, keptLitresOf, keptMassGOf, type Group, type Thing } from '../sort';
import { zonesRequestSchema, type ZonesRequest, type ZonesRequestInput } from './zonesModel';

/** Where no station was named, one walks from here. */
const MIDDLE = 'middle';
/** Uses a week of what nobody has said anything about. */
const USUAL_USES = { daily: 14, other: 1 } as const;
/** Things that are eaten; near them no chemical stands. */
const FOOD = /\b(?:food|spices?|flour|rice|pasta|tea|coffee|snacks?|cereal|tins? of|preserves|baking)\b/i;

interface RoomToPlace {
  readonly room: Room;
  readonly units: readonly Unit[];
  readonly fixtures: readonly Fixture[];
  /** Of the whole home: those of other rooms that live here take their room. */
  readonly groups: readonly Group[];
  readonly things: readonly Thing[];
  readonly people: readonly Person[];
}

/** Uses a week as they count: as said, or by whether the group is in daily use. */
export const usesPerWeekOf = (group: Group): number => group.placing.usesPerWeek ?? (group.front ? USUAL_USES.daily : USUAL_USES.other);
export const hazardOf = (group: Group): 'chemical' | 'sharp' | 'medicine' | undefined => {
  if (group.placing.hazard !== null) return group.placing.hazard === 'none' ? undefined : group.placing.hazard;
  const cautions = cautionsFor(group.name, 0);
  return cautions.includes('medicine') ? 'medicine' : cautions.includes('chemical') ? 'chemical' : cautions.includes('blade') ? 'sharp' : undefined;
};

/**
 * Asks the `zones` engine where the groups of a room should live. Positions come from the plan; units that are not on it stand
 * side by side as in the front view. Undefined where the household has nobody: then nobody reaches anything.
 */
export function toZonesRequest({ room, units, fixtures, groups, things, people }: RoomToPlace, timeLimitMs: number): ZonesRequest | undefined {
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
      const { stationId, userIds, isFood, avoid, selfServe, isPinned } = group.placing;
      const users = userIds.filter((id) => people.some((person) => person.id === id));
      const hazard = hazardOf(group);
      return {
        id: group.id, name: group.name, litres: keptLitresOf(group, things), massG: keptMassGOf(group, things), usesPerWeek: usesPerWeekOf(group), stationId: stations.some(({ id }) => id === stationId) ? (stationId as string) : MIDDLE,
        // Of the whole household, those who can: a child that never uses a thing must not decide where it lives.
        userIds: users.length > 0 ? users : adultsOf(people), ...(hazard ? { hazard } : {}), food: isFood ?? FOOD.test(group.name), avoid: [...avoid], selfServe, ...(isPinned && group.bayId && bays.some(({ id }) => id === group.bayId) ? { fixedBayId: group.bayId } : {}),
      };
    }),
    timeLimitMs,
  };
  return zonesRequestSchema.parse(request);
}

const adultsOf = (people: readonly Person[]): string[] => {
  const adults = people.filter(({ isChild }) => !isChild);
  return (adults.length > 0 ? adults : people).map(({ id }) => id);
};
