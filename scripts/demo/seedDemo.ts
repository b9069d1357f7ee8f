import {
  addDays,
  addMinutes,
  addMonths,
  endOfMonth,
  formatISO,
  subDays,
  subMinutes,
} from 'date-fns';

import { personSchema, projectSchema, type Project } from '@/core/agree';
import { commonContainers, containerProductSchema, planFit, tidyFit } from '@/core/fit';
import {
  pictureSchema,
  roomSchema,
  unitSchema,
  usableLitresOf,
  vantagePointSchema,
  type Unit,
} from '@/core/look';
import {
  containerIdSchema,
  groupIdSchema,
  invariant,
  loadSolver,
  roomIdSchema,
  type Length,
} from '@/core/shared';
import { giftCardSchema, handNeedSchema, OTHER_OFFER, purchaseSchema } from '@/core/shop';
import {
  boxKey,
  boxOf,
  carrySchema,
  createParser,
  decisionEventSchema,
  factsOf,
  foldDecisions,
  groupSchema,
  keptLitresOf,
  leavingStatesOf,
  methods,
  openBoxesOf,
  sessionSchema,
  timeSteps,
  type DecisionEvent,
  type Group,
} from '@/core/sort';
import type { Db } from '@/data/db';
import { appendDecisions } from '@/data/decisionLog';
import { createFitRequest, fitNames } from '@/server/fit/takeFit';
import { keepPictureFiles } from '@/data/pictureFiles';
import {
  bayRecord,
  containerRecord,
  findProject,
  fitRecord,
  fitWishesRecord,
  giftCardRecord,
  groupRecord,
  handNeedRecord,
  loadRecords,
  personRecord,
  pictureRecord,
  projectRecord,
  purchaseRecord,
  roomRecord,
  sessionRecord,
  unitRecord,
  vantagePointRecord,
  carryRecord,
  insertRecord,
} from '@/data/records';
import { encodePicture } from '@/server/look/encodePicture';
import { loadRoomShopping, planRoomShopping } from '@/server/shop/roomShopping';
import { drawScene, toSceneContainers, type SceneBay } from '@/standins/camera/drawScene';
import { demoHomes, type DemoBay, type DemoHome, type DemoRoom, type DemoUnit } from './homes';
import { measure } from './measure';
import { seedAgain } from './seedAgain';
import { seedClient } from './seedClient';
import { seedArrangements, seedHomeDraft } from './seedArrangements';
import { seedEarlier } from './seedEarlier';
import { seedMoney } from './seedMoney';
import { listWorkers } from '@/data/settingsRepo';
import { seedPlans } from './seedPlans';
import { seedSetUp } from './seedSetUp';
import { seedTakeAway } from './seedTakeAway';
import { seedVisits, seedWorkers } from './seedVisits';

/** Puts the demo's homes in where they are not there yet; dates count back from today. */
export async function seedDemo(db: Db, dataDir: string): Promise<void> {
  if ((await listWorkers(db)).length === 0) await seedWorkers(db);
  await seedEarlier(db, dataDir);
  for (const home of demoHomes) {
    const project = toProject(home, new Date());
    if (await findProject(db, project.id)) continue;
    process.stdout.write(`Seeding ${home.name} …\n`);
    await insertHome(db, home, project);
    await seedPlans(db, project);
    for (const room of home.rooms) {
      await insertDecisions(db, room, project);
      await seedArrangements(db, project, room.key);
      await takeFits(db, room, project);
      await buy(db, room, project);
      if (room.bought === 'half') await seedMoney(db, dataDir, { project, roomKey: room.key });
      await insertPictures(db, dataDir, { room, project, home });
    }
    await seedHomeDraft(db, project);
    await seedVisits(db, project, new Date());
    await seedSetUp(db, project, new Date());
    await seedTakeAway(db, project, new Date());
    await seedClient(db, project, new Date());
    await seedAgain(db, project, new Date());
  }
}

const dayAgo = (home: DemoHome, offset: number, now = new Date()): Date =>
  subDays(now, Math.max(0, home.startedDaysAgo - offset));

const toProject = (home: DemoHome, now: Date): Project =>
  projectSchema.parse({
    id: home.key,
    name: home.name,
    units: home.key === 'narrowboat' ? 'in' : 'cm',
    currency: 'GBP',
    budgetMinor: home.budget * 100,
    readyBy: formatISO(addDays(now, home.readyInDays), { representation: 'date' }),
    status: home.status,
    createdAt: dayAgo(home, 0, now).toISOString(),
  });

const readings = (texts: string): Length[] => texts.split('|').map(measure);

