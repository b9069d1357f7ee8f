export {
  baySchema,
  clearSpaceSchema,
  doorSwingSchema,
  fixtureKindSchema,
  fixtureSchema,
  momentSchema,
  obstacleSchema,
  leadsToSchema,
  passageSchema,
  pictureSchema,
  thingPictureSchema,
  roomCheckSchema,
  roomSchema,
  routineBreakSchema,
  unitDoorSchema,
  unitKindSchema,
  measuredUnitSchema,
  unitSchema,
  vantagePointSchema,
  wallPlaceSchema,
  type Bay,
  type BayAccess,
  type DoorSwing,
  type Fixture,
  type FixtureKind,
  type Moment,
  type LeadsTo,
  type Obstacle,
  type Passage,
  type Picture,
  type ThingPicture,
  type Room,
  type RoomCheck,
  type RoomPlan,
  type RoutineBreak,
  type Unit,
  type UnitDoor,
  type UnitKind,
  type VantagePoint,
  type WallPlace,
  type MeasuredUnit,
} from './model';
export {
  doorSwings,
  fixtureKinds,
  moments,
  passageKinds,
  unitDoors,
  unitKinds,
  type PassageKind,
} from './codes';
export { schoolChoicesSchema } from './schoolsSchema';
export {
  schoolIn,
  schoolQuestions,
  schools,
  type SchoolChoices,
  type SchoolQuestion,
} from './schools';
// Units and bays
export {
  askewMeasuresOf,
  bayInsideOf,
  hasInside,
  layOutUnit,
  usableLitresOf,
  wantsAnchoring,
  type BayFront,
  type LayOutUnitError,
  type UnitLayout,
} from './layOutUnit';
export { arrangeFront, scaleToFit, type FrontUnit, type FrontView } from './arrangeFront';
export { usualUnitOf, type UsualUnit } from './usualUnit';
export { divideColumn, readColumn, shelfHeightsOf, type DivideColumnError } from './divideColumn';
export { judgeUnit, type BayJudgement } from './judgeUnit';
export { reachOf, reachSeconds, sightDepthMm, sightLineMm, type Reach } from './reach';
// The plan
export {
  isInside,
  outsideRects,
  rectsOverlap,
  traceWalls,
  type Outline,
  type Point,
  type Rect,
  type TraceWallsError,
  type Wall,
} from './traceWalls';
export {
  firstFreePlace,
  placeNear,
  rectAt,
  rectOnWall,
  shiftPlace,
  tapeDistancesOf,
  type Footprint,
} from './placeInPlan';
export {
  findPlanClashes,
  placeAll,
  type PlacedFixture,
  type PlacedUnit,
  type PlanClash,
} from './findPlanClashes';
export {
  shelvesOfUnits,
  surfacesOfPlan,
  type PlanSurface,
  type ShelfSurface,
} from './surfacesOfPlan';
export { findFreeFloor, largestFreeFloor, middleOfFloor } from './freeFloor';
export { answerChecks, type CheckAnswer, type PlanFacts } from './answerChecks';
// Drawings to scale
export {
  dimension,
  inkOf,
  sweepPath,
  textInkOf,
  toSvg,
  toSvgMarks,
  type Mark,
  type Role,
  type Sketch,
} from './sketch';
export { drawFront, drawUnitPlan } from './drawUnits';
export { drawPlan } from './drawPlan';
export { drawHomePlan } from './drawHomePlan';
export { joinPlans } from './joinPlans';
export {
  findWayGaps,
  measureWays,
  METRES_IN_ROOM,
  METRES_NOT_JOINED,
  type WayBetween,
  type WayGap,
  type WayGuess,
  type WayRoom,
} from './ways';
export { findShelvesBeside } from './findShelvesBeside';
