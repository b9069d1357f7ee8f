import 'server-only';

import { strFromU8, strToU8, unzipSync, zipSync, type Zippable } from 'fflate';
import { z } from 'zod';

import { agreementSchema, personSchema, projectSchema, sectionSchema } from '@/core/agree';
import { enoughRuleSchema } from '@/core/count';
import { containerProductSchema, fitWishesSchema, takenFitSchema } from '@/core/fit';
import { draftSchema, moveListSchema } from '@/core/place';
import {
  fixtureSchema,
  pictureSchema,
  roomSchema,
  thingPictureSchema,
  unitSchema,
  vantagePointSchema,
} from '@/core/look';
import {
  containerIdSchema,
  err,
  ok,
  pictureIdSchema,
  projectIdSchema,
  roomIdSchema,
  type PictureId,
  type ProjectId,
  type Result,
} from '@/core/shared';
import {
  approvalSchema,
  giftCardSchema,
  handNeedSchema,
  materialsSchema,
  offerSchema,
  prioritySchema,
  purchaseSchema,
  receiptSchema,
  shopSchema,
} from '@/core/shop';
import {
  carrySchema,
  decisionEventSchema,
  groupSchema,
  ownMethodSchema,
  sessionSchema,
} from '@/core/sort';
import type { Db } from '@/data/db';
import { appendDecisions, listDecisions } from '@/data/decisionLog';
import { listOffers, listShops } from '@/data/catalogueRepo';
import {
  enoughRuleTable,
  listEnoughRules,
  listThingPictures,
  thingPictureTable,
} from '@/data/countRepo';
import { findProject, getProjectRecords } from '@/data/projectRepo';
import { carryTable, listSessionRecords, ownMethodTable, sessionTable } from '@/data/sessionRepo';
import {
  agreementTable,
  approvalTable,
  bayTable,
  containerTable,
  draftTable,
  fitTable,
  fitWishesTable,
  fixtureTable,
  giftCardTable,
  groupTable,
  handNeedTable,
  materialsTable,
  moveListTable,
  needPriorityTable,
  offerTable,
  personTable,
  pictureTable,
  projectTable,
  purchaseTable,
  receiptTable,
  roomTable,
  sectionTable,
  shopTable,
  unitTable,
  vantagePointTable,
} from '@/data/tables';
import type { Table } from '@/data/columns';
import { findPictureFile, keepPictureFiles } from '@/data/pictureFiles';
import { encodePicture, type Encoded } from '../look/encodePicture';
import { createId, nowIso } from '../means';

/** The open format of a whole project; documented in docs/formats.md. */
const archiveSchema = z.strictObject({
  format: z.literal('tin-box-project'),
  version: z.union([z.literal(1), z.literal(2)]),
  exportedAt: z.iso.datetime(),
  project: projectSchema,
  people: z.array(personSchema),
  rooms: z.array(roomSchema),
  units: z.array(unitSchema),
  // What came with version 2; a file of version 1 has none.
  fixtures: z.array(fixtureSchema).default([]),
  sections: z.array(sectionSchema).default([]),
  agreements: z.array(agreementSchema).default([]),
  sessions: z.array(sessionSchema).default([]),
  carries: z.array(carrySchema).default([]),
  ownMethods: z.array(ownMethodSchema).default([]),
  enoughRules: z.array(enoughRuleSchema).default([]),
  thingPictures: z.array(thingPictureSchema).default([]),
  vantagePoints: z.array(vantagePointSchema),
  pictures: z.array(pictureSchema),
  groups: z.array(groupSchema),
  drafts: z.array(draftSchema).default([]),
  moveLists: z.array(moveListSchema).default([]),
  fits: z.array(takenFitSchema),
  fitWishes: z.array(fitWishesSchema).default([]),
  containers: z.array(containerProductSchema),
  shops: z.array(shopSchema),
  offers: z.array(offerSchema),
  purchases: z.array(purchaseSchema),
  materials: z.array(materialsSchema).default([]),
  priorities: z.array(
    z.object({
      id: z.string(),
      roomId: roomIdSchema,
      containerId: containerIdSchema,
      priority: prioritySchema,
      approvedAt: z.iso.datetime().nullable().optional(),
    }),
  ),
  approvals: z.array(approvalSchema).default([]),
  receipts: z.array(receiptSchema).default([]),
  handNeeds: z.array(handNeedSchema).default([]),
  giftCards: z.array(giftCardSchema).default([]),
  /** Pictures whose files were gone when the project was packed. */
  missingPictures: z.array(pictureIdSchema).default([]),
});
type Archive = z.infer<typeof archiveSchema>;
const decisionsSchema = z.array(decisionEventSchema);

