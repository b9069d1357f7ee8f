import fc from 'fast-check';

import {
  projectIdSchema,
  purchaseIdSchema,
  roomIdSchema,
  sectionIdSchema,
  visitIdSchema,
} from '../shared';
import { termsSchema } from '../agree';
import { purchaseSchema, type Purchase } from '../shop';
import { LIVED_NOTHING } from './visitState';
import type { Visit } from './model';
import { condenseStatement, makeStatement, roundMinutes } from './statement';

const hall = { id: roomIdSchema.parse('hall'), name: 'Hall', workedMinutes: null };
const coats = { id: sectionIdSchema.parse('coats'), roomId: hall.id, name: 'Coats' };
const termsOf = (statement: object, hourlyRateMinor = 3800) =>
  termsSchema.parse({ hourlyRateMinor, statement });
const lived = (i: number, minutes: number, facts: Partial<Visit> = {}): Visit => ({
  ...LIVED_NOTHING,
  id: visitIdSchema.parse(`v${i}`),
  projectId: projectIdSchema.parse('home'),
  day: `2026-${String(1 + (i % 12)).padStart(2, '0')}-10`,
  fromMinute: 540,
  toMinute: 700,
  people: ['Wren'],
  clientThere: true,
  sectionIds: [coats.id],
  parking: '',
  prepare: '',
  isPinned: false,
  arrivedAt: '2026-01-01T09:00:00.000Z',
  leftAt: new Date(Date.UTC(2026, 0, 1, 9) + minutes * 60_000).toISOString(),
  ...facts,
});
const bought = (facts: Partial<Purchase>): Purchase => ({
  ...purchaseSchema.parse({
    id: purchaseIdSchema.parse('p1'),
    roomId: hall.id,
    containerId: null,
    shopName: 'Fenwick Row',
    label: 'Hooks',
    pieces: 4,
    paidMinor: 1200,
    boughtAt: '2026-02-01T12:00:00.000Z',
    paidBy: 'wren ',
  }),
  ...facts,
});
const base = {
  rooms: [hall],
  sections: [coats],
  visits: [],
  purchases: [],
  people: ['Wren'],
  from: null,
  to: null,
};

test('lines of hours add up to the fee, whatever the rule, the rate and the typed hours are', () => {
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 0, max: 600 }), { maxLength: 30 }),
      fc.constantFrom(1, 5, 6, 15, 30),
      fc.boolean(),
      fc.integer({ min: 0, max: 20_000 }),
      fc.option(fc.integer({ min: 0, max: 5000 })),
      (minutes, step, roundsUp, rate, workedMinutes) => {
        const terms = termsOf({ roundMinutes: step, roundsUp, taxBasisPoints: 2000 }, rate);
        const visits = minutes.map((each, i) => lived(i, each));
        const rooms = [{ ...hall, workedMinutes }];
        const made = makeStatement({ ...base, terms, rooms, visits });
        const sum = (of: (line: (typeof made.hours)[number]) => number) =>
          made.hours.reduce((all, line) => all + of(line), 0);
        expect(sum((line) => line.feeMinor)).toBe(made.feeMinor);
        expect(sum((line) => line.roundedMinutes)).toBe(made.minutes);
        expect(made.totalMinor).toBe(made.feeMinor + made.taxMinor);
        for (const line of made.hours) expect(Math.abs(line.roundedMinutes % step)).toBe(0);
        // With hours typed for the only room, these count and not the clock, to half a step a line.
        if (workedMinutes !== null)
          expect(Math.abs(made.minutes - workedMinutes)).toBeLessThanOrEqual(
            step * (visits.length + 1),
          );
        const short = condenseStatement(made, 12);
        expect(short.hours.length).toBeLessThanOrEqual(13);
        expect(short.hours.reduce((all, line) => all + line.feeMinor, 0)).toBe(made.feeMinor);
      },
    ),
  );
});

test('hours go up to the next step, or to the nearest; seconds over are no step', () => {
  const rule = (step: 15 | 1, roundsUp: boolean) =>
    termsOf({ roundMinutes: step, roundsUp }).statement;
  expect(roundMinutes(61, rule(15, true))).toBe(75);
  expect(roundMinutes(60.5, rule(15, true))).toBe(60);
  expect(roundMinutes(61, rule(15, false))).toBe(60);
  expect(roundMinutes(61.4, rule(1, false))).toBe(61);
});

test('what whoever came paid is owed, less what came back; gift cards and others are not', () => {
  const made = makeStatement({
    ...base,
    terms: termsOf({}),
    purchases: [
      bought({ cardMinor: 200, refundMinor: 300 }),
      bought({ paidBy: 'Gran' }),
      bought({ paidBy: '', paidMinor: 500 }),
    ],
  });
  expect(made.paid.map(({ kind, amountMinor }) => [kind, amountMinor])).toEqual([
    ['bought', 1000],
    ['returned', -300],
  ]);
  expect([made.paidMinor, made.returnedMinor, made.totalMinor]).toEqual([1000, 300, 700]);
  expect(made.unsaid).toEqual({ count: 1, minor: 500 });
});

test('a time has the visits and purchases of its days alone', () => {
  const made = makeStatement({
    ...base,
    terms: termsOf({}),
    visits: [lived(0, 60), lived(1, 60), lived(2, 60)],
    purchases: [bought({})],
    from: '2026-02-10',
    to: '2026-02-28',
  });
  expect(made.hours.map(({ source }) => source.id)).toEqual(['v1']);
  expect(made.paid).toEqual([]);
});
