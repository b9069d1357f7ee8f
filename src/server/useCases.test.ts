import { listNeeds, spentMinorOf } from '@/core/shop';
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
import { findFitFaults, fitAnswerSchema, planFit, type FitAnswer } from '@/core/fit';
import { bayIdSchema, containerIdSchema, loadSolver } from '@/core/shared';
import { moveChange } from '@/data/changes';
import type { Db } from '@/data/db';
import { appendDecisions } from '@/data/decisionLog';
import { bayRecord, findProject, loadRecords, unitRecord } from '@/data/records';
import { insertStarterCatalogue } from '@/data/starterCatalogue';

import { addRoom, changeProject, startProject, type ProjectInput } from './agree/saveProject';
import { findAnything } from './desk/findAnything';
import { loadDesk } from './desk/loadDesk';
import { addCatalogueContainer, addOwnedContainer, removeOwnedContainer } from './fit/addContainer';
import {
  askedWith,
  checkTakenFit,
  createFitRequest,
  dropFit,
  fitNames,
  listFitContainers,
  takeFit,
} from './fit/takeFit';
import type { ContainerInput } from './fit/editCatalogue';
import { noteFitWish, noteMockCheck } from './fit/wishes';
import { saveUnit } from './look/saveUnit';
import {
  addPurchase,
  loadRoomShopping,
  noteReturn,
  planRoomShopping,
  removePurchase,
  setNeedPriority,
} from './shop/roomShopping';
import { arrange } from './place/drafts';
import { materialsOf, saveMaterials } from './shop/materials';
import { addGroup, changeGroup, removeGroup } from './sort/groups';
import { importDecisionsCsv, exportDecisionsCsv } from './sort/decisionsFile';

let db: Db;
beforeEach(async () => {
  db = await aDatabase();
});
afterEach(() => db.destroy());

const shelf = bayIdSchema.parse('shelf');
const records = () => loadAll(db, HOME);

/** A shelf with 12 litres of hats on it, and the sample catalogue. */
async function aFittedHall(): Promise<FitAnswer> {
  await insertStarterCatalogue(db);
  const unit = aUnit();
  await db(unitRecord.table.name).insert(unitRecord.table.toRow(unit));
  for (const bay of unit.bays) await db(bayRecord.table.name).insert(bayRecord.table.toRow(bay));
  await insertGroup(db, aGroup({ bayId: 'shelf' }));
  await appendDecisions(db, HOME, [
    aDecision({ groupId: 'hats', count: 10, litres: 12, massG: 1100 }),
  ]);
  const request = await createFitRequest(db, await records(), { bayId: shelf, prefer: 'cost' });
  const answer = planFit(request, { solver: await loadSolver(), clock });
  return fitAnswerSchema.parse(answer);
}

const traits = { labels: 'words', lids: 'closes', sorting: 'finely' } as const;
const household: ProjectInput = {
  bedCount: 2,
  guestPlaceCount: 1,
  rowDepth: null,
  pets: '',
  name: 'Mill House',
  units: 'cm',
  currency: 'GBP',
  budgetMinor: 9000,
  readyBy: null,
  people: [
    { id: undefined, name: 'Nora', height: mm(1680), isChild: false, noStep: false, ...traits },
  ],
};

test('a household is changed as a whole: somebody new, somebody gone, a room’s share', async () => {
  const id = await startProject(db, household);
  const roomId = await addRoom(db, id, { name: 'Hall', purpose: '', budgetMinor: 0 });
  const before = await loadAll(db, id);
  const nora = before.people[0];
  await changeProject(db, id, {
    ...household,
    status: 'finished',
    roomBudgets: { [roomId]: 2500 },
    people: [
      { id: undefined, name: 'Tom', height: mm(1810), isChild: false, noStep: true, ...traits },
      {
        ...household.people[0],
        id: nora?.id,
        name: 'Nora B.',
        height: mm(1690),
        isChild: false,
        noStep: false,
        ...traits,
        lids: 'leaves',
      },
    ],
  });
  const after = await loadRecords(db, id, 'people', 'project', 'rooms');
  expect(after.people.map(({ name, height }) => [name, height.mm])).toEqual([
    ['Tom', 1810],
    ['Nora B.', 1690],
  ]);
  expect(after.people[1]).toMatchObject({ id: nora?.id, lids: 'leaves' });
  expect([after.rooms[0]?.budgetMinor, after.project.status]).toEqual([2500, 'finished']);
  await moveChange(db, id, 'undo');
  expect(await loadAll(db, id)).toEqual(before);
});

