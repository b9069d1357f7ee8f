// The log and what follows from it
export {
  decisionEventSchema, disposals, groupSchema, reasons, reasonSchema, verdicts, verdictSchema,
  type DecidedEvent, type DecisionEvent, type Group, type Reason, type Thing, type Verdict,
} from './model';
export { findLastStanding, findRestorable, foldDecisions } from './foldDecisions';
export { addUp, leavesHome, tallyByVerdict, type Amount } from './tally';
export { boxLevelOf, CARRY_BOX, type BoxLevel } from './boxLevel';
// The thing in hand
export { findKind, parseThing, stemsOf, type ParsedThing } from './parseThing';
export { cautionsFor, LIFTING_LIMIT_G, type CautionCode } from './cautions';
export { keptLitresOf, keptMassGOf, spaceInBay, type BaySpace } from './space';
