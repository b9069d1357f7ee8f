import fc from 'fast-check';

import { haulDestinationIdSchema, projectIdSchema, roomIdSchema, thingIdSchema } from '../shared';
import type { Thing } from '../sort';
import {
  haulDestinationSchema,
  hazardOnWay,
  howLongLies,
  meetsBadly,
  openOn,
  placesFor,
  readExceptions,
  readHours,
  readRefuses,
  refusalOf,
  roomOfCar,
  startLeaving,
  straightKm,
  toHaulRequest,
  USUAL_CAR,
  whatLeaves,
  writeExceptions,
  writeHours,
  writeRefuses,
  type HaulDestination,
} from '.';
import { partsOf } from './planLeaving';

const HOME = startLeaving(projectIdSchema.parse('home'));
const aDestination = (id: string, change: Partial<HaulDestination> = {}): HaulDestination =>
  haulDestinationSchema.parse({
    id: haulDestinationIdSchema.parse(id),
    name: id,
    streams: ['give'],
    address: '',
    position: null,
    minutes: 10,
    between: [],
    hours: [],
    exceptions: [],
    refuses: [],
    bagsPerVisit: null,
    unloadMinutes: 10,
    byAppointment: false,
    collects: false,
    givesReceipt: false,
    feeMinor: 0,
    note: '',
    ...change,
  });
const aThing = (change: Partial<Record<keyof Thing, unknown>> = {}): Thing =>
  ({
    id: thingIdSchema.parse('thing'),
    decisionId: 'decision',
    decidedAt: '2026-11-01T09:00:00.000Z',
    roomId: roomIdSchema.parse('hall'),
    name: 'coats',
    count: 3,
    verdict: 'donate',
    reasons: [],
    groupId: null,
    to: '',
    litres: 12,
    massG: 3000,
    ...change,
  }) as Thing;
const leavingOf = (
  things: ReturnType<typeof aThing>[],
  destinations: readonly HaulDestination[] = [aDestination('shop')],
) => whatLeaves({ things, carries: [], destinations, leaving: HOME, handovers: [] });

test('what is written of hours, days and refusals reads back as it was', () => {
  const minute = fc.integer({ min: 0, max: 95 }).map((quarter) => quarter * 15);
  const hours = fc
    .array(fc.tuple(fc.integer({ min: 1, max: 7 }), minute, fc.integer({ min: 1, max: 40 })), {
      maxLength: 7,
    })
    .map((list) =>
      [...new Map(list.map((each) => [each[0], each])).values()]
        .map(([weekday, from, quarters]) => ({
          weekday,
          from,
          to: Math.min(1440, from + 15 * quarters),
        }))
        .sort((a, b) => a.weekday - b.weekday),
    );
  fc.assert(
    fc.property(hours, (list) => {
      expect(readHours(writeHours(list))).toEqual({ ok: true, value: list });
    }),
  );
  for (const text of ['2026-12-24 closed', '2026-12-31 9:00-12:00'])
    expect(writeExceptions(okOf(readExceptions(text)))).toBe(text);
  for (const text of ['mattresses', 'wardrobes longer than 180 cm', 'heavier than 20 kg'])
    expect(writeRefuses(okOf(readRefuses(text)))).toBe(text);
});
const okOf = <T>(result: { ok: true; value: T } | { ok: false }): T => {
  if (!result.ok) throw new Error('cannot be read');
  return result.value;
};

test.each(['Mon 12-9', 'Mon 9-12; Mon 11-14', 'Someday 9-12', 'Mon 9:75-12'])(
  'hours that make no sense are refused: %s',
  (text) => expect(readHours(text).ok).toBe(false),
);

test.each([
  ['6 mattresses', { name: 'mattresses', count: 6, massG: 90_000 }, 'words'],
  ['a long wardrobe', { name: 'wardrobe', count: 1, massG: 50_000, longestMm: 2000 }, 'too_long'],
  ['a short wardrobe', { name: 'wardrobe', count: 1, massG: 9000, longestMm: 1200 }, undefined],
  ['one that is heavy each', { name: 'safe', count: 1, massG: 41_000 }, 'too_heavy'],
  ['many that are light each', { name: 'books', count: 100, massG: 60_000 }, undefined],
] as const)('refusals go by words and sizes: %s', (_, asked, code) => {
  const shop = aDestination('shop', {
    refuses: okOf(readRefuses('mattresses; wardrobes longer than 180 cm; heavier than 40 kg')),
  });
  expect(refusalOf(shop, { stream: 'give', asked: asked as never })?.code).toBe(code);
});

