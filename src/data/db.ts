import 'server-only';

import { mkdirSync, accessSync, constants } from 'node:fs';
import path from 'node:path';
import knex, { type Knex } from 'knex';

import { migrationNames, migrationSource } from './migrations';

export type Db = Knex;

export type DataErrorCode =
  | 'database_newer'
  | 'data_not_writable'
  | 'not_found'
  | 'changed_since'
  | 'changed_meanwhile'
  | 'engines_busy'
  | 'engine_failed'
  | 'id_reused'
  /** A picture's record is there and its file is not. */
  | 'picture_missing'
  /** Not all of what was announced has arrived. */
  | 'not_whole'
  | 'disk_full'
  | 'read_only'
  | 'disk_fault'
  | 'database_busy'
  | 'database_damaged'
  /** What was typed to forget a home is not its name. */
  | 'name_differs'
  /** Another server holds the data folder. */
  | 'data_held';

/** What the outside world refused; `code` is for the screen, `cause` for whoever looks into it. */
export class DataError extends Error {
  /** Next hands this on to its error page, where a message would stay on the server. */
  readonly digest: string;

  constructor(
    readonly code: DataErrorCode,
    message: string,
    options?: ErrorOptions,
  ) {
    super(message, options);
    this.name = 'DataError';
    this.digest = code;
  }
}

export const databaseFile = (dataDir: string): string => path.join(dataDir, 'tinbox.sqlite');
export const picturesDir = (dataDir: string): string => path.join(dataDir, 'pictures');

/** The folder that holds everything of the user's: `TINBOX_DATA`, or `data` beside the app. */
export const dataDirOf = (env: Readonly<Record<string, string | undefined>>): string =>
  path.resolve(/*turbopackIgnore: true*/ env.TINBOX_DATA ?? 'data');

/** Makes the folder and what lies in it, readable by its owner alone. @errors `data_not_writable`. */
export function makeDataFolder(dataDir: string): void {
  try {
    mkdirSync(picturesDir(dataDir), { recursive: true, mode: 0o700 });
    accessSync(dataDir, constants.W_OK);
  } catch (cause) {
    throw new DataError('data_not_writable', `the data folder ${dataDir} cannot be written to`, {
      cause,
    });
  }
}

export const connectDatabase = (dataDir: string): Db => createConnection(databaseFile(dataDir));

/**
 * Opens the database in `dataDir`, making folder and tables where they are missing. A server opens it
 * with `startData`, which takes the folder for itself.
 * @errors `data_not_writable` · `database_newer` (nothing was touched).
 */
export async function openDatabase(dataDir: string): Promise<Db> {
  makeDataFolder(dataDir);
  const db = connectDatabase(dataDir);
  try {
    await migrate(db);
  } catch (error) {
    await db.destroy();
    throw error;
  }
  return db;
}

/** Which migrations a database still lacks. @errors `database_newer`: it has some that are not known here. */
export async function listPendingMigrations(
  db: Db,
): Promise<{ readonly isNew: boolean; readonly names: readonly string[] }> {
  if (!(await db.schema.hasTable('knex_migrations'))) return { isNew: true, names: migrationNames };
  const rows: readonly { name: string }[] = await db('knex_migrations').select('name');
  const done = rows.map(({ name }) => name);
  const unknown = done.filter((name) => !migrationNames.includes(name));
  if (unknown.length > 0)
    throw new DataError(
      'database_newer',
      `the database is from a newer version of Tin Box (${unknown.join(', ')})`,
    );
  return { isNew: done.length === 0, names: migrationNames.filter((name) => !done.includes(name)) };
}

/**
 * Brings the database up to date; returns whether an update that broke off had left its mark. Requires:
 * this process holds the data folder, so that nobody else can be at it.
 */
export async function migrateDatabase(db: Db): Promise<boolean> {
  const isMarked =
    (await db.schema.hasTable('knex_migrations_lock')) &&
    (await db('knex_migrations_lock').where({ is_locked: 1 }).first()) !== undefined;
  if (isMarked) await db.migrate.forceFreeMigrationsLock();
  await db.migrate.latest({ migrationSource });
  return isMarked;
}

export async function openMemoryDatabase(): Promise<Db> {
  const db = createConnection(':memory:');
  await migrate(db);
  return db;
}

/**
 * Databases that said they are damaged while they were in use; by their configuration, which
 * transactions share.
 */
const damaged = new WeakSet<object>();

/**
 * Once a database has said that it is damaged, nothing more is taken into it until it was looked at.
 * @errors `database_damaged`.
 */
export function refuseDamaged(db: Db): void {
  const config = (db.client as { readonly config: object }).config;
  if (damaged.has(config))
    throw new DataError('database_damaged', 'the database said that it is damaged');
}

interface Preparing {
  prepare: (sql: string) => unknown;
}
const MOST_STATEMENTS = 400;
const READS_OR_WRITES = /^\s*(select|insert|update|delete)\b/i;

/**
 * Keeps prepared statements of a connection: each page asks the same again, and preparing takes longer than
 * most of them run. Whatever else is said to the database may change its tables, and all are let go.
 */
function keepStatements(connection: Preparing): void {
  const prepare = connection.prepare.bind(connection);
  const kept = new Map<string, unknown>();
  connection.prepare = (sql) => {
    if (/^\s*(savepoint|release|begin|commit|rollback)\b/i.test(sql)) return prepare(sql);
    if (!READS_OR_WRITES.test(sql)) {
      kept.clear();
      return prepare(sql);
    }
    const statement = kept.get(sql) ?? prepare(sql);
    // What was asked last is let go last.
    kept.delete(sql);
    kept.set(sql, statement);
    const [oldest] = kept.keys();
    if (kept.size > MOST_STATEMENTS && oldest !== undefined) kept.delete(oldest);
    return statement;
  };
}

function createConnection(filename: string): Db {
  const db = knex({
    client: 'better-sqlite3',
    connection: { filename },
    useNullAsDefault: true,
    // What a client owns does not belong on a console: errors name the statement, not its values.
    compileSqlOnError: false,
    // SQLite has one writer; one connection also keeps an in-memory database alive.
    pool: {
      min: 1,
      max: 1,
      afterCreate: (
        connection: Preparing & { pragma: (text: string) => unknown },
        done: (error?: Error) => void,
      ) => {
        keepStatements(connection);
        connection.pragma('journal_mode = WAL');
        connection.pragma('foreign_keys = ON');
        connection.pragma('busy_timeout = 5000');
        // A decision that was acknowledged is on the disk, even when the plug is pulled.
        connection.pragma('synchronous = FULL');
        done();
      },
    },
  });
  db.on('query-error', (error: { readonly code?: unknown }) => {
    if (/^SQLITE_(CORRUPT|NOTADB)/.test(String(error.code)))
      damaged.add((db.client as { readonly config: object }).config);
  });
  return db;
}

async function migrate(db: Db): Promise<void> {
  await listPendingMigrations(db);
  await db.migrate.latest({ migrationSource });
}
