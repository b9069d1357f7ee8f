/**
 * Runs an engine on a request from standard input:
 *   npm run -s engine -- fit < request.json > answer.json      npm run -s engine -- fit --schema
 * Exit 0 with an answer (infeasible included), 2 with {"error":{code,message,path}} on standard error.
 */
import { z } from 'zod';

import { fitRequestSchema, planFit } from '@/core/fit';
import { thingsRequestSchema } from '@/core/things';
import { readThings } from '@/core/things/readThings';
import { formatLength, loadSolver, type Clock, type Solver } from '@/core/shared';
import { haulRequestSchema, planHaul } from '@/core/takeAway';
import { movesRequestSchema, planMoves, planZones, zonesRequestSchema } from '@/core/place';
import {
  cutRequestSchema,
  planCuts,
  planRoll,
  planShop,
  rollRequestSchema,
  shopRequestSchema,
} from '@/core/shop';
import { fitReasonWords } from '@/ui/fit/fitWords';
import { planSchedule, scheduleRequestSchema } from '@/core/visits';
import { movesReasonWords, zonesReasonWords } from '@/ui/place/placeWords';
import { haulReasonWords } from '@/ui/takeAway/haulWords';
import { scheduleReasonWords } from '@/ui/visits/scheduleWords';
import { cutReasonWords, rollReasonWords, shopReasonWords } from '@/ui/shop/shopWords';

interface Means {
  readonly solver: Solver;
  readonly clock: Clock;
}
interface Engine {
  readonly schema: z.ZodType;
  readonly run: (request: unknown, means: Means) => object;
}

/** An engine with its reasons as the published format has them: a code, a sentence, a subject. */
const publish = <
  S extends z.ZodType,
  R extends { readonly code: string; readonly subject: string },
>(
  schema: S,
  plan: (request: z.output<S>, means: Means) => object & { readonly reasons: readonly R[] },
  wordsOf: (reason: R, request: z.output<S>) => string,
): Engine => ({
  schema,
  run: (raw, means) => {
    const request = schema.parse(raw);
    const answer = plan(request, means);
    const reasons = answer.reasons.map((reason) => ({
      code: reason.code,
      message: wordsOf(reason, request),
      subject: reason.subject,
    }));
    return { ...answer, reasons };
  },
});

const nameIn =
  (list: readonly { readonly id: string; readonly name: string }[]) =>
  (id: string): string =>
    list.find((one) => one.id === id)?.name ?? id;
const asItIs = (id: string): string => id;

const engines: Readonly<Record<string, Engine>> = {
  things: {
    schema: thingsRequestSchema,
    run: (raw, { clock }) => readThings(thingsRequestSchema.parse(raw), clock),
  },
  fit: publish(fitRequestSchema, planFit, (reason, { groups }) =>
    fitReasonWords(reason, { group: nameIn(groups), unit: 'mm' }),
  ),
  shop: publish(shopRequestSchema, planShop, (reason, { needs }) =>
    shopReasonWords(reason, { need: nameIn(needs), money: (minor) => `${minor} minor units` }),
  ),
  zones: publish(zonesRequestSchema, planZones, (reason, { groups }) =>
    zonesReasonWords(reason, { bay: asItIs, group: nameIn(groups), unit: 'mm' }),
  ),
  cut: publish(cutRequestSchema, planCuts, (reason) =>
    cutReasonWords(reason, { piece: asItIs, unit: 'mm' }),
  ),
  roll: publish(rollRequestSchema, planRoll, (reason) =>
    rollReasonWords(reason, { piece: asItIs, unit: 'mm' }),
  ),
  moves: publish(movesRequestSchema, planMoves, (reason) =>
    movesReasonWords(reason, reason.subject),
  ),
  schedule: publish(scheduleRequestSchema, planSchedule, (reason) =>
    scheduleReasonWords(reason, { task: asItIs, time: (at) => `minute ${at}` }),
  ),
  haul: publish(haulRequestSchema, planHaul, (reason, { loads, destinations }) =>
    haulReasonWords(reason, {
      load: (id) => (loads.some((load) => load.id === id) ? id : 'something'),
      place: nameIn(destinations),
      length: (mm) => formatLength(mm, 'mm'),
    }),
  ),
};

interface EngineError {
  readonly code: string;
  readonly message: string;
  readonly path: readonly PropertyKey[];
  readonly issues?: readonly { readonly path: readonly PropertyKey[]; readonly message: string }[];
}

async function main(args: readonly string[]): Promise<number> {
  const engine = engines[args[0] ?? ''];
  if (!engine)
    return refuse({
      code: 'unknown_engine',
      message: `name an engine: ${Object.keys(engines).join(' | ')}`,
      path: [],
    });
  if (args.includes('--schema')) {
    process.stdout.write(
      `${JSON.stringify(z.toJSONSchema(engine.schema, { io: 'input' }), null, 2)}\n`,
    );
    return 0;
  }
  const text = await readAll(process.stdin);
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch (error) {
    return refuse({
      code: 'not_json',
      message: error instanceof Error ? error.message : String(error),
      path: [],
    });
  }
  const parsed = engine.schema.safeParse(json);
  if (!parsed.success) {
    const issues = parsed.error.issues.map(({ path, message }) => ({ path, message }));
    const first = issues[0];
    const message = issues
      .map((issue) => `${issue.path.join('.') || 'request'}: ${issue.message}`)
      .join('; ');
    return refuse({ code: 'bad_request', message, path: first?.path ?? [], issues });
  }
  const answer = engine.run(json, { solver: await loadSolver(), clock: () => performance.now() });
  process.stdout.write(`${JSON.stringify(answer)}\n`);
  return 0;
}

function refuse(error: EngineError): number {
  process.stderr.write(`${JSON.stringify({ error })}\n`);
  return 2;
}

async function readAll(stream: AsyncIterable<Buffer | string>): Promise<string> {
  const chunks: Buffer[] = [];
  for await (const chunk of stream) chunks.push(Buffer.from(chunk));
  return Buffer.concat(chunks).toString('utf8');
}

void main(process.argv.slice(2)).then((code) => {
  process.exitCode = code;
});
