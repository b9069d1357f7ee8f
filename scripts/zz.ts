import { planZones, zonesRequestSchema } from '@/core/place';
import { loadSolver } from '@/core/shared';
import { zonesRequestOf } from '@test/zonesArbitrary';
(async () => {
  const solver = await loadSolver();
  for (const ms of [1000, 10000]) for (const seed of [1, 2, 3]) {
      const req = zonesRequestSchema.parse(zonesRequestOf(seed, { groups: 150, bays: 120, pairs: 0, fillRatio: 0.35, timeLimitMs: ms }));
      const log: string[] = []; let t0 = performance.now();
      const a = planZones(req, { solver, clock: () => performance.now(), onProgress: (p) => { log.push(`${Math.round(performance.now() - t0)}:${p.objective.toFixed(0)}/${p.bound.toFixed(0)}`); } });
      console.log(ms, seed, a.status, a.objective?.toFixed(1), a.bound?.toFixed(1), Math.round(a.elapsedMs), (100*(a.objective!-a.bound!)/a.objective!).toFixed(3));
      console.log('   ', log.filter((_, i) => i % Math.ceil(log.length / 14) === 0).join(' '));
  }
})();
