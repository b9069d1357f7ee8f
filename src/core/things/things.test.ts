import fc from 'fast-check';

import { phrases } from '@test/phrases';
import { thingsRequestSchema, type ThingFound } from '.';
import { roomFor } from './packing';
import { readThings } from './readThings';
import { stemsOf } from './readWords';
import { readVocabulary } from './readVocabulary';
import { vocabulary } from './vocabulary';

type Told = Omit<Parameters<typeof thingsRequestSchema.parse>[0] & object, 'lines'>;
const ask = (texts: readonly string[], rest: Told = {}): readonly ThingFound[] =>
  readThings(
    thingsRequestSchema.parse({
      lines: texts.map((text, i) => ({ id: String(i), text })),
      ...rest,
    }),
    () => 0,
  ).things;
const read = (text: string, rest: Told = {}): ThingFound => ask([text], rest)[0]!;

const KINDS = vocabulary.kinds.filter(({ words }) => words[0]!.split(' ').length <= 3);
const aKind = fc.constantFrom(...KINDS);
const plural = (word: string): string => (/s$/.test(word) ? word : `${word}s`);
const isNear = (a: number, b: number, factor = 1.011) => a <= b * factor && b <= a * factor;

describe('what a tape and a scale would find', () => {
  const answers = ask(phrases.map(({ text }) => text));
  const share = (isRight: (answer: ThingFound, i: number) => boolean) =>
    answers.filter(isRight).length / answers.length;
  const within = (a: number, b: number) => Math.max(a / b, b / a) <= 2;

  test('the table is long enough to tell', () => expect(phrases.length).toBeGreaterThan(400));

  test.each(phrases.map((phrase, i) => [phrase.text, i] as const))('%j is counted', (_, i) =>
    expect(answers[i]!.count).toBe(phrases[i]!.count),
  );

  test('litres and grams are within a factor of two nineteen times in twenty', () => {
    expect(share((t, i) => within(t.litres.value, phrases[i]!.litres))).toBeGreaterThan(0.95);
    expect(share((t, i) => within(t.massG.value, phrases[i]!.massG))).toBeGreaterThan(0.95);
  });

  test('the truth lies between low and high at least four times in five', () => {
    const holds = ({ low, high }: ThingFound['litres'], truth: number) =>
      low <= truth * 1.000001 && truth <= high * 1.000001;
    expect(share((t, i) => holds(t.litres, phrases[i]!.litres))).toBeGreaterThan(0.8);
    expect(share((t, i) => holds(t.massG, phrases[i]!.massG))).toBeGreaterThan(0.8);
  });

  test('no danger is missed, and hardly one is called out for nothing', () => {
    const missed = answers.flatMap(({ cautions }, i) =>
      phrases[i]!.cautions.filter((code) => !cautions.some((each) => each === code)),
    );
    const idle = answers.flatMap(({ cautions }, i) =>
      cautions.filter((code) => !phrases[i]!.cautions.includes(code)),
    );
    expect(missed).toEqual([]);
    expect(idle.length).toBeLessThan(phrases.length / 100);
  });

  test('the first way out is the right one', () =>
    expect(share((t, i) => t.goesTo[0] === phrases[i]!.way)).toBeGreaterThan(0.95));
});

