import { aGroup } from '@test/builders';
import {
  addWeighing,
  createParser,
  factsOf,
  findKindId,
  foldDecisions,
  kindSizeSchema,
  listSizedKinds,
  noKindSize,
  ownKindsOf,
  parseThing,
  splitPile,
  sumOff,
  withContents,
  withCorrection,
  withCount,
} from '.';
import { aDecision } from '@test/builders';
import { readCorrection } from '../things';
import { vocabulary } from '../things/vocabulary';
import { spaceInBay } from './space';

const groups = [
  aGroup({ id: 'scarves', name: 'Scarves & hats' }),
  aGroup({ id: 'bed', name: 'Bed linen' }),
];

test('what was put in a group before suggests it again', () =>
  expect(
    parseThing('2 zorgs', { groups, things: [{ name: 'zorg', groupId: groups[1]?.id ?? null }] })
      ?.groupId,
  ).toBe('bed'));

test('a decision keeps what the line was read as', () => {
  const parsed = parseThing('2 bottles of bleach, 10/26', { mustAsk: ['bleach'] });
  const facts = parsed && factsOf(parsed);
  expect(facts).toMatchObject({
    kindId: 'bleach',
    unit: 'holder',
    cautions: ['chemical'],
    goesTo: ['give', 'hazardous'],
    mustAsk: 'bleach',
    expiresOn: '2026-10-31',
  });
  const [event] = splitPile({ ...aThing(), ...facts }, [{ count: 2, verdict: 'ask', to: '' }], {
    now: '2026-11-06T10:00:00.000Z',
    device: 'desk',
    actId: 'a',
    toDecisionId: (text) => aDecision({ id: text }).id,
    createThingId: () => aDecision({}).thingId,
  });
  expect(event && foldDecisions([event])[0]).toMatchObject(facts ?? {});
});
const aThing = () => {
  const [thing] = foldDecisions([aDecision({ count: 2, litres: 2.6, massG: 2200 })]);
  if (!thing) throw new Error('a decision makes a thing');
  const { decisionId: _, decidedAt: __, ...facts } = thing;
  return facts;
};

describe('sizes that the organizer knows better', () => {
  const read = (text: string, sizes: Parameters<typeof ownKindsOf>[0]) =>
    createParser({}, ownKindsOf(sizes))(text);

  test('the scale overrules what was typed, and that what was shipped', () => {
    const typed = { ...noKindSize('bath towel'), litres: 4, massG: 600 };
    expect(read('10 towels', [typed])).toMatchObject({ litres: 40, massG: 6000 });
    const weighed = addWeighing(typed, { count: 4, massG: 1800 });
    expect(read('10 towels', [weighed])).toMatchObject({ litres: 40, massG: 4500 });
  });

  test('of a kind that only one figure was corrected of, the other stays an assumption', () =>
    expect(read('a towel', [{ ...noKindSize('bath towel'), massG: 800 }])).toMatchObject({
      massG: 800,
      ranges: { litres: { from: 'kind' }, massG: { from: 'own' } },
    }));

  test('a kind of one’s own is known by each of its names, and is listed first', () => {
    const own = { ...noKindSize('zorg'), words: ['zorgling'], litres: 3, massG: null };
    expect(read('2 zorglings', [own])).toMatchObject({ litres: 6, kindId: 'zorg' });
    expect(findKindId('my zorgs', ownKindsOf([own]))).toBe('zorg');
    const { kinds, foundCount } = listSizedKinds([own], { sought: '', most: 3 });
    expect(kinds[0]).toMatchObject({ id: 'zorg', isOwn: true, massG: null });
    expect([kinds.length, foundCount]).toEqual([3, vocabulary.kinds.length + 1]);
  });

  test('every shipped kind can be corrected under its own name', () =>
    expect(
      vocabulary.kinds.every(({ id }) => kindSizeSchema.safeParse(noKindSize(id)).success),
    ).toBe(true));
});

describe('one field for what a tape or a scale says', () => {
  const say = (text: string, count = 1) => readCorrection(text, { vocabulary, count });
  test.each([
    ['12 l', 3, { litres: 12 }],
    ['250 g each', 4, { massG: 1000 }],
    ['3.4 kg, 8 l', 1, { litres: 8, massG: 3400 }],
    ['40 x 30 x 20', 2, { litres: 48, uprightMm: 200, longestMm: 400 }],
    ['like a shoe box', 2, { litres: 15.8 }],
    ['as large as a suitcase', 1, { litres: 94.1 }],
    ['large', 1, undefined],
    ['12', 1, undefined],
  ])('%j for %d', (text, count, correction) => expect(say(text, count)).toEqual(correction));

  test('what was typed is sure, and goes in proportion with the number', () => {
    const parsed = parseThing('4 zorgs');
    if (!parsed) throw new Error('a line with letters is a thing');
    const typed = withCorrection(parsed, { litres: 8 });
    expect(withCount(typed, 2)).toMatchObject({
      litres: 4,
      ranges: { litres: { low: 4, high: 4, from: 'typed' }, massG: { from: 'unknown' } },
    });
  });
});

describe('how sure a sum is', () => {
  const range = (low: number, high: number, from = 'kind') => ({ low, high, from });
  const thing = (kindId: string, low: number, high: number) => ({
    litres: (low + high) / 2,
    massG: 0,
    kindId,
    ranges: { litres: range(low, high), massG: range(0, 0) } as never,
  });

  test('the same assumption adds straight, different ones in squares', () => {
    expect(sumOff([thing('plate', 2, 8), thing('plate', 0, 2)], 'litres')).toBeCloseTo(4, 9);
    expect(sumOff([thing('plate', 2, 8), thing('mug', 4, 12)], 'litres')).toBeCloseTo(5, 9);
    expect(sumOff([], 'litres')).toBe(0);
  });

  test('a group carries its tallest thing, its cautions and how sure its litres are', () => {
    const things = foldDecisions([
      aDecision({ groupId: 'bed', uprightMm: 120, cautions: ['chemical'], litres: 4 }),
      aDecision({ id: 'd2', thingId: 't2', groupId: 'bed', uprightMm: 300, longestMm: 410 }),
      aDecision({ id: 'd3', thingId: 't3', groupId: 'bed', verdict: 'donate', uprightMm: 900 }),
    ]);
    expect(withContents(groups, things)[1]?.contents).toMatchObject({
      cautions: ['chemical'],
      tallestMm: 300,
      longestMm: 410,
    });
    const bayId = 'shelf' as never;
    const here = withContents([aGroup({ id: 'bed', bayId: 'shelf' })], things);
    const space = spaceInBay({ bayId, usableLitres: 50, groups: here, things });
    expect(space.offLitres).toBeGreaterThan(1);
  });
});