test('a project that is not there is said to be none', async () => {
  expect(await findProject(db, HOME)).toMatchObject({ name: 'Home' });
  await db('rooms').delete();
  await expect(addGroup(db, HOME, { roomId: HALL, name: 'Hats' })).rejects.toMatchObject({
    code: 'not_found',
  });
});

test('a fit is taken as it was worked out, and undone', async () => {
  const answer = await aFittedHall();
  expect(answer.status).toBe('optimal');
  expect(await takeFit(db, HOME, { bayId: shelf, prefer: 'cost', answer })).toEqual({
    ok: true,
    value: undefined,
  });
  expect((await records()).fits).toMatchObject([
    { bayId: 'shelf', answer: { placements: answer.placements } },
  ]);
  await dropFit(db, HOME, shelf);
  expect((await records()).fits).toEqual([]);
  await moveChange(db, HOME, 'undo');
  expect((await records()).fits).toHaveLength(1);
});

test('a fit for what was found is taken as one for that alone, and kept with what is counted', async () => {
  await aFittedHall();
  const question = await createFitRequest(db, await records(), { bayId: shelf, prefer: 'cost' });
  const litres = question.groups.reduce((sum, group) => sum + group.litres, 0);
  const foundLitres = litres * 2.5;
  const answer = planFit(askedWith(question, foundLitres), {
    solver: await loadSolver(),
    clock,
  });
  const given = { bayId: shelf, prefer: 'cost' as const, answer };
  expect((await takeFit(db, HOME, given)).ok).toBe(false);
  expect((await takeFit(db, HOME, { ...given, foundLitres })).ok).toBe(true);
  const [fit] = (await records()).fits;
  expect(fit?.answer.placements).toEqual(answer.placements);
  expect(findFitFaults(question, fit!.answer)).toEqual([]);
});

test.each([
  [
    'moved out of the bay',
    (answer: FitAnswer): FitAnswer => ({
      ...answer,
      placements: answer.placements.map((p) => ({ ...p, x: 700 })),
    }),
    'outside_bay',
  ],
  ['made cheaper', (answer: FitAnswer): FitAnswer => ({ ...answer, costMinor: 1 }), 'totals'],
  [
    'emptied without saying so',
    (answer: FitAnswer): FitAnswer => ({
      ...answer,
      placements: [],
      costMinor: 0,
      usedLitres: 0,
      freeLitres: 0,
    }),
    'litres',
  ],
])('a fit that was %s on the way is not taken', async (_, tamper, rule) => {
  const taken = await takeFit(db, HOME, {
    bayId: shelf,
    prefer: 'cost',
    answer: tamper(await aFittedHall()),
  });
  expect(taken.ok ? [] : taken.error.map((fault) => fault.rule)).toContain(rule);
  expect((await records()).fits).toEqual([]);
});

