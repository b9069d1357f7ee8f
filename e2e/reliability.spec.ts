import { spawn, spawnSync } from 'node:child_process';
import { randomBytes, randomUUID } from 'node:crypto';
import { readdirSync, readFileSync, rmSync } from 'node:fs';
import http from 'node:http';
import net from 'node:net';
import path from 'node:path';
import { expect, test } from '@playwright/test';
import Database from 'better-sqlite3';
import sharp from 'sharp';

import { createOwnServer, insertHome } from './ownServer';

const server = createOwnServer(4395);
const own = { origin: server.address, 'sec-fetch-site': 'same-origin' };
const PORT = Number(new URL(server.address).port);

test.beforeAll(async () => {
  await server.start();
  insertHome(server.dataDir, ['hall']);
  insertOther();
});
test.afterAll(async () => {
  await server.stop('SIGKILL');
  rmSync(server.dataDir, { recursive: true, force: true });
});

/** A picture that does not pack: so many bytes and some. */
const aLargePicture = (megabytes: number) => {
  const width = Math.round(Math.sqrt((megabytes * 1e6) / 1.02));
  return sharp(randomBytes(width * width * 3), { raw: { width, height: width, channels: 3 } })
    .jpeg({ quality: 95 })
    .toBuffer();
};
const post = (route: string, body: BodyInit, headers: Record<string, string> = {}) =>
  fetch(`${server.address}${route}`, { method: 'POST', headers: { ...own, ...headers }, body });
const read = <T>(sql: string): T[] => {
  const db = new Database(path.join(server.dataDir, 'tinbox.sqlite'), { readonly: true });
  const rows = db.prepare(sql).all() as T[];
  db.close();
  return rows;
};

test('what is larger than ten megabytes arrives whole: a receipt, a table, a home out and in', async () => {
  test.setTimeout(240_000);
  const picture = await aLargePicture(12.6);
  expect(picture.length).toBeGreaterThan(11_000_000);
  const query = new URLSearchParams({ shop: 'Corner', day: '2026-11-20', total: '12.50' });
  const receipt = await post(`/api/projects/home/receipts?${query}`, new Uint8Array(picture));
  expect([receipt.status, await receipt.text()]).toEqual([
    200,
    expect.stringContaining('pictureId'),
  ]);

  const rows = Array.from(
    { length: 30_000 },
    (_, i) => `Room 1,${'long thing '.repeat(9)}${i},keep`,
  );
  const table = `room,thing,verdict\n${rows.join('\n')}\n`;
  const padded = table.replaceAll('\n', `${','.repeat(280)}\n`);
  expect(padded.length).toBeGreaterThan(11_000_000);
  const imported = await post('/api/projects/home/csv', padded, { accept: 'application/x-ndjson' });
  const last = (await imported.text()).trim().split('\n').at(-1) ?? '';
  expect(JSON.parse(last)).toMatchObject({ faults: [], outcome: { addedCount: 30_000 } });

  const zip = await (await fetch(`${server.address}/api/projects/home/export`)).arrayBuffer();
  expect(zip.byteLength).toBeGreaterThan(10_000_000);
  const copy = await post('/api/projects/import', zip);
  expect(copy.status).toBe(201);
  const { projectId } = (await copy.json()) as { projectId: string };
  const counts = read<{ project_id: string; count: number }>(
    'SELECT project_id, count(*) AS count FROM things GROUP BY project_id',
  );
  expect(new Map(counts.map((row) => [row.project_id, row.count])).get(projectId)).toBe(30_000);

  const tooLarge = await post(
    '/api/projects/home/receipts?shop=C&day=2026-11-20&total=1',
    new Uint8Array(26_000_000),
  );
  expect([tooLarge.status, await tooLarge.text()]).toEqual([413, expect.stringContaining('25 MB')]);
});