const MAX_ZIP_BYTES = 600_000_000;
const MAX_UNPACKED_BYTES = 1_200_000_000;
/** The version that is written; older ones are read. */
const VERSION = 2;
const PROJECT_FILE = 'project.json';
const DECISIONS_FILE = 'decisions.json';

/** Packs a project: `project.json`, `decisions.json` and `pictures/<id>.jpg`. @errors `not_found`. */
export async function exportProject(
  db: Db,
  dataDir: string,
  projectId: ProjectId,
): Promise<Uint8Array> {
  const { rooms, fits, containers, priorities, ...records } = await getProjectRecords(
    db,
    projectId,
  );
  // The household's own, and of the catalogue what its fits stand on: enough to read it anywhere.
  const usedIds = new Set(
    fits.flatMap((fit) => fit.answer.placements.map((placement) => placement.containerId)),
  );
  const kept = containers.filter(({ id, projectId: owner }) => owner !== null || usedIds.has(id));
  const offers = (await listOffers(db)).filter((offer) =>
    kept.some(({ id }) => id === offer.containerId),
  );
  const archive: Archive = {
    format: 'tin-box-project',
    version: VERSION,
    exportedAt: nowIso(),
    project: records.project,
    people: [...records.people],
    rooms: [...rooms],
    units: records.units.map((unit) => ({ ...unit, bays: [...unit.bays] })) as Archive['units'],
    fixtures: [...records.fixtures],
    sections: [...records.sections] as Archive['sections'],
    agreements: [...records.agreements] as Archive['agreements'],
    ...((await listSessionRecords(
      db,
      projectId,
      rooms.map(({ id }) => id),
    )) as Pick<Archive, 'sessions' | 'carries' | 'ownMethods'>),
    enoughRules: (await listEnoughRules(db, projectId)) as Archive['enoughRules'],
    thingPictures: await listThingPictures(db, projectId),
    vantagePoints: [...records.vantagePoints],
    pictures: [...records.pictures],
    groups: [...records.groups],
    drafts: [...records.drafts] as Archive['drafts'],
    moveLists: [...records.moveLists] as Archive['moveLists'],
    fits: [...fits] as Archive['fits'],
    containers: kept,
    shops: (await listShops(db)).filter((shop) => offers.some(({ shopId }) => shopId === shop.id)),
    offers,
    purchases: [...records.purchases],
    materials: [...records.materials] as Archive['materials'],
    priorities: priorities.map((entry) => ({ ...entry })) as Archive['priorities'],
    fitWishes: [...records.fitWishes] as Archive['fitWishes'],
    handNeeds: [...records.handNeeds],
    giftCards: [...records.giftCards],
    missingPictures: [],
    approvals: [...records.approvals],
    receipts: [...records.receipts],
  };
  const files: Zippable = {};
  for (const id of pictureIdsOf(archive)) {
    const bytes = await findPictureFile(dataDir, id, 'original');
    // Pictures are packed already; level 0 saves the time. One whose file is gone stops nothing.
    if (bytes) files[`pictures/${id}.jpg`] = [new Uint8Array(bytes), { level: 0 }];
    else archive.missingPictures.push(id);
  }
  files[PROJECT_FILE] = strToU8(JSON.stringify(archive, null, 1));
  files[DECISIONS_FILE] = strToU8(JSON.stringify(await listDecisions(db, projectId), null, 1));
  return zipSync(files, { level: 6 });
}

/** Of spots, of things and of receipts. */
const pictureIdsOf = ({
  pictures,
  thingPictures,
  receipts,
}: Pick<Archive, 'pictures' | 'thingPictures' | 'receipts'>): PictureId[] => [
  ...pictures.map(({ id }) => id),
  ...thingPictures.map(({ id }) => id),
  ...receipts.flatMap(({ pictureId }) => pictureId ?? []),
];

export type ArchiveError =
  | { readonly code: 'not_a_zip' }
  | { readonly code: 'zip_too_large'; readonly maxBytes: number }
  | { readonly code: 'file_missing'; readonly file: string }
  | { readonly code: 'newer_version'; readonly version: number }
  | {
      readonly code: 'unreadable';
      readonly file: string;
      readonly path: string;
      readonly message: string;
    }
  | { readonly code: 'picture_damaged'; readonly file: string };

/**
 * Brings a packed project in as a whole or not at all. Where its id is taken here, it comes in as a
 * copy with fresh ids throughout. Pictures are encoded anew, like any that is uploaded.
 */
