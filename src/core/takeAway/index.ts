// The engine
export {
  haulRequestSchema,
  MOST_ABOVE_FRAGILE_G,
  type HaulAnswer,
  type HaulReason,
  type HaulRequest,
  type HaulRequestInput,
} from './haulModel';
export { planHaul } from './planHaul';
// Records
export {
  carSchema,
  conditions,
  fairValueSchema,
  fetchSchema,
  handoverLineSchema,
  handoverSchema,
  haulBoxSchema,
  haulDestinationSchema,
  haulTripSchema,
  pickUpSlotSchema,
  leavingSchema,
  pickUpStates,
  saleSchema,
  startLeaving,
  type Car,
  type FairValue,
  type Fetch,
  type Handover,
  type HandoverLine,
  type HaulBox,
  type HaulDestination,
  type HaulTrip,
  type Leaving,
  type PickUpSlot,
  type Position,
  type Sale,
} from './model';
// What leaves, and where to
export {
  isFluid,
  isFragileThing,
  meetsBadly,
  RULES,
  streamOf,
  streams,
  streamSchema,
  hazardOnWay,
  type Hazard,
  type Rule,
  type Stream,
} from './streams';
export {
  placesFor,
  refusalOf,
  straightKm,
  wayBetween,
  wayFromHome,
  type Place,
  type Refusal,
  type Way,
} from './placesFor';
export {
  handedCounts,
  partOf,
  sharesOf,
  whatLeaves,
  type LeavingFacts,
  type LeavingShare,
  type LeavingThing,
} from './whatLeaves';
export {
  readExceptions,
  readHours,
  readRefuses,
  writeExceptions,
  writeHours,
  writeRefuses,
  type TextFault,
} from './destinationText';
// Boxes, the car and trips
export {
  AIR,
  howLongLies,
  layLoad,
  LONG_THING_MM,
  roomOfCar,
  type CarRoom,
  type CarUse,
  type LoadSlice,
  type LongWay,
} from './carLoad';
export {
  isDriven,
  minutesOfTrip,
  openOn,
  savedByDrivingOn,
  toHaulRequest,
  toLeavingPlan,
  type Departure,
  type LeavingPlan,
  type LeavingRequest,
} from './planLeaving';
export {
  boxStateOf,
  tripStateOf,
  type BoxFault,
  type BoxState,
  type TripFault,
  type TripState,
  type TripStop,
} from './tripView';
export {
  goesBackToShops,
  tripsPageOf,
  waitingSharesOf,
  type TripOnPage,
  type WaitingPile,
  type WaitingShare,
} from './homeLeaving';
export { promisedOf, salesOf, type ForPerson, type ForSale } from './promises';
export type { CollectionFault, HandOverFault, PlanFault } from './faults';
// Proof
export { USUAL_CAR, USUAL_VALUES } from './usual';
export {
  fairValueOf,
  isGift,
  linesOf,
  saleStateOf,
  soldMinorOf,
  sumGiven,
  type GivenSum,
  type SaleState,
} from './proof';
