import { mkdirSync, mkdtempSync, readdirSync, rmSync, utimesSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import fc from 'fast-check';
import sharp from 'sharp';

import { aDatabase, HALL, HOME } from '@test/builders';
import { pictureIdSchema, projectIdSchema, type VantagePointId } from '@/core/shared';
import { picturesDir, type Db } from '@/data/db';
import { loadRecords } from '@/data/records';
import { addPicture, addVantagePoint } from './pictures';
import { finishUpload, receiveChunk, receivedBytesOf, sweepUploads } from './uploads';

let db: Db;
let dataDir: string;
let vantagePointId: VantagePointId;
const id = pictureIdSchema.parse('up-1');
beforeEach(async () => {
  dataDir = mkdtempSync(path.join(os.tmpdir(), 'tin-box-uploads-'));
  mkdirSync(picturesDir(dataDir));
  db = await aDatabase();
  vantagePointId = await addVantagePoint(db, HOME, {
    roomId: HALL,
    name: 'from the door',
    inView: '',
  });
});
afterEach(async () => {
  await db.destroy();
  rmSync(dataDir, { recursive: true, force: true });
});

const aPicture = () =>
  sharp({
    create: {
      width: 300,
      height: 200,
      channels: 3,
      background: '#386',
      noise: { type: 'gaussian', mean: 120, sigma: 50 },
    },
  })
    .jpeg()
    .toBuffer();
const finish = (totalBytes: number) =>
  finishUpload(db, dataDir, {
    id,
    projectId: HOME,
    spot: { vantagePointId, moment: 'before' },
    totalBytes,
  });
const pictureCount = async () => (await loadRecords(db, HOME, 'pictures')).pictures.length;

test('pieces of any size, some sent twice and some out of place, make the picture they were cut from, once', async () => {
  const bytes = await aPicture();
  await fc.assert(
    fc.asyncProperty(
      fc.array(fc.integer({ min: 1, max: 9000 }), { minLength: 1, maxLength: 30 }),
      fc.array(fc.integer({ min: 0, max: 30_000 }), { maxLength: 8 }),
      async (sizes, strays) => {
        rmSync(path.join(dataDir, 'uploads'), { recursive: true, force: true });
        await db('pictures').delete();
        let step = 0;
        for (let offset = 0; offset < bytes.length;) {
          const stray = strays[step % Math.max(1, strays.length)];
          if (stray !== undefined && stray !== offset)
            expect(
              await receiveChunk(dataDir, id, { offset: stray, bytes: new Uint8Array([1, 2, 3]) }),
            ).toEqual({ code: 'wrong_offset', receivedBytes: offset });
          const piece = bytes.subarray(offset, offset + (sizes[step % sizes.length] ?? 1) + 500);
          expect(await receiveChunk(dataDir, id, { offset, bytes: piece })).toEqual({
            code: 'received',
            receivedBytes: offset + piece.length,
          });
          offset += piece.length;
          step += 1;
        }
        const first = await finish(bytes.length);
        expect(first).toMatchObject({ ok: true, value: { id, widthPx: 300, heightPx: 200 } });
        expect(await finish(bytes.length)).toEqual(first);
        expect([await pictureCount(), await receivedBytesOf(dataDir, id)]).toEqual([1, 0]);
      },
    ),
    { numRuns: 12 },
  );
});

test('a picture that is not there whole is not made', async () => {
  await expect(finish(10)).rejects.toMatchObject({ code: 'not_whole' });
  await receiveChunk(dataDir, id, { offset: 0, bytes: new Uint8Array(9) });
  await expect(finish(10)).rejects.toMatchObject({ code: 'not_whole' });
  expect(await receivedBytesOf(dataDir, id)).toBe(9);
});

const filesOf = () => readdirSync(picturesDir(dataDir)).sort();

test('finished many times at once, it is one picture with its files', async () => {
  const bytes = await aPicture();
  await receiveChunk(dataDir, id, { offset: 0, bytes });
  const answers = await Promise.all(Array.from({ length: 9 }, () => finish(bytes.length)));
  for (const answer of answers) expect(answer).toEqual(answers[0]);
  expect([answers[0]?.ok, await pictureCount(), filesOf()]).toEqual([
    true,
    1,
    ['up-1.jpg', 'up-1.thumb.jpg'],
  ]);
});

test('pieces sent twice at the same moment are written once', async () => {
  const bytes = await aPicture();
  const half = bytes.length >> 1;
  const pieces = [bytes.subarray(0, half), bytes.subarray(0, half)];
  await Promise.all(pieces.map((piece) => receiveChunk(dataDir, id, { offset: 0, bytes: piece })));
  const rest = { offset: half, bytes: bytes.subarray(half) };
  await Promise.all([receiveChunk(dataDir, id, rest), receiveChunk(dataDir, id, rest)]);
  expect(await finish(bytes.length)).toMatchObject({ ok: true });
});

test('a record that cannot be kept leaves files alone that it did not write', async () => {
  const bytes = await aPicture();
  await receiveChunk(dataDir, id, { offset: 0, bytes });
  await finish(bytes.length);
  const before = filesOf();
  const twin = { id, projectId: HOME, vantagePointId, moment: 'before' as const, bytes };
  await expect(addPicture(db, dataDir, twin)).rejects.toMatchObject({
    code: 'SQLITE_CONSTRAINT_PRIMARYKEY',
  });
  expect(filesOf()).toEqual(before);
});

test('a picture whose files were lost gets them again from an upload under its id', async () => {
  const bytes = await aPicture();
  await receiveChunk(dataDir, id, { offset: 0, bytes });
  await finish(bytes.length);
  for (const name of filesOf()) rmSync(path.join(picturesDir(dataDir), name));
  await expect(finish(bytes.length)).rejects.toMatchObject({ code: 'not_whole' });
  await receiveChunk(dataDir, id, { offset: 0, bytes });
  expect(await finish(bytes.length)).toMatchObject({ ok: true, value: { id } });
  expect([await pictureCount(), filesOf()]).toEqual([1, ['up-1.jpg', 'up-1.thumb.jpg']]);
});

test('an id that is a picture of another home is not told of', async () => {
  const bytes = await aPicture();
  await receiveChunk(dataDir, id, { offset: 0, bytes });
  await finish(bytes.length);
  const [home] = (await db('projects')) as { id: string }[];
  await db('projects').insert({ ...home, id: 'other' });
  const asked = { id, projectId: projectIdSchema.parse('other'), spot: null, totalBytes: 1 };
  await expect(finishUpload(db, dataDir, asked)).rejects.toMatchObject({ code: 'not_found' });
});

test('what is no picture is thrown away with its reason, and nothing larger than a picture is taken in', async () => {
  await receiveChunk(dataDir, id, { offset: 0, bytes: Buffer.from('<svg onload="alert(1)"/>') });
  expect(await finish(24)).toEqual({ ok: false, error: { code: 'not_a_picture' } });
  expect([await pictureCount(), readdirSync(path.join(dataDir, 'uploads'))]).toEqual([0, []]);
  const piece = new Uint8Array(13_000_000);
  await receiveChunk(dataDir, id, { offset: 0, bytes: piece });
  expect(await receiveChunk(dataDir, id, { offset: 13_000_000, bytes: piece })).toMatchObject({
    code: 'picture_too_large',
  });
});

test('what nobody goes on with is swept out after a week', async () => {
  await receiveChunk(dataDir, id, { offset: 0, bytes: new Uint8Array(9) });
  await receiveChunk(dataDir, pictureIdSchema.parse('up-2'), {
    offset: 0,
    bytes: new Uint8Array(9),
  });
  const longAgo = new Date('2026-01-01');
  utimesSync(path.join(dataDir, 'uploads', 'up-1.part'), longAgo, longAgo);
  expect(await sweepUploads(dataDir, Date.now())).toBe(1);
  expect(readdirSync(path.join(dataDir, 'uploads'))).toEqual(['up-2.part']);
});
