/**
 * The simulated shop service on the command line: npm run shop-service [-- --port 4319]
 * It sells what the sample catalogue has at its shop by post, at prices and in numbers that can be
 * moved on its page.
 */
import { createRandom } from '@/core/shared';
import { postedGoods, postShopName } from '@/data/starterCatalogue';
import { createStall } from '@/standins/shopService/stall';
import { startShopService } from '@/standins/shopService/startShopService';

const DEFAULT_PORT = 4319;

async function main(args: readonly string[]): Promise<void> {
  const at = args.indexOf('--port');
  const port = at >= 0 ? Number(args[at + 1]) : DEFAULT_PORT;
  if (!Number.isInteger(port) || port < 0 || port > 65_535)
    throw new Error('--port wants a whole number from 0 to 65535');
  const service = await startShopService({
    port,
    stall: createStall(postedGoods(), createRandom(7)),
    name: postShopName,
  });
  process.stdout.write(`Simulated shop service at ${service.address} (Ctrl-C ends it)\n`);
}

main(process.argv.slice(2)).catch((error: unknown) => {
  process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`);
  process.exitCode = 1;
});
