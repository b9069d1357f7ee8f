import { noKindSize } from '@/core/sort';
import { createHash } from 'node:crypto';
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { buffer } from 'node:stream/consumers';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import sharp from 'sharp';

import { aDecision, aGroup, aUnit, HALL, HOME, aRoom, loadAll } from '@test/builders';
import { projectSchema } from '@/core/agree';
import { containerProductSchema } from '@/core/fit';
import { pictureIdSchema } from '@/core/shared';
import { listKindSizes, putKindSize } from '@/data/countRepo';
import { readPictureFile } from '@/data/pictureFiles';
import { openDatabase, picturesDir, type Db } from '@/data/db';
import { appendDecisions, listDecisions } from '@/data/decisionLog';
import { listProjects } from '@/data/projectRepo';
import { addDraft, arrange } from '../place/drafts';
import { makeMoveList } from '../place/moveList';
import { addHandNeed, approveNeed } from '../shop/buying';
import { materialsOf, saveMaterials } from '../shop/materials';
import { addReceipt, dayOf } from '../shop/receipts';
import { addPurchase } from '../shop/roomShopping';
import { shopSchema } from '@/core/shop';
import {
  bayRecord,
  groupRecord,
  loadRecords,
  projectRecord,
  roomRecord,
  shopRecord,
  unitRecord,
} from '@/data/records';
import { encodePicture } from '../look/encodePicture';
import { addPicture, addVantagePoint } from '../look/pictures';
import { exportProject } from './exportProject';
import { importProject } from './importProject';

let dataDir: string;
let db: Db;
beforeEach(async () => {
  dataDir = mkdtempSync(path.join(os.tmpdir(), 'tin-box-zip-'));
  db = await openDatabase(dataDir);
});
afterEach(async () => {
  await db.destroy();
  rmSync(dataDir, { recursive: true, force: true });
});

const aPicture = () =>
  sharp({ create: { width: 60, height: 40, channels: 3, background: '#a53' } })
    .jpeg()
    .toBuffer();

