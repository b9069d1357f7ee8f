import type { Thing } from '../sort';
import type { FairValue, HandoverLine, HaulBox, Sale } from './model';
import type { Stream } from './streams';

/** A fair value each by the first row whose words a name has; undefined where nobody assumed any. */
export function fairValueOf(name: string, values: readonly FairValue[]): FairValue | undefined {
  const said = name.toLowerCase();
  return [...values]
    .sort((a, b) => b.words.length - a.words.length)
    .find(({ words }) => said.includes(words.toLowerCase().replace(/s$/, '')));
}

/** What a box or several hold, as lines of a handover. */
export function linesOf(
  boxes: readonly Pick<HaulBox, 'loads'>[],
  things: readonly Thing[],
  values: readonly FairValue[],
): HandoverLine[] {
  const counts = new Map<string, number>();
  for (const { thingId, count } of boxes.flatMap(({ loads }) => loads))
    counts.set(thingId, (counts.get(thingId) ?? 0) + count);
  return [...counts].flatMap(([id, count]): HandoverLine[] => {
    const thing = things.find((each) => each.id === id);
    if (!thing) return [];
    const share = count / thing.count;
    const value = fairValueOf(thing.name, values);
    return [
      {
        thingId: thing.id,
        roomId: thing.roomId,
        name: thing.name,
        count,
        litres: thing.litres * share,
        massG: thing.massG * share,
        condition: conditionOf(thing),
        value: value ? { lowMinor: value.lowMinor, highMinor: value.highMinor } : null,
      },
    ];
  });
}

const WORN = new Set(['worn_out', 'broken', 'incomplete']);
/** As far as its reasons say. */
export const conditionOf = ({ reasons }: Thing): HandoverLine['condition'] => {
  if (reasons.some((reason) => WORN.has(reason))) return 'worn';
  return reasons.some((reason) => reason === 'never_used') ? 'as_new' : 'unknown';
};

export interface GivenSum {
  readonly count: number;
  readonly massG: number;
  /** Of lines with a value; lines without are counted beside. */
  readonly lowMinor: number;
  readonly highMinor: number;
  readonly unvaluedCount: number;
}
export function sumGiven(lines: readonly HandoverLine[]): GivenSum {
  return lines.reduce<GivenSum>(
    (sum, { count, massG, value }) => ({
      count: sum.count + count,
      massG: sum.massG + massG,
      lowMinor: sum.lowMinor + count * (value?.lowMinor ?? 0),
      highMinor: sum.highMinor + count * (value?.highMinor ?? 0),
      unvaluedCount: sum.unvaluedCount + (value ? 0 : count),
    }),
    { count: 0, massG: 0, lowMinor: 0, highMinor: 0, unvaluedCount: 0 },
  );
}

export const isGift = (stream: Stream): boolean => stream === 'give' || stream === 'textile';

export type SaleState = 'asked' | 'reserved' | 'sold' | 'overdue' | 'to_offer';
export function saleStateOf(
  { soldMinor, reservedFor, byDay, askingMinor, offeredAt }: Sale,
  today: string,
): SaleState {
  if (soldMinor !== null) return 'sold';
  if (byDay !== null && byDay < today) return 'overdue';
  if (reservedFor !== '') return 'reserved';
  return askingMinor === null || offeredAt === '' ? 'to_offer' : 'asked';
}

/** What sales brought the client, after fees. */
export const soldMinorOf = (sales: readonly Sale[]): number =>
  sales.reduce(
    (sum, { soldMinor, feeMinor }) => sum + (soldMinor === null ? 0 : soldMinor - feeMinor),
    0,
  );
