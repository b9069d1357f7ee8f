import { HALL, HOME, aDatabase, aUnit, loadAll } from '@test/builders';
import { fieldActSchema, type FieldAct } from '@/core/field';
import { roomCheckSchema } from '@/core/look';
import { createRandom, type Random } from '@/core/shared';
import type { Db } from '@/data/db';
import { bayRecord, unitRecord } from '@/data/records';
import { listCarries } from '@/data/sessionRepo';
import { applyAct } from '@/server/field/applyAct';
import { noteRoom } from '@/server/look/savePlan';

import { between, timesOf, type Row } from './benchRow';

const ACTS = 10_000;
const PARTITIONS = 50;
const DEVICES = 3;
const CHECKS = 20;
const MINUTE_MS = 60_000;
const BEGIN = Date.parse('2026-11-01T08:00:00.000Z');

/**
 * What three devices with wrong clocks do over a month of broken connections, against the same in the order
 * of its times: answers are lost and acts sent again, and none may count twice or be missing.
 */
export async function benchField(): Promise<Row[]> {
  const random = createRandom(7);
  const db = await aHome();
  const offMs = Array.from({ length: DEVICES }, () => between(random, -180, 180) * MINUTE_MS);
  const all: FieldAct[] = [];
  const times: number[] = [];
  let [sent, lost] = [0, 0];
  for (let partition = 0; partition < PARTITIONS; partition += 1) {
    const waiting = offMs.map((off, device) =>
      Array.from({ length: Math.ceil(ACTS / PARTITIONS / DEVICES) }, (_, n) =>
        anAct(random, { device, at: BEGIN + partition * 600 * MINUTE_MS + n * MINUTE_MS + off }),
      ),
    );
    all.push(...waiting.flat());
    // They come back in any order, each device in its own.
    while (waiting.some((acts) => acts.length > 0)) {
      const acts = waiting[between(random, 0, DEVICES - 1)] ?? [];
      const [first] = acts;
      if (!first) continue;
      const start = performance.now();
      await applyAct(db, HOME, first);
      times.push(performance.now() - start);
      sent += 1;
      // Its answer was lost: it stays, and is sent once more.
      if (random() < 0.15) lost += 1;
      else acts.shift();
    }
  }
  const wrong = differencesOf(await stateOf(db), expectedOf(all));
  await db.destroy();
  return [
    {
      ...timesOf(
        `field, ${all.length} acts of ${DEVICES} devices, ${PARTITIONS} partitions`,
        times,
      ),
      note:
        `${sent} sent, ${lost} answers lost, clocks wrong by up to 3 h, ` +
        `${(times.reduce((sum, ms) => sum + ms, 0) / 1000).toFixed(1)} s in all; ` +
        `${wrong.length} differences to the order of their times${wrong[0] ? `, ${wrong[0]}` : ''}`,
    },
  ];
}

async function aHome(): Promise<Db> {
  const db = await aDatabase();
  const { bays, ...unit } = aUnit();
  await db(unitRecord.table.name).insert(unitRecord.table.toRow(unit));
  for (const bay of bays) await db(bayRecord.table.name).insert(bayRecord.table.toRow(bay));
  await noteRoom(db, HOME, {
    roomId: HALL,
    deed: { code: 'check_answered', name: '' },
    change: {
      checks: Array.from({ length: CHECKS }, (_, i) =>
        roomCheckSchema.parse({ id: `c${i}`, text: `check ${i}`, clear: null, answer: null }),
      ),
    },
  });
  return db;
}

let made = 0;

/** No two at the same time, whichever clocks are wrong. */
function anAct(
  random: Random,
  { device, at }: { readonly device: number; readonly at: number },
): FieldAct {
  made += 1;
  return fieldActSchema.parse({
    id: `field-act-${device}-${made}`,
    at: new Date(at + device).toISOString(),
    by: `phone ${device}`,
    command: { roomId: HALL, ...aCommand(random) },
  });
}

function aCommand(random: Random): object {
  const kind = random();
  if (kind < 0.05)
    return {
      kind: 'bought',
      containerId: null,
      handNeedId: null,
      materialKey: null,
      shopName: 'Corner Store',
      label: 'Hooks',
      pieces: 1,
      paidMinor: between(random, 1, 900),
      cardMinor: 0,
      expectedMinor: null,
      paidBy: '',
    };
  if (kind < 0.1) return { kind: 'debt', note: 'a bag', dueOn: null };
  if (kind < 0.5) return { kind: 'task', task: 'wipe', of: 'unit', isDone: random() < 0.5 };
  return {
    kind: 'check_answered',
    checkId: `c${between(random, 0, CHECKS - 1)}`,
    answer: ([null, 'yes', 'no'] as const)[between(random, 0, 2)],
  };
}

interface State {
  readonly debts: number;
  readonly paidMinor: number;
  readonly isWiped: boolean;
  readonly answers: Readonly<Record<string, string | null>>;
}

async function stateOf(db: Db): Promise<State> {
  const { purchases, setUps, rooms } = await loadAll(db, HOME);
  return {
    debts: (await listCarries(db, HALL)).length,
    paidMinor: purchases.reduce((sum, { paidMinor }) => sum + paidMinor, 0),
    isWiped: setUps.some(({ done }) => done.length > 0),
    answers: Object.fromEntries(
      (rooms.find(({ id }) => id === HALL)?.checks ?? []).map(({ id, answer }) => [id, answer]),
    ),
  };
}

/** The same acts, one after the other in the order of their times, each once. */
function expectedOf(acts: readonly FieldAct[]): State {
  let state: State = {
    debts: 0,
    paidMinor: 0,
    isWiped: false,
    answers: Object.fromEntries(Array.from({ length: CHECKS }, (_, i) => [`c${i}`, null])),
  };
  for (const { command } of [...acts].sort((a, b) => a.at.localeCompare(b.at))) {
    if (command.kind === 'debt') state = { ...state, debts: state.debts + 1 };
    if (command.kind === 'bought')
      state = { ...state, paidMinor: state.paidMinor + command.paidMinor };
    if (command.kind === 'task') state = { ...state, isWiped: command.isDone };
    if (command.kind === 'check_answered')
      state = { ...state, answers: { ...state.answers, [command.checkId]: command.answer } };
  }
  return state;
}

const differencesOf = (is: State, should: State): string[] =>
  (['debts', 'paidMinor', 'isWiped', 'answers'] as const).flatMap((key) =>
    JSON.stringify(is[key]) === JSON.stringify(should[key])
      ? []
      : [`${key}: ${JSON.stringify(is[key])} for ${JSON.stringify(should[key])}`],
  );
