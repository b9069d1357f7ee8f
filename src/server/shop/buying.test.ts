import { findFitFaults, planFit } from '@/core/fit';
import { bayIdSchema, containerIdSchema, groupIdSchema, loadSolver, shopIdSchema } from '@/core/shared';
import { aBay, aDatabase, aDecision, aGroup, aUnit, HALL, HOME, insertGroup } from '@test/builders';
import { moveChange } from '@/data/changes';
import type { Db } from '@/data/db';
import { appendDecisions } from '@/data/decisionLog';
import { getProjectRecords } from '@/data/projectRepo';
import { insertStarterCatalogue } from '@/data/starterCatalogue';
import { bayTable, unitTable } from '@/data/tables';
import { createFitRequest, takeFit, takeFits } from '../fit/takeFit';
import { correctContainer, findSubstitutes, noteFitWish, noteMockCheck } from '../fit/wishes';
import { addGiftCard, addHandNeed, approveNeed, takeSubstitute } from './buying';
import { addPurchase, loadRoomShopping, planRoomShopping } from './roomShopping';

const shelf = bayIdSchema.parse('shelf');
const hats = groupIdSchema.parse('hats');
const loft = shopIdSchema.parse('sample-shop-loft');
let db: Db;
beforeEach(async () => {
  db = await aDatabase();
  await insertStarterCatalogue(db);
  const unit = aUnit({ bays: [aBay()] });
  await db(unitTable.name).insert(unitTable.toRow(unit));
  for (const bay of unit.bays) await db(bayTable.name).insert(bayTable.toRow(bay));
  await insertGroup(db, aGroup({ bayId: 'shelf' }));
  await appendDecisions(db, HOME, [aDecision({ groupId: 'hats', count: 10, litres: 12, massG: 1100 })]);
});
afterEach(() => db.destroy());

const records = () => getProjectRecords(db, HOME);
const solve = async () => {
  const request = await createFitRequest(db, await records(), { bayId: shelf, prefer: 'cost' });
  return { request, answer: planFit(request, { solver: await loadSolver(), clock: () => performance.now() }) };
};
async function takeCheapest() {
  const { answer } = await solve();
  expect(await takeFit(db, HOME, { bayId: shelf, prefer: 'cost', answer })).toMatchObject({ ok: true });
  return { answer, used: containerIdSchema.parse(answer.placements[0]?.containerId) };
}
const plan = async () => planRoomShopping(await loadRoomShopping(db, await records(), HALL));

test('a forbidden container is not used, a pinned one only; letting go brings the first answer back', async () => {
  const { answer, used } = await takeCheapest();
  await noteFitWish(db, HOME, shelf, { kind: 'forbid', containerId: used });
  const without = await solve();
  expect(without.answer.placements.map(({ containerId }) => containerId)).not.toContain(used);
  expect(without.answer.costMinor).toBeGreaterThanOrEqual(answer.costMinor);
  const pinned = containerIdSchema.parse('sample-box-lid-12');
  await noteFitWish(db, HOME, shelf, { kind: 'pin', groupId: hats, containerId: pinned });
  expect(new Set((await solve()).answer.placements.map(({ containerId }) => containerId))).toEqual(new Set([pinned]));
  await noteFitWish(db, HOME, shelf, { kind: 'forbid', containerId: pinned });
  expect((await records()).fitWishes[0]).toMatchObject({ pins: [], forbidden: [used, pinned] });
  for (const containerId of [used, pinned]) await noteFitWish(db, HOME, shelf, { kind: 'allow', containerId });
  expect((await solve()).answer.costMinor).toBe(answer.costMinor);
});

test('a few millimetres more change nothing where there is room; too many, and the fit is worked out anew', async () => {
  const { used } = await takeCheapest();
  await noteMockCheck(db, HOME, shelf, { index: 0, goesIn: true, comesOut: true, doorShuts: false });
  expect((await records()).fits[0]?.checks).toEqual([{ index: 0, goesIn: true, comesOut: true, doorShuts: false }]);
  const outer = (await records()).containers.find(({ id }) => id === used);
  if (!outer) throw new Error('the fit uses a container');
  const size = { containerId: used, widthMm: outer.width.mm, depthMm: outer.depth.mm };
  expect(await correctContainer(db, HOME, { ...size, heightMm: outer.height.mm + 1 })).toEqual({ ok: true, value: [{ bayName: 'Shelf', outcome: 'still_fits', moreMinor: 0 }] });
  expect(await correctContainer(db, HOME, { ...size, heightMm: 900 })).toMatchObject({ ok: true, value: [{ outcome: 'worked_out_anew' }] });
  const { fits } = await records();
  const { request } = await solve();
  if (fits[0]) expect(findFitFaults(request, fits[0].answer)).toEqual([]);
  expect(fits[0]?.answer.placements.map(({ containerId }) => containerId)).not.toContain(used);
  await moveChange(db, HOME, 'undo');
  expect((await records()).fits[0]?.answer.placements.map(({ containerId }) => containerId)).toContain(used);
});

