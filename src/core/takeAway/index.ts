// The engine
export {
  haulRequestSchema,
  MOST_ABOVE_FRAGILE_G,
  type HaulAnswer,
  type HaulBox,
  type HaulReason,
  type HaulRequest,
  type HaulRequestInput,
  type HaulTrip,
} from './haulModel';
export { planHaul } from './planHaul';