/** A home with a unit, a group, a decision taken back, and a picture. */
async function fillHome(): Promise<void> {
  const unit = aUnit();
  await db(projectRecord.table.name).insert(
    projectRecord.table.toRow(
      projectSchema.parse({
        id: HOME,
        name: 'Home',
        units: 'cm',
        currency: 'GBP',
        budgetMinor: 500,
        readyBy: '2026-12-12',
        status: 'active',
        createdAt: '2026-11-01T09:00:00.000Z',
      }),
    ),
  );
  await db(roomRecord.table.name).insert(
    roomRecord.table.toRow(aRoom({ name: 'hall', purpose: 'home' })),
  );
  await db(unitRecord.table.name).insert(unitRecord.table.toRow(unit));
  for (const bay of unit.bays) await db(bayRecord.table.name).insert(bayRecord.table.toRow(bay));
  await db(groupRecord.table.name).insert(
    groupRecord.table.toRow(aGroup({ bayId: 'shelf', standsBayId: 'shelf' })),
  );
  const draft = await addDraft(db, HOME, { roomId: HALL, name: 'Other', from: 'chosen' });
  await arrange(db, HOME, {
    roomId: HALL,
    ref: draft,
    assignment: [{ groupId: aGroup().id, bayId: null }],
  });
  await addDraft(db, HOME, { roomId: null, name: 'All of it', from: 'chosen' });
  await makeMoveList(db, HOME, {
    roomId: HALL,
    cleaning: 'line',
    cleanedBayIds: [],
    basketsStand: 'on the stairs',
  });
  await saveMaterials(db, HOME, {
    ...materialsOf(await loadRecords(db, HOME, 'materials', 'units'), HALL),
    linedBayIds: [],
    cuts: [{ name: 'Shelf', length: { mm: 880, text: '88 cm' }, qty: 3 }],
  });
  await db(shopRecord.table.name).insert(
    shopRecord.table.toRow(
      shopSchema.parse({
        id: 'corner',
        name: 'Corner',
        currency: 'GBP',
        deliveryMinor: 0,
        freeOverMinor: null,
      }),
    ),
  );
  await addHandNeed(db, HOME, {
    roomId: HALL,
    name: 'Hooks',
    qty: 4,
    priority: 'must',
    shopId: shopSchema.shape.id.parse('corner'),
    packSize: 4,
    priceMinor: 100,
  });
  const [hooks] = (await loadRecords(db, HOME, 'handNeeds')).handNeeds;
  await approveNeed(db, HOME, { roomId: HALL, needId: hooks?.id ?? '', isApproved: true });
  await addPurchase(db, HOME, {
    roomId: HALL,
    containerId: null,
    handNeedId: hooks?.id ?? null,
    shopName: 'Corner',
    label: 'Hooks',
    pieces: 4,
    paidMinor: 100,
  });
  await addReceipt(db, dataDir, HOME, {
    shopName: 'Corner',
    boughtOn: dayOf(new Date().toISOString()),
    totalMinor: 100,
    bytes: new Uint8Array(await aPicture()),
  });
  await putKindSize(db, { ...noKindSize('hat'), litres: 2.5 });
  await appendDecisions(db, HOME, [
    aDecision({ groupId: 'hats' }),
    // Words that are ids too stay words.
    aDecision({ id: 'd2', thingId: 't2', verdict: 'donate', name: 'hats', device: 'hall' }),
  ]);
  await appendDecisions(db, HOME, [
    {
      kind: 'undone',
      id: aDecision({ id: 'u1' }).id,
      thingId: aDecision({ thingId: 't2' }).thingId,
      aboutId: aDecision({ id: 'd2' }).id,
      decidedAt: '2026-11-06T11:00:00.000Z',
      device: 'desk',
    },
  ]);
  const vantagePointId = await addVantagePoint(db, HOME, {
    roomId: HALL,
    name: 'from the door',
    inView: '',
  });
  await addPicture(db, dataDir, {
    projectId: HOME,
    vantagePointId,
    moment: 'before',
    bytes: await aPicture(),
  });
}

/** Everything but ids, names of the copy and dates of the import. */
const shapeOf = async (database: Db, id: typeof HOME) => {
  const { project, containers: _containers, ...records } = await loadAll(database, id);
  const ids = new Map<string, string>();
  const text = JSON.stringify({
    ...records,
    log: await listDecisions(database, id),
    budget: project.budgetMinor,
  });
  return text.replace(/"(\w*[iI]d)":"([^"]+)"/g, (_, key: string, value: string) => {
    if (!ids.has(value)) ids.set(value, `#${ids.size}`);
    return `"${key}":"${ids.get(value)}"`;
  });
};

const pack = async (): Promise<Buffer> => buffer(await exportProject(db, dataDir, HOME));
const bringIn = (zip: Uint8Array, into = { db, dataDir }) => {
  const file = path.join(dataDir, 'in.zip');
  writeFileSync(file, zip);
  return importProject(into.db, into.dataDir, file);
};
const picturesIn = (folder: string): string[] =>
  readdirSync(picturesDir(folder))
    .map((name) => readFileSync(path.join(picturesDir(folder), name)).toString('base64'))
    .sort();

test('out and in again on another machine: the same project under its own ids, pictures bit for bit', async () => {
  await fillHome();
  const zip = await pack();
  const otherDir = mkdtempSync(path.join(os.tmpdir(), 'tin-box-zip-other-'));
  const other = await openDatabase(otherDir);
  expect(await bringIn(zip, { db: other, dataDir: otherDir })).toEqual({ ok: true, value: HOME });
  expect(await shapeOf(other, HOME)).toBe(await shapeOf(db, HOME));
  expect(readdirSync(picturesDir(otherDir)).sort()).toEqual(
    readdirSync(picturesDir(dataDir)).sort(),
  );
  expect(picturesIn(otherDir)).toEqual(picturesIn(dataDir));
  expect(await listKindSizes(other)).toEqual([{ ...noKindSize('hat'), litres: 2.5 }]);
  await other.destroy();
  rmSync(otherDir, { recursive: true });
});

