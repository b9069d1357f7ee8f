'use client';

import { useState } from 'react';

import type { Person, PersonMark } from '@/core/agree';
import {
  gridOf,
  labelKeyOf,
  labelSizeMm,
  SHEET_GRIDS,
  TAPE_WIDTHS_MM,
  type DrawnLabel,
  type Labeling,
  type LabelMedium,
  type LabelRef,
  type LabelSpot,
  type LabelState,
  type LabelStock,
  type LaidOutLabels,
} from '@/core/labels';
import { formatCount, formatNumber } from '@/core/shared';
import type { ActionResult } from '../actionResult';
import { Button, buttonClass } from '../primitives/Button';
import { Choice } from '../primitives/Choice';
import { SelectField } from '../primitives/Field';
import { Sheet } from '../primitives/Sheet';
import { useMutation } from '../useMutation';
import { dayShort } from './cardWords';
import { LabelArt } from './LabelArt';
import { LabelSheet } from './LabelSheet';
import { LabelForm, type LabelTyped } from './LabelSheetForm';
import { gridWords, labelPlaceWords, readWords } from './labelWords';
import { PersonMarks } from './PersonMarks';
import { PrinterPanel, type PrinterSaid } from './PrinterPanel';

export interface LabelsViewProps {
  readonly roomName: string;
  readonly state: LabelState;
  readonly labeling: Labeling;
  readonly spots: readonly LabelSpot[];
  readonly open: readonly LabelSpot[];
  readonly drawn: readonly DrawnLabel[];
  readonly faultKeys: readonly string[];
  readonly laidOut: LaidOutLabels;
  readonly stock: LabelStock;
  /** Used cells of begun sheets of the grid in use. */
  readonly begun: readonly (readonly number[])[];
  readonly people: readonly Person[];
  readonly today: string;
  /** Of the files to print; `&as=pdf` and so on is put behind it. */
  readonly filesHref: string;
  readonly onLabel: (
    label: LabelRef & { readonly name: string } & LabelTyped,
  ) => Promise<ActionResult>;
  readonly onSettles: (typed: { on: string; name: string }) => Promise<ActionResult>;
  readonly onMade: (keys: readonly string[]) => Promise<ActionResult>;
  readonly onAgain: (label: LabelRef & { readonly name: string }) => Promise<ActionResult>;
  readonly onStock: (stock: LabelStock) => Promise<ActionResult>;
  readonly onCell: (cell: number) => Promise<ActionResult>;
  readonly onMark: (personId: string, mark: PersonMark | null) => Promise<ActionResult>;
  readonly onSend: () => Promise<ActionResult<PrinterSaid>>;
  readonly onAsk: () => Promise<ActionResult<PrinterSaid>>;
  readonly onTakeBack: () => Promise<ActionResult<undefined>>;
}

/** A room's labels: what each says and where it goes, and how they are made. */
export function LabelsView(props: LabelsViewProps) {
  const { state, spots, open, labeling, people, onMark } = props;
  if (state === 'none')
    return (
      <p className="panel p-4">
        This home wants no labels: so it was agreed. Another choice is made on the agreement.
      </p>
    );
  const waits = state === 'settles' && (labeling.settlesOn ?? '9999') > props.today;
  return (
    <div className="grid gap-4">
      <div>
        <h1 className="text-[24px]">Labels, {props.roomName.toLowerCase()}</h1>
        <p className="text-[14.5px]">
          {spots.length === 0
            ? 'Nothing to label yet: give groups their places, or take a fit.'
            : `${labeling.made.length} made, ${open.length} to make.`}
        </p>
      </div>
      {state === 'settles' && <Settles {...props} />}
      <div className="grid items-start gap-4 lg:grid-cols-[1fr_360px]">
        <LabelList {...props} />
        <div className="grid gap-4">
          {!waits && spots.length > 0 && <Making {...props} />}
          <PersonMarks people={people} onMark={onMark} />
        </div>
      </div>
    </div>
  );
}

/** Labels that wait until the room has settled, with their day. */
function Settles({ labeling, roomName, today, onSettles }: LabelsViewProps) {
  const { mutate } = useMutation();
  const { settlesOn } = labeling;
  return (
    <section aria-label="After settling" className="panel flex flex-wrap items-end gap-3 p-4">
      <p className="max-w-[60ch] text-[15px]">
        {settlesOn !== null && settlesOn <= today
          ? 'The room has settled: labels are made from where things stand now.'
          : 'So it was agreed: labels are made once the room has settled, from where things then are.'}
      </p>
      <label className="grid text-[14px]">
        Settled on
        <input
          type="date"
          className="input measure"
          defaultValue={settlesOn ?? ''}
          onChange={({ target }) =>
            void mutate(() => onSettles({ on: target.value, name: roomName }))
          }
        />
      </label>
    </section>
  );
}

