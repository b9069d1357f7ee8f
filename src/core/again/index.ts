export {
  putAwayItemSchema,
  putAwayTestSchema,
  reviewSchema,
  walkLineSchema,
  walkMarkSchema,
  type PutAwayItem,
  type PutAwayTest,
  type Review,
  type WalkLine,
  type WalkMark,
} from './model';
export { reviewIdOf, reviewKinds, walkMarks, type ReviewKind } from './reviewCodes';
export { compareShares, shareOf, type Change, type Share } from './share';
export {
  compareRounds,
  isFirstTry,
  scoreOfAll,
  scoresByGroup,
  scoresByLabel,
  scoresByPerson,
  wrongTurnsOf,
  type Score,
} from './testScore';
export {
  cameBack,
  findingKey,
  findingsOfTests,
  findingsOfWalk,
  mendings,
  mendingsOf,
  type Finding,
  type Mending,
} from './findings';
export { planReviews, type PlannedReview } from './planReviews';
export { ITEMS_A_TEST, pickItems, type ItemToFind } from './pickItems';
export { homeDoneOn, roomDoneOn } from './doneOn';
export { withWalkLine } from './walkLines';
export { listLooks, type Look } from './listLooks';
export { effectOf, FELT_SECONDS, isWorthTaking, withFoundLitres, type Effect } from './effects';
export { soughtIn, type SoughtIn } from './soughtIn';
export { scopeOfPlaces, toSoughtRequest } from './whereSought';
export { roundsOf } from './rounds';
export { homeFindings, type FindingNow, type Mended } from './homeFindings';
