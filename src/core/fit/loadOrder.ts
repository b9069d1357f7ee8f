import { bearingsOf, groundOf } from './levels';
import {
  hangingRoles,
  type FitAnswer,
  type FitContainer,
  type FitRequest,
  type Placement,
} from './model';
import { roleOf } from './suitability';

/**
 * The order in which containers go in, by their index: what stands behind and below first, from the left, so that
 * nothing that stands is moved again. Requires: placements that keep the rules. O(n log n).
 */
export const loadOrder = (placements: readonly Placement[]): number[] =>
  placements
    .map((_, i) => i)
    .sort((a, b) => {
      const [one, other] = [placements[a]!, placements[b]!];
      return other.y - one.y || one.z - other.z || one.x - other.x || a - b;
    });

/** What a person calls one level of a place, with what stands on it by its index. Heights mm above the bay's bottom. */
export interface NamedLevel {
  readonly name: string;
  readonly zMm: number;
  /** What bears it; undefined for the floor of the place and for what hangs. */
  readonly container: FitContainer | undefined;
  readonly indexes: readonly number[];
}

type Stood = Pick<FitAnswer, 'placements' | 'surfaces'>;

const BEARER_WORDS: Readonly<Record<string, string>> = {
  riser: 'On the riser',
  turntable: 'On the turntable',
  'pull-out': 'In the pull-out',
  box: 'In the container',
};

/** The floor first, then each surface from the lowest, what hangs last; only those with something on them. */
export function listLevels(
  request: FitRequest,
  { placements, surfaces = [] }: Stood,
): NamedLevel[] {
  const isHung = ({ containerId }: Placement): boolean => {
    const container = request.containers.find(({ id }) => id === containerId);
    return container !== undefined && hangingRoles.has(roleOf(container));
  };
  const all = placements.map((placement, index) => ({ placement, index }));
  const of = (belongs: (placement: Placement) => boolean): number[] =>
    all.filter(({ placement }) => belongs(placement)).map(({ index }) => index);
  const raised = bearingsOf(request, surfaces)
    .map(({ surface, index, container }) => ({
      role: roleOf(container),
      zMm: surface.z + groundOf(container),
      container,
      indexes: of(({ on }) => on === index),
    }))
    .sort((a, b) => a.zMm - b.zMm);
  // Of several alike each says its number.
  const named = raised.map((level, i): NamedLevel => {
    const alike = raised.filter(({ role }) => role === level.role).length;
    const turn = raised.slice(0, i + 1).filter(({ role }) => role === level.role).length;
    const words = BEARER_WORDS[level.role] ?? 'On it';
    return { ...level, name: alike > 1 ? `${words}, ${turn}` : words };
  });
  const levels: NamedLevel[] = [
    {
      name: 'On the floor of the place',
      zMm: request.bay.falseFloor ?? 0,
      container: undefined,
      indexes: of((placement) => placement.on === undefined && !isHung(placement)),
    },
    ...named,
    {
      name: 'Hanging from the shelf above',
      zMm: 0,
      container: undefined,
      indexes: of((placement) => placement.on === undefined && isHung(placement)),
    },
  ];
  return levels.filter(({ indexes }) => indexes.length > 0);
}

/** Where the label of a container faces. */
export type LabelFace = 'front' | 'outward' | 'above';

/** On a turntable outward; in a drawer, a pull-out or a box on top; everywhere else to the front. */
export function labelFaceOf(
  request: FitRequest,
  { placements, surfaces = [] }: Stood,
  index: number,
): LabelFace {
  if (request.bay.pullOut) return 'above';
  const on = placements[index]?.on;
  const bearer = bearingsOf(request, surfaces).find((each) => each.index === on);
  if (!bearer) return 'front';
  const role = roleOf(bearer.container);
  if (role === 'turntable') return 'outward';
  return role === 'riser' ? 'front' : 'above';
}