async function insertHome(db: Db, home: DemoHome, project: Project): Promise<void> {
  await db.transaction(async (trx) => {
    await trx(projectRecord.table.name).insert(projectRecord.table.toRow(project));
    for (const [i, [name, height, trait]] of home.people.entries()) {
      const person = personSchema.parse({
        id: `${home.key}-person-${i}`,
        projectId: project.id,
        name,
        height: measure(height),
        isChild: trait === 'child',
        noStep: trait !== undefined,
        position: i,
      });
      await trx(personRecord.table.name).insert(personRecord.table.toRow(person));
    }
    for (const [i, owned] of home.owned.entries()) {
      const [width, depth, height] = owned.size;
      const traits = owned.traits ?? '';
      const product = containerProductSchema.parse({
        id: `${home.key}-owned-${i}`,
        projectId: project.id,
        name: owned.name,
        kind: owned.kind,
        material: owned.material,
        width: measure(`${width} mm`),
        depth: measure(`${depth} mm`),
        height: measure(`${height} mm`),
        innerLitres: owned.litres,
        innerHeightMm: height - 4,
        innerWidthMm: null,
        shape: traits.includes('R') ? 'round' : 'box',
        lid: traits.includes('L'),
        clear: traits.includes('C'),
        stackable: traits.includes('S'),
        maxStack: traits.includes('S') ? 3 : null,
        tareG: Math.round(owned.litres * 40),
        maxLoadG: 8000,
        turnable: true,
        ownedCount: owned.count,
      });
      await trx(containerRecord.table.name).insert(containerRecord.table.toRow(product));
    }
    for (const [i, [name, count]] of (home.made ?? []).entries()) {
      const common = commonContainers.find((candidate) => candidate.name === name);
      invariant(common, `demo container ${name}`);
      const {
        sizeMm: [width, depth, height],
        ...facts
      } = common;
      const litres = Math.round(((width - 8) * (depth - 8) * (height - 4)) / 1e5) / 10;
      await trx(containerRecord.table.name).insert(
        containerRecord.table.toRow(
          containerProductSchema.parse({
            ...facts,
            id: `${home.key}-made-${i}`,
            projectId: project.id,
            width: measure(`${width} mm`),
            depth: measure(`${depth} mm`),
            height: measure(`${height} mm`),
            innerLitres: Math.max(0.1, litres),
            innerHeightMm: height - 4,
            innerWidthMm: null,
            shape: 'box',
            maxStack: common.stackable ? 3 : null,
            tareG: Math.round(litres * 40),
            maxLoadG: 5000,
            turnable: true,
            ownedCount: count,
          }),
        ),
      );
    }
    for (const [i, [shopId, amountMinor]] of (home.giftCards ?? []).entries())
      await trx(giftCardRecord.table.name).insert(
        giftCardRecord.table.toRow(
          giftCardSchema.parse({
            id: `${home.key}-card-${i}`,
            projectId: project.id,
            shopId,
            amountMinor,
          }),
        ),
      );
    for (const [position, room] of home.rooms.entries())
      await insertRoom(trx, { room, project, position });
  });
}

async function insertRoom(
  trx: Db,
  {
    room,
    project,
    position,
  }: { readonly room: DemoRoom; readonly project: Project; readonly position: number },
): Promise<void> {
  await trx(roomRecord.table.name).insert(
    roomRecord.table.toRow(
      roomSchema.parse({
        id: room.key,
        projectId: project.id,
        name: room.name,
        purpose: room.purpose,
        budgetMinor: room.budget * 100,
        position,
      }),
    ),
  );
  for (const [i, demoUnit] of room.units.entries()) {
    const unit = toUnit(demoUnit, room.key, i);
    await trx(unitRecord.table.name).insert(unitRecord.table.toRow(unit));
    for (const bay of unit.bays) await trx(bayRecord.table.name).insert(bayRecord.table.toRow(bay));
  }
  for (const [i, spot] of room.spots.entries()) {
    await trx(vantagePointRecord.table.name).insert(
      vantagePointRecord.table.toRow(
        vantagePointSchema.parse({
          id: `${room.key}-spot-${i}`,
          roomId: room.key,
          name: spot.name,
          position: i,
        }),
      ),
    );
  }
  for (const [i, group] of room.groups.entries()) {
    const record = groupSchema.parse({
      id: `${room.key}-${group.key}`,
      projectId: project.id,
      roomId: room.key,
      name: group.name,
      bayId: group.bay,
      uncountedLitres: group.uncounted ?? 0,
      lid: group.lid ?? 'any',
      see: group.see ?? 'any',
      front: group.front ?? false,
      loose: group.loose ?? false,
      asks: group.asks ?? {},
      position: i,
    });
    await trx(groupRecord.table.name).insert(groupRecord.table.toRow(record));
  }
}

