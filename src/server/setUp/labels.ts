import 'server-only';

import type { PersonMark, Terms } from '@/core/agree';
import {
  drawLabels,
  gridOf,
  labelKeyOf,
  layOutLabels,
  openLabels,
  type LabelChoice,
  type LabelPage,
  type Labeling,
  type LabelRef,
  type LabelSpot,
  type LabelStock,
  type LaidOutLabels,
  type RoomLabels,
} from '@/core/labels';
import type { PersonId, ProjectId, RoomId } from '@/core/shared';
import { atomic, recordChange, type ChangeWriter } from '@/data/changes';
import { DataError, type Db } from '@/data/db';
import {
  labelingRecord,
  loadRecords,
  personRecord,
  projectRecord,
  type Records,
} from '@/data/records';
import { writeCsvTable } from '../exchange/csvTable';
import { nowIso } from '../means';
import { roomLabelsOf, setUpNames, type SetUpName } from './roomSetUp';

/** A room's labels as they are set on what the home makes them on. */
export interface LoadedLabels extends RoomLabels {
  readonly stock: LabelStock;
  /** Those that are to be made, in their order. */
  readonly open: readonly LabelSpot[];
  readonly laidOut: LaidOutLabels;
  /** Names that go onto this at no size. */
  readonly faultKeys: readonly string[];
  /** By key, what each says. */
  readonly drawn: ReturnType<typeof drawLabels>['drawn'];
}

/** Works out a room's labels. @errors `not_found`: no such room. */
export function labelsOf(records: Records<SetUpName>, roomId: RoomId): LoadedLabels {
  const labels = roomLabelsOf(records, roomId);
  const { medium, gridId, tapeMm, begun } = records.project.terms.labels;
  const stock = { medium, gridId, tapeMm };
  const open = openLabels(labels);
  // What is made says what it said: what is new says something else.
  const { drawn, faults } = drawLabels(
    open,
    stock,
    labels.labeling.made.map(({ text }) => text),
  );
  return {
    ...labels,
    stock,
    open,
    drawn,
    faultKeys: faults,
    laidOut: layOutLabels(
      drawn,
      stock,
      begun.filter((sheet) => sheet.gridId === gridId).map(({ used }) => used),
    ),
  };
}

interface OfRoom {
  readonly projectId: ProjectId;
  readonly roomId: RoomId;
}
type LabelDeed =
  | { readonly code: 'label_changed' | 'labels_waiting'; readonly name: string }
  | { readonly code: 'labels_taken_back' }
  | { readonly code: 'labels_made' | 'labels_sent'; readonly count: number };

/** Changes a room's labels as one change: what it decides by is what it changes. @errors `not_found`: no such room. */
export const changeLabeling = atomic(
  async (
    db: Db,
    { projectId, roomId }: OfRoom,
    deed: LabelDeed,
    change: (
      before: Labeling,
      means: {
        readonly writer: ChangeWriter;
        readonly records: Records<SetUpName>;
        readonly now: string;
      },
    ) => Labeling | Promise<Labeling>,
  ): Promise<void> => {
    const records = await loadRecords(db, projectId, ...setUpNames);
    const { labeling } = roomLabelsOf(records, roomId);
    const now = nowIso();
    await recordChange(db, { projectId, deed, now }, async (writer) => {
      await writer.put(labelingRecord, await change(labeling, { writer, records, now }));
    });
  },
);

/** What a label says, and whether it is made at all. What was made stays made, and says what it said. */
export const changeLabel = atomic(
  (
    db: Db,
    projectId: ProjectId,
    { roomId, name, ...choice }: { readonly roomId: RoomId; readonly name: string } & LabelChoice,
  ): Promise<void> =>
    changeLabeling(db, { projectId, roomId }, { code: 'label_changed', name }, (before) => ({
      ...before,
      choices: [
        ...before.choices.filter((each) => labelKeyOf(each) !== labelKeyOf(choice)),
        choice,
      ],
    })),
);

/** From when on labels are made that wait until the room has settled. */
export const setSettles = atomic(
  (
    db: Db,
    projectId: ProjectId,
    {
      roomId,
      settlesOn,
      name,
    }: { readonly roomId: RoomId; readonly settlesOn: string | null; readonly name: string },
  ): Promise<void> =>
    changeLabeling(db, { projectId, roomId }, { code: 'labels_waiting', name }, (before) => ({
      ...before,
      settlesOn,
    })),
);

/**
 * Notes that the open labels came out on paper: they are made, with what they say, and the cells they took
 * are gone. @errors `not_found`: no such room; `changed_meanwhile`: others are open by now than were printed.
 */
export const noteMade = atomic(
  async (
    db: Db,
    projectId: ProjectId,
    { roomId, keys }: { readonly roomId: RoomId; readonly keys: readonly string[] },
  ): Promise<void> => {
    const deed = { code: 'labels_made', count: keys.length } as const;
    await changeLabeling(
      db,
      { projectId, roomId },
      deed,
      async (before, { writer, records, now }) => {
        const { drawn, open, stock, laidOut } = labelsOf(records, roomId);
        if (
          keys.length !== open.length ||
          keys.some((key) => open.every((spot) => spot.key !== key))
        )
          throw new DataError(
            'changed_meanwhile',
            'other labels are open by now than were printed',
          );
        const { project } = records;
        if (stock.medium === 'sheet')
          await writer.put(projectRecord, {
            ...project,
            terms: {
              ...project.terms,
              labels: {
                ...project.terms.labels,
                begun: begunAfter(project.terms.labels, laidOut.pages),
              },
            },
          });
        const made = open.flatMap((spot) => {
          const label = drawn.find(({ key }) => key === spot.key);
          return label
            ? [{ ...spot.ref, text: label.set.text, medium: stock.medium, madeAt: now }]
            : [];
        });
        // What came out otherwise is no longer wanted of the printer.
        const left = (before.job?.labels ?? []).filter((ref) => !keys.includes(labelKeyOf(ref)));
        const job = before.job && left.length > 0 ? { ...before.job, labels: left } : null;
        return { ...before, made: [...before.made, ...made], job };
      },
    );
  },
);

