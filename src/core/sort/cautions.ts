/** Things that can hurt someone, or that must not go in the bin; the screen words the caution. */
export type CautionCode =
  | 'chemical'
  | 'medicine'
  | 'blade'
  | 'battery'
  | 'hazardous_waste'
  | 'paper_private'
  | 'mould_pest'
  | 'heavy';

const CAUTION_WORDS: readonly (readonly [CautionCode, RegExp])[] = [
  [
    'chemical',
    /\b(bleach|cleaners?|descalers?|drain|acid|ammonia|weed ?killers?|slug pellets|white spirit|turps)\b/i,
  ],
  [
    'medicine',
    /\b(medicines?|first aid|tablets?|pills?|syrups?|antibiotics?|inhalers?|ointments?|prescriptions?)\b/i,
  ],
  [
    'blade',
    /\b(knife|knives|blades?|saws?|chisels?|scissors|shears|secateurs|broken glass|razors?)\b/i,
  ],
  ['battery', /\b(batter(?:y|ies)|power bank|rechargeable)\b/i],
  [
    'hazardous_waste',
    /\b(paint|solvent|gas canister|aerosol|fluorescent|bulbs?|engine oil|fire extinguisher)\b/i,
  ],
  [
    'paper_private',
    /\b(bank (?:letters?|cards?)|statements?|payslips?|passport|letters?|tax|medical records?|papers)\b/i,
  ],
  ['mould_pest', /\b(mould|mouldy|moth|moths|mice|droppings|woodworm|needles?)\b/i],
];

/** One box that a person lifts; more than this wants two people or two boxes. */
export const LIFTING_LIMIT_G = 15_000;

/** Which cautions a thing calls for, by its words and its weight (all pieces together). */
export function cautionsFor(name: string, massG: number): CautionCode[] {
  const byWords = CAUTION_WORDS.filter(([, pattern]) => pattern.test(name)).map(([code]) => code);
  return massG > LIFTING_LIMIT_G ? [...byWords, 'heavy'] : byWords;
}
