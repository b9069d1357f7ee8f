import { estimateSection, UNCALIBRATED_HOURS } from '../agree';
import { isFirstTry, roomDoneOn, type PutAwayTest, type Review, type WalkLine } from '../again';
import type { ContainerProduct, TakenFit } from '../fit';
import type { Labeling } from '../labels';
import type { SetUp } from '../setUp';
import type { BayId, Outcome, RoomId } from '../shared';
import type { Purchase } from '../shop';
import { createParser, findShippedKind, keptLitresOf, type Group, type Thing } from '../sort';
import { addUpHours } from '../visits';
import type { HomeOutcomes, RoomOutcome } from './model';
import { sectionFactsOf, type SectionRecords } from './sectionFacts';

/** Everything of a home that something is learnt from. */
export interface LearnRecords extends SectionRecords {
  readonly containers: readonly ContainerProduct[];
  readonly fits: readonly TakenFit[];
  readonly groups: readonly Group[];
  readonly labelings: readonly Labeling[];
  readonly purchases: readonly Purchase[];
  readonly putAwayTests: readonly PutAwayTest[];
  readonly reviews: readonly Review[];
  readonly setUps: readonly SetUp[];
  readonly things: readonly Thing[];
}

/**
 * What a home shows of how things go, beside what the assumptions alone say of it, whatever has been learnt since.
 * Litres, minutes, minor units. O(records + places looked at × records of a place).
 */
export function outcomesOf(records: LearnRecords): HomeOutcomes {
  return {
    rooms: roomOutcomes(records),
    tasks: taskOutcomes(records.setUps),
    sizes: sizeOutcomes(records.things),
    places: looked(records).map(({ on, line }) => ({
      on,
      litres: placeLitres(line, records),
      isOverfull: line.marks.includes('overfull'),
      isHalfEmpty: line.marks.includes('half_empty'),
    })),
    containers: containerOutcomes(records),
    labels: labelOutcomes(records),
    searches: searchOutcomes(records),
  };
}

function roomOutcomes(records: LearnRecords): RoomOutcome[] {
  const facts = sectionFactsOf(records);
  const { byRoom } = addUpHours(records.rooms, records.sections, records.visits);
  return records.rooms.flatMap((room): RoomOutcome[] => {
    const on = roomDoneOn(room.id, records);
    if (on === undefined) return [];
    const own = facts.filter(({ section }) => section.roomId === room.id && section.inScope);
    const estimates = own.map((each) =>
      estimateSection(each, records.project.terms, UNCALIBRATED_HOURS),
    );
    const hours = byRoom.get(room.id);
    const contents = new Set(own.map(({ section }) => section.content));
    return [
      {
        on,
        roomId: room.id,
        roomName: room.name,
        homeName: records.project.name,
        content: contents.size === 1 ? [...contents][0] : undefined,
        minutes: pairOf(
          estimates.reduce((sum, { likelyMinutes }) => sum + likelyMinutes, 0),
          hours?.minutes ?? 0,
        ),
        litres: pairOf(
          estimates.reduce((sum, { fullLitres }) => sum + fullLitres, 0),
          litresIn(room.id, records),
        ),
        moneyMinor: moneyOf(room.id, records.purchases),
        currency: records.project.currency,
      },
    ];
  });
}

/** Undefined where one of the two is not known. */
const pairOf = (estimated: number, actual: number): Outcome | undefined =>
  estimated > 0 && actual > 0 ? { estimated, actual } : undefined;

/** All that was in hand there, whatever became of it, and what was measured as a heap. */
const litresIn = (roomId: RoomId, { things, groups }: LearnRecords): number =>
  things.reduce((sum, thing) => sum + (thing.roomId === roomId ? thing.litres : 0), 0) +
  groups.reduce((sum, group) => sum + (group.roomId === roomId ? group.uncountedLitres : 0), 0);

function moneyOf(roomId: RoomId, purchases: readonly Purchase[]): Outcome | undefined {
  const listed = purchases.filter(
    (purchase) => purchase.roomId === roomId && purchase.expectedMinor !== null,
  );
  return pairOf(
    listed.reduce((sum, { expectedMinor }) => sum + (expectedMinor ?? 0), 0),
    listed.reduce((sum, { paidMinor }) => sum + paidMinor, 0),
  );
}

