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

/**
 * Opens the database in `dataDir`, making folder and tables where they are missing.
 * @errors `data_not_writable` · `database_newer` (nothing was touched).
 */
export async function openDatabase(dataDir: string): Promise<Db> {
  try {
    mkdirSync(picturesDir(dataDir), { recursive: true, mode: 0o700 });
    accessSync(dataDir, constants.W_OK);
  } catch (cause) {
    throw new DataError('data_not_writable', `the data folder ${dataDir} cannot be written to`, {
      cause,
    });
  }
  const db = createConnection(databaseFile(dataDir));
  try {
    await migrate(db);
  } catch (error) {
    await db.destroy();
    throw error;
  }
  return db;
}

export async function openMemoryDatabase(): Promise<Db> {
  const db = createConnection(':memory:');
  await migrate(db);
  return db;
}

function createConnection(filename: string): Db {
  return knex({
    client: 'better-sqlite3',
    connection: { filename },
    useNullAsDefault: true,
    // SQLite has one writer; one connection also keeps an in-memory database alive.
    pool: {
      min: 1,
      max: 1,
      afterCreate: (
        connection: { pragma: (text: string) => unknown },
        done: (error?: Error) => void,
      ) => {
        connection.pragma('journal_mode = WAL');
        connection.pragma('foreign_keys = ON');
        connection.pragma('busy_timeout = 5000');
        // A decision that was acknowledged is on the disk, even when the plug is pulled.
        connection.pragma('synchronous = FULL');
        done();
      },
    },
  });
}

async function migrate(db: Db): Promise<void> {
  if (await db.schema.hasTable('knex_migrations')) {
    const rows: readonly { name: string }[] = await db('knex_migrations').select('name');
    const unknown = rows.map(({ name }) => name).filter((name) => !migrationNames.includes(name));
    if (unknown.length > 0) {
      throw new DataError(
        'database_newer',
        `the database is from a newer version of Tin Box (${unknown.join(', ')})`,
      );
    }
  }
  await db.migrate.latest({ migrationSource });
}

/** One handle a process, kept across hot reloads. */
const globalHandle = globalThis as typeof globalThis & { tinboxDatabase?: Promise<Db> };

export function getDatabase(): Promise<Db> {
  globalHandle.tinboxDatabase ??= openDatabase(dataDirOf(process.env)).catch((error: unknown) => {
    // A failed opening must not be remembered: the folder may be mended without a restart.
    delete globalHandle.tinboxDatabase;
    throw error;
  });
  return globalHandle.tinboxDatabase;
}
