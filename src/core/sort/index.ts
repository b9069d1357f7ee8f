export { correctTimes, type DeviceClock } from './correctTimes';
// The log and what follows from it
export {
  decisionEventSchema,
  groupSchema,
  placingSchema,
  usualPlacing,
  type DecidedEvent,
  type DecisionEvent,
  type Group,
  type Placing,
  type StandingEvent,
  type Thing,
} from './model';
export {
  reasonOf,
  reasons,
  reasonSchema,
  wayOutOf,
  waysOut,
  type Reason,
  type WayOut,
} from './codes';
export {
  dayOf,
  destinationOf,
  destinationSchema,
  goesToRoom,
  personOf,
  readDestination,
  type Destination,
} from './destination';
export {
  goesToLandfill,
  isGone,
  isInHome,
  isKept,
  isOpen,
  leavesHome,
  movesRoom,
  traitsOf,
  verdicts,
  verdictSchema,
  waitsForClient,
  waitsForDay,
  type Verdict,
} from './verdicts';
export type { VerdictTraits } from './verdictTable';
export { findLastStanding, findRestorable, foldDecisions, toStandingEvent } from './foldDecisions';
export {
  actOf,
  correctThing,
  mergePiles,
  splitPile,
  type EventMeans,
  type PilePart,
} from './piles';
export { addTallies, benchBaseOf, keptByGroup, orderReasons, type BenchBase } from './benchBase';
export { addUp, tallyByVerdict, type Amount } from './tally';
export { boxLevelOf } from './boxLevel';
// A session and its clock
export {
  carrySchema,
  methodNames,
  methods,
  methodStepSchema,
  ownMethodSchema,
  readClock,
  sessionSchema,
  timeSteps,
  type Carry,
  type MethodName,
  type MethodStep,
  type OwnMethod,
  type Session,
} from './session';
export { forecast, intervalsOf, paceOf, type Forecast, type Pace } from './pace';
export { earlierIntervalsOf, sessionProgressOf, type SessionProgress } from './sessionProgress';
export { laterBoxesOf, openListsOf, type OpenLists } from './openLists';
export { boxesNow, carryCountOf, openDebts } from './carryOut';
export {
  isHesitating,
  secondOpinionOf,
  type Opinion,
  type OpinionFacts,
  type OpinionRule,
} from './secondOpinion';
export { findConflicts, type Conflict } from './findConflicts';
// The thing in hand
export { findKind, parseThing, type ParsedThing } from './parseThing';
export { findPhrase, headStemsOf } from './findPhrase';
export { stemsOf } from './stems';
export { kinds, type Kind } from './kinds';
export {
  addWeighing,
  kindKeyOf,
  kindSizeSchema,
  noKindSize,
  withKindSizes,
  type KindSize,
  type SizedKind,
  type SizeSource,
} from './kindSizes';
export { cautionsFor, LIFTING_LIMIT_G, type CautionCode } from './cautions';
export { keptLitresOf, keptMassGOf, spaceInBay } from './space';
