/**
 * The simulated distance meter on the command line.
 *
 *   npm run meter                      starts it on port 4317; a distance typed here is measured
 * ("563", "14 3/8\"")
 *   npm run meter -- --port 4400       on another port
 *   npm run meter -- 563 "36,5 cm"     measures these with one that runs already
 */
import readline from 'node:readline';

import { createRandom, parseLength } from '@/core/shared';
import { startMeter } from '@/standins/meter/startMeter';

const DEFAULT_PORT = 4317;

async function main(args: readonly string[]): Promise<void> {
  const at = args.indexOf('--port');
  const port = at >= 0 ? Number(args[at + 1]) : DEFAULT_PORT;
  if (!Number.isInteger(port) || port < 0 || port > 65_535)
    throw new Error('--port wants a whole number from 0 to 65535');
  const distances = args.filter((arg, i) => arg !== '--port' && args[i - 1] !== '--port');
  if (distances.length > 0) return measureWith(port, distances);
  const meter = await startMeter({ port, random: createRandom(Date.now() % 1_000_000) });
  process.stdout.write(
    `Simulated distance meter at ${meter.address}; type a true distance to measure it (Ctrl-C ends it)\n`,
  );
  for await (const line of readline.createInterface({ input: process.stdin })) {
    const length = parseLength(line, 'mm');
    process.stdout.write(
      length.ok && length.value.mm > 0
        ? `${meter.measure(length.value.mm)} mm\n`
        : 'that is no distance\n',
    );
  }
}

async function measureWith(port: number, distances: readonly string[]): Promise<void> {
  for (const typed of distances) {
    const length = parseLength(typed, 'mm');
    if (!length.ok) throw new Error(`“${typed}” is no distance`);
    const response = await fetch(`http://127.0.0.1:${port}/measure`, {
      method: 'POST',
      body: JSON.stringify({ mm: length.value.mm }),
    }).catch(() => undefined);
    if (!response?.ok)
      throw new Error(`no simulated meter runs on port ${port}; start one with: npm run meter`);
    process.stdout.write(`${((await response.json()) as { mm: number }).mm} mm\n`);
  }
}

main(process.argv.slice(2)).catch((error: unknown) => {
  process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`);
  process.exitCode = 1;
});
