import type { LabelSide, LabelSpot } from '@/core/labels';
import { formatCount } from '@/core/shared';

/** What the printer could not do, as codes of the server say it. */
export type PrinterFaultSaid =
  | { readonly code: 'no_answer' | 'unreadable' | 'unknown_job' | 'busy' | 'no_tape' | 'nothing' }
  | { readonly code: 'wrong_width'; readonly loadedMm: number };

export function printerFaultWords(fault: PrinterFaultSaid): string {
  if (fault.code === 'wrong_width')
    return `The tape in the printer is ${fault.loadedMm} mm wide: put in the other one, or choose this width. Nothing was printed.`;
  return {
    no_answer:
      'The label printer does not answer. What was sent waits; once it is on, send it again: nothing is printed twice.',
    unreadable: 'The label printer answers something else than a printer does.',
    unknown_job: 'The printer does not know these labels any more. Send them again.',
    busy: 'The printer is busy.',
    no_tape: 'The label printer prints on tape: choose tape first.',
    nothing: 'No label is waiting for the printer.',
  }[fault.code];
}

export const printerStateWords = (
  printer: 'ready' | 'printing' | 'jam' | 'out_of_tape',
  leftCount: number,
): string =>
  ({
    ready: leftCount === 0 ? 'All came out.' : `${formatCount(leftCount, 'label')} to come.`,
    printing: `Printing: ${formatCount(leftCount, 'label')} to come.`,
    jam: `The printer is jammed, ${formatCount(leftCount, 'label')} to come. Clear it: it goes on where it stopped.`,
    out_of_tape: `The printer is out of tape, ${formatCount(leftCount, 'label')} to come. Put in new tape: it goes on where it stopped.`,
  })[printer];

const SIDES: Readonly<Record<LabelSide, string>> = {
  front: 'on its front',
  top: 'on top, seen when the drawer is out',
  'shelf edge': 'on the shelf’s edge',
};

/** Where a label goes, in a few words. */
export const labelPlaceWords = ({ containerName, side, bayName, unitName }: LabelSpot): string =>
  `${unitName}, ${bayName}: ${containerName === undefined ? '' : `${containerName}, `}${SIDES[side]}`;

/** From how far, by whom. */
export const readWords = ({ distanceMm, readBy }: LabelSpot): string =>
  `read from ${Math.round(distanceMm / 10)} cm${readBy === undefined ? '' : ` by ${readBy}`}`;

/** What a sheet is called in the list. */
export const gridWords = ({
  paper,
  columns,
  rows,
  cellMm,
}: {
  readonly paper: string;
  readonly columns: number;
  readonly rows: number;
  readonly cellMm: { readonly width: number; readonly height: number };
}): string => `${paper}, ${columns} × ${rows} labels of ${cellMm.width} × ${cellMm.height} mm`;
