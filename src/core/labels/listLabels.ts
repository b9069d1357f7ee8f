import type { Person, PersonMark } from '../agree';
import type { ContainerProduct, Placement, TakenFit } from '../fit';
import { bayInsideOf, layOutUnit, sightLineMm, type Bay, type Unit } from '../look';
import type { Group } from '../sort';
import { labelKeyOf, type LabelChoice, type LabelRef } from './model';
import { pictureFor, type PictureName } from './pictures';

/** Where on a thing its label goes, so that it is seen by whoever puts away. */
export type LabelSide = 'front' | 'top' | 'shelf edge';

/** A label that a room wants, with the place it goes to. Lengths in mm. */
export interface LabelSpot {
  readonly key: string;
  readonly ref: LabelRef;
  readonly name: string;
  readonly second: string;
  readonly on: 'container' | 'jar' | 'shelf';
  readonly containerName: string | undefined;
  readonly bayName: string;
  readonly unitName: string;
  readonly side: LabelSide;
  /** Room for it there. */
  readonly widthMm: number;
  readonly heightMm: number;
  /** From the eye of the person who stands farthest from it. */
  readonly distanceMm: number;
  readonly readBy: string | undefined;
  readonly mark: PersonMark | undefined;
  readonly picture: PictureName | undefined;
  /** As somebody chose it; null: by who uses it. */
  readonly chosenPicture: PictureName | null;
  readonly stock: 'open' | 'back' | undefined;
  /** What stands in the back row behind it. */
  readonly hides: readonly string[];
  readonly isTyped: boolean;
  readonly isLeftOut: boolean;
}

type Reader = Pick<Person, 'id' | 'name' | 'height' | 'labels' | 'mark'>;
export interface LabelFacts {
  readonly units: readonly Unit[];
  /** Groups that live in the room, with something in them. */
  readonly groups: readonly Group[];
  readonly fits: readonly TakenFit[];
  readonly products: readonly ContainerProduct[];
  readonly people: readonly Reader[];
  readonly choices: readonly LabelChoice[];
}

/** Boards of shelves are at least so thick; an assumption. */
const SHELF_EDGE_MM = 16;
/** A label leaves so much of a container's side free all round. */
const EDGE_MM = 4;
/** Nobody wants a label larger than this. */
const MOST_WIDTH_MM = 120;
const MOST_HEIGHT_MM = 60;
/** Where no person of the household is known: an assumption. */
const NOBODY_MM = 700;

/**
 * The labels that a room wants: one for each container of the taken fits, and one on the shelf's edge for each
 * group that stands without one. Each faces the side from which one puts away: the front; from above what is
 * in a drawer. It is read from the eyes of whoever uses the group and stands farthest from it.
 */
export function listLabels(facts: LabelFacts): readonly LabelSpot[] {
  return facts.units.flatMap((unit) => {
    const layout = layOutUnit(unit);
    return unit.bays
      .filter(({ outOfScope }) => !outOfScope)
      .flatMap((bay) => {
        const front = layout.ok
          ? layout.value.bays.find(({ bayId }) => bayId === bay.id)
          : undefined;
        const place = { unit, bay, zMm: front?.zMm ?? 1000 };
        const groups = facts.groups.filter(({ bayId }) => bayId === bay.id);
        const fit = facts.fits.find(({ bayId }) => bayId === bay.id);
        const inContainers = fit ? containerLabels(facts, place, fit, groups) : [];
        const others = groups.filter(
          ({ id }) => !inContainers.some(({ ref }) => ref.groupId === id),
        );
        return [
          ...inContainers,
          ...others.map((group) => shelfLabel(facts, place, group, others.length)),
        ];
      });
  });
}

interface Place {
  readonly unit: Unit;
  readonly bay: Bay;
  readonly zMm: number;
}

function containerLabels(
  facts: LabelFacts,
  place: Place,
  fit: TakenFit,
  groups: readonly Group[],
): LabelSpot[] {
  const standing = fit.answer.placements
    .flatMap((placement) => {
      const group = groups.find(({ id }) => id === placement.groupId);
      const product = facts.products.find(({ id }) => id === placement.containerId);
      return group && product ? [{ placement, group, product }] : [];
    })
    .sort(
      (a, b) =>
        a.placement.z - b.placement.z ||
        a.placement.y - b.placement.y ||
        a.placement.x - b.placement.x,
    );
  const counts = new Map<string, number>();
  return standing.map((each) => {
    const { placement, group, product } = each;
    const n = counts.get(group.id) ?? 0;
    counts.set(group.id, n + 1);
    const [width, depth] = sizeOf(each);
    const isJar = product.kind === 'jar';
    const side = place.bay.pullOut ? 'top' : 'front';
    const hides = standing.filter(
      (other) =>
        other.group.id !== group.id &&
        other.placement.z === placement.z &&
        other.placement.y >= placement.y + depth - 1 &&
        other.placement.x < placement.x + width &&
        other.placement.x + sizeOf(other)[0] > placement.x,
    );
    // What is round can be read over half of what it is wide.
    const faceMm = product.shape === 'round' && side === 'front' ? width * 0.7 : width;
    return spotOf(facts, place, group, {
      n,
      on: isJar ? 'jar' : 'container',
      containerName: product.name,
      side,
      faceMm: { width: faceMm, height: side === 'top' ? depth : product.height.mm },
      zMm: place.zMm + placement.z + product.height.mm * (side === 'top' ? 1 : 0.7),
      hides: [...new Set(hides.map((other) => other.group.name))],
    });
  });
}

