import { z } from 'zod';

/** One file of a backup, kept once for all backups under its checksum. */
const backedUpPictureSchema = z.strictObject({
  name: z.string().regex(/^[A-Za-z0-9][A-Za-z0-9_-]{0,63}(\.original|\.thumb)?\.jpg$/),
  bytes: z.number().int().min(0),
  sha256: z.string().regex(/^[0-9a-f]{64}$/),
  /** When the file was last written, in ms: an unchanged one need not be read again. */
  writtenMs: z.number(),
});
export type BackedUpPicture = z.infer<typeof backedUpPictureSchema>;

/** What a backup holds; `backup.json` in its folder. */
export const backupManifestSchema = z.strictObject({
  format: z.literal('tin-box-backup'),
  version: z.literal(1),
  madeAt: z.iso.datetime(),
  database: z.strictObject({ bytes: z.number().int(), sha256: z.string() }),
  pictures: z.array(backedUpPictureSchema),
  /** The homes in it, by id alone: a backup's list must not tell names. */
  homeIds: z.array(z.string()),
  decisionCount: z.number().int(),
  /** Pictures whose files were gone already. */
  missing: z.array(z.string()),
});
export type BackupManifest = z.infer<typeof backupManifestSchema>;

export const MANIFEST_FILE = 'backup.json';
export const DATABASE_FILE = 'tinbox.sqlite';
/** Beside the backups, shared by all of them. */
export const PICTURES_FOLDER = 'pictures';
/** A backup's folder: its day and time, `tin-box-2026-11-29-143205`. */
export const BACKUP_PREFIX = 'tin-box-';
