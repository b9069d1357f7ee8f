import { readFileSync } from 'node:fs';

import fc from 'fast-check';

import { aDatabase, HOME } from '@test/builders';
import {
  change,
  everyRecord,
  insertEvery,
  join,
  recordArbitrary,
  stateOf,
} from '@test/recordArbitrary';
import { moveChange } from '../changes';
import type { Db } from '../db';
import { listIds } from '../idPaths';
import { describeRecords, findUnregisteredTables, recordKinds } from './index';

let db: Db;
beforeEach(async () => {
  db = await aDatabase();
});
afterEach(() => db.destroy());

/** The kinds that are made and removed within a home; the home itself is forgotten, not removed. */
const removable = recordKinds.filter(({ name }) => name !== 'projects');

test('every record goes with its children, comes back by undo and goes again by redo', async () => {
  await fc.assert(
    fc.asyncProperty(everyRecord, async (every) => {
      await db.destroy();
      db = await aDatabase();
      await insertEvery(db, every);
      const all = await stateOf(db);
      for (const kind of removable) {
        const [first] = every.get(kind.name) ?? [];
        if (!first) continue;
        await change(db, (writer) => writer.remove(kind, first.id));
        const left = await stateOf(db);
        expect(left).not.toHaveProperty([`${kind.name} ${first.id}`]);
        // What belonged to it is gone, all else is there, though it may name less.
        const gone = Object.keys(all).filter((key) => !(key in left));
        const goneIds = new Set(gone.map((key) => key.split(' ')[1]));
        const strays = gone.filter((key) => {
          const its = recordKinds.find(({ name }) => name === key.split(' ')[0]);
          const names = its ? listIds(all[key], its.ids).map(({ id }) => id) : [];
          return key !== `${kind.name} ${first.id}` && !names.some((id) => goneIds.has(id));
        });
        expect(strays).toEqual([]);
        await moveChange(db, HOME, 'undo');
        expect(await stateOf(db)).toEqual(all);
        await moveChange(db, HOME, 'redo');
        expect(await stateOf(db)).toEqual(left);
        await moveChange(db, HOME, 'undo');
        expect(await stateOf(db)).toEqual(all);
      }
    }),
    { numRuns: 3, seed: 15, endOnFailure: true },
  );
});

test('every record keeps a change, loses it by undo and has it again by redo', async () => {
  await fc.assert(
    fc.asyncProperty(
      everyRecord,
      fc.tuple(...recordKinds.map(({ table }) => recordArbitrary(table.schema))),
      async (every, others) => {
        await db.destroy();
        db = await aDatabase();
        await insertEvery(db, every);
        for (const [i, kind] of recordKinds.entries()) {
          const before = await stateOf(db);
          const [first] = every.get(kind.name) ?? [];
          const other = others[i];
          if (!first || !other) continue;
          // Whose it is stays: a record does not move to another owner.
          const owner = kind.parent ? { [kind.parent.field]: first[kind.parent.field] } : {};
          const changed = { ...join(kind, other, every), ...owner, id: first.id };
          if (kind.composeId) continue;
          await change(db, (writer) => writer.put(kind, changed));
          const after = await stateOf(db);
          if (kind.shared !== 'always')
            expect(after[`${kind.name} ${first.id}`]).toEqual(
              kind.table.fromRow(kind.table.toRow(changed)),
            );
          await moveChange(db, HOME, 'undo');
          expect(await stateOf(db)).toEqual(before);
          await moveChange(db, HOME, 'redo');
          expect(await stateOf(db)).toEqual(after);
        }
      },
    ),
    { numRuns: 3, seed: 16, endOnFailure: true },
  );
});

test('the database removes every record with its owner', async () => {
  for (const { name, table, parent } of removable) {
    if (!parent) continue;
    const keys: readonly { from: string; on_delete: string }[] = await db.raw(
      `PRAGMA foreign_key_list(${table.name})`,
    );
    const key = keys.find(({ from }) => from === table.columnOf(parent.field));
    expect([name, key?.on_delete]).toEqual([name, 'CASCADE']);
  }
});

test('the page of records is as they are', () => {
  expect(readFileSync('docs/records.md', 'utf8')).toBe(describeRecords());
});

test('a table that belongs to a home and is not registered is found', async () => {
  expect(await findUnregisteredTables(db)).toEqual([]);
  await db.schema.createTable('wall_marks', (table) => {
    table.text('id').primary();
    table.text('room_id').references('id').inTable('rooms').onDelete('CASCADE');
  });
  expect(await findUnregisteredTables(db)).toEqual(['wall_marks']);
});