export async function importProject(
  db: Db,
  dataDir: string,
  zip: Uint8Array,
): Promise<Result<ProjectId, ArchiveError>> {
  const files = unpack(zip);
  if (!files.ok) return files;
  const read = readDocuments(files.value);
  if (!read.ok) return read;
  const isTaken = (await findProject(db, read.value.archive.project.id)) !== undefined;
  const { archive, decisions, idOf } = isTaken
    ? withFreshIds(read.value)
    : { ...read.value, idOf: (id: string) => id };
  const pictures: { id: PictureId; encoded: Encoded }[] = [];
  for (const oldId of pictureIdsOf(read.value.archive)) {
    const file = `pictures/${oldId}.jpg`;
    const bytes = files.value[file];
    // Packed without its file, it comes in without it; the app says so where it should be.
    if (!bytes && read.value.archive.missingPictures.includes(oldId)) continue;
    if (!bytes) return err({ code: 'file_missing', file });
    const encoded = await encodePicture(bytes);
    if (!encoded.ok) return err({ code: 'picture_damaged', file });
    pictures.push({ id: pictureIdSchema.parse(idOf(oldId)), encoded: encoded.value });
  }
  for (const { id, encoded } of pictures)
    await keepPictureFiles(dataDir, { id, bytes: encoded }, (place) => place());
  await db.transaction(async (trx) => {
    await insertRecords(trx, archive);
    await appendDecisions(trx, archive.project.id, decisions);
  });
  return ok(archive.project.id);
}

function unpack(zip: Uint8Array): Result<Readonly<Record<string, Uint8Array>>, ArchiveError> {
  if (zip.byteLength > MAX_ZIP_BYTES)
    return err({ code: 'zip_too_large', maxBytes: MAX_ZIP_BYTES });
  let unpackedBytes = 0;
  try {
    const files = unzipSync(zip, {
      filter: ({ name, originalSize }) => {
        const isOurs =
          name === PROJECT_FILE ||
          name === DECISIONS_FILE ||
          /^pictures\/[A-Za-z0-9_-]+\.jpg$/.test(name);
        if (isOurs) unpackedBytes += originalSize;
        // What would unpack to more than the limit is not unpacked at all.
        return isOurs && unpackedBytes <= MAX_UNPACKED_BYTES;
      },
    });
    return unpackedBytes > MAX_UNPACKED_BYTES
      ? err({ code: 'zip_too_large', maxBytes: MAX_UNPACKED_BYTES })
      : ok(files);
  } catch {
    return err({ code: 'not_a_zip' });
  }
}

interface Documents {
  readonly archive: Archive;
  readonly decisions: z.infer<typeof decisionsSchema>;
}

function readDocuments(
  files: Readonly<Record<string, Uint8Array>>,
): Result<Documents, ArchiveError> {
  const project = readJson(files, PROJECT_FILE);
  if (!project.ok) return project;
  const version = z.object({ version: z.number() }).safeParse(project.value);
  if (version.success && version.data.version > VERSION)
    return err({ code: 'newer_version', version: version.data.version });
  const archive = parseWith(archiveSchema, project.value, PROJECT_FILE);
  if (!archive.ok) return archive;
  const whole = withApprovals(archive.value);
  const log = readJson(files, DECISIONS_FILE);
  if (!log.ok) return log;
  const decisions = parseWith(decisionsSchema, log.value, DECISIONS_FILE);
  return decisions.ok ? ok({ archive: whole, decisions: decisions.value }) : decisions;
}

/** The client's yes stood beside the priority once, without what the line came to. */
const withApprovals = (archive: Archive): Archive => ({
  ...archive,
  priorities: archive.priorities.map(({ approvedAt: _approvedAt, ...entry }) => entry),
  approvals: [
    ...archive.approvals,
    ...archive.priorities.flatMap(({ id, roomId, containerId, approvedAt }) =>
      approvedAt && archive.approvals.every((approval) => approval.id !== id)
        ? [{ id, roomId, needId: containerId, lineMinor: null, approvedAt }]
        : [],
    ),
  ],
});

function readJson(
  files: Readonly<Record<string, Uint8Array>>,
  file: string,
): Result<unknown, ArchiveError> {
  const bytes = files[file];
  if (!bytes) return err({ code: 'file_missing', file });
  try {
    return ok(JSON.parse(strFromU8(bytes)) as unknown);
  } catch (error) {
    return err({
      code: 'unreadable',
      file,
      path: '',
      message: error instanceof Error ? error.message : String(error),
    });
  }
}

function parseWith<T>(schema: z.ZodType<T>, value: unknown, file: string): Result<T, ArchiveError> {
  const parsed = schema.safeParse(value);
  if (parsed.success) return ok(parsed.data);
  const issue = parsed.error.issues[0];
  return err({
    code: 'unreadable',
    file,
    path: issue?.path.join('.') ?? '',
    message: issue?.message ?? '',
  });
}

