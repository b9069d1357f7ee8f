// How many are enough
export {
  enoughRuleSchema,
  shippedRules,
  type EnoughRule,
  type HouseholdCounts,
  type ShippedRule,
} from './model';
export {
  countEnough,
  enoughOf,
  findRule,
  litresOfBest,
  piecesOf,
  type EnoughLine,
  type LetGo,
} from './countEnough';
export { createNameMemory, homeCountsOf, type HomeCounts, type NameMemory } from './homeCounts';
// What belongs together
export {
  findRim,
  matchLids,
  matchPiles,
  RIM_TOLERANCE_MM,
  rimGapMm,
  type LidMatch,
  type RimSize,
} from './matchLids';
export { findOddPieces, findSets, type CountedSet, type OddPieces } from './findSets';
export { findRepeats, keptByLikeness, likenessOf, type Repeat } from './findRepeats';
// Dates
export { datesCardOf, judgeDay, outcomeByDate, type DatedThing } from './dates';
export { parsePack, usualPacks, type ParsedPack } from './parsePack';
// What came of it
export { sessionEvents, sortResultsOf, type SortResults } from './sortResults';
