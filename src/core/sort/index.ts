export { correctTimes, type DeviceClock } from './correctTimes';
// The log and what follows from it
export {
  decisionEventSchema,
  groupSchema,
  type GroupContents,
  placingSchema,
  usualPlacing,
  type GroupAsks,
  type DecidedEvent,
  type DecisionEvent,
  type Group,
  type Placing,
  type StandingEvent,
  type Thing,
} from './model';
export {
  needsProperWay,
  offeredWays,
  reasonOf,
  wayOutFor,
  wayOutOf,
  waysOut,
  type WayOut,
} from './codes';
export { reasonSchema } from './codeSchemas';
export {
  dayOf,
  destinationOf,
  goesToRoom,
  personOf,
  readDestination,
  type Destination,
} from './destination';
export { destinationSchema } from './destinationSchema';
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
  waitsForClient,
  waitsForDay,
  type Verdict,
} from './verdicts';
export { verdictSchema } from './verdictSchema';
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
  methodStepSchema,
  ownMethodSchema,
  sessionSchema,
  type Carry,
  type MethodStep,
  type OwnMethod,
  type Session,
} from './sessionModel';
export {
  methodNames,
  methods,
  isPaused,
  pauseOver,
  readClock,
  goingOn,
  stepOver,
  withEnd,
  timeSteps,
  workedMinutesOf,
  type MethodName,
} from './session';
export { forecast, intervalsOf, paceOf, type Forecast, type Pace } from './pace';
export { earlierIntervalsOf, sessionProgressOf, type SessionProgress } from './sessionProgress';
export { laterBoxesOf, openListsOf, targetRoomOf, type OpenLists } from './openLists';
export { boxesNow, carryCountOf, openDebts } from './carryOut';
export {
  addBoxes,
  boxKey,
  boxOf,
  leavingStatesOf,
  cautionsOfAll,
  openBoxesOf,
  sumLeaving,
  type DoorBox,
  type LeavingState,
  type LeavingSums,
  type OpenBox,
} from './leaving';
export {
  isHesitating,
  secondOpinionOf,
  type Opinion,
  type OpinionFacts,
  type OpinionRule,
} from './secondOpinion';
export { findConflicts, type Conflict } from './findConflicts';
// The thing in hand
export { createParser, factsOf, parseThing, type ParsedThing } from './parseThing';
export { findPhrase, headStemsOf } from './findPhrase';
export {
  addWeighing,
  findKindId,
  findShippedKind,
  kindCount,
  listSizedKinds,
  noKindSize,
  ownKindsOf,
  type LearntSize,
  type SizedKind,
  type SizeSource,
} from './kindSizes';
export { kindSizeSchema, type KindSize } from './kindSizeModel';
export { withCorrection, withCount } from './correctSize';
export { cautionsOfName } from './cautions';
export { sumOff, withContents } from './groupContents';
export { keptLitresOf, keptMassGOf, spaceInBay } from './space';
export { sayableCostMinor } from './replaceCosts';
