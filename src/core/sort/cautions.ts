import { anyWord, type CautionCode } from '../things';

const CAUTION_WORDS: readonly (readonly [CautionCode, RegExp])[] = [
  [
    'chemical',
    /\b(bleach|cleaners?|cleaning|descalers?|drain|acid|ammonia|weed ?killers?|slug pellets|turps)\b/i,
  ],
  [
    'medicine',
    anyWord(
      'medicines?|first aid|(?<!dishwasher |washing |laundry )tablets?|pills?|syrups?|antibiotics?|' +
        'inhalers?|ointments?|prescriptions?',
    ),
  ],
  [
    'blade',
    /\b(kni(?:fe|ves)|blades?|saws?|chisels?|scissors|shears|secateurs|broken glass|razors?)\b/i,
  ],
  ['battery', /\b(batter(?:y|ies)|power banks?|rechargeable)\b/i],
  [
    'hazardous_waste',
    /\b(paints?|varnish|solvents?|gas canisters?|aerosols?|fluorescent|engine oil|fire extinguishers?)\b/i,
  ],
  [
    'paper_private',
    /\b(bank (?:letters?|cards?)|statements?|payslips?|passports?|letters?|tax|medical records?|papers)\b/i,
  ],
];

/**
 * The cautions that the name of a group calls for, by its words alone. What is in a group says it more
 * surely (`groupContents`); a thing is read by the engine `things`.
 */
export const cautionsOfName = (name: string): CautionCode[] =>
  CAUTION_WORDS.filter(([, pattern]) => pattern.test(name)).map(([code]) => code);
