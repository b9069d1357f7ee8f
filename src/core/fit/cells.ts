import { asPlaced, litresIn } from './contents';
import type { Level } from './levels';
import type { Cell, FitContainer, FitGroup, Placement, Surface } from './model';
import { findGroupFault, reachOf, roleOf, type FitPin, type FitQuestion } from './suitability';
import { MARK, plainId } from './unfold';

/** Compartments are tried in steps of so many mm, from so narrow on. */
const STEP_MM = 10;
const LEAST_MM = 20;

/** A compartment that the search may use as if it were a container. */
interface Choice {
  readonly container: FitContainer;
  readonly dividerId: string;
  readonly groupId: string;
  readonly turned: boolean;
  readonly cell: Cell;
}

/** A question in which dividers are told as containers, and the way back. */
export interface Divided {
  readonly question: FitQuestion;
  readonly levels: readonly Level[];
  /** The same placements, in the bay, as compartments: closed up from the left or the front. */
  readonly toCells: (placements: readonly Placement[]) => Placement[];
}

/**
 * For each level that has walls all round (a drawer's floor, the inside of a box) and each group the compartment that just
 * holds it, along and across, as a container that reaches from wall to wall. What is free beside compartments alone is
 * shared among them evenly, and the last one ends at the wall.
 */
export function divideLevels(
  question: FitQuestion,
  levels: readonly Level[],
  {
    surfaces,
    asked,
  }: {
    readonly surfaces: readonly Surface[];
    /** What somebody has pinned; what the engine pins to its own stand-ins holds nobody back. */
    readonly asked: readonly FitPin[];
  },
): Divided {
  const dividers = question.containers.filter(
    (container) => roleOf(container) === 'divider' && (container.available ?? 1) > 0,
  );
  // A board parts two things.
  const isAlone = question.groups.filter(({ litres }) => litres > 0).length < 2;
  if (dividers.length === 0 || isAlone)
    return { question, levels, toCells: (placements) => [...placements] };
  const choices = levels.map((level, i) =>
    hasWalls(question, level, surfaces) ? listChoices({ question, asked, dividers }, level, i) : [],
  );
  const all = choices.flat();
  const byId = new Map(all.map((choice) => [choice.container.id, choice]));
  return {
    question: {
      ...question,
      containers: [
        ...question.containers.filter((container) => roleOf(container) !== 'divider'),
        ...all.map(({ container }) => container),
      ],
      pins: [
        ...(question.pins ?? []),
        // What the engine itself has pinned, as it was counted or to be alike, may lie in compartments as well.
        ...all
          .filter(({ groupId }) => question.pins?.some((pin) => pin.groupId === groupId))
          .map(({ container, groupId }): FitPin => ({ groupId, containerId: container.id })),
      ],
      onlyFor: new Map([
        ...(question.onlyFor ?? []),
        ...all.map(({ container, groupId }) => [container.id, groupId] as const),
      ]),
    },
    levels: levels.map((level, i) => {
      const own = new Set(choices[i]?.map(({ container }) => container.id));
      return {
        ...level,
        takes: (container: FitContainer) =>
          byId.has(container.id) ? own.has(container.id) : level.takes(container),
      };
    }),
    toCells: (placements) => {
      const cut = placements.map((placement): Placement => {
        const choice = byId.get(placement.containerId);
        if (!choice) return placement;
        const { dividerId, turned, cell } = choice;
        return { ...placement, containerId: dividerId, turned, cell };
      });
      return levels.reduce((closed, level) => closeUp(question, closed, level), cut);
    },
  };
}

const hasWalls = (
  { bay, containers }: FitQuestion,
  { on, z, obstacles }: Level,
  surfaces: readonly Surface[],
): boolean => {
  if (obstacles.length > 0) return false;
  if (on === undefined) return bay.pullOut === true && z === 0;
  const bearer = containers.find(({ id }) => id === surfaces[on]?.containerId);
  return bearer !== undefined && roleOf(bearer) === 'box';
};

