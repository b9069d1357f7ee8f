export {
  roomProgressOf,
  steps,
  type NextStep,
  type RoomFacts,
  type RoomProgress,
  type Step,
  workSteps,
} from './roomProgress';
export {
  homeDoneRatio,
  rankNext,
  standingOf,
  type HomeStanding,
  type NextInRoom,
} from './homeProgress';
export { dueOnDay } from './dueOnDay';
export { findDue, type DueThing } from './findDue';
