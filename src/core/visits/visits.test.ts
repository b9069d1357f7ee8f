import { projectIdSchema, roomIdSchema, sectionIdSchema } from '../shared';
import { findEnergyFaults, stretchMinutesOf } from './energy';
import { visitSchema, type Visit } from './model';
import { visitStateOf } from './visitState';
import { findWhatToBring, type BringRoom } from './whatToBring';
import { addUpHours, breakMinutesOf, findClash, findDayWays, visitMinutesOf } from './visitTime';

const aVisit = (facts: Partial<Visit> = {}): Visit => ({
  ...visitSchema.parse({
    id: 'v1',
    projectId: projectIdSchema.parse('home'),
    day: '2026-12-01',
    fromMinute: 540,
    toMinute: 720,
    people: ['Wren'],
    clientThere: true,
    sectionIds: [],
    parking: '',
    prepare: '',
    isPinned: false,
    arrivedAt: null,
    leftAt: null,
    breaks: [],
    correctedMinutes: null,
    done: '',
    promised: '',
    next: '',
  }),
  ...facts,
});
const at = (clockTime: string) => `2026-12-01T${clockTime}:00.000Z`;

describe('hours of a visit', () => {
  test('run from arriving to leaving, less the breaks', () => {
    const visit = aVisit({
      arrivedAt: at('09:00'),
      leftAt: at('12:30'),
      breaks: [{ from: at('10:00'), to: at('10:20') }],
    });
    expect(visitMinutesOf(visit, at('23:00'))).toBe(190);
    expect(visitStateOf(visit)).toBe('lived');
  });

  test('run on while it lasts, and stand still while a break does', () => {
    const visit = aVisit({ arrivedAt: at('09:00'), breaks: [{ from: at('10:00'), to: null }] });
    expect(visitStateOf(visit)).toBe('break');
    expect(visitMinutesOf(visit, at('10:15'))).toBe(60);
    expect(visitMinutesOf(visit, at('11:00'))).toBe(60);
    expect(breakMinutesOf(visit, at('11:00'))).toBe(60);
  });

  test('are instants: the night a clock is changed does not lengthen them', () => {
    const visit = aVisit({
      arrivedAt: '2026-10-25T00:30:00.000+02:00',
      leftAt: '2026-10-25T03:30:00.000+01:00',
    });
    expect(visitMinutesOf(visit, '')).toBe(240);
  });

  test('what is corrected counts instead of the clock', () =>
    expect(
      visitMinutesOf(
        aVisit({ arrivedAt: at('09:00'), leftAt: at('10:00'), correctedMinutes: 90 }),
        '',
      ),
    ).toBe(90));
});

test('hours go to the rooms of the sections in equal parts, typed ones count instead, none is lost', () => {
  const [hall, den, attic] = ['hall', 'den', 'attic'].map((id) => roomIdSchema.parse(id));
  const section = (id: string, roomId: typeof hall) => ({
    id: sectionIdSchema.parse(id),
    roomId: roomId ?? roomIdSchema.parse('none'),
  });
  const sections = [section('a', hall), section('b', den), section('c', den)];
  const lived = { arrivedAt: at('09:00'), leftAt: at('12:00') };
  const hours = addUpHours(
    [hall, den, attic].map((id, i) => ({
      id: id ?? roomIdSchema.parse('none'),
      workedMinutes: i === 2 ? 45 : null,
    })),
    sections,
    [
      aVisit({ ...lived, sectionIds: sections.map(({ id }) => id) }),
      aVisit({ ...lived }),
      aVisit({ arrivedAt: at('09:00') }),
    ],
  );
  expect([...hours.byRoom.values()]).toEqual([
    { minutes: 60, from: 'visits' },
    { minutes: 120, from: 'visits' },
    { minutes: 45, from: 'typed' },
  ]);
  expect(hours.allMinutes).toBe(180 + 180 + 45);
});

