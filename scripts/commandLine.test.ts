import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import net from 'node:net';
import os from 'node:os';
import path from 'node:path';

const root = path.resolve(__dirname, '..');
const engine = (args: readonly string[], input = '') =>
  spawnSync(path.join(root, 'node_modules/.bin/tsx'), ['scripts/engine.ts', ...args], {
    cwd: root,
    input,
    encoding: 'utf8',
  });
const launch = (args: readonly string[], env: Readonly<Record<string, string>> = {}) =>
  spawnSync(process.execPath, ['scripts/launch.mjs', ...args], {
    cwd: root,
    encoding: 'utf8',
    timeout: 20_000,
    env: { ...process.env, ...env },
  });

const fitRequest = JSON.stringify({
  bay: { id: 'b', width: 600, depth: 300, height: 200 },
  groups: [{ id: 'g', name: 'Hats', litres: 5 }],
  containers: [
    {
      id: 'c',
      name: 'Bin',
      outer: { width: 200, depth: 200, height: 150 },
      innerLitres: 5.5,
      innerHeight: 140,
      material: 'plastic',
      priceMinor: 300,
    },
  ],
});

test('an engine answers on standard output and ends with 0, infeasible or not', () => {
  const fit = engine(['fit'], fitRequest);
  expect([fit.status, JSON.parse(fit.stdout)]).toEqual([
    0,
    expect.objectContaining({ status: 'optimal', objective: 300, bound: 300, costMinor: 300 }),
  ]);
  const shop = engine(
    ['shop'],
    JSON.stringify({
      needs: [{ id: 'n', name: 'Bin', qty: 1, priority: 'must' }],
      offers: [],
      shops: [],
      budgetMinor: 5,
    }),
  );
  expect([shop.status, JSON.parse(shop.stdout)]).toEqual([
    0,
    expect.objectContaining({
      status: 'infeasible',
      objective: null,
      bound: null,
      // As published: a code, a sentence, a subject.
      reasons: [
        {
          code: 'must_not_on_offer',
          message: 'Bin is a must: 1 more is needed, the offers have 0.',
          subject: 'n',
        },
      ],
    }),
  ]);
}, 20_000);

test('things answers a line each, in order, and refuses what it does not know', () => {
  const run = engine(
    ['things'],
    JSON.stringify({
      lines: [
        { id: 'a', text: 'two boxes of 24 plasters' },
        { id: 'b', text: '!!' },
        { id: 'c', text: '3 zorgs' },
      ],
      kinds: [{ words: ['zorg'], litres: [2, 4], massG: 900 }],
    }),
  );
  const { things } = JSON.parse(run.stdout) as { things: { id: string }[] };
  expect(run.status).toBe(0);
  expect(things).toMatchObject([
    { id: 'a', count: 48, kindId: 'plaster' },
    { id: 'b', count: 0, kindId: null, goesTo: [] },
    { id: 'c', count: 3, litres: { value: 9, low: 6, high: 12, from: 'own' } },
  ]);
  const twice = engine(
    ['things'],
    JSON.stringify({
      lines: [
        { id: 'a', text: '' },
        { id: 'a', text: '' },
      ],
    }),
  );
  expect(twice.status).toBe(2);
  expect(JSON.parse(twice.stderr)).toMatchObject({ error: { path: ['lines', 1, 'id'] } });
}, 20_000);

test('zones and moves answer like the others', () => {
  const zones = engine(
    ['zones'],
    JSON.stringify({
      bays: [{ id: 'b', litres: 9, x: 0, y: 0, z: 900 }],
      stations: [{ id: 's', name: 'Kettle', x: 600, y: 0 }],
      people: [{ id: 'p', heightMm: 1700 }],
      groups: [
        { id: 'g', name: 'Cups', litres: 5, usesPerWeek: 5, stationId: 's', userIds: ['p'] },
      ],
    }),
  );
  expect([zones.status, JSON.parse(zones.stdout)]).toEqual([
    0,
    expect.objectContaining({
      status: 'optimal',
      objective: 10,
      walkedMetresPerWeek: 6,
      assignment: [{ groupId: 'g', bayId: 'b' }],
    }),
  ]);
  const moves = engine(
    ['moves'],
    JSON.stringify({
      bays: [{ id: 'a', litres: 5 }],
      groups: [{ id: 'g', litres: 5, from: null, to: 'a' }],
    }),
  );
  expect([moves.status, JSON.parse(moves.stdout)]).toEqual([
    0,
    expect.objectContaining({
      status: 'optimal',
      objective: 0,
      steps: [{ groupId: 'g', from: null, to: 'a' }],
    }),
  ]);
}, 20_000);