function toUnit(unit: DemoUnit, roomId: string, position: number): Unit {
  const [width, depth, height, floorGap] = unit.size.map(measure);
  return unitSchema.parse({
    id: unit.key,
    roomId,
    name: unit.name,
    kind: unit.kind,
    width,
    depth,
    height,
    floorGap,
    position,
    bays: unit.bays.map((bay) => toBay(bay, unit.key)),
  });
}

function toBay(bay: DemoBay, unitId: string) {
  const [width, depth, height] = bay.size.map(readings);
  const box = bay.obstacle?.box;
  return {
    id: bay.key,
    unitId,
    name: bay.name,
    columnIndex: bay.at[0],
    rowIndex: bay.at[1],
    widthReadings: width,
    depthReadings: depth,
    heightReadings: height,
    openingWidth: bay.opening === undefined ? null : measure(bay.opening),
    openingHeight: null,
    maxLoadG: bay.maxLoadKg === undefined ? null : bay.maxLoadKg * 1000,
    pullOut: bay.pullOut ?? false,
    moist: bay.moist ?? false,
    outOfScope: bay.outOfScope ?? false,
    obstacles:
      bay.obstacle && box
        ? [
            {
              label: bay.obstacle.label,
              x: box[0],
              y: box[1],
              z: box[2],
              width: box[3],
              depth: box[4],
              height: box[5],
            },
          ]
        : [],
  };
}

/** One decision every two to four minutes, from a visit some days ago. */
async function insertDecisions(db: Db, room: DemoRoom, project: Project): Promise<void> {
  const { groups } = await loadRecords(db, project.id, 'groups');
  const inRoom: readonly Group[] = groups.filter((group) => group.roomId === room.key);
  const parse = createParser({ groups: inRoom, mustAsk: project.terms.neverLeaves });
  let at = addDays(new Date(project.createdAt), 4 + (room.key.length % 5));
  const sessionFrom = room.session ? room.things.length - room.session.thingCount : Infinity;
  const events = room.things.map(([text, verdict, groupKey, to, monthsLeft], i): DecisionEvent => {
    const parsed = parse(text);
    invariant(parsed, `demo thing ${text}`);
    // What belongs to the session that goes on was decided in its last step.
    at =
      room.session && i === sessionFrom
        ? subMinutes(new Date(), room.session.thingCount * 2)
        : addMinutes(at, i > sessionFrom ? 1 + (i % 2) : 2 + (i % 3));
    const groupId = groupKey === undefined ? null : `${room.key}-${groupKey}`;
    return decisionEventSchema.parse({
      kind: 'decided',
      id: `${room.key}-decision-${i}`,
      thingId: `${room.key}-thing-${i}`,
      decidedAt: at.toISOString(),
      device: 'desk',
      roomId: room.key,
      name: parsed.name,
      count: parsed.count,
      verdict,
      reasons: [...parsed.reasons],
      groupId,
      to: to ?? '',
      litres: Math.round(parsed.litres * 100) / 100,
      massG: Math.round(parsed.massG),
      ...factsOf(parsed),
      ...(monthsLeft === undefined
        ? {}
        : {
            expiresOn: formatISO(endOfMonth(addMonths(new Date(), monthsLeft)), {
              representation: 'date',
            }),
          }),
    });
  });
  if (events.length > 0) await appendDecisions(db, project.id, events);
  await insertCarries(db, room, { events, decidedUntil: at });
  if (room.session) await insertSession(db, room, room.session);
}

/** What earlier visits carried out: the boxes have left the home, but for what the visit at hand decides. */
async function insertCarries(
  db: Db,
  room: DemoRoom,
  {
    events,
    decidedUntil,
  }: { readonly events: readonly DecisionEvent[]; readonly decidedUntil: Date },
): Promise<void> {
  const things = foldDecisions(events).slice(
    0,
    room.session ? -room.session.thingCount : undefined,
  );
  const boxes = openBoxesOf(things, leavingStatesOf(things, []));
  for (const [key, box] of boxes) {
    const inIt = things.filter((thing) => {
      const own = boxOf(thing);
      return own !== undefined && boxKey(own) === key;
    });
    const carriedAt = room.session ? subMinutes(new Date(), 60) : decidedUntil;
    // What is for sale still waits by the door.
    const goneAt = box.verdict === 'sell' ? null : addDays(carriedAt, room.session ? 0 : 1);
    await insertRecord(
      db,
      carryRecord,
      carrySchema.parse({
        id: `${room.key}-out-${key.replace(/\W+/g, '-')}`,
        roomId: room.key,
        verdict: box.verdict,
        toward: box.toward,
        litres: box.litres,
        massG: Math.round(box.massG),
        thingIds: inIt.map(({ id }) => id),
        carriedAt: carriedAt.toISOString(),
        note: '',
        dueOn: null,
        settledAt: null,
        goneAt: goneAt === null ? null : goneAt.toISOString(),
        goneBy: goneAt === null ? '' : 'the organizer',
      }),
    );
  }
}

