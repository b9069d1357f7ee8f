import { createRandom } from '@/core/shared';
import { haulRequestSchema, type HaulRequest, type HaulRequestInput } from '@/core/takeAway';

interface HaulSize {
  readonly loads: number;
  readonly places: number;
  /** Hours, conflicts, packed boxes, limits a visit: what the format may have. */
  readonly isRich: boolean;
}

/** A request by its seed, tight or wide; now and then one that cannot be done. */
export function haulOf(seed: number, { loads, places, isRich }: HaulSize): HaulRequest {
  const random = createRandom(seed);
  const between = (least: number, most: number) =>
    least + Math.floor(random() * (most - least + 1));
  const chance = (share: number) => random() < share;
  const destinations: HaulRequestInput['destinations'] = Array.from({ length: places }, (_, i) => ({
    id: `d${i}`,
    name: `Place ${i}`,
    minutes: between(5, 40),
    ...(isRich && chance(0.4) ? { hours: hoursOf(between) } : {}),
    ...(isRich && chance(0.3) ? { unloadMinutes: between(0, 15) } : {}),
    ...(isRich && chance(0.2) ? { maxBoxes: between(1, 4) } : {}),
  }));
  const list = Array.from({ length: loads }, (_, i) => ({
    id: `l${i}`,
    litres: chance(0.05) ? between(51, 120) : between(1, 35),
    massG: chance(0.05) ? between(15_001, 30_000) : between(200, 9000),
    destinationId: `d${between(0, places - 1)}`,
    ...(chance(0.2) ? { fragile: true } : {}),
    ...(isRich && chance(0.1) ? { longMm: between(500, 2100) } : {}),
  }));
  const pairs = isRich && loads > 1 ? between(0, Math.ceil(loads / 6)) : 0;
  const packed = isRich && loads > 0 && chance(0.3) ? [list[between(0, loads - 1)]!] : [];
  return haulRequestSchema.parse({
    seed,
    loads: list,
    box: { litres: 50, maxG: 15_000 },
    car: {
      litres: between(2, 12) * 50 + between(0, 49),
      maxG: between(40, 200) * 1000,
      ...(isRich && chance(0.5) ? { longMm: 2000 } : {}),
    },
    destinations,
    ...(chance(0.7)
      ? {
          driveMinutes: destinations.map((_, i) =>
            destinations.map((__, j) => (i === j ? 0 : between(3, 30))),
          ),
        }
      : {}),
    ...(isRich
      ? { departures: Array.from({ length: between(2, 6) }, () => between(32, 68) * 15) }
      : {}),
    ...(pairs > 0
      ? {
          conflicts: Array.from({ length: pairs }, () => {
            const a = between(0, loads - 1);
            const b = (a + between(1, loads - 1)) % loads;
            return { a: `l${a}`, b: `l${b}`, in: chance(0.5) ? 'box' : 'trip' };
          }),
        }
      : {}),
    ...(isRich && chance(0.3) ? { mostMinutes: between(60, 200) } : {}),
    packed: packed.map(({ id, destinationId }) => ({ destinationId, loadIds: [id] })),
  });
}

function hoursOf(between: (least: number, most: number) => number) {
  const from = between(32, 60) * 15;
  const to = from + between(4, 24) * 15;
  return [{ from, to }, ...(between(0, 1) ? [{ from: to + 60, to: to + 180 }] : [])];
}