/** Over a bare line, for what no client library would send. */
const askRaw = (method: string, route: string, headers: Record<string, string> = {}, body = '') =>
  new Promise<{ status: number; text: string }>((resolve, reject) => {
    const request = http.request({
      port: PORT,
      method,
      path: route,
      headers: { ...own, ...headers },
    });
    request.once('error', reject);
    request.once('response', (response) => {
      let text = '';
      response.on('data', (chunk: Buffer) => (text += String(chunk)));
      response.on('end', () => resolve({ status: response.statusCode ?? 0, text }));
    });
    request.end(body);
  });

test('what is no request is answered as such: 4xx in words, never 500, never a stack', async () => {
  const form = { 'content-type': 'application/x-www-form-urlencoded' };
  const parts = { 'content-type': 'multipart/form-data' };
  const bad: Parameters<typeof askRaw>[] = [
    ['GET', '/projects/%E0%A4%A'],
    ['GET', '/api/pictures/%zz'],
    ['GET', '/%'],
    ['GET', '/projects/a%00b'],
    ['GET', '/api/projects/%00/export'],
    ['TRACE', '/'],
    ['PATCH', '/api/find'],
    ['PUT', '/', {}, 'x'],
    ['POST', '/', form, 'a=b'],
    ['POST', '/', parts, 'x'],
    ['POST', '/projects/new', { 'next-action': 'garbage', 'content-type': 'text/plain' }, '[]'],
    ['POST', '/', { 'next-action': '4'.repeat(42), ...parts }, 'x'],
    ['POST', '/api/projects/home/decisions', {}, '{'],
    ['POST', '/api/projects/home/decisions', {}, 'null'],
    ['PUT', '/api/uploads/x?offset=-1', {}, 'x'],
    ['POST', '/api/uploads/x', {}, '{"totalBytes":1e400}'],
    ['GET', '/api/projects/home/drawings?scale=abc'],
    ['POST', '/api/projects/import', {}, 'PK\u0003\u0004 nonsense'],
    ['GET', '/projects/home/rooms/nowhere/sort'],
    ['GET', `/${'a'.repeat(9000)}`],
  ];
  for (const request of bad) {
    const { status, text } = await askRaw(...request);
    expect([...request.slice(0, 2), status, status >= 400 && status < 500]).toEqual([
      ...request.slice(0, 2),
      status,
      true,
    ]);
    expect(text).not.toMatch(/\bat .*\.(js|ts):\d+|node_modules|SQLITE/);
  }
});

test('a line on which a request never ends is closed', async () => {
  test.setTimeout(180_000);
  const ended = await new Promise<boolean>((resolve) => {
    const socket = net.connect(PORT, '127.0.0.1', () =>
      socket.write('GET / HTTP/1.1\r\nhost: 127.0'),
    );
    socket.once('close', () => resolve(true));
    socket.once('error', () => undefined);
    socket.resume();
    setTimeout(() => resolve(false), 40_000);
  });
  expect(ended).toBe(true);
});

test('a second server on the same folder does not start, and says who holds it', async () => {
  const child = spawn(process.execPath, [path.resolve('scripts/serve.mjs'), '--port', '4394'], {
    env: {
      ...process.env,
      TINBOX_DATA: server.dataDir,
      TINBOX_BACKUPS: 'off',
      NODE_ENV: 'production',
    },
    stdio: ['ignore', 'ignore', 'pipe'],
  });
  let said = '';
  child.stderr.on('data', (chunk: Buffer) => (said += String(chunk)));
  expect(await new Promise((resolve) => child.once('exit', resolve))).toBe(1);
  expect(said).toContain(`another Tin Box holds the data folder: a server`);
  expect(said).toContain(`on port ${PORT}`);
});

