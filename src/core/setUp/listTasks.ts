import { learnTask, TASK_MINUTES } from './taskMinutes';
import type { Learned } from '../shared';
import { taskIdOf, type SetUpTask, type TaskKind } from './taskKinds';
import type { SetUp } from './model';

/** A unit of the room as far as setting up asks. */
export interface UnitToSetUp {
  readonly id: string;
  readonly name: string;
  readonly comes: 'stays' | 'bought' | 'moved';
  /** Two people: heavier than one lifts, or long. */
  readonly needsTwo: boolean;
  /** Units of the same kind and size before it in the list: the second goes faster. */
  readonly alikeBefore: number;
  /** From the floor to its top. */
  readonly heightMm: number;
  /** Should be fixed to the wall. */
  readonly wantsAnchoring: boolean;
  readonly isAnchored: boolean;
  readonly placeCount: number;
  readonly linedCount: number;
  /** Sheets that lie in its places as false floors. */
  readonly floorCount: number;
  /** Containers that the home has already: washed before they are used again. */
  readonly ownedCount: number;
  /** All containers that are put in. */
  readonly containerCount: number;
  /** That will live in it. */
  readonly litres: number;
  /** Its heaviest piece. */
  readonly heaviestG: number;
  readonly labelCount: number;
}

/** What was decided for a room and has to be done in it. */
export interface SetUpFacts {
  readonly units: readonly UnitToSetUp[];
  /** Of the room's surfaces; null: nothing is painted. */
  readonly paint: {
    readonly surfaces: readonly {
      readonly name: string;
      readonly squareMetres: number;
      /** Of one of it. */
      readonly heightMm: number;
    }[];
    readonly coats: number;
    readonly dryHours: number;
    readonly cureDays: number;
  } | null;
  readonly pieceCount: number;
  readonly fixings: readonly { readonly name: string; readonly things: number }[];
  /** Spots that still want their picture. */
  readonly spotCount: number;
  /** Carryings of the list of moves that are still open. */
  readonly carryCount: number;
  readonly liftLimitG: number;
}

/** On the tin it is for 20 degrees: it takes twice as long for every 10 degrees less, and half more where it is damp. */
const TIN_CELSIUS = 20;
const DOUBLES_EVERY_CELSIUS = 10;
const DAMP_FACTOR = 1.5;
/** Filler has to be hard before it is sanded; an assumption. */
const FILLER_MINUTES = 120;
/** So high one works from the floor. */
const REACH_MM = 2000;

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
  start + each * count;
const behind = (tasks: readonly SetUpTask[], lagMinutes = 0) =>
  tasks.map(({ id }) => ({ taskId: id, lagMinutes }));

const isSecured = ({ name, wantsAnchoring }: UnitToSetUp, fixingName: string): boolean =>
  wantsAnchoring && name === fixingName;

type Air = Pick<SetUp, 'airCelsius' | 'isDamp'> & Partial<Pick<SetUp, 'prep' | 'done'>>;
type MakeTask = (
  kind: TaskKind,
  of: string,
  more: { minutes: number } & Partial<
    Pick<SetUpTask, 'people' | 'skill' | 'after' | 'amount' | 'needsLadder'>
  >,
) => SetUpTask;

/**
 * The working list of a room: each unit is put up, wiped, anchored, lined, loaded and labelled, so that one goes
 * behind the other; painting stands between, and nothing is loaded before the paint is hard. Kinds of which
 * there is nothing to do are left out. Ids stay the same as long as the units do. Minutes are assumptions,
 * corrected by what tasks of their kind took where somebody said, here and in other rooms (`elsewhere`).
 */
