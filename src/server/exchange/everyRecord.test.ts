import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { buffer } from 'node:stream/consumers';

import fc from 'fast-check';

import { aDatabase, HOME } from '@test/builders';
import { everyRecord, insertEvery } from '@test/recordArbitrary';
import { projectIdSchema, type ProjectId } from '@/core/shared';
import type { Db } from '@/data/db';
import { mapIds } from '@/data/idPaths';
import { listOwned, recordKinds, type AnyRecord, type RecordKind } from '@/data/records';
import { exportProject } from './exportProject';
import { importProject } from './importProject';

let dataDir: string;
let db: Db;
beforeEach(async () => {
  dataDir = mkdtempSync(path.join(tmpdir(), 'tinbox-every-'));
  db = await aDatabase();
});
afterEach(async () => {
  await db.destroy();
  rmSync(dataDir, { recursive: true, force: true });
});

/** What it names, its picture's files among it. */
const idsOf = ({ ids, fileField }: RecordKind) => ({
  ...ids,
  ...(fileField === undefined || fileField === 'id' ? {} : { [fileField]: 'files' }),
});

/** Every record of a home, its ids told by which came first, so that a copy reads like its original. */
async function shapeOf(project: ProjectId): Promise<string[]> {
  const seen = new Map<string, string>();
  const numbered = (id: string) => {
    if (!seen.has(id)) seen.set(id, `#${seen.size}`);
    return seen.get(id) ?? id;
  };
  const lines: string[] = [];
  for (const kind of recordKinds)
    for (const record of await listOwned(db, kind, project)) {
      if (kind.shared === 'always') continue;
      const { name, ...rest } = record as AnyRecord & { readonly name?: unknown };
      const told = kind.name === 'projects' ? rest : { ...rest, name };
      const { id, ...fields } = mapIds(told, idsOf(kind), numbered) as AnyRecord;
      lines.push(`${kind.name} ${kind.composeId ? '' : numbered(id)} ${JSON.stringify(fields)}`);
    }
  return lines;
}

test('every record goes out in the file of its home and comes in again, here under new ids', async () => {
  await fc.assert(
    fc.asyncProperty(everyRecord, async (every) => {
      await db.destroy();
      db = await aDatabase();
      await insertEvery(db, every);
      const before = await shapeOf(HOME);
      const file = path.join(dataDir, 'home.zip');
      writeFileSync(file, await buffer(await exportProject(db, dataDir, HOME)));
      const imported = await importProject(db, dataDir, file);
      expect(imported).toMatchObject({ ok: true });
      const id = projectIdSchema.parse(imported.ok ? imported.value : '');
      expect(id).not.toBe(HOME);
      expect(await shapeOf(id)).toEqual(before);
      expect(await shapeOf(HOME)).toEqual(before);
    }),
    { numRuns: 4, seed: 15, endOnFailure: true },
  );
});
