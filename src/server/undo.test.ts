import { aBay, aDatabase, aGroup, aUnit, HALL, HOME, insertGroup, mm } from '@test/builders';
import { unitIdSchema } from '@/core/shared';
import { getUndoState, moveChange, recordChange, requireUnchanged, stampOf } from '@/data/changes';
import type { Db } from '@/data/db';
import { groupRecord, loadRecords } from '@/data/records';
import { removeUnit, saveUnit, type UnitInput } from './look/saveUnit';
import { arrange } from './place/drafts';
import { changeGroup } from './sort/groups';

let db: Db;
beforeEach(async () => {
  db = await aDatabase();
});
afterEach(() => db.destroy());

const unitInput = (): UnitInput => {
  const { id: _id, position: _position, bays, ...facts } = aUnit();
  return {
    ...facts,
    id: undefined,
    roomId: HALL,
    bays: bays.map(({ id: _bayId, unitId: _unitId, ...bay }) => ({ ...bay, id: undefined })),
  };
};
const stateOf = async () => {
  const { units, groups, fits } = await loadRecords(db, HOME, 'fits', 'groups', 'units');
  return JSON.stringify({ units, groups, fits });
};

test('undo and redo walk back and forth through every kind of change', async () => {
  await insertGroup(db, aGroup());
  const states = [await stateOf()];
  const saved = await saveUnit(db, HOME, unitInput());
  states.push(await stateOf());
  const unit = (await loadRecords(db, HOME, 'units')).units[0];
  await arrange(db, HOME, {
    roomId: HALL,
    ref: 'chosen',
    assignment: [{ groupId: aGroup().id, bayId: unit?.bays[0]?.id ?? null }],
  });
  states.push(await stateOf());
  await removeUnit(db, HOME, unitIdSchema.parse(saved.ok ? saved.value : ''));
  states.push(await stateOf());

  for (let i = states.length - 2; i >= 0; i -= 1) {
    await moveChange(db, HOME, 'undo');
    expect(await stateOf()).toBe(states[i]);
  }
  await expect(moveChange(db, HOME, 'undo')).rejects.toMatchObject({ code: 'not_found' });
  for (let i = 1; i < states.length; i += 1) {
    await moveChange(db, HOME, 'redo');
    expect(await stateOf()).toBe(states[i]);
  }
});

test('taking a unit away leaves its groups unplaced, not lost', async () => {
  const saved = await saveUnit(db, HOME, unitInput());
  const bay = (await loadRecords(db, HOME, 'units')).units[0]?.bays[0];
  await insertGroup(db, aGroup({ bayId: bay?.id }));
  await removeUnit(db, HOME, unitIdSchema.parse(saved.ok ? saved.value : ''));
  expect((await loadRecords(db, HOME, 'groups')).groups).toMatchObject([
    { name: 'Hats', bayId: null },
  ]);
});

test('a unit that its places do not fit into keeps nothing', async () => {
  const before = await stateOf();
  const saved = await saveUnit(db, HOME, { ...unitInput(), width: mm(500) });
  expect(saved).toMatchObject({
    ok: false,
    error: [{ code: 'bays_wider_than_unit', sumMm: 800, unitMm: 500 }],
  });
  expect(await stateOf()).toBe(before);
});

test('a new change ends what could be done again', async () => {
  await insertGroup(db, aGroup());
  const rename = (name: string) =>
    changeGroup(db, HOME, { groupId: aGroup().id, change: { name } });
  await rename('Caps');
  await moveChange(db, HOME, 'undo');
  await rename('Bonnets');
  expect(await getUndoState(db, HOME)).toMatchObject({
    undo: { code: 'group_changed', name: 'Hats' },
    redo: undefined,
  });
});

test('what was changed behind its back is not overwritten by undo', async () => {
  await insertGroup(db, aGroup());
  await changeGroup(db, HOME, { groupId: aGroup().id, change: { name: 'Caps' } });
  await db('groups').update({ name: 'Berets' });
  await expect(moveChange(db, HOME, 'undo')).rejects.toMatchObject({ code: 'changed_since' });
  expect((await loadRecords(db, HOME, 'groups')).groups[0]?.name).toBe('Berets');
});

test('a change that fails half way keeps nothing', async () => {
  const half = recordChange(
    db,
    { projectId: HOME, deed: { code: 'hours_noted' }, now: '2026-11-06T10:00:00.000Z' },
    async (writer) => {
      await writer.insert(groupRecord, aGroup());
      await writer.insert(groupRecord, aGroup());
    },
  );
  await expect(half).rejects.toMatchObject({ message: expect.stringContaining('UNIQUE') });
  expect((await loadRecords(db, HOME, 'groups')).groups).toEqual([]);
  expect(await getUndoState(db, HOME)).toEqual({ undo: undefined, redo: undefined });
});

test('a place whose measures changed keeps the fit that was taken for it', async () => {
  await saveUnit(db, HOME, unitInput());
  const unit = (await loadRecords(db, HOME, 'units')).units[0];
  const [first, second] = unit?.bays ?? [];
  if (!unit || !first || !second) throw new Error('two bays were saved');
  for (const bay of [first, second])
    await db('taken_fits').insert({
      id: bay.id,
      prefer: 'cost',
      answer_json: emptyFit,
      taken_at: '2026-11-06T10:00:00.000Z',
    });
  const { position: _position, ...facts } = unit;
  await saveUnit(db, HOME, {
    ...facts,
    bays: [aBay({ ...first, heightReadings: [mm(349)] }), second],
  });
  const { fits } = await loadRecords(db, HOME, 'fits');
  expect(fits.map(({ bayId }) => bayId).sort()).toEqual([first.id, second.id].sort());
});

const emptyFit = JSON.stringify({
  status: 'optimal',
  objective: 0,
  bound: 0,
  elapsedMs: 1,
  placements: [],
  costMinor: 0,
  usedLitres: 0,
  freeLitres: 0,
  unmet: [],
  reasons: [],
});

test('two changes of one record at once keep what both changed', async () => {
  await insertGroup(db, aGroup());
  await Promise.all([
    changeGroup(db, HOME, { groupId: aGroup().id, change: { name: 'Caps' } }),
    changeGroup(db, HOME, { groupId: aGroup().id, change: { uncountedLitres: 7 } }),
    changeGroup(db, HOME, { groupId: aGroup().id, change: { lid: 'required' } }),
  ]);
  const { groups } = await loadRecords(db, HOME, 'groups');
  expect(groups).toMatchObject([{ name: 'Caps', uncountedLitres: 7, lid: 'required' }]);
});

test('what was worked out for a home that was changed meanwhile is refused', async () => {
  await insertGroup(db, aGroup());
  const stamp = await stampOf(db, HOME);
  await changeGroup(db, HOME, { groupId: aGroup().id, change: { name: 'Caps' } });
  await expect(requireUnchanged(db, HOME, stamp)).rejects.toMatchObject({
    code: 'changed_meanwhile',
  });
  await expect(requireUnchanged(db, HOME, await stampOf(db, HOME))).resolves.toBeUndefined();
});
