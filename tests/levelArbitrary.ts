import fc from 'fast-check';

import { fitRequestSchema, type FitRequest } from '@/core/fit';
import { fitRequestArb } from './fitArbitrary';

const sizeArb = (least: number, most: number) => fc.integer({ min: least, max: most });
/** Seldom: what asks for everything at once has no answer. */
const maybe = <T>(arb: fc.Arbitrary<T>) =>
  fc.oneof({ weight: 7, arbitrary: fc.constant(undefined) }, { weight: 1, arbitrary: arb });
/** A container's inside and price are dealt with by its role. */
const COMMON = { material: 'plastic', innerLitres: 0, innerHeight: 0, turnable: false } as const;

const riserArb = fc
  .record({
    width: sizeArb(150, 500),
    depth: sizeArb(120, 450),
    height: sizeArb(60, 260),
    topLoadG: fc.constantFrom(undefined, 3000, 12_000),
    more: fc.constantFrom(0, 0, 200),
  })
  .map(({ width, depth, height, topLoadG, more }) => ({
    ...COMMON,
    role: 'riser' as const,
    outer: { width, depth, height },
    underHeight: height - 10,
    underWidth: width - 20,
    ...(topLoadG === undefined ? {} : { topLoadG }),
    ...(more > 0 ? { mostWidth: width + more } : {}),
  }));
const turntableArb = fc
  .record({ across: sizeArb(180, 420), plate: sizeArb(15, 60), isTiered: fc.boolean() })
  .map(({ across, plate, isTiered }) => ({
    ...COMMON,
    role: 'turntable' as const,
    shape: 'round' as const,
    outer: { width: across, depth: across, height: plate + 10 },
    plateHeight: plate,
    rim: 4,
    topLoadG: 6000,
    ...(isTiered ? { stackable: true, levelGap: plate + 110 } : {}),
  }));
const pullOutArb = fc
  .record({ width: sizeArb(150, 450), depth: sizeArb(150, 450), travel: sizeArb(100, 400) })
  .map(({ width, depth, travel }) => ({
    ...COMMON,
    role: 'pull-out' as const,
    outer: { width, depth, height: 90 },
    innerLitres: ((width - 20) * (depth - 20) * 80) / 1e6,
    innerHeight: 80,
    innerWidth: Math.min(width, depth) - 20,
    travel,
  }));
const insertArb = fc
  .record({ width: sizeArb(60, 180), depth: sizeArb(60, 180), height: sizeArb(40, 120) })
  .map(({ width, depth, height }) => ({
    ...COMMON,
    role: 'insert' as const,
    outer: { width, depth, height },
    innerLitres: (width * depth * height) / 1e6,
    innerHeight: height,
  }));
const dividerArb = fc
  .record({ long: sizeArb(120, 500), more: fc.constantFrom(0, 0, 200), height: sizeArb(40, 120) })
  .map(({ long, more, height }) => ({
    ...COMMON,
    role: 'divider' as const,
    outer: { width: long, depth: 10, height },
    ...(more > 0 ? { mostWidth: long + more } : {}),
  }));
const rackArb = fc
  .record({ places: sizeArb(2, 8), across: sizeArb(50, 110) })
  .map(({ places, across }) => ({
    ...COMMON,
    role: 'rack' as const,
    outer: { width: places * (across + 10), depth: 200, height: across + 20 },
    places,
    placeDiameter: across,
  }));
const hangingArb = fc
  .record({ isRail: fc.boolean(), width: sizeArb(150, 500) })
  .map(({ isRail, width }) =>
    isRail
      ? {
          ...COMMON,
          role: 'hooks' as const,
          outer: { width, depth: 60, height: 30 },
          hooks: Math.floor(width / 40),
          hookLoadG: 900,
        }
      : {
          ...COMMON,
          role: 'under-shelf' as const,
          outer: { width, depth: 180, height: 90 },
          innerLitres: (width * 180 * 80) / 1e6,
          innerHeight: 80,
          clipMost: 25,
        },
  );

