import 'server-only';

import { createHash, randomUUID } from 'node:crypto';
import { mkdir, rm } from 'node:fs/promises';
import path from 'node:path';
import { createInterface } from 'node:readline';

import {
  err,
  ok,
  projectIdSchema,
  type PictureId,
  type ProjectId,
  type Result,
} from '@/core/shared';
import { decisionEventSchema, type DecisionEvent } from '@/core/sort';
import { insertMissingKindSizes } from '@/data/countRepo';
import { DataError, type Db } from '@/data/db';
import { appendDecisions } from '@/data/decisionLog';
import { stagePictureFiles, type PictureBytes, type StagedPicture } from '@/data/pictureFiles';
import {
  type AnyRecord,
  findOwnedByAny,
  findProject,
  insertIfMissing,
  insertRecord,
  isShared,
  recordKinds,
} from '@/data/records';
import { encodePicture } from '../look/encodePicture';
import { isBareJpeg } from './bareJpeg';
import { parseBoundedJson } from './boundedJson';
import { createIdMap, type IdMap } from './freshIds';
import {
  DECISIONS_FILE,
  LIMITS,
  OLD_DECISIONS_FILE,
  pictureFileName,
  pictureIdsOf,
  PROJECT_FILE,
  projectOf,
  readProjectDocument,
  type ArchiveError,
  type PackedPicture,
  type ProjectDocument,
} from './projectFile';
import { ZipReader } from './zipReader';

/** What is being done with a file that comes in, for whoever waits for it. */
interface ImportProgress {
  readonly stage: 'checking' | 'pictures' | 'keeping';
  readonly done: number;
  readonly of: number;
}
interface ImportMeans {
  readonly signal?: AbortSignal;
  readonly onProgress?: (progress: ImportProgress) => void;
}

/** Carries a fault out of the middle of things; caught once, where a project comes in. */
class ImportFault extends Error {
  constructor(readonly fault: ArchiveError) {
    super(fault.code);
  }
}

/**
 * Brings a packed project in, as a whole or not at all: everything is read and checked first, then
 * kept in one transaction whose last act moves the pictures into place. Where anything of it is here
 * already, it comes in beside that under fresh ids throughout. Pictures whose bytes are as Tin Box
 * wrote them stay as they are; any others are encoded anew, like any that is uploaded.
 */
export async function importProject(
  db: Db,
  dataDir: string,
  zipFile: string,
  means: ImportMeans = {},
): Promise<Result<ProjectId, ArchiveError>> {
  const zip = await ZipReader.open(zipFile, {
    maxEntries: LIMITS.entries,
    maxUnpackedBytes: LIMITS.unpackedBytes,
  });
  if (!zip.ok) return zip;
  const folder = path.join(/*turbopackIgnore: true*/ dataDir, 'incoming', randomUUID());
  try {
    await mkdir(folder, { recursive: true, mode: 0o700 });
    return ok(await bringIn(db, dataDir, { zip: zip.value, folder, means }));
  } catch (error) {
    if (error instanceof ImportFault) return err(error.fault);
    throw error;
  } finally {
    zip.value.close();
    await rm(folder, { recursive: true, force: true });
  }
}

interface Incoming {
  readonly zip: ZipReader;
  /** Where pictures lie until the rest of the file counts. */
  readonly folder: string;
  readonly means: ImportMeans;
}

async function bringIn(db: Db, dataDir: string, incoming: Incoming): Promise<ProjectId> {
  const document = await readDocument(incoming.zip);
  await refuseStrays(db, document);
  const decisionCount = await checkDecisions(document, incoming);
  const ids = await createIdMap(db, dataDir, document);
  const pictures = await stagePictures(document, incoming);
  tell(incoming.means, { stage: 'keeping', done: 0, of: decisionCount });
  const { id: oldId, name } = projectOf(document);
  const isTaken = (await findProject(db, oldId)) !== undefined;
  try {
    return await db.transaction(async (trx) => {
      const projectId = await insertRecords(trx, document, {
        ids,
        name: isTaken ? `${name} (copy)`.slice(0, 80) : name,
      });
      await insertMissingKindSizes(trx, document.kindSizes);
      await insertDecisions(trx, projectId, { document, ids, incoming, decisionCount });
      for (const { id, staged } of pictures) await staged.place(dataDir, ids.file(id) as PictureId);
      return projectId;
    });
  } catch (error) {
    for (const { staged } of pictures) await staged.discard();
    throw error;
  }
}

function tell({ signal, onProgress }: ImportMeans, progress: ImportProgress): void {
  if (signal?.aborted) throw new ImportFault({ code: 'stopped' });
  onProgress?.(progress);
}

async function readDocument(zip: ZipReader): Promise<ProjectDocument> {
  const raw = await readJsonFile(zip, PROJECT_FILE, LIMITS.projectBytes);
  return unwrap(readProjectDocument(raw));
}

function unwrap<T>(result: Result<T, ArchiveError>): T {
  if (!result.ok) throw new ImportFault(result.error);
  return result.value;
}

