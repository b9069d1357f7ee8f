/**
 * Measures how requests are answered beside a fit of ten seconds: alone, with the fit in a thread, and
 * with the fit in the process that answers, as it was before. npm run bench -- beside
 */
import { spawn } from 'node:child_process';
import http from 'node:http';
import type { AddressInfo } from 'node:net';
import os from 'node:os';
import path from 'node:path';

import { planFit } from '@/core/fit';
import { loadSolver } from '@/core/shared';
import { openMemoryDatabase } from '@/data/db';
import { insertRecord, loadRecords, projectRecord } from '@/data/records';
import { EnginePool } from '@/server/engines/EnginePool';
import { HOME } from '@test/builders';
import { aFitRequest } from './benchFit';

const FIT_MS = 10_000;

/** Two clients that ask one request after the other for so long; their times in ms. */
const CLIENT = `
  const [url, forMs] = process.argv.slice(1);
  const times = [];
  const ask = async () => {
    const end = performance.now() + Number(forMs);
    while (performance.now() < end) {
      const start = performance.now();
      await (await fetch(url)).text();
      times.push(performance.now() - start);
    }
  };
  await Promise.all([ask(), ask()]);
  process.stdout.write(JSON.stringify(times));
`;

async function main(): Promise<void> {
  const db = await openMemoryDatabase();
  await insertRecord(db, projectRecord, projectRecord.table.schema.parse(aProject));
  const server = http.createServer((_, response) => {
    void loadRecords(db, HOME, 'rooms', 'units', 'groups', 'fits', 'purchases').then((records) =>
      response.end(JSON.stringify(records)),
    );
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const url = `http://127.0.0.1:${(server.address() as AddressInfo).port}/`;
  const question = { ...aFitRequest(11, 0.5), timeLimitMs: FIT_MS };
  const pool = new EnginePool({
    file: path.join(process.cwd(), 'build', 'engineThread.mjs'),
    mostThreads: 2,
    mostWaiting: 10,
  });
  const clock = () => performance.now();
  process.stdout.write(
    `${os.cpus()[0]?.model ?? 'unknown processor'}, ${os.cpus().length} cores, Node ${process.version}\n`,
  );
  const alone = await measure(url, 4000);
  tell('alone', alone);
  const inThread = pool.run('fit', question);
  tell('beside a fit of 10 s in a thread', await measure(url, FIT_MS * 0.8), alone);
  tell(`  the fit itself: ${(await inThread).status}`, []);
  const solver = await loadSolver();
  const asked = measure(url, FIT_MS * 0.8);
  await new Promise((resolve) => setTimeout(resolve, 500));
  planFit(question, { solver, clock });
  tell('beside it in the same process', await asked, alone);
  await pool.close();
  server.close();
  await db.destroy();
}

const aProject = {
  id: HOME,
  name: 'Home',
  units: 'cm',
  currency: 'GBP',
  budgetMinor: 0,
  readyBy: null,
  status: 'active',
  archivedAt: null,
  createdAt: '2026-11-01T09:00:00.000Z',
};

function measure(url: string, forMs: number): Promise<number[]> {
  return new Promise((resolve, reject) => {
    const client = spawn(process.execPath, [
      '--input-type=module',
      '-e',
      CLIENT,
      url,
      String(forMs),
    ]);
    let out = '';
    client.stdout.on('data', (piece: Buffer) => (out += piece.toString()));
    client.once('error', reject);
    client.once('close', () => resolve(JSON.parse(out) as number[]));
  });
}

function tell(what: string, times: readonly number[], alone?: readonly number[]): void {
  const at = (list: readonly number[], share: number) =>
    [...list].sort((a, b) => a - b)[Math.floor((list.length - 1) * share)] ?? NaN;
  const figures =
    times.length === 0
      ? ''
      : `: median ${at(times, 0.5).toFixed(1)} ms, 99th percentile ${at(times, 0.99).toFixed(1)} ms, ` +
        `worst ${at(times, 1).toFixed(0)} ms of ${times.length}`;
  const ratio = alone ? `, ratio ${(at(times, 0.5) / at(alone, 0.5)).toFixed(2)}` : '';
  process.stdout.write(`${what}${figures}${ratio}\n`);
}

void main();
