export { bayLevelOf, walkBays, type BayLevel, type PlaceWarning } from './bayLevels';
