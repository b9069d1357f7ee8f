import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { buffer } from 'node:stream/consumers';

import type { VerdictTraits } from '@/core/sort';

/**
 * A verdict that nobody has thought of, added in memory as its three files would: its row, its words,
 * its look. Everything else is loaded afterwards, and must take it as it takes any other.
 */
const LENT: VerdictTraits = {
  ends: 'out',
  isLandfill: false,
  asks: 'person',
  waitsFor: undefined,
  hasBox: true,
  key: 'N',
};

test('a new verdict is a row of traits, its words and its look', async () => {
  const dataDir = mkdtempSync(path.join(tmpdir(), 'tinbox-lend-'));
  await jest.isolateModulesAsync(async () => {
    const table = await import('@/core/sort/verdictTable');
    Object.assign(table.verdictTable, { lend: LENT });
    const words = await import('@/ui/sort/sortWords');
    Object.assign(words.verdictWords, { lend: 'Lend' });
    Object.assign(words.verdictTold, { lend: 'Lent' });

    const { aDatabase, aDecision, HALL, HOME } = await import('./builders');
    const sort = await import('@/core/sort');
    const { appendDecisions, listDecisions, listThings } = await import('@/data/decisionLog');
    const { exportProject } = await import('@/server/exchange/exportProject');
    const { importProject } = await import('@/server/exchange/importProject');
    const { writeDecisionsCsv } = await import('@/server/sort/decisionsCsv');
    const { loadRecords } = await import('@/data/records');
    const { roomResultsOf } = await import('@/core/show');
    const { roomRecordsOf } = await import('@/server/desk/loadDesk');
    const { destinationLines } = await import('@/server/show/clientWords');
    const { carryBox, sayGoingOut } = await import('@/server/sort/goingOut');

    const verdict = sort.verdicts.at(-1) ?? 'keep';
    expect(verdict).toBe('lend');
    const db = await aDatabase();
    try {
      // The bench: its box fills, its key is its own, whom it goes to is remembered.
      await appendDecisions(db, HOME, [
        sort.decisionEventSchema.parse(
          aDecision({ verdict, to: 'Aunt Odile', count: 3, litres: 6, massG: 900 }),
        ),
      ]);
      const things = await listThings(db, HOME);
      expect(sort.tallyByVerdict(things)[verdict]).toEqual({ count: 3, litres: 6, massG: 900 });
      expect(things.map(sort.personOf)).toEqual(['Aunt Odile']);
      expect(new Set(sort.verdicts.map((each) => sort.traitsOf(each).key)).size).toBe(
        sort.verdicts.length,
      );
      // Results: once it is out it has left, and not to landfill.
      const box = { verdict, toward: 'Aunt Odile' };
      const carryId = await carryBox(db, HOME, { roomId: HALL, box });
      const said = { goneAt: '2026-11-07T10:00:00.000Z', goneBy: '', note: '' };
      await sayGoingOut(db, HOME, { roomId: HALL, carryId, said });
      const records = await loadRecords(
        db,
        HOME,
        'carries',
        'containers',
        'fits',
        'groups',
        'project',
        'purchases',
        'rooms',
        'units',
        'things',
      );
      const results = roomResultsOf(roomRecordsOf(records, HALL));
      expect(results.left).toEqual({ count: 3, litres: 6, massG: 900 });
      expect(results.keptFromLandfillShare).toBe(1);
      const room = {
        room: records.rooms[0],
        pairs: [],
        checks: [],
        results,
      } as unknown as Parameters<typeof destinationLines>[0];
      expect(destinationLines(room).map(({ where }) => where)).toEqual(['Lent: Aunt Odile']);
      // The archive and the table.
      expect(writeDecisionsCsv(await listDecisions(db, HOME), records)).toContain('lend');
      const file = path.join(dataDir, 'home.zip');
      writeFileSync(file, await buffer(await exportProject(db, dataDir, HOME)));
      const imported = await importProject(db, dataDir, file);
      expect(imported).toMatchObject({ ok: true });
      const copy = imported.ok ? await listThings(db, imported.value) : [];
      expect(copy).toMatchObject([{ verdict: 'lend', to: 'Aunt Odile', count: 3 }]);
    } finally {
      await db.destroy();
      rmSync(dataDir, { recursive: true, force: true });
    }
  });
});
