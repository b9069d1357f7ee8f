export {
  pairPictures,
  roomResultsOf,
  type LivesAt,
  type PicturePair,
  type RoomRecords,
  type RoomResults,
} from './roomResults';
