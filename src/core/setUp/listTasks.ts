import { taskIdOf, type SetUp, type SetUpTask } from './model';

/** What was decided for a room and has to be done in it. */
export interface SetUpFacts {
  readonly units: readonly {
    readonly id: string;
    readonly name: string;
    readonly placeCount: number;
    readonly linedCount: number;
    /** That will live in it. */
    readonly litres: number;
    /** Its heaviest group. */
    readonly heaviestG: number;
    readonly labelCount: number;
  }[];
  /** Of the room's surfaces; null: nothing is painted. */
  readonly paint: {
    readonly squareMetres: number;
    readonly coats: number;
    readonly dryHours: number;
    readonly cureDays: number;
  } | null;
  readonly pieceCount: number;
  readonly fixings: readonly { readonly name: string; readonly things: number }[];
  /** Spots that still want their picture. */
  readonly spotCount: number;
  readonly liftLimitG: number;
}

/** Minutes of each kind of task: our own stated assumptions, by what there is of it. */
export const TASK_MINUTES = {
  wipe: { start: 5, each: 4 },
  sandPerSquareMetre: 4,
  paintPerSquareMetre: 10,
  paintStart: 15,
  cut: { start: 10, each: 4 },
  anchor: { start: 10, each: 12 },
  line: { start: 5, each: 6 },
  load: { start: 5, perLitre: 0.12 },
  label: { start: 5, each: 1.5 },
  photographEach: 3,
} as const;

/** On the tin it is for 20 degrees: it takes twice as long for every 10 degrees less, and half more where it is damp. */
const TIN_CELSIUS = 20;
const DOUBLES_EVERY_CELSIUS = 10;
const DAMP_FACTOR = 1.5;

/**
 * How much longer than on the tin paint dries and hardens. Never shorter: warm rooms are not counted on.
 * Source: the rule of thumb of paint makers' data sheets, an assumption.
 */
export const dryingFactorOf = ({
  airCelsius,
  isDamp,
}: Pick<SetUp, 'airCelsius' | 'isDamp'>): number =>
  Math.max(1, 2 ** ((TIN_CELSIUS - (airCelsius ?? TIN_CELSIUS)) / DOUBLES_EVERY_CELSIUS)) *
  (isDamp ? DAMP_FACTOR : 1);

const whole = (minutes: number): number => Math.max(1, Math.ceil(minutes));
const sized = ({ start, each }: { start: number; each: number }, count: number): number =>
  whole(start + each * count);

/**
 * The working list of a room: each unit is wiped, lined, loaded and labelled, so that one goes behind the
 * other; painting and anchoring stand between, and nothing is loaded before the paint is hard. Kinds
 * of which there is nothing to do are left out. Ids stay the same as long as the units do.
 */
export function listTasks(
  facts: SetUpFacts,
  air: Pick<SetUp, 'airCelsius' | 'isDamp'>,
): readonly SetUpTask[] {
  const { units, paint, fixings, pieceCount, spotCount, liftLimitG } = facts;
  const task = (
    kind: SetUpTask['kind'],
    of: string,
    more: { minutes: number } & Partial<Pick<SetUpTask, 'people' | 'skill' | 'after'>>,
  ): SetUpTask => ({
    people: 1,
    skill: undefined,
    after: [],
    ...more,
    id: taskIdOf(kind, of),
    kind,
    of,
  });
  const behind = (tasks: readonly SetUpTask[], lagMinutes = 0) =>
    tasks.map(({ id }) => ({ taskId: id, lagMinutes }));

  const wipes = units.map(({ id, placeCount }) =>
    task('wipe', id, { minutes: sized(TASK_MINUTES.wipe, placeCount) }),
  );
  const wipeOf = (id: string) => behind(wipes.filter(({ of }) => of === id));
  const isPainted = paint !== null && paint.squareMetres > 0;
  const factor = dryingFactorOf(air);
  const dryMinutes = whole((paint?.dryHours ?? 0) * 60 * factor);
  const hardMinutes = dryMinutes + whole((paint?.cureDays ?? 0) * 1440 * factor);
  const sand = isPainted
    ? [
        task('sand', '', {
          minutes: whole(paint.squareMetres * TASK_MINUTES.sandPerSquareMetre),
          after: behind(wipes),
        }),
      ]
    : [];
  const coats: SetUpTask[] = [];
  if (isPainted)
    for (let coat = 1; coat <= paint.coats; coat++)
      coats.push(
        task('paint', `${coat}`, {
          minutes: whole(
            TASK_MINUTES.paintStart + paint.squareMetres * TASK_MINUTES.paintPerSquareMetre,
          ),
          after: coat === 1 ? behind(sand) : behind(coats.slice(-1), dryMinutes),
        }),
      );
  const lastCoat = coats.slice(-1);
  const cuts =
    pieceCount > 0 ? [task('cut', '', { minutes: sized(TASK_MINUTES.cut, pieceCount) })] : [];
  const anchors = fixings
    .filter(({ things }) => things > 0)
    .map(({ name, things }) =>
      task('anchor', name, {
        minutes: sized(TASK_MINUTES.anchor, things),
        skill: 'drill',
        after: [...behind(wipes), ...behind(cuts), ...behind(lastCoat, dryMinutes)],
      }),
    );
  const lines = units
    .filter(({ linedCount }) => linedCount > 0)
    .map(({ id, linedCount }) =>
      task('line', id, {
        minutes: sized(TASK_MINUTES.line, linedCount),
        after: [...wipeOf(id), ...behind(lastCoat, dryMinutes)],
      }),
    );
  const loads = units
    .filter(({ litres }) => litres > 0)
    .map(({ id, litres, heaviestG }) =>
      task('load', id, {
        minutes: whole(TASK_MINUTES.load.start + litres * TASK_MINUTES.load.perLitre),
        people: heaviestG > liftLimitG ? 2 : 1,
        after: [
          ...wipeOf(id),
          ...behind(lines.filter(({ of }) => of === id)),
          ...behind(anchors),
          ...behind(lastCoat, hardMinutes),
        ],
      }),
    );
  const labels = units
    .filter(({ labelCount }) => labelCount > 0)
    .map(({ id, labelCount }) =>
      task('label', id, {
        minutes: sized(TASK_MINUTES.label, labelCount),
        after: [...behind(loads.filter(({ of }) => of === id)), ...wipeOf(id)],
      }),
    );
  const pictures =
    spotCount > 0
      ? [
          task('photograph', '', {
            minutes: whole(TASK_MINUTES.photographEach * spotCount),
            after: behind([...wipes, ...lines, ...loads, ...labels, ...anchors]),
          }),
        ]
      : [];
  return [
    ...wipes,
    ...sand,
    ...coats,
    ...cuts,
    ...anchors,
    ...lines,
    ...loads,
    ...labels,
    ...pictures,
  ];
}
