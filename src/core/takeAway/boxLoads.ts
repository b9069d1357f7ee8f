import { MOST_ABOVE_FRAGILE_G, type HaulBox, type HaulRequest, type Load } from './haulModel';
import { PACK_TOLERANCE, packPlainly, packVectors, type PackProblem } from './packVectors';

/** A box as the car sees it. */
export interface Parcel extends HaulBox {
  /** In the order of the request's destinations. */
  readonly place: number;
  /** What it takes in the car: a box its size, full or not; a larger load its own. */
  readonly carLitres: number;
}
export interface Boxing {
  readonly parcels: readonly Parcel[];
  /** Proven, a destination each: none can be packed into fewer. */
  readonly bounds: readonly number[];
}

/** Larger or heavier than a box may be: it travels by itself. */
export const isOwnParcel = ({ litres, massG }: Load, { box }: HaulRequest): boolean =>
  litres > box.litres + PACK_TOLERANCE || massG > box.maxG + PACK_TOLERANCE;

/** From the bottom up: what bears by its weight, then what is fragile, the heaviest first. */
export const bottomUp = (loads: readonly Load[]): Load[] =>
  [...loads].sort(
    (x, y) =>
      Number(x.fragile) - Number(y.fragile) || y.massG - x.massG || x.id.localeCompare(y.id),
  );

/** What stands on the lowest fragile load, and on each above it at most as much. */
export function mostAboveFragileG(loads: readonly Load[]): number {
  let above = 0;
  let most = 0;
  for (const { fragile, massG } of [...loads].reverse()) {
    if (fragile) most = Math.max(most, above);
    above += massG;
  }
  return most;
}

/** Boxes for each destination by itself; what is packed stays, what is larger goes alone. */
export function boxLoads(
  request: HaulRequest,
  {
    isOver,
    isPlain = false,
  }: { readonly isOver: (place: number) => boolean; readonly isPlain?: boolean },
): Boxing {
  const { loads, box, destinations, packed = [], conflicts = [] } = request;
  const byId = new Map(loads.map((load) => [load.id, load]));
  const isPacked = new Set(packed.flatMap(({ loadIds }) => loadIds));
  const foesOf = new Map<string, Set<string>>(loads.map(({ id }) => [id, new Set()]));
  for (const { a, b } of conflicts) {
    foesOf.get(a)?.add(b);
    foesOf.get(b)?.add(a);
  }
  const parcelOf = (list: readonly Load[], place: number): Parcel => {
    const litres = list.reduce((sum, load) => sum + load.litres, 0);
    return {
      place,
      destinationId: destinations[place]!.id,
      loadIds: list.map(({ id }) => id),
      massG: list.reduce((sum, load) => sum + load.massG, 0),
      litres,
      carLitres: Math.max(box.litres, litres),
    };
  };
  const parcels: Parcel[] = [];
  const bounds = destinations.map(({ id }, place) => {
    const stay = packed.filter(({ destinationId }) => destinationId === id);
    const open = loads.filter((load) => load.destinationId === id && !isPacked.has(load.id));
    const alone = open.filter((load) => isOwnParcel(load, request));
    const small = open.filter((load) => !isOwnParcel(load, request));
    const indexOf = new Map(small.map((load, i) => [load.id, i]));
    const problem: PackProblem = {
      items: small.map(({ litres, massG, fragile }) => ({ a: litres, b: massG, fragile })),
      mostA: box.litres,
      mostB: box.maxG,
      mostAbove: MOST_ABOVE_FRAGILE_G,
      foes: small.map(
        (load) =>
          new Set([...(foesOf.get(load.id) ?? [])].flatMap((foe) => indexOf.get(foe) ?? [])),
      ),
    };
    const { bins, bound } = isPlain
      ? { bins: packPlainly(problem), bound: 0 }
      : packVectors(problem, { seed: request.seed, isOver: () => isOver(place) });
    parcels.push(
      ...stay.map(({ loadIds }) =>
        parcelOf(
          loadIds.flatMap((loadId) => byId.get(loadId) ?? []),
          place,
        ),
      ),
      ...alone.map((load) => parcelOf([load], place)),
      ...bins.map((bin) => parcelOf(bottomUp(bin.map((i) => small[i]!)), place)),
    );
    return stay.length + alone.length + bound;
  });
  return { parcels, bounds };
}
