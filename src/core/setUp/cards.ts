import { z } from 'zod';

import {
  jarIdSchema,
  kitIdSchema,
  personIdSchema,
  projectIdSchema,
  roomIdSchema,
  routineIdSchema,
} from '../shared';

const line = (most: number) => z.string().trim().max(most);

/** Something that is taken out of its pack and kept in a jar. */
export const jarSchema = z.object({
  id: jarIdSchema,
  roomId: roomIdSchema,
  product: line(60).min(1),
  /** How it is cooked or used, as the pack says. */
  directions: line(400),
  /** What the pack holds, as it says: `1 kg`, `750 ml`. */
  pack: line(30).min(1),
  jarLitres: z.number().positive().max(100),
  filledOn: z.iso.date().nullable(),
  expiresOn: z.iso.date().nullable(),
  position: z.number().int(),
});
export type Jar = Readonly<z.infer<typeof jarSchema>>;

/** Kilograms a litre of what is poured, by words of its name; our own assumptions. */
const DENSITIES: readonly (readonly [RegExp, number])[] = [
  [/pasta|macaroni|penne|noodle|cereal|flake|muesli|granola|oat/i, 0.45],
  [/flour|cocoa|coffee|powder|starch/i, 0.6],
  [/rice|lentil|bean|pea|barley|couscous|seed|nut/i, 0.82],
  [/sugar|salt/i, 0.95],
];
const USUAL_DENSITY = 0.7;
/** Weights become litres within this share, up or down. */
const DENSITY_OFF = 0.2;

interface PackVolume {
  readonly litres: number;
  readonly low: number;
  readonly high: number;
  /** From a weight, through what a litre of it weighs. */
  readonly isAssumed: boolean;
}

/** Litres of a pack: as it says, or from its weight. Undefined where neither can be read. */
export function packVolumeOf({
  pack,
  product,
}: Pick<Jar, 'pack' | 'product'>): PackVolume | undefined {
  const match = /^(\d+(?:[.,]\d+)?)\s*(kg|g|l|ml|cl)$/i.exec(pack.trim());
  if (!match) return undefined;
  const amount = Number(match[1]!.replace(',', '.'));
  const unit = match[2]!.toLowerCase();
  if (!(amount > 0)) return undefined;
  if (unit === 'l' || unit === 'ml' || unit === 'cl') {
    const litres = amount / { l: 1, cl: 100, ml: 1000 }[unit];
    return { litres, low: litres, high: litres, isAssumed: false };
  }
  const kg = unit === 'kg' ? amount : amount / 1000;
  const litres = kg / (DENSITIES.find(([words]) => words.test(product))?.[1] ?? USUAL_DENSITY);
  return {
    litres,
    low: litres * (1 - DENSITY_OFF),
    high: litres * (1 + DENSITY_OFF),
    isAssumed: true,
  };
}

export type Decanted =
  | { readonly fits: 'whole' | 'perhaps' }
  /** What stays in the pack, in litres; the pack is clipped and stands behind. */
  | { readonly fits: 'not'; readonly leftLitres: number }
  | { readonly fits: 'unknown' };

/** Whether a pack goes into its jar, at both ends of what is assumed. */
export function decant(jar: Pick<Jar, 'pack' | 'product' | 'jarLitres'>): Decanted {
  const volume = packVolumeOf(jar);
  if (!volume) return { fits: 'unknown' };
  if (volume.high <= jar.jarLitres) return { fits: 'whole' };
  if (volume.low <= jar.jarLitres && volume.litres <= jar.jarLitres) return { fits: 'perhaps' };
  return { fits: 'not', leftLitres: volume.litres - jar.jarLitres };
}

/** A routine that works again, in small steps; hung up as a card, and looked at again. */
export const routineSchema = z.object({
  id: routineIdSchema,
  roomId: roomIdSchema,
  name: line(80).min(1),
  /** The step at which it used to break, as it was said on the walk-through. */
  broke: line(600),
  steps: z
    .array(
      z.object({
        what: line(120).min(1),
        who: line(60),
        where: line(80),
        when: line(60),
        /** The tray, hook or hamper that it needs. */
        bin: line(60),
      }),
    )
    .max(20),
  hungOn: z.iso.date().nullable(),
  checks: z.array(z.object({ on: z.iso.date(), holds: z.boolean() })).max(200),
  position: z.number().int(),
});
export type Routine = Readonly<z.infer<typeof routineSchema>>;
export type RoutineStep = Routine['steps'][number];

const step = (what: string, bin = '', more: Partial<RoutineStep> = {}): RoutineStep => ({
  what,
  who: '',
  where: '',
  when: '',
  bin,
  ...more,
});
/** What usually mends what breaks, to begin from; each word can be changed. */
const PATTERNS: readonly (readonly [RegExp, string, readonly RoutineStep[]])[] = [
  [
    /paper|post|mail|letter|bill/i,
    'Incoming papers',
    [
      step('Put new papers into one tray', 'tray, to read', { when: 'on coming in' }),
      step('Read them; what is to be done goes on', 'tray, to act', { when: 'every evening' }),
      step('Do what is in it', '', { when: 'Saturday morning' }),
      step('What is kept goes into its folder', 'tray, to file', { when: 'Saturday morning' }),
      step('Everything else goes out', 'box, paper to recycle', { when: 'before collection day' }),
    ],
  ],
  [
    /match|kit|sport|saturday|training|swim/i,
    'Kit for Saturdays',
    [
      step('Worn kit goes into the hamper', 'hamper', { when: 'after the match' }),
      step('Wash it', '', { when: 'Sunday' }),
      step('Back into its own bin', 'bin, one a person', { when: 'when it is dry' }),
      step('Pack the bag from the list', 'hook for the bag', { when: 'Friday evening' }),
    ],
  ],
  [
    /school/i,
    'School bags',
    [
      step('Empty the bag on the table', '', { when: 'after school' }),
      step('Letters go into the tray', 'tray, from school'),
      step('The lunch box goes to the sink'),
      step('Pack for tomorrow and hang it up', 'hook, one a child', { when: 'before supper' }),
    ],
  ],
  [
    /shoe|boot|coat|door/i,
    'Shoes by the door',
    [
      step('Shoes off on the mat', 'mat', { when: 'on coming in' }),
      step('Into the own place', 'place, one a person'),
      step('What is wet stands on the tray', 'drip tray'),
      step('What is not worn this month goes up', '', { when: 'first of the month' }),
    ],
  ],
];

/** A routine to begin from, for what broke. */
export function routineFor(broke: string): {
  readonly name: string;
  readonly steps: readonly RoutineStep[];
} {
  const pattern = PATTERNS.find(([words]) => words.test(broke));
  return pattern
    ? { name: pattern[1], steps: pattern[2] }
    : {
        name: broke.split(/[.\n]/)[0]!.slice(0, 80) || 'A new routine',
        steps: [step('The first step')],
      };
}

/** What a routine's steps need, each once: a tray, a hook. */
export const binsOf = ({ steps }: Pick<Routine, 'steps'>): readonly string[] => [
  ...new Set(steps.map(({ bin }) => bin).filter((bin) => bin !== '')),
];

/** What is carried round together, and checked when it is packed. */
export const kitSchema = z.object({
  id: kitIdSchema,
  projectId: projectIdSchema,
  name: line(60).min(1),
  /** Whose it is; null: everybody's. */
  personId: personIdSchema.nullable(),
  items: z.array(z.object({ name: line(80).min(1), isPacked: z.boolean() })).max(60),
  position: z.number().int(),
});
export type Kit = Readonly<z.infer<typeof kitSchema>>;