const traitArb = fc.record({
  crushable: maybe(fc.boolean()),
  tallestMm: maybe(sizeArb(40, 200)),
  longestMm: maybe(sizeArb(60, 300)),
  mayLie: maybe(fc.boolean()),
  overRim: maybe(fc.boolean()),
  eyeMm: maybe(fc.constantFrom(1450, 1550)),
  kinds: maybe(sizeArb(2, 5)),
  pieces: maybe(
    fc.record({
      shape: fc.constantFrom('round' as const, 'box' as const),
      width: sizeArb(30, 100),
      height: sizeArb(40, 180),
      count: sizeArb(1, 12),
    }),
  ),
  hangs: fc.constantFrom(undefined, undefined, undefined, { dropMm: 90 }),
  ownerId: maybe(fc.constantFrom('ann', 'ben')),
});

const drop = <T extends object>(record: T) =>
  Object.fromEntries(Object.entries(record).filter(([, value]) => value !== undefined));

/** Most of the odd questions have no answer: less is asked for, and the place is dry and open. */
const ease = (base: FitRequest): FitRequest => ({
  ...base,
  bay: { ...drop({ ...base.bay, openingWidth: undefined }), moist: false } as FitRequest['bay'],
  groups: base.groups.map(({ id, name, litres, massG, front }) => ({
    id,
    name,
    litres: litres / 3,
    front,
    ...(massG === undefined ? {} : { massG: massG / 4 }),
  })),
  containers: [
    ...base.containers,
    ...[
      [110, 140, 90],
      [160, 190, 120],
      [90, 90, 150],
    ].map(([width = 0, depth = 0, height = 0], i) => ({
      id: `small ${i}`,
      name: `small ${i}`,
      outer: { width, depth, height },
      innerLitres: (width * depth * height * 0.9) / 1e6,
      innerHeight: height - 4,
      material: 'plastic' as const,
      priceMinor: 100 + 50 * i,
      stackable: i === 1,
    })),
  ],
});

/** Random questions to `fit` with levels and with contents told: some ordinary, many odd. */
export const levelRequestArb: fc.Arbitrary<FitRequest> = fc
  .record({
    base: fitRequestArb,
    isEasy: fc.constantFrom(true, true, true, false),
    bearing: fc.array(
      fc.oneof(
        riserArb,
        riserArb,
        turntableArb,
        pullOutArb,
        insertArb,
        dividerArb,
        rackArb,
        hangingArb,
      ),
      { minLength: 1, maxLength: 4 },
    ),
    traits: fc.array(traitArb, { minLength: 4, maxLength: 4 }),
    bay: fc.record({
      lip: maybe(sizeArb(10, 60)),
      falseFloor: maybe(sizeArb(10, 80)),
      shelfThickness: maybe(sizeArb(15, 30)),
      bottom: maybe(fc.constantFrom(1300, 1450)),
      openingLeft: maybe(sizeArb(0, 60)),
      hinge: maybe(fc.constantFrom('left' as const, 'right' as const)),
      doorTakes: maybe(sizeArb(10, 40)),
      onDoor: fc.constantFrom(undefined, undefined, undefined, { swing: 180, maxLoadG: 6000 }),
    }),
  })
  .map(({ base: odd, bearing, traits, bay, isEasy }) => {
    const base = isEasy ? ease(odd) : odd;
    return fitRequestSchema.parse({
      ...base,
      bay: { ...base.bay, ...drop(bay) },
      groups: base.groups.map((group, i) => {
        const { kinds, pieces, hangs, ...rest } = traits[i] ?? traits[0]!;
        const isHung = hangs !== undefined && pieces !== undefined && group.litres > 0;
        return {
          ...group,
          ...drop(rest),
          ...(isHung ? { hangs } : {}),
          ...(pieces && group.litres > 0 ? { pieces } : {}),
          ...(kinds && !pieces && group.litres > 0
            ? {
                kinds: Array.from({ length: kinds }, (_, k) => ({
                  name: `kind ${k}`,
                  litres: group.litres / kinds,
                })),
              }
            : {}),
        };
      }),
      containers: [
        ...base.containers.map((container, i) => ({
          ...container,
          colour: ['red', 'blue', 'white'][i % 3],
          ...(i % 4 === 3 ? { spare: 1 } : {}),
        })),
        ...bearing.map((container, i) => ({
          ...container,
          id: `s${i}`,
          name: `surface ${i}`,
          priceMinor: 300 + 100 * i,
          tareG: 300,
          colour: ['red', 'blue', 'white'][i % 3],
        })),
      ],
    });
  });
