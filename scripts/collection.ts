/** The simulated collection service on the command line: npm run collection [-- --port 4330] */
import { createCollectionDiary } from '@/standins/collection/diary';
import { startCollection } from '@/standins/collection/startCollection';

const DEFAULT_PORT = 4330;

async function main(args: readonly string[]): Promise<void> {
  const at = args.indexOf('--port');
  const port = at >= 0 ? Number(args[at + 1]) : DEFAULT_PORT;
  if (!Number.isInteger(port) || port < 0 || port > 65_535)
    throw new Error('--port wants a whole number from 0 to 65535');
  const diary = createCollectionDiary(new Date().toISOString().slice(0, 10));
  const running = await startCollection({ port, diary });
  process.stdout.write(`Simulated collection service at ${running.address} (Ctrl-C ends it)\n`);
}

main(process.argv.slice(2)).catch((error: unknown) => {
  process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`);
  process.exitCode = 1;
});
