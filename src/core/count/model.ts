import { z } from 'zod';

import { enoughRuleIdSchema, projectIdSchema } from '../shared';

const amountSchema = z.number().min(0, 'At least 0').max(1000, 'At most 1000');

/** How many of a kind are enough: a sum of what the household's people, beds, guests and days need. */
export const enoughRuleSchema = z.object({
  id: enoughRuleIdSchema,
  projectId: projectIdSchema,
  name: z.string().trim().min(1).max(60),
  /** What the things are called, singular. */
  words: z.array(z.string().trim().min(1).max(40)).min(1).max(12),
  perHome: amountSchema,
  perPerson: amountSchema,
  perBed: amountSchema,
  perGuestPlace: amountSchema,
  /** For each day until washday. */
  perDay: amountSchema,
  /** For each person and day until washday. */
  perPersonDay: amountSchema,
  because: z.string().trim().max(160),
  /** The household does not count these. */
  isOff: z.boolean(),
});
export type EnoughRule = Readonly<z.infer<typeof enoughRuleSchema>>;

/** What a household's rules are multiplied by. */
export interface HouseholdCounts {
  readonly people: number;
  readonly beds: number;
  readonly guestPlaces: number;
  /** Days from one washday to the next. */
  readonly washEveryDays: number;
}

/** A rule as shipped: a household may change its figures, or switch it off. */
export type ShippedRule = Omit<EnoughRule, 'id' | 'projectId' | 'isOff'>;

const NONE = { perHome: 0, perPerson: 0, perBed: 0, perGuestPlace: 0, perDay: 0, perPersonDay: 0 };
const rule = (
  name: string,
  words: string,
  amounts: Partial<typeof NONE>,
  because: string,
): ShippedRule => ({ ...NONE, name, words: words.split('|'), ...amounts, because });

/**
 * Starting figures with their reasons. Source: our own stated assumptions; each can be changed for
 * a household.
 */
export const shippedRules: readonly ShippedRule[] = [
  rule(
    'Bath towels',
    'bath towel|towel|bath sheet',
    { perPerson: 2, perGuestPlace: 2 },
    'one in use, one in the wash; a guest gets two',
  ),
  rule('Beach towels', 'beach towel', { perPerson: 2 }, 'one to lie on, one to dry'),
  rule(
    'Hand towels',
    'hand towel',
    { perPerson: 1, perGuestPlace: 1, perHome: 2 },
    'one each, and two at the basins',
  ),
  rule(
    'Tea towels',
    'tea towel',
    { perDay: 1, perHome: 2 },
    'a fresh one a day until washday, two to spare',
  ),
  rule(
    'Sheets',
    'sheet|fitted sheet|flat sheet',
    { perBed: 2, perGuestPlace: 1 },
    'one on the bed, one in the wash',
  ),
  rule(
    'Duvet covers',
    'duvet cover',
    { perBed: 2, perGuestPlace: 1 },
    'one on the bed, one in the wash',
  ),
  rule(
    'Pillowcases',
    'pillowcase|pillow case',
    { perBed: 4, perGuestPlace: 2 },
    'two pillows a bed, on and in the wash',
  ),
  rule('Blankets', 'blanket|throw', { perPerson: 1, perGuestPlace: 1 }, 'one each'),
  rule(
    'Tablecloths',
    'tablecloth|table cloth',
    { perHome: 3 },
    'one on the table, one in the wash, one for feasts',
  ),
  rule(
    'Shirts and tops',
    't-shirt|tee|shirt|blouse',
    { perPersonDay: 1, perPerson: 2 },
    'one a day until washday, two to spare',
  ),
  rule(
    'Socks',
    'sock|pair of socks',
    { perPersonDay: 1, perPerson: 3 },
    'a pair a day until washday, three to spare',
  ),
  rule('Scarves', 'scarf', { perPerson: 2 }, 'one for the cold, one for the look'),
  rule('Hats', 'hat|cap|beanie', { perPerson: 2 }, 'one for the cold, one for the sun'),
  rule(
    'Gloves',
    'glove|mitten|pair of gloves',
    { perPerson: 2 },
    'a pair to wear while the other dries',
  ),
  rule('Coats and jackets', 'coat|jacket|raincoat|anorak', { perPerson: 3 }, 'warm, wet and good'),
  rule('Umbrellas', 'umbrella', { perPerson: 1, perHome: 1 }, 'one each, one to lend'),
  rule('Bags', 'bag|tote', { perPerson: 3 }, 'what is carried at once'),
  rule(
    'Mugs',
    'mug|cup',
    { perPerson: 2, perGuestPlace: 1, perHome: 2 },
    'one in use, one in the sink, some for company',
  ),
  rule(
    'Plates',
    'plate',
    { perPerson: 2, perGuestPlace: 1, perHome: 2 },
    'two meals between washing up',
  ),
  rule('Bowls', 'bowl', { perPerson: 2, perGuestPlace: 1 }, 'two meals between washing up'),
  rule(
    'Glasses',
    'glass|tumbler',
    { perPerson: 2, perGuestPlace: 2 },
    'one in use, one in the sink',
  ),
  rule(
    'Tubs with lids',
    'tub|lunch box|plastic tub',
    { perPerson: 2, perHome: 2 },
    'what is in the fridge and what goes out in a day',
  ),
  rule('Scissors', 'scissors', { perHome: 3 }, 'where paper, thread and food are cut'),
];