test('a fit that was taken stays, whatever changes around it, and says what is wrong with it', async () => {
  const answer = await aFittedHall();
  await takeFit(db, HOME, { bayId: shelf, prefer: 'cost', answer });
  const rules = async () => {
    const now = await loadRecords(db, HOME, ...fitNames);
    const [fit] = now.fits;
    if (!fit) throw new Error('the fit is gone');
    expect(fit.answer.placements).toEqual(answer.placements);
    const priced = await listFitContainers(db, now);
    return [...new Set(checkTakenFit(now, priced, fit).map(({ rule }) => rule))];
  };
  expect(await rules()).toEqual([]);
  // A container that is added, or not wanted any more, changes nothing about what was taken.
  await addOwnedContainer(db, HOME, { ...tin, count: 3 });
  const [placed] = answer.placements;
  if (!placed) throw new Error('the fit stands on something');
  await noteFitWish(db, HOME, shelf, {
    kind: 'forbid',
    containerId: containerIdSchema.parse(placed.containerId),
  });
  expect(await rules()).toEqual([]);
  await noteMockCheck(db, HOME, shelf, TRIED);
  // More of the group than its containers hold.
  await changeGroup(db, HOME, { groupId: aGroup().id, change: { uncountedLitres: 400 } });
  expect(await rules()).toContain('litres');
  await moveChange(db, HOME, 'undo');
  expect(await rules()).toEqual([]);
  // The group wants no lid any more.
  await changeGroup(db, HOME, { groupId: aGroup().id, change: { lid: 'forbidden' } });
  expect(await rules()).toContain('wish');
  // The group lives on another place now.
  const put = (bayId: string) =>
    arrange(db, HOME, {
      roomId: HALL,
      ref: 'chosen',
      assignment: [{ groupId: aGroup().id, bayId: bayIdSchema.parse(bayId) }],
    });
  await put('shelf-2');
  expect(await rules()).toEqual(['unknown_group']);
  await put('shelf');
  // A reading is taken once more, smaller than before.
  const { units } = await records();
  const unit = units.find(({ bays }) => bays.some(({ id }) => id === shelf));
  if (!unit) throw new Error('the hall has a unit');
  const low = { mm: 60, text: '6 cm' };
  await saveUnit(db, HOME, {
    ...unit,
    bays: unit.bays.map((bay) => (bay.id === shelf ? { ...bay, heightReadings: [low] } : bay)),
  });
  expect(await rules()).toContain('outside_bay');
  // Its unit is renamed, another group joins the place: what was tried and wished stays, and is still on the list.
  await saveUnit(db, HOME, { ...unit, name: 'Tall cupboard' });
  await addGroup(db, HOME, { roomId: HALL, name: 'Scarves' });
  const joined = (await records()).groups.find(({ name }) => name === 'Scarves');
  if (!joined) throw new Error('a group was added');
  await arrange(db, HOME, {
    roomId: HALL,
    ref: 'chosen',
    assignment: [{ groupId: joined.id, bayId: shelf }],
  });
  expect(await rules()).toEqual(['wish']);
  const now = await records();
  expect(now.fits[0]?.checks).toEqual([TRIED]);
  expect(now.fitWishes).toMatchObject([{ bayId: shelf, forbidden: [placed.containerId] }]);
  const shopping = await loadRoomShopping(db, now, HALL);
  expect(listNeeds(shopping).map(({ container }) => container.id)).toContain(placed.containerId);
});
const TRIED = { index: 0, goesIn: true, comesOut: true, doorShuts: false };

test('the list follows from the fit; bought pieces leave it; the till counts against the share', async () => {
  await takeFit(db, HOME, { bayId: shelf, prefer: 'cost', answer: await aFittedHall() });
  const plan = async () => planRoomShopping(await loadRoomShopping(db, await records(), HALL));
  const first = await plan();
  expect(first.answer).toMatchObject({ status: 'optimal' });
  const need = first.needs[0];
  if (!need) throw new Error('the fit calls for a container');
  await addPurchase(db, HOME, {
    roomId: HALL,
    containerId: need.container.id,
    shopName: 'The Bin Loft',
    label: need.container.name,
    pieces: need.qty,
    paidMinor: 9900,
  });
  const second = await plan();
  expect(second.needs[0]?.hadQty).toBe(need.qty);
  expect(second.request.budgetMinor).toBe(100);
  const [purchase] = (await records()).purchases;
  if (purchase) await removePurchase(db, HOME, purchase.id);
  expect((await plan()).answer.payMinor).toBe(first.answer.payMinor);
});

test('over the share: the least that would do, and a wish that can wait brings it back', async () => {
  await takeFit(db, HOME, { bayId: shelf, prefer: 'cost', answer: await aFittedHall() });
  await db('rooms').update({ budget_minor: 1 });
  const plan = async () => planRoomShopping(await loadRoomShopping(db, await records(), HALL));
  const over = await plan();
  expect(over.answer.status).toBe('infeasible');
  expect(over.waysBack[0]).toMatchObject({ isEnough: over.needs.length === 1 });
  for (const { container } of over.needs)
    await setNeedPriority(db, HOME, { roomId: HALL, containerId: container.id, priority: 'nice' });
  expect((await plan()).answer).toMatchObject({ status: 'optimal', payMinor: 0 });
});

