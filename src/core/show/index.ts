export {
  pairPictures,
  roomResultsOf,
  type LivesAt,
  type PicturePair,
  type RoomRecords,
  type RoomResults,
} from './roomResults';
export { whereIs, type Whereabouts } from './whereIs';
