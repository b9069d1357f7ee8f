import type { GroupId } from '../shared';
import {
  createThingReader,
  type CautionCode,
  type CountUnit,
  type Figure,
  type GoesTo,
  type Known,
  type OwnKind,
  type Reason,
  type ThingRead,
} from '../things';
import { vocabulary } from '../things/vocabulary';
import type { Thing } from './model';

/** What a typed line was understood as. */
export interface ParsedThing {
  readonly count: number;
  readonly unit: CountUnit;
  /** The words without their number, as they will be shown. */
  readonly name: string;
  readonly kindId: string | undefined;
  readonly reasons: readonly Reason[];
  readonly groupId: GroupId | undefined;
  /** For all pieces. */
  readonly litres: number;
  readonly massG: number;
  readonly ranges: NonNullable<Thing['ranges']>;
  readonly uprightMm: number | undefined;
  readonly longestMm: number | undefined;
  readonly cautions: readonly CautionCode[];
  readonly goesTo: readonly GoesTo[];
  readonly mustAsk: string | undefined;
  /** The day on its pack, where one was named. */
  readonly expiresOn: string | undefined;
}

/** Reads lines at a bench: made once for its groups, wishes and the organizer's own kinds. */
export function createParser(
  known: Known<GroupId>,
  own: readonly OwnKind[] = [],
): (typed: string) => ParsedThing | undefined {
  const read = createThingReader(vocabulary, own, known);
  return (typed) => {
    const found = read(typed);
    return found && toParsed(found);
  };
}

const rangeOf = ({ low, high, from }: Figure) => ({ low, high, from });

const toParsed = (found: ThingRead<GroupId>): ParsedThing => ({
  count: found.count,
  unit: found.unit,
  name: found.name,
  kindId: found.kindId,
  reasons: found.reasons,
  groupId: found.groupId,
  litres: found.litres.value,
  massG: found.massG.value,
  ranges: { litres: rangeOf(found.litres), massG: rangeOf(found.massG) },
  uprightMm: found.uprightMm,
  longestMm: found.longestMm,
  cautions: found.cautions,
  goesTo: found.goesTo,
  mustAsk: found.mustAsk,
  expiresOn: found.expiresOn,
});

/** Reads one line by itself. */
export const parseThing = (
  typed: string,
  known: Known<GroupId> = {},
  own: readonly OwnKind[] = [],
): ParsedThing | undefined => createParser(known, own)(typed);

/** The facts of a parsed thing as its decision keeps them. */
export const factsOf = (parsed: ParsedThing) => ({
  unit: parsed.unit,
  ranges: parsed.ranges,
  cautions: [...parsed.cautions],
  goesTo: [...parsed.goesTo],
  ...(parsed.kindId === undefined ? {} : { kindId: parsed.kindId.slice(0, 80) }),
  ...(parsed.uprightMm === undefined ? {} : { uprightMm: parsed.uprightMm }),
  ...(parsed.longestMm === undefined ? {} : { longestMm: parsed.longestMm }),
  ...(parsed.mustAsk === undefined ? {} : { mustAsk: parsed.mustAsk }),
  ...(parsed.expiresOn === undefined ? {} : { expiresOn: parsed.expiresOn }),
});
