import 'server-only';

import { createHash } from 'node:crypto';
import { createReadStream } from 'node:fs';
import { stat } from 'node:fs/promises';
import { Readable, Transform } from 'node:stream';
import yazl from 'yazl';

import type { ProjectId } from '@/core/shared';
import { findKindId, ownKindsOf, type KindSize } from '@/core/sort';
import { listKindSizes } from '@/data/countRepo';
import { DataError, type Db } from '@/data/db';
import { countDecisions, listDecisionsAfter, listThingNames } from '@/data/decisionLog';
import { listIds } from '@/data/idPaths';
import { pictureFileOf, pictureSizes } from '@/data/pictureFiles';
import {
  type AnyRecord,
  findProject,
  getRecordKind,
  isAlwaysShared,
  isShared,
  listEvery,
  listOwned,
  recordKinds,
} from '@/data/records';
import { nowIso } from '../means';
import {
  DECISIONS_FILE,
  FORMAT,
  pictureFileName,
  pictureIdsOf,
  PROJECT_FILE,
  VERSION,
  type Manifest,
  type PackedPicture,
} from './projectFile';

/** Why undo does not travel: said in the file itself. */
const LEFT_OUT = [
  'What was changed and can be undone or done again stays on this machine: it still holds what ' +
    'was removed, and a file that is handed on must not. Decisions that were taken back are in ' +
    'the log and can be brought back.',
];
const AT_ONCE = 500;

/**
 * Packs a project as it stands: records, decisions, pictures as they lie on the disk. A stream that
 * holds one picture's piece and some hundred decisions at a time, whatever the home's size.
 * @errors `not_found`. What breaks later ends the stream with an error, and the zip without its end.
 */
export async function exportProject(
  db: Db,
  dataDir: string,
  projectId: ProjectId,
): Promise<Readable> {
  if (!(await findProject(db, projectId)))
    throw new DataError('not_found', `there is no project ${projectId}`);
  const zip = new yazl.ZipFile();
  const out = new Transform({ transform: (chunk, _, done) => done(null, chunk) });
  zip.outputStream.on('error', (error) => out.destroy(error as Error)).pipe(out);
  zip.on('error', (error) => out.destroy(error as Error));
  // As it stands at one moment.
  const [records, log] = await db.transaction(async (trx) => [
    await loadRecords(trx, projectId),
    await countDecisions(trx, projectId),
  ]);
  addDecisions(zip, { db, projectId, lastSeq: log.lastSeq });
  const pictures = await addPictures(zip, dataDir, records);
  const kindSizes = await listUsedSizes(db, projectId);
  // Last, for only then the checksums of what lies before it are known.
  zip.addReadStreamLazy(PROJECT_FILE, (done) => {
    const manifest: Manifest = {
      format: FORMAT,
      version: VERSION,
      exportedAt: nowIso(),
      leftOut: LEFT_OUT,
      records: Object.fromEntries([...records].map(([name, list]) => [name, [...list]])),
      kindSizes: [...kindSizes],
      pictures: pictures.map(({ id, files }) => ({ id, files: [...files] })),
      decisionCount: log.count,
    };
    done(null, Readable.from([JSON.stringify(manifest, null, 1)]));
  });
  zip.end();
  return out;
}

/** The project's records, and of the price list what they name: enough to read it anywhere. */
async function loadRecords(db: Db, projectId: ProjectId): Promise<Map<string, AnyRecord[]>> {
  const records = new Map<string, AnyRecord[]>();
  const named = new Map<string, Set<string>>();
  for (const kind of recordKinds) {
    if (isAlwaysShared(kind)) continue;
    const list = await listOwned(db, kind, projectId);
    records.set(kind.name, list);
    for (const record of list)
      for (const { target, id } of listIds(record, kind.ids))
        for (const name of target.split('|'))
          named.set(name, (named.get(name) ?? new Set()).add(id));
  }
  const containers = await readShared(db, 'containers', named.get('containers') ?? new Set());
  const own = records.get('containers') ?? [];
  records.set('containers', [...own, ...containers]);
  const containerIds = new Set([...own, ...containers].map(({ id }) => id));
  const offers = (await readShared(db, 'offers')).filter(({ containerId }) =>
    containerIds.has(String(containerId)),
  );
  const shopIds = new Set([
    ...(named.get('shops') ?? []),
    ...offers.map(({ shopId }) => String(shopId)),
  ]);
  records.set('shops', await readShared(db, 'shops', shopIds));
  records.set('offers', offers);
  return records;
}

/** Of what every home shares, all or some. */
async function readShared(db: Db, name: string, ids?: ReadonlySet<string>): Promise<AnyRecord[]> {
  const kind = getRecordKind(name);
  return (await listEvery(db, kind)).filter(
    (record) => isShared(kind, record) && (ids?.has(record.id) ?? true),
  );
}

/** One line an event, read in pieces as the zip asks for them; what is decided meanwhile is not in it. */
function addDecisions(
  zip: yazl.ZipFile,
  {
    db,
    projectId,
    lastSeq,
  }: { readonly db: Db; readonly projectId: ProjectId; readonly lastSeq: number },
): void {
  async function* lines() {
    for (let after = 0; after < lastSeq;) {
      const some = await listDecisionsAfter(db, projectId, after, AT_ONCE);
      const until = some.filter(({ seq }) => seq <= lastSeq);
      if (until.length === 0) return;
      yield until.map(({ event }) => `${JSON.stringify(event)}\n`).join('');
      after = until.at(-1)?.seq ?? lastSeq;
    }
  }
  zip.addReadStreamLazy(DECISIONS_FILE, (done) => done(null, Readable.from(lines())));
}

/** Every picture's files as they lie on the disk; the checksums are filled in as they go by. */
async function addPictures(
  zip: yazl.ZipFile,
  dataDir: string,
  records: ReadonlyMap<string, readonly AnyRecord[]>,
): Promise<PackedPicture[]> {
  const pictures: PackedPicture[] = [];
  for (const id of pictureIdsOf(records)) {
    const picture: PackedPicture = { id, files: [] };
    pictures.push(picture);
    for (const size of pictureSizes) {
      const file = pictureFileOf(dataDir, id, size);
      const facts = await stat(file).catch(() => undefined);
      if (!facts || facts.size === 0) continue;
      const packed = { size, bytes: facts.size, sha256: '' };
      picture.files.push(packed);
      // Pictures are packed already; to try it again would only take time.
      zip.addReadStreamLazy(pictureFileName(id, size), { compress: false }, (done) => {
        const hash = createHash('sha256');
        const summing = new Transform({
          transform: (chunk: Buffer, _, next) => {
            hash.update(chunk);
            next(null, chunk);
          },
          flush: (next) => {
            packed.sha256 = hash.digest('hex');
            next();
          },
        });
        const source = createReadStream(file);
        source.on('error', (error) => summing.destroy(error));
        done(null, source.pipe(summing));
      });
    }
  }
  return pictures;
}

/** The organizer's corrected sizes of what the home holds. */
async function listUsedSizes(db: Db, projectId: ProjectId): Promise<KindSize[]> {
  const sizes = await listKindSizes(db);
  if (sizes.length === 0) return [];
  const own = ownKindsOf(sizes);
  const used = new Set((await listThingNames(db, projectId)).map((name) => findKindId(name, own)));
  return sizes.filter(({ id }) => used.has(id));
}