export function listTasks(
  facts: SetUpFacts,
  air: Air,
  elsewhere: Readonly<Partial<Record<TaskKind, Learned>>> = {},
): readonly SetUpTask[] {
  const minutesOf = (kind: TaskKind, assumed: number) => {
    const learned = learnTask(kind, air.done ?? [], elsewhere[kind]);
    return { minutes: whole(assumed * learned.factor), assumedMinutes: whole(assumed), learned };
  };
  const make: MakeTask = (kind, of, { minutes, ...more }) => ({
    people: 1,
    skill: undefined,
    after: [],
    amount: undefined,
    needsLadder: false,
    ...more,
    ...minutesOf(kind, minutes),
    id: taskIdOf(kind, of),
    kind,
    of,
  });
  const { units, fixings, pieceCount, spotCount } = facts;
  const downs = units
    .filter(({ comes }) => comes === 'moved')
    .map(({ id, placeCount, needsTwo }) =>
      make('takeDown', id, {
        minutes: sized(TASK_MINUTES.takeDown, placeCount),
        people: needsTwo ? 2 : 1,
      }),
    );
  // What is bought comes clean, and is put together where it stands.
  const wipes = units
    .filter(({ comes }) => comes !== 'bought')
    .map(({ id, placeCount }) =>
      make('wipe', id, {
        minutes: sized(TASK_MINUTES.wipe, placeCount),
        amount: placeCount,
        after: behind(downs.filter(({ of }) => of === id)),
      }),
    );
  const painting = paintTasks(facts, air, { make, before: [...downs, ...wipes] });
  const { lastCoats, dryMinutes, hardMinutes } = painting;
  const toCut = pieceCount + units.reduce((sum, { floorCount }) => sum + floorCount, 0);
  const cuts =
    toCut > 0 ? [make('cut', '', { minutes: sized(TASK_MINUTES.cut, toCut), amount: toCut })] : [];
  const assemblies = units
    .filter(({ comes }) => comes !== 'stays')
    .map(({ id, placeCount, needsTwo, alikeBefore }) =>
      make('assemble', id, {
        minutes:
          sized(TASK_MINUTES.assemble, placeCount) *
          (alikeBefore > 0 ? TASK_MINUTES.alikeShare : 1),
        people: needsTwo ? 2 : 1,
        after: [
          ...behind([...downs, ...wipes].filter(({ of }) => of === id)),
          ...behind(lastCoats, dryMinutes),
        ],
      }),
    );
  const standing = [...wipes, ...assemblies];
  const unitStands = (id: string) => behind(standing.filter(({ of }) => of === id));
  const secures = units
    .filter(({ wantsAnchoring, isAnchored }) => wantsAnchoring && !isAnchored)
    .map(({ id, heightMm }) =>
      make('secure', id, {
        needsLadder: heightMm > REACH_MM,
        minutes: sized(TASK_MINUTES.anchor, 1),
        skill: 'drill',
        after: [...unitStands(id), ...behind(lastCoats, dryMinutes)],
      }),
    );
  const anchors = fixings
    // What is counted for a unit's own anchoring is used there.
    .filter(({ name, things }) => things > 0 && !units.some((unit) => isSecured(unit, name)))
    .map(({ name, things }) =>
      make('anchor', name, {
        minutes: sized(TASK_MINUTES.anchor, things),
        amount: things,
        skill: 'drill',
        after: [...behind(standing), ...behind(cuts), ...behind(lastCoats, dryMinutes)],
      }),
    );
  const washes = units
    .filter(({ ownedCount }) => ownedCount > 0)
    .map(({ id, ownedCount }) =>
      make('wash', id, { minutes: sized(TASK_MINUTES.wash, ownedCount), amount: ownedCount }),
    );
  const floors = units
    .filter(({ floorCount }) => floorCount > 0)
    .map(({ id, floorCount }) =>
      make('floor', id, {
        minutes: sized(TASK_MINUTES.floor, floorCount),
        amount: floorCount,
        after: [...unitStands(id), ...behind(cuts), ...behind(lastCoats, dryMinutes)],
      }),
    );
  const lines = units
    .filter(({ linedCount }) => linedCount > 0)
    .map(({ id, linedCount }) =>
      make('line', id, {
        minutes: sized(TASK_MINUTES.line, linedCount),
        amount: linedCount,
        after: [
          ...unitStands(id),
          ...behind(floors.filter(({ of }) => of === id)),
          ...behind(lastCoats, dryMinutes),
        ],
      }),
    );
  const fits = units
    .filter(({ containerCount }) => containerCount > 0)
    .map(({ id, containerCount }) =>
      make('fit', id, {
        minutes: sized(TASK_MINUTES.fit, containerCount),
        amount: containerCount,
        after: [
          ...unitStands(id),
          ...behind([...washes, ...floors, ...lines, ...secures].filter(({ of }) => of === id)),
          // Containers weigh little, but they would mark what is still soft.
          ...behind(lastCoats, hardMinutes),
        ],
      }),
    );
  const moves =
    facts.carryCount > 0
      ? [
          make('move', '', {
            minutes: sized(TASK_MINUTES.move, facts.carryCount),
            after: [...behind(wipes), ...behind(lastCoats, hardMinutes)],
          }),
        ]
      : [];
  const loads = units
    .filter(({ litres }) => litres > 0)
    .map(({ id, litres, heaviestG }) =>
      make('load', id, {
        minutes: TASK_MINUTES.load.start + litres * TASK_MINUTES.load.perLitre,
        amount: litres,
        people: heaviestG > facts.liftLimitG ? 2 : 1,
        after: [
          ...unitStands(id),
          ...behind([...floors, ...lines, ...fits, ...secures].filter(({ of }) => of === id)),
          ...behind([...anchors, ...moves]),
          ...behind(lastCoats, hardMinutes),
        ],
      }),
    );
  const labels = units
    .filter(({ labelCount }) => labelCount > 0)
    .map(({ id, labelCount }) =>
      make('label', id, {
        minutes: sized(TASK_MINUTES.label, labelCount),
        amount: labelCount,
        after: [...behind([...fits, ...loads].filter(({ of }) => of === id)), ...unitStands(id)],
      }),
    );
  const all = [
    ...downs,
    ...wipes,
    ...painting.tasks,
    ...cuts,
    ...assemblies,
    ...secures,
    ...anchors,
    ...washes,
    ...floors,
    ...lines,
    ...fits,
    ...moves,
    ...loads,
    ...labels,
  ];
  const pictures =
    spotCount > 0
      ? [
          make('photograph', '', {
            minutes: TASK_MINUTES.photographEach * spotCount,
            after: behind(all),
          }),
        ]
      : [];
  return [...all, ...pictures];
}