test('who takes it is before who does not, the nearer first, ways by position as a range', () => {
  const position = { latitude: 51.5, longitude: -0.1 };
  const places = placesFor(
    [
      aDestination('far', { minutes: 30 }),
      aDestination('near', { minutes: 5, refuses: okOf(readRefuses('coats')) }),
      aDestination('placed', { position: { latitude: 51.52, longitude: -0.1 }, minutes: null }),
    ],
    { position, minutes: [] },
    { stream: 'give', asked: { name: 'coats', count: 2, massG: 3000, longestMm: undefined } },
  );
  expect(places.map(({ destination }) => destination.id)).toEqual(['placed', 'far', 'near']);
  expect(straightKm(position, { latitude: 51.52, longitude: -0.1 })).toBeCloseTo(2.22, 1);
  expect(places[0]?.way.low).toBeLessThan(places[0]?.way.high ?? 0);
});

test('hours of a day are its weekday’s, or what was said of the day', () => {
  const hours = okOf(readHours('Thu 9-12'));
  const exceptions = okOf(readExceptions('2026-12-24 closed; 2026-12-31 10-11'));
  const openAt = (day: string) => openOn({ hours, exceptions }, day);
  expect(openAt('2026-12-17')).toEqual([expect.objectContaining({ from: 540, to: 720 })]);
  expect(openAt('2026-12-24')).toEqual([]);
  expect(openAt('2026-12-31')).toEqual([{ from: 600, to: 660 }]);
});

test('dangers share no box with others, and what must not meet no trip', () => {
  expect(hazardOnWay('batteries', [])).not.toBe(hazardOnWay('hazardous', []));
  expect(meetsBadly('bleach', 'descaler')).toBe('bleach_acid');
  expect(meetsBadly('coats', 'bleach')).toBeUndefined();
  const site = aDestination('site', { streams: ['hazardous', 'recycle'] });
  const recycled = (id: string, name: string, to: string) =>
    aThing({ id: id as never, name, verdict: 'recycle', to });
  const { request } = toHaulRequest({
    leaving: leavingOf(
      [
        recycled('a', 'bleach', 'hazardous'),
        recycled('b', 'descaler', 'hazardous'),
        recycled('c', 'magazines', 'recycle'),
      ],
      [site],
    ),
    home: HOME,
    car: USUAL_CAR,
    liftG: 15_000,
    boxes: [],
    departures: [],
  });
  const kinds = (request.conflicts ?? []).map(({ a, b, in: where }) => `${a}${b} ${where}`);
  expect(kinds.sort()).toEqual(['ab trip', 'ac box', 'bc box']);
});

test('parts of a pile hold all of it, none more than a box, unless it is a single piece', () => {
  fc.assert(
    fc.property(
      fc.record({
        count: fc.integer({ min: 1, max: 60 }),
        litres: fc.double({ min: 0, max: 900, noNaN: true }),
        massG: fc.double({ min: 0, max: 90_000, noNaN: true }),
      }),
      (size) => {
        const leaving = leavingOf([aThing({ verdict: 'donate', ...size })]);
        const parts = partsOf(leaving, { litres: 50, maxG: 15_000 });
        const sum = (of: (part: (typeof parts)[number]) => number) =>
          parts.reduce((total, part) => total + of(part), 0);
        expect(sum(({ count }) => count)).toBe(size.count);
        expect(sum(({ litres }) => litres)).toBeCloseTo(size.litres, 6);
        expect(sum(({ massG }) => massG)).toBeCloseTo(size.massG, 4);
        for (const { count, litres, massG } of parts)
          expect(count === 1 || (litres <= 50.001 && massG <= 15_000.01)).toBe(true);
      },
    ),
  );
});

test('a long thing lies straight, then turned, then not at all', () => {
  const use = { seatsDown: true, withTrailer: false };
  const { longMm } = roomOfCar(USUAL_CAR, use);
  expect(howLongLies(1300, USUAL_CAR, use).way).toBe('straight');
  expect(howLongLies(longMm, USUAL_CAR, use).way).toBe('diagonal');
  expect(howLongLies(longMm + 20, USUAL_CAR, use)).toEqual({
    way: 'too_long',
    longestMm: longMm,
  });
  expect(longMm).toBeLessThan(Math.hypot(1400, 1000));
  const { lowLitres, litres, highLitres, grossLitres } = roomOfCar(USUAL_CAR, use);
  expect(grossLitres).toBeCloseTo(1050, 6);
  expect([lowLitres, litres, highLitres]).toEqual(
    [...[lowLitres, litres, highLitres]].sort((a, b) => a - b),
  );
});