/** A visit in the middle: some steps done, the next one begun as its first thing was decided. */
async function insertSession(
  db: Db,
  room: DemoRoom,
  { unit, minutesAgo, thingCount, stepsDone }: NonNullable<DemoRoom['session']>,
): Promise<void> {
  const startedAt = subMinutes(new Date(), minutesAgo);
  const decidingFrom = subMinutes(new Date(), thingCount * 2 + 1);
  const before = Array.from({ length: stepsDone }, (_, i) =>
    addMinutes(
      startedAt,
      ((decidingFrom.getTime() - startedAt.getTime()) / 60_000) * (i / stepsDone),
    ),
  );
  const session = sessionSchema.parse({
    id: `${room.key}-session`,
    roomId: room.key,
    sectionId: `${unit}-section`,
    method: 'empty-all',
    steps: timeSteps(methods['empty-all'], 180),
    present: ['Nora', 'Grandad Alf'],
    plannedMinutes: 180,
    startedAt: startedAt.toISOString(),
    stepStarts: [...before, decidingFrom].map((start) => start.toISOString()),
    endedAt: null,
  });
  await db(sessionRecord.table.name).insert(sessionRecord.table.toRow(session));
}

async function takeFits(db: Db, room: DemoRoom, project: Project): Promise<void> {
  const solver = await loadSolver();
  const wished = [
    ...(room.fits ?? []).map(([bayKey, prefer]) => ({ bayKey, prefer, uses: [], pins: [] })),
    ...(room.levelFits ?? []).map(([bayKey, prefer, uses, pins = []]) => ({
      ...{ bayKey, prefer },
      uses: uses.map((key) => containerIdSchema.parse(`sample-${key}`)),
      pins: pins.map(([groupKey, key]) => ({
        groupId: groupIdSchema.parse(`${room.key}-${groupKey}`),
        containerId: containerIdSchema.parse(`sample-${key}`),
      })),
    })),
  ];
  for (const { bayKey, prefer, uses, pins } of wished) {
    const records = await loadRecords(db, project.id, ...fitNames);
    const bay = records.units.flatMap((unit) => unit.bays).find(({ id }) => id === bayKey);
    invariant(bay, `demo bay ${bayKey}`);
    if (uses.length + pins.length > 0) {
      const wishes = { id: bay.id, forbidden: [], pins, uses, airMm: 0 };
      await db(fitWishesRecord.table.name).insert(fitWishesRecord.table.toRow(wishes));
    }
    const asked = await loadRecords(db, project.id, ...fitNames);
    const request = await createFitRequest(db, asked, { bayId: bay.id, prefer });
    const answer = planFit(
      {
        ...request,
        timeLimitMs: 3000,
      },
      { solver, clock: () => performance.now() },
    );
    if (answer.status === 'infeasible')
      process.stdout.write(`  ${bayKey}: ${answer.reasons[0]?.code ?? 'no fit'}\n`);
    else
      await db(fitRecord.table.name).insert(
        fitRecord.table.toRow({
          id: bay.id,
          prefer,
          answer: tidyFit(request, answer, 'spread'),
          takenAt: addDays(new Date(project.createdAt), 9).toISOString(),
          checks: [],
          insteadOf: [],
        }),
      );
  }
}