/** Filling, sanding, priming and painting, each behind the other with what has to dry. */
function paintTasks(
  { paint }: SetUpFacts,
  air: Air,
  { make, before }: { readonly make: MakeTask; readonly before: readonly SetUpTask[] },
) {
  const { holes, primes } = air.prep ?? { holes: 0, primes: false };
  const factor = dryingFactorOf(air);
  const dryMinutes = whole((paint?.dryHours ?? 0) * 60 * factor);
  const hardMinutes = dryMinutes + whole((paint?.cureDays ?? 0) * 1440 * factor);
  const surfaces = (paint?.surfaces ?? []).filter(({ squareMetres }) => squareMetres > 0);
  if (paint === null || surfaces.length === 0)
    return { tasks: [], lastCoats: [], dryMinutes, hardMinutes };
  const fills =
    holes > 0
      ? [make('fill', '', { minutes: sized(TASK_MINUTES.fill, holes), after: behind(before) })]
      : [];
  const tasks: SetUpTask[] = [...fills];
  const lastCoats: SetUpTask[] = [];
  // Each surface by itself: one is painted while the next is sanded.
  for (const { name, squareMetres, heightMm } of surfaces) {
    const needsLadder = heightMm > REACH_MM;
    const of = surfaces.length > 1 ? name : '';
    const sand = make('sand', of, {
      amount: squareMetres,
      needsLadder,
      minutes: squareMetres * TASK_MINUTES.sandPerSquareMetre,
      after: [...behind(before), ...behind(fills, whole(FILLER_MINUTES * factor))],
    });
    const coatMinutes = TASK_MINUTES.paintStart + squareMetres * TASK_MINUTES.paintPerSquareMetre;
    const coats = primes
      ? [make('prime', of, { minutes: coatMinutes, needsLadder, after: behind([sand]) })]
      : [];
    for (let coat = 1; coat <= paint.coats; coat++)
      coats.push(
        make('paint', `${coat} ${of}`.trim(), {
          amount: squareMetres,
          needsLadder,
          minutes: coatMinutes,
          after: coats.length === 0 ? behind([sand]) : behind(coats.slice(-1), dryMinutes),
        }),
      );
    tasks.push(sand, ...coats);
    lastCoats.push(...coats.slice(-1));
  }
  return { tasks, lastCoats, dryMinutes, hardMinutes };
}
