export {
  agreementSchema,
  contentKindSchema,
  daySchema,
  defaultTerms,
  personSchema,
  projectSchema,
  sectionSchema,
  termsSchema,
  type Agreement,
  type AgreementLine,
  type ContentKind,
  type Person,
  type Project,
  type Section,
  type Terms,
} from './model';
export { contentKinds, measureUnits, projectStatuses } from './codes';
export { reachLinesOf, tightestReach } from './reachLines';
export {
  ROOM_PRIOR,
  UNCALIBRATED_HOURS,
  estimateProject,
  estimateSection,
  handsShareOf,
  SET_UP_SHARE,
  planBackward,
  type BackwardPlan,
  type HoursLearned,
  type ProjectEstimate,
  type SectionEstimate,
  type SectionFacts,
} from './estimate';
export { compareAgreements, type AgreementChange } from './compareAgreements';
export {
  COLOUR_INKS,
  markColours,
  markShapes,
  type MarkColour,
  type MarkShape,
  type PersonMark,
} from './personMark';
export { personMarkSchema } from './personMarkSchema';
