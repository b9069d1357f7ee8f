import { cutRequestSchema, type CutRequest } from '@/core/shop';
import { createRandom } from '@/core/shared';

/** So many boards of one length, each cut into three to six pieces without a rest, and no board more than that. */
export function plantedCutsOf(seed: number, boards: number, timeLimitMs = 1000): CutRequest {
  const random = createRandom(seed * 17 + boards);
  const [lengthMm, kerfMm] = [2400, 3];
  const quantities = new Map<number, number>();
  for (let b = 0; b < boards; b += 1) {
    const count = 3 + Math.floor(random() * 4);
    const shares = Array.from({ length: count }, () => 0.3 + random());
    const all = shares.reduce((a, c) => a + c, 0);
    const whole = lengthMm - kerfMm * (count - 1);
    let left = whole;
    shares.forEach((share, i) => {
      const mm = i === count - 1 ? left : Math.round((whole * share) / all);
      left -= mm;
      quantities.set(mm, (quantities.get(mm) ?? 0) + 1);
    });
  }
  return cutRequestSchema.parse({
    stock: [{ id: 'board', lengthMm, priceMinor: 900, available: boards }],
    kerfMm,
    pieces: [...quantities].map(([mm, qty]) => ({ id: `p${mm}`, lengthMm: mm, qty })),
    seed,
    timeLimitMs,
  });
}