test('shops of another currency are left out, and told', async () => {
  await aFittedHall();
  await db('projects').update({ currency: 'EUR' });
  const request = await createFitRequest(db, await records(), { bayId: shelf, prefer: 'cost' });
  expect(request.containers).toEqual([]);
  const plan = await planRoomShopping(await loadRoomShopping(db, await records(), HALL));
  expect(plan.otherCurrencyShopNames).toHaveLength(3);
});

test('wishes: to stand here, air, nowhere in the home; what is never to stand here is not to stand here', async () => {
  await aFittedHall();
  const wishesOf = async (bayId: string) =>
    (await loadRecords(db, HOME, 'fitWishes')).fitWishes.find((each) => each.bayId === bayId);
  const [product] = (await records()).containers;
  if (!product) throw new Error('there are samples');
  const use = { kind: 'use', containerId: product.id } as const;
  await noteFitWish(db, HOME, shelf, use);
  await noteFitWish(db, HOME, shelf, use);
  expect((await wishesOf(shelf))?.uses).toEqual([product.id, product.id]);
  await noteFitWish(db, HOME, shelf, { ...use, kind: 'unuse' });
  expect((await wishesOf(shelf))?.uses).toEqual([product.id]);
  await noteFitWish(db, HOME, shelf, { kind: 'air', mm: 35 });
  const request = await createFitRequest(db, await records(), { bayId: shelf, prefer: 'cost' });
  expect(request.clearances).toMatchObject({ between: 37, side: 38 });
  expect(request.uses).toEqual([product.id]);
  await noteFitWish(db, HOME, shelf, { ...use, kind: 'never' });
  expect(await wishesOf(shelf)).toMatchObject({ forbidden: [product.id], uses: [], airMm: 35 });
  expect(await wishesOf('shelf-2')).toMatchObject({ forbidden: [product.id] });
  await moveChange(db, HOME, 'undo');
  expect(await wishesOf('shelf-2')).toBeUndefined();
});

const tin: ContainerInput = {
  name: 'Old tin',
  kind: 'box',
  width: mm(200),
  depth: mm(200),
  height: mm(150),
  innerLitres: 5,
  innerHeightMm: 145,
  innerWidthMm: null,
  shape: 'box',
  lid: true,
  clear: false,
  material: 'metal',
  stackable: false,
  maxStack: null,
  tareG: 200,
  maxLoadG: null,
  turnable: true,
  line: '',
  colour: '',
  howTo: '',
  level: null,
};

test('what the home has costs nothing and cannot stand in two places', async () => {
  const answer = await aFittedHall();
  const id = await addOwnedContainer(db, HOME, { ...tin, count: 3 });
  const own = async (bayId: string) =>
    (
      await createFitRequest(db, await records(), {
        bayId: bayIdSchema.parse(bayId),
        prefer: 'cost',
      })
    ).containers.find((container) => container.id === id);
  expect(await own('shelf')).toMatchObject({ priceMinor: 0, available: 3 });
  const placements = [{ containerId: id, groupId: 'hats', x: 3, y: 5, z: 0, turned: false }];
  await db('taken_fits').insert({
    id: 'shelf',
    prefer: 'cost',
    answer_json: JSON.stringify({ ...answer, placements }),
    taken_at: '2026-11-06T10:00:00.000Z',
  });
  expect(await own('shelf-2')).toMatchObject({ available: 2 });
  expect(await own('shelf')).toMatchObject({ available: 3 });
  await removeOwnedContainer(db, HOME, id);
  // The fit that stands on it stays as it was taken.
  expect(await own('shelf')).toMatchObject({ available: 0 });
  expect((await records()).fits).toHaveLength(1);
});

test('a container that is sold comes with its shop, made once by name and currency', async () => {
  const sell = (currency: 'GBP' | 'EUR') =>
    addCatalogueContainer(db, {
      ...tin,
      offer: { shopName: 'Corner Shop', currency, packSize: 2, priceMinor: 900 },
    });
  await sell('GBP');
  await sell('GBP');
  await sell('EUR');
  expect(
    (await db('shops').select('currency'))
      .map(({ currency }: { currency: string }) => currency)
      .sort(),
  ).toEqual(['EUR', 'GBP']);
  const id = containerIdSchema.parse(await sell('GBP'));
  expect(await db('offers').where({ container_id: id })).toMatchObject([
    { pack_size: 2, price_minor: 900 },
  ]);
});

