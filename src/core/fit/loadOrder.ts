import { bearingsOf, groundOf } from './levels';
import { hangingRoles } from './codes';
import type { FitAnswer, FitContainer, FitRequest, Placement } from './model';
import { roleOf } from './suitability';

/** One thing that is put into a place: what bears others, or a container, by its index in the answer. */
export interface PutIn {
  readonly kind: 'surface' | 'container';
  readonly index: number;
}

/**
 * The order in which a place is filled: what stands behind and below first, from the left, so that nothing that stands is
 * moved again; what bears others before what is on it, and a turntable's plate full before the next one stands on it.
 * Requires: an answer that keeps the rules. O(n log n).
 */
export function putInOrder({ placements, surfaces = [] }: Stood): PutIn[] {
  const isBefore = (one: Spot, other: Spot): number =>
    other.y - one.y || one.z - other.z || one.x - other.x;
  const onTop = (on: number | undefined): PutIn[] => {
    const containers = placements
      .map((at, index) => ({ at, index, kind: 'container' as const }))
      .filter(({ at }) => at.on === on);
    const bearing = surfaces
      .map((at, index) => ({ at, index, kind: 'surface' as const }))
      .filter(({ at }) => at.on === on);
    const sorted =
      on === undefined
        ? [...containers, ...bearing].sort((a, b) => isBefore(a.at, b.at))
        : [...containers.sort((a, b) => isBefore(a.at, b.at)), ...bearing];
    return sorted.flatMap(({ kind, index }) => [
      { kind, index },
      ...(kind === 'surface' ? onTop(index) : []),
    ]);
  };
  return onTop(undefined);
}
interface Spot {
  readonly x: number;
  readonly y: number;
  readonly z: number;
}

/** What the words of a level are told from. */
export type Place = Pick<FitRequest, 'containers'> & {
  readonly bay: Pick<FitRequest['bay'], 'pullOut' | 'falseFloor'>;
};

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
export function listLevels(request: Place, { placements, surfaces = [] }: Stood): NamedLevel[] {
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
  request: Place,
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
