import 'server-only';

import { z } from 'zod';

import { learningSchema, type Learning, type LearnTopic } from '@/core/learn';
import { compareText } from '@/core/shared';
import {
  carSchema,
  fairValueSchema,
  USUAL_CAR,
  USUAL_VALUES,
  type Car,
  type FairValue,
} from '@/core/takeAway';
import { isSamePerson, workerSchema, type Worker } from '@/core/visits';

import type { Db } from './db';

/** How the desk wants its backups, and how the last one went. */
export const backupSettingsSchema = z.object({
  every: z.enum(['day', 'week', 'never']).default('day'),
  keep: z.number().int().min(1, 'At least 1').max(90, 'At most 90').default(14),
  lastAt: z.iso.datetime().nullable().default(null),
  /** Why the last try failed; empty where it did not. */
  lastProblem: z.string().max(500).default(''),
});
export type BackupSettings = z.infer<typeof backupSettingsSchema>;
const BACKUP = 'backup';

export async function getBackupSettings(db: Db): Promise<BackupSettings> {
  const row: { value_json: string } | undefined = await db('settings')
    .where({ id: BACKUP })
    .first('value_json');
  return backupSettingsSchema.parse(row ? JSON.parse(row.value_json) : {});
}

export async function changeBackupSettings(
  db: Db,
  change: Partial<BackupSettings>,
): Promise<BackupSettings> {
  return db.transaction(async (trx) => {
    const settings = backupSettingsSchema.parse({ ...(await getBackupSettings(trx)), ...change });
    const row = { id: BACKUP, value_json: JSON.stringify(settings) };
    await trx('settings').insert(row).onConflict('id').merge();
    return settings;
  });
}

const WORKERS = 'workers';

/** Who works in the homes of this desk, and when; by name. */
export const listWorkers = (db: Db): Promise<Worker[]> =>
  readList(db, WORKERS, { schema: workerSchema, start: [] });

/** Puts somebody in the place of `name`, beside the others where nobody is called so; undefined takes away. */
export async function changeWorker(
  db: Db,
  name: string,
  worker: Worker | undefined,
): Promise<void> {
  await db.transaction(async (trx) => {
    const others = (await listWorkers(trx)).filter(
      (each) => !isSamePerson(each.name, name) && !(worker && isSamePerson(each.name, worker.name)),
    );
    const workers = [...others, ...(worker ? [workerSchema.parse(worker)] : [])].sort((a, b) =>
      compareText(a.name, b.name),
    );
    await writeList(trx, WORKERS, workers);
  });
}

/** A list that the desk keeps for all homes, under its name; what it ships with until somebody changes it. */
async function readList<T>(
  db: Db,
  id: string,
  { schema, start }: { readonly schema: z.ZodType<T>; readonly start: readonly T[] },
): Promise<T[]> {
  const row: { value_json: string } | undefined = await db('settings')
    .where({ id })
    .first('value_json');
  return row ? z.array(schema).parse(JSON.parse(row.value_json)) : [...start];
}
const writeList = async (db: Db, id: string, list: readonly unknown[]): Promise<void> => {
  await db('settings')
    .insert({ id, value_json: JSON.stringify(list) })
    .onConflict('id')
    .merge();
};

/** The cars of this desk; a made-up small one until one is measured. */
export const listCars = (db: Db): Promise<Car[]> =>
  readList(db, 'cars', { schema: carSchema, start: [USUAL_CAR] });
export const keepCars = (db: Db, cars: readonly Car[]): Promise<void> =>
  writeList(db, 'cars', z.array(carSchema).max(20).parse(cars));
/** What things of a kind are assumed to fetch second-hand. */
export const listFairValues = (db: Db): Promise<FairValue[]> =>
  readList(db, 'fair-values', { schema: fairValueSchema, start: USUAL_VALUES });
export const keepFairValues = (db: Db, values: readonly FairValue[]): Promise<void> =>
  writeList(db, 'fair-values', z.array(fairValueSchema).max(500).parse(values));

const LEARNING = 'learning';

/** What of what was learnt is left aside. */
export async function getLearning(db: Db): Promise<Learning> {
  const row: { value_json: string } | undefined = await db('settings')
    .where({ id: LEARNING })
    .first('value_json');
  return learningSchema.parse(row ? JSON.parse(row.value_json) : {});
}

/** From the next day on a topic begins anew; undefined: all of it counts again. Nothing is lost by either. */
export async function leaveAside(
  db: Db,
  topic: LearnTopic,
  upTo: string | undefined,
): Promise<void> {
  await db.transaction(async (trx) => {
    const { leftAsideTo } = await getLearning(trx);
    const { [topic]: _before, ...others } = leftAsideTo;
    const next = learningSchema.parse({
      leftAsideTo: upTo === undefined ? others : { ...others, [topic]: upTo },
    });
    await trx('settings')
      .insert({ id: LEARNING, value_json: JSON.stringify(next) })
      .onConflict('id')
      .merge();
  });
}

/** Whether there is something that could be lost: a decision or a picture. */
export async function hasRealWork(db: Db): Promise<boolean> {
  for (const table of ['decision_events', 'pictures', 'thing_pictures', 'receipts']) {
    const row: unknown = await db(table).first(db.raw('1'));
    if (row !== undefined) return true;
  }
  return false;
}