test('anything is found by its words, in any number and order, and never in another home', async () => {
  await aFittedHall();
  await appendDecisions(db, HOME, [
    aDecision({
      id: 'd9',
      thingId: 't9',
      name: 'wool scarves, moth holes',
      verdict: 'elsewhere',
      to: 'Attic',
    }),
  ]);
  const labels = async (query: string) =>
    (await findAnything(db, query, HOME)).map(({ kind, label }) => `${kind}: ${label}`);
  expect(await labels('scarf wool')).toEqual(['thing: 1 wool scarves, moth holes']);
  expect(await labels('hats')).toContain('group: Hats');
  expect(await labels('hall')).toContain('room: Hall');
  expect((await labels('turntab'))[0]).toMatch(/^container: .*turntable/i);
  expect(await labels('   ')).toEqual([]);
  const other = await startProject(db, household);
  expect((await findAnything(db, 'scarf', other)).filter(({ kind }) => kind === 'thing')).toEqual(
    [],
  );
  expect((await findAnything(db, 'mill', undefined))[0]).toMatchObject({
    kind: 'project',
    label: 'Mill House',
  });
});

test('the desk tells what is next in every room, and what was spent', async () => {
  await takeFit(db, HOME, { bayId: shelf, prefer: 'cost', answer: await aFittedHall() });
  await addPurchase(db, HOME, {
    roomId: HALL,
    containerId: null,
    shopName: 'Shop',
    label: 'Delivery',
    pieces: 0,
    paidMinor: 495,
  });
  const [home] = await loadDesk(db);
  expect(home).toMatchObject({ spentMinor: 495, leftCount: 0 });
  expect(home?.rooms[0]?.progress.next.map(({ code }) => code)).toEqual([
    'add_vantage_point',
    'measure_walls',
    'make_sections',
    'buy',
    'set_up',
  ]);
  expect(home?.rooms[0]?.progress.doneSteps).toEqual(
    expect.arrayContaining(['sort', 'place', 'fit']),
  );
});

test('a group that is taken away leaves its things decided', async () => {
  await aFittedHall();
  await removeGroup(db, HOME, aGroup().id);
  const { groups, things } = await records();
  expect([groups.length, things.length]).toEqual([0, 1]);
  await moveChange(db, HOME, 'undo');
  expect((await records()).groups[0]).toMatchObject({ name: 'Hats', bayId: 'shelf' });
});

test('a file comes in whole or as asked, makes its groups once, and goes out as it came', async () => {
  const csv =
    'room,group,thing,verdict,count\nHall,Mats,mat,keep,2\nHall,mats,door mat,donate,1\nCellar,,lamp,keep,1\n';
  expect(await importDecisionsCsv(db, HOME, { text: csv, acceptGoodRows: false })).toMatchObject({
    goodCount: 2,
    outcome: undefined,
    faults: [{ line: 4, column: 'room' }],
  });
  expect((await records()).groups).toEqual([]);
  expect(await importDecisionsCsv(db, HOME, { text: csv, acceptGoodRows: true })).toMatchObject({
    outcome: { addedCount: 2, repeatedCount: 0 },
  });
  const { groups, things } = await records();
  expect(groups.map(({ name }) => name)).toEqual(['Mats']);
  expect(things.map(({ name, groupId }) => [name, groupId])).toEqual([
    ['mat', groups[0]?.id],
    ['door mat', groups[0]?.id],
  ]);
  const out = await exportDecisionsCsv(db, HOME, 'decisions');
  expect(await importDecisionsCsv(db, HOME, { text: out, acceptGoodRows: false })).toMatchObject({
    faults: [],
    outcome: { addedCount: 0, repeatedCount: 2 },
  });
  expect((await exportDecisionsCsv(db, HOME, 'things')).split('\r\n')).toHaveLength(4);
});

test('a file that is stopped while it is checked has left nothing', async () => {
  const text = 'room,group,thing,verdict\nHall,Mats,mat,keep\n';
  const signal = AbortSignal.abort();
  await expect(
    importDecisionsCsv(db, HOME, { text, acceptGoodRows: false, signal }),
  ).rejects.toThrow('stopped');
  expect([(await records()).groups, await db('imports'), await db('import_rows')]).toEqual([
    [],
    [],
    [],
  ]);
});

