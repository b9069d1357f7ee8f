import type { MovesRequestInput } from '@/core/place';

type Steps = readonly {
  readonly groupId: string;
  readonly from: string | null;
  readonly to: string | null;
}[];

export interface MovesReplay {
  readonly faults: readonly string[];
  readonly stagedLitres: number;
  readonly baskets: number;
}

/** Carries the steps out one by one, and says what is wrong with them. Shares no code with the engine. */
export function replayMoves(request: MovesRequestInput, steps: Steps): MovesReplay {
  const at = new Map(request.groups.map((group) => [group.id, group.from]));
  const held = (bay: string) =>
    request.groups
      .filter(({ id }) => at.get(id) === bay)
      .reduce((sum, { litres }) => sum + litres, 0);
  const faults: string[] = [];
  const through = new Set<string>();
  let most = 0;
  for (const { groupId, from, to } of steps) {
    const group = request.groups.find(({ id }) => id === groupId);
    if (!group) {
      faults.push(`no group ${groupId}`);
      continue;
    }
    if (at.get(groupId) !== from) faults.push(`${groupId} is not at ${from}`);
    if (to !== 'basket' && to !== group.to) faults.push(`${groupId} stops at ${to}`);
    if (to === null && group.to !== null) faults.push(`${groupId} leaves`);
    at.set(groupId, to);
    if (to === 'basket') through.add(groupId);
    const bay = request.bays.find(({ id }) => id === to);
    if (bay && held(bay.id) > bay.litres + 1e-6) faults.push(`${bay.id} overfull with ${groupId}`);
    most = Math.max(most, held('basket'));
  }
  for (const group of request.groups)
    if (at.get(group.id) !== group.to) faults.push(`${group.id} is not where it belongs`);
  return {
    faults,
    stagedLitres: request.groups
      .filter(({ id }) => through.has(id))
      .reduce((sum, { litres }) => sum + litres, 0),
    baskets: Math.ceil(most / (request.basketLitres ?? 45) - 1e-9),
  };
}

/**
 * The least litres staged, and the fewest baskets at those, over every sequence of handlings: for a
 * few groups only.
 */
export function bestMoves(request: MovesRequestInput): {
  readonly stagedLitres: number;
  readonly baskets: number;
} {
  const { groups, bays } = request;
  const rooms = new Map(bays.map(({ id, litres }) => [id, litres]));
  const basket = request.basketLitres ?? 45;
  /** Every state by the best (staged, peak) pairs with which it was reached. */
  const seen = new Map<string, { staged: number; peak: number }[]>();
  const queue: { places: (string | null)[]; staged: number; peak: number }[] = [
    { places: groups.map(({ from }) => from), staged: 0, peak: 0 },
  ];
  let best: { stagedLitres: number; baskets: number } | undefined;
  while (queue.length > 0) {
    const { places, staged, peak } = queue.pop() as (typeof queue)[number];
    const key = places.join('|');
    const known = seen.get(key) ?? [];
    if (known.some((other) => other.staged <= staged + 1e-9 && other.peak <= peak + 1e-9)) continue;
    seen.set(key, [...known, { staged, peak }]);
    if (groups.every(({ to }, g) => places[g] === to)) {
      const baskets = Math.ceil(peak / basket - 1e-9);
      if (
        !best ||
        staged < best.stagedLitres - 1e-9 ||
        (staged < best.stagedLitres + 1e-9 && baskets < best.baskets)
      )
        best = { stagedLitres: staged, baskets };
      continue;
    }
    groups.forEach(({ to, litres }, g) => {
      if (places[g] === to) return;
      for (const target of places[g] === 'basket' || places[g] === null ? [to] : [to, 'basket']) {
        const after = places.map((place, h) => (h === g ? target : place));
        const inside = groups.reduce(
          (sum, group, h) => sum + (after[h] === target ? group.litres : 0),
          0,
        );
        if (target !== null && target !== 'basket' && inside > (rooms.get(target) ?? 0) + 1e-9)
          continue;
        queue.push({
          places: after,
          staged: staged + (target === 'basket' ? litres : 0),
          peak: target === 'basket' ? Math.max(peak, inside) : peak,
        });
      }
    });
  }
  if (!best) throw new Error('the oracle is asked for what can be done');
  return best;
}
