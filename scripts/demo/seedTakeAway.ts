import { addDays, formatISO, subDays } from 'date-fns';

import type { Project } from '@/core/agree';
import {
  handoverIdSchema,
  haulDestinationIdSchema,
  haulTripIdSchema,
  loadSolver,
  saleIdSchema,
  thingIdSchema,
  type ThingId,
} from '@/core/shared';
import {
  haulDestinationSchema,
  linesOf,
  planHaul,
  readHours,
  readRefuses,
  startLeaving,
  USUAL_VALUES,
  type HaulDestination,
  type Stream,
} from '@/core/takeAway';
import type { Db } from '@/data/db';
import {
  carryRecord,
  handoverRecord,
  haulDestinationRecord,
  haulTripRecord,
  insertIfMissing,
  insertRecord,
  leavingRecord,
  loadRecords,
  saleRecord,
} from '@/data/records';
import { keepCars } from '@/data/settingsRepo';
import { planLeaving } from '@/server/takeAway/planLeaving';

const REUSE = haulDestinationIdSchema.parse('second-round');
const SITE = haulDestinationIdSchema.parse('harrow-lane');
const VAN = haulDestinationIdSchema.parse('loft-and-cellar');

interface Made {
  readonly id: HaulDestination['id'];
  readonly name: string;
  readonly streams: readonly Stream[];
  readonly address: string;
  readonly minutes: number;
  readonly hours: string;
  readonly refuses?: string;
  readonly more?: Partial<HaulDestination>;
}
/** Made up, like everything here. */
const MADE: readonly Made[] = [
  {
    id: REUSE,
    name: 'Second Round reuse shop',
    streams: ['give', 'textile'],
    address: '3 Tanner’s Yard',
    minutes: 14,
    hours: 'Mon-Sat 10:00-13:00, 14:00-17:00; Sun 14:00-17:00',
    refuses: 'mattresses; shoes heavier than 2 kg; longer than 150 cm',
    more: { givesReceipt: true, bagsPerVisit: 6, unloadMinutes: 12 },
  },
  {
    id: SITE,
    name: 'Harrow Lane recycling centre',
    streams: ['recycle', 'electricals', 'batteries', 'hazardous', 'textile'],
    address: 'Harrow Lane, gate 2',
    minutes: 22,
    hours: 'Mon-Sun 8:00-18:00',
    refuses: 'heavier than 40 kg',
    more: { unloadMinutes: 20 },
  },
  {
    id: haulDestinationIdSchema.parse('corner-pharmacy'),
    name: 'Corner pharmacy',
    streams: ['pharmacy'],
    address: '18 Ferry Street',
    minutes: 6,
    hours: 'Mon-Sat 9:00-18:30; Sun 10:00-16:00',
    more: { unloadMinutes: 5 },
  },
  {
    id: VAN,
    name: 'Loft and Cellar collection',
    streams: ['give', 'sell'],
    address: '',
    minutes: 0,
    hours: '',
    refuses: 'heavier than 30 kg',
    more: { collects: true, byAppointment: true, feeMinor: 1200, minutes: null },
  },
];

const toDestination = ({ hours, refuses = '', more, streams, ...made }: Made): HaulDestination => {
  const [open, refused] = [readHours(hours), readRefuses(refuses)];
  if (!open.ok || !refused.ok) throw new Error(`invariant: ${made.name} is written as it is read`);
  return haulDestinationSchema.parse({
    position: null,
    between: [],
    exceptions: [],
    bagsPerVisit: null,
    unloadMinutes: 10,
    byAppointment: false,
    collects: false,
    givesReceipt: false,
    feeMinor: 0,
    note: '',
    ...made,
    streams: [...streams],
    hours: open.value,
    refuses: refused.value,
    ...more,
  });
};

const day = (date: Date): string => formatISO(date, { representation: 'date' });
/** What was taken away weeks ago, with its receipt: of other things of the same rooms. */
const GONE_EARLIER = ['music-room-out-donate-', 'workbench-out-recycle-batteries'];
/** Brought to the shop, and refused there. */
const REFUSED = thingIdSchema.parse('boot-room-thing-5');

