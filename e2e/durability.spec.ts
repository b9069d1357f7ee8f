import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { expect, test } from '@playwright/test';
import Database from 'better-sqlite3';

const PORT = 4398;
const ADDRESS = `http://127.0.0.1:${PORT}`;
const HEADERS = { 'content-type': 'application/json', origin: ADDRESS, 'sec-fetch-site': 'same-origin' };

/** The server itself, not its launcher: killing it must not leave it time for anything. */
async function startServer(dataDir: string): Promise<ChildProcess> {
  const next = path.resolve('node_modules/next/dist/bin/next');
  const child = spawn(process.execPath, [next, 'start', '-H', '127.0.0.1', '-p', String(PORT)], { env: { ...process.env, TINBOX_DATA: dataDir, NODE_ENV: 'production' }, stdio: 'ignore' });
  await expect(async () => expect((await fetch(ADDRESS)).status).toBe(200)).toPass({ timeout: 30_000 });
  return child;
}

const decision = (i: number) => ({
  kind: 'decided', id: `d${i}`, thingId: `t${i}`, decidedAt: '2026-11-06T10:42:00.000Z', device: 'desk', roomId: 'hall', name: `thing ${i}`, count: 1, verdict: 'keep', reasons: [], groupId: null, to: '', litres: 1, massG: 100,
});

/** So often the server is killed, each time amid a burst; more for a long run: `TINBOX_KILLS=20`. */
const KILLS = Number(process.env.TINBOX_KILLS ?? 4);
const BURST = 100;

test('decisions that were acknowledged are there after the server was killed amid a burst, again and again, and count once', async () => {
  test.setTimeout(60_000 + KILLS * 15_000);
  const dataDir = mkdtempSync(path.join(os.tmpdir(), 'tin-box-kill-'));
  const acknowledged = new Set<string>();
  let next = 0;
  try {
    for (let round = 0; round < KILLS; round += 1) {
      const server = await startServer(dataDir);
      if (round === 0) insertProject(dataDir);
      const ended = new Promise((resolve) => server.once('exit', resolve));
      // By the number of answers, not by the clock: a slow machine is killed amid a burst too.
      const killAt = next + 1 + Math.floor(Math.random() * BURST);
      // The last batch of the round before is sent again: it must not count twice.
      for (let i = Math.max(0, next - 5); ; i += 1) {
        if (i === killAt) setTimeout(() => server.kill('SIGKILL'), Math.random() * 30);
        const response = await fetch(`${ADDRESS}/api/projects/home/decisions`, { method: 'POST', headers: HEADERS, body: JSON.stringify({ events: [decision(i)] }) }).catch(() => undefined);
        if (!response) break;
        expect(response.status).toBe(200);
        acknowledged.add(`d${i}`);
        next = Math.max(next, i + 1);
      }
      await ended;
    }
    const db = new Database(path.join(dataDir, 'tinbox.sqlite'), { readonly: true });
    const ids = (db.prepare('SELECT id FROM decision_events').all() as { id: string }[]).map(({ id }) => id);
    const things = (db.prepare('SELECT count(*) AS count FROM things').get() as { count: number }).count;
    db.close();
    expect(acknowledged.size).toBeGreaterThanOrEqual(KILLS);
    expect([...acknowledged].filter((id) => !ids.includes(id))).toEqual([]);
    expect(new Set(ids).size).toBe(ids.length);
    expect(things).toBe(ids.length);
  } finally {
    rmSync(dataDir, { recursive: true, force: true });
  }
});

function insertProject(dataDir: string): void {
  const db = new Database(path.join(dataDir, 'tinbox.sqlite'));
  db.prepare("INSERT INTO projects (id, name, units, currency, budget_minor, ready_by, status, created_at) VALUES ('home', 'Home', 'cm', 'GBP', 0, NULL, 'active', '2026-11-01T09:00:00.000Z')").run();
  db.prepare("INSERT INTO rooms (id, project_id, name, purpose, budget_minor, position) VALUES ('hall', 'home', 'Hall', '', 0, 0)").run();
  db.close();
}
