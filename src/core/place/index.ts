export { bayLevelOf, walkBays, type BayLevel, type PlaceWarning } from './bayLevels';
// Groups to bays
export { zonesRequestSchema, type WhyCode, type ZonesAnswer, type ZonesReason, type ZonesRequest, type ZonesRequestInput, type ZoneWhy } from './zonesModel';
export { planZones, type ZonesProgress } from './planZones';
