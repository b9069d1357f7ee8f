import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import sharp from 'sharp';

import { aDecision, aGroup, aUnit, HALL, HOME, aRoom } from '@test/builders';
import { projectSchema } from '@/core/agree';
import { openDatabase, picturesDir, type Db } from '@/data/db';
import { appendDecisions, listDecisions } from '@/data/decisionLog';
import { getProjectRecords, listProjects } from '@/data/projectRepo';
import { addDraft, arrange } from '../place/drafts';
import { makeMoveList } from '../place/moveList';
import { addHandNeed, approveNeed } from '../shop/buying';
import { materialsOf, saveMaterials } from '../shop/materials';
import { addReceipt, dayOf } from '../shop/receipts';
import { addPurchase } from '../shop/roomShopping';
import { shopSchema } from '@/core/shop';
import { bayTable, groupTable, projectTable, roomTable, shopTable, unitTable } from '@/data/tables';
import { encodePicture } from '../look/encodePicture';
import { addPicture, addVantagePoint } from '../look/pictures';
import { exportProject, importProject } from './archive';

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
  await db(projectTable.name).insert(
    projectTable.toRow(
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
  await db(roomTable.name).insert(roomTable.toRow(aRoom({ purpose: 'Sit' })));
  await db(unitTable.name).insert(unitTable.toRow(unit));
  for (const bay of unit.bays) await db(bayTable.name).insert(bayTable.toRow(bay));
  await db(groupTable.name).insert(
    groupTable.toRow(aGroup({ bayId: 'shelf', standsBayId: 'shelf' })),
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
    ...materialsOf(await getProjectRecords(db, HOME), HALL),
    linedBayIds: [],
    cuts: [{ name: 'Shelf', length: { mm: 880, text: '88 cm' }, qty: 3 }],
  });
  await db(shopTable.name).insert(
    shopTable.toRow(
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
  const [hooks] = (await getProjectRecords(db, HOME)).handNeeds;
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
  await appendDecisions(db, HOME, [
    aDecision({ groupId: 'hats' }),
    aDecision({ id: 'd2', thingId: 't2', verdict: 'donate' }),
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
  const { project, containers: _containers, ...records } = await getProjectRecords(database, id);
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

test('out and in again on another machine: the same project, with its own ids', async () => {
  await fillHome();
  const zip = await exportProject(db, dataDir, HOME);
  const otherDir = mkdtempSync(path.join(os.tmpdir(), 'tin-box-zip-other-'));
  const other = await openDatabase(otherDir);
  expect(await importProject(other, otherDir, zip)).toEqual({ ok: true, value: HOME });
  expect(await shapeOf(other, HOME)).toBe(await shapeOf(db, HOME));
  expect(readdirSync(picturesDir(otherDir)).sort()).toEqual(
    readdirSync(picturesDir(dataDir)).sort(),
  );
  await other.destroy();
  rmSync(otherDir, { recursive: true });
});

test('in again where it is already: a copy with fresh ids throughout', async () => {
  await fillHome();
  const imported = await importProject(db, dataDir, await exportProject(db, dataDir, HOME));
  if (!imported.ok) throw new Error(imported.error.code);
  expect(imported.value).not.toBe(HOME);
  expect((await listProjects(db)).map(({ name }) => name)).toEqual(['Home', 'Home (copy)']);
  expect(await shapeOf(db, imported.value)).toBe(await shapeOf(db, HOME));
});

type Documents = { project: Record<string, unknown>; decisions: unknown[] };
const tampered = async (
  change: (documents: Documents) => void,
  drop?: RegExp,
): Promise<Uint8Array> => {
  await fillHome();
  const files = unzipSync(await exportProject(db, dataDir, HOME));
  const documents: Documents = {
    project: JSON.parse(strFromU8(files['project.json'] ?? new Uint8Array())) as Record<
      string,
      unknown
    >,
    decisions: JSON.parse(strFromU8(files['decisions.json'] ?? new Uint8Array())) as unknown[],
  };
  change(documents);
  const kept = Object.entries(files).filter(([name]) => !drop?.test(name));
  return zipSync({
    ...Object.fromEntries(kept),
    'project.json': strToU8(JSON.stringify(documents.project)),
    'decisions.json': strToU8(JSON.stringify(documents.decisions)),
  });
};

test.each([
  [
    'a newer version',
    (d: Documents) => {
      d.project.version = 3;
    },
    undefined,
    { code: 'newer_version', version: 3 },
  ],
  [
    'a field that is no such',
    (d: Documents) => {
      d.project.rooms = [{ id: 'r' }];
    },
    undefined,
    { code: 'unreadable', file: 'project.json', path: 'rooms.0.projectId' },
  ],
  [
    'a decision without a verdict',
    (d: Documents) => {
      d.decisions.push({ kind: 'decided' });
    },
    undefined,
    { code: 'unreadable', file: 'decisions.json' },
  ],
  ['a picture that is missing', () => undefined, /jpg$/, { code: 'file_missing' }],
])('%s: nothing comes in, and the place is named', async (_, change, drop, error) => {
  const zip = await tampered(change, drop);
  const before = (await listProjects(db)).length;
  expect(await importProject(db, dataDir, zip)).toMatchObject({ ok: false, error });
  expect(await listProjects(db)).toHaveLength(before);
});

test('of a receipt that comes as a copy the picture is its own, and its lines stay on it', async () => {
  await fillHome();
  const imported = await importProject(db, dataDir, await exportProject(db, dataDir, HOME));
  if (!imported.ok) throw new Error(imported.error.code);
  const [before, after] = [
    await getProjectRecords(db, HOME),
    await getProjectRecords(db, imported.value),
  ];
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

test('a yes from a file that kept it beside the priority is read, good for any price', async () => {
  const approvedAt = '2026-11-08T10:00:00.000Z';
  const zip = await tampered(({ project }) => {
    project.approvals = [];
    project.priorities = [
      { id: `${HALL}_tub`, roomId: HALL, containerId: 'tub', priority: 'should', approvedAt },
      { id: `${HALL}_tin`, roomId: HALL, containerId: 'tin', priority: 'nice', approvedAt: null },
    ];
  });
  const imported = await importProject(db, dataDir, zip);
  if (!imported.ok) throw new Error(imported.error.code);
  const { approvals, priorities } = await getProjectRecords(db, imported.value);
  expect(approvals).toMatchObject([{ needId: 'tub', lineMinor: null, approvedAt }]);
  expect(priorities.map(({ containerId, priority }) => [containerId, priority]).sort()).toEqual([
    ['tin', 'nice'],
    ['tub', 'should'],
  ]);
});

test('what is no zip is said to be none', async () =>
  expect(await importProject(db, dataDir, strToU8('hello'))).toEqual({
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