test('in again where it is already: a copy with fresh ids throughout, and again, and words stay words', async () => {
  await fillHome();
  const before = picturesIn(dataDir);
  const zip = await pack();
  const copies = [await bringIn(zip), await bringIn(zip)].map((imported) => {
    if (!imported.ok) throw new Error(JSON.stringify(imported.error));
    return imported.value;
  });
  expect(new Set([HOME, ...copies]).size).toBe(3);
  expect((await listProjects(db)).map(({ name }) => name)).toEqual([
    'Home',
    'Home (copy)',
    'Home (copy)',
  ]);
  for (const copy of copies) expect(await shapeOf(db, copy)).toBe(await shapeOf(db, HOME));
  expect(picturesIn(dataDir)).toEqual([...before, ...before, ...before].sort());
  // The copy is a home like any other.
  expect(await buffer(await exportProject(db, dataDir, copies[0] ?? HOME))).toBeTruthy();
});

test('a picture whose file is gone stops nothing: it is named in the file, and comes in as a gap', async () => {
  await fillHome();
  const [picture] = (await loadRecords(db, HOME, 'pictures')).pictures;
  for (const suffix of ['.jpg', '.thumb.jpg'])
    rmSync(path.join(picturesDir(dataDir), `${picture?.id}${suffix}`));
  const zip = await pack();
  const { pictures } = readManifest(zip);
  expect(pictures.filter(({ files }) => files.length === 0).map(({ id }) => id)).toEqual([
    picture?.id,
  ]);
  const imported = await bringIn(zip);
  if (!imported.ok) throw new Error(imported.error.code);
  expect((await loadRecords(db, imported.value, 'pictures')).pictures).toHaveLength(1);
});

interface Documents {
  project: {
    version: number;
    records: Record<string, Record<string, unknown>[]>;
    pictures: { id: string; files: { size: string; sha256: string }[] }[];
  } & Record<string, unknown>;
  decisions: unknown[];
}
const readManifest = (zip: Uint8Array): Documents['project'] =>
  JSON.parse(strFromU8(unzipSync(zip)['project.json'] ?? new Uint8Array())) as Documents['project'];
/** The file of a full home with something changed in it. */
const tampered = async (
  change: (documents: Documents) => void,
  files: (files: Record<string, Uint8Array>) => Record<string, Uint8Array> = (all) => all,
): Promise<Uint8Array> => {
  await fillHome();
  const zip = await pack();
  const documents: Documents = {
    project: readManifest(zip),
    decisions: strFromU8(unzipSync(zip)['decisions.ndjson'] ?? new Uint8Array())
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line) as unknown),
  };
  change(documents);
  return zipSync({
    ...files(unzipSync(zip)),
    'project.json': strToU8(JSON.stringify(documents.project)),
    'decisions.ndjson': strToU8(
      documents.decisions.map((event) => `${JSON.stringify(event)}\n`).join(''),
    ),
  });
};
const without = (pattern: RegExp) => (files: Record<string, Uint8Array>) =>
  Object.fromEntries(Object.entries(files).filter(([name]) => !pattern.test(name)));
const addTo = (kind: string, record: Record<string, unknown>) => (d: Documents) => {
  d.project.records[kind] = [...(d.project.records[kind] ?? []), record];
};

