export { findEnergyFaults, stretchMinutesOf, type EnergyFault } from './energy';
export {
  markVisit,
  packFor,
  tickSection,
  visitMarks,
  type Packed,
  type VisitMark,
} from './markVisit';
export { isLoose, LIVED_NOTHING, visitStateOf, type VisitState } from './visitState';
export { visitSchema, workerSchema, type Visit } from './model';
export { workOfVisit, type VisitWork } from './visitWork';
export { orderByOf, type OrderLine } from './orderBy';
export {
  condenseStatement,
  makeStatement,
  roundMinutes,
  type HoursLine,
  type PaidLine,
  type Statement,
} from './statement';
export { planHomes } from './planHomes';
export { jobsOfHome, type RoomWait } from './homeJobs';
export type {
  HomeOutlook,
  HomesAnswer,
  HomesQuestion,
  PlannedHome,
  ProposedVisit,
  WorkJob,
  Worker,
} from './homesModel';
export {
  bringCodes,
  findWhatToBring,
  type BringCode,
  type BringLine,
  type BringRoom,
} from './whatToBring';
export {
  addUpHours,
  breakMinutesOf,
  findClash,
  findDayWays,
  isSamePerson,
  visitMinutesOf,
  type Clash,
  type DayWay,
  type RoomHours,
  type VisitOfHome,
} from './visitTime';
export {
  scheduleRequestSchema,
  type ScheduleAnswer,
  type ScheduleReason,
  type ScheduleRequest,
  type ScheduleRequestInput,
  type TaskStart,
} from './scheduleModel';
export { planSchedule } from './planSchedule';
