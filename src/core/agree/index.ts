export {
  agreementLineSchema, agreementSchema, contentKinds, contentKindSchema, daySchema, defaultTerms, measureUnits, measureUnitSchema,
  personSchema, projectSchema, projectStatuses, sectionSchema, termsSchema,
  type Agreement, type AgreementLine, type ContentKind, type MeasureUnit, type Person, type Project, type Section, type Terms,
} from './model';
export { reachLinesOf, tightestReach, type ReachLines } from './reachLines';
export {
  calibrate, estimateProject, estimateSection, planBackward,
  type BackwardPlan, type Calibration, type FinishedRoom, type MinutesRange, type ProjectEstimate, type SectionEstimate, type SectionFacts,
} from './estimate';
export { compareAgreements, type AgreementChange } from './compareAgreements';