/** Buys what the list says, or the first half of it, as the till would have it. */
async function buy(db: Db, room: DemoRoom, project: Project): Promise<void> {
  if (!room.bought) return;
  const records = await loadRecords(
    db,
    project.id,
    'containers',
    'fits',
    'giftCards',
    'shortages',
    'groups',
    'handNeeds',
    'materials',
    'priorities',
    'project',
    'purchases',
    'rooms',
    'units',
  );
  const plan = await planRoomShopping(
    await loadRoomShopping(db, records, roomIdSchema.parse(room.key)),
  );
  const boughtAt = addDays(new Date(project.createdAt), 11).toISOString();
  const lines = plan.answer.buys
    .filter(({ offerId }) => !offerId.startsWith(OTHER_OFFER))
    .map(({ offerId, packs }) => {
      const offer = plan.request.offers.find(({ id }) => id === offerId);
      const shop = plan.request.shops.find(({ id }) => id === offer?.shopId);
      const name = plan.request.needs.find(({ id }) => id === offer?.needId)?.name ?? '';
      return {
        containerId: offer?.needId ?? null,
        shopName: shop?.name ?? '',
        label: name,
        pieces: packs * (offer?.packSize ?? 1),
        paidMinor: packs * (offer?.priceMinor ?? 0),
      };
    });
  const deliveries = plan.answer.perShop
    .filter(({ deliveryMinor }) => deliveryMinor > 0)
    .map((bill) => ({
      containerId: null,
      shopName: plan.request.shops.find(({ id }) => id === bill.shopId)?.name ?? '',
      label: 'Delivery',
      pieces: 0,
      paidMinor: bill.deliveryMinor,
    }));
  // One pack too many, bought to be sure: it can still go back.
  const [first] = room.key === 'boot-room' ? lines : [];
  for (const [i, [name, qty, packSize, priceMinor, priority]] of (room.byHand ?? []).entries())
    await db(handNeedRecord.table.name).insert(
      handNeedRecord.table.toRow(
        handNeedSchema.parse({
          id: `${room.key}-by-hand-${i}`,
          roomId: room.key,
          name,
          qty,
          packSize,
          priceMinor,
          priority,
          shopId: 'sample-shop-yard',
        }),
      ),
    );
  const returnBy = formatISO(addDays(new Date(), 9), { representation: 'date' });
  const bought =
    room.bought === 'half'
      ? lines.slice(0, Math.ceil(lines.length / 2))
      : [...lines, ...deliveries];
  for (const [i, line] of [...bought, ...(first ? [first] : [])].entries()) {
    // One shelf price was not the till price.
    const paidMinor = i === 1 && room.bought === 'half' ? line.paidMinor + 60 : line.paidMinor;
    await db(purchaseRecord.table.name).insert(
      purchaseRecord.table.toRow(
        purchaseSchema.parse({
          ...line,
          paidMinor,
          expectedMinor: line.paidMinor,
          paidBy: i % 2 === 0 ? 'the client' : 'Wren',
          id: `${room.key}-purchase-${i}`,
          roomId: room.key,
          boughtAt,
          returnBy: line.pieces === 0 || project.status === 'finished' ? null : returnBy,
        }),
      ),
    );
  }
}

/** Draws the pictures from the records, so that they match the data. */
async function insertPictures(
  db: Db,
  dataDir: string,
  {
    room,
    project,
    home,
  }: { readonly room: DemoRoom; readonly project: Project; readonly home: DemoHome },
): Promise<void> {
  const records = await loadRecords(db, project.id, ...fitNames);
  const units = records.units.filter((unit) => unit.roomId === room.key);
  const bays: SceneBay[] = [];
  for (const bay of units.flatMap((unit) => unit.bays)) {
    const fit = records.fits.find(({ bayId }) => bayId === bay.id);
    const request =
      fit && (await createFitRequest(db, records, { bayId: bay.id, prefer: fit.prefer }));
    const kept = records.groups
      .filter((group) => group.bayId === bay.id)
      .reduce((sum, group) => sum + keptLitresOf(group, records.things), 0);
    bays.push({
      bayId: bay.id,
      fillRatio: kept / Math.max(1, usableLitresOf(bay)),
      containers: fit && request ? toSceneContainers(request, fit.answer.placements) : [],
    });
  }
  for (const [i, spot] of room.spots.entries()) {
    for (const moment of spot.moments) {
      const encoded = await encodePicture(
        await drawScene({ units, moment, bays, seed: room.key.length * 31 + i }),
      );
      invariant(encoded.ok, 'a drawn picture is a picture');
      const takenAt = dayAgo(home, moment === 'before' ? 1 : 14).toISOString();
      const picture = pictureSchema.parse({
        id: `${room.key}-picture-${i}-${moment}`,
        vantagePointId: `${room.key}-spot-${i}`,
        moment,
        widthPx: encoded.value.widthPx,
        heightPx: encoded.value.heightPx,
        takenAt,
      });
      await keepPictureFiles(dataDir, { id: picture.id, bytes: encoded.value }, async (place) => {
        await db(pictureRecord.table.name).insert(pictureRecord.table.toRow(picture));
        await place();
      });
    }
  }
}
