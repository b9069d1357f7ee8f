import type { ThingId } from '../shared';
import type { CautionCode } from '../things';
import { personOf } from './destination';
import type { Thing } from './model';
import type { Carry } from './sessionModel';
import { addUp, type Amount } from './tally';
import { wayOutOf } from './codes';
import { isGone, traitsOf, type Verdict } from './verdicts';

/** Decided, and still in the room; in a box by the door; out of the home. */
export type LeavingState = 'decided' | 'by_the_door' | 'gone';

/** A box by the door: what must not mix has one each. */
export interface DoorBox {
  readonly verdict: Verdict;
  /** The way out, the person or the room that it goes to; empty where all of the verdict go together. */
  readonly toward: string;
}
export const boxKey = ({ verdict, toward }: DoorBox): string => `${verdict}|${toward}`;

/** The box that a thing goes into; undefined where it stays or is not decided. */
export function boxOf(thing: Thing): DoorBox | undefined {
  if (!isGone(thing)) return undefined;
  const { verdict, to } = thing;
  switch (traitsOf(verdict).asks) {
    case 'way_out':
      return { verdict, toward: wayOutOf(to) ?? to };
    case 'person':
      return { verdict, toward: personOf(thing) ?? to };
    case 'room':
      return { verdict, toward: to };
    case 'day':
    case undefined:
      return { verdict, toward: '' };
  }
}

const stateOf = (carry: Carry): LeavingState => (carry.goneAt === null ? 'by_the_door' : 'gone');

/**
 * How far every thing that leaves its room has come. A thing stands where the last record that names it has
 * it, as long as it goes into that record's box. Records of older versions name no things, but a verdict
 * and litres: the oldest of that verdict are taken for them. O(things × records of older versions + all).
 */
export function leavingStatesOf(
  things: readonly Thing[],
  carries: readonly Carry[],
): ReadonlyMap<ThingId, LeavingState> {
  const states = new Map<ThingId, LeavingState>();
  const boxes = new Map(things.map((thing) => [thing.id, boxOf(thing)]));
  for (const thing of things) if (boxes.get(thing.id)) states.set(thing.id, 'decided');
  for (const carry of carries) {
    const named = carry.thingIds.length > 0 ? carry.thingIds : oldestFor(carry, things, states);
    for (const id of named) {
      const box = boxes.get(id);
      if (box && carry.verdict === box.verdict) states.set(id, stateOf(carry));
    }
  }
  return states;
}

/** The things that an unnamed record is taken for: the oldest of its verdict, up to its litres. */
function oldestFor(
  carry: Carry,
  things: readonly Thing[],
  states: ReadonlyMap<ThingId, LeavingState>,
): ThingId[] {
  if (carry.verdict === null) return [];
  const before = things
    .filter(
      ({ id, verdict, roomId, decidedAt }) =>
        verdict === carry.verdict &&
        roomId === carry.roomId &&
        decidedAt <= carry.carriedAt &&
        states.get(id) === 'decided',
    )
    .sort((a, b) => a.decidedAt.localeCompare(b.decidedAt));
  const ids: ThingId[] = [];
  let left = carry.litres + 0.01;
  for (const { id, litres } of before) {
    if (litres > left) continue;
    left -= litres;
    ids.push(id);
  }
  return ids;
}

/** What has left, and what only waits. */
export type LeavingSums = Readonly<Record<'decided' | 'byTheDoor' | 'gone', Amount>>;

/** Sums by how far things have come, of those that `counts` takes. */
export function sumLeaving(
  things: readonly Thing[],
  states: ReadonlyMap<ThingId, LeavingState>,
  counts: (thing: Thing) => boolean = isGone,
): LeavingSums {
  const of = (state: LeavingState) =>
    addUp(things.filter((thing) => counts(thing) && states.get(thing.id) === state));
  return { decided: of('decided'), byTheDoor: of('by_the_door'), gone: of('gone') };
}

/** What stands in a box now, still in the room, and what its things call for on their way. */
export interface OpenBox extends DoorBox, Amount {
  readonly cautions: readonly CautionCode[];
}

/** Everything that several things call for, each once. */
export const cautionsOfAll = (
  parts: readonly { readonly cautions?: readonly CautionCode[] | undefined }[],
): readonly CautionCode[] => [...new Set(parts.flatMap(({ cautions = [] }) => cautions))];

/** Boxes with something in them, by key: of what is decided and not carried out. O(things). */
export function openBoxesOf(
  things: readonly Thing[],
  states: ReadonlyMap<ThingId, LeavingState>,
): ReadonlyMap<string, OpenBox> {
  const boxes = new Map<string, OpenBox>();
  for (const thing of things) {
    const box = boxOf(thing);
    if (!box || states.get(thing.id) !== 'decided') continue;
    const known = boxes.get(boxKey(box));
    const parts = known ? [known, thing] : [thing];
    boxes.set(boxKey(box), { ...box, ...addUp(parts), cautions: cautionsOfAll(parts) });
  }
  return boxes;
}

/** Boxes of two parts of a room together. */
export function addBoxes(parts: readonly (readonly OpenBox[])[]): OpenBox[] {
  const boxes = new Map<string, OpenBox>();
  for (const box of parts.flat()) {
    const known = boxes.get(boxKey(box));
    const parts = known ? [known, box] : [box];
    boxes.set(boxKey(box), { ...box, ...addUp(parts), cautions: cautionsOfAll(parts) });
  }
  return [...boxes.values()];
}