test('a bay of no project cannot be asked about', async () => {
  await expect(
    createFitRequest(db, await records(), { bayId: aBay({ id: 'ghost' }).id, prefer: 'cost' }),
  ).rejects.toMatchObject({ code: 'not_found' });
});

test('a proposal is taken as one change; what is only said about placing leaves a taken fit alone', async () => {
  await takeFit(db, HOME, { bayId: shelf, prefer: 'cost', answer: await aFittedHall() });
  const group = (await records()).groups[0];
  if (!group) throw new Error('the hall has a group');
  await changeGroup(db, HOME, {
    groupId: group.id,
    change: { placing: { ...group.placing, usesPerWeek: 3 } },
  });
  expect((await records()).fits).toHaveLength(1);
  const second = await addGroup(db, HOME, { roomId: HALL, name: 'Gloves' });
  const upper = bayIdSchema.parse('shelf-2');
  const put = (bayIds: readonly [string, string]) =>
    arrange(db, HOME, {
      roomId: HALL,
      ref: 'chosen',
      assignment: [
        { groupId: group.id, bayId: bayIdSchema.parse(bayIds[0]) },
        { groupId: second.id, bayId: bayIdSchema.parse(bayIds[1]) },
      ],
    });
  await expect(put([upper, 'ghost'])).rejects.toMatchObject({ code: 'not_found' });
  await put([upper, shelf]);
  expect((await records()).groups.map(({ name, bayId }) => [name, bayId])).toEqual([
    ['Hats', 'shelf-2'],
    ['Gloves', 'shelf'],
  ]);
  // What was taken is kept, and checked where it is shown.
  expect((await records()).fits).toHaveLength(1);
  await moveChange(db, HOME, 'undo');
  expect((await records()).groups.map(({ bayId }) => bayId)).toEqual(['shelf', null]);
  expect((await records()).fits).toHaveLength(1);
});

test('boards and liners of a room are kept, taken back by undo, and begin with every place lined', async () => {
  await aFittedHall();
  const empty = materialsOf(await records(), HALL);
  expect(empty).toMatchObject({
    boards: [],
    roll: null,
    linedBayIds: expect.arrayContaining([shelf]) as string[],
  });
  await saveMaterials(db, HOME, {
    ...empty,
    cuts: [{ name: 'Shelf', length: { mm: 880, text: '88 cm' }, qty: 3 }],
  });
  expect(materialsOf(await records(), HALL).cuts).toEqual([
    { name: 'Shelf', length: { mm: 880, text: '88 cm' }, qty: 3 },
  ]);
  await moveChange(db, HOME, 'undo');
  expect(materialsOf(await records(), HALL)).toEqual(empty);
});

test('what goes back to the shop is no longer spent or had, never more than was bought, and undo takes it back', async () => {
  await aFittedHall();
  await addPurchase(db, HOME, {
    roomId: HALL,
    containerId: null,
    shopName: 'Shop',
    label: 'Hooks',
    pieces: 5,
    paidMinor: 1000,
  });
  const [purchase] = (await records()).purchases;
  if (!purchase) throw new Error('it was bought');
  const note = (returnedPieces: number) =>
    noteReturn(db, HOME, {
      purchaseId: purchase.id,
      returnBy: '2026-12-01',
      deliverOn: null,
      returnedPieces,
      refundMinor: 400,
    });
  expect(await note(6)).toEqual({ ok: false, error: { code: 'more_than_bought', mostPieces: 5 } });
  expect(
    await noteReturn(db, HOME, {
      purchaseId: purchase.id,
      returnBy: null,
      deliverOn: null,
      returnedPieces: 1,
      refundMinor: 1001,
    }),
  ).toEqual({ ok: false, error: { code: 'more_than_paid', mostMinor: 1000 } });
  await note(2);
  expect((await records()).purchases).toMatchObject([
    {
      returnBy: '2026-12-01',
      deliverOn: null,
      returnedPieces: 2,
      refundMinor: 400,
      paidMinor: 1000,
    },
  ]);
  expect(spentMinorOf((await records()).purchases)).toBe(600);
  await moveChange(db, HOME, 'undo');
  expect((await records()).purchases).toMatchObject([
    { returnBy: null, deliverOn: null, returnedPieces: 0, refundMinor: 0 },
  ]);
});