async function readJsonFile(zip: ZipReader, file: string, maxBytes: number): Promise<unknown> {
  const size = zip.sizeOf(file);
  if (size === undefined) throw new ImportFault({ code: 'file_missing', file });
  if (size > maxBytes) throw new ImportFault({ code: 'file_too_large', file, maxBytes });
  const bytes = await readDamaged(file, () => zip.read(file));
  const parsed = parseBoundedJson(bytes, LIMITS.json);
  if (parsed.ok) return parsed.value;
  const { error } = parsed;
  throw new ImportFault(
    error.code === 'not_json'
      ? { code: 'unreadable', file, path: '', message: error.message }
      : { code: 'too_much', file, what: error.code },
  );
}

/** A file of the zip whose checksum or packing is broken is named. */
async function readDamaged<T>(file: string, read: () => Promise<T>): Promise<T> {
  try {
    return await read();
  } catch (error) {
    if (error instanceof ImportFault) throw error;
    const message = error instanceof Error ? error.message : 'damaged';
    throw new ImportFault({ code: 'unreadable', file, path: '', message });
  }
}

/** Every record belongs to one of the file: nothing can be put into a home that is here. */
async function refuseStrays(db: Db, { records }: ProjectDocument): Promise<void> {
  const idsOf = (name: string) => new Set((records.get(name) ?? []).map(({ id }) => id));
  for (const kind of recordKinds) {
    if (!kind.parent) continue;
    const { field } = kind.parent;
    const parents = idsOf(kind.parent.kind);
    for (const [i, record] of (records.get(kind.name) ?? []).entries()) {
      if (isShared(kind, record)) continue;
      const parentId = String(record[field]);
      if (parents.has(parentId)) continue;
      throw new ImportFault({
        code: 'stray_record',
        path: `${kind.name}.${i}.${field}`,
        id: parentId,
      });
    }
  }
  // Called shared in the file, another home's here.
  for (const kind of recordKinds.filter(({ shared }) => shared === 'without_parent')) {
    const list = records.get(kind.name) ?? [];
    const shared = list.filter((record) => isShared(kind, record));
    const [owned] = await findOwnedByAny(
      db,
      kind,
      shared.map(({ id }) => id),
    );
    if (owned === undefined) continue;
    const i = list.findIndex(({ id }) => id === owned);
    throw new ImportFault({ code: 'stray_record', path: `${kind.name}.${i}.id`, id: owned });
  }
}

/** Every event of the file, each parsed; a file of millions holds one line at a time. */
async function* readDecisions(
  document: ProjectDocument,
  { zip }: Incoming,
): AsyncGenerator<DecisionEvent> {
  if (document.version < 3) {
    const list = await readJsonFile(zip, OLD_DECISIONS_FILE, LIMITS.projectBytes);
    if (!Array.isArray(list))
      throw new ImportFault({
        code: 'unreadable',
        file: OLD_DECISIONS_FILE,
        path: '',
        message: 'is no list',
      });
    for (const [i, event] of list.entries()) yield parseEvent(event, OLD_DECISIONS_FILE, i);
    return;
  }
  const size = zip.sizeOf(DECISIONS_FILE);
  if (size === undefined) throw new ImportFault({ code: 'file_missing', file: DECISIONS_FILE });
  if (size > LIMITS.decisionsBytes)
    throw new ImportFault({
      code: 'file_too_large',
      file: DECISIONS_FILE,
      maxBytes: LIMITS.decisionsBytes,
    });
  const input = await zip.stream(DECISIONS_FILE);
  let count = 0;
  for await (const line of createInterface({ input, crlfDelay: Infinity })) {
    if (line === '') continue;
    const path = `line ${count + 1}`;
    if (line.length > LIMITS.decisionLineBytes)
      throw new ImportFault({
        code: 'unreadable',
        file: DECISIONS_FILE,
        path,
        message: 'is too long',
      });
    if (count >= LIMITS.decisions)
      throw new ImportFault({ code: 'too_much', file: DECISIONS_FILE, what: 'records' });
    yield parseEvent(parseLine(line), DECISIONS_FILE, count);
    count += 1;
  }
}

function parseLine(line: string): unknown {
  try {
    return JSON.parse(line) as unknown;
  } catch {
    return undefined;
  }
}

function parseEvent(raw: unknown, file: string, index: number): DecisionEvent {
  const parsed = decisionEventSchema.safeParse(raw);
  if (parsed.success) return parsed.data;
  const issue = parsed.error.issues[0];
  throw new ImportFault({
    code: 'unreadable',
    file,
    path: [index + 1, ...(issue?.path ?? [])].join('.'),
    message: issue?.message ?? 'cannot be read',
  });
}

/** Reads the whole log once without keeping it. Returns how long it is. */
async function checkDecisions(document: ProjectDocument, incoming: Incoming): Promise<number> {
  const rooms = new Set((document.records.get('rooms') ?? []).map(({ id }) => id));
  let count = 0;
  for await (const event of readDecisions(document, incoming)) {
    if (event.kind === 'decided' && !rooms.has(event.roomId))
      throw new ImportFault({
        code: 'stray_record',
        path: `decisions.${count + 1}.roomId`,
        id: event.roomId,
      });
    count += 1;
    if (count % 1000 === 0)
      tell(incoming.means, { stage: 'checking', done: count, of: document.decisionCount ?? count });
  }
  if (document.decisionCount !== undefined && document.decisionCount !== count)
    throw new ImportFault({
      code: 'unreadable',
      file: DECISIONS_FILE,
      path: '',
      message: `holds ${count} of ${document.decisionCount} decisions`,
    });
  return count;
}

