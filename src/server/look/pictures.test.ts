import { existsSync, mkdirSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import sharp from 'sharp';

import { aDatabase, HALL, HOME } from '@test/builders';
import { pictureIdSchema, vantagePointIdSchema, type VantagePointId } from '@/core/shared';
import { moveChange } from '@/data/changes';
import { picturesDir, type Db } from '@/data/db';
import { readPictureFile } from '@/data/pictureFiles';
import { loadRecords } from '@/data/records';

import { addPicture, addVantagePoint, removePicture, removeVantagePoint } from './pictures';

let db: Db;
let dataDir: string;
let vantagePointId: VantagePointId;
beforeEach(async () => {
  dataDir = mkdtempSync(path.join(os.tmpdir(), 'tin-box-pictures-'));
  mkdirSync(picturesDir(dataDir));
  db = await aDatabase();
  vantagePointId = await addVantagePoint(db, HOME, {
    roomId: HALL,
    name: 'from the door',
    inView: 'all of it',
  });
});
afterEach(async () => {
  await db.destroy();
  rmSync(dataDir, { recursive: true, force: true });
});

const aPicture = (width = 80, height = 60) =>
  sharp({ create: { width, height, channels: 3, background: '#386' } })
    .png()
    .toBuffer();
const add = async (bytes: Uint8Array) =>
  addPicture(db, dataDir, { projectId: HOME, vantagePointId, moment: 'before', bytes });
const pictures = async () => (await loadRecords(db, HOME, 'pictures')).pictures;

test('a picture is kept as it was taken, for pages at 2560 px, and for lists', async () => {
  const added = await add(await aPicture(4000, 1000));
  if (!added.ok) throw new Error(added.error.code);
  expect(added.value).toMatchObject({ widthPx: 2560, heightPx: 640 });
  expect(
    await sharp(await readPictureFile(dataDir, added.value.id, 'thumb')).metadata(),
  ).toMatchObject({ format: 'jpeg', width: 640, height: 160 });
  expect(
    await sharp(await readPictureFile(dataDir, added.value.id, 'original')).metadata(),
  ).toMatchObject({ width: 4000, height: 1000 });
  expect(readdirSync(picturesDir(dataDir)).sort()).toEqual([
    `${added.value.id}.jpg`,
    `${added.value.id}.original.jpg`,
    `${added.value.id}.thumb.jpg`,
  ]);
});

test('what is no picture leaves neither row nor file', async () => {
  expect(await add(Buffer.from('%PDF-1.7'))).toMatchObject({
    ok: false,
    error: { code: 'not_a_picture' },
  });
  expect([await pictures(), readdirSync(picturesDir(dataDir))]).toEqual([[], []]);
});

test('AVIF is read; a phone’s HEIC is told by its name, so that something can be done', async () => {
  const avif = await sharp(await aPicture())
    .avif()
    .toBuffer();
  expect(await add(avif)).toMatchObject({ ok: true, value: { widthPx: 80 } });
  const heic = Buffer.concat([Buffer.from([0, 0, 0, 24]), Buffer.from('ftypheic0000mif1heic')]);
  expect(await add(heic)).toEqual({ ok: false, error: { code: 'picture_is_heic' } });
});

test('a spot that is not there takes no picture', async () => {
  const bytes = await aPicture();
  await expect(
    addPicture(db, dataDir, {
      projectId: HOME,
      vantagePointId: vantagePointIdSchema.parse('ghost'),
      moment: 'after',
      bytes,
    }),
  ).rejects.toMatchObject({ code: 'not_found' });
  expect(readdirSync(picturesDir(dataDir))).toEqual([]);
});

test('a removed picture comes back with undo, file and all', async () => {
  const added = await add(await aPicture());
  if (!added.ok) throw new Error(added.error.code);
  await removePicture(db, HOME, added.value.id);
  expect(await pictures()).toEqual([]);
  await moveChange(db, HOME, 'undo');
  expect(await pictures()).toEqual([added.value]);
  expect(existsSync(path.join(picturesDir(dataDir), `${added.value.id}.jpg`))).toBe(true);
});

test('a spot goes with its pictures, and comes back with them', async () => {
  await add(await aPicture());
  await add(await aPicture());
  await removeVantagePoint(db, HOME, vantagePointId);
  expect([(await loadRecords(db, HOME, 'vantagePoints')).vantagePoints, await pictures()]).toEqual([
    [],
    [],
  ]);
  await moveChange(db, HOME, 'undo');
  expect(await pictures()).toHaveLength(2);
});

test.each(['../tinbox', 'a/b', '', '.hidden', 'x'.repeat(65)])(
  '%j is no id, so that no path can be made of it',
  (id) => expect(pictureIdSchema.safeParse(id).success).toBe(false),
);
