/** What can hurt someone, or must not go in the bin; the screen words the caution. */
export const cautionCodes = [
  'chemical',
  'medicine',
  'sharps',
  'blade',
  'glass',
  'battery',
  'gas',
  'hazardous_waste',
  'electrical',
  'data_device',
  'paper_private',
  'food_safety',
  'mould_pest',
  'licensed',
  'heavy',
] as const;

export type CautionCode = (typeof cautionCodes)[number];

/** Where a thing goes when it leaves. */
export const goesToCodes = [
  'give',
  'recycle',
  'textile',
  'shred',
  'pharmacy',
  'hazardous',
  'batteries',
  'electricals',
  'bin',
  'licensed',
] as const;

export type GoesTo = (typeof goesToCodes)[number];

/** Where a figure comes from, the surest first. */
export const figureSources = [
  'typed',
  'own',
  'learnt',
  'kind',
  'family',
  'holder',
  'unknown',
] as const;

export type FigureSource = (typeof figureSources)[number];

/** How a thing is stored, which decides how much room several of it take. */
export const storingWays = [
  'stacks',
  'nests',
  'folds',
  'hangs',
  'rolls',
  'stands',
  'loose',
  'alone',
] as const;

export type StoringWay = (typeof storingWays)[number];

export const countUnits = ['piece', 'pair', 'set', 'holder', 'heap'] as const;

export type CountUnit = (typeof countUnits)[number];

/** One box that a person lifts; more than this wants two people or two boxes. */
export const LIFTING_LIMIT_G = 15_000;

/** Why a thing stays or goes. */
export const reasons = [
  'in_use',
  'sentimental',
  'heirloom',
  'worn_out',
  'broken',
  'incomplete',
  'out_of_date',
  'more_than_enough',
  'outgrown',
  'never_used',
  'fails_its_job',
  'forgotten',
] as const;

export type Reason = (typeof reasons)[number];