const taskOutcomes = (setUps: readonly SetUp[]): HomeOutcomes['tasks'] =>
  setUps.flatMap(({ id: roomId, done }) =>
    done.flatMap(({ kind, doneAt, tookMinutes, listedMinutes }) => {
      const pair = pairOf(listedMinutes ?? 0, tookMinutes ?? 0);
      return pair ? [{ roomId, kind, on: doneAt.slice(0, 10), ...pair }] : [];
    }),
  );

/**
 * Things of shipped kinds whose litres somebody typed. What was told with the thing ("a pot of 5 l") is the size of
 * that one and says nothing of the kind.
 */
function sizeOutcomes(things: readonly Thing[]): HomeOutcomes['sizes'] {
  const typed = things.filter(({ ranges }) => ranges?.litres.from === 'typed');
  if (typed.length === 0) return [];
  const parse = createParser({});
  return typed.flatMap(({ name, count, kindId, litres, decidedAt }) => {
    const read = parse(`${count} ${name}`);
    if (kindId === undefined || read?.kindId !== kindId || !findShippedKind(kindId)) return [];
    if (read.ranges.litres.from !== 'kind' || read.count !== count) return [];
    const pair = pairOf(read.litres, litres);
    return pair ? [{ kindId, on: decidedAt.slice(0, 10), ...pair }] : [];
  });
}

interface LookedAt {
  readonly on: string;
  readonly line: WalkLine;
}
const looked = ({ reviews }: LearnRecords): LookedAt[] =>
  reviews.flatMap(({ doneOn, dueOn, lines }) =>
    lines.map((line) => ({ on: doneOn ?? dueOn, line })),
  );

function placeLitres(
  { bayId, litresFound }: WalkLine,
  { groups, things }: LearnRecords,
): Outcome | undefined {
  const planned = groups
    .filter((group) => group.bayId === bayId)
    .reduce((sum, group) => sum + keptLitresOf(group, things), 0);
  return pairOf(planned, litresFound ?? 0);
}

function containerOutcomes(records: LearnRecords): HomeOutcomes['containers'] {
  const products = new Map(records.containers.map((product) => [product.id, product]));
  return looked(records).flatMap(({ on, line: { bayId, marks } }) => {
    const fit = records.fits.find((each) => each.bayId === bayId);
    const here = new Set((fit?.answer.placements ?? []).map(({ containerId }) => containerId));
    const own = records.containers.filter(({ id }) => here.has(id));
    const lidded = own.filter(({ lid }) => lid);
    return own.flatMap(({ id }) => {
      const product = products.get(id);
      if (!product) return [];
      return [
        {
          on,
          containerId: id,
          name: product.name,
          isUsed: marks.includes('container_unused') ? only(own.length, false) : true,
          hasLid: product.lid,
          isLidOff: marks.includes('lid_off') ? only(lidded.length, true) : false,
        },
      ];
    });
  });
}
/** What was noted of a place is known of a container where it is the only one that can be meant. */
const only = (count: number, is: boolean): boolean | undefined => (count === 1 ? is : undefined);

function labelOutcomes(records: LearnRecords): HomeOutcomes['labels'] {
  return looked(records).flatMap(({ on, line: { bayId, marks } }) => {
    const media = new Set(madeIn(bayId, records).map(({ medium }) => medium));
    return [...media].map((medium) => ({ on, medium, isMissing: marks.includes('label_missing') }));
  });
}

const madeIn = (bayId: BayId, { labelings }: LearnRecords) =>
  labelings.flatMap(({ made }) => made).filter((label) => label.bayId === bayId);

const searchOutcomes = (records: LearnRecords): HomeOutcomes['searches'] =>
  records.putAwayTests.flatMap(({ at, items }) =>
    items.map((item) => ({
      on: at.slice(0, 10),
      isFirst: isFirstTry(item),
      isLabelled: madeIn(item.meantBayId, records).some(
        ({ groupId, madeAt }) => groupId === item.groupId && madeAt < at,
      ),
    })),
  );