test('cut and roll answer like the others', () => {
  const cut = engine(
    ['cut'],
    JSON.stringify({
      stock: [{ id: 's', lengthMm: 1000, priceMinor: 400 }],
      kerfMm: 3,
      pieces: [{ id: 'p', lengthMm: 330, qty: 4 }],
    }),
  );
  expect([cut.status, JSON.parse(cut.stdout)]).toEqual([
    0,
    expect.objectContaining({ status: 'optimal', objective: 800, bound: 800, costMinor: 800 }),
  ]);
  const roll = engine(
    ['roll'],
    JSON.stringify({
      roll: { widthMm: 500, lengthMm: 3000, priceMinor: 900 },
      pieces: [{ id: 'p', widthMm: 300, depthMm: 500, qty: 2 }],
    }),
  );
  expect([roll.status, JSON.parse(roll.stdout)]).toEqual([
    0,
    expect.objectContaining({ status: 'optimal', objective: 1, rolls: 1, usedLengthMm: 600 }),
  ]);
}, 20_000);

test.each([
  [
    'what does not parse',
    ['fit'],
    '{"bay":{"id":"b","width":-1}}',
    { code: 'bad_request', path: ['bay', 'width'] },
  ],
  ['what is no JSON', ['shop'], 'hello', { code: 'not_json' }],
  ['an engine that is none', ['guess'], '', { code: 'unknown_engine' }],
])(
  '%s ends with 2 and says why on standard error',
  (_, args, input, error) => {
    const run = engine(args, input);
    expect([run.status, run.stdout]).toEqual([2, '']);
    expect(JSON.parse(run.stderr)).toMatchObject({ error });
  },
  20_000,
);

test('the schema of a request is printed as JSON Schema', () => {
  const schema = JSON.parse(engine(['shop', '--schema']).stdout) as {
    properties: object;
    required: string[];
  };
  expect(Object.keys(schema.properties)).toEqual(
    expect.arrayContaining([
      'needs',
      'offers',
      'shops',
      'owned',
      'credits',
      'budgetMinor',
      'seed',
      'timeLimitMs',
    ]),
  );
  expect(schema.required).not.toContain('seed');
}, 20_000);

test('a busy port is one clear line and not a start', async () => {
  const server = net.createServer();
  await new Promise<void>((resolve) => void server.listen(0, '127.0.0.1', resolve));
  const { port } = server.address() as net.AddressInfo;
  const run = launch(['start', '--port', String(port)]);
  await new Promise((resolve) => server.close(resolve));
  expect([run.status, run.stderr]).toEqual([
    1,
    `Tin Box cannot start: port ${port} is in use; choose another with --port, e.g. -- --port ${port + 1}.\n`,
  ]);
}, 30_000);

test.each([
  ['a file', (folder: string) => path.join(folder, 'file')],
  ['below a file', (folder: string) => path.join(folder, 'file', 'data')],
])(
  'a data folder that is %s is one clear line',
  (_, pathIn) => {
    const folder = mkdtempSync(path.join(os.tmpdir(), 'tin-box-launch-'));
    writeFileSync(path.join(folder, 'file'), 'kept');
    const run = launch(['start', '--port', '4377'], { TINBOX_DATA: pathIn(folder) });
    rmSync(folder, { recursive: true });
    expect([run.status, run.stderr.split('\n').length]).toEqual([1, 2]);
    expect(run.stderr).toContain('cannot be written to; name another with TINBOX_DATA');
  },
  30_000,
);
