import type { MovesRequestInput } from '@/core/place';
import { isSolved, LinearModel, type Solver } from '@/core/shared';

/**
 * The exact ordering model of moves, to compare with: when each group leaves and arrives, what has
 * left a bay by then and what
 * has arrived, and which groups wait in between. Shares nothing with the engine but the solver.
 * Returns the least litres handled twice that were found in the time, and whether they are proven;
 * undefined where none were.
 */
export function orderByModel(
  request: MovesRequestInput,
  { solver, timeLimitMs }: { readonly solver: Solver; readonly timeLimitMs: number },
): { readonly stagedLitres: number; readonly isProven: boolean } | undefined {
  const model = new LinearModel();
  const moving = request.groups.filter(({ from, to }) => from !== to);
  const horizon = 2 * moving.length + 1;
  const aim: (readonly [number, number])[] = [];
  const events = new Map(
    moving.map((group) => {
      const leaves = model.addVariable({ most: horizon });
      const arrives = model.addVariable({ most: horizon });
      const waits = model.addVariable({ most: 1, whole: true });
      aim.push([waits, group.from === null || group.to === null ? 0 : group.litres]);
      // It arrives when it leaves, or waits in a basket.
      model.addRow(
        [
          [arrives, 1],
          [leaves, -1],
        ],
        { least: 0 },
      );
      model.addRow(
        [
          [arrives, 1],
          [leaves, -1],
          [waits, -horizon],
        ],
        { most: 0 },
      );
      return [group.id, { leaves, arrives }] as const;
    }),
  );
  const eventOf = (id: string) => events.get(id) ?? { leaves: 0, arrives: 0 };
  for (const bay of request.bays) {
    const [going, coming] = [
      moving.filter(({ from }) => from === bay.id),
      moving.filter(({ to }) => to === bay.id),
    ];
    const staying = request.groups
      .filter(({ from, to }) => from === bay.id && to === bay.id)
      .reduce((sum, { litres }) => sum + litres, 0);
    for (const group of coming) {
      const { arrives } = eventOf(group.id);
      const room: (readonly [number, number])[] = [];
      let held = staying + group.litres;
      for (const other of going) {
        const hasLeft = model.addVariable({ most: 1, whole: true });
        model.addRow(
          [
            [arrives, 1],
            [eventOf(other.id).leaves, -1],
            [hasLeft, -(horizon + 1)],
          ],
          { least: -horizon },
        );
        held += other.litres;
        room.push([hasLeft, -other.litres]);
      }
      for (const other of coming) {
        if (other === group) continue;
        const hasCome = model.addVariable({ most: 1, whole: true });
        model.addRow(
          [
            [eventOf(other.id).arrives, 1],
            [arrives, -1],
            [hasCome, horizon + 1],
          ],
          { least: 1 },
        );
        room.push([hasCome, other.litres]);
      }
      model.addRow(room, { most: bay.litres - held + 1e-9 });
    }
  }
  const solution = model.minimise(solver, aim, { timeLimitMs, seed: 1 });
  return isSolved(solution)
    ? { stagedLitres: solution.objective, isProven: solution.status === 'optimal' }
    : undefined;
}