test('many fits are one change; one that no longer goes in is left out and told', async () => {
  const { answer } = await solve();
  const wrong = { ...answer, placements: answer.placements.map((placement) => ({ ...placement, x: 5000 })) };
  expect((await takeFits(db, HOME, { prefer: 'cost', fits: [{ bayId: shelf, answer: wrong }] })).flat().map(({ rule }) => rule)).toContain('outside_bay');
  expect((await records()).fits).toEqual([]);
  expect(await takeFits(db, HOME, { prefer: 'cost', fits: [{ bayId: shelf, answer }] })).toEqual([]);
  expect((await records()).fits).toHaveLength(1);
});

test('what is sold out gets a substitute that goes in, from the same solver', async () => {
  const { used } = await takeCheapest();
  await db('offers').where({ container_id: used }).update({ in_stock: 0 });
  expect((await plan()).answer.status).toBe('infeasible');
  const [substitute] = await findSubstitutes(db, await records(), { containerId: used });
  if (!substitute) throw new Error('something else goes in');
  expect(findFitFaults((await solve()).request, substitute.answer)).toEqual([]);
  await takeSubstitute(db, HOME, { containerId: used, bayId: shelf });
  const after = await plan();
  expect(after.answer.status).toBe('optimal');
  expect(after.needs.map(({ container }) => container.id)).not.toContain(used);
});

test('things by hand are bought in the same plan, a gift card pays at its shop only and is used up', async () => {
  await addHandNeed(db, HOME, { roomId: HALL, name: 'Wall anchors', qty: 5, priority: 'must', shopId: loft, packSize: 4, priceMinor: 300 });
  await addGiftCard(db, HOME, { shopId: loft, amountMinor: 450 });
  const first = await plan();
  expect(first.answer).toMatchObject({ status: 'optimal', payMinor: 150, perShop: [{ goodsMinor: 600, creditMinor: 450 }] });
  const need = (await records()).handNeeds[0];
  await addPurchase(db, HOME, { roomId: HALL, containerId: null, handNeedId: need?.id ?? null, shopName: 'The Bin Loft', label: 'Wall anchors', pieces: 4, paidMinor: 320, cardMinor: 320, expectedMinor: 300, paidBy: 'the client' });
  const second = await plan();
  expect(second.answer).toMatchObject({ payMinor: 170, perShop: [{ goodsMinor: 300, creditMinor: 130 }] });
  expect(second.request.budgetMinor).toBe(first.request.budgetMinor);
  const again = { roomId: HALL, containerId: null, shopName: 'The Bin Loft', label: 'Hooks', pieces: 1, paidMinor: 500, cardMinor: 131 };
  expect(await addPurchase(db, HOME, again)).toEqual({ ok: false, error: { code: 'card_too_small', leftMinor: 130 } });
  expect(await addPurchase(db, HOME, { ...again, shopName: 'Harrow Lane Hardware', cardMinor: 1 })).toMatchObject({ ok: false, error: { leftMinor: 0 } });
  expect((await records()).purchases).toHaveLength(1);
  await expect(addGiftCard(db, HOME, { shopId: shopIdSchema.parse('nowhere'), amountMinor: 1 })).rejects.toMatchObject({ code: 'not_found' });
});

test('the client’s yes is kept until the line changes', async () => {
  const { used } = await takeCheapest();
  await approveNeed(db, HOME, { roomId: HALL, containerId: used, isApproved: true });
  expect((await records()).priorities).toMatchObject([{ containerId: used, priority: 'must' }]);
  expect((await records()).priorities[0]?.approvedAt).not.toBeNull();
  await approveNeed(db, HOME, { roomId: HALL, containerId: used, isApproved: false });
  expect((await records()).priorities[0]?.approvedAt).toBeNull();
});