/** Every row that is the other home's or names something of it by an id, table by table. */
function dumpOther(): string {
  const db = new Database(path.join(server.dataDir, 'tinbox.sqlite'), { readonly: true });
  // Of every change its rows are looked at where they stand.
  const tables = db
    .prepare(
      "SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT IN ('changes', 'desk_summaries')",
    )
    .pluck()
    .all() as string[];
  const dump = tables.map((table) => {
    const rows = db.prepare(`SELECT * FROM "${table}"`).all() as Record<string, unknown>[];
    return [table, rows.filter(namesOther).map((row) => JSON.stringify(row))];
  });
  db.close();
  return JSON.stringify(dump, null, 1);
}
const namesOther = (row: Record<string, unknown>): boolean =>
  Object.entries(row).some(([column, value]) => {
    const text = String(value);
    if (column === 'id' || column.endsWith('_id')) return text.startsWith('other');
    return column.endsWith('_json') && /"\w*[iI]ds?":\[?[^\]}]*"other-\w+"/.test(text);
  });
function insertOther(): void {
  const db = new Database(path.join(server.dataDir, 'tinbox.sqlite'));
  const length = '{"mm":800,"text":"80"}';
  const now = '2026-11-01T09:00:00.000Z';
  db.exec(`
    INSERT INTO projects (id, name, units, currency, budget_minor, status, created_at) VALUES ('other',
      'Other', 'cm', 'GBP', 5, 'active', '${now}');
    INSERT INTO people (id, project_id, name, height_json, is_child, no_step, position)
      VALUES ('other-person', 'other', 'Ann', '${length}', 0, 0, 0);
    INSERT INTO rooms (id, project_id, name, purpose, budget_minor, position) VALUES ('other-room', 'other', 'Den', '', 0, 0);
    INSERT INTO units (id, room_id, name, kind, width_json, depth_json, height_json, floor_gap_json,
      position) VALUES ('other-unit', 'other-room', 'U', 'cupboard', '${length}', '${length}', '${length}',
      '${length}', 0);
    INSERT INTO bays (id, unit_id, name, column_index, row_index, width_readings_json, depth_readings_json,
      height_readings_json, opening_width_json, opening_height_json, pull_out, moist, out_of_scope, obstacles_json)
      VALUES ('other-bay', 'other-unit', 'B', 0, 0, '[${length}]', '[${length}]', '[${length}]', 'null', 'null', 0,
      0, 0, '[]');
    INSERT INTO groups (id, project_id, room_id, name, uncounted_litres, lid, see, front, loose, position)
      VALUES ('other-group', 'other', 'other-room', 'G', 1, 'any', 'any', 0, 0, 0);
    INSERT INTO sections (id, room_id, name, position, in_scope, bay_ids_json, content, full_percent)
      VALUES ('other-section', 'other-room', 'S', 0, 1, '["other-bay"]', 'mixed', 100);
    INSERT INTO vantage_points (id, room_id, name, position) VALUES ('other-spot', 'other-room', 'V', 0);
    INSERT INTO pictures (id, vantage_point_id, moment, width_px, height_px, taken_at)
      VALUES ('other-picture', 'other-spot', 'before', 4, 4, '${now}');
    INSERT INTO sessions (id, room_id, method, steps_json, present_json, planned_minutes, started_at,
      step_starts_json) VALUES ('other-session', 'other-room', 'quick-pass',
      '[{"name":"a","guidance":"","minutes":5,"share":1}]', '[]', 30, '${now}', '["${now}"]');
    INSERT INTO carries (id, room_id, litres, mass_g, carried_at, note) VALUES ('other-carry', 'other-room', 5, 500, '${now}', 'box');
  `);
  db.close();
}

