import 'server-only';

import { z } from 'zod';

import {
  err,
  ok,
  pictureIdSchema,
  projectIdSchema,
  type Length,
  type PictureId,
  type Result,
} from '@/core/shared';
import { kindSizeSchema, type KindSize } from '@/core/sort';
import { pictureSizes } from '@/data/pictureFiles';
import { type AnyRecord, getRecordKind, recordKinds } from '@/data/records';
import type { JsonFault } from './boundedJson';
import type { ZipFault } from './zipReader';

/** The version that is written; 1 and 2 are read. Documented in docs/formats.md. */
export const VERSION = 3;
export const FORMAT = 'tin-box-project';
export const PROJECT_FILE = 'project.json';
export const DECISIONS_FILE = 'decisions.ndjson';
/** Of versions 1 and 2: one list. */
export const OLD_DECISIONS_FILE = 'decisions.json';

/** What a project's file may hold at most; said before more is read. */
export const LIMITS = {
  zipBytes: 600_000_000,
  unpackedBytes: 1_200_000_000,
  entries: 20_000,
  projectBytes: 50_000_000,
  decisionsBytes: 400_000_000,
  decisionLineBytes: 20_000,
  decisions: 1_000_000,
  records: 300_000,
  json: { maxDepth: 24, maxValues: 3_000_000 },
} as const;

/** One of the files of a picture, with what it must be. */
const packedFileSchema = z.strictObject({
  size: z.enum(pictureSizes),
  bytes: z.number().int().min(1),
  sha256: z.string().regex(/^[0-9a-f]{64}$/),
});
const packedPictureSchema = z.strictObject({
  id: pictureIdSchema,
  files: z.array(packedFileSchema).max(pictureSizes.length),
});
export type PackedPicture = z.infer<typeof packedPictureSchema>;

const manifestSchema = z.strictObject({
  format: z.literal(FORMAT),
  version: z.literal(VERSION),
  exportedAt: z.iso.datetime(),
  /** What stays behind, and why. */
  leftOut: z.array(z.string()).max(20).default([]),
  /** Records by kind. */
  records: z.record(z.string(), z.array(z.unknown())),
  kindSizes: z.array(kindSizeSchema).max(10_000),
  /** Every picture; one whose files were gone when it was packed has none. */
  pictures: z.array(packedPictureSchema),
  decisionCount: z.number().int().min(0),
});
export type Manifest = z.infer<typeof manifestSchema>;

export const pictureFileName = (id: PictureId, size: (typeof pictureSizes)[number]): string =>
  `pictures/${id}${size === 'full' ? '' : `.${size}`}.jpg`;

export type ArchiveError =
  | ZipFault
  | { readonly code: 'file_missing'; readonly file: string }
  | { readonly code: 'file_too_large'; readonly file: string; readonly maxBytes: number }
  | { readonly code: 'newer_version'; readonly version: number }
  | {
      readonly code: 'unreadable';
      readonly file: string;
      readonly path: string;
      readonly message: string;
    }
  | {
      readonly code: 'too_much';
      readonly file: string;
      readonly what: JsonFault['code'] | 'records';
    }
  /** A record belongs to, or names, something that the file does not hold. */
  | { readonly code: 'stray_record'; readonly path: string; readonly id: string }
  | { readonly code: 'picture_damaged'; readonly file: string }
  | { readonly code: 'stopped' };

/** Everything of a file but its decisions and pictures, of whichever version. */
export interface ProjectDocument {
  readonly version: number;
  readonly records: ReadonlyMap<string, readonly AnyRecord[]>;
  readonly kindSizes: readonly KindSize[];
  /** Undefined for versions 1 and 2, which had the original of each alone, without checksums. */
  readonly pictures: readonly PackedPicture[] | undefined;
  readonly missingPictures: ReadonlySet<PictureId>;
  readonly decisionCount: number | undefined;
}

/** Reads `project.json` as it was parsed; every record by its own schema. */
export function readProjectDocument(raw: unknown): Result<ProjectDocument, ArchiveError> {
  const version = z.object({ version: z.number() }).safeParse(raw);
  if (version.success && version.data.version > VERSION)
    return err({ code: 'newer_version', version: version.data.version });
  const isOld = version.success && version.data.version < VERSION;
  const manifest = parse(manifestSchema, isOld ? fromOldVersion(raw) : raw);
  if (!manifest.ok) return manifest;
  const records = readRecords(manifest.value.records);
  if (!records.ok) return records;
  return ok({
    version: isOld ? 2 : VERSION,
    records: records.value,
    kindSizes: manifest.value.kindSizes,
    pictures: isOld ? undefined : manifest.value.pictures,
    missingPictures: new Set(
      manifest.value.pictures.flatMap(({ id, files }) => (files.length === 0 ? [id] : [])),
    ),
    decisionCount: isOld ? undefined : manifest.value.decisionCount,
  });
}