/** Every id of the project that is its own gets a fresh one, wherever it stands; the catalogue's stay. */
function withFreshIds({
  archive,
  decisions,
}: Documents): Documents & { readonly idOf: (id: string) => string } {
  const own = [
    archive.project,
    ...archive.people,
    ...archive.rooms,
    ...archive.units,
    ...archive.units.flatMap((unit) => unit.bays),
    ...archive.fixtures,
    ...archive.sections,
    ...archive.agreements,
    ...archive.sessions,
    ...archive.carries,
    ...archive.ownMethods,
    ...archive.enoughRules,
    ...archive.thingPictures,
    ...archive.rooms.flatMap((room) => room.checks),
    ...archive.vantagePoints,
    ...archive.pictures,
    ...archive.groups,
    ...archive.drafts,
    ...archive.purchases,
    ...archive.handNeeds,
    ...archive.giftCards,
    ...archive.receipts,
    ...archive.receipts.flatMap(({ pictureId }) => (pictureId === null ? [] : [{ id: pictureId }])),
    ...archive.containers.filter(({ projectId }) => projectId !== null),
  ];
  const fresh = new Map<string, string>(own.map(({ id }) => [id, createId()]));
  const replace = (value: unknown): unknown => {
    if (typeof value === 'string') return fresh.get(value) ?? value;
    if (Array.isArray(value)) return value.map(replace);
    if (value === null || typeof value !== 'object') return value;
    return Object.fromEntries(Object.entries(value).map(([key, inner]) => [key, replace(inner)]));
  };
  const copy = archiveSchema.parse(replace(archive));
  return {
    archive: {
      ...copy,
      project: {
        ...copy.project,
        name: `${copy.project.name} (copy)`.slice(0, 80),
        id: projectIdSchema.parse(copy.project.id),
      },
      priorities: copy.priorities.map((entry) => ({
        ...entry,
        id: `${entry.roomId}_${entry.containerId}`,
      })),
      approvals: copy.approvals.map((entry) => ({
        ...entry,
        id: `${entry.roomId}_${entry.needId}`,
      })),
    },
    decisions: decisionsSchema.parse(replace(decisions)),
    idOf: (id) => fresh.get(id) ?? id,
  };
}

async function insertRecords(trx: Db, archive: Archive): Promise<void> {
  const insertAll = async <T>(table: Table<T>, records: readonly T[]) => {
    for (const record of records) await trx(table.name).insert(table.toRow(record));
  };
  /** The catalogue is shared: what is here already stays as it is. */
  const insertMissing = async <T>(table: Table<T>, records: readonly T[]) => {
    for (const record of records)
      await trx(table.name).insert(table.toRow(record)).onConflict('id').ignore();
  };
  await insertAll(projectTable, [archive.project]);
  await insertAll(personTable, archive.people);
  await insertAll(roomTable, archive.rooms);
  await insertAll(unitTable, archive.units);
  await insertAll(
    bayTable,
    archive.units.flatMap((unit) => unit.bays),
  );
  await insertAll(fixtureTable, archive.fixtures);
  await insertAll(sectionTable, archive.sections);
  await insertAll(agreementTable, archive.agreements);
  await insertAll(sessionTable, archive.sessions);
  await insertAll(carryTable, archive.carries);
  await insertAll(ownMethodTable, archive.ownMethods);
  await insertAll(enoughRuleTable, archive.enoughRules);
  await insertAll(thingPictureTable, archive.thingPictures);
  await insertAll(vantagePointTable, archive.vantagePoints);
  await insertAll(pictureTable, archive.pictures);
  await insertAll(groupTable, archive.groups);
  await insertAll(draftTable, archive.drafts);
  await insertAll(moveListTable, archive.moveLists);
  await insertAll(
    fitTable,
    archive.fits.map(({ bayId, ...fit }) => ({ ...fit, id: bayId })),
  );
  await insertMissing(containerTable, archive.containers);
  await insertMissing(shopTable, archive.shops);
  await insertMissing(offerTable, archive.offers);
  await insertAll(
    fitWishesTable,
    archive.fitWishes.map(({ bayId, ...wishes }) => ({ ...wishes, id: bayId })),
  );
  await insertAll(purchaseTable, archive.purchases);
  await insertAll(handNeedTable, archive.handNeeds);
  await insertAll(giftCardTable, archive.giftCards);
  await insertAll(materialsTable, archive.materials);
  await insertAll(needPriorityTable, archive.priorities);
  await insertAll(approvalTable, archive.approvals);
  await insertAll(receiptTable, archive.receipts);
}