function LabelList({
  spots,
  open,
  stock,
  drawn,
  labeling,
  faultKeys,
  roomName,
  onLabel,
  onAgain,
}: LabelsViewProps) {
  const [changing, setChanging] = useState<LabelSpot>();
  const units = [...new Set(spots.map(({ unitName }) => unitName))];
  return (
    <section aria-label={`Labels of ${roomName}`} className="grid gap-4">
      {units.map((unitName) => (
        <div key={unitName} className="panel p-4">
          <h2 className="text-[17px]">{unitName}</h2>
          <ul className="divide-y divide-line">
            {spots
              .filter((spot) => spot.unitName === unitName)
              .map((spot) => (
                <LabelLine
                  key={spot.key}
                  spot={spot}
                  label={drawn.find(({ key }) => key === spot.key)}
                  made={labeling.made.find((each) => labelKeyOf(each) === spot.key)}
                  isFault={faultKeys.includes(spot.key)}
                  isTooLarge={open.includes(spot) && labelSizeMm(spot, stock).isTooLarge}
                  onChange={() => setChanging(spot)}
                />
              ))}
          </ul>
        </div>
      ))}
      <Sheet
        title={`Label: ${changing?.name ?? ''}`}
        isOpen={changing !== undefined}
        onOpenChange={() => setChanging(undefined)}
      >
        {changing && (
          <LabelForm
            spot={changing}
            onSave={(typed) =>
              onLabel({ ...changing.ref, name: changing.name.slice(0, 120), ...typed })
            }
            onAgain={
              labeling.made.some((each) => labelKeyOf(each) === changing.key)
                ? () => onAgain({ ...changing.ref, name: changing.name.slice(0, 120) })
                : undefined
            }
            onDone={() => setChanging(undefined)}
          />
        )}
      </Sheet>
    </section>
  );
}

/** On the screen, of each millimetre. */
const PX_PER_MM = 1.8;

function LabelLine({
  spot,
  label,
  made,
  isFault,
  isTooLarge,
  onChange,
}: {
  readonly spot: LabelSpot;
  readonly label: DrawnLabel | undefined;
  readonly made: Labeling['made'][number] | undefined;
  readonly isFault: boolean;
  readonly isTooLarge: boolean;
  readonly onChange: () => void;
}) {
  return (
    <li className="grid grid-cols-[auto_minmax(0,1fr)_auto] items-center gap-x-4 gap-y-1 py-2.5 max-md:grid-cols-[minmax(0,1fr)_auto]">
      <div className="w-[124px] max-md:col-span-2">
        {label ? (
          <LabelArt label={label} pxPerMm={PX_PER_MM} />
        ) : (
          <b className="text-[16px]">{made?.text ?? spot.name}</b>
        )}
      </div>
      <div>
        <p className="text-[14.5px]">{labelPlaceWords(spot)}</p>
        <p className="text-[13.5px] text-soft">
          {readWords(spot)}
          {spot.hides.length > 0 && `, hides ${spot.hides.join(', ')}`}
          {spot.isLeftOut && ' · no label'}
          {made && ` · made ${dayShort(made.madeAt.slice(0, 10))}`}
        </p>
        {isFault && (
          <p className="text-[14px] text-signal-deep">
            “{spot.name}” goes onto this at no size: say it shorter, or choose a larger label.
          </p>
        )}
        {isTooLarge && (
          <p className="text-[14px] text-signal-deep">
            Larger than its place, {Math.round(spot.widthMm)} × {Math.round(spot.heightMm)} mm.
          </p>
        )}
        {label && !label.set.isReadable && (
          <p className="text-[14px] text-signal-deep">
            Read without effort only from {Math.round(label.set.readableFromMm / 10)} cm: say it
            shorter, or choose a larger label.
          </p>
        )}
      </div>
      <Button onClick={onChange} aria-label={`Change the label ${spot.name}`}>
        Change
      </Button>
    </li>
  );
}

const MEDIA: readonly (readonly [LabelMedium, string])[] = [
  ['sheet', 'Sheets'],
  ['tape', 'Tape'],
  ['tags', 'Tags to tie on'],
  ['hand', 'By hand'],
];

