import 'server-only';

import { enoughRuleSchema, type EnoughRule } from '@/core/count';
import { thingPictureSchema, type ThingPicture } from '@/core/look';
import type { PictureId, ProjectId } from '@/core/shared';
import { kindSizeSchema, type KindSize } from '@/core/sort';
import { defineTable, flag, json, plain, readAll, type Row } from './columns';
import type { Db } from './db';

export const enoughRuleTable = defineTable('enough_rules', enoughRuleSchema, {
  id: plain('id'),
  projectId: plain('project_id'),
  name: plain('name'),
  words: json('words_json'),
  perHome: plain('per_home'),
  perPerson: plain('per_person'),
  perBed: plain('per_bed'),
  perGuestPlace: plain('per_guest_place'),
  perDay: plain('per_day'),
  perPersonDay: plain('per_person_day'),
  because: plain('because'),
  isOff: flag('is_off'),
});
const kindSizeTable = defineTable('kind_sizes', kindSizeSchema, {
  id: plain('id'),
  litres: plain('litres'),
  massG: plain('mass_g'),
  weighedCount: plain('weighed_count'),
  weighedG: plain('weighed_g'),
});
export const thingPictureTable = defineTable('thing_pictures', thingPictureSchema, {
  id: plain('id'),
  projectId: plain('project_id'),
  widthPx: plain('width_px'),
  heightPx: plain('height_px'),
  takenAt: plain('taken_at'),
});

/** A household's own rules of enough: changed shipped ones, by their name, and added ones. */
export const listEnoughRules = (db: Db, projectId: ProjectId): Promise<EnoughRule[]> =>
  readAll(
    enoughRuleTable,
    db(enoughRuleTable.name).where({ project_id: projectId }).orderBy('name'),
  );

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

export const listThingPictures = (db: Db, projectId: ProjectId): Promise<ThingPicture[]> =>
  readAll(
    thingPictureTable,
    db(thingPictureTable.name).where({ project_id: projectId }).orderBy('taken_at'),
  );
export async function findThingPicture(db: Db, id: PictureId): Promise<ThingPicture | undefined> {
  const row: Row | undefined = await db(thingPictureTable.name).where({ id }).first();
  return row && thingPictureTable.fromRow(row);
}