/** How wide and deep it stands, of a compartment inside. */
const sizeOf = ({
  placement: { cell, turned },
  product: { width, depth },
}: {
  readonly placement: Placement;
  readonly product: ContainerProduct;
}): readonly [widthMm: number, depthMm: number] => {
  if (cell) return [cell.width, cell.depth];
  return turned ? [depth.mm, width.mm] : [width.mm, depth.mm];
};

const shelfLabel = (facts: LabelFacts, place: Place, group: Group, count: number): LabelSpot =>
  spotOf(facts, place, group, {
    n: null,
    on: 'shelf',
    containerName: undefined,
    side: place.bay.pullOut ? 'front' : 'shelf edge',
    faceMm: {
      width: bayInsideOf(place.bay).widthMm / count,
      height: place.bay.pullOut ? MOST_HEIGHT_MM : SHELF_EDGE_MM + 2 * EDGE_MM,
    },
    zMm: place.zMm,
    hides: [],
  });

/** Who reads a label: whoever uses the group, else everybody; and who of them stands farthest from it. */
function readersOf({ people }: LabelFacts, group: Group, zMm: number) {
  const users = people.filter(({ id }) => group.placing.userIds.includes(id));
  const readers = users.length > 0 ? users : people;
  const [farthest] = readers
    .map((reader) => ({ reader, mm: sightLineMm(zMm, reader.height.mm) }))
    .sort((a, b) => b.mm - a.mm);
  return { users, farthest, wantsPicture: readers.some(({ labels }) => labels === 'pictures') };
}

function spotOf(
  facts: LabelFacts,
  { unit, bay }: Place,
  group: Group,
  more: {
    readonly n: number | null;
    readonly on: LabelSpot['on'];
    readonly containerName: string | undefined;
    readonly side: LabelSide;
    readonly faceMm: { readonly width: number; readonly height: number };
    readonly zMm: number;
    readonly hides: readonly string[];
  },
): LabelSpot {
  const ref = { bayId: bay.id, groupId: group.id, n: more.n };
  const key = labelKeyOf(ref);
  const choice = facts.choices.find((each) => labelKeyOf(each) === key);
  const { users, farthest, wantsPicture } = readersOf(facts, group, more.zMm);
  return {
    key,
    ref,
    name: choice?.text ?? group.name,
    second: choice?.second ?? '',
    on: more.on,
    containerName: more.containerName,
    bayName: bay.name,
    unitName: unit.name,
    side: more.side,
    widthMm: clamp(more.faceMm.width - 2 * EDGE_MM, MOST_WIDTH_MM),
    heightMm: clamp(more.faceMm.height - 2 * EDGE_MM, MOST_HEIGHT_MM),
    distanceMm: Math.round(farthest?.mm ?? NOBODY_MM),
    readBy: farthest?.reader.name,
    // A bin of one person carries that person's mark.
    mark: users.length === 1 ? (users[0]?.mark ?? undefined) : undefined,
    picture: choice?.picture ?? (wantsPicture ? pictureFor(group.name) : undefined),
    chosenPicture: choice?.picture ?? null,
    stock: stockOf(group, facts.groups),
    hides: more.hides,
    isTyped: choice?.text !== undefined && choice.text !== null,
    isLeftOut: choice?.isLeftOut ?? false,
  };
}

const clamp = (mm: number, most: number): number => Math.max(5, Math.min(most, mm));

/** Back stock is said wherever there is some; open stock only where there is back stock of the same name. */
function stockOf(group: Group, groups: readonly Group[]): LabelSpot['stock'] {
  if (group.placing.isBackStock) return 'back';
  const isRefilled = groups.some(
    (other) =>
      other.placing.isBackStock &&
      (other.name === group.name || group.placing.withIds.includes(other.id)),
  );
  return isRefilled ? 'open' : undefined;
}