test('no change of one home touches another, or names anything of it, whatever ids are sent', async () => {
  test.setTimeout(240_000);
  const before = dumpOther();
  const manifest = JSON.parse(
    readFileSync('.next/server/server-reference-manifest.json', 'utf8'),
  ) as {
    node: Record<string, { exportedName?: string }>;
  };
  const actions = Object.keys(manifest.node);
  expect(actions.length).toBeGreaterThan(60);
  const kinds = ['person', 'room', 'bay', 'group', 'section', 'picture', 'session', 'carry'];
  const foreign = kinds.map((kind) => `other-${kind}`);
  const place = { projectId: 'home', roomId: 'other-room' };
  const fields = Object.fromEntries(
    kinds.flatMap((kind) => [
      [`${kind}Id`, `other-${kind}`],
      [`${kind}Ids`, [`other-${kind}`]],
    ]),
  );
  const body = {
    ...fields,
    id: 'other-room',
    name: 'x',
    purpose: '',
    litres: 1,
    massG: 1,
    note: '',
    verdict: null,
    dueOn: null,
    method: 'quick-pass',
    plannedMinutes: 30,
    present: [],
    cleaning: 'wipe',
    cleanedBayIds: ['other-bay'],
    basketsStand: '',
  };
  const wrongs: unknown[][] = [
    ...foreign.flatMap((id) => [
      ['home', id, body],
      ['home', 'hall', id, body],
      [{ projectId: 'home', roomId: 'hall' }, id, id],
    ]),
    ['home', 'other-room', 'other-bay', body],
    [place, body],
    ['home', body],
    ['home', 'nowhere', body],
    ['nowhere', 'other-room', body],
    [{ projectId: 'nowhere', roomId: 'other-room' }, 'other-session', 'next'],
  ];
  const faults: unknown[] = [];
  const runOne = async (action: string, args: unknown[]) => {
    const response = await post('/away', JSON.stringify(args), {
      'next-action': action,
      'content-type': 'text/plain;charset=UTF-8',
    });
    await response.text();
    if (response.status >= 500) faults.push([action, args, response.status]);
  };
  for (const action of actions) await Promise.all(wrongs.map((args) => runOne(action, args)));
  expect(faults).toEqual([]);
  expect(dumpOther()).toBe(before);
  const words = server.said();
  expect(words).not.toMatch(/SQLITE_|TypeError|Cannot read/);
});

test('every route of a home answers 404 for homes and rooms that are not there, and never 500', async () => {
  const folder = path.resolve('src/app/api/projects/[projectId]');
  const routes = readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .filter((name) => name.endsWith('route.ts'))
    .map((name) => path.dirname(name));
  expect(routes.length).toBeGreaterThan(12);
  const query =
    'room=other-room&what=plan&unit=other-unit&shop=a&day=2026-11-20&total=1&format=csv';
  for (const route of routes) {
    for (const home of ['nowhere', 'home']) {
      const gone = home === 'nowhere';
      for (const method of ['GET', 'POST']) {
        const asked = `/api/projects/${home}/${route}?${query}${route.endsWith('csv') ? '&what=things' : ''}`;
        const abort = new AbortController();
        const response = await fetch(`${server.address}${asked}`, {
          method,
          headers: own,
          signal: abort.signal,
          ...(method === 'POST' ? { body: 'room,thing,verdict\nRoom 1,a,keep\n' } : {}),
        });
        const seen = [method, asked, response.status];
        expect([...seen, response.status < 500]).toEqual([...seen, true]);
        if (gone) expect([...seen, response.status >= 400]).toEqual([...seen, true]);
        abort.abort();
      }
    }
  }
});

