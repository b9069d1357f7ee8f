import 'server-only';

import type { EnoughRule } from '@/core/count';
import type { ThingPicture } from '@/core/look';
import type { PictureId, ProjectId } from '@/core/shared';
import { kindSizeSchema, type KindSize } from '@/core/sort';
import { defineTable, json, plain, readAll, type Row } from './columns';
import type { Db } from './db';
import { listRecords, thingPictureRecord } from './records';

const kindSizeTable = defineTable('kind_sizes', kindSizeSchema, {
  id: plain('id'),
  words: json('words_json'),
  litres: plain('litres'),
  massG: plain('mass_g'),
  uprightMm: plain('upright_mm'),
  longestMm: plain('longest_mm'),
  weighedCount: plain('weighed_count'),
  weighedG: plain('weighed_g'),
});
/** A household's own rules of enough: changed shipped ones, by their name, and added ones. */
export const listEnoughRules = (db: Db, projectId: ProjectId): Promise<EnoughRule[]> =>
  listRecords(db, 'enoughRules', projectId);

/** What was corrected in the table of kinds; the organizer's own, for every home. */
export const listKindSizes = (db: Db): Promise<KindSize[]> =>
  readAll(kindSizeTable, db(kindSizeTable.name).orderBy('id'));
export async function putKindSize(db: Db, size: KindSize): Promise<void> {
  await db(kindSizeTable.name)
    .insert(kindSizeTable.toRow(kindSizeSchema.parse(size)))
    .onConflict('id')
    .merge();
}
/** Takes over sizes of kinds that nothing is known of here; what was corrected here stays. */
export async function insertMissingKindSizes(db: Db, sizes: readonly KindSize[]): Promise<void> {
  for (const size of sizes)
    await db(kindSizeTable.name).insert(kindSizeTable.toRow(size)).onConflict('id').ignore();
}
/** The shipped figures stand again. */
export async function removeKindSize(db: Db, id: string): Promise<void> {
  await db(kindSizeTable.name).where({ id }).delete();
}

export async function findThingPicture(db: Db, id: PictureId): Promise<ThingPicture | undefined> {
  const row: Row | undefined = await db(thingPictureRecord.table.name).where({ id }).first();
  return row && thingPictureRecord.table.fromRow(row);
}
