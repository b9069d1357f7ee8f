import { createRandom } from '@/core/shared';
import type { ZonesRequestInput } from '@/core/place';
import { zoneFaults, zoneSums, type Assignment } from './zonesOracle';

/**
 * What three simple methods make of a request: the least of them, or undefined where none keeps
 * every rule. Shares no code with the engine.
 */
export function bestOfSimple(request: ZonesRequestInput): number | undefined {
  const { bays, groups } = request;
  const random = createRandom(request.seed ?? 1);
  const alone = (g: number, b: number) => {
    const group = groups[g] as (typeof groups)[number];
    const only = { ...request, groups: [group], together: [], apart: [] };
    const assignment = [{ groupId: group.id, bayId: bays[b]?.id ?? '' }];
    return zoneFaults(only, assignment).length > 0
      ? Infinity
      : zoneSums(only, assignment).objective;
  };
  const cost = groups.map((_, g) => bays.map((_bay, b) => alone(g, b)));
  const foes = new Set((request.apart ?? []).flatMap(({ a, b }) => [`${a} ${b}`, `${b} ${a}`]));
  const mass = (g: number) => groups[g]?.massG ?? 300 * (groups[g]?.litres ?? 0);
  const clash = (g: number, h: number) =>
    foes.has(`${groups[g]?.id} ${groups[h]?.id}`) ||
    (groups[g]?.hazard === 'chemical' && groups[h]?.food) ||
    (groups[h]?.hazard === 'chemical' && groups[g]?.food);
  const fits = (at: readonly number[], g: number, b: number) => {
    const inside = groups.flatMap((_, h) => (h !== g && at[h] === b ? [h] : []));
    const litres = inside.reduce(
      (sum, h) => sum + (groups[h]?.litres ?? 0),
      groups[g]?.litres ?? 0,
    );
    const grams = inside.reduce((sum, h) => sum + mass(h), mass(g));
    return (
      Number.isFinite(cost[g]?.[b]) &&
      litres <= (bays[b]?.litres ?? 0) &&
      grams <= (bays[b]?.maxLoadG ?? Infinity) &&
      !inside.some((h) => clash(g, h))
    );
  };
  const lay = (
    order: readonly number[],
    rank: (g: number, b: number) => number,
  ): number[] | undefined => {
    const at = groups.map(() => -1);
    for (const g of order) {
      const b = bays
        .map((_, i) => i)
        .filter((i) => fits(at, g, i))
        .sort((x, y) => rank(g, x) - rank(g, y))[0];
      if (b === undefined) return undefined;
      at[g] = b;
    }
    return at;
  };
  const toAssignment = (at: readonly number[]): Assignment =>
    at.map((b, g) => ({ groupId: groups[g]?.id ?? '', bayId: bays[b]?.id ?? '' }));
  const byUse = groups
    .map((_, g) => g)
    .sort((x, y) => (groups[y]?.usesPerWeek ?? 0) - (groups[x]?.usesPerWeek ?? 0));
  const nearest = (g: number, b: number) => cost[g]?.[b] ?? Infinity;
  const found = [lay(byUse, nearest), lay(byUse, (_, b) => Math.abs((bays[b]?.z ?? 0) - 1100))];
  for (let start = 0; start < 4; start += 1) {
    const at = lay(
      [...byUse].sort(() => random() - 0.5),
      nearest,
    );
    if (!at) continue;
    // Changes of place that help, one after the other.
    for (let step = 0; step < 300; step += 1) {
      const [g, h] = [Math.floor(random() * groups.length), Math.floor(random() * groups.length)];
      const next = at.map((b, i) => {
        if (i === g) return at[h] ?? 0;
        return i === h ? (at[g] ?? 0) : b;
      });
      if (
        fits(next, g, next[g] ?? 0) &&
        fits(next, h, next[h] ?? 0) &&
        zoneSums(request, toAssignment(next)).objective <
          zoneSums(request, toAssignment(at)).objective
      )
        at.splice(0, at.length, ...next);
    }
    found.push(at);
  }
  const sums = found.flatMap((at) =>
    at && zoneFaults(request, toAssignment(at)).length === 0
      ? [zoneSums(request, toAssignment(at)).objective]
      : [],
  );
  return sums.length > 0 ? Math.min(...sums) : undefined;
}