/** A home whose every number is at an end of what may be kept, and a container that is nothing in height. */
function insertExtremes(): void {
  const db = new Database(path.join(server.dataDir, 'tinbox.sqlite'));
  const length = (mm: number) => JSON.stringify({ mm, text: `${mm} mm` });
  const row = (table: string, values: Record<string, unknown>) => {
    const names = Object.keys(values);
    const marks = names.map(() => '?').join(', ');
    db.prepare(`INSERT INTO ${table} (${names.join(', ')}) VALUES (${marks})`).run(
      ...Object.values(values),
    );
  };
  const now = '2026-11-01T09:00:00.000Z';
  const money = 1_000_000_000;
  const most = {
    width_json: length(100_000),
    depth_json: length(100_000),
    height_json: length(100_000),
  };
  const none = { width_json: length(0), depth_json: length(0), height_json: length(0) };
  row('projects', {
    id: 'ends',
    name: 'x'.repeat(80),
    units: 'in',
    currency: 'SEK',
    budget_minor: money,
    ready_by: '9999-12-31',
    status: 'active',
    created_at: now,
    bed_count: 40,
    guest_place_count: 40,
    wash_every_days: 60,
  });
  row('people', {
    id: 'ends-p',
    project_id: 'ends',
    name: 'y'.repeat(60),
    height_json: length(1),
    is_child: 1,
    no_step: 1,
    position: 0,
  });
  row('rooms', {
    id: 'ends-r',
    project_id: 'ends',
    name: 'z'.repeat(60),
    purpose: '',
    budget_minor: 0,
    position: 0,
    worked_minutes: 1_000_000,
  });
  for (const [id, sides] of [
    ['ends-u0', none],
    ['ends-u1', most],
  ] as const) {
    row('units', {
      id,
      room_id: 'ends-r',
      name: id,
      kind: 'other',
      ...sides,
      floor_gap_json: length(0),
      position: 0,
    });
    const readings = `[${sides.width_json}]`;
    row('bays', {
      id: `${id}-b`,
      unit_id: id,
      name: 'b',
      column_index: 11,
      row_index: 19,
      width_readings_json: readings,
      depth_readings_json: readings,
      height_readings_json: readings,
      opening_width_json: sides.width_json,
      opening_height_json: 'null',
      max_load_g: 1,
      pull_out: 1,
      moist: 1,
      out_of_scope: 0,
      obstacles_json: '[]',
    });
    row('groups', {
      id: `${id}-g`,
      project_id: 'ends',
      room_id: 'ends-r',
      name: 'g',
      bay_id: `${id}-b`,
      stands_bay_id: `${id}-b`,
      uncounted_litres: 10_000,
      lid: 'required',
      see: 'clear',
      front: 1,
      loose: 0,
      position: 0,
    });
    row('sections', {
      id: `${id}-s`,
      room_id: 'ends-r',
      name: 's',
      position: 0,
      in_scope: 1,
      bay_ids_json: `["${id}-b"]`,
      content: 'mixed',
      full_percent: 200,
    });
  }
  for (const [id, height] of [
    ['ends-flat', 0],
    ['ends-vast', 100_000],
  ] as const)
    row('containers', {
      id,
      project_id: 'ends',
      name: id,
      kind: 'box',
      ...most,
      height_json: length(height),
      inner_litres: 10_000,
      inner_height_mm: 100_000,
      inner_width_mm: null,
      shape: 'box',
      lid: 1,
      clear: 1,
      stackable: 1,
      turnable: 1,
      material: 'plastic',
      max_stack: 50,
      tare_g: 0,
      max_load_g: 1,
      owned_count: 10_000,
    });
  row('purchases', {
    id: 'ends-b',
    room_id: 'ends-r',
    container_id: 'gone',
    shop_name: 's',
    label: 'l',
    pieces: 100_000,
    paid_minor: money,
    bought_at: now,
  });
  db.close();
}

