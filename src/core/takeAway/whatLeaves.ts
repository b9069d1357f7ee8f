import { leavingStatesOf, type Carry, type LeavingState, type Thing } from '../sort';
import type { CautionCode } from '../things';
import type { HaulDestination, Handover, Leaving } from './model';
import { placesFor, takesByItself, type Place } from './placesFor';
import { isFluid, isFragileThing, rulesOf, streamOf, type Rule, type Stream } from './streams';

/** Something that leaves and has not been handed over. */
export interface LeavingThing {
  readonly thing: Thing;
  readonly stream: Stream;
  readonly state: Exclude<LeavingState, 'gone'>;
  /** When it was decided, or carried to the door. */
  readonly since: string;
  readonly isFragile: boolean;
  readonly isFluid: boolean;
  readonly rules: readonly Rule[];
  /** Goes in the bin by its verdict, and must not. */
  readonly isWrongBin: boolean;
  /** A device, and nobody has said that its data are wiped. */
  readonly needsWiping: boolean;
  readonly places: readonly Place[];
  /** Where it goes: as somebody wants it, else the nearest that takes it; undefined where nobody does. */
  readonly place: Place | undefined;
  readonly isChosen: boolean;
  /** Why it was not taken when it was last brought somewhere. */
  readonly refused:
    { readonly by: string; readonly reason: string; readonly at: string } | undefined;
}

export interface LeavingFacts {
  readonly things: readonly Thing[];
  readonly carries: readonly Carry[];
  readonly destinations: readonly HaulDestination[];
  readonly leaving: Leaving;
  readonly handovers: readonly Handover[];
}

/** How many pieces of each pile were handed over. */
export function handedCounts(handovers: readonly Handover[]): ReadonlyMap<string, number> {
  const counts = new Map<string, number>();
  for (const { thingId, count } of handovers.flatMap(({ lines }) => lines))
    counts.set(thingId, (counts.get(thingId) ?? 0) + count);
  return counts;
}

/** So many pieces of a pile, with their share of litres and grams. */
export const partOf = (thing: Thing, count: number): Thing =>
  count === thing.count
    ? thing
    : {
        ...thing,
        count,
        litres: (thing.litres * count) / thing.count,
        massG: (thing.massG * count) / thing.count,
      };

const BIN_NEVER: ReadonlySet<CautionCode> = new Set([
  'medicine',
  'battery',
  'hazardous_waste',
  'gas',
  'electrical',
  'sharps',
  'licensed',
]);

/** Everything that waits to leave, the longest waiting first. */
export function whatLeaves({
  things,
  carries,
  destinations,
  leaving,
  handovers,
}: LeavingFacts): LeavingThing[] {
  const states = leavingStatesOf(things, carries);
  const carriedAt = new Map(
    carries.flatMap((carry) => carry.thingIds.map((id) => [id as string, carry.carriedAt])),
  );
  const choices = new Map(leaving.choices.map((choice) => [choice.thingId, choice.destinationId]));
  const refusals = new Map(
    [...handovers]
      .sort((a, b) => a.at.localeCompare(b.at))
      .flatMap(({ refused, destinationName, destinationId, at }) =>
        refused.map(
          ({ thingId, reason }) =>
            [thingId, { by: destinationName, destinationId, reason, at }] as const,
        ),
      ),
  );
  const handed = handedCounts(handovers);
  return things
    .flatMap((whole): LeavingThing[] => {
      const stream = streamOf(whole);
      const state = states.get(whole.id);
      const left = whole.count - (handed.get(whole.id) ?? 0);
      if (stream === undefined || state === undefined || state === 'gone' || left <= 0) return [];
      const thing = partOf(whole, left);
      const refused = refusals.get(thing.id);
      const places = placesFor(destinations, leaving, { stream, asked: thing });
      // Who refused it once is not asked again, unless somebody wants that.
      const willing = places.filter(
        ({ refusal, destination }) =>
          refusal === undefined &&
          takesByItself(destination, stream) &&
          destination.id !== refused?.destinationId,
      );
      const chosenId = choices.get(thing.id);
      const chosen = places.find(({ destination }) => destination.id === chosenId);
      const cautions = thing.cautions ?? [];
      return [
        {
          thing,
          stream,
          state,
          since:
            state === 'by_the_door'
              ? (carriedAt.get(thing.id) ?? thing.decidedAt)
              : thing.decidedAt,
          isFragile: isFragileThing(thing),
          isFluid: isFluid(thing.name),
          rules: rulesOf(thing.name, cautions),
          isWrongBin: stream === 'bin' && cautions.some((code) => BIN_NEVER.has(code)),
          needsWiping: cautions.includes('data_device') && !leaving.wipedIds.includes(thing.id),
          places,
          place: chosen ?? willing[0],
          isChosen: chosen !== undefined,
          refused,
        },
      ];
    })
    .sort((a, b) => a.since.localeCompare(b.since) || a.thing.id.localeCompare(b.thing.id));
}

/** What goes to one destination, or to none yet, by stream. */
export interface LeavingShare {
  readonly destination: HaulDestination | undefined;
  readonly stream: Stream;
  readonly things: readonly LeavingThing[];
  readonly litres: number;
  readonly massG: number;
  readonly fragileCount: number;
  readonly byTheDoorCount: number;
  readonly since: string;
}

/** By destination, those without one last; by stream where nobody takes it. */
export function sharesOf(leaving: readonly LeavingThing[]): LeavingShare[] {
  const shares = new Map<string, LeavingThing[]>();
  for (const each of leaving) {
    const key = each.place ? each.place.destination.id : `no ${each.stream}`;
    shares.set(key, [...(shares.get(key) ?? []), each]);
  }
  return [...shares.values()]
    .map((things): LeavingShare => {
      const [first] = things;
      return {
        destination: first?.place?.destination,
        stream: first?.stream ?? 'give',
        things,
        litres: things.reduce((sum, { thing }) => sum + thing.litres, 0),
        massG: things.reduce((sum, { thing }) => sum + thing.massG, 0),
        fragileCount: things.filter(({ isFragile }) => isFragile).length,
        byTheDoorCount: things.filter(({ state }) => state === 'by_the_door').length,
        since: first?.since ?? '',
      };
    })
    .sort(
      (a, b) =>
        Number(a.destination === undefined) - Number(b.destination === undefined) ||
        b.litres - a.litres,
    );
}
