export {
  roomProgressOf,
  steps,
  type NextStep,
  type RoomFacts,
  type RoomProgress,
  type Step,
} from './roomProgress';
export {
  homeDoneRatio,
  rankNext,
  standingOf,
  type HomeStanding,
  type NextInRoom,
} from './homeProgress';
export { findDue, type DueThing } from './findDue';