test('numbers at their ends and a container that is nothing: every page says what it has, none breaks', async () => {
  test.setTimeout(300_000);
  insertExtremes();
  const event = {
    kind: 'decided',
    id: 'ends-d',
    thingId: 'ends-t',
    decidedAt: '2026-11-06T10:42:00.000Z',
    device: 'desk',
    roomId: 'ends-r',
    name: 'n'.repeat(120),
    count: 10_000,
    verdict: 'keep',
    reasons: [],
    groupId: 'ends-u0-g',
    to: '',
    litres: 100_000,
    massG: 100_000_000,
  };
  const sent = await post('/api/projects/ends/decisions', JSON.stringify({ events: [event] }));
  expect(sent.status).toBe(200);
  const folder = path.resolve('src/app');
  const pages = readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .filter((name) => name.endsWith('page.tsx'))
    .map((name) => `/${path.dirname(name)}`.replace('/.', '/'))
    .map((name) =>
      name
        .replace('[projectId]', 'ends')
        .replace('[roomId]', 'ends-r')
        .replace('[unitId]', 'ends-u0'),
    );
  expect(pages.length).toBeGreaterThan(25);
  const broken: unknown[] = [];
  for (const page of pages) {
    const response = await fetch(`${server.address}${page}`);
    const text = await response.text();
    // A page that broke after its head was sent says so in its stream.
    const isBroken = /That did not work|"digest":"(?!NEXT_)/.test(text);
    if (response.status >= 500 || isBroken) broken.push([page, response.status]);
  }
  expect([broken, broken.length > 0 ? server.said() : '']).toEqual([[], '']);
  for (const route of [
    'measures?format=csv',
    'client?download',
    'client-pdf',
    'agreement',
    'export',
    'dates-card',
    'drawings?room=ends-r&what=front&scale=10&format=svg',
  ]) {
    const response = await fetch(`${server.address}/api/projects/ends/${route}`);
    await response.arrayBuffer();
    expect([route, response.status < 500]).toEqual([route, true]);
  }
});

const TSX = ['--conditions=react-server', '--import', 'tsx'];

/**
 * So often the server is killed, each time amid uploads, a home and a table coming in, decisions
 * and a backup.
 */
const KILLS = Number(process.env.TINBOX_KILLS ?? 6);