/** Begun sheets after a print: cells that were printed are gone, and a sheet without a free cell is. */
function begunAfter(
  { gridId, begun }: Terms['labels'],
  pages: readonly LabelPage[],
): Terms['labels']['begun'] {
  const others = begun.filter((sheet) => sheet.gridId !== gridId);
  const untouched = begun.filter(
    (sheet) =>
      sheet.gridId === gridId && !pages.some((page) => page.isBegun && page.used === sheet.used),
  );
  const printed = pages.map(({ used, labels }) => ({
    gridId,
    used: [...used, ...labels.flatMap(({ cell }) => cell ?? [])].sort((a, b) => a - b),
  }));
  const { columns, rows } = gridOf(gridId);
  const isLeft = ({ used }: { readonly used: readonly number[] }) => used.length < columns * rows;
  return [...others, ...untouched, ...printed.filter(isLeft)];
}

/** A label is to be made again: it was spoiled, or it is to say something else. */
export const makeAgain = atomic(
  (
    db: Db,
    projectId: ProjectId,
    { roomId, name, ...ref }: { readonly roomId: RoomId; readonly name: string } & LabelRef,
  ): Promise<void> =>
    changeLabeling(db, { projectId, roomId }, { code: 'label_changed', name }, (before) => ({
      ...before,
      made: before.made.filter((each) => labelKeyOf(each) !== labelKeyOf(ref)),
    })),
);

/** What labels are made on, and which cells of begun sheets are gone. */
export const changeStock = atomic(
  async (db: Db, projectId: ProjectId, change: Partial<Terms['labels']>): Promise<void> => {
    const { project } = await loadRecords(db, projectId, 'project');
    const labels = { ...project.terms.labels, ...change };
    const deed = { code: 'label_stock' } as const;
    await recordChange(db, { projectId, deed, now: nowIso() }, (writer) =>
      writer.put(projectRecord, { ...project, terms: { ...project.terms, labels } }),
    );
  },
);

/** A cell of the first begun sheet of the grid in use is gone, or free after all; the first one begins a sheet. */
export const toggleCell = atomic(
  async (db: Db, projectId: ProjectId, { cell }: { readonly cell: number }): Promise<void> => {
    const { project } = await loadRecords(db, projectId, 'project');
    const { gridId, begun } = project.terms.labels;
    const at = begun.findIndex((sheet) => sheet.gridId === gridId);
    const used = begun[at]?.used ?? [];
    const after = used.includes(cell)
      ? used.filter((each) => each !== cell)
      : [...used, cell].sort((a, b) => a - b);
    const sheet = { gridId, used: after };
    const labels = {
      ...project.terms.labels,
      begun: at < 0 ? [...begun, sheet] : begun.map((each, i) => (i === at ? sheet : each)),
    };
    const deed = { code: 'label_stock' } as const;
    await recordChange(db, { projectId, deed, now: nowIso() }, (writer) =>
      writer.put(projectRecord, { ...project, terms: { ...project.terms, labels } }),
    );
  },
);

/** Gives a person a mark of their own; null takes it away. @errors `not_found`: no such person. */
export const giveMark = atomic(
  async (
    db: Db,
    projectId: ProjectId,
    { personId, mark }: { readonly personId: PersonId; readonly mark: PersonMark | null },
  ): Promise<void> => {
    const { people } = await loadRecords(db, projectId, 'people');
    const person = people.find(({ id }) => id === personId);
    if (!person) throw new DataError('not_found', `there is no person ${personId}`);
    const deed = { code: 'mark_given', name: person.name } as const;
    await recordChange(db, { projectId, deed, now: nowIso() }, (writer) =>
      writer.put(personRecord, { ...person, mark }),
    );
  },
);

/** What is on labels, and what is to be written on those that are open: a list to copy by hand. */
export const labelListCsv = ({ drawn, spots, labeling }: LoadedLabels) =>
  writeCsvTable(
    ['label', 'second', 'unit', 'place', 'on', 'side', 'letters_mm', 'behind_it', 'made'],
    spots
      .filter(({ isLeftOut }) => !isLeftOut)
      .map((spot) => {
        const label = drawn.find(({ key }) => key === spot.key);
        const made = labeling.made.find((each) => labelKeyOf(each) === spot.key);
        return {
          label: label?.set.text ?? made?.text ?? spot.name,
          second: spot.second,
          unit: spot.unitName,
          place: spot.bayName,
          on: spot.containerName ?? 'shelf edge',
          side: spot.side,
          letters_mm: label ? String(Math.round(label.set.sizeMm * 10) / 10) : '',
          behind_it: spot.hides.join('; '),
          made: made?.madeAt.slice(0, 10) ?? '',
        };
      }),
  );