describe('where people put the number', () => {
  test('before and behind the name are the same', () =>
    fc.assert(
      fc.property(aKind, fc.integer({ min: 2, max: 60 }), (kind, count) => {
        const name = plural(kind.words[0]!);
        const [before, ...behind] = ask([
          `${count} ${name}`,
          `${name}, ${count}`,
          `${name} x${count}`,
          `${name}: ${count}`,
        ]);
        for (const other of behind) expect({ ...other, id: '' }).toEqual({ ...before, id: '' });
        expect(before!.count).toBe(count);
      }),
    ));

  test.each([
    ['two boxes of 24', 48, 'piece'],
    ['half a dozen eggs', 6, 'piece'],
    ['a pair of candlesticks', 1, 'pair'],
    ['set of 6 glasses', 6, 'piece'],
    ['2 pairs of trousers', 2, 'pair'],
    ['6 pint glasses', 6, 'piece'],
    ['2 foot rests', 2, 'piece'],
    ['6 foot ladder', 1, 'piece'],
    ['diaries 2009 to 2015', 1, 'heap'],
    ['13.5 tog duvet', 1, 'piece'],
    ['26 cm pan', 1, 'piece'],
    ['four-drawer filing cabinet', 1, 'piece'],
    ['shoes size 42', 1, 'pair'],
    ['twenty-four mugs', 24, 'piece'],
    ['about 30 magazines', 30, 'piece'],
    ['20 to 30 paperbacks', 25, 'piece'],
    ['4 six-packs of beer', 24, 'piece'],
    ['mugs, set of 6', 6, 'piece'],
    ['3 bin bags of clothes', 3, 'holder'],
    ['pile of towels', 1, 'heap'],
    ['12 kg of potatoes', 1, 'heap'],
  ])('%j is %d, by the %s', (text, count, unit) =>
    expect(read(text)).toMatchObject({ count, unit }),
  );

  test('a line without a letter has nothing in it', () => {
    for (const text of ['', '  ', '12', '3.5', '!!'])
      expect(read(text)).toMatchObject({ count: 0, kindId: null, cautions: [], goesTo: [] });
  });

  test('whatever is typed, figures are finite, and the value lies between low and high', () =>
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string({ maxLength: 60 }),
          fc
            .array(
              fc.constantFrom(
                ...'6 of box bag a pair set x , ( ) half full kg 2.5 cm 1/2 plates rice in dozen 10/26 zorg'.split(
                  ' ',
                ),
              ),
              { maxLength: 9 },
            )
            .map((words) => words.join(' ')),
        ),
        (text) => {
          const { litres, massG, count, uprightMm = 1, longestMm = 1 } = read(text);
          for (const { value, low, high } of [litres, massG]) {
            expect(low).toBeLessThanOrEqual(value);
            expect(value).toBeLessThanOrEqual(high);
            expect(Number.isFinite(high)).toBe(true);
          }
          expect(Number.isInteger(count) && count >= 0 && count <= 10_000).toBe(true);
          expect(uprightMm > 0 && longestMm > 0).toBe(true);
        },
      ),
    ));
});

describe('what is typed is what comes out', () => {
  test('a weight, a volume, a size in three numbers', () =>
    fc.assert(
      fc.property(aKind, fc.integer({ min: 1, max: 400 }), (kind, figure) => {
        fc.pre(!kind.isMachine);
        const name = kind.words[0]!;
        const [heavy, large, measured] = ask([
          `${name}, ${figure} kg`,
          `${name} ${figure} l`,
          `${name} ${figure} x 10 x 20 cm`,
        ]);
        expect(heavy!.massG).toEqual({
          value: figure * 1000,
          low: figure * 1000,
          high: figure * 1000,
          from: 'typed',
        });
        expect(large!.litres).toMatchObject({ value: figure, from: 'typed' });
        expect(measured!.litres.value).toBeCloseTo(figure * 0.2, 4);
        expect(measured!.longestMm).toBe(Math.max(200, figure * 10));
      }),
    ));

  test('bare sizes are in the unit of the household', () => {
    expect(read('box 400 x 300 x 200', { units: 'mm' }).litres.value).toBeCloseTo(24, 6);
    expect(read('box 10 x 10 x 10', { units: 'in' }).litres.value).toBeCloseTo(16.3871, 4);
  });

  test.each([
    ['etching press, 22 kg', 22_000],
    ['2 x 10 kg weights', 20_000],
    ['3 bags of flour, 1.5 kg', 4500],
    ['12 books, 5 kg', 5000],
    ['4 dumbbells, 5 kg each', 20_000],
    ['15 kg of bank statements', 15_000],
    ['half a bag of zorgs, 3 kg', 3000],
  ])('%j weighs %d g', (text, grams) => expect(read(text).massG.value).toBe(grams));

  test('a machine takes seven kilograms in, and weighs its own', () =>
    expect(read('washing machine 7 kg').massG.from).toBe('kind'));

  test.each([
    ['milk 10/26', '2026-10-31'],
    ['yoghurt 0824', '2024-08-31'],
    ['paracetamol, use by 05/2024', '2024-05-31'],
    ['1026 screws', null],
    ['tax papers 2019', null],
  ])('%j has the date %s', (text, day) => expect(read(text).expiresOn).toBe(day));
});

