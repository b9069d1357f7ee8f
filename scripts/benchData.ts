/**
 * Measures what docs/reliability.md tells: a home of many pictures out and in, a long table and who waits
 * for it, the desk of many homes, and many large pictures at once. One part a process, so that the memory
 * of one is not counted for another.
 *
 *   npm run bench -- data
 */
import { spawnSync } from 'node:child_process';
import { createWriteStream, mkdtempSync, rmSync, statSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { pipeline } from 'node:stream/promises';
import sharp from 'sharp';

import { aBay, aDecision, aGroup, aRoom, aUnit, HOME, insertHomeRows } from '../tests/builders';
import { vantagePointSchema, type Picture } from '@/core/look';
import { pictureIdSchema, projectIdSchema } from '@/core/shared';
import { openDatabase, type Db } from '@/data/db';
import { appendDecisions } from '@/data/decisionLog';
import { keepPictureFiles } from '@/data/pictureFiles';
import {
  bayRecord,
  groupRecord,
  pictureRecord,
  roomRecord,
  unitRecord,
  vantagePointRecord,
} from '@/data/records';
import { loadDesk } from '@/server/desk/loadDesk';
import { exportProject } from '@/server/exchange/exportProject';
import { importProject } from '@/server/exchange/importProject';
import { encodePicture } from '@/server/look/encodePicture';
import { writeDecisionsCsv } from '@/server/sort/decisionsCsv';
import { importDecisionsCsv } from '@/server/sort/decisionsFile';

const say = (line: string) => process.stdout.write(`${line}\n`);
const megabytes = (bytes: number) => `${Math.round(bytes / 1e6)} MB`;
const timed = async (work: () => Promise<unknown>): Promise<number> => {
  const begun = performance.now();
  await work();
  return Math.round(performance.now() - begun);
};

/** The most memory that the process had while `work` ran, in bytes. */
async function peakOf(work: () => Promise<unknown>): Promise<number> {
  let peak = 0;
  const watch = setInterval(() => (peak = Math.max(peak, process.memoryUsage().rss)), 20);
  await work();
  clearInterval(watch);
  return peak;
}

const noise = (width: number, height: number, quality: number): Promise<Buffer> =>
  sharp({
    create: {
      width,
      height,
      channels: 3,
      background: '#386',
      noise: { type: 'gaussian', mean: 120, sigma: 20 },
    },
  })
    .withMetadata({ orientation: 6 })
    .jpeg({ quality })
    .toBuffer();

async function measureHome(db: Db, dataDir: string): Promise<void> {
  const spot = vantagePointSchema.parse({ id: 'spot', roomId: 'hall', name: 'door', position: 0 });
  await db(vantagePointRecord.table.name).insert(vantagePointRecord.table.toRow(spot));
  const encoded = await encodePicture(await noise(2400, 1800, 40));
  if (!encoded.ok) throw new Error(encoded.error.code);
  const { widthPx, heightPx } = encoded.value;
  for (let i = 0; i < 2000; i += 1) {
    const id = pictureIdSchema.parse(`p${i}`);
    const takenAt = '2026-11-01T09:00:00.000Z';
    const picture: Picture = {
      id,
      vantagePointId: spot.id,
      moment: 'before',
      widthPx,
      heightPx,
      takenAt,
    };
    await keepPictureFiles(dataDir, { id, bytes: encoded.value }, async (place) => {
      await db(pictureRecord.table.name).insert(pictureRecord.table.toRow(picture));
      await place();
    });
  }
  const file = path.join(dataDir, 'home.zip');
  const before = megabytes(process.memoryUsage().rss);
  let ms = 0;
  const outPeak = await peakOf(async () => {
    ms = await timed(async () =>
      pipeline(await exportProject(db, dataDir, HOME), createWriteStream(file)),
    );
  });
  say(
    `2,000 pictures, ${megabytes(statSync(file).size)}: out in ${ms} ms, at most ${megabytes(outPeak)} (${before} before)`,
  );
  const inPeak = await peakOf(async () => {
    ms = await timed(() => importProject(db, dataDir, file));
  });
  say(`in again in ${ms} ms, at most ${megabytes(inPeak)}`);
}

async function measureTable(db: Db): Promise<void> {
  const room = aRoom();
  const log = Array.from({ length: 100_000 }, (_, i) =>
    aDecision({ id: `d${i}`, thingId: `t${i}`, name: `thing number ${i}` }),
  );
  const text = writeDecisionsCsv(log, { rooms: [room], groups: [] });
  const waits: number[] = [];
  let last = performance.now();
  const watch = setInterval(() => {
    const now = performance.now();
    waits.push(now - last - 5);
    last = now;
  }, 5);
  const ms = await timed(() => importDecisionsCsv(db, HOME, { text, acceptGoodRows: false }));
  clearInterval(watch);
  waits.sort((a, b) => a - b);
  const at = (share: number) => Math.round(waits[Math.floor((waits.length - 1) * share)] ?? 0);
  say(
    `100,000 rows in ${ms} ms; others wait ${at(0.5)} ms in the median, ${at(0.99)} at the 99th percentile, ${at(1)} at most`,
  );
}

async function measureDesk(db: Db): Promise<void> {
  const [project] = (await db('projects')) as Record<string, unknown>[];
  for (let home = 0; home < 300; home += 1) {
    const id = projectIdSchema.parse(`h${home}`);
    await db('projects').insert({ ...project, id, name: `Home ${home}` });
    for (let i = 0; i < 4; i += 1) {
      const roomId = `${id}-r${i}`;
      await db('rooms').insert(roomRecord.table.toRow(aRoom({ id: roomId, projectId: id })));
      await db('units').insert(unitRecord.table.toRow(aUnit({ id: `${roomId}-u`, roomId })));
      const bays = [0, 1, 2, 3].map((n) =>
        aBay({ id: `${roomId}-b${n}`, unitId: `${roomId}-u`, rowIndex: n }),
      );
      await db('bays').insert(bays.map(bayRecord.table.toRow));
      const group = aGroup({ id: `${roomId}-g`, projectId: id, roomId, bayId: `${roomId}-b0` });
      await db('groups').insert(groupRecord.table.toRow(group));
      const events = Array.from({ length: 40 }, (_, n) =>
        aDecision({ id: `${roomId}-${n}`, thingId: `${roomId}-${n}`, roomId, groupId: group.id }),
      );
      await appendDecisions(db, id, events);
    }
  }
  const cold = await timed(() => loadDesk(db));
  const warm = await timed(() => loadDesk(db));
  await appendDecisions(db, projectIdSchema.parse('h5'), [
    aDecision({ id: 'x', thingId: 'x', roomId: 'h5-r0' }),
  ]);
  const changed = await timed(() => loadDesk(db));
  say(
    `desk of 300 homes: ${warm} ms, ${changed} ms where one has changed, ${cold} ms the first time`,
  );
}

async function measurePictures(): Promise<void> {
  const large = await noise(9000, 6550, 60);
  const one = await peakOf(() => encodePicture(large));
  const twelve = await peakOf(() =>
    Promise.all(Array.from({ length: 12 }, () => encodePicture(large))),
  );
  say(
    `12 pictures of 59 megapixels at once: at most ${megabytes(twelve)}, one alone ${megabytes(one)}`,
  );
}

const PARTS = ['home', 'table', 'desk', 'pictures'] as const;

async function measure(part: (typeof PARTS)[number]): Promise<void> {
  const dataDir = mkdtempSync(path.join(os.tmpdir(), 'tin-box-bench-'));
  const db = await openDatabase(dataDir);
  try {
    await insertHomeRows(db);
    if (part === 'home') await measureHome(db, dataDir);
    if (part === 'table') await measureTable(db);
    if (part === 'desk') await measureDesk(db);
    if (part === 'pictures') await measurePictures();
  } finally {
    await db.destroy();
    rmSync(dataDir, { recursive: true, force: true });
  }
}

const asked = PARTS.find((part) => part === process.argv[2]);
if (asked) void measure(asked);
else
  for (const part of PARTS)
    spawnSync(
      process.execPath,
      ['--conditions=react-server', '--import', 'tsx', path.join('scripts', 'benchData.ts'), part],
      { stdio: 'inherit', env: { ...process.env, MALLOC_ARENA_MAX: '2' } },
    );