test('killed amid uploads, imports and a backup, again and again, it has all that it answered for and nothing by half', async () => {
  test.setTimeout(120_000 + KILLS * 30_000);
  const picture = await aLargePicture(0.4);
  const seen = {
    pictures: new Set<string>(),
    homes: new Set<string>(),
    tables: new Set<string>(),
    backups: 0,
  };
  const backups = `${server.dataDir}-kept`;
  const spot = 'kill-spot';
  const db = new Database(path.join(server.dataDir, 'tinbox.sqlite'));
  db.prepare(
    "INSERT INTO vantage_points (id, room_id, name, position) VALUES (?, 'hall', 'K', 9)",
  ).run(spot);
  db.close();
  const zip = await (await fetch(`${server.address}/api/projects/other/export`)).arrayBuffer();
  await server.stop('SIGKILL');
  for (let round = 0; round < KILLS; round += 1) {
    const running = await server.start();
    let isDead = false;
    const forever = async (work: () => Promise<void>) => {
      while (!isDead) await work().catch(() => undefined);
    };
    const upload = async () => {
      const id = randomUUID();
      const sent = await fetch(`${server.address}/api/uploads/${id}?offset=0`, {
        method: 'PUT',
        headers: own,
        body: new Uint8Array(picture),
      });
      await sent.text();
      const finish = JSON.stringify({
        projectId: 'home',
        spot: { vantagePointId: spot, moment: 'after' },
        totalBytes: picture.length,
      });
      const answers = await Promise.all([0, 1].map(() => post(`/api/uploads/${id}`, finish)));
      if (answers.some(({ status }) => status === 201)) seen.pictures.add(id);
    };
    const bringIn = async () => {
      const response = await post('/api/projects/import', zip);
      if (response.status === 201)
        seen.homes.add(((await response.json()) as { projectId: string }).projectId);
    };
    const table = async () => {
      const name = randomUUID();
      const rows = Array.from({ length: 300 }, (_, i) => `Room 1,G ${name},${name} ${i},keep`);
      const response = await post(
        '/api/projects/home/csv',
        `room,group,thing,verdict\n${rows.join('\n')}\n`,
      );
      if (response.status === 200) seen.tables.add(name);
    };
    const backUp = () =>
      new Promise<void>((resolve) => {
        const child = spawn(
          process.execPath,
          [...TSX, 'scripts/backup.ts', '--to', backups, '--keep', '3'],
          { env: { ...process.env, TINBOX_DATA: server.dataDir }, stdio: 'ignore' },
        );
        child.once('exit', (code) => {
          seen.backups += code === 0 ? 1 : 0;
          resolve();
        });
        // The backup is killed too, at some moment.
        if (round % 2 === 1) setTimeout(() => child.kill('SIGKILL'), 900 + Math.random() * 1500);
      });
    const works = [forever(upload), forever(upload), forever(bringIn), forever(table)];
    const saving = backUp();
    // By what was answered, not by the clock: a slow machine is killed amid all of it too.
    const goals = [seen.pictures.size, seen.homes.size, seen.tables.size].map((size) => size + 1);
    await expect
      .poll(
        () =>
          [seen.pictures.size, seen.homes.size, seen.tables.size].every(
            (size, i) => size >= (goals[i] ?? 0),
          ),
        { timeout: 25_000, intervals: [50] },
      )
      .toBe(true);
    await new Promise((resolve) => setTimeout(resolve, Math.random() * 700));
    running.kill('SIGKILL');
    isDead = true;
    await Promise.all([...works, saving]);
    await server.stop('SIGKILL');
  }
  await server.start();
  const pictureRows = read<{ id: string }>('SELECT id FROM pictures').map(({ id }) => id);
  const files = new Set(readdirSync(path.join(server.dataDir, 'pictures')));
  const kept = new Set(pictureRows);
  expect([...seen.pictures].filter((id) => !kept.has(id))).toEqual([]);
  expect(pictureRows.filter((id) => id !== 'other-picture' && !/^[0-9a-f-]{36}$/.test(id))).toEqual(
    [],
  );
  const withFiles = [...seen.pictures].filter(
    (id) => files.has(`${id}.jpg`) && files.has(`${id}.thumb.jpg`),
  );
  expect(withFiles.length).toBe(seen.pictures.size);
  const homes = new Set(read<{ id: string }>('SELECT id FROM projects').map(({ id }) => id));
  expect([...seen.homes].filter((id) => !homes.has(id))).toEqual([]);
  // Whole or not at all: every home that came in has its one room, every table all of its rows and its group.
  const rooms = read<{ project_id: string; count: number }>(
    "SELECT project_id, count(*) AS count FROM rooms WHERE name = 'Den' GROUP BY project_id",
  );
  expect(rooms.every(({ count }) => count === 1)).toBe(true);
  expect(rooms.length).toBe(read("SELECT id FROM projects WHERE name LIKE 'Other%'").length);
  const groups = read<{ name: string; count: number }>(
    `SELECT g.name AS name, count(t.id) AS count FROM groups g LEFT JOIN things t
     ON t.project_id = 'home' AND t.thing_json ->> 'groupId' = g.id WHERE g.name LIKE 'G %' GROUP BY g.name`,
  );
  expect(groups.filter(({ count }) => count !== 300)).toEqual([]);
  const named = new Set(groups.map(({ name }) => name.slice(2)));
  expect([...seen.tables].filter((name) => !named.has(name))).toEqual([]);
  expect(read('SELECT 1 FROM import_rows')).toEqual([]);
  // Each kind was in the middle of something, and got somewhere.
  expect(seen.backups).toBeGreaterThan(0);
  // Whatever was killed, the backups that are there are whole, and the folder is sound.
  const made = readdirSync(backups).filter((name) => /^tin-box-[\d-]+$/.test(name));
  expect(made.length).toBeGreaterThan(0);
  for (const name of made) {
    const into = path.join(backups, `restored-${name}`);
    const args = ['scripts/restore.ts', path.join(backups, name), '--to', into];
    const restored = spawnSync(process.execPath, [...TSX, ...args], { encoding: 'utf8' });
    expect([restored.status, restored.stderr]).toEqual([0, '']);
  }
  rmSync(backups, { recursive: true, force: true });
});
