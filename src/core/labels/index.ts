export {
  emptyLabeling,
  labelingSchema,
  labelKeyOf,
  type LabelChoice,
  type Labeling,
  type LabelRef,
  type MadeLabel,
  type PrintJob,
} from './model';
export {
  labelsOfRoom,
  labelStateOf,
  openLabels,
  type LabelState,
  type RoomLabels,
} from './labelsOfRoom';
export { listLabels, type LabelFacts, type LabelSide, type LabelSpot } from './listLabels';
export {
  drawLabels,
  gridOf,
  labelSizeMm,
  SHAPES,
  type DrawnLabel,
  type LabelMark,
  type LabelStock,
} from './drawLabel';
export { cellCornerMm, layOutLabels, type LabelPage, type LaidOutLabels } from './layOutLabels';
export {
  labelMedia,
  PAPERS,
  SHEET_GRIDS,
  TAG_MM,
  TAPE_WIDTHS_MM,
  type LabelMedium,
  type SheetGrid,
} from './media';
export { CUT_GAP_MM, fillSheets, tapeLengthMm, type CellPlace } from './fillSheets';
export { pictureFor, pictureNames, pictureStrokes, type PictureName } from './pictures';
export { READING_ARC_MINUTES, readableSizeMm, textWidthMm } from './letters';