test.each([
  [
    'a newer version',
    (d: Documents) => {
      d.project.version = 4;
    },
    undefined,
    { code: 'newer_version', version: 4 },
  ],
  [
    'a field that is no such',
    (d: Documents) => {
      d.project.records.rooms = [{ id: 'r' }];
    },
    undefined,
    { code: 'unreadable', file: 'project.json', path: 'rooms.0.projectId' },
  ],
  [
    'a kind of record that is none',
    addTo('ghosts', { id: 'g' }),
    undefined,
    { code: 'unreadable', path: 'ghosts' },
  ],
  [
    'a log that breaks off',
    (d: Documents) => {
      d.decisions.pop();
    },
    undefined,
    { code: 'unreadable', file: 'decisions.ndjson' },
  ],
  [
    'a container that is nothing',
    (d: Documents) => {
      const side = (mm: number) => ({ mm, text: `${mm}` });
      d.project.records.containers = [
        containerProductSchema.parse({
          ...{ id: 'flat', projectId: HOME, name: 'Flat', kind: 'box', innerLitres: 1 },
          ...{ width: side(200), depth: side(200), height: side(0), innerHeightMm: 1 },
          ...{ innerWidthMm: null, shape: 'box', lid: false, clear: false, material: 'plastic' },
          ...{ stackable: false, maxStack: null, tareG: 0, maxLoadG: null, turnable: true },
          ownedCount: 1,
        }),
      ];
    },
    undefined,
    { code: 'unreadable', path: 'containers.0.height' },
  ],
  [
    'a person of another home',
    addTo('people', {
      ...{ id: 'spy', projectId: 'victim', name: 'Spy', height: { mm: 1700, text: '170' } },
      ...{ isChild: false, noStep: false, position: 0 },
    }),
    undefined,
    { code: 'stray_record', id: 'victim' },
  ],
  [
    'a decision about a room of another home',
    (d: Documents) => {
      d.decisions[0] = { ...(d.decisions[0] as object), roomId: 'victim-hall' };
    },
    undefined,
    { code: 'stray_record', id: 'victim-hall' },
  ],
  [
    'a place of another home',
    (d: Documents) => {
      for (const group of d.project.records.groups ?? []) group.bayId = 'victim-bay';
    },
    undefined,
    { code: 'stray_record', path: 'groups.0' },
  ],
  [
    'a decision without a verdict',
    (d: Documents) => {
      d.decisions.push({ kind: 'decided' });
    },
    undefined,
    { code: 'unreadable', file: 'decisions.ndjson' },
  ],
  ['a picture that is missing', () => undefined, without(/jpg$/), { code: 'file_missing' }],
  [
    'a picture that is none',
    () => undefined,
    (files: Record<string, Uint8Array>) =>
      Object.fromEntries(
        Object.entries(files).map(([name, bytes]) => [
          name,
          name.endsWith('jpg') ? strToU8('<svg/>') : bytes,
        ]),
      ),
    { code: 'picture_damaged' },
  ],
  [
    'more lists than a home has',
    (d: Documents) => {
      d.project.leftOut = Array.from({ length: 3_000_001 }, () => 0);
    },
    undefined,
    { code: 'too_much', what: 'too_many_values' },
  ],
  [
    'lists in lists in lists',
    (d: Documents) => {
      d.project.leftOut = JSON.parse(`${'['.repeat(40)}${']'.repeat(40)}`) as unknown;
    },
    undefined,
    { code: 'too_much', what: 'too_deep' },
  ],
])('%s: nothing comes in, and the place is named', async (_, change, files, error) => {
  const zip = await tampered(change, files);
  const before = { rows: await dumpOf(db), pictures: picturesIn(dataDir) };
  expect(await bringIn(zip)).toMatchObject({ ok: false, error });
  expect({ rows: await dumpOf(db), pictures: picturesIn(dataDir) }).toEqual(before);
  expect(readdirSync(path.join(dataDir, 'incoming'))).toEqual([]);
});

/** Every row of every table. */
async function dumpOf(database: Db): Promise<Record<string, unknown>> {
  const tables = (await database('sqlite_master')
    .where({ type: 'table' })
    .pluck('name')) as string[];
  const dump: Record<string, unknown> = {};
  for (const table of tables) dump[table] = await database(table);
  return dump;
}