/** What they are made on, how it is printed, and that it came out. */
function Making(props: LabelsViewProps) {
  const { stock, laidOut, open, filesHref, labeling, onStock, onMade } = props;
  const { mutate, isPending } = useMutation();
  const change = (next: Partial<LabelStock>) => void mutate(() => onStock({ ...stock, ...next }));
  const { medium } = stock;
  const tooLarge = open.filter((spot) => labelSizeMm(spot, stock).isTooLarge).length;
  const narrowest = TAPE_WIDTHS_MM.findLast((tapeMm) =>
    open.every((spot) => !labelSizeMm(spot, { ...stock, medium: 'tape', tapeMm }).isTooLarge),
  );
  const otherWords =
    narrowest === undefined
      ? 'on any tape too: tags can be tied to those'
      : `tape of ${narrowest} mm goes onto all of them`;
  return (
    <section aria-label="Making" className="panel grid gap-3 p-4">
      <h2 className="text-[17px]">
        {open.length === 0 ? 'All labels are made' : `Make ${formatCount(open.length, 'label')}`}
      </h2>
      <Choice
        label="Made on"
        value={medium}
        options={MEDIA}
        onChange={(next) => change({ medium: next })}
      />
      {medium === 'sheet' && (
        <SelectField
          label="Which sheet"
          value={stock.gridId}
          onChange={({ target }) => change({ gridId: target.value })}
        >
          {SHEET_GRIDS.map((grid) => (
            <option key={grid.id} value={grid.id}>
              {gridWords(grid)}
            </option>
          ))}
        </SelectField>
      )}
      {medium === 'tape' && (
        <SelectField
          label="Tape"
          value={String(stock.tapeMm)}
          onChange={({ target }) => change({ tapeMm: Number(target.value) })}
        >
          {TAPE_WIDTHS_MM.map((mm) => (
            <option key={mm} value={mm}>
              {mm} mm wide
            </option>
          ))}
        </SelectField>
      )}
      {tooLarge > 0 && (
        <p className="text-[14.5px] text-signal-deep">
          {tooLarge} of {open.length} are larger than where they go, {otherWords}.
        </p>
      )}
      {medium === 'sheet' && <Sheets {...props} />}
      {laidOut.tape && laidOut.tape.togetherMm > 0 && (
        <p className="text-[14.5px]">
          {formatNumber(Math.round(laidOut.tape.togetherMm / 10))} cm of tape in one go with cut
          marks; each by itself would take {formatNumber(Math.round(laidOut.tape.savedMm / 10))} cm
          more.
        </p>
      )}
      {medium === 'tape' && (
        <PrinterPanel
          job={labeling.job}
          openCount={open.length}
          onSend={props.onSend}
          onAsk={props.onAsk}
          onTakeBack={props.onTakeBack}
        />
      )}
      <div className="flex flex-wrap gap-2">
        {medium !== 'hand' && open.length > 0 && (
          <>
            <a className={buttonClass('quiet')} href={`${filesHref}&as=pdf`}>
              PDF
            </a>
            <a className={buttonClass('quiet')} href={`${filesHref}&as=svg`}>
              SVG
            </a>
            <a className={buttonClass('quiet')} href={`${filesHref}&as=png`} target="_blank">
              PNG
            </a>
          </>
        )}
        <a className={buttonClass('quiet')} href={`${filesHref}&as=csv`}>
          List to copy
        </a>
      </div>
      {medium !== 'tape' && open.length > 0 && (
        <Button
          look="main"
          disabled={isPending}
          onClick={() => void mutate(() => onMade(open.map(({ key }) => key)))}
        >
          {medium === 'hand' ? 'They are written' : 'They came out well'}
        </Button>
      )}
      <p className="text-[13.5px] text-soft">
        Letters are as large as is read without effort from where one stands (18 minutes of arc, our
        own assumption, between 12 and 24). Print at 100 %.
      </p>
    </section>
  );
}

/** The sheets that are printed; on the first begun one cells can be said to be used. */
function Sheets({ stock, laidOut, begun, onCell }: LabelsViewProps) {
  const { pages } = laidOut;
  const grid = gridOf(stock.gridId);
  const free = begun.reduce((sum, used) => sum + grid.columns * grid.rows - new Set(used).size, 0);
  const newCount = pages.filter(({ isBegun }) => !isBegun).length;
  const first = begun[0] ?? [];
  const firstPage = pages.find(({ isBegun, used }) =>
    begun[0] ? isBegun && used === first : !isBegun,
  );
  const others = pages.filter((page) => page !== firstPage);
  return (
    <>
      <p className="text-[14.5px]">
        {formatCount(pages.length, 'sheet')}
        {begun.length > 0 && `, ${newCount} of them new; ${free} cells of begun ones are free`}.
        Press a cell whose label is gone.
      </p>
      <LabelSheet
        gridId={stock.gridId}
        page={firstPage}
        used={first}
        onToggle={onCell}
        number={1}
      />
      {others.map((page, i) => (
        <LabelSheet
          key={i}
          gridId={stock.gridId}
          page={page}
          used={page.used}
          onToggle={undefined}
          number={i + 2}
        />
      ))}
    </>
  );
}
