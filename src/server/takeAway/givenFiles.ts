import 'server-only';

import { formatMoneyInput, type Currency } from '@/core/shared';
import { isGift, sumGiven, type Handover } from '@/core/takeAway';
import { writeCsvTable } from '../exchange/csvTable';

/** The year of this machine's calendar in which something was handed over. */
export const yearOf = (at: string): number => new Date(at).getFullYear();

/** Handed over in a year, gifts before the rest, the latest first. */
export const handedOverIn = (handovers: readonly Handover[], year: number): Handover[] =>
  handovers
    .filter(({ at }) => yearOf(at) === year)
    .sort(
      (a, b) => Number(isGift(b.stream)) - Number(isGift(a.stream)) || b.at.localeCompare(a.at),
    );

const columns = [
  'day',
  'destination',
  'stream',
  'receipt',
  'count',
  'thing',
  'kilograms',
  'condition',
  'value_low',
  'value_high',
  'currency',
] as const;

/** A line a pile that was handed over; values for all its pieces, empty where nobody assumed any. */
export const writeGivenCsv = (handovers: readonly Handover[], currency: Currency): string =>
  writeCsvTable(
    columns,
    handovers.flatMap((handover) =>
      handover.lines.map(({ count, name, massG, condition, value }) => ({
        day: handover.at.slice(0, 10),
        destination: handover.destinationName,
        stream: handover.stream,
        receipt: handover.receiptNumber,
        count: String(count),
        thing: name,
        kilograms: (massG / 1000).toFixed(1),
        condition,
        value_low: value ? formatMoneyInput(count * value.lowMinor) : '',
        value_high: value ? formatMoneyInput(count * value.highMinor) : '',
        currency: value ? currency : '',
      })),
    ),
  );

/** A year's sums a destination, as the page and the paper show them. */
export function givenByDestination(handovers: readonly Handover[]) {
  const names = [...new Set(handovers.map(({ destinationName }) => destinationName))];
  return names.map((name) => {
    const own = handovers.filter(({ destinationName }) => destinationName === name);
    return { name, handovers: own, sum: sumGiven(own.flatMap(({ lines }) => lines)) };
  });
}
