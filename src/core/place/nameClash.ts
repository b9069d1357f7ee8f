import type { Solver } from '../shared';
import { solveZonesCore } from './solveZonesCore';
import type { ClashReason } from './zonesAnswer';
import type { ZoneGroup, ZonesRequest } from './zonesModel';
import { createZonesProblem, massOf, SUM_TOLERANCE, type ZonesProblem } from './zonesProblem';

/** More groups than this tell nobody what to change. */
const MOST_NAMED = 8;

/** Of so many different sets of bays at most is looked whether they are crowded. */
const MOST_CHOICES = 50;

/** Groups that have only some of the bays to choose from, and ask more of these than they take. */
export function findCrowd(
  request: ZonesRequest,
  { allowed }: Pick<ZonesProblem, 'allowed'>,
): ClashReason | undefined {
  const seen = new Set<string>();
  for (const list of allowed) {
    const key = [...list].sort((a, b) => a - b).join(' ');
    if (seen.has(key)) continue;
    seen.add(key);
    if (seen.size > MOST_CHOICES) return undefined;
    const among = new Set(list);
    const groups = request.groups.filter((_, g) => allowed[g]!.every((bay) => among.has(bay)));
    const bays = [...list].map((b) => request.bays[b]!);
    const sum = (of: (group: ZoneGroup) => number) =>
      groups.reduce((total, group) => total + of(group), 0);
    const needLitres = sum(({ litres }) => litres);
    const haveLitres = bays.reduce((total, { litres }) => total + litres, 0);
    const bearG = bays.reduce((total, { maxLoadG }) => total + (maxLoadG ?? Infinity), 0);
    if (needLitres <= haveLitres + SUM_TOLERANCE && sum(massOf) <= bearG + SUM_TOLERANCE) continue;
    return {
      code: 'cannot_all_fit',
      subject: '',
      groupIds: groups.map(({ id }) => id),
      bayIds: bays.map(({ id }) => id),
      ...(needLitres > haveLitres + SUM_TOLERANCE ? { needLitres, haveLitres } : {}),
    };
  }
  return undefined;
}

/**
 * The groups of a request without any arrangement that already have none by themselves: part by part
 * is left out, first halves, then less, as long as what stays is proven to have none. Each of those
 * named is needed for it where the time was enough; none is named where they are many.
 * Requires: that `request` has no arrangement is proven. Source: the deletion filter of Chinneck and
 * Dravnieks (1991).
 */
export function nameClash(
  request: ZonesRequest,
  { solver, leftMs }: { readonly solver: Solver; readonly leftMs: () => number },
): ClashReason {
  let kept = request.groups;
  for (
    let size = Math.ceil(kept.length / 2);
    size >= 1;
    size = size === 1 ? 0 : Math.ceil(size / 2)
  ) {
    for (let from = 0; from < kept.length;) {
      const fewer = kept.filter((_, i) => i < from || i >= from + size);
      const isClash =
        fewer.length > 1 && leftMs() > 0 && hasNone(among(request, fewer), { solver, leftMs });
      if (isClash) kept = fewer;
      else from += size;
    }
    // What needs so many of them is the whole home.
    if (leftMs() <= 0 || (size < kept.length / 4 && kept.length > 3 * MOST_NAMED)) break;
  }
  const isTold = kept.length <= MOST_NAMED && kept.length < request.groups.length;
  return {
    code: 'cannot_all_fit',
    subject: '',
    ...(isTold ? { groupIds: kept.map(({ id }) => id) } : {}),
  };
}

function among(request: ZonesRequest, groups: readonly ZoneGroup[]): ZonesRequest {
  const has = (id: string) => groups.some((group) => group.id === id);
  const both = ({ a, b }: { readonly a: string; readonly b: string }) => has(a) && has(b);
  return {
    ...request,
    groups: [...groups],
    together: request.together.filter(both),
    apart: request.apart.filter(both),
  };
}

function hasNone(
  request: ZonesRequest,
  { solver, leftMs }: { readonly solver: Solver; readonly leftMs: () => number },
): boolean {
  const problem: ZonesProblem = createZonesProblem(request);
  const outcome = solveZonesCore(problem, {
    solver,
    leftMs,
    seed: request.seed,
    left: problem.allowed.map((list) => [...list]),
    anyWill: true,
  });
  return outcome.code === 'impossible';
}
