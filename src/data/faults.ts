import { DataError, type DataErrorCode } from './db';

/** What SQLite and the file system say, by the beginning of their code. Source: sqlite.org/rescode.html. */
const CODES: readonly (readonly [prefix: string, code: DataErrorCode])[] = [
  ['SQLITE_FULL', 'disk_full'],
  ['ENOSPC', 'disk_full'],
  ['EDQUOT', 'disk_full'],
  ['SQLITE_READONLY', 'read_only'],
  ['SQLITE_CANTOPEN', 'read_only'],
  ['SQLITE_PERM', 'read_only'],
  ['EROFS', 'read_only'],
  ['EACCES', 'read_only'],
  ['EPERM', 'read_only'],
  ['SQLITE_CORRUPT', 'database_damaged'],
  ['SQLITE_NOTADB', 'database_damaged'],
  ['SQLITE_IOERR', 'disk_fault'],
  ['EIO', 'disk_fault'],
  ['SQLITE_BUSY', 'database_busy'],
  ['SQLITE_LOCKED', 'database_busy'],
  // What the pool of engines says.
  ['too_many_waiting', 'engines_busy'],
  ['engine_failed', 'engine_failed'],
  // What it belongs to was taken away since.
  ['SQLITE_CONSTRAINT_FOREIGNKEY', 'not_found'],
  ['SQLITE_CONSTRAINT_PRIMARYKEY', 'id_reused'],
  ['SQLITE_CONSTRAINT_UNIQUE', 'id_reused'],
];

/** An error of the outside world as one that screens have words for; undefined where it is a bug of ours. */
export function toDataError(error: unknown): DataError | undefined {
  if (error instanceof DataError) return error;
  // Errors of native parts are not always instances of this realm's Error.
  if (typeof error !== 'object' || error === null) return undefined;
  const said = 'code' in error && typeof error.code === 'string' ? error.code : '';
  const known = CODES.find(([prefix]) => said.startsWith(prefix));
  if (known)
    return new DataError(known[1], `the disk or the database said ${said}`, { cause: error });
  return 'cause' in error ? toDataError(error.cause) : undefined;
}
