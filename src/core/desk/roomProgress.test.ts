import { aBay, aDecision, aGroup, aSection, aUnit, HALL, HOME, mm } from '@test/builders';
import { pictureSchema, roomSchema, vantagePointSchema } from '../look';
import { foldDecisions } from '../sort';
import { roomProgressOf, type RoomFacts } from './roomProgress';

const room = roomSchema.parse({
  id: HALL,
  projectId: HOME,
  name: 'Hall',
  purpose: '',
  budgetMinor: 0,
  position: 0,
});
const spot = vantagePointSchema.parse({
  id: 'spot',
  roomId: HALL,
  name: 'from the door',
  position: 0,
});
const picture = (moment: 'before' | 'after') =>
  pictureSchema.parse({
    id: moment,
    vantagePointId: 'spot',
    moment,
    widthPx: 4,
    heightPx: 3,
    takenAt: '2026-11-06T10:00:00.000Z',
  });
const empty: RoomFacts = {
  room,
  units: [],
  sections: [],
  vantagePoints: [],
  pictures: [],
  groups: [],
  things: [],
  fits: [],
  setUp: { openCount: 0, doneCount: 0, unanchoredName: undefined },
  leaving: { waitingCount: 0, goneCount: 0 },
  needs: [],
  isAgreed: false,
};
const codesOf = (facts: Partial<RoomFacts>) =>
  roomProgressOf({ ...empty, ...facts }).next.map(({ code }) => code);

test('an empty room begins with a spot to photograph from, before anything is measured or moved', () => {
  expect(codesOf({})).toEqual([
    'add_vantage_point',
    'add_unit',
    'measure_walls',
    'set_room_budget',
    'start_sorting',
  ]);
  expect(roomProgressOf(empty).doneRatio).toBe(0);
});

test('each gap is named in the order of the work', () => {
  const things = foldDecisions([
    aDecision({ groupId: 'hats' }),
    aDecision({ id: 'd2', thingId: 't2', verdict: 'ask' }),
    aDecision({ id: 'd3', thingId: 't3', verdict: 'later' }),
  ]);
  const units = [aUnit({ bays: [aBay({ widthReadings: [mm(800), mm(790)] })] })];
  expect(codesOf({ things, units, vantagePoints: [spot], groups: [aGroup()] })).toEqual([
    'take_before',
    'measure_again',
    'measure_walls',
    'set_room_budget',
    'make_sections',
    'ask_client',
    'decide_later',
    'place_groups',
  ]);
});

test('a group in its place asks for containers, one that stands as it is does not', () => {
  const things = foldDecisions([aDecision({ groupId: 'hats' })]);
  const facts = {
    things,
    units: [aUnit()],
    room: roomSchema.parse({
      ...room,
      budgetMinor: 100,
      plan: { walls: Array.from({ length: 4 }, () => ({ length: mm(3000), turn: 'right' })) },
    }),
    sections: [aSection()],
    isAgreed: true,
    vantagePoints: [spot],
    pictures: [picture('before')],
  };
  expect(codesOf({ ...facts, groups: [aGroup({ bayId: 'shelf' })] })).toEqual([
    'fit_bays',
    'take_after',
  ]);
  // A fit that was taken though it leaves a group out is not done.
  const taken = { bayId: 'shelf', answer: { unmet: [{ groupId: 'hats', litres: 2 }] } };
  expect(
    codesOf({
      ...facts,
      groups: [aGroup({ bayId: 'shelf' })],
      fits: [taken] as unknown as RoomFacts['fits'],
    }),
  ).toContain('groups_left_out');
  expect(
    codesOf({
      ...facts,
      groups: [aGroup({ bayId: 'shelf', loose: true })],
      pictures: [picture('before'), picture('after')],
    }),
  ).toEqual([]);
});

test('what cannot be taken any more is not asked for, and what is missed is not either', () => {
  const facts = { vantagePoints: [spot] };
  expect(codesOf(facts)).toContain('take_before');
  expect(codesOf({ ...facts, pictures: [picture('after')] })).not.toContain('take_before');
  const missed = { ...spot, beforeMissed: 'The bed was moved the evening before.' };
  expect(codesOf({ vantagePoints: [missed] })).not.toContain('take_before');
  expect(codesOf({ vantagePoints: [missed] })).toContain('take_after');
});

test('nothing is agreed before somebody has agreed, whatever budget and sections there are', () => {
  const facts = {
    ...empty,
    room: { ...room, budgetMinor: 100 },
    units: [aUnit()],
    sections: [aSection()],
  };
  expect(roomProgressOf(facts).doneSteps).not.toContain('agree');
  expect(codesOf(facts)).toContain('get_agreement');
  expect(roomProgressOf({ ...facts, isAgreed: true }).doneSteps).toContain('agree');
  // A budget alone is no step that an empty room has done.
  expect(roomProgressOf({ ...empty, room: facts.room }).doneRatio).toBe(0);
});
