'use client';

import { cellCornerMm, gridOf, PAPERS, type LabelPage } from '@/core/labels';
import type { ActionResult } from '../actionResult';
import { useMutation } from '../useMutation';
import { LabelMarkView } from './LabelArt';

interface LabelSheetProps {
  readonly gridId: string;
  readonly page: LabelPage | undefined;
  /** Cells of this sheet that are gone. */
  readonly used: readonly number[];
  /** Undefined: this sheet is new, and whole. */
  readonly onToggle: ((cell: number) => Promise<ActionResult>) | undefined;
  readonly number: number;
}

/** A sheet of labels as it will be printed; a press on a cell says that its label is gone already. */
export function LabelSheet({ gridId, page, used, onToggle, number }: LabelSheetProps) {
  const { mutate, isPending } = useMutation();
  const grid = gridOf(gridId);
  const paper = PAPERS[grid.paper];
  const share = (mm: number, of: number) => `${(100 * mm) / of}%`;
  const cells = Array.from({ length: grid.columns * grid.rows }, (_, cell) => cell);
  return (
    <div
      role="group"
      aria-label={`Sheet ${number}`}
      className="relative w-full max-w-[330px] border border-line bg-white"
      style={{ aspectRatio: `${paper.width} / ${paper.height}` }}
    >
      <svg
        viewBox={`0 0 ${paper.width} ${paper.height}`}
        className="absolute inset-0 size-full"
        aria-hidden="true"
      >
        {page?.labels.map(({ x, y, label }) => (
          <g key={label.key} transform={`translate(${x} ${y})`}>
            {label.marks.map((mark, i) => (
              <LabelMarkView key={i} mark={mark} />
            ))}
          </g>
        ))}
      </svg>
      {cells.map((cell) => {
        const { x, y } = cellCornerMm(grid, cell);
        const isUsed = used.includes(cell);
        const label = page?.labels.find((each) => each.cell === cell)?.label;
        const place = {
          left: share(x, paper.width),
          top: share(y, paper.height),
          width: share(grid.cellMm.width, paper.width),
          height: share(grid.cellMm.height, paper.height),
        };
        const look = isUsed ? 'border-dashed border-line bg-well' : 'border-line';
        return onToggle ? (
          <button
            key={cell}
            type="button"
            disabled={isPending}
            aria-pressed={isUsed}
            aria-label={`Cell ${cell + 1}${label ? `, ${label.set.text}` : ''}: used up`}
            onClick={() => void mutate(() => onToggle(cell))}
            className={`absolute rounded-[3px] border ${look}`}
            style={place}
          >
            {isUsed && <span className="text-[12px] text-soft">used</span>}
          </button>
        ) : (
          <span key={cell} className={`absolute rounded-[3px] border ${look}`} style={place} />
        );
      })}
    </div>
  );
}
