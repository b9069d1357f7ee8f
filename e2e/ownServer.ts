import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { expect } from '@playwright/test';
import Database from 'better-sqlite3';

/** A server of a test's own, which may be stopped, killed and started again without a word to the others. */
export interface OwnServer {
  readonly address: string;
  readonly dataDir: string;
  readonly start: () => Promise<ChildProcess>;
  /** Ends it and waits until it is gone. */
  readonly stop: (signal?: NodeJS.Signals) => Promise<void>;
  /** What it has said of faults since its last start. */
  readonly said: () => string;
}

/** The server itself, not its launcher: killing it must not leave it time for anything. */
export function createOwnServer(
  port: number,
  env: Readonly<Record<string, string>> = {},
): OwnServer {
  const address = `http://127.0.0.1:${port}`;
  const dataDir = mkdtempSync(path.join(os.tmpdir(), 'tin-box-own-'));
  let child: ChildProcess | undefined;
  let said = '';
  return {
    address,
    dataDir,
    said: () => said,
    start: async () => {
      child = spawn(process.execPath, [path.resolve('scripts/serve.mjs'), '--port', String(port)], {
        env: {
          ...process.env,
          ...env,
          TINBOX_DATA: dataDir,
          TINBOX_PORT: String(port),
          TINBOX_BACKUPS: 'off',
          NODE_ENV: 'production',
        },
        stdio: ['ignore', 'ignore', 'pipe'],
      });
      said = '';
      child.stderr?.on('data', (chunk: Buffer) => (said += String(chunk)));
      await expect(async () => expect((await fetch(address)).status).toBe(200)).toPass({
        timeout: 120_000,
        intervals: [100, 200, 300],
      });
      return child;
    },
    stop: async (signal = 'SIGTERM') => {
      if (!child || child.exitCode !== null || child.signalCode !== null) return;
      const ended = new Promise((resolve) => child?.once('exit', resolve));
      child.kill(signal);
      await ended;
    },
  };
}

/** The door of the network before such a server; resolves once it opens. */
export async function openGateway(
  dataDir: string,
  { port, lanPort }: { readonly port: number; readonly lanPort: number },
): Promise<ChildProcess> {
  const child = spawn(
    process.execPath,
    ['--conditions=react-server', '--import', 'tsx', 'scripts/gateway.ts'],
    {
      env: {
        ...process.env,
        TINBOX_DATA: dataDir,
        TINBOX_PORT: String(port),
        TINBOX_LAN_PORT: String(lanPort),
      },
      stdio: 'ignore',
    },
  );
  await expect
    .poll(() => fetch(`http://127.0.0.1:${lanPort}/`).then(Boolean, () => false), {
      timeout: 120_000,
    })
    .toBe(true);
  return child;
}

const length = (mm: number): string => JSON.stringify({ mm, text: `${mm} mm` });

/**
 * Rooms with a measured shelf each (with `hasTop` a second one above it), and one section that is
 * that shelf. Requires: the server has run once.
 */
export function insertHome(
  dataDir: string,
  roomIds: readonly string[],
  { hasTop = false } = {},
): void {
  const db = new Database(path.join(dataDir, 'tinbox.sqlite'));
  db.prepare(
    'INSERT INTO projects (id, name, units, currency, budget_minor, ready_by, status, ' +
      "created_at) VALUES ('home', 'Home', 'cm', 'GBP', 0, NULL, 'active', " +
      "'2026-11-01T09:00:00.000Z')",
  ).run();
  db.prepare(
    "INSERT INTO people (id, project_id, name, height_json, is_child, no_step, position) VALUES ('nora', 'home', 'Nora', ?, 0, 0, 0)",
  ).run(length(1680));
  for (const [i, room] of roomIds.entries()) {
    db.prepare(
      "INSERT INTO rooms (id, project_id, name, purpose, budget_minor, position) VALUES (?, 'home', ?, '', 0, ?)",
    ).run(room, `Room ${i + 1}`, i);
    db.prepare(
      'INSERT INTO units (id, room_id, name, kind, width_json, depth_json, height_json, ' +
        "floor_gap_json, position) VALUES (?, ?, 'Cupboard', 'cupboard', ?, ?, ?, ?, 0)",
    ).run(`unit-${room}`, room, length(800), length(400), length(900), length(0));
    const readings = (mm: number) => `[${length(mm)}]`;
    const bays = [
      [`bay-${room}`, 'Shelf', 0],
      ...(hasTop ? [[`top-${room}`, 'Top', 1] as const] : []),
    ] as const;
    for (const [id, name, row] of bays)
      db.prepare(
        'INSERT INTO bays (id, unit_id, name, column_index, row_index, width_readings_json, ' +
          'depth_readings_json, height_readings_json, opening_width_json, opening_height_json, ' +
          'max_load_g, pull_out, moist, out_of_scope, obstacles_json) VALUES (?, ?, ?, 0, ?, ?, ?, ?, ' +
          "'null', 'null', NULL, 0, 0, 0, '[]')",
      ).run(id, `unit-${room}`, name, row, readings(760), readings(380), readings(350));
    db.prepare(
      'INSERT INTO sections (id, room_id, name, position, in_scope, bay_ids_json, content, ' +
        "full_percent) VALUES (?, ?, 'The cupboard', ?, 1, ?, 'mixed', 100)",
    ).run(`section-${room}`, room, i, JSON.stringify([`bay-${room}`]));
  }
  db.close();
}

/** Lets every link of a home end on a day, as if that day had come. */
export function endLinks(dataDir: string, endsAt: string): void {
  const db = new Database(path.join(dataDir, 'tinbox.sqlite'));
  db.prepare("UPDATE client_pages SET ends_at = ? WHERE way = 'link'").run(endsAt);
  db.close();
}