/** Boxes by the door, trips around opening hours, a pick-up, a refusal, receipts. */
export async function seedTakeAway(db: Db, project: Project, now: Date): Promise<void> {
  for (const made of MADE) await insertIfMissing(db, haulDestinationRecord, toDestination(made));
  if (project.id !== 'quarry-row') return;
  await keepCars(db, [
    {
      name: 'Small hatchback',
      widthMm: 960,
      heightMm: 520,
      lengthMm: 620,
      downLengthMm: 1080,
      maxG: 290_000,
      trailer: null,
    },
  ]);
  await waitByTheDoor(db, project);
  await handOverEarlier(db, project, now);
  const { things } = await loadRecords(db, project.id, 'things');
  const curtains = things.find(({ name, verdict }) => verdict === 'sell' && /curtain/.test(name));
  await insertRecord(db, leavingRecord, {
    ...startLeaving(project.id),
    carName: 'Small hatchback',
    boxLitres: 60,
    wantsValues: true,
    choices: curtains ? [{ thingId: curtains.id, destinationId: VAN }] : [],
  });
  if (curtains) await offer(db, project, { thingId: curtains.id, now });
  await insertRecord(db, haulTripRecord, {
    id: haulTripIdSchema.parse('pick-up-curtains'),
    projectId: project.id,
    day: day(addDays(now, 3)),
    departMinute: 540,
    stopIds: [VAN],
    pickUp: {
      slotId: `${day(addDays(now, 3))}-am`,
      from: 540,
      to: 720,
      state: 'booked',
      said: '',
    },
    startedAt: null,
    endedAt: null,
  });
  const solver = await loadSolver();
  const planned = await planLeaving(db, project.id, (request) =>
    Promise.resolve(planHaul(request, { solver, clock: () => performance.now() })),
  );
  if (!planned.ok) throw new Error(`invariant: the demo’s boxes go in: ${planned.error.code}`);
}

/** What the bench of four rooms carried to the door has not left yet. */
async function waitByTheDoor(db: Db, project: Project): Promise<void> {
  const { carries, rooms } = await loadRecords(db, project.id, 'carries', 'rooms');
  for (const carry of carries)
    if (
      rooms.some(({ id }) => id === carry.roomId) &&
      carry.verdict !== 'elsewhere' &&
      carry.verdict !== 'discard' &&
      !GONE_EARLIER.includes(carry.id)
    )
      await db(carryRecord.table.name)
        .where({ id: carry.id })
        .update(carryRecord.table.toRow({ ...carry, goneAt: null, goneBy: '' }));
}

/** Two handovers with receipts; the shoes came back from the first. */
async function handOverEarlier(db: Db, project: Project, now: Date): Promise<void> {
  const { carries, things } = await loadRecords(db, project.id, 'carries', 'things');
  for (const [i, id] of GONE_EARLIER.entries()) {
    const carry = carries.find((each) => each.id === id);
    if (!carry) continue;
    const destination = toDestination(MADE[i]!);
    const at = carry.goneAt ?? subDays(now, 16).toISOString();
    const refused = things.find((thing) => thing.id === REFUSED);
    const loads = carry.thingIds.map((thingId) => ({
      thingId,
      count: things.find((thing) => thing.id === thingId)?.count ?? 1,
    }));
    const handoverId = handoverIdSchema.parse(`handed-over-${i}`);
    await insertRecord(db, handoverRecord, {
      id: handoverId,
      projectId: project.id,
      destinationId: destination.id,
      destinationName: destination.name,
      stream: i === 0 ? 'give' : 'batteries',
      tripId: null,
      at,
      by: 'Wren',
      lines: linesOf([{ loads }], things, USUAL_VALUES),
      refused:
        i === 0 && refused
          ? [
              {
                thingId: refused.id,
                name: refused.name,
                count: refused.count,
                reason: 'no worn shoes',
              },
            ]
          : [],
      receiptNumber: i === 0 ? 'SR 2207' : '',
      pictureId: null,
    });
    await db(carryRecord.table.name)
      .where({ id })
      .update(
        carryRecord.table.toRow({ ...carry, goneAt: at, goneBy: destination.name, handoverId }),
      );
  }
}

const offer = (
  db: Db,
  project: Project,
  { thingId, now }: { readonly thingId: ThingId; readonly now: Date },
): Promise<void> =>
  insertRecord(db, saleRecord, {
    id: saleIdSchema.parse('sale-curtains'),
    projectId: project.id,
    thingId,
    askingMinor: 4500,
    offeredAt: 'the village board',
    offeredOn: day(subDays(now, 20)),
    byDay: day(subDays(now, 1)),
    reservedFor: '',
    soldMinor: null,
    soldOn: null,
    feeMinor: 0,
  });
