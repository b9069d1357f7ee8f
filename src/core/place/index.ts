export { bayLevelOf, walkBays, type BayLevel, type PlaceWarning } from './bayLevels';
// What placing knows of a group
export {
  cautionsOfGroup,
  hazardOf,
  isFoodGroup,
  isFragileGroup,
  isInSeason,
  mayLeaveRoom,
  seasonOf,
  usesPerWeekOf,
} from './groupFacts';
export { schoolWeightOf, type PlacingSchools } from './placingSchools';
// Groups to bays
export {
  zonesRequestSchema,
  type ZoneGroup,
  type ZonesRequest,
  type ZonesRequestInput,
} from './zonesModel';
export {
  type BrokenRule,
  type Places,
  type ZonesAnswer,
  type ZonesReason,
  type ZoneWhy,
} from './zonesAnswer';
export { planZones, type ZonesProgress } from './planZones';
export { toHomeZonesRequest, toZonesRequest } from './toZonesRequest';
export { leaveRoom, USUAL_FILL_PERCENT } from './leaveRoom';
export { setAside } from './setAside';
export {
  backSharesOf,
  placeOfRow,
  rowsInPlace,
  rowsOfGroups,
  splitIntoRows,
  standInRows,
  type BackShares,
  type Row,
} from './rows';
export { priceOfPins, type PinPrice } from './priceOfPins';
export { applyWhatIf, type WhatIf } from './applyWhatIf';
// Arrangements
export {
  bentRulesOf,
  compareArrangements,
  judgeArrangement,
  OTHER_ROOM_METRES,
  type ArrangementJudgement,
  type BentRule,
  type PlaceChange,
} from './judgeArrangement';
export {
  arrangementRefSchema,
  draftSchema,
  isAway,
  placesIn,
  type ArrangedScope,
  type Arrangement,
  type ArrangementRef,
  type Draft,
} from './draft';
export { drawPlaces } from './drawPlaces';
export { planSeasons, type SeasonalSwap } from './planSeasons';
// The order of moves
export {
  BASKET,
  movesRequestSchema,
  type MovesAnswer,
  type MovesReason,
  type MovesRequest,
  type MovesRequestInput,
  type MoveStep,
} from './movesModel';
export { planMoves } from './planMoves';
export { planMoveList, type MoveItem, type MoveList } from './planMoveList';
export { isWorthMoving, LEAST_WORTH_SECONDS } from './worthMoving';
export { joinMovesByWay, type RoomToRoom } from './homeMoves';
export {
  cleanings,
  moveListSchema,
  tickedItem,
  type KeptItem,
  type KeptMoveList,
} from './moveListModel';
export { brokenRules } from './zonesProblem';