test('a file that calls another home’s picture its own leaves that picture as it is', async () => {
  await fillHome();
  const [victim] = (await loadRecords(db, HOME, 'pictures')).pictures;
  const before = await readPictureFile(dataDir, victim?.id ?? pictureIdSchema.parse('x'), 'full');
  const zip = await pack();
  const manifest = readManifest(zip);
  // A home that is not here yet, whose one receipt names the picture of one that is.
  const records = {
    projects: manifest.records.projects?.map((project) => ({ ...project, id: 'thief' })),
    receipts: [
      { ...manifest.records.receipts?.[0], id: 'r', projectId: 'thief', pictureId: victim?.id },
    ],
  };
  const forged = zipSync({
    'project.json': strToU8(
      JSON.stringify({
        ...manifest,
        records,
        decisionCount: 0,
        pictures: [
          { id: victim?.id, files: [] },
          { id: victim?.id, files: [{ size: 'full', bytes: 9, sha256: '0'.repeat(64) }] },
        ],
      }),
    ),
    'decisions.ndjson': strToU8(''),
    [`pictures/${victim?.id}.jpg`]: new Uint8Array(await aPicture()),
  });
  await bringIn(forged);
  expect(await readPictureFile(dataDir, victim?.id ?? pictureIdSchema.parse('x'), 'full')).toEqual(
    before,
  );
});

test('bytes that are not as Tin Box wrote them are encoded anew, and lose what they say of themselves', async () => {
  const telling = await sharp(await aPicture())
    .withExif({ IFD0: { Model: 'Secret' } })
    .toBuffer();
  const sum = createHash('sha256').update(telling).digest('hex');
  const zip = await tampered(
    ({ project }) => {
      for (const { files } of project.pictures) for (const file of files) file.sha256 = sum;
    },
    (files) =>
      Object.fromEntries(
        Object.entries(files).map(([name, bytes]) => [
          name,
          name.endsWith('jpg') ? new Uint8Array(telling) : bytes,
        ]),
      ),
  );
  expect(await bringIn(zip)).toMatchObject({ ok: true });
  for (const bytes of picturesIn(dataDir))
    expect(Buffer.from(bytes, 'base64').includes('Secret')).toBe(false);
});

test('what is stopped leaves nothing', async () => {
  await fillHome();
  const file = path.join(dataDir, 'in.zip');
  writeFileSync(file, await pack());
  const before = { rows: await dumpOf(db), pictures: picturesIn(dataDir) };
  for (const stage of ['pictures', 'keeping'] as const) {
    const stop = new AbortController();
    const onProgress = (progress: { stage: string }) => progress.stage === stage && stop.abort();
    expect(await importProject(db, dataDir, file, { signal: stop.signal, onProgress })).toEqual({
      ok: false,
      error: { code: 'stopped' },
    });
    expect({ rows: await dumpOf(db), pictures: picturesIn(dataDir) }).toEqual(before);
  }
});

test('of a receipt that comes as a copy the picture is its own, and its lines stay on it', async () => {
  await fillHome();
  const imported = await bringIn(await pack());
  if (!imported.ok) throw new Error(imported.error.code);
  const [before, after] = [await loadAll(db, HOME), await loadAll(db, imported.value)];
  expect(after.receipts[0]?.pictureId).not.toBe(before.receipts[0]?.pictureId);
  expect(readdirSync(picturesDir(dataDir))).toContain(`${after.receipts[0]?.pictureId}.jpg`);
  expect(after.purchases[0]).toMatchObject({
    receiptId: after.receipts[0]?.id,
    handNeedId: after.handNeeds[0]?.id,
  });
  expect(after.approvals).toMatchObject([
    { id: `${after.rooms[0]?.id}_${after.handNeeds[0]?.id}`, lineMinor: 100 },
  ]);
});

/**
 * The same home as the second version packed it: one list of decisions, bays in their units, one
 * picture each.
 */
