/** The simulated mailbox on the command line: npm run mailbox [-- --port 4340] */
import { createMailbox } from '@/standins/mailbox/mailbox';
import { startMailbox } from '@/standins/mailbox/startMailbox';

const DEFAULT_PORT = 4340;

async function main(args: readonly string[]): Promise<void> {
  const at = args.indexOf('--port');
  const port = at >= 0 ? Number(args[at + 1]) : DEFAULT_PORT;
  if (!Number.isInteger(port) || port < 0 || port > 65_535)
    throw new Error('--port wants a whole number from 0 to 65535');
  const running = await startMailbox({ port, mailbox: createMailbox() });
  process.stdout.write(`Simulated mailbox at ${running.address} (Ctrl-C ends it)\n`);
}

main(process.argv.slice(2)).catch((error: unknown) => {
  process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`);
  process.exitCode = 1;
});
