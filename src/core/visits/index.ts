export { findEnergyFaults, stretchMinutesOf, type EnergyFault } from './energy';
export { markVisit, visitMarks, type VisitMark } from './markVisit';
export { LIVED_NOTHING, visitSchema, visitStateOf, type Visit, type VisitState } from './model';
export {
  proposeDays,
  type DaysAnswer,
  type DaysQuestion,
  type OpenDay,
  type OpenSection,
  type ProposedVisit,
} from './proposeDays';
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
  isSamePerson,
  visitMinutesOf,
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