interface StagedImport {
  readonly id: PictureId;
  readonly staged: StagedPicture;
}

/** Checks and writes every picture beside the home's own, where they wait for the rest. */
async function stagePictures(
  document: ProjectDocument,
  { zip, folder, means }: Incoming,
): Promise<StagedImport[]> {
  const packed = new Map(document.pictures?.map((picture) => [picture.id, picture]));
  const pictureIds = [...new Set(pictureIdsOf(document.records))];
  const staged: StagedImport[] = [];
  for (const [i, id] of pictureIds.entries()) {
    tell(means, { stage: 'pictures', done: i, of: pictureIds.length });
    if (document.missingPictures.has(id)) continue;
    const bytes = await readPicture(zip, id, packed.get(id));
    staged.push({ id, staged: await stagePictureFiles(folder, bytes) });
  }
  return staged;
}

async function readPicture(
  zip: ZipReader,
  id: PictureId,
  packed: PackedPicture | undefined,
): Promise<PictureBytes> {
  const kept = packed && (await readAsTheyAre(zip, packed));
  if (kept) return kept;
  const largest = packed?.files.some(({ size }) => size === 'original') ? 'original' : 'full';
  const file = pictureFileName(id, largest);
  if (zip.sizeOf(file) === undefined) throw new ImportFault({ code: 'file_missing', file });
  const encoded = await encodePicture(await readDamaged(file, () => zip.read(file)));
  if (!encoded.ok) throw new ImportFault({ code: 'picture_damaged', file });
  return encoded.value;
}

/** The files as they were packed, bit for bit, where every one is whole and nothing but a picture. */
async function readAsTheyAre(
  zip: ZipReader,
  packed: PackedPicture,
): Promise<PictureBytes | undefined> {
  const bytes: { original?: Buffer; full?: Buffer; thumb?: Buffer } = {};
  for (const { size, sha256 } of packed.files) {
    const file = pictureFileName(packed.id, size);
    if (zip.sizeOf(file) === undefined) throw new ImportFault({ code: 'file_missing', file });
    const read = await readDamaged(file, () => zip.read(file));
    const isAsPacked = createHash('sha256').update(read).digest('hex') === sha256;
    if (!isAsPacked || !isBareJpeg(read)) return undefined;
    bytes[size] = read;
  }
  const { original, full, thumb } = bytes;
  return full && thumb ? { original, full, thumb } : undefined;
}

/** Returns the id under which the project came in. */
async function insertRecords(
  trx: Db,
  { records }: ProjectDocument,
  { ids, name }: { readonly ids: IdMap; readonly name: string },
): Promise<ProjectId> {
  let projectId: string | undefined;
  for (const kind of recordKinds) {
    for (const [i, before] of (records.get(kind.name) ?? []).entries()) {
      let record: AnyRecord = ids.record(kind.name, before);
      if (kind.name === 'projects') {
        projectId = record.id;
        record = { ...record, name };
      }
      try {
        if (isShared(kind, record)) await insertIfMissing(trx, kind, record);
        else await insertRecord(trx, kind, record);
      } catch (error) {
        throw constraintFault(error, { path: `${kind.name}.${i}`, id: before.id });
      }
    }
  }
  return projectIdSchema.parse(projectId);
}

/** It names what is not there; anything else is no fault of the file. */
function constraintFault(
  error: unknown,
  at: { readonly path: string; readonly id: string },
): unknown {
  const code =
    typeof error === 'object' && error !== null && 'code' in error ? String(error.code) : '';
  return code.startsWith('SQLITE_CONSTRAINT')
    ? new ImportFault({ code: 'stray_record', ...at })
    : error;
}

const EVENTS_AT_ONCE = 500;

async function insertDecisions(
  trx: Db,
  projectId: ProjectId,
  {
    document,
    ids,
    incoming,
    decisionCount,
  }: {
    readonly document: ProjectDocument;
    readonly ids: IdMap;
    readonly incoming: Incoming;
    readonly decisionCount: number;
  },
): Promise<void> {
  let some: DecisionEvent[] = [];
  let done = 0;
  const append = async () => {
    try {
      await appendDecisions(trx, projectId, some);
    } catch (error) {
      if (!(error instanceof DataError)) throw error;
      throw new ImportFault({
        code: 'unreadable',
        file: DECISIONS_FILE,
        path: '',
        message: error.message,
      });
    }
    done += some.length;
    some = [];
    tell(incoming.means, { stage: 'keeping', done, of: decisionCount });
  };
  for await (const event of readDecisions(document, incoming)) {
    some.push(ids.event(event));
    if (some.length >= EVENTS_AT_ONCE) await append();
  }
  if (some.length > 0) await append();
}
