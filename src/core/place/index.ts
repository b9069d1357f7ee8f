export { bayLevelOf, walkBays, type BayLevel, type PlaceWarning } from './bayLevels';
// Groups to bays
export { zonesRequestSchema, type WhyCode, type ZonesAnswer, type ZonesReason, type ZonesRequest, type ZonesRequestInput, type ZoneWhy } from './zonesModel';
export { planZones, type ZonesProgress } from './planZones';
export { toZonesRequest, usesPerWeekOf } from './toZonesRequest';
export { costOfZones, createZonesProblem } from './zonesProblem';
// The order of moves
export { BASKET, movesRequestSchema, type MovesAnswer, type MovesRequest, type MovesRequestInput, type MoveStep } from './movesModel';
export { planMoves } from './planMoves';
