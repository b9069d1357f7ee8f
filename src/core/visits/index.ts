export {
  scheduleRequestSchema,
  type ScheduleAnswer,
  type ScheduleReason,
  type ScheduleRequest,
  type ScheduleRequestInput,
  type TaskStart,
} from './scheduleModel';
export { planSchedule } from './planSchedule';
