export {
  agreementSchema,
  contentKinds,
  contentKindSchema,
  daySchema,
  defaultTerms,
  measureUnits,
  personSchema,
  projectSchema,
  projectStatuses,
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
export { reachLinesOf, tightestReach } from './reachLines';
export {
  calibrate,
  estimateProject,
  estimateSection,
  handsShareOf,
  SET_UP_SHARE,
  planBackward,
  type BackwardPlan,
  type FinishedRoom,
  type ProjectEstimate,
  type SectionEstimate,
  type SectionFacts,
} from './estimate';
export { compareAgreements, type AgreementChange } from './compareAgreements';
export {
  COLOUR_INKS,
  markColours,
  markShapes,
  personMarkSchema,
  type MarkColour,
  type MarkShape,
  type PersonMark,
} from './personMark';