describe('how much room several take', () => {
  test('twice as many are never less, and never more than twice', () =>
    fc.assert(
      fc.property(aKind, fc.integer({ min: 2, max: 200 }), (kind, count) => {
        const name = plural(kind.words[0]!);
        const [once, twice] = ask([`${count} ${name}`, `${2 * count} ${name}`]);
        for (const figure of ['litres', 'massG'] as const) {
          expect(twice![figure].value).toBeGreaterThanOrEqual(once![figure].value);
          expect(twice![figure].value).toBeLessThanOrEqual(once![figure].value * 2.011);
        }
      }),
    ));

  test('plates lie in each other, books do not, balls leave room between them', () => {
    const plates = { storing: 'stacks', material: 'ceramic', sizeMm: [270, 270, 25] } as const;
    const books = { storing: 'stacks', material: 'paper', sizeMm: [150, 210, 26] } as const;
    const balls = { storing: 'loose', material: 'mixed', sizeMm: [67, 67, 67] } as const;
    expect(roomFor(11, plates)).toBeCloseTo(1 + 10 * 0.45, 9);
    expect(roomFor(11, books)).toBe(11);
    expect(roomFor(11, balls)).toBeCloseTo(1 + 10 * 0.82, 9);
  });

  test('a longer list of boxes never lowers', () =>
    fc.assert(
      fc.property(
        aKind,
        fc.constantFrom('box', 'bag', 'crate', 'drawer', 'sack'),
        fc.integer({ min: 1, max: 40 }),
        fc.integer({ min: 2, max: 30 }),
        (kind, holder, holders, per) => {
          const name = plural(kind.words[0]!);
          const [few, more] = ask([
            `${holders} ${plural(holder)} of ${per} ${name}`,
            `${holders + 1} ${plural(holder)} of ${per} ${name}`,
          ]);
          expect(few!.count).toBe(holders * per);
          expect(more!.litres.value).toBeGreaterThanOrEqual(few!.litres.value);
          expect(more!.massG.value).toBeGreaterThanOrEqual(few!.massG.value);
        },
      ),
    ));

  test('of a box and what is in it the smaller counts, unless the box is full', () => {
    const loose = read('24 plasters').litres.value;
    expect(read('box of 24 plasters').litres.value).toBeLessThan(loose * 1.5);
    expect(read('box of 100 sofas').litres.value).toBeLessThan(100);
    expect(read('drawer full of socks').litres.from).toBe('holder');
  });

  test('half a bag takes half the room; half a tin takes all of it and weighs less', () => {
    const [bag, half, tin, halfTin] = ask([
      'bag of zorgs',
      'bag of zorgs, half full',
      'tin of paint',
      'tin of paint, half full',
    ]);
    expect(half!.litres.value).toBeCloseTo(bag!.litres.value / 2, 1);
    expect(halfTin!.litres.value).toBe(tin!.litres.value);
    expect(halfTin!.massG.value).toBeLessThan(tin!.massG.value * 0.7);
  });
});

describe('what is not known says so', () => {
  test('an unknown thing has a wide range and no kind', () =>
    expect(read('zorg')).toMatchObject({
      kindId: null,
      litres: { low: 0.5, high: 30, from: 'unknown' },
    }));

  test('a common name gives the range of kinds alike', () => {
    const { litres, kindId } = read('crockery');
    expect(kindId).toBeNull();
    expect(litres.from).toBe('family');
    expect(litres.high / litres.low).toBeGreaterThan(4);
  });

  test('the organizer’s own kind goes before the shipped one, and knows only its own name', () => {
    const kinds = [{ words: ['shirt', 'zorg'], litres: 5, massG: [900, 1100], uprightMm: 120 }];
    const [own, other, unknown] = ask(['3 shirts', 'shirt hanger', '2 zorgs'], { kinds });
    expect(own).toMatchObject({ kindId: 'shirt', litres: { value: 15, from: 'own' } });
    expect(own!.massG).toEqual({ value: 3000, low: 2700, high: 3300, from: 'own' });
    expect(other!.litres.from).toBe('kind');
    expect(unknown).toMatchObject({ litres: { value: 10, from: 'own' }, uprightMm: 120 });
  });
});

