/**
 * The simulated camera: npm run camera [-- --port 4318]. GET /picture?spot=WHERE&moment=before
 * takes a made-up picture.
 */
import { startCamera } from '@/standins/camera/startCamera';

const DEFAULT_PORT = 4318;
const at = process.argv.indexOf('--port');

startCamera({ port: at >= 0 ? Number(process.argv[at + 1]) : DEFAULT_PORT }).then(
  ({ address }) => process.stdout.write(`Simulated camera at ${address} (Ctrl-C ends it)\n`),
  (error: unknown) => {
    process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`);
    process.exitCode = 1;
  },
);