async function asVersion2(): Promise<Uint8Array> {
  await fillHome();
  const files = unzipSync(await pack());
  const { records } = readManifest(await pack());
  const { projects, bays, fits, fitWishes, ...lists } = records;
  const byBay = (list: Record<string, unknown>[] = []) =>
    list.map(({ id, ...rest }) => ({ ...rest, bayId: id }));
  const approvedAt = '2026-11-08T10:00:00.000Z';
  const project = {
    ...lists,
    format: 'tin-box-project',
    version: 2,
    exportedAt: approvedAt,
    project: projects?.[0],
    units: lists.units?.map((unit) => ({
      ...unit,
      bays: bays?.filter(({ unitId }) => unitId === unit.id),
    })),
    fits: byBay(fits),
    fitWishes: byBay(fitWishes),
    approvals: [],
    priorities: [
      { id: `${HALL}_tub`, roomId: HALL, containerId: 'tub', priority: 'should', approvedAt },
      { id: `${HALL}_tin`, roomId: HALL, containerId: 'tin', priority: 'nice', approvedAt: null },
    ],
  };
  const log = strFromU8(files['decisions.ndjson'] ?? new Uint8Array())
    .trim()
    .split('\n');
  return zipSync({
    ...without(/json|thumb/)(files),
    'project.json': strToU8(JSON.stringify(project)),
    'decisions.json': strToU8(`[${log.join(',')}]`),
  });
}

test('a file of the second version is read; a yes that stood beside the priority is good for any price', async () => {
  const imported = await bringIn(await asVersion2());
  if (!imported.ok) throw new Error(JSON.stringify(imported.error));
  const { approvals, priorities, units, pictures } = await loadRecords(
    db,
    imported.value,
    'approvals',
    'pictures',
    'priorities',
    'units',
  );
  expect(approvals).toMatchObject([
    { needId: 'tub', lineMinor: null, approvedAt: '2026-11-08T10:00:00.000Z' },
  ]);
  expect(priorities.map(({ containerId, priority }) => [containerId, priority]).sort()).toEqual([
    ['tin', 'nice'],
    ['tub', 'should'],
  ]);
  expect([units[0]?.bays.length, pictures.length]).toEqual([2, 1]);
  expect((await listDecisions(db, imported.value)).length).toBe(
    (await listDecisions(db, HOME)).length,
  );
});

test('what is no zip is said to be none', async () =>
  expect(await bringIn(strToU8('hello'))).toEqual({
    ok: false,
    error: { code: 'not_a_zip' },
  }));

test('a picture is turned upright and loses all it says of itself', async () => {
  const sideways = await sharp({
    create: { width: 60, height: 40, channels: 3, background: '#35a' },
  })
    .withExif({ IFD0: { Model: 'Secret' }, IFD3: { GPSLatitudeRef: 'N' } })
    .withMetadata({ orientation: 6 })
    .jpeg()
    .toBuffer();
  const encoded = await encodePicture(sideways);
  if (!encoded.ok) throw new Error(encoded.error.code);
  expect(encoded.value).toMatchObject({ widthPx: 40, heightPx: 60 });
  for (const bytes of [encoded.value.full, encoded.value.thumb]) {
    const { exif, xmp, iptc, orientation } = await sharp(bytes).metadata();
    expect([exif, xmp, iptc, orientation]).toEqual([undefined, undefined, undefined, undefined]);
  }
});

test.each([
  ['text that calls itself a picture', Buffer.from('GIF89a nonsense'), 'not_a_picture'],
  [
    'a drawing with a script in it',
    Buffer.from(
      '<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><script>1</script></svg>',
    ),
    'not_a_picture',
  ],
  ['nothing at all', Buffer.alloc(0), 'not_a_picture'],
  ['more than the limit', Buffer.alloc(25_000_001), 'picture_too_large'],
])('refuses %s', async (_, bytes, code) =>
  expect(await encodePicture(bytes)).toMatchObject({ ok: false, error: { code } }),
);

test('a picture that breaks off is refused', async () => {
  const whole = await sharp({
    create: {
      width: 600,
      height: 400,
      channels: 3,
      background: '#35a',
      noise: { type: 'gaussian', mean: 128, sigma: 40 },
    },
  })
    .jpeg()
    .toBuffer();
  expect(await encodePicture(whole.subarray(0, whole.length / 2))).toMatchObject({
    ok: false,
    error: { code: 'picture_damaged' },
  });
});
