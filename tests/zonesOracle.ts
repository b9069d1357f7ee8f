import type { ZonesRequestInput } from '@/core/place';

/**
 * Shares no code with the engine: the rules and the objective written down once more, from
 * docs/engines.md.
 */

type Bay = ZonesRequestInput['bays'][number];
type Group = ZonesRequestInput['groups'][number];
export type Assignment = readonly { readonly groupId: string; readonly bayId: string }[];

const mass = (group: Group): number => group.massG ?? 300 * group.litres;
interface Spot {
  readonly x: number;
  readonly y: number;
  readonly areaId?: string | undefined;
}
const far = (request: ZonesRequestInput, a: Spot, b: Spot): number => {
  const straight = Math.sqrt((a.x - b.x) ** 2 + (a.y - b.y) ** 2) / 1000;
  if (a.areaId === b.areaId) return straight;
  const said = request.distances?.find(
    (row) => row.slice(0, 2).sort().join() === [a.areaId, b.areaId].sort().join(),
  );
  return said ? Number(said[2]) : straight;
};
/** Seconds more where more than 5 kg are lifted below a quarter or above 0.82 of a body. */
const lift = (request: ZonesRequestInput, group: Group, z: number): number =>
  request.lifts && mass(group) > 5000
    ? mean(
        heights(request, group).map((height) => (z < 0.25 * height || z > 0.82 * height ? 1 : 0)),
      ) *
      mass(group) *
      0.0002
    : 0;
const reach = (z: number, height: number): number => {
  const r = z / height;
  if (r < 0.25) return 4;
  if (r < 0.42) return 2.5;
  if (r < 0.82) return 1;
  if (r < 1.05) return 2;
  return r <= 1.24 ? 3 : 12;
};
const mean = (list: readonly number[]): number =>
  list.reduce((sum, value) => sum + value, 0) / list.length;
const heights = (request: ZonesRequestInput, group: Group): number[] =>
  group.userIds.map((id) => request.people.find((person) => person.id === id)?.heightMm ?? NaN);

/** Every hard rule that an assignment breaks, in words. */
export function zoneFaults(request: ZonesRequestInput, assignment: Assignment): string[] {
  const faults: string[] = [];
  const bayOf = (group: Group): Bay | undefined =>
    request.bays.find(
      ({ id }) => id === assignment.find(({ groupId }) => groupId === group.id)?.bayId,
    );
  if (
    assignment.length !== request.groups.length ||
    new Set(assignment.map(({ groupId }) => groupId)).size !== request.groups.length
  )
    faults.push('not every group once');
  for (const bay of request.bays) {
    const inside = request.groups.filter((group) => bayOf(group) === bay);
    if (inside.reduce((sum, { litres }) => sum + litres, 0) > bay.litres + 1e-6)
      faults.push(`${bay.id} too full`);
    if (
      bay.maxLoadG !== undefined &&
      inside.reduce((sum, group) => sum + mass(group), 0) > bay.maxLoadG + 1e-6
    )
      faults.push(`${bay.id} too heavy`);
    if (
      inside.some(({ hazard }) => hazard === 'chemical') &&
      inside.some(
        ({ food, hazard }) =>
          food &&
          (hazard !== 'chemical' ||
            inside.filter((other) => other.hazard === 'chemical').length > 1),
      )
    )
      faults.push(`${bay.id} chemicals beside food`);
    for (const { a, b } of request.apart ?? [])
      if (inside.some(({ id }) => id === a) && inside.some(({ id }) => id === b))
        faults.push(`${a} and ${b} in ${bay.id}`);
  }
  for (const group of request.groups) {
    const bay = bayOf(group);
    if (!bay) continue;
    const users = group.userIds.map((id) => request.people.find((person) => person.id === id));
    if (group.hazard && request.people.some(({ child }) => child) && !bay.locked && bay.z < 1500)
      faults.push(`${group.id} within a child’s reach`);
    for (const trait of group.avoid ?? []) if (bay[trait]) faults.push(`${group.id} ${trait}`);
    if (group.fixedBayId !== undefined && group.fixedBayId !== bay.id)
      faults.push(`${group.id} not where it is pinned`);
    if (group.onlyBayIds && !group.onlyBayIds.some((id) => id === bay.id))
      faults.push(`${group.id} not where it is kept to`);
    faults.push(
      ...reachFaults(
        group,
        bay,
        users.map((user) => user as Person),
      ),
    );
  }
  return faults;
}

type Person = ZonesRequestInput['people'][number];
/** What a group's users cannot reach, or must not: in words. */
function reachFaults(group: Group, bay: Bay, users: readonly Person[]): string[] {
  const faults: string[] = [];
  const isHigh = (height: number) => bay.z / height > 1.24;
  if (group.selfServe && users.some((user) => isHigh(user.heightMm)))
    faults.push(`${group.id} cannot be served by oneself`);
  if (group.breaks && users.every((user) => bay.z > 1.05 * user.heightMm))
    faults.push(`${group.id} breaks`);
  if (users.some((user) => (user.noStep || user.child) && isHigh(user.heightMm)))
    faults.push(`${group.id} needs a step`);
  return faults;
}

export interface ZoneSums {
  readonly objective: number;
  readonly seconds: number;
  readonly metres: number;
  readonly bends: number;
  readonly stretches: number;
}

export function zoneSums(request: ZonesRequestInput, assignment: Assignment): ZoneSums {
  const bayOf = (groupId: string): Bay =>
    request.bays.find(
      ({ id }) => id === assignment.find((line) => line.groupId === groupId)?.bayId,
    ) as Bay;
  let [seconds, metres, bends, stretches, together] = [0, 0, 0, 0, 0];
  for (const group of request.groups) {
    const bay = bayOf(group.id);
    const station = request.stations.find(({ id }) => id === group.stationId) as Spot;
    const reaches = heights(request, group).map((height) => reach(bay.z, height));
    seconds +=
      group.usesPerWeek *
      ((2 * far(request, station, bay)) / 1.2 +
        mean(reaches) +
        (bay.row === 'back' ? 3 : 0) +
        lift(request, group, bay.z) +
        (group.sought ?? [])
          .filter(({ bayId }) => bayId !== bay.id)
          .reduce((sum, look) => sum + look.share * look.seconds, 0));
    metres += group.usesPerWeek * 2 * far(request, station, bay);
    bends +=
      group.usesPerWeek * mean(reaches.map((value) => (value === 4 || value === 2.5 ? 1 : 0)));
    stretches += group.usesPerWeek * mean(reaches.map((value) => (value === 3 ? 1 : 0)));
  }
  for (const { a, b, weight } of request.together ?? [])
    together += weight * far(request, bayOf(a), bayOf(b));
  return { objective: seconds + together, seconds, metres, bends, stretches };
}

/** The best of all assignments, by trying each; undefined where none keeps the rules. */
export function bestZones(request: ZonesRequestInput): number | undefined {
  let best: number | undefined;
  const lay = (chosen: Assignment): void => {
    const group = request.groups[chosen.length];
    if (!group) {
      if (zoneFaults(request, chosen).length > 0) return;
      const { objective } = zoneSums(request, chosen);
      if (best === undefined || objective < best) best = objective;
      return;
    }
    for (const bay of request.bays) lay([...chosen, { groupId: group.id, bayId: bay.id }]);
  };
  lay([]);
  return best;
}