function readRecords(
  raw: Readonly<Record<string, readonly unknown[]>>,
): Result<Map<string, AnyRecord[]>, ArchiveError> {
  const stray = Object.keys(raw).find((name) => recordKinds.every((kind) => kind.name !== name));
  if (stray !== undefined) return unreadable(stray, 'is no kind of record');
  const total = Object.values(raw).reduce((sum, list) => sum + list.length, 0);
  if (total > LIMITS.records) return err({ code: 'too_much', file: PROJECT_FILE, what: 'records' });
  const records = new Map<string, AnyRecord[]>();
  for (const kind of recordKinds) {
    const list: AnyRecord[] = [];
    const ids = new Set<string>();
    for (const [i, each] of (raw[kind.name] ?? []).entries()) {
      const parsed = parse(kind.table.schema, each, `${kind.name}.${i}`);
      if (!parsed.ok) return parsed;
      const { id } = parsed.value;
      const empty = findEmptySize(kind.name, parsed.value);
      if (empty !== undefined) return unreadable(`${kind.name}.${i}.${empty}`, 'is nothing');
      if (ids.has(id)) return unreadable(`${kind.name}.${i}.id`, `the id ${id} occurs twice`);
      ids.add(id);
      list.push(parsed.value);
    }
    records.set(kind.name, list);
  }
  if (records.get('projects')?.length !== 1)
    return unreadable('projects', 'a file holds exactly one project');
  return ok(records);
}

/** A container that is nothing in one direction, which no form and no price list lets in. */
const findEmptySize = (kindName: string, record: AnyRecord): string | undefined =>
  kindName === 'containers'
    ? ['width', 'depth', 'height'].find((side) => (record[side] as Length).mm <= 0)
    : undefined;

const unreadable = (path: string, message: string): Result<never, ArchiveError> =>
  err({ code: 'unreadable', file: PROJECT_FILE, path, message });

function parse<T>(schema: z.ZodType<T>, value: unknown, at = ''): Result<T, ArchiveError> {
  const parsed = schema.safeParse(value);
  if (parsed.success) return ok(parsed.data);
  const issue = parsed.error.issues[0];
  const path = [at, ...(issue?.path ?? [])].filter((step) => step !== '').join('.');
  return unreadable(path, issue?.message ?? 'cannot be read');
}

const anyList = z.array(z.looseObject({ id: z.string().optional() })).default([]);
/** Versions 1 and 2: bays within their units, fits by their bay, a yes beside its priority, one project. */
const oldSchema = z.looseObject({
  exportedAt: z.unknown(),
  project: z.unknown(),
  units: z.array(z.looseObject({ bays: z.array(z.unknown()) })).default([]),
  fits: anyList,
  fitWishes: anyList,
  priorities: anyList,
  approvals: anyList,
  missingPictures: z.array(z.string()).default([]),
});

/** An old file in the shape of the present one. What it is not is left for the schemas to say. */
function fromOldVersion(raw: unknown): unknown {
  const parsed = oldSchema.safeParse(raw);
  if (!parsed.success) return raw;
  const { format, version: _, exportedAt, project, missingPictures, ...lists } = parsed.data;
  const byBay = (list: typeof lists.fits) =>
    list.map(({ bayId, ...rest }) => ({ ...rest, id: bayId }));
  const approved = lists.priorities.flatMap(({ id, roomId, containerId, approvedAt }) =>
    approvedAt && lists.approvals.every((approval) => approval.id !== id)
      ? [{ id, roomId, needId: containerId, lineMinor: null, approvedAt }]
      : [],
  );
  return {
    format,
    version: VERSION,
    exportedAt,
    kindSizes: [],
    decisionCount: 0,
    pictures: missingPictures.map((id) => ({ id, files: [] })),
    records: {
      ...lists,
      projects: [project],
      units: lists.units.map(({ bays: __, ...unit }) => unit),
      bays: lists.units.flatMap(({ bays }) => bays),
      fits: byBay(lists.fits),
      fitWishes: byBay(lists.fitWishes),
      priorities: lists.priorities.map(({ approvedAt: ___, ...entry }) => entry),
      approvals: [...lists.approvals, ...approved],
    },
  };
}

/** The project's own record of a document that was read. */
export function projectOf(document: Pick<ProjectDocument, 'records'>) {
  const kind = getRecordKind('projects');
  const record = document.records.get(kind.name)?.[0];
  return { id: projectIdSchema.parse(record?.id), name: String(record?.name ?? '') };
}

/** Of spots, of things and of receipts. */
export const pictureIdsOf = (records: ReadonlyMap<string, readonly AnyRecord[]>): PictureId[] =>
  recordKinds.flatMap(({ name, fileField }) =>
    fileField === undefined
      ? []
      : (records.get(name) ?? []).flatMap((record) => {
          const id = record[fileField];
          return id === null ? [] : [pictureIdSchema.parse(id)];
        }),
  );
