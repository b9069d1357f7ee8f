import { createZonesProblem } from '@/core/place/zonesProblem';
import { zonesRequestSchema, type ZonesRequest } from '@/core/place';
import { createRandom } from '@/core/shared';
import { zonesRequestOf } from './zonesArbitrary';

interface TightSize {
  readonly groups: number;
  readonly bays: number;
  readonly pairs: number;
  readonly timeLimitMs?: number;
}

/** One decimal, as litres are told. */
const tenth = (litres: number): number => Math.round(litres * 10) / 10;

/**
 * A home whose groups want so much of its bays' litres, none of them more than the largest bay that it may stand in;
 * whether an arrangement exists is not known.
 */
export function fullHomeOf(seed: number, size: TightSize, fillRatio: number): ZonesRequest {
  const request = zonesRequestSchema.parse(zonesRequestOf(seed, { ...size, fillRatio: 0.1 }));
  const { allowed } = createZonesProblem(request);
  const random = createRandom(seed * 131 + 3);
  const most = request.groups.map((_, g) =>
    Math.max(0.1, ...[...allowed[g]!].map((b) => request.bays[b]!.litres)),
  );
  const wanted = fillRatio * request.bays.reduce((sum, { litres }) => sum + litres, 0);
  const shares = request.groups.map(() => 0.3 + random());
  let scale = wanted / shares.reduce((a, b) => a + b, 0);
  // What the largest bays cut off the others get, a few times over.
  const litresAt = () => shares.map((share, g) => Math.min(share * scale, 0.95 * most[g]!));
  for (let n = 0; n < 30; n += 1) scale *= wanted / litresAt().reduce((a, b) => a + b, 0);
  const litres = litresAt();
  return {
    ...request,
    groups: request.groups.map((group, g) => ({
      ...group,
      litres: tenth(litres[g]!),
      massG: litres[g]! * 150,
    })),
  };
}

/**
 * A home built backwards: groups are put into bays that they may stand in, foes apart, and each bay is made as large
 * as what stands in it, and `slack` of that more. Undefined where a group finds no bay.
 */
export function plantedHomeOf(
  seed: number,
  size: TightSize,
  slack = 0,
): { readonly request: ZonesRequest; readonly bayOf: readonly number[] } | undefined {
  const request = zonesRequestSchema.parse(zonesRequestOf(seed, { ...size, fillRatio: 0.1 }));
  const { allowed, foes } = createZonesProblem(request);
  const random = createRandom(seed * 31 + 7);
  const bayOf = request.groups.map(() => -1);
  const groupsIn: number[][] = request.bays.map(() => []);
  const order = [...request.groups.keys()].sort((g, h) => allowed[g]!.length - allowed[h]!.length);
  for (const g of order) {
    const open = [...allowed[g]!].filter((b) => !foes[g]!.some((foe) => bayOf[foe] === b));
    const fewest = Math.min(...open.map((b) => groupsIn[b]!.length));
    const some = open.filter((b) => groupsIn[b]!.length <= fewest + (random() < 0.3 ? 1 : 0));
    const b = some[Math.floor(random() * some.length)];
    if (b === undefined) return undefined;
    bayOf[g] = b;
    groupsIn[b]!.push(g);
  }
  const litres = request.groups.map(() => 0);
  const bays = request.bays.map((bay, b) => {
    const groups = groupsIn[b]!;
    if (groups.length === 0) return { ...bay, litres: 20 };
    const shares = groups.map(() => 0.2 + random());
    const all = shares.reduce((a, c) => a + c, 0);
    groups.forEach((g, k) => (litres[g] = Math.max(0.1, tenth((bay.litres * shares[k]!) / all))));
    const sum = groups.reduce((whole, g) => whole + litres[g]!, 0);
    return {
      ...bay,
      litres: tenth(sum * (1 + slack)),
      ...(bay.maxLoadG === undefined ? {} : { maxLoadG: Math.ceil(sum * 300) }),
    };
  });
  const groups = request.groups.map((group, g) => ({
    ...group,
    litres: litres[g]!,
    massG: litres[g]! * 300,
  }));
  return { request: { ...request, bays, groups }, bayOf };
}
