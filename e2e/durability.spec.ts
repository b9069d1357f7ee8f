import { rmSync } from 'node:fs';
import path from 'node:path';
import { expect, test } from '@playwright/test';
import Database from 'better-sqlite3';

import { createOwnServer, insertHome } from './ownServer';

const server = createOwnServer(4398);
const HEADERS = {
  'content-type': 'application/json',
  origin: server.address,
  'sec-fetch-site': 'same-origin',
};

const decision = (i: number) => ({
  kind: 'decided',
  id: `d${i}`,
  thingId: `t${i}`,
  decidedAt: '2026-11-06T10:42:00.000Z',
  device: 'desk',
  roomId: 'hall',
  name: `thing ${i}`,
  count: 1,
  verdict: 'keep',
  reasons: [],
  groupId: null,
  to: '',
  litres: 1,
  massG: 100,
});

/**
 * So often the server is killed, each time amid a burst of so many decisions, sent in batches with
 * several on the way at once.
 */
const KILLS = Number(process.env.TINBOX_KILLS ?? 6);
const BURST = 2000;
const BATCH = 10;
const AT_ONCE = 4;

test('decisions that were acknowledged are there after the server was killed amid a burst, again and again, and count once', async () => {
  test.setTimeout(60_000 + KILLS * 20_000);
  const acknowledged = new Set<number>();
  let next = 0;
  let unanswered: number[] = [];
  const post = (ids: readonly number[]) =>
    fetch(`${server.address}/api/projects/home/decisions`, {
      method: 'POST',
      headers: HEADERS,
      body: JSON.stringify({ events: ids.map(decision) }),
    }).catch(() => undefined);
  try {
    for (let round = 0; round < KILLS; round += 1) {
      const running = await server.start();
      if (round === 0) insertHome(server.dataDir, ['hall']);
      // By what was answered, not by the clock: a slow machine is killed amid a burst too.
      const killAt = acknowledged.size + Math.floor(Math.random() * BURST);
      const end = next + BURST;
      // What was on the way when the server died last is sent again: it must not count twice.
      const waiting = [...chunksOf(unanswered, BATCH)];
      unanswered = [];
      let isKilled = false;
      const sender = async () => {
        // Goes on sending until the server is gone.
        for (;;) {
          const ids =
            waiting.shift() ?? Array.from({ length: Math.min(BATCH, end - next) }, () => next++);
          if (ids.length === 0) return;
          const response = await post(ids);
          if (response?.status !== 200) {
            unanswered.push(...ids);
            expect(isKilled).toBe(true);
            return;
          }
          for (const id of ids) acknowledged.add(id);
          if (!isKilled && acknowledged.size >= killAt) {
            isKilled = true;
            setTimeout(() => running.kill('SIGKILL'), Math.random() * 15);
          }
        }
      };
      await Promise.all(Array.from({ length: AT_ONCE }, sender));
      await server.stop('SIGKILL');
    }
    const db = new Database(path.join(server.dataDir, 'tinbox.sqlite'), { readonly: true });
    const ids = (db.prepare('SELECT id FROM decision_events').all() as { id: string }[]).map(
      ({ id }) => id,
    );
    const things = (db.prepare('SELECT count(*) AS count FROM things').get() as { count: number })
      .count;
    db.close();
    const kept = new Set(ids);
    expect(acknowledged.size).toBeGreaterThanOrEqual(KILLS * BATCH);
    expect([...acknowledged].filter((id) => !kept.has(`d${id}`))).toEqual([]);
    expect(kept.size).toBe(ids.length);
    expect(things).toBe(ids.length);
  } finally {
    await server.stop('SIGKILL');
    rmSync(server.dataDir, { recursive: true, force: true });
  }
});

function* chunksOf<T>(list: readonly T[], size: number): Generator<T[]> {
  for (let i = 0; i < list.length; i += size) yield list.slice(i, i + size);
}
