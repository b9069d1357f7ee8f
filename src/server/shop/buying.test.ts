import { mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';

import sharp from 'sharp';

import { costMinorOf, findFitFaults, planFit } from '@/core/fit';
import {
  bayIdSchema,
  containerIdSchema,
  groupIdSchema,
  invariant,
  loadSolver,
  projectIdSchema,
  roomIdSchema,
  shopIdSchema,
} from '@/core/shared';
import { approvalStateOf, checkReceipt, materialsSchema, priceLines } from '@/core/shop';
import {
  aBay,
  aDatabase,
  aDecision,
  aGroup,
  aUnit,
  HALL,
  HOME,
  insertGroup,
  mm,
  loadAll,
} from '@test/builders';
import { cpuClock as clock } from '@test/cpuClock';
import { moveChange } from '@/data/changes';
import { picturesDir, type Db } from '@/data/db';
import { appendDecisions } from '@/data/decisionLog';
import { bayRecord, containerRecord, projectRecord, unitRecord } from '@/data/records';
import { insertStarterCatalogue } from '@/data/starterCatalogue';

import { listOpenPlaces } from '../fit/openPlaces';
import { listAskable, loadShopLists } from '../client/askable';
import { createFitRequest, listFitContainers, takeFit, takeFits } from '../fit/takeFit';
import {
  correctContainer,
  countBrokenElsewhere,
  findSubstitutes,
  noteFitWish,
  noteMockCheck,
} from '../fit/wishes';
import { addGiftCard, addHandNeed, approveNeed, noteShortage, takeSubstitute } from './buying';
import { loadHomeFacts, loadRoomsMoney, sumHomeMoney } from './homeMoney';
import { materialsOf, saveMaterials } from './materials';
import { importPurchasesCsv, writePurchasesCsv } from './purchasesCsv';
import { addReceipt, dayOf, removeReceipt } from './receipts';
import {
  addPurchase,
  loadRoomShopping,
  planRoomShopping,
  removePurchase,
  loadPriceList,
} from './roomShopping';
import { listWaysInstead, sumTillWith } from './till';

const shelf = bayIdSchema.parse('shelf');
const hats = groupIdSchema.parse('hats');
const loft = shopIdSchema.parse('sample-shop-loft');
let db: Db;
beforeEach(async () => {
  db = await aDatabase();
  await insertStarterCatalogue(db);
  const unit = aUnit({ bays: [aBay()] });
  await db(unitRecord.table.name).insert(unitRecord.table.toRow(unit));
  for (const bay of unit.bays) await db(bayRecord.table.name).insert(bayRecord.table.toRow(bay));
  await insertGroup(db, aGroup({ bayId: 'shelf' }));
  await appendDecisions(db, HOME, [
    aDecision({ groupId: 'hats', count: 10, litres: 12, massG: 1100 }),
  ]);
});
afterEach(() => db.destroy());

const records = () => loadAll(db, HOME);
const solve = async () => {
  const request = await createFitRequest(db, await records(), { bayId: shelf, prefer: 'cost' });
  return {
    request,
    answer: planFit(request, { solver: await loadSolver(), clock }),
  };
};
async function takeCheapest() {
  const { answer } = await solve();
  expect(await takeFit(db, HOME, { bayId: shelf, prefer: 'cost', answer })).toMatchObject({
    ok: true,
  });
  return { answer, used: containerIdSchema.parse(answer.placements[0]?.containerId) };
}
const aHandNeed = (name: string, qty: number) => ({
  roomId: HALL,
  name,
  qty,
  priority: 'must' as const,
  shopId: loft,
  packSize: 4,
  priceMinor: 300,
});
test('what was bought since a fit was shown costs nothing when it is taken, and is free for the next', async () => {
  const { answer } = await solve();
  const used = answer.placements[0]!.containerId;
  const count = answer.placements.filter(({ containerId }) => containerId === used).length;
  expect(answer.costMinor).toBeGreaterThan(0);
  await addPurchase(db, HOME, {
    roomId: HALL,
    containerId: containerIdSchema.parse(used),
    ...{ shopName: 'Loft', label: 'Tubs', pieces: count, paidMinor: 100 },
  });
  const { request } = await solve();
  expect(request.containers.find(({ id }) => id === used)?.spare).toBe(count);
  expect(await takeFit(db, HOME, { bayId: shelf, prefer: 'cost', answer })).toMatchObject({
    ok: true,
  });
  const [fit] = (await records()).fits;
  expect(fit?.answer.costMinor).toBe(costMinorOf(request, answer));
  expect(fit?.answer.costMinor).toBeLessThan(answer.costMinor);
});

const plan = async () => planRoomShopping(await loadRoomShopping(db, await records(), HALL));

test('a forbidden container is not used, a pinned one only; letting go brings the first answer back', async () => {
  const { answer, used } = await takeCheapest();
  await noteFitWish(db, HOME, shelf, { kind: 'forbid', containerId: used });
  const without = await solve();
  expect(without.answer.placements.map(({ containerId }) => containerId)).not.toContain(used);
  expect(without.answer.costMinor).toBeGreaterThanOrEqual(answer.costMinor);
  const pinned = containerIdSchema.parse('sample-box-lid-12');
  await noteFitWish(db, HOME, shelf, { kind: 'pin', groupId: hats, containerId: pinned });
  expect(new Set((await solve()).answer.placements.map(({ containerId }) => containerId))).toEqual(
    new Set([pinned]),
  );
  await noteFitWish(db, HOME, shelf, { kind: 'forbid', containerId: pinned });
  expect((await records()).fitWishes[0]).toMatchObject({ pins: [], forbidden: [used, pinned] });
  for (const containerId of [used, pinned])
    await noteFitWish(db, HOME, shelf, { kind: 'allow', containerId });
  expect((await solve()).answer.costMinor).toBe(answer.costMinor);
});

test('a corrected size never changes a fit that was taken: it says what no longer goes in, and ticks stay', async () => {
  const { used } = await takeCheapest();
  await noteMockCheck(db, HOME, shelf, {
    index: 0,
    goesIn: true,
    comesOut: true,
    doorShuts: false,
  });
  expect((await records()).fits[0]?.checks).toEqual([
    { index: 0, goesIn: true, comesOut: true, doorShuts: false },
  ]);
  const outer = (await records()).containers.find(({ id }) => id === used);
  if (!outer) throw new Error('the fit uses a container');
  const size = { containerId: used, widthMm: outer.width.mm, depthMm: outer.depth.mm };
  expect(await correctContainer(db, HOME, { ...size, heightMm: outer.height.mm + 1 })).toEqual({
    ok: true,
    value: [{ bayId: shelf, bayName: 'Shelf', faults: [] }],
  });
  const before = (await records()).fits;
  expect(await correctContainer(db, HOME, { ...size, heightMm: 900 })).toMatchObject({
    ok: true,
    value: [{ faults: [{ rule: 'outside_bay' }, { rule: 'opening' }] }],
  });
  expect((await records()).fits).toEqual(before);
  // What is taken instead and stands where it stood keeps its ticks; the rest is to be tried.
  await moveChange(db, HOME, 'undo');
  const [fit] = before;
  invariant(fit, 'a fit was taken');
  await takeFit(db, HOME, { bayId: shelf, prefer: 'easy', answer: fit.answer });
  expect((await records()).fits[0]).toMatchObject({ prefer: 'easy', checks: fit.checks });
});

test('many fits are one change; one that no longer goes in is left out and told', async () => {
  const { answer } = await solve();
  const wrong = {
    ...answer,
    placements: answer.placements.map((placement) => ({ ...placement, x: 5000 })),
  };
  expect(
    (await takeFits(db, HOME, { prefer: 'cost', fits: [{ bayId: shelf, answer: wrong }] }))
      .flat()
      .map(({ rule }) => rule),
  ).toContain('outside_bay');
  expect((await records()).fits).toEqual([]);
  expect(await takeFits(db, HOME, { prefer: 'cost', fits: [{ bayId: shelf, answer }] })).toEqual(
    [],
  );
  expect((await records()).fits).toHaveLength(1);
});

test('what is sold out is named, the rest stays, no fit proposes it, and what goes in instead is the same each time', async () => {
  const { used } = await takeCheapest();
  await addHandNeed(db, HOME, aHandNeed('Hooks', 5));
  await db('offers').where({ container_id: used }).update({ in_stock: 0 });
  const short = await plan();
  expect(short.lacking).toMatchObject([{ needId: used }]);
  expect(short.answer).toMatchObject({ status: 'optimal', buys: [{ packs: 2 }] });
  expect((await solve()).answer.placements.map(({ containerId }) => containerId)).not.toContain(
    used,
  );
  const ask = async () => findSubstitutes(db, await records(), { containerId: used });
  const [substitute] = await ask();
  if (!substitute) throw new Error('something else goes in');
  expect(findFitFaults((await solve()).request, substitute.answer)).toEqual([]);
  expect(await ask()).toEqual([substitute]);
  const [way] = await listWaysInstead(db, await records(), { roomId: HALL, containerId: used });
  await takeSubstitute(db, HOME, { containerId: used, bayId: shelf });
  const after = await plan();
  expect(after).toMatchObject({ lacking: [], answer: { status: 'optimal' } });
  expect(after.answer.payMinor).toBe(way?.payMinor);
  expect(after.needs.map(({ container }) => container.id)).not.toContain(used);
  // The client is told what it takes the place of.
  const { fits, containers } = await records();
  expect(fits[0]?.insteadOf).toEqual([used]);
  const replaced = containers.find(({ id }) => id === used)?.name ?? '';
  const asked = listAskable(await records(), await loadShopLists(db, await records(), 'now'));
  expect(asked.flatMap((each) => (each.about === 'purchase' ? each.known : []))).toContain(
    `In the place of: ${replaced}.`,
  );
});

test('“not here” is said of one line in one shop, holds for every room, and is taken back by thumb', async () => {
  const { used } = await takeCheapest();
  const first = await plan();
  const shopOf = ({ request, answer }: typeof first) =>
    request.offers.find(({ id }) => id === answer.buys[0]?.offerId)?.shopId;
  const shopId = shopIdSchema.parse(shopOf(first));
  const line = { roomId: HALL, needId: used, shopId };
  await noteShortage(db, HOME, { ...line, isShort: true });
  const around = await plan();
  expect(shopOf(around)).not.toBe(shopId);
  expect((await records()).fits).toHaveLength(1);
  for (const shop of first.request.shops.filter(({ id }) => id !== shopId))
    await noteShortage(db, HOME, { ...line, shopId: shopIdSchema.parse(shop.id), isShort: true });
  expect(await plan()).toMatchObject({ answer: { buys: [] }, lacking: [{ needId: used }] });
  for (const { shopId: said } of (await records()).shortages)
    await noteShortage(db, HOME, { ...line, shopId: said, isShort: false });
  expect((await plan()).answer.buys).toEqual(first.answer.buys);
  await expect(
    noteShortage(db, HOME, { ...line, needId: 'no such line', isShort: true }),
  ).rejects.toThrow('no such line');
});

test('the till takes whole packs, and nothing again for what is bought', async () => {
  const { answer, used } = await takeCheapest();
  const till = async () =>
    sumTillWith(await loadRoomShopping(db, await records(), HALL), shelf, answer);
  const open = await till();
  expect(open).toMatchObject({ addsMinor: (await plan()).answer.payMinor, lackQty: 0 });
  await addPurchase(db, HOME, {
    roomId: HALL,
    containerId: used,
    shopName: 'Loft',
    label: 'all of them',
    pieces: answer.placements.filter(({ containerId }) => containerId === used).length,
    paidMinor: 100,
  });
  const rest = answer.placements.filter(({ containerId }) => containerId !== used);
  expect((await till()).addsMinor).toBeLessThan(open.addsMinor);
  if (rest.length === 0) expect((await till()).addsMinor).toBe(0);
});

test('things by hand are bought in the same plan, a gift card pays at its shop only and is used up', async () => {
  await addHandNeed(db, HOME, aHandNeed('Wall anchors', 5));
  await addGiftCard(db, HOME, { shopId: loft, amountMinor: 450 });
  const first = await plan();
  expect(first.answer).toMatchObject({
    status: 'optimal',
    payMinor: 150,
    perShop: [{ goodsMinor: 600, creditMinor: 450 }],
  });
  const need = (await records()).handNeeds[0];
  await addPurchase(db, HOME, {
    roomId: HALL,
    containerId: null,
    handNeedId: need?.id ?? null,
    shopName: 'The Bin Loft',
    label: 'Wall anchors',
    pieces: 4,
    paidMinor: 320,
    cardMinor: 320,
    expectedMinor: 300,
    paidBy: 'the client',
  });
  const second = await plan();
  expect(second.answer).toMatchObject({
    payMinor: 170,
    perShop: [{ goodsMinor: 300, creditMinor: 130 }],
  });
  expect(second.request.budgetMinor).toBe(first.request.budgetMinor);
  const again = {
    roomId: HALL,
    containerId: null,
    shopName: 'The Bin Loft',
    label: 'Hooks',
    pieces: 1,
    paidMinor: 500,
    cardMinor: 131,
  };
  expect(await addPurchase(db, HOME, again)).toEqual({
    ok: false,
    error: { code: 'card_too_small', leftMinor: 130 },
  });
  expect(
    await addPurchase(db, HOME, { ...again, shopName: 'Harrow Lane Hardware', cardMinor: 1 }),
  ).toMatchObject({ ok: false, error: { leftMinor: 0 } });
  expect((await records()).purchases).toHaveLength(1);
  await expect(
    addGiftCard(db, HOME, { shopId: shopIdSchema.parse('nowhere'), amountMinor: 1 }),
  ).rejects.toMatchObject({ code: 'not_found' });
});

test('the client’s yes holds until the line comes to more', async () => {
  await addHandNeed(db, HOME, {
    roomId: HALL,
    name: 'Hooks',
    qty: 5,
    priority: 'must',
    shopId: loft,
    packSize: 4,
    priceMinor: 300,
  });
  const need = (await records()).handNeeds[0];
  const state = async () => {
    const { approvals, purchases } = await records();
    const { request, answer } = await plan();
    return approvalStateOf(approvals[0], priceLines(request, answer, purchases)[0]?.lineMinor ?? 0);
  };
  expect(await state()).toEqual({ is: 'open' });
  await approveNeed(db, HOME, { roomId: HALL, needId: need?.id ?? '', isApproved: true });
  expect((await records()).approvals).toMatchObject([{ needId: need?.id, lineMinor: 600 }]);
  expect(await state()).toEqual({ is: 'approved' });
  await addPurchase(db, HOME, {
    roomId: HALL,
    containerId: null,
    handNeedId: need?.id ?? null,
    shopName: 'The Bin Loft',
    label: 'Hooks',
    pieces: 4,
    paidMinor: 340,
  });
  expect(await state()).toEqual({ is: 'dearer', approvedMinor: 600 });
  await approveNeed(db, HOME, { roomId: HALL, needId: need?.id ?? '', isApproved: false });
  expect(await state()).toEqual({ is: 'open' });
  await expect(
    approveNeed(db, HOME, { roomId: HALL, needId: 'nothing', isApproved: true }),
  ).rejects.toMatchObject({ code: 'not_found' });
});

test('materials stand on the list at their shop, and what is bought of them is there', async () => {
  await takeCheapest();
  const materials = materialsSchema.parse({
    ...materialsOf(await records(), HALL),
    boards: [{ name: 'Pine', length: mm(1800), priceMinor: 700, available: null }],
    cuts: [{ name: 'Shelf', length: mm(880), qty: 3 }],
    roll: { width: mm(800), length: mm(400), priceMinor: 650 },
    paint: {
      surfaces: [{ name: 'Back', width: mm(1000), height: mm(2000), qty: 1 }],
      coats: 2,
      squareMetresPerLitre: 10,
      canLitres: 0.25,
      priceMinor: 500,
      dryHours: 4,
      cureDays: 1,
    },
    fixings: {
      rows: [
        { name: 'Cupboard', things: 1, each: 2, wall: 'brick' },
        { name: 'Rail', things: 2, each: 3, wall: 'timber' },
      ],
      packs: [{ wall: 'brick', packSize: 8, priceMinor: 420 }],
    },
    labels: { letter: mm(10), cassette: mm(4000), priceMinor: 690, spareCount: 1 },
    buying: Object.fromEntries(
      ['boards', 'roll', 'paint', 'fixings'].map((kind) => [
        kind,
        { shopId: loft, priority: 'must' },
      ]),
    ),
  });
  await saveMaterials(db, HOME, materials);
  const { request, answer } = await plan();
  expect(
    request.needs.filter(({ id }) => id.startsWith('material-')).map(({ id, qty }) => [id, qty]),
  ).toEqual([
    ['material-boards-0', 2],
    ['material-roll', 1],
    ['material-paint', 2],
    ['material-fixings-brick', 2],
  ]);
  expect(answer.status).toBe('optimal');
  expect(answer.perShop.find(({ shopId }) => shopId === loft)?.goodsMinor).toBeGreaterThanOrEqual(
    2 * 700 + 650 + 2 * 500 + 420,
  );
  await addPurchase(db, HOME, {
    roomId: HALL,
    containerId: null,
    materialKey: 'paint',
    shopName: 'The Bin Loft',
    label: 'Paint',
    pieces: 2,
    paidMinor: 1000,
  });
  expect((await plan()).request.owned).toContainEqual({ needId: 'material-paint', qty: 2 });
});

test('a receipt takes the lines of its shop and day, says what is missing, and keeps no metadata of its picture', async () => {
  await addPurchase(db, HOME, {
    roomId: HALL,
    containerId: null,
    shopName: 'The Bin Loft',
    label: 'Hooks',
    pieces: 2,
    paidMinor: 450,
  });
  await addPurchase(db, HOME, {
    roomId: HALL,
    containerId: null,
    shopName: 'Elsewhere',
    label: 'Nails',
    pieces: 1,
    paidMinor: 100,
  });
  const dataDir = mkdtempSync(path.join(os.tmpdir(), 'tin-box-receipts-'));
  mkdirSync(picturesDir(dataDir), { recursive: true });
  const bytes = new Uint8Array(
    await sharp({ create: { width: 40, height: 60, channels: 3, background: '#fff' } })
      .withExif({ IFD0: { Copyright: 'somebody' } })
      .jpeg()
      .toBuffer(),
  );
  const kept = await addReceipt(db, dataDir, HOME, {
    shopName: 'the bin loft',
    boughtOn: dayOf(new Date().toISOString()),
    totalMinor: 500,
    bytes,
  });
  invariant(kept.ok, 'it is a picture');
  const { purchases, receipts } = await records();
  expect(checkReceipt(kept.value, purchases)).toMatchObject({
    notedMinor: 450,
    missingMinor: 50,
    purchases: [{ label: 'Hooks' }],
  });
  const file = await sharp(
    path.join(picturesDir(dataDir), `${kept.value.pictureId}.jpg`),
  ).metadata();
  expect(file.exif).toBeUndefined();
  expect(
    await addReceipt(db, dataDir, HOME, {
      shopName: 'x',
      boughtOn: '2026-11-02',
      totalMinor: 1,
      bytes: new Uint8Array([1, 2, 3]),
    }),
  ).toMatchObject({ ok: false, error: { code: 'not_a_picture' } });
  expect(receipts).toHaveLength(1);
  await removeReceipt(db, HOME, kept.value.id);
  expect((await records()).purchases.map(({ receiptId }) => receiptId)).toEqual([null, null]);
  await moveChange(db, HOME, 'undo');
  expect((await records()).receipts).toHaveLength(1);
  rmSync(dataDir, { recursive: true });
});

test('lines of receipts come in by name, once, and go out as they came; bad cells are named and keep everything out', async () => {
  await addHandNeed(db, HOME, {
    roomId: HALL,
    name: 'Wall hooks',
    qty: 5,
    priority: 'must',
    shopId: loft,
    packSize: 4,
    priceMinor: 300,
  });
  const read = (text: string, acceptGoodRows = false) =>
    importPurchasesCsv(db, HOME, { roomId: HALL, text, acceptGoodRows });
  const bad = [
    'day,shop,item,pieces,paid,gift_card,return_by',
    '2026-11-31,The Bin Loft,Wall hooks,4,3.00,,',
    '2026-11-20,,Nails,x,dear,,soon',
    '2026-11-20,Loft,Tape,1,2.00,9.00,',
    '',
  ].join('\n');
  const refused = await read(bad);
  expect(refused.faults.map(({ line, column }) => `${line} ${column}`)).toEqual([
    '2 day',
    '3 shop',
    '3 return_by',
    '3 paid',
    '3 pieces',
    '4 gift_card',
  ]);
  expect((await records()).purchases).toEqual([]);
  const good =
    'paid;item;day;shop;pieces;paid_by\n3,00;wall HOOKS;2026-11-20;The Bin Loft;4;us\n0.30;=Bags;2026-11-20;The Bin Loft;0;\n';
  expect((await read(good)).outcome).toEqual({ addedCount: 2, repeatedCount: 0 });
  expect((await read(good)).outcome).toEqual({ addedCount: 0, repeatedCount: 2 });
  const { purchases, handNeeds } = await records();
  expect(
    purchases.map(({ handNeedId, paidMinor, paidBy }) => [handNeedId, paidMinor, paidBy]).sort(),
  ).toEqual(
    [
      [handNeeds[0]?.id, 300, 'us'],
      [null, 30, ''],
    ].sort(),
  );
  const written = await writePurchasesCsv(db, HOME, HALL);
  expect(written).toContain("'=Bags");
  for (const { id } of purchases) await removePurchase(db, HOME, id);
  expect((await read(written)).outcome).toEqual({ addedCount: 2, repeatedCount: 0 });
  await expect(
    importPurchasesCsv(db, HOME, {
      roomId: roomIdSchema.parse('nowhere'),
      text: good,
      acceptGoodRows: false,
    }),
  ).rejects.toMatchObject({ code: 'not_found' });
});

test('a card pays no more than is on it, from a file as at the till, line after line', async () => {
  await addGiftCard(db, HOME, { shopId: loft, amountMinor: 500 });
  const text = [
    'day,shop,item,pieces,paid,gift_card',
    '2026-11-20,the bin LOFT,Nails,1,4.00,3.00',
    '2026-11-20,The Bin Loft,Tape,1,4.00,2.01',
    '2026-11-20,Elsewhere,Glue,1,4.00,0.01',
    '',
  ].join('\n');
  const refused = await importPurchasesCsv(db, HOME, { roomId: HALL, text, acceptGoodRows: false });
  expect(
    refused.faults.map(({ line, column, expected }) => `${line} ${column}: ${expected}`),
  ).toEqual([
    '3 gift_card: at most the 2.00 left on the cards of this shop',
    '4 gift_card: at most the 0.00 left on the cards of this shop',
  ]);
  expect((await records()).purchases).toEqual([]);
  expect(
    (await importPurchasesCsv(db, HOME, { roomId: HALL, text, acceptGoodRows: true })).outcome,
  ).toEqual({ addedCount: 1, repeatedCount: 0 });
});

test('the home’s money adds the rooms up, and the fee is no part of it', async () => {
  await addHandNeed(db, HOME, {
    roomId: HALL,
    name: 'Hooks',
    qty: 4,
    priority: 'must',
    shopId: loft,
    packSize: 4,
    priceMinor: 300,
  });
  await addPurchase(db, HOME, {
    roomId: HALL,
    containerId: null,
    shopName: 'The Bin Loft',
    label: 'Nails',
    pieces: 1,
    paidMinor: 250,
    paidBy: 'us',
  });
  const all = await records();
  const prices = await loadPriceList(db);
  const answered = await loadRoomsMoney({ db, records: all, stamp: '' }, prices);
  const listed = answered.state === 'fresh' ? answered.answer : await answered.coming;
  const money = sumHomeMoney(all, listed, await loadHomeFacts(db, all, prices));
  const { project, rooms } = await records();
  expect(money.home).toMatchObject({
    shareMinor: project.budgetMinor,
    plannedMinor: 550,
    boughtMinor: 250,
    returnedMinor: 0,
    approvedMinor: 0,
    leftMinor: project.budgetMinor - 550,
  });
  expect(money.rooms.map(({ sums }) => sums.plannedMinor).reduce((a, b) => a + b, 0)).toBe(550);
  expect(money.payers).toEqual([{ paidBy: 'us', minor: 250 }]);
  expect(money.fee.soFarMinor).toBe(
    Math.round(
      (rooms.reduce((sum, { workedMinutes }) => sum + (workedMinutes ?? 0), 0) / 60) *
        project.terms.hourlyRateMinor,
    ),
  );
});

test('open places are listed room by room with their containers once, and a taken or forbidden one changes what is listed', async () => {
  const list = async () =>
    listOpenPlaces(await records(), await listFitContainers(db, await records()));
  const first = await list();
  expect(first.places).toMatchObject([
    {
      name: 'Shelf',
      roomName: 'Hall',
      without: [],
      question: { bay: { id: 'shelf' }, groups: [{ id: 'hats' }] },
    },
  ]);
  const forbidden = containerIdSchema.parse('sample-box-lid-12');
  await noteFitWish(db, HOME, shelf, { kind: 'forbid', containerId: forbidden });
  expect((await list()).places[0]?.without).toEqual([forbidden]);
  await takeCheapest();
  expect((await list()).places).toEqual([]);
});

test('a correction counts the fits of other homes that it breaks', async () => {
  const { used } = await takeCheapest();
  const other = projectIdSchema.parse('other');
  await db(projectRecord.table.name).insert(
    projectRecord.table.toRow({ ...(await records()).project, id: other }),
  );
  expect(await countBrokenElsewhere(db, other, used)).toBe(0);
  const container = (await records()).containers.find(({ id }) => id === used);
  invariant(container, 'it is in the catalogue');
  await db(containerRecord.table.name)
    .where({ id: used })
    .update(containerRecord.table.toRow({ ...container, height: mm(2000) }));
  expect(await countBrokenElsewhere(db, other, used)).toBe(1);
  expect(await countBrokenElsewhere(db, HOME, used)).toBe(0);
});