function listChoices(
  {
    question: { bay, groups },
    asked,
    dividers,
  }: {
    readonly question: FitQuestion;
    readonly asked: readonly FitPin[];
    readonly dividers: readonly FitContainer[];
  },
  level: Level,
  index: number,
): Choice[] {
  const isDrawer = level.on === undefined;
  return dividers.flatMap((divider) =>
    [true, false].flatMap((turned) => {
      const [wall, along, across] = turned
        ? [isDrawer ? bay.depth : level.depth, level.depth, level.width]
        : [isDrawer ? bay.width : level.width, level.width, level.depth];
      if (!reachOf(divider)(wall) || divider.outer.height > level.height + 1e-6) return [];
      return groups
        .filter((group) => group.litres > 0 && isFreeToLie(asked, group, divider))
        .flatMap((group): Choice[] => {
          const cell = leastCell(divider, group, { turned, along, across });
          if (!cell) return [];
          const { outer, ...placed } = asPlaced(divider, { cell, turned });
          const id = [divider.id, 'cell', index, turned ? 'turned' : 'along', group.id].join(MARK);
          return [
            {
              container: {
                ...placed,
                id,
                role: 'box',
                // As it lies in the bay; it is not turned once more.
                outer: turned ? { ...outer, width: outer.depth, depth: outer.width } : outer,
                turnable: false,
                available: 1,
              },
              dividerId: divider.id,
              groupId: group.id,
              turned,
              cell,
            },
          ];
        });
    }),
  );
}

/** Whether a group may lie beside this board: pinned to it, or to nothing. */
function isFreeToLie(asked: readonly FitPin[], group: FitGroup, divider: FitContainer): boolean {
  const own = asked.filter(({ groupId }) => groupId === plainId(group.id));
  return own.length === 0 || own.some(({ containerId }) => containerId === plainId(divider.id));
}

/** The narrowest compartment of this direction that takes all of a group. */
function leastCell(
  divider: FitContainer,
  group: FitGroup,
  { turned, along, across }: { turned: boolean; along: number; across: number },
): Cell | undefined {
  const room = across - divider.outer.depth;
  const byLitres = group.pieces ? 0 : (group.litres * 1e6) / (along * divider.outer.height);
  for (let wide = Math.max(LEAST_MM, Math.ceil(byLitres)); wide <= room; wide += STEP_MM) {
    const cell = turned ? { width: wide, depth: along } : { width: along, depth: wide };
    const placed = asPlaced(divider, { cell, turned });
    if (findGroupFault(placed, group) === undefined && litresIn(placed, group) >= group.litres)
      return cell;
  }
  return undefined;
}

/**
 * Compartments first, board to wall, from the left or the front; what else stands there after them, in its order. Where
 * nothing else does, what is free is shared and the last one ends at the wall.
 */
function closeUp(
  { containers, clearances }: FitQuestion,
  placements: readonly Placement[],
  level: Level,
): Placement[] {
  const here = placements
    .map((placement, index) => ({ placement, index }))
    .filter(({ placement }) => isOn(level, placement));
  const cells = here.flatMap(({ placement, index }) => {
    const divider = containers.find(({ id }) => id === placement.containerId);
    if (!placement.cell || !divider) return [];
    const span = asPlaced(divider, placement).outer.depth;
    return [{ placement, index, cell: placement.cell, span, board: divider.outer.depth }];
  });
  const [first] = cells;
  if (!first) return [...placements];
  const { turned } = first.placement;
  const axis = turned ? 'x' : 'y';
  const to = level[axis] + (turned ? level.width : level.depth);
  const moved = [...placements];
  // What lay before a compartment lies after it, a gap away.
  for (const { placement, index } of here) {
    const after = cells.filter((each) => each.placement[axis] > placement[axis]);
    const shift = after.reduce((sum, { span }) => sum + span, clearances.between);
    if (!placement.cell && after.length > 0)
      moved[index] = { ...placement, [axis]: round(placement[axis] + shift) };
  }
  cells.sort((a, b) => a.placement[axis] - b.placement[axis]);
  const last = cells.at(-1)!;
  const used = cells.reduce((sum, { span }) => sum + span, 0);
  const isFull = cells.length === here.length && cells.length > 1;
  const spare = isFull ? (to - level[axis] - used + last.board) / cells.length : 0;
  let at = level[axis];
  for (const each of cells) {
    const { placement, index, cell, span } = each;
    const isLast = isFull && each === last;
    const inside = round(isLast ? to - at : span - each.board + spare);
    moved[index] = {
      ...placement,
      [axis]: round(at),
      cell: {
        ...cell,
        ...(turned ? { width: inside } : { depth: inside }),
        ...(isLast ? { wall: true } : {}),
      },
    };
    at = round(at + inside + each.board);
  }
  return moved;
}

const isOn = (level: Level, { on, x, y, z }: Placement): boolean =>
  on === level.on &&
  x >= level.x - 1e-3 &&
  x < level.x + level.width &&
  y >= level.y - 1e-3 &&
  y < level.y + level.depth &&
  z >= level.z - 1e-3 &&
  z < level.z + level.height;
const round = (mm: number): number => Math.round(mm * 1e6) / 1e6;
