import { createRandom } from '@/core/shared';
import type { ZonesRequestInput } from '@/core/place';

interface ZonesSize {
  readonly groups: number;
  readonly bays: number;
  readonly pairs: number;
  /** Of the bays' litres, so much is wanted. */
  readonly fillRatio: number;
  readonly timeLimitMs?: number;
  /** Into so many rooms the bays and stations fall, some of them told how far apart; 0: none. */
  readonly areas?: number;
}

/**
 * A home from a seed: some bays bear little, are locked, damp, high or behind; a child lives there;
 * chemicals and food are about.
 */
export function zonesRequestOf(
  seed: number,
  { groups, bays, pairs, fillRatio, timeLimitMs = 60_000, areas = 0 }: ZonesSize,
): ZonesRequestInput {
  const random = createRandom(seed * 7919 + groups);
  const between = (least: number, most: number) =>
    least + Math.floor(random() * (most - least + 1));
  const places = Array.from({ length: bays }, (_, i) => ({
    id: `b${i}`,
    litres: between(20, 120),
    ...(random() < 0.3 ? { maxLoadG: between(9000, 40_000) } : {}),
    x: between(0, 12) * 500,
    y: between(0, 8) * 500,
    z: between(50, 2200),
    locked: random() < 0.15,
    moist: random() < 0.1,
    warm: random() < 0.1,
    light: random() < 0.1,
    row: random() < 0.2 ? ('back' as const) : ('front' as const),
  }));
  const shares = Array.from({ length: groups }, () => 0.1 + random() * random() * 3);
  const [all, shared] = [
    places.reduce((sum, { litres }) => sum + litres, 0),
    shares.reduce((sum, share) => sum + share, 0),
  ];
  const other = (g: number) => `g${(g + between(1, Math.max(1, groups - 1))) % groups}`;
  const pairOf = () => {
    const g = between(0, groups - 1);
    return { a: `g${g}`, b: other(g) };
  };
  const areaIds = Array.from({ length: areas }, (_, i) => `room${i}`);
  const areaOf = (i: number) => (areas > 0 ? { areaId: `room${i % areas}` } : {});
  return {
    bays: places.map((bay, i) => ({ ...bay, ...areaOf(i) })),
    stations: Array.from({ length: 4 }, (_, i) => ({
      id: `s${i}`,
      name: `Station ${i}`,
      ...areaOf(i),
      x: between(0, 6000),
      y: between(0, 4000),
    })),
    people: [
      { id: 'tall', heightMm: 1810 },
      { id: 'small', heightMm: 1570, noStep: true },
      { id: 'child', heightMm: 1210, child: true },
    ],
    groups: shares.map((share, i) => ({
      id: `g${i}`,
      name: `Group ${i}`,
      litres: Math.round((share / shared) * all * fillRatio * 10) / 10,
      usesPerWeek: between(0, 28),
      stationId: `s${between(0, 3)}`,
      userIds: usersOf(random() < 0.1, random),
      ...(random() < 0.08 ? { hazard: 'chemical' as const } : {}),
      food: random() < 0.2,
      avoid: random() < 0.1 ? ['moist' as const] : [],
      selfServe: random() < 0.05,
      ...(areas > 0 ? { breaks: i % 5 === 0, massG: 1500 * i } : {}),
      ...(i % 7 === 3
        ? { sought: [{ bayId: places[i % places.length]!.id, share: 0.6, seconds: 15 }] }
        : {}),
    })),
    together:
      groups > 1
        ? Array.from({ length: pairs }, () => ({ ...pairOf(), weight: between(1, 20) }))
        : [],
    apart:
      groups > 1
        ? Array.from({ length: Math.floor(groups / 8) }, () => ({
            ...pairOf(),
            why: 'they quarrel',
          }))
        : [],
    seed,
    timeLimitMs,
    ...(areas > 0
      ? {
          lifts: true,
          // The last of them is said to be nowhere near: straight lines count.
          distances: areaIds
            .slice(0, -1)
            .flatMap((a, i) =>
              areaIds.slice(i + 1, -1).map((b): [string, string, number] => [a, b, between(1, 30)]),
            ),
        }
      : {}),
  };
}

function usersOf(withChild: boolean, random: () => number): string[] {
  if (withChild) return ['tall', 'child'];
  return random() < 0.3 ? ['tall', 'small'] : ['tall'];
}
