export {
  roomProgressOf,
  steps,
  type NextStep,
  type RoomFacts,
  type RoomProgress,
  type Step,
} from './roomProgress';
