import { mkdirSync, mkdtempSync, readdirSync, rmSync, utimesSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import fc from 'fast-check';
import sharp from 'sharp';

import { aDatabase, HALL, HOME } from '@test/builders';
import { pictureIdSchema, type VantagePointId } from '@/core/shared';
import { picturesDir, type Db } from '@/data/db';
import { getProjectRecords } from '@/data/projectRepo';
import { addVantagePoint } from './pictures';
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
const pictureCount = async () => (await getProjectRecords(db, HOME)).pictures.length;

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
  await expect(finish(10)).rejects.toMatchObject({ code: 'not_found' });
  await receiveChunk(dataDir, id, { offset: 0, bytes: new Uint8Array(9) });
  await expect(finish(10)).rejects.toMatchObject({ code: 'not_found' });
  expect(await receivedBytesOf(dataDir, id)).toBe(9);
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
