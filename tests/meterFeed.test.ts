import http from 'node:http';

import { createRandom } from '@/core/shared';
import { createBeam } from '@/standins/meter/beam';
import { startMeter } from '@/standins/meter/startMeter';
import { followMeter, type MeterEvent } from '@/server/devices/meterFeed';

/** Collects events until there are enough. */
async function collect(
  address: string,
  enough: (events: readonly MeterEvent[]) => boolean,
  onEvent?: (event: MeterEvent) => void,
): Promise<MeterEvent[]> {
  const events: MeterEvent[] = [];
  const abort = new AbortController();
  await followMeter(address, abort.signal, (event) => {
    events.push(event);
    onEvent?.(event);
    if (enough(events)) abort.abort();
  });
  return events;
}

test('readings of the simulated meter come through, in order', async () => {
  const meter = await startMeter({ port: 0, random: createRandom(3) });
  const sent: number[] = [];
  const events = await collect(
    `${meter.address}/readings`,
    (all) => all.length === 4,
    ({ kind }) => {
      if (kind === 'connected') for (const mm of [563, 308, 2010]) sent.push(meter.measure(mm));
    },
  );
  expect(events).toEqual([
    { kind: 'connected' },
    ...sent.map((mm) => ({ kind: 'reading', text: `${mm} mm` })),
  ]);
  await meter.close();
});

test('a bridge that goes away is followed again; what is no length is told', async () => {
  let visits = 0;
  const server = http.createServer((_request, response) => {
    visits += 1;
    response.writeHead(200, { 'content-type': 'text/event-stream' });
    response.end(
      visits === 1 ? ': hello\ndata: 14 3/8"\n\ndata: bat' + 'tery low\n\n' : 'data: 365\r\n\r\n',
    );
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const { port } = server.address() as { port: number };
  const events = await collect(
    `http://127.0.0.1:${port}/readings`,
    (all) => all.at(-1)?.kind === 'reading' && visits === 2,
  );
  expect(events).toEqual([
    { kind: 'connected' },
    { kind: 'reading', text: '14 3/8"' },
    { kind: 'unreadable', text: 'battery low' },
    { kind: 'gone' },
    { kind: 'connected' },
    { kind: 'reading', text: '365 mm' },
  ]);
  server.close();
});

test('the meter refuses other sites and distances that are none', async () => {
  const meter = await startMeter({ port: 0, random: createRandom(1) });
  const post = (body: string, headers = {}) =>
    fetch(`${meter.address}/measure`, { method: 'POST', body, headers });
  expect((await post('{"mm":500}', { origin: 'https://elsewhere.example' })).status).toBe(403);
  expect((await post('{"mm":-1}')).status).toBe(400);
  expect((await post('nonsense')).status).toBe(400);
  expect(await (await fetch(meter.address)).text()).toContain('Simulated distance meter');
  await meter.close();
});

test('a beam reads within a few tenths, except now and then at a slant, and then too much', () => {
  const beam = createBeam(createRandom(11));
  const readings = Array.from({ length: 3000 }, () => beam.read(1000));
  const slanted = readings.filter((mm) => mm > 1004);
  expect(slanted.length / readings.length).toBeGreaterThan(0.04);
  expect(slanted.length / readings.length).toBeLessThan(0.1);
  expect(readings.filter((mm) => mm < 996)).toEqual([]);
  expect(Math.max(...readings)).toBeLessThan(1000 / Math.cos((14 * Math.PI) / 180) + 4);
});