test('nobody is in two homes at once; one after the other, and others, are', () => {
  const visit = aVisit();
  const other = (facts: Partial<Visit>) => [
    {
      visit: aVisit({ ...facts, id: 'v2' as Visit['id'] }),
      homeName: 'Mill',
    },
  ];
  expect(findClash(visit, other({ people: ['Tilda', 'wren '] }))).toEqual({
    person: 'Wren',
    homeName: 'Mill',
    fromMinute: 540,
    toMinute: 720,
  });
  expect(findClash(visit, other({ people: ['Tilda'] }))).toBeUndefined();
  expect(findClash(visit, other({ fromMinute: 720, toMinute: 800 }))).toBeUndefined();
  expect(findClash(visit, other({ day: '2026-12-02' }))).toBeUndefined();
  expect(findClash(visit, [{ visit, homeName: 'itself' }])).toBeUndefined();
});

test('the way to the next home of a day is told for whoever is in both', () => {
  const at = (homeName: string, fromMinute: number, people: string[]) => ({
    visit: aVisit({ fromMinute, toMinute: fromMinute + 60, people }),
    homeName,
    travelMinutes: homeName === 'Mill' ? 40 : 20,
  });
  const visits = [at('Mill', 660, ['Wren']), at('Row', 570, [' wren']), at('Boat', 800, ['Bram'])];
  expect(findDayWays(visits)).toEqual([{ homeName: 'Mill', wayMinutes: 40, freeMinutes: 30 }]);
});

test('papers are named where they come last or take longer than was set, and nothing else is', () => {
  const part = (content: 'linen' | 'papers', likelyMinutes: number) => ({ content, likelyMinutes });
  const set = { mostHardMinutes: 60, visitMinutes: 180 };
  expect(findEnergyFaults([part('papers', 30), part('linen', 90)], set)).toEqual([]);
  expect(findEnergyFaults([part('papers', 30)], set)).toEqual([]);
  expect(findEnergyFaults([part('linen', 90), part('papers', 400)], set)).toEqual([
    { code: 'hard_last', content: 'papers' },
    { code: 'hard_long', minutes: 180, mostMinutes: 60 },
  ]);
});

test('a stretch runs from arriving or the end of the last break, and not in one', () => {
  const visit = aVisit({ arrivedAt: at('09:00') });
  expect(stretchMinutesOf(visit, at('10:30'))).toBe(90);
  const rested = { ...visit, breaks: [{ from: at('10:00'), to: at('10:10') }] };
  expect(stretchMinutesOf(rested, at('10:30'))).toBe(20);
  expect(
    stretchMinutesOf({ ...visit, breaks: [{ from: at('10:00'), to: null }] }, at('11:00')),
  ).toBe(0);
});

const aRoom = (facts: Partial<BringRoom> = {}): BringRoom => ({
  name: 'Hall',
  litres: 400,
  labelCount: 0,
  linedCount: 0,
  fixingCount: 0,
  cautions: [],
  usualCount: 0,
  missingBefore: 0,
  waiting: [],
  ...facts,
});

test('what to bring follows from the litres and what was decided, as a range, and from nothing else', () => {
  const nothing = { leftLitres: 0, keptLitres: 0 };
  expect(findWhatToBring([aRoom()], nothing)).toEqual([
    // 400 l, of which 15 to 50 % leave, 60 % of that in boxes of 50 l and the rest in bags of 60 l.
    { code: 'boxes', count: [1, 3], because: ['Hall'] },
    { code: 'bags', count: [1, 2], because: ['Hall'] },
  ]);
  // A home in which half has left so far: 30 to 70 %.
  const half = { leftLitres: 500, keptLitres: 500 };
  expect(findWhatToBring([aRoom({ litres: 1000 })], half)[0]).toMatchObject({ count: [4, 9] });
  const rich = aRoom({ cautions: ['blade', 'sharps'], fixingCount: 2, waiting: ['Tub'] });
  expect(
    findWhatToBring([rich, aRoom({ litres: 0, labelCount: 4 })], half).map(({ code }) => code),
  ).toEqual(['boxes', 'bags', 'labels', 'drill_level', 'gloves', 'sharps_box', 'purchases']);
  expect(findWhatToBring([aRoom({ litres: 0 })], half)).toEqual([]);
});