describe('dangers, ways out and what asks first', () => {
  test.each([
    ['cake mould', []],
    ['mouse mat', []],
    ['dishwasher tablets', ['chemical']],
    ['milk glass', []],
    ['toy gun', []],
    ['box of zorgs, asbestos', ['licensed']],
    ['lamp without batteries', ['electrical']],
    ['sofa', ['heavy']],
    ['10 bricks', []],
  ])('%j calls for %j', (text, cautions) => expect(read(text).cautions).toEqual(cautions));

  test('what can hurt has one way out, and no gift', () => {
    const lines = [
      'antibiotics',
      'used syringes',
      'shotgun cartridges',
      'car battery',
      'mouldy coat',
    ];
    expect(ask(lines).map(({ goesTo }) => goesTo[0])).toEqual([
      'pharmacy',
      'pharmacy',
      'licensed',
      'hazardous',
      'bin',
    ]);
  });

  test.each([
    ["Gran's letters, 3 bundles", "Grandmother's violin, letters from Gran"],
    ['snapshots of the boat', 'photographs'],
    ['a war medal', 'medals and ribbons'],
  ])('%j asks because of %j', (text, wish) =>
    expect(read(text, { mustAsk: ['the piano', wish] }).mustAsk).toBe(wish),
  );
  test('what nobody named asks nothing', () =>
    expect(
      read('6 forks', { mustAsk: ['letters from Gran', 'anything of Dad'] }).mustAsk,
    ).toBeNull());

  test('a group is suggested by its name and its kinds', () => {
    const groups = [
      { id: 'a', name: 'Scarves & hats' },
      { id: 'b', name: 'Bed linen' },
      { id: 'c', name: 'Hand tools' },
    ];
    const lines = ['2 beanies', 'pillowcases', 'chisel', 'hand cream', 'zorg'];
    expect(ask(lines, { groups }).map(({ groupId }) => groupId)).toEqual([
      'a',
      'b',
      'c',
      null,
      null,
    ]);
  });
});

describe('the vocabulary', () => {
  const keys = vocabulary.kinds.map(({ words }) => words.map((word) => stemsOf(word).join('')));

  test('has at least 2,500 kinds, and no phrase stands for two', () => {
    expect(vocabulary.kinds.length).toBeGreaterThanOrEqual(2500);
    expect(new Set(keys.flat()).size).toBe(keys.flat().length);
  });

  test('every phrase finds its kind, in both numbers', () => {
    const lost = vocabulary.kinds.flatMap((kind) =>
      kind.words
        .filter((word) => read(word).kindId !== kind.id)
        .map((word) => `${word}: ${kind.id}`),
    );
    expect(lost.length).toBeLessThan(keys.flat().length / 50);
  });

  test('weighs what things of its size can weigh', () => {
    const odd = vocabulary.kinds.filter(({ litres, massG }) => {
      const density = massG / litres;
      return density < 5 || density > 12_000;
    });
    expect(odd.map(({ id }) => id)).toEqual([]);
  });

  test.each([
    [['dinner plate: 27x27x2.5: 600'], 'no family before'],
    [['# a | stacks', 'plate: 27x27: 600'], 'no size'],
    [['# a | stacks', 'plate: 3: 0'], 'no grams'],
    [['# a | stacks', 'plate: 3: 600: !nonsense'], 'no code "nonsense"'],
  ])('a line that does not read so is refused: %j', (lines, message) =>
    expect(() => readVocabulary([lines])).toThrow(message),
  );

  test('a line says where its kind differs from its family', () => {
    const { kinds } = readVocabulary([
      [
        '# cups | stands ceramic !heavy >give | china',
        'mug: 0.9: 350',
        'lid: 1x2x3: 5: plastic !none ~2',
      ],
    ]);
    expect(kinds[0]).toMatchObject({ litres: 0.9, storing: 'stands', cautions: ['heavy'] });
    expect(kinds[1]).toMatchObject({ litres: 0.006, material: 'plastic', cautions: [], spread: 2 });
  });
});

test('the same lines give the same answer, whatever stood before them', () => {
  const texts = phrases.slice(0, 60).map(({ text }) => text);
  const forward = ask(texts);
  const backward = [...ask([...texts].reverse())].reverse();
  forward.forEach((answer, i) => expect({ ...backward[i], id: '' }).toEqual({ ...answer, id: '' }));
  expect(isNear(forward[0]!.litres.value, read(texts[0]!).litres.value)).toBe(true);
});
